import { useEffect, useState } from 'react';
import type { LiveView } from '../api/client';

/** What the devices of the bench show, as it changes; null until the first of it has come. */
export function useLive(): LiveView | null {
  const [live, setLive] = useState<LiveView | null>(null);
  useEffect(() => {
    const stream = new EventSource('/api/live/stream');
    stream.addEventListener('live', (e) => setLive(JSON.parse(e.data as string) as LiveView));
    return () => stream.close();
  }, []);
  return live;
}
