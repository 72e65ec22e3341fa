import { useEffect } from 'react';

/**
 * Keeps the focus near where it was: when what had it is taken off the page, the heading of its part gets it, and not the top
 * of the page; and a page that opens begins at the piece, which goes by its name: the stations come first.
 */
export function useKeptFocus() {
  useEffect(() => {
    let begun = false;
    let part: Element | null = null;
    const note = (e: FocusEvent) => {
      begun = true;
      part = (e.target as Element | null)?.closest('section, aside, main') ?? null;
    };
    // A press beside everything lets go of the focus on purpose.
    const letGo = () => (part = null);
    const headingOf = (here: Element | null | undefined) => here?.querySelector<HTMLElement>('h2, h1');
    const mend = () => {
      if (document.activeElement !== document.body) return;
      if (!begun) return document.querySelector<HTMLElement>('main.piece')?.focus();
      if (!part) return;
      const near = part.isConnected ? part.closest('section.right, aside, main') : null;
      const heading = headingOf(near) ?? headingOf(document.querySelector('main section.right'));
      if (!heading) return;
      heading.tabIndex = -1;
      heading.focus({ preventScroll: true });
    };
    const watch = new MutationObserver(() => requestAnimationFrame(mend));
    document.addEventListener('focusin', note);
    document.addEventListener('pointerdown', letGo);
    watch.observe(document.body, { childList: true, subtree: true });
    return () => {
      watch.disconnect();
      document.removeEventListener('focusin', note);
      document.removeEventListener('pointerdown', letGo);
    };
  }, []);
}
