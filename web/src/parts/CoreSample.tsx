import type { LayerView, Piece, PlanView, SittingView } from '../api/client';
import { useUnits } from '../units/units';
import { GradeOf } from './GradeOf';
import './CoreSample.scss';

interface Props {
  piece: Piece;
  plan: PlanView;
  beneath: PlanView['ground']['beneath'];
  chosen: string;
  /** The sitting that is looked at. */
  sitting: string;
  onChoose: (layerId: string, sittingId?: string) => void;
  onAdd: (clearCoat: boolean) => void;
}

const width = 112;
/** Thin coats are drawn this large; a deep casting is drawn smaller, so that all of it can be seen. */
const mostPerMm = 17;
const room = 180;
const least = 20;
const base = 44;

/** A vertical cut through the piece, to scale above the base: the way through its layers. */
export function CoreSample({ piece, plan: whole, beneath, chosen, sitting, onChoose, onAdd }: Props) {
  const units = useUnits();
  const deep = [...piece.layers, ...beneath].reduce((sum, l) => sum + l.depthMm, 0);
  const perMm = Math.min(mostPerMm, room / deep);
  const drawn = [...piece.layers]
    .map((layer, i) => ({ layer, plan: whole.layers[i], number: i + 1 }))
    .reverse();
  return (
    <section className="core" aria-label="Core sample">
      <button type="button" className="over" onClick={() => onAdd(false)}>
        + pour another layer over
      </button>
      <button type="button" className="over" onClick={() => onAdd(true)}>
        + a clear coat
      </button>
      <ol>
        {drawn.map(({ layer, plan, number }) => {
          const height = Math.max(least, layer.depthMm * perMm);
          const sittings = whole.sittings.filter((s) => plan?.sittingIds.includes(s.sittingId));
          const state = stateOf(sittings, layer.id, plan?.poured ?? false);
          // What is at a sitting stands at the sitting, where they are told apart.
          const seen = whole.findings.filter((f) => !f.wavedOff && f.pin.layerId === layer.id);
          return (
            <li key={layer.id} data-state={state}>
              <button type="button" aria-pressed={layer.id === chosen} onClick={() => onChoose(layer.id)}>
                <Stratum plan={plan} height={height} />
                <span className="words">
                  <b>
                    {number} · {layer.name}
                  </b>
                  <small>
                    {units.show(layer.depthMm, 'mm', 1)}, {state}
                  </small>
                  <GradeOf findings={sittings.length > 1 ? seen.filter((f) => !f.pin.sittingId) : seen} />
                </span>
              </button>
              {sittings.length > 1 && (
                <ol className="goes" aria-label={`Sittings of ${layer.name}`}>
                  {sittings.map((s, i) => {
                    const own = stateOf([s], layer.id, s.poured && (plan?.poured ?? false));
                    return (
                      <li key={s.sittingId} data-state={own}>
                        <button
                          type="button"
                          aria-pressed={layer.id === chosen && s.sittingId === sitting}
                          onClick={() => onChoose(layer.id, s.sittingId)}
                          title={`${s.name}, ${own}`}
                        >
                          <span aria-hidden>{i + 1}</span>
                          <span className="visually-hidden">
                            {s.name}, {own}
                          </span>
                          <GradeOf findings={seen.filter((f) => f.pin.sittingId === s.sittingId)} />
                          <Stripes of={s} plan={plan} layerId={layer.id} />
                        </button>
                      </li>
                    );
                  })}
                </ol>
              )}
            </li>
          );
        })}
      </ol>
      {beneath.length > 0 && (
        <ol className="beneath" aria-label={`Beneath: ${piece.ground.old?.name}`}>
          {[...beneath].reverse().map((stratum, i) => (
            <li key={i}>
              <Spans
                spans={stratum.spans.map((s) => ({
                  ...s,
                  colour: s.colour ?? clearColour,
                  clear: !s.colour,
                }))}
                height={Math.max(least, stratum.depthMm * perMm)}
              />
              <span className="words">
                <b>{stratum.name}</b>
                <small>{units.show(stratum.depthMm, 'mm', 1)}, older work</small>
              </span>
            </li>
          ))}
        </ol>
      )}
      <svg width={width} height={base} viewBox={`0 0 ${width} ${base}`} aria-hidden className="base">
        <path d={`M0 0H${width}V12l-14 5-14-5-14 5-14-5-14 5-14-5-14 5-14-5z`} fill={piece.ground.colour} />
        <path d={`M0 21l14 5 14-5 14 5 14-5 14 5 14-5 14 5 14-5V${base}H0z`} fill={piece.ground.colour} />
      </svg>
      <small className="words">{piece.ground.mould ? 'mould' : 'base'} (not to scale)</small>
    </section>
  );
}

/** How far a layer is in sittings, of what they pour of it: planned, half poured, curing or cured. */
function stateOf(sittings: SittingView[], layerId: string, begun: boolean) {
  if (!begun) return 'planned';
  const all = sittings.every(
    (s) =>
      !s.pours.some((p) => p.layerId === layerId) ||
      (s.poured && !s.openRegions.some((r) => r.layerId === layerId)),
  );
  if (!all) return 'half poured';
  const curing = sittings.some((s) =>
    s.windows.some((w) => w.milestone === 'full-cure' && w.state === 'ahead'),
  );
  return curing ? 'curing' : 'cured';
}

/** What a sitting pours of a layer, colour by colour in the order of its pours. */
function Stripes({ of, plan, layerId }: { of: SittingView; plan?: LayerView; layerId: string }) {
  const colours = [...new Set(of.pours.filter((s) => s.layerId === layerId).map((s) => s.cupId))];
  return (
    <svg viewBox={`0 0 ${Math.max(1, colours.length)} 1`} preserveAspectRatio="none" aria-hidden>
      {colours.map((cupId, i) => (
        <rect key={cupId} x={i} width="1.02" height="1" fill={colourIn(plan, cupId) ?? clearColour} />
      ))}
    </svg>
  );
}

/** One layer's cut: its regions where the cut passes them. */
function Stratum({ plan, height }: { plan?: LayerView; height: number }) {
  const spans = (plan?.cut ?? []).map((span) => {
    const cupId = plan?.regions.find((r) => r.id === span.regionId)?.cupId;
    const colour = colourIn(plan, cupId);
    // Where nothing is poured, the cut has a gap.
    return { ...span, colour: colour ?? (cupId ? clearColour : 'none'), clear: !colour };
  });
  return <Spans spans={spans} height={height} />;
}

/** The colour that a cup shows in a layer; null for clear resin. */
const colourIn = (plan: LayerView | undefined, cupId: string | null | undefined) =>
  plan?.colours.find((c) => c.cupId === cupId)?.colour ?? null;

const clearColour = '#dfe9e6';

interface SpansProps {
  spans: { fromMm: number; toMm: number; colour: string; clear: boolean }[];
  height: number;
}

function Spans({ spans, height }: SpansProps) {
  const from = spans[0]?.fromMm ?? 0;
  const to = spans.at(-1)?.toMm ?? 1;
  const x = (mm: number) => ((mm - from) / (to - from)) * width;
  return (
    <svg width={width} height={height} viewBox={`0 0 ${width} ${height}`} aria-hidden>
      {spans.map((span) => (
        <rect
          key={span.fromMm}
          x={x(span.fromMm)}
          width={Math.max(0.8, x(span.toMm) - x(span.fromMm))}
          height={height}
          fill={span.colour}
          fillOpacity={span.clear ? 0.8 : 1}
        />
      ))}
      <rect className="frame" x="1" y="1" width={width - 2} height={height - 2} />
    </svg>
  );
}
