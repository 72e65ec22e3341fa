import { expect, it } from 'vitest';
import type { Recipe } from '../../../api/client';
import { coloursAtHand, pick, picked, withNow } from './colourants';

const recipe = (id: string, doses: Partial<Recipe['doses'][number]>[], of: Recipe['of'] = null): Recipe => ({
  id,
  name: id,
  colour: '#30503a',
  doses: doses.map((d) => ({ colourant: 'mica', percent: 3, by: 'weight', byEye: false, ...d })),
  of,
  frozen: false,
});

it('names a class, or one of the cupboard, and reads it again', () => {
  expect(pick('mica', null)).toBe('mica');
  expect(picked(pick('mica', 'fen-gold'))).toEqual({ colourant: 'mica', colourantId: 'fen-gold' });
  expect(picked('dye')).toEqual({ colourant: 'dye', colourantId: null });
});

it('has each colourant of the cups at hand once, but no lacing and nothing of cups that are filled from others', () => {
  const named = (of: { colourant: string }) => `any ${of.colourant}`;
  expect(
    coloursAtHand(
      [
        recipe('moss', [{}]),
        recipe('again', [{}]),
        recipe('glint', [
          { colour: '#111111' },
          { colourant: 'glitter', colour: '#eeeeee' },
          { colourant: 'lacing' },
        ]),
        recipe('mix', [{ colour: '#222222' }], [{ recipeId: 'moss', parts: 1 }]),
        recipe('clear', []),
      ],
      named,
    ),
  ).toEqual([
    { colourant: 'mica', name: 'moss', colour: '#30503a' },
    { colourant: 'mica', name: 'any mica', colour: '#111111' },
    { colourant: 'glitter', name: 'any glitter', colour: '#eeeeee' },
  ]);
  const many = Array.from({ length: 60 }, (_, i) => recipe(`r${i}`, [{ colour: `#${String(100000 + i)}` }]));
  expect(coloursAtHand(many, named)).toHaveLength(40);
});

it('offers what a cup is tinted with now although it is put away or the list is not there yet', () => {
  const offered = [['paste', 'opaque paste'] as const];
  expect(withNow(offered, 'paste', 'chalk')).toBe(offered);
  expect(withNow(offered, 'mica/fen-gold', 'fen gold')[0]).toEqual(['mica/fen-gold', 'fen gold']);
  expect(withNow([], 'dye', 'dye')).toEqual([['dye', 'dye']]);
});
