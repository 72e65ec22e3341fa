import type { Painting } from '../api/client';
import { byProcessor } from './place';

export type Paints = CanvasRenderingContext2D | OffscreenCanvasRenderingContext2D;

/** Paths parsed once per painting: a repaint at another scale or with another region lit only fills them again. */
const parsed = new WeakMap<
  Painting,
  { outline: Path2D; paths: Path2D[]; panel: Path2D | null; clips: Path2D[] }
>();

function pathsOf(painting: Painting) {
  let known = parsed.get(painting);
  if (!known) {
    known = {
      outline: new Path2D(painting.outline),
      paths: painting.paths.map((p) => new Path2D(p.path)),
      panel: painting.panel === null ? null : new Path2D(painting.panel),
      clips: painting.clips.map((c) => new Path2D(c)),
    };
    parsed.set(painting, known);
  }
  return known;
}

/** Whether a shape is a rectangle, as outlines and panels write one: it is clipped as one, which costs nothing. */
const isBox = (shape: string) => /^M0 0L[\d.]+ 0L[\d.]+ [\d.]+L0 [\d.]+Z$/.test(shape);

/** How wide and high a rectangle is. */
function boxOf(text: string): [width: number, height: number] {
  const [, width, , height] = text.match(/^M0 0L([\d.]+) 0L([\d.]+) ([\d.]+)L/)!.map(Number);
  return [width!, height!];
}

/** Clips by a shape; one by a path costs as much as three fills for everything that is painted in it. */
function clipTo(context: Paints, text: string, shape: Path2D) {
  if (!isBox(text)) return context.clip(shape, 'evenodd');
  context.beginPath();
  context.rect(0, 0, ...boxOf(text));
  context.clip();
}

/** Takes away what lies outside a shape: a fill of its outside, at the price of one. Nothing may lie beneath. */
function cut(context: Paints, shape: Path2D, { widthMm, heightMm }: Painting) {
  const outside = new Path2D(shape);
  outside.rect(-widthMm, -heightMm, 3 * widthMm, 3 * heightMm);
  context.save();
  context.globalAlpha = 1;
  context.globalCompositeOperation = 'destination-out';
  context.fillStyle = '#000';
  context.fill(outside, 'evenodd');
  context.restore();
}

/** Sheets to paint on by themselves, one for each that lies open on another. */
const sheets: OffscreenCanvas[] = [];
let open = 0;

/** Whether a painting may be painted on sheets: not where it blends with what is there, or none are to be had. */
const takesSheets = (painting: Painting) =>
  typeof OffscreenCanvas !== 'undefined' &&
  !isFull(painting) &&
  (painting.filtersFrom ?? null) === null &&
  !painting.paths.some((p) => p.glass);

/** Draws within a shape: on a sheet of its own, which is cut along the shape and laid on what is there. */
function within(
  context: Paints,
  painting: Painting,
  text: string,
  shape: Path2D,
  draw: (context: Paints) => void,
) {
  context.save();
  if (isBox(text) || !takesSheets(painting)) {
    clipTo(context, text, shape);
    draw(context);
  } else {
    const laid = onSheet(context, context.getTransform(), (own) => {
      draw(own);
      cut(own, shape, painting);
    });
    context.resetTransform();
    context.globalAlpha = 1;
    context.drawImage(laid, 0, 0);
  }
  context.restore();
}

/** Draws on a blank sheet as large as a canvas. */
function onSheet(
  { canvas: { width, height } }: Paints,
  at: DOMMatrix2DInit,
  draw: (context: Paints) => void,
) {
  const sheet = (sheets[open++] ??= new OffscreenCanvas(1, 1));
  const own = sheet.getContext('2d', byProcessor)!;
  if (sheet.width !== width || sheet.height !== height) [sheet.width, sheet.height] = [width, height];
  own.reset();
  own.setTransform(at);
  own.lineJoin = 'round';
  try {
    draw(own);
  } finally {
    open--;
  }
  return sheet;
}

