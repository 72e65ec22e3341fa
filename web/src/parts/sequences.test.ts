import { expect, it } from 'vitest';
import type { SequenceView } from '../api/client';
import { stripesOf } from './sequences';

const sequence = {
  name: 'Tea',
  acrossMm: 200,
  widening: 2,
  note: '',
  bands: [
    { id: 'push', widthMm: 99, fillsRest: true, recipeId: 'clear' },
    { id: 'tea', widthMm: 6, fillsRest: false, recipeId: 'tea' },
    { id: 'rim', widthMm: 3, fillsRest: false, recipeId: 'gone' },
  ],
  recipes: [
    { id: 'clear', name: 'clear', colour: '#eef0ea', doses: [] },
    { id: 'tea', name: 'tea', colour: '#6b3f1f', doses: [{ colourant: 'dye', percent: 4 }] },
  ],
};

it('shows each band by its share, what fills the rest as wide as the others usually are', () => {
  const stripes = stripesOf({ sequence, widthsMm: [0, 12, 12] } as unknown as SequenceView);
  expect(stripes.map((s) => s.colour)).toEqual(['#eef0ea', '#6b3f1f', '#ffffff']);
  expect(stripes.map((s) => s.share)).toEqual([1 / 3, 1 / 3, 1 / 3]);
});
