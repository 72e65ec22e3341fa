import { describe, expect, it } from 'vitest';
import type { Layer, Piece, Recipe } from '../api/client';
import {
  addLayer,
  alsoIn,
  changeLayer,
  filled,
  placesOf,
  regionAt,
  withClearRecipe,
  withoutLayers,
} from './filled';

const recipe = (id: string, more: Partial<Recipe> = {}): Recipe => ({
  id,
  name: id,
  colour: '#30503a',
  doses: [{ colourant: 'mica', percent: 3 }],
  of: null,
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
    vein: { recipeId: 'bone', widthMm: 2, thicknessMm: 1 },
  },
  { kind: 'pools', strokes: [], beadMm: 3, pools: [{ id: 'p', xMm: 1, yMm: 2, recipeId: 'moss' }] },
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
    measure: 'by-volume' as const,
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
  it.each(layouts.map((l, i) => [`${l.kind} ${i}`, l] as const))(
    'taken and put back as %s is the same',
    (_, l) => {
      const piece = pieceOf(l, { zones: [zone(l)], aside: [layouts.find((x) => x.kind !== l.kind)!] });
      expect(changeLayer(piece, 'l', (x) => ({ ...x }))).toEqual(piece);
      expect(changeLayer(piece, 'l', (x) => x)).toBe(piece);
    },
  );

  it('has the colours it is poured and mixed from, and those that nobody names', () => {
    const piece = pieceOf(layouts[7]!);
    expect(filled(piece, piece.layers[0]!).cups.map((c) => c.id)).toEqual(['moss', 'bone', 'mix']);
    const flood = pieceOf(layouts[8]!);
    expect(filled(flood, flood.layers[0]!).cups.map((c) => c.id)).toEqual(['moss', 'bone', 'mix']);
    expect(filled(flood, flood.layers[1]!).cups.map((c) => c.id)).toEqual(['bone', 'mix', 'other']);
  });

  it('changes a colour for all layers, and takes out only what nobody names any more', () => {
    const piece = pieceOf(layouts[2]!);
    const dyed = changeLayer(piece, 'l', (l) => ({
      ...l,
      cups: l.cups.filter((c) => c.id === 'moss').map((c) => ({ ...c, colourant: 'dye', loadPercent: 5 })),
    }));
    expect(dyed.recipes.map((r) => r.id)).toEqual(['moss', 'bone', 'other']);
    expect(dyed.recipes[0]!.doses).toEqual([{ colourant: 'dye', percent: 5 }]);
  });

  it('says which other layers a colour is in, mixed or not', () => {
    const piece = pieceOf(layouts[7]!);
    const two = changeLayer(piece, 'm', (l) => ({ ...l, layout: { kind: 'flood', cup: 'bone' } }));
    expect(alsoIn(two, 'm', 'bone')).toEqual(['Map']);
    expect(alsoIn(two, 'l', 'bone')).toEqual(['Veil']);
    expect(alsoIn(two, 'l', 'moss')).toEqual([]);
  });

  it('keeps its times and its order of pours in its sitting', () => {
    const piece = changeLayer(pieceOf(layouts[0]!), 'l', (l) => ({
      ...l,
      pourOrder: ['b2', 'heart'],
      plan: { ...l.plan, roomC: 18 },
    }));
    expect(piece.sittings[0]).toMatchObject({
      roomC: 18,
      order: [
        { layerId: 'l', region: 'b2' },
        { layerId: 'l', region: 'heart' },
      ],
    });
    expect(piece.sittings[1]!.roomC).toBe(20);
  });

  it('comes on top with a sitting and a colour of its own, and goes with both', () => {
    const piece = pieceOf(layouts[0]!);
    const [recipes, clear] = withClearRecipe(piece.recipes);
    expect(recipes.at(-1)).toMatchObject({ id: 'clear', doses: [] });
    expect(withClearRecipe(recipes)[0]).toBe(recipes);
    const below = filled(piece, piece.layers[0]!);
    const flood = { kind: 'flood', cup: clear.id } as const;
    const three = addLayer(piece, { ...below, id: 'n', sitting: 'n', layout: flood, cups: [clear] });
    expect(three.sittings.map((s) => s.rest)).toEqual([['l'], ['m'], ['n']]);
    expect(three.recipes.map((r) => r.id)).toContain('clear');
    expect(withoutLayers(three, (l) => l.id === 'n')).toEqual(piece);
    expect(withoutLayers(piece, () => false)).toBe(piece);
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
