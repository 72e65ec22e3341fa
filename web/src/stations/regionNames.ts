import { useMemo } from 'react';
import type { PlannedPour } from '../api/client';
import { filled } from '../editor/filled';
import { regionName, useStation } from './station';

/**
 * Names of regions, those of other layers that the sitting fills with the layer's name before them. A pass that is poured from another
 * colour than its region says so.
 */
export function useRegionNames() {
  const { piece, plan, whole } = useStation();
  return useMemo(() => {
    const layers = new Map(
      piece.layers.map((l) => [
        l.id,
        l.id === whole.id
          ? whole
          : filled(
              piece,
              l,
              plan.layers.find((p) => p.layerId === l.id),
            ),
      ]),
    );
    const cupOf = (layerId: string, regionId: string) =>
      plan.layers.find((l) => l.layerId === layerId)?.regions.find((r) => r.id === regionId)?.cupId;
    const colour = (id: string) => piece.recipes.find((r) => r.id === id)?.name ?? '?';
    const region = (layerId: string, regionId: string, cupId?: string | null) => {
      const layer = layers.get(layerId);
      const name = layer ? regionName(layer, regionId, cupId ?? cupOf(layerId, regionId)) : regionId;
      return layer && layerId !== whole.id ? `${layer.name}: ${name}` : name;
    };
    const step = ({ layerId, regionId, cupId }: Pick<PlannedPour, 'layerId' | 'regionId' | 'cupId'>) => {
      const own = cupOf(layerId, regionId);
      const name = region(layerId, regionId, own ?? cupId);
      return own != null && own !== cupId ? `${name}, in ${colour(cupId)}` : name;
    };
    return { region, step, colour };
  }, [piece, plan, whole]);
}
