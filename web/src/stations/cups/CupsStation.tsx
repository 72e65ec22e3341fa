import { Fragment } from 'react';
import { useSearchParams } from 'react-router';
import { alsoIn, isDrawnFrom } from '../../editor/filled';
import type { FilledLayer } from '../../editor/filled';
import { arrange, arranged, inMixes, moved } from '../../editor/batches';
import { ChoiceAt, NumberAt, TextAt } from '../../parts/At';
import { Choice } from '../../parts/Choice';
import { useEdits } from '../../parts/editing';
import { useFields, useMost } from '../../parts/fields';
import type { BatchPlan, CupVolume, Recipe, Reckoned } from '../../api/client';
import { HowNumber } from '../../parts/HowNumber';
import { markDecimals } from '../../units/format';
import { useUnits } from '../../units/units';
import { CupColour } from '../CupColour';
import { useMaterials } from '../materials';
import type { AtStation } from '../station';
import { useRegionNames } from '../regionNames';
import { timesPoured, useStation } from '../station';
import { inGoes, mixIn, mixWords } from '../../editor/mixes';
import { Castings } from './Castings';
import { CompareResins } from './CompareResins';
import { Reach } from './Reach';
import { SecondCup } from './SecondCup';
import { WholePiece } from './WholePiece';
import { Cover } from './recipe/Cover';
import { Doses } from './recipe/Doses';
import { FindColour } from './recipe/FindColour';
import { Keep } from './recipe/Keep';
import { Trials } from './recipe/Trials';
import './CupsStation.scss';

