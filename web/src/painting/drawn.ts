import type { Painting } from '../api/client';

/** How a region is drawn where it is not painted as it will look: flat, with its edge in ink. */
export interface Drawn {
  fill: string;
  ink: string;
  inkMm: number;
}

/** A painting without resin: the ground, what lies beneath it, and the outline. */
export const bare = (
  painting: Painting,
  shape: Pick<Painting, 'outline' | 'widthMm' | 'heightMm'>,
): Painting => ({
  ...painting,
  ...shape,
  ground: painting.ground ?? '#e6dcc6',
  paths: [],
  clips: [],
  materials: [],
  panel: null,
  copies: [],
  insets: painting.insets.filter((i) => i.below),
});

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
  return {
    ...painting,
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
