import type { FilledLayer } from '../editor/filled';
import { describe, expect, it } from 'vitest';

import { regionName } from './station';

const layer = (over: Partial<FilledLayer>) =>
  ({
    heartCup: 'amber',
    hearts: [],
    bands: [
      { id: 'b1', widthMm: 4, fillsRest: false, cup: 'moss' },
      { id: 'b2', widthMm: 4, fillsRest: false, cup: 'bone' },
      { id: 'b3', widthMm: 4, fillsRest: true, cup: 'moss' },
    ],
    cups: ['amber', 'moss', 'bone'].map((id) => ({ id, name: `the ${id}` })),
    layout: null,
    zones: null,
    ...over,
  }) as unknown as FilledLayer;
const laidOut = (layout: unknown) => layer({ layout: layout as FilledLayer['layout'] });

describe('the name of a region', () => {
  it('is its colour, and which of the bands where there are several of it', () => {
    expect(['b1', 'b2', 'b3', 'heart'].map((id) => regionName(layer({}), id))).toEqual([
      'the moss 1',
      'the bone',
      'the moss 2',
      'heart bed, the amber',
    ]);
  });

  it('tells the film below lines from the lines', () => {
    const lines = laidOut({ kind: 'lines', startCup: 'bone' });
    expect(regionName(lines, 'start')).toBe('film below, the bone');
    expect(regionName(lines, 'b2')).toBe('the bone');
  });

  it('counts fields, pools and pours', () => {
    const fields = laidOut({ kind: 'fields', vein: { cup: 'bone' } });
    expect(regionName(fields, 'field-7', 'moss')).toBe('field 7, the moss');
    expect(regionName(fields, 'field-7')).toBe('field 7');
    expect(regionName(fields, 'vein')).toBe('vein, the bone');
    const pools = laidOut({ kind: 'pools', pools: [{ id: 'p', cup: 'moss' }] });
    expect(['p', 'open-2', 'wall'].map((id) => regionName(pools, id))).toEqual([
      'pool 1, the moss',
      'pool without a cup 2',
      'walls',
    ]);
    const puddle = laidOut({ kind: 'puddle', pours: [{ id: 'a', cup: 'bone' }], restCup: 'moss' });
    expect(['a', 'rest'].map((id) => regionName(puddle, id))).toEqual([
      'pour 1, the bone',
      'round the puddle, the moss',
    ]);
  });

  it('says the zone it lies in, and what the piece keeps', () => {
    const zone = {
      id: 'z',
      name: 'Pool',
      layout: { kind: 'lines', startCup: 'amber' },
      bands: [],
      hearts: [],
    };
    const zoned = layer({ zones: [zone] as unknown as FilledLayer['zones'] });
    expect(regionName(zoned, 'z/start')).toBe('Pool: film below, the amber');
    expect(regionName(zoned, 'kept/k')).toBe('reserved spot');
    expect(regionName(zoned, 'kept/k/dam')).toBe('dam');
    expect(regionName(zoned, 'b2')).toBe('the bone');
  });
});
