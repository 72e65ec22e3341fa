import type { FilledLayer, Heart } from './filled';
import { countsFromRim, filled, inZone, placesOf, widthOf } from './filled';
import { useEffect, useLayoutEffect, useRef, useState, useSyncExternalStore } from 'react';
import type { Finding, Ground, LayerView, Look, Painting, Piece, PlanView } from '../api/client';
import type { Edit, PieceEditor } from '../editor/PieceEditor';
import { useEdits } from '../parts/editing';
import { placeId } from '../parts/Findings';
import { PaintedPiece } from '../painting/PaintedPiece';
import type { Shape } from '../painting/DraftLoop';
import type { Drafts } from '../painting/Drafts';
import type { View } from '../painting/place';
import { regionAt } from '../painting/brush';
import { regionName } from '../stations/station';
import { useUnits } from '../units/units';
import type { Selected } from './selection';
import { Callout, edgeOf, middleOf } from './Callout';
import { Grip } from './Grip';
import { fanOut } from './fanOut';
import { OncePerFrame, moves } from './moves';
import { InsertHandles, OpeningHandles, SliceHandles, SupportHandles } from './groundHandles';
import { LookBar, lookWords } from './LookBar';
import { HeartHandles, RimHandles } from './handles';
import { LayoutHandles, ZoneHandles } from './layoutHandles';
import type { HoldOf, Spot } from './hold';

/** How far round the grip of a band's edge the hand is taken, pixels. */
const edgeTouch = 13;

interface Props {
  name: string;
  painting: Painting;
  drafts: Drafts;
  drafted: Shape | null;
  /** What is under the hand, at the pace of its paintings. */
  editor: PieceEditor;
  piece: Piece;
  supports: PlanView['ground']['standing']['supports'];
  findings: Finding[];
  /** The layer, or the zone of it that is worked in as if it were one. */
  layer: FilledLayer;
  plan: LayerView;
  zone: string | null;
  whole: FilledLayer;
  wholePlan: LayerView;
  chooseZone: (id: string | null) => void;
  lit: ReadonlySet<string>;
  /** What can be taken hold of: hearts and bands, the rim, or nothing. */
  handles: 'map' | 'rim' | null;
  /** How the piece is looked at; otherwise than as usual nothing is dimmed, as then the picture counts. */
  look: Look;
  /** Why its underside is not seen and no light comes through it. */
  hidden: string | null;
  onLook: (look: Look) => void;
  /** Whether something is worked out that is not on the page yet; where it takes long, that is shown. */
  working: boolean;
  /** A change that is looked at before it is taken. */
  trial: { label: string; left: number; take: () => void; leave: () => void } | null;
  selected: Selected;
  onSelect: (selected: Selected) => void;
  onPoint: (regionId: string | null) => void;
}

const margin = 14;
const below = 52;
const closest = 8;

