import { withClearRecipe } from '../../piece/filled';
import type { FilledLayer, Zone } from '../../piece/filled';
import { useState } from 'react';
import type { KeptZone, Outline, Piece } from '../../api/client';
import { Choice, NumberField, TextField } from '../../parts/Fields';
import { HowNumber } from '../../parts/HowNumber';
import { SettledChoice } from '../../parts/SettledChoice';
import { boxOf } from '../ground/kinds';
import type { StationProps } from '../station';
import { timesPoured } from '../station';
import { LayoutPart } from './Layouts';
import { Sequences } from './Sequences';
import { freeId } from './layerEdits';
import { kindOf, kinds, laidOutAs, withZone, withoutZone } from './layoutEdits';

const contrasts = [
  ['strong', 'stand out from each other'],
  ['gradual', 'run into each other'],
  ['any', 'do not matter'],
] as const;

const rimWays = [
  ['proportional', 'in proportion: narrow where there is little room'],
  ['even', 'evenly: outer bands keep their width to the rim'],
] as const;

/** Areas are of one panel or casting where several are poured at once. */
function OfOne({ piece: { ground } }: StationProps) {
  const several = timesPoured(ground);
  return (
    several && (
      <p className="hint">
        Areas are of one {several.of}; the ml of the cups are for {several.words}.
      </p>
    )
  );
}

export function MapStation(props: StationProps) {
  const { layer, layerPlan, editLayer, say, at, view, zone } = props;
  const inZone = zone !== null;
  // The version that a new layout was based on: for as long as it is the last step, a step back brings back what was before.
  const [laid, setLaid] = useState<{ kind: string; version: number } | null>(null);
  return (
    <>
      <h2>{layer.name}</h2>
      {(props.whole.zones ?? []).length > 0 && <ZoneChoice {...props} />}
      <p className="line">
        <SettledChoice
          label="Laid out as"
          value={kindOf(layer)}
          choices={kinds}
          takeIt={(kind) => `Lay it out as ${kind}`}
          onChange={(kind) => {
            props.select(null);
            setLaid({ kind, version: view.version });
            editLayer((l) => laidOutAs(l, kind, layerPlan.box));
          }}
        />
      </p>
      {laid?.kind === kindOf(layer) && view.version <= laid.version + 1 && (
        <p className="hint" role="status">
          What was laid out before comes back with Undo.
        </p>
      )}
      <p className="line">
        {!inZone && (
          <NumberField
            label="Depth"
            unit="mm"
            width={52}
            value={layer.depthMm}
            takes="layers.depthMm"
            error={say(`${at.layer}.depthMm`)}
            onChange={(v) => v !== null && editLayer((l) => ({ ...l, depthMm: v }))}
          />
        )}
        {(!layer.layout || layer.layout.kind === 'petals' || layer.layout.kind === 'lines') && (
          <NumberField
            label="Widening"
            unit="×"
            width={44}
            value={layer.widening}
            takes="layers.layout.widening"
            error={say(`${at.layout}.widening`)}
            onChange={(v) => v !== null && editLayer((l) => ({ ...l, widening: v }))}
          />
        )}
        {!layer.layout && (
          <NumberField
            label="Rim following"
            unit="%"
            width={44}
            value={Math.round(layer.rimFollow * 100)}
            takes="layers.layout.rimFollow"
            per={100}
            error={say(`${at.layout}.rimFollow`)}
            onChange={(v) => v !== null && editLayer((l) => ({ ...l, rimFollow: v / 100 }))}
          />
        )}
        {!layer.layout && layer.rimFollow > 0 && (
          <Choice
            label="Following"
            quiet
            value={layer.rimWay ?? 'proportional'}
            choices={rimWays}
            onChange={(rimWay) => editLayer((l) => ({ ...l, rimWay }))}
          />
        )}
      </p>
      <OfOne {...props} />
      {!inZone && (
        <p className="line">
          <Choice
            label="Neighbours"
            value={layer.contrast ?? 'strong'}
            choices={contrasts}
            onChange={(contrast) => editLayer((l) => ({ ...l, contrast }))}
          />
        </p>
      )}
      <LayoutPart {...props} />
      {(!layer.layout || layer.layout.kind === 'petals' || layer.layout.kind === 'lines') && (
        <Sequences {...props} />
      )}
      {inZone ? (
        <ZoneFields {...props} />
      ) : (
        <>
          {(props.whole.zones ?? []).length === 0 && <ZoneChoice {...props} />}
          <Kept {...props} />
        </>
      )}
      {!inZone && <Balance {...props} />}
      {props.secondLook}
    </>
  );
}

