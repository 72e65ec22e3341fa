import { useQuery } from '@tanstack/react-query';
import type { LinePlan, Schemas } from '../../api/client';
import { ownMaterialsQuery } from '../../api/queries';
import type { Line } from '../../editor/filled';
import { ChoiceAt, NumberAt } from '../../parts/At';
import { Choice } from '../../parts/Choice';
import { HowNumber } from '../../parts/HowNumber';
import { useEdits } from '../../parts/editing';
import { useMost } from '../../parts/fields';
import { stiffness } from './barriers';

type Paste = Extract<Line['material'], { kind: 'paste' }>;
type Granules = Schemas['Granules'];

interface Props {
  line: Line;
  paste: Paste;
  plan: LinePlan | undefined;
  name: string;
}

/** What a paste is mixed of: granules by parts, and how stiff. */
export function PasteMix({ line, paste, plan, name }: Props) {
  const { edit } = useEdits();
  const stones = (useQuery(ownMaterialsQuery).data ?? []).filter((m) => m.kind === 'stone');
  const most = useMost('lines.material.granules');
  const mix = (granules: Granules[]) => edit({ do: 'mix-paste', line: line.id, granules });
  const own = paste.granules;
  const free = stones.find((s) => own.every((g) => g.stoneId !== s.id));
  return (
    <>
      <p className="line">
        {'It '}
        <ChoiceAt
          place={`lines[${line.id}].material.stiffness`}
          label={`${name}, how stiff`}
          quiet
          value={paste.stiffness}
          choices={stiffness}
        />
        {', mixed fresh and piped.'}
      </p>
      {own.map((g, i) => (
        <p className="line" key={g.stoneId}>
          <NumberAt
            place={`lines[${line.id}].material.granules[${g.stoneId}].parts`}
            label={`${name}, parts of granules ${i + 1}`}
            quiet
            unit=""
            value={g.parts}
          />
          {' parts of '}
          <Choice
            label={`${name}, granules ${i + 1}`}
            quiet
            value={g.stoneId}
            choices={stones
              .filter((s) => s.id === g.stoneId || own.every((o) => o.stoneId !== s.id))
              .map((s) => [s.id, s.name] as const)}
            onChange={(to) => mix(own.map((o) => (o === g ? { ...o, stoneId: to } : o)))}
          />
          {plan?.granules[i] && (
            <HowNumber of={plan.granules[i].grams} label={`${name}, granules ${i + 1}, grams`} decimals={0} />
          )}
          {own.length > 1 && (
            <button
              type="button"
              className="chip"
              aria-label={`Leave out: granules ${i + 1} of ${name}`}
              onClick={() => void mix(own.filter((o) => o !== g))}
            >
              Leave out
            </button>
          )}
        </p>
      ))}
      {free && own.length < most && (
        <div className="row-buttons">
          <button
            type="button"
            className="chip"
            onClick={() => void mix([...own, { stoneId: free.id, parts: 1 }])}
          >
            More granules
          </button>
        </div>
      )}
    </>
  );
}
