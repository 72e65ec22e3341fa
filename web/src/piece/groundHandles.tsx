import type { Ground, PlanView } from '../api/client';
import type { Slice } from '../stations/ground/kinds';
import { boxOf } from '../stations/ground/kinds';
import { useUnits } from '../units/units';
import { Grip } from './Grip';
import type { Hold } from './Grip';

interface Props {
  ground: Ground;
  px: (mm: number) => number;
  py: (mm: number) => number;
  hold: (change: (byX: number, byY: number, to: { x: number; y: number }) => (g: Ground) => Ground) => Hold;
  edit: (change: (ground: Ground) => Ground) => void;
}

const leastReach = 0.2;
const reachIn = (share: number) => Math.min(1, Math.max(leastReach, Math.round(share * 1000) / 1000));

/** A slice's rim is pulled by its handles. */
export function SliceHandles({ slice, px, py, hold, edit }: Props & { slice: Slice }) {
  const { widthMm, heightMm, reach } = slice;
  const change = (to: Partial<Slice>) => (g: Ground) =>
    g.outline.shape === 'slice' ? { ...g, outline: { ...g.outline, ...to } } : g;
  const set = (i: number, share: number) => change({ reach: reach.with(i, reachIn(share)) });
  return (
    <>
      {reach.map((share, i) => {
        const angle = (2 * Math.PI * i) / reach.length;
        const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
        return (
          <Grip
            key={i}
            x={px((widthMm / 2) * (1 + share * cos))}
            y={py((heightMm / 2) * (1 + share * sin))}
            size={8}
            name={`Rim handle ${i + 1}`}
            value={Math.round(share * 100)}
            words={`${Math.round(share * 100)} % of the way to the frame`}
            least={leastReach * 100}
            most={100}
            hold={hold((_x, _y, to) => {
              const x = (to.x - widthMm / 2) / (widthMm / 2);
              const y = (to.y - heightMm / 2) / (heightMm / 2);
              return set(i, x * cos + y * sin);
            })}
            onStep={(by) => edit(set(i, share + by / 100))}
          />
        );
      })}
    </>
  );
}

type Opened = Exclude<Ground['outline'], { shape: 'drawn' }>;
type Opening = NonNullable<Opened['opening']>;

/** An opening is moved and stretched. */
export function OpeningHandles({ opening, px, py, hold, edit }: Props & { opening: Opening }) {
  const units = useUnits();
  const mm = (v: number) => units.show(v, 'mm');
  const change = (to: { opening: Opening }) => (g: Ground) =>
    g.outline.shape === 'drawn' ? g : { ...g, outline: { ...g.outline, ...to } };
  return (
    <>
      <Grip
        x={px(opening.xMm)}
        y={py(opening.yMm)}
        size={9}
        name="Opening"
        value={opening.xMm}
        words={`${mm(opening.xMm)} from the left, ${mm(opening.yMm)} from the top`}
        least={0}
        most={3000}
        dot
        hold={hold((byX, byY) =>
          change({
            opening: {
              ...opening,
              xMm: Math.round(opening.xMm + byX),
              yMm: Math.round(opening.yMm + byY),
            },
          }),
        )}
        onStep={(by) => edit(change({ opening: { ...opening, xMm: opening.xMm + by } }))}
        onStepDown={(by) => edit(change({ opening: { ...opening, yMm: opening.yMm + by } }))}
      />
      <Grip
        x={px(opening.xMm + opening.widthMm / 2)}
        y={py(opening.yMm)}
        size={7}
        name="Width of the opening"
        value={opening.widthMm}
        words={mm(opening.widthMm)}
        least={5}
        most={2900}
        hold={hold((_x, _y, to) =>
          change({
            opening: { ...opening, widthMm: Math.max(5, Math.round(2 * Math.abs(to.x - opening.xMm))) },
          }),
        )}
        onStep={(by) => edit(change({ opening: { ...opening, widthMm: Math.max(5, opening.widthMm + by) } }))}
      />
      <Grip
        x={px(opening.xMm)}
        y={py(opening.yMm + opening.heightMm / 2)}
        size={7}
        name="Height of the opening"
        value={opening.heightMm}
        words={mm(opening.heightMm)}
        least={5}
        most={2900}
        hold={hold((_x, _y, to) =>
          change({
            opening: { ...opening, heightMm: Math.max(5, Math.round(2 * Math.abs(to.y - opening.yMm))) },
          }),
        )}
        onStep={(by) =>
          edit(change({ opening: { ...opening, heightMm: Math.max(5, opening.heightMm + by) } }))
        }
      />
    </>
  );
}

