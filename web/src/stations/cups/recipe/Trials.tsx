import { useState } from 'react';
import type { Recipe } from '../../../api/client';
import type { Schemas } from '../../../api/client';
import { Choice } from '../../../parts/Choice';
import { useEdits } from '../../../parts/editing';
import { NumberField } from '../../../parts/NumberField';
import { TextField } from '../../../parts/TextField';
import { momentText } from '../../../units/format';
import { useUnits } from '../../../units/units';
import { useWorkshop } from '../../../units/workshop';
import { useStation } from '../../station';
import type { DoseUnit } from './colourants';
import { unitNames, useColourantNames } from './colourants';

/** Start low and add: each step of a trial with how it looked. */
export function Trials({ cup }: { cup: Recipe }) {
  const { edit, say } = useEdits();
  const trials = cup.trials ?? [];
  const { sittingPlan } = useStation();
  const [amount, setAmount] = useState<number>(1);
  const [unit, setUnit] = useState<DoseUnit>('drops');
  const [ml, setMl] = useState<number>(30);
  const [note, setNote] = useState('');
  const [at, setAt] = useState(0);
  const dose = Math.min(at, cup.doses.length - 1);
  const add = (anew: boolean) =>
    void edit({
      do: 'try-dose',
      recipe: cup.id,
      dose,
      amount,
      unit,
      inMl: unit === 'percent' ? null : ml,
      sitting: sittingPlan.sittingId,
      note: note || null,
      anew,
      at: now ?? null,
    }).then((made) => made && setNote(''));
  const names = useColourantNames();
  const now = useWorkshop().data?.now.local;
  return (
    <details className="recipe-part">
      <summary>
        Try it step by step
        {trials.length > 0 && `, ${trials.length === 1 ? 'one step' : `${trials.length} steps`} so far`}
      </summary>
      {trials.length > 0 && (
        <ol className="trials" aria-label={`Trial of ${cup.name}`}>
          {trials.map((t, i) => (
            <li key={i}>
              <Step of={t} several={cup.doses.length > 1} name={names(t)} />
            </li>
          ))}
        </ol>
      )}
      <div className="sentence small">
        <p>
          Add{' '}
          <NumberField
            label="Added to the trial"
            quiet
            unit=""
            value={amount}
            error={say(`recipes[${cup.id}].doses[${dose}].percent`) ?? say(`recipes[${cup.id}].trials`)}
            onChange={(v) => v !== null && setAmount(v)}
          />{' '}
          <Choice
            label="Added in"
            quiet
            value={unit}
            choices={(['drops', 'grams', 'scoops', 'tips', 'percent'] as const).map(
              (u) => [u, unitNames[u]] as const,
            )}
            onChange={setUnit}
          />{' '}
          {cup.doses.length > 1 && (
            <>
              of{' '}
              <Choice
                label="Added colourant"
                quiet
                value={String(dose)}
                choices={cup.doses.map((d, i) => [String(i), names(d)] as const)}
                onChange={(to) => setAt(Number(to))}
              />{' '}
            </>
          )}
          {unit !== 'percent' && (
            <>
              to{' '}
              <NumberField
                label="Resin of the trial"
                quiet
                unit="ml"
                value={ml}
                onChange={(v) => v !== null && setMl(v)}
              />
            </>
          )}
          ; it looked <TextField label="How it looked" quiet value={note} onChange={setNote} live />
        </p>
      </div>
      <p className="line">
        <button type="button" className="btn btn-outline-primary" onClick={() => add(false)}>
          Add it
        </button>
        <button type="button" className="btn btn-outline-primary" onClick={() => add(true)}>
          Start with it from clear
        </button>
      </p>
    </details>
  );
}

function Step({ of, several, name }: { of: Schemas['DoseTrial']; several: boolean; name: string }) {
  const units = useUnits();
  return (
    <>
      <b>
        {Number(of.amount.toFixed(2))} {of.amount === 1 && of.unit === 'drops' ? 'drop' : unitNames[of.unit]}
      </b>
      {several && ` ${name}`}
      {typeof of.inMl === 'number' && ` to ${units.show(of.inMl, 'ml', 0)}`}:{' '}
      {Number(of.toPercent.toFixed(3))} % in all
      {of.words ? `, ${of.words}` : ''}
      {typeof of.at === 'string' && <small> · {momentText(of.at)}</small>}
    </>
  );
}
