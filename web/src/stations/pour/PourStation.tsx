import { useState } from 'react';
import type { PlannedPour } from '../../api/client';
import { colourIn } from '../../editor/filled';
import { HowNumber } from '../../parts/HowNumber';
import { useEdits } from '../../parts/editing';
import { useUnits } from '../../units/units';
import { CupColour } from '../CupColour';
import { useRegionNames } from '../regionNames';
import { nextOf, timesPoured, useStation } from '../station';
import { PourDetail } from './PourDetail';
import { SittingChoice } from './SittingChoice';
import './PourStation.scss';

const keyOf = (s: Pick<PlannedPour, 'layerId' | 'regionId' | 'pass'>) =>
  `${s.layerId}/${s.regionId}/${s.pass}`;

/** In what order a sitting is poured, which regions it takes, and how deep. */
export function PourStation() {
  const { piece, layer, layerPlan, sittingPlan, setCup, cup, selected, secondLook } = useStation();
  const units = useUnits();
  const names = useRegionNames();
  const { pours } = sittingPlan;
  const minutes = sittingPlan.batches.pouredMinutes;
  const next = nextOf(sittingPlan);
  const several = timesPoured(piece.ground);
  const { edit } = useEdits();
  // A region is opened in the list, or pointed at on the piece.
  const [opened, setOpened] = useState<{ key: string; of: typeof selected } | null>(null);
  const pointed = selected && { layerId: layer.id, regionId: selected.id, pass: 0 };
  const open = opened?.of === selected ? opened.key : pointed && keyOf(pointed);
  const order = pours.map(({ layerId, regionId }) => ({ layerId, region: regionId }));
  const pour = (regions: typeof order) =>
    void edit({ do: 'order-pours', sitting: sittingPlan.sittingId, regions });
  const move = (from: number, by: -1 | 1) =>
    pour(order.toSpliced(from, 1).toSpliced(from + by, 0, order[from]!));
  const bare = layerPlan.regions.filter((r) => r.bare);
  return (
    <>
      {next && (
        <p className="next-pour">
          <HowNumber of={next.pourMl} label="The next pour" className="bench" />
          <span>
            next: <b>{names.step(next)}</b>
          </span>
        </p>
      )}
      <h2>Order of pours</h2>
      {secondLook}
      <SittingChoice />
      <p className="hint">
        {!layer.sitting.order?.length ? sittingPlan.orderSays : 'Your own order.'}
        {layer.layout.kind !== 'lines' && layer.layout.kind !== 'puddle' && (
          <> Each amount fills its region to {units.show(layer.depthMm, 'mm')} unless it says otherwise.</>
        )}
        {several && ` Amounts are for ${several.words}.`} With its batches it takes{' '}
        <HowNumber of={sittingPlan.batches.endMinutes} label="The sitting takes" decimals={0} />, counted from
        the first mixing. Press a region to pour it another day, in passes, or not at all.
      </p>
      <ol className="pours" aria-label="Order of pours">
        {pours.map((step, i) => {
          const name = names.step(step);
          const isOpen = open === keyOf(step);
          return (
            <li key={keyOf(step)} data-lit={cup === step.cupId || undefined} data-open={isOpen || undefined}>
              <CupColour
                cup={layer.recipes.find((r) => r.id === step.cupId)}
                shown={colourIn(layerPlan, step.cupId)}
                label={`Colour of ${name}`}
              />
              <button
                type="button"
                className="pour-name"
                aria-expanded={isOpen}
                onClick={() => {
                  setOpened({ key: isOpen ? '' : keyOf(step), of: selected });
                  setCup(isOpen ? null : step.cupId);
                }}
              >
                {name}
              </button>
              <span className="amount">
                <HowNumber of={step.pourMl} label={`Pour of ${name}`} />
                {step.eachMl && (
                  <small className="remains">
                    <HowNumber of={step.eachMl} label={`A copy of ${name}`} decimals={1} /> each
                  </small>
                )}
                <small className="remains">
                  {step.leftInCupMl ? (
                    <>
                      <HowNumber of={step.leftInCupMl} label={`Left in the cup after ${name}`} decimals={0} />{' '}
                      left
                    </>
                  ) : (
                    'mixed by eye'
                  )}
                </small>
                {minutes[i] && (
                  <small className="remains">
                    done at <HowNumber of={minutes[i]} label={`${name} poured`} decimals={0} />
                  </small>
                )}
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
                  disabled={i === pours.length - 1}
                  onClick={() => move(i, 1)}
                >
                  <i className="bi down" />
                </button>
              </span>
              {isOpen && <PourDetail step={step} name={name} />}
            </li>
          );
        })}
      </ol>
      {(layer.sitting.order?.length ?? 0) > 0 && (
        <button type="button" className="btn btn-outline-primary" onClick={() => pour([])}>
          Back to the usual order
        </button>
      )}
      {bare.length > 0 && (
        <section className="stays-bare" aria-label="Stays bare">
          <h3>Stays bare in this layer</h3>
          <ul>
            {bare.map((r) => (
              <li key={r.id}>
                {names.region(layerPlan.layerId, r.id)}
                <button
                  type="button"
                  className="btn btn-outline-primary"
                  onClick={() =>
                    void edit({ do: 'pour-with-rest', layer: layerPlan.layerId, regions: [r.id] })
                  }
                >
                  Pour it
                </button>
              </li>
            ))}
          </ul>
        </section>
      )}
      {layerPlan.levelClear.length > 0 && (
        <section className="level-clear" aria-label="Levelling clear">
          <h3>Clear that brings all to one height</h3>
          <ul>
            {layerPlan.levelClear.map(({ regionId, ml }) => (
              <li key={regionId}>
                {names.region(layerPlan.layerId, regionId)}{' '}
                <HowNumber
                  of={ml}
                  label={`Clear to level ${names.region(layerPlan.layerId, regionId)}`}
                  decimals={1}
                />
              </li>
            ))}
          </ul>
        </section>
      )}
    </>
  );
}
