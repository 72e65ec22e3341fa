/** Moves as the hand makes them, not only once a frame, where the browser tells of them. */
export const moves = ('onpointerrawupdate' in window ? 'pointerrawupdate' : 'pointermove') as 'pointermove';

/** Does the latest of what it is given, once a frame: what a page redraws need not follow every move. */
export class OncePerFrame {
  private latest: (() => void) | null = null;

  put(act: () => void) {
    if (!this.latest)
      requestAnimationFrame(() => {
        const now = this.latest;
        this.latest = null;
        now?.();
      });
    this.latest = act;
  }

  drop() {
    if (this.latest) this.latest = () => undefined;
  }
}
