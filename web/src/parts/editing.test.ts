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

  it('reaches into zones, and to the shares of a mixed cup by the cup they are of', () => {
    const zoned = {
      cups: [
        {
          id: 'mix',
          of: [
            { cup: 'bone', parts: 1 },
            { cup: 'smoke', parts: 2 },
          ],
        },
      ],
      zones: [{ id: 'z1', layout: { kind: 'puddle', pours: [{ id: 'a', cup: 'bone', ml: 5 }] } }],
    };
    expect(setAt(zoned, 'cups[mix].of[smoke].parts', 3).cups[0]!.of[1]).toEqual({ cup: 'smoke', parts: 3 });
    expect(setAt(zoned, 'zones[z1].layout.pours[a].ml', 9).zones[0]!.layout.pours[0]!.ml).toBe(9);
    expect(placeOf(zoned, 'zones[z1].layout.pours[a].ml')).toBe('zones[0].layout.pours[0].ml');
    expect(placeOf(zoned, 'cups[mix].of[smoke].parts')).toBe('cups[0].of[1].parts');
  });

  it('is named to the server by position', () => {
    expect(placeOf(layer, 'cups[bone].loadPercent')).toBe('cups[1].loadPercent');
    expect(placeOf(layer, 'plan.roomC')).toBe('plan.roomC');
  });
});
