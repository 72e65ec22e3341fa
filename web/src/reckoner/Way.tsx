import { useQuery } from '@tanstack/react-query';
import type { Schemas } from '../api/client';
import { sumQuery } from '../api/queries';
import './Way.scss';

type Line = Schemas['JourneyLineAnswer'];

const [wide, high, foot] = [480, 190, 26];

/** What a stage is good for, in the words that people wait for. */
const stageWords: Record<Line['stages'][number]['stage'], string> = {
  runny: 'runny',
  flowing: 'veins blend softly',
  holding: 'lines keep their edge',
  setting: 'stones stay',
  gelled: 'gelled',
};

/** Marks of minutes that are told below, as far as they are reached. */
const marks = [10, 30, 60, 120, 240, 480, 960, 1440, 2880];

/** The way of resin: how thick it is over time, the first hour wide and the rest narrow. */
export function Way({ path, request, legs }: { path: string; request: unknown; legs: readonly number[] }) {
  const { data } = useQuery(sumQuery(path, request));
  if (!data || !('line' in data)) return null;
  const { line, stages } = data as unknown as Line;
  const known = line.filter((p) => p.viscosityPaS !== null);
  const last = line.at(-1)!.minutes;
  const thick = stages.map((s) => s.fromPaS).filter((v) => v !== null);
  const [least, most] = [
    Math.min(...known.map((p) => p.viscosityPaS!), thick[0]! / 2) / 2.2,
    thick.at(-1)! * 10,
  ];
  const x = (minutes: number) => Math.sqrt(minutes / last) * wide;
  const y = (paS: number) => high - (Math.log(Math.min(paS, most) / least) / Math.log(most / least)) * high;
  // Where it goes on into another vessel, on the line.
  const turns = legs.flatMap((end) => line.find((p) => p.minutes >= end - 1e-6) ?? []);
  const course = line.map((p) => `${x(p.minutes).toFixed(1)} ${y(p.viscosityPaS ?? most).toFixed(1)}`);
  const floors = [least, ...thick];
  const names = (['runny', ...stages.map((s) => s.stage)] as const).slice(0, floors.length);
  return (
    <figure className="way">
      <svg
        viewBox={`0 0 ${wide} ${high + foot}`}
        role="img"
        aria-label="How thick the resin is, from mixing to gel"
      >
        {floors.map((from, i) => {
          const [top, bottom] = [y(floors[i + 1] ?? most), y(from)];
          return (
            <g key={names[i]}>
              <rect
                className="way-stage"
                data-odd={i % 2 === 1 || undefined}
                y={top}
                width={wide}
                height={bottom - top}
              />
              <text className="way-name" x={8} y={top + 15}>
                {stageWords[names[i]!]}
              </text>
            </g>
          );
        })}
        <path className="way-line" d={`M${course.join('L')}`} />
        {turns.map((p) => (
          <circle
            key={p.minutes}
            className="way-turn"
            cx={x(p.minutes)}
            cy={y(p.viscosityPaS ?? most)}
            r={6}
          />
        ))}
        {marks
          .filter((m) => m < last * 0.97)
          .map((m) => (
            <g key={m}>
              <line className="way-mark" x1={x(m)} x2={x(m)} y1={0} y2={high} />
              <text className="way-minutes" x={x(m)} y={high + 18} textAnchor="middle">
                {m < 120 ? `${m} min` : `${m / 60} h`}
              </text>
            </g>
          ))}
      </svg>
      <figcaption className="hint">
        How thick it is, from when hardener met resin. Dots: it goes on into the next vessel. The first hour
        is drawn wide.
      </figcaption>
    </figure>
  );
}
