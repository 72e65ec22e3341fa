import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useId, useRef, useState } from 'react';
import { saidOf } from '../api/client';
import { momentQuery } from '../api/queries';
import { fieldText, momentText } from '../units/format';
import { useWorkshop } from '../units/workshop';
import { asWideAs, pauseMs, useNewest, useTyped } from './typed';
import './Fields.scss';

interface TimeProps {
  label: string;
  /** Local date and time to the minute, or empty. */
  value: string;
  error?: string;
  hint?: string;
  onChange: (value: string) => void;
}

/** What a time may be said as. */
const blank = 'tomorrow 7';

/**
 * A moment of the workshop, typed as people say it and shown as everywhere else: "tomorrow 7" becomes "Sat 28 Nov, 07:00". The
 * workshop reads it; it is taken while it is typed.
 */
export function TimeField({ label, value, error, hint, onChange }: TimeProps) {
  const id = useId();
  const give = useNewest(onChange);
  const queries = useQueryClient();
  const now = useWorkshop().data?.now.local;
  const shown = momentText(value, now);
  const [text, setText] = useTyped(shown);
  const [read, setRead] = useState<{ of: string; wrong?: string; as?: string } | null>(null);
  const newest = useRef(text);
  const pause = useRef<ReturnType<typeof setTimeout>>(undefined);
  useEffect(() => () => clearTimeout(pause.current), []);

  const look = (from: string, done: boolean) => {
    if (from === shown) return setRead(null);
    if (from.trim() === '') {
      setRead(null);
      setText(from, '');
      return give('');
    }
    queries
      .fetchQuery(momentQuery(from))
      .then((got) => {
        if (newest.current !== from) return;
        const to = fieldText(got.local);
        const becomes = momentText(to, now);
        setRead({ of: from, as: becomes });
        setText(done ? becomes : from, becomes);
        if (to !== value) give(to);
      })
      .catch((e: unknown) => {
        if (newest.current !== from) return;
        setRead({
          of: from,
          wrong: saidOf(e, 'text', 'It was not read.'),
        });
      });
  };
  const change = (to: string) => {
    setText(to);
    newest.current = to;
    clearTimeout(pause.current);
    pause.current = setTimeout(() => look(to, false), pauseMs);
  };
  const commit = () => {
    clearTimeout(pause.current);
    newest.current = text;
    if (read?.of === text && read.as) return setText(read.as, read.as);
    look(text, true);
  };
  const press = () => {
    newest.current = 'now';
    look('now', true);
  };
  const wrong = read?.of === text ? read.wrong : undefined;
  const message = wrong ?? error;
  const told = read?.of === text && read.as && read.as !== text ? read.as : undefined;
  return (
    <span className="number-field">
      <label htmlFor={id}>{label}</label>
      <span className="moment-field">
        <input
          id={id}
          className="text-box"
          style={asWideAs(text || blank)}
          autoComplete="off"
          placeholder={blank}
          value={text}
          aria-invalid={message ? true : undefined}
          aria-describedby={message ? `${id}-error` : told || hint ? `${id}-hint` : undefined}
          onChange={(e) => change(e.target.value)}
          onBlur={commit}
          onKeyDown={(e) => e.key === 'Enter' && commit()}
        />
        <button
          type="button"
          className="btn btn-outline-primary now-time"
          aria-label={`Now, for ${label.toLowerCase()}`}
          onClick={press}
        >
          Now
        </button>
      </span>
      {!message && (told ?? hint) && (
        <span id={`${id}-hint`} className="hint" role={told ? 'status' : undefined}>
          {told ?? hint}
        </span>
      )}
      {message && (
        <span id={`${id}-error`} className="field-error">
          {message}
        </span>
      )}
    </span>
  );
}
