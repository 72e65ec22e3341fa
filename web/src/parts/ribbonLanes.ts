import type { Moment, RibbonSpan } from '../api/client';
import { windowNames } from '../units/format';

export const ms = (m: Moment) => Date.parse(m.at);

/** When something is next to be done about a window: it opens, or it closes. */
const next = (span: RibbonSpan) => ms(span.state === 'open' && span.closes ? span.closes : span.opens);

/** Puts spans into lanes so that none covers another or its words: what is open is placed first, then what comes next. */
export function place(spans: RibbonSpan[], x: (m: Moment) => number, width: number, lanes: number) {
  const taken: { left: number; right: number }[][] = Array.from({ length: lanes }, () => []);
  const placed: { span: RibbonSpan; left: number; right: number; lane: number }[] = [];
  const open = (span: RibbonSpan) => Number(span.state === 'open');
  for (const span of [...spans].sort((a, b) => open(b) - open(a) || next(a) - next(b))) {
    const words =
      30 +
      6.6 *
        `${span.pieceName} · ${windowNames[span.milestone]}${span.state === 'open' ? ', until 00:00' : ''}`
          .length;
    const left = Math.max(0, Math.min(x(span.opens), width - words));
    const right = Math.max(span.closes ? x(span.closes) : 0, left + words);
    const lane = taken.findIndex((row) => row.every((t) => t.right + 4 <= left || right + 4 <= t.left));
    if (lane < 0) continue;
    taken[lane]!.push({ left, right });
    placed.push({
      span,
      left,
      right: span.closes ? Math.min(width, Math.max(x(span.closes), left + 10)) : left + 10,
      lane,
    });
  }
  return placed;
}
