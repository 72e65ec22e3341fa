import type { Layer, LayerView, Piece, PlanView, Recipe, Schemas, Sitting, SittingView } from '../api/client';

/*
 * The document as the page looks at it: a layer with the sitting that is worked in and the colours that are at hand, under the
 * names that the document has for them.
 */

export type Layout = Layer['layout'];
export type Zone = NonNullable<Layer['zones']>[number];
export type Line = Schemas['Line'];
export type Heart = Schemas['Heart'];
export type Band = Schemas['Band'];

/** A layer with the sitting that is looked at, of those that fill something of it. */
export interface FilledLayer extends Layer {
  sitting: Sitting;
  /** The colours of the layer. */
  cups: Recipe[];
  /** All colours of the piece. */
  recipes: Recipe[];
  /** Its lines, those of its zones and of layouts put by too. */
  allLines: Line[];
  /** The lines that are there as it is laid out now, its zones aside. */
  lines: Line[];
}

/** What is laid out by something: a layer, or a zone of it. */
type LaidOut = Pick<Layer, 'layout'>;

type Banded = Extract<Layout, { bands: unknown }>;

export const isBanded = (layout: Layout): layout is Banded => 'bands' in layout;

/** Its bands, from the middle to the rim; none where it is laid out in no bands. */
export const bandsOf = ({ layout }: LaidOut): Band[] => (isBanded(layout) ? layout.bands : []);

export const heartsOf = ({ layout }: LaidOut): Heart[] => (layout.kind === 'rings' ? layout.hearts : []);

/** Each band's width beside that of the one before it. */
export const wideningOf = ({ layout }: LaidOut): number => (isBanded(layout) ? (layout.widening ?? 1) : 1);

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
  return { layer: own, laidOut, layout: `${laidOut}.layout`, sitting: `sittings[${layer.sitting.id}]` };
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
    .sort((a, b) => Number(b.sittingId === layer.sitting.id) - Number(a.sittingId === layer.sitting.id))
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
    ...layer,
    sitting,
    // A second cup is one more of a colour: what is laid out names the colour.
    cups: piece.recipes.filter((r) => !r.secondOf && (!own || own.has(r.id))),
    recipes: piece.recipes,
    allLines: (piece.lines ?? []).filter((l) => l.layerId === layer.id),
    lines: linesIn(piece, layer.id, null, layer.layout.kind),
  };
}

/** The lines of a piece that were drawn in a layout of a layer, or of a zone of it. */
function linesIn(piece: Pick<Piece, 'lines'>, layer: string, zone: string | null, kind: Layout['kind']) {
  return (piece.lines ?? []).filter(
    (l) => l.layerId === layer && (l.in?.zone ?? null) === zone && l.in?.kind === kind,
  );
}

/** A wall that was drawn by hand, with the spots it runs through. */
export interface Wall extends Line {
  course: Extract<Line['course'], { kind: 'drawn' }>;
}

/** The walls of what is laid out that were drawn by hand. */
export const wallsOf = ({ lines }: Pick<FilledLayer, 'lines'>): Wall[] =>
  lines.filter((l): l is Wall => l.material.kind === 'barrier' && l.course.kind === 'drawn');

/** A layer as it is inside one of its zones. */
export const inZone = (layer: FilledLayer, zone: Zone): FilledLayer => ({
  ...layer,
  layout: zone.layout,
  zones: null,
  lines: linesIn({ lines: layer.allLines }, layer.id, zone.id, zone.layout.kind),
});

/** Width of a band with the layer's widening in it, mm. */
export const widthOf = (layer: LaidOut, index: number) =>
  bandsOf(layer)[index]!.widthMm * wideningOf(layer) ** index;

/** Whether a band is counted back from the rim: its inner edge moves when it widens, not its outer one. */
export const countsFromRim = (layer: LaidOut, index: number) =>
  index > bandsOf(layer).findIndex((b) => b.fillsRest);

/** Whether other cups are filled from a cup: it is mixed in one go. */
export const isDrawnFrom = (piece: Pick<Piece, 'recipes'>, recipeId: string) =>
  piece.recipes.some((r) => r.of?.some((s) => s.recipeId === recipeId));
