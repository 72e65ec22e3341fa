import { describe, expect, it } from 'vitest';
import type { LayerView, Painting, RunView, SittingView } from '../api/client';
import { isOpen, paintingAt, pouredIn } from './stagePainting';

const step = (regionId: string, ml: number, pass = 0, layerId = 'l1') => ({
  layerId,
  regionId,
  pass,
  pourMl: { value: ml },
});
const sitting = {
  sittingId: 's1',
  poured: false,
  openRegions: [],
  pours: [step('moss', 20), step('bone', 4), step('moss', 20, 1), step('moss', 9, 0, 'l2')],
} as unknown as SittingView;
const line = (regionId: string, plannedMl: number, pouredMl: number | null, pass = 0) => ({
  layerId: 'l1',
  regionId,
  pass,
  plannedMl,
  pouredMl,
  colourName: '',
});
const run = (...pours: ReturnType<typeof line>[]) => ({ pours }) as unknown as RunView;

describe('what was poured in a region', () => {
  it('is what is planned and not noted before there is a log, all passes together', () => {
    const told = pouredIn('l1', sitting);
    expect([...told.keys()]).toEqual(['moss', 'bone']);
    expect(told.get('moss')).toEqual({ plannedMl: 40, pouredMl: null, told: 'unknown' });
  });
  it('is as planned within a twentieth, from either side', () => {
    const told = (poured: number) =>
      pouredIn('l1', sitting, run(line('moss', 100, poured))).get('moss')!.told;
    expect([94.9, 95, 105, 105.1].map(told)).toEqual(['less', 'as-planned', 'as-planned', 'more']);
  });
  it('sums its passes, and is not known where one of them is not', () => {
    const both = pouredIn('l1', sitting, run(line('moss', 20, 19), line('moss', 20, 25, 1)));
    expect(both.get('moss')).toEqual({ plannedMl: 40, pouredMl: 44, told: 'more' });
    for (const lines of [
      [line('moss', 20, null), line('moss', 20, 25, 1)],
      [line('moss', 20, 25), line('moss', 20, null, 1)],
    ])
      expect(pouredIn('l1', sitting, run(...lines)).get('moss')!.told).toBe('unknown');
  });
});

describe('the painting of a station', () => {
  const path = (region: string) => ({
    role: 'body',
    path: 'M0 0L1 0L1 1Z',
    fill: '#336699',
    stroke: null,
    strokeMm: 0,
    opacity: 1,
    region,
    material: `l1/${region}`,
    glass: false,
  });
  const painting = {
    widthMm: 10,
    heightMm: 10,
    outline: 'M0 0L10 0L10 10L0 10Z',
    ground: '#ffffff',
    paths: [path('moss'), path('bone')],
    insets: [],
    look: { full: true, wet: false, filtersFrom: null, tiltDeg: 0 },
  } as unknown as Painting;
  const layer = (poured: boolean, ...open: string[]) =>
    ({
      layerId: 'l1',
      poured,
      openRegions: open,
      regions: [
        { id: 'moss', cupId: 'c1' },
        { id: 'bone', cupId: 'c2' },
      ],
      colours: [{ cupId: 'c1', colour: '#336699' }],
    }) as unknown as LayerView;
  const fills = (of: Painting) => of.paths.map((p) => p.fill);

  it('has at Pour what is poured in colour, and what is to come drawn, the next one stronger', () => {
    const begun = {
      ...sitting,
      poured: true,
      openRegions: [{ layerId: 'l1', region: 'bone' }],
      pours: sitting.pours.map((s) => ({ ...s, done: s.regionId !== 'bone' })),
    } as SittingView;
    expect(isOpen(layer(true, 'bone'), 'moss')).toBe(false);
    const got = paintingAt('pour', painting, { layer: layer(true, 'bone'), sitting: begun, drafted: null });
    expect(fills(got)[0]).toBe('#336699');
    expect(got.paths[1]!.strokeMm).toBeGreaterThan(1);
    const planned = paintingAt('pour', painting, { layer: layer(false), sitting, drafted: null });
    expect(fills(planned)[0]).not.toBe('#336699');
    expect(planned.paths[0]!.strokeMm).toBeGreaterThan(planned.paths[1]!.strokeMm);
  });
  it('has at Story a tone for how each pour went', () => {
    const got = paintingAt('story', painting, {
      layer: layer(true),
      sitting,
      run: run(line('moss', 20, 30), line('bone', 4, null)),
      drafted: null,
    });
    expect(fills(got)).toEqual(['#7fa083', '#e7e1d0']);
  });
  it('has at Ground no resin, in the form that is dragged, and is itself anywhere else', () => {
    const drafted = { widthMm: 20, heightMm: 10, outline: 'M0 0L20 0L20 10L0 10Z' };
    const got = paintingAt('ground', painting, { layer: layer(false), sitting, drafted });
    expect(got).toMatchObject(drafted);
    expect(got.paths.every((p) => p.region === null)).toBe(true);
    expect(paintingAt('map', painting, { layer: layer(false), sitting, drafted: null })).toBe(painting);
  });
});
