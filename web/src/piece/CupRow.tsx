import type { FilledLayer } from '../editor/filled';
import type { CupVolume, Edit, LayerView } from '../api/client';
import { widthOf } from '../editor/filled';
import { useUnits } from '../units/units';
import { HowNumber } from '../parts/HowNumber';
import { inBurst } from '../editor/burst';
import { useEdits } from '../parts/editing';
import './CupRow.scss';

interface Props {
  layer: FilledLayer;
  plan: LayerView;
  chosen: string | null;
  /** Cup whose region is pointed at on the map. */
  pointed: string | null;
  /** Whether a level can be pulled here: where cups and map are worked on. */
  pullable: boolean;
  onChoose: (cupId: string | null) => void;
  onPoint: (cupId: string | null) => void;
}

/** Sizes that mixing cups come in, ml. */
const sizes = [30, 60, 120, 240, 500, 1000, 2500, 5000];
const tallest = 84;
const mostPerPixel = 1;
const slack = 5;

/** The layer's cups along the bench edge, in pour order and to scale with each other. */
export function CupRow({ layer, plan, chosen, pointed, pullable, onChoose, onPoint }: Props) {
  const { edit, drag } = useEdits();
  const units = useUnits();
  // A mixed cup stands after the cups that it is filled from.
  const order = [...new Set(plan.steps.flatMap((s) => [...filledFrom(plan, s.cupId), s.cupId]))];
  const cups = order.flatMap((id) => {
    const cup = layer.cups.find((c) => c.id === id);
    const volume = plan.cups.cups.find((c) => c.cupId === id);
    return cup && volume ? [{ cup, volume }] : [];
  });
  /** A level is pulled up or down: the reserve of all cups follows, or with Alt the bands of this one. */
  const pull = (e: React.PointerEvent<HTMLButtonElement>, volume: CupVolume) => {
    const glass = e.currentTarget.querySelector('svg')?.getBoundingClientRect();
    if (!pullable || e.button !== 0 || !glass || e.clientY > glass.bottom) return;
    const button = e.currentTarget;
    const served = Math.max(1, volume.needMl - volume.reserve.value);
    // On a small cup a pixel is many per cent: there it counts as one, so that no level jumps.
    const perPixel = Math.min(mostPerPixel, (100 * sizeFor(volume.mixMl.value)) / glass.height / served);
    let from = e.clientY;
    let pulled = false;
    const change = (event: PointerEvent) => {
      const percent = (from - event.clientY) * perPixel;
      return event.altKey
        ? widen(layer, volume, (width) => (width * percent) / 100)
        : [withReserve(layer, plan, percent)];
    };
    const move = (event: PointerEvent) => {
      if (!pulled && Math.abs(event.clientY - from) < slack) return;
      if (!pulled) {
        button.setPointerCapture(event.pointerId);
        // What told a pull from a press does not count.
        from -= slack * Math.sign(from - event.clientY);
      }
      pulled = true;
      drag(change(event), event.timeStamp);
    };
    const drop = (event: PointerEvent) => {
      window.removeEventListener('pointermove', move);
      window.removeEventListener('pointerup', drop);
      window.removeEventListener('pointercancel', drop);
      if (!pulled) return;
      // The click that ends a pull does not choose the cup.
      button.addEventListener('click', (click) => click.stopPropagation(), { capture: true, once: true });
      void edit(...change(event));
    };
    window.addEventListener('pointermove', move);
    window.addEventListener('pointerup', drop);
    window.addEventListener('pointercancel', drop);
  };
  const largest = Math.max(120, ...cups.map(({ volume }) => sizeFor(volume.mixMl.value)));
  return (
    <section className="cup-row" aria-label="Cups, in pour order">
      <ol>
        {cups.map(({ cup, volume }) => (
          <li key={cup.id}>
            <button
              type="button"
              aria-pressed={chosen === cup.id}
              aria-describedby={pullable ? 'cup-row-key' : undefined}
              data-lit={pointed === cup.id || undefined}
              onClick={(e) => e.detail < 2 && onChoose(chosen === cup.id ? null : cup.id)}
              onPointerDown={(e) => pull(e, volume)}
              onKeyDown={(e) => {
                const by = { ArrowUp: 1, ArrowDown: -1 }[e.key];
                if (!by || !pullable) return;
                e.preventDefault();
                const steps = by * (e.shiftKey ? 10 : 1);
                inBurst(e.altKey ? `band of ${cup.id}` : 'reserve', () => {
                  void edit(
                    ...(e.altKey ? widen(layer, volume, () => steps) : [withReserve(layer, plan, steps)]),
                  );
                });
              }}
              onPointerEnter={() => onPoint(cup.id)}
              onPointerLeave={() => onPoint(null)}
              onFocus={() => onPoint(cup.id)}
              onBlur={() => onPoint(null)}
            >
              <Vessel
                volume={volume}
                colour={volume.colour}
                mixed={volume.draws.length > 0}
                largest={largest}
                id={cup.id}
              />
              <span className="cup-name">{cup.name}</span>
            </button>
            <HowNumber of={volume.mixMl} label={`Mix in ${cup.name}`} decimals={0} className="cup-ml" />
          </li>
        ))}
      </ol>
      <p className="key" id="cup-row-key">
        In pour order, to scale
        <br />
        dashed: resin line · hatched: reserve, {units.show(reserveOf(plan), '%')}
        {pullable && (
          <>
            <br />
            pull a level, or press ↑ ↓: the reserve of all cups; with Alt the band
          </>
        )}
      </p>
    </section>
  );
}

