import type { FilledLayer } from '../editor/filled';
import type { SittingView } from '../api/client';
import { useUnits } from '../units/units';
import { HowNumber } from '../parts/HowNumber';
import { asWideAs } from '../parts/typed';
import { Vessel, heightFor, sizeFor } from '../parts/Vessel';
import { cupButton, usePull, useReserve } from './usePull';
import './CupRow.scss';

interface Props {
  layer: FilledLayer;
  plan: SittingView;
  chosen: string | null;
  /** Cup whose region is pointed at on the map. */
  pointed: string | null;
  /** Whether a level can be pulled here: where cups and map are worked on. */
  pullable: boolean;
  onChoose: (cupId: string | null) => void;
  onPoint: (cupId: string | null) => void;
}

const tallest = 56;

/** The layer's cups along the bench edge, in pour order and to scale with each other. */
export function CupRow({ layer, plan, chosen, pointed, pullable, onChoose, onPoint }: Props) {
  const units = useUnits();
  // A mixed cup stands after the cups that it is filled from.
  const order = [...new Set(plan.pours.flatMap((s) => [...filledFrom(plan, s.cupId), s.cupId]))];
  const cups = order.flatMap((id) => {
    const cup = layer.recipes.find((c) => c.id === id);
    const volume = plan.cups.cups.find((c) => c.cupId === id);
    return cup && volume ? [{ cup, volume }] : [];
  });
  const pulling = usePull(layer, pullable);
  const reserve = useReserve(layer);
  const picks = { chosen, pointed, onChoose, onPoint };
  const largest = Math.max(120, ...cups.map(({ volume }) => sizeFor(volume.mixMl.value)));
  return (
    <section className="cup-row" aria-label="Cups, in pour order">
      <ol>
        {cups.map(({ cup, volume }) => (
          <li key={cup.id} style={asWideAs(cup.name)}>
            <button
              type="button"
              aria-describedby={pullable ? 'cup-row-key' : undefined}
              {...cupButton(volume, picks, pulling)}
            >
              <Vessel
                volume={volume}
                colour={volume.colour}
                resinMl={volume.measured?.resinMl.value ?? null}
                height={heightFor(volume.mixMl.value, largest, tallest)}
                id={cup.id}
              />
              <span className="cup-name">{cup.name}</span>
            </button>
            <HowNumber of={volume.mixMl} label={`Mix in ${cup.name}`} decimals={0} className="cup-ml" />
          </li>
        ))}
      </ol>
      <p className="key" id="cup-row-key">
        In pour order, to scale · dashed: resin line · hatched: reserve, {units.show(reserve, '%')}
        {pullable && (
          <>
            <br />
            drag a level, or press ↑ ↓: the reserve of all cups; with Alt the band
          </>
        )}
      </p>
    </section>
  );
}

const filledFrom = (plan: SittingView, cupId: string) =>
  plan.cups.cups.find((c) => c.cupId === cupId)?.draws.map((d) => d.cupId) ?? [];
