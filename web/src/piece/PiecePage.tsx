import { useMemo, useState } from 'react';
import { Link, Navigate, useSearchParams } from 'react-router';
import type { Layer } from '../api/client';
import { CoreSample } from '../parts/CoreSample';
import { CupRow } from '../parts/CupRow';
import { StringOfStations } from '../parts/StringOfStations';
import { clockText, fixed } from '../parts/format';
import { CupsStation } from '../stations/cups/CupsStation';
import { CureStation } from '../stations/cure/CureStation';
import { GroundStation } from '../stations/ground/GroundStation';
import { MapStation } from '../stations/map/MapStation';
import { layerOver } from '../stations/map/layerEdits';
import { PourStation } from '../stations/pour/PourStation';
import type { Station, StationProps } from '../stations/station';
import { stationNames, stations } from '../stations/station';
import { StoryStation } from '../stations/story/StoryStation';
import { MapStage } from './MapStage';
import type { PieceOnPage, Saving } from './usePiece';
import { usePiece } from './usePiece';

const pages: Record<Station, (props: StationProps) => React.ReactNode> = {
  ground: GroundStation,
  map: MapStation,
  cups: CupsStation,
  pour: PourStation,
  cure: CureStation,
  story: StoryStation,
};

const none: ReadonlySet<string> = new Set();

export function PiecePage({ id, station }: { id: string; station: string }) {
  const [search, setSearch] = useSearchParams();
  const asked = search.get('layer');
  const page = usePiece(id, asked);
  const [cup, setCup] = useState<string | null>(null);
  const [pointed, setPointed] = useState<string | null>(null);
  const { draft: piece, plan, view, painting, saving, edit, drag } = page;

  const layer = piece?.layers.find((l) => l.id === asked) ?? piece?.layers.at(-1);
  const layerIndex = piece && layer ? piece.layers.indexOf(layer) : 0;
  const layerPlan = plan?.layers.find((l) => l.layerId === layer?.id);
  const shown = pointed ?? cup;
  const lit = useMemo(
    () =>
      shown && layerPlan
        ? new Set(layerPlan.regions.filter((r) => r.cupId === shown).map((r) => r.id))
        : none,
    [shown, layerPlan],
  );

  if (!stations.includes(station as Station)) return <Navigate to={`/pieces/${id}/map`} replace />;
  if (page.missing && !piece) {
    return (
      <main id="main" className="alone">
        <h1>Not on the shelf</h1>
        <p>{page.missing.message}</p>
        <Link to="/" className="btn btn-primary">
          Back to the shelf
        </Link>
      </main>
    );
  }
  if (!piece || !layer || !plan || !layerPlan || !view) {
    return (
      <main id="main" className="alone" aria-busy>
        <p>Fetching the piece…</p>
      </main>
    );
  }

  const onLayer = (change: (layer: Layer) => Layer) => (p: typeof piece) => ({
    ...p,
    layers: p.layers.map((l) => (l.id === layer.id ? change(l) : l)),
  });
  const errors = saving.state === 'refused' ? saving.errors : {};
  const say = (field: string) =>
    errors[field]?.[0] ?? errors[field.replace(/^ground\./, 'piece.ground.')]?.[0];
  const choose = (layerId: string) => {
    setCup(null);
    setSearch({ layer: layerId }, { replace: true });
  };
  const Page = pages[station as Station];
  return (
    <main id="main" className="piece">
      <aside className="left">
        <h1>{piece.name}</h1>
        <p className="hint">
          {piece.ground.outline.shape === 'round'
            ? `round, ${fixed(piece.ground.outline.diameterMm, 0)} mm`
            : `panel, ${fixed(piece.ground.outline.widthMm, 0)} × ${fixed(piece.ground.outline.heightMm, 0)} mm`}
        </p>
        <CoreSample
          piece={piece}
          layers={plan.layers}
          chosen={layer.id}
          onChoose={choose}
          onAdd={() => {
            const over = layerOver(
              piece.layers.at(-1)!,
              piece.layers.map((l) => l.id),
            );
            edit((p) => ({ ...p, layers: [...p.layers, over] }));
            choose(over.id);
          }}
        />
        <Kept saving={saving} settle={page.settle} />
      </aside>
      <StringOfStations id={id} layer={layer} plan={layerPlan} search={asked ? `?layer=${asked}` : ''} />
      {painting ? (
        <MapStage
          name={piece.name}
          painting={painting}
          layer={layer}
          lit={lit}
          handles={station === 'map'}
          dragLayer={(change) => drag(onLayer(change))}
          editLayer={(change) => edit(onLayer(change))}
        />
      ) : (
        <div className="stage">{page.unpainted && <p className="say-wrong">{page.unpainted}</p>}</div>
      )}
      <section className="right" aria-label={stationNames[station as Station]}>
        <Page
          key={`${station}/${layer.id}`}
          id={id}
          piece={piece}
          layer={layer}
          layerIndex={layerIndex}
          plan={plan}
          layerPlan={layerPlan}
          view={view}
          cup={cup}
          setCup={setCup}
          edit={edit}
          editLayer={(change) => edit(onLayer(change))}
          say={say}
          sayLayer={(field) => say(`layers[${layerIndex}].${field}`)}
          accept={page.accept}
        />
      </section>
      <CupRow layer={layer} plan={layerPlan} chosen={cup} onChoose={setCup} onPoint={setPointed} />
    </main>
  );
}

/** Whether the piece on the page is kept, and what to do when it is not. */
function Kept({ saving, settle }: { saving: Saving; settle: PieceOnPage['settle'] }) {
  return (
    <div className="kept" role="status" data-state={saving.state}>
      {saving.state === 'kept' && `Kept at ${clockText(saving.at)}.`}
      {saving.state === 'saving' && 'Keeping…'}
      {saving.state === 'refused' && <p>Not kept: {saving.message}</p>}
      {saving.state === 'waiting' && <p>Not kept yet: {saving.message} It will be tried again.</p>}
      {saving.state === 'stale' && (
        <>
          <p>{saving.message}</p>
          <button type="button" className="btn btn-primary" onClick={() => void settle('newest')}>
            Show the newest
          </button>
          <button type="button" className="btn btn-outline-primary" onClick={() => void settle('mine')}>
            Keep mine over it
          </button>
        </>
      )}
    </div>
  );
}
