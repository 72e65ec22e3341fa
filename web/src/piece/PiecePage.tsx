import { memo, useCallback, useMemo, useState } from 'react';
import { Link, Navigate } from 'react-router';
import type { Finding } from '../api/client';
import { Refused } from '../api/client';
import { filled, placesOf, sittingOf } from '../editor/filled';
import type { FieldValue } from '../parts/editing';
import { EditingProvider, setField } from '../parts/editing';
import type { Opened } from '../parts/Findings';
import { CupsStation } from '../stations/cups/CupsStation';
import { CureStation } from '../stations/cure/CureStation';
import { GroundStation } from '../stations/ground/GroundStation';
import { MapStation } from '../stations/map/MapStation';
import { PourStation } from '../stations/pour/PourStation';
import { WallsStation } from '../stations/walls/WallsStation';
import type { AtStation, Station } from '../stations/station';
import { StationProvider, stationNames, stations } from '../stations/station';
import { WhatNext } from '../stations/WhatNext';
import { StoryStation } from '../stations/story/StoryStation';
import { AcrossTable, useAcrossTable } from './AcrossTable';
import { CupRow } from './CupRow';
import { usualLook } from './LookBar';
import { WhyBatches } from './jugs/WhyBatches';
import { PieceColumn } from './PieceColumn';
import { Colouring } from '../stations/colour/Colouring';
import { PouredQuestion } from './PouredQuestion';
import type { Trial } from './SecondLook';
import { SecondLook } from './SecondLook';
import { SmallMap } from './SmallMap';
import { Stage, elsewhere } from './Stage';
import { StringOfStations } from './StringOfStations';
import { Unplanned } from './Unplanned';
import { useAsked, useChosen } from './useChosen';
import { useKeptFocus } from './useKeptFocus';
import { usePiece } from './usePiece';
import { usePoured } from './usePoured';
import { useStationKeys } from './useStationKeys';
import { useUndoKeys } from './useUndoKeys';
import { useZone } from './useZone';
import './PiecePage.scss';

const pages: Record<Station, React.ComponentType> = {
  ground: memo(GroundStation),
  map: memo(MapStation),
  walls: memo(WallsStation),
  cups: memo(CupsStation),
  pour: memo(PourStation),
  cure: memo(CureStation),
  story: memo(StoryStation),
};
// A drag paints the map many times a second; these follow only when what they show has changed.
const Cups = memo(CupRow);
const Tags = memo(StringOfStations);

/** The stations whose numbers are read with the hands full. */
const readFromAfar: ReadonlySet<Station> = new Set(['cups', 'pour', 'cure', 'story']);