/** The layer as a whole, or one of its zones. */
function ZoneChoice({ whole, zone, chooseZone, layerPlan, editWhole }: StationProps) {
  const zones = whole.zones ?? [];
  const add = () => {
    const next = withZone(whole, layerPlan.box);
    editWhole((l) => withZone(l, layerPlan.box));
    chooseZone(next.zones!.at(-1)!.id);
  };
  return (
    <div className="row-buttons" role="group" aria-label="What is laid out">
      {zones.length > 0 && (
        <button type="button" className="chip" aria-pressed={zone === null} onClick={() => chooseZone(null)}>
          Whole layer
        </button>
      )}
      {zones.map((z) => (
        <button
          key={z.id}
          type="button"
          className="chip"
          aria-pressed={zone === z.id}
          onClick={() => chooseZone(z.id)}
        >
          {z.name}
        </button>
      ))}
      {whole.within == null && zones.length < 12 && (
        <button type="button" className="chip" onClick={add}>
          {zones.length === 0 ? 'Lay a part out differently' : 'Another zone'}
        </button>
      )}
    </div>
  );
}

type Place = Pick<Zone, 'outline' | 'xMm' | 'yMm'>;

const shapes = [
  ['round', 'a round'],
  ['oval', 'an oval'],
  ['rectangle', 'a rectangle'],
  ['slice', 'a freeform'],
] as const;

/** An outline of another shape in about the same place. */
export function reshaped({ outline, xMm, yMm }: Place, shape: (typeof shapes)[number][0]): Place {
  const [w, h] = boxOf(outline);
  const across = Math.round(Math.sqrt(w * h));
  const to: Outline =
    shape === 'round'
      ? { shape, diameterMm: across }
      : shape === 'slice'
        ? {
            shape,
            widthMm: Math.max(20, w),
            heightMm: Math.max(20, h),
            reach: [0.95, 0.85, 0.97, 0.88, 0.94, 0.83, 0.96, 0.9],
            wobbleMm: 2,
            seed: 5,
          }
        : { shape, widthMm: w, heightMm: outline.shape === 'round' ? Math.round(h * 0.7) : h };
  const [nw, nh] = boxOf(to);
  return { outline: to, xMm: Math.round(xMm + (w - nw) / 2), yMm: Math.round(yMm + (h - nh) / 2) };
}

interface PlaceProps<T extends Place> {
  of: T;
  name: string;
  say: (field: string) => string | undefined;
  takes: string;
  change: (to: Partial<T>) => void;
}

/** Shape, size and place of a zone. */
function PlaceFields<T extends Place>({ of, name, say, takes, change }: PlaceProps<T>) {
  const { outline } = of;
  const size = (label: string, key: 'diameterMm' | 'widthMm' | 'heightMm') => (
    <NumberField
      label={label}
      unit="mm"
      width={44}
      value={key in outline ? (outline as unknown as Record<string, number>)[key]! : null}
      error={say(`outline.${key}`)}
      onChange={(v) => v !== null && change({ outline: { ...outline, [key]: v } } as Partial<T>)}
    />
  );
  return (
    <p className="line">
      <Choice
        label={`Shape of ${name}`}
        quiet
        value={outline.shape === 'drawn' ? 'slice' : outline.shape}
        choices={shapes}
        onChange={(shape) => change(reshaped(of, shape) as Partial<T>)}
      />
      {outline.shape === 'round' ? (
        size('across', 'diameterMm')
      ) : (
        <>
          {size('wide', 'widthMm')}
          {size('high', 'heightMm')}
        </>
      )}
      {(['xMm', 'yMm'] as const).map((key) => (
        <NumberField
          key={key}
          label={key === 'xMm' ? 'from the left' : 'from the top'}
          unit="mm"
          width={44}
          value={of[key]}
          takes={`${takes}.${key}`}
          error={say(key)}
          onChange={(v) => v !== null && change({ [key]: v } as Partial<T>)}
        />
      ))}
    </p>
  );
}

function ZoneFields({ whole, zone, chooseZone, editWhole, say, at }: StationProps) {
  const of = whole.zones?.find((z) => z.id === zone);
  if (!of) return null;
  const change = (to: Partial<Zone>) =>
    editWhole((l: FilledLayer) => ({
      ...l,
      zones: l.zones!.map((z) => (z.id === of.id ? { ...z, ...to } : z)),
    }));
  return (
    <section className="zone" aria-label={of.name}>
      <h3>The zone</h3>
      <p className="line">
        <TextField
          label="Name of the zone"
          quiet
          width={140}
          value={of.name}
          error={say(`${at.laidOut}.name`)}
          onChange={(name) => change({ name })}
        />
        <button
          type="button"
          className="chip"
          onClick={() => {
            chooseZone(null);
            editWhole((l) => withoutZone(l, of.id));
          }}
        >
          Take the zone out
        </button>
      </p>
      <PlaceFields
        of={of}
        name="the zone"
        say={(field) => say(`${at.laidOut}.${field}`)}
        takes="layers.zones"
        change={change}
      />
    </section>
  );
}

