import type { DraftOrder } from './DraftLoop';
import { DraftLoop } from './DraftLoop';

// A thread of its own: a draft must not wait for the page to lay itself out.
const loop = new DraftLoop((news) => postMessage(news));
addEventListener('message', ({ data }: MessageEvent<DraftOrder>) => loop.hear(data));
