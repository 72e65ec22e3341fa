import { describe, expect, it } from 'vitest';
import type { CupVolume, Layer, LayerView, Piece, Recipe, PlanView, SittingView } from '../api/client';
import {
  alsoIn,
  bandsOf,
  countsFromRim,
  filled,
  heartsOf,
  inZone,
  placesOf,
  regionAt,
  sittingOf,
  widthOf,
} from './filled';

const recipe = (id: string, more: Partial<Recipe> = {}): Recipe => ({
  id,
  name: id,
  colour: '#30503a',
  doses: [{ colourant: 'mica', percent: 3, by: 'weight', byEye: false }],
  of: null,
  frozen: false,
  ...more,
});
const bands = [
  { id: 'b1', widthMm: 8, fillsRest: false, recipeId: 'moss' },
  { id: 'b2', widthMm: 10, fillsRest: true, recipeId: 'bone' },
];
const heart = { id: 'h', xMm: 9, yMm: 8, widthMm: 7, heightMm: 6, turnDeg: 5, wavinessMm: 4, seed: 3 };
const layouts: Layer['layout'][] = [
  {
    kind: 'rings',
    hearts: [heart],
    bands,
    rimFollow: 0.5,
    heartRecipeId: 'moss',
    widening: 1.1,
    rimWay: 'even',
  },
  {
    kind: 'rings',
    hearts: [],
    bands,
    rimFollow: 0,
    heartRecipeId: null,
    widening: 1,
    rimWay: 'proportional',
  },
  { kind: 'lines', bands, startRecipeId: 'bone', startMm: 1, wavinessMm: 2, seed: 3, widening: 1.2 },
  {
    kind: 'petals',
    bands,
    xMm: 1,
    yMm: 2,
    petals: 8,
    pullMm: 4,
    inward: true,
    toolMm: 2,
    turnDeg: 9,
    widening: 1,
  },
  {
    kind: 'fields',
    fields: 6,
    colours: ['moss', 'bone'],
    seed: 4,
    moved: [{ field: 1, xMm: 4, yMm: 5 }],
    recoloured: [{ field: 2, recipeId: 'moss' }],
  },
  { kind: 'pools', pools: [{ id: 'p', xMm: 1, yMm: 2, recipeId: 'moss' }] },
  {
    kind: 'puddle',
    xMm: 1,
    yMm: 2,
    pours: [{ id: 'p', recipeId: 'moss', ml: 9 }],
    tiltDeg: 3,
    tiltPercent: 4,
    restRecipeId: 'bone',
  },
  {
    kind: 'marble',
    groundRecipeId: 'moss',
    streakRecipeId: 'mix',
    streakPercent: 30,
    blend: 0.3,
    directionDeg: 20,
    seed: 7,
  },
  { kind: 'flood', recipeId: 'moss' },
];
const pieceOf = (layout: Layer['layout'], more: Partial<Layer> = {}): Piece => ({
  name: 'Fen',
  ground: { outline: { shape: 'round', diameterMm: 90 }, edge: 'walled', sideHeightMm: 9, colour: '#ffffff' },
  growth: { gridMm: 2, grainMm: 60 },
  recipes: [
    recipe('moss'),
    recipe('bone'),
    recipe('mix', {
      doses: [],
      of: [
        { recipeId: 'moss', parts: 2 },
        { recipeId: 'bone', parts: 1 },
      ],
    }),
    recipe('other'),
  ],
  layers: [
    {
      id: 'l',
      name: 'Map',
      depthMm: 3,
      layout,
      aside: null,
      zones: null,
      within: null,
      partDepths: null,
      ...more,
    },
    { id: 'm', name: 'Veil', depthMm: 2, layout: { kind: 'flood', recipeId: 'other' } },
  ],
  sittings: ['l', 'm'].map((id) => ({
    id,
    rest: [id],
    resin: { system: 'coating' },
    measure: 'by-volume',
    copiesInTurn: false as const,
    sandFirst: false as const,
    reservePercent: null,
    start: null,
    end: null,
    roomC: 20,
    losses: null,
    tools: null,
    order: null,
  })),
});
const zone = (layout: Layer['layout']) => ({
  id: 'z',
  name: 'Corner',
  outline: { shape: 'round' as const, diameterMm: 30 },
  xMm: 4,
  yMm: 5,
  layout,
  aside: null,
});

