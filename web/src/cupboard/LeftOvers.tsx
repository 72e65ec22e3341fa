import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { Refused, Schemas } from '../api/client';
import { keepLeftOver, takeOutLeftOver } from '../api/changes';
import { leftOversQuery } from '../api/queries';
import { Choice } from '../parts/Choice';
import { ColourField } from '../parts/ColourField';
import { NumberField } from '../parts/NumberField';
import { TextField } from '../parts/TextField';
import { leftOverWords } from '../parts/leftOvers';
import { useUnits } from '../units/units';
import { PutBack } from './PutBack';
import { Ledge, Standing } from './Ledge';
import { useKept } from './useKept';

type LeftOver = Schemas['LeftOver'];

const fresh: LeftOver = { name: 'New left-over', colour: '#d07d1c', use: 'cast-stones', grams: 20, note: '' };

/** What was made from resin that was left over: stones by colour, spare castings. */
export function LeftOvers() {
  const { data: all } = useQuery(leftOversQuery);
  const kept = useKept(leftOversQuery, keepLeftOver, 'left-overs');
  const takingOut = useMutation(takeOutLeftOver);
  const [gone, setGone] = useState<LeftOver | null>(null);
  const units = useUnits();
  const chosen = all?.find((l) => l.id === kept.chosen);
  return (
    <>
      <Ledge
        label="Left-over shelf"
        hint="What became of resin that was left over. The station Cups says how much there will be, and of which colour."
        add={{ text: 'Put something on it', onAdd: () => kept.add(fresh) }}
        beside={
          chosen && (
            <Taken
              key={chosen.id}
              leftOver={chosen.leftOver}
              refused={kept.refused}
              save={(to) => kept.save(chosen.id, chosen.version, to)}
              remove={() => takingOut.mutate(chosen.id, { onSuccess: () => setGone(chosen.leftOver) })}
            />
          )
        }
      >
        {all?.map(({ id, leftOver: l }) => (
          <Standing
            key={id}
            chosen={id === kept.chosen}
            onTake={() => kept.take(id)}
            name={l.name}
            says={`${units.show(l.grams, 'g', 0)} ${leftOverWords[l.use].on}`}
          >
            <svg width="52" height="30" viewBox="0 0 52 30" aria-hidden>
              {l.use === 'cast-stones' ? (
                <path
                  className="pot-glass"
                  style={{ fill: l.colour }}
                  d="M4 28l6-12 9 2 3 10zM24 28l4-18 12 4 2 14zM44 28l2-9 5 2v7z"
                />
              ) : (
                <ellipse className="pot-glass" style={{ fill: l.colour }} cx="26" cy="20" rx="22" ry="8" />
              )}
            </svg>
          </Standing>
        ))}
      </Ledge>
      {gone && (
        <PutBack
          name={gone.name}
          onBack={() => {
            kept.add(gone);
            setGone(null);
          }}
          onClose={() => setGone(null)}
        />
      )}
    </>
  );
}

interface TakenProps {
  leftOver: LeftOver;
  refused: Refused | null;
  save: (to: LeftOver) => void;
  remove: () => void;
}

function Taken({ leftOver, refused, save, remove }: TakenProps) {
  const change = (to: Partial<LeftOver>) => save({ ...leftOver, ...to });
  const say = (field: string) => refused?.errors[field]?.[0];
  return (
    <div className="sentence">
      <p>
        <TextField
          label="Name of the left-over"
          quiet
          value={leftOver.name}
          error={say('name')}
          onChange={(name) => change({ name })}
        />
        {', '}
        <ColourField
          label="Its colour"
          value={leftOver.colour}
          onChange={(colour) => change({ colour })}
        />{' '}
        <NumberField
          label="How much there is"
          quiet
          unit="g"
          value={leftOver.grams}
          error={say('grams')}
          onChange={(v) => v !== null && change({ grams: v })}
        />{' '}
        <Choice
          label="What was made of it"
          quiet
          value={leftOver.use}
          choices={(['cast-stones', 'spare-casting', 'seal-coat', 'top-up'] as const).map(
            (u) => [u, leftOverWords[u].on] as const,
          )}
          onChange={(use) => change({ use })}
        />
      </p>
      <button type="button" className="btn btn-outline-primary" onClick={remove}>
        Take {leftOver.name} off the shelf
      </button>
      {refused && Object.keys(refused.errors).length === 0 && <p className="say-wrong">{refused.message}</p>}
    </div>
  );
}
