import { expect, it } from 'vitest';
import { boxOf } from './kinds';

const drawn = { shape: 'drawn', path: 'M0 0L60 0L60 80L0 80ZM100 0L150 0L150 70.5L100 70.5Z' } as const;

it('measures the box of every outline', () => {
  expect(boxOf({ shape: 'round', diameterMm: 98 })).toEqual([98, 98]);
  expect(boxOf({ shape: 'oval', widthMm: 320, heightMm: 220 })).toEqual([320, 220]);
  expect(boxOf(drawn)).toEqual([150, 80]);
});
