import { memo, useCallback, useEffect, useMemo, useState } from 'react';
import { Link, Navigate, useNavigate, useSearchParams } from 'react-router';
import type { Edit, Finding, Ground, Painting, Piece, PieceView, PlanView } from '../api/client';
import { Refused, api, take } from '../api/client';
import { CoreSample } from '../parts/CoreSample';
import { CupRow } from './CupRow';
import { Findings } from '../parts/Findings';
import { StringOfStations } from './StringOfStations';
import type { PieceEditor } from '../editor/PieceEditor';
import type { FieldValue } from '../parts/editing';
import { EditingProvider, setField } from '../parts/editing';
import { clockText } from '../units/format';
import { CupsStation } from '../stations/cups/CupsStation';
import { CureStation } from '../stations/cure/CureStation';
import { GroundStation } from '../stations/ground/GroundStation';
import { MapStation } from '../stations/map/MapStation';
import { PourStation } from '../stations/pour/PourStation';
import type { Station, StationProps } from '../stations/station';
import { stationNames, stations } from '../stations/station';
import { StoryStation } from '../stations/story/StoryStation';
import type { Units } from '../units/units';
import { useUnits } from '../units/units';
import { filled, placesOf, regionAt } from '../editor/filled';
import { usualLook } from './LookBar';
import { PouredQuestion } from './PouredQuestion';
import { Unplanned } from './Unplanned';
import { MapStage } from './MapStage';
import type { Selected } from '../editor/selection';
import type { PieceOnPage } from './usePiece';
import { usePiece } from './usePiece';
import { useKeptFocus } from './useKeptFocus';
import { useZone } from './useZone';

const pages: Record<Station, React.ComponentType<StationProps>> = {
  ground: memo(GroundStation),
  map: memo(MapStation),
  cups: memo(CupsStation),
  pour: memo(PourStation),
  cure: memo(CureStation),
  story: memo(StoryStation),
};
// A drag paints the map many times a second; these follow only when what they show has changed.
const Sample = memo(CoreSample);
const Cups = memo(CupRow);
const Tags = memo(StringOfStations);

const none: ReadonlySet<string> = new Set();

/** The layer that is worked on is kept for as long as the window is open. */
const layerKey = (id: string) => `layer of ${id}`;

