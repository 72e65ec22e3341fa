import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { Refused, Schemas } from '../api/client';
import { keepRecipe, takeOutRecipe } from '../api/changes';
import { dosedQuery, materialsQuery, recipesQuery } from '../api/queries';
import { Choice } from '../parts/Choice';
import { HowNumber } from '../parts/HowNumber';
import { NumberField } from '../parts/NumberField';
import { TextField } from '../parts/TextField';
import { useUnits } from '../units/units';
import { PutBack } from './PutBack';
import { Ledge, Standing } from './Ledge';
import { useKept } from './useKept';

type View = Schemas['RecipeView'];
type Kept = Schemas['KeptRecipe'];

/** Recipes that are kept by name, each dosed anew for any amount. */
export function Recipes() {
  const { data: recipes } = useQuery(recipesQuery);
  const takingOut = useMutation(takeOutRecipe);
  const [gone, setGone] = useState<Kept | null>(null);
  const kept = useKept(recipesQuery, keepRecipe, 'recipes');
  const chosen = recipes?.find((r) => r.id === kept.chosen);
  return (
    <>
      <Ledge
        label="Recipes"
        hint={
          recipes?.length === 0
            ? 'Colours that you will want again. Save one from its cup, at the station Cups of a piece.'
            : 'Colours to be mixed again, in any amount. They are saved from a cup, and taken into one, at the station Cups.'
        }
        beside={
          chosen && (
            <Taken
              key={chosen.id}
              view={chosen}
              refused={kept.refused}
              save={(to) => kept.save(chosen.id, chosen.version, to)}
              remove={() => takingOut.mutate(chosen.id, { onSuccess: () => setGone(chosen.kept) })}
            />
          )
        }
      >
        {recipes?.map((r) => (
          <Standing
            key={r.id}
            chosen={r.id === kept.chosen}
            onTake={() => kept.take(r.id)}
            name={r.kept.recipe.name}
            says={
              r.kept.recipe.doses.length === 1 ? 'one colourant' : `${r.kept.recipe.doses.length} colourants`
            }
          >
            <svg width="52" height="44" viewBox="0 0 52 44" aria-hidden>
              <path d="M7 4h38l-5 36q-.4 3-4 3H16q-3.6 0-4-3z" style={{ fill: r.colour ?? '#eef0ea' }} />
              <path className="pot-glass" d="M7 4h38l-5 36q-.4 3-4 3H16q-3.6 0-4-3z" />
            </svg>
          </Standing>
        ))}
      </Ledge>
      {gone && (
        <PutBack
          name={gone.recipe.name}
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
  view: View;
  refused: Refused | null;
  save: (to: Kept) => void;
  remove: () => void;
}

function Taken({ view, refused, save, remove }: TakenProps) {
  const units = useUnits();
  const { kept } = view;
  const { data: materials } = useQuery(materialsQuery);
  const [ml, setMl] = useState(100);
  const [resin, setResin] = useState('coating');
  const { data: dosed } = useQuery(dosedQuery(view.id, ml, resin));
  const say = (field: string) => refused?.errors[field]?.[0];
  return (
    <div className="sentence">
      <p>
        <TextField
          label="Name of the recipe"
          quiet
          value={kept.recipe.name}
          error={say('recipe.name')}
          onChange={(name) => save({ ...kept, recipe: { ...kept.recipe, name } })}
        />
        {' for '}
        <NumberField
          label="Amount of the recipe"
          quiet
          unit="ml"
          value={ml}
          onChange={(v) => v !== null && v > 0 && setMl(v)}
        />
        {' of '}
        <Choice
          label="Resin of the recipe"
          quiet
          value={resin}
          choices={
            materials?.resinSystems.filter((s) => !s.putAway).map((s) => [s.id, s.name] as const) ?? [
              [resin, '…'],
            ]
          }
          onChange={setResin}
        />
      </p>
      <ul className="dosed" aria-label={`${kept.recipe.name}, dosed`}>
        {dosed?.map((cup, i) => (
          <li key={i}>
            <b>
              {units.show(cup.ml, 'ml', 1)} {dosed.length > 1 && cup.name}
            </b>
            {cup.doses.all.map((dose, n) => (
              <span key={n}>
                {' + '}
                {dose.g ? (
                  <HowNumber of={dose.g} label={`${dose.name} for ${cup.name}`} decimals={2} />
                ) : (
                  'by eye'
                )}{' '}
                {dose.name}
                {dose.drops && dose.drops.value < 100 && (
                  <>
                    {' ('}
                    <HowNumber of={dose.drops} label={`${dose.name} for ${cup.name} in drops`} decimals={0} />
                    )
                  </>
                )}
                {dose.prepare && <small>, {dose.prepare}</small>}
              </span>
            ))}
          </li>
        ))}
      </ul>
      <TextField
        label="Note on the recipe"
        quiet
        value={kept.note ?? ''}
        lines={2}
        error={say('note')}
        onChange={(note) => save({ ...kept, note })}
      />
      <button type="button" className="btn btn-outline-primary" onClick={remove}>
        Take {kept.recipe.name} out of the Cupboard
      </button>
      {refused && Object.keys(refused.errors).length === 0 && <p className="say-wrong">{refused.message}</p>}
    </div>
  );
}
