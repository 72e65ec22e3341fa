import type { LayerView, SittingView } from '../api/client';
import type { Frame } from './StageHandles';
import { fanOut } from './fanOut';
import './OrderMarks.scss';

interface Props {
  layer: LayerView;
  sitting: SittingView;
  frame: Frame;
}

/** So far a number stands from the next, pixels from its middle. */
const touch = 14;

/** The order of the pours, written where each of them goes: what is poured is ticked, the next one stands out. */
export function OrderMarks({ layer, sitting, frame }: Props) {
  const open = (layerId: string, region: string) =>
    !sitting.poured || sitting.openRegions.some((r) => r.layerId === layerId && r.region === region);
  const next = sitting.steps.find((s) => open(s.layerId, s.regionId));
  const marks = layer.regions.flatMap(({ id, middle }) => {
    const turns = sitting.steps.flatMap((s, i) =>
      s.layerId === layer.layerId && s.regionId === id ? [i + 1] : [],
    );
    if (!middle || turns.length === 0) return [];
    const state = !open(layer.layerId, id)
      ? 'poured'
      : next?.layerId === layer.layerId && next.regionId === id
        ? 'next'
        : 'to-come';
    const { xMm, yMm } = layer.box;
    return [
      {
        words: state === 'poured' ? '✓' : turns.join('+'),
        state,
        x: frame.px(xMm + middle.xMm),
        y: frame.py(yMm + middle.yMm),
        touch,
      },
    ];
  });
  const placed = fanOut(marks, [], -1);
  return (
    <g className="order-marks" aria-hidden>
      {marks.map((mark, i) => {
        const { x, y } = placed[i] ?? mark;
        const half = Math.max(12, 4 + 5 * mark.words.length);
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
