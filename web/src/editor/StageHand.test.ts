import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { LayerView } from '../api/client';
import type { Effects, Pointer, Stage } from './StageHand';
import { StageHand } from './StageHand';
import type { FilledLayer } from './filled';
import type { Scene } from './tools';
import { grab } from './tools';
import type { Spot } from './view';
import { nearer, viewOf, whole } from './view';

const here = { layer: 'l', zone: null };
const bands = [
  { id: 'in', widthMm: 8, fillsRest: false, recipeId: 'a' },
  { id: 'rest', widthMm: 8, fillsRest: true, recipeId: 'a' },
  { id: 'out', widthMm: 8, fillsRest: false, recipeId: 'a' },
];
const rings = (
  hearts = [
    { id: 'h1', xMm: 50, yMm: 50 },
    { id: 'h2', xMm: 150, yMm: 50 },
  ],
) => ({ layout: { kind: 'rings', hearts, bands } });
const scene = (layer: object = rings(), regions: object[] = []): Scene => ({
  here,
  layer: layer as FilledLayer,
  plan: { regions, box: { xMm: 0, yMm: 0, widthMm: 200, heightMm: 100 } } as unknown as LayerView,
});
const taken = (of: Scene, region: string, at: Spot) => grab(of, { region, at });

describe('what is taken by its area', () => {
  it('is the heart that is nearest, moved as far as the hand', () => {
    const { select, change } = taken(scene(), 'heart', { x: 140, y: 55 });
    expect(select).toEqual({ kind: 'heart', id: 'h2' });
    expect(change!({ x: 143, y: 50 })).toEqual([
      { do: 'move-heart', ...here, heart: 'h2', xMm: 153, yMm: 45 },
    ]);
  });

  it('is a band, widened away from the heart, or towards it where it is counted from the rim', () => {
    const by = (band: string) => taken(scene(), band, { x: 60, y: 50 }).change?.({ x: 64.3, y: 50 });
    expect(by('in')).toEqual([{ do: 'widen-band', ...here, band: 'in', byMm: 4.5 }]);
    expect(by('out')).toEqual([{ do: 'widen-band', ...here, band: 'out', byMm: -4.5 }]);
    expect(by('rest')).toBeUndefined();
    expect(taken(scene(rings([])), 'in', { x: 1, y: 1 }).change).toBeNull();
  });

  it('is a band about the middle of petals or lines', () => {
    const petals = { layout: { kind: 'petals', xMm: 20, yMm: 50, bands } };
    expect(taken(scene(petals), 'in', { x: 30, y: 50 }).change!({ x: 32, y: 50 })).toEqual([
      { do: 'widen-band', ...here, band: 'in', byMm: 2 },
    ]);
    const lines = { layout: { kind: 'lines', bands } };
    expect(taken(scene(lines), 'in', { x: 110, y: 50 }).change!({ x: 105, y: 50 })).toEqual([
      { do: 'widen-band', ...here, band: 'in', byMm: -5 },
    ]);
  });

  it('is a field from where it lies, or a puddle by its middle, and not what lies round it', () => {
    const fields = scene({ layout: { kind: 'fields' } }, [{ id: 'field-3', anchor: { xMm: 9, yMm: 8 } }]);
    expect(taken(fields, 'field-3', { x: 10, y: 10 }).change!({ x: 12, y: 11 })).toEqual([
      { do: 'move-field', ...here, field: 3, xMm: 9, yMm: 8, byXMm: 2, byYMm: 1 },
    ]);
    expect(taken(fields, 'vein', { x: 1, y: 1 })).toEqual({
      select: { kind: 'region', id: 'vein' },
      change: null,
    });
    const puddle = scene({ layout: { kind: 'puddle', xMm: 30, yMm: 40 } });
    expect(taken(puddle, 'pour-1', { x: 1, y: 1 }).change!({ x: 3, y: 5 })).toEqual([
      { do: 'move-middle', ...here, xMm: 32, yMm: 44 },
    ]);
    expect(taken(puddle, 'rest', { x: 1, y: 1 }).change).toBeNull();
  });
});

describe('the view', () => {
  const room = { width: 800, height: 600 };
  const size = { widthMm: 400, heightMm: 100 };

  it('fits the whole piece, and stays about what is zoomed at', () => {
    const fits = viewOf(room, size, whole);
    expect(fits.pixelsPerMm).toBeCloseTo(772 / 400);
    expect(fits.x).toBeCloseTo(14);
    const at = { x: 200, y: 300 };
    const mm = (v: typeof fits) => (at.x - v.x) / v.pixelsPerMm;
    const near = viewOf(room, size, nearer(room, whole, 3, at));
    expect(near.pixelsPerMm).toBeCloseTo(3 * fits.pixelsPerMm);
    expect(mm(near)).toBeCloseTo(mm(fits));
  });

  it('is never farther than the whole nor nearer than eight times', () => {
    expect(nearer(room, { by: 2, x: 90, y: 9 }, 0.5, { x: 1, y: 1 })).toEqual(whole);
    expect(nearer(room, whole, 20, { x: 1, y: 1 }).by).toBe(8);
  });
});

