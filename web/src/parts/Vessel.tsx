import type { CupVolume } from '../api/client';
import './Vessel.scss';

/** Sizes that mixing cups come in, ml. */
const sizes = [30, 60, 120, 240, 500, 1000, 2500, 5000];

/** The smallest of the usual mixing cups that holds so much, ml. */
export const sizeFor = (ml: number) => sizes.find((s) => s >= ml * 1.15) ?? Math.ceil(ml / 5000) * 5000;

/** How high a cup stands beside the largest. Lengths go with the cube root of volumes: one of twice the width holds eight times as much. */
export const heightFor = (ml: number, largest: number, tallest: number) =>
  Math.max(26, tallest * Math.cbrt(sizeFor(ml) / largest));

interface Props {
  volume: CupVolume;
  colour: string | null;
  /** Up to where it is resin, before the hardener comes, ml; null where it is not measured in it. */
  resinMl: number | null;
  height: number;
  id: string;
}

/** A cup to scale, filled to its level, its reserve hatched. */
export function Vessel({ volume, colour, resinMl, height, id }: Props) {
  const size = sizeFor(volume.mixMl.value);
  const top = height * 0.86;
  const bottom = top * 0.78;
  const full = (ml: number) => height - 3 - (height - 6) * (ml / size);
  const edge = (y: number) => ((top - bottom) / 2) * (y / height);
  const slice = (from: number, to: number) =>
    `M${edge(from)} ${from}H${top - edge(from)}L${top - edge(to)} ${to}H${edge(to)}Z`;
  const surface = full(volume.mixMl.value);
  const resinLine = resinMl === null ? null : full(resinMl);
  const reserve = full(volume.mixMl.value - volume.reserve.value);
  const marks = [0.25, 0.5, 0.75].map((s) => full(size * s));
  const hatch = `hatch-${id}`;
  return (
    <svg width={top + 2} height={height} viewBox={`-1 0 ${top + 2} ${height}`} className="vessel" aria-hidden>
      <defs>
        <pattern id={hatch} width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path d="M0 0V5" stroke="#fff" strokeOpacity="0.75" strokeWidth="1.6" />
          <path d="M1.6 0V5" stroke="#20302a" strokeOpacity="0.35" strokeWidth="0.8" />
        </pattern>
      </defs>
      <path d={slice(surface, height - 3)} fill={colour ?? '#dfe9e6'} />
      <path d={slice(surface, Math.min(height - 3, reserve))} fill={`url(#${hatch})`} />
      {resinLine !== null && (
        <path
          d={`M${edge(resinLine) + 2} ${resinLine}H${top - edge(resinLine) - 2}`}
          className="resin-line"
        />
      )}
      <path d={slice(1, height - 1)} className="cup-glass" />
      {marks.map((y) => (
        <path key={y} d={`M${top - edge(y) - 6} ${y}h4.5`} className="mark" />
      ))}
    </svg>
  );
}
