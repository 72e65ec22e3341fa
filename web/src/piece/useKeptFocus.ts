import { useEffect } from 'react';

/**
 * Keeps the focus near where it was: when what had it is taken off the page, the heading of its part gets it, and not the top
 * of the page; and a page that opens begins at its name.
 */
export function useKeptFocus() {
  useEffect(() => {
    if (document.activeElement === document.body) document.querySelector<HTMLElement>('main h1')?.focus();
    let part: Element | null = null;
    const note = (e: FocusEvent) => {
      part = (e.target as Element | null)?.closest('section, aside, main') ?? null;
    };
    const mend = () => {
      if (document.activeElement !== document.body || !part) return;
      const here = part.isConnected ? part : document.querySelector('main section.right');
      const heading = here?.closest('section.right, aside, main')?.querySelector<HTMLElement>('h2, h1');
      if (!heading) return;
      heading.tabIndex = -1;
      heading.focus({ preventScroll: true });
    };
    const watch = new MutationObserver(() => requestAnimationFrame(mend));
    document.addEventListener('focusin', note);
    // A press beside everything lets go of the focus on purpose.
    const letGo = () => (part = null);
    document.addEventListener('pointerdown', letGo);
    watch.observe(document.querySelector('main')!, { childList: true, subtree: true });
    return () => {
      watch.disconnect();
      document.removeEventListener('focusin', note);
      document.removeEventListener('pointerdown', letGo);
    };
  }, []);
}
