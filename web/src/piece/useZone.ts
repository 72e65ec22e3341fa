import type { FilledLayer, Zone } from '../editor/filled';
import { inZone } from '../editor/filled';
import { useMemo } from 'react';
import type { LayerView } from '../api/client';
import { boxOf } from '../stations/ground/kinds';

/** The layer and what is worked out for it, or a zone of it as if it were a layer of its own. */
export function useZone(layer: FilledLayer | undefined, plan: LayerView | undefined, zoneId: string | null) {
  return useMemo(() => {
    const zone = layer?.zones?.find((z) => z.id === zoneId);
    return {
      inside: zone?.id ?? null,
      worked: layer && zone ? inZone(layer, zone) : layer,
      workedPlan: plan && zone ? planOf(plan, zone) : plan,
    };
  }, [layer, plan, zoneId]);
}

/** What is worked out for a zone of a layer, its regions by their own ids. */
function planOf(plan: LayerView, { id, name, outline, xMm, yMm }: Zone): LayerView {
  const own = (regionId: string) => regionId.startsWith(`${id}/`);
  const bare = (regionId: string) => regionId.slice(id.length + 1);
  const [widthMm, heightMm] = boxOf(outline);
  return {
    ...plan,
    box: { xMm, yMm, widthMm, heightMm },
    regions: plan.regions
      .filter((r) => own(r.id))
      .map((r) => ({ ...r, id: bare(r.id), name: r.name.replace(`${name}: `, '') })),
    cut: plan.cut.filter((s) => own(s.regionId)).map((s) => ({ ...s, regionId: bare(s.regionId) })),
    facts: plan.facts.filter((f) => own(f.id)).map((f) => ({ ...f, id: bare(f.id) })),
  };
}