type Clip = Painting['paths'][number]['clip'] | undefined;

/** Draws within the part of a layer that a path belongs to. */
function clipped(context: Paints, clips: Path2D[], clip: Clip, draw: () => void) {
  if (clip === null || clip === undefined) return draw();
  context.save();
  context.clip(clips[clip]!, 'evenodd');
  draw();
  context.restore();
}

/** Whether what tells colourants apart and the weather are painted: not on the draft of a drag, and not in light from behind. */
const isFull = (painting: Painting) =>
  (painting.filtersFrom ?? null) === null && painting.paths.some((p) => p.role === 'growth-line');

/** Whether a path takes its share of the light that comes through what is painted before it. */
const filters = ({ filtersFrom, paths }: Painting, path: number) =>
  paths[path]!.glass || path >= (filtersFrom ?? Infinity);

/**
 * A draft of panels that are all alike is painted once and copied, each to the nearest pixel of its place. Not where one
 * is larger than the canvas, as when it is looked at from near.
 */
function copied(context: Paints, painting: Painting, draw: (context: Paints) => void) {
  if (!takesSheets(painting) || !isBox(painting.panel!)) return false;
  const { a, d, e, f } = context.getTransform();
  const [wide, high] = boxOf(painting.panel!).map((mm, i) => Math.ceil(mm * Math.abs(i ? d : a)));
  if (wide! > context.canvas.width || high! > context.canvas.height) return false;
  const once = onSheet(context, { a: Math.abs(a), b: 0, c: 0, d, e: 0, f: 0 }, draw);
  for (const { fromMm, mirrored } of painting.copies) {
    context.save();
    context.setTransform(mirrored ? -1 : 1, 0, 0, 1, Math.round(e + a * fromMm), Math.round(f));
    context.drawImage(once, 0, 0, wide!, high!, 0, 0, wide!, high!);
    context.restore();
  }
  return true;
}

/** Does something once, or for each panel in its own place, clipped by it. */
function eachCopy(
  context: Paints,
  painting: Painting,
  panel: Path2D | null,
  draw: (context: Paints) => void,
) {
  if (!panel) return draw(context);
  if (copied(context, painting, draw)) return;
  for (const copy of painting.copies) {
    context.save();
    context.translate(copy.fromMm, 0);
    context.scale(copy.mirrored ? -1 : 1, 1);
    within(context, painting, painting.panel!, panel, draw);
    context.restore();
  }
}

function eachInset(
  context: Paints,
  painting: Painting,
  below: boolean,
  draw: (inside: Painting, xMm: number, yMm: number) => void,
) {
  for (const inset of painting.insets) {
    if (inset.below !== below) continue;
    context.save();
    context.translate(inset.xMm, inset.yMm);
    draw(inset.painting, inset.xMm, inset.yMm);
    context.restore();
  }
}

/**
 * Paints a piece in millimetres on a canvas with nothing on it: the context is already scaled. Clouds, grain and gloss
 * are left to the full painting, so that a drag repaints in a few milliseconds.
 */
export function paint(context: Paints, painting: Painting, pixelsPerMm: number) {
  const { outline } = pathsOf(painting);
  context.save();
  if (isBox(painting.outline)) clipTo(context, painting.outline, outline);
  lay(context, painting, pixelsPerMm);
  if (!isBox(painting.outline)) cut(context, outline, painting);
  context.restore();
}

