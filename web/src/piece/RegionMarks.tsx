import type { LayerView } from '../api/client';
import type { Frame } from './StageHandles';
import { spread } from './spread';
import './RegionMarks.scss';

/** What is written on a region. */
export interface Mark {
  words: string;
  state: string;
}

interface Props {
  layer: LayerView;
  frame: Frame;
  /** What is written on a region; null for nothing. */
  of: (region: string) => Mark | null;
}

/** A mark is so high, from its middle, and so wide for each letter, pixels. */
const halfHeight = 12;
const leastHalf = 12;
const halfLetter = 4.6;
const padding = 5;

/** Where a region of a layer is written on. */
export function middleOf(layer: LayerView, region: string, { px, py }: Frame) {
  const middle = layer.regions.find((r) => r.id === region)?.middle;
  return middle && { x: px(layer.box.xMm + middle.xMm), y: py(layer.box.yMm + middle.yMm) };
}

/** Words on the regions of a layer, each where its region is widest, moved apart where they would lie over each other. */
export function RegionMarks({ layer, frame, of }: Props) {
  const marks = layer.regions.flatMap(({ id }) => {
    const at = middleOf(layer, id, frame);
    const mark = at && of(id);
    if (!mark) return [];
    const halfWidth = Math.max(leastHalf, padding + halfLetter * mark.words.length);
    return [{ ...mark, ...at, halfWidth, halfHeight }];
  });
  const placed = spread(marks);
  return (
    <g className="region-marks" aria-hidden>
      {marks.map((mark, i) => {
        const { x, y } = placed[i] ?? mark;
        const moved = x !== mark.x || y !== mark.y;
        return (
          <g key={i} data-state={mark.state}>
            {moved && <path d={`M${mark.x} ${mark.y}L${x} ${y}`} />}
            {moved && <circle cx={mark.x} cy={mark.y} r={2.5} />}
            <rect
              x={x - mark.halfWidth}
              y={y - halfHeight}
              width={2 * mark.halfWidth}
              height={2 * halfHeight}
              rx={halfHeight}
            />
            <text x={x} y={y}>
              {mark.words}
            </text>
          </g>
        );
      })}
    </g>
  );
}
