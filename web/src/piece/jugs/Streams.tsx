import { useEffect, useState } from 'react';
import { streamTo } from './streamTo';

interface Props {
  row: React.RefObject<HTMLElement | null>;
  to: { id: string; colour: string; ml: number }[];
}

interface Stream {
  id: string;
  d: string;
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
