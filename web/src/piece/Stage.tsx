import { useMemo } from 'react';
import type { Finding, LayerView, Look, SittingView } from '../api/client';
import { useStation, type Station } from '../stations/station';
import type { Trial } from './SecondLook';
import { ToPrepare, toPrepare } from './GroundMarks';
import { PourCups } from './PourCups';
import { TideStage } from './TideStage';
import { JugStage } from './jugs/JugStage';
import { MapStage } from './MapStage';
import { StarterStage, isBareMap } from './StarterStage';
import { paintingAt } from './stagePainting';
import type { useChosen } from './useChosen';
import type { PieceOnPage } from './usePiece';

interface Props {
  station: Station;
  page: PieceOnPage;
  chosen: ReturnType<typeof useChosen>;
  /** The layer that is looked at as a whole, where a zone of it is worked in. */
  layerPlan: LayerView;
  sitting: SittingView;
  found: Finding[];
  /** A change that is looked at in place of the piece. */
  tried: Trial | null;
  onTried: () => void;
  onLook: (look: Look) => void;
}

/** What can be taken hold of at a station. */
const handles = { ground: 'rim', map: 'map', walls: 'lines', pour: 'regions', story: 'regions' } as const;

/** The stations whose stage shows something else than the map: it stays in sight, small. */
export const elsewhere: ReadonlySet<Station> = new Set(['ground', 'cups', 'cure', 'story']);

/** The stage does its station's work: it answers the question that the station is for. */
export function Stage(props: Props) {
  const { station, page, chosen, layerPlan, sitting, found, tried, onTried, onLook } = props;
  const { piece, layer, whole, layerPlan: workedPlan, zone, plan, view } = useStation();
  const { editor, drafted } = page;
  const shown = tried?.painting ?? page.painting;
  const run = view.runs.findLast((r) => r.sittingId === sitting.sittingId);
  const painting = useMemo(
    () =>
      shown && !tried
        ? paintingAt(station, shown, {
            layer: layerPlan,
            sitting,
            run,
            drafted: station === 'ground' ? drafted : null,
          })
        : shown,
    [station, shown, tried, layerPlan, sitting, run, drafted],
  );
  const picks = {
    chosen: chosen.cup,
    pointed: chosen.pointed,
    onChoose: chosen.setCup,
    onPoint: chosen.setPointed,
  };
  if (station === 'cups') return <JugStage picks={picks} />;
  if (station === 'cure') return <TideStage />;
  if (station === 'map' && !tried && isBareMap(whole) && zone === null && (whole.zones ?? []).length === 0)
    return <StarterStage />;
  if (!painting)
    return <div className="stage">{page.unpainted && <p className="say-wrong">{page.unpainted}</p>}</div>;
  const below = page.lookedAt.face === 'underside';
  const quiet = tried !== null || (below && station !== 'ground');
  const stage = (
    <MapStage
      piece={piece}
      editor={editor}
      picture={{
        painting,
        drafts: page.drafts,
        drafted,
        lit: chosen.lit,
        look: page.lookedAt,
        hidden: plan.hidden,
        onLook,
        laced: piece.recipes.some((r) => r.doses.some((d) => d.colourant === 'lacing')),
        working: page.working,
      }}
      worked={{
        layer,
        plan: workedPlan,
        zone,
        whole,
        wholePlan: layerPlan,
        chooseZone: chosen.chooseZone,
      }}
      ground={plan.ground}
      marks={{
        findings: quiet ? [] : found.filter((f) => !f.wavedOff),
        at: quiet ? 'map' : station,
        sitting,
        run,
      }}
      handles={quiet ? null : handles[station]}
      trial={
        tried && {
          label: tried.label,
          left: tried.left,
          take: () => void editor.edit(...tried.edits),
          leave: onTried,
        }
      }
      selection={{ selected: chosen.selected, onSelect: chosen.select }}
      onPoint={chosen.point}
    />
  );
  if (station === 'ground' && !quiet && toPrepare(plan.ground.preparation).length > 0)
    return (
      <div className="ground-stage">
        <ToPrepare steps={plan.ground.preparation} />
        {stage}
      </div>
    );
  if (station !== 'pour') return stage;
  return (
    <div className="pour-stage">
      <PourCups layer={whole} plan={sitting} picks={picks} />
      {stage}
    </div>
  );
}
