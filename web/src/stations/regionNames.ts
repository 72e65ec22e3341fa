import { useMemo } from 'react';
import type { PlannedPour } from '../api/client';
import { useStation } from './station';

/**
 * Names of regions, those of other layers that the sitting fills with the layer's name before them. A pass that is poured from another
 * colour than its region says so.
 */
export function useRegionNames() {
  const { piece, plan, whole } = useStation();
  return useMemo(() => {
    const regionOf = (layerId: string, regionId: string) =>
      plan.layers.find((l) => l.layerId === layerId)?.regions.find((r) => r.id === regionId);
    const colour = (id: string) => piece.recipes.find((r) => r.id === id)?.name ?? '?';
    const region = (layerId: string, regionId: string) => {
      const name = regionOf(layerId, regionId)?.name ?? regionId;
      return layerId === whole.id ? name : `${piece.layers.find((l) => l.id === layerId)?.name}: ${name}`;
    };
    const step = ({ layerId, regionId, cupId }: Pick<PlannedPour, 'layerId' | 'regionId' | 'cupId'>) => {
      const own = regionOf(layerId, regionId)?.cupId;
      const name = region(layerId, regionId);
      return own != null && own !== cupId ? `${name}, in ${colour(cupId)}` : name;
    };
    return { region, step, colour };
  }, [piece, plan, whole]);
}
