import type { Painting, PaintPath } from '../api/client';

/** How a region is drawn where it is not painted as it will look: flat, with its edge in ink. */
export interface Drawn {
  fill: string;
  ink: string;
  inkMm: number;
}

const ink = '#20302a';
/** Lines of a ruled ground lie so far apart: about so many of them over its longer side. */
const ruledMm = [1, 2, 5, 10, 20, 50, 100];
const mostLines = 50;
/** How much ink is in its lines; every fifth has more. */
const [fine, bold] = [0.18, 0.34];

/** Lines over a box, so many millimetres apart. */
function lines(widthMm: number, heightMm: number, stepMm: number, every: (i: number) => boolean) {
  const along = (length: number, line: (at: number) => string) =>
    Array.from({ length: Math.ceil(length / stepMm) - 1 }, (_, i) => i + 1)
      .filter(every)
      .map((i) => line(i * stepMm))
      .join('');
  return along(widthMm, (x) => `M${x} 0V${heightMm}`) + along(heightMm, (y) => `M0 ${y}H${widthMm}`);
}

/** A painting without resin: the ground, ruled so that its size can be read off it, what lies beneath it, and the outline. */
export function bare(
  painting: Painting,
  shape: Pick<Painting, 'outline' | 'widthMm' | 'heightMm'>,
): Painting {
  const ground = painting.ground ?? '#e6dcc6';
  const longest = Math.max(shape.widthMm, shape.heightMm);
  const step = ruledMm.find((mm) => longest / mm <= mostLines) ?? ruledMm.at(-1)!;
  // Ink on a pale ground, chalk on a dark one.
  const pen = brightness(ground) > 0.35 ? ink : '#ffffff';
  const ruled = (share: number, strokeMm: number, every: (i: number) => boolean): PaintPath => ({
    role: 'edge',
    path: lines(shape.widthMm, shape.heightMm, step, every),
    fill: null,
    stroke: mixed(ground, pen, share),
    strokeMm,
    opacity: 1,
    region: null,
    material: null,
    clip: null,
    glass: false,
  });
  return {
    ...painting,
    ...shape,
    ground,
    paths: [ruled(fine, longest / 650, (i) => i % 5 !== 0), ruled(bold, longest / 330, (i) => i % 5 === 0)],
    clips: [],
    materials: [],
    panels: null,
    insets: painting.insets.filter((i) => i.below),
    // Nothing was poured: there is no gloss on it, and no clouds.
    look: { ...painting.look, full: false },
  };
}

/** The layer that each path of a painting belongs to: an edge or a shadow goes with what is painted before it. */
function layersOf({ paths }: Painting) {
  let layer = '';
  return paths.map((p) => (layer = p.material?.split('/')[0] ?? layer));
}

/**
 * A painting in which some regions of a layer are drawn and all else is painted as it will look. Of a region that is drawn
 * only its body is left; of a layer above nothing is.
 */
export function drawn(painting: Painting, layerId: string, how: (region: string) => Drawn | null): Painting {
  const layers = layersOf(painting);
  const first = layers.indexOf(layerId);
  // What is only drawn has no gloss and no clouds; what is painted beside it has.
  const painted = painting.paths.some(
    (p, i) =>
      p.region !== null &&
      p.opacity > 0 &&
      (layers[i] === layerId ? how(p.region) === null : first < 0 || i < first),
  );
  return {
    ...painting,
    look: { ...painting.look, full: painting.look.full && painted },
    paths: painting.paths.flatMap((path, i) => {
      if (layers[i] !== layerId) return first >= 0 && i > first && layers[i] !== '' ? [] : [path];
      const draw = path.region === null ? null : how(path.region);
      if (!draw) return [path];
      if (path.role !== 'body' && path.role !== 'part') return [];
      return [
        {
          ...path,
          fill: path.fill ? draw.fill : null,
          stroke: path.fill ? draw.ink : draw.fill,
          strokeMm: path.fill ? draw.inkMm : path.strokeMm,
          opacity: 1,
          glass: false,
        },
      ];
    }),
    insets: painting.insets.map((inset) =>
      inset.below ? inset : { ...inset, painting: drawn(inset.painting, layerId, how) },
    ),
  };
}

const channels = (colour: string) => [1, 3, 5].map((i) => parseInt(colour.slice(i, i + 2), 16));

/** How bright a colour is, 0 to 1. */
const brightness = (colour: string) => {
  const [r, g, b] = channels(colour) as [number, number, number];
  return (0.3 * r + 0.59 * g + 0.11 * b) / 255;
};

/** A colour with so much of another in it; both as `#rrggbb`. */
export function mixed(colour: string, other: string, share: number) {
  const [a, b] = [channels(colour), channels(other)];
  return `#${a
    .map((v, i) =>
      Math.round(v + (b[i]! - v) * share)
        .toString(16)
        .padStart(2, '0'),
    )
    .join('')}`;
}
