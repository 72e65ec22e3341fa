import { expect, it } from 'vitest';
import type { Place } from './fanOut';
import { fanOut } from './fanOut';

const on = (...xs: number[]): Place[] => xs.map((x) => ({ x, y: 100, touch: 12 }));
const apart = (a: Place, b: Place) => Math.hypot(a.x - b.x, a.y - b.y) - a.touch - b.touch;

it('leaves grips that stand apart where they are', () => {
  expect(fanOut(on(0, 30, 60), [], -1)).toEqual(on(0, 30, 60));
});

it('parts grips that stand close, however many, and keeps them over their edges', () => {
  const xs = Array.from({ length: 9 }, (_, i) => i * 4);
  const placed = fanOut(on(...xs), [{ x: 10, y: 100, touch: 22 }], 3) as Place[];
  expect(placed.map((p) => p.x)).toEqual(xs);
  for (const [i, a] of placed.entries()) {
    expect(apart(a, { x: 10, y: 100, touch: 22 })).toBeGreaterThanOrEqual(0);
    for (const b of placed.slice(i + 1)) expect(apart(a, b)).toBeGreaterThanOrEqual(0);
  }
});

it('lets the one that is held stay where it is', () => {
  const placed = fanOut([...on(0), null, ...on(5)], [], 2);
  expect(placed[2]).toEqual(on(5)[0]);
  expect(placed[1]).toBeNull();
  expect(placed[0]!.y).not.toBe(100);
});
