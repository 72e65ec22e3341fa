import { useCallback, useLayoutEffect, useRef, useState } from 'react';
import type { ReactNode } from 'react';
import { useStation } from '../station';
import { ColouringProvider } from './colouring';
import { ColourChooser } from './ColourChooser';

/** A station, and in its place the colours that a cup can be given, while one is chosen. The piece stays in sight beside it. */
export function Colouring({ children }: { children: ReactNode }) {
  const { layer } = useStation();
  const [cupId, setCupId] = useState<string | null>(null);
  const cup = layer.cups.find((c) => c.id === cupId);
  const from = useRef<{ pressed: HTMLElement; column: Element | null; top: number } | null>(null);
  const open = useCallback((id: string) => {
    const pressed = document.activeElement as HTMLElement;
    const column = pressed.closest('.right');
    from.current = { pressed, column, top: column?.scrollTop ?? 0 };
    setCupId(id);
  }, []);
  const there = cup !== undefined;
  // Back where it was opened: the keys too.
  useLayoutEffect(() => {
    if (there || !from.current) return;
    const { pressed, column, top } = from.current;
    from.current = null;
    pressed.focus({ preventScroll: true });
    if (column) column.scrollTop = top;
  }, [there]);
  return (
    <ColouringProvider value={open}>
      {cup && <ColourChooser key={cup.id} cup={cup} onDone={() => setCupId(null)} />}
      <div hidden={there}>{children}</div>
    </ColouringProvider>
  );
}
