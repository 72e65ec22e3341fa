import { useState } from 'react';
import { arrange, arranged, eachByItself, joined, moved, split } from '../../editor/batches';
import { Told } from '../../parts/Told';
import { useEdits } from '../../parts/editing';
import { useStation } from '../../stations/station';
import type { Picks } from './BatchRow';
import { BatchRow } from './BatchRow';
import { useCarry } from './useCarry';
import './JugStage.scss';

/** Jugs and cups: what is mixed together, what is poured off it, and when. */
export function JugStage({ picks }: { picks: Picks }) {
  const { piece, sittingPlan } = useStation();
  const { edit } = useEdits();
  const { all, proposed, why } = sittingPlan.batches;
  const own = piece.sittings.find((s) => s.id === sittingPlan.sittingId)?.batches;
  const now = arranged(all, own);
  const to = (batches: typeof now) => void edit(arrange(sittingPlan.sittingId, batches));
  const { carried, over, take } = useCarry((cup, batch) => to(moved(now, cup, batch)));
  const [held, setHeld] = useState(false);
  const several = now.some((b) => b.recipeIds.length > 1);
  const open = !sittingPlan.poured;
  return (
    <section className="stage jugs" aria-label="Jugs and cups">
      {all.length === 0 && (
        <p className="hint">Nothing is poured in this sitting yet: there is nothing to mix.</p>
      )}
      {all.map((batch, i) => (
        <BatchRow
          key={batch.id}
          batch={batch}
          number={i + 1}
          picks={picks}
          over={over === batch.id}
          carried={carried?.cup ?? null}
          onTake={open ? take : null}
          onSplit={open ? () => to(split(now, batch.id)) : null}
          onJoin={open && i > 0 ? () => to(joined(now, batch.id)) : null}
        />
      ))}
      {carried && (
        <>
          <p className="own-jug" data-batch="" data-over={over === '' || undefined}>
            A cup of its own
          </p>
          <span className="carried" style={{ left: carried.x, top: carried.y }}>
            {carried.name}
          </span>
        </>
      )}
      <div className="jugs-foot">
        {why.length > 0 && (
          <details open={held || undefined} onToggle={(e) => setHeld(e.currentTarget.open)}>
            <summary>{all.length === 2 ? 'Two' : all.length} batches, because</summary>
            <ul>
              {why.map((because, i) => (
                <li key={i}>
                  <Told words={because.words} numbers={because.numbers} label={`Why batch ${i + 2}`} />
                </li>
              ))}
            </ul>
          </details>
        )}
        {open && several && (
          <button type="button" className="btn btn-outline-primary" onClick={() => to(eachByItself(now))}>
            Each cup by itself
          </button>
        )}
        {open && !proposed && (
          <button type="button" className="btn btn-outline-primary" onClick={() => to([])}>
            Jugs as proposed
          </button>
        )}
      </div>
    </section>
  );
}
