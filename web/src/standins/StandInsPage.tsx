import { useMutation, useQuery } from '@tanstack/react-query';
import type { LevelSteering, Schemas } from '../api/client';
import { Refused } from '../api/client';
import { steerLevel, steerScale, tareScale } from '../api/changes';
import { levelQuery, scaleQuery } from '../api/queries';
import { Choice } from '../parts/Choice';
import { NumberField } from '../parts/NumberField';
import { decimalsOfStep } from '../units/format';
import { useLive } from '../parts/live';
import { useUnits } from '../units/units';
import './StandInsPage.scss';

/** Where the simulated devices are steered. */
export function StandInsPage() {
  const { data } = useQuery(levelQuery);
  const scale = useQuery(scaleQuery);
  return (
    <main id="main" className="stand-ins">
      <h1>Stand-ins</h1>
      <p>
        Moss Lantern has no devices on its bench here, so it brings small simulated ones. What you set is what
        they would meet; what they show is what a real one would.
      </p>
      {data && <LevelPanel now={data} />}
      {scale.data && <ScalePanel now={scale.data} />}
    </main>
  );
}

function LevelPanel({ now }: { now: LevelSteering }) {
  const steering = useMutation(steerLevel);
  const units = useUnits();
  const live = useLive();
  const refused = steering.error instanceof Refused ? steering.error : null;
  const steer = (change: Partial<LevelSteering>) => steering.mutate({ ...now, ...change });
  const field = (label: string, key: keyof LevelSteering) => (
    <NumberField
      label={label}
      quiet
      unit="°"
      value={now[key]}
      error={refused?.errors[key]?.[0]}
      onChange={(v) => v !== null && steer({ [key]: v })}
    />
  );
  const shown = (deg: number) => units.show(deg, '°', decimalsOfStep(live?.level.stepDeg ?? 0.1));
  return (
    <section aria-label="Level" className="device">
      <h2>Level, two axes</h2>
      <p className="sentence">
        The spot it lies on is really {field('True tilt across', 'acrossDeg')} higher on the right and{' '}
        {field('True tilt along', 'alongDeg')} higher at the lower side; the level shows steps of{' '}
        {field('Step of the level', 'stepDeg')}, as a phone does at 0.1°.
      </p>
      <p role="status" className="shows">
        {live
          ? `It shows ${shown(live.level.acrossDeg)} across and ${shown(live.level.alongDeg)} along.`
          : 'No level answers.'}
      </p>
    </section>
  );
}

type ScaleSteering = Schemas['ScaleSteering'];

/** How fast the stand-in is poured on, g/s. */
const pourGPerS = 8;

function ScalePanel({ now }: { now: ScaleSteering }) {
  const steering = useMutation(steerScale);
  const tare = useMutation(tareScale);
  const units = useUnits();
  const live = useLive();
  const refused = steering.error instanceof Refused ? steering.error : null;
  const steer = (change: Partial<ScaleSteering>) => steering.mutate(() => change);
  const field = (label: string, key: Exclude<keyof ScaleSteering, 'behaves'>, unit: string) => (
    <NumberField
      label={label}
      quiet
      unit={unit}
      value={now[key]}
      error={refused?.errors[key]?.[0]}
      onChange={(v) => v !== null && steer({ [key]: v })}
    />
  );
  return (
    <section aria-label="Scale" className="device">
      <h2>Bench scale</h2>
      <p className="sentence">
        On it are really {field('Really on it', 'onItG', 'g')}; poured on at{' '}
        {field('Poured on at', 'pourGPerS', 'g/s')} until there are {field('Until there are', 'pourToG', 'g')}
        . It drifts by {field('Drifts by', 'driftGPerMin', 'g/min')}, somebody leans on it with{' '}
        {field('Leans on it with', 'leanG', 'g')}, its readings jump by{' '}
        {field('Readings jump by', 'jumpG', 'g')}, and it{' '}
        <Choice
          label="How it behaves"
          quiet
          value={now.behaves}
          choices={[
            ['well', 'answers'],
            ['stalls', 'has stalled'],
            ['dead', 'is dead'],
          ]}
          onChange={(behaves) => steer({ behaves })}
        />
      </p>
      <p className="line">
        {[5, 50, 200].map((more) => (
          <button
            key={more}
            type="button"
            className="btn btn-outline-primary"
            onClick={() => steering.mutate((at) => ({ pourGPerS, pourToG: at.onItG + more }))}
          >
            Pour {more} g on
          </button>
        ))}
        <button
          type="button"
          className="btn btn-outline-primary"
          onClick={() => steer({ onItG: 0, pourGPerS: 0, leanG: 0 })}
        >
          Take everything off
        </button>
        <button type="button" className="btn btn-outline-primary" onClick={() => tare.mutate()}>
          Tare
        </button>
      </p>
      <p role="status" className="shows">
        {live?.scale ? `It shows ${units.show(live.scale.grams, 'g', 1)}.` : 'No scale answers.'}
      </p>
    </section>
  );
}
