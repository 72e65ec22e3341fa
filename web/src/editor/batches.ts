import type { BatchPlan, Edit, Sitting } from '../api/client';

/*
 * The jugs of a sitting as the artist arranges them: cups go from one to another, jugs are split and joined. What an arrangement gives is
 * for the workshop to say.
 */

type Batch = NonNullable<Sitting['batches']>[number];

/** The batches as they are now, proposed or arranged. */
export const arranged = (all: BatchPlan[], own: Sitting['batches']): Batch[] =>
  all.map(({ id, cupIds }) => ({
    id,
    recipeIds: cupIds,
    jugMl: own?.find((b) => b.id === id)?.jugMl ?? null,
  }));

const freeId = (batches: Batch[]) => {
  for (let n = 1; ; n++) if (batches.every((b) => b.id !== `jug-${n}`)) return `jug-${n}`;
};

const filled = (batches: Batch[]) => batches.filter((b) => b.recipeIds.length > 0);

/** A cup goes to another batch, or to one of its own. */
export function moved(batches: Batch[], cup: string, to: string | null): Batch[] {
  const without = batches.map((b) => ({ ...b, recipeIds: b.recipeIds.filter((id) => id !== cup) }));
  if (to === null) return filled([...without, { id: freeId(batches), recipeIds: [cup], jugMl: null }]);
  return filled(without.map((b) => (b.id === to ? { ...b, recipeIds: [...b.recipeIds, cup] } : b)));
}

/** A batch is joined to the one before it. */
export function joined(batches: Batch[], id: string): Batch[] {
  const at = batches.findIndex((b) => b.id === id);
  const [before, own] = [batches[at - 1], batches[at]];
  if (!before || !own) return batches;
  return batches
    .map((b) => (b === before ? { ...b, recipeIds: [...b.recipeIds, ...own.recipeIds] } : b))
    .filter((b) => b !== own);
}

/** A batch becomes two of about as many cups. */
export function split(batches: Batch[], id: string): Batch[] {
  return batches.flatMap((b) => {
    if (b.id !== id || b.recipeIds.length < 2) return [b];
    const half = Math.ceil(b.recipeIds.length / 2);
    return [
      { ...b, recipeIds: b.recipeIds.slice(0, half) },
      { id: freeId(batches), recipeIds: b.recipeIds.slice(half), jugMl: b.jugMl },
    ];
  });
}

/** Every cup is mixed in itself. */
export const eachByItself = (batches: Batch[]): Batch[] =>
  batches.flatMap((b) => b.recipeIds).map((id, i) => ({ id: `jug-${i + 1}`, recipeIds: [id], jugMl: null }));

/** The command that arranges them so; none for as the program proposes. */
export const arrange = (sitting: string, batches: Batch[]): Edit => ({
  do: 'arrange-batches',
  sitting,
  batches,
});
