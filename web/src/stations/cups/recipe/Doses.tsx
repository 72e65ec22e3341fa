import { useState } from 'react';
import type { Recipe } from '../../../api/client';
import type { CupVolume, Schemas } from '../../../api/client';
import { ColourAt, NumberAt } from '../../../parts/At';
import { Choice } from '../../../parts/Choice';
import { useEdits } from '../../../parts/editing';
import { HowNumber } from '../../../parts/HowNumber';
import { NumberField } from '../../../parts/NumberField';
import { useMaterials } from '../../materials';
import { usePots } from '../../../parts/pots';
import { capital } from '../../../units/words';
import { useStation } from '../../station';
import { byOf, colourantsOf, pick, picked, unitNames, withNow } from './colourants';
import type { DoseUnit } from './colourants';

type CupDose = Schemas['CupDose'];

/** What is stirred into a cup, colourant by colourant: which, how much of it, and what is done with it first. */
export function Doses({ cup, plan }: { cup: Recipe; plan: CupVolume | undefined }) {
  const { edit } = useEdits();
  const materials = useMaterials();
  // Oil does not go into resin.
  const pots = usePots().filter((p) => p.pot.kind === 'water');
  const [unit, setUnit] = useState<DoseUnit>(
    () => (localStorage.getItem('dose-unit') as DoseUnit) || 'percent',
  );
  const say = (to: DoseUnit) => {
    localStorage.setItem('dose-unit', to);
    setUnit(to);
  };
  const doses = plan?.doses;
  const offered = colourantsOf(materials);
  return (
    <>
      {cup.doses.length > 0 && (
        <ol className="doses" aria-label={`What is stirred into ${cup.name}`}>
          {cup.doses.map((_, i) => (
            <OneDose key={i} cup={cup} at={i} told={doses?.all[i]} plan={plan} unit={unit} setUnit={say} />
          ))}
        </ol>
      )}
      <p className="line">
        <Choice
          label={cup.doses.length === 0 ? 'Colourant' : 'One more colourant'}
          value="none"
          choices={[['none', cup.doses.length === 0 ? 'none, clear' : 'pick one…'], ...offered]}
          onChange={(to) =>
            to === 'none'
              ? undefined
              : edit(
                  cup.doses.length === 0
                    ? { do: 'choose-colourant', recipe: cup.id, dose: 0, ...picked(to) }
                    : { do: 'add-colourant', recipe: cup.id, ...picked(to) },
                )
          }
        />
        {pots.length > 0 && cup.doses.length < 2 && (
          <Choice
            label="Tint from a pot"
            value="none"
            choices={[['none', 'pick one…'], ...pots.map((p) => [p.id, p.pot.name] as const)]}
            onChange={(pot) =>
              pot === 'none' ? undefined : edit({ do: 'tint-from-pot', recipe: cup.id, pot })
            }
          />
        )}
      </p>
      {doses?.total && doses.all.length > 1 && (
        <p className="hint">
          Together <HowNumber of={doses.total} label={`All loads of ${cup.name}`} decimals={2} />; up to{' '}
          {doses.totalLimitPercent} %.
        </p>
      )}
      {doses?.overTotal && (
        <p className="finding mend">
          All together are over {doses.totalLimitPercent} %: the resin stays weak or sticky. Its data sheet
          decides.
        </p>
      )}
    </>
  );
}

interface OneProps {
  cup: Recipe;
  at: number;
  told: CupDose | undefined;
  plan: CupVolume | undefined;
  unit: DoseUnit;
  setUnit: (unit: DoseUnit) => void;
}

