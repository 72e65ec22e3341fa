import { NumberAt } from '../../../parts/At';
import { HowNumber } from '../../../parts/HowNumber';
import { useEdits } from '../../../parts/editing';
import type { LaidOutAs as Of } from '../../station';
import { useStation } from '../../station';
import { Colour, CupChoice } from '../../CupChoice';
import { Facts } from './Facts';
import '../bands.scss';

/** Fields in threes. */
export function Fields({ layout }: { layout: Of<'fields'> }) {
  const { layer, layerPlan, here, at, selected, select, cup } = useStation();
  const { edit } = useEdits();
  const chosen =
    selected?.kind === 'region' ? layerPlan.regions.find((r) => r.id === selected.id) : undefined;
  const number = chosen?.kind === 'field' ? Number(chosen.id.split('-')[1]) : 0;
  return (
    <>
      <p className="line">
        <NumberAt place={`${at.layout}.fields`} label="Fields" unit="" value={layout.fields} />
        <span>
          in {layout.colours.length} colours,{' '}
          {(layout.fields / Math.max(1, layout.colours.length)).toFixed(1).replace('.0', '')} of each
        </span>
      </p>
      <ul className="bands layout-rows">
        {layout.colours.map((id) => {
          const of = layer.cups.find((c) => c.id === id);
          const balance = layerPlan.balance.find((b) => b.cupId === id);
          return (
            <li key={id}>
              <div className="band" data-lit={cup === id || undefined}>
                <Colour cup={id} />
                <span className="band-name">{of?.name}</span>
                {balance && <HowNumber of={balance.share} label={`Share of ${of?.name}`} />}
                <button
                  type="button"
                  className="icon"
                  aria-label={`Leave ${of?.name} out`}
                  disabled={layout.colours.length < 2}
                  onClick={() => void edit({ do: 'leave-field-colour-out', ...here, recipe: id })}
                >
                  <i className="bi minus" />
                </button>
              </div>
            </li>
          );
        })}
      </ul>
      {chosen && number > 0 && (
        <p className="line" role="group" aria-label={`Field ${number}`}>
          <b>Field {number}</b>
          <HowNumber of={chosen.area} label={`Area of field ${number}`} />
          <CupChoice
            label={`Colour of field ${number}`}
            layer={layer}
            value={chosen.cupId}
            onChange={(recipe) => edit({ do: 'pour-from', ...here, region: `field-${number}`, recipe })}
          />
          {(layout.recoloured ?? []).some((r) => r.field === number) && (
            <button
              type="button"
              className="chip"
              onClick={() => void edit({ do: 'colour-field-as-spread', ...here, field: number })}
            >
              Colour as spread
            </button>
          )}
        </p>
      )}
      <div className="row-buttons">
        <button
          type="button"
          className="btn btn-outline-primary"
          onClick={() => {
            void edit({ do: 'grow-differently', ...here });
            select(null);
          }}
        >
          Lay them differently
        </button>
        <button
          type="button"
          className="btn btn-outline-primary"
          onClick={() => void edit({ do: 'add-field-colour', ...here })}
        >
          Another colour
        </button>
      </div>
      <Facts />
    </>
  );
}
