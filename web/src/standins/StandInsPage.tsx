import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import type { LevelSteering } from '../api/client';
import { Refused, api, take } from '../api/client';
import { NumberField } from '../parts/Fields';
import { decimalsOfStep } from '../units/format';
import { useLive } from '../parts/live';
import { useUnits } from '../units/units';
import './StandInsPage.scss';

/** Where the simulated devices are steered. */
export function StandInsPage() {
  const { data } = useQuery({
    queryKey: ['stand-ins', 'level'],
    queryFn: () => take(api.GET('/api/stand-ins/level')),
  });
  return (
    <main id="main" className="stand-ins">
      <h1>Stand-ins</h1>
      <p>
        Moss Lantern has no devices on its bench here, so it brings small simulated ones. What you set is what
        they would meet; what they show is what a real one would.
      </p>
      {data && <LevelPanel steering={data} />}
    </main>
  );
}

function LevelPanel({ steering }: { steering: LevelSteering }) {
  const client = useQueryClient();
  const units = useUnits();
  const live = useLive();
  const [refused, setRefused] = useState<Refused | null>(null);
  const steer = (change: Partial<LevelSteering>) => {
    take(api.PUT('/api/stand-ins/level', { body: { ...steering, ...change } }))
      .then((now) => {
        setRefused(null);
        client.setQueryData(['stand-ins', 'level'], now);
      })
      .catch((e: unknown) => e instanceof Refused && setRefused(e));
  };
  const field = (label: string, key: keyof LevelSteering, width = 64) => (
    <NumberField
      label={label}
      quiet
      unit="°"
      width={width}
      value={steering[key]}
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
