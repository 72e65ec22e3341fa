import { useEffect, useId, useRef, useState } from 'react';
import { passingKeys } from '../units/format';
import { asWideAs, pauseMs, useNewest } from './typed';
import './Fields.scss';

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
  const shown = passed ?? asked ?? value;
  return (
    <span className="number-field">
      <label htmlFor={id} className={quiet ? 'visually-hidden' : undefined}>
        {label}
      </label>
      <select
        id={id}
        className="choice-box"
        value={shown}
        style={asWideAs(choices.find(([key]) => key === shown)?.[1] ?? '')}
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
