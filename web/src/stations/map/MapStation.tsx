import { Choice, ColourField, NumberField } from '../../parts/Fields';
import { HowNumber } from '../../parts/HowNumber';
import { regionName } from '../station';
import type { StationProps } from '../station';
import {
  changeBand,
  changeCup,
  changeHeart,
  moveBand,
  withBand,
  withHeart,
  withOwnCup,
  withoutBand,
} from './layerEdits';

const ownCup = '+';

export function MapStation({ piece, layer, layerPlan, editLayer, sayLayer, cup, setCup }: StationProps) {
  const heart = layer.hearts[0];
  const region = (id: string) => layerPlan.regions.find((r) => r.id === id);
  const cups = layer.cups.map((c) => [c.id, c.name] as const);
  const bed = region('heart');
  return (
    <>
      <h2>{layer.name}</h2>
      <p className="line">
        <NumberField
          label="Depth"
          unit="mm"
          width={56}
          value={layer.depthMm}
          error={sayLayer('depthMm')}
          onChange={(v) => editLayer((l) => ({ ...l, depthMm: v ?? 0 }))}
        />
      </p>
      {heart ? (
        <fieldset className="heart-set">
          <legend>Heart</legend>
          {(
            [
              ['From the left', 'xMm', 'mm'],
              ['From the top', 'yMm', 'mm'],
              ['Heart width', 'widthMm', 'mm'],
              ['Heart height', 'heightMm', 'mm'],
              ['Turn', 'turnDeg', '°'],
              ['Waviness', 'wavinessMm', 'mm'],
            ] as const
          ).map(([label, key, unit]) => (
            <NumberField
              key={key}
              label={label}
              unit={unit}
              width={52}
              value={heart[key]}
              error={sayLayer(`hearts[0].${key}`)}
              onChange={(v) => v !== null && editLayer((l) => changeHeart(l, heart.id, { [key]: v }))}
            />
          ))}
          <div className="row-buttons">
            <button
              type="button"
              className="btn btn-outline-primary"
              onClick={() => editLayer((l) => changeHeart(l, heart.id, { seed: (heart.seed + 1) % 100_000 }))}
            >
              Grow it differently
            </button>
            <button
              type="button"
              className="btn btn-outline-primary"
              onClick={() => editLayer((l) => ({ ...l, hearts: l.hearts.filter((h) => h.id !== heart.id) }))}
            >
              Take it out
            </button>
          </div>
        </fieldset>
      ) : (
        <p>
          <button
            type="button"
            className="btn btn-primary"
            onClick={() => editLayer((l) => withHeart(l, piece.ground.outline))}
          >
            Put a heart
          </button>
        </p>
      )}
      <h3>Bands, from the heart to the rim</h3>
      <ol className="bands">
        {bed && heart && (
          <li data-lit={cup === layer.heartCup || undefined}>
            <ColourField
              label="Colour of the heart bed"
              value={layer.cups.find((c) => c.id === layer.heartCup)?.colour ?? '#000000'}
              onChange={(colour) => editLayer((l) => changeCup(l, l.heartCup, { colour }))}
            />
            <button
              type="button"
              className="name"
              onClick={() => setCup(cup === layer.heartCup ? null : layer.heartCup)}
            >
              {regionName(layer, 'heart')}
            </button>
            <HowNumber of={bed.area} label="Area of the heart bed" />
          </li>
        )}
        {layer.bands.map((band, i) => {
          const own = layer.cups.find((c) => c.id === band.cup);
          const plan = region(band.id);
          const name = regionName(layer, band.id);
          return (
            <li key={band.id} data-lit={cup === band.cup || undefined}>
              <ColourField
                label={`Colour of band ${i + 1}`}
                value={own?.colour ?? '#000000'}
                onChange={(colour) => editLayer((l) => changeCup(l, band.cup, { colour }))}
              />
              <Choice
                label={`Cup of band ${i + 1}`}
                quiet
                value={band.cup}
                choices={[...cups, [ownCup, 'a new colour']]}
                onChange={(to) =>
                  editLayer((l) =>
                    to === ownCup ? withOwnCup(l, band.id) : changeBand(l, band.id, { cup: to }),
                  )
                }
              />
              {band.fillsRest ? (
                <span className="rest">fills the rest</span>
              ) : (
                <NumberField
                  label={`Width of band ${i + 1}`}
                  quiet
                  unit="mm"
                  width={44}
                  value={band.widthMm}
                  error={sayLayer(`bands[${i}].widthMm`)}
                  onChange={(v) => v !== null && editLayer((l) => changeBand(l, band.id, { widthMm: v }))}
                />
              )}
              {plan && <HowNumber of={plan.area} label={`Area of ${name}`} />}
              <span className="move">
                <button
                  type="button"
                  className="icon"
                  aria-label={`Move band ${i + 1} towards the heart`}
                  disabled={i === 0}
                  onClick={() => editLayer((l) => moveBand(l, band.id, -1))}
                >
                  <i className="bi up" />
                </button>
                <button
                  type="button"
                  className="icon"
                  aria-label={`Take out band ${i + 1}`}
                  disabled={band.fillsRest}
                  onClick={() => editLayer((l) => withoutBand(l, band.id))}
                >
                  <i className="bi cross" />
                </button>
              </span>
              {plan && !plan.fits && heart && (
                <span className="field-error">No room is left for this band.</span>
              )}
              {!heart && !band.fillsRest && <span className="hint">Waits for a heart to run round.</span>}
            </li>
          );
        })}
      </ol>
      <button type="button" className="btn btn-outline-primary" onClick={() => editLayer(withBand)}>
        Add a band
      </button>
    </>
  );
}
