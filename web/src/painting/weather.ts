import type { Painting } from '../api/client';
import type { Paints } from './paths';
import { randomFrom } from './random';

/** Clouds, grain and gloss over the whole piece. */
export function weather(context: Paints, painting: Painting, outline: Path2D) {
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
  if (!painting.look.wet) return;
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
