import type { Ground } from '../../api/client';
import { useState } from 'react';
import { Choice, ColourField, NumberField, Whether } from '../../parts/Fields';
import { useUnits } from '../../units/units';
import type { Base, Kind, Mould } from './kinds';
import { FromDrawing } from './FromDrawing';
import { Inserts } from './Inserts';
import { FromLibrary } from './FromLibrary';
import { OverOld } from './OverOld';
import { Paint } from './Paint';
import type { PartProps } from './parts';
import type { GroundChange } from './become';
import { become } from './become';
import { board, boxOf, kinds, materials, sets, shapes, thin } from './kinds';

interface Props {
  ground: Ground;
  /** How far it really reaches: a slice's curve seldom fills its frame. */
  spans?: { widthMm: number; heightMm: number };
  say: (field: string) => string | undefined;
  onChange: (ground: Ground) => void;
}

/** The ground as a sentence with blanks. */
export function GroundSentence({ ground, spans, say, onChange }: Props) {
  const base = ground.base ?? null;
  const kind: Kind = base?.kind ?? 'panel';
  const set = (change: Partial<Ground>) => onChange({ ...ground, ...change });
  const [failed, setFailed] = useState<string | null>(null);
  const turn = (change: GroundChange) =>
    become(
      ground,
      change,
      (to) => {
        setFailed(null);
        onChange(to);
      },
      setFailed,
    );
  const setBase = (change: Partial<Base>) => set({ base: { ...(base ?? board), ...change } });
  const wall = (
    <p>
      {kind === 'panel' ? 'with sides of ' : kind === 'slice' ? 'inside a dam ' : 'inside a rim '}
      <NumberField
        label={kind === 'panel' ? 'Side height' : 'Height of the wall'}
        quiet
        unit="mm"
        width={52}
        value={ground.sideHeightMm}
        takes="ground.sideHeightMm"
        error={say('ground.sideHeightMm')}
        onChange={(v) => set({ sideHeightMm: v ?? 0 })}
      />
      {kind === 'panel' ? (
        <>
          {' and an edge that is '}
          <Whether
            label="Edge"
            value={ground.edge === 'dripped-over'}
            no="taped clean"
            yes="dripped over"
            onChange={(over) => set({ edge: over ? 'dripped-over' : 'taped-clean' })}
          />
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
            onChange={(to) => setBase({ gapsSealed: to !== 'open', sealTested: to === 'tested' })}
          />
        </>
      )}
      ,
    </p>
  );
  return (
    <div className="sentence">
      <p>
        This is{' '}
        <Choice
          label="Kind of piece"
          quiet
          value={kind}
          choices={kinds}
          onChange={(to) => to !== kind && turn({ kind: to })}
        />
        {kind !== 'casting' && (
          <>
            {' of '}
            <Choice
              label="Made of"
              quiet
              value={base?.material ?? 'unsaid'}
              choices={base ? materials : [['unsaid', 'not said yet'], ...materials]}
              onChange={(material) => material !== 'unsaid' && setBase({ material })}
            />
          </>
        )}
        {base && kind !== 'casting' && !thin.includes(base.material) && (
          <>
            {', '}
            <NumberField
              label="Thickness of the base"
              quiet
              unit="mm"
              optional
              placeholder="?"
              width={44}
              value={base.thicknessMm ?? null}
              takes="ground.base.thicknessMm"
              error={say('ground.base.thicknessMm')}
              onChange={(thicknessMm) => setBase({ thicknessMm })}
            />
            {base.material === 'cradled-panel' ? ' thick in its face, on bars ' : ' thick'}
            {base.material === 'cradled-panel' && (
              <>
                <NumberField
                  label="Width of the bars"
                  quiet
                  unit="mm"
                  optional
                  placeholder="18"
                  width={44}
                  value={base.barWidthMm ?? null}
                  takes="ground.base.barWidthMm"
                  error={say('ground.base.barWidthMm')}
                  onChange={(barWidthMm) => setBase({ barWidthMm })}
                />
                {' wide'}
              </>
            )}
          </>
        )}
        {base?.material === 'canvas' && (
          <>
            {', its back '}
            <Whether
              label="Back of the canvas"
              value={base.backStiffened}
              no="left as it is"
              yes="stiffened"
              onChange={(backStiffened) => setBase({ backStiffened })}
            />
          </>
        )}
        {(kind === 'panel' || kind === 'slice') && <SetOf ground={ground} say={say} set={set} />},
      </p>
      <Size ground={ground} spans={ground.set ? undefined : spans} say={say} set={set} turn={turn} />
      {failed && <p className="say-wrong">{failed}</p>}
      {kind === 'casting' ? (
        <>
          <FromLibrary ground={ground} onChange={onChange} />
          <Cavity ground={ground} say={say} set={set} />
          <Inserts ground={ground} say={say} set={set} />
        </>
      ) : (
        <>
          {wall}
          <OverOld ground={ground} say={say} set={set} turn={turn} />
          <Paint ground={ground} say={say} set={set} />
        </>
      )}
    </div>
  );
}

