import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useId, useRef, useState } from 'react';
import { saidOf } from '../api/client';
import { quantityQuery } from '../api/queries';
import { typedNumber } from '../units/format';
import { kinds, useUnits } from '../units/units';
import { outside, useFields } from './fields';
import { asWideAs, pauseMs, useNewest, useTyped } from './typed';
import './Fields.scss';

interface NumberProps {
  label: string;
  /** Shown label is left out where the sentence around it says enough; screen readers still get it. */
  quiet?: boolean;
  unit: string;
  value: number | null;
  /** What the server says of it. */
  error?: string;
  /** Given where it may be left empty: the default that then counts, or what is said instead. */
  empty?: number | string;
  /** Place of the field in its document, without indices: its range is said while typing. And how many of what is shown are one there. */
  takes?: { field: string; per?: number };
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
  empty,
  takes: { field, per = 1 } = { field: '' },
  live,
  onChange,
}: NumberProps) {
  const id = useId();
  const giveNewest = useNewest(onChange);
  // What was given last, until it stands there: it may still be refused.
  const given = useRef<number | null | undefined>(undefined);
  useEffect(() => {
    given.current = undefined;
  }, [value]);
  const give = (to: number | null) => {
    given.current = to;
    return giveNewest(to);
  };
  const queries = useQueryClient();
  const units = useUnits();
  const range = useFields().ranges[field];
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
    if (from.trim() === '' && empty !== undefined) {
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
      // Back to what stands there: the refusal is answered, also one that is still to come.
      if (error !== undefined || (given.current !== undefined && given.current !== value)) give(value);
      return;
    }
    if (text.trim() === '' && empty !== undefined) {
      setWrong(null);
      return give(null);
    }
    read(text, (to) => {
      if (to === value) setText(shown);
      else give(to);
    });
  };

  const message = wrong?.of === text ? wrong.message : error;
  const blank = typeof empty === 'number' ? units.field(empty * per, unit) : (empty ?? '');
  return (
    <span className="number-field">
      <label htmlFor={id} className={quiet ? 'visually-hidden' : undefined}>
        {label}
      </label>
      <span className="number-box" data-bad={message ? true : undefined}>
        <input
          id={id}
          data-place={field || undefined}
          inputMode="decimal"
          autoComplete="off"
          value={text}
          placeholder={blank}
          style={asWideAs(text || blank)}
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
