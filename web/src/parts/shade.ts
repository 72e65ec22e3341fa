import { clampChroma, converter, formatHex } from 'culori';

/** A shade as it is looked for: how light from 0 to 1, how strong, and its hue in degrees. */
export interface Shade {
  l: number;
  c: number;
  h: number;
}

/** Nothing that a screen shows is stronger. */
export const strongest = 0.32;

const toShade = converter('oklch');

/** A colour as a shade; what is grey keeps the hue that was looked for before. */
export function shadeOf(hex: string, before?: Shade): Shade {
  const { l, c, h } = toShade(hex) ?? { l: 0, c: 0 };
  return { l, c, h: h ?? before?.h ?? 0 };
}

/** A shade as #rrggbb: as strong as it can be shown, and no stronger. */
export const hexOf = (shade: Shade): string => formatHex(clampChroma({ mode: 'oklch', ...shade }, 'oklch'));

const stops = 12;

/** What a slider runs over: the shade with one of its three changed from end to end. */
export function run(shade: Shade, key: keyof Shade): string {
  const to = { l: 1, c: strongest, h: 360 }[key];
  const at = Array.from({ length: stops + 1 }, (_, i) => hexOf({ ...shade, [key]: (to * i) / stops }));
  return `linear-gradient(to right, ${at.join(', ')})`;
}