export function CupsStation() {
  const { piece, plan: whole, layer, sittingPlan, at, cup: selected, setCup, secondLook } = useStation();
  const names = useRegionNames();
  const { usual } = useFields();
  const { edit } = useEdits();
  const units = useUnits();
  const materials = useMaterials();
  const inOrder = [...new Set(sittingPlan.pours.map((s) => s.cupId))];
  const cup =
    layer.recipes.find((c) => c.id === selected) ??
    layer.recipes.find((c) => c.id === inOrder[0]) ??
    layer.recipes[0]!;
  const { batches } = sittingPlan;
  const filledCups = sittingPlan.cups.cups.filter((c) => c.mixMl.value > 0).length;
  const from = batches.all.filter((b) => b.cupIds.includes(cup.id));
  const plan = sittingPlan.cups.cups.find((c) => c.cupId === cup.id);
  const others = alsoIn(piece, whole.sittings, layer.id, cup.id);
  const several = timesPoured(piece.ground);
  const system = materials?.resinSystems.find((s) => s.id === layer.sitting.resin.system);
  const byWeight = layer.sitting.measure === 'by-weight';
  return (
    <>
      <h2>
        <HowNumber of={sittingPlan.cups.totalMl} label="All cups" className="bench" />
        <span className="beside">
          in {filledCups === 1 ? 'one cup' : `${filledCups} cups`},{' '}
          {batches.all.length === 1 ? 'mixed as one batch of' : `mixed as ${batches.all.length} batches of`}{' '}
          <HowNumber of={batches.totalMl} label="Mixed in all" decimals={0} />
          {batches.all.length === 1 ? '' : ' together'}
        </span>
      </h2>
      <OtherSittings />
      <LayOut />
      {secondLook}
      <div className="sentence small">
        <p>
          Mixed from{' '}
          <Choice
            label="Resin"
            quiet
            value={layer.sitting.resin.system}
            choices={
              materials?.resinSystems
                .filter((s) => !s.putAway || s.id === layer.sitting.resin.system)
                .map((s) => [s.id, s.name] as const) ?? [[layer.sitting.resin.system, '…']]
            }
            onChange={(resin) => edit({ do: 'choose-resin', sitting: layer.sitting.id, resin })}
          />
          , measured{' '}
          <ChoiceAt
            place={`${at.sitting}.measure`}
            label="Measured"
            quiet
            value={layer.sitting.measure}
            choices={[
              ['by-volume', 'in marked cups'],
              ['by-weight', 'on a scale'],
            ]}
          />
          , with a reserve of{' '}
          <NumberAt
            place={`${at.sitting}.reservePercent`}
            label="Reserve"
            quiet
            empty={usual['sittings.reservePercent'] ?? ''}
            unit="%"
            value={layer.sitting.reservePercent ?? null}
          />
          .
        </p>
      </div>
      <section className="cup-card" aria-label={`Cup ${cup.name}`}>
        <div className="line">
          <CupColour cup={cup} shown={plan?.colour ?? null} label={`Colour of ${cup.name}`} />
          {cup.secondOf ? (
            <b>{cup.name}</b>
          ) : (
            <TextAt place={`recipes[${cup.id}].name`} label="Cup" value={cup.name} />
          )}
          {plan && (
            <span className="mix">
              <HowNumber
                of={byWeight ? plan.mixG : plan.mixMl}
                label={`Mix for ${cup.name}`}
                className="bench"
              />
            </span>
          )}
        </div>
        {others.length > 0 && (
          <p className="hint">This colour is also in {others.join(', ')}: a change here changes it there.</p>
        )}
        {plan && plan.draws.length > 0 && (
          <>
            <p>Nothing is measured for it: it is filled from other cups.</p>
            <table className="amounts">
              <thead>
                <tr>
                  <th scope="col">from</th>
                  <th scope="col" data-hero>
                    volume
                  </th>
                </tr>
              </thead>
              <tbody>
                {plan.draws.map((d) => {
                  const name = layer.recipes.find((c) => c.id === d.cupId)?.name;
                  return (
                    <tr key={d.cupId}>
                      <th scope="row">{name}</th>
                      <td data-hero>
                        <HowNumber of={d.ml} label={`Taken from ${name}`} />
                      </td>
                    </tr>
                  );
                })}
              </tbody>
            </table>
          </>
        )}
        {plan && plan.mixMl.value > 0 && plan.draws.length === 0 && (
          <>
            <Filled cup={plan} from={from} byWeight={byWeight} />
            <p className="hint">
              For {plan.regions.map((r) => names.region(r.layerId, r.region)).join(', ')}. Holds{' '}
              <HowNumber of={plan.reserve} label={`Reserve in ${cup.name}`} decimals={1} /> of reserve;{' '}
              <HowNumber of={plan.loss} label={`What stays in ${cup.name}`} decimals={1} /> stays in the cup.
              {several && ` It is for ${several.words}.`}
              {plan.drawnMl > 0 && ` ${units.show(plan.drawnMl, 'ml', 1)} goes to mixed cups.`}
            </p>
            {plan.measured?.smallest && (
              <p className="finding mind">
                Too little to measure: with {byWeight ? 'your scale' : 'your marks'} mix at least{' '}
                <HowNumber of={plan.measured.smallest} label={`Smallest mix of ${cup.name}`} decimals={0} />,{' '}
                {byWeight ? 'or pour it off a jug' : 'weigh it, or pour it off a jug'}.
              </p>
            )}
          </>
        )}
        {plan && plan.mixMl.value === 0 && <p className="hint">Nothing is poured from this cup.</p>}
        <SecondCup key={`second-${sittingPlan.sittingId}-${cup.id}`} cup={cup} />
        {!cup.secondOf && (!cup.of || cup.of.length === 1 || cup.doses.length > 0) && (
          <>
            <Doses key={cup.id} cup={cup} plan={plan} />
            <Cover key={`cover-${cup.id}`} cup={cup} />
            {cup.doses.length > 0 && <Trials key={`trials-${cup.id}`} cup={cup} />}
            <FindColour key={`find-${cup.id}`} cup={cup} plan={plan} />
          </>
        )}
        <Reach key={`reach-${sittingPlan.sittingId}-${cup.id}`} cup={cup} colour={plan?.colour ?? null} />
        {!cup.secondOf && <Keep key={`keep-${cup.id}`} cup={cup} shown={plan?.colour ?? null} />}
      </section>
      <div className="sentence small">
        <p>
          It is measured in steps of{' '}
          {byWeight ? (
            <NumberAt
              key="g"
              place={`${at.sitting}.tools.scaleStepG`}
              label="Scale step"
              quiet
              empty={usual['sittings.tools.scaleStepG'] ?? ''}
              unit="g"
              value={layer.sitting.tools?.scaleStepG ?? null}
            />
          ) : (
            <NumberAt
              key="ml"
              place={`${at.sitting}.tools.cupStepMl`}
              label="Cup step"
              quiet
              empty={usual['sittings.tools.cupStepMl'] ?? ''}
              unit="ml"
              value={layer.sitting.tools?.cupStepMl ?? null}
            />
          )}
          , in jugs of up to{' '}
          <NumberAt
            place={`${at.sitting}.tools.jugMl`}
            label="Largest jug"
            quiet
            empty={usual['sittings.tools.jugMl'] ?? ''}
            unit="ml"
            value={layer.sitting.tools?.jugMl ?? null}
          />
          .
        </p>
      </div>
      <Castings />
      <WholePiece />
      {system && <MakersData layer={layer} system={system} at={at} />}
      <CompareResins />
      {plan && <PouredOff cup={cup} plan={plan} from={from} />}
      <p className="care">
        Resin and hardener irritate skin and lungs: nitrile gloves, eye protection, fresh air, and whatever
        the maker's safety data sheet asks for.
      </p>
      {selected === null && layer.recipes.length > 1 && (
        <p className="hint">
          Pick a cup on the stage to see what goes into it.
          <button type="button" className="visually-hidden-focusable" onClick={() => setCup(cup.id)}>
            Stay with {cup.name}
          </button>
        </p>
      )}
    </>
  );
}

