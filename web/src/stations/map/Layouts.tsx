import type { FilledLayer } from '../../piece/filled';

import { CupColour } from '../../parts/CupColour';
import { Choice, NumberField, Whether } from '../../parts/Fields';
import { HowNumber } from '../../parts/HowNumber';
import { regionName } from '../station';
import type { StationProps } from '../station';
import { BandList } from './BandList';
import { changeCup, newCup } from './layerEdits';
import type { Of } from './layoutEdits';
import {
  changeLayout,
  colourPool,
  recolourField,
  sequenceAgain,
  withFieldColour,
  withPoolCup,
  withPour,
  withVein,
  withoutFieldColour,
  withoutVein,
} from './layoutEdits';

const own = '+';

interface CupChoiceProps {
  label: string;
  layer: FilledLayer;
  value: string | null;
  /** What no cup is called; without it there has to be one. */
  none?: string;
  /** Cups that cannot be chosen. */
  without?: string;
  onChange: (cup: string | null, layer: (l: FilledLayer) => FilledLayer) => void;
}

/** One of the layer's cups, or a new one that comes with the change. */
export function CupChoice({ label, layer, value, none, without, onChange }: CupChoiceProps) {
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
      onChange={(to) => {
        if (to !== own) return onChange(to || null, (l) => l);
        const cup = newCup(layer);
        onChange(cup.id, (l) => ({ ...l, cups: [...l.cups, cup] }));
      }}
    />
  );
}

/** The colour of a cup, to be changed where it is met. */
function Colour({ of: { layer, layerPlan, setCup, editLayer }, cup }: { of: StationProps; cup: string }) {
  const of = layer.cups.find((c) => c.id === cup);
  return (
    <CupColour
      label={`Colour of ${of?.name}`}
      cup={of}
      volume={layerPlan.cups.cups.find((c) => c.cupId === cup)}
      layerId={layerPlan.layerId}
      setCup={setCup}
      onChange={(colour) => editLayer((l) => changeCup(l, cup, { colour }))}
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
  const { layer, layerPlan, layout, editLayer, say, at } = props;
  // How often the sequence is laid already; where it is laid once there are no repeats to tell.
  const repeats = Math.max(1, layerPlan.facts.filter((f) => f.id.startsWith('repeat-')).length);
  const set = (to: Partial<Of<'lines'>>) => editLayer(changeLayout('lines', (l) => ({ ...l, ...to })));
  return (
    <>
      <p className="line">
        <NumberField
          label="Laid on a film of"
          unit="mm"
          width={52}
          value={layout.startMm}
          takes="layers.layout.startMm"
          error={say(`${at.layout}.startMm`) ?? say(at.layout)}
          onChange={(v) => v !== null && set({ startMm: v })}
        />
        <CupChoice
          label="Cup of the film below"
          layer={layer}
          value={layout.startCup}
          onChange={(cup, and) =>
            cup && editLayer((l) => changeLayout('lines', (x) => ({ ...x, startCup: cup }))(and(l)))
          }
        />
        <NumberField
          label="Waviness"
          unit="mm"
          width={44}
          value={layout.wavinessMm}
          takes="layers.layout.wavinessMm"
          error={say(`${at.layout}.wavinessMm`)}
          onChange={(v) => v !== null && set({ wavinessMm: v })}
        />
      </p>
      <Facts {...props} />
      <BandList {...props} />
      <div className="row-buttons">
        <button
          type="button"
          className="btn btn-outline-primary"
          onClick={() => editLayer((l) => sequenceAgain(l, repeats))}
        >
          Lay the sequence again
        </button>
        <button
          type="button"
          className="btn btn-outline-primary"
          onClick={() => set({ seed: (layout.seed + 1) % 100_000 })}
        >
          Let them wander differently
        </button>
      </div>
    </>
  );
}

function Petals(props: StationProps & { layout: Of<'petals'> }) {
  const { layout, editLayer, say, at } = props;
  const set = (to: Partial<Of<'petals'>>) => editLayer(changeLayout('petals', (l) => ({ ...l, ...to })));
  const field = (
    label: string,
    key: 'petals' | 'pullMm' | 'toolMm' | 'turnDeg' | 'xMm' | 'yMm',
    unit: string,
  ) => (
    <NumberField
      label={label}
      unit={unit}
      width={44}
      value={layout[key]}
      takes={`layers.layout.${key}`}
      error={say(`${at.layout}.${key}`)}
      onChange={(v) => v !== null && set({ [key]: key === 'petals' ? Math.round(v) : v })}
    />
  );
  return (
    <>
      <p className="line">
        {field('Strokes of the tool', 'petals', '')}
        <Whether
          label="Where the tool is drawn"
          value={layout.inward}
          yes="towards the middle"
          no="away from the middle"
          onChange={(inward) => set({ inward })}
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
  const { layer, layerPlan, layout, editLayer, say, at, selected, select, cup } = props;
  const set = (to: Partial<Of<'fields'>>) => editLayer(changeLayout('fields', (l) => ({ ...l, ...to })));
  const chosen =
    selected?.kind === 'region' ? layerPlan.regions.find((r) => r.id === selected.id) : undefined;
  const number = chosen?.kind === 'field' ? Number(chosen.id.split('-')[1]) : 0;
  return (
    <>
      <p className="line">
        <NumberField
          label="Fields"
          unit=""
          width={44}
          value={layout.fields}
          takes="layers.layout.fields"
          error={say(`${at.layout}.fields`)}
          onChange={(v) =>
            v !== null &&
            set({
              fields: Math.round(v),
              moved: (layout.moved ?? []).filter((m) => m.field <= v),
              recoloured: (layout.recoloured ?? []).filter((r) => r.field <= v),
            })
          }
        />
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
                <span className="name">{of?.name}</span>
                {balance && <HowNumber of={balance.share} label={`Share of ${of?.name}`} />}
                <button
                  type="button"
                  className="icon"
                  aria-label={`Leave ${of?.name} out`}
                  disabled={layout.colours.length < 2}
                  onClick={() => editLayer((l) => withoutFieldColour(l, id))}
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
            onChange={(to, and) => editLayer((l) => recolourField(number, to)(and(l)))}
          />
          {(layout.recoloured ?? []).some((r) => r.field === number) && (
            <button type="button" className="chip" onClick={() => editLayer(recolourField(number, null))}>
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
            set({ seed: (layout.seed + 1) % 100_000, moved: null, recoloured: null });
            select(null);
          }}
        >
          Lay them differently
        </button>
        <button type="button" className="btn btn-outline-primary" onClick={() => editLayer(withFieldColour)}>
          Another colour
        </button>
        <button
          type="button"
          className="btn btn-outline-primary"
          onClick={() => editLayer(layout.vein ? withoutVein : withVein)}
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
            onChange={(to, and) =>
              to &&
              editLayer((l) =>
                changeLayout('fields', (f) => ({ ...f, vein: f.vein && { ...f.vein, cup: to } }))(and(l)),
              )
            }
          />
          {(['widthMm', 'thicknessMm'] as const).map((key) => (
            <NumberField
              key={key}
              label={key === 'widthMm' ? 'wide' : 'thick'}
              unit="mm"
              width={40}
              value={layout.vein![key]}
              takes={`layers.layout.vein.${key}`}
              error={say(`${at.layout}.vein.${key}`)}
              onChange={(v) => v !== null && set({ vein: { ...layout.vein!, [key]: v } })}
            />
          ))}
        </p>
      )}
      <Facts {...props} />
    </>
  );
}

