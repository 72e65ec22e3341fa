import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import type { Schemas } from '../api/client';
import { saidOf } from '../api/client';
import { keepWays } from '../api/changes';
import { waysQuery } from '../api/queries';
import { Choice } from '../parts/Choice';
import { NumberField } from '../parts/NumberField';
import { barriers, tapeRuns } from '../stations/walls/barriers';
import './Ways.scss';

type Habits = Schemas['Habits'];

const measures = [
  ['volume', 'by volume, in marked cups'],
  ['weight', 'by weight, on a scale'],
] as const;

const walls = [['', 'said of each'], ...barriers] as const;

const hours = Array.from({ length: 24 }, (_, h) => `${String(h).padStart(2, '0')}:00`);

/** How one works, as a page of sentences: what they say counts wherever a piece does not say otherwise. */
export function Ways() {
  const { data: ways } = useQuery(waysQuery);
  const { mutateAsync, error } = useMutation(keepWays);
  const queries = useQueryClient();
  if (!ways) return null;
  // Two that are changed at once are both kept: each goes on from what was said last, answered or not.
  const set = (change: Partial<Habits>) => {
    const next = { ...(queries.getQueryData(waysQuery.queryKey) ?? ways), ...change };
    queries.setQueryData(waysQuery.queryKey, next);
    return mutateAsync(next).catch(() => queries.invalidateQueries({ queryKey: waysQuery.queryKey }));
  };
  const number = (
    key: 'reservePercent' | 'cupStepMl' | 'scaleStepG' | 'jugMl',
    label: string,
    unit: string,
    field: string,
  ) => (
    <NumberField
      label={label}
      quiet
      unit={unit}
      value={ways[key]}
      takes={{ field }}
      error={error ? saidOf(error, key, 'Not saved.') : undefined}
      onChange={(to) => (to === null ? undefined : void set({ [key]: to }))}
    />
  );
  const hour = (key: 'nightFrom' | 'nightTo', label: string) => (
    <Choice
      label={label}
      quiet
      value={String(ways[key]).slice(0, 5)}
      choices={hours.map((h) => [h, h] as const)}
      onChange={(to) => set({ [key]: `${to}:00` })}
    />
  );
  return (
    <div className="how-i-work sentence" role="group" aria-label="How I work">
      <h2>How I work</h2>
      <p className="hint">Counts wherever a piece does not say otherwise. Nothing here is right or wrong.</p>
      <p>
        {'I measure a new piece '}
        <Choice
          label="I measure a new piece"
          quiet
          value={ways.byWeight ? 'weight' : 'volume'}
          choices={measures}
          onChange={(to) => set({ byWeight: to === 'weight' })}
        />
        {', and keep '}
        {number('reservePercent', 'Reserve in every cup', '%', 'sittings.reservePercent')}
        {' in reserve in every cup.'}
      </p>
      <p>
        {'My cups are marked every '}
        {number('cupStepMl', 'My cups are marked every', 'ml', 'sittings.tools.cupStepMl')}
        {', my scale shows '}
        {number('scaleStepG', 'My scale shows', 'g', 'sittings.tools.scaleStepG')}
        {', and my largest jug holds '}
        {number('jugMl', 'My largest jug holds', 'ml', 'sittings.tools.jugMl')}.
      </p>
      <p>
        {'I tape an edge with '}
        <Choice
          label="I tape an edge with"
          quiet
          value={ways.tape ?? 'one'}
          choices={tapeRuns}
          onChange={(to) => set({ tape: to })}
        />
        {'; my walls are of '}
        <Choice
          label="My walls are of"
          quiet
          value={ways.wallsOf ?? ''}
          choices={walls}
          onChange={(to) => set({ wallsOf: to === '' ? null : to })}
        />
        .
      </p>
      <p>
        {'I sleep from '}
        {hour('nightFrom', 'I sleep from')}
        {' to '}
        {hour('nightTo', 'I sleep until')}.
      </p>
    </div>
  );
}
