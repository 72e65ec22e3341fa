import type { LayerView } from '../../api/client';
import { useStation } from '../station';

/** What most of a layer looks like: the colour of the cup that most of it is poured from; null where nothing has one. */
function mostOf(layer: LayerView | undefined): string | null {
  const largest = layer?.regions
    .filter((r) => r.cupId != null && !r.bare)
    .toSorted((a, b) => b.area.value - a.area.value)[0];
  return layer?.colours.find((c) => c.cupId === largest?.cupId)?.colour ?? null;
}

/** What a cup of the layer at hand is poured over, and how deep: the ground, or most of the layer below. */
export function usePouredOn(cupId: string) {
  const { piece, plan, layer, layerIndex, layerPlan } = useStation();
  const below = mostOf(plan.layers[layerIndex - 1]);
  return {
    on: {
      ground: below ?? piece.ground.colour,
      asMap: below === null && piece.ground.paint?.asMap === true,
      depthMm:
        layerPlan.colours.find((c) => c.cupId === cupId)?.opacity.inputs.find((i) => i.name === 'depth')
          ?.value ?? layer.depthMm,
      resin: layer.resin.system,
    },
    over: below ? 'the layer below' : piece.ground.paint?.asMap ? 'its own paint' : 'this ground',
  };
}
