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
  ['cradled-panel', 'a cradled panel'],
  ['mdf', 'MDF'],
  ['pine', 'solid pine'],
  ['acrylic', 'acrylic sheet'],
  ['glass', 'glass'],
  ['canvas', 'stretched canvas'],
  ['painting', 'a finished painting'],
  ['casting-sheet', 'a casting sheet'],
  ['metal-rim', 'a metal rim'],
  ['resin', 'cured resin'],
];

/** What has no thickness of its own that counts. */
export const thin: readonly Material[] = ['canvas', 'painting', 'casting-sheet', 'metal-rim'];

/** How many panels a piece is, by what such a set is called. */
export const sets: readonly (readonly [string, string])[] = [
  ['1', 'by itself'],
  ['2', 'as a pair'],
  ['3', 'as a triptych'],
  ['4', 'as four panels'],
  ['5', 'as five panels'],
];

export const shapes: readonly (readonly [Shape, string])[] = [
  ['rectangle', 'a rectangle'],
  ['round', 'round'],
  ['oval', 'an oval'],
  ['slice', 'a wobbly slice'],
  ['drawn', 'a drawn shape'],
];

/** Width and height of the box an outline stands in, where nothing has been worked out yet. */
export function boxOf(outline: Outline): [number, number] {
  if (outline.shape === 'round') return [outline.diameterMm, outline.diameterMm];
  if (outline.shape !== 'drawn') return [outline.widthMm, outline.heightMm];
  // Drawn in mm from 0, 0.
  const numbers = outline.path.match(/-?[\d.]+/g)?.map(Number) ?? [];
  const most = (of: number[]) => of.reduce((a, b) => Math.max(a, b), 0);
  return [most(numbers.filter((_, i) => i % 2 === 0)), most(numbers.filter((_, i) => i % 2 === 1))];
}

export type Mould = NonNullable<Ground['mould']>;
export type Insert = NonNullable<Mould['inserts']>[number];
