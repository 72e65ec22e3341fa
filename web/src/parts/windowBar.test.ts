import { describe, expect, it } from 'vitest';
import { windowBar } from './windowBar';

const at = (opens: number, closes: number | null, words = 100) => windowBar(opens, closes, words, 0, 1000);

describe('a window on its axis', () => {
  it('is as long as it lasts, with its words in it where they have room', () => {
    expect(at(200, 500)).toMatchObject({ left: 200, right: 500, barLeft: 0, bar: 300, words: 'in' });
    expect(at(200, 300)).toMatchObject({ bar: 100, words: 'in' });
    expect(at(200, 299)).toMatchObject({ left: 200, right: 399, barLeft: 0, bar: 99, words: 'after' });
  });
  it('has its words before it where there is no room behind', () => {
    expect(at(950, 980)).toMatchObject({ left: 850, right: 980, barLeft: 100, bar: 30, words: 'before' });
  });
  it('is a mark where it is a moment, or lies beyond the end', () => {
    expect(at(300, null)).toMatchObject({ left: 300, bar: 4, words: 'after' });
    expect(at(1200, 1300)).toMatchObject({ right: 1000, bar: 4, words: 'before', goesOn: { right: true } });
  });
  it('says where it goes on', () => {
    expect(at(-50, 400).goesOn).toEqual({ left: true, right: false });
    expect(at(400, 1001).goesOn).toEqual({ left: false, right: true });
    expect(at(0, 1000).goesOn).toEqual({ left: false, right: false });
  });
  it('is never longer than it lasts, wherever it lies', () => {
    for (let opens = -300; opens <= 1300; opens += 37)
      for (const lasts of [1, 40, 99, 100, 400, 2000]) {
        const { left, right, barLeft, bar } = at(opens, opens + lasts);
        expect(bar).toBeLessThanOrEqual(Math.max(4, lasts));
        expect([left >= 0, right <= 1000, left + barLeft + bar <= right]).toEqual([true, true, true]);
      }
  });
});
