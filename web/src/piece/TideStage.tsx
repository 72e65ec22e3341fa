import { useQuery } from '@tanstack/react-query';
import { useRef } from 'react';
import type { Moment, SittingView, WindowView } from '../api/client';
import { ribbonQuery } from '../api/queries';
import { useStation } from '../stations/station';
import { clockText, localText, windowNames } from '../units/format';
import { useUnits } from '../units/units';
import { useSize } from '../parts/useSize';
import type { WindowBar } from '../parts/windowBar';
import { barData, barStyle, windowBar } from '../parts/windowBar';
import './TideStage.scss';

const ms = (m: Moment) => Date.parse(m.at);
const hour = 3_600_000;
/** At least so much of what comes is shown, and so much before now. */
const leastAheadMs = 30 * hour;
const behindMs = 2 * hour;
/** The sea stands as high as the room is warm, °C. */
const [coldest, warmest] = [10, 32];
const laneHeight = 32;
const left = 16;

/**
 * The tide: the room's warmth as a sea with the hours along its shore, and over it every sitting's windows, from when they open to
 * when they close.
 */
export function TideStage() {
  const { plan, piece, sittingPlan } = useStation();
  const units = useUnits();
  const { data: ribbon } = useQuery(ribbonQuery);
  const stage = useRef<HTMLElement>(null);
  const { width, height } = useSize(stage);
  const there = ribbon !== undefined && width > 0;
  const sittings = plan.sittings.filter((s) => s.windows.length > 0);
  const now = ribbon ? ms(ribbon.now) : 0;
  const [from, to] = spanOf(sittings, now);
  const x = (at: number) => left + ((at - from) / (to - from)) * (width - 2 * left);
  const seaTop = height - 132;
  const y = (roomC: number) =>
    height - 34 - ((roomC - coldest) / (warmest - coldest)) * (height - 34 - seaTop);
  const rows = sittings.map((s) => ({ sitting: s, lanes: lanesOf(s.windows, from, x, width - left) }));
  const spare = seaTop - rows.reduce((sum, r) => sum + rowHeight(r.lanes), 0);
  const gap = Math.max(4, Math.min(28, spare / (rows.length + 1)));
  const tops = rows.map(
    (_, i) => gap + rows.slice(0, i).reduce((sum, r) => sum + rowHeight(r.lanes) + gap, 0),
  );
  const roomC =
    roomOf(sittingPlan) ?? piece.sittings.find((s) => s.id === sittingPlan.sittingId)?.roomC ?? null;
  const level = roomC === null ? null : y(roomC);
  return (
    <section className="tide" aria-label="The tide" ref={stage}>
      {there && (
        <svg width={width} height={Math.max(height, (tops.at(-1) ?? 0) + 200)} aria-hidden>
          {ribbon.nights.map((night) => (
            <rect
              key={night.from.at}
              className="tide-night"
              x={x(Math.max(from, ms(night.from)))}
              width={Math.max(0, x(Math.min(to, ms(night.to))) - x(Math.max(from, ms(night.from))))}
              height={height}
            />
          ))}
          {level !== null && <path className="tide-sea" d={wave(level, width, height)} />}
          {level !== null && <path className="tide-line" d={`M0 ${level}H${width}`} />}
          {hoursOf(from, to).map((at) => (
            <path key={at} className="tide-hour" d={`M${x(at)} ${height - 34}v10`} />
          ))}
          <path className="tide-now" d={`M${x(now)} 0V${height}`} />
        </svg>
      )}
      {level !== null && there && (
        <p className="tide-room" style={{ top: level - 26, right: 14 }}>
          the room, <b>{units.show(roomC!, '°C')}</b>
        </p>
      )}
      {there && (
        <p className="tide-at" style={{ left: x(now) + 5, top: 2 }}>
          now
        </p>
      )}
      {there &&
        shownHours(ribbon.nights, from, to, x).map(({ at, text }) => (
          <p key={at} className="tide-at" style={{ left: x(at), bottom: 2 }}>
            {text}
          </p>
        ))}
      {there &&
        rows.map(({ sitting, lanes }, i) => (
          <div key={sitting.sittingId} className="tide-row" style={{ top: tops[i] }}>
            <p className="tide-name" data-shown={sitting.sittingId === sittingPlan.sittingId || undefined}>
              {sitting.name}
              {sitting.span && (
                <small>
                  {' '}
                  {sitting.done ? 'poured' : sitting.poured ? 'half poured' : 'to be poured'}{' '}
                  {localText(sitting.span.start.local)}
                </small>
              )}
            </p>
            {lanes.flatMap((lane, at) =>
              lane.map(({ window: w, bar }) => (
                <p
                  key={w.milestone}
                  className="tide-span window-bar"
                  data-state={w.state}
                  data-moment={!w.closes || undefined}
                  data-planned={!sitting.poured || undefined}
                  {...barData(bar)}
                  style={{ ...barStyle(bar), top: 24 + at * laneHeight }}
                >
                  {windowNames[w.milestone]}
                  <b>
                    {w.closes
                      ? `${clockText(w.opens.local)} to ${clockText(w.closes.local)}`
                      : localText(w.opens.local)}
                  </b>
                  {w.state === 'open' && 'open now'}
                  {ms(w.opens) > to && '→'}
                </p>
              )),
            )}
          </div>
        ))}
      {sittings.length === 0 && (
        <p className="tide-none">Say when the pour starts: its windows rise out of the tide here.</p>
      )}
    </section>
  );
}