/** Lays a piece on what is there; what reaches over its outline is left to be cut off. */
function lay(context: Paints, painting: Painting, pixelsPerMm: number) {
  const { outline, paths, panel, clips } = pathsOf(painting);
  const inset = (inside: Painting) =>
    within(context, inside, inside.outline, pathsOf(inside).outline, (on) => lay(on, inside, pixelsPerMm));
  if (painting.ground !== null) {
    context.fillStyle = painting.ground;
    context.fillRect(0, 0, painting.widthMm, painting.heightMm);
  }
  context.lineJoin = 'round';
  eachInset(context, painting, true, inset);
  eachCopy(context, painting, panel, (on) => {
    // What follows each other in one part is painted in one.
    for (const run of runsOf(painting)) {
      const draw = (sheet: Paints) => {
        for (const i of run.paths) fillAndStroke(sheet, painting, i, paths[i]!, pixelsPerMm);
      };
      if (run.clip === null) draw(on);
      else within(on, painting, painting.clips[run.clip]!, clips[run.clip]!, draw);
    }
    if (isFull(painting))
      for (const ring of ringsOf(painting, paths))
        clipped(on, clips, ring.clip, () => finish(on, painting, ring));
  });
  if (isFull(painting)) weather(context, painting, outline);
  eachInset(context, painting, false, inset);
  rim(context, painting.outline, outline, pixelsPerMm);
}

/** The paths that can be seen, those that follow each other in one part of a layer together. */
function runsOf(painting: Painting) {
  const runs: { clip: number | null; paths: number[] }[] = [];
  painting.paths.forEach((p, i) => {
    if (p.opacity === 0) return;
    const clip = p.clip ?? null;
    const last = runs.at(-1);
    if (last?.clip === clip) last.paths.push(i);
    else runs.push({ clip, paths: [i] });
  });
  return runs;
}

function fillAndStroke(context: Paints, painting: Painting, i: number, path: Path2D, pixelsPerMm: number) {
  const p = painting.paths[i]!;
  context.globalAlpha = p.opacity;
  context.globalCompositeOperation = filters(painting, i) ? 'multiply' : 'source-over';
  if (p.fill) {
    context.fillStyle = p.fill;
    context.fill(path, 'evenodd');
  }
  if (p.stroke) {
    context.strokeStyle = p.stroke;
    // A vein's lines meet each other.
    context.lineCap = p.role === 'part' ? 'round' : 'butt';
    context.lineWidth = Math.max(p.strokeMm, 0.35 / pixelsPerMm);
    context.stroke(path);
  }
  context.globalAlpha = 1;
  context.globalCompositeOperation = 'source-over';
}

/** The shadow a piece throws on the bench; it is painted again only when its outline or the view changes. */
export function shadow(context: Paints, outline: string) {
  const ratio = window.devicePixelRatio || 1;
  context.save();
  context.shadowColor = 'rgba(32, 24, 8, 0.45)';
  context.shadowBlur = 10 * ratio;
  context.shadowOffsetY = 5 * ratio;
  context.fillStyle = '#55503f';
  context.fill(new Path2D(outline));
  context.restore();
}

/** The region at a point, in millimetres: the innermost body of the topmost layer that covers it. */
export function regionAt(
  context: Paints,
  painting: Painting,
  xMm: number,
  yMm: number,
  layerId: string,
): string | null {
  context.save();
  context.setTransform(1, 0, 0, 1, 0, 0);
  const found = regionIn(context, painting, xMm, yMm, layerId);
  context.restore();
  return found;
}

function regionIn(
  context: Paints,
  painting: Painting,
  xMm: number,
  yMm: number,
  layerId: string,
): string | null {
  const { outline, paths, panel, clips } = pathsOf(painting);
  if (!context.isPointInPath(outline, xMm, yMm)) return null;
  for (const inset of painting.insets) {
    const inside =
      !inset.below && regionIn(context, inset.painting, xMm - inset.xMm, yMm - inset.yMm, layerId);
    if (inside) return inside;
  }
  // A point on any panel is one on the panel that is mapped.
  const places = panel ? painting.copies.map((c) => (c.mirrored ? c.fromMm - xMm : xMm - c.fromMm)) : [xMm];
  const x = places.find((at) => !panel || context.isPointInPath(panel, at, yMm));
  let found: string | null = null;
  painting.paths.forEach((p, i) => {
    const ours = p.material?.startsWith(`${layerId}/`);
    if (!ours || p.region === null || !p.fill || x === undefined) return;
    const { clip } = p;
    if (clip !== null && clip !== undefined && !context.isPointInPath(clips[clip]!, x, yMm, 'evenodd'))
      return;
    if (context.isPointInPath(paths[i]!, x, yMm, 'evenodd')) found = p.region;
  });
  return found;
}

