import type { Layer, LayerView, Piece, PlanView, Recipe, Schemas, Sitting, SittingView } from '../api/client';

/*
 * A layer with what it is filled from, as the page shows it: its cups, its bands and its times beside each other, taken from the piece's
 * recipes, layers and sittings.
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
  /** What is stirred into it, the first first. */
  doses: Recipe['doses'];
  frozen: boolean;
  /** The colour that it really came out as. */
  seen: string | null;
  trials: Schemas['DoseTrial'][];
  /** The colour of which it is a second cup. */
  secondOf?: string | null;
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
  /** Id of the sitting that is looked at: of those that fill something of it. */
  sitting: string;
  name: string;
  depthMm: number;
  within: string | null;
  partDepths: Layer['partDepths'];
  contrast: Layer['contrast'];
  zones: Zone[] | null;
  /** The colours of the layer. */
  cups: Cup[];
  /** All colours of the piece. */
  recipes: Cup[];
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

const cupOf = ({ id, name, colour, doses, of, frozen, seen, trials, secondOf }: Recipe): Cup => ({
  id,
  name,
  colour,
  colourant: doses[0]?.colourant ?? null,
  loadPercent: doses[0]?.percent ?? 0,
  doses,
  frozen: frozen ?? false,
  seen: seen ?? null,
  trials: trials ?? [],
  secondOf: secondOf ?? null,
  of: of?.map(({ recipeId, parts }) => ({ cup: recipeId, parts })) ?? null,
});

const poured = <T extends { recipeId: string }>({ recipeId, ...rest }: T) => ({ ...rest, cup: recipeId });

const plain = (cup: string) => ({
  hearts: [],
  bands: [{ id: 'band-1', widthMm: 10, fillsRest: true, cup }],
  rimFollow: 0,
  heartCup: cup,
  widening: 1,
  rimWay: 'proportional' as const,
});

/** A layout with its bands beside it. */
function laidOut(layout: ApiLayout): LaidOut {
  switch (layout.kind) {
    case 'rings': {
      const { hearts, rimFollow, heartRecipeId, widening, rimWay } = layout;
      const bands = layout.bands.map(poured);
      return {
        layout: null,
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
        bands: bands.map(poured),
        widening: widening ?? 1,
      };
    }
    case 'petals': {
      const { bands, widening, ...own } = layout;
      return {
        ...plain(bands[0]!.recipeId),
        layout: own,
        bands: bands.map(poured),
        widening: widening ?? 1,
      };
    }
    case 'fields': {
      const { recoloured, vein, ...own } = layout;
      return {
        ...plain(own.colours[0]!),
        layout: { ...own, recoloured: recoloured?.map(poured) ?? null, vein: vein ? poured(vein) : null },
      };
    }
    case 'pools':
      return {
        ...plain(layout.pools[0]?.recipeId ?? ''),
        layout: { ...layout, pools: layout.pools.map(poured) },
      };
    case 'puddle': {
      const { pours, restRecipeId, ...own } = layout;
      return {
        ...plain(pours[0]!.recipeId),
        layout: { ...own, pours: pours.map(poured), restCup: restRecipeId ?? null },
      };
    }
    case 'marble': {
      const { groundRecipeId, streakRecipeId, ...own } = layout;
      return {
        ...plain(groundRecipeId),
        layout: { ...own, groundCup: groundRecipeId, streakCup: streakRecipeId },
      };
    }
    case 'flood':
      return { ...plain(layout.recipeId), layout: poured(layout) };
  }
}

/** Names of the other layers that are poured from the same recipe: what is changed of it changes them too. */
export const alsoIn = (piece: Piece, sittings: SittingView[], layerId: string, recipeId: string): string[] =>
  piece.layers
    .filter(({ id }) => id !== layerId && sittings.some((s) => isPoured(s, id, recipeId)))
    .map((l) => l.name);

