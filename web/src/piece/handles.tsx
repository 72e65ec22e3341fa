import type { Heart } from '../editor/filled';
import type { Outline } from '../api/client';
import type { Shape } from '../painting/DraftLoop';
import { useEdits } from '../parts/editing';
import { useUnits } from '../units/units';
import { Grip } from './Grip';
import type { HoldOf } from './grips';
import { nudge } from './grips';

interface HeartProps {
  heart: Heart;
  /** The heart, as commands name it, and its place. */
  on: { layer: string; zone: string | null; heart: string };
  at: string;
  number: string;
  chosen: boolean;
  px: (mm: number) => number;
  py: (mm: number) => number;
  pixelsPerMm: number;
  hold: HoldOf;
  onSelect: () => void;
}

/** A heart is moved by its middle; once chosen, it is widened, heightened and turned by three more grips. */
export function HeartHandles(props: HeartProps) {
  const { heart, on, at, number, chosen, px, py, pixelsPerMm, hold, onSelect } = props;
  const { edit } = useEdits();
  const units = useUnits();
  const turn = (heart.turnDeg * Math.PI) / 180;
  const along = (mm: number) =>
    [px(heart.xMm + mm * Math.cos(turn)), py(heart.yMm + mm * Math.sin(turn))] as const;
  const across = (mm: number) =>
    [px(heart.xMm - mm * Math.sin(turn)), py(heart.yMm + mm * Math.cos(turn))] as const;
  const reach = heart.widthMm / 2;
  const top = heart.heightMm / 2;
  type Key = 'xMm' | 'yMm' | 'widthMm' | 'heightMm' | 'turnDeg';
  const set = (key: Key, to: number) => [nudge(`${at}.${key}`, Math.round(to - heart[key]))];
  const step = (key: Key) => (by: number) => void edit(nudge(`${at}.${key}`, by));
  const [wx, wy] = along(reach);
  const [hx, hy] = across(top);
  const [tx, ty] = across(-top - 26 / pixelsPerMm);
  const [bx, by] = across(-top);
  const mm = (v: number) => units.show(v, 'mm');
  return (
    <>
      <Grip
        at={[px(heart.xMm), py(heart.yMm)]}
        size={9}
        tells={{
          name: `Heart${number}`,
          value: heart.xMm,
          words: `${mm(heart.xMm)} from the left, ${mm(heart.yMm)} from the top`,
          takes: 'layers.layout.hearts.xMm',
        }}
        dot
        onFocus={onSelect}
        hold={hold((byX, byY) => [{ do: 'move-heart', ...on, xMm: heart.xMm + byX, yMm: heart.yMm + byY }])}
        onStep={step('xMm')}
        onStepDown={step('yMm')}
      />
      {chosen && (
        <>
          <path className="lever" d={`M${bx} ${by}L${tx} ${ty}`} />
          <Grip
            at={[wx, wy]}
            size={7}
            tells={{
              name: `Width of heart${number}`,
              value: heart.widthMm,
              words: mm(heart.widthMm),
              takes: 'layers.layout.hearts.widthMm',
            }}
            hold={hold((_x, _y, to) => {
              const far = (to.x - heart.xMm) * Math.cos(turn) + (to.y - heart.yMm) * Math.sin(turn);
              return set('widthMm', 2 * Math.abs(far));
            })}
            onStep={step('widthMm')}
          />
          <Grip
            at={[hx, hy]}
            size={7}
            tells={{
              name: `Height of heart${number}`,
              value: heart.heightMm,
              words: mm(heart.heightMm),
              takes: 'layers.layout.hearts.heightMm',
            }}
            hold={hold((_x, _y, to) => {
              const far = (to.y - heart.yMm) * Math.cos(turn) - (to.x - heart.xMm) * Math.sin(turn);
              return set('heightMm', 2 * Math.abs(far));
            })}
            onStep={step('heightMm')}
            onStepDown={step('heightMm')}
          />
          <Grip
            at={[tx, ty]}
            size={6}
            tells={{
              name: `Turn of heart${number}`,
              value: heart.turnDeg,
              words: `${heart.turnDeg}°`,
              takes: 'layers.layout.hearts.turnDeg',
            }}
            hold={hold((_x, _y, to) => {
              const angle = (Math.atan2(to.x - heart.xMm, heart.yMm - to.y) * 180) / Math.PI;
              return set('turnDeg', angle);
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
  hold: HoldOf;
}

/** The rim is stretched by its right and its lower side. */
export function RimHandles({ outline, shape, px, py, hold }: RimProps) {
  const units = useUnits();
  const { edit } = useEdits();
  const { widthMm, heightMm } = shape;
  const grip = (
    name: string,
    value: number,
    x: number,
    y: number,
    key: 'diameterMm' | 'widthMm' | 'heightMm',
    across: boolean,
  ) => (
    <Grip
      key={name}
      at={[x, y]}
      size={9}
      tells={{ name: name, value: value, words: units.show(value, 'mm'), takes: 'ground.outline.widthMm' }}
      hold={hold((byX, byY) => [nudge(`ground.outline.${key}`, Math.round(across ? byX : byY))])}
      onStep={(by) => void edit(nudge(`ground.outline.${key}`, by))}
      onStepDown={across ? undefined : (by) => void edit(nudge(`ground.outline.${key}`, by))}
    />
  );
  if (outline.shape === 'round') {
    return grip('Diameter', outline.diameterMm, px(widthMm), py(heightMm / 2), 'diameterMm', true);
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
      {grip('Width', outline.widthMm, px(widthMm), py(slice ? 0 : heightMm / 2), 'widthMm', true)}
      {grip('Height', outline.heightMm, px(slice ? 0 : widthMm / 2), py(heightMm), 'heightMm', false)}
    </>
  );
}
