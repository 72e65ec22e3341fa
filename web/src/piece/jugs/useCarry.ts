import { useEffect, useState } from 'react';
import { swallowClick } from '../swallowClick';

interface Carried {
  cup: string;
  from: string;
  name: string;
  x: number;
  y: number;
}

/** So far a press is no carrying yet, pixels. */
const slack = 6;

const batchUnder = (e: PointerEvent) =>
  document.elementFromPoint(e.clientX, e.clientY)?.closest<HTMLElement>('[data-batch]')?.dataset['batch'];

/** A cup that is carried by its name from one jug to another, or to none; Escape puts it back. */
export function useCarry(drop: (cup: string, from: string, batch: string | null) => void) {
  const [carried, setCarried] = useState<Carried | null>(null);
  const [over, setOver] = useState<string | null>(null);
  const [stop, setStop] = useState<(() => void) | null>(null);
  useEffect(() => {
    if (!stop) return;
    const key = (e: KeyboardEvent) => e.key === 'Escape' && stop();
    window.addEventListener('keydown', key);
    return () => window.removeEventListener('keydown', key);
  }, [stop]);
  const take = (e: React.PointerEvent<HTMLElement>, cup: string, name: string, from: string) => {
    if (e.button !== 0) return;
    const start = { x: e.clientX, y: e.clientY };
    const button = e.currentTarget;
    let carrying = false;
    const end = () => {
      window.removeEventListener('pointermove', move);
      window.removeEventListener('pointerup', up);
      window.removeEventListener('pointercancel', end);
      setCarried(null);
      setOver(null);
      setStop(null);
    };
    const move = (event: PointerEvent) => {
      carrying ||= Math.hypot(event.clientX - start.x, event.clientY - start.y) > slack;
      if (!carrying) return;
      setCarried({ cup, from, name, x: event.clientX, y: event.clientY });
      const under = batchUnder(event);
      setOver(under === undefined || under === from ? null : under);
    };
    const up = (event: PointerEvent) => {
      const under = batchUnder(event);
      end();
      if (!carrying) return;
      // The click that ends it chooses no cup.
      swallowClick(button);
      if (under !== undefined && under !== from) drop(cup, from, under === '' ? null : under);
    };
    window.addEventListener('pointermove', move);
    window.addEventListener('pointerup', up);
    window.addEventListener('pointercancel', end);
    setStop(() => end);
  };
  return { carried, over, take };
}
