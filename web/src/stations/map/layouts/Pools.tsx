import { NumberAt } from '../../../parts/At';
import { HowNumber } from '../../../parts/HowNumber';
import { useEdits } from '../../../parts/editing';
import type { LaidOutAs as Of } from '../../station';
import { useStation } from '../../station';
import { Colour, CupChoice } from './CupChoice';
import { Facts } from './Facts';
import '../bands.scss';
import './Pools.scss';

/** Pools between walls. */
export function Pools({ layout }: { layout: Of<'pools'> }) {
  const { layer, layerPlan, here, at, selected, select, cup } = useStation();
  const { edit } = useEdits();
  const pools = layerPlan.regions.filter((r) => r.kind === 'pool');
  return (
    <>
      <p className="line">
        <NumberAt place={`${at.layout}.beadMm`} label="Walls, laid" unit="mm" value={layout.beadMm} />
        <span>wide</span>
      </p>
      <h3>Pools</h3>
      <ul className="bands layout-rows">
        {/* By number, so that a pool keeps the focus when it gets its cup and with it an id of its own. */}
        {pools.map((pool, i) => {
          const { name } = pool;
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
              {!pool.fits && <span className="field-error">It has run together with another pool.</span>}
            </li>
          );
        })}
      </ul>
      <h3>Walls</h3>
      {layout.strokes.length === 0 ? (
        <p className="hint">None yet: draw one on the map, or put one straight across.</p>
      ) : (
        <ul className="row-buttons walls">
          {layout.strokes.map((s, i) => (
            <li key={s.id}>
              <button
                type="button"
                className="chip"
                aria-pressed={selected?.kind === 'stroke' && selected.id === s.id}
                onClick={() => select({ kind: 'stroke', id: s.id })}
              >
                Wall {i + 1}
              </button>
              <button
                type="button"
                className="chip"
                aria-label={`Take away: wall ${i + 1}`}
                onClick={() => {
                  void edit({ do: 'take-wall-away', ...here, wall: s.id });
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
