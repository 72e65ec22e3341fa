import type { Painting } from '../api/client';
import type { Paints } from './paths';
import { randomFrom } from './random';
import type { Clip } from './sheets';

interface FinishedRing {
  path: Path2D;
  material: Painting['materials'][number];
  opacity: number;
  clip: Clip;
}

/** The regions whose colourant takes the light in its own way, each as the ring between its edge and the next one in. */
export function ringsOf(painting: Painting, paths: Path2D[]): FinishedRing[] {
  const edges: number[] = [];
  painting.paths.forEach((p, at) => {
    if (p.fill && p.region !== null && (p.role === 'body' || p.role === 'part') && p.opacity > 0)
      edges.push(at);
  });
  return edges.flatMap((at, i) => {
    const outer = painting.paths[at]!;
    const material = painting.materials.find((m) => m.id === outer.material);
    if (!material?.finish || !(material.finish in finishes)) return [];
    if (material.finish === 'interference' && !material.angles) return [];
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

/** How much of what lies below shimmering flakes their colour hides: lines in it are seen still. */
const flakesHide = 0.85;
/** From left to right one sees a piece at so many angles, degrees. */
const acrossDeg = 24;
const stops = 8;
/** The angles that a colour is told at lie so far apart, degrees. */
const angleStep = 15;
/**
 * A tilt moves the light along a metal by a stripe of its sheen, and specks by so many mm a degree; at the last no speck shines any
 * more.
 */
const degAStripe = 15;
const speckMmADeg = 0.7;
const specksGoDeg = 120;

/** What shimmers, from left to right: each place as it is seen at its own angle. */
export function tilted(angles: string[], tiltDeg: number): string[] {
  return Array.from({ length: stops + 1 }, (_, i) => {
    const deg = Math.abs(tiltDeg + acrossDeg * (i / stops - 0.5));
    const at = Math.min(deg / angleStep, angles.length - 1);
    const from = Math.min(Math.floor(at), angles.length - 2);
    const [one, other] = [rgb(angles[from]!), rgb(angles[from + 1]!)];
    return `rgb(${one.map((c, k) => Math.round(c + (at - from) * (other[k]! - c))).join(', ')})`;
  });
}

const rgb = (hex: string) => [1, 3, 5].map((i) => parseInt(hex.slice(i, i + 2), 16));

export function finish(
  context: Paints,
  painting: Painting,
  { path, material, opacity }: FinishedRing,
  tiltDeg: number,
) {
  const how = finishes[material.finish!]!;
  context.save();
  context.globalAlpha = opacity;
  if (how === 'shift') {
    const shift = context.createLinearGradient(0, 0, painting.widthMm, 0);
    tilted(material.angles!, tiltDeg).forEach((colour, i) => shift.addColorStop(i / stops, colour));
    context.globalAlpha = flakesHide * opacity;
    context.fillStyle = shift;
  } else if (how === 'sheen') {
    const sheen = context.createLinearGradient(0, 0, painting.widthMm, painting.heightMm);
    const stripes = Math.max(6, Math.round((painting.widthMm + painting.heightMm) / 50));
    const moved = Math.round(tiltDeg / degAStripe);
    for (let i = 0; i <= stripes; i++)
      sheen.addColorStop(
        i / stripes,
        [material.light, '#808080', material.dark, '#808080'][(i + moved) % 4]!,
      );
    context.globalCompositeOperation = 'hard-light';
    context.globalAlpha = 0.5 * opacity;
    context.fillStyle = sheen;
  } else {
    const pattern = context.createPattern(speckTile(material.finish === 'glitter'), 'repeat');
    if (!pattern) return context.restore();
    const moved = speckMmADeg * tiltDeg;
    pattern.setTransform(new DOMMatrix().translate(moved, moved / 2).scale(how.specksMm / 256));
    context.globalAlpha = how.alpha * opacity * (1 - tiltDeg / specksGoDeg);
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

/** Whether anything in a painting looks otherwise at an angle. */
export const shimmers = (painting: Painting): boolean =>
  painting.look.full &&
  (painting.look.filtersFrom ?? null) === null &&
  (painting.materials.some((m) => m.finish !== null && m.finish in finishes) ||
    painting.insets.some((i) => shimmers(i.painting)));