/** A piece of several panels, and how the map goes over the gap between them. */
function SetOf({ ground, say, set }: PartProps) {
  const panels = ground.set ?? null;
  return (
    <>
      {', '}
      <Choice
        label="Number of panels"
        quiet
        value={String(panels?.count ?? 1)}
        choices={sets}
        onChange={(to) =>
          set({
            set:
              to === '1'
                ? null
                : { count: Number(to), gapMm: panels?.gapMm ?? 20, mirrored: panels?.mirrored ?? true },
          })
        }
      />
      {panels && (
        <>
          {' with the map '}
          <Whether
            label="Over the gap"
            value={panels.mirrored}
            no="running on"
            yes="mirrored"
            onChange={(mirrored) => set({ set: { ...panels, mirrored } })}
          />
          {' over a gap of '}
          <NumberField
            label="Gap between panels"
            quiet
            unit="mm"
            width={44}
            value={panels.gapMm}
            takes="ground.set.gapMm"
            error={say('ground.set.gapMm')}
            onChange={(v) => set({ set: { ...panels, gapMm: v ?? 0 } })}
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
function Cavity({ ground, say, set }: PartProps) {
  const { mould } = ground;
  if (!mould) return null;
  const change = (to: Partial<Mould>) => set({ mould: { ...mould, ...to } });
  const number = (
    label: string,
    key: 'depthMm' | 'capacityMl' | 'pieces' | 'cavities' | 'keepMm',
    unit: string,
    whole = false,
  ) => (
    <NumberField
      label={label}
      quiet
      unit={unit}
      width={key === 'capacityMl' ? 64 : 44}
      value={mould[key] ?? null}
      takes={`ground.mould.${key}`}
      error={say(`ground.mould.${key}`)}
      onChange={(v) => v !== null && change({ [key]: whole ? Math.round(v) : v })}
    />
  );
  return (
    <>
      <p>
        its cavity {number('Depth of the cavity', 'depthMm', 'mm')} deep, of which{' '}
        {number('Depth kept for later coats', 'keepMm', 'mm')} are kept for later coats; it holds{' '}
        <Choice
          label="What it holds"
          quiet
          value={mould.from}
          choices={sources}
          onChange={(from) => change({ from, capacityMl: from === 'dimensions' ? null : mould.capacityMl })}
        />
        {mould.from !== 'dimensions' && <> {number('Capacity', 'capacityMl', 'ml')}</>};
      </p>
      <p>
        {number('Pieces', 'pieces', mould.pieces === 1 ? 'piece' : 'pieces', true)} from{' '}
        {number('Cavities', 'cavities', mould.cavities === 1 ? 'cavity' : 'cavities', true)} at once, with
        nothing below but{' '}
        <ColourField label="Ground colour" value={ground.colour} onChange={(colour) => set({ colour })} />{' '}
        shining through.
      </p>
    </>
  );
}

function Size({
  ground,
  spans,
  say,
  set,
  turn,
}: PartProps & { spans?: Props['spans']; turn: (change: GroundChange) => void }) {
  const { outline } = ground;
  const units = useUnits();
  const box = boxOf(outline);
  const side = (label: string, key: 'widthMm' | 'heightMm') => (
    <NumberField
      label={label}
      quiet
      unit="mm"
      value={outline.shape === 'round' || outline.shape === 'drawn' ? null : outline[key]}
      takes={`ground.outline.${key}`}
      error={say(`ground.outline.${key}`)}
      onChange={(v) =>
        outline.shape !== 'round' &&
        outline.shape !== 'drawn' &&
        set({ outline: { ...outline, [key]: v ?? 0 } })
      }
    />
  );
  return (
    <p>
      <Choice
        label="Outline"
        quiet
        value={outline.shape}
        choices={shapes.filter(([shape]) => shape !== 'drawn' || outline.shape === 'drawn')}
        onChange={(shape) => shape !== outline.shape && shape !== 'drawn' && turn({ shape })}
      />
      {outline.shape === 'round' ? (
        <>
          {', '}
          <NumberField
            label="Diameter"
            quiet
            unit="mm"
            value={outline.diameterMm}
            takes="ground.outline.diameterMm"
            error={say('ground.outline.diameterMm')}
            onChange={(v) => set({ outline: { ...outline, diameterMm: v ?? 0 } })}
          />
          {' across,'}
        </>
      ) : outline.shape === 'drawn' ? (
        <>
          {' of '}
          {units.part(box[0], 'mm').text} × {units.show(box[1], 'mm')},
        </>
      ) : (
        <>
          {outline.shape === 'slice' ? ' in a frame of ' : ' of '}
          {side('Width', 'widthMm')}
          {' wide by '}
          {side('Height', 'heightMm')}
          {' high'}
          {outline.shape === 'slice' && spans && (
            <>
              {' '}
              (it spans {units.part(spans.widthMm, 'mm').text} × {units.show(spans.heightMm, 'mm')})
            </>
          )}
          {','}
        </>
      )}
      {outline.shape === 'slice' && (
        <>
          {' its rim wandering '}
          <NumberField
            label="Wobble"
            quiet
            unit="mm"
            width={44}
            value={outline.wobbleMm}
            takes="ground.outline.wobbleMm"
            error={say('ground.outline.wobbleMm')}
            onChange={(v) => set({ outline: { ...outline, wobbleMm: v ?? 0 } })}
          />{' '}
          <button
            type="button"
            className="btn btn-outline-primary"
            onClick={() => turn({ anotherRim: true })}
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
            onChange={(to) => turn({ handles: Number(to) })}
          />
        </>
      )}
      {outline.shape !== 'drawn' && (
        <>
          {outline.shape === 'slice' ? ' and ' : ' with '}
          <Whether
            label="Opening"
            value={!!outline.opening}
            no="no opening"
            yes="an opening"
            onChange={(open) => turn({ open })}
          />
          {say('ground.outline.opening') && (
            <span className="field-error">{say('ground.outline.opening')}</span>
          )}
        </>
      )}{' '}
      <FromDrawing onRead={(read) => set({ outline: read })} />
      {say('ground.outline') && <span className="field-error">{say('ground.outline')}</span>}
    </p>
  );
}
