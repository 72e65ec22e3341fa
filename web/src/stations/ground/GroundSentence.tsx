import type { Ground } from '../../api/client';
import { ChoiceAt, ColourAt, NumberAt, WhetherAt } from '../../parts/At';
import { Choice, Whether } from '../../parts/Choice';
import { useFields } from '../../parts/fields';
import { useEdits } from '../../parts/editing';
import { useUnits } from '../../units/units';
import type { Kind } from './kinds';
import { FromDrawing } from './FromDrawing';
import { Inserts } from './Inserts';
import { FromLibrary } from './FromLibrary';
import { OverOld } from './OverOld';
import { Paint } from './Paint';
import { boxOf, kinds, materials, sets, shapes, thin } from './kinds';

interface Props {
  ground: Ground;
  /** How far it really reaches: a slice's curve seldom fills its frame. */
  spans?: { widthMm: number; heightMm: number };
  /** What the sentence is of; "this" where nothing is said. */
  of?: React.ReactNode;
}

/** The ground as a sentence with blanks: what every piece has, and below it what few have. */
export function GroundSentence({ ground, spans, of = 'This' }: Props) {
  const { usual, unpainted } = useFields();
  const base = ground.base ?? null;
  const kind: Kind = base?.kind ?? 'panel';
  const { edit, set, say } = useEdits();
  const few = fewOf(ground);
  const wall = (
    <>
      {kind === 'panel' ? ' with ' : kind === 'slice' ? ', inside a dam ' : ', inside a rim '}
      <NumberAt
        place="ground.sideHeightMm"
        label={kind === 'panel' ? 'Side height' : 'Height of the wall'}
        quiet
        unit="mm"
        value={ground.sideHeightMm}
      />
      {kind === 'panel' ? (
        <>
          {' sides, '}
          <span className="with-comma">
            <ChoiceAt
              place="ground.edge"
              label="Edge"
              quiet
              value={ground.edge}
              choices={[
                ['taped-clean', 'taped clean'],
                ['rolled-over', 'rolled over'],
                ['dripped-over', 'dripped over'],
                ...(ground.edge === 'walled' ? [['walled', 'inside a rim'] as const] : []),
              ]}
            />
            ,
          </span>
        </>
      ) : (
        <>
          {' high that '}
          <Choice
            label="Seal of the wall"
            quiet
            value={!base?.gapsSealed ? 'open' : base.sealTested ? 'tested' : 'sealed'}
            choices={[
              ['open', 'is not sealed yet'],
              ['sealed', 'is sealed'],
              ['tested', 'is sealed and held water'],
            ]}
            onChange={(seal) => edit({ do: 'seal-wall', seal })}
          />
          {','}
        </>
      )}
    </>
  );
  return (
    <div className="sentence">
      <p>
        {of} is{' '}
        <Choice
          label="Kind of piece"
          quiet
          value={kind}
          choices={kinds}
          onChange={(to) => to !== kind && edit({ do: 'become-kind', kind: to })}
        />
        {kind !== 'casting' && (
          <>
            {' of '}
            <Choice
              label="Made of"
              quiet
              value={base?.material ?? 'unsaid'}
              choices={base ? materials : [['unsaid', 'material?'], ...materials]}
              onChange={(material) => material !== 'unsaid' && set('ground.base.material', material)}
            />
          </>
        )}
        {base && kind !== 'casting' && !thin.includes(base.material) && (
          <>
            {', '}
            <NumberAt
              place="ground.base.thicknessMm"
              label="Thickness of the base"
              quiet
              unit="mm"
              empty="?"
              value={base.thicknessMm ?? null}
            />
            {base.material === 'cradled-panel' ? ' thick in its face, on bars ' : ' thick'}
            {base.material === 'cradled-panel' && (
              <>
                <NumberAt
                  place="ground.base.barWidthMm"
                  label="Width of the bars"
                  quiet
                  unit="mm"
                  empty={usual['ground.base.barWidthMm'] ?? ''}
                  value={base.barWidthMm ?? null}
                />
                {' wide'}
              </>
            )}
          </>
        )}
        {base?.material === 'canvas' && (
          <>
            {', its back '}
            <WhetherAt
              place="ground.base.backStiffened"
              label="Back of the canvas"
              value={base.backStiffened}
              no="left as it is"
              yes="stiffened"
            />
          </>
        )}
        {', '}
        <Size ground={ground} spans={ground.set ? undefined : spans} />
        {kind === 'casting' ? (
          ','
        ) : (
          <>
            {wall}
            {base && unpainted.includes(base.material) ? '.' : <Paint ground={ground} />}
          </>
        )}
      </p>
      {say('ground') && <p className="say-wrong">{say('ground')}</p>}
      {say('ground.base.kind') && <p className="say-wrong">{say('ground.base.kind')}</p>}
      {kind === 'casting' ? (
        <>
          <FromLibrary ground={ground} />
          <Cavity ground={ground} />
          <Inserts ground={ground} />
        </>
      ) : (
        <details className="more-of" open={few.length > 0}>
          <summary>
            {few.length > 0 ? few.join(', ') : 'Several panels, an opening, a drawing, older work'}
          </summary>
          <p>
            {(kind === 'panel' || kind === 'slice') && (
              <>
                It stands <SetOf ground={ground} />;{' '}
              </>
            )}
            <OverOld ground={ground} />. <Opening ground={ground} />
          </p>
        </details>
      )}
      {kind === 'casting' && (
        <p>
          <Opening ground={ground} />
        </p>
      )}
    </div>
  );
}

/** What few grounds have, in a word each. */
const fewOf = ({ set, old, outline }: Ground) => [
  ...(set ? ['Several panels'] : []),
  ...(old ? ['Over older work'] : []),
  ...(outline.shape !== 'drawn' && outline.opening ? ['With an opening'] : []),
];

