import type { FilledLayer } from '../../editor/filled';

import { useState } from 'react';
import { inBurst } from '../../editor/burst';
import { NumberAt, WhetherAt } from '../../parts/At';
import { CupColour } from '../CupColour';
import { Choice } from '../../parts/Fields';
import { HowNumber } from '../../parts/HowNumber';
import { useEdits } from '../../parts/editing';
import { regionName } from '../station';
import type { LaidOutAs as Of, StationProps } from '../station';
import { BandList } from './BandList';
import './bands.scss';
import './Layouts.scss';

const own = '+';

interface CupChoiceProps {
  label: string;
  layer: FilledLayer;
  value: string | null;
  /** What no cup is called; without it there has to be one. */
  none?: string;
  /** Cups that cannot be chosen. */
  without?: string;
  /** Another cup, or null for a new one. */
  onChange: (recipe: string | null) => Promise<unknown>;
  /** No cup; for what need not have one. */
  onNone?: () => Promise<unknown>;
}

/** One of the layer's cups, or a new one that comes with the change. */
export function CupChoice({ label, layer, value, none, without, onChange, onNone }: CupChoiceProps) {
  return (
    <Choice
      label={label}
      quiet
      value={value ?? ''}
      choices={[
        ...(none ? [['', none] as const] : []),
        ...layer.cups.filter((c) => c.id !== without).map((c) => [c.id, c.name] as const),
        [own, 'a new cup'],
      ]}
      onChange={(to) => (to === '' ? onNone?.() : onChange(to === own ? null : to))}
    />
  );
}

/** The colour of a cup, to be changed where it is met. */
function Colour({ of: { layer, layerPlan, setCup }, cup }: { of: StationProps; cup: string }) {
  const of = layer.cups.find((c) => c.id === cup);
  return (
    <CupColour
      label={`Colour of ${of?.name}`}
      cup={of}
      volume={layerPlan.cups.cups.find((c) => c.cupId === cup)}
      layerId={layerPlan.layerId}
      setCup={setCup}
    />
  );
}

/** The numbers that only this layout has. */
export function Facts({ layerPlan }: StationProps) {
  // Those of the zones are told where the zone is worked in.
  const own = layerPlan.facts.filter((f) => !f.id.includes('/'));
  if (own.length === 0) return null;
  return (
    <dl className="facts">
      {own.map((f) => (
        <div key={f.id}>
          <dt>{f.label}</dt>
          <dd>
            <HowNumber of={f.number} label={f.label} />
          </dd>
        </div>
      ))}
    </dl>
  );
}

/** What of the layout is decided, by its kind. */
export function LayoutPart(props: StationProps) {
  const { layout } = props.layer;
  switch (layout?.kind) {
    case 'lines':
      return <Lines {...props} layout={layout} />;
    case 'petals':
      return <Petals {...props} layout={layout} />;
    case 'fields':
      return <FieldsPart {...props} layout={layout} />;
    case 'pools':
      return <PoolsPart {...props} layout={layout} />;
    case 'puddle':
      return <PuddlePart {...props} layout={layout} />;
    case 'marble':
      return <Marble {...props} layout={layout} />;
    case 'flood':
      return <Flood {...props} layout={layout} />;
    default:
      return <BandList {...props} />;
  }
}

function Lines(props: StationProps & { layout: Of<'lines'> }) {
  const { layer, layerPlan, layout, here, at } = props;
  const { edit } = useEdits();
  // How often the sequence is laid already; where it is laid once there are no repeats to tell.
  const repeats = Math.max(1, layerPlan.facts.filter((f) => f.id.startsWith('repeat-')).length);
  return (
    <>
      <p className="line">
        <NumberAt
          place={`${at.layout}.startMm`}
          also={at.layout}
          label="Laid on a film of"
          unit="mm"
          width={52}
          value={layout.startMm}
        />
        <CupChoice
          label="Cup of the film below"
          layer={layer}
          value={layout.startCup}
          onChange={(recipe) => edit({ do: 'pour-from', ...here, region: 'start', recipe })}
        />
        <NumberAt
          place={`${at.layout}.wavinessMm`}
          label="Waviness"
          unit="mm"
          width={44}
          value={layout.wavinessMm}
        />
      </p>
      <Facts {...props} />
      <BandList {...props} />
      <div className="row-buttons">
        <button
          type="button"
          className="btn btn-outline-primary"
          onClick={() => void edit({ do: 'lay-sequence-again', ...here, repeats })}
        >
          Lay the sequence again
        </button>
        <button
          type="button"
          className="btn btn-outline-primary"
          onClick={() => void edit({ do: 'grow-differently', ...here })}
        >
          Let them wander differently
        </button>
      </div>
    </>
  );
}