const filledFrom = (plan: LayerView, cupId: string) =>
  plan.cups.cups.find((c) => c.cupId === cupId)?.draws.map((d) => d.cupId) ?? [];

/** The reserve that counts, %: the layer's own or the default, as the plan reports it. */
const reserveOf = (plan: LayerView) =>
  plan.cups.cups[0]?.mixMl.inputs.find((i) => i.name === 'reserve')?.value ?? 0;

const withReserve = (layer: FilledLayer, plan: LayerView, by: number): Edit => ({
  do: 'nudge',
  place: `sittings[${layer.sitting}].reservePercent`,
  by: Math.round(by),
  from: reserveOf(plan),
});

/** Widens every band that a cup serves by an amount that may depend on its width. */
const widen = (layer: FilledLayer, volume: CupVolume, by: (widthMm: number) => number): Edit[] =>
  volume.regionIds.flatMap((id) => {
    const at = layer.bands.findIndex((b) => b.id === id && !b.fillsRest);
    const band = layer.bands[at];
    return band
      ? [{ do: 'widen-band', layer: layer.id, zone: null, band: band.id, byMm: by(widthOf(layer, at)) }]
      : [];
  });

const sizeFor = (ml: number) => sizes.find((s) => s >= ml * 1.15) ?? Math.ceil(ml / 5000) * 5000;

function Vessel({
  volume,
  colour,
  mixed,
  largest,
  id,
}: {
  volume: CupVolume;
  colour: string | null;
  mixed: boolean;
  largest: number;
  id: string;
}) {
  const size = sizeFor(volume.mixMl.value);
  // Lengths go with the cube root of volumes: a cup of twice the width holds eight times as much.
  const height = Math.max(26, tallest * Math.cbrt(size / largest));
  const top = height * 0.86;
  const bottom = top * 0.78;
  const full = (ml: number) => height - 3 - (height - 6) * (ml / size);
  const edge = (y: number) => ((top - bottom) / 2) * (y / height);
  const slice = (from: number, to: number) =>
    `M${edge(from)} ${from}H${top - edge(from)}L${top - edge(to)} ${to}H${edge(to)}Z`;
  const surface = full(volume.mixMl.value);
  const resinLine = full(volume.resinMl.value);
  const reserve = full(volume.mixMl.value - volume.reserve.value);
  const marks = [0.25, 0.5, 0.75].map((s) => full(size * s));
  const hatch = `hatch-${id}`;
  return (
    <svg width={top + 2} height={height} viewBox={`-1 0 ${top + 2} ${height}`} aria-hidden>
      <defs>
        <pattern id={hatch} width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path d="M0 0V5" stroke="#fff" strokeOpacity="0.75" strokeWidth="1.6" />
          <path d="M1.6 0V5" stroke="#20302a" strokeOpacity="0.35" strokeWidth="0.8" />
        </pattern>
      </defs>
      <path d={slice(surface, height - 3)} fill={colour ?? '#dfe9e6'} />
      <path d={slice(surface, Math.min(height - 3, reserve))} fill={`url(#${hatch})`} />
      {!mixed && (
        <path
          d={`M${edge(resinLine) + 2} ${resinLine}H${top - edge(resinLine) - 2}`}
          className="resin-line"
        />
      )}
      <path d={slice(1, height - 1)} className="cup-glass" />
      {marks.map((y) => (
        <path key={y} d={`M${top - edge(y) - 6} ${y}h4.5`} className="mark" />
      ))}
    </svg>
  );
}
