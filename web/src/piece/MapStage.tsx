import { useEffect, useLayoutEffect, useRef, useState, useSyncExternalStore } from 'react';
import type { Finding, LayerView, Piece, PlanView, RunView, SittingView } from '../api/client';
import type { PieceEditor } from '../editor/PieceEditor';
import type { Pointer } from '../editor/StageHand';
import { StageHand } from '../editor/StageHand';
import type { FilledLayer } from '../editor/filled';
import { lineAt } from '../editor/lines';
import { filled, inZone } from '../editor/filled';
import type { Selected } from '../editor/selection';
import { grab } from '../editor/tools';
import type { Spot } from '../editor/view';
import { nearer, viewOf, whole as wholeView } from '../editor/view';
import { PaintedPiece } from '../painting/PaintedPiece';
import { shimmers } from '../painting/finish';
import { regionAt } from '../painting/regions';
import { useEdits } from '../parts/editing';
import type { Station } from '../stations/station';
import { Callout } from './Callout';
import { lookWords } from './LookBar';
import type { Frame } from './StageHandles';
import { Drifts, Leads } from './GroundMarks';
import { OrderMarks, Threads } from './OrderMarks';
import { StoryKey, StoryMarks } from './StoryMarks';
import { pouredIn } from './stagePainting';
import { MapHandles, RimAndGround, onePanel } from './StageHandles';
import { CutAcross } from './CutAcross';
import { Grip } from './Grip';
import { WallMarks } from './WallMarks';
import { Pin, StageFoot, TrialBar, type Drawn, type Trial } from './StageParts';
import type { HoldOf } from './grips';
import { OncePerFrame, moves } from './moves';
import { useSize } from '../parts/useSize';
import type { Picture } from './picture';
import './MapStage.scss';

/** What is worked in: a layer, or a zone of it as if it were one. */
export interface Worked {
  layer: FilledLayer;
  plan: LayerView;
  zone: string | null;
  whole: FilledLayer;
  wholePlan: LayerView;
  chooseZone: (id: string | null) => void;
}

interface Props {
  piece: Piece;
  editor: PieceEditor;
  picture: Picture;
  worked: Worked;
  ground: PlanView['ground'];
  /** What is written on it: what the second look sees there, and what its station has to say of a sitting and its log. */
  marks: { findings: Finding[]; at: Station; sitting: SittingView; run?: RunView };
  /** What can be taken hold of: hearts and bands, the rim, regions to be picked, or nothing. */
  handles: 'map' | 'lines' | 'rim' | 'regions' | null;
  /** A change that is looked at before it is taken. */
  trial: Trial | null;
  selection: { selected: Selected; onSelect: (selected: Selected) => void };
  onPoint: (regionId: string | null) => void;
}