describe('a hand on the stage', () => {
  const effects = {
    select: vi.fn<Effects['select']>(),
    drag: vi.fn<Effects['drag']>(),
    keep: vi.fn<Effects['keep']>(),
    giveUp: vi.fn<Effects['giveUp']>(),
    wall: vi.fn<Effects['wall']>(),
    trace: vi.fn<Effects['trace']>(),
    zoom: vi.fn<Effects['zoom']>(),
  };
  let hand: StageHand;
  const stage: Stage = {
    room: { width: 800, height: 600 },
    zoom: whole,
    pixelsPerMm: 2,
    toMm: ({ x, y }) => ({ x: x / 2, y: y / 2 }),
    draws: false,
    pans: false,
    take: ({ x, y }) => grab(scene(), { region: 'heart', at: { x: x / 2, y: y / 2 } }),
  };
  const at = (x: number, y: number, id = 1, touch = false): Pointer => ({ id, x, y, time: 7, touch });
  const moved = (xMm: number) => [{ do: 'move-heart', ...here, heart: 'h1', xMm, yMm: 50 }];

  beforeEach(() => {
    Object.values(effects).forEach((f) => f.mockClear());
    hand = new StageHand(effects);
  });

  it('chooses by a press and drags only once it has gone far enough', () => {
    hand.press(at(100, 100), stage);
    expect(effects.select).toHaveBeenCalledOnce();
    hand.move(at(103, 100));
    hand.lift(at(103, 100));
    expect(effects.drag).not.toHaveBeenCalled();
    expect(effects.keep).not.toHaveBeenCalled();
    hand.press(at(100, 100), stage);
    hand.move(at(120, 100));
    expect(effects.drag).toHaveBeenLastCalledWith(moved(60), 7);
    hand.lift(at(124, 100));
    expect(effects.keep).toHaveBeenCalledExactlyOnceWith(moved(62));
    expect(hand.is).toBe('free');
  });

  it('that is taken away gives up what it dragged', () => {
    hand.press(at(100, 100), stage);
    hand.move(at(120, 100));
    hand.cancel(at(0, 0));
    expect(effects.giveUp).toHaveBeenCalledOnce();
    hand.move(at(200, 100));
    hand.lift(at(200, 100));
    expect(effects.keep).not.toHaveBeenCalled();
  });

  it('moves the view where there is nothing to take, if it is near', () => {
    const empty = { ...stage, take: () => null };
    hand.press(at(100, 100), empty);
    hand.move(at(150, 100));
    expect(effects.zoom).not.toHaveBeenCalled();
    hand.lift(at(150, 100));
    hand.press(at(100, 100), { ...stage, zoom: { by: 2, x: 5, y: 5 }, pans: true });
    hand.move(at(150, 90));
    expect(effects.zoom).toHaveBeenLastCalledWith({ by: 2, x: 55, y: -5 });
    hand.lift(at(150, 90));
    expect(effects.keep).not.toHaveBeenCalled();
  });

  it('draws a wall, unless it is too short or taken away', () => {
    const draws = { ...stage, draws: true };
    hand.press(at(10, 10), draws);
    hand.move(at(40, 10));
    expect(effects.trace).toHaveBeenLastCalledWith([
      { x: 5, y: 5 },
      { x: 20, y: 5 },
    ]);
    hand.lift(at(60, 10));
    expect(effects.trace).toHaveBeenLastCalledWith(null);
    expect(effects.wall.mock.lastCall?.[0]).toHaveLength(3);
    hand.press(at(10, 10), draws);
    hand.lift(at(16, 10));
    hand.press(at(10, 10), draws);
    hand.move(at(90, 10));
    hand.cancel(at(90, 10));
    expect(effects.wall).toHaveBeenCalledOnce();
    expect(effects.trace).toHaveBeenLastCalledWith(null);
  });

  it('zooms with a second finger and lets go of what the first had', () => {
    hand.press(at(100, 100, 1, true), stage);
    hand.move(at(120, 100, 1, true));
    hand.press(at(220, 100, 2, true), stage);
    expect(effects.giveUp).toHaveBeenCalledOnce();
    hand.move(at(320, 100, 2, true));
    expect(effects.zoom.mock.lastCall?.[0].by).toBeCloseTo(2);
    hand.lift(at(320, 100, 2, true));
    expect(hand.is).toBe('pinching');
    hand.move(at(200, 100, 1, true));
    expect(effects.drag).toHaveBeenCalledOnce();
    hand.lift(at(200, 100, 1, true));
    expect(hand.is).toBe('free');
    hand.press(at(100, 100, 3, true), stage);
    expect(hand.is).toBe('pressed');
  });
});
