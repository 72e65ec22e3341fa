import { useMutation } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import type { PieceView, Reckoned, SaveRun } from '../../api/client';
import { Refused } from '../../api/client';
import { keepRun } from '../../api/changes';
import { bandsOf, colourIn } from '../../editor/filled';
import { NumberField } from '../../parts/NumberField';
import { TextField } from '../../parts/TextField';
import { useFields } from '../../parts/fields';
import { TimeField } from '../../parts/TimeField';
import { HowNumber } from '../../parts/HowNumber';
import { fieldText, localText, wireText } from '../../units/format';
import type { AtStation } from '../station';
import { CupColour } from '../CupColour';
import { useRegionNames } from '../regionNames';
import { regionName, useStation } from '../station';
import './StoryStation.scss';

interface Log {
  start: string;
  end: string;
  roomC: number | null;
  note: string;
  poured: Record<string, number | null>;
  /** The pours that the person says are all, however little. */
  all: string[];
}

/** What was really poured, planned beside actual; where a piece is cast several times, casting by casting. */
export function StoryStation() {
  const { sittingPlan, view } = useStation();
  const logged = view.runs.filter((r) => r.sittingId === sittingPlan.sittingId);
  const [anew, setAnew] = useState(0);
  // A new casting has no log yet; it is the last one once it is saved.
  const run = anew > logged.length ? undefined : logged.at(-1);
  const next = run && sittingPlan.done && sittingPlan.copiesLeft > 0;
  return (
    <>
      {next && (
        <p className="next-casting">
          {sittingPlan.copiesLeft === 1 ? 'One more is' : `${sittingPlan.copiesLeft} more are`} to be cast.{' '}
          <button type="button" className="btn btn-primary" onClick={() => setAnew(logged.length + 1)}>
            Log the next casting
          </button>
        </p>
      )}
      <LogOf
        key={run ? logged.length : logged.length + 1}
        run={run}
        casting={logged.length > 1 || anew > 0 ? (run ? logged.length : logged.length + 1) : null}
      />
    </>
  );
}