/** The piece to scale, with what can be taken hold of above it. */
export function MapStage(props: Props) {
  const { piece, editor, picture, worked, handles, trial, marks, onPoint } = props;
  const { painting, drafts, drafted, look } = picture;
  const { selected, onSelect } = props.selection;
  const { plan } = worked;
  const shape = drafted ?? painting;
  const { edit, drag, letGo } = useEdits();
  // What is held is drawn as what is painted has it: both come with one answer.
  const hand = useSyncExternalStore(editor.subscribeHand, editor.getHand);
  const own = hand?.layers.find((l) => l.id === worked.whole.id);
  const whole = hand && own ? filled(hand, own, worked.wholePlan) : worked.whole;
  const zone = whole.zones?.find((z) => z.id === worked.zone);
  const layer = zone ? inZone(whole, zone) : whole;
  const here = { layer: whole.id, zone: worked.zone };

  const stage = useRef<HTMLDivElement>(null);
  const pressed = useRef<Spot>({ x: 0, y: 0 });
  const room = useSize(stage);
  const [zoom, setZoom] = useState(wholeView);
  const [tilt, setTilt] = useState(0);
  // While the rim is dragged the fit stays as it was, so that the piece does not shrink away under the hand.
  const [held, setHeld] = useState<{ widthMm: number; heightMm: number } | null>(null);
  const view = viewOf(room, held ?? shape, zoom);
  const { pixelsPerMm } = view;
  const inMm = (at: Spot): Spot => ({ x: (at.x - view.x) / pixelsPerMm, y: (at.y - view.y) / pixelsPerMm });
  const zoomTo = (by: number, at: Spot = { x: room.width / 2, y: room.height / 2 }) =>
    setZoom((now) => nearer(room, now, by, at));
  useWheel(stage, (turned, at) => zoomTo(zoom.by * Math.exp(-turned / 400), at));
  const panning = useSpaceHeld();

  // A line that is being drawn.
  const pools = layer.layout.kind === 'pools';
  const kinds: readonly Drawn[] =
    handles === 'map' ? (pools ? ['wall'] : []) : handles === 'lines' ? lines : [];
  const [drawn, setDrawing] = useState<Drawn | null>(null);
  const [trace, setTrace] = useState<Spot[] | null>(null);
  const drawing = drawn !== null && kinds.includes(drawn) ? drawn : null;
  const draws = drawing !== null;

  // The cut of the walls runs where it was dragged to; at first where the layer is cut.
  const [cutAt, setCutAt] = useState<number | null>(null);
  const cutWas = useRef<number | null>(null);
  const cutAtMm = Math.min(Math.max(cutAt ?? plan.cutAtMm, 1), shape.heightMm - 1);

  const regionUnder = (at: Spot) => {
    const context = stage.current?.querySelector<HTMLCanvasElement>('canvas.picture')?.getContext('2d');
    const { x, y } = inMm(at);
    return context ? regionAt(context, painting, x, y, layer.id) : null;
  };
  /** A heart or a band is taken by its own area; another zone is turned to. */
  const take = (at: Pointer) => {
    const under = handles === 'map' || handles === 'lines' ? regionUnder(at) : null;
    if (under === null) return null;
    if (handles === 'lines') {
      const line = lineAt(layer, under, inMm(at), slack / pixelsPerMm);
      return { select: line && { kind: 'line' as const, id: line.id }, change: null };
    }
    const [head, ...tail] = under.split('/');
    const there = tail.length > 0 && head !== 'kept' ? head! : null;
    if (head !== 'kept' && there !== worked.zone) {
      worked.chooseZone(there);
      return null;
    }
    const region = there === null ? under : tail.join('/');
    return grab({ layer, plan, here }, { region, at: inMm(at) });
  };
  const follow = useHand(stage, {
    select: ({ select }) => onSelect(select),
    drag,
    keep: (commands) => void edit(...commands),
    giveUp: letGo,
    wall: (traced) => {
      const spots = traced.map(({ x, y }) => ({ xMm: x, yMm: y }));
      if (drawing === 'wall') void edit({ do: 'draw-wall', ...here, spots });
      else if (drawing) void edit({ do: 'lay-line', ...here, of: drawing, course: { kind: 'drawn', spots } });
    },
    trace: setTrace,
    zoom: setZoom,
  });

  /** What is held is previewed on the way, and kept when it is let go. */
  const holding =
    (taken?: () => void): HoldOf =>
    (change) => ({
      take: taken,
      move: (event, by, to) =>
        drag(change(by.x / pixelsPerMm, by.y / pixelsPerMm, inMm(to)), event.timeStamp),
      drop: (_, by, to) => {
        setHeld(null);
        void edit(...change(by.x / pixelsPerMm, by.y / pixelsPerMm, inMm(to)));
      },
      leave: () => {
        setHeld(null);
        letGo();
      },
    });
  const frame: Frame = {
    px: (mm) => view.x + mm * pixelsPerMm,
    py: (mm) => view.y + mm * pixelsPerMm,
    pixelsPerMm,
  };
  const stageOf = (
    <div
      className="stage"
      data-drawing={draws || undefined}
      ref={stage}
      onPointerDown={(e) => {
        if (e.button > 1) return;
        pressed.current = { x: e.clientX, y: e.clientY };
        const pans = panning || e.button === 1;
        follow(e, { room, zoom, pixelsPerMm, toMm: inMm, draws, pans, take });
      }}
      onPointerMove={(e) => e.buttons === 0 && onPoint(regionUnder(inStage(stage.current!, e.nativeEvent)))}
      onPointerLeave={() => onPoint(null)}
      onClick={(e) => {
        const moved = Math.hypot(e.clientX - pressed.current.x, e.clientY - pressed.current.y);
        const under =
          handles === 'regions' && moved < slack
            ? regionUnder(inStage(stage.current!, e.nativeEvent as PointerEvent))
            : null;
        if (under !== null) onSelect({ kind: 'region', id: under });
      }}
    >
      {pixelsPerMm > 0 && (
        <>
          <PaintedPiece
            painting={painting}
            view={{ ...view, tiltDeg: tilt }}
            width={room.width}
            height={room.height}
            lit={hand || drafted || lookWords(look) ? undefined : picture.lit}
            layerId={layer.id}
            label={`${piece.name}, painted to scale${lookWords(look)}`}
            drafts={drafts}
            drafted={drafted}
            stays={marks.at === 'ground'}
          />
          <svg className="handles" width={room.width} height={room.height} data-moving={panning || undefined}>
            {(handles === 'map' || handles === 'lines') && (
              <MapHandles
                scene={{ layer, plan, here }}
                whole={whole}
                kept={(hand ?? piece).kept ?? []}
                selection={props.selection}
                frame={frame}
                hold={holding()}
                trace={trace}
                linesOnly={handles === 'lines'}
              />
            )}
            {marks.at === 'walls' && (
              <>
                <WallMarks layer={worked.wholePlan} frame={frame} />
                <path className="cut-line" d={`M0 ${frame.py(cutAtMm)}H${room.width}`} />
                <Grip
                  at={[room.width - cutGrip, frame.py(cutAtMm)]}
                  size={9}
                  tells={{
                    name: 'Cut across',
                    value: cutAtMm,
                    words: `${Math.round(cutAtMm)} mm from the top`,
                    takes: 'lines.course.yMm',
                  }}
                  hold={{
                    take: () => {
                      cutWas.current = cutAt;
                    },
                    move: (_, __, at) => setCutAt(inMm(at).y),
                    drop: (_, __, at) => setCutAt(inMm(at).y),
                    leave: () => setCutAt(cutWas.current),
                  }}
                  onStep={(by) => setCutAt(cutAtMm + by)}
                  onStepDown={(by) => setCutAt(cutAtMm + by)}
                />
              </>
            )}
            {marks.at === 'pour' && (
              <>
                <Threads
                  layer={worked.wholePlan}
                  sitting={marks.sitting}
                  frame={frame}
                  height={room.height}
                />
                <OrderMarks layer={worked.wholePlan} sitting={marks.sitting} frame={frame} />
              </>
            )}
            {marks.at === 'story' && (
              <StoryMarks
                layer={worked.wholePlan}
                lines={pouredIn(worked.whole.id, marks.sitting, marks.run)}
                frame={frame}
              />
            )}
            {marks.at === 'ground' && (
              <>
                <Drifts
                  ground={piece.ground}
                  plan={props.ground}
                  shape={shape}
                  panel={onePanel(piece.ground, shape)}
                  frame={frame}
                />
                <Leads ground={props.ground} shape={shape} frame={frame} height={room.height} />
              </>
            )}
            {handles === 'rim' && (
              <RimAndGround
                ground={(hand ?? piece).ground}
                moved={hand !== null}
                supports={props.ground.standing.supports}
                shape={shape}
                frame={frame}
                hold={holding(() => setHeld({ widthMm: shape.widthMm, heightMm: shape.heightMm }))}
              />
            )}
          </svg>
          {marks.at === 'story' && <StoryKey />}
          {marks.findings.map((finding) => (
            <Pin key={finding.key} finding={finding} px={frame.px} py={frame.py} />
          ))}
          {handles === 'map' && (
            <Callout layer={layer} plan={plan} selected={selected} px={frame.px} py={frame.py} room={room} />
          )}
          {picture.working && (
            <p className="stage-working" role="status">
              Working the map out
            </p>
          )}
          {trial && <TrialBar trial={trial} />}
          <StageFoot
            pixelsPerMm={pixelsPerMm}
            tilt={shimmers(painting) && !quietFoot.has(marks.at) ? { deg: tilt, onTilt: setTilt } : null}
            picture={trial || quietFoot.has(marks.at) ? null : picture}
            drawing={
              kinds.length > 0
                ? {
                    kinds,
                    now: drawing,
                    draw: setDrawing,
                    across: () => void edit({ do: 'put-wall-across', ...here }),
                  }
                : null
            }
            zoom={zoom.by}
            onZoom={zoomTo}
          />
        </>
      )}
    </div>
  );
  if (marks.at !== 'walls') return stageOf;
  const over = piece.layers.filter((l) => l.within == null);
  const under = over.slice(
    0,
    Math.max(
      0,
      over.findIndex((l) => l.id === whole.id),
    ),
  );
  return (
    <div className="walls-stage">
      {stageOf}
      <CutAcross painting={painting} layer={whole} plan={worked.wholePlan} under={under} atMm={cutAtMm} />
    </div>
  );
}