/** Which sitting all of this is for, and what the others of the piece take. */
function OtherSittings() {
  const { plan, layerPlan, sittingPlan } = useStation();
  const units = useUnits();
  const [, setSearch] = useSearchParams();
  const others = plan.sittings.filter((s) => s !== sittingPlan && s.pours.length > 0);
  if (others.length === 0) return null;
  return (
    <p className="other-sittings">
      For <b>{sittingPlan.name}</b>. Mixed at other sittings:{' '}
      {others.map((s, i) => (
        <span key={s.sittingId}>
          {i > 0 && ', '}
          <button
            type="button"
            className="btn btn-link"
            onClick={() => {
              const layer = s.layerIds.includes(layerPlan.layerId) ? layerPlan.layerId : s.layerIds[0]!;
              setSearch({ layer, sitting: s.sittingId }, { replace: true });
            }}
          >
            {s.name}
          </button>{' '}
          {units.show(s.cups.totalMl.value, 'ml', 0)}
        </span>
      ))}
      .
    </p>
  );
}

/** What stands ready before anything is mixed: a stick for each vessel that something is stirred in. */
function LayOut() {
  const { sittingPlan } = useStation();
  const cups = sittingPlan.cups.cups.filter((c) => c.mixMl.value > 0);
  const jugs = sittingPlan.batches.all.filter((b) => b.cupIds.length > 1).length;
  const sticks = jugs + cups.filter((c) => c.measured || c.doses.all.length > 0 || c.draws.length > 0).length;
  if (cups.length === 0) return null;
  const count = (n: number, one: string) => (n === 1 ? `one ${one}` : `${n} ${one}s`);
  return (
    <p className="hint">
      {`To lay out: ${count(cups.length, 'cup')}${jugs > 0 ? `, ${count(jugs, 'jug')}` : ''} and ${count(sticks, 'stick')}.`}
    </p>
  );
}

