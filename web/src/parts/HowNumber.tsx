import { useQuery } from '@tanstack/react-query';
import { useId, useRef, useState } from 'react';
import { OverlayTrigger, Popover } from 'react-bootstrap';
import type { Reckoned } from '../api/client';
import { formulasQuery } from '../api/queries';
import { useUnits } from '../units/units';
import { rangeOf, useEditing } from './editing';
import { NumberField } from './NumberField';
import './HowNumber.scss';

const origins = {
  default: 'default',
  own: 'yours',
  measured: 'measured',
  learned: 'learned',
  reckoned: 'worked out',
} as const;

interface Props {
  of: Reckoned;
  /** What the number is, for those who cannot see where it stands. */
  label: string;
  decimals?: number;
  className?: string;
}

/** A number that opens to its formula and inputs. */
export function HowNumber({ of, label, decimals, className }: Props) {
  const id = useId();
  const units = useUnits();
  const [open, setOpen] = useState(false);
  const button = useRef<HTMLButtonElement>(null);
  // What opens lies at the end of the page: the keys go in with it, and come back to the number.
  const toggle = (to: boolean) => {
    const inside = document.activeElement?.closest('.how');
    setOpen(to);
    if (!to && inside) button.current?.focus({ preventScroll: true });
  };
  const { text, unit } = units.part(of.value, of.unit, decimals);
  return (
    <OverlayTrigger
      trigger="click"
      rootClose
      show={open}
      onToggle={toggle}
      onEntered={(popover) => {
        // Whoever is in it already is not called away.
        if (!popover.contains(document.activeElement)) popover.focus({ preventScroll: true });
      }}
      placement="auto"
      overlay={
        <Popover id={id} className="how" tabIndex={-1}>
          <Popover.Body>
            <How of={of} onGo={() => setOpen(false)} />
          </Popover.Body>
        </Popover>
      }
    >
      <button
        ref={button}
        type="button"
        className={`how-number ${className ?? ''}`}
        aria-label={`${label}: ${text} ${unit}. How is it worked out?`}
      >
        <b>{text}</b>
        {unit && <small> {unit}</small>}
      </button>
    </OverlayTrigger>
  );
}

/** The clauses of a formula; a part in brackets is left out where none of what it names went in. */
export const wordsFor = (words: string, inputs: Reckoned['inputs']) =>
  words
    .replace(/ ?\[([^\]]*)\]/g, (_, part: string) =>
      inputs.some((i) => part.includes(i.name)) ? ` ${part}` : '',
    )
    .split('; ');

/** The formula in words, with what went into it. */
function How({ of, onGo }: { of: Reckoned; onGo: () => void }) {
  const formulas = useQuery(formulasQuery);
  const units = useUnits();
  const editing = useEditing();
  const formula = formulas.data?.find((f) => f.id === of.formula);
  return (
    <>
      <h3>{formula?.title ?? 'How'}</h3>
      {formula && wordsFor(formula.words, of.inputs).map((clause) => <p key={clause}>{clause}</p>)}
      <dl>
        {of.inputs.map((input) => (
          <div key={input.name}>
            <dt>{input.name}</dt>
            <dd>
              {input.field && editing ? (
                <NumberField
                  label={input.name}
                  quiet
                  unit={input.unit}
                  value={Number(input.value.toFixed(3))}
                  takes={{ field: rangeOf(input.field) }}
                  error={editing.say(input.field)}
                  onChange={(v) => v !== null && editing.set(input.field!, v)}
                />
              ) : (
                units.show(input.value, input.unit)
              )}{' '}
              <em data-origin={input.origin}>{origins[input.origin]}</em>
            </dd>
          </div>
        ))}
      </dl>
      {of.place && editing && (
        <button
          type="button"
          className="btn btn-outline-primary"
          onClick={() => {
            onGo();
            editing.go(of.place!);
          }}
        >
          Show it on the map
        </button>
      )}
    </>
  );
}
