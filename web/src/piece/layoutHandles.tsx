import type { FilledLayer, Zone } from './filled';
import type { KeptZone, LayerView, Outline } from '../api/client';
import { changeLayout, moveField, moveSpot, stepField, stepSpot } from '../stations/map/layoutEdits';
import { boxOf } from '../stations/ground/kinds';
import { useUnits } from '../units/units';
import { Grip } from './Grip';
import type { Hold } from './Grip';
import type { Selected } from './selection';

type To = { x: number; y: number };
type HoldOf<T> = (change: (byX: number, byY: number, to: To) => (of: T) => T) => Hold;

interface Props {
  layer: FilledLayer;
  plan: LayerView;
  selected: Selected;
  onSelect: (selected: Selected) => void;
  px: (mm: number) => number;
  py: (mm: number) => number;
  hold: HoldOf<FilledLayer>;
  editLayer: (change: (layer: FilledLayer) => FilledLayer) => void;
}

const round = (v: number) => Math.round(v);
const degrees = (x: number, y: number) => Math.round((Math.atan2(y, x) * 180) / Math.PI);

/** How much longer a puddle is drawn for each millimetre that its tilt is pulled, %. */
const tiltPerMm = 2;

/** What of a layout that is not rings from hearts can be taken hold of. */
export function LayoutHandles(props: Props) {
  const { layer, plan, px, py, hold, editLayer, selected, onSelect } = props;
  const units = useUnits();
  const { layout } = layer;
  const mm = (v: number) => units.show(v, 'mm');
  const place = (x: number, y: number) => `${mm(x)} from the left, ${mm(y)} from the top`;
  const middle = (kind: 'petals' | 'puddle', name: string, at: { xMm: number; yMm: number }) => {
    const move = (xMm: number, yMm: number) =>
      changeLayout(kind, (l) => ({ ...l, xMm: round(xMm), yMm: round(yMm) }));
    return (
      <Grip
        x={px(at.xMm)}
        y={py(at.yMm)}
        size={9}
        name={name}
        value={at.xMm}
        words={place(at.xMm, at.yMm)}
        least={-1500}
        most={4500}
        dot
        hold={hold((byX, byY) => move(at.xMm + byX, at.yMm + byY))}
        onStep={(by) => editLayer(changeLayout(kind, (l) => ({ ...l, xMm: l.xMm + by })))}
        onStepDown={(by) => editLayer(changeLayout(kind, (l) => ({ ...l, yMm: l.yMm + by })))}
      />
    );
  };
  switch (layout?.kind) {
    case 'petals':
      return middle('petals', 'Middle of the petals', layout);
    case 'puddle': {
      const radius = plan.facts.findLast((f) => f.id.startsWith('radius-'))?.number.value ?? 20;
      const turn = (layout.tiltDeg * Math.PI) / 180;
      const far = radius + layout.tiltPercent / tiltPerMm;
      const [x, y] = [layout.xMm + far * Math.cos(turn), layout.yMm + far * Math.sin(turn)];
      const set = (tiltDeg: number, tiltPercent: number) =>
        changeLayout('puddle', (l) => ({
          ...l,
          tiltDeg: round(tiltDeg),
          tiltPercent: Math.min(400, Math.max(0, round(tiltPercent))),
        }));
      return (
        <>
          <path className="lever" d={`M${px(layout.xMm)} ${py(layout.yMm)}L${px(x)} ${py(y)}`} />
          {middle('puddle', 'Middle of the puddle', layout)}
          <Grip
            x={px(x)}
            y={py(y)}
            size={7}
            name="Tilt of the puddle"
            value={layout.tiltPercent}
            words={`${layout.tiltPercent} % longer towards ${layout.tiltDeg}°`}
            least={0}
            most={400}
            hold={hold((_x, _y, to) => {
              const [dx, dy] = [to.x - layout.xMm, to.y - layout.yMm];
              return set(degrees(dx, dy), (Math.hypot(dx, dy) - radius) * tiltPerMm);
            })}
            onStep={(by) =>
              editLayer(
                changeLayout('puddle', (l) => ({
                  ...l,
                  tiltPercent: Math.min(400, Math.max(0, l.tiltPercent + by)),
                })),
              )
            }
            onStepDown={(by) => editLayer(changeLayout('puddle', (l) => ({ ...l, tiltDeg: l.tiltDeg + by })))}
          />
        </>
      );
    }
    case 'marble': {
      const { box } = plan;
      const [x, y] = [box.xMm + box.widthMm / 2, box.yMm + box.heightMm / 2];
      const far = Math.min(box.widthMm, box.heightMm) / 4;
      const turn = (layout.directionDeg * Math.PI) / 180;
      const set = (directionDeg: number) => changeLayout('marble', (m) => ({ ...m, directionDeg }));
      const [dx, dy] = [far * Math.cos(turn), far * Math.sin(turn)];
      return (
        <>
          <path className="lever" d={`M${px(x - dx)} ${py(y - dy)}L${px(x + dx)} ${py(y + dy)}`} />
          <Grip
            x={px(x + dx)}
            y={py(y + dy)}
            size={7}
            name="Direction of the streaks"
            value={layout.directionDeg}
            words={`${layout.directionDeg}°`}
            least={-360}
            most={360}
            hold={hold((_x, _y, to) => set(degrees(to.x - x, to.y - y)))}
            onStep={(by) =>
              editLayer(changeLayout('marble', (m) => ({ ...m, directionDeg: m.directionDeg + by })))
            }
          />
        </>
      );
    }
    case 'fields':
      return plan.regions.map((region) => {
        if (region.kind !== 'field' || !region.anchor) return null;
        const field = Number(region.id.split('-')[1]);
        const at = (layout.moved ?? []).find((m) => m.field === field) ?? region.anchor;
        const chosen = selected?.kind === 'region' && selected.id === region.id;
        // Moved, it is chosen; merely passed on the way to its colour, another one is not.
        const choose = () => onSelect({ kind: 'region', id: region.id });
        const held = hold((byX, byY) => moveField(field, at.xMm + byX, at.yMm + byY));
        return (
          <Grip
            key={region.id}
            x={px(at.xMm)}
            y={py(at.yMm)}
            size={chosen ? 8 : 4}
            name={`Field ${field}`}
            value={at.xMm}
            words={place(at.xMm, at.yMm)}
            least={-1500}
            most={4500}
            dot={chosen}
            hold={{
              ...held,
              drop: (...how) => {
                choose();
                held.drop(...how);
              },
            }}
            onStep={(by) => {
              choose();
              editLayer(stepField(field, region.anchor!, by, 0));
            }}
            onStepDown={(by) => {
              choose();
              editLayer(stepField(field, region.anchor!, 0, by));
            }}
          />
        );
      });
    case 'pools': {
      const at = layout.strokes.findIndex((s) => selected?.kind === 'stroke' && s.id === selected.id);
      const stroke = layout.strokes[at];
      return (
        stroke && (
          <>
            <path
              className="lever"
              d={stroke.spots.map((s, i) => `${i ? 'L' : 'M'}${px(s.xMm)} ${py(s.yMm)}`).join('')}
            />
            {stroke.spots.map((s, i) => (
              <Grip
                key={i}
                x={px(s.xMm)}
                y={py(s.yMm)}
                size={6}
                name={`Wall ${at + 1}, spot ${i + 1}`}
                value={s.xMm}
                words={place(s.xMm, s.yMm)}
                least={-1500}
                most={4500}
                hold={hold((byX, byY) => moveSpot(stroke.id, i, s.xMm + byX, s.yMm + byY))}
                onStep={(by) => editLayer(stepSpot(stroke.id, i, by, 0))}
                onStepDown={(by) => editLayer(stepSpot(stroke.id, i, 0, by))}
              />
            ))}
          </>
        )
      );
    }
    default:
      return null;
  }
}

