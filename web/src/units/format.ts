import type { Milestone } from '../api/client';

/** A number with at most so many decimals, a true minus and no trailing zeros lost: tools have steps. */
export function fixed(value: number, decimals: number): string {
  const text = value.toFixed(decimals);
  return (Number(text) === 0 ? (0).toFixed(decimals) : text).replace('-', '−');
}

/** As many decimals as say something about a value of this unit. */
export function decimalsOf(value: number, unit: string): number {
  if (unit === 'g/ml') return 3;
  if (unit === 'g') return 1;
  if (unit === 'cm²') return Math.abs(value) < 10 ? 2 : Math.abs(value) < 100 ? 1 : 0;
  if (unit === 'ml') return Math.abs(value) < 10 ? 1 : 0;
  if (unit === 'mm') return Math.abs(value) < 100 && !Number.isInteger(value) ? 1 : 0;
  if (unit === 'h' || unit === '×') return 2;
  // Levels are read to thousandths of a degree; large angles are not.
  if (unit === '°' && Math.abs(value) < 1 && value !== 0) return 3;
  if (unit === '%' || unit === '°C') return Number.isInteger(value) ? 0 : 1;
  return Number.isInteger(value) ? 0 : 2;
}

export function quantity(value: number, unit: string): string {
  return `${fixed(value, decimalsOf(value, unit))}${unit === '' ? '' : ` ${unit}`}`;
}

let hours = 24;

/** Hours are told to 24 or to 12 from now on, by the workshop's setting. */
export const tellTo = (to: number) => {
  hours = to;
};

const days = ['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat'];
const months = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

/** A local date and time of the workshop, such as "Wed 25 Nov, 14:36". The page's own zone plays no part. */
export function localText(local: string): string {
  const [date = '', time = ''] = local.split('T');
  const [year = 0, month = 1, day = 1] = date.split('-').map(Number);
  const weekday = days[new Date(Date.UTC(year, month - 1, day)).getUTCDay()];
  return `${weekday} ${day} ${months[month - 1]}, ${clock(time)}`;
}

/** Half past two is 14:30, or 2:30 pm. */
function clock(time: string): string {
  if (hours !== 12) return time.slice(0, 5);
  const hour = Number(time.slice(0, 2));
  return `${hour % 12 || 12}:${time.slice(3, 5)} ${hour < 12 ? 'am' : 'pm'}`;
}

/** The same in a field, where the year is said if it is not the one that would be taken. */
export function momentText(local: string | null | undefined, now?: string): string {
  if (!local) return '';
  const text = localText(local);
  const [then, here] = [local, now ?? local].map((t) => Date.parse(`${t.slice(0, 10)}T00:00Z`));
  return Math.abs(then! - here!) < 150 * 86_400_000 ? text : text.replace(', ', ` ${local.slice(0, 4)}, `);
}

/** The end of a span: on the same day only the clock. */
export const untilText = (from: string, to: string) =>
  from.slice(0, 10) === to.slice(0, 10) ? clockText(to) : localText(to);

export const clockText = (local: string) => clock(local.slice(11, 16));

/** For a date-and-time field, to the minute. */
export const fieldText = (local: string | null | undefined) => (local ? local.slice(0, 16) : '');

/** From a date-and-time field to the wire. */
export const wireText = (field: string) => (field === '' ? null : `${field.slice(0, 16)}:00`);

export const windowNames: Record<Milestone, string> = {
  'tape-pull': 'tape off',
  'dam-pull': 'dam tape off',
  'edge-roll': 'roll the edge',
  'next-layer': 'next layer',
  'touch-dry': 'touch-dry',
  demould: 'out of the mould',
  'full-cure': 'full cure',
  'off-sheet': 'off the sheet',
  'back-tape': 'back tape off',
};

/** A number typed with a decimal comma or point, or as inches are read off a rule: 3/16, 1 3/16. Null when it is not one. */
export function typedNumber(text: string): number | null {
  const plain = text.trim().replace(',', '.').replace('−', '-');
  const [, sign, whole, over, under] = /^(-?)(?:(\d+)[ -])?(\d+)\/(2|4|8|16|32|64)$/.exec(plain) ?? [];
  if (under) return Number(`${sign}1`) * (Number(whole ?? 0) + Number(over) / Number(under));
  return /^-?(\d+\.?\d*|\.\d+)$/.test(plain) ? Number(plain) : null;
}

/** As many decimals as a tool's step has, so that nothing is shown finer than it resolves. */
export const decimalsOfStep = (step: number) => Math.max(0, Math.ceil(-Math.log10(step) - 1e-9));

/** Keys by which a closed list passes from one choice to the next. */
export const passingKeys = /^(Arrow|Home$|End$|Page|.$)/;

/** Decimals of what is read off a marked cup, to a part of its step: a part that falls between two marks says so. */
export const markDecimals = (ml: number) => (Math.abs(ml - Math.round(ml)) < 0.05 ? 0 : 1);
