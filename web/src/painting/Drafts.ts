import type { DraftNews, DraftOrder, Move } from './DraftLoop';
import { DraftLoop } from './DraftLoop';
import type { Place } from './place';

const hasThread = () =>
  typeof Worker !== 'undefined' &&
  typeof OffscreenCanvas !== 'undefined' &&
  'transferControlToOffscreen' in HTMLCanvasElement.prototype;

/**
 * The drafts of a piece, painted in a thread of their own where the browser has one to give that can; else, and when the
 * thread fails, in the page.
 */
export class Drafts {
  private listener: ((news: DraftNews) => void) | null = null;
  private thread: Worker | null = null;
  private loop: DraftLoop | null = null;
  private threadFails = false;
  private canvas: HTMLCanvasElement | null = null;
  private place: Place | null = null;
  private last: Move | null = null;

  listen(listener: (news: DraftNews) => void) {
    this.listener = listener;
    return () => {
      this.listener = null;
      this.thread?.terminate();
      this.thread = this.loop = null;
    };
  }

  send(order: DraftOrder) {
    if ('canvas' in order) this.canvas = order.canvas instanceof HTMLCanvasElement ? order.canvas : null;
    else if ('place' in order) this.place = order.place;
    else this.last = 'move' in order ? order.move : null;
    if ('halt' in order && order.halt === 'clear') this.listener?.({ cleared: true });
    if (this.threadFails || !hasThread()) return this.inPage(order);
    if (!this.thread) {
      this.thread = new Worker(new URL('./drafts.worker.ts', import.meta.url), { type: 'module' });
      this.thread.addEventListener('message', ({ data }: MessageEvent<DraftNews>) => {
        if ('failed' in data) this.fallBack();
        else this.listener?.(data);
      });
      this.thread.addEventListener('error', (e) => {
        e.preventDefault();
        this.fallBack();
      });
    }
    try {
      const canvas =
        'canvas' in order && order.canvas instanceof HTMLCanvasElement
          ? order.canvas.transferControlToOffscreen()
          : null;
      if (canvas) this.thread.postMessage({ canvas }, [canvas]);
      else this.thread.postMessage(order);
    } catch {
      this.fallBack();
    }
  }

  private inPage(order: DraftOrder) {
    this.loop ??= new DraftLoop((news) => 'failed' in news || this.listener?.(news));
    this.loop.hear(order);
  }

  /** What was given to the thread is lost with it: another canvas stands in its place, and the page paints on that. */
  private fallBack() {
    if (this.threadFails) return;
    this.threadFails = true;
    this.thread?.terminate();
    this.thread = null;
    if (this.canvas) {
      const fresh = document.createElement('canvas');
      this.canvas.replaceWith(fresh);
      this.canvas = fresh;
      this.inPage({ canvas: fresh });
    }
    if (this.place) this.inPage({ place: this.place });
    if (this.last) this.inPage({ move: this.last });
  }
}
