import type { Schemas } from '../api/client';
import { useUnits } from '../units/units';
import { marksOf } from './weigh';

type Step = Schemas['WeighingStep'];

const [wide, high, top] = [150, 190, 14];

/** Two marked cups, to the same scale, each with the line that it is filled to. */
export function TwoCups({ resin, hardener, now }: { resin: Step; hardener: Step; now: Step }) {
  const units = useUnits();
  const both = [resin, hardener].map((s) => ({ step: s, ml: s.ml?.value ?? 0 }));
  const { holds, marks } = marksOf(Math.max(...both.map((b) => b.ml)));
  const y = (ml: number) => top + high - (high * ml) / holds;
  return (
    <svg
      className="two-cups"
      viewBox={`0 0 ${2 * wide + 40} ${high + top + 34}`}
      role="img"
      aria-label={both.map((b) => `${b.step.name} up to the line of ${units.show(b.ml, 'ml')}`).join(', ')}
    >
      {both.map(({ step, ml }, i) => (
        <g
          key={step.id}
          transform={`translate(${i * (wide + 40)} 0)`}
          data-now={step.id === now.id || undefined}
        >
          <rect className="two-cups-fill" x="14" y={y(ml)} width={wide - 28} height={top + high - y(ml)} />
          <path className="two-cups-glass" d={`M14 ${top}V${top + high}H${wide - 14}V${top}`} />
          {marks.map((m) => (
            <g key={m}>
              <line className="two-cups-mark" x1={wide - 34} x2={wide - 14} y1={y(m)} y2={y(m)} />
              <text className="two-cups-marked" x={wide - 38} y={y(m) + 4} textAnchor="end">
                {units.part(m, 'ml').text}
              </text>
            </g>
          ))}
          <line className="two-cups-line" x1="6" x2={wide - 6} y1={y(ml)} y2={y(ml)} />
          <text className="two-cups-name" x={wide / 2} y={top + high + 24} textAnchor="middle">
            {step.name} {units.show(ml, 'ml')}
          </text>
        </g>
      ))}
    </svg>
  );
}