export function PiecePage({ id, station }: { id: string; station: string }) {
  const { layer: asked, sitting: askedSitting } = useAsked(id);
  const [look, setLook] = useState(usualLook);
  const page = usePiece(id, asked, look, station === 'story');
  const { editor, draft: piece, plan, view, painting, errors } = page;

  const own = piece?.layers.find((l) => l.id === asked) ?? piece?.layers.at(-1);
  const layerIndex = piece && own ? piece.layers.indexOf(own) : 0;
  const layerId = own?.id ?? '';
  const layerPlan = plan?.layers.find((l) => l.layerId === layerId);
  const sittingId = piece && own ? sittingOf(piece, own, plan, askedSitting).id : '';
  const sittingPlan = plan?.sittings.find((s) => s.sittingId === sittingId);
  const layer = useMemo(() => {
    const of = piece?.layers.find((l) => l.id === layerId);
    const worked = plan?.layers.find((l) => l.layerId === layerId);
    const sitting = piece?.sittings.find((s) => s.id === sittingId);
    return piece && of ? filled(piece, of, worked, sitting) : undefined;
  }, [piece, plan, layerId, sittingId]);
  const chosen = useChosen(id, station, plan, own, layerPlan);
  const poured = usePoured(
    editor,
    layerId,
    (station === 'map' || station === 'walls') && (layerPlan?.poured ?? false),
  );
  // In a zone everything of the map works on the zone as it works on a layer.
  const { inside, worked, workedPlan } = useZone(layer, layerPlan, chosen.zone);
  const say = useCallback((field: string) => errors[field], [errors]);
  const { edit, drag } = poured;
  const { go } = chosen;
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
  const found = useMemo(() => findings?.filter((f) => f.pin.station === station) ?? [], [findings, station]);
  const [opened, setOpened] = useState<Opened>({});
  const { choose, setCup: pick } = chosen;
  const current = sittingPlan?.sittingId;
  const open = useCallback(
    (finding: Finding, to: boolean) => {
      setOpened((now) => ({ ...now, [finding.key]: to }));
      const { layerId: of, sittingId, cupId } = finding.pin;
      if (!to) return;
      if (of && sittingId && sittingId !== current) choose(of, sittingId);
      if (cupId) pick(cupId);
    },
    [choose, current, pick],
  );
  const secondLook = useMemo(
    () => (
      <SecondLook
        id={id}
        editor={editor}
        piece={piece}
        layerId={layerId}
        findings={found}
        opened={opened}
        onOpen={open}
        onTrial={setTrial}
      />
    ),
    [id, editor, piece, layerId, found, opened, open],
  );

  const { cup, setCup, chooseZone, selected, select } = chosen;
  const at = useMemo<AtStation | null>(
    () =>
      piece && plan && view && layer && worked && workedPlan && sittingPlan
        ? {
            piece,
            plan,
            view,
            layer: worked,
            layerIndex,
            layerPlan: workedPlan,
            sittingPlan,
            whole: layer,
            zone: inside,
            chooseZone,
            cup,
            setCup,
            selected,
            select,
            here: { layer: layer.id, zone: inside },
            at: placesOf(layer, inside),
            found,
            secondLook,
          }
        : null,
    [
      piece,
      plan,
      view,
      layer,
      worked,
      layerIndex,
      workedPlan,
      sittingPlan,
      inside,
      chooseZone,
      cup,
      setCup,
      selected,
      select,
      found,
      secondLook,
    ],
  );

  const [far, turn] = useAcrossTable();
  useKeptFocus();
  useUndoKeys(editor);
  const search = layer ? `?layer=${layer.id}&sitting=${layer.sitting.id}` : '';
  const nothing = useCallback(() => {
    select(null);
    setCup(null);
  }, [select, setCup]);
  useStationKeys(id, search, nothing);

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
  if (!at || !piece || !layer || !plan || !layerPlan || !sittingPlan || !view || !worked || !workedPlan) {
    return (
      <main id="main" className="alone" aria-busy>
        <p>Fetching the piece…</p>
      </main>
    );
  }

  const Page = pages[station as Station];
  const bench = readFromAfar.has(station as Station);
  return (
    <EditingProvider value={editing}>
      <StationProvider value={at}>
        <PouredQuestion
          layer={poured.asked ? layer.name : null}
          onLeave={poured.leave}
          onChange={poured.change}
        />
        <main
          id="main"
          tabIndex={-1}
          aria-label={piece.name}
          className="piece"
          data-far={(bench && far) || undefined}
          data-station={station}
        >
          <Tags
            id={id}
            layer={layer}
            plan={layerPlan}
            sitting={sittingPlan}
            ground={piece.ground}
            groundPlan={plan.ground}
            findings={plan.findings}
            search={search}
          />
          <PieceColumn
            page={page}
            piece={piece}
            plan={plan}
            view={view}
            chosen={layer.id}
            sitting={sittingPlan.sittingId}
            choose={chosen.choose}
          >
            {elsewhere.has(station as Station) && painting && (
              <SmallMap
                piece={piece}
                layerId={layer.id}
                to={`/pieces/${id}/map${search}`}
                picture={{ painting, drafts: page.drafts, drafted: page.drafted, lit: chosen.lit }}
              />
            )}
          </PieceColumn>
          <Stage
            station={station as Station}
            page={page}
            chosen={chosen}
            layerPlan={layerPlan}
            sitting={sittingPlan}
            found={found}
            tried={tried}
            onTried={() => setTrial(null)}
            onLook={setLook}
          />
          <section key={station} className="right" aria-label={stationNames[station as Station]}>
            <Colouring
              key={`${station}/${layer.id}/${layer.sitting.id}/${inside ?? ''}/${poured.left}/${page.renewed}`}
            >
              {bench && <AcrossTable far={far} onTurn={turn} />}
              <Page />
            </Colouring>
            <WhatNext id={id} station={station as Station} search={search} />
          </section>
          {station === 'cups' && <WhyBatches />}
          {station !== 'cups' && station !== 'pour' && (
            <Cups
              layer={layer}
              plan={sittingPlan}
              chosen={chosen.cup}
              pointed={chosen.pointed}
              pullable={station === 'map'}
              onChoose={chosen.setCup}
              onPoint={chosen.setPointed}
            />
          )}
        </main>
      </StationProvider>
    </EditingProvider>
  );
}
