import type { Layer, Piece, Recipe, Schemas, Sitting } from '../api/client';

/*
 * A layer with what it is filled from, as the page edits it: its cups, its bands and its times beside each other. It is taken from the
 * piece's recipes, layers and sittings, and put back into them.
 */

type ApiLayout = Layer['layout'];
type Api<K extends ApiLayout['kind']> = Extract<ApiLayout, { kind: K }>;
type ApiZone = NonNullable<Layer['zones']>[number];

export type Heart = Schemas['Heart'];

export interface Band {
  id: string;
  widthMm: number;
  fillsRest: boolean;
  cup: string;
}

export interface Cup {
  id: string;
  name: string;
  colour: string;
  colourant: Recipe['doses'][number]['colourant'] | null;
  loadPercent: number;
  of?: { cup: string; parts: number }[] | null;
}

type Poured<T> = Omit<T, 'recipeId'> & { cup: string };

/** How it is laid out where it is not rings; its bands stand beside it. */
export type Layout =
  | (Omit<Api<'lines'>, 'bands' | 'widening' | 'startRecipeId'> & { startCup: string })
  | Omit<Api<'petals'>, 'bands' | 'widening'>
  | (Omit<Api<'fields'>, 'recoloured' | 'vein'> & {
      recoloured?: { field: number; cup: string }[] | null;
      vein?: Poured<NonNullable<Api<'fields'>['vein']>> | null;
    })
  | (Omit<Api<'pools'>, 'pools'> & { pools: Poured<Api<'pools'>['pools'][number]>[] })
  | (Omit<Api<'puddle'>, 'pours' | 'restRecipeId'> & {
      pours: Poured<Api<'puddle'>['pours'][number]>[];
      restCup?: string | null;
    })
  | (Omit<Api<'marble'>, 'groundRecipeId' | 'streakRecipeId'> & { groundCup: string; streakCup: string })
  | Poured<Api<'flood'>>;

/** What a layer, or a zone of it, is laid out as. */
export interface LaidOut {
  layout: Layout | null;
  /** Layouts of other kinds that were worked on and put by. */
  aside: ApiLayout[];
  hearts: Heart[];
  bands: Band[];
  rimFollow: number;
  heartCup: string;
  widening: number;
  rimWay: Api<'rings'>['rimWay'];
}

export interface Zone extends LaidOut {
  id: string;
  name: string;
  outline: ApiZone['outline'];
  xMm: number;
  yMm: number;
}

export interface FilledLayer extends LaidOut {
  id: string;
  /** Id of the sitting that takes it. */
  sitting: string;
  name: string;
  depthMm: number;
  within: string | null;
  partDepths: Layer['partDepths'];
  contrast: Layer['contrast'];
  zones: Zone[] | null;
  cups: Cup[];
  /** All colours of the piece: a new cup takes none of their ids, and a layout that was put by finds its own here. */
  all: Cup[];
  resin: Sitting['resin'];
  measure: Sitting['measure'];
  reservePercent: number | null;
  pourOrder: string[];
  plan: { start: string | null; end: string | null; roomC: number | null };
  losses?: Sitting['losses'];
  tools?: Sitting['tools'];
}

/** Where fields of a layer stand in the piece, in the spelling that ranges, numbers and errors share. */
export interface Places {
  layer: string;
  /** The layer, or the zone of it that is worked in. */
  laidOut: string;
  layout: string;
  sitting: string;
}

export function placesOf(layer: FilledLayer, zone: string | null): Places {
  const own = `layers[${layer.id}]`;
  const laidOut = zone === null ? own : `${own}.zones[${zone}]`;
  return { layer: own, laidOut, layout: `${laidOut}.layout`, sitting: `sittings[${layer.sitting}]` };
}

/** The layer, the zone and the region of a place such as `layers[l].regions[z/moss]`; null for another place. */
export function regionAt(place: string): { layer: string; zone: string | null; region: string } | null {
  const [, layer, id] = /^layers\[(.+?)\]\.regions\[(.+)\]$/.exec(place) ?? [];
  if (layer === undefined || id === undefined) return null;
  const [zone, ...own] = id.split('/');
  return own.length === 0 || zone === 'kept'
    ? { layer, zone: null, region: id }
    : { layer, zone: zone!, region: own.join('/') };
}

