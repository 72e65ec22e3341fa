import { useMutation, useQuery } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { Link, useParams } from 'react-router';
import type { Schemas } from '../api/client';
import { said } from '../api/client';
import { tareScale, takeWeightBack, weighIn } from '../api/changes';
import { judgedQuery, weighingQuery } from '../api/queries';
import { HowNumber } from '../parts/HowNumber';
import { NumberField } from '../parts/NumberField';
import { useLive } from '../parts/live';
import { fixed, markDecimals } from '../units/format';
import { useUnits } from '../units/units';
import { capital } from '../units/words';
import { judgedGrams, barOf, withinOf } from './weigh';
import { TwoCups } from './TwoCups';
import { useSilence } from './useSilence';
import './WeighPage.scss';

type Step = Schemas['WeighingStep'];

/** Weighing at the bench: one thing at a time, one huge number, one big button. */
export function WeighPage() {
  const { id = '', sitting = '' } = useParams();
  const { data, error } = useQuery(weighingQuery(id, sitting));
  if (error)
    return (
      <main id="main" className="weigh">
        <p className="say-wrong">{said(error)}</p>
      </main>
    );
  if (!data) return null;
  return <Weighing key={data.steps.map((s) => s.id).join()} id={id} sitting={sitting} view={data} />;
}

function Weighing({ id, sitting, view }: { id: string; sitting: string; view: Schemas['WeighingView'] }) {
  const live = useLive();
  const units = useUnits();
  const silent = useSilence(live);
  const kept = useMutation(weighIn(id, sitting));
  const back = useMutation(takeWeightBack(id, sitting));
  const tare = useMutation(tareScale);
  const [typed, setTyped] = useState<number | null>(null);
  const [byHand, setByHand] = useState(false);
  // What is not near enough is asked about once: the next press goes on with it.
  const [asked, setAsked] = useState<string | null>(null);
  const step = view.steps[view.next];
  const scale = live?.scale ?? null;
  // In marked cups there is nothing to read but the line.
  const marked = view.byVolume && step !== undefined && step.part !== 'colourant' ? step : null;
  const hand = byHand || (live !== null && !scale);
  // What a scale showed before it stopped is not what lies on it.
  const grams = marked ? marked.target.value : hand ? typed : silent ? null : (scale?.grams ?? null);
  const within = step && grams !== null ? withinOf(step, grams) : null;

  const next = () => {
    if (!step || grams === null || kept.isPending) return;
    if (within !== 'good' && asked !== step.id) return setAsked(step.id);
    kept.mutate(
      { id: crypto.randomUUID(), stepId: step.id, grams },
      {
        onSuccess: () => {
          setTyped(null);
          setAsked(null);
          if (!hand && !marked) tare.mutate();
        },
      },
    );
  };
  const press = useRef(next);
  useEffect(() => {
    press.current = next;
  });
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      const on = e.target as HTMLElement;
      if (e.key !== ' ' || e.repeat || on.closest('input, select, textarea, button, a, summary')) return;
      e.preventDefault();
      press.current();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);

  return (
    <main id="main" className="weigh">
      <header className="weigh-head">
        <Link to={`/pieces/${id}/cups`}>{view.piece}</Link>
        <span>{view.sitting}</span>
        <span>
          {Math.min(view.next + 1, view.steps.length)} of {view.steps.length}
        </span>
      </header>
      {view.keepsJugs && (
        <p className="hint">The jugs stay as they were when you began to weigh, whatever the plan becomes.</p>
      )}
      {view.unplanned.length > 0 && (
        <p className="say-wrong" role="alert">
          The plan has changed:{' '}
          {view.unplanned.map((u) => `${u.what}, ${units.show(u.grams, 'g', 1)}`).join('; ')}{' '}
          {view.unplanned.length === 1 ? 'was weighed but is' : 'were weighed but are'} no longer planned.
        </p>
      )}
      {step ? (
        <>
          <h1>
            {capital(step.name)} <small>into {step.into}</small>
          </h1>
          {step.dose?.prepare && <p className="weigh-prepare">{capital(step.dose.prepare)}.</p>}
          {marked ? (
            <>
              <p className="weigh-now">
                <b>{units.part(marked.ml?.value ?? 0, 'ml', markDecimals(marked.ml?.value ?? 0)).text}</b>
                <small>{units.part(marked.ml?.value ?? 0, 'ml').unit}</small>
              </p>
              <TwoCups
                resin={view.steps.find((s) => s.batchId === step.batchId && s.part === 'resin')!}
                hardener={view.steps.find((s) => s.batchId === step.batchId && s.part === 'hardener')!}
                now={step}
              />
            </>
          ) : (
            <>
              <p className="weigh-now" data-within={within ?? undefined} aria-live="off">
                <b>{grams === null ? '–' : fixed(grams, 1)}</b>
                <small>g</small>
              </p>
              <Bar step={step} grams={grams} />
              <p className="weigh-target">
                of{' '}
                <HowNumber
                  of={step.target}
                  label="Target"
                  decimals={step.target.value < 10 ? 2 : 1}
                  className="weigh-wanted"
                />
                , good from {fixed(step.fromG, step.target.value < 10 ? 2 : 1)} to{' '}
                {fixed(step.toG, step.target.value < 10 ? 2 : 1)} g
              </p>
              {step.finer && (
                <p className="finding mind">
                  The steps of your scale are too coarse for so little:{' '}
                  {step.dose?.drops || step.dose?.scoops
                    ? 'take '
                    : 'count drops or level scoops, or mix more at once'}
                  {step.dose?.drops && <HowNumber of={step.dose.drops} label="In drops" decimals={0} />}
                  {step.dose?.scoops && (
                    <HowNumber of={step.dose.scoops} label="In level scoops" decimals={1} />
                  )}
                  .
                </p>
              )}
              <Judged id={id} sitting={sitting} step={step} grams={grams} within={within} />
              <p className="weigh-scale" role="status">
                {hand
                  ? live !== null && !scale
                    ? 'No scale is answering: type what it shows.'
                    : 'Typed by hand.'
                  : silent
                    ? 'The scale has said nothing new for 2 seconds. Type what it shows, or look at its cable.'
                    : ''}
              </p>
              {hand && (
                <p className="weigh-typed">
                  <NumberField
                    label="The scale shows"
                    unit="g"
                    value={typed}
                    empty=""
                    live
                    onChange={setTyped}
                  />
                </p>
              )}
            </>
          )}
          {asked === step.id && within !== 'good' && grams !== null && (
            <p className="finding mind" role="alert">
              {within === 'under' ? 'That is too little' : 'That is too much'}: press once more to go on with
              it all the same.
            </p>
          )}
        </>
      ) : (
        <h1>
          {view.steps.length === 0 ? 'There is nothing to weigh here' : 'All weighed'}{' '}
          <small>{view.sitting}</small>
        </h1>
      )}
      {kept.error && <p className="say-wrong">{said(kept.error)}</p>}
      {step && (
        <button
          type="button"
          className="weigh-next"
          data-within={within ?? undefined}
          disabled={grams === null}
          onClick={next}
        >
          {nextWords(view.steps[view.next + 1])} <kbd>space</kbd>
        </button>
      )}
      <p className="weigh-row">
        <button
          type="button"
          className="btn btn-outline-primary"
          disabled={!scale || marked !== null}
          onClick={() => tare.mutate()}
        >
          Tare
        </button>
        <button
          type="button"
          className="btn btn-outline-primary"
          disabled={view.next === 0 && !view.steps.some((s) => s.weighedG !== null)}
          onClick={() => back.mutate({ everything: false, id: crypto.randomUUID() })}
        >
          Weigh the last again
        </button>
        {scale && !marked && (
          <button
            type="button"
            className="btn btn-outline-primary"
            aria-pressed={byHand}
            onClick={() => setByHand(!byHand)}
          >
            {byHand ? 'Read the scale' : 'Type it'}
          </button>
        )}
        {view.steps.some((s) => s.weighedG !== null) && (
          <button
            type="button"
            className="btn btn-outline-primary"
            onClick={() => back.mutate({ everything: true, id: crypto.randomUUID() })}
          >
            Start afresh
          </button>
        )}
      </p>
      <ol className="weigh-list" aria-label="What is weighed">
        {view.steps.map((s, i) => (
          <li
            key={s.id}
            data-now={i === view.next || undefined}
            aria-current={i === view.next ? 'step' : undefined}
          >
            <span>{s.name}</span> <small>{s.into}</small>{' '}
            <b>
              {typeof s.weighedG === 'number'
                ? `${fixed(s.weighedG, 1)} of ${fixed(s.target.value, s.target.value < 10 ? 2 : 1)} g`
                : `${fixed(s.target.value, s.target.value < 10 ? 2 : 1)} g`}
            </b>
          </li>
        ))}
      </ol>
      <p className="care">
        Nitrile gloves, eye protection, fresh air, and whatever the maker's safety data sheet asks for.
      </p>
    </main>
  );
}

