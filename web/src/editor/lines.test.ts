import { describe, expect, it } from 'vitest';
import type { Line } from './filled';
import { lineAt, ofRegion } from './lines';

const drawn = (id: string, spots: [number, number][], material: Line['material'], region = 'wall'): Line =>
  ({
    id,
    region,
    course: { kind: 'drawn', spots: spots.map(([xMm, yMm]) => ({ xMm, yMm })) },
    section: { widthMm: 3 },
    material,
  }) as Line;
const barrier = { kind: 'barrier', class: null } as Line['material'];
const gold = { kind: 'resin', recipeId: 'gold' } as Line['material'];
const relief = { kind: 'relief', class: 'outliner', colour: '#c9a227' } as Line['material'];
const left = drawn(
  'left',
  [
    [10, 0],
    [10, 100],
  ],
  barrier,
);
const right = drawn(
  'right',
  [
    [90, 0],
    [90, 50],
    [95, 100],
  ],
  barrier,
);
const raised = drawn(
  'raised',
  [
    [30, 30],
    [60, 30],
  ],
  relief,
  'raised',
);
const line = drawn(
  'line',
  [
    [40, 0],
    [40, 100],
  ],
  gold,
  'gold',
);
const ring = {
  ...drawn('ring', [], relief, 'ring'),
  course: { kind: 'ring', xMm: 50, yMm: 60, diameterMm: 20 },
} as Line;
const layer = { lines: [left, right, raised, line, ring] };

describe('the line under a hand', () => {
  it('is the one whose region is under it', () => {
    expect(lineAt(layer, 'gold', { x: 90, y: 50 }, 1)?.id).toBe('line');
  });
  it('is the nearest wall where a wall is under it, however far', () => {
    expect(lineAt(layer, 'wall', { x: 70, y: 50 }, 1)?.id).toBe('right');
    expect(lineAt(layer, 'wall', { x: 15, y: 50 }, 1)?.id).toBe('left');
  });
  it('is a drawn line or a ring within its width and a slack', () => {
    expect(lineAt(layer, 'moss', { x: 50, y: 32.4 }, 1)?.id).toBe('raised');
    expect(lineAt(layer, 'moss', { x: 50, y: 32.6 }, 1)).toBeNull();
    expect(lineAt(layer, 'moss', { x: 61, y: 60 }, 1)?.id).toBe('ring');
    expect(lineAt(layer, 'moss', { x: 50, y: 60 }, 1)).toBeNull();
  });
  it('is nothing beyond the ends of a line', () => {
    expect(lineAt(layer, 'moss', { x: 63, y: 30 }, 1)).toBeNull();
  });
});

it('finds the line of a region, of walls that share one the nearest', () => {
  expect(ofRegion([left, right], 'wall', { x: 60, y: 40 })?.id).toBe('right');
  expect(ofRegion([left, line], 'gold', { x: 10, y: 40 })?.id).toBe('line');
  expect(ofRegion([left], 'gold', { x: 0, y: 0 })).toBeUndefined();
});
