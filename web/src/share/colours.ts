import type { Piece } from '../api/client';

/** The colours of a piece's cups, each once, with the names it goes by; clear and mixed cups have none of their own. */
export function coloursOf(piece: Piece): { colour: string; names: string }[] {
  const names = new Map<string, Set<string>>();
  for (const { name, colour: own, doses, of } of piece.recipes) {
    if (doses.length === 0 || of) continue;
    const colour = own.toLowerCase();
    names.set(colour, (names.get(colour) ?? new Set()).add(name));
  }
  return [...names].map(([colour, own]) => ({ colour, names: [...own].join(', ') }));
}

/** The piece with colours in place of others. */
export const recoloured = (piece: Piece, to: Record<string, string>): Piece => ({
  ...piece,
  recipes: piece.recipes.map((r) => ({ ...r, colour: to[r.colour.toLowerCase()] ?? r.colour })),
});
