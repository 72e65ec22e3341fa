import { useQuery } from '@tanstack/react-query';
import { useLayoutEffect, useRef, useState } from 'react';
import { Link } from 'react-router';
import type { Moment, RibbonSpan } from '../api/client';
import { ribbonQuery } from '../api/queries';
import { clockText, localText, untilText, windowNames } from '../units/format';
import { hiddenWords, ms, place, wordsOn } from './ribbonLanes';
import { barData, barStyle } from './windowBar';
import './windowBar.scss';
import './Ribbon.scss';

const laneHeight = 30;
const top = 14;

/** A taller screen has room for more of it at once, px. */
const lanesFor = (height: number) => (height < 900 ? 1 : height < 1150 ? 2 : 3);

/** The strip of the coming three days: nights, and every window of every curing piece. */
export function Ribbon() {
  const { data } = useQuery(ribbonQuery);
  const strip = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(0);
  const [usualLanes, setLanes] = useState(1);
  useLayoutEffect(() => {
    const observer = new ResizeObserver(([entry]) => setWidth(entry?.contentRect.width ?? 0));
    if (strip.current) observer.observe(strip.current);
    const fit = () => setLanes(lanesFor(window.innerHeight));
    fit();
    window.addEventListener('resize', fit);
    return () => {
      observer.disconnect();
      window.removeEventListener('resize', fit);
    };
  }, []);

  const from = data ? ms(data.now) : 0;
  const to = data ? ms(data.to) : 1;
  const x = (m: Moment) => Math.round(((ms(m) - from) / (to - from)) * width);
  const [all, setAll] = useState(false);
  // Its windows are one stop of Tab; the arrows go from one to the next.
  const [at, setAt] = useState(0);
  const step = (e: React.KeyboardEvent, from: number) => {
    const by = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[e.key];
    if (!by) return;
    e.preventDefault();
    const links = [...(strip.current?.querySelectorAll<HTMLElement>('.span') ?? [])];
    links[(from + by + links.length) % links.length]?.focus();
  };
  const room = width > 0 && data ? place(data.spans, x, width - moreWidth, usualLanes) : [];
  const shown = new Set(room.map((p) => p.span));
  const hidden = width > 0 && data ? data.spans.filter((s) => !shown.has(s)) : [];
  const placed = all && data ? place(data.spans, x, width - moreWidth, data.spans.length) : room;
  const lanes = Math.max(usualLanes, ...placed.map((p) => p.lane + 1));
  return (
    <nav className="ribbon" aria-label="The coming three days">
      <div ref={strip} className="ribbon-strip" style={{ height: top + lanes * laneHeight + 2 }}>
        {data?.nights.map((night) => (
          <div key={night.from.at}>
            <div className="night" style={{ left: x(night.from), width: x(night.to) - x(night.from) }} />
            {x(night.from) > 34 && x(night.from) < width - 40 && (
              <span className="hour" style={{ left: x(night.from) }}>
                {clockText(night.from.local)}
              </span>
            )}
            {x(night.to) > 34 && x(night.to) < width - 70 && (
              <span className="hour" style={{ left: x(night.to) }}>
                {localText(night.to.local).slice(0, 3)} {clockText(night.to.local)}
              </span>
            )}
          </div>
        ))}
        <span className="hour" data-now>
          now
        </span>
        {placed.map(({ span, bar, lane }, i) => (
          <Link
            tabIndex={i === Math.min(at, placed.length - 1) ? undefined : -1}
            onFocus={() => setAt(i)}
            onKeyDown={(e) => step(e, i)}
            key={`${span.pieceId}/${span.sittingId}/${span.milestone}`}
            to={`/pieces/${span.pieceId}/cure?layer=${span.layerId}&sitting=${span.sittingId}`}
            className="span window-bar"
            data-state={span.state}
            data-planned={!span.poured || undefined}
            data-moment={!span.closes || undefined}
            data-renewing={span.renewing || undefined}
            {...barData(bar)}
            style={{ ...barStyle(bar), top: top + lane * laneHeight }}
            title={spanText(span)}
          >
            {wordsOn(span)}
            {span.state === 'open' && span.closes ? `, until ${clockText(span.closes.local)}` : ''}
            <span className="visually-hidden">, {whenText(span)}</span>
          </Link>
        ))}
        {data && data.spans.length === 0 && (
          <p className="quiet-line">
            Nothing is curing. A window appears here when a pour is planned or logged.
          </p>
        )}
        {data && data.failed.length > 0 && (
          <span className="ribbon-failed">
            Cannot be worked out:{' '}
            {data.failed.map((p, i) => (
              <span key={p.id}>
                {i > 0 && ', '}
                <Link to={`/pieces/${p.id}/map`}>{p.name}</Link>
              </span>
            ))}
          </span>
        )}
        {(hidden.length > 0 || all) && (
          <button
            type="button"
            className="ribbon-more"
            data-now={(!all && hidden.some((s) => s.state === 'open')) || undefined}
            aria-expanded={all}
            onClick={() => setAll(!all)}
          >
            {all ? 'show fewer' : hiddenWords(hidden)}
          </button>
        )}
      </div>
    </nav>
  );
}

function spanText(span: RibbonSpan) {
  return `${span.pieceName}, ${span.sittingName}: ${windowNames[span.milestone]}, ${whenText(span)}`;
}

function whenText(span: RibbonSpan) {
  const to = span.closes ? ` to ${untilText(span.opens.local, span.closes.local)}` : '';
  const state = span.state === 'open' ? ', open now' : '';
  const known = `${span.half ? ', half poured' : span.poured ? '' : ', as planned'}${span.renewing ? ', being worked out anew' : ''}`;
  return `from ${localText(span.opens.local)}${to}${state}${known}`;
}

/** Room at the right end for the button that shows the rest. */
const moreWidth = 156;