describe('a layer with what it is filled from', () => {
  const planOf = (layerId: string, ...cupIds: string[]) =>
    ({ layerId, colours: cupIds.map((cupId) => ({ cupId })) }) as unknown as LayerView;
  const poured = (layerId: string, ...cups: Partial<CupVolume>[]) =>
    ({
      sittingId: layerId,
      layerIds: [layerId],
      cups: { cups: cups.map((c) => ({ regions: [{ layerId, region: 'r' }], draws: [], ...c })) },
    }) as unknown as SittingView;

  it.each(layouts.map((l, i) => [`${l.kind} ${i}`, l] as const))('is shown laid out as %s', (_, l) => {
    const piece = pieceOf(l, { zones: [zone(l)] });
    const layer = filled(piece, piece.layers[0]!);
    expect(layer.layout.kind).toBe(l.kind);
    const inner = inZone(layer, layer.zones![0]!);
    expect([inner.layout, bandsOf(inner), heartsOf(inner)]).toEqual([
      layer.layout,
      bandsOf(layer),
      heartsOf(layer),
    ]);
    expect(inner.zones).toBeNull();
    expect(layer.layout).toBe(l);
  });

  it('has the cups of its plan, or all where there is none yet', () => {
    const piece = pieceOf(layouts[7]!);
    const plan = planOf('l', 'bone', 'moss');
    expect(filled(piece, piece.layers[0]!, plan).cups.map((c) => c.id)).toEqual(['moss', 'bone']);
    expect(filled(piece, piece.layers[0]!).cups.map((c) => c.id)).toEqual(['moss', 'bone', 'mix', 'other']);
  });

  it('says which other layers a colour is in, mixed or not', () => {
    const piece = pieceOf(layouts[7]!);
    const draws = [{ cupId: 'moss' }, { cupId: 'bone' }] as CupVolume['draws'];
    const plans = [
      poured('l', { cupId: 'mix', draws }, { cupId: 'moss', regions: [] }),
      poured('m', { cupId: 'bone' }, { cupId: 'other', regions: [] }),
    ];
    expect(alsoIn(piece, plans, 'm', 'bone')).toEqual(['Map']);
    expect(alsoIn(piece, plans, 'l', 'bone')).toEqual(['Veil']);
    expect(alsoIn(piece, plans, 'l', 'moss')).toEqual([]);
    expect(alsoIn(piece, plans, 'l', 'other')).toEqual([]);
  });

  it('is looked at in the sitting that is asked for, else in the first that is open', () => {
    const piece = pieceOf(layouts[0]!);
    const two = { ...piece, sittings: [{ ...piece.sittings[0]!, id: 'early', rest: [] }, ...piece.sittings] };
    const plan = (done: boolean) =>
      ({
        layers: [{ layerId: 'l', sittingIds: ['early', 'l'] }],
        sittings: [
          { sittingId: 'early', done },
          { sittingId: 'l', done: false },
        ],
      }) as unknown as PlanView;
    const layer = two.layers[0]!;
    expect(sittingOf(two, layer, plan(false), null).id).toBe('early');
    expect(sittingOf(two, layer, plan(true), null).id).toBe('l');
    expect(sittingOf(two, layer, plan(false), 'l').id).toBe('l');
    expect(sittingOf(two, layer, plan(false), 'gone').id).toBe('early');
    expect(sittingOf(two, layer, null, null).id).toBe('l');
    expect(filled(two, layer, undefined, two.sittings[0]).sitting.id).toBe('early');
  });

  it('has bands as wide as its widening makes them, counted from the rim beyond the one that fills the rest', () => {
    const piece = pieceOf(layouts[0]!);
    const layer = filled(piece, piece.layers[0]!);
    expect(widthOf(layer, 1)).toBeCloseTo(11);
    expect([0, 1, 2].map((i) => countsFromRim(layer, i))).toEqual([false, false, true]);
  });

  it('finds the region of a place', () => {
    expect(regionAt('layers[l].regions[moss]')).toEqual({ layer: 'l', zone: null, region: 'moss' });
    expect(regionAt('layers[l].regions[z/moss]')).toEqual({ layer: 'l', zone: 'z', region: 'moss' });
    expect(regionAt('layers[l].regions[kept/shell]')).toEqual({
      layer: 'l',
      zone: null,
      region: 'kept/shell',
    });
    expect(regionAt('layers[l].depthMm')).toBeNull();
  });

  it('says where its fields stand, in a zone too', () => {
    const piece = pieceOf(layouts[0]!);
    const layer = filled(piece, piece.layers[0]!);
    expect(placesOf(layer, null)).toEqual({
      layer: 'layers[l]',
      laidOut: 'layers[l]',
      layout: 'layers[l].layout',
      sitting: 'sittings[l]',
    });
    expect(placesOf(layer, 'z').layout).toBe('layers[l].zones[z].layout');
  });
});
