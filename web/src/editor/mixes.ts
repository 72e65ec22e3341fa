import type { CupVolume } from '../api/client';
import { inWords } from '../units/words';

/** What a batch fills of a cup: the cup itself where no other batch does. */
export function mixIn(cup: CupVolume, batchId: string): CupVolume {
  const mix = cup.mixes.find((m) => m.batchId === batchId);
  if (!mix) return cup;
  const { mixMl, mixG, measured, doses } = mix;
  // Of its reserve each mix holds its share.
  const reserve = { ...cup.reserve, value: (cup.reserve.value * mix.percent) / 100 };
  return { ...cup, mixMl, mixG, measured, doses, reserve };
}

/** Which of a cup's mixes a batch is, in words; null for a cup that one batch fills. */
export function mixWords(cup: CupVolume, batchId: string) {
  const mix = cup.mixes.find((m) => m.batchId === batchId);
  return mix ? `${mix.number} of ${cup.mixes.length}` : null;
}

/** In how many goes a cup is mixed, in words. */
export const inGoes = (mixes: number) => `in ${inWords(mixes)} ${mixes === 1 ? 'go' : 'goes'}`;

/** How much is in each vessel that stands on the bench, ml. */
export const vesselsMl = (cups: CupVolume[]) =>
  cups.flatMap((c) => (c.mixes.length > 0 ? c.mixes.map((m) => m.mixMl.value) : [c.mixMl.value]));
