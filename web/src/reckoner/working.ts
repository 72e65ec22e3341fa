import type { Reckoned } from '../api/client';
import type { Blank, Out, Part, Sum } from './sums';

export type Values = { [field: string]: number | string | null | Values[] };

/** What a sum starts from. */
export function startOf(parts: Part[]): Values {
  const values: Values = {};
  for (const part of parts) {
    if (typeof part === 'string') continue;
    if ('blank' in part) values[part.blank] = part.start ?? null;
    else if ('words' in part) values[part.words] = part.start;
    else if ('pick' in part) values[part.pick] = part.choices[0]![0];
    else if ('either' in part) {
      const [first, second] = part.either;
      values[first.blank] = first.start ?? null;
      values[chosenOf(first, second)] = first.blank;
      values[second.blank] = second.start ?? null;
    } else {
      const first = Array.isArray(part.start) ? part.start : Array.from({ length: part.start }, () => ({}));
      values[part.many] = first.map((given) => ({ ...startOf(part.parts), ...given }));
    }
  }
  return values;
}

/** Where it is kept which of two counts. */
export const chosenOf = (first: Blank, second: Blank) => `${first.blank}|${second.blank}`;

/** The request a sum makes: what is empty is left out, what is shown in other units is turned into the sum's own. */
export function requestOf(parts: Part[], values: Values): Record<string, unknown> {
  const request: Record<string, unknown> = {};
  const put = (field: string, value: unknown) => {
    const steps = field.split('.');
    let at = request;
    for (const step of steps.slice(0, -1)) at = (at[step] ??= {}) as Record<string, unknown>;
    at[steps.at(-1)!] = value;
  };
  for (const part of parts) {
    if (typeof part === 'string') continue;
    if ('pick' in part) put(part.pick, values[part.pick]);
    else if ('words' in part) put(part.words, values[part.words]);
    else if ('many' in part) {
      const entries = values[part.many] as Values[];
      put(
        part.many,
        entries.map((entry) =>
          part.bare ? own(part.parts[0] as Blank, entry) : requestOf(part.parts, entry),
        ),
      );
    } else {
      const [first, second] = 'either' in part ? part.either : [part, part];
      const counts = values[chosenOf(first, second)] === second.blank ? second : first;
      const value = own(counts, values);
      if (value !== null) put(counts.blank, value);
      if ('either' in part && part.tells) put(part.tells.field, part.tells.as[counts === second ? 1 : 0]);
    }
  }
  return request;
}

const own = (blank: Blank, values: Values) => {
  const value = values[blank.blank];
  return typeof value === 'number' ? Number((value * (blank.scale ?? 1)).toPrecision(12)) : null;
};

export interface Result {
  label: string;
  of: Reckoned;
  decimals?: number;
}

/** The numbers of an answer, each with what it was worked out from. */
export function resultsOf(
  sum: Sum,
  values: Values,
  answer: Record<string, unknown>,
  usual: Record<string, number>,
): Result[] {
  const inputs = inputsOf(sum.parts, values, usual);
  return sum.outs.flatMap((out) => {
    if (!('out' in out)) return [];
    const [choice, unitOf] = out.unitBy ?? [];
    if (choice && unitOf) out = { ...out, unit: unitOf[values[choice] as string] ?? '' };
    const [place = '', below] = out.out.split('[]');
    const at = answer[place];
    if (below === undefined) return typeof at === 'number' ? [result(out, out.label, at, inputs)] : [];
    return (at as unknown[]).map((item, i) => {
      const value = below ? (item as Record<string, number>)[below.slice(1)]! : (item as number);
      return result(out, `${out.label} ${i + 1}`, value, inputs);
    });
  });
}

const result = (out: Out, label: string, value: number, inputs: Reckoned['inputs']): Result => ({
  label,
  decimals: out.decimals,
  of: { value: value / (out.scale ?? 1), unit: out.unit, formula: out.formula, inputs },
});

/** What counts for a blank while it is empty, in its shown unit; null where that is not one number. */
export function usualOf(blank: Blank, usual: Record<string, number>): number | null {
  const value = blank.start === undefined && blank.usual === undefined ? usual[blank.blank] : undefined;
  return value === undefined ? null : Number((value / (blank.scale ?? 1)).toPrecision(12));
}

function inputsOf(
  parts: Part[],
  values: Values,
  usual: Record<string, number>,
  number = '',
): Reckoned['inputs'] {
  return parts.flatMap((part) => {
    if (typeof part === 'string' || 'pick' in part || 'words' in part) return [];
    if ('many' in part)
      return (values[part.many] as Values[]).flatMap((entry, i) =>
        inputsOf(part.parts, entry, usual, ` ${i + 1}`),
      );
    const [first, second] = 'either' in part ? part.either : [part, part];
    const counts = values[chosenOf(first, second)] === second.blank ? second : first;
    const value = values[counts.blank];
    const shown = typeof value === 'number' ? value : usualOf(counts, usual);
    return shown !== null
      ? [
          {
            name: counts.label + number,
            value: shown,
            unit: counts.unit,
            origin: typeof value === 'number' ? ('own' as const) : ('default' as const),
            field: null,
          },
        ]
      : [];
  });
}
