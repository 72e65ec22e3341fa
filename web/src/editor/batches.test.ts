import { describe, expect, it } from 'vitest';
import type { BatchPlan } from '../api/client';
import {
  arrange,
  arranged,
  eachByItself,
  inMixes,
  joined,
  mixesOf,
  moved,
  percentOf,
  split,
} from './batches';

const plan = (id: string, ...cups: (string | [string, number])[]) => {
  const of = cups.map((c) =>
    typeof c === 'string' ? { cupId: c, percent: 100 } : { cupId: c[0], percent: c[1] },
  );
  return { id, cupIds: of.map((c) => c.cupId), cups: of } as unknown as BatchPlan;
};
const all = arranged(
  [plan('batch-1', 'amber', 'moss', 'bone'), plan('batch-2', 'smoke')],
  [{ id: 'batch-2', recipeIds: ['smoke'], jugMl: 700, shares: null }],
);
const shared = arranged(
  [plan('a', 'amber', ['clear', 50]), plan('b', ['clear', 25]), plan('c', ['clear', 25])],
  null,
);
const cups = (batches: typeof all) =>
  batches.map((b) =>
    b.recipeIds
      .map((id) => (percentOf(b, id) === 100 ? id : `${id} ${Math.round(percentOf(b, id))}`))
      .join('+'),
  );

describe('the jugs of a sitting', () => {
  it('are as they stand now, each with its own size', () => {
    expect(cups(all)).toEqual(['amber+moss+bone', 'smoke']);
    expect(all.map((b) => b.jugMl)).toEqual([null, 700]);
    expect(all.map((b) => b.shares)).toEqual([null, null]);
    expect(cups(shared)).toEqual(['amber+clear 50', 'clear 25', 'clear 25']);
  });

  it('give a cup to another, or to one of its own, and go when they are empty', () => {
    expect(cups(moved(all, 'moss', 'batch-1', 'batch-2'))).toEqual(['amber+bone', 'smoke+moss']);
    expect(cups(moved(all, 'moss', 'batch-1', null))).toEqual(['amber+bone', 'smoke', 'moss']);
    expect(cups(moved(all, 'smoke', 'batch-2', 'batch-1'))).toEqual(['amber+moss+bone+smoke']);
    expect(moved(all, 'moss', 'batch-1', null).at(-1)!.id).toBe('jug-1');
    expect(moved(all, 'moss', 'batch-1', 'batch-1')).toEqual(all);
  });

  it('are split in the middle and joined to the one before', () => {
    expect(cups(split(all, 'batch-1'))).toEqual(['amber+moss', 'bone', 'smoke']);
    expect(cups(joined(all, 'batch-2'))).toEqual(['amber+moss+bone+smoke']);
    expect(joined(all, 'batch-1')).toEqual(all);
    expect(new Set(split(split(all, 'batch-1'), 'batch-1').map((b) => b.id)).size).toBe(4);
  });

  it('are one a cup, or as the program proposes', () => {
    expect(cups(eachByItself(all))).toEqual(['amber', 'moss', 'bone', 'smoke']);
    expect(cups(eachByItself(shared))).toEqual(['amber', 'clear 50', 'clear 25', 'clear 25']);
    expect(arrange('s', [])).toEqual({ do: 'arrange-batches', sitting: 's', batches: [] });
  });
});

describe('a cup from several batches', () => {
  it('is filled in as many equal mixes as asked, whichever batches it is in', () => {
    const two = split(all, 'batch-2');
    expect(cups(two)).toEqual(['amber+moss+bone', 'smoke 50', 'smoke 50']);
    expect(two.map((b) => b.jugMl)).toEqual([null, 700, 700]);
    expect(mixesOf(two, 'smoke')).toBe(2);
    expect(cups(inMixes(all, 'moss', 3))).toEqual(['amber+moss 33+bone', 'moss 33', 'moss 33', 'smoke']);
    expect(cups(inMixes(shared, 'clear', 4))).toEqual(['amber+clear 25', 'clear 25', 'clear 25', 'clear 25']);
    expect(cups(inMixes(shared, 'clear', 2))).toEqual(['amber+clear 50', 'clear 50']);
    expect(cups(inMixes(shared, 'clear', 1))).toEqual(['amber+clear']);
  });

  it('is one again where its shares come together', () => {
    expect(cups(moved(shared, 'clear', 'b', 'a'))).toEqual(['amber+clear 75', 'clear 25']);
    expect(cups(joined(joined(shared, 'c'), 'b'))).toEqual(['amber+clear']);
    expect(joined(joined(shared, 'c'), 'b')[0]!.shares).toBeNull();
    expect(cups(moved(shared, 'clear', 'a', null))).toEqual(['amber', 'clear 25', 'clear 25', 'clear 50']);
  });

  it('always adds up', () => {
    for (const to of [
      inMixes(shared, 'clear', 7),
      split(shared, 'a'),
      joined(shared, 'b'),
      moved(shared, 'clear', 'c', 'b'),
    ])
      expect(to.reduce((sum, b) => sum + percentOf(b, 'clear'), 0)).toBeCloseTo(100, 6);
  });
});