export const cupOf = ({ id, name, colour, doses, of }: Recipe): Cup => ({
  id,
  name,
  colour,
  colourant: doses[0]?.colourant ?? null,
  loadPercent: doses[0]?.percent ?? 0,
  of: of?.map(({ recipeId, parts }) => ({ cup: recipeId, parts })) ?? null,
});

const recipeOf = ({ id, name, colour, colourant, loadPercent, of }: Cup): Recipe => ({
  id,
  name,
  colour,
  doses: colourant === null ? [] : [{ colourant, percent: loadPercent }],
  of: of?.map(({ cup, parts }) => ({ recipeId: cup, parts })) ?? null,
});

const poured = <T extends { recipeId: string }>({ recipeId, ...rest }: T) => ({ ...rest, cup: recipeId });
const recipes = <T extends { cup: string }>({ cup, ...rest }: T) => ({ ...rest, recipeId: cup });

const plain = (cup: string) => ({
  hearts: [],
  bands: [{ id: 'band-1', widthMm: 10, fillsRest: true, cup }],
  rimFollow: 0,
  heartCup: cup,
  widening: 1,
  rimWay: 'proportional' as const,
});

/** A layout with its bands beside it. */
export function laidOut(layout: ApiLayout, aside: ApiLayout[] | null | undefined): LaidOut {
  const put = aside ?? [];
  switch (layout.kind) {
    case 'rings': {
      const { hearts, rimFollow, heartRecipeId, widening, rimWay } = layout;
      const bands = layout.bands.map(poured);
      return {
        layout: null,
        aside: put,
        hearts,
        bands,
        rimFollow,
        heartCup: heartRecipeId ?? bands[0]!.cup,
        widening: widening ?? 1,
        rimWay,
      };
    }
    case 'lines': {
      const { bands, widening, startRecipeId, ...own } = layout;
      return {
        ...plain(startRecipeId),
        layout: { ...own, startCup: startRecipeId },
        aside: put,
        bands: bands.map(poured),
        widening: widening ?? 1,
      };
    }
    case 'petals': {
      const { bands, widening, ...own } = layout;
      return {
        ...plain(bands[0]!.recipeId),
        layout: own,
        aside: put,
        bands: bands.map(poured),
        widening: widening ?? 1,
      };
    }
    case 'fields': {
      const { recoloured, vein, ...own } = layout;
      return {
        ...plain(own.colours[0]!),
        layout: { ...own, recoloured: recoloured?.map(poured) ?? null, vein: vein ? poured(vein) : null },
        aside: put,
      };
    }
    case 'pools':
      return {
        ...plain(layout.pools[0]?.recipeId ?? ''),
        layout: { ...layout, pools: layout.pools.map(poured) },
        aside: put,
      };
    case 'puddle': {
      const { pours, restRecipeId, ...own } = layout;
      return {
        ...plain(pours[0]!.recipeId),
        layout: { ...own, pours: pours.map(poured), restCup: restRecipeId ?? null },
        aside: put,
      };
    }
    case 'marble': {
      const { groundRecipeId, streakRecipeId, ...own } = layout;
      return {
        ...plain(groundRecipeId),
        layout: { ...own, groundCup: groundRecipeId, streakCup: streakRecipeId },
        aside: put,
      };
    }
    case 'flood':
      return { ...plain(layout.recipeId), layout: poured(layout), aside: put };
  }
}

/** The layout that something is laid out as, its bands in it. */
export function layoutOf({
  layout,
  bands,
  hearts,
  heartCup,
  rimFollow,
  widening,
  rimWay,
}: LaidOut): ApiLayout {
  const own = bands.map(recipes);
  switch (layout?.kind) {
    case undefined:
      return {
        kind: 'rings',
        hearts,
        bands: own,
        rimFollow,
        heartRecipeId: hearts.length > 0 ? heartCup : null,
        widening,
        rimWay,
      };
    case 'lines': {
      const { startCup, ...rest } = layout;
      return { ...rest, startRecipeId: startCup, bands: own, widening };
    }
    case 'petals':
      return { ...layout, bands: own, widening };
    case 'fields': {
      const { recoloured, vein, ...rest } = layout;
      return { ...rest, recoloured: recoloured?.map(recipes) ?? null, vein: vein ? recipes(vein) : null };
    }
    case 'pools':
      return { ...layout, pools: layout.pools.map(recipes) };
    case 'puddle': {
      const { pours, restCup, ...rest } = layout;
      return { ...rest, pours: pours.map(recipes), restRecipeId: restCup ?? null };
    }
    case 'marble': {
      const { groundCup, streakCup, ...rest } = layout;
      return { ...rest, groundRecipeId: groundCup, streakRecipeId: streakCup };
    }
    case 'flood':
      return recipes(layout);
  }
}

