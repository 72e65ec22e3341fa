import { CupColour } from '../CupColour';
import type { Edit } from '../../api/client';
import { NumberAt } from '../../parts/At';
import { Choice } from '../../parts/Choice';
import { useEdits } from '../../parts/editing';
import { useFields, useMost } from '../../parts/fields';
import { HowNumber } from '../../parts/HowNumber';
import { useUnits } from '../../units/units';
import { regionName, useStation } from '../station';
import type { Heart } from '../../editor/filled';
import { bandsOf, colourIn, heartsOf, wideningOf, widthOf } from '../../editor/filled';
import './bands.scss';

const ownCup = '+';

/** So many bands are added by one press. */
const several = 5;

/** The bands of a layer, from the middle to the rim, with the hearts' bed before them. */
export function BandList() {
  const { layer, here, selected, select } = useStation();
  const { edit } = useEdits();
  const mostHearts = useMost('layers.layout.hearts');
  const mostBands = useMost('layers.layout.bands');
  const rings = layer.layout.kind === 'rings';
  const heading = rings
    ? 'Bands, from the heart to the rim'
    : layer.layout.kind === 'lines'
      ? 'Stripes, from the middle to the rim'
      : 'Rings, from the middle to the rim';
  const chosenHeart =
    selected?.kind === 'heart' ? heartsOf(layer).find((h) => h.id === selected.id) : undefined;
  return (
    <>
      <h3>{heading}</h3>
      <ol className="bands" aria-label={heading}>
        {rings && heartsOf(layer).length > 0 && (
          <li data-open={chosenHeart ? true : undefined}>
            <HeartBed />
            {chosenHeart && <HeartFields heart={chosenHeart} />}
          </li>
        )}
        {bandsOf(layer).map((band, i) => (
          <li
            key={band.id}
            data-open={selected?.kind === 'band' && selected.id === band.id ? true : undefined}
          >
            <BandRow index={i} />
          </li>
        ))}
      </ol>
      <div className="row-buttons">
        <button
          type="button"
          className="btn btn-outline-primary"
          onClick={() => void edit({ do: 'add-band', ...here })}
        >
          {layer.layout.kind === 'lines' ? 'Add a stripe' : 'Add a band'}
        </button>
        {bandsOf(layer).length + several <= mostBands && (
          <button
            type="button"
            className="btn btn-outline-primary"
            onClick={() =>
              void edit(...Array.from({ length: several }, () => ({ do: 'add-band' as const, ...here })))
            }
          >
            {layer.layout.kind === 'lines' ? `Add ${several} stripes` : `Add ${several} bands`}
          </button>
        )}
        {rings && heartsOf(layer).length < mostHearts && (
          <button
            type="button"
            className={heartsOf(layer).length === 0 ? 'btn btn-primary' : 'btn btn-outline-primary'}
            onClick={() =>
              void edit({ do: 'add-heart', ...here }).then((got) => {
                const id = /hearts\[(.+)\]$/.exec(got?.made ?? '')?.[1];
                if (id) select({ kind: 'heart', id });
              })
            }
          >
            {heartsOf(layer).length === 0 ? 'Place a heart' : 'Another heart'}
          </button>
        )}
      </div>
      {rings && heartsOf(layer).length === 0 && (
        <p className="hint">
          A heart is the crystal-lined hollow of a geode: the bands run round it. Place one, then drag it.
        </p>
      )}
    </>
  );
}

function HeartBed() {
  const { layer, layerPlan, selected, select, cup } = useStation();
  if (layer.layout.kind !== 'rings') return null;
  const own = layer.layout.heartRecipeId;
  const bed = layerPlan.regions.find((r) => r.id === 'heart');
  return (
    <div className="band" data-lit={cup === own || undefined}>
      <CupColour
        label="Colour of the heart bed"
        cup={layer.cups.find((c) => c.id === own)}
        shown={colourIn(layerPlan, own)}
      />
      <button
        type="button"
        className="band-name"
        aria-expanded={selected?.kind === 'heart'}
        onClick={() =>
          select(selected?.kind === 'heart' ? null : { kind: 'heart', id: heartsOf(layer)[0]!.id })
        }
      >
        {regionName(layerPlan, 'heart', 'heart bed')}
      </button>
      {bed ? (
        <HowNumber of={bed.area} label="Area of the heart bed" />
      ) : (
        <span className="rest">outside</span>
      )}
    </div>
  );
}

const heartFields = [
  ['From the left', 'xMm', 'mm'],
  ['From the top', 'yMm', 'mm'],
  ['Heart width', 'widthMm', 'mm'],
  ['Heart height', 'heightMm', 'mm'],
  ['Turn', 'turnDeg', '°'],
  ['Waviness', 'wavinessMm', 'mm'],
] as const;

