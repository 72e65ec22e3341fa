import { useEffect, useState } from 'react';

interface Props {
  row: React.RefObject<HTMLElement | null>;
  to: { id: string; colour: string; ml: number }[];
}

interface Stream {
  id: string;
  d: string;
}

interface Spot {
  x: number;
  y: number;
}

/**
 * The way from the lip of a jug to a cup. One that stands in a row above it is reached round the numbers of that row: up over the
 * jug, where nothing is written, and from above into the cup.
 */
function streamTo(from: Spot, end: Spot, above: boolean) {
  if (above) {
    const left = from.x - 40 - 0.35 * (end.x - from.x);
    return `M${from.x} ${from.y}C${left} ${end.y - 60} ${end.x} ${end.y - 30} ${end.x} ${end.y}`;
  }
  const top = Math.max(4, Math.min(from.y, end.y) - 22);
  return `M${from.x} ${from.y}C${from.x + 26} ${top} ${end.x} ${top - 6} ${end.x} ${end.y}`;
}

/** Streams of resin from the lip of the jug to each cup, the thicker the more it is. */
export function Streams({ row, to }: Props) {
  const [streams, setStreams] = useState<Stream[]>([]);
  // The row is there once it has been put on the page, after what is in it.
  useEffect(() => {
    const box = row.current;
    if (!box) return;
    const draw = () => {
      const origin = box.getBoundingClientRect();
      const jug = box.querySelector('[data-jug] svg')?.getBoundingClientRect();
      if (!jug) return;
      const from = { x: jug.right - origin.x - 4, y: jug.top - origin.y + 8 };
      setStreams(
        [...box.querySelectorAll<HTMLElement>('li[data-cup]')].map((cup) => {
          const glass = cup.querySelector('svg')!.getBoundingClientRect();
          const end = { x: glass.x + glass.width / 2 - origin.x, y: glass.y - origin.y + 6 };
          return {
            id: cup.dataset['cup']!,
            d: streamTo(from, end, glass.bottom - origin.y < from.y),
          };
        }),
      );
    };
    const observer = new ResizeObserver(draw);
    observer.observe(box);
    box.querySelectorAll('li[data-cup]').forEach((cup) => observer.observe(cup));
    return () => observer.disconnect();
  }, [row, to.length]);
  return (
    <svg className="streams" aria-hidden>
      {to.map(({ id, colour, ml }) => {
        const stream = streams.find((s) => s.id === id);
        return (
          stream && (
            <path key={id} d={stream.d} stroke={colour} strokeWidth={Math.min(12, 2 + Math.sqrt(ml) / 2.2)} />
          )
        );
      })}
    </svg>
  );
}
