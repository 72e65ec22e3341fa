import { useEffect, useId, useRef } from 'react';
import { asWideAs, pauseMs, useNewest, useTyped } from './typed';
import './Fields.scss';

interface TextProps {
  label: string;
  quiet?: boolean;
  value: string;
  error?: string;
  /** What stands there while it is empty. */
  blank?: string;
  lines?: number;
  /** Is it taken while it is typed, not only when left? */
  live?: boolean;
  onChange: (value: string) => void;
}

/** A line or some lines of text, taken when left; Enter takes a line. */
export function TextField({ label, quiet, value, error, blank = '', lines, live, onChange }: TextProps) {
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
    placeholder: blank,
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
        <textarea {...shared} className="text-lines" rows={lines} onChange={(e) => change(e.target.value)} />
      ) : (
        <input
          {...shared}
          className="text-box"
          style={asWideAs(text || blank)}
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