/** Whether there is an opening in it, and its outline from a drawing. */
function Opening({ ground: { outline } }: { ground: Ground }) {
  const { edit, say } = useEdits();
  return (
    <>
      {outline.shape !== 'drawn' && (
        <>
          It has{' '}
          <Whether
            label="Opening"
            value={!!outline.opening}
            no="no opening"
            yes="an opening"
            onChange={(open) => edit({ do: 'open-outline', open })}
          />
          {say('ground.outline.opening') && (
            <span className="field-error">{say('ground.outline.opening')}</span>
          )}
        </>
      )}{' '}
      <FromDrawing onRead={({ path }) => void edit({ do: 'take-outline', outline: { path } })} />
    </>
  );
}

/** A piece of several panels, and how the map goes over the gap between them. */
function SetOf({ ground }: { ground: Ground }) {
  const { edit, say } = useEdits();
  const panels = ground.set ?? null;
  return (
    <>
      <Choice
        label="Number of panels"
        quiet
        value={String(panels?.count ?? 1)}
        choices={sets}
        onChange={(to) => edit({ do: 'make-panels', count: Number(to) })}
      />
      {panels && (
        <>
          {' with the map '}
          <WhetherAt
            place="ground.set.mirrored"
            label="Over the gap"
            value={panels.mirrored}
            no="running on"
            yes="mirrored"
          />
          {' over a gap of '}
          <NumberAt
            place="ground.set.gapMm"
            label="Gap between panels"
            quiet
            unit="mm"
            value={panels.gapMm}
          />
        </>
      )}
      {say('ground.set') && <span className="field-error">{say('ground.set')}</span>}
    </>
  );
}

const sources = [
  ['dimensions', 'what its size gives'],
  ['water', 'the water I measured,'],
  ['maker', 'what its maker says,'],
] as const;

/** The mould of a casting, and how many are cast. */
function Cavity({ ground }: { ground: Ground }) {
  const { mould } = ground;
  if (!mould) return null;
  const number = (
    label: string,
    key: 'depthMm' | 'capacityMl' | 'pieces' | 'cavities' | 'keepMm',
    unit: string,
  ) => <NumberAt place={`ground.mould.${key}`} label={label} quiet unit={unit} value={mould[key] ?? null} />;
  return (
    <>
      <p>
        its cavity {number('Depth of the cavity', 'depthMm', 'mm')} deep, of which{' '}
        {number('Depth kept for later coats', 'keepMm', 'mm')} are kept for later coats; it holds{' '}
        <ChoiceAt
          place="ground.mould.from"
          label="What it holds"
          quiet
          value={mould.from}
          choices={sources}
        />
        {mould.from !== 'dimensions' && <> {number('Capacity', 'capacityMl', 'ml')}</>};
      </p>
      <p>
        {number('Pieces', 'pieces', mould.pieces === 1 ? 'piece' : 'pieces')} from{' '}
        {number('Cavities', 'cavities', mould.cavities === 1 ? 'cavity' : 'cavities')} at once, seen against{' '}
        <ColourAt place="ground.colour" label="Ground colour" value={ground.colour} />.
      </p>
    </>
  );
}

function Size({ ground, spans }: Props) {
  const { outline } = ground;
  const { edit, say } = useEdits();
  const units = useUnits();
  const box = boxOf(outline);
  const side = (label: string, key: 'widthMm' | 'heightMm') => (
    <NumberAt
      place={`ground.outline.${key}`}
      label={label}
      quiet
      unit="mm"
      value={outline.shape === 'round' || outline.shape === 'drawn' ? null : outline[key]}
    />
  );
  return (
    <>
      <Choice
        label="Outline"
        quiet
        value={outline.shape}
        choices={shapes.filter(([shape]) => shape !== 'drawn' || outline.shape === 'drawn')}
        onChange={(shape) =>
          shape !== outline.shape && shape !== 'drawn' && edit({ do: 'shape-outline', shape })
        }
      />
      {outline.shape === 'round' ? (
        <>
          {', '}
          <NumberAt
            place="ground.outline.diameterMm"
            label="Diameter"
            quiet
            unit="mm"
            value={outline.diameterMm}
          />
          {' across'}
        </>
      ) : outline.shape === 'drawn' ? (
        <>
          {' of '}
          {units.part(box[0], 'mm').text} × {units.show(box[1], 'mm')}
        </>
      ) : (
        <>
          {outline.shape === 'slice' ? ' in a frame of ' : ' of '}
          {side('Width', 'widthMm')}
          {' by '}
          {side('Height', 'heightMm')}
          {outline.shape === 'slice' && spans && (
            <>
              {' '}
              (it spans {units.part(spans.widthMm, 'mm').text} × {units.show(spans.heightMm, 'mm')})
            </>
          )}
        </>
      )}
      {outline.shape === 'slice' && (
        <>
          {', its rim wandering '}
          <NumberAt
            place="ground.outline.wobbleMm"
            label="Wobble"
            quiet
            unit="mm"
            value={outline.wobbleMm}
          />{' '}
          <button
            type="button"
            className="btn btn-outline-primary"
            onClick={() => void edit({ do: 'another-rim' })}
          >
            another rim
          </button>
          {' through '}
          <Choice
            label="Handles"
            quiet
            value={String(outline.reach.length)}
            choices={[...new Set([5, 6, 8, 10, 12, 16, outline.reach.length])]
              .sort((a, b) => a - b)
              .map((n) => [String(n), `${n} handles`] as const)}
            onChange={(to) => edit({ do: 'put-handles', handles: Number(to) })}
          />
        </>
      )}
      {say('ground.outline') && <span className="field-error">{say('ground.outline')}</span>}
    </>
  );
}
