import { expect, it } from 'vitest';
import type { LayerView, Piece } from '../api/client';
import { canSwing, swing } from './swing';

const bands = [
  { id: 'b1', widthMm: 10, fillsRest: true, recipeId: 'c' },
  { id: 'b2', widthMm: 8, fillsRest: false, recipeId: 'c' },
];
const rings = { kind: 'rings', hearts: [], bands, rimFollow: 0, heartRecipeId: null, widening: 1 };
const piece = (layout: unknown = rings, lines: unknown = null) =>
  ({
    name: 'x',
    lines,
    recipes: [],
    layers: [
      { id: 'a', layout },
      { id: 'b', layout: rings },
    ],
    sittings: [
      { id: 'a', rest: ['a'] },
      { id: 'b', rest: ['b'] },
    ],
  }) as unknown as Piece;

it('moves the first heart, or widens the first band where there is none', () => {
  const heart = { id: 'h', xMm: 100, yMm: 60 };
  expect(swing(piece({ ...rings, hearts: [heart], heartRecipeId: 'c' }), [], 7)).toEqual([
    { do: 'move-heart', layer: 'a', heart: 'h', xMm: 107, yMm: 60 },
  ]);
  expect(swing(piece(), [], 100)).toEqual([{ do: 'widen-band', layer: 'a', band: 'b2', byMm: 4 }]);
});

it('moves a field from where it was grown', () => {
  const layout = { kind: 'fields', fields: 3, colours: ['c'], seed: 1 };
  const plan = { regions: [{ id: 'field-1', anchor: { xMm: 40, yMm: 30 } }] } as unknown as LayerView;
  expect(swing(piece(layout), [plan], 5)).toEqual([
    { do: 'move-field', layer: 'a', field: 1, xMm: 40, yMm: 30, byXMm: 5, byYMm: 0 },
  ]);
});

it('moves what each layout has', () => {
  const wall = {
    id: 'w',
    layerId: 'a',
    in: { kind: 'pools' },
    course: { kind: 'drawn', spots: [{}, {}] },
    material: { kind: 'barrier' },
  };
  const nudged = (field: string, by: number) => [{ do: 'nudge', place: `layers[a].layout.${field}`, by }];
  expect(swing(piece({ kind: 'puddle' }), [], 20)).toEqual(nudged('xMm', 20));
  expect(swing(piece({ kind: 'petals', bands }), [], 20)).toEqual(nudged('xMm', 20));
  expect(swing(piece({ kind: 'marble' }), [], 20)).toEqual(nudged('streakPercent', 5));
  expect(swing(piece({ kind: 'pools' }, [wall]), [], 20)).toEqual(
    [0, 1].map((spot) => ({ do: 'move-wall-spot', layer: 'a', wall: 'w', spot, byXMm: 0, byYMm: 20 })),
  );
});

it('knows where there is nothing to take', () => {
  const can = (layout?: unknown) => canSwing(piece(layout));
  expect(can({ kind: 'flood', recipeId: 'c' })).toBe(false);
  expect(can({ kind: 'pools', pools: [] })).toBe(false);
  expect(can({ ...rings, bands: [bands[0]] })).toBe(false);
  expect(can()).toBe(true);
});
