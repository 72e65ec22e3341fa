import { HowNumber } from '../../parts/HowNumber';
import { useEdits } from '../../parts/editing';
import { useUnits } from '../../units/units';
import { regionName, timesPoured } from '../station';
import { useStation } from '../station';
import './PourStation.scss';

export function PourStation() {
  const { piece, layer, layerPlan, cup, setCup } = useStation();
  const units = useUnits();
  const { steps } = layerPlan;
  const several = timesPoured(piece.ground);
  const order = steps.map((s) => s.regionId);
  const { edit } = useEdits();
  const pour = (regions: string[]) => void edit({ do: 'order-pours', layer: layer.id, regions });
  const move = (from: number, by: -1 | 1) =>
    pour(order.toSpliced(from, 1).toSpliced(from + by, 0, order[from]!));
  return (
    <>
      <h2>Order of pours</h2>
      <p className="hint">
        {layer.pourOrder.length === 0 ? layerPlan.orderSays : 'Your own order.'}
        {layer.layout?.kind !== 'lines' && layer.layout?.kind !== 'puddle' && (
          <> Each amount fills its region to {units.show(layer.depthMm, 'mm')}.</>
        )}
        {several && ` Amounts are for ${several.words}.`}
      </p>
      <ol className="pours">
        {steps.map((step, i) => {
          const name = regionName(layer, step.regionId, step.cupId);
          const colour = layerPlan.cups.cups.find((c) => c.cupId === step.cupId)?.colour ?? '#dfe9e6';
          return (
            <li key={step.regionId} data-lit={cup === step.cupId || undefined}>
              <span className="drop" style={{ background: colour }} aria-hidden />
              <button
                type="button"
                className="pour-name"
                onClick={() => setCup(cup === step.cupId ? null : step.cupId)}
              >
                {name}
              </button>
              <span className="amount">
                <HowNumber of={step.pourMl} label={`Pour of ${name}`} />
                <small className="remains">
                  <HowNumber of={step.leftInCupMl} label={`Left in the cup after ${name}`} decimals={0} />{' '}
                  left
                </small>
              </span>
              <span className="move">
                <button
                  type="button"
                  className="icon"
                  aria-label={`Pour ${name} earlier`}
                  disabled={i === 0}
                  onClick={() => move(i, -1)}
                >
                  <i className="bi up" />
                </button>
                <button
                  type="button"
                  className="icon"
                  aria-label={`Pour ${name} later`}
                  disabled={i === steps.length - 1}
                  onClick={() => move(i, 1)}
                >
                  <i className="bi down" />
                </button>
              </span>
            </li>
          );
        })}
      </ol>
      {layer.pourOrder.length > 0 && (
        <button type="button" className="btn btn-outline-primary" onClick={() => pour([])}>
          Back to the usual order
        </button>
      )}
    </>
  );
}
