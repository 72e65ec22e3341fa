import { useQuery } from '@tanstack/react-query';
import type { Reckoned } from '../api/client';
import { formulasQuery } from '../api/queries';
import { useUnits } from '../units/units';
import { rangeOf, useEditing } from './editing';
import { NumberField } from './NumberField';
import { Opened } from './Opened';
import { useShut } from './shut';
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
  const units = useUnits();
  const { text, unit } = units.part(of.value, of.unit, decimals);
  return (
    <Opened
      className="how"
      button={(ref) => (
        <button
          ref={ref}
          type="button"
          className={`how-number ${className ?? ''}`}
          aria-label={`${label}: ${text} ${unit}. How is it worked out?`}
        >
          <b>{text}</b>
          {unit && <small> {unit}</small>}
        </button>
      )}
    >
      <How of={of} />
    </Opened>
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
function How({ of }: { of: Reckoned }) {
  const shut = useShut();
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
            shut();
            editing.go(of.place!);
          }}
        >
          Show it on the map
        </button>
      )}
    </>
  );
}
