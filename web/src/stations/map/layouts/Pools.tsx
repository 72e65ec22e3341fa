import { NumberAt } from '../../../parts/At';
import { Choice } from '../../../parts/Choice';
import { HowNumber } from '../../../parts/HowNumber';
import { wallsOf } from '../../../editor/filled';
import { useEdits } from '../../../parts/editing';
import { useStation } from '../../station';
import { Colour, CupChoice } from './CupChoice';
import { Facts } from './Facts';
import '../bands.scss';
import './Pools.scss';

const barriers = [
  ['', 'not said yet'],
  ['outliner', 'raised outliner'],
  ['liner', 'clear liner'],
  ['putty', 'two-part putty'],
  ['silicone', 'silicone'],
  ['hot-glue', 'hot glue'],
] as const;

/** Pools between walls. */
export function Pools() {
  const { layer, layerPlan, here, selected, select, cup } = useStation();
  const { edit, set } = useEdits();
  const walls = wallsOf(layer);
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
      <h3>Walls</h3>
      {walls.length === 0 ? (
        <p className="hint">None yet: draw one on the map, or put one straight across.</p>
      ) : (
        <ul className="walls">
          {walls.map((wall, i) => (
            <li key={wall.id} className="line">
              <button
                type="button"
                className="chip"
                aria-pressed={selected?.kind === 'line' && selected.id === wall.id}
                onClick={() => select({ kind: 'line', id: wall.id })}
              >
                Wall {i + 1}
              </button>
              <Choice
                label={`Wall ${i + 1} is of`}
                quiet
                value={(wall.material.kind === 'barrier' ? wall.material.class : null) ?? ''}
                choices={barriers}
                onChange={(to) => set(`lines[${wall.id}].material.class`, to === '' ? null : to)}
              />
              <span className="with-comma">
                <NumberAt
                  place={`lines[${wall.id}].section.widthMm`}
                  label={`Wall ${i + 1}, wide`}
                  quiet
                  unit="mm"
                  value={wall.section.widthMm}
                />{' '}
                wide,
              </span>
              <span className="with-comma">
                <NumberAt
                  place={`lines[${wall.id}].section.heightMm`}
                  label={`Wall ${i + 1}, high`}
                  quiet
                  unit="mm"
                  empty="?"
                  value={wall.section.heightMm ?? null}
                />{' '}
                high
              </span>
              <button
                type="button"
                className="chip"
                aria-label={`Take away: wall ${i + 1}`}
                onClick={() => {
                  void edit({ do: 'take-line-away', line: wall.id });
                  select(null);
                }}
              >
                Take away
              </button>
            </li>
          ))}
        </ul>
      )}
      <Facts />
    </>
  );
}