/** The recipes that a layout names. */
function named(layout: ApiLayout): (string | null | undefined)[] {
  switch (layout.kind) {
    case 'rings':
      return [...layout.bands.map((b) => b.recipeId), layout.heartRecipeId];
    case 'lines':
      return [...layout.bands.map((b) => b.recipeId), layout.startRecipeId];
    case 'petals':
      return layout.bands.map((b) => b.recipeId);
    case 'fields':
      return [...layout.colours, ...(layout.recoloured ?? []).map((r) => r.recipeId), layout.vein?.recipeId];
    case 'pools':
      return layout.pools.map((p) => p.recipeId);
    case 'puddle':
      return [...layout.pours.map((p) => p.recipeId), layout.restRecipeId];
    case 'marble':
      return [layout.groundRecipeId, layout.streakRecipeId];
    case 'flood':
      return [layout.recipeId];
  }
}

/** These recipes, and those that the mixed ones among them are filled from. */
function withShares(ids: (string | null | undefined)[], all: Recipe[]): Set<string> {
  const found = new Set(ids.filter((id) => id != null));
  for (const { id, of } of all) if (found.has(id)) of?.forEach((s) => found.add(s.recipeId));
  return found;
}

const inUse = (l: Layer) => [l.layout, ...(l.zones ?? []).map((z) => z.layout)].flatMap(named);
const putBy = (l: Layer) =>
  [...(l.aside ?? []), ...(l.zones ?? []).flatMap((z) => z.aside ?? [])].flatMap(named);

/** The recipes of a layer's cups: those it is poured from, and those that nobody names yet. */
function cupsOf(piece: Piece, layer: Layer): Cup[] {
  const own = withShares(inUse(layer), piece.recipes);
  const elsewhere = withShares(
    piece.layers.flatMap((l) => [...inUse(l), ...putBy(l)]),
    piece.recipes,
  );
  const clear = piece.recipes.filter((r) => r.doses.length === 0 && !r.of);
  // A spot that is kept visible is poured from clear resin, though no layout says so.
  if (
    clear[0] &&
    layer.within == null &&
    piece.kept?.some((k) => k.keep === 'visible') &&
    !clear.some((r) => own.has(r.id))
  )
    own.add(clear[0].id);
  return piece.recipes.filter((r) => own.has(r.id) || !elsewhere.has(r.id)).map(cupOf);
}

/** Names of the other layers that are poured from the same recipe: what is changed of it changes them too. */
export const alsoIn = (piece: Piece, layerId: string, recipeId: string): string[] =>
  piece.layers
    .filter((l) => l.id !== layerId && withShares(inUse(l), piece.recipes).has(recipeId))
    .map((l) => l.name);

/** A layer of a piece with what it is filled from. */
export function filled(piece: Piece, layer: Layer): FilledLayer {
  const sitting = piece.sittings.find((s) => s.rest.includes(layer.id))!;
  return {
    ...laidOut(layer.layout, layer.aside),
    id: layer.id,
    sitting: sitting.id,
    name: layer.name,
    depthMm: layer.depthMm,
    within: layer.within ?? null,
    partDepths: layer.partDepths,
    contrast: layer.contrast,
    zones: layer.zones?.map(({ layout, aside, ...zone }) => ({ ...zone, ...laidOut(layout, aside) })) ?? null,
    cups: cupsOf(piece, layer),
    all: piece.recipes.map(cupOf),
    resin: sitting.resin,
    measure: sitting.measure,
    reservePercent: sitting.reservePercent ?? null,
    pourOrder: (sitting.order ?? []).filter((o) => o.layerId === layer.id).map((o) => o.region),
    plan: { start: sitting.start ?? null, end: sitting.end ?? null, roomC: sitting.roomC ?? null },
    losses: sitting.losses,
    tools: sitting.tools,
  };
}

