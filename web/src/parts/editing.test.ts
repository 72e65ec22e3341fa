import { describe, expect, it } from 'vitest';
import { rangeOf, setAt } from './editing';

const piece = {
  recipes: [
    { id: 'amber', doses: [{ percent: 4 }] },
    { id: 'bone', doses: [{ percent: 2 }] },
  ],
  sittings: [{ id: 'one', roomC: null, losses: null }],
};

describe('a place in the piece', () => {
  it('is set by name, by id and by number, and nothing else changes', () => {
    const changed = setAt(piece, 'recipes[bone].doses[0].percent', 5);
    expect(changed.recipes).toEqual([piece.recipes[0], { id: 'bone', doses: [{ percent: 5 }] }]);
    expect(changed.recipes[0]).toBe(piece.recipes[0]);
    expect(setAt(piece, 'sittings[one].roomC', 19).sittings[0]!.roomC).toBe(19);
    expect(piece.recipes[1]!.doses[0]!.percent).toBe(2);
  });

  it('that was left to its default is made', () => {
    expect(setAt(piece, 'sittings[one].losses.filmMm', 1).sittings[0]!.losses).toEqual({ filmMm: 1 });
  });

  it('of a part that is not there changes nothing', () => {
    expect(setAt(piece, 'recipes[rust].doses[0].percent', 5)).toEqual(piece);
  });

  it('reaches into zones, and to the shares of a mixed colour by what they are of', () => {
    const zoned = {
      recipes: [
        {
          id: 'mix',
          of: [
            { recipeId: 'bone', parts: 1 },
            { recipeId: 'smoke', parts: 2 },
          ],
        },
      ],
      layers: [{ id: 'l', zones: [{ id: 'z1', layout: { pours: [{ id: 'a', recipeId: 'bone', ml: 5 }] } }] }],
    };
    expect(setAt(zoned, 'recipes[mix].of[smoke].parts', 3).recipes[0]!.of[1]).toEqual({
      recipeId: 'smoke',
      parts: 3,
    });
    expect(
      setAt(zoned, 'layers[l].zones[z1].layout.pours[a].ml', 9).layers[0]!.zones[0]!.layout.pours[0]!.ml,
    ).toBe(9);
  });

  it('has its range by its names alone', () => {
    expect(rangeOf('layers[l].zones[z1].layout.pours[a].ml')).toBe('layers.zones.layout.pours.ml');
    expect(rangeOf('ground.sideHeightMm')).toBe('ground.sideHeightMm');
  });
});
