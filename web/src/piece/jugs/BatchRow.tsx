import { useRef } from 'react';
import type { BatchPlan } from '../../api/client';
import { inGoes, mixIn, mixWords, vesselsMl } from '../../editor/mixes';
import { markDecimals } from '../../units/format';
import { HowNumber } from '../../parts/HowNumber';
import { Told } from '../../parts/Told';
import { Vessel, heightFor } from '../../parts/Vessel';
import { useStation } from '../../stations/station';
import { CupPins } from './CupPins';
import type { Picks } from '../usePull';
import { cupButton, usePull } from '../usePull';
import { Jug } from './Jug';
import { Streams } from './Streams';
import { jugHeight, largestOf, manyCups } from './tallest';

interface Props {
  batch: BatchPlan;
  number: number;
  /** How high the largest vessel of the sitting is drawn, pixels. */
  tallest: number;
  picks: Picks;
  /** Whether a cup is carried over it. */
  over: boolean;
  /** The cup that is carried. */
  carried: string | null;
  /** Takes a cup by its name; null where nothing can be changed any more. */
  onTake: ((e: React.PointerEvent<HTMLElement>, cup: string, name: string, from: string) => void) | null;
  onSplit: (() => void) | null;
  onJoin: (() => void) | null;
}

/** A batch: its jug, and the cups that are poured off it, to scale with all others of the sitting. */
export function BatchRow(props: Props) {
  const { batch, number, tallest, over, carried, onTake, onSplit, onJoin } = props;
  const { layer, sittingPlan } = useStation();
  const pulling = usePull(layer, true);
  const row = useRef<HTMLElement>(null);
  const volumes = sittingPlan.cups.cups;
  const byWeight = layer.sitting.measure === 'by-weight';
  const largest = largestOf(
    sittingPlan.batches.all.map((b) => b.mixMl.value),
    vesselsMl(volumes),
  );
  const alone = batch.cupIds.length === 1;
  // What is mixed of cups stands after the last of those that it is filled from.
  const mixed = volumes.filter(
    (v) =>
      v.mixMl.value > 0 &&
      v.draws.some((d) => d.cupId === batch.cupIds.at(-1)) &&
      !batch.cupIds.includes(v.cupId),
  );
  const cups = [...batch.cupIds.map((id) => volumes.find((v) => v.cupId === id)), ...mixed].flatMap(
    (volume) => {
      const cup = layer.recipes.find((c) => c.id === volume?.cupId);
      if (!cup || !volume) return [];
      const which = mixWords(volume, batch.id);
      return [
        {
          cup,
          whole: volume,
          volume: mixIn(volume, batch.id),
          which,
          name: which ? `${cup.name}, ${which}` : cup.name,
        },
      ];
    },
  );
  return (
    <section
      className="batch"
      aria-label={`Batch ${number}`}
      data-batch={batch.id}
      data-over={over || undefined}
      data-alone={alone || undefined}
      data-few={sittingPlan.batches.all.length === 1 || undefined}
      data-many={cups.length > manyCups || undefined}
      ref={row}
    >
      {!alone && (
        <>
          <Streams
            row={row}
            to={cups
              .filter((c) => c.volume.draws.length === 0)
              .map(({ cup, volume }) => ({
                id: cup.id,
                colour: volume.colour ?? '#b9cfcb',
                ml: volume.mixMl.value,
              }))}
          />
          <div className="jug-column">
            <Jug
              batch={batch}
              number={number}
              height={jugHeight(batch.mixMl.value, largest, tallest)}
              byWeight={byWeight}
            />
            <div className="under">
              <h2>Batch {number}</h2>
              <HowNumber of={batch.mixMl} label={`Batch ${number}`} decimals={0} className="batch-ml" />
            </div>
          </div>
        </>
      )}
      <div className="batch-words">
        {alone && (
          <h2>
            Batch {number},{' '}
            {cups[0]?.which ? `mix ${cups[0].which} of ${cups[0].cup.name}` : 'in its own cup'}{' '}
            <HowNumber of={batch.mixMl} label={`Batch ${number}`} decimals={0} className="batch-ml" />
          </h2>
        )}
        <p className="hint">
          {batch.latestMinutes ? (
            <>
              Begin it <HowNumber of={batch.startMinutes} label={`Batch ${number} begun`} decimals={0} />{' '}
              after the first
              {batch.latestMinutes.value > batch.startMinutes.value ? (
                <>
                  , at the latest{' '}
                  <HowNumber of={batch.latestMinutes} label={`Batch ${number} at the latest`} decimals={0} />
                </>
              ) : (
                ': what was poured first keeps its edge by then'
              )}
              .{' '}
            </>
          ) : null}
          {!alone && (
            <>
              Divided after{' '}
              <HowNumber of={batch.dividedMinutes} label={`Batch ${number} divided`} decimals={0} /> at{' '}
              <HowNumber of={batch.dividedC} label={`Batch ${number} when divided`} decimals={0} />.{' '}
            </>
          )}
          <span data-grade={batch.grade}>
            Left standing it{' '}
            {batch.gelMinutes && (
              <>
                gels after <HowNumber of={batch.gelMinutes} label={`Batch ${number} gels`} decimals={0} />{' '}
                and{' '}
              </>
            )}
            reaches <HowNumber of={batch.peakC} label={`Batch ${number} peaks`} decimals={0} />
            {batch.grade === 'danger' && <b>: danger</b>}.
          </span>
        </p>
        {batch.problems.map((because, i) => (
          <p key={i} className="finding mend">
            <Told words={because.words} numbers={because.numbers} label={`Batch ${number} does not fit`} />
          </p>
        ))}
        <p className="batch-buttons">
          {onSplit && (
            <button type="button" className="btn btn-outline-primary" onClick={onSplit}>
              {alone
                ? `Mix ${cups[0]?.cup.name} ${inGoes(Math.max(1, cups[0]?.whole.mixes.length ?? 1) + 1)}`
                : 'Split'}
              {!alone && <span className="visually-hidden"> batch {number}</span>}
            </button>
          )}
          {onJoin && (
            <button type="button" className="btn btn-outline-primary" onClick={onJoin}>
              Join<span className="visually-hidden"> batch {number}</span> with batch {number - 1}
            </button>
          )}
        </p>
      </div>
      <ol>
        {cups.map(({ cup, volume, which, name }) => {
          const clock = batch.cups.find((c) => c.cupId === cup.id);
          return (
            <li key={cup.id} data-cup={cup.id} data-carried={carried === cup.id || undefined}>
              <button
                type="button"
                title="Drag its level, or press ↑ ↓: the reserve of all cups; with Alt its bands"
                {...cupButton(volume, props.picks, pulling)}
              >
                <Vessel
                  volume={volume}
                  colour={volume.colour}
                  resinMl={volume.measured?.resinMl.value ?? null}
                  height={heightFor(volume.mixMl.value, largest, tallest)}
                  id={`jug-${batch.id}-${cup.id}`}
                />
                <span
                  className="jug-cup-name"
                  title={
                    volume.draws.length === 0 && onTake ? 'Carry it to another batch by its name' : undefined
                  }
                  onPointerDown={(e) => {
                    if (volume.draws.length > 0 || !onTake) return;
                    e.stopPropagation();
                    onTake(e, cup.id, name, batch.id);
                  }}
                >
                  {cup.name}
                  {which && <small className="which"> {which}</small>}
                </span>
              </button>
              <div className="under">
                <CupPins cupId={cup.id} name={cup.name} />
                <HowNumber
                  of={byWeight ? volume.mixG : volume.mixMl}
                  label={`Mix in ${name}`}
                  decimals={byWeight ? 1 : 0}
                  className="jug-cup-ml"
                />
                {volume.measured && (
                  <small className="jug-cup-parts">
                    <Part
                      of={byWeight ? volume.measured.resinG : volume.measured.resinMl}
                      label={`Resin of ${name}`}
                    />{' '}
                    +{' '}
                    <Part
                      of={byWeight ? volume.measured.hardenerG : volume.measured.hardenerMl}
                      label={`Hardener of ${name}`}
                    />
                    <span className="says"> resin + hardener</span>
                  </small>
                )}
                {volume.doses.all.map((dose, i) => (
                  <small key={i}>
                    {dose.g ? (
                      <>
                        <HowNumber
                          of={dose.g}
                          label={`${volume.doses.all.length > 1 ? dose.name : 'Colourant'} of ${name}`}
                          decimals={2}
                        />{' '}
                        colour
                      </>
                    ) : (
                      `${dose.name} by eye`
                    )}
                  </small>
                ))}
                {volume.draws.length > 0 && <small>from other cups</small>}
                {clock && (
                  <small data-short={clock.short || undefined}>
                    <HowNumber of={clock.inHandMinutes} label={`${name} in hand`} decimals={0} /> in hand
                  </small>
                )}
              </div>
            </li>
          );
        })}
      </ol>
    </section>
  );
}

function Part({ of, label }: { of: React.ComponentProps<typeof HowNumber>['of']; label: string }) {
  return <HowNumber of={of} label={label} decimals={markDecimals(of.value)} />;
}
