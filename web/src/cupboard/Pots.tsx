import { useQuery } from '@tanstack/react-query';
import type { PaintPot, PotView, Refused } from '../api/client';
import { keepPot } from '../api/changes';
import { potsQuery } from '../api/queries';
import { Choice } from '../parts/Choice';
import { ColourField } from '../parts/ColourField';
import { HowNumber } from '../parts/HowNumber';
import { NumberField } from '../parts/NumberField';
import { TextField } from '../parts/TextField';
import { useUnits } from '../units/units';
import { Ledge, Standing } from './Ledge';
import { useKept } from './useKept';

const fresh: PaintPot = { name: 'New pot', colour: '#8fa88b', kind: 'water', leftMl: 50, note: '' };

/** A full pot, ml, for how high it is drawn filled. */
const fullMl = 150;

/** Paints of one's own mixing in lidded pots: they paint grounds and tint the resin that goes with them. */
export function Pots() {
  const { data: pots } = useQuery(potsQuery);
  const kept = useKept(potsQuery, keepPot, 'pots');
  const pot = pots?.find((p) => p.id === kept.chosen);
  const units = useUnits();
  return (
    <Ledge
      label="Pots"
      hint="Paint of your own mixing: for grounds, and to tint the resin that goes with them."
      add={{ text: 'A new pot', onAdd: () => kept.add(fresh) }}
      beside={
        pot && (
          <Taken
            key={pot.id}
            view={pot}
            refused={kept.refused}
            save={(to) => kept.save(pot.id, pot.version, to)}
          />
        )
      }
    >
      {pots?.map((p) => {
        const left = p.stock.left.value;
        const high = 34 * Math.min(1, left / fullMl);
        return (
          <Standing
            key={p.id}
            chosen={p.id === kept.chosen}
            onTake={() => kept.take(p.id)}
            name={p.pot.name}
            says={left === 0 ? 'empty' : `${units.show(left, 'ml', 0)} left`}
          >
            <svg width="52" height="56" viewBox="0 0 52 56" aria-hidden>
              <rect className="lid" x="6" y="3" width="40" height="9" rx="2" />
              <rect x="9" y={51 - high} width="34" height={high} fill={p.pot.colour} />
              <path className="pot-glass" d="M9 13v34q0 5 5 5h24q5 0 5-5V13z" />
            </svg>
          </Standing>
        );
      })}
    </Ledge>
  );
}

interface TakenProps {
  view: PotView;
  refused: Refused | null;
  save: (to: PaintPot) => void;
}

function Taken({ view, refused, save }: TakenProps) {
  const { pot, stock } = view;
  const units = useUnits();
  const change = (to: Partial<PaintPot>) => save({ ...pot, ...to });
  const say = (field: string) => refused?.errors[field]?.[0];
  return (
    <div className="sentence">
      <p>
        <TextField
          label="Name of the pot"
          quiet
          value={pot.name}
          error={say('name')}
          onChange={(name) => change({ name })}
        />
        {', '}
        <ColourField
          label="Colour of the pot"
          value={pot.colour}
          onChange={(colour) => change({ colour })}
        />{' '}
        <Choice
          label="Kind of paint"
          quiet
          value={pot.kind}
          choices={[
            ['water', 'water-based'],
            ['oil', 'oil'],
          ]}
          onChange={(kind) => change({ kind })}
        />
        {', measured to hold '}
        <NumberField
          label="Left in the pot"
          quiet
          unit="ml"
          value={pot.leftMl}
          error={say('leftMl')}
          onChange={(v) => change({ leftMl: v ?? 0 })}
        />
        {'; '}
        <TextField
          label="How it was mixed"
          quiet
          value={pot.note}
          error={say('note')}
          onChange={(note) => change({ note })}
        />
      </p>
      {stock.uses.length > 0 && (
        <p>
          <HowNumber of={stock.left} label={`Left of ${pot.name}`} decimals={0} /> are left now
          {stock.spokenFor && (
            <>
              , <HowNumber of={stock.spokenFor} label={`Spoken for of ${pot.name}`} decimals={0} /> of it
              spoken for
            </>
          )}
          {stock.short && (
            <>
              : <HowNumber of={stock.short} label={`${pot.name} is short of`} decimals={0} /> too little
            </>
          )}
          .
        </p>
      )}
      {stock.uses.length > 0 && (
        <ul aria-label={`What takes from ${pot.name}`}>
          {stock.uses.map((u, i) => (
            <li key={i}>
              {u.piece}, {u.take.what}: {units.show(u.take.ml, 'ml', 1)}
              {u.take.taken ? ' taken' : ' to come'}
            </li>
          ))}
        </ul>
      )}
      {refused && Object.keys(refused.errors).length === 0 && <p className="say-wrong">{refused.message}</p>}
    </div>
  );
}
