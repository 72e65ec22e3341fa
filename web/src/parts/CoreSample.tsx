import type { LayerView, Piece, PlanView } from '../api/client';
import { useUnits } from '../units/units';
import './CoreSample.scss';

interface Props {
  piece: Piece;
  layers: LayerView[];
  beneath: PlanView['ground']['beneath'];
  chosen: string;
  onChoose: (layerId: string) => void;
  onAdd: () => void;
}

const width = 112;
/** Thin coats are drawn this large; a deep casting is drawn smaller, so that all of it can be seen. */
const mostPerMm = 17;
const room = 230;
const least = 22;
const base = 60;

/** A vertical cut through the piece, to scale above the base: the way through its layers. */
export function CoreSample({ piece, layers, beneath, chosen, onChoose, onAdd }: Props) {
  const units = useUnits();
  const deep = [...piece.layers, ...beneath].reduce((sum, l) => sum + l.depthMm, 0);
  const perMm = Math.min(mostPerMm, room / deep);
  const drawn = [...piece.layers].map((layer, i) => ({ layer, plan: layers[i], number: i + 1 })).reverse();
  return (
    <section className="core" aria-label="Core sample">
      <button type="button" className="over" onClick={onAdd}>
        + pour another layer over
      </button>
      <ol>
        {drawn.map(({ layer, plan, number }) => {
          const height = Math.max(least, layer.depthMm * perMm);
          const curing =
            plan?.poured && plan.windows.some((w) => w.milestone === 'full-cure' && w.state === 'ahead');
          const state = !plan?.poured ? 'planned' : curing ? 'curing' : 'cured';
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
                </span>
              </button>
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
        <path d={`M0 0H${width}V18l-14 5-14-5-14 5-14-5-14 5-14-5-14 5-14-5z`} fill={piece.ground.colour} />
        <path d={`M0 27l14 5 14-5 14 5 14-5 14 5 14-5 14 5 14-5V${base}H0z`} fill={piece.ground.colour} />
      </svg>
      <small className="words">{piece.ground.mould ? 'mould' : 'base'}, cut short</small>
    </section>
  );
}

/** One layer's cut: its regions where the cut passes them. */
function Stratum({ plan, height }: { plan?: LayerView; height: number }) {
  const spans = (plan?.cut ?? []).map((span) => {
    const cupId = plan?.regions.find((r) => r.id === span.regionId)?.cupId;
    const colour = plan?.cups.cups.find((c) => c.cupId === cupId)?.colour;
    // Where nothing is poured, the cut has a gap.
    return { ...span, colour: colour ?? (cupId ? clearColour : 'none'), clear: !colour };
  });
  return <Spans spans={spans} height={height} />;
}

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