/** Dims everything but some regions of a layer, so that they seem lit. */
export function light(
  context: Paints,
  painting: Painting,
  layerId: string,
  regions: ReadonlySet<string>,
  veil: string,
) {
  const { outline } = pathsOf(painting);
  context.save();
  context.clip(outline);
  context.fillStyle = veil;
  context.fill(outline);
  lightIn(context, painting, layerId, regions, veil);
  context.restore();
}

function lightIn(
  context: Paints,
  painting: Painting,
  layerId: string,
  regions: ReadonlySet<string>,
  veil: string,
) {
  const { outline, paths, panel, clips } = pathsOf(painting);
  context.save();
  context.clip(outline);
  eachCopy(context, painting, panel, () =>
    painting.paths.forEach((p, i) => {
      if (p.role === 'edge' || p.role === 'facet' || !p.fill) return;
      if (!p.material?.startsWith(`${layerId}/`)) return;
      clipped(context, clips, p.clip, () => {
        context.globalCompositeOperation = 'destination-out';
        context.fillStyle = '#000';
        context.fill(paths[i]!, 'evenodd');
        if (p.region !== null && regions.has(p.region)) return;
        context.globalCompositeOperation = 'source-over';
        context.fillStyle = veil;
        context.fill(paths[i]!, 'evenodd');
      });
    }),
  );
  eachInset(context, painting, false, (inside) => lightIn(context, inside, layerId, regions, veil));
  context.restore();
}

interface FinishedRing {
  path: Path2D;
  material: Painting['materials'][number];
  opacity: number;
  clip: Clip;
}

/** The regions whose colourant takes the light in its own way, each as the ring between its edge and the next one in. */
function ringsOf(painting: Painting, paths: Path2D[]): FinishedRing[] {
  const edges: number[] = [];
  painting.paths.forEach((p, at) => {
    if (p.fill && p.region !== null && (p.role === 'body' || p.role === 'part') && p.opacity > 0)
      edges.push(at);
  });
  return edges.flatMap((at, i) => {
    const outer = painting.paths[at]!;
    const material = painting.materials.find((m) => m.id === outer.material);
    if (!material?.finish || !(material.finish in finishes)) return [];
    const ring = new Path2D(paths[at]);
    const next = painting.paths[edges[i + 1] ?? -1];
    const sameLayer = next?.material?.split('/')[0] === outer.material!.split('/')[0];
    // A ring of a layer above already has its hole, and what lies side by side has none.
    if (sameLayer && outer.opacity === 1 && outer.role === 'body' && next?.role === 'body')
      if ((next.clip ?? null) === (outer.clip ?? null)) ring.addPath(paths[edges[i + 1]!]!);
    return [{ path: ring, material, opacity: outer.opacity, clip: outer.clip }];
  });
}

/** How a colourant takes the light: specks of so many millimetres, a shift of hue across the piece, or a metal's sheen. */
const finishes: Partial<Record<string, { specksMm: number; alpha: number } | 'shift' | 'sheen'>> = {
  'metallic-paste': 'sheen',
  mica: { specksMm: 46, alpha: 0.42 },
  'acrylic-metallic': { specksMm: 34, alpha: 0.5 },
  glitter: { specksMm: 90, alpha: 0.95 },
  interference: 'shift',
};

