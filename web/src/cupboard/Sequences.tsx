import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { KeptSequence, Refused, SequenceView } from '../api/client';
import { keepSequence, takeOutSequence } from '../api/changes';
import { sequencesQuery } from '../api/queries';
import { TextField } from '../parts/TextField';
import { HowNumber } from '../parts/HowNumber';
import { useUnits } from '../units/units';
import { Stripes } from '../parts/Stripes';
import { PutBack } from './PutBack';
import { Ledge, Standing } from './Ledge';
import { useKept } from './useKept';
import './Sequences.scss';

/** Sequences of colours, kept from a map and laid in another from there. */
export function Sequences() {
  const { data: sequences } = useQuery(sequencesQuery);
  const takingOut = useMutation(takeOutSequence);
  const [gone, setGone] = useState<KeptSequence | null>(null);
  const kept = useKept(sequencesQuery, keepSequence, 'sequences');
  const chosen = sequences?.find((s) => s.id === kept.chosen);
  const remove = (view: SequenceView) =>
    takingOut.mutate(view.id, { onSuccess: () => setGone(view.sequence) });

  return (
    <>
      <Ledge
        label="Sequences"
        hint={
          sequences?.length === 0
            ? 'Colours one after another, from the middle to the rim. Save one by name on the map of a piece.'
            : 'Colours one after another, the middle at the left. They are saved and laid on the map of a piece.'
        }
        beside={
          chosen && (
            <Taken
              key={chosen.id}
              view={chosen}
              refused={kept.refused}
              save={(to) => kept.save(chosen.id, chosen.version, to)}
              remove={() => remove(chosen)}
            />
          )
        }
      >
        {sequences?.map((s) => (
          <Standing
            key={s.id}
            chosen={s.id === kept.chosen}
            onTake={() => kept.take(s.id)}
            name={s.sequence.name}
            says={`${s.sequence.bands.length} bands`}
          >
            <Stripes of={s} />
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
  view: SequenceView;
  refused: Refused | null;
  save: (to: KeptSequence) => void;
  remove: () => void;
}

function Taken({ view, refused, save, remove }: TakenProps) {
  const units = useUnits();
  const { sequence } = view;
  const say = (field: string) => refused?.errors[field]?.[0];
  return (
    <div className="sentence">
      <p>
        <TextField
          label="Name of the sequence"
          quiet
          value={sequence.name}
          error={say('name')}
          onChange={(name) => save({ ...sequence, name })}
        />
        {', '}
        <HowNumber of={view.together} label={`Lines of ${sequence.name}`} decimals={1} />
        {` of lines, saved from ${units.show(sequence.acrossMm, 'mm', 0)} across.`}
      </p>
      <TextField
        label="Note on the sequence"
        quiet
        value={sequence.note ?? ''}
        lines={2}
        error={say('note')}
        onChange={(note) => save({ ...sequence, note })}
      />
      <ol className="sequence-bands">
        {sequence.bands.map((b, i) => {
          const cup = sequence.recipes.find((r) => r.id === b.recipeId);
          return (
            <li key={b.id}>
              <i className="sequence-swatch" style={{ background: cup?.colour }} aria-hidden />
              {cup?.name}
              <small>
                {b.fillsRest ? 'fills the rest' : `${units.show(view.widthsMm[i]!, 'mm', 1)} wide`}
              </small>
            </li>
          );
        })}
      </ol>
      {refused && Object.keys(refused.errors).length === 0 && <p className="say-wrong">{refused.message}</p>}
      <button type="button" className="btn btn-outline-primary" onClick={remove}>
        Take it out of the cupboard
      </button>
    </div>
  );
}
