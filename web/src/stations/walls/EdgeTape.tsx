import { NumberAt } from '../../parts/At';
import { Choice } from '../../parts/Choice';
import { HowNumber } from '../../parts/HowNumber';
import { useEdits } from '../../parts/editing';
import { localText } from '../../units/format';
import { useUnits } from '../../units/units';
import { useStation } from '../station';
import { tapeRuns, unsaidBarriers } from './barriers';
import { TapePicture } from './TapePicture';

const runs = { 'side-and-dam': 'side and dam', side: 'side tape', dam: 'dam tape', back: 'back' } as const;

/** The dam all round a slice: of what, and how much of it. */
function Dam() {
  const { plan, piece } = useStation();
  const { set } = useEdits();
  const { dam } = plan;
  if (!dam) return null;
  const numbers = [
    ['long', dam.length, 0],
    ['wide', dam.width, 1],
    ['', dam.ml, 0],
    ['', dam.grams, 0],
    ['', dam.tubes, 2],
  ] as const;
  return (
    <section aria-label="The dam all round" className="edge-tape">
      <h3>The dam all round</h3>
      <p className="line">
        {'of '}
        <Choice
          label="The dam all round is of"
          quiet
          value={dam.of ?? ''}
          choices={unsaidBarriers}
          onChange={(to) => set('ground.damOf', to === '' ? null : to)}
        />
        <span className="with-comma">
          <NumberAt
            place="ground.sideHeightMm"
            label="The dam all round, high"
            quiet
            unit="mm"
            value={piece.ground.sideHeightMm}
          />
          {' high'}
        </span>
        {numbers.map(
          ([words, number, decimals], i) =>
            number && (
              <span key={i}>
                {', '}
                <HowNumber
                  of={number}
                  label={`The dam all round, ${words || number.unit}`}
                  decimals={decimals}
                />{' '}
                {words}
              </span>
            ),
        )}
      </p>
      <p className="hint">
        {dam.of === 'silicone'
          ? 'Greased finger; it holds once it has skinned and is sealed outside'
          : 'Pressed down so that nothing creeps under; test it with water'}
        {dam.peels && (
          <>
            {', peels after '}
            <HowNumber of={dam.peels} label="The dam all round, peels after" decimals={0} />
          </>
        )}
        .
      </p>
    </section>
  );
}

/** How the sides are finished when the face is done, and what that takes. */
function Sides() {
  const { plan, piece } = useStation();
  const { set } = useEdits();
  const { sides } = plan;
  const takes = sides && (sides.ml ?? sides.sheets);
  return (
    <p className="line">
      {'The sides: '}
      <Choice
        label="The sides are"
        quiet
        value={piece.ground.sides ?? ''}
        choices={
          [
            ['', 'as they are'],
            ['brushed', 'brushed with resin'],
            ['leafed', 'leafed'],
          ] as const
        }
        onChange={(to) => set('ground.sides', to === '' ? null : to)}
      />
      {takes && (
        <span className="with-comma">
          {' take '}
          <HowNumber of={takes} label="The sides take" decimals={takes.unit === 'ml' ? 1 : 0} />
          {sides.ml ? ' on a stiff brush' : ' of leaf'}
        </span>
      )}
      {sides?.sheets && <small>Size it, wait for its tack, lay it, seal it.</small>}
    </p>
  );
}

const pulls = {
  wait: 'leave it on',
  soft: 'soft: pull it slowly, to the side',
  warm: 'warm it first',
  score: 'hard: warm it, score along it, then pull',
} as const;

/** How each run stands that is on a sitting which was poured: whether it may come off, and how. */
function Pulls() {
  const { plan } = useStation();
  if (plan.tapeOn.length === 0) return null;
  return (
    <ul className="tape-runs" aria-label="Tape that is on">
      {plan.tapeOn.map(({ sittingId, milestone, pull, opens }) => (
        <li key={`${sittingId} ${milestone}`} data-state={pull}>
          <b>{milestone === 'dam-pull' ? 'dam tape' : 'side tape'}</b> of{' '}
          {plan.sittings.find((s) => s.sittingId === sittingId)?.name}: {pulls[pull]}
          {pull === 'wait' && ` until ${localText(opens.local)}`}
        </li>
      ))}
    </ul>
  );
}

/** How the edge is taped: widths and lengths, where to begin and which way, on a picture of this edge. */
export function EdgeTape() {
  const { plan, piece } = useStation();
  const { edit } = useEdits();
  const units = useUnits();
  const { tape } = plan;
  if (!tape) return <Dam />;
  const usual = tapeRuns.find(([id]) => id === tape.runs)?.[1];
  return (
    <section aria-label="Edge tape" className="edge-tape">
      <h3>Edge tape</h3>
      <p className="line">
        <Choice
          label="The edge is taped with"
          quiet
          value={tape.own ? tape.runs : ''}
          choices={[['', tape.own ? 'as usual' : `${usual}, as usual`] as const, ...tapeRuns]}
          onChange={(to) => edit({ do: 'tape-edge', runs: to === '' ? null : to })}
        />
        {tape.each.some((r) => r.run !== 'side' && r.run !== 'back') && (
          <span className="with-comma">
            {', the dam '}
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
          Begin at the dot{tape.corners > 0 ? `, break it at ${tape.corners} corners` : ''}, end with a tab to
          pull at.
          {tape.times > 1 && ` Fresh runs for each of the ${tape.times} sittings that reach the edge.`}
        </p>
      )}
      {piece.ground.edge === 'rolled-over' && (
        <p className="hint">
          Rolled over: when its film holds, the tape comes off, and a gloved finger rolls what stands there
          down the side; no later than when it gels.
        </p>
      )}
      <Pulls />
      <Sides />
    </section>
  );
}
