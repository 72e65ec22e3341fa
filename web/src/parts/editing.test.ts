import { describe, expect, it } from 'vitest';
import { placeOf, setAt } from './editing';

const layer = {
  depthMm: 3,
  cups: [
    { id: 'amber', loadPercent: 4 },
    { id: 'bone', loadPercent: 2 },
  ],
  plan: { roomC: null },
};

describe('a place in the piece', () => {
  it('is set by name and by id, and nothing else changes', () => {
    const changed = setAt(layer, 'cups[bone].loadPercent', 5);
    expect(changed.cups).toEqual([layer.cups[0], { id: 'bone', loadPercent: 5 }]);
    expect(changed.cups[0]).toBe(layer.cups[0]);
    expect(setAt(layer, 'plan.roomC', 19).plan).toEqual({ roomC: 19 });
    expect(layer.cups[1]!.loadPercent).toBe(2);
  });

  it('that was left to its default is made', () => {
    expect(setAt({ losses: null }, 'losses.filmMm', 1)).toEqual({ losses: { filmMm: 1 } });
  });

  it('of a part that is not there changes nothing', () => {
    expect(setAt(layer, 'cups[rust].loadPercent', 5)).toEqual(layer);
  });

  it('is named to the server by position', () => {
    expect(placeOf(layer, 'cups[bone].loadPercent')).toBe('cups[1].loadPercent');
    expect(placeOf(layer, 'plan.roomC')).toBe('plan.roomC');
  });
});
