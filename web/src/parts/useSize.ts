import { useLayoutEffect, useState } from 'react';

/** The size of an element, pixels, as it changes. */
export function useSize(stage: React.RefObject<HTMLElement | null>) {
  const [room, setRoom] = useState({ width: 0, height: 0 });
  useLayoutEffect(() => {
    const observer = new ResizeObserver(([entry]) => {
      if (entry) setRoom({ width: entry.contentRect.width, height: entry.contentRect.height });
    });
    if (stage.current) observer.observe(stage.current);
    return () => observer.disconnect();
  }, [stage]);
  return room;
}