function OneDose({ cup, at, told, plan, unit, setUnit }: OneProps) {
  const { edit, say } = useEdits();
  const { sittingPlan } = useStation();
  const materials = useMaterials();
  const dose = cup.doses[at]!;
  const place = `recipes[${cup.id}].doses[${at}]`;
  const ml = plan?.mixMl.value ?? 0;
  const amount = {
    percent: null,
    grams: told?.g,
    drops: told?.drops,
    scoops: told?.scoops,
    tips: told?.tips,
    'by-eye': null,
  }[unit];
  const now = pick(dose.colourant, dose.colourantId ?? null);
  const name = told?.name ?? now;
  const offered = withNow(colourantsOf(materials), now, name);
  const several = cup.doses.length > 1;
  const pot = usePots().find((p) => p.id === dose.potId)?.pot.name;
  return (
    <li>
      <p className="line">
        {several && dose.colourant !== 'lacing' && (
          <ColourAt place={`${place}.colour`} label={`Colour of ${name}`} value={dose.colour ?? cup.colour} />
        )}
        <Choice
          label={several ? `Colourant ${at + 1}` : 'Colourant'}
          quiet={several}
          value={now}
          choices={[...(several || cup.of ? [] : [['none', 'none, clear'] as const]), ...offered]}
          onChange={(to) =>
            edit({
              do: 'choose-colourant',
              recipe: cup.id,
              dose: at,
              ...(to === 'none' ? { colourant: null, colourantId: null } : picked(to)),
            })
          }
        />
        {several && (
          <button
            type="button"
            className="icon"
            aria-label={`Leave out ${name}`}
            onClick={() => void edit({ do: 'leave-colourant-out', recipe: cup.id, dose: at })}
          >
            <i className="bi minus" />
          </button>
        )}
      </p>
      <p className="line">
        {dose.byEye ? (
          <span>
            {name} by eye: how much is not known. It is drawn as {Number(dose.percent.toFixed(1))} %.
          </span>
        ) : amount && ml > 0 ? (
          <NumberField
            label={several ? `Load of ${name}` : 'Load'}
            quiet={several}
            unit=""
            value={Number(amount.value.toFixed(unit === 'grams' ? 2 : 1))}
            error={say(`${place}.percent`)}
            onChange={(v) =>
              v === null
                ? undefined
                : void edit({
                    do: 'dose-colour',
                    recipe: cup.id,
                    dose: at,
                    amount: v,
                    unit,
                    inMl: ml,
                    sitting: sittingPlan.sittingId,
                  })
            }
          />
        ) : (
          <NumberAt
            place={`${place}.percent`}
            label={several ? `Load of ${name}` : 'Load'}
            quiet={several}
            unit=""
            value={Number(dose.percent.toFixed(3))}
          />
        )}
        <Choice
          label={`${name} is dosed in`}
          quiet
          value={
            dose.byEye ? 'by-eye' : amount && ml > 0 ? unit : dose.by === 'volume' ? 'volume' : 'percent'
          }
          choices={[
            ['percent', '% by weight'],
            ['volume', '% by volume'],
            ['grams', unitNames.grams],
            ...(told?.drops ? [['drops', unitNames.drops] as const] : []),
            ...(told?.scoops ? [['scoops', unitNames.scoops] as const] : []),
            ...(told?.tips ? [['tips', unitNames.tips] as const] : []),
            ['by-eye', unitNames['by-eye']],
          ]}
          onChange={(to) => {
            if (to === 'by-eye')
              return edit({ do: 'dose-colour', recipe: cup.id, dose: at, amount: 0, unit: 'by-eye' });
            if (to !== 'percent' && to !== 'volume') {
              setUnit(to);
              return dose.byEye
                ? edit({ do: 'dose-colour', recipe: cup.id, dose: at, amount: dose.percent, unit: 'percent' })
                : undefined;
            }
            setUnit('percent');
            const by = byOf(to);
            return by === (dose.by ?? 'weight') && !dose.byEye
              ? undefined
              : edit({ do: 'measure-dose', recipe: cup.id, dose: at, by, sitting: sittingPlan.sittingId });
          }}
        />
        {told?.g && ml > 0 && (
          <span className="dose-amounts">
            <HowNumber of={told.g} label={several ? `${name} by weight` : 'Colourant'} decimals={2} />
            {told.drops && told.drops.value < 100 && (
              <HowNumber of={told.drops} label={`${name} in drops`} decimals={0} />
            )}
            {told.scoops && <HowNumber of={told.scoops} label={`${name} in scoops`} decimals={1} />}
            {told.tips && told.tips.value < 100 && (
              <HowNumber of={told.tips} label={`${name} in stick tips`} decimals={0} />
            )}
          </span>
        )}
      </p>
      {told?.prepare && <p className="hint">{capital(told.prepare)}.</p>}
      {pot && <p className="hint">From the pot {pot}: what goes in is taken off what is left in it.</p>}
      {told?.over && told.load && (
        <p className="finding mend">
          <HowNumber of={told.load} label={`Load of ${name}`} decimals={2} /> is over the limit of{' '}
          {told.limitPercent} % by {told.limitBy} for this class: the resin stays weak or sticky. Its data
          sheet decides.
        </p>
      )}
    </li>
  );
}
