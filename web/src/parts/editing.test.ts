import { expect, it } from 'vitest';
import { rangeOf } from './editing';

it('finds the range of a place by its names alone', () => {
  expect(rangeOf('layers[l].zones[z1].layout.pours[a].ml')).toBe('layers.zones.layout.pours.ml');
  expect(rangeOf('ground.sideHeightMm')).toBe('ground.sideHeightMm');
});