interface Placed {
  outline: Outline;
  xMm: number;
  yMm: number;
}

/** A place stretched to another size, its middle where it was. */
function stretched<T extends Placed>(of: T, widthMm: number, heightMm: number): T {
  const { outline } = of;
  const fit = (v: number) => Math.min(2900, Math.max(outline.shape === 'slice' ? 20 : 5, round(v)));
  const to: Outline =
    outline.shape === 'round'
      ? { ...outline, diameterMm: fit(widthMm) }
      : outline.shape === 'drawn'
        ? outline
        : { ...outline, widthMm: fit(widthMm), heightMm: fit(heightMm) };
  const [w, h] = boxOf(outline);
  const [nw, nh] = boxOf(to);
  return { ...of, outline: to, xMm: round(of.xMm + (w - nw) / 2), yMm: round(of.yMm + (h - nh) / 2) };
}

function widened<T extends Placed>(of: T, byX: number, byY: number): T {
  const [w, h] = boxOf(of.outline);
  return stretched(of, w + byX, h + byY);
}

interface PlaceProps<T extends Placed> {
  of: T;
  name: string;
  chosen: boolean;
  px: (mm: number) => number;
  py: (mm: number) => number;
  hold: HoldOf<T>;
  edit: (change: (of: T) => T) => void;
  /** What is reached by the keyboard is chosen; a zone is not, as the whole page would turn to it. */
  onChoose?: () => void;
}

