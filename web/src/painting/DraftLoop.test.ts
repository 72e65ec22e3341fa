import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Look, Schemas } from '../api/client';
import type { DraftNews } from './DraftLoop';
import { DraftLoop } from './DraftLoop';

interface Asked {
  name: string;
  detail: string | null;
  answer: (status?: number) => void;
}

/** What the loop has asked for, each answered when the test says so. */
let asked: Asked[];
let news: DraftNews[];
let looks: Look[];
let loop: DraftLoop;

beforeEach(() => {
  asked = [];
  news = [];
  looks = [];
  loop = new DraftLoop((n) => news.push(n));
  vi.stubGlobal('requestAnimationFrame', (done: FrameRequestCallback) => setTimeout(done, 0, 0));
  vi.stubGlobal('fetch', async (request: Request) => {
    const body = JSON.parse(await request.text()) as {
      commands: [{ place: string }];
      detail: string | null;
      look: Look;
    };
    const name = body.commands[0].place;
    looks.push(body.look);
    return new Promise((done) => {
      const got = {
        piece: { name },
        plan: body.detail ? null : { ground: {}, layers: [] },
        painting: body.detail && { widthMm: 100, heightMm: 60, outline: name, paths: [] },
      };
      const answer = (status = 200) =>
        done(new Response(JSON.stringify(got), { status, headers: { 'content-type': 'application/json' } }));
      asked.push({ name, detail: body.detail, answer });
    });
  });
});
afterEach(() => vi.unstubAllGlobals());

const move = (name: string, movedAt = 0) =>
  loop.hear({
    move: {
      id: 'p1',
      layerId: null,
      revision: 1,
      commands: [{ do: 'nudge', place: name, by: 1 }] satisfies Schemas['Edit'][],
      look: { face: 'top', wet: true, light: 'front', tiltDeg: 0, torched: false },
      movedAt,
    },
  });
const drafts = () => asked.filter((a) => a.detail === 'draft').map((a) => a.name);
const shapes = () => news.flatMap((n) => ('shape' in n ? [n.shape.outline] : []));

describe('the drafts of a drag', () => {
  it('are asked for one at a time, the latest move next', async () => {
    for (const name of ['a', 'b', 'c']) move(name);
    await vi.waitFor(() => expect(drafts()).toEqual(['a']));
    asked[0]!.answer();
    await vi.waitFor(() => expect(drafts()).toEqual(['a', 'c']));
  });

  it('are looked at as the piece is', async () => {
    move('a');
    await vi.waitFor(() =>
      expect(looks).toEqual([{ face: 'top', wet: true, light: 'front', tiltDeg: 0, torched: false }]),
    );
  });

  it('tell when they are on the screen, for the move they answer', async () => {
    move('a', 1234);
    await vi.waitFor(() => expect(asked).toHaveLength(1));
    asked[0]!.answer();
    await vi.waitFor(() => expect(news.some((n) => 'shown' in n)).toBe(true));
    const shown = news.flatMap((n) => ('shown' in n ? [n.shown] : []))[0]!;
    expect(shown.movedAt).toBe(1234);
    expect(shown.shownAt).toBeGreaterThan(1234);
    expect(shapes()).toEqual(['a']);
  });

  it('do not wait for the numbers', async () => {
    move('a');
    await vi.waitFor(() => expect(asked).toHaveLength(1));
    asked[0]!.answer();
    await vi.waitFor(() => expect(asked.map((a) => a.detail)).toEqual(['draft', null]));
    move('b');
    await vi.waitFor(() => expect(drafts()).toEqual(['a', 'b']));
    expect(news.some((n) => 'plan' in n)).toBe(false);
    asked[1]!.answer();
    await vi.waitFor(() => expect(news.some((n) => 'plan' in n)).toBe(true));
  });

  it('come to nothing once the drag has ended', async () => {
    move('a');
    await vi.waitFor(() => expect(asked).toHaveLength(1));
    loop.hear({ halt: 'keep' });
    asked[0]!.answer();
    move('b');
    await vi.waitFor(() => expect(drafts()).toEqual(['a', 'b']));
    asked[1]!.answer();
    await vi.waitFor(() => expect(shapes()).toEqual(['b']));
  });

  it('are painted again when the view changes, until they are cleared', async () => {
    const painted = vi.fn(() => null);
    const canvas = { width: 0, height: 0, getContext: painted } as unknown as OffscreenCanvas;
    const place = { width: 100, height: 60, ratio: 1, view: { pixelsPerMm: 1, x: 0, y: 0 } };
    loop.hear({ canvas });
    loop.hear({ place });
    expect(painted).not.toHaveBeenCalled();
    move('a');
    await vi.waitFor(() => expect(asked).toHaveLength(1));
    asked[0]!.answer();
    await vi.waitFor(() => expect(shapes()).toEqual(['a']));
    expect(painted).toHaveBeenCalledTimes(1);
    loop.hear({ halt: 'keep' });
    loop.hear({ place });
    expect(painted).toHaveBeenCalledTimes(2);
    loop.hear({ halt: 'clear' });
    painted.mockClear();
    loop.hear({ place });
    expect(painted).not.toHaveBeenCalled();
  });

  it('are shown whole, once they are painted', async () => {
    const blank = { taken: 0 };
    vi.stubGlobal(
      'OffscreenCanvas',
      class {
        width = 0;
        height = 0;
        getContext = () => null;
        transferToImageBitmap = () => `picture ${++blank.taken}`;
      },
    );
    const shown: unknown[] = [];
    const getContext = (kind: string) =>
      kind === 'bitmaprenderer' ? { transferFromImageBitmap: (p: unknown) => shown.push(p) } : null;
    loop.hear({ canvas: { width: 0, height: 0, getContext } as unknown as OffscreenCanvas });
    loop.hear({ place: { width: 100, height: 60, ratio: 1, view: { pixelsPerMm: 1, x: 0, y: 0 } } });
    move('a');
    await vi.waitFor(() => expect(asked).toHaveLength(1));
    asked[0]!.answer();
    await vi.waitFor(() => expect(shown).toEqual(['picture 1']));
    loop.hear({ halt: 'clear' });
    expect(shown).toEqual(['picture 1', null]);
  });

  it('ask for numbers that take long less often', async () => {
    vi.useFakeTimers({ toFake: ['performance'] });
    const numbers = () => asked.filter((a) => a.detail === null).length;
    const drag = async (name: string) => {
      const before = asked.filter((a) => a.detail).length;
      move(name);
      await vi.waitFor(() => expect(asked.filter((a) => a.detail)).toHaveLength(before + 1));
      asked
        .filter((a) => a.detail)
        .at(-1)!
        .answer();
      await vi.waitFor(() => expect(news.filter((n) => 'shown' in n)).toHaveLength(before + 1));
    };
    await drag('a');
    expect(numbers()).toBe(1);
    vi.advanceTimersByTime(200);
    asked.find((a) => a.detail === null)!.answer();
    await vi.waitFor(() => expect(news.some((n) => 'plan' in n)).toBe(true));
    vi.advanceTimersByTime(400);
    await drag('b');
    expect(numbers()).toBe(1);
    vi.advanceTimersByTime(300);
    await drag('c');
    expect(numbers()).toBe(2);
    vi.useRealTimers();
  });

  it('go on after one that was refused', async () => {
    move('a');
    await vi.waitFor(() => expect(asked).toHaveLength(1));
    asked[0]!.answer(400);
    await new Promise((done) => setTimeout(done));
    move('b');
    await vi.waitFor(() => expect(drafts()).toEqual(['a', 'b']));
  });
});
