import type { ReactNode } from 'react';
import './Ledge.scss';

interface Props {
  label: string;
  hint: string;
  /** What puts something new on it, and what that is called. */
  add?: { text: string; onAdd: () => void };
  /** The things that stand on it. */
  children: ReactNode;
  /** What was taken down from it, in a sentence. */
  beside?: ReactNode;
}

/** A shelf of the cupboard: things stand on it, and the one that was taken down is told about beside it. */
export function Ledge({ label, hint, add, children, beside }: Props) {
  return (
    <section className="ledge" aria-label={label} data-open={beside ? true : undefined}>
      <div className="ledge-shelf">
        <div className="ledge-head">
          <h2>{label}</h2>
          <p className="hint">{hint}</p>
          {add && (
            <button type="button" className="btn btn-outline-primary" onClick={add.onAdd}>
              {add.text}
            </button>
          )}
        </div>
        <ul className="board" aria-label={`On the shelf: ${label}`}>
          {children}
        </ul>
      </div>
      {beside && <div className="ledge-beside">{beside}</div>}
    </section>
  );
}

interface StandingProps {
  chosen: boolean;
  onTake: () => void;
  name: string;
  says: string;
  className?: string;
  /** How it looks. */
  children?: ReactNode;
}

/** A thing on a shelf; a press takes it down, another puts it back. */
export function Standing({ chosen, onTake, name, says, className = '', children }: StandingProps) {
  return (
    <li>
      <button type="button" className={`hanging ${className}`} aria-pressed={chosen} onClick={onTake}>
        {children}
        <span className="label">
          <b>{name}</b>
          <small>{says}</small>
        </span>
      </button>
    </li>
  );
}
