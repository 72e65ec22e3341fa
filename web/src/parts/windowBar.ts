/** Where a window lies on an axis of hours, and where its words stand. All in pixels. */
export interface WindowBar {
  /** Where it begins, words and all. */
  left: number;
  /** Where it ends, words and all. */
  right: number;
  /** The window itself: how far from `left` it begins, and how long it is. Never longer than it lasts. */
  barLeft: number;
  bar: number;
  /** In the bar where there is room for them, else beside it. */
  words: 'in' | 'after' | 'before';
  /** Whether it goes on before the axis begins, or after it ends. */
  goesOn: { left: boolean; right: boolean };
}

/** A moment is a mark of so many pixels, and so is a window that is shorter on the axis. */
const mark = 4;

/** Lays a window on an axis from `start` to `end`. What begins beyond the end stands at it, and its words point there. */
export function windowBar(
  opens: number,
  closes: number | null,
  words: number,
  start: number,
  end: number,
): WindowBar {
  const on = (x: number) => Math.max(start, Math.min(end, x));
  const from = Math.min(on(opens), end - mark);
  const bar = Math.max(mark, closes === null ? mark : on(closes) - from);
  const goesOn = { left: opens < start, right: (closes ?? opens) > end };
  if (bar >= words && closes !== null)
    return { left: from, right: from + bar, barLeft: 0, bar, words: 'in', goesOn };
  if (from + bar + words <= end)
    return { left: from, right: from + bar + words, barLeft: 0, bar, words: 'after', goesOn };
  const left = Math.max(start, from - words);
  return { left, right: from + bar, barLeft: from - left, bar, words: 'before', goesOn };
}

/** How a bar is drawn, for a style sheet that knows the two lengths. */
export const barStyle = ({ left, right, barLeft, bar }: WindowBar) =>
  ({ left, width: right - left, '--bar-left': `${barLeft}px`, '--bar': `${bar}px` }) as React.CSSProperties;

export const barData = ({ words, goesOn }: WindowBar) => ({
  'data-words': words,
  'data-goes-on': [goesOn.left && 'left', goesOn.right && 'right'].filter(Boolean).join(' ') || undefined,
});