function finish(context: Paints, painting: Painting, { path, material, opacity }: FinishedRing) {
  const how = finishes[material.finish!]!;
  context.save();
  context.globalAlpha = opacity;
  if (how === 'shift') {
    const shift = context.createLinearGradient(0, painting.heightMm, painting.widthMm, 0);
    ['#3fd0c9', '#8f6fe0', '#e07fb4', '#e6c96a', '#3fd0c9'].forEach((hue, i) =>
      shift.addColorStop(i / 4, hue),
    );
    context.globalCompositeOperation = 'soft-light';
    context.globalAlpha = 0.8 * opacity;
    context.fillStyle = shift;
  } else if (how === 'sheen') {
    const sheen = context.createLinearGradient(0, 0, painting.widthMm, painting.heightMm);
    const stripes = Math.max(6, Math.round((painting.widthMm + painting.heightMm) / 50));
    for (let i = 0; i <= stripes; i++)
      sheen.addColorStop(i / stripes, [material.light, '#808080', material.dark, '#808080'][i % 4]!);
    context.globalCompositeOperation = 'hard-light';
    context.globalAlpha = 0.5 * opacity;
    context.fillStyle = sheen;
  } else {
    const pattern = context.createPattern(speckTile(material.finish === 'glitter'), 'repeat');
    if (!pattern) return context.restore();
    pattern.setTransform(new DOMMatrix().scale(how.specksMm / 256));
    context.globalAlpha = how.alpha * opacity;
    context.fillStyle = pattern;
  }
  context.fill(path, 'evenodd');
  context.restore();
}

const specks: Partial<Record<'fine' | 'coarse', HTMLCanvasElement>> = {};

/** A seamless tile of specks: many fine pale ones for pearl, fewer and larger bright ones for glitter. */
function speckTile(coarse: boolean) {
  const key = coarse ? 'coarse' : 'fine';
  return (specks[key] ??= drawSpecks(coarse));
}

function drawSpecks(coarse: boolean) {
  const canvas = document.createElement('canvas');
  canvas.width = canvas.height = 256;
  const context = canvas.getContext('2d')!;
  const next = randomFrom(coarse ? 411 : 77);
  const count = coarse ? 260 : 900;
  for (let i = 0; i < count; i++) {
    const x = next() * 256;
    const y = next() * 256;
    const size = coarse ? 1.2 + 2.6 * next() : 0.5 + 0.9 * next();
    const bright = next();
    context.fillStyle =
      bright < 0.75 ? `rgba(255, 252, 240, ${0.25 + 0.5 * next()})` : 'rgba(20, 18, 10, 0.28)';
    for (const dx of [0, -256]) for (const dy of [0, -256]) context.fillRect(x + dx, y + dy, size, size);
  }
  return canvas;
}

function randomFrom(seed: number) {
  let state = seed;
  return () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return state / 4294967296;
  };
}

/** Clouds, grain and gloss over the whole piece. */
function weather(context: Paints, painting: Painting, outline: Path2D) {
  const size = Math.sqrt(painting.widthMm * painting.heightMm);
  tile(context, outline, cloudTile(), size * 0.75, 'soft-light', 0.26);
  tile(context, outline, cloudTile(), size * 0.31, 'soft-light', 0.12);
  tile(context, outline, grainTile(), 52, 'overlay', 0.05);
  const gloss = context.createLinearGradient(0, 0, painting.widthMm, painting.heightMm);
  gloss.addColorStop(0, 'rgba(255,255,255,0.08)');
  gloss.addColorStop(0.35, 'rgba(255,255,255,0)');
  gloss.addColorStop(0.7, 'rgba(0,0,0,0)');
  gloss.addColorStop(1, 'rgba(0,0,0,0.14)');
  context.fillStyle = gloss;
  context.fill(outline);
  if (!painting.wet) return;
  // What shines on wet resin lies across it in a broad and a narrow stripe.
  const shine = context.createLinearGradient(0, 0, painting.widthMm, painting.heightMm);
  for (const [at, alpha] of wetGloss) shine.addColorStop(at, `rgba(255,255,255,${alpha})`);
  context.fillStyle = shine;
  context.fill(outline);
}

const wetGloss = [
  [0, 0],
  [0.16, 0],
  [0.24, 0.41],
  [0.34, 0.24],
  [0.4, 0],
  [0.44, 0],
  [0.46, 0.29],
  [0.48, 0],
  [1, 0],
] as const;

