import type { LayerView, SittingView } from '../api/client';
import type { Frame } from './StageHandles';
import { RegionMarks, middleOf } from './RegionMarks';
import { nextOf } from '../stations/station';
import './OrderMarks.scss';

interface Props {
  layer: LayerView;
  sitting: SittingView;
  frame: Frame;
}

/** The order of the pours, written where each of them goes: what is poured is ticked, the next one stands out. */
export function OrderMarks({ layer, sitting, frame }: Props) {
  const next = nextOf(sitting);
  return (
    <RegionMarks
      layer={layer}
      frame={frame}
      of={(id) => {
        const own = sitting.pours.flatMap((s, i) =>
          s.layerId === layer.layerId && s.regionId === id ? [{ turn: i + 1, done: s.done }] : [],
        );
        if (own.length === 0) return null;
        const turns = own.filter((s) => !s.done).map((s) => s.turn);
        if (turns.length === 0) return { words: '✓', state: 'poured' };
        const first = next?.layerId === layer.layerId && next.regionId === id;
        return { words: turns.join('+'), state: first ? 'next' : 'to-come' };
      }}
    />
  );
}

/** The cups of a sitting in the order in which they are first poured. */
export const cupsInOrder = (sitting: SittingView) => [...new Set(sitting.pours.map((s) => s.cupId))];

/** A thread is so wide at least, and wider by the root of what is poured, pixels; over a small map they are thinner. */
const threadWidth = (ml: number, scale: number) => 1.5 + scale * Math.min(9, 0.9 * Math.sqrt(ml));

/** A map so wide has threads of full width, pixels. */
const wideMap = 640;

/** Threads of resin from the cups at the left edge to where each is poured; what is poured has none any more. */
export function Threads({ layer, sitting, frame, height }: Props & { height: number }) {
  const cups = cupsInOrder(sitting);
  const scale = Math.min(1, (layer.box.widthMm * frame.pixelsPerMm) / wideMap);
  const colours = new Map(layer.colours.map((c) => [c.cupId, c.colour]));
  const threads = sitting.pours.flatMap((step, i) => {
    const to = step.layerId === layer.layerId ? middleOf(layer, step.regionId, frame) : null;
    if (!to || step.done) return [];
    const y = (height * (cups.indexOf(step.cupId) + 0.5)) / cups.length;
    return [{ i, step, d: `M0 ${y}C${0.4 * to.x} ${y - 24} ${0.7 * to.x} ${to.y - 30} ${to.x} ${to.y}` }];
  });
  return (
    <g className="threads" aria-hidden>
      {threads.map(({ i, step, d }) => {
        const width = threadWidth(step.pourMl.value, scale);
        return (
          <g key={i}>
            <path d={d} className="thread-edge" strokeWidth={width + 2} />
            <path d={d} stroke={colours.get(step.cupId) ?? '#dfe9e6'} strokeWidth={width} />
          </g>
        );
      })}
    </g>
  );
}
