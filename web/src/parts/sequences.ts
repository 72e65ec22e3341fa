import { useQuery } from '@tanstack/react-query';
import type { SequenceView } from '../api/client';
import { sequencesQuery } from '../api/queries';

/** The sequences of colours in the cupboard. */
export const useSequences = () => useQuery(sequencesQuery).data ?? [];

/**
 * The stripes of a sequence from the middle to the rim, each with its colour and its share; what fills the rest is drawn as wide as
 * the others are on average.
 */
export function stripesOf({ sequence: { bands, recipes }, widthsMm }: SequenceView) {
  const set = widthsMm.filter((w) => w > 0);
  const drawn = widthsMm.map((w) => w || (set.reduce((sum, v) => sum + v, 0) || 1) / Math.max(1, set.length));
  const all = drawn.reduce((sum, w) => sum + w, 0);
  return bands.map((b, i) => ({
    id: b.id,
    colour: recipes.find((r) => r.id === b.recipeId)?.colour ?? '#ffffff',
    share: drawn[i]! / all,
  }));
}
