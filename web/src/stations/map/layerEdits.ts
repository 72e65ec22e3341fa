import type { Band, Cup, FilledLayer, Heart } from '../../piece/filled';
import type { LayerView, Recipe } from '../../api/client';
import { withClearRecipe } from '../../piece/filled';
import { cupsInUse } from './layoutEdits';

/** Colours a new band is offered, in turn: our own names. */
export const colours: Omit<Cup, 'id'>[] = [
  { name: 'moss', colour: '#30503a', colourant: 'mica', loadPercent: 3 },
  { name: 'bone', colour: '#f0e8d5', colourant: 'paste', loadPercent: 4 },
  { name: 'umber', colour: '#57371f', colourant: 'paste', loadPercent: 3 },
  { name: 'lichen', colour: '#93a681', colourant: 'mica', loadPercent: 3 },
  { name: 'gilt', colour: '#c99b3a', colourant: 'metallic-paste', loadPercent: 5 },
  { name: 'smoke', colour: '#85888a', colourant: 'mica', loadPercent: 2.5 },
  { name: 'heather', colour: '#7d6a8f', colourant: 'mica', loadPercent: 3 },
  { name: 'rust', colour: '#9a4f26', colourant: 'paste', loadPercent: 3 },
  { name: 'mere', colour: '#3f6c74', colourant: 'mica', loadPercent: 3 },
];

export function freeId(prefix: string, taken: string[]): string {
  for (let n = 1; ; n++) if (!taken.includes(`${prefix}-${n}`)) return `${prefix}-${n}`;
}

export function newCup(layer: FilledLayer, model?: Omit<Cup, 'id'>): Cup {
  const names = layer.cups.map((c) => c.name);
  const next = model ??
    colours.find((p) => !names.includes(p.name)) ?? { ...colours[0]!, name: `colour ${names.length + 1}` };
  return {
    id: freeId(
      'cup',
      [...layer.cups, ...layer.all].map((c) => c.id),
    ),
    ...next,
  };
}

/** A heart, with amber in its bed: the first off the middle, each further one where there is room beside the others. */
export function withHeart(layer: FilledLayer, box: LayerView['box']): FilledLayer {
  const { xMm: left, yMm: top, widthMm: width, heightMm: height } = box;
  const places = [
    [0.42, 0.46],
    [0.76, 0.3],
    [0.72, 0.76],
    [0.2, 0.2],
    [0.18, 0.8],
    [0.5, 0.1],
  ] as const;
  const far = ([x, y]: readonly [number, number]) =>
    Math.min(...layer.hearts.map((h) => Math.hypot(h.xMm - left - x * width, h.yMm - top - y * height)));
  const [x, y] =
    layer.hearts.length === 0 ? places[0] : places.reduce((best, p) => (far(p) > far(best) ? p : best));
  const share = layer.hearts.length === 0 ? 1 : 0.6;
  const round = (v: number) => Math.round(v);
  const heart: Heart = {
    id: freeId(
      'heart',
      layer.hearts.map((h) => h.id),
    ),
    xMm: round(left + width * x),
    yMm: round(top + height * y),
    widthMm: round(Math.max(8, Math.min(width, height) * 0.26 * share)),
    heightMm: round(Math.max(8, Math.min(width, height) * 0.18 * share)),
    turnDeg: -15,
    wavinessMm: 14,
    seed: 7 + 11 * layer.hearts.length,
  };
  if (layer.hearts.length > 0) return { ...layer, hearts: [...layer.hearts, heart] };
  const known = layer.cups.find((c) => c.name === 'amber');
  const amber =
    known ?? newCup(layer, { name: 'amber', colour: '#d07d1c', colourant: 'dye', loadPercent: 4 });
  const cups = known ? layer.cups : [...layer.cups, amber];
  return { ...layer, hearts: [heart], cups, heartCup: amber.id };
}

export const withoutHeart = (layer: FilledLayer, id: string): FilledLayer => ({
  ...layer,
  hearts: layer.hearts.filter((h) => h.id !== id),
});

/** A band just inside the one that fills the rest, in a colour of its own. */
export const withBand = (layer: FilledLayer): FilledLayer => beside(layer, 0);

/** A line just outside the one that fills the rest: the innermost one. */
export const withLine = (layer: FilledLayer): FilledLayer => beside(layer, 1);

function beside(layer: FilledLayer, after: 0 | 1): FilledLayer {
  const cup = newCup(layer);
  const band: Band = {
    id: freeBandId(layer),
    widthMm: after ? (layer.bands.at(-1)?.widthMm ?? 12) : 12,
    fillsRest: false,
    cup: cup.id,
  };
  const fill = layer.bands.findIndex((b) => b.fillsRest);
  return { ...layer, cups: [...layer.cups, cup], bands: layer.bands.toSpliced(fill + after, 0, band) };
}

export function withoutBand(layer: FilledLayer, id: string): FilledLayer {
  return withoutIdleCups({
    ...layer,
    bands: layer.bands.filter((b) => b.id !== id),
    pourOrder: layer.pourOrder.filter((r) => r !== id),
  });
}

