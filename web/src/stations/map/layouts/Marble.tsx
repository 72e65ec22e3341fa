import { useState } from 'react';
import { inBurst } from '../../../editor/burst';
import { NumberAt } from '../../../parts/At';
import { cupIn } from '../../../editor/filled';
import { HowNumber } from '../../../parts/HowNumber';
import { useEdits } from '../../../parts/editing';
import type { LaidOutAs as Of } from '../../station';
import { useStation } from '../../station';
import { Colour, CupChoice } from '../../CupChoice';
import '../bands.scss';
import './Marble.scss';

/** A ground with streaks from a mixed cup. */
export function Marble({ layout }: { layout: Of<'marble'> }) {
  const { layer, here, at, plan } = useStation();
  const { edit, set } = useEdits();
  // The slider follows the hand; what it gives follows the slider.
  const [blend, setBlend] = useState<{ to: number; was: number } | null>(null);
  const blended = blend?.was === layout.blend ? blend.to : layout.blend;
  const mix = layer.cups.find((c) => c.id === layout.streakRecipeId);
  const draws = cupIn(plan, layer, layout.streakRecipeId)?.draws ?? [];
  return (
    <>
      <p className="line">
        <span>Over</span>
        <Colour cup={layout.groundRecipeId} />
        <CupChoice
          label="Cup of the ground colour"
          layer={layer}
          value={layout.groundRecipeId}
          without={layout.streakRecipeId}
          onChange={(recipe) => edit({ do: 'pour-from', ...here, region: 'ground', recipe })}
        />
        <NumberAt
          place={`${at.layout}.streakPercent`}
          label="streaks on"
          unit="%"
          value={layout.streakPercent}
        />
        <NumberAt place={`${at.layout}.directionDeg`} label="running" unit="°" value={layout.directionDeg} />
      </p>
      <h3>The mixed cup, {mix?.name}</h3>
      {mix?.of ? (
        <ul className="bands layout-rows">
          {mix.of.map((share) => {
            const name = layer.cups.find((c) => c.id === share.recipeId)?.name ?? '?';
            const draw = draws.find((d) => d.cupId === share.recipeId);
            return (
              <li key={share.recipeId}>
                <div className="band">
                  <Colour cup={share.recipeId} />
                  <span className="band-name">{name}</span>
                  <NumberAt
                    place={`recipes[${mix.id}].of[${share.recipeId}].parts`}
                    label={`Parts of ${name}`}
                    quiet
                    unit=""
                    value={share.parts}
                  />
                  <span className="unit">parts</span>
                  {draw && <HowNumber of={draw.ml} label={`Taken from ${name}`} />}
                  <button
                    type="button"
                    className="icon"
                    aria-label={`Leave ${name} out of the mix`}
                    disabled={mix.of!.length < 3}
                    onClick={() => void edit({ do: 'leave-out-of-mix', mix: mix.id, recipe: share.recipeId })}
                  >
                    <i className="bi minus" />
                  </button>
                </div>
              </li>
            );
          })}
        </ul>
      ) : (
        <p className="hint">It is a cup of one colour.</p>
      )}
      <p className="line">
        <CupChoice
          label="Add to the mixed cup"
          layer={{
            ...layer,
            cups: layer.cups.filter((c) => !c.of && !mix?.of?.some((s) => s.recipeId === c.id)),
          }}
          value={null}
          none="add a colour to the mix"
          onChange={(recipe) =>
            edit({ do: 'add-to-mix', mix: layout.streakRecipeId, layer: layer.id, recipe })
          }
        />
      </p>
      <p className="line blend">
        <label htmlFor="blend">Blended</label>
        <input
          id="blend"
          type="range"
          min="0"
          max="100"
          step="5"
          value={Math.round(blended * 100)}
          aria-valuetext={blendWords(blended)}
          onChange={(e) => {
            const to = Number(e.target.value) / 100;
            setBlend({ to, was: layout.blend });
            inBurst('blend', () => void set(`${at.layout}.blend`, to));
          }}
        />
        <span>{blendWords(blended)}</span>
      </p>
      <div className="row-buttons">
        <button
          type="button"
          className="btn btn-outline-primary"
          onClick={() => void edit({ do: 'grow-differently', ...here })}
        >
          Let it run differently
        </button>
      </div>
    </>
  );
}

const blendWords = (blend: number) =>
  blend < 0.05
    ? 'two colours side by side'
    : blend > 0.95
      ? 'one even colour'
      : `streaks, ${Math.round(blend * 100)} %`;