/** Inserts are moved by their middles. */
export function InsertHandles({ ground, px, py, hold, edit }: Props) {
  const units = useUnits();
  const inserts = ground.mould?.inserts ?? [];
  const move = (i: number, xMm: number, yMm: number) => (g: Ground) =>
    g.mould?.inserts
      ? {
          ...g,
          mould: {
            ...g.mould,
            inserts: g.mould.inserts.with(i, {
              ...g.mould.inserts[i]!,
              xMm: Math.round(xMm),
              yMm: Math.round(yMm),
            }),
          },
        }
      : g;
  return inserts.map((insert, i) => {
    const [width, height] = boxOf(insert.outline);
    return (
      <Grip
        key={insert.id}
        x={px(insert.xMm + width / 2)}
        y={py(insert.yMm + height / 2)}
        size={9}
        name={`Insert ${insert.name}`}
        value={insert.xMm}
        words={`${units.show(insert.xMm, 'mm')} from the left, ${units.show(insert.yMm, 'mm')} from the top`}
        least={-1500}
        most={4500}
        dot
        hold={hold((byX, byY) => move(i, insert.xMm + byX, insert.yMm + byY))}
        onStep={(by) => edit(move(i, insert.xMm + by, insert.yMm))}
        onStepDown={(by) => edit(move(i, insert.xMm, insert.yMm + by))}
      />
    );
  });
}

/** Thinner than any shim, mm. */
const leastShim = 0.05;

type Supports = PlanView['ground']['standing']['supports'];

/** What the piece stands on, with the shims that go under. */
export function SupportHandles({ supports, px, py, hold, edit }: Props & { supports: Supports }) {
  const units = useUnits();
  const shimmed = supports.some((s) => (s.shim?.value ?? 0) >= leastShim);
  const plain = supports.map(({ xMm, yMm }) => ({ xMm, yMm }));
  const move = (i: number, xMm: number, yMm: number) => (g: Ground) => ({
    ...g,
    supports: plain.with(i, { xMm: Math.round(xMm), yMm: Math.round(yMm) }),
  });
  return supports.map((s, i) => (
    <g key={i} className="support">
      <rect x={px(s.xMm) - 11} y={py(s.yMm) - 11} width="22" height="22" rx="3" />
      <Grip
        x={px(s.xMm)}
        y={py(s.yMm)}
        size={5}
        name={`Support ${i + 1}`}
        value={s.xMm}
        words={`${units.show(s.xMm, 'mm')} from the left, ${units.show(s.yMm, 'mm')} from the top${
          s.shim ? `, shim ${units.show(s.shim.value, 'mm', 1)}` : ''
        }`}
        least={-1500}
        most={4500}
        hold={hold((byX, byY) => move(i, s.xMm + byX, s.yMm + byY))}
        onStep={(by) => edit(move(i, s.xMm + by, s.yMm))}
        onStepDown={(by) => edit(move(i, s.xMm, s.yMm + by))}
      />
      {s.shim && shimmed && (
        <text x={px(s.xMm)} y={py(s.yMm) + 28} textAnchor="middle" aria-hidden>
          {s.shim.value < leastShim ? 'highest' : `+ ${units.show(s.shim.value, 'mm', 1)}`}
        </text>
      )}
    </g>
  ));
}
