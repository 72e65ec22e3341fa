import type { Painting } from '../api/client';

type Paints = CanvasRenderingContext2D;

/** Paths parsed once per painting: a repaint at another scale or with another region lit only fills them again. */
const parsed = new WeakMap<Painting, { outline: Path2D; paths: Path2D[] }>();

function pathsOf(painting: Painting) {
  let known = parsed.get(painting);
  if (!known) {
    known = { outline: new Path2D(painting.outline), paths: painting.paths.map((p) => new Path2D(p.path)) };
    parsed.set(painting, known);
  }
  return known;
}

/** Whether a painting has growth lines, or is the draft of a drag. */
const isFull = (painting: Painting) => painting.paths.some((p) => p.role === 'growth-line');

/**
 * Paints a piece in millimetres: the context is already scaled. Clouds, grain and gloss are left to the full painting,
 * so that a drag repaints in a few milliseconds.
 */
export function paint(context: Paints, painting: Painting, pixelsPerMm: number) {
  const { outline, paths } = pathsOf(painting);
  const finishes = new Map(painting.materials.map((m) => [m.id, m]));
  const sheens = new Map<string, CanvasGradient>();
  context.save();
  context.clip(outline);
  context.fillStyle = painting.ground;
  context.fill(outline);
  context.lineJoin = 'round';
  painting.paths.forEach((p, i) => {
    const path = paths[i]!;
    context.globalAlpha = p.opacity;
    if (p.fill) {
      const material = p.material ? finishes.get(p.material) : undefined;
      if (material && p.role === 'body' && isMetal(material.finish)) {
        let sheen = sheens.get(material.id);
        if (!sheen) {
          sheen = metalSheen(context, painting, p.fill, material.light, material.dark);
          sheens.set(material.id, sheen);
        }
        context.fillStyle = sheen;
      } else context.fillStyle = p.fill;
      context.fill(path, 'evenodd');
    }
    if (p.stroke) {
      context.strokeStyle = p.stroke;
      context.lineWidth = Math.max(p.strokeMm, 0.35 / pixelsPerMm);
      context.stroke(path);
    }
  });
  context.globalAlpha = 1;
  if (isFull(painting)) weather(context, painting, outline);
  rim(context, outline, pixelsPerMm);
  context.restore();
}

/** Dims everything but some regions, so that they seem lit. */
export function light(context: Paints, painting: Painting, regions: ReadonlySet<string>, veil: string) {
  const { outline, paths } = pathsOf(painting);
  context.save();
  context.clip(outline);
  context.fillStyle = veil;
  context.fill(outline);
  painting.paths.forEach((p, i) => {
    if (p.role !== 'body' && p.role !== 'growth-line') return;
    if (!p.fill) return;
    context.globalCompositeOperation = 'destination-out';
    context.fillStyle = '#000';
    context.fill(paths[i]!, 'evenodd');
    if (p.region !== null && regions.has(p.region)) return;
    context.globalCompositeOperation = 'source-over';
    context.fillStyle = veil;
    context.fill(paths[i]!, 'evenodd');
  });
  context.restore();
}

const isMetal = (finish: string | null) => finish === 'metallic-paste' || finish === 'acrylic-metallic';

function metalSheen(context: Paints, painting: Painting, fill: string, lightest: string, darkest: string) {
  const gradient = context.createLinearGradient(0, 0, painting.widthMm, painting.heightMm);
  const stripes = Math.max(6, Math.round((painting.widthMm + painting.heightMm) / 70));
  for (let i = 0; i <= stripes; i++) {
    gradient.addColorStop(i / stripes, i % 3 === 0 ? lightest : i % 3 === 1 ? fill : darkest);
  }
  return gradient;
}

/** Clouds, grain and gloss over the whole piece. */
function weather(context: Paints, painting: Painting, outline: Path2D) {
  const size = Math.sqrt(painting.widthMm * painting.heightMm);
  tile(context, outline, cloudTile(), size * 0.75, 'soft-light', 0.26);
  tile(context, outline, cloudTile(), size * 0.31, 'soft-light', 0.12);
  tile(context, outline, grainTile(), 52, 'overlay', 0.05);
  const gloss = context.createLinearGradient(0, 0, painting.widthMm, painting.heightMm);
  gloss.addColorStop(0, 'rgba(255,255,255,0.16)');
  gloss.addColorStop(0.35, 'rgba(255,255,255,0)');
  gloss.addColorStop(0.7, 'rgba(0,0,0,0)');
  gloss.addColorStop(1, 'rgba(0,0,0,0.14)');
  context.fillStyle = gloss;
  context.fill(outline);
}

/** A narrow light along the upper left edge and shade along the lower right, as a poured edge has. */
function rim(context: Paints, outline: Path2D, pixelsPerMm: number) {
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
  let state = 20261;
  const next = () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return state / 4294967296;
  };
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
