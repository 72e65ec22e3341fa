import type { FilledLayer, Heart } from './filled';
import type { Outline } from '../api/client';
import type { Shape } from '../painting/DraftLoop';
import { changeHeart } from '../stations/map/layerEdits';
import { useUnits } from '../units/units';
import { Grip } from './Grip';
import type { Hold } from './Grip';

interface HeartProps {
  heart: Heart;
  number: string;
  chosen: boolean;
  px: (mm: number) => number;
  py: (mm: number) => number;
  pixelsPerMm: number;
  hold: (
    change: (byX: number, byY: number, to: { x: number; y: number }) => (l: FilledLayer) => FilledLayer,
  ) => Hold;
  onSelect: () => void;
  editLayer: (change: (layer: FilledLayer) => FilledLayer) => void;
}

/** A heart is moved by its middle; once chosen, it is widened, heightened and turned by three more grips. */
export function HeartHandles({
  heart,
  number,
  chosen,
  px,
  py,
  pixelsPerMm,
  hold,
  onSelect,
  editLayer,
}: HeartProps) {
  const units = useUnits();
  const turn = (heart.turnDeg * Math.PI) / 180;
  const along = (mm: number) =>
    [px(heart.xMm + mm * Math.cos(turn)), py(heart.yMm + mm * Math.sin(turn))] as const;
  const across = (mm: number) =>
    [px(heart.xMm - mm * Math.sin(turn)), py(heart.yMm + mm * Math.cos(turn))] as const;
  const reach = heart.widthMm / 2;
  const top = heart.heightMm / 2;
  const set = (change: Partial<Heart>) => (l: FilledLayer) => changeHeart(l, heart.id, change);
  const step = (key: 'xMm' | 'yMm' | 'widthMm' | 'heightMm' | 'turnDeg') => (by: number) =>
    editLayer((l) => {
      const now = l.hearts.find((h) => h.id === heart.id);
      return now ? changeHeart(l, heart.id, { [key]: now[key] + by }) : l;
    });
  const [wx, wy] = along(reach);
  const [hx, hy] = across(top);
  const [tx, ty] = across(-top - 26 / pixelsPerMm);
  const [bx, by] = across(-top);
  const mm = (v: number) => units.show(v, 'mm');
  return (
    <>
      <Grip
        x={px(heart.xMm)}
        y={py(heart.yMm)}
        size={9}
        name={`Heart${number}`}
        value={heart.xMm}
        words={`${mm(heart.xMm)} from the left, ${mm(heart.yMm)} from the top`}
        least={-1500}
        most={4500}
        dot
        onFocus={onSelect}
        hold={hold((byX, byY) => set({ xMm: Math.round(heart.xMm + byX), yMm: Math.round(heart.yMm + byY) }))}
        onStep={step('xMm')}
        onStepDown={step('yMm')}
      />
      {chosen && (
        <>
          <path className="lever" d={`M${bx} ${by}L${tx} ${ty}`} />
          <Grip
            x={wx}
            y={wy}
            size={7}
            name={`Width of heart${number}`}
            value={heart.widthMm}
            words={mm(heart.widthMm)}
            least={4}
            most={2000}
            hold={hold((_x, _y, to) => {
              const far = (to.x - heart.xMm) * Math.cos(turn) + (to.y - heart.yMm) * Math.sin(turn);
              return set({ widthMm: Math.max(4, Math.round(2 * Math.abs(far))) });
            })}
            onStep={step('widthMm')}
          />
          <Grip
            x={hx}
            y={hy}
            size={7}
            name={`Height of heart${number}`}
            value={heart.heightMm}
            words={mm(heart.heightMm)}
            least={4}
            most={2000}
            hold={hold((_x, _y, to) => {
              const far = (to.y - heart.yMm) * Math.cos(turn) - (to.x - heart.xMm) * Math.sin(turn);
              return set({ heightMm: Math.max(4, Math.round(2 * Math.abs(far))) });
            })}
            onStep={step('heightMm')}
            onStepDown={step('heightMm')}
          />
          <Grip
            x={tx}
            y={ty}
            size={6}
            name={`Turn of heart${number}`}
            value={heart.turnDeg}
            words={`${heart.turnDeg}°`}
            least={-360}
            most={360}
            hold={hold((_x, _y, to) => {
              const angle = (Math.atan2(to.x - heart.xMm, heart.yMm - to.y) * 180) / Math.PI;
              return set({ turnDeg: Math.round(angle) });
            })}
            onStep={step('turnDeg')}
          />
        </>
      )}
    </>
  );
}

interface RimProps {
  outline: Outline;
  shape: Shape;
  px: (mm: number) => number;
  py: (mm: number) => number;
  hold: (change: (byX: number, byY: number) => (o: Outline) => Outline) => Hold;
  edit: (change: (outline: Outline) => Outline) => void;
}

/** The rim is stretched by its right and its lower side. */
export function RimHandles({ outline, shape, px, py, hold, edit }: RimProps) {
  const units = useUnits();
  const size = (mm: number) => Math.min(3000, Math.max(20, Math.round(mm)));
  const { widthMm, heightMm } = shape;
  const grip = (
    name: string,
    value: number,
    x: number,
    y: number,
    change: (by: number) => (o: Outline) => Outline,
    across: boolean,
  ) => (
    <Grip
      key={name}
      x={x}
      y={y}
      size={9}
      name={name}
      value={value}
      words={units.show(value, 'mm')}
      least={20}
      most={3000}
      hold={hold((byX, byY) => change(across ? byX : byY))}
      onStep={(by) => edit(change(by))}
      onStepDown={across ? undefined : (by) => edit(change(by))}
    />
  );
  if (outline.shape === 'round') {
    return grip(
      'Diameter',
      outline.diameterMm,
      px(widthMm),
      py(heightMm / 2),
      (by) => (o) => (o.shape === 'round' ? { ...o, diameterMm: size(outline.diameterMm + by) } : o),
      true,
    );
  }
  if (outline.shape === 'drawn') return null;
  // A slice's own handles stand where the middles of its frame's sides are.
  const slice = outline.shape === 'slice';
  return (
    <>
      {slice && (
        <rect
          className="frame-line"
          x={px(0)}
          y={py(0)}
          width={px(widthMm) - px(0)}
          height={py(heightMm) - py(0)}
        />
      )}
      {grip(
        'Width',
        outline.widthMm,
        px(widthMm),
        py(slice ? 0 : heightMm / 2),
        (by) => (o) =>
          o.shape === 'round' || o.shape === 'drawn' ? o : { ...o, widthMm: size(outline.widthMm + by) },
        true,
      )}
      {grip(
        'Height',
        outline.heightMm,
        px(slice ? 0 : widthMm / 2),
        py(heightMm),
        (by) => (o) =>
          o.shape === 'round' || o.shape === 'drawn' ? o : { ...o, heightMm: size(outline.heightMm + by) },
        false,
      )}
    </>
  );
}