const nextWords = (step: Step | undefined) => (step ? `Next: ${step.name}` : 'That was the last');

/** A bar that fills up to the target, with the range that is near enough. */
function Bar({ step, grams }: { step: Step; grams: number | null }) {
  const { at, from, to } = barOf(step, grams ?? 0);
  return (
    <svg className="weigh-bar" viewBox="0 0 100 12" preserveAspectRatio="none" aria-hidden>
      <rect className="weigh-bar-all" width="100" height="12" />
      <rect className="weigh-bar-good" x={from} width={to - from} height="12" />
      <rect className="weigh-bar-now" width={at} y="3" height="6" />
    </svg>
  );
}

/** What is missing, or what has to be added, as the workshop reckons it. */
function Judged({
  id,
  sitting,
  step,
  grams,
  within,
}: {
  id: string;
  sitting: string;
  step: Step;
  grams: number | null;
  within: 'under' | 'good' | 'over' | null;
}) {
  // While it is poured there is nothing to reckon: it is asked once the number rests a little.
  const rested = judgedGrams(useRested(grams), step);
  const { data } = useQuery(judgedQuery(id, sitting, step.id, within === 'good' ? null : rested));
  const how = within === null || within === 'good' ? null : data;
  return (
    <p className="weigh-judged" aria-live="polite">
      {within === 'good' && 'Good.'}
      {how?.missing && within === 'under' && (
        <>
          <HowNumber of={how.missing} label="Missing" decimals={step.target.value < 10 ? 2 : 1} /> more.
        </>
      )}
      {how?.add && within === 'over' && (
        <>
          Too much. {step.part === 'resin' ? 'It takes' : 'Add'}{' '}
          <HowNumber of={how.add} label="To be added" decimals={1} /> {how.addName}
          {how.grows && (
            <>
              ; the batch grows to <HowNumber of={how.grows} label="The batch grows to" decimals={0} />
            </>
          )}
          .
        </>
      )}
    </p>
  );
}

const restMs = 250;

/** A value once it has not changed for a little. */
function useRested<T>(value: T): T {
  const [rested, setRested] = useState(value);
  useEffect(() => {
    const waiting = setTimeout(() => setRested(value), restMs);
    return () => clearTimeout(waiting);
  }, [value]);
  return rested;
}
