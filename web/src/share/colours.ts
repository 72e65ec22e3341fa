import type { Piece } from '../api/client';

/** The colours of a piece's cups, each once, with the names it goes by; clear and mixed cups have none of their own. */
export function coloursOf(piece: Piece): { colour: string; names: string }[] {
  const names = new Map<string, Set<string>>();
  for (const { cups } of piece.layers)
    for (const cup of cups) {
      if (cup.colourant === null || cup.of) continue;
      const colour = cup.colour.toLowerCase();
      names.set(colour, (names.get(colour) ?? new Set()).add(cup.name));
    }
  return [...names].map(([colour, own]) => ({ colour, names: [...own].join(', ') }));
}

/** The piece with colours in place of others. */
export const recoloured = (piece: Piece, to: Record<string, string>): Piece => ({
  ...piece,
  layers: piece.layers.map((l) => ({
    ...l,
    cups: l.cups.map((c) => ({ ...c, colour: to[c.colour.toLowerCase()] ?? c.colour })),
  })),
});