function LogOf({ run, casting }: { run: PieceView['runs'][number] | undefined; casting: number | null }) {
  const { layer, layerPlan, sittingPlan, view } = useStation();
  const doneShare = useFields().usual['runs.donePercent'] ?? 100;
  const names = useRegionNames();
  const [log, setLog] = useState<Log>(() => {
    // What is planned and lies ahead has not happened: it is not offered as if it had.
    const begun = sittingPlan.span !== null && Date.parse(sittingPlan.span.start.at) <= Date.now();
    const planned = begun ? layer.sitting : null;
    return {
      start: fieldText(run ? run.start.local : planned?.start),
      end: fieldText(run ? run.end?.local : planned?.end),
      roomC: run ? run.roomC : (layer.sitting.roomC ?? null),
      note: run?.note ?? '',
      poured: Object.fromEntries(run?.pours.map((p) => [keyOf(p), p.pouredMl]) ?? []),
      all: run?.pours.filter((p) => p.thatIsAll).map(keyOf) ?? [],
    };
  });
  const [runId] = useState(() => run?.id ?? crypto.randomUUID());
  const keeping = useMutation(keepRun(view.id));
  const [saved, setSaved] = useState(run !== undefined);
  const [unsaid, setUnsaid] = useState<string>();
  const refused = keeping.error instanceof Refused ? keeping.error : null;
  const set = (change: Partial<Log>) => {
    setLog((l) => ({ ...l, ...change }));
    setSaved(false);
    setUnsaid(undefined);
  };
  const lines =
    run?.pours ??
    sittingPlan.pours.map((s) => ({
      layerId: s.layerId,
      regionId: s.regionId,
      pass: s.pass,
      colourName: names.step(s),
      plannedMl: s.pourMl.value as number | null,
      pouredMl: null,
      thatIsAll: false,
    }));
  const named = (line: (typeof lines)[number]) => regionOr(layer, layerPlan, line, line.colourName);
  const cupOf = (line: (typeof lines)[number]) =>
    sittingPlan.pours.find((s) => keyOf(s) === keyOf(line))?.cupId ?? null;
  const say = (field: string) => refused?.errors[field]?.[0];
  const doubts = refused?.errors['evenSo'];

  // Unsaved lines must not be lost with the page.
  useEffect(() => {
    if (saved) return;
    const warn = (e: BeforeUnloadEvent) => e.preventDefault();
    window.addEventListener('beforeunload', warn);
    return () => window.removeEventListener('beforeunload', warn);
  }, [saved]);

  const keep = (evenSo = false) => {
    const start = wireText(log.start);
    if (!start) return setUnsaid('Say when the first pour started.');
    const body: SaveRun = {
      basedOn: run?.version ?? 0,
      sittingId: sittingPlan.sittingId,
      start,
      end: wireText(log.end),
      roomC: log.roomC,
      note: log.note,
      pours: lines.map((l) => ({
        layerId: l.layerId,
        regionId: l.regionId,
        pass: l.pass,
        pouredMl: log.poured[keyOf(l)] ?? null,
        thatIsAll: log.all.includes(keyOf(l)),
      })),
      evenSo,
    };
    keeping.mutate(
      { runId: run?.id ? dashed(run.id) : runId, body },
      { onSuccess: () => setSaved(true), onError: () => setSaved(false) },
    );
  };

  // Nobody measures what went as it was to go: those that are empty are filled in at once.
  const unsaidLines = lines.filter((l) => log.poured[keyOf(l)] == null && l.plannedMl !== null);
  const known = lines.filter((l) => log.poured[keyOf(l)] != null);
  return (
    <>
      {view.earlier.length > 0 && (
        <section aria-label="What lies beneath">
          <h2>It began as {view.earlier.at(-1)!.pieceName}</h2>
          <ol className="earlier">
            {view.earlier.map((e, i) => (
              <li key={i}>
                <b>{localText(e.start.local)}</b> {e.layerName},{' '}
                <Link to={`/pieces/${e.pieceId}/story`}>{e.pieceName}</Link>
                {e.note && <span className="hint"> {e.note}</span>}
              </li>
            ))}
          </ol>
        </section>
      )}
      <div className="log-head">
        <h2>
          What was poured: {sittingPlan.name}
          {casting !== null && `, casting ${casting}`}
        </h2>
        <div className="row-buttons">
          <button
            type="button"
            className="btn btn-primary btn-lg"
            disabled={keeping.isPending || (saved && run !== undefined)}
            onClick={() => void keep()}
          >
            {run ? 'Save the changes' : 'Save to the log'}
          </button>
          <span role="status">
            {saved && run ? 'Saved to the log.' : refused ? '' : run ? 'Not saved yet.' : ''}
          </span>
        </div>
      </div>
      {run && run.revision != null && run.revision !== view.revision && (
        <p className="hint">The picture shows the map as it was poured; the piece has been changed since.</p>
      )}
      {doubts && (
        <div className="say-wrong" role="alert">
          {doubts.map((d) => (
            <p key={d}>{d}</p>
          ))}
          <button type="button" className="btn btn-outline-primary" onClick={() => void keep(true)}>
            Save it to the log even so
          </button>
        </div>
      )}
      {refused && refused.message && !doubts && (
        <p className="say-wrong" role="alert">
          {refused.message}
        </p>
      )}
      <div className="times">
        <TimeField
          label="First pour"
          value={log.start}
          error={unsaid ?? say('start')}
          onChange={(start) => set({ start })}
        />
        <TimeField label="Last pour" value={log.end} error={say('end')} onChange={(end) => set({ end })} />
        <NumberField
          label="Room"
          unit="°C"
          empty="unknown"
          value={log.roomC}
          takes={{ field: 'sittings.roomC' }}
          error={say('roomC')}
          onChange={(roomC) => set({ roomC })}
        />
      </div>
      {unsaidLines.length > 0 && (
        <button
          type="button"
          className="btn btn-outline-primary as-planned"
          onClick={() =>
            set({
              poured: {
                ...log.poured,
                ...Object.fromEntries(unsaidLines.map((l) => [keyOf(l), Math.round(l.plannedMl! * 10) / 10])),
              },
            })
          }
        >
          {unsaidLines.length === lines.length ? 'All as planned' : 'The rest as planned'}
        </button>
      )}
      <table className="amounts poured" aria-label="What was poured">
        <thead>
          <tr>
            <th scope="col">colour</th>
            <th scope="col">planned</th>
            <th scope="col">poured</th>
            <th scope="col">difference</th>
          </tr>
        </thead>
        <tbody>
          {lines.map((line, i) => {
            const key = keyOf(line);
            const actual = log.poured[key] ?? null;
            const short =
              actual !== null && line.plannedMl !== null && actual < (line.plannedMl * doneShare) / 100;
            return (
              <tr key={keyOf(line)}>
                <th scope="row">
                  <span className="poured-of">
                    <CupColour
                      cup={layer.recipes.find((r) => r.id === cupOf(line))}
                      shown={colourIn(layerPlan, cupOf(line))}
                      label={`Colour of ${named(line)}`}
                    />
                    {named(line)}
                  </span>
                </th>
                <td>
                  {line.plannedMl === null ? (
                    'not planned'
                  ) : (
                    <HowNumber
                      of={
                        (run ? undefined : sittingPlan.pours.find((s) => keyOf(s) === keyOf(line)))?.pourMl ??
                        plannedThen(line.plannedMl)
                      }
                      label={`Planned of ${named(line)}`}
                      decimals={1}
                    />
                  )}
                </td>
                <td>
                  <NumberField
                    label={`Poured of ${named(line)}`}
                    quiet
                    empty="unknown"
                    unit="ml"
                    value={actual}
                    takes={{ field: 'runs.pouredMl' }}
                    error={say(`pours[${i}].pouredMl`)}
                    onChange={(v) => set({ poured: { ...log.poured, [keyOf(line)]: v } })}
                  />
                </td>
                <td>
                  {actual === null || line.plannedMl === null ? (
                    'unknown'
                  ) : (
                    <>
                      {actual - line.plannedMl > 0.05 && '+'}
                      <HowNumber
                        of={difference(actual, line.plannedMl)}
                        label={`Difference of ${named(line)}`}
                        decimals={1}
                      />
                    </>
                  )}
                  {short && (
                    <label className="that-is-all">
                      <input
                        type="checkbox"
                        checked={log.all.includes(key)}
                        onChange={(e) =>
                          set({
                            all: e.target.checked ? [...log.all, key] : log.all.filter((k) => k !== key),
                          })
                        }
                      />
                      that is all<span className="visually-hidden"> of {named(line)}</span>
                    </label>
                  )}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      {known.length > 0 && (
        <p className="hint">
          {known.length} of {lines.length} noted:{' '}
          <HowNumber
            of={total(
              'measured',
              known.map((l) => [named(l), log.poured[keyOf(l)] ?? 0]),
            )}
            label="Poured in all"
            decimals={0}
          />{' '}
          poured for{' '}
          <HowNumber
            of={total(
              'reckoned',
              known.map((l) => [named(l), l.plannedMl ?? 0]),
            )}
            label="Planned of that"
            decimals={0}
          />{' '}
          planned.
        </p>
      )}
      <TextField
        label="Note"
        value={log.note}
        lines={2}
        error={say('note')}
        onChange={(note) => set({ note })}
      />
    </>
  );
}

/** What was planned when it was logged is kept with the log. */
const plannedThen = (ml: number): Reckoned => ({
  value: ml,
  unit: 'ml',
  formula: 'stated',
  inputs: [{ name: 'planned when it was logged', value: ml, unit: 'ml', origin: 'reckoned', field: null }],
});

/** A band goes by its name of today, anything else by that of when it was logged. */
const regionOr = (
  layer: AtStation['layer'],
  plan: AtStation['layerPlan'],
  line: { layerId: string; regionId: string; pass: number },
  name: string,
) =>
  line.layerId === layer.id &&
  line.pass === 0 &&
  (line.regionId === 'heart' || bandsOf(layer).some((b) => b.id === line.regionId))
    ? regionName(plan, line.regionId, name)
    : name;

/** A pour of a sitting: its layer, its region and its pass. */
const keyOf = (p: { layerId: string; regionId: string; pass: number }) =>
  `${p.layerId}/${p.regionId}/${p.pass}`;

const millilitres = (name: string, value: number, origin: 'measured' | 'reckoned') => ({
  name,
  value,
  unit: 'ml',
  origin,
  field: null,
});

/** What was poured more or less than was planned. */
const difference = (pouredMl: number, plannedMl: number): Reckoned => ({
  value: pouredMl - plannedMl,
  unit: 'ml',
  formula: 'log-difference',
  inputs: [millilitres('poured', pouredMl, 'measured'), millilitres('planned', plannedMl, 'reckoned')],
});

const total = (origin: 'measured' | 'reckoned', each: [string, number][]): Reckoned => ({
  value: each.reduce((sum, [, ml]) => sum + ml, 0),
  unit: 'ml',
  formula: 'log-total',
  inputs: each.map(([name, ml]) => millilitres(name, ml, origin)),
});

/** Ids are kept without dashes and sent with them. */
const dashed = (id: string) =>
  id.includes('-') ? id : id.replace(/^(.{8})(.{4})(.{4})(.{4})(.{12})$/, '$1-$2-$3-$4-$5');
