import type { LayerView } from '../api/client';
import { useUnits } from '../units/units';
import { middleOf } from './RegionMarks';
import type { Frame } from './StageHandles';
import './WallMarks.scss';

const leastMl = 1;

/** What each pool still takes, written on it: what holds what. */
export function WallMarks({ layer, frame }: { layer: LayerView; frame: Frame }) {
  const units = useUnits();
  return (
    <g className="wall-marks" aria-hidden>
      {layer.holds.map((hold) => {
        const at = hold.at
          ? { x: frame.px(hold.at.xMm), y: frame.py(hold.at.yMm) }
          : middleOf(layer, hold.regionId, frame);
        // What holds next to nothing has no room for words either.
        if (!at || (hold.state === 'holds' && hold.brim.value < leastMl)) return null;
        const more = hold.more.value;
        const over = hold.spills?.value;
        return (
          <g key={hold.key} data-state={hold.state} transform={`translate(${at.x} ${at.y})`}>
            <text className="wall-more">
              {over !== undefined
                ? `${units.show(over, 'ml', over < 10 ? 1 : 0)} over`
                : more <= 0
                  ? 'brim-full'
                  : `${units.show(more, 'ml', more < 10 ? 1 : 0)} more`}
            </text>
            <text className="wall-level" y="17">
              {`filled to ${units.part(hold.level.value, 'mm', 1).text} of ${units.show(hold.crestMm, 'mm', 1)}`}
            </text>
          </g>
        );
      })}
    </g>
  );
}
