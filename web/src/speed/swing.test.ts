import { expect, it } from 'vitest';
import type { LayerView, Piece } from '../api/client';
import { canSwing, swung } from './swing';

const bands = [
  { id: 'b1', widthMm: 10, fillsRest: true, recipeId: 'c' },
  { id: 'b2', widthMm: 8, fillsRest: false, recipeId: 'c' },
];
const rings = { kind: 'rings', hearts: [], bands, rimFollow: 0, heartRecipeId: null, widening: 1 };
const piece = (layout: unknown = rings) =>
  ({
    name: 'x',
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
const first = (of: Piece) => of.layers[0]!.layout;

it('moves the first heart, or widens the first band where there is none', () => {
  const heart = { id: 'h', xMm: 100 };
  const moved = swung(piece({ ...rings, hearts: [heart], heartRecipeId: 'c' }), [], 7);
  expect(first(moved)).toMatchObject({ hearts: [{ xMm: 107 }] });
  expect(first(swung(piece(), [], 100))).toMatchObject({ bands: [{ widthMm: 10 }, { widthMm: 12 }] });
});

it('moves a field from where it was grown', () => {
  const layout = { kind: 'fields', fields: 3, colours: ['c'], seed: 1 };
  const plan = { regions: [{ id: 'field-1', anchor: { xMm: 40, yMm: 30 } }] } as unknown as LayerView;
  const of = first(swung(piece(layout), [plan], 5));
  expect(of).toMatchObject({ moved: [{ field: 1, xMm: 45, yMm: 30 }] });
});

it('moves what each layout has, and nothing of the layers above', () => {
  const moved = (layout: unknown) => {
    const before = piece(layout);
    const after = swung(before, [], 20);
    expect(after.layers[1]).toBe(before.layers[1]);
    return first(after);
  };
  expect(moved({ kind: 'puddle', xMm: 1, pours: [{ id: 'p', recipeId: 'c', ml: 3 }] })).toMatchObject({
    xMm: 21,
  });
  expect(moved({ kind: 'petals', xMm: 1, bands })).toMatchObject({ xMm: 21 });
  expect(moved({ kind: 'marble', streakPercent: 94 })).toMatchObject({ streakPercent: 95 });
  expect(
    moved({ kind: 'pools', pools: [], strokes: [{ id: 'w', spots: [{ xMm: 1, yMm: 2 }] }] }),
  ).toMatchObject({
    strokes: [{ spots: [{ xMm: 1, yMm: 22 }] }],
  });
});

it('knows where there is nothing to take', () => {
  const can = (layout?: unknown) => canSwing(piece(layout));
  expect(can({ kind: 'flood', recipeId: 'c' })).toBe(false);
  expect(can({ kind: 'pools', pools: [], strokes: [] })).toBe(false);
  expect(can({ ...rings, bands: [bands[0]] })).toBe(false);
  expect(can()).toBe(true);
});
