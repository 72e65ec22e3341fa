import type { Ground, ReservedSpot, PlanView } from '../api/client';
import type { FilledLayer } from '../editor/filled';
import { bandsOf, countsFromRim, heartsOf, isBanded, placesOf, wallsOf, widthOf } from '../editor/filled';
import type { Selected } from '../editor/selection';
import type { Scene } from '../editor/tools';
import type { Spot } from '../editor/view';
import type { Shape } from '../painting/DraftLoop';
import { useEdits } from '../parts/editing';
import { regionName } from '../stations/station';
import { useUnits } from '../units/units';
import { edgeOf } from './Callout';
import { Grip } from './Grip';
import { fanOut } from './fanOut';
import type { HoldOf } from './grips';
import { InsertHandles, OpeningHandles, SliceHandles, SupportHandles } from './groundHandles';
import { HeartHandles, RimHandles } from './handles';
import { LayoutHandles, ZoneHandles } from './layoutHandles';
import { LineHandles } from './lineHandles';
import './StageHandles.scss';

/** How far round the grip of a band's edge, and of any other, the hand is taken, pixels. */
const edgeTouch = 13;
const touch = 22;
/** How wide a wall is drawn where it has no width yet, mm; and at least, pixels. */
const plainWallMm = 3;
const thinnestWall = 2;

/** Where millimetres lie on the stage. */
export interface Frame {
  px: (mm: number) => number;
  py: (mm: number) => number;
  pixelsPerMm: number;
}

interface MapProps {
  scene: Scene;
  whole: FilledLayer;
  kept: ReservedSpot[];
  selection: { selected: Selected; onSelect: (selected: Selected) => void };
  frame: Frame;
  hold: HoldOf;
  /** A line that is being drawn, mm, and how wide it will be laid. */
  trace: Spot[] | null;
  /** Whether lines alone can be taken hold of, and nothing of what lies below them. */
  linesOnly?: boolean;
}

/** What of a map can be taken hold of. */
export function MapHandles({ scene, whole, kept, selection, frame, hold, trace, linesOnly }: MapProps) {
  const { layer, plan, here } = scene;
  const { px, py, pixelsPerMm } = frame;
  const { selected, onSelect } = selection;
  const at = placesOf(whole, here.zone).layout;
  const { layout } = layer;
  return (
    <>
      {!linesOnly && (
        <>
          {isBanded(layout) && <BandEdges scene={scene} selection={selection} frame={frame} hold={hold} />}
          <LayoutHandles
            layer={layer}
            plan={plan}
            here={here}
            at={at}
            selected={selected}
            onSelect={onSelect}
            px={px}
            py={py}
            hold={hold}
          />
          <ZoneHandles
            whole={whole}
            kept={kept}
            zone={here.zone}
            selected={selected}
            onSelect={onSelect}
            px={px}
            py={py}
            hold={hold}
          />
        </>
      )}
      <LineHandles layer={layer} here={here} selected={selected} px={px} py={py} hold={hold} />
      {trace && (
        <path
          className="trace"
          strokeWidth={Math.max(
            thinnestWall,
            (wallsOf(layer).at(-1)?.section.widthMm ?? plainWallMm) * pixelsPerMm,
          )}
          d={trace.map((s, i) => `${i ? 'L' : 'M'}${px(s.x)} ${py(s.y)}`).join('')}
        />
      )}
      {(linesOnly ? [] : heartsOf(layer)).map((heart, i) => (
        <HeartHandles
          key={heart.id}
          heart={heart}
          on={{ ...here, heart: heart.id }}
          at={`${at}.hearts[${heart.id}]`}
          number={heartsOf(layer).length > 1 ? ` ${i + 1}` : ''}
          chosen={selected?.kind === 'heart' && selected.id === heart.id}
          px={px}
          py={py}
          pixelsPerMm={pixelsPerMm}
          hold={hold}
          onSelect={() => onSelect({ kind: 'heart', id: heart.id })}
        />
      ))}
    </>
  );
}