function PoolsPart(props: StationProps & { layout: Of<'pools'> }) {
  const { layer, layerPlan, layout, editLayer, say, at, selected, select, cup } = props;
  const pools = layerPlan.regions.filter((r) => r.kind === 'pool');
  return (
    <>
      <p className="line">
        <NumberField
          label="Walls, laid"
          unit="mm"
          width={44}
          value={layout.beadMm}
          takes="layers.layout.beadMm"
          error={say(`${at.layout}.beadMm`)}
          onChange={(v) => v !== null && editLayer(changeLayout('pools', (p) => ({ ...p, beadMm: v })))}
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
                  className="name"
                  onClick={() => select({ kind: 'region', id: pool.id })}
                >
                  {name}
                </button>
                <CupChoice
                  label={`Cup of pool ${i + 1}`}
                  layer={layer}
                  value={pool.cupId}
                  none={pool.cupId ? undefined : 'no cup yet'}
                  onChange={(to, and) => {
                    if (to) editLayer((l) => colourPool(and(l), pool, to));
                    else editLayer((l) => withPoolCup(l, pool));
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
                  editLayer(
                    changeLayout('pools', (p) => ({ ...p, strokes: p.strokes.filter((x) => x.id !== s.id) })),
                  );
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
  const { layer, layerPlan, layout, editLayer, say, at, cup } = props;
  const set = (to: Partial<Of<'puddle'>>) => editLayer(changeLayout('puddle', (l) => ({ ...l, ...to })));
  const setPour = (id: string, to: Partial<Of<'puddle'>['pours'][number]>) => (l: FilledLayer) =>
    changeLayout('puddle', (p) => ({ ...p, pours: p.pours.map((x) => (x.id === id ? { ...x, ...to } : x)) }))(
      l,
    );
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
                  onChange={(to, and) => to && editLayer((l) => setPour(pour.id, { cup: to })(and(l)))}
                />
                <NumberField
                  label={`Pour ${i + 1}`}
                  quiet
                  unit="ml"
                  width={44}
                  value={pour.ml}
                  takes="layers.layout.pours.ml"
                  error={say(`${at.layout}.pours[${pour.id}].ml`)}
                  onChange={(v) => v !== null && editLayer(setPour(pour.id, { ml: v }))}
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
                  onClick={() => set({ pours: layout.pours.filter((p) => p.id !== pour.id) })}
                >
                  <i className="bi minus" />
                </button>
              </div>
            </li>
          );
        })}
      </ol>
      <div className="row-buttons">
        <button type="button" className="btn btn-outline-primary" onClick={() => editLayer(withPour)}>
          Another pour
        </button>
      </div>
      <p className="line">
        <NumberField
          label="Tilted until it is"
          unit="%"
          width={44}
          value={layout.tiltPercent}
          takes="layers.layout.tiltPercent"
          error={say(`${at.layout}.tiltPercent`)}
          onChange={(v) => v !== null && set({ tiltPercent: v })}
        />
        <NumberField
          label="longer, towards"
          unit="°"
          width={44}
          value={layout.tiltDeg}
          takes="layers.layout.tiltDeg"
          error={say(`${at.layout}.tiltDeg`)}
          onChange={(v) => v !== null && set({ tiltDeg: v })}
        />
      </p>
      <p className="line">
        <span>Round it</span>
        <CupChoice
          label="Cup round the puddle"
          layer={layer}
          value={layout.restCup ?? null}
          none="nothing is poured"
          onChange={(to, and) =>
            editLayer((l) => changeLayout('puddle', (p) => ({ ...p, restCup: to }))(and(l)))
          }
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
  const { layer, layout, editLayer, say, at, layerPlan } = props;
  const set = (to: Partial<Of<'marble'>>) => editLayer(changeLayout('marble', (l) => ({ ...l, ...to })));
  const mix = layer.cups.find((c) => c.id === layout.streakCup);
  const parts = (to: NonNullable<typeof mix>['of']) =>
    editLayer((l) => changeCup(l, layout.streakCup, { of: to ?? null }));
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
          onChange={(to, and) =>
            to && editLayer((l) => changeLayout('marble', (m) => ({ ...m, groundCup: to }))(and(l)))
          }
        />
        <NumberField
          label="streaks on"
          unit="%"
          width={44}
          value={layout.streakPercent}
          takes="layers.layout.streakPercent"
          error={say(`${at.layout}.streakPercent`)}
          onChange={(v) => v !== null && set({ streakPercent: v })}
        />
        <NumberField
          label="running"
          unit="°"
          width={44}
          value={layout.directionDeg}
          takes="layers.layout.directionDeg"
          error={say(`${at.layout}.directionDeg`)}
          onChange={(v) => v !== null && set({ directionDeg: v })}
        />
      </p>
      <h3>The mixed cup, {mix?.name}</h3>
      {mix?.of ? (
        <ul className="bands layout-rows">
          {mix.of.map((share, i) => {
            const name = layer.cups.find((c) => c.id === share.cup)?.name ?? '?';
            const draw = draws.find((d) => d.cupId === share.cup);
            return (
              <li key={share.cup}>
                <div className="band">
                  <Colour of={props} cup={share.cup} />
                  <span className="name">{name}</span>
                  <NumberField
                    label={`Parts of ${name}`}
                    quiet
                    unit=""
                    width={40}
                    value={share.parts}
                    takes="recipes.of.parts"
                    error={say(`recipes[${mix.id}].of[${share.cup}].parts`)}
                    onChange={(v) => v !== null && parts(mix.of!.with(i, { ...share, parts: v }))}
                  />
                  <span className="unit">parts</span>
                  {draw && <HowNumber of={draw.ml} label={`Taken from ${name}`} />}
                  <button
                    type="button"
                    className="icon"
                    aria-label={`Leave ${name} out of the mix`}
                    disabled={mix.of!.length < 3}
                    onClick={() => parts(mix.of!.filter((s) => s.cup !== share.cup))}
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
          onChange={(to, and) =>
            to &&
            mix &&
            editLayer((l) =>
              changeCup(and(l), mix.id, {
                of: [...(mix.of ?? []), { cup: to, parts: 1 }],
                colourant: null,
                loadPercent: 0,
              }),
            )
          }
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
          value={Math.round(layout.blend * 100)}
          aria-valuetext={blendWords(layout.blend)}
          onChange={(e) => set({ blend: Number(e.target.value) / 100 })}
        />
        <span>{blendWords(layout.blend)}</span>
      </p>
      <div className="row-buttons">
        <button
          type="button"
          className="btn btn-outline-primary"
          onClick={() => set({ seed: (layout.seed + 1) % 100_000 })}
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
  const { layer, layout, editLayer, layerPlan } = props;
  const region = layerPlan.regions.find((r) => r.id === 'flood');
  return (
    <p className="line">
      <span>All of</span>
      <Colour of={props} cup={layout.cup} />
      <CupChoice
        label="Cup of the flood"
        layer={layer}
        value={layout.cup}
        onChange={(to, and) =>
          to && editLayer((l) => changeLayout('flood', (f) => ({ ...f, cup: to }))(and(l)))
        }
      />
      {region && <HowNumber of={region.area} label="Area of the flood" />}
    </p>
  );
}
