const short = /^#?([0-9a-f])([0-9a-f])([0-9a-f])$/i;
const long = /^#?([0-9a-f]{6})$/i;
const shares = /^(?:rgb\()?\s*(\d{1,3})[\s,]+(\d{1,3})[\s,]+(\d{1,3})\s*\)?$/i;

/** What a typed colour must look like. */
export const typedColourRange =
  'Type a colour as #d98a1e, or as red, green and blue from 0 to 255: 217, 138, 30.';

/** A colour as a person types it, as #rrggbb; null where it is none. */
export function typedColour(text: string): string | null {
  const given = text.trim();
  const three = short.exec(given);
  if (three)
    return `#${three
      .slice(1)
      .map((d) => d + d)
      .join('')}`.toLowerCase();
  const six = long.exec(given);
  if (six) return `#${six[1]}`.toLowerCase();
  const parts = shares.exec(given)?.slice(1).map(Number);
  if (!parts || parts.some((p) => p > 255)) return null;
  return `#${parts.map((p) => p.toString(16).padStart(2, '0')).join('')}`;
}
