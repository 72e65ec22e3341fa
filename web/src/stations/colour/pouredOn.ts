import type { Schemas } from '../../api/client';
import { useStation } from '../station';

const words: Record<Schemas['PouredOver'], string> = {
  ground: 'this ground',
  'own-paint': 'paint of its own colour',
  'layer-below': 'the layer below',
};

/** What a cup of the layer at hand is poured over, as the workshop tells it, and how deep. */
export function usePouredOn(cupId: string) {
  const { piece, layer, layerPlan } = useStation();
  const beneath = layerPlan.colours.find((c) => c.cupId === cupId)?.beneath;
  const over = beneath?.over ?? 'ground';
  return {
    on: {
      ground: beneath?.colour ?? piece.ground.colour,
      asMap: over === 'own-paint',
      depthMm: beneath?.depthMm ?? layer.depthMm,
      resin: layer.sitting.resin.system,
    },
    over: words[over],
  };
}