const keeps = [
  ['visible', 'stays visible: clear only'],
  ['bare', 'stays bare: no resin'],
] as const;

/** A spot of the piece that every layer keeps to, off the middle. */
function withKept(piece: Piece, box: { widthMm: number; heightMm: number }): Piece {
  const kept = piece.kept ?? [];
  const across = Math.round(Math.max(8, Math.min(box.widthMm, box.heightMm) * 0.16));
  const zone: KeptZone = {
    id: freeId(
      'kept',
      kept.map((k) => k.id),
    ),
    name: 'Inlay',
    outline: { shape: 'round', diameterMm: across },
    xMm: Math.round(box.widthMm * 0.25 - across / 2),
    yMm: Math.round(box.heightMm * (0.3 + 0.2 * (kept.length % 3)) - across / 2),
    keep: 'visible',
  };
  return { ...piece, kept: [...kept, zone], recipes: withClearRecipe(piece.recipes)[0] };
}

/** Zones that stay visible or bare, in every layer. */
function Kept({ piece, layer, edit, say, layerPlan }: StationProps) {
  const kept = piece.kept ?? [];
  if (layer.within) return null;
  const change = (id: string, to: Partial<KeptZone>) =>
    edit((p) => ({ ...p, kept: (p.kept ?? []).map((k) => (k.id === id ? { ...k, ...to } : k)) }));
  return (
    <>
      {kept.length > 0 && <h3>Kept, in every layer</h3>}
      {kept.map((k, i) => (
        <section key={k.id} className="zone" aria-label={k.name}>
          <p className="line">
            <TextField
              label={`Name of what is kept ${i + 1}`}
              quiet
              width={130}
              value={k.name}
              error={say(`kept[${k.id}].name`)}
              onChange={(name) => change(k.id, { name })}
            />
            <Choice
              label={`How ${k.name} is kept`}
              quiet
              value={k.keep}
              choices={keeps}
              onChange={(keep) => change(k.id, { keep })}
            />
            <NumberField
              label={`Dam round ${k.name}`}
              unit="mm"
              width={56}
              optional
              placeholder="none"
              value={k.damMm ?? null}
              takes="kept.damMm"
              error={say(`kept[${k.id}].damMm`)}
              onChange={(damMm) => change(k.id, { damMm })}
            />
            <button
              type="button"
              className="chip"
              aria-label={`Take out: ${k.name}`}
              onClick={() => edit((p) => ({ ...p, kept: (p.kept ?? []).filter((x) => x.id !== k.id) }))}
            >
              Take out
            </button>
          </p>
          <PlaceFields
            of={k}
            name={k.name}
            say={(field) => say(`kept[${k.id}].${field}`)}
            takes="kept"
            change={(to) => change(k.id, to)}
          />
        </section>
      ))}
      {kept.length < 12 && (
        <div className="row-buttons">
          <button
            type="button"
            className="btn btn-outline-primary"
            onClick={() => edit((p) => withKept(p, layerPlan.box))}
          >
            Keep a spot free
          </button>
        </div>
      )}
    </>
  );
}

/** How much of the layer each colour takes up, and how far it leans to one side. */
function Balance({ layer, layerPlan, setCup, cup }: StationProps) {
  if (layerPlan.balance.length < 2) return null;
  return (
    <section aria-label="Balance" className="balance">
      <h3>Balance</h3>
      <ul>
        {layerPlan.balance.map((b) => {
          const of = layer.cups.find((c) => c.id === b.cupId);
          return (
            <li key={b.cupId} data-lit={cup === b.cupId || undefined}>
              <button type="button" className="name" onClick={() => setCup(cup === b.cupId ? null : b.cupId)}>
                <i
                  className="swatch"
                  style={{
                    background: layerPlan.cups.cups.find((c) => c.cupId === b.cupId)?.colour ?? '#dfe9e6',
                  }}
                  aria-hidden
                />
                {of?.name}
              </button>
              <HowNumber of={b.share} label={`Share of ${of?.name}`} />
              <span className="lean">
                leans <HowNumber of={b.lean} label={`Lean of ${of?.name}`} />
              </span>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
