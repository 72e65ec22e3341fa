import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import type { Reckoned, SaveRun } from '../../api/client';
import { Refused, api, take } from '../../api/client';
import { NumberField, TextField, TimeField } from '../../parts/Fields';
import { HowNumber } from '../../parts/HowNumber';
import { fieldText, localText, wireText } from '../../units/format';
import type { Units } from '../../units/units';
import { useUnits } from '../../units/units';
import { regionName } from '../station';
import type { StationProps } from '../station';
import './StoryStation.scss';

interface Log {
  start: string;
  end: string;
  roomC: number | null;
  note: string;
  poured: Record<string, number | null>;
}

/** What was really poured, planned beside actual. */
export function StoryStation({ id, layer, layerPlan, view, accept }: StationProps) {
  const units = useUnits();
  const run = view.runs.findLast((r) => r.layerId === layer.id);
  const [log, setLog] = useState<Log>(() => {
    // What is planned and lies ahead has not happened: it is not offered as if it had.
    const begun = layerPlan.pour !== null && Date.parse(layerPlan.pour.start.at) <= Date.now();
    const planned = begun ? layer.plan : null;
    return {
      start: fieldText(run ? run.start.local : planned?.start),
      end: fieldText(run ? run.end?.local : planned?.end),
      roomC: run ? run.roomC : layer.plan.roomC,
      note: run?.note ?? '',
      poured: Object.fromEntries(run?.pours.map((p) => [p.regionId, p.pouredMl]) ?? []),
    };
  });
  const [runId] = useState(() => run?.id ?? crypto.randomUUID());
  const [state, setState] = useState<{ saved: boolean; busy: boolean; refused: Refused | null }>({
    saved: run !== undefined,
    busy: false,
    refused: null,
  });
  const set = (change: Partial<Log>) => {
    setLog((l) => ({ ...l, ...change }));
    setState((s) => ({ ...s, saved: false }));
  };
  const lines =
    run?.pours ??
    layerPlan.steps.map((s) => ({
      regionId: s.regionId,
      colourName: regionName(layer, s.regionId, s.cupId),
      plannedMl: s.pourMl.value,
      pouredMl: null,
    }));
  const say = (field: string) => state.refused?.errors[field]?.[0];
  const doubts = state.refused?.errors['evenSo'];

  // Unsaved lines must not be lost with the page.
  useEffect(() => {
    if (state.saved) return;
    const warn = (e: BeforeUnloadEvent) => e.preventDefault();
    window.addEventListener('beforeunload', warn);
    return () => window.removeEventListener('beforeunload', warn);
  }, [state.saved]);

  const keep = async (evenSo = false) => {
    const start = wireText(log.start);
    if (!start) {
      setState((s) => ({
        ...s,
        refused: new Refused(400, '', { start: ['Say when the first pour started.'] }),
      }));
      return;
    }
    const body: SaveRun = {
      basedOn: run?.version ?? 0,
      layerId: layer.id,
      start,
      end: wireText(log.end),
      roomC: log.roomC,
      note: log.note,
      pours: lines.map((l) => ({ regionId: l.regionId, pouredMl: log.poured[l.regionId] ?? null })),
      evenSo,
    };
    setState((s) => ({ ...s, busy: true }));
    try {
      const path = { id, runId: run?.id ? dashed(run.id) : runId };
      accept(await take(api.PUT('/api/pieces/{id}/runs/{runId}', { params: { path }, body })));
      setState({ saved: true, busy: false, refused: null });
    } catch (e) {
      if (!(e instanceof Refused)) throw e;
      setState({ saved: false, busy: false, refused: e });
    }
  };

  const known = lines.filter((l) => log.poured[l.regionId] != null);
  const planned = known.reduce((sum, l) => sum + l.plannedMl, 0);
  const poured = known.reduce((sum, l) => sum + (log.poured[l.regionId] ?? 0), 0);
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
      <h2>What was poured: {layer.name}</h2>
      {run && run.revision != null && run.revision !== view.revision && (
        <p className="hint">The picture shows the map as it was poured; the piece has been changed since.</p>
      )}
      <div className="times">
        <TimeField
          label="First pour"
          value={log.start}
          error={say('start')}
          onChange={(start) => set({ start })}
        />
        <TimeField label="Last pour" value={log.end} error={say('end')} onChange={(end) => set({ end })} />
        <NumberField
          label="Room"
          unit="°C"
          optional
          width={64}
          placeholder="unknown"
          value={log.roomC}
          takes="sittings.roomC"
          error={say('roomC')}
          onChange={(roomC) => set({ roomC })}
        />
      </div>
      <table className="amounts poured">
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
            const actual = log.poured[line.regionId] ?? null;
            return (
              <tr key={line.regionId}>
                <th scope="row">{regionOr(layer, line.regionId, line.colourName)}</th>
                <td>
                  <HowNumber
                    of={
                      layerPlan.steps.find((s) => s.regionId === line.regionId && !run)?.pourMl ??
                      plannedThen(line.plannedMl)
                    }
                    label={`Planned of ${regionOr(layer, line.regionId, line.colourName)}`}
                    decimals={1}
                  />
                </td>
                <td>
                  <NumberField
                    label={`Poured of ${regionOr(layer, line.regionId, line.colourName)}`}
                    quiet
                    optional
                    unit="ml"
                    width={78}
                    placeholder="unknown"
                    value={actual}
                    takes="runs.pouredMl"
                    error={say(`pours[${i}].pouredMl`)}
                    onChange={(v) => set({ poured: { ...log.poured, [line.regionId]: v } })}
                  />
                </td>
                <td>{actual === null ? 'unknown' : difference(units, actual - line.plannedMl)}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
      {known.length > 0 && (
        <p className="hint">
          {known.length} of {lines.length} noted: {units.show(poured, 'ml', 0)} poured for{' '}
          {units.show(planned, 'ml', 0)} planned.
        </p>
      )}
      <TextField
        label="Note"
        value={log.note}
        width="100%"
        lines={2}
        error={say('note')}
        onChange={(note) => set({ note })}
      />
      <div className="row-buttons">
        <button
          type="button"
          className="btn btn-primary btn-lg"
          disabled={state.busy || (state.saved && run !== undefined)}
          onClick={() => void keep()}
        >
          {run ? 'Keep the changes' : 'Keep this in the log'}
        </button>
        <span role="status">
          {state.saved && run ? 'Kept in the log.' : state.refused ? '' : run ? 'Not kept yet.' : ''}
        </span>
      </div>
      {doubts && (
        <div className="say-wrong" role="alert">
          {doubts.map((d) => (
            <p key={d}>{d}</p>
          ))}
          <button type="button" className="btn btn-outline-primary" onClick={() => void keep(true)}>
            Keep it in the log even so
          </button>
        </div>
      )}
      {state.refused && state.refused.message && !doubts && (
        <p className="say-wrong" role="alert">
          {state.refused.message}
        </p>
      )}
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

const regionOr = (layer: StationProps['layer'], regionId: string, name: string) =>
  regionId === 'heart' || layer.bands.some((b) => b.id === regionId) ? regionName(layer, regionId) : name;

function difference(units: Units, ml: number) {
  return `${ml > 0.05 ? '+' : ''}${units.show(ml, 'ml', 1)}`;
}

/** Ids are kept without dashes and sent with them. */
const dashed = (id: string) =>
  id.includes('-') ? id : id.replace(/^(.{8})(.{4})(.{4})(.{4})(.{12})$/, '$1-$2-$3-$4-$5');