export function PiecePage({ id, station }: { id: string; station: string }) {
  const units = useUnits();
  const [search, setSearch] = useSearchParams();
  const navigate = useNavigate();
  const asked = search.get('layer') ?? sessionStorage.getItem(layerKey(id));
  const [look, setLook] = useState(usualLook);
  const page = usePiece(id, asked, look, station === 'story');
  const below = page.lookedAt.face === 'underside';
  // A cup stays picked from station to station; the picture lights it only where it was picked.
  const [picked, setPicked] = useState<{ cup: string; at: string } | null>(null);
  const cup = picked?.cup ?? null;
  const setCup = useCallback(
    (to: string | null) => setPicked(to === null ? null : { cup: to, at: station }),
    [station],
  );
  const [pointed, setPointed] = useState<string | null>(null);
  const [selected, setSelected] = useState<Selected>(null);
  const [zoneId, setZoneId] = useState<string | null>(null);
  const { editor, draft: piece, plan, view, painting } = page;

  const own = piece?.layers.find((l) => l.id === asked) ?? piece?.layers.at(-1);
  const layerIndex = piece && own ? piece.layers.indexOf(own) : 0;
  const layerId = own?.id ?? '';
  const layerPlan = plan?.layers.find((l) => l.layerId === layerId);
  const layer = useMemo(() => {
    const of = piece?.layers.find((l) => l.id === layerId);
    return piece && of
      ? filled(
          piece,
          of,
          plan?.layers.find((l) => l.layerId === layerId),
        )
      : undefined;
  }, [piece, plan, layerId]);
  const shown = pointed ?? (picked?.at === station ? picked.cup : null);
  const regions = layerPlan?.regions;
  const lit = useMemo(
    () => (shown && regions ? new Set(regions.filter((r) => r.cupId === shown).map((r) => r.id)) : none),
    [shown, regions],
  );

  // The map of a layer that has been poured is not changed without a word: it is asked once, and what was meant is held.
  const [changing, setChanging] = useState<ReadonlySet<string>>(none);
  const [held, setHeld] = useState<{ commands: Edit[] } | null>(null);
  // Counts how often it was left as it was poured: the fields begin anew with what the layer has.
  const [left, setLeft] = useState(0);
  const asks = station === 'map' && (layerPlan?.poured ?? false) && !changing.has(layerId);
  const edit = useCallback(
    (...commands: Edit[]) => {
      if (!asks || !commands.some((c) => touches(c, layerId))) return editor.edit(...commands);
      setHeld({ commands });
      return Promise.resolve(null);
    },
    [asks, layerId, editor],
  );
  const drag = useCallback(
    (commands: Edit[], movedAt: number) => {
      if (!asks || !commands.some((c) => touches(c, layerId))) editor.drag(commands, movedAt);
    },
    [asks, layerId, editor],
  );
  // In a zone everything of the map works on the zone as it works on a layer.
  const { inside, worked, workedPlan } = useZone(layer, layerPlan, station === 'map' ? zoneId : null);
  const { errors } = page;
  const say = useCallback((field: string) => errors[field], [errors]);
  const at = useMemo(() => layer && placesOf(layer, inside), [layer, inside]);
  const here = useMemo(() => ({ layer: layerId, zone: inside }), [layerId, inside]);
  const chooseZone = useCallback((to: string | null) => {
    setSelected(null);
    setZoneId(to);
  }, []);
  const choose = useCallback(
    (to: string) => {
      setCup(null);
      setSelected(null);
      setZoneId(null);
      sessionStorage.setItem(layerKey(id), to);
      setSearch({ layer: to }, { replace: true });
    },
    [id, setCup, setSearch],
  );
  const select = useCallback(
    (to: Selected) => {
      setSelected((now) => (now?.kind === to?.kind && now?.id === to?.id ? now : to));
      const region = to?.kind === 'heart' ? 'heart' : to?.id;
      const prefix = inside === null ? '' : `${inside}/`;
      setCup(regions?.find((r) => r.id === `${prefix}${region}`)?.cupId ?? null);
    },
    [regions, inside, setCup],
  );
  const pour = useCallback(() => {
    void editor.edit({ do: 'add-layer' }).then((got) => {
      if (got) choose(got.piece.layers.at(-1)!.id);
    });
  }, [editor, choose]);
  const point = useCallback(
    (regionId: string | null) => setPointed(regions?.find((r) => r.id === regionId)?.cupId ?? null),
    [regions],
  );
  // A number that is so in one place of the map: that place is shown, whatever is open now, and the keys go there too.
  const [went, setWent] = useState(0);
  useEffect(() => {
    if (went === 0 || station !== 'map') return;
    const right = document.querySelector('.right');
    const open = right?.querySelector<HTMLElement>('li[data-open] button');
    (open ?? right?.querySelector<HTMLElement>('select'))?.focus();
  }, [went, station]);
  const go = useCallback(
    (place: string) => {
      const to = regionAt(place);
      const of = plan?.layers.find((l) => l.layerId === to?.layer);
      const found = of?.regions.find((r) => place.endsWith(`.regions[${r.id}]`));
      if (!to || !found) return;
      sessionStorage.setItem(layerKey(id), to.layer);
      setZoneId(to.zone);
      setSelected({ kind: found.kind === 'band' ? 'band' : 'region', id: to.region });
      setPicked(found.cupId == null ? null : { cup: found.cupId, at: 'map' });
      setWent((n) => n + 1);
      void navigate(`/pieces/${id}/map?layer=${encodeURIComponent(to.layer)}`);
    },
    [id, plan, navigate],
  );
  const editing = useMemo(
    () => ({
      edit,
      drag,
      letGo: editor.letGo,
      set: (place: string, value: FieldValue) => edit(setField(place, value)),
      say,
      go,
    }),
    [editor, edit, drag, say, go],
  );

  // What a remedy would give is shown in place of the piece, until it is taken or left or anything else changes.
  const [trial, setTrial] = useState<Trial | null>(null);
  const tried = trial && trial.base === piece ? trial : null;
  const findings = plan?.findings;
  const secondLook = useMemo(
    () => (
      <SecondLook
        id={id}
        editor={editor}
        piece={piece}
        layerId={layerId}
        findings={(findings ?? []).filter((f) => f.place.station === station)}
        onTrial={setTrial}
      />
    ),
    [id, editor, piece, layerId, findings, station],
  );

  useKeptFocus();
  useEffect(() => {
    const press = (e: KeyboardEvent) => {
      if (!(e.ctrlKey || e.metaKey) || e.altKey) return;
      // In a field the keys belong to the text.
      if (e.target instanceof HTMLInputElement || e.target instanceof HTMLTextAreaElement) return;
      const name = e.key.toLowerCase();
      const direction = name === 'z' ? (e.shiftKey ? 'redo' : 'undo') : name === 'y' ? 'redo' : null;
      if (!direction) return;
      e.preventDefault();
      void editor.step(direction);
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, [editor]);

  if (!stations.includes(station as Station)) return <Navigate to={`/pieces/${id}/map`} replace />;
  if (page.missing && !piece) {
    return (
      <main id="main" className="alone">
        <h1>
          {page.missing instanceof Refused && page.missing.status === 404
            ? 'Not on the shelf'
            : 'It cannot be opened'}
        </h1>
        <p>{page.missing.message}</p>
        <Link to="/" className="btn btn-primary">
          Back to the shelf
        </Link>
      </main>
    );
  }
  if (view?.problem && !plan) return <Unplanned page={page} view={view} />;
  if (!piece || !layer || !at || !plan || !layerPlan || !view || !worked || !workedPlan) {
    return (
      <main id="main" className="alone" aria-busy>
        <p>Fetching the piece…</p>
      </main>
    );
  }

  const found = plan.findings.filter((f) => f.place.station === station);
  const Page = pages[station as Station];
  return (
    <EditingProvider value={editing}>
      <PouredQuestion
        layer={held && layer.name}
        onLeave={() => {
          setHeld(null);
          setLeft((n) => n + 1);
        }}
        onChange={() => {
          setChanging(new Set([...changing, layerId]));
          setHeld(null);
          if (held) void editor.edit(...held.commands);
        }}
      />
      <main id="main" className="piece">
        <aside className="left">
          <h1 tabIndex={-1}>{piece.name}</h1>
          <p className="hint">{sizeOf(piece.ground, plan.ground, units)}</p>
          <Lying piece={piece} view={view} />
          <Sample
            piece={piece}
            layers={plan.layers}
            beneath={plan.ground.beneath}
            chosen={layer.id}
            onChoose={choose}
            onAdd={pour}
          />
          <Kept page={page} canUndo={view.canUndo} canRedo={view.canRedo} />
          <Link className="picture-link" to={`/pieces/${id}/share`}>
            Versions, colourways, paper
          </Link>
          <Again view={view} />
        </aside>
        <Tags
          id={id}
          layer={layer}
          plan={layerPlan}
          ground={piece.ground}
          groundPlan={plan.ground}
          findings={plan.findings}
          search={`?layer=${layer.id}`}
        />
        {painting ? (
          <MapStage
            piece={piece}
            editor={editor}
            picture={{
              painting: tried?.painting ?? painting,
              drafts: page.drafts,
              drafted: page.drafted,
              lit,
              look: page.lookedAt,
              hidden: plan.hidden,
              onLook: setLook,
              working: page.working,
            }}
            worked={{
              layer: worked,
              plan: workedPlan,
              zone: inside,
              whole: layer,
              wholePlan: layerPlan,
              chooseZone,
            }}
            supports={plan.ground.standing.supports}
            findings={tried || below ? [] : found.filter((f) => !f.wavedOff)}
            handles={tried || below ? null : station === 'map' ? 'map' : station === 'ground' ? 'rim' : null}
            trial={
              tried && {
                label: tried.label,
                left: tried.left,
                take: () => void editor.edit(tried.remedy),
                leave: () => setTrial(null),
              }
            }
            selection={{ selected, onSelect: select }}
            onPoint={point}
          />
        ) : (
          <div className="stage">{page.unpainted && <p className="say-wrong">{page.unpainted}</p>}</div>
        )}
        <section className="right" aria-label={stationNames[station as Station]}>
          <Page
            key={`${station}/${layer.id}/${inside ?? ''}/${left}/${page.givenUp}`}
            id={id}
            piece={piece}
            layer={worked}
            layerIndex={layerIndex}
            plan={plan}
            layerPlan={workedPlan}
            zone={inside}
            whole={layer}
            chooseZone={chooseZone}
            view={view}
            cup={cup}
            setCup={setCup}
            selected={selected}
            select={select}
            here={here}
            at={at}
            accept={editor.accept}
            secondLook={secondLook}
          />
        </section>
        <Cups
          layer={layer}
          plan={layerPlan}
          chosen={cup}
          pointed={pointed}
          pullable={station === 'map' || station === 'cups'}
          onChoose={setCup}
          onPoint={setPointed}
        />
      </main>
    </EditingProvider>
  );
}

/** A ground in a few words. */
function sizeOf({ outline, base, set }: Ground, plan: PlanView['ground'], units: Units): string {
  const kind = base?.kind ?? 'panel';
  const several = set ? `, ${set.count} ${kind}s with gaps` : '';
  if (outline.shape === 'round' && !set) return `round ${kind}, ${units.show(outline.diameterMm, 'mm')}`;
  // A slice is called by what is there of it, not by its frame.
  const [width, height] =
    outline.shape === 'slice' && !set ? [plan.spanWidthMm, plan.spanHeightMm] : [plan.widthMm, plan.heightMm];
  const size = `${units.part(width, 'mm').text} × ${units.show(height, 'mm')}`;
  return `${outline.shape === 'oval' ? 'oval ' : ''}${kind}, ${size}${several}`;
}

/** What lies beneath the piece, or over it. */
function Lying({ piece, view }: { piece: Piece; view: PieceView }) {
  const { old } = piece.ground;
  return (
    <>
      {old && (
        <p className="hint">
          over{' '}
          {old.pieceId ? <Link to={`/pieces/${old.pieceId}/story`}>{old.name} and its story</Link> : old.name}
        </p>
      )}
      {view.beneath && (
        <p className="hint">
          lies beneath <Link to={`/pieces/${view.beneath.id}/map`}>{view.beneath.name}</Link>
        </p>
      )}
    </>
  );
}

/** A finished piece can be poured over again: it then lies beneath a new one. */
function Again({ view }: { view: PieceView }) {
  const navigate = useNavigate();
  const [failed, setFailed] = useState<string | null>(null);
  if (!view.finished || view.beneath) return null;
  const again = () => {
    take(api.POST('/api/pieces/{id}/rework', { params: { path: { id: view.id } } }))
      .then((made) => navigate(`/pieces/${made.id}/ground`))
      .catch((e: unknown) => setFailed(e instanceof Refused ? e.message : 'That could not be done.'));
  };
  return (
    <>
      <button type="button" className="picture-link" onClick={again}>
        Pour over it again
      </button>
      {failed && <p className="say-wrong">{failed}</p>}
    </>
  );
}

/** Whether a change is one of a layer: of its map, or of what it is poured from. */
const touches = (command: Edit, layerId: string) =>
  command.do === 'set-field' || command.do === 'nudge'
    ? /^(layers|recipes|sittings)\[/.test(command.place)
    : 'layer' in command && command.layer === layerId;

/** A piece with a remedy in it, to be looked at. */
interface Trial {
  base: Piece;
  remedy: Edit;
  label: string;
  painting: Painting;
  /** How many findings would be left. */
  left: number;
}

interface LookProps {
  id: string;
  editor: PieceEditor;
  piece: Piece | null;
  layerId: string;
  onTrial: (trial: Trial | null) => void;
  findings: Finding[];
}

/** The findings of a station; a remedy is an edit like any other, and can be undone. */
function SecondLook({ id, editor, piece, layerId, findings, onTrial }: LookProps) {
  const [failed, setFailed] = useState<string | null>(null);
  const remedyOf = (finding: Finding, remedy: string): Edit => ({
    do: 'take-remedy',
    finding: finding.key,
    remedy,
  });
  const remedy = (finding: Finding, remedyId: string) => {
    const field = finding.remedies.find((r) => r.id === remedyId)?.field;
    setFailed(null);
    if (field) document.querySelector<HTMLElement>(`[data-place="${field}"]`)?.focus();
    else void editor.edit(remedyOf(finding, remedyId));
  };
  const attempt = async (finding: Finding, remedyId: string, label: string) => {
    const { view } = editor.get();
    if (!piece || !view) return;
    const command = remedyOf(finding, remedyId);
    const preview = (of: string | null) =>
      take(
        api.POST('/api/pieces/{id}/preview', {
          params: { path: { id } },
          body: {
            revision: view.revision,
            commands: [...editor.pending, command],
            layerId: of,
            detail: 'full',
            numbers: true,
            look: usualLook,
          },
        }),
      );
    try {
      const got = await preview(layerId);
      setFailed(null);
      onTrial({
        base: piece,
        remedy: command,
        label,
        painting: got.painting!,
        left: got.plan?.findings.filter((f) => !f.wavedOff).length ?? 0,
      });
    } catch (e) {
      setFailed(e instanceof Refused ? e.message : 'That could not be shown.');
    }
  };
  const wave = (finding: Finding, reason: string | null) =>
    void editor.edit({ do: 'wave-off', finding: finding.key, reason });
  return (
    <>
      <Findings
        findings={findings}
        onRemedy={remedy}
        onTry={(finding, remedyId, label) => void attempt(finding, remedyId, label)}
        onWave={wave}
      />
      {failed && <p className="say-wrong">{failed}</p>}
    </>
  );
}

/** Whether the piece on the page is kept, the steps back and forward, and what to do when another window was faster. */
function Kept({ page, canUndo, canRedo }: { page: PieceOnPage; canUndo: boolean; canRedo: boolean }) {
  const { editor, saving, newest, looking, view } = page;
  return (
    <div className="kept" data-state={saving.state}>
      <div className="steps">
        <button
          type="button"
          className="btn btn-outline-primary"
          disabled={!canUndo && saving.state !== 'refused'}
          onClick={() => void editor.step('undo')}
        >
          Undo
        </button>
        <button
          type="button"
          className="btn btn-outline-primary"
          disabled={!canRedo}
          onClick={() => void editor.step('redo')}
        >
          Redo
        </button>
      </div>
      {view?.undoes && <p className="hint">Undo: {view.undoes}</p>}
      <div role="status">
        {saving.state === 'kept' && `Kept at ${clockText(saving.at)}.`}
        {saving.state === 'saving' && 'Keeping…'}
        {saving.state === 'refused' && <p>Not kept: {saving.message}</p>}
        {saving.state === 'waiting' && <p>Not kept yet: {saving.message} It will be tried again.</p>}
        {saving.state === 'stale' && <p>{looking ? 'This is the newest, not yours.' : saving.message}</p>}
      </div>
      {saving.state === 'stale' && (
        <>
          {newest && (
            <button type="button" className="btn btn-outline-primary" onClick={() => editor.look(!looking)}>
              {looking ? 'Look at mine again' : 'Look at the newest'}
            </button>
          )}
          <button type="button" className="btn btn-primary" onClick={() => void editor.settle('newest')}>
            Take the newest
          </button>
          <button
            type="button"
            className="btn btn-outline-primary"
            onClick={() => void editor.settle('mine')}
          >
            Keep mine over it
          </button>
        </>
      )}
    </div>
  );
}
