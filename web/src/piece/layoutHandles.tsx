import type { FilledLayer } from '../editor/filled';
import type { Edit, ReservedSpot, LayerView, Outline } from '../api/client';
import { useEdits } from '../parts/editing';
import { boxOf } from '../stations/ground/kinds';
import { useUnits } from '../units/units';
import { Grip } from './Grip';
import type { HoldOf } from './grips';
import { nudge } from './grips';
import type { Selected } from '../editor/selection';

interface Props {
  layer: FilledLayer;
  plan: LayerView;
  /** What is worked in, as commands name it, and where its layout stands. */
  here: { layer: string; zone: string | null };
  at: string;
  selected: Selected;
  onSelect: (selected: Selected) => void;
  px: (mm: number) => number;
  py: (mm: number) => number;
  hold: HoldOf;
}

const degrees = (x: number, y: number) => Math.round((Math.atan2(y, x) * 180) / Math.PI);

/** How much longer a puddle is drawn for each millimetre that its tilt is pulled, %. */
const tiltPerMm = 2;

/** What of a layout that is not rings from hearts can be taken hold of. */
export function LayoutHandles(props: Props) {
  const { layer, plan, here, at: place, px, py, hold, selected, onSelect } = props;
  const { edit } = useEdits();
  const step = (field: string) => (by: number) => void edit(nudge(`${place}.${field}`, by));
  const units = useUnits();
  const { layout } = layer;
  const mm = (v: number) => units.show(v, 'mm');
  const where = (x: number, y: number) => `${mm(x)} from the left, ${mm(y)} from the top`;
  const middle = (name: string, at: { xMm: number; yMm: number }) => (
    <Grip
      at={[px(at.xMm), py(at.yMm)]}
      size={9}
      tells={{ name: name, value: at.xMm, words: where(at.xMm, at.yMm), takes: 'layers.layout.xMm' }}
      dot
      hold={hold((byX, byY) => [{ do: 'move-middle', ...here, xMm: at.xMm + byX, yMm: at.yMm + byY }])}
      onStep={step('xMm')}
      onStepDown={step('yMm')}
    />
  );
  switch (layout.kind) {
    case 'petals':
      return middle('Middle of the petals', layout);
    case 'puddle': {
      const radius = plan.facts.findLast((f) => f.id.startsWith('radius-'))?.number.value ?? 20;
      const turn = (layout.tiltDeg * Math.PI) / 180;
      const far = radius + layout.tiltPercent / tiltPerMm;
      const [x, y] = [layout.xMm + far * Math.cos(turn), layout.yMm + far * Math.sin(turn)];
      return (
        <>
          <path className="lever" d={`M${px(layout.xMm)} ${py(layout.yMm)}L${px(x)} ${py(y)}`} />
          {middle('Middle of the puddle', layout)}
          <Grip
            at={[px(x), py(y)]}
            size={7}
            tells={{
              name: 'Tilt of the puddle',
              value: layout.tiltPercent,
              words: `${layout.tiltPercent} % longer towards ${layout.tiltDeg}°`,
              takes: 'layers.layout.tiltPercent',
            }}
            hold={hold((_x, _y, to) => {
              const [dx, dy] = [to.x - layout.xMm, to.y - layout.yMm];
              return [
                {
                  do: 'tilt-puddle',
                  ...here,
                  deg: degrees(dx, dy),
                  percent: (Math.hypot(dx, dy) - radius) * tiltPerMm,
                },
              ];
            })}
            onStep={step('tiltPercent')}
            onStepDown={step('tiltDeg')}
          />
        </>
      );
    }
    case 'marble': {
      const { box } = plan;
      const [x, y] = [box.xMm + box.widthMm / 2, box.yMm + box.heightMm / 2];
      const far = Math.min(box.widthMm, box.heightMm) / 4;
      const turn = (layout.directionDeg * Math.PI) / 180;
      const [dx, dy] = [far * Math.cos(turn), far * Math.sin(turn)];
      return (
        <>
          <path className="lever" d={`M${px(x - dx)} ${py(y - dy)}L${px(x + dx)} ${py(y + dy)}`} />
          <Grip
            at={[px(x + dx), py(y + dy)]}
            size={7}
            tells={{
              name: 'Direction of the streaks',
              value: layout.directionDeg,
              words: `${layout.directionDeg}°`,
              takes: 'layers.layout.directionDeg',
            }}
            hold={hold((_x, _y, to) => [
              nudge(`${place}.directionDeg`, degrees(to.x - x, to.y - y) - layout.directionDeg),
            ])}
            onStep={step('directionDeg')}
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
        const move = (byXMm: number, byYMm: number): Edit => {
          const { xMm, yMm } = region.anchor!;
          return { do: 'move-field', ...here, field, xMm, yMm, byXMm, byYMm };
        };
        const held = hold((byX, byY) => [move(byX, byY)]);
        return (
          <Grip
            key={region.id}
            at={[px(at.xMm), py(at.yMm)]}
            size={chosen ? 8 : 4}
            tells={{
              name: `Field ${field}`,
              value: at.xMm,
              words: where(at.xMm, at.yMm),
              takes: 'layers.layout.moved.xMm',
            }}
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
              void edit(move(by, 0));
            }}
            onStepDown={(by) => {
              choose();
              void edit(move(0, by));
            }}
          />
        );
      });
    default:
      return null;
  }
}

