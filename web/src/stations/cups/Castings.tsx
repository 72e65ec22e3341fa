import { NumberAt, WhetherAt } from '../../parts/At';
import { HowNumber } from '../../parts/HowNumber';
import { useStation } from '../station';

/** For how many of the copies the sitting is mixed, and what each casting takes. */
export function Castings() {
  const { piece, sittingPlan, at } = useStation();
  const { set, mould } = piece.ground;
  const wanted = set?.mirrored ? set.count : (mould?.pieces ?? 1);
  const own = piece.sittings.find((s) => s.id === sittingPlan.sittingId)?.copies ?? null;
  const { copies, castings } = sittingPlan;
  if (wanted < 2) return null;
  return (
    <section className="castings" aria-label="Copies">
      <p>
        Mixed for{' '}
        <NumberAt
          place={`${at.sitting}.copies`}
          label="Copies of the sitting"
          quiet
          empty={copies}
          unit=""
          value={own}
        />{' '}
        of {wanted} {set?.mirrored ? 'panels' : 'pieces'},{' '}
        <WhetherAt
          place={`${at.sitting}.copiesInTurn`}
          label="Turn of the copies"
          value={piece.sittings.find((s) => s.id === sittingPlan.sittingId)?.copiesInTurn ?? false}
          no="colour by colour"
          yes="one after the other"
        />
        .
      </p>
      {castings.length > 0 && (
        <ol aria-label="Castings">
          {castings.map((c, i) => (
            <li key={i}>
              {c.copies === 1 ? 'one piece' : `${c.copies} pieces`}:{' '}
              <HowNumber of={c.needMl} label={`Casting ${i + 1} takes`} decimals={1} />
            </li>
          ))}
        </ol>
      )}
    </section>
  );
}
