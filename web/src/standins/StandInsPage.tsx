import { useMutation, useQuery } from '@tanstack/react-query';
import type { LevelSteering } from '../api/client';
import { Refused } from '../api/client';
import { steerLevel } from '../api/changes';
import { levelQuery } from '../api/queries';
import { NumberField } from '../parts/NumberField';
import { decimalsOfStep } from '../units/format';
import { useLive } from '../parts/live';
import { useUnits } from '../units/units';
import './StandInsPage.scss';

/** Where the simulated devices are steered. */
export function StandInsPage() {
  const { data } = useQuery(levelQuery);
  return (
    <main id="main" className="stand-ins">
      <h1>Stand-ins</h1>
      <p>
        Moss Lantern has no devices on its bench here, so it brings small simulated ones. What you set is what
        they would meet; what they show is what a real one would.
      </p>
      {data && <LevelPanel now={data} />}
    </main>
  );
}

function LevelPanel({ now }: { now: LevelSteering }) {
  const steering = useMutation(steerLevel);
  const units = useUnits();
  const live = useLive();
  const refused = steering.error instanceof Refused ? steering.error : null;
  const steer = (change: Partial<LevelSteering>) => steering.mutate({ ...now, ...change });
  const field = (label: string, key: keyof LevelSteering, width = 64) => (
    <NumberField
      label={label}
      quiet
      unit="°"
      width={width}
      value={now[key]}
      error={refused?.errors[key]?.[0]}
      onChange={(v) => v !== null && steer({ [key]: v })}
    />
  );
  return (
    <section aria-label="Level" className="device">
      <h2>Level, two axes</h2>
      <p className="sentence">
        The spot it lies on is really {field('True tilt across', 'acrossDeg')} higher on the right and{' '}
        {field('True tilt along', 'alongDeg')} higher at the lower side; the level shows steps of{' '}
        {field('Step of the level', 'stepDeg', 52)}, as a phone does at 0.1°.
      </p>
      <p role="status" className="shows">
        {live
          ? `It shows ${units.show(live.level.acrossDeg, '°', decimalsOfStep(live.level.stepDeg))} across and ${units.show(live.level.alongDeg, '°', decimalsOfStep(live.level.stepDeg))} along.`
          : 'No level answers.'}
      </p>
    </section>
  );
}
