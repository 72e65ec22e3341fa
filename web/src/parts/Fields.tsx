import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useId, useRef, useState } from 'react';
import { saidOf } from '../api/client';
import { momentQuery, quantityQuery } from '../api/queries';
import { kinds, useUnits } from '../units/units';
import { outside, useFields } from './fields';
import { useWorkshop } from '../units/workshop';
import { fieldText, momentText, passingKeys, typedNumber } from '../units/format';
import './Fields.scss';

/** How long nothing is typed before what stands there is looked at. */
const pauseMs = 350;

/**
 * Text being typed over a shown value; when that value changes from elsewhere, it takes its place. A text that is taken
 * while it is typed says what will be shown for it, and stays.
 */
function useTyped(shown: string) {
  const [state, setState] = useState({ shown, text: shown });
  if (state.shown !== shown) setState({ shown, text: shown });
  return [
    state.shown === shown ? state.text : shown,
    (text: string, becomes = shown) => setState({ shown: becomes, text }),
  ] as const;
}

/** A callback as it was given last: what is taken after a pause must not undo what was changed meanwhile. */
function useNewest<T>(callback: (value: T) => void) {
  const newest = useRef(callback);
  useEffect(() => {
    newest.current = callback;
  });
  return useCallback((value: T) => newest.current(value), []);
}

interface NumberProps {
  label: string;
  /** Shown label is left out where the sentence around it says enough; screen readers still get it. */
  quiet?: boolean;
  unit: string;
  value: number | null;
  /** What the server says of it. */
  error?: string;
  /** Shown while empty: the default that then counts. */
  placeholder?: string;
  /** May it be left empty? */
  optional?: boolean;
  width?: number;
  /** Place of the field in its document, without indices: its range is said while typing. */
  takes?: string;
  /** How many of the shown unit are one of the document's. */
  per?: number;
  /** Is it taken while it is typed, not only when left? */
  live?: boolean;
  onChange: (value: number | null) => void;
}

/**
 * A number with its unit, shown in the person's own. It is taken on Enter or when left, or while typed; a quantity in any
 * usual unit is read by the workshop. What is no number or out of range is said beside it and nothing is lost.
 */
export function NumberField({
  label,
  quiet,
  unit,
  value,
  error,
  placeholder,
  optional,
  width = 76,
  takes = '',
  per = 1,
  live,
  onChange,
}: NumberProps) {
  const id = useId();
  const give = useNewest(onChange);
  const queries = useQueryClient();
  const units = useUnits();
  const range = useFields().ranges[takes];
  const shown = value === null ? '' : units.field(value, unit);
  const [text, setText] = useTyped(shown);
  // What was refused and is given up goes, and what stands there is shown again.
  const [had, setHad] = useState(error);
  if (had !== error) {
    setHad(error);
    if (had !== undefined && error === undefined) setText(shown);
  }
  const [wrong, setWrong] = useState<{ of: string; message: string } | null>(null);
  const say = (of: string, message: string | null) => setWrong(message === null ? null : { of, message });
  const newest = useRef(shown);
  const pause = useRef<ReturnType<typeof setTimeout>>(undefined);
  useEffect(() => () => clearTimeout(pause.current), []);
  const kind = unit in kinds ? kinds[unit as keyof typeof kinds] : null;

  const own = units.unit(unit, value);
  const plain = `Type a number${own ? ` in ${own}` : ''}, such as 12.5.`;
  const show = (v: number) => units.part(v * per, unit, Number.isInteger(v * per) ? 0 : 2);

  /** Reads what stands there; a quantity with a unit is read by the workshop, and counts only if it still stands there. */
  const read = (from: string, then: (value: number) => void) => {
    const got = (value: number) => {
      say(from, outside(range, value / per, show));
      then(value);
    };
    const number = typedNumber(from);
    if (number !== null) return got(units.typed(number, unit, value));
    if (!kind || !/\d/.test(from)) return say(from, plain);
    queries
      .fetchQuery(quantityQuery(from, kind))
      .then((answer) => newest.current === from && got(Number(answer.value.toFixed(3))))
      .catch((e: unknown) => say(from, saidOf(e, 'text', plain)));
  };

  const look = (from: string) => {
    if (from.trim() === '' && optional) {
      setWrong(null);
      if (live && value !== null) {
        setText(from, '');
        give(null);
      }
      return;
    }
    read(from, (to) => {
      if (!live || to === value) return;
      setText(from, units.field(to, unit));
      give(to);
    });
  };

  const change = (to: string) => {
    setText(to);
    newest.current = to;
    clearTimeout(pause.current);
    pause.current = setTimeout(() => look(to), pauseMs);
  };

  const commit = () => {
    clearTimeout(pause.current);
    newest.current = text;
    if (text === shown) {
      setWrong(null);
      // Back to what stands there: the refusal is answered.
      if (error !== undefined) give(value);
      return;
    }
    if (text.trim() === '' && optional) {
      setWrong(null);
      return give(null);
    }
    read(text, (to) => {
      if (to === value) setText(shown);
      else give(to);
    });
  };

  const message = wrong?.of === text ? wrong.message : error;
  return (
    <span className="number-field">
      <label htmlFor={id} className={quiet ? 'visually-hidden' : undefined}>
        {label}
      </label>
      <span className="number-box" data-bad={message ? true : undefined}>
        <input
          id={id}
          data-place={takes || undefined}
          inputMode="decimal"
          autoComplete="off"
          value={text}
          placeholder={placeholder}
          style={{ width }}
          aria-invalid={message ? true : undefined}
          aria-describedby={`${id}-unit${message ? ` ${id}-error` : ''}`}
          onChange={(e) => change(e.target.value)}
          onBlur={commit}
          onKeyDown={(e) => e.key === 'Enter' && commit()}
        />
        <span id={`${id}-unit`} className="unit">
          {own}
        </span>
      </span>
      {message && (
        <span id={`${id}-error`} className="field-error">
          {message}
        </span>
      )}
    </span>
  );
}

