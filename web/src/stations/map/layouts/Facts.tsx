import { HowNumber } from '../../../parts/HowNumber';
import { useStation } from '../../station';

/** The numbers that only this layout has. */
export function Facts() {
  const { layer, layerPlan } = useStation();
  // Those of the zones are told where the zone is worked in; how long a line is stands beside it.
  const lengths = new Set(layer.lines.map((l) => `${l.id}-length`));
  const own = layerPlan.facts.filter((f) => !f.id.includes('/') && !lengths.has(f.id));
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