/** The temperature that a sitting's windows were worked out with. */
const roomOf = (sitting: SittingView) => sitting.span?.roomC ?? null;

/** What is shown: from the first pour that still cures to the last window, but for the full cure, which may lie far off. */
function spanOf(sittings: SittingView[], now: number): [number, number] {
  const ends = sittings.flatMap((s) =>
    s.windows.flatMap((w) => (w.milestone === 'full-cure' ? [] : [ms(w.closes ?? w.opens)])),
  );
  const starts = sittings.flatMap((s) => (s.span ? [ms(s.span.start)] : []));
  const open = ends.filter((e) => e > now);
  // What is long past is left behind, unless there is nothing else.
  const last = open.length > 0 ? Math.max(...open) : ends.length > 0 ? Math.max(...ends) : now;
  const first =
    open.length > 0 || ends.length === 0
      ? Math.min(now, ...starts.filter((s) => s > now - 12 * hour))
      : Math.min(...starts, now);
  const from = first - behindMs;
  return [from, Math.max(last + 3 * hour, from + leastAheadMs)];
}

interface Placed {
  window: WindowView;
  bar: WindowBar;
}

/** Windows in as few lanes as their words need; what begins beyond the end stands at it. */
function lanesOf(windows: WindowView[], start: number, x: (at: number) => number, end: number) {
  const lanes: Placed[][] = [];
  // What is over before the tide begins is told in the column alone.
  const shown = windows.filter((w) => w.state !== 'never' && ms(w.closes ?? w.opens) >= start);
  for (const window of shown) {
    const words =
      40 +
      8 * (windowNames[window.milestone].length + (window.closes ? 14 : 17)) +
      (window.state === 'open' ? 70 : 0);
    const bar = windowBar(x(ms(window.opens)), window.closes && x(ms(window.closes)), words, left, end);
    const lane = lanes.find((l) =>
      l.every((p) => p.bar.right + 6 <= bar.left || bar.right + 6 <= p.bar.left),
    );
    const placed = { window, bar };
    if (lane) lane.push(placed);
    else lanes.push([placed]);
  }
  return lanes;
}

const rowHeight = (lanes: Placed[][]) => 24 + lanes.length * laneHeight;

function hoursOf(from: number, to: number) {
  const step = [1, 2, 3, 6, 12].find((h) => (to - from) / (h * hour) <= 30) ?? 24;
  const first = Math.ceil(from / (step * hour)) * step * hour;
  return Array.from(
    { length: Math.max(0, Math.floor((to - first) / (step * hour)) + 1) },
    (_, i) => first + i * step * hour,
  );
}

/** Evenings and mornings, as the ribbon tells them, where there is room for their words. */
function shownHours(
  nights: { from: Moment; to: Moment }[],
  from: number,
  to: number,
  x: (at: number) => number,
) {
  let free = 0;
  return nights
    .flatMap((n) => [n.from, n.to])
    .filter((m) => ms(m) >= from && ms(m) <= to)
    .flatMap((m) => {
      const at = ms(m);
      if (x(at) < free) return [];
      free = x(at) + 104;
      return [{ at, text: `${localText(m.local).slice(0, 3)} ${clockText(m.local)}` }];
    });
}

/** The surface of the sea, with a slow swell. */
function wave(level: number, width: number, height: number) {
  const length = 180;
  const waves = Array.from(
    { length: Math.ceil(width / length) + 1 },
    () => `q${length / 4} -9 ${length / 2} 0t${length / 2} 0`,
  ).join('');
  return `M0 ${level + 6}${waves}V${height}H0Z`;
}
