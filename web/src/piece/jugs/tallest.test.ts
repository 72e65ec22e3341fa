import { expect, it } from 'vitest';
import { heightFor } from '../../parts/Vessel';
import { jugHeight, jugWidth, largestOf, tallestFor } from './tallest';

const room = { width: 690, height: 590 };

it('draws one batch as high as there is room for, and never over the edge', () => {
  for (const cups of [[44], [44, 69], [44, 69, 13, 112], [10, 20, 30, 40, 50, 60], [400, 300, 700]]) {
    const batch = cups.reduce((a, b) => a + b) * 1.03;
    const tallest = tallestFor([batch], cups, room);
    const largest = largestOf([batch], cups);
    const wide = (t: number) =>
      cups.reduce(
        (sum, ml) => sum + Math.max(cups.length > 5 ? 76 : 90, heightFor(ml, largest, t) * 0.86 + 26),
        cups.length > 1 ? jugWidth(jugHeight(batch, largest, t)) + 40 : 0,
      );
    expect(tallest).toBeGreaterThanOrEqual(128);
    expect(tallest).toBeLessThanOrEqual(230);
    if (tallest > 128) expect(wide(tallest)).toBeLessThanOrEqual(room.width);
    if (tallest < 230) expect(wide(tallest + 2)).toBeGreaterThan(room.width);
  }
});

it('draws six cups larger than least, as each takes less room, and seven not', () => {
  expect(tallestFor([243], [6, 8, 9, 17, 165, 31], room)).toBeGreaterThan(128);
  expect(tallestFor([243], [6, 8, 9, 17, 140, 31, 25], room)).toBe(128);
});

it('draws several lower, and keeps to the least where there is hardly room', () => {
  expect(tallestFor([100], [50, 50], { width: 300, height: 200 })).toBe(128);
  expect(tallestFor([100], [50, 50], { width: 0, height: 0 })).toBe(128);
  expect(tallestFor([100, 100], [50, 50, 100], room)).toBe(92);
  expect(tallestFor([100, 100, 100], [100, 100, 100], room)).toBe(78);
});

it('takes no more height than there is', () => {
  const high = (height: number) => tallestFor([246], [44, 69], { width: 2000, height });
  expect(high(600)).toBe(230);
  expect(high(350)).toBeLessThan(200);
  expect(high(350)).toBeGreaterThan(128);
});
