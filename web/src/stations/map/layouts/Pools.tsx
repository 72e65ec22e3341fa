import { HowNumber } from '../../../parts/HowNumber';
import { useEdits } from '../../../parts/editing';
import { useStation } from '../../station';
import { Colour, CupChoice } from '../../CupChoice';
import { Facts } from './Facts';
import '../bands.scss';

/** Pools between walls. */
export function Pools() {
  const { layer, layerPlan, here, selected, select, cup } = useStation();
  const { edit } = useEdits();
  const pools = layerPlan.regions.filter((r) => r.kind === 'pool');
  return (
    <>
      <h3>Pools</h3>
      <ul className="bands layout-rows">
        {/* By number, so that a pool keeps the focus when it gets its cup and with it an id of its own. */}
        {pools.map((pool, i) => {
          const { name } = pool;
          const hold = layerPlan.holds.find((h) => h.regionId === pool.id);
          return (
            <li key={i} data-open={(selected?.kind === 'region' && selected.id === pool.id) || undefined}>
              <div className="band" data-lit={(pool.cupId !== null && cup === pool.cupId) || undefined}>
                {pool.cupId && <Colour cup={pool.cupId} />}
                <button
                  type="button"
                  className="band-name"
                  onClick={() => select({ kind: 'region', id: pool.id })}
                >
                  {name}
                </button>
                <CupChoice
                  label={`Cup of ${name}`}
                  layer={layer}
                  value={pool.cupId}
                  none={pool.cupId ? undefined : 'no cup yet'}
                  onChange={(recipe) => {
                    const { xMm, yMm } = pool.anchor ?? { xMm: 0, yMm: 0 };
                    return pool.cupId === null
                      ? edit({ do: 'add-pool', ...here, xMm, yMm, recipe })
                      : edit({ do: 'pour-from', ...here, region: pool.id, recipe });
                  }}
                />
                <HowNumber of={pool.area} label={`Area of ${name}`} />
              </div>
              {hold && (
                <p className="hint holds">
                  {'gets '}
                  <HowNumber of={hold.gets} label={`What ${name} gets`} />
                  {' of '}
                  <HowNumber of={hold.brim} label={`${name}, to the brim`} />
                  {' to the brim'}
                </p>
              )}
              {!pool.fits && <span className="field-error">It has run together with another pool.</span>}
            </li>
          );
        })}
      </ul>
      <Facts />
    </>
  );
}