/** Whether something of a layer is poured from a cup in a sitting, be it mixed into another. */
const isPoured = ({ cups }: SittingView, layerId: string, recipeId: string) =>
  cups.cups.some(
    (c) =>
      c.regions.some((r) => r.layerId === layerId) &&
      (c.cupId === recipeId || c.draws.some((draw) => draw.cupId === recipeId)),
  );

/** The colour that a cup shows in a layer; null for clear resin. */
export const colourIn = (plan: LayerView | undefined, cupId: string | null | undefined): string | null =>
  plan?.colours.find((c) => c.cupId === cupId)?.colour ?? null;

/** A cup of one of the sittings that fill a layer, the one that is looked at first. */
export const cupIn = (plan: PlanView, layer: FilledLayer, cupId: string) =>
  [...plan.sittings]
    .sort((a, b) => Number(b.sittingId === layer.sitting) - Number(a.sittingId === layer.sitting))
    .filter((s) => s.layerIds.includes(layer.id))
    .map((s) => s.cups.cups.find((c) => c.cupId === cupId && c.mixMl.value > 0))
    .find((c) => c !== undefined);

/** The sitting of a layer that is meant: the one that is asked for, else the first that is not done, else the last. */
export function sittingOf(
  piece: Piece,
  layer: Layer,
  plan: PlanView | null | undefined,
  asked: string | null,
): Sitting {
  const filling = plan?.layers.find((l) => l.layerId === layer.id)?.sittingIds ?? [];
  const open = filling.find((id) => plan?.sittings.some((s) => s.sittingId === id && !s.done));
  const id = asked !== null && filling.includes(asked) ? asked : (open ?? filling.at(-1));
  return piece.sittings.find((s) => s.id === id) ?? piece.sittings.find((s) => s.rest.includes(layer.id))!;
}

/**
 * A layer of a piece with what it is filled from in a sitting, or in that of its rest; its cups are those of its plan, or all where
 * there is none yet.
 */
export function filled(
  piece: Piece,
  layer: Layer,
  plan?: LayerView,
  sitting: Sitting = piece.sittings.find((s) => s.rest.includes(layer.id))!,
): FilledLayer {
  const own = plan && new Set(plan.colours.map((c) => c.cupId));
  return {
    ...laidOut(layer.layout),
    id: layer.id,
    sitting: sitting.id,
    name: layer.name,
    depthMm: layer.depthMm,
    within: layer.within ?? null,
    partDepths: layer.partDepths,
    contrast: layer.contrast,
    zones: layer.zones?.map((zone) => ({ ...zone, ...laidOut(zone.layout) })) ?? null,
    // A second cup is one more of a colour: what is laid out names the colour.
    cups: piece.recipes.filter((r) => !r.secondOf && (!own || own.has(r.id))).map(cupOf),
    recipes: piece.recipes.map(cupOf),
    resin: sitting.resin,
    measure: sitting.measure,
    reservePercent: sitting.reservePercent ?? null,
    pourOrder: (sitting.order ?? []).map((o) => o.region),
    plan: { start: sitting.start ?? null, end: sitting.end ?? null, roomC: sitting.roomC ?? null },
    losses: sitting.losses,
    tools: sitting.tools,
  };
}

/** A layer as it is inside one of its zones. */
export const inZone = (layer: FilledLayer, zone: Zone): FilledLayer => ({
  ...layer,
  layout: zone.layout,
  hearts: zone.hearts,
  bands: zone.bands,
  rimFollow: zone.rimFollow,
  heartCup: zone.heartCup,
  widening: zone.widening,
  rimWay: zone.rimWay,
  zones: null,
});

/** Width of a band with the layer's widening in it, mm. */
export const widthOf = (layer: FilledLayer, index: number) =>
  layer.bands[index]!.widthMm * layer.widening ** index;

/** Whether a band is counted back from the rim: its inner edge moves when it widens, not its outer one. */
export const countsFromRim = (layer: FilledLayer, index: number) =>
  index > layer.bands.findIndex((b) => b.fillsRest);
