import { describe, expect, it } from 'vitest';
import type { Painting, PaintPath } from '../api/client';
import { bare, drawn, mixed } from './drawn';

const path = (material: string | null, region: string | null, more: Partial<PaintPath> = {}): PaintPath => ({
  role: 'body',
  path: 'M0 0L1 0L1 1Z',
  fill: '#336699',
  stroke: null,
  strokeMm: 0,
  opacity: 0.4,
  region,
  material,
  clip: null,
  glass: true,
  ...more,
});
const painting = (paths: PaintPath[], insets: Painting['insets'] = []): Painting => ({
  widthMm: 10,
  heightMm: 10,
  outline: 'M0 0L10 0L10 10L0 10Z',
  ground: '#ffffff',
  materials: [],
  paths,
  clips: [],
  panels: null,
  insets,
  look: { full: true, wet: true, filtersFrom: null, tiltDeg: 0 },
});
const how = (region: string) => (region === 'moss' ? { fill: '#eeeeee', ink: '#000000', inkMm: 0.5 } : null);

describe('a painting that is drawn in part', () => {
  const below = path('one/clay', 'moss');
  const own = [
    path('two/green', 'moss'),
    path(null, 'moss', { role: 'edge', fill: null, stroke: '#111111' }),
    path('two/green', 'moss', { role: 'growth-line' }),
    path('two/white', 'bone'),
  ];
  const above = path('three/clear', 'moss');
  const got = drawn(painting([below, ...own, above]), 'two', how).paths;

  it('leaves what lies below and what is not drawn as they are', () => {
    expect(got[0]).toBe(below);
    expect(got.at(-1)).toBe(own[3]);
  });
  it('keeps of a drawn region its body alone, flat and edged with ink', () => {
    expect(got).toHaveLength(3);
    expect(got[1]).toMatchObject({
      fill: '#eeeeee',
      stroke: '#000000',
      strokeMm: 0.5,
      opacity: 1,
      glass: false,
    });
  });
  it('has a gloss and clouds only where something is painted beside what is drawn', () => {
    const full = (...paths: PaintPath[]) => drawn(painting(paths), 'two', how).look.full;
    expect(full(own[0]!, own[2]!)).toBe(false);
    expect(full(own[0]!, own[3]!)).toBe(true);
    expect(full(below, own[0]!)).toBe(true);
    expect(full(own[0]!, path('three/bone', 'bone'))).toBe(false);
    expect(bare(painting(own), painting([])).look.full).toBe(false);
  });
  it('leaves out the layers above', () => expect(got).not.toContain(above));
  it('draws a run of resin as wide as it is', () => {
    const run = path('two/green', 'moss', { fill: null, stroke: '#336699', strokeMm: 3 });
    expect(drawn(painting([run]), 'two', how).paths[0]).toMatchObject({ stroke: '#eeeeee', strokeMm: 3 });
  });
  it('draws hollows that are filled too, and leaves older work', () => {
    const inset = (under: boolean) => ({ painting: painting([own[0]!]), xMm: 0, yMm: 0, below: under });
    const { insets } = drawn(painting([], [inset(false), inset(true)]), 'two', how);
    expect(insets.map((i) => i.painting.paths[0]!.fill)).toEqual(['#eeeeee', '#336699']);
    expect(bare(painting(own, [inset(false), inset(true)]), painting([])).insets).toHaveLength(1);
  });
});

it('mixes colours', () => {
  expect(mixed('#000000', '#ffffff', 0.5)).toBe('#808080');
  expect(mixed('#102030', '#ffffff', 0)).toBe('#102030');
  expect(mixed('#102030', '#0a0b0c', 1)).toBe('#0a0b0c');
});