/** A zone is moved by its middle; once chosen, it is stretched by two more grips. */
function PlaceHandles<T extends Placed>({ of, name, chosen, px, py, hold, edit, onChoose }: PlaceProps<T>) {
  const units = useUnits();
  const mm = (v: number) => units.show(v, 'mm');
  const [w, h] = boxOf(of.outline);
  const [x, y] = [of.xMm + w / 2, of.yMm + h / 2];
  const moved = (byX: number, byY: number) => (o: T) => ({
    ...o,
    xMm: round(of.xMm + byX),
    yMm: round(of.yMm + byY),
  });
  return (
    <>
      {chosen && (
        <rect
          className="frame-line"
          x={px(of.xMm)}
          y={py(of.yMm)}
          width={px(of.xMm + w) - px(of.xMm)}
          height={py(of.yMm + h) - py(of.yMm)}
        />
      )}
      <Grip
        x={px(x)}
        y={py(y)}
        size={chosen ? 9 : 6}
        name={name}
        value={of.xMm}
        words={`${mm(of.xMm)} from the left, ${mm(of.yMm)} from the top`}
        least={-1500}
        most={4500}
        dot
        onFocus={onChoose}
        hold={hold(moved)}
        onStep={(by) => edit((o) => ({ ...o, xMm: o.xMm + by }))}
        onStepDown={(by) => edit((o) => ({ ...o, yMm: o.yMm + by }))}
      />
      {chosen && (
        <>
          <Grip
            x={px(of.xMm + w)}
            y={py(y)}
            size={7}
            name={`Width of ${name}`}
            value={w}
            words={mm(w)}
            least={5}
            most={2900}
            hold={hold((_x, _y, to) => () => stretched(of, 2 * Math.abs(to.x - x), h))}
            onStep={(by) => edit((o) => widened(o, by, 0))}
          />
          {of.outline.shape !== 'round' && (
            <Grip
              x={px(x)}
              y={py(of.yMm + h)}
              size={7}
              name={`Height of ${name}`}
              value={h}
              words={mm(h)}
              least={5}
              most={2900}
              hold={hold((_x, _y, to) => () => stretched(of, w, 2 * Math.abs(to.y - y)))}
              onStep={(by) => edit((o) => widened(o, 0, by))}
              onStepDown={(by) => edit((o) => widened(o, 0, by))}
            />
          )}
        </>
      )}
    </>
  );
}

interface ZoneProps {
  whole: FilledLayer;
  kept: KeptZone[];
  zone: string | null;
  selected: Selected;
  onSelect: (selected: Selected) => void;
  px: (mm: number) => number;
  py: (mm: number) => number;
  holdWhole: HoldOf<FilledLayer>;
  editWhole: (change: (layer: FilledLayer) => FilledLayer) => void;
  holdKept: HoldOf<KeptZone[]>;
  editKept: (change: (kept: KeptZone[]) => KeptZone[]) => void;
}

/** A change of one of several, by its id. */
const onOne =
  <T extends { id: string }>(id: string, change: (of: T) => T) =>
  (all: T[]): T[] =>
    all.map((one) => (one.id === id ? change(one) : one));

const onZoneOf =
  (id: string, change: (of: Zone) => Zone) =>
  (layer: FilledLayer): FilledLayer => ({ ...layer, zones: onOne(id, change)(layer.zones ?? []) });

/** The zones of a layer and what the piece keeps. */
export function ZoneHandles(props: ZoneProps) {
  const { whole, kept, zone, selected, onSelect, px, py } = props;
  return (
    <>
      {(whole.zones ?? []).map((z) => (
        <PlaceHandles
          key={z.id}
          of={z}
          name={z.name}
          chosen={zone === z.id}
          px={px}
          py={py}
          hold={(change) => props.holdWhole((x, y, to) => onZoneOf(z.id, change(x, y, to)))}
          edit={(change) => props.editWhole(onZoneOf(z.id, change))}
        />
      ))}
      {kept.map((k) => (
        <PlaceHandles
          key={k.id}
          of={k}
          name={k.name}
          chosen={selected?.kind === 'region' && selected.id === `kept/${k.id}`}
          px={px}
          py={py}
          onChoose={() => onSelect({ kind: 'region', id: `kept/${k.id}` })}
          hold={(change) => props.holdKept((x, y, to) => onOne(k.id, change(x, y, to)))}
          edit={(change) => props.editKept(onOne(k.id, change))}
        />
      ))}
    </>
  );
}
