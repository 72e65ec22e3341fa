import { expect, it } from 'vitest';
import { streamTo } from './streamTo';

/** Spots along the way that a path is drawn by. */
function along(path: string) {
  const [x0, y0, x1, y1, x2, y2, x3, y3] = path.match(/-?[\d.]+/g)!.map(Number) as [
    number,
    number,
    number,
    number,
    number,
    number,
    number,
    number,
  ];
  return Array.from({ length: 101 }, (_, i) => {
    const [t, u] = [i / 100, 1 - i / 100];
    return {
      x: u ** 3 * x0 + 3 * u * u * t * x1 + 3 * u * t * t * x2 + t ** 3 * x3,
      y: u ** 3 * y0 + 3 * u * u * t * y1 + 3 * u * t * t * y2 + t ** 3 * y3,
    };
  });
}

const lip = { x: 160, y: 230 };

it('reaches a row above round the numbers that stand under its cups', () => {
  for (const x of [200, 290, 370]) {
    const way = along(streamTo(lip, { x, y: 30 }, true));
    // The numbers begin beside the lip and reach from a cup's foot, some 60 px down, to the row of the jug.
    for (const spot of way.filter((s) => s.y > 95)) expect(spot.x).toBeLessThanOrEqual(lip.x);
    for (const spot of way) expect(spot.y).toBeGreaterThan(0);
    expect(way.at(-1)).toEqual({ x, y: 30 });
  }
});

it('bows over what stands between in a row of its own, and stays in it', () => {
  const way = along(streamTo(lip, { x: 420, y: 260 }, false));
  for (const spot of way) expect(spot.y).toBeGreaterThan(4);
  expect(Math.min(...way.map((s) => s.y))).toBeLessThan(lip.y);
  expect(Math.min(...way.map((s) => s.x))).toBe(lip.x);
});