function Petals(props: StationProps & { layout: Of<'petals'> }) {
  const { layout, at } = props;
  const field = (
    label: string,
    key: 'petals' | 'pullMm' | 'toolMm' | 'turnDeg' | 'xMm' | 'yMm',
    unit: string,
  ) => <NumberAt place={`${at.layout}.${key}`} label={label} unit={unit} width={44} value={layout[key]} />;
  return (
    <>
      <p className="line">
        {field('Strokes of the tool', 'petals', '')}
        <WhetherAt
          place={`${at.layout}.inward`}
          label="Where the tool is drawn"
          value={layout.inward}
          yes="towards the middle"
          no="away from the middle"
        />
        {field('Pull', 'pullMm', 'mm')}
        {field('Tool', 'toolMm', 'mm')}
        {field('Turned', 'turnDeg', '°')}
        {field('From the left', 'xMm', 'mm')}
        {field('From the top', 'yMm', 'mm')}
      </p>
      <p className="hint">
        Drawn from about 10 min after the pour, while the film flows, and no later than when it holds.
      </p>
      <BandList {...props} />
    </>
  );
}

function FieldsPart(props: StationProps & { layout: Of<'fields'> }) {
  const { layer, layerPlan, layout, here, at, selected, select, cup } = props;
  const { edit } = useEdits();
  const chosen =
    selected?.kind === 'region' ? layerPlan.regions.find((r) => r.id === selected.id) : undefined;
  const number = chosen?.kind === 'field' ? Number(chosen.id.split('-')[1]) : 0;
  return (
    <>
      <p className="line">
        <NumberAt place={`${at.layout}.fields`} label="Fields" unit="" width={44} value={layout.fields} />
        <span>
          in {layout.colours.length} colours,{' '}
          {(layout.fields / Math.max(1, layout.colours.length)).toFixed(1).replace('.0', '')} of each
        </span>
      </p>
      <ul className="bands layout-rows">
        {layout.colours.map((id) => {
          const of = layer.cups.find((c) => c.id === id);
          const balance = layerPlan.balance.find((b) => b.cupId === id);
          return (
            <li key={id}>
              <div className="band" data-lit={cup === id || undefined}>
                <Colour of={props} cup={id} />
                <span className="band-name">{of?.name}</span>
                {balance && <HowNumber of={balance.share} label={`Share of ${of?.name}`} />}
                <button
                  type="button"
                  className="icon"
                  aria-label={`Leave ${of?.name} out`}
                  disabled={layout.colours.length < 2}
                  onClick={() => void edit({ do: 'leave-field-colour-out', ...here, recipe: id })}
                >
                  <i className="bi minus" />
                </button>
              </div>
            </li>
          );
        })}
      </ul>
      {chosen && number > 0 && (
        <p className="line" role="group" aria-label={`Field ${number}`}>
          <b>Field {number}</b>
          <HowNumber of={chosen.area} label={`Area of field ${number}`} />
          <CupChoice
            label={`Colour of field ${number}`}
            layer={layer}
            value={chosen.cupId}
            onChange={(recipe) => edit({ do: 'pour-from', ...here, region: `field-${number}`, recipe })}
          />
          {(layout.recoloured ?? []).some((r) => r.field === number) && (
            <button
              type="button"
              className="chip"
              onClick={() => void edit({ do: 'colour-field-as-spread', ...here, field: number })}
            >
              Colour as spread
            </button>
          )}
        </p>
      )}
      <div className="row-buttons">
        <button
          type="button"
          className="btn btn-outline-primary"
          onClick={() => {
            void edit({ do: 'grow-differently', ...here });
            select(null);
          }}
        >
          Lay them differently
        </button>
        <button
          type="button"
          className="btn btn-outline-primary"
          onClick={() => void edit({ do: 'add-field-colour', ...here })}
        >
          Another colour
        </button>
        <button
          type="button"
          className="btn btn-outline-primary"
          onClick={() => void edit({ do: layout.vein ? 'leave-vein-out' : 'add-vein', ...here })}
        >
          {layout.vein ? 'No vein' : 'A vein along the borders'}
        </button>
      </div>
      {layout.vein && (
        <p className="line">
          <span>Vein of</span>
          <CupChoice
            label="Cup of the vein"
            layer={layer}
            value={layout.vein.cup}
            onChange={(recipe) => edit({ do: 'pour-from', ...here, region: 'vein', recipe })}
          />
          {(['widthMm', 'thicknessMm'] as const).map((key) => (
            <NumberAt
              key={key}
              place={`${at.layout}.vein.${key}`}
              label={key === 'widthMm' ? 'wide' : 'thick'}
              unit="mm"
              width={40}
              value={layout.vein![key]}
            />
          ))}
        </p>
      )}
      <Facts {...props} />
    </>
  );
}

