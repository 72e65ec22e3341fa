import type { DraftNews, DraftOrder } from './DraftLoop';
import { DraftLoop } from './DraftLoop';

const hasThread = () =>
  typeof Worker !== 'undefined' && 'transferControlToOffscreen' in HTMLCanvasElement.prototype;

/** The drafts of a piece, painted in a thread of their own where the browser has one to give. */
export class Drafts {
  private listener: ((news: DraftNews) => void) | null = null;
  private thread: Worker | null = null;
  private loop: DraftLoop | null = null;

  listen(listener: (news: DraftNews) => void) {
    this.listener = listener;
    return () => {
      this.listener = null;
      this.thread?.terminate();
      this.thread = this.loop = null;
    };
  }

  send(order: DraftOrder) {
    if (!hasThread()) {
      this.loop ??= new DraftLoop((news) => this.listener?.(news));
      return this.loop.hear(order);
    }
    if (!this.thread) {
      this.thread = new Worker(new URL('./drafts.worker.ts', import.meta.url), { type: 'module' });
      this.thread.addEventListener('message', ({ data }: MessageEvent<DraftNews>) => this.listener?.(data));
    }
    const canvas =
      'canvas' in order && order.canvas instanceof HTMLCanvasElement
        ? order.canvas.transferControlToOffscreen()
        : null;
    if (canvas) this.thread.postMessage({ canvas }, [canvas]);
    else this.thread.postMessage(order);
  }
}
