import type { FilledLayer } from '../../piece/filled';
import { describe, expect, it } from 'vitest';

import {
  changeBand,
  doubleBand,
  layerOver,
  moveBand,
  splitBand,
  widenBand,
  widthOf,
  withBand,
  withHeart,
  withOwnCup,
  withoutBand,
  withoutHeart,
} from './layerEdits';

const first: FilledLayer = {
  id: 'layer-1',
  name: 'First layer',
  depthMm: 3,
  hearts: [],
  bands: [{ id: 'band-1', widthMm: 10, fillsRest: true, cup: 'cup-1' }],
  rimFollow: 0,
  heartCup: 'cup-1',
  cups: [{ id: 'cup-1', name: 'clear', colour: '#eef0ea', colourant: null, loadPercent: 0 }],
  resin: { system: 'coating', ratio: null, resinDensity: null, hardenerDensity: null },
  measure: 'by-volume',
  reservePercent: null,
  pourOrder: [],
  plan: { start: null, end: null, roomC: null },
  widening: 1,
  rimWay: 'proportional',
  layout: null,
  aside: [],
  sitting: 'layer-1',
  within: null,
  partDepths: null,
  zones: null,
  all: [],
  contrast: 'strong',
};
const panel = { xMm: 0, yMm: 0, widthMm: 400, heightMm: 300 };
const unique = (ids: string[]) => new Set(ids).size === ids.length;

describe('editing a layer', () => {
  it('puts a heart inside the outline with a cup for its bed', () => {
    const layer = withHeart(first, panel);
    const heart = layer.hearts[0]!;
    expect(heart.xMm).toBeGreaterThan(0);
    expect(heart.xMm).toBeLessThan(400);
    expect(layer.cups.map((c) => c.id)).toContain(layer.heartCup);
    expect(layer.heartCup).not.toBe('cup-1');
  });

  it('adds bands inside the one that fills the rest, each with its own id and cup', () => {
    const layer = [1, 2, 3].reduce(withBand, first);
    expect(layer.bands.map((b) => b.fillsRest)).toEqual([false, false, false, true]);
    expect(unique(layer.bands.map((b) => b.id))).toBe(true);
    expect(unique(layer.cups.map((c) => c.id))).toBe(true);
    expect(unique(layer.cups.map((c) => c.name))).toBe(true);
  });

  it('puts away a cup that nothing is poured from any more, and keeps the others', () => {
    const two = withBand(withBand(first));
    const [a, b] = two.bands;
    const shared = changeBand(two, b!.id, { cup: a!.cup });
    expect(shared.cups).toHaveLength(2);
    expect(withoutBand(shared, b!.id).cups.map((c) => c.id)).toContain(a!.cup);
    expect(withOwnCup(shared, b!.id).cups).toHaveLength(3);
  });

  it('forgets a removed band in the pour order', () => {
    const layer = { ...withBand(first), pourOrder: ['band-2', 'band-1'] };
    expect(withoutBand(layer, 'band-2').pourOrder).toEqual(['band-1']);
  });

  it('splits a band into two of half the width, the outer with a cup of its own', () => {
    const split = splitBand(changeBand(withBand(first), 'band-2', { widthMm: 13 }), 'band-2');
    expect(split.bands.map((b) => b.widthMm)).toEqual([6.5, 6.5, 10]);
    expect(unique(split.bands.map((b) => b.cup))).toBe(true);
    const filled = splitBand(first, 'band-1');
    expect(filled.bands.map((b) => b.fillsRest)).toEqual([false, true]);
  });

  it('repeats a band with the next one between', () => {
    const two = withBand(withBand(first));
    const repeated = doubleBand(two, 'band-2');
    expect(repeated.bands.map((b) => b.cup)).toEqual(['cup-2', 'cup-3', 'cup-2', 'cup-1']);
    expect(unique(repeated.bands.map((b) => b.id))).toBe(true);
    expect(doubleBand(first, 'band-1').bands.filter((b) => b.fillsRest)).toHaveLength(1);
  });

  it('widens a band by what it measures on the map, and stays in range', () => {
    const two = { ...withBand(withBand(first)), widening: 1.5 };
    expect(widthOf(two, 1)).toBeCloseTo(18);
    expect(widenBand(two, 'band-3', 3).bands[1]!.widthMm).toBe(14);
    expect(widenBand(two, 'band-3', -500).bands[1]!.widthMm).toBe(0.5);
    expect(widenBand(two, 'band-1', 5)).toBe(two);
  });

  it('places a second heart apart from the first and keeps its bed', () => {
    const one = withHeart(first, panel);
    const two = withHeart(one, panel);
    expect(two.heartCup).toBe(one.heartCup);
    expect(
      Math.hypot(two.hearts[1]!.xMm - two.hearts[0]!.xMm, two.hearts[1]!.yMm - two.hearts[0]!.yMm),
    ).toBeGreaterThan(100);
    expect(withoutHeart(two, two.hearts[0]!.id).hearts).toEqual([two.hearts[1]]);
  });

  it('moves a band and stops at the ends', () => {
    const layer = withBand(first);
    expect(moveBand(layer, 'band-2', 1).bands.map((b) => b.id)).toEqual(['band-1', 'band-2']);
    expect(moveBand(layer, 'band-2', -1)).toBe(layer);
  });

  it('lays a clear layer over another with the same hearts', () => {
    const below = withBand(withHeart(first, panel));
    const over = layerOver(below, [], ['layer-1'], 1);
    expect([over.id, over.sitting, over.name]).toEqual(['layer-2', 'layer-2', 'Layer 2']);
    expect(over.hearts).toEqual(below.hearts);
    expect(over.cups).toHaveLength(1);
    expect(over.plan.start).toBeNull();
  });
});
