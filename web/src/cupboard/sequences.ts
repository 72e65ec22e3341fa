import { useQuery } from '@tanstack/react-query';
import type { KeptSequence } from '../api/client';
import { api, take } from '../api/client';

export const sequencesQuery = {
  queryKey: ['sequences'],
  queryFn: () => take(api.GET('/api/sequences')),
};

/** The sequences of colours in the cupboard. */
export const useSequences = () => useQuery(sequencesQuery).data ?? [];

/** The stripes of a sequence from the middle to the rim, each with its colour and its share of the whole; what fills the rest counts as wide as the others are on average. */
export function stripesOf({ bands, cups, widening }: KeptSequence) {
  const set = bands.filter((b) => !b.fillsRest);
  const usual = set.length > 0 ? set.reduce((sum, b) => sum + b.widthMm, 0) / set.length : 1;
  const wide = bands.map((b, i) => (b.fillsRest ? usual : b.widthMm * (widening ?? 1) ** i));
  const all = wide.reduce((sum, w) => sum + w, 0);
  return bands.map((b, i) => ({
    id: b.id,
    colour: cups.find((c) => c.id === b.cup)?.colour ?? '#ffffff',
    share: wide[i]! / all,
  }));
}

/** What all its bands but the one that fills the rest take up together, mm. */
export const togetherMm = ({ bands, widening }: KeptSequence) =>
  bands.reduce((sum, b, i) => sum + (b.fillsRest ? 0 : b.widthMm * (widening ?? 1) ** i), 0);
