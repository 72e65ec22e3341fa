import { describe, expect, it } from 'vitest';
import type { FilledLayer } from '../editor/filled';
import type { Ground, LayerView, SittingView } from '../api/client';
import { openAt } from './openAt';
import type { Station } from './station';

const layer = {
  layout: { kind: 'flood', recipeId: 'a' },
  sitting: {},
};
const sitting = {
  pours: [{ cupId: 'a' }, { cupId: 'a' }, { cupId: 'b' }],
  openRegions: [],
  cups: { cups: [{ doses: { over: false } }] },
  reach: [],
  poured: null,
  done: false,
};
const open = (station: Station, of: object = sitting) =>
  openAt(
    station,
    layer as unknown as FilledLayer,
    { plan: { poured: false, regions: [] } as unknown as LayerView, sitting: of as SittingView },
    {} as Ground,
    { preparation: [] },
  );

describe('what a station says of itself', () => {
  it('counts what is mixed and poured', () => {
    expect(open('cups')).toEqual({ share: 1, words: '2 cups' });
    expect(open('pour')).toEqual({ share: 0, words: '3 pours' });
  });

  it('is empty where there is nothing in it', () => {
    const bare = { ...sitting, pours: [] };
    expect(open('cups', bare)).toEqual({ share: 0, words: 'nothing to mix', empty: true });
    expect(open('pour', bare)).toEqual({ share: 0, words: 'nothing to pour', empty: true });
    expect(open('map', bare).empty).toBeUndefined();
  });
});