interface Placed {
  outline: Outline;
  xMm: number;
  yMm: number;
}

interface PlaceProps {
  of: Placed;
  /** How commands name it: a zone of a layer, or what the piece keeps; and where it stands. */
  spot: { layer?: string; id: string };
  at: string;
  name: string;
  chosen: boolean;
  px: (mm: number) => number;
  py: (mm: number) => number;
  hold: HoldOf;
  /** What is reached by the keyboard is chosen; a zone is not, as the whole page would turn to it. */
  onChoose?: () => void;
}

/** A zone is moved by its middle; once chosen, it is stretched by two more grips. */
function PlaceHandles({ of, spot, at, name, chosen, px, py, hold, onChoose }: PlaceProps) {
  const { edit } = useEdits();
  const units = useUnits();
  const mm = (v: number) => units.show(v, 'mm');
  const [w, h] = boxOf(of.outline);
  const [x, y] = [of.xMm + w / 2, of.yMm + h / 2];
  const stretch = (byWidthMm: number, byHeightMm: number): Edit => ({
    do: 'stretch-spot',
    ...spot,
    byWidthMm,
    byHeightMm,
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
        at={[px(x), py(y)]}
        size={chosen ? 9 : 6}
        tells={{
          name: name,
          value: of.xMm,
          words: `${mm(of.xMm)} from the left, ${mm(of.yMm)} from the top`,
          takes: 'layers.zones.xMm',
        }}
        dot
        onFocus={onChoose}
        hold={hold((byX, byY) => [{ do: 'move-spot', ...spot, xMm: of.xMm + byX, yMm: of.yMm + byY }])}
        onStep={(by) => void edit(nudge(`${at}.xMm`, by))}
        onStepDown={(by) => void edit(nudge(`${at}.yMm`, by))}
      />
      {chosen && (
        <>
          <Grip
            at={[px(of.xMm + w), py(y)]}
            size={7}
            tells={{
              name: `Width of ${name}`,
              value: w,
              words: mm(w),
              takes: 'layers.zones.outline.widthMm',
            }}
            hold={hold((_x, _y, to) => [stretch(2 * Math.abs(to.x - x) - w, 0)])}
            onStep={(by) => void edit(stretch(by, 0))}
          />
          {of.outline.shape !== 'round' && (
            <Grip
              at={[px(x), py(of.yMm + h)]}
              size={7}
              tells={{
                name: `Height of ${name}`,
                value: h,
                words: mm(h),
                takes: 'layers.zones.outline.heightMm',
              }}
              hold={hold((_x, _y, to) => [stretch(0, 2 * Math.abs(to.y - y) - h)])}
              onStep={(by) => void edit(stretch(0, by))}
              onStepDown={(by) => void edit(stretch(0, by))}
            />
          )}
        </>
      )}
    </>
  );
}

interface ZoneProps {
  whole: FilledLayer;
  kept: ReservedSpot[];
  zone: string | null;
  selected: Selected;
  onSelect: (selected: Selected) => void;
  px: (mm: number) => number;
  py: (mm: number) => number;
  hold: HoldOf;
}

/** The zones of a layer and what the piece keeps. */
export function ZoneHandles({ whole, kept, zone, selected, onSelect, ...rest }: ZoneProps) {
  return (
    <>
      {(whole.zones ?? []).map((z) => (
        <PlaceHandles
          key={z.id}
          of={z}
          spot={{ layer: whole.id, id: z.id }}
          at={`layers[${whole.id}].zones[${z.id}]`}
          name={z.name}
          chosen={zone === z.id}
          {...rest}
        />
      ))}
      {kept.map((k) => (
        <PlaceHandles
          key={k.id}
          of={k}
          spot={{ id: k.id }}
          at={`kept[${k.id}]`}
          name={k.name}
          chosen={selected?.kind === 'region' && selected.id === `kept/${k.id}`}
          onChoose={() => onSelect({ kind: 'region', id: `kept/${k.id}` })}
          {...rest}
        />
      ))}
    </>
  );
}