/** The edges of bands lie close together: their grips stand apart, each above or below its own edge. */
function BandEdges({
  scene,
  selection,
  frame,
  hold,
}: Pick<MapProps, 'scene' | 'selection' | 'frame' | 'hold'>) {
  const { layer, plan, here } = scene;
  const { px, py } = frame;
  const { selected, onSelect } = selection;
  const { edit } = useEdits();
  const units = useUnits();
  const chosenBand = selected?.kind === 'band' ? bandsOf(layer).findIndex((b) => b.id === selected.id) : -1;
  const edges = bandsOf(layer).map((band, i) => (band.fillsRest ? null : edgeOf(plan, layer, i)));
  const grips = fanOut(
    edges.map((edge) => edge && { x: px(edge.xMm), y: py(plan.cutAtMm), touch: edgeTouch }),
    (layer.layout.kind !== 'rings'
      ? layer.layout.kind === 'petals'
        ? [layer.layout]
        : []
      : heartsOf(layer)
    ).map((h) => ({
      x: px(h.xMm),
      y: py(h.yMm),
      touch,
    })),
    chosenBand,
  );
  return bandsOf(layer).map((band, i) => {
    const edge = edges[i];
    const at = grips[i];
    if (!edge || !at) return null;
    const width = units.show(widthOf(layer, i), 'mm');
    const sign = (countsFromRim(layer, i) ? -1 : 1) * edge.outward;
    return (
      <g key={band.id}>
        {at.y !== py(plan.cutAtMm) && (
          <path className="lever" d={`M${at.x} ${py(plan.cutAtMm)}L${at.x} ${at.y}`} />
        )}
        <Grip
          at={[at.x, at.y]}
          size={i === chosenBand ? 9 : 5}
          touch={edgeTouch}
          tells={{
            name: `Edge of ${regionName(plan, band.id)}`,
            value: widthOf(layer, i),
            words: `${width} wide`,
            takes: 'layers.layout.bands.widthMm',
          }}
          onFocus={() => onSelect({ kind: 'band', id: band.id })}
          hold={hold((byX) => [
            { do: 'widen-band', ...here, band: band.id, byMm: sign * (Math.round(2 * byX) / 2) },
          ])}
          onStep={(byMm) => void edit({ do: 'widen-band', ...here, band: band.id, byMm })}
        />
      </g>
    );
  });
}

interface GroundProps {
  ground: Ground;
  /** Whether something of it is held: then its supports stand where the hand has them. */
  moved: boolean;
  supports: PlanView['ground']['standing']['supports'];
  shape: Shape;
  frame: Frame;
  hold: HoldOf;
}

/** What of the ground can be taken hold of: its rim, its opening, inserts and supports. */
export function RimAndGround({ ground, moved, supports, shape, frame, hold }: GroundProps) {
  const { px, py } = frame;
  const { outline } = ground;
  const standing =
    moved && ground.supports
      ? ground.supports.map((s, i) => ({ ...s, shim: supports[i]?.shim ?? null }))
      : supports;
  return (
    <>
      <SupportHandles supports={standing} px={px} py={py} hold={hold} />
      <RimHandles outline={outline} shape={onePanel(ground, shape)} px={px} py={py} hold={hold} />
      <InsertHandles ground={ground} px={px} py={py} hold={hold} />
      {outline.shape === 'slice' && <SliceHandles slice={outline} px={px} py={py} hold={hold} />}
      {outline.shape !== 'drawn' && outline.opening && (
        <OpeningHandles opening={outline.opening} px={px} py={py} hold={hold} />
      )}
    </>
  );
}

/** The box of the first panel, whose rim is the one that is stretched. */
export function onePanel({ set }: Ground, shape: Shape): Shape {
  if (!set) return shape;
  return { ...shape, widthMm: (shape.widthMm - (set.count - 1) * set.gapMm) / set.count };
}