/** The piece to scale, with what can be taken hold of above it. */
export function MapStage(props: Props) {
  const { name, painting, drafts, drafted, plan, lit, handles, selected, onSelect, onPoint } = props;
  const shape = drafted ?? painting;
  const { edit, drag, letGo: giveUp } = useEdits();
  const units = useUnits();
  // What is held is drawn as what is painted has it: both come with one answer.
  const hand = useSyncExternalStore(props.editor.subscribeHand, props.editor.getHand);
  const own = hand?.layers.find((l) => l.id === props.whole.id);
  const whole = hand && own ? filled(hand, own, props.wholePlan) : props.whole;
  const zone = whole.zones?.find((z) => z.id === props.zone);
  const layer = zone ? inZone(whole, zone) : whole;
  const { ground, kept } = hand ?? props.piece;
  const supports =
    hand?.ground.supports?.map((s, i) => ({ ...s, shim: props.supports[i]?.shim ?? null })) ?? props.supports;
  const here = { layer: whole.id, zone: props.zone };
  const at = placesOf(whole, props.zone).layout;
  const [redraw] = useState(() => new OncePerFrame());
  // A wall that is being drawn.
  const [drawing, setDrawing] = useState(false);
  const [trace, setTrace] = useState<Spot[] | null>(null);
  const draws = drawing && handles === 'map' && layer.layout?.kind === 'pools';
  const stage = useRef<HTMLDivElement>(null);
  const [room, setRoom] = useState({ width: 0, height: 0 });
  const [zoom, setZoom] = useState({ by: 1, x: 0, y: 0 });
  useLayoutEffect(() => {
    const observer = new ResizeObserver(([entry]) => {
      if (entry) setRoom({ width: entry.contentRect.width, height: entry.contentRect.height });
    });
    if (stage.current) observer.observe(stage.current);
    return () => observer.disconnect();
  }, []);

  // While the rim is dragged the fit stays as it was, so that the piece does not shrink away under the hand.
  const [held, setHeld] = useState<{ widthMm: number; heightMm: number } | null>(null);
  const fitted = held ?? shape;
  const fit = Math.min(
    (room.width - 2 * margin) / fitted.widthMm,
    (room.height - margin - below) / fitted.heightMm,
  );
  const pixelsPerMm = fit * zoom.by;
  const view: View = {
    pixelsPerMm,
    x: (room.width - fitted.widthMm * pixelsPerMm) / 2 + zoom.x,
    y: (room.height - below + margin - fitted.heightMm * pixelsPerMm) / 2 + zoom.y,
  };
  const inMm = (at: Spot): Spot => ({ x: (at.x - view.x) / pixelsPerMm, y: (at.y - view.y) / pixelsPerMm });
  const toMm = (e: { clientX: number; clientY: number }) => {
    const box = stage.current!.getBoundingClientRect();
    return inMm({ x: e.clientX - box.x, y: e.clientY - box.y });
  };

  /** The view so much nearer, with what lay at one point of the frame at another, or still there. */
  const nearer = (now: typeof zoom, by: number, from: Spot, to: Spot = from) => {
    const next = Math.min(closest, Math.max(1, by));
    if (next === 1) return { by: 1, x: 0, y: 0 };
    const middle = { x: room.width / 2, y: (room.height - below + margin) / 2 };
    const keep = (f: number, t: number, m: number, shift: number) =>
      t - m - ((f - m - shift) * next) / now.by;
    return { by: next, x: keep(from.x, to.x, middle.x, now.x), y: keep(from.y, to.y, middle.y, now.y) };
  };
  const zoomTo = (by: number, at: Spot = { x: room.width / 2, y: room.height / 2 }) =>
    setZoom((now) => nearer(now, by, at));

  useLayoutEffect(() => {
    const element = stage.current;
    const wheel = (e: WheelEvent) => {
      e.preventDefault();
      const box = element!.getBoundingClientRect();
      zoomTo(zoom.by * Math.exp(-e.deltaY / 400), { x: e.clientX - box.x, y: e.clientY - box.y });
    };
    element?.addEventListener('wheel', wheel, { passive: false });
    return () => element?.removeEventListener('wheel', wheel);
  });

  const regionUnder = (e: { clientX: number; clientY: number }) => {
    const context = stage.current?.querySelector<HTMLCanvasElement>('canvas.picture')?.getContext('2d');
    const at = toMm(e);
    return context ? regionAt(context, painting, at.x, at.y, layer.id) : null;
  };

  // With the space bar held, a drag moves the view whatever lies under it.
  const [moving, setMoving] = useState(false);
  useEffect(() => {
    const key = (e: KeyboardEvent) => {
      if (e.code !== 'Space') return;
      if (e.type === 'keyup') setMoving(false);
      // On a button or in a field the space bar is theirs.
      else if (e.target === document.body) {
        e.preventDefault();
        setMoving(true);
      }
    };
    window.addEventListener('keydown', key);
    window.addEventListener('keyup', key);
    return () => {
      window.removeEventListener('keydown', key);
      window.removeEventListener('keyup', key);
    };
  }, []);

  // Two fingers move and zoom the view; what the first had taken hold of is let go.
  const fingers = useRef(new Map<number, Spot>());
  const letGo = useRef<(() => void) | null>(null);
  const pinch = () => {
    const box = stage.current!.getBoundingClientRect();
    const held = () => {
      const [a, b] = [...fingers.current.values()] as [Spot, Spot];
      return {
        apart: Math.hypot(a.x - b.x, a.y - b.y),
        middle: { x: (a.x + b.x) / 2 - box.x, y: (a.y + b.y) / 2 - box.y },
      };
    };
    const start = held();
    return () => {
      const now = held();
      redraw.put(() =>
        setZoom(nearer(zoom, (zoom.by * now.apart) / Math.max(start.apart, 1), start.middle, now.middle)),
      );
    };
  };
  const touch = (e: React.PointerEvent<HTMLDivElement>): boolean => {
    if (e.pointerType !== 'touch') return false;
    const element = e.currentTarget;
    fingers.current.set(e.pointerId, { x: e.clientX, y: e.clientY });
    const two = fingers.current.size === 2;
    if (two) letGo.current?.();
    const follow = two ? pinch() : null;
    const move = (event: PointerEvent) => {
      if (!fingers.current.has(event.pointerId)) return;
      fingers.current.set(event.pointerId, { x: event.clientX, y: event.clientY });
      if (fingers.current.size === 2) follow?.();
    };
    const lift = (event: PointerEvent) => {
      fingers.current.delete(event.pointerId);
      if (event.pointerId !== e.pointerId) return;
      element.removeEventListener(moves, move);
      element.removeEventListener('pointerup', lift);
      element.removeEventListener('pointercancel', lift);
    };
    element.addEventListener(moves, move);
    element.addEventListener('pointerup', lift);
    element.addEventListener('pointercancel', lift);
    return two;
  };

  /** A heart or a band is taken by its own area; everything else moves the view. */
  const press = (e: React.PointerEvent<HTMLDivElement>) => {
    if (touch(e) || e.button > 1) return;
    const from = toMm(e);
    const start = { x: e.clientX, y: e.clientY, zoom };
    const element = e.currentTarget;
    if (draws && e.button === 0 && !moving) {
      draw(e, from);
      return;
    }
    const under = handles === 'map' && e.button === 0 && !moving ? regionUnder(e) : null;
    element.setPointerCapture(e.pointerId);
    const [head, ...tail] = under?.split('/') ?? [];
    const there = tail.length > 0 && head !== 'kept' ? head! : null;
    if (under !== null && head !== 'kept' && there !== props.zone) {
      // Another zone, or out of this one: that is what is worked in from now on.
      props.chooseZone(there);
      return;
    }
    const region = there === null ? under : tail.join('/');
    const near = nearestHeart(layer, from) ?? middleOf(layer, plan);
    const heart = region === 'heart' ? nearestHeart(layer, from) : undefined;
    const index = layer.bands.findIndex((b) => b.id === region);
    const band = layer.bands[index];
    const anchor = plan.regions.find((r) => r.id === region)?.anchor;
    const field = layer.layout?.kind === 'fields' && anchor ? Number(region!.split('-')[1]) : 0;
    const puddle =
      layer.layout?.kind === 'puddle' && region !== 'rest' && region !== null ? layer.layout : null;
    if (heart) onSelect({ kind: 'heart', id: heart.id });
    else if (band) onSelect({ kind: 'band', id: band.id });
    else if (region) onSelect({ kind: 'region', id: region });
    let far = false;
    const change = (event: PointerEvent): Edit[] | null => {
      const to = toMm(event);
      const [byX, byY] = [to.x - from.x, to.y - from.y];
      if (heart)
        return [{ do: 'move-heart', ...here, heart: heart.id, xMm: heart.xMm + byX, yMm: heart.yMm + byY }];
      if (field && anchor) return [{ do: 'move-field', ...here, field, ...anchor, byXMm: byX, byYMm: byY }];
      if (puddle) return [{ do: 'move-middle', ...here, xMm: puddle.xMm + byX, yMm: puddle.yMm + byY }];
      if (band && !band.fillsRest && near) {
        const out =
          Math.hypot(to.x - near.xMm, to.y - near.yMm) - Math.hypot(from.x - near.xMm, from.y - near.yMm);
        const byMm = Math.round(2 * out) / 2;
        return [
          { do: 'widen-band', ...here, band: band.id, byMm: countsFromRim(layer, index) ? -byMm : byMm },
        ];
      }
      return null;
    };
    const move = (event: PointerEvent) => {
      far ||= Math.hypot(event.clientX - start.x, event.clientY - start.y) > 4;
      if (!far) return;
      const commands = change(event);
      if (commands) {
        drag(commands, event.timeStamp);
      } else if (zoom.by > 1) {
        redraw.put(() =>
          setZoom({
            by: zoom.by,
            x: start.zoom.x + event.clientX - start.x,
            y: start.zoom.y + event.clientY - start.y,
          }),
        );
      }
    };
    const stop = () => {
      element.removeEventListener(moves, move);
      element.removeEventListener('pointerup', drop);
      element.removeEventListener('pointercancel', drop);
    };
    letGo.current = () => {
      stop();
      redraw.drop();
      // Back to where it was.
      if (far && (heart ?? band ?? puddle ?? anchor)) giveUp();
    };
    const drop = (event: PointerEvent) => {
      stop();
      letGo.current = null;
      const commands = far ? change(event) : null;
      if (commands) void edit(...commands);
    };
    element.addEventListener(moves, move);
    element.addEventListener('pointerup', drop);
    element.addEventListener('pointercancel', drop);
  };

  /** A wall follows the hand until it is let go. */
  const draw = (e: React.PointerEvent<HTMLDivElement>, from: Spot) => {
    const element = e.currentTarget;
    element.setPointerCapture(e.pointerId);
    const spots = [from];
    const move = (event: PointerEvent) => {
      for (const passed of event.getCoalescedEvents?.() ?? [event]) spots.push(toMm(passed));
      redraw.put(() => setTrace([...spots]));
    };
    const stop = () => {
      element.removeEventListener(moves, move);
      element.removeEventListener('pointerup', drop);
      element.removeEventListener('pointercancel', stop);
      redraw.drop();
      setTrace(null);
      letGo.current = null;
    };
    const drop = (event: PointerEvent) => {
      stop();
      spots.push(toMm(event));
      const long = spots.some((s) => Math.hypot(s.x - from.x, s.y - from.y) * pixelsPerMm > 8);
      if (long) void edit({ do: 'draw-wall', ...here, spots: spots.map((s) => ({ xMm: s.x, yMm: s.y })) });
    };
    letGo.current = stop;
    element.addEventListener(moves, move);
    element.addEventListener('pointerup', drop);
    element.addEventListener('pointercancel', stop);
  };

  /** What is held is previewed on the way, and kept when it is let go. */
  const holding =
    (take?: () => void): HoldOf =>
    (change) => ({
      take,
      move: (event, by, to) =>
        drag(change(by.x / pixelsPerMm, by.y / pixelsPerMm, inMm(to)), event.timeStamp),
      drop: (_, by, to) => {
        setHeld(null);
        void edit(...change(by.x / pixelsPerMm, by.y / pixelsPerMm, inMm(to)));
      },
    });
  const hold = holding();
  const holdGround = holding(() => setHeld({ widthMm: shape.widthMm, heightMm: shape.heightMm }));

  const chosenBand = selected?.kind === 'band' ? layer.bands.findIndex((b) => b.id === selected.id) : -1;
  const px = (mm: number) => view.x + mm * pixelsPerMm;
  const py = (mm: number) => view.y + mm * pixelsPerMm;
  // The edges of bands lie close together: their grips stand apart, each above or below its own edge.
  const edges = layer.bands.map((band, i) => (band.fillsRest ? null : edgeOf(plan, layer, i)));
  const grips = fanOut(
    edges.map((edge) => edge && { x: px(edge.xMm), y: py(plan.cutAtMm), touch: edgeTouch }),
    (layer.layout ? (layer.layout.kind === 'petals' ? [layer.layout] : []) : layer.hearts).map((h) => ({
      x: px(h.xMm),
      y: py(h.yMm),
      touch: 22,
    })),
    chosenBand,
  );
  const bar = units.scaleBars.find((b) => b.mm * pixelsPerMm < 230) ?? units.scaleBars.at(-1)!;
  return (
    <div
      className="stage"
      data-drawing={draws || undefined}
      ref={stage}
      onPointerDown={press}
      onPointerMove={(e) => e.buttons === 0 && onPoint(regionUnder(e))}
      onPointerLeave={() => onPoint(null)}
    >
      {pixelsPerMm > 0 && (
        <>
          <PaintedPiece
            painting={painting}
            view={view}
            width={room.width}
            height={room.height}
            lit={hand || drafted || lookWords(props.look) ? undefined : lit}
            layerId={layer.id}
            label={`${name}, painted to scale${lookWords(props.look)}`}
            drafts={drafts}
            drafted={drafted}
          />
          <svg className="handles" width={room.width} height={room.height} data-moving={moving || undefined}>
            {handles === 'map' &&
              (!layer.layout || layer.layout.kind === 'lines' || layer.layout.kind === 'petals') &&
              layer.bands.map((band, i) => {
                const edge = edges[i];
                const at = grips[i];
                if (!edge || !at) return null;
                const chosen = selected?.kind === 'band' && selected.id === band.id;
                const width = units.show(widthOf(layer, i), 'mm');
                const sign = (countsFromRim(layer, i) ? -1 : 1) * edge.outward;
                return (
                  <g key={band.id}>
                    {at.y !== py(plan.cutAtMm) && (
                      <path className="lever" d={`M${at.x} ${py(plan.cutAtMm)}L${at.x} ${at.y}`} />
                    )}
                    <Grip
                      x={at.x}
                      y={at.y}
                      size={chosen ? 9 : 5}
                      touch={edgeTouch}
                      name={`Edge of ${regionName(layer, band.id)}`}
                      value={widthOf(layer, i)}
                      words={`${width} wide`}
                      least={0.5}
                      most={1000}
                      onFocus={() => onSelect({ kind: 'band', id: band.id })}
                      hold={hold((byX) => [
                        { do: 'widen-band', ...here, band: band.id, byMm: sign * (Math.round(2 * byX) / 2) },
                      ])}
                      onStep={(byMm) => void edit({ do: 'widen-band', ...here, band: band.id, byMm })}
                    />
                  </g>
                );
              })}
            {handles === 'map' && (
              <>
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
                  kept={kept ?? []}
                  zone={props.zone}
                  selected={selected}
                  onSelect={onSelect}
                  px={px}
                  py={py}
                  hold={hold}
                />
                {trace && (
                  <path
                    className="trace"
                    strokeWidth={Math.max(
                      2,
                      (layer.layout?.kind === 'pools' ? layer.layout.beadMm : 3) * pixelsPerMm,
                    )}
                    d={trace.map((s, i) => `${i ? 'L' : 'M'}${px(s.x)} ${py(s.y)}`).join('')}
                  />
                )}
              </>
            )}
            {handles === 'map' &&
              !layer.layout &&
              layer.hearts.map((heart, i) => (
                <HeartHandles
                  key={heart.id}
                  heart={heart}
                  on={{ ...here, heart: heart.id }}
                  at={`${at}.hearts[${heart.id}]`}
                  number={layer.hearts.length > 1 ? ` ${i + 1}` : ''}
                  chosen={selected?.kind === 'heart' && selected.id === heart.id}
                  px={px}
                  py={py}
                  pixelsPerMm={pixelsPerMm}
                  hold={hold}
                  onSelect={() => onSelect({ kind: 'heart', id: heart.id })}
                />
              ))}
            {handles === 'rim' && (
              <>
                <SupportHandles supports={supports} px={px} py={py} hold={holdGround} />
                <RimHandles
                  outline={ground.outline}
                  shape={onePanel(ground, shape)}
                  px={px}
                  py={py}
                  hold={holdGround}
                />
                <InsertHandles ground={ground} px={px} py={py} hold={holdGround} />
                {ground.outline.shape === 'slice' && (
                  <SliceHandles slice={ground.outline} px={px} py={py} hold={holdGround} />
                )}
                {ground.outline.shape !== 'drawn' && ground.outline.opening && (
                  <OpeningHandles opening={ground.outline.opening} px={px} py={py} hold={holdGround} />
                )}
              </>
            )}
          </svg>
          {props.findings.map((finding) => (
            <Pin key={finding.key} finding={finding} px={px} py={py} />
          ))}
          {handles === 'map' && (
            <Callout layer={layer} plan={plan} selected={selected} px={px} py={py} room={room} />
          )}
          {props.working && (
            <p className="stage-working" role="status">
              Working the map out
            </p>
          )}
          {props.trial && (
            <div className="trial" role="status" onPointerDown={(e) => e.stopPropagation()}>
              <p>
                <b>How it would look.</b> {props.trial.label}.{' '}
                {props.trial.left === 0
                  ? 'Nothing else would want a look.'
                  : `${props.trial.left} more ${props.trial.left === 1 ? 'finding' : 'findings'} would be left.`}
              </p>
              <button type="button" className="btn btn-primary" onClick={props.trial.take}>
                Do it this way
              </button>
              <button type="button" className="btn btn-outline-primary" onClick={props.trial.leave}>
                Leave it
              </button>
            </div>
          )}
          <div className="stage-foot" onPointerDown={(e) => e.stopPropagation()}>
            <span
              className="scale-bar"
              style={{ width: bar.mm * pixelsPerMm }}
              role="img"
              aria-label={`Scale bar, ${bar.text}`}
            >
              {bar.text}
            </span>
            {!props.trial && <LookBar look={props.look} hidden={props.hidden} onLook={props.onLook} />}
            {handles === 'map' && layer.layout?.kind === 'pools' && (
              <span className="walls-bar">
                <button
                  type="button"
                  className="btn btn-outline-primary"
                  aria-pressed={drawing}
                  onClick={() => setDrawing(!drawing)}
                >
                  {drawing ? 'Walls are drawn: done' : 'Draw walls'}
                </button>
                <button
                  type="button"
                  className="btn btn-outline-primary"
                  onClick={() => void edit({ do: 'put-wall-across', ...here })}
                >
                  Put a wall across
                </button>
                {drawing && <small>from rim to rim, or round; ends near a wall join on</small>}
              </span>
            )}
            <span className="zoom">
              <button
                type="button"
                className="icon"
                aria-label="Nearer"
                onClick={() => zoomTo(zoom.by * 1.5)}
              >
                <i className="bi plus" />
              </button>
              <button
                type="button"
                className="icon"
                aria-label="Farther"
                disabled={zoom.by === 1}
                onClick={() => zoomTo(zoom.by / 1.5)}
              >
                <i className="bi minus" />
              </button>
              {zoom.by > 1 && <small>drag beside the bands, or anywhere with space held</small>}
              {zoom.by > 1 && (
                <button type="button" className="btn btn-outline-primary" onClick={() => zoomTo(1)}>
                  Whole piece
                </button>
              )}
            </span>
          </div>
        </>
      )}
    </div>
  );
}