function HeartFields({ heart }: { heart: Heart }) {
  const { layer, here, at, select } = useStation();
  const index = heartsOf(layer).indexOf(heart);
  const { edit } = useEdits();
  return (
    <fieldset className="heart-set">
      <legend className="visually-hidden">Heart {index + 1}</legend>
      {heartsOf(layer).length > 1 && (
        <div className="row-buttons">
          {heartsOf(layer).map((h, i) => (
            <button
              key={h.id}
              type="button"
              className="chip"
              aria-pressed={h.id === heart.id}
              onClick={() => select({ kind: 'heart', id: h.id })}
            >
              Heart {i + 1}
            </button>
          ))}
        </div>
      )}
      {heartFields.map(([label, key, unit]) => (
        <NumberAt
          key={key}
          place={`${at.layout}.hearts[${heart.id}].${key}`}
          label={label}
          unit={unit}
          value={heart[key]}
        />
      ))}
      <div className="row-buttons">
        <button
          type="button"
          className="btn btn-outline-primary"
          onClick={() => void edit({ do: 'grow-differently', ...here, heart: heart.id })}
        >
          Another shape
        </button>
        <button
          type="button"
          className="btn btn-outline-primary"
          onClick={() => {
            void edit({ do: 'leave-heart-out', ...here, heart: heart.id });
            select(null);
          }}
        >
          Take it out
        </button>
      </div>
    </fieldset>
  );
}

function BandRow({ index }: { index: number }) {
  const { layer, layerPlan, here, at, selected, select, cup } = useStation();
  const units = useUnits();
  const band = bandsOf(layer)[index]!;
  const own = layer.cups.find((c) => c.id === band.recipeId);
  const region = layerPlan.regions.find((r) => r.id === band.id);
  const name = regionName(layerPlan, band.id, own?.name);
  const open = selected?.kind === 'band' && selected.id === band.id;
  const number = index + 1;
  const { edit } = useEdits();
  const on = { ...here, band: band.id };
  const press = (change: Edit) => () => void edit(change);
  const mostBands = useMost('layers.layout.bands');
  const leastForLine = useFields().usual['layers.layout.bands.lineThroughMm'] ?? Infinity;
  // It makes three bands of one.
  const hasRoomForLine =
    !band.fillsRest && band.widthMm > leastForLine && bandsOf(layer).length + 2 <= mostBands;
  return (
    <>
      <div className="band" data-lit={cup === band.recipeId || undefined}>
        <CupColour label={`Colour of ${name}`} cup={own} shown={colourIn(layerPlan, band.recipeId)} />
        <button
          type="button"
          className="band-name"
          aria-expanded={open}
          onClick={() => select(open ? null : { kind: 'band', id: band.id })}
        >
          {name}
        </button>
        {band.fillsRest ? (
          <span className="rest">fills the rest</span>
        ) : (
          <NumberAt
            place={`${at.layout}.bands[${band.id}].widthMm`}
            label={`Width of band ${number}`}
            quiet
            unit="mm"
            value={band.widthMm}
          />
        )}
        {region && <HowNumber of={region.area} label={`Area of ${name}`} />}
      </div>
      {wideningOf(layer) !== 1 && !band.fillsRest && index > 0 && (
        <span className="hint">{units.show(widthOf(layer, index), 'mm', 1)} with the widening.</span>
      )}
      {region?.narrow && region.wide && region.wide.value - region.narrow.value > 0.2 * band.widthMm && (
        <span className="hint range">
          from <HowNumber of={region.narrow} label={`Narrowest of ${name}`} decimals={1} /> to{' '}
          <HowNumber of={region.wide} label={`Widest of ${name}`} decimals={1} />
        </span>
      )}
      {region?.bare && <span className="hint">Stays bare in this layer.</span>}
      {region?.ownDepthMm != null && (
        <span className="hint">{units.show(region.ownDepthMm, 'mm', 1)} deep, of its own.</span>
      )}
      {region && !region.fits && (layer.layout.kind !== 'rings' || heartsOf(layer).length > 0) && (
        <span className="field-error">No room is left for this band.</span>
      )}
      {layer.layout.kind === 'rings' && heartsOf(layer).length === 0 && !band.fillsRest && (
        <span className="hint">Waits for a heart to run round.</span>
      )}
      {open && (
        <div className="band-edits">
          <Choice
            label={`Cup of band ${number}`}
            quiet
            value={band.recipeId}
            choices={[
              ...layer.cups.map((c) => [c.id, `from the cup ${c.name}`] as const),
              [ownCup, 'a new cup'],
            ]}
            onChange={(to) =>
              edit({ do: 'pour-from', ...here, region: band.id, recipe: to === ownCup ? null : to })
            }
          />
          <button
            type="button"
            className="chip"
            aria-label={`Move band ${number} inward, towards the heart`}
            disabled={index === 0}
            onClick={press({ do: 'move-band', ...on, by: -1 })}
          >
            <i className="bi up" /> inward
          </button>
          <button
            type="button"
            className="chip"
            aria-label={`Move band ${number} outward, towards the rim`}
            disabled={index === bandsOf(layer).length - 1}
            onClick={press({ do: 'move-band', ...on, by: 1 })}
          >
            <i className="bi down" /> outward
          </button>
          <button
            type="button"
            className="chip"
            aria-label={`Split band ${number}`}
            onClick={press({ do: 'split-band', ...on })}
          >
            Split
          </button>
          {hasRoomForLine && (
            <button
              type="button"
              className="chip"
              aria-label={`Vein through it: band ${number}`}
              onClick={press({ do: 'band-through', ...on })}
            >
              Vein through it
            </button>
          )}
          <button
            type="button"
            className="chip"
            aria-label={`Repeat band ${number}`}
            onClick={press({ do: 'repeat-band', ...on })}
          >
            Repeat
          </button>
          <button
            type="button"
            className="chip"
            aria-label={`Take out band ${number}`}
            disabled={band.fillsRest}
            onClick={press({ do: 'leave-band-out', ...on })}
          >
            Take out
          </button>
        </div>
      )}
    </>
  );
}
