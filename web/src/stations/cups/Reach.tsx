import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import type { Recipe } from '../../api/client';
import { keepLeftOver } from '../../api/changes';
import { useEdits } from '../../parts/editing';
import { HowNumber } from '../../parts/HowNumber';
import { NumberField } from '../../parts/NumberField';
import { TextField } from '../../parts/TextField';
import { leftOverWords } from '../../parts/leftOvers';
import { useUnits } from '../../units/units';
import { useRegionNames } from '../regionNames';
import { useStation } from '../station';

/** How far a cup reaches: what is mixed in it, what is held back, what lacks or is left over, and what to make of it. */
export function Reach({ cup, colour }: { cup: Recipe; colour: string | null }) {
  const { piece, sittingPlan } = useStation();
  const { edit, say } = useEdits();
  const units = useUnits();
  const names = useRegionNames();
  const shelving = useMutation(keepLeftOver);
  const reach = sittingPlan.reach.find((r) => r.cupId === cup.id);
  const plan = sittingPlan.cups.cups.find((c) => c.cupId === cup.id);
  const choice = piece.sittings
    .find((s) => s.id === sittingPlan.sittingId)
    ?.cupChoices?.find((c) => c.recipeId === cup.id);
  // What ran short stays open when it is put right.
  const [open, setOpen] = useState(false);
  const [heldFor, setHeldFor] = useState(choice?.heldBack?.name ?? '');
  if (!plan || plan.mixMl.value === 0) return null;
  const place = `sittings[${sittingPlan.sittingId}].cupChoices[${cup.id}]`;
  const at = { sitting: sittingPlan.sittingId, recipe: cup.id };
  if (!reach) {
    return (
      <p className="line">
        Mixed by eye: how much, and how far it reaches, is not known.
        <button
          type="button"
          className="btn btn-outline-primary"
          onClick={() => void edit({ do: 'mix-by-eye', ...at, byEye: false })}
        >
          Measure it
        </button>
      </p>
    );
  }
  const several = sittingPlan.copies > 1;
  const { first } = reach;
  return (
    <details
      className="recipe-part"
      open={open || reach.lacks !== null}
      onToggle={(e) => setOpen(e.currentTarget.open)}
    >
      <summary>
        {reach.lacks
          ? `Runs short by ${units.show(reach.lacks.value, 'ml', 1)}`
          : reach.left
            ? `Reaches for all, ${units.show(reach.left.value, 'ml', 1)} left over`
            : 'Reaches for all, nothing left over'}
      </summary>
      <div className="sentence small">
        <p>
          Mixed in it{' '}
          <NumberField
            label={`Mixed in ${cup.name}`}
            quiet
            unit="ml"
            empty={plan.mixMl.value}
            value={choice?.mixedMl ?? null}
            error={say(`${place}.mixedMl`)}
            onChange={(v) => void edit({ do: 'mix-in-cup', ...at, ml: v })}
          />{' '}
          with a reserve of{' '}
          <NumberField
            label={`Reserve of ${cup.name}`}
            quiet
            unit="%"
            empty={plan.reserve.inputs.find((i) => i.name === 'reserve')?.value ?? ''}
            value={choice?.reservePercent ?? null}
            error={say(`${place}.reservePercent`)}
            onChange={(v) => void edit({ do: 'reserve-in-cup', ...at, percent: v })}
          />
          ; held back{' '}
          <NumberField
            label={`Held back of ${cup.name}`}
            quiet
            unit="ml"
            empty="0"
            value={choice?.heldBack?.ml ?? null}
            error={say(`${place}.heldBack.ml`) ?? say(`${place}.heldBack.name`)}
            onChange={(v) => void edit({ do: 'hold-back', ...at, for: heldFor || null, ml: v })}
          />{' '}
          for{' '}
          <TextField
            label={`What ${cup.name} is held back for`}
            quiet
            value={heldFor}
            onChange={(to) => {
              setHeldFor(to);
              if (choice?.heldBack) void edit({ do: 'hold-back', ...at, for: to, ml: choice.heldBack.ml });
            }}
          />
        </p>
      </div>
      <p className="line">
        <button
          type="button"
          className="btn btn-outline-primary"
          onClick={() => void edit({ do: 'mix-by-eye', ...at, byEye: true })}
        >
          I mix it by eye
        </button>
      </p>
      {first && reach.lacks && (
        <p className="finding mend">
          {names.region(first.layerId, first.regionId)}
          {several && ` of copy ${first.copy}`} cannot be filled any more:{' '}
          <HowNumber of={reach.lacks} label={`${cup.name} lacks`} decimals={1} /> are missing.
          {several &&
            ` ${reach.copies === 1 ? 'One copy gets' : `${reach.copies} copies get`} all of theirs.`}
        </p>
      )}
      {reach.left && (
        <p>
          <HowNumber of={reach.left} label={`Left over in ${cup.name}`} decimals={1} /> left over of{' '}
          <HowNumber of={reach.available} label={`What can be poured of ${cup.name}`} decimals={1} />.
        </p>
      )}
      {reach.uses.length > 0 && (
        <ul className="left-uses" aria-label={`What to make of what is left of ${cup.name}`}>
          {reach.uses.map(({ use, amount }) => (
            <li key={use}>
              {leftOverWords[use].to}:{' '}
              <HowNumber of={amount} label={`To ${leftOverWords[use].to}`} decimals={0} />
              {use === 'cast-stones' && (
                <button
                  type="button"
                  className="btn btn-outline-primary"
                  disabled={shelving.isPending}
                  onClick={() =>
                    shelving.mutate({
                      id: crypto.randomUUID(),
                      basedOn: 0,
                      thing: {
                        name: cup.name,
                        colour: colour ?? cup.colour,
                        use,
                        grams: Math.round(amount.value),
                        note: piece.name,
                      },
                    })
                  }
                >
                  {shelving.isSuccess ? 'On the left-over shelf' : 'Put them on the left-over shelf'}
                </button>
              )}
            </li>
          ))}
        </ul>
      )}
    </details>
  );
}
