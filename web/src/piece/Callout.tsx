import type { FilledLayer } from '../editor/filled';
import { bandsOf, countsFromRim, heartsOf, widthOf } from '../editor/filled';
import type { LayerView } from '../api/client';
import { middleOf } from '../editor/tools';
import { useUnits } from '../units/units';
import type { Selected } from '../editor/selection';
import './Callout.scss';

/** Where the edge that moves with a band's width crosses the cut, and which way along the cut is outward there. */
export function edgeOf(plan: LayerView, layer: FilledLayer, index: number) {
  const id = bandsOf(layer)[index]!.id;
  const heartX = (layer.layout.kind !== 'rings' ? middleOf(layer, plan)?.xMm : heartsOf(layer)[0]?.xMm) ?? 0;
  const spans = plan.cut.filter((s) => s.regionId === id);
  const right = spans.find((s) => s.fromMm >= heartX);
  const left = spans.findLast((s) => s.toMm <= heartX);
  const fromRim = countsFromRim(layer, index);
  const last = plan.cut.at(-1)?.toMm ?? 0;
  if (right && (fromRim || right.toMm < last))
    return { xMm: fromRim ? right.fromMm : right.toMm, outward: 1 };
  if (left && (fromRim || left.fromMm > (plan.cut[0]?.fromMm ?? 0)))
    return { xMm: fromRim ? left.toMm : left.fromMm, outward: -1 };
  return right || left ? null : edgeOfNone(plan, layer, index, heartX);
}

/** A band that is too narrow to be met by the cut, or that has no room, is taken where it would be: at the edge of the next
 *  one that its width counts from. */
function edgeOfNone(plan: LayerView, layer: FilledLayer, index: number, heartX: number) {
  if (layer.layout.kind === 'rings' && heartsOf(layer).length === 0) return null;
  const ids = bandsOf(layer).map((b) => b.id);
  const fromRim = countsFromRim(layer, index);
  const inner = [...ids.slice(0, index).reverse(), 'heart'];
  for (const id of fromRim ? ids.slice(index + 1) : inner) {
    const next = plan.cut.find((s) => s.regionId === id && s.toMm > heartX);
    if (next) return { xMm: fromRim ? next.fromMm : next.toMm, outward: 1 };
  }
  return { xMm: fromRim ? (plan.cut.at(-1)?.toMm ?? heartX) : heartX, outward: 1 };
}

interface CalloutProps {
  layer: FilledLayer;
  plan: LayerView;
  selected: Selected;
  px: (mm: number) => number;
  py: (mm: number) => number;
  room: { width: number; height: number };
}

/** What the chosen band is, beside its edge. */
export function Callout({ layer, plan, selected, px, py, room }: CalloutProps) {
  const units = useUnits();
  if (selected?.kind !== 'band') return null;
  const index = bandsOf(layer).findIndex((b) => b.id === selected.id);
  const band = bandsOf(layer)[index];
  const region = plan.regions.find((r) => r.id === selected.id);
  if (!band || !region) return null;
  const edge = band.fillsRest ? null : edgeOf(plan, layer, index);
  const x = edge ? px(edge.xMm) : room.width / 2;
  const y = edge ? py(plan.cutAtMm) : 70;
  const left = Math.min(Math.max(8, x + 18), room.width - 190);
  return (
    <div className="callout" style={{ left, top: Math.max(6, y - 74) }} aria-hidden>
      <b>
        {region.name}
        {!band.fillsRest && ` · ${units.show(widthOf(layer, index), 'mm')}`}
      </b>
      <span>
        {band.fillsRest ? 'fills the rest' : 'drag to widen'} · {units.show(region.area.value, 'cm²')}
      </span>
    </div>
  );
}
