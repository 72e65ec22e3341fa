import type { Moment, RibbonSpan } from '../api/client';
import { clockText, windowNames } from '../units/format';
import type { WindowBar } from './windowBar';
import { windowBar } from './windowBar';

export const ms = (m: Moment) => Date.parse(m.at);

/** What is written on a window; its layer too, where the piece has several. */
export const wordsOn = (span: RibbonSpan) =>
  [span.pieceName, ...(span.layers > 1 ? [span.sittingName] : []), windowNames[span.milestone]].join(' · ');

/** What is told of windows that there is no room for: how many, and when the first of them wants hands. */
export function hiddenWords(hidden: RibbonSpan[]) {
  if (hidden.length === 0) return '';
  const count = `and ${hidden.length} more`;
  if (hidden.some((s) => s.state === 'open')) return `${count}, open now`;
  const first = hidden.reduce((a, b) => (next(b) < next(a) ? b : a));
  return `${count}, ${clockText(first.opens.local)}`;
}

/** When something is next to be done about a window: it opens, or it closes. */
const next = (span: RibbonSpan) => ms(span.state === 'open' && span.closes ? span.closes : span.opens);

const letter = 6.6;
const around = 30;

/**
 * Puts spans into lanes so that none covers another or its words. What opens next is placed first: no long one that is open hides it.
 * Then comes what is open, and then the rest, what is due sooner first.
 */
export function place(spans: RibbonSpan[], x: (m: Moment) => number, width: number, lanes: number) {
  const taken: WindowBar[][] = Array.from({ length: lanes }, () => []);
  const placed: { span: RibbonSpan; bar: WindowBar; lane: number }[] = [];
  const [soonest, ...ahead] = spans.filter((s) => s.state !== 'open').sort((a, b) => next(a) - next(b));
  const open = spans.filter((s) => s.state === 'open').sort((a, b) => next(a) - next(b));
  for (const span of [...(soonest ? [soonest] : []), ...open, ...ahead]) {
    const words = wordsOn(span) + (span.state === 'open' ? ', until 00:00' : '');
    const bar = windowBar(
      x(span.opens),
      span.closes && x(span.closes),
      around + letter * words.length,
      0,
      width,
    );
    const lane = taken.findIndex((row) =>
      row.every((t) => t.right + 4 <= bar.left || bar.right + 4 <= t.left),
    );
    if (lane < 0) continue;
    taken[lane]!.push(bar);
    placed.push({ span, bar, lane });
  }
  return placed;
}