interface TextProps {
  label: string;
  quiet?: boolean;
  value: string;
  error?: string;
  width?: number | string;
  lines?: number;
  /** Is it taken while it is typed, not only when left? */
  live?: boolean;
  onChange: (value: string) => void;
}

/** A line or some lines of text, taken when left; Enter takes a line. */
export function TextField({ label, quiet, value, error, width = 180, lines, live, onChange }: TextProps) {
  const id = useId();
  const [text, setText] = useTyped(value);
  const give = useNewest(onChange);
  const pause = useRef<ReturnType<typeof setTimeout>>(undefined);
  useEffect(() => () => clearTimeout(pause.current), []);
  const change = (to: string) => {
    setText(to);
    if (!live) return;
    clearTimeout(pause.current);
    pause.current = setTimeout(() => {
      setText(to, to);
      give(to);
    }, pauseMs);
  };
  const commit = () => {
    clearTimeout(pause.current);
    if (text !== value) give(text);
  };
  const shared = {
    id,
    value: text,
    style: { width },
    className: 'text-box',
    'aria-invalid': error ? true : undefined,
    'aria-describedby': error ? `${id}-error` : undefined,
    onBlur: commit,
  };
  return (
    <span className="number-field">
      <label htmlFor={id} className={quiet ? 'visually-hidden' : undefined}>
        {label}
      </label>
      {lines ? (
        <textarea {...shared} rows={lines} onChange={(e) => change(e.target.value)} />
      ) : (
        <input
          {...shared}
          autoComplete="off"
          onChange={(e) => change(e.target.value)}
          onKeyDown={(e) => e.key === 'Enter' && commit()}
        />
      )}
      {error && (
        <span id={`${id}-error`} className="field-error">
          {error}
        </span>
      )}
    </span>
  );
}

interface TimeProps {
  label: string;
  /** Local date and time to the minute, or empty. */
  value: string;
  error?: string;
  hint?: string;
  onChange: (value: string) => void;
}

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
          className="text-box time-box"
          autoComplete="off"
          placeholder="tomorrow 7"
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

interface ChoiceProps<T extends string> {
  label: string;
  quiet?: boolean;
  value: T;
  choices: readonly (readonly [T, string])[];
  /** What takes a while shows what was chosen until it is done. */
  onChange: (value: T) => unknown;
}

export function Choice<T extends string>({ label, quiet, value, choices, onChange }: ChoiceProps<T>) {
  const id = useId();
  const [asked, setAsked] = useState<T | null>(null);
  const give = useNewest((to: T) => {
    const done = onChange(to);
    if (!(done instanceof Promise)) return;
    setAsked(to);
    void done.finally(() => setAsked(null));
  });
  // What is only passed by the keys is shown and not taken: it is when they rest, by Enter, or when it is left.
  const byKeys = useRef(false);
  const pause = useRef<ReturnType<typeof setTimeout>>(undefined);
  const [passed, setPassed] = useState<T | null>(null);
  useEffect(() => () => clearTimeout(pause.current), []);
  const settle = (to: T | null) => {
    clearTimeout(pause.current);
    setPassed(null);
    if (to !== null && to !== value) give(to);
  };
  const choose = (to: T) => {
    clearTimeout(pause.current);
    if (!byKeys.current) return settle(to);
    setPassed(to);
    pause.current = setTimeout(() => settle(to), pauseMs);
  };
  return (
    <span className="number-field">
      <label htmlFor={id} className={quiet ? 'visually-hidden' : undefined}>
        {label}
      </label>
      <select
        id={id}
        className="choice-box"
        value={passed ?? asked ?? value}
        onPointerDown={() => (byKeys.current = false)}
        onKeyDown={(e) => {
          byKeys.current = passingKeys.test(e.key) && !e.altKey && e.key !== ' ';
          if (e.key !== 'Enter' || passed === null) return;
          e.preventDefault();
          settle(passed);
        }}
        onBlur={() => settle(passed)}
        onChange={(e) => choose(e.target.value as T)}
      >
        {choices.map(([key, text]) => (
          <option key={key} value={key}>
            {text}
          </option>
        ))}
      </select>
    </span>
  );
}

interface WhetherProps {
  label: string;
  value: boolean;
  no: string;
  yes: string;
  onChange: (value: boolean) => unknown;
}

/** One of two, told in words in a sentence. */
export function Whether({ label, value, no, yes, onChange }: WhetherProps) {
  return (
    <Choice
      label={label}
      quiet
      value={value ? 'yes' : 'no'}
      choices={[
        ['no', no],
        ['yes', yes],
      ]}
      onChange={(to) => onChange(to === 'yes')}
    />
  );
}

interface ColourProps {
  label: string;
  value: string;
  onChange: (value: string) => void;
}

/** A colour well. The browser reports every shade on the way; only the one settled on is taken. */
export function ColourField({ label, value, onChange }: ColourProps) {
  const input = useRef<HTMLInputElement>(null);
  const give = useNewest(onChange);
  useEffect(() => {
    const well = input.current;
    const settle = () => well && give(well.value);
    well?.addEventListener('change', settle);
    return () => well?.removeEventListener('change', settle);
  }, [give]);
  useEffect(() => {
    if (input.current) input.current.value = value;
  }, [value]);
  return (
    <input
      ref={input}
      type="color"
      className="colour-well"
      aria-label={label}
      title={label}
      defaultValue={value}
    />
  );
}
