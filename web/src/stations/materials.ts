import { useQuery } from '@tanstack/react-query';
import type { Layer } from '../api/client';
import { api, take } from '../api/client';
import { setAt } from '../parts/editing';

/** What the workshop knows of materials by class. */
export const useMaterials = () =>
  useQuery({ queryKey: ['materials'], queryFn: () => take(api.GET('/api/materials')), staleTime: Infinity })
    .data;

type Systems = NonNullable<ReturnType<typeof useMaterials>>['resinSystems'];

/** Sets a value of a layer by its place. One part of a typical ratio changed makes the whole ratio the artist's own. */
export function setInLayer(
  layer: Layer,
  place: string,
  value: number | null,
  systems: Systems | undefined,
): Layer {
  const ratio = layer.resin.ratio ?? systems?.find((s) => s.id === layer.resin.system)?.ratio;
  const own = place.startsWith('resin.ratio.') && ratio ? setAt(layer, 'resin.ratio', ratio) : layer;
  return setAt(own, place, value);
}
