import { HowNumber } from '../../parts/HowNumber';
import { useStation } from '../station';

/** What the piece takes over all of its sittings, where there are several. */
export function WholePiece() {
  const { plan } = useStation();
  const unmeasured = plan.need.flatMap((n) => n.unmeasured);
  if (unmeasured.length === 0 && plan.sittings.filter((s) => s.batches.all.length > 0).length < 2)
    return null;
  return (
    <details className="makers">
      <summary>The whole piece, over all of its sittings</summary>
      {plan.need
        .filter((n) => n.mixMl.value > 0)
        .map((n) => (
          <p key={n.resin}>
            {n.resin}: <HowNumber of={n.mixMl} label={`${n.resin} in all`} decimals={0} />, of which resin{' '}
            <HowNumber of={n.resinMl} label={`Resin of ${n.resin}`} decimals={0} /> (
            <HowNumber of={n.resinG} label={`Resin of ${n.resin} by weight`} decimals={0} />) and hardener{' '}
            <HowNumber of={n.hardenerMl} label={`Hardener of ${n.resin}`} decimals={0} /> (
            <HowNumber of={n.hardenerG} label={`Hardener of ${n.resin} by weight`} decimals={0} />)
          </p>
        ))}
      {unmeasured.length > 0 && (
        <p>
          And{' '}
          {unmeasured.length === 1
            ? 'a batch that nobody measures'
            : `${unmeasured.length} batches that nobody measures`}
          , in none of these sums: {unmeasured.join('; ')}.
        </p>
      )}
    </details>
  );
}
