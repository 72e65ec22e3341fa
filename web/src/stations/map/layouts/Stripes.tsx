import { NumberAt } from '../../../parts/At';
import { useEdits } from '../../../parts/editing';
import type { LaidOutAs as Of } from '../../station';
import { useStation } from '../../station';
import { BandList } from '../BandList';
import { CupChoice } from '../../CupChoice';
import { Facts } from './Facts';

/** Stripes from the rim to the middle. */
export function Stripes({ layout }: { layout: Of<'lines'> }) {
  const { layer, layerPlan, here, at } = useStation();
  const { edit } = useEdits();
  // How often the sequence is laid already; where it is laid once there are no repeats to tell.
  const repeats = Math.max(1, layerPlan.facts.filter((f) => f.id.startsWith('repeat-')).length);
  return (
    <>
      <p className="line">
        <NumberAt
          place={`${at.layout}.startMm`}
          also={at.layout}
          label="Laid on a film of"
          unit="mm"
          value={layout.startMm}
        />
        <CupChoice
          label="Cup of the film below"
          layer={layer}
          value={layout.startRecipeId}
          onChange={(recipe) => edit({ do: 'pour-from', ...here, region: 'start', recipe })}
        />
        <NumberAt place={`${at.layout}.wavinessMm`} label="Waviness" unit="mm" value={layout.wavinessMm} />
      </p>
      <Facts />
      <BandList />
      <div className="row-buttons">
        <button
          type="button"
          className="btn btn-outline-primary"
          onClick={() => void edit({ do: 'lay-sequence-again', ...here, repeats })}
        >
          Lay the sequence again
        </button>
        <button
          type="button"
          className="btn btn-outline-primary"
          onClick={() => void edit({ do: 'grow-differently', ...here })}
        >
          Let them wander differently
        </button>
      </div>
    </>
  );
}