/** What goes into a cup: its two parts where it is mixed in itself, else so much of the jug; of each mix where several batches fill it. */
function Filled({ cup, from, byWeight }: { cup: CupVolume; from: BatchPlan[]; byWeight: boolean }) {
  const { sittingPlan } = useStation();
  return (
    <table className="amounts">
      <thead>
        <tr>
          <th scope="col">part</th>
          <th scope="col" data-hero={!byWeight || undefined}>
            volume
          </th>
          <th scope="col" data-hero={byWeight || undefined}>
            weight
          </th>
        </tr>
      </thead>
      <tbody>
        {from.map((batch) => {
          const mix = mixIn(cup, batch.id);
          const which = mixWords(cup, batch.id);
          const number = sittingPlan.batches.all.indexOf(batch) + 1;
          const says = which ? `mix ${which}, batch ${number}` : `from batch ${number}`;
          return (
            <Fragment key={batch.id}>
              {(which || !mix.measured) && (
                <tr>
                  <th scope="row">{says}</th>
                  <td data-hero={!byWeight || undefined}>
                    <HowNumber of={mix.mixMl} label={`From batch ${number}`} decimals={0} />
                  </td>
                  <td data-hero={byWeight || undefined}>
                    <HowNumber of={mix.mixG} label={`From batch ${number} by weight`} decimals={1} />
                  </td>
                </tr>
              )}
              {mix.measured && (
                <>
                  <Part
                    name="resin"
                    of={which && `batch ${number}`}
                    ml={mix.measured.resinMl}
                    g={mix.measured.resinG}
                    byWeight={byWeight}
                  />
                  <Part
                    name="hardener"
                    of={which && `batch ${number}`}
                    ml={mix.measured.hardenerMl}
                    g={mix.measured.hardenerG}
                    byWeight={byWeight}
                  />
                </>
              )}
            </Fragment>
          );
        })}
      </tbody>
    </table>
  );
}

/** The batches that a cup is poured off, how it stands when each has been poured, and of how many it is. */
function PouredOff({ cup, plan, from }: { cup: Recipe; plan: CupVolume; from: BatchPlan[] }) {
  const { piece, sittingPlan } = useStation();
  const { edit } = useEdits();
  const { all } = sittingPlan.batches;
  const mostBatches = useMost('sittings.batches');
  if (from.length === 0) return null;
  const own = piece.sittings.find((s) => s.id === sittingPlan.sittingId)?.batches;
  const now = arranged(all, own);
  const to = (batches: typeof now) => edit(arrange(sittingPlan.sittingId, batches));
  const mixes = (n: number) => to(inMixes(now, cup.id, n));
  const open = !sittingPlan.poured && !isDrawnFrom(piece, cup.id);
  const clockOf = (b: BatchPlan) => b.cups.find((c) => c.cupId === cup.id)!;
  // Of many mixes the one that has the least time counts.
  const tightest = from.toSorted((a, b) => clockOf(a).inHandMinutes.value - clockOf(b).inHandMinutes.value);
  const told = from.length > mostTold ? tightest.slice(0, 1) : from;
  return (
    <section className="poured-off" aria-label={`Batch of ${cup.name}`}>
      {from.length > 1 && (
        <p>
          {cup.name} is mixed {inGoes(from.length)}. Pour each while the one before it still runs.
        </p>
      )}
      {told.map((b) => (
        <PouredOffOne key={b.id} cup={cup} which={mixWords(plan, b.id)} batch={b} />
      ))}
      {open && (
        <p className="mixes">
          {from.length > 1 && (
            <button type="button" className="btn btn-outline-primary" onClick={() => mixes(from.length - 1)}>
              Mix it {inGoes(from.length - 1)}
            </button>
          )}
          {all.length < mostBatches && (
            <button type="button" className="btn btn-outline-primary" onClick={() => mixes(from.length + 1)}>
              Mix it {inGoes(from.length + 1)}
            </button>
          )}
        </p>
      )}
    </section>
  );
}