/** Where the picture is drawn and not painted, there is no other way to look at it. */
const quietFoot: ReadonlySet<Station> = new Set(['ground', 'walls', 'story']);

/** The grip of the cut stands so far from the right of the stage, pixels. */
const cutGrip = 26;

/** What can be drawn where lines are laid. */
const lines: readonly Drawn[] = ['wall', 'resin', 'paste', 'relief'];

/** A press that moves no further picks what is under it, pixels. */
const slack = 5;

/** Where a hand is on the stage, pixels. */
function inStage(stage: HTMLElement, event: PointerEvent): Pointer {
  const box = stage.getBoundingClientRect();
  return {
    id: event.pointerId,
    x: event.clientX - box.x,
    y: event.clientY - box.y,
    time: event.timeStamp,
    touch: event.pointerType === 'touch',
  };
}

/** Follows what hands do on the stage; what moves the view, and a wall that is drawn, are shown once a frame. */
function useHand(
  stage: React.RefObject<HTMLDivElement | null>,
  effects: ConstructorParameters<typeof StageHand>[0],
) {
  const newest = useRef(effects);
  useEffect(() => {
    newest.current = effects;
  });
  const hand = useRef<StageHand | null>(null);
  useEffect(() => {
    const element = stage.current;
    if (!element) return;
    const redraw = new OncePerFrame();
    const own = new StageHand({
      select: (taken) => newest.current.select(taken),
      drag: (commands, time) => newest.current.drag(commands, time),
      keep: (commands) => newest.current.keep(commands),
      giveUp: () => newest.current.giveUp(),
      wall: (spots) => newest.current.wall(spots),
      trace: (spots) => {
        redraw.drop();
        if (spots) redraw.put(() => newest.current.trace(spots));
        else newest.current.trace(null);
      },
      zoom: (to) => redraw.put(() => newest.current.zoom(to)),
    });
    hand.current = own;
    const move = (e: PointerEvent) => {
      if (own.is === 'free') return;
      const passed = own.is === 'drawing' ? (e.getCoalescedEvents?.() ?? []) : [];
      for (const event of passed.length > 0 ? passed : [e]) own.move(inStage(element, event));
    };
    const lift = (e: PointerEvent) => own.lift(inStage(element, e));
    const cancel = (e: PointerEvent) => own.cancel(inStage(element, e));
    const key = (e: KeyboardEvent) => e.key === 'Escape' && own.giveUp();
    window.addEventListener('keydown', key);
    element.addEventListener(moves, move);
    element.addEventListener('pointerup', lift);
    element.addEventListener('pointercancel', cancel);
    return () => {
      element.removeEventListener(moves, move);
      element.removeEventListener('pointerup', lift);
      element.removeEventListener('pointercancel', cancel);
      window.removeEventListener('keydown', key);
    };
  }, [stage]);
  return (e: React.PointerEvent<HTMLDivElement>, on: Parameters<StageHand['press']>[1]) => {
    e.currentTarget.setPointerCapture(e.pointerId);
    hand.current?.press(inStage(e.currentTarget, e.nativeEvent), on);
  };
}

/** How large the stage is, pixels. */
function useWheel(stage: React.RefObject<HTMLDivElement | null>, turn: (by: number, at: Spot) => void) {
  useLayoutEffect(() => {
    const element = stage.current;
    const wheel = (e: WheelEvent) => {
      e.preventDefault();
      const box = element!.getBoundingClientRect();
      turn(e.deltaY, { x: e.clientX - box.x, y: e.clientY - box.y });
    };
    element?.addEventListener('wheel', wheel, { passive: false });
    return () => element?.removeEventListener('wheel', wheel);
  });
}

/** With the space bar held, a drag moves the view whatever lies under it. */
function useSpaceHeld() {
  const [held, setHeld] = useState(false);
  useEffect(() => {
    const key = (e: KeyboardEvent) => {
      if (e.code !== 'Space') return;
      if (e.type === 'keyup') setHeld(false);
      // On a button or in a field the space bar is theirs.
      else if (e.target === document.body || (e.target as Element).id === 'main') {
        e.preventDefault();
        setHeld(true);
      }
    };
    window.addEventListener('keydown', key);
    window.addEventListener('keyup', key);
    return () => {
      window.removeEventListener('keydown', key);
      window.removeEventListener('keyup', key);
    };
  }, []);
  return held;
}
