import { jugWidth } from './tallest';
import type { BatchPlan } from '../../api/client';
import { HowNumber } from '../../parts/HowNumber';

interface Props {
  batch: BatchPlan;
  number: number;
  height: number;
  byWeight: boolean;
}

/** A jug is drawn so full. */
const fill = 0.88;

/** A jug filled to its two lines: the resin first, the hardener on top of it. */
export function Jug({ batch, number, height, byWeight }: Props) {
  const { measured, mixMl } = batch;
  const width = jugWidth(height);
  const inset = 10;
  const size = mixMl.value / fill;
  const full = (ml: number) => height - 3 - (height - 6) * (ml / size);
  const edge = (y: number) => (inset * y) / height;
  const slice = (from: number, to: number) =>
    `M${edge(from)} ${from}H${width - edge(from)}L${width - edge(to)} ${to}H${edge(to)}Z`;
  const [resin, hardener] = byWeight
    ? [measured.resinG, measured.hardenerG]
    : [measured.resinMl, measured.hardenerMl];
  const [surface, line] = [full(mixMl.value), full(measured.resinMl.value)];
  const lines = [
    ['hardener', hardener, (surface + line) / 2],
    ['resin', resin, (line + height - 3) / 2],
  ] as const;
  return (
    <div className="jug" data-jug style={{ width }}>
      <svg width={width + 14} height={height} viewBox={`-1 0 ${width + 14} ${height}`} aria-hidden>
        <path d={slice(surface, line)} className="hardener" />
        <path d={slice(line, height - 3)} className="resin" />
        <path d={slice(1, height - 1)} className="glass" />
        <path d={`M${width - 1} 1q10 1 11 9`} className="glass" />
        <path d={`M${edge(line)} ${line}H${width - edge(line)}`} className="line" />
      </svg>
      <dl>
        {lines.map(([name, of, y]) => (
          <div key={name} style={{ top: y }}>
            <dt>{name}</dt>
            <dd>
              <HowNumber
                of={of}
                label={`${name === 'resin' ? 'Resin' : 'Hardener'} of batch ${number}`}
                decimals={Number.isInteger(of.value) ? 0 : 1}
              />
            </dd>
          </div>
        ))}
      </dl>
    </div>
  );
}