/** The batch that a cup, or a mix of it, is poured off, and how it stands when that has been poured. */
function PouredOffOne({ cup, which, batch }: { cup: Recipe; which: string | null; batch: BatchPlan }) {
  const { piece, sittingPlan } = useStation();
  const { edit } = useEdits();
  const { all } = sittingPlan.batches;
  const own = piece.sittings.find((s) => s.id === sittingPlan.sittingId)?.batches;
  const clock = batch.cups.find((c) => c.cupId === cup.id)!;
  const name = which ? `${cup.name}, ${which}` : cup.name;
  const to = (id: string) =>
    edit(
      arrange(sittingPlan.sittingId, moved(arranged(all, own), cup.id, batch.id, id === 'own' ? null : id)),
    );
  return (
    <>
      <Choice
        label={`${name} is`}
        value={batch.id}
        choices={[
          ...all.map(
            (b, i) =>
              [
                b.id,
                b.cupIds.length === 1 && b.id === batch.id
                  ? `batch ${i + 1}, mixed in its own cup`
                  : `poured off batch ${i + 1}`,
              ] as const,
          ),
          ...(batch.cupIds.length > 1 ? [['own', 'mixed in its own cup'] as const] : []),
        ]}
        onChange={(id) => (id === batch.id ? undefined : to(id))}
      />
      <p className="hint">
        The last of it is poured <HowNumber of={clock.pouredMinutes} label={`${name} poured`} decimals={0} />{' '}
        after mixing, at <HowNumber of={clock.celsius} label={`${name} is at`} decimals={0} />, with{' '}
        <HowNumber of={clock.inHandMinutes} label={`${name} in hand`} decimals={0} /> of working time left.
      </p>
    </>
  );
}

/** Of so many mixes each is told by itself. */
const mostTold = 3;

interface MakersProps {
  layer: FilledLayer;
  system: {
    ratio: { basis: 'volume' | 'weight'; resin: number; hardener: number };
    resinDensity: number;
    hardenerDensity: number;
    workingMinutes: number;
    deepestMm: number;
  };
  at: AtStation['at'];
}

/** The maker's own data wins over typical values. */
function MakersData({ layer, system, at }: MakersProps) {
  const ratio = layer.sitting.resin.ratio ?? system.ratio;
  const resin = `${at.sitting}.resin`;
  return (
    <details className="makers">
      <summary>
        {ratio.resin} : {ratio.hardener} by {ratio.basis}
        {layer.sitting.resin.ratio ? ', your own data' : ', typical data'}
      </summary>
      <p className="hint">The data sheet of your resin wins over these typical values.</p>
      <p className="line">
        <NumberAt place={`${resin}.ratio.resin`} label="Resin parts" unit="" value={ratio.resin} />
        <NumberAt place={`${resin}.ratio.hardener`} label="Hardener parts" unit="" value={ratio.hardener} />
        <ChoiceAt
          place={`${resin}.ratio.basis`}
          label="Parts are"
          value={ratio.basis}
          choices={[
            ['volume', 'by volume'],
            ['weight', 'by weight'],
          ]}
        />
      </p>
      <p className="line">
        <NumberAt
          place={`${resin}.resinDensity`}
          label="Density of the resin"
          unit="g/ml"
          empty={system.resinDensity}
          value={layer.sitting.resin.resinDensity ?? null}
        />
        <NumberAt
          place={`${resin}.hardenerDensity`}
          label="Density of the hardener"
          unit="g/ml"
          empty={system.hardenerDensity}
          value={layer.sitting.resin.hardenerDensity ?? null}
        />
      </p>
    </details>
  );
}

/** One of the two parts of a cup, by volume and by weight; which of them is measured stands out. */
function Part({
  name,
  of,
  ml,
  g,
  byWeight,
}: {
  name: 'resin' | 'hardener';
  /** The batch that it is of, where several fill the cup. */
  of: string | null;
  ml: Reckoned;
  g: Reckoned;
  byWeight: boolean;
}) {
  const label = `${name === 'resin' ? 'Resin' : 'Hardener'}${of ? ` of ${of}` : ''}`;
  return (
    <tr>
      <th scope="row">{name}</th>
      <td data-hero={!byWeight || undefined}>
        <HowNumber of={ml} label={`${label} by volume`} decimals={markDecimals(ml.value)} />
      </td>
      <td data-hero={byWeight || undefined}>
        <HowNumber of={g} label={`${label} by weight`} />
      </td>
    </tr>
  );
}
