import { describe, expect, it } from 'vitest';
import type { Layer, Piece } from '../../api/client';
import type { Insert, Mould } from './kinds';
import { boxOf, onGround, tidied, withDepth } from './kinds';

const mould: Mould = {
  depthMm: 10,
  from: 'dimensions',
  capacityMl: null,
  pieces: 1,
  cavities: 1,
  keepMm: 0,
};
const well: Insert = {
  id: 'insert-1',
  name: 'well',
  outline: { shape: 'round', diameterMm: 30 },
  xMm: 10,
  yMm: 10,
  floorMm: 0,
  recessMm: 0,
};
const ground: Piece['ground'] = {
  outline: { shape: 'rectangle', widthMm: 200, heightMm: 100 },
  edge: 'walled',
  sideHeightMm: 10,
  colour: '#ffffff',
  mould: { ...mould, inserts: [well] },
};
const drawn = { shape: 'drawn', path: 'M0 0L60 0L60 80L0 80ZM100 0L150 0L150 70.5L100 70.5Z' } as const;
const layer = (id: string, more: Partial<Layer> = {}): Layer => ({
  id,
  name: id,
  depthMm: 3,
  layout: { kind: 'flood', recipeId: id },
  ...more,
});
const recipe = (id: string) => ({ id, name: id, colour: '#ffffff', doses: [] });
const sitting = (id: string) => ({
  id,
  rest: [id],
  resin: { system: 'coating' },
  measure: 'by-volume' as const,
});
const piece: Piece = {
  name: 'Tray',
  ground,
  growth: { gridMm: 2, grainMm: 60 },
  recipes: [recipe('a'), recipe('b'), recipe('idle')],
  layers: [layer('a'), layer('b', { within: 'insert-1' })],
  sittings: [sitting('a'), sitting('b')],
};

describe('depths of parts', () => {
  it('are kept in order, and the usual depth is none', () => {
    expect(withDepth(null, 2, 5)).toEqual([{ part: 2, depthMm: 5 }]);
    expect(withDepth([{ part: 2, depthMm: 5 }], 1, 4)?.map((d) => d.part)).toEqual([1, 2]);
    expect(withDepth([{ part: 2, depthMm: 5 }], 2, 6)).toEqual([{ part: 2, depthMm: 6 }]);
    expect(withDepth([{ part: 2, depthMm: 5 }], 2, null)).toBeNull();
  });
});

describe('another ground', () => {
  it('takes the layer of a hollow away with its insert, and no other', () => {
    expect(onGround(piece, ground).layers.map((l) => l.id)).toEqual(['a', 'b']);
    const left = onGround(piece, { ...ground, mould });
    expect(left.layers.map((l) => l.id)).toEqual(['a']);
    expect(left.sittings.map((s) => s.id)).toEqual(['a']);
    expect(left.recipes.map((r) => r.id)).toEqual(['a', 'idle']);
  });

  it('keeps depths of parts while the drawing is the same', () => {
    const letters = {
      ...piece,
      ground: { ...ground, outline: drawn, mould: null },
      layers: [layer('a', { partDepths: [{ part: 2, depthMm: 4 }] })],
    };
    expect(onGround(letters, { ...letters.ground, sideHeightMm: 12 }).layers[0]?.partDepths).toHaveLength(1);
    const other = { ...letters.ground, outline: { ...drawn, path: 'M0 0L60 0L60 80Z' } };
    expect(onGround(letters, other).layers[0]?.partDepths).toBeNull();
  });

  it('has inserts in a plain cavity and depths of their own in drawn ones', () => {
    const depths = [{ part: 2, depthMm: 7 }];
    const both = { ...ground, mould: { ...mould, inserts: [well], cavityDepths: depths } };
    expect(tidied(both).mould).toMatchObject({ inserts: [well], cavityDepths: null });
    expect(tidied({ ...both, outline: drawn }).mould).toMatchObject({ inserts: null, cavityDepths: depths });
    expect(tidied(ground)).toBe(ground);
  });
});

it('measures the box of every outline', () => {
  expect(boxOf({ shape: 'round', diameterMm: 98 })).toEqual([98, 98]);
  expect(boxOf({ shape: 'oval', widthMm: 320, heightMm: 220 })).toEqual([320, 220]);
  expect(boxOf(drawn)).toEqual([150, 80]);
});
