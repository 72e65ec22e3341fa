import { expect, it } from 'vitest';
import { barOf, judgedGrams, marksOf, withinOf } from './weigh';

const step = { fromG: 95, toG: 105, target: { value: 100 } };

it('is near enough up to both ends of the range', () => {
  expect([94.9, 95, 100, 105, 105.1].map((g) => withinOf(step, g))).toEqual([
    'under',
    'good',
    'good',
    'good',
    'over',
  ]);
});

it('draws the target at four fifths, and nothing beyond the ends', () => {
  expect(barOf(step, 50)).toEqual({ at: 40, from: 76, to: 84 });
  expect(barOf(step, 900).at).toBe(100);
  expect(barOf(step, -3).at).toBe(0);
  expect(barOf({ fromG: 0, toG: 0, target: { value: 0 } }, 3)).toEqual({ at: 0, from: 0, to: 0 });
});

it('asks nothing about an empty pan', () => {
  expect([null, 0, 0.04].map((g) => judgedGrams(g, step))).toEqual([null, null, null]);
  expect(judgedGrams(12.345, step)).toBe(12.3);
});

it('marks cups in steps that people read', () => {
  expect(marksOf(210)).toEqual({ holds: 250, marks: [50, 100, 150, 200, 250] });
  expect(marksOf(5.5)).toEqual({ holds: 8, marks: [2, 4, 6, 8] });
  for (const ml of [0, 0.3, 1, 7, 49, 333, 2000]) {
    const { holds, marks } = marksOf(ml);
    expect(holds).toBeGreaterThan(ml);
    expect(marks.length).toBeLessThanOrEqual(7);
    expect(marks.at(-1)).toBe(holds);
  }
});