/** The last rims that were stroked, and where: a drag strokes the same ones again and again. */
const stroked = new Map<string, OffscreenCanvas>();
const rimsKept = 4;

/** A narrow light along the upper left edge and shade along the lower right, as a poured edge has. */
function rim(context: Paints, text: string, outline: Path2D, pixelsPerMm: number) {
  if (isBox(text) || typeof OffscreenCanvas === 'undefined') return strokeRim(context, outline, pixelsPerMm);
  const { width, height } = context.canvas;
  const at = context.getTransform();
  const key = `${width} ${height} ${at.a} ${at.e} ${at.f} ${text}`;
  let sheet = stroked.get(key);
  if (!sheet) {
    sheet = new OffscreenCanvas(width, height);
    const own = sheet.getContext('2d', byProcessor)!;
    own.setTransform(at);
    own.lineJoin = 'round';
    strokeRim(own, outline, pixelsPerMm);
    if (stroked.size === rimsKept) stroked.delete(stroked.keys().next().value!);
    stroked.set(key, sheet);
  }
  context.save();
  context.resetTransform();
  context.drawImage(sheet, 0, 0);
  context.restore();
}

function strokeRim(context: Paints, outline: Path2D, pixelsPerMm: number) {
  context.lineWidth = Math.max(2.4, 2 / pixelsPerMm);
  context.strokeStyle = 'rgba(20,16,8,0.28)';
  context.stroke(outline);
  context.lineWidth = Math.max(0.9, 1 / pixelsPerMm);
  context.strokeStyle = 'rgba(255,255,255,0.35)';
  context.stroke(outline);
}

function tile(
  context: Paints,
  outline: Path2D,
  source: HTMLCanvasElement,
  mm: number,
  blend: GlobalCompositeOperation,
  alpha: number,
) {
  const pattern = context.createPattern(source, 'repeat');
  if (!pattern) return;
  pattern.setTransform(new DOMMatrix().scale(mm / source.width));
  context.save();
  context.globalCompositeOperation = blend;
  context.globalAlpha = alpha;
  context.fillStyle = pattern;
  context.fill(outline);
  context.restore();
}

let clouds: HTMLCanvasElement | undefined;
let grain: HTMLCanvasElement | undefined;

function cloudTile() {
  return (clouds ??= noiseTile(256, [
    [4, 0.5],
    [8, 0.28],
    [16, 0.15],
    [32, 0.07],
  ]));
}

function grainTile() {
  return (grain ??= noiseTile(256, [
    [128, 0.6],
    [256, 0.4],
  ]));
}

/** A seamless grey tile of value noise: octaves of so many cells across, each with its share. */
function noiseTile(size: number, octaves: [cells: number, share: number][]) {
  const values = new Float32Array(size * size);
  const next = randomFrom(20261);
  for (const [cells, share] of octaves) {
    const lattice = Float32Array.from({ length: cells * cells }, next);
    const step = cells / size;
    for (let y = 0; y < size; y++) {
      for (let x = 0; x < size; x++) {
        const u = x * step;
        const v = y * step;
        const i = Math.floor(u);
        const j = Math.floor(v);
        const s = smooth(u - i);
        const t = smooth(v - j);
        const at = (a: number, b: number) => lattice[(b % cells) * cells + (a % cells)]!;
        const top = at(i, j) + s * (at(i + 1, j) - at(i, j));
        const bottom = at(i, j + 1) + s * (at(i + 1, j + 1) - at(i, j + 1));
        values[y * size + x]! += share * (top + t * (bottom - top));
      }
    }
  }
  const canvas = document.createElement('canvas');
  canvas.width = canvas.height = size;
  const context = canvas.getContext('2d')!;
  const image = context.createImageData(size, size);
  values.forEach((value, i) => {
    const grey = Math.max(0, Math.min(255, 128 + (value - 0.5) * 380));
    image.data.set([grey, grey, grey, 255], 4 * i);
  });
  context.putImageData(image, 0, 0);
  return canvas;
}

const smooth = (t: number) => t * t * (3 - 2 * t);
