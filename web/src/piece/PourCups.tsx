import type { SittingView } from '../api/client';
import type { FilledLayer } from '../editor/filled';
import { HowNumber } from '../parts/HowNumber';
import { Vessel, heightFor, sizeFor } from '../parts/Vessel';
import { cupsInOrder } from './OrderMarks';
import type { Picks } from './usePull';
import './PourCups.scss';

interface Props {
  layer: FilledLayer;
  plan: SittingView;
  picks: Picks;
}

const tallest = 64;

/** The cups beside the piece, in the order of their first pour; those that are poured off are empty. */
export function PourCups({ layer, plan, picks: { chosen, pointed, onChoose, onPoint } }: Props) {
  const cups = cupsInOrder(plan).flatMap((id) => {
    const cup = layer.recipes.find((r) => r.id === id);
    const volume = plan.cups.cups.find((c) => c.cupId === id);
    return cup && volume ? [{ cup, volume }] : [];
  });
  const largest = Math.max(120, ...cups.map(({ volume }) => sizeFor(volume.mixMl.value)));
  const isLeft = (cupId: string) => plan.pours.some((s) => s.cupId === cupId && !s.done);
  return (
    <ol className="pour-cups" aria-label="Cups, in pour order" data-many={cups.length > 7 || undefined}>
      {cups.map(({ cup, volume }) => (
        <li key={cup.id} data-empty={!isLeft(cup.id) || undefined}>
          <button
            type="button"
            aria-label={`Cup of ${cup.name}`}
            aria-pressed={chosen === cup.id}
            data-lit={pointed === cup.id || undefined}
            onClick={() => onChoose(chosen === cup.id ? null : cup.id)}
            onPointerEnter={() => onPoint(cup.id)}
            onPointerLeave={() => onPoint(null)}
            onFocus={() => onPoint(cup.id)}
            onBlur={() => onPoint(null)}
          >
            <span className="cup-name">{cup.name}</span>
            <Vessel
              volume={volume}
              colour={isLeft(cup.id) ? volume.colour : 'none'}
              resinMl={null}
              height={heightFor(volume.mixMl.value, largest, cups.length > 7 ? 36 : tallest)}
              id={`pour-${cup.id}`}
            />
          </button>
          {isLeft(cup.id) ? (
            <HowNumber of={volume.mixMl} label={`Mix in ${cup.name}`} decimals={0} />
          ) : (
            <small>poured</small>
          )}
        </li>
      ))}
    </ol>
  );
}
