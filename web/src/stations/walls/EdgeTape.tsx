import { NumberAt } from '../../parts/At';
import { Choice } from '../../parts/Choice';
import { HowNumber } from '../../parts/HowNumber';
import { useEdits } from '../../parts/editing';
import { useUnits } from '../../units/units';
import { useStation } from '../station';
import { TapePicture } from './TapePicture';

const ways = [
  ['', 'the usual way'],
  ['one', 'one run that stands out as the dam'],
  ['two', 'two runs, side and dam'],
  ['back', 'the back alone'],
  ['none', 'nothing'],
] as const;

const runs = { 'side-and-dam': 'side and dam', side: 'side tape', dam: 'dam tape', back: 'back' } as const;

/** How the edge is taped: widths and lengths, where to begin and which way, on a picture of this edge. */
export function EdgeTape() {
  const { plan, piece } = useStation();
  const { edit } = useEdits();
  const units = useUnits();
  const { tape } = plan;
  if (!tape) return null;
  const usual = ways.find(([id]) => id === tape.runs)?.[1];
  return (
    <section aria-label="Edge tape" className="edge-tape">
      <h3>Edge tape</h3>
      <p className="line">
        <Choice
          label="The edge is taped with"
          quiet
          value={tape.own ? tape.runs : ''}
          choices={ways.map(([id, words]) => [id, id === '' ? `${usual}, as usual` : words] as const)}
          onChange={(to) => edit({ do: 'tape-edge', runs: to === '' ? null : to })}
        />
        {tape.each.some((r) => r.run !== 'side' && r.run !== 'back') && (
          <span className="with-comma">
            {'; dam '}
            {tape.own ? (
              <NumberAt
                place="ground.tape.damMm"
                label="Dam above the edge"
                quiet
                unit="mm"
                empty={units.part(tape.damMm.value, 'mm').text}
                value={piece.ground.tape?.damMm ?? null}
              />
            ) : (
              <HowNumber of={tape.damMm} label="Dam above the edge" decimals={1} />
            )}
            {' above it'}
          </span>
        )}
      </p>
      {tape.each.length > 0 && <TapePicture tape={tape} />}
      <ol className="tape-runs">
        {tape.each.map((run) => (
          <li key={run.run}>
            <b>{runs[run.run]}</b>{' '}
            {run.widthMm === null ? (
              <span className="say-wrong">no tape is that wide: at least </span>
            ) : (
              <b className="tape-width">{units.show(run.widthMm, 'mm')}</b>
            )}
            {run.widthMm !== null && ' wide, for '}
            <HowNumber of={run.leastMm} label={`${runs[run.run]}, at least`} decimals={0} />
            {', '}
            <HowNumber of={run.length} label={`${runs[run.run]}, long`} decimals={0} /> long
            {tape.each.length > 1 && (run.clockwise ? ', laid clockwise' : ', laid the other way')}
          </li>
        ))}
      </ol>
      {tape.each.length > 0 && (
        <p className="hint">
          Begin at the dot{tape.corners > 0 ? `, break it at ${tape.corners} corners` : ''}, end with a tab to pull
          at.
          {tape.times > 1 && ` Fresh runs for each of the ${tape.times} sittings that reach the edge.`}
        </p>
      )}
    </section>
  );
}
