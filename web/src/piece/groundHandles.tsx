import type { Edit, Ground, PlanView } from '../api/client';
import type { Slice } from '../stations/ground/kinds';
import { boxOf } from '../stations/ground/kinds';
import { useEdits } from '../parts/editing';
import { useUnits } from '../units/units';
import { Grip } from './Grip';
import type { HoldOf } from './grips';
import { nudge } from './grips';

interface Props {
  ground: Ground;
  px: (mm: number) => number;
  py: (mm: number) => number;
  hold: HoldOf;
}

/** A slice's rim is pulled by its handles. */
export function SliceHandles({ slice, px, py, hold }: Omit<Props, 'ground'> & { slice: Slice }) {
  const { edit } = useEdits();
  const { widthMm, heightMm, reach } = slice;
  return (
    <>
      {reach.map((share, i) => {
        const angle = (2 * Math.PI * i) / reach.length;
        const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
        return (
          <Grip
            key={i}
            at={[px((widthMm / 2) * (1 + share * cos)), py((heightMm / 2) * (1 + share * sin))]}
            size={8}
            tells={{
              name: `Rim handle ${i + 1}`,
              value: Math.round(share * 100),
              words: `${Math.round(share * 100)} % of the way to the frame`,
              takes: 'ground.outline.reach',
              per: 100,
            }}
            hold={hold((_x, _y, to) => {
              const x = (to.x - widthMm / 2) / (widthMm / 2);
              const y = (to.y - heightMm / 2) / (heightMm / 2);
              return [{ do: 'pull-rim', handle: i, by: x * cos + y * sin - share }];
            })}
            onStep={(by) => void edit({ do: 'pull-rim', handle: i, by: by / 100 })}
          />
        );
      })}
    </>
  );
}

type Opened = Exclude<Ground['outline'], { shape: 'drawn' }>;
type Opening = NonNullable<Opened['opening']>;

/** An opening is moved and stretched. */
export function OpeningHandles({ opening, px, py, hold }: Omit<Props, 'ground'> & { opening: Opening }) {
  const { edit } = useEdits();
  const units = useUnits();
  const mm = (v: number) => units.show(v, 'mm');
  const by = (key: keyof Opening, mm: number) => nudge(`ground.outline.opening.${key}`, Math.round(mm));
  // A small opening's grips stand close together: none takes the hand of another.
  const apart = Math.min(px(opening.widthMm / 2) - px(0), py(opening.heightMm / 2) - py(0));
  const touch = Math.max(8, Math.min(22, apart / 2 - 1));
  return (
    <>
      <Grip
        at={[px(opening.xMm), py(opening.yMm)]}
        size={9}
        touch={touch}
        tells={{
          name: 'Opening',
          value: opening.xMm,
          words: `${mm(opening.xMm)} from the left, ${mm(opening.yMm)} from the top`,
          takes: 'ground.outline.opening.widthMm',
        }}
        dot
        hold={hold((byX, byY) => [by('xMm', byX), by('yMm', byY)])}
        onStep={(mm) => void edit(by('xMm', mm))}
        onStepDown={(mm) => void edit(by('yMm', mm))}
      />
      <Grip
        at={[px(opening.xMm + opening.widthMm / 2), py(opening.yMm)]}
        size={7}
        touch={touch}
        tells={{
          name: 'Width of the opening',
          value: opening.widthMm,
          words: mm(opening.widthMm),
          takes: 'ground.outline.opening.widthMm',
        }}
        hold={hold((_x, _y, to) => [by('widthMm', 2 * Math.abs(to.x - opening.xMm) - opening.widthMm)])}
        onStep={(mm) => void edit(by('widthMm', mm))}
      />
      <Grip
        at={[px(opening.xMm), py(opening.yMm + opening.heightMm / 2)]}
        size={7}
        touch={touch}
        tells={{
          name: 'Height of the opening',
          value: opening.heightMm,
          words: mm(opening.heightMm),
          takes: 'ground.outline.opening.heightMm',
        }}
        hold={hold((_x, _y, to) => [by('heightMm', 2 * Math.abs(to.y - opening.yMm) - opening.heightMm)])}
        onStep={(mm) => void edit(by('heightMm', mm))}
      />
    </>
  );
}

/** Inserts are moved by their middles. */
export function InsertHandles({ ground, px, py, hold }: Props) {
  const { edit } = useEdits();
  const units = useUnits();
  const inserts = ground.mould?.inserts ?? [];
  return inserts.map((insert) => {
    const at = `ground.mould.inserts[${insert.id}]`;
    const [width, height] = boxOf(insert.outline);
    return (
      <Grip
        key={insert.id}
        at={[px(insert.xMm + width / 2), py(insert.yMm + height / 2)]}
        size={9}
        tells={{
          name: `Insert ${insert.name}`,
          value: insert.xMm,
          words: `${units.show(insert.xMm, 'mm')} from the left, ${units.show(insert.yMm, 'mm')} from the top`,
          takes: 'ground.mould.inserts.xMm',
        }}
        dot
        hold={hold((byX, byY) => [
          { do: 'move-insert', insert: insert.id, xMm: insert.xMm + byX, yMm: insert.yMm + byY },
        ])}
        onStep={(by) => void edit(nudge(`${at}.xMm`, by))}
        onStepDown={(by) => void edit(nudge(`${at}.yMm`, by))}
      />
    );
  });
}

/** Thinner than any shim, mm. */
const leastShim = 0.05;

/** Where each support stands, and what goes under it. */
export type Supports = Pick<PlanView['ground']['standing']['supports'][number], 'xMm' | 'yMm' | 'shim'>[];

/** What the piece stands on, with the shims that go under. */
export function SupportHandles({ supports, px, py, hold }: Omit<Props, 'ground'> & { supports: Supports }) {
  const { edit } = useEdits();
  const units = useUnits();
  const shimmed = supports.some((s) => (s.shim?.value ?? 0) >= leastShim);
  const move = (support: number, byXMm: number, byYMm: number): Edit => ({
    do: 'move-support',
    support,
    byXMm,
    byYMm,
  });
  return supports.map((s, i) => (
    <g key={i} className="support">
      <rect x={px(s.xMm) - 11} y={py(s.yMm) - 11} width="22" height="22" rx="3" />
      <Grip
        at={[px(s.xMm), py(s.yMm)]}
        size={5}
        tells={{
          name: `Support ${i + 1}`,
          value: s.xMm,
          words: `${units.show(s.xMm, 'mm')} from the left, ${units.show(s.yMm, 'mm')} from the top${
            s.shim ? `, shim ${units.show(s.shim.value, 'mm', 1)}` : ''
          }`,
          takes: 'ground.supports.xMm',
        }}
        hold={hold((byX, byY) => [move(i, byX, byY)])}
        onStep={(by) => void edit(move(i, by, 0))}
        onStepDown={(by) => void edit(move(i, 0, by))}
      />
      {s.shim && shimmed && (
        <text x={px(s.xMm)} y={py(s.yMm) + 28} textAnchor="middle" aria-hidden>
          {s.shim.value < leastShim ? 'highest' : `+ ${units.show(s.shim.value, 'mm', 1)}`}
        </text>
      )}
    </g>
  ));
}
