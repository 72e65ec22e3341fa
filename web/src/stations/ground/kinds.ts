import type { Ground, Outline } from '../../api/client';

export type Base = NonNullable<Ground['base']>;
export type Kind = Base['kind'];
export type Material = Base['material'];
export type Shape = Outline['shape'];
export type Slice = Extract<Outline, { shape: 'slice' }>;

export const kinds: readonly (readonly [Kind, string])[] = [
  ['panel', 'a panel'],
  ['slice', 'a freeform slice'],
  ['frame', 'a rimmed frame'],
  ['casting', 'cast in a mould'],
];

export const materials: readonly (readonly [Material, string])[] = [
  ['birch-ply', 'birch ply'],
  ['mdf', 'MDF'],
  ['pine', 'solid pine'],
  ['acrylic', 'acrylic sheet'],
  ['glass', 'glass'],
  ['canvas', 'stretched canvas'],
];

export const shapes: readonly (readonly [Shape, string])[] = [
  ['rectangle', 'a rectangle'],
  ['round', 'round'],
  ['oval', 'an oval'],
  ['slice', 'a wobbly slice'],
  ['drawn', 'a drawn shape'],
];

export const board: Base = {
  kind: 'panel',
  material: 'birch-ply',
  thicknessMm: null,
  backStiffened: false,
  gapsSealed: false,
  sealTested: false,
};

/** Width and height of the box an outline stands in. */
export function boxOf(outline: Outline): [number, number] {
  if (outline.shape === 'round') return [outline.diameterMm, outline.diameterMm];
  if (outline.shape !== 'drawn') return [outline.widthMm, outline.heightMm];
  // Drawn in mm from 0, 0.
  const numbers = outline.path.match(/-?[\d.]+/g)?.map(Number) ?? [];
  const most = (of: number[]) => of.reduce((a, b) => Math.max(a, b), 0);
  return [most(numbers.filter((_, i) => i % 2 === 0)), most(numbers.filter((_, i) => i % 2 === 1))];
}

/** Another outline in the same box. */
export function reshaped(outline: Outline, shape: Exclude<Shape, 'drawn'>): Outline {
  const [widthMm, heightMm] = boxOf(outline);
  if (shape === 'round') return { shape, diameterMm: Math.min(widthMm, heightMm) };
  if (shape !== 'slice') return { shape, widthMm, heightMm };
  return {
    shape,
    widthMm,
    heightMm,
    reach: [0.96, 0.9, 0.95, 0.88, 0.93, 0.97, 0.86, 0.94],
    wobbleMm: Math.round(Math.min(widthMm, heightMm) * 0.012),
    seed: 5,
    opening: null,
  };
}

export type Mould = NonNullable<Ground['mould']>;

const cavity: Mould = {
  depthMm: 10,
  from: 'dimensions',
  capacityMl: null,
  pieces: 1,
  cavities: 1,
  keepMm: 0,
};

/** A ground made into another kind of piece: its edge, its outline and its mould follow. */
export function ofKind(ground: Ground, kind: Kind): Ground {
  if (kind === 'casting')
    return {
      ...ground,
      base: { ...board, kind, material: 'silicone' },
      edge: 'walled',
      mould: ground.mould ?? cavity,
      paint: null,
    };
  return withoutMould({ ...ground, mould: null }, kind);
}

function withoutMould(ground: Ground, kind: Kind): Ground {
  const was = ground.base ?? board;
  const base = { ...was, kind, material: was.material === 'silicone' ? board.material : was.material };
  if (kind === 'panel')
    return { ...ground, base, edge: ground.edge === 'walled' ? 'taped-clean' : ground.edge };
  return {
    ...ground,
    base,
    edge: 'walled',
    outline:
      kind === 'slice' && ground.outline.shape !== 'drawn'
        ? reshaped(ground.outline, 'slice')
        : ground.outline,
  };
}

/** An opening off the middle of a slice. */
export const openingIn = ({ widthMm, heightMm }: Slice) => ({
  xMm: Math.round(widthMm * 0.55),
  yMm: Math.round(heightMm * 0.5),
  widthMm: Math.round(widthMm * 0.16),
  heightMm: Math.round(heightMm * 0.16),
});