/** The box of the first panel, whose rim is the one that is stretched. */
function onePanel({ set }: Ground, shape: Shape): Shape {
  if (!set) return shape;
  return { ...shape, widthMm: (shape.widthMm - (set.count - 1) * set.gapMm) / set.count };
}

/** A finding at its place on the map; a press leads to its words. */
function Pin({
  finding,
  px,
  py,
}: {
  finding: Finding;
  px: (mm: number) => number;
  py: (mm: number) => number;
}) {
  const { xMm, yMm } = finding.place;
  if (xMm == null || yMm == null) return null;
  return (
    <button
      type="button"
      className="pin"
      data-grade={finding.grade}
      style={{ left: px(xMm), top: py(yMm) }}
      aria-label={`${finding.title}: to its words`}
      title={finding.title}
      onPointerDown={(e) => e.stopPropagation()}
      onClick={() => {
        const words = document.getElementById(placeId(finding));
        words?.scrollIntoView({ block: 'nearest' });
        words?.focus();
      }}
    >
      <i className="bi look" aria-hidden />
    </button>
  );
}

function nearestHeart(layer: FilledLayer, at: { x: number; y: number }): Heart | undefined {
  const away = (h: Heart) => Math.hypot(h.xMm - at.x, h.yMm - at.y);
  return layer.hearts.reduce<Heart | undefined>(
    (best, h) => (!best || away(h) < away(best) ? h : best),
    undefined,
  );
}
