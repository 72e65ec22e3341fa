import { NumberAt } from '../../../parts/At';
import { HowNumber } from '../../../parts/HowNumber';
import { useEdits } from '../../../parts/editing';
import type { LaidOutAs as Of } from '../../station';
import { useStation } from '../../station';
import { Colour, CupChoice } from '../../CupChoice';
import '../bands.scss';

/** Colours poured in turn into one puddle. */
export function Puddle({ layout }: { layout: Of<'puddle'> }) {
  const { layer, layerPlan, here, at, cup } = useStation();
  const { edit } = useEdits();
  return (
    <>
      <h3>Poured in turn, each into the middle of the last</h3>
      <ol className="bands layout-rows">
        {layout.pours.map((pour, i) => {
          const radius = layerPlan.facts.find((f) => f.id === `radius-${pour.id}`);
          return (
            <li key={pour.id}>
              <div className="band" data-lit={cup === pour.recipeId || undefined}>
                <Colour cup={pour.recipeId} />
                <CupChoice
                  label={`Cup of pour ${i + 1}`}
                  layer={layer}
                  value={pour.recipeId}
                  onChange={(recipe) => edit({ do: 'pour-from', ...here, region: pour.id, recipe })}
                />
                <NumberAt
                  place={`${at.layout}.pours[${pour.id}].ml`}
                  label={`Pour ${i + 1}`}
                  quiet
                  unit="ml"
                  value={pour.ml}
                />
                {radius && (
                  <span className="radius">
                    to <HowNumber of={radius.number} label={`Radius after pour ${i + 1}`} />
                  </span>
                )}
                <button
                  type="button"
                  className="icon"
                  aria-label={`Take out pour ${i + 1}`}
                  disabled={layout.pours.length === 1}
                  onClick={() => void edit({ do: 'leave-pour-out', ...here, pour: pour.id })}
                >
                  <i className="bi minus" />
                </button>
              </div>
            </li>
          );
        })}
      </ol>
      <div className="row-buttons">
        <button
          type="button"
          className="btn btn-outline-primary"
          onClick={() => void edit({ do: 'add-pour', ...here })}
        >
          Another pour
        </button>
      </div>
      <p className="line">
        <NumberAt
          place={`${at.layout}.tiltPercent`}
          label="Tilted until it is"
          unit="%"
          value={layout.tiltPercent}
        />
        <NumberAt place={`${at.layout}.tiltDeg`} label="longer, towards" unit="°" value={layout.tiltDeg} />
      </p>
      <p className="line">
        <span>Round it</span>
        <CupChoice
          label="Cup round the puddle"
          layer={layer}
          value={layout.restRecipeId ?? null}
          none="nothing is poured"
          onChange={(recipe) => edit({ do: 'pour-from', ...here, region: 'rest', recipe })}
          onNone={() => edit({ do: 'leave-rest-bare', ...here })}
        />
      </p>
      {layerPlan.facts
        .filter((f) => f.id === 'run-off')
        .map((f) => (
          <p key={f.id} className="say-mind">
            {f.label}: <HowNumber of={f.number} label={f.label} />
          </p>
        ))}
    </>
  );
}
