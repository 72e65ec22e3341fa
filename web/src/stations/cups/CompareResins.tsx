import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { Reckoned, Schemas, SittingView } from '../../api/client';
import { supposedQuery } from '../../api/queries';
import { Choice } from '../../parts/Choice';
import { HowNumber } from '../../parts/HowNumber';
import { LitrePrice } from '../../parts/LitrePrice';
import { useUnits } from '../../units/units';
import { useMaterials } from '../materials';
import { useStation } from '../station';
import './CompareResins.scss';

type Resin = Schemas['ResinSystem'];

/** Another resin beside the one that the sitting is mixed from: the same map, cups and room worked out for both. */
export function CompareResins() {
  const { layer, sittingPlan, view } = useStation();
  const materials = useMaterials();
  const [other, setOther] = useState('');
  const commands = [{ do: 'choose-resin' as const, sitting: sittingPlan.sittingId, resin: other }];
  const { data, error } = useQuery({
    ...supposedQuery(view.id, { revision: view.revision, commands }),
    enabled: other !== '',
  });
  const systems = materials?.resinSystems ?? [];
  const own = systems.find((s) => s.id === layer.sitting.resin.system);
  const resin = systems.find((s) => s.id === other);
  const there = data?.sittings.find((s) => s.sittingId === sittingPlan.sittingId);
  return (
    <details className="compare">
      <summary>Compare with another resin</summary>
      <Choice
        label="Beside"
        value={other}
        choices={[
          ['', 'pick one…'],
          ...systems.filter((s) => !s.putAway && s.id !== own?.id).map((s) => [s.id, s.name] as const),
        ]}
        onChange={setOther}
      />
      {error && <p className="say-wrong">{error.message}</p>}
      {own && resin && there && <Beside resins={[own, resin]} sittings={[sittingPlan, there]} />}
    </details>
  );
}

function Beside({ resins, sittings }: { resins: [Resin, Resin]; sittings: [SittingView, SittingView] }) {
  const { layer } = useStation();
  const units = useUnits();
  const number = (label: string, of: Reckoned | undefined, resin: Resin, decimals = 0) =>
    of ? <HowNumber of={of} label={`${label}, ${resin.name}`} decimals={decimals} /> : 'unknown';
  const rows: [string, (resin: Resin, sitting: SittingView) => React.ReactNode][] = [
    ['spreads at', (r) => units.show(r.viscosityPaS, 'Pa·s', 1)],
    ['works for, 100 g in a cup', (r) => units.show(r.workingMinutes, 'min', 0)],
    ['batches', (_, s) => s.batches.all.length],
    ['mixed in all', (r, s) => number('Mixed in all', s.batches.totalMl, r)],
    ['least time in hand', (r, s) => number('Least time in hand', least(s), r)],
    ['left standing, hottest', (r, s) => number('Left standing', hottest(s), r)],
    ['next layer from', (r, s) => number('Next layer', next(s), r, 1)],
    [
      `deepest pour; here ${units.show(layer.depthMm, 'mm', 1)}`,
      (r) => (
        <span data-short={r.deepestMm < layer.depthMm || undefined}>
          {units.show(r.deepestMm, 'mm', 1)}
          {r.deepestMm < layer.depthMm && ', too deep'}
        </span>
      ),
    ],
    ['costs', (r, s) => (s.cost ? number('Costs', s.cost, r, 2) : 'unknown')],
    ['a litre costs', (r) => <LitrePrice of={`resin/${r.id}`} label={`A litre of ${r.name} costs`} />],
    ['stands heat up to', (r) => units.show(r.heatC, '°C', 0)],
    ['cured through after', (r) => units.show(r.fullCureHours, 'h', 0)],
  ];
  return (
    <>
      <table>
        <thead>
          <tr>
            <td />
            {resins.map((r) => (
              <th key={r.id} scope="col">
                {r.name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(([name, of]) => (
            <tr key={name}>
              <th scope="row">{name}</th>
              {resins.map((r, i) => (
                <td key={r.id}>{of(r, sittings[i]!)}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      <p className="hint">
        Typical data or your own, as the cupboard has them. Times count from the last pour, in this room. The
        data sheet wins.
      </p>
    </>
  );
}

const clocks = (s: SittingView) => s.batches.all.flatMap((b) => b.cups);
const byValue = (a: Reckoned, b: Reckoned) => a.value - b.value;
const least = (s: SittingView) =>
  clocks(s)
    .map((c) => c.inHandMinutes)
    .sort(byValue)[0];
const hottest = (s: SittingView) =>
  s.batches.all
    .map((b) => b.peakC)
    .sort(byValue)
    .at(-1);
const next = (s: SittingView) => s.windows.find((w) => w.milestone === 'next-layer')?.opensAfterHours;
