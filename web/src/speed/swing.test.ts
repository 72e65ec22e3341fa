import { expect, it } from 'vitest';
import type { Layer, LayerView, Piece } from '../api/client';
import { canSwing, swung } from './swing';

const layer = (over: Partial<Layer>) =>
  ({
    hearts: [],
    bands: [
      { id: 'b1', widthMm: 10, fillsRest: true, cup: 'c' },
      { id: 'b2', widthMm: 8, fillsRest: false, cup: 'c' },
    ],
    layout: null,
    ...over,
  }) as unknown as Layer;
const piece = (over: Partial<Layer>) => ({ name: 'x', layers: [layer(over), layer({})] }) as unknown as Piece;
const first = (of: Piece) => of.layers[0]!;

it('moves the first heart, or widens the first band where there is none', () => {
  const heart = { id: 'h', xMm: 100 } as unknown as Layer['hearts'][number];
  expect(first(swung(piece({ hearts: [heart] }), [], 7)).hearts[0]!.xMm).toBe(107);
  const bands = first(swung(piece({}), [], 100)).bands;
  expect(bands.map((b) => b.widthMm)).toEqual([10, 12]);
});

it('moves a field from where it was grown', () => {
  const layout = { kind: 'fields', fields: 3, colours: ['c'], seed: 1 } as Layer['layout'];
  const plan = { regions: [{ id: 'field-1', anchor: { xMm: 40, yMm: 30 } }] } as unknown as LayerView;
  const of = first(swung(piece({ layout }), [plan], 5)).layout;
  expect(of).toMatchObject({ moved: [{ field: 1, xMm: 45, yMm: 30 }] });
});

it('moves what each layout has, and nothing of the layers above', () => {
  const moved = (layout: unknown) => {
    const before = piece({ layout: layout as Layer['layout'] });
    const after = swung(before, [], 20);
    expect(after.layers[1]).toBe(before.layers[1]);
    return first(after).layout;
  };
  expect(moved({ kind: 'puddle', xMm: 1 })).toMatchObject({ xMm: 21 });
  expect(moved({ kind: 'petals', xMm: 1 })).toMatchObject({ xMm: 21 });
  expect(moved({ kind: 'marble', streakPercent: 94 })).toMatchObject({ streakPercent: 95 });
  expect(moved({ kind: 'pools', strokes: [{ id: 'w', spots: [{ xMm: 1, yMm: 2 }] }] })).toMatchObject({
    strokes: [{ spots: [{ xMm: 1, yMm: 22 }] }],
  });
});

it('knows where there is nothing to take', () => {
  const can = (over: Partial<Layer>) => canSwing(piece(over));
  expect(can({ layout: { kind: 'flood', cup: 'c' } as Layer['layout'] })).toBe(false);
  expect(can({ layout: { kind: 'pools', strokes: [] } as unknown as Layer['layout'] })).toBe(false);
  expect(can({ bands: [layer({}).bands[0]!] })).toBe(false);
  expect(can({})).toBe(true);
});
