import type { BatchPlan, Edit, Sitting } from '../api/client';

/*
 * The jugs of a sitting as the artist arranges them: cups go from one to another, jugs are split and joined, and a cup is filled from one
 * of them or from several. What an arrangement gives is for the workshop to say.
 */

type Batch = NonNullable<Sitting['batches']>[number];

/** What fills a cup alone fills so much of it, %. */
const all = 100;

/** Shares that are all of a cup but for so much are all of it, %. */
const hair = 0.01;

/** The batches as they are now, proposed or arranged. */
export const arranged = (batches: BatchPlan[], own: Sitting['batches']): Batch[] =>
  batches.map(({ id, cupIds, cups }) =>
    sharing({
      id,
      recipeIds: cupIds,
      jugMl: own?.find((b) => b.id === id)?.jugMl ?? null,
      shares: cups.map((c) => ({ recipeId: c.cupId, percent: c.percent })),
    }),
  );

/** The same with no share in a cup that it fills alone. */
const sharing = ({ shares, ...batch }: Batch): Batch => {
  const some = (shares ?? []).filter((s) => s.percent < all - hair);
  return { ...batch, shares: some.length > 0 ? some : null };
};

/** What a batch fills of a cup, %. */
export const percentOf = (batch: Batch, cup: string) =>
  !batch.recipeIds.includes(cup) ? 0 : (batch.shares?.find((s) => s.recipeId === cup)?.percent ?? all);

const freeId = (batches: Batch[]) => {
  for (let n = 1; ; n++) if (batches.every((b) => b.id !== `jug-${n}`)) return `jug-${n}`;
};

const filled = (batches: Batch[]) => batches.filter((b) => b.recipeIds.length > 0);

const without = (batch: Batch, cup: string): Batch =>
  sharing({
    ...batch,
    recipeIds: batch.recipeIds.filter((id) => id !== cup),
    shares: batch.shares?.filter((s) => s.recipeId !== cup) ?? null,
  });

/** The same with so much of a cup in it, %. */
const holding = (batch: Batch, cup: string, percent: number): Batch =>
  sharing({
    ...batch,
    recipeIds: batch.recipeIds.includes(cup) ? batch.recipeIds : [...batch.recipeIds, cup],
    shares: [...(batch.shares?.filter((s) => s.recipeId !== cup) ?? []), { recipeId: cup, percent }],
  });

/** What a batch fills of a cup goes to another batch, or to one of its own. */
export function moved(batches: Batch[], cup: string, from: string, to: string | null): Batch[] {
  const source = batches.find((b) => b.id === from);
  if (!source || from === to) return batches;
  const percent = percentOf(source, cup);
  const left = batches.map((b) => (b === source ? without(b, cup) : b));
  if (to === null) return filled([...left, holding(empty(freeId(batches)), cup, percent)]);
  return filled(left.map((b) => (b.id === to ? holding(b, cup, percentOf(b, cup) + percent) : b)));
}

const empty = (id: string): Batch => ({ id, recipeIds: [], jugMl: null, shares: null });

/** A batch is joined to the one before it. */
export function joined(batches: Batch[], id: string): Batch[] {
  const at = batches.findIndex((b) => b.id === id);
  const [before, own] = [batches[at - 1], batches[at]];
  if (!before || !own) return batches;
  const both = own.recipeIds.reduce(
    (to, cup) => holding(to, cup, percentOf(to, cup) + percentOf(own, cup)),
    before,
  );
  return batches.map((b) => (b === before ? both : b)).filter((b) => b !== own);
}

/** A batch becomes two of about as many cups; one of a single cup fills it from one more. */
export function split(batches: Batch[], id: string): Batch[] {
  const own = batches.find((b) => b.id === id);
  if (own?.recipeIds.length === 1)
    return inMixes(batches, own.recipeIds[0]!, mixesOf(batches, own.recipeIds[0]!) + 1);
  return batches.flatMap((b) => {
    if (b !== own) return [b];
    const half = b.recipeIds.slice(Math.ceil(b.recipeIds.length / 2));
    const jug: Batch = { ...empty(freeId(batches)), jugMl: b.jugMl ?? null };
    return [half.reduce(without, b), half.reduce((to, cup) => holding(to, cup, percentOf(b, cup)), jug)];
  });
}

/** From how many batches a cup is filled. */
export const mixesOf = (batches: Batch[], cup: string) =>
  batches.filter((b) => b.recipeIds.includes(cup)).length;

/** A cup is filled from so many batches, of each as much; those that are new stand after the last of them. */
export function inMixes(batches: Batch[], cup: string, mixes: number): Batch[] {
  const from = batches.filter((b) => b.recipeIds.includes(cup));
  const last = from[Math.min(mixes, from.length) - 1];
  const known = [...batches];
  const added = Array.from({ length: Math.max(0, mixes - from.length) }, () => {
    const own = holding({ ...empty(freeId(known)), jugMl: last?.jugMl ?? null }, cup, all / mixes);
    known.push(own);
    return own;
  });
  return filled(
    batches.flatMap((b) => {
      const at = from.indexOf(b);
      if (at < 0) return [b];
      if (at >= mixes) return [without(b, cup)];
      return [holding(b, cup, all / mixes), ...(b === last ? added : [])];
    }),
  );
}

/** Every cup is mixed in itself, and of one that is filled from several batches each mix. */
export const eachByItself = (batches: Batch[]): Batch[] =>
  batches
    .flatMap((b) => b.recipeIds.map((cup) => [cup, percentOf(b, cup)] as const))
    .map(([cup, percent], i) => holding(empty(`jug-${i + 1}`), cup, percent));

/** The command that arranges them so; none for as the program proposes. */
export const arrange = (sitting: string, batches: Batch[]): Edit => ({
  do: 'arrange-batches',
  sitting,
  batches,
});
