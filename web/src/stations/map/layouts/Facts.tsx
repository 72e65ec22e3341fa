import { HowNumber } from '../../../parts/HowNumber';
import { useStation } from '../../station';

/** The numbers that only this layout has. */
export function Facts() {
  const { layerPlan } = useStation();
  // Those of the zones are told where the zone is worked in.
  const own = layerPlan.facts.filter((f) => !f.id.includes('/'));
  if (own.length === 0) return null;
  return (
    <dl className="facts">
      {own.map((f) => (
        <div key={f.id}>
          <dt>{f.label}</dt>
          <dd>
            <HowNumber of={f.number} label={f.label} />
          </dd>
        </div>
      ))}
    </dl>
  );
}
