import type { ColourantClass, Recipe, Schemas } from '../../../api/client';
import { useMaterials } from '../../materials';

export type DoseUnit = Schemas['DoseUnit'];

export const unitNames: Record<DoseUnit, string> = {
  percent: '%',
  grams: 'g',
  drops: 'drops',
  scoops: 'level scoops',
  tips: 'stick tips',
  'by-eye': 'by eye',
};

/** What a choice of a colourant stands for: a class, or one of the cupboard after a slash. */
export const pick = (colourant: ColourantClass, id: string | null) =>
  id === null ? colourant : `${colourant}/${id}`;

export function picked(choice: string): { colourant: ColourantClass; colourantId: string | null } {
  const [colourant, id] = choice.split('/');
  return { colourant: colourant as ColourantClass, colourantId: id ?? null };
}

/** The colourants that a cup can be tinted with: the person's own first, then any of each class. */
export const colourantsOf = (
  materials: Schemas['MaterialsView'] | undefined,
): (readonly [string, string])[] => [
  ...(materials?.ownColourants.filter((c) => !c.putAway).map((c) => [pick(c.class, c.id), c.name] as const) ??
    []),
  ...(materials?.colourants.map((c) => [c.class as string, c.name] as const) ?? []),
];

/** The same with what a cup is tinted with now: that may be put away, or what is offered not be there yet. */
export const withNow = (offered: (readonly [string, string])[], now: string, name: string) =>
  offered.some(([id]) => id === now) ? offered : [[now, name] as const, ...offered];

export const byOf = (to: 'percent' | 'volume') =>
  to === 'volume' ? ('volume' as const) : ('weight' as const);

type Tinted = Pick<Recipe['doses'][number], 'colourant' | 'colourantId'>;

/** What a colourant is called: as in the cupboard, or by its class. */
export function useColourantNames(): (of: Tinted) => string {
  const materials = useMaterials();
  return ({ colourant, colourantId }) =>
    materials?.ownColourants.find((c) => c.id === colourantId)?.name ??
    materials?.colourants.find((c) => c.class === colourant)?.name ??
    colourant;
}

/** So many colourants are looked over at once. */
const most = 40;

/** The colourants that are in the cups of a piece, each once: the only one of a cup by the cup's name. */
export function coloursAtHand(recipes: Recipe[], nameOf: (of: Tinted) => string): Schemas['ColourAtHand'][] {
  const all = recipes
    .filter((r) => !r.of)
    .flatMap((r) =>
      r.doses.map((d) => ({
        colourant: d.colourant,
        name: r.doses.length === 1 ? r.name : nameOf(d),
        colour: d.colour ?? r.colour,
      })),
    )
    .filter((c) => c.colourant !== 'lacing');
  return all
    .filter((c, i) => all.findIndex((o) => o.colourant === c.colourant && o.colour === c.colour) === i)
    .slice(0, most);
}

/** How near a colour is, in words. */
export const nearWords: Record<Schemas['Nearness'], string> = {
  same: 'the same to the eye',
  'very-near': 'very near',
  near: 'near, but not the same',
  another: 'another colour',
};
