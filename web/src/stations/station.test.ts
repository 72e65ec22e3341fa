import type { LayerView } from '../api/client';
import { expect, it } from 'vitest';

import { regionName } from './station';

const plan = { regions: [{ id: 'b1', name: 'moss, inner ring' }] } as unknown as LayerView;

it('calls a region what the workshop calls it, and one that is not worked out yet by what is known', () => {
  expect(regionName(plan, 'b1', 'moss')).toBe('moss, inner ring');
  expect(regionName(plan, 'b2', 'moss')).toBe('moss');
  expect(regionName(plan, 'b2')).toBe('…');
});
