import { describe, expect, it } from 'vitest';
import { spread } from './spread';

const label = (x: number, y: number, halfWidth = 20) => ({ x, y, halfWidth, halfHeight: 12 });
const overlaps = (all: ReturnType<typeof label>[]) =>
  all.flatMap((a, i) =>
    all
      .slice(i + 1)
      .filter(
        (b) =>
          Math.abs(a.x - b.x) < a.halfWidth + b.halfWidth &&
          Math.abs(a.y - b.y) < a.halfHeight + b.halfHeight,
      ),
  );

describe('labels', () => {
  it('stay where they are while there is room', () => {
    const apart = [label(0, 0), label(60, 0), label(0, 30)];
    expect(spread(apart)).toEqual(apart);
  });

  it('that lie on one heap are moved apart, in both directions, each near its place', () => {
    const heap = Array.from({ length: 12 }, (_, i) => label(100 + i, 100, 12 + 4 * (i % 3)));
    const placed = spread(heap);
    expect(overlaps(placed)).toEqual([]);
    expect(placed[0]).toEqual(heap[0]);
    expect(Math.max(...placed.map((p, i) => Math.hypot(p.x - heap[i]!.x, p.y - heap[i]!.y)))).toBeLessThan(
      150,
    );
  });

  it('are never lost, even where there is no room at all', () => {
    expect(spread(Array.from({ length: 400 }, () => label(0, 0)))).toHaveLength(400);
  });
});