export const changeBand = (layer: FilledLayer, id: string, change: Partial<Band>): FilledLayer =>
  withoutIdleCups({ ...layer, bands: layer.bands.map((b) => (b.id === id ? { ...b, ...change } : b)) });

export const changeHeart = (layer: FilledLayer, id: string, change: Partial<Heart>): FilledLayer => ({
  ...layer,
  hearts: layer.hearts.map((h) => (h.id === id ? { ...h, ...change } : h)),
});

export const changeCup = (layer: FilledLayer, id: string, change: Partial<Cup>): FilledLayer => ({
  ...layer,
  cups: layer.cups.map((c) => (c.id === id ? { ...c, ...change } : c)),
});

/** Two bands of half the width in place of one; the outer gets a colour of its own. */
export function splitBand(layer: FilledLayer, id: string): FilledLayer {
  const at = layer.bands.findIndex((b) => b.id === id);
  const band = layer.bands[at];
  if (!band) return layer;
  const cup = newCup(layer);
  const half = Math.max(0.5, Math.round(band.widthMm * 5) / 10);
  const outer: Band = { ...band, id: freeBandId(layer), cup: cup.id, widthMm: half, fillsRest: false };
  const inner: Band = band.fillsRest ? band : { ...band, widthMm: half };
  const pair = band.fillsRest ? [{ ...outer, widthMm: 12 }, inner] : [inner, outer];
  return { ...layer, cups: [...layer.cups, cup], bands: layer.bands.toSpliced(at, 1, ...pair) };
}

/** The same band once more, two places further out: a repeat of its colour with the next band between. */
export function doubleBand(layer: FilledLayer, id: string): FilledLayer {
  const at = layer.bands.findIndex((b) => b.id === id);
  const band = layer.bands[at];
  if (!band) return layer;
  const copy: Band = {
    ...band,
    id: freeBandId(layer),
    fillsRest: false,
    widthMm: band.fillsRest ? 12 : band.widthMm,
  };
  return { ...layer, bands: layer.bands.toSpliced(Math.min(at + 2, layer.bands.length), 0, copy) };
}

const freeBandId = (layer: FilledLayer) =>
  freeId(
    'band',
    layer.bands.map((b) => b.id),
  );

/** Width of a band with the layer's widening in it, mm. */
export const widthOf = (layer: FilledLayer, index: number) =>
  layer.bands[index]!.widthMm * layer.widening ** index;

/** Whether a band is counted back from the rim: its inner edge moves when it widens, not its outer one. */
export const countsFromRim = (layer: FilledLayer, index: number) =>
  index > layer.bands.findIndex((b) => b.fillsRest);

/** Makes a band wider by so many millimetres on the map, in steps of a tenth. */
export function widenBand(layer: FilledLayer, id: string, byMm: number): FilledLayer {
  const at = layer.bands.findIndex((b) => b.id === id);
  const band = layer.bands[at];
  if (!band || band.fillsRest) return layer;
  const own = (widthOf(layer, at) + byMm) / layer.widening ** at;
  return changeBand(layer, id, { widthMm: Math.min(1000, Math.max(0.5, Math.round(own * 10) / 10)) });
}

/** Gives a band a new cup of its own. */
export function withOwnCup(layer: FilledLayer, bandId: string): FilledLayer {
  const cup = newCup(layer);
  return changeBand({ ...layer, cups: [...layer.cups, cup] }, bandId, { cup: cup.id });
}

/** A cup that no region is poured from any more goes back to the sink. */
function withoutIdleCups(layer: FilledLayer): FilledLayer {
  const used = cupsInUse(layer);
  return { ...layer, cups: layer.cups.filter((c) => used.has(c.id)) };
}

/** Moves a band one place towards the heart (−1) or the rim (+1). */
export function moveBand(layer: FilledLayer, id: string, by: -1 | 1): FilledLayer {
  const from = layer.bands.findIndex((b) => b.id === id);
  const to = from + by;
  if (to < 0 || to >= layer.bands.length) return layer;
  const band = layer.bands[from]!;
  return { ...layer, bands: layer.bands.toSpliced(from, 1).toSpliced(to, 0, band) };
}

/** A new layer over another: the same hearts, clear all over. */
export function layerOver(
  below: FilledLayer,
  recipes: Recipe[],
  taken: string[],
  count: number,
): FilledLayer {
  const [, clear] = withClearRecipe(recipes);
  const id = freeId('layer', taken);
  return {
    ...below,
    id,
    sitting: id,
    name: `Layer ${count + 1}`,
    depthMm: 2,
    bands: [{ id: 'band-1', widthMm: 10, fillsRest: true, cup: clear.id }],
    cups: [clear],
    heartCup: clear.id,
    pourOrder: [],
    plan: { start: null, end: null, roomC: below.plan.roomC },
    within: null,
    partDepths: null,
    layout: null,
    aside: [],
    zones: null,
  };
}