function PoolsPart(props: StationProps & { layout: Of<'pools'> }) {
  const { layer, layerPlan, layout, here, at, selected, select, cup } = props;
  const { edit } = useEdits();
  const pools = layerPlan.regions.filter((r) => r.kind === 'pool');
  return (
    <>
      <p className="line">
        <NumberAt
          place={`${at.layout}.beadMm`}
          label="Walls, laid"
          unit="mm"
          width={44}
          value={layout.beadMm}
        />
        <span>wide</span>
      </p>
      <h3>Pools</h3>
      <ul className="bands layout-rows">
        {/* By number, so that a pool keeps the focus when it gets its cup and with it an id of its own. */}
        {pools.map((pool, i) => {
          const name = regionName(layer, pool.id, pool.cupId);
          return (
            <li key={i} data-open={(selected?.kind === 'region' && selected.id === pool.id) || undefined}>
              <div className="band" data-lit={(pool.cupId !== null && cup === pool.cupId) || undefined}>
                {pool.cupId && <Colour of={props} cup={pool.cupId} />}
                <button
                  type="button"
                  className="band-name"
                  onClick={() => select({ kind: 'region', id: pool.id })}
                >
                  {name}
                </button>
                <CupChoice
                  label={`Cup of pool ${i + 1}`}
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
        <p className="hint">None yet: draw one on the map, or let one be put across.</p>
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
      <Facts {...props} />
    </>
  );
}

function PuddlePart(props: StationProps & { layout: Of<'puddle'> }) {
  const { layer, layerPlan, layout, here, at, cup } = props;
  const { edit } = useEdits();
  return (
    <>
      <h3>Poured in turn, each into the middle of the last</h3>
      <ol className="bands layout-rows">
        {layout.pours.map((pour, i) => {
          const radius = layerPlan.facts.find((f) => f.id === `radius-${pour.id}`);
          return (
            <li key={pour.id}>
              <div className="band" data-lit={cup === pour.cup || undefined}>
                <Colour of={props} cup={pour.cup} />
                <CupChoice
                  label={`Cup of pour ${i + 1}`}
                  layer={layer}
                  value={pour.cup}
                  onChange={(recipe) => edit({ do: 'pour-from', ...here, region: pour.id, recipe })}
                />
                <NumberAt
                  place={`${at.layout}.pours[${pour.id}].ml`}
                  label={`Pour ${i + 1}`}
                  quiet
                  unit="ml"
                  width={44}
                  value={pour.ml}
                />
                {radius && (
                  <span className="radius">
                    to <HowNumber of={radius.number} label={`Radius after pour ${i + 1}`} />
                  </span>
                )}
                <button
                  type="button"
                  className="icon"
                  aria-label={`Take out pour ${i + 1}`}
                  disabled={layout.pours.length === 1}
                  onClick={() => void edit({ do: 'leave-pour-out', ...here, pour: pour.id })}
                >
                  <i className="bi minus" />
                </button>
              </div>
            </li>
          );
        })}
      </ol>
      <div className="row-buttons">
        <button
          type="button"
          className="btn btn-outline-primary"
          onClick={() => void edit({ do: 'add-pour', ...here })}
        >
          Another pour
        </button>
      </div>
      <p className="line">
        <NumberAt
          place={`${at.layout}.tiltPercent`}
          label="Tilted until it is"
          unit="%"
          width={44}
          value={layout.tiltPercent}
        />
        <NumberAt
          place={`${at.layout}.tiltDeg`}
          label="longer, towards"
          unit="°"
          width={44}
          value={layout.tiltDeg}
        />
      </p>
      <p className="line">
        <span>Round it</span>
        <CupChoice
          label="Cup round the puddle"
          layer={layer}
          value={layout.restCup ?? null}
          none="nothing is poured"
          onChange={(recipe) => edit({ do: 'pour-from', ...here, region: 'rest', recipe })}
          onNone={() => edit({ do: 'leave-rest-bare', ...here })}
        />
      </p>
      {layerPlan.facts
        .filter((f) => f.id === 'run-off')
        .map((f) => (
          <p key={f.id} className="say-mind">
            {f.label}: <HowNumber of={f.number} label={f.label} />
          </p>
        ))}
    </>
  );
}

function Marble(props: StationProps & { layout: Of<'marble'> }) {
  const { layer, layout, here, at, layerPlan } = props;
  const { edit, set } = useEdits();
  // The slider follows the hand; what it gives follows the slider.
  const [blend, setBlend] = useState<{ to: number; was: number } | null>(null);
  const blended = blend?.was === layout.blend ? blend.to : layout.blend;
  const mix = layer.cups.find((c) => c.id === layout.streakCup);
  const draws = layerPlan.cups.cups.find((c) => c.cupId === layout.streakCup)?.draws ?? [];
  return (
    <>
      <p className="line">
        <span>Over</span>
        <Colour of={props} cup={layout.groundCup} />
        <CupChoice
          label="Cup of the ground colour"
          layer={layer}
          value={layout.groundCup}
          without={layout.streakCup}
          onChange={(recipe) => edit({ do: 'pour-from', ...here, region: 'ground', recipe })}
        />
        <NumberAt
          place={`${at.layout}.streakPercent`}
          label="streaks on"
          unit="%"
          width={44}
          value={layout.streakPercent}
        />
        <NumberAt
          place={`${at.layout}.directionDeg`}
          label="running"
          unit="°"
          width={44}
          value={layout.directionDeg}
        />
      </p>
      <h3>The mixed cup, {mix?.name}</h3>
      {mix?.of ? (
        <ul className="bands layout-rows">
          {mix.of.map((share) => {
            const name = layer.cups.find((c) => c.id === share.cup)?.name ?? '?';
            const draw = draws.find((d) => d.cupId === share.cup);
            return (
              <li key={share.cup}>
                <div className="band">
                  <Colour of={props} cup={share.cup} />
                  <span className="band-name">{name}</span>
                  <NumberAt
                    place={`recipes[${mix.id}].of[${share.cup}].parts`}
                    label={`Parts of ${name}`}
                    quiet
                    unit=""
                    width={40}
                    value={share.parts}
                  />
                  <span className="unit">parts</span>
                  {draw && <HowNumber of={draw.ml} label={`Taken from ${name}`} />}
                  <button
                    type="button"
                    className="icon"
                    aria-label={`Leave ${name} out of the mix`}
                    disabled={mix.of!.length < 3}
                    onClick={() => void edit({ do: 'leave-out-of-mix', mix: mix.id, recipe: share.cup })}
                  >
                    <i className="bi minus" />
                  </button>
                </div>
              </li>
            );
          })}
        </ul>
      ) : (
        <p className="hint">It is a cup of one colour.</p>
      )}
      <p className="line">
        <CupChoice
          label="Add to the mixed cup"
          layer={{
            ...layer,
            cups: layer.cups.filter((c) => !c.of && !mix?.of?.some((s) => s.cup === c.id)),
          }}
          value={null}
          none="add a colour to the mix"
          onChange={(recipe) => edit({ do: 'add-to-mix', mix: layout.streakCup, layer: layer.id, recipe })}
        />
      </p>
      <p className="line blend">
        <label htmlFor="blend">Blended</label>
        <input
          id="blend"
          type="range"
          min="0"
          max="100"
          step="5"
          value={Math.round(blended * 100)}
          aria-valuetext={blendWords(blended)}
          onChange={(e) => {
            const to = Number(e.target.value) / 100;
            setBlend({ to, was: layout.blend });
            inBurst('blend', () => void set(`${at.layout}.blend`, to));
          }}
        />
        <span>{blendWords(blended)}</span>
      </p>
      <div className="row-buttons">
        <button
          type="button"
          className="btn btn-outline-primary"
          onClick={() => void edit({ do: 'grow-differently', ...here })}
        >
          Let it run differently
        </button>
      </div>
    </>
  );
}

const blendWords = (blend: number) =>
  blend < 0.05
    ? 'two colours side by side'
    : blend > 0.95
      ? 'one even colour'
      : `streaks, ${Math.round(blend * 100)} %`;

function Flood(props: StationProps & { layout: Of<'flood'> }) {
  const { layer, layout, here, layerPlan } = props;
  const { edit } = useEdits();
  const region = layerPlan.regions.find((r) => r.id === 'flood');
  return (
    <p className="line">
      <span>All of</span>
      <Colour of={props} cup={layout.cup} />
      <CupChoice
        label="Cup of the flood"
        layer={layer}
        value={layout.cup}
        onChange={(recipe) => edit({ do: 'pour-from', ...here, region: 'flood', recipe })}
      />
      {region && <HowNumber of={region.area} label="Area of the flood" />}
    </p>
  );
}
