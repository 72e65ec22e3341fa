import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { DraftNews, DraftOrder } from './DraftLoop';
import { Drafts } from './Drafts';

class Thread extends EventTarget {
  static last: Thread;
  heard: DraftOrder[] = [];
  ended = false;
  constructor() {
    super();
    Thread.last = this;
  }
  postMessage(order: DraftOrder) {
    this.heard.push(order);
  }
  terminate() {
    this.ended = true;
  }
  say(news: DraftNews) {
    this.dispatchEvent(new MessageEvent('message', { data: news }));
  }
}

const place = { width: 100, height: 60, ratio: 1, view: { pixelsPerMm: 1, x: 0, y: 0 } };
const move = {
  id: 'p1',
  layerId: null,
  revision: 1,
  commands: [],
  look: { face: 'top', wet: false, light: 'front', tiltDeg: 0, torched: false } as const,
  movedAt: 0,
};
let news: DraftNews[];
let drafts: Drafts;
let given: HTMLCanvasElement;

beforeEach(() => {
  news = [];
  vi.stubGlobal('Worker', Thread);
  vi.stubGlobal('OffscreenCanvas', class {});
  HTMLCanvasElement.prototype.transferControlToOffscreen = () => ({}) as OffscreenCanvas;
  HTMLCanvasElement.prototype.getContext = (() => null) as typeof HTMLCanvasElement.prototype.getContext;
  vi.stubGlobal('fetch', () =>
    Promise.resolve(
      new Response(
        JSON.stringify({ plan: null, painting: { widthMm: 100, heightMm: 60, outline: 'wide', paths: [] } }),
        { headers: { 'content-type': 'application/json' } },
      ),
    ),
  );
  drafts = new Drafts();
  drafts.listen((n) => news.push(n));
  given = document.body.appendChild(document.createElement('canvas'));
});
afterEach(() => {
  vi.unstubAllGlobals();
  document.body.replaceChildren();
});

describe('the drafts of a piece', () => {
  it('are painted in a thread of their own, and nothing of it but its news is told', () => {
    drafts.send({ canvas: given });
    drafts.send({ place });
    drafts.send({ move });
    expect(Thread.last.heard).toHaveLength(3);
    Thread.last.say({ shape: { widthMm: 1, heightMm: 1, outline: 'x' }, piece: null });
    expect(news).toHaveLength(1);
  });

  it.each([
    ['says that it cannot', () => Thread.last.say({ failed: 'InvalidStateError' })],
    ['fails', () => Thread.last.dispatchEvent(new Event('error', { cancelable: true }))],
  ])('are painted in the page when the thread %s, on another canvas, from the last move on', (_, fails) => {
    drafts.send({ canvas: given });
    drafts.send({ place });
    drafts.send({ move });
    const thread = Thread.last;
    fails();
    expect(thread.ended).toBe(true);
    expect(given.isConnected).toBe(false);
    expect(document.querySelectorAll('canvas')).toHaveLength(1);
    expect(news.some((n) => 'failed' in n)).toBe(false);
    drafts.send({ move });
    expect(thread.heard).toHaveLength(3);
  });

  it('are painted in the page where there is no thread to give', () => {
    vi.stubGlobal('Worker', undefined);
    drafts.send({ canvas: given });
    expect(given.isConnected).toBe(true);
  });
});