const asLayer = (to: FilledLayer): Layer => ({
  id: to.id,
  name: to.name,
  depthMm: to.depthMm,
  layout: layoutOf(to),
  aside: to.aside.length > 0 ? to.aside : null,
  zones:
    to.zones?.map((z) => ({
      id: z.id,
      name: z.name,
      outline: z.outline,
      xMm: z.xMm,
      yMm: z.yMm,
      layout: layoutOf(z),
      aside: z.aside.length > 0 ? z.aside : null,
    })) ?? null,
  within: to.within,
  partDepths: to.partDepths,
  contrast: to.contrast,
});

const asSitting = (to: FilledLayer, before?: Sitting): Sitting => {
  const others = (before?.order ?? []).filter((o) => o.layerId !== to.id);
  const order = [...to.pourOrder.map((region) => ({ layerId: to.id, region })), ...others];
  return {
    ...before,
    id: before?.id ?? to.sitting,
    rest: before?.rest ?? [to.id],
    resin: to.resin,
    measure: to.measure,
    reservePercent: to.reservePercent,
    ...to.plan,
    losses: to.losses ?? null,
    tools: to.tools ?? null,
    order: order.length > 0 ? order : null,
  };
};

/** The recipes with what a layer's cups are now; those that it has let go of and nobody names go. */
function withCups(piece: Piece, before: Cup[], to: Cup[], layers: Layer[]): Recipe[] {
  const now = new Map(to.map((c) => [c.id, recipeOf(c)]));
  const known = new Set(piece.recipes.map((r) => r.id));
  const all = [
    ...piece.recipes.map((r) => now.get(r.id) ?? r),
    ...[...now.values()].filter((r) => !known.has(r.id)),
  ];
  const gone = new Set(before.map((c) => c.id).filter((id) => !now.has(id)));
  if (gone.size === 0) return all;
  const used = withShares(
    layers.flatMap((l) => [...inUse(l), ...putBy(l)]),
    all,
  );
  return all.filter((r) => !gone.has(r.id) || used.has(r.id));
}

/** The piece with one of its layers changed. */
export function changeLayer(piece: Piece, id: string, change: (layer: FilledLayer) => FilledLayer): Piece {
  const layer = piece.layers.find((l) => l.id === id);
  if (!layer) return piece;
  const before = filled(piece, layer);
  const to = change(before);
  if (to === before) return piece;
  const layers = piece.layers.map((l) => (l === layer ? { ...l, ...asLayer(to) } : l));
  return {
    ...piece,
    layers,
    sittings: piece.sittings.map((s) => (s.rest.includes(id) ? asSitting(to, s) : s)),
    recipes: withCups(piece, before.cups, to.cups, layers),
  };
}

const clearOf = (recipes: Recipe[]) => recipes.find((r) => r.doses.length === 0 && !r.of);

/** A recipe of clear resin, and the recipes with it. */
export function withClearRecipe(recipes: Recipe[]): [Recipe[], Cup] {
  const own = clearOf(recipes);
  if (own) return [recipes, cupOf(own)];
  const ids = recipes.map((r) => r.id);
  const id = ['clear', ...ids.map((_, i) => `clear-${i + 1}`)].find((free) => !ids.includes(free))!;
  const clear: Recipe = { id, name: 'clear', colour: '#eef0ea', doses: [], of: null };
  return [[...recipes, clear], cupOf(clear)];
}

/** The piece with another layer on top, in a sitting of its own. */
export const addLayer = (piece: Piece, layer: FilledLayer): Piece => {
  const layers = [...piece.layers, asLayer(layer)];
  return {
    ...piece,
    layers,
    sittings: [...piece.sittings, asSitting(layer)],
    recipes: withCups(piece, [], layer.cups, layers),
  };
};

/** The piece without some of its layers, and without what was poured only in them. */
export function withoutLayers(piece: Piece, gone: (layer: Layer) => boolean): Piece {
  const ids = new Set(piece.layers.filter(gone).map((l) => l.id));
  if (ids.size === 0) return piece;
  const names = (layers: Layer[]) =>
    withShares(
      layers.flatMap((l) => [...inUse(l), ...putBy(l)]),
      piece.recipes,
    );
  const layers = piece.layers.filter((l) => !ids.has(l.id));
  const [before, now] = [names(piece.layers), names(layers)];
  return {
    ...piece,
    layers,
    sittings: piece.sittings.filter((s) => !s.rest.every((id) => ids.has(id))),
    recipes: piece.recipes.filter((r) => now.has(r.id) || !before.has(r.id)),
  };
}
