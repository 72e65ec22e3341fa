import { HowNumber } from '../../../parts/HowNumber';
import { useEdits } from '../../../parts/editing';
import type { LaidOutAs as Of } from '../../station';
import { useStation } from '../../station';
import { Colour, CupChoice } from '../../CupChoice';

/** One colour over all. */
export function Flood({ layout }: { layout: Of<'flood'> }) {
  const { layer, here, layerPlan } = useStation();
  const { edit } = useEdits();
  const region = layerPlan.regions.find((r) => r.id === 'flood');
  return (
    <p className="line">
      <span>All of</span>
      <Colour cup={layout.recipeId} />
      <CupChoice
        label="Cup of the flood"
        layer={layer}
        value={layout.recipeId}
        onChange={(recipe) => edit({ do: 'pour-from', ...here, region: 'flood', recipe })}
      />
      {region && <HowNumber of={region.area} label="Area of the flood" />}
    </p>
  );
}
