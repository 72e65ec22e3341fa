import { describe, expect, it } from 'vitest';
import type { BatchPlan } from '../api/client';
import { arrange, arranged, eachByItself, joined, moved, split } from './batches';

const plan = (id: string, ...cupIds: string[]) => ({ id, cupIds }) as unknown as BatchPlan;
const all = arranged(
  [plan('batch-1', 'amber', 'moss', 'bone'), plan('batch-2', 'smoke')],
  [{ id: 'batch-2', recipeIds: ['smoke'], jugMl: 700 }],
);
const cups = (batches: typeof all) => batches.map((b) => b.recipeIds.join('+'));

describe('the jugs of a sitting', () => {
  it('are as they stand now, each with its own size', () => {
    expect(cups(all)).toEqual(['amber+moss+bone', 'smoke']);
    expect(all.map((b) => b.jugMl)).toEqual([null, 700]);
  });

  it('give a cup to another, or to one of its own, and go when they are empty', () => {
    expect(cups(moved(all, 'moss', 'batch-2'))).toEqual(['amber+bone', 'smoke+moss']);
    expect(cups(moved(all, 'moss', null))).toEqual(['amber+bone', 'smoke', 'moss']);
    expect(cups(moved(all, 'smoke', 'batch-1'))).toEqual(['amber+moss+bone+smoke']);
    expect(moved(all, 'moss', null).at(-1)!.id).toBe('jug-1');
  });

  it('are split in the middle and joined to the one before', () => {
    expect(cups(split(all, 'batch-1'))).toEqual(['amber+moss', 'bone', 'smoke']);
    expect(split(all, 'batch-2')).toEqual(all);
    expect(cups(joined(all, 'batch-2'))).toEqual(['amber+moss+bone+smoke']);
    expect(joined(all, 'batch-1')).toEqual(all);
    expect(new Set(split(split(all, 'batch-1'), 'batch-1').map((b) => b.id)).size).toBe(4);
  });

  it('are one a cup, or as the program proposes', () => {
    expect(cups(eachByItself(all))).toEqual(['amber', 'moss', 'bone', 'smoke']);
    expect(arrange('s', [])).toEqual({ do: 'arrange-batches', sitting: 's', batches: [] });
  });
});
