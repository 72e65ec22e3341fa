import { useMemo, useRef } from 'react';
import type { LayerView, Painting } from '../api/client';
import type { FilledLayer, Line } from '../editor/filled';
import { ofRegion } from '../editor/lines';
import { colourIn } from '../editor/filled';
import { regionAt } from '../painting/regions';
import { useUnits } from '../units/units';
import { useSize } from '../parts/useSize';
import { holdsOf } from './stagePainting';
import './CutAcross.scss';

interface Props {
  painting: Painting;
  layer: FilledLayer;
  plan: LayerView;
  /** Layers below it, the lowest first. */
  under: readonly { id: string; name: string; depthMm: number }[];
  /** Where the cut runs, mm from the top. */
  atMm: number;
}

/** So many places are asked along the cut. */
const places = 360;
/** Heights are drawn out so many times against widths, at most. */
const most = 10;
/** Layers below it are drawn under it, each so dark. */
const below = 0.5;
const [left, right, foot, head] = [8, 92, 16, 18];

interface Stretch {
  region: string | null;
  from: number;
  to: number;
}

/** What the cut passes, from left to right, mm. */
function stretches(painting: Painting, layerId: string, atMm: number): Stretch[] {
  const context = document.createElement('canvas').getContext('2d');
  if (!context) return [];
  const found: Stretch[] = [];
  const step = painting.widthMm / places;
  for (let i = 0; i < places; i++) {
    const x = (i + 0.5) * step;
    const region = regionAt(context, painting, x, atMm, layerId);
    const last = found.at(-1);
    if (last?.region === region && last) last.to = x + step / 2;
    else found.push({ region, from: x - step / 2, to: x + step / 2 });
  }
  return found;
}

