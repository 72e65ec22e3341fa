import type { LayerView } from '../api/client';
import type { Frame } from './StageHandles';
import { fanOut } from './fanOut';
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

/** So far a mark stands from the next, pixels from its middle. */
const touch = 14;

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
    return mark ? [{ ...mark, ...at, touch }] : [];
  });
  const placed = fanOut(marks, [], -1);
  return (
    <g className="region-marks" aria-hidden>
      {marks.map((mark, i) => {
        const { x, y } = placed[i] ?? mark;
        const half = Math.max(12, 5 + 4.6 * mark.words.length);
        return (
          <g key={i} data-state={mark.state}>
            {y !== mark.y && <path d={`M${mark.x} ${mark.y}L${x} ${y}`} />}
            {y !== mark.y && <circle cx={mark.x} cy={mark.y} r={2.5} />}
            <rect x={x - half} y={y - 12} width={2 * half} height={24} rx={12} />
            <text x={x} y={y}>
              {mark.words}
            </text>
          </g>
        );
      })}
    </g>
  );
}
