import { useState } from 'react';
import type { Recipe } from '../../api/client';
import { Choice } from '../../parts/Choice';
import { useEdits } from '../../parts/editing';
import { useRegionNames } from '../regionNames';
import { useStation } from '../station';

/** A colour that is needed early and late: what is poured later can come from a second cup, of another batch. */
export function SecondCup({ cup }: { cup: Recipe }) {
  const { sittingPlan, setCup, piece } = useStation();
  const { edit } = useEdits();
  const names = useRegionNames();
  const pours = sittingPlan.pours.filter((s) => s.cupId === cup.id);
  const [from, setFrom] = useState(1);
  const first = piece.recipes.find((r) => r.id === cup.secondOf);
  if (first) {
    return (
      <div className="line">
        <p>A second cup, mixed just as {first.name}: what you change there is changed here.</p>
        <button type="button" className="btn btn-outline-primary" onClick={() => setCup(first.id)}>
          {`Go to ${first.name}`}
        </button>
        <button
          type="button"
          className="btn btn-outline-primary"
          onClick={() =>
            void edit({ do: 'one-cup', recipe: cup.id }).then((made) => made && setCup(first.id))
          }
        >
          Pour all of it from one cup
        </button>
      </div>
    );
  }
  if (pours.length < 2) return null;
  const at = Math.min(from, pours.length - 1);
  return (
    <details className="recipe-part">
      <summary>Needed early and late?</summary>
      <p>
        From{' '}
        <Choice
          label={`First pour from a second cup of ${cup.name}`}
          quiet
          value={String(at)}
          choices={pours
            .slice(1)
            .map((p, i) => [String(i + 1), names.region(p.layerId, p.regionId)] as const)}
          onChange={(to) => setFrom(Number(to))}
        />{' '}
        on it can come from a second cup, mixed just as the first: the two can be of different batches.
      </p>
      <button
        type="button"
        className="btn btn-outline-primary"
        onClick={() =>
          void edit({
            do: 'second-cup',
            sitting: sittingPlan.sittingId,
            recipe: cup.id,
            pours: pours.slice(at).map((p) => ({ layer: p.layerId, region: p.regionId, pass: p.pass })),
          })
        }
      >
        {`Pour ${pours.length - at === 1 ? 'that one' : `those ${pours.length - at}`} from a second cup`}
      </button>
    </details>
  );
}