/** A cut through the layer where it is dragged to: ground, walls and fills at their heights. */
export function CutAcross({ painting, layer, plan, under, atMm }: Props) {
  const units = useUnits();
  const box = useRef<HTMLDivElement>(null);
  const room = useSize(box);
  const cut = useMemo(() => stretches(painting, layer.id, atMm), [painting, layer.id, atMm]);
  // Those of its parts too, as they are laid out now.
  const told = new Set(plan.lines.map((l) => l.lineId));
  const walls = layer.allLines.filter((l) => l.material.kind === 'barrier' && told.has(l.id));
  // What has water in it stands as high as it is when it is dry.
  const heightOf = (wall: Line | undefined) =>
    plan.lines.find((l) => l.lineId === wall?.id)?.holds?.value ?? wall?.section.heightMm ?? null;
  const holds = holdsOf(plan);
  /** How deep the layer itself is in a region: nothing where nothing is poured. */
  const ownOf = (of: LayerView['regions'][number] | undefined) =>
    !of || of.bare || of.cupId === null || of.kind === 'kept-bare' ? 0 : (of.ownDepthMm ?? layer.depthMm);
  const crest = Math.max(0, ...walls.map((w) => heightOf(w) ?? 0));
  const tallest = Math.max(layer.depthMm, crest, ...plan.holds.map((h) => h.level.value), 1);
  const beneath = under.reduce((s, l) => s + l.depthMm, 0);
  const perMm = (room.width - left - right) / Math.max(painting.widthMm, 1);
  const up = Math.min(most * perMm, (room.height - foot - head) / (tallest + beneath));
  const ground = room.height - foot - beneath * up;
  const x = (mm: number) => left + mm * perMm;
  const y = (mm: number) => ground - mm * up;
  const marks = [
    ...new Set([
      ...(crest > 0 ? [crest] : []),
      layer.depthMm,
      ...plan.holds.filter((h) => h.state === 'runs-over').map((h) => h.level.value),
    ]),
  ].sort((a, b) => b - a);
  const says = (mm: number) => (mm === layer.depthMm ? 'this layer' : mm === crest ? 'crest' : 'runs over');
  return (
    <div className="cut-across" ref={box}>
      {room.width > 0 && (
        <svg
          width={room.width}
          height={room.height}
          role="img"
          aria-label={`Cut across, ${units.show(atMm, 'mm', 0)} from the top`}
        >
          <text x={left} y={12} className="cut-title">
            Cut here, heights drawn out {Math.max(1, Math.round(up / perMm))} times
          </text>
          {cut.map(({ region, from, to }) => {
            if (region === null) return null;
            const kind = plan.regions.find((r) => r.id === region)?.kind;
            if (kind === 'wall') {
              const wall = ofRegion(walls, region, { x: (from + to) / 2, y: atMm });
              const own = heightOf(wall);
              const high = own ?? layer.depthMm;
              const putty = wall?.material.kind === 'barrier' && wall.material.class === 'putty';
              const a = x(from);
              const b = x(to);
              return (
                <path
                  key={from}
                  className="cut-wall"
                  data-unknown={own === null || undefined}
                  d={
                    putty
                      ? `M${a} ${ground}V${y(high)}H${b}V${ground}Z`
                      : `M${a} ${ground}C${a} ${y(high * 1.33)} ${b} ${y(high * 1.33)} ${b} ${ground}Z`
                  }
                />
              );
            }
            if (kind === 'line') {
              // It lies on what is on either side of it.
              const line = layer.allLines.find((l) => l.region === region);
              const high = Math.max(2, (line?.section.heightMm ?? 1) * up);
              return (
                <rect
                  key={from}
                  x={x(from)}
                  y={y(layer.depthMm) - high}
                  width={Math.max(1, x(to) - x(from))}
                  height={ground - y(layer.depthMm) + high}
                  fill={colourIn(plan, plan.regions.find((r) => r.id === region)?.cupId) ?? '#dfe9e6'}
                />
              );
            }
            const of = plan.regions.find((r) => r.id === region);
            const colour = colourIn(plan, of?.cupId) ?? '#dfe9e6';
            const hold = holds.get(region);
            const own = ownOf(of);
            const level = Math.max(own, own > 0 ? (hold?.level.value ?? 0) : 0);
            return (
              <g key={from}>
                <rect
                  x={x(from)}
                  y={y(level)}
                  width={Math.max(0.5, x(to) - x(from))}
                  height={Math.max(0, ground - y(level))}
                  fill={colour}
                  opacity={0.5}
                />
                <rect
                  x={x(from)}
                  y={y(own)}
                  width={Math.max(0.5, x(to) - x(from))}
                  height={Math.max(0, ground - y(own))}
                  fill={colour}
                />
                {hold?.state === 'runs-over' && (
                  <path className="cut-over" d={`M${x(from)} ${y(level)}H${x(to)}`} />
                )}
              </g>
            );
          })}
          {under.map((l, i) => {
            const top = ground + under.slice(i + 1).reduce((s, o) => s + o.depthMm, 0) * up;
            return (
              <g key={l.id}>
                <rect
                  className="cut-below"
                  x={left}
                  y={top}
                  width={painting.widthMm * perMm}
                  height={l.depthMm * up}
                  opacity={below}
                />
                <text
                  x={x(painting.widthMm) + 6}
                  y={Math.min(top + (l.depthMm * up) / 2 + 4, room.height - 2)}
                >
                  {l.name}
                </text>
              </g>
            );
          })}
          <rect
            className="cut-ground"
            x={left}
            y={room.height - foot}
            width={painting.widthMm * perMm}
            height={foot - 4}
          />
          {marks.map((mm, i) => (
            <g key={mm} className="cut-mark" data-over={says(mm) === 'runs over' || undefined}>
              <path d={`M${left} ${y(mm)}H${x(painting.widthMm)}`} />
              <text x={x(painting.widthMm) + 6} y={Math.max(y(mm) + 4, 12 + i * 14)}>
                {units.part(mm, 'mm', 1).text} {says(mm)}
              </text>
            </g>
          ))}
        </svg>
      )}
    </div>
  );
}
