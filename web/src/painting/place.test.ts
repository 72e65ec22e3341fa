import { expect, it } from 'vitest';
import { fitted } from './place';

it('fits a painting into a frame, in the middle, with room round it', () => {
  expect(fitted({ width: 220, height: 120 }, { widthMm: 100, heightMm: 100 }, 10)).toEqual({
    pixelsPerMm: 1,
    x: 60,
    y: 10,
  });
  expect(fitted({ width: 120, height: 220 }, { widthMm: 100, heightMm: 50 }, 10)).toEqual({
    pixelsPerMm: 1,
    x: 10,
    y: 85,
  });
});
