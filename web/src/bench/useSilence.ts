import { useEffect, useState } from 'react';
import type { LiveView } from '../api/client';

/** A scale that says nothing new for so long is told, ms. */
export const silentMs = 2000;

/**
 * Whether the scale answers and has said nothing new for a while: its readings are numbered, so that one that rests is not one that
 * stopped.
 */
export function useSilence(live: LiveView | null): boolean {
  const reading = live?.scale?.reading;
  const [stopped, setStopped] = useState<number | null>(null);
  useEffect(() => {
    if (reading === undefined) return;
    const waiting = setTimeout(() => setStopped(reading), silentMs);
    return () => clearTimeout(waiting);
  }, [reading]);
  return reading !== undefined && stopped === reading;
}
