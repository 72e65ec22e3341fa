import { useRef } from 'react';
import type { BatchPlan } from '../../api/client';
import { arrange, arranged, joined, moved, split } from '../../editor/batches';
import { isDrawnFrom } from '../../editor/filled';
import { vesselsMl } from '../../editor/mixes';
import { useEdits } from '../../parts/editing';
import { useMost } from '../../parts/fields';
import { useSize } from '../../parts/useSize';
import { useStation } from '../../stations/station';
import type { Picks } from '../usePull';
import { BatchRow } from './BatchRow';
import { tallestFor } from './tallest';
import { useCarry } from './useCarry';
import './JugStage.scss';

/** Jugs and cups: what is mixed together, what is poured off it, and when. */
export function JugStage({ picks }: { picks: Picks }) {
  const { piece, sittingPlan } = useStation();
  const { edit } = useEdits();
  const { all } = sittingPlan.batches;
  const own = piece.sittings.find((s) => s.id === sittingPlan.sittingId)?.batches;
  const now = arranged(all, own);
  const to = (batches: typeof now) => void edit(arrange(sittingPlan.sittingId, batches));
  const { carried, over, take } = useCarry((cup, from, batch) => to(moved(now, cup, from, batch)));
  const open = !sittingPlan.poured;
  // A cup that others are filled from is filled at once; of one that is mixed in itself two are proposed where it is much.
  const mayBeApart = (batch: BatchPlan) =>
    !isDrawnFrom(piece, batch.cupIds[0]!) &&
    (batch.problems.length > 0 || batch.grade !== 'fine' || batch.cups[0]!.percent < 100);
  const takesMore = all.length < useMost('sittings.batches');
  const stage = useRef<HTMLElement>(null);
  const room = useSize(stage);
  const tallest = tallestFor(
    all.map((b) => b.mixMl.value),
    vesselsMl(sittingPlan.cups.cups).filter((ml) => ml > 0),
    room,
  );
  return (
    <section className="jug-stage" aria-label="Jugs and cups" ref={stage}>
      {all.length === 0 && (
        <p className="hint">Nothing is poured in this sitting yet: there is nothing to mix.</p>
      )}
      {all.map((batch, i) => (
        <BatchRow
          key={batch.id}
          batch={batch}
          number={i + 1}
          tallest={tallest}
          picks={picks}
          over={over === batch.id}
          carried={carried?.from === batch.id ? carried.cup : null}
          onTake={open ? take : null}
          onSplit={
            open && takesMore && (batch.cupIds.length > 1 || mayBeApart(batch))
              ? () => to(split(now, batch.id))
              : null
          }
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
    </section>
  );
}
