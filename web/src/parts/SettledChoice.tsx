import { useId, useRef, useState } from 'react';
import { passingKeys } from '../units/format';
import { asWideAs } from './typed';

interface SettledChoiceProps<T extends string> {
  label: string;
  value: T;
  choices: readonly (readonly [T, string])[];
  /** What the button says that takes what is shown. */
  takeIt: (choice: string) => string;
  onChange: (value: T) => void;
}

/**
 * A choice that changes much: what is only passed by the keys is shown and not taken. It is taken by Enter, by the button
 * beside it, or by the mouse; leaving it puts it back.
 */
export function SettledChoice<T extends string>({
  label,
  value,
  choices,
  takeIt,
  onChange,
}: SettledChoiceProps<T>) {
  const id = useId();
  const byKeys = useRef(false);
  const [shown, setShown] = useState<T | null>(null);
  const take = (to: T | null) => {
    setShown(null);
    if (to !== null && to !== value) onChange(to);
  };
  return (
    <span
      className="number-field"
      onBlur={(e) => {
        if (!e.currentTarget.contains(e.relatedTarget)) setShown(null);
      }}
    >
      <label htmlFor={id} className="visually-hidden">
        {label}
      </label>
      <select
        id={id}
        className="choice-box"
        value={shown ?? value}
        style={asWideAs(choices.find(([key]) => key === (shown ?? value))?.[1] ?? '')}
        onPointerDown={() => (byKeys.current = false)}
        onKeyDown={(e) => {
          byKeys.current = passingKeys.test(e.key) && !e.altKey && e.key !== ' ';
          if (e.key === 'Enter' && shown !== null) {
            e.preventDefault();
            take(shown);
          } else if (e.key === 'Escape') {
            setShown(null);
          }
        }}
        onChange={(e) => {
          const to = e.target.value as T;
          if (byKeys.current) setShown(to);
          else take(to);
        }}
      >
        {choices.map(([key, text]) => (
          <option key={key} value={key}>
            {text}
          </option>
        ))}
      </select>
      {shown !== null && shown !== value && (
        <button type="button" className="btn btn-primary" onClick={() => take(shown)}>
          {takeIt(choices.find(([key]) => key === shown)?.[1] ?? '')}
        </button>
      )}
    </span>
  );
}
