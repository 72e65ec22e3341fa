import { describe, expect, it } from 'vitest';
import type { Piece } from '../api/client';
import { coloursOf, recoloured } from './colours';

const cup = (id: string, colour: string, more = {}) => ({
  id,
  name: id,
  colour,
  doses: [{ colourant: 'paste' as const, percent: 4 }],
  ...more,
});
const piece = {
  name: 'Fen',
  recipes: [
    cup('moss', '#30503A'),
    cup('clear', '#eef0ea', { doses: [] }),
    cup('fern', '#30503a'),
    cup('bone', '#f0e8d5'),
    cup('mix', '#999999', { of: [] }),
  ],
} as unknown as Piece;

describe('colours of a piece', () => {
  it('are told once, with every name they go by, clear and mixed cups left out', () => {
    expect(coloursOf(piece)).toEqual([
      { colour: '#30503a', names: 'moss, fern' },
      { colour: '#f0e8d5', names: 'bone' },
    ]);
  });

  it('change wherever a cup has them, however they are written', () => {
    const other = recoloured(piece, { '#30503a': '#112233' });
    expect(other.recipes.map((r) => r.colour)).toEqual([
      '#112233',
      '#eef0ea',
      '#112233',
      '#f0e8d5',
      '#999999',
    ]);
    expect(piece.recipes[0]!.colour).toBe('#30503A');
  });
});
