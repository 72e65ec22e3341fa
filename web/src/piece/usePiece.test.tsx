import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, cleanup, renderHook, waitFor } from '@testing-library/react';
import type { ReactNode } from 'react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Look, Piece } from '../api/client';
import { inBurst } from '../parts/burst';
import { usualLook } from './LookBar';
import { usePiece } from './usePiece';

type Answer = { status: number; body: unknown };

/** A workshop of one piece, as the page sees it: versions, refusals, and gone now and then. */
class Workshop {
  names = ['first'];
  at = 0;
  version = 1;
  gone = false;
  requests: string[] = [];
  hidden: string | null = null;
  looks: string[] = [];

  view() {
    return {
      id: 'p1',
      version: this.version,
      savedAt: { at: '2026-05-01T09:30:00Z', local: '2026-05-01T09:30:00' },
      canUndo: this.at > 0,
      canRedo: this.at < this.names.length - 1,
      piece: { name: this.names[this.at], layers: [] },
      plan: { ground: {}, layers: [], hidden: this.hidden },
      runs: [],
    };
  }

  answer(
    method: string,
    path: string,
    body: { basedOn?: number; step?: string; piece?: Piece; detail?: string | null },
  ): Answer {
    this.requests.push([method, path.split('/').at(-1), body.detail].filter(Boolean).join(' '));
    const stale = body.basedOn !== undefined && body.basedOn !== this.version;
    if (stale)
      return { status: 409, body: { title: 'Changed elsewhere', detail: 'Saved in another window.' } };
    if (path.endsWith('/painting')) return { status: 200, body: { paths: [], name: this.names[this.at] } };
    if (path.endsWith('/preview'))
      return {
        status: 200,
        body: { plan: null, painting: body.detail && { paths: [], outline: body.piece!.name } },
      };
    if (path.endsWith('/step')) {
      this.at += body.step === 'undo' ? -1 : 1;
      this.version++;
    } else if (method === 'PUT') {
      if (body.piece!.name === '')
        return {
          status: 400,
          body: { detail: 'A piece needs a name.', errors: { name: ['A piece needs a name.'] } },
        };
      this.names = [...this.names.slice(0, this.at + 1), body.piece!.name];
      this.at++;
      this.version++;
    }
    return { status: 200, body: this.view() };
  }
}

let workshop: Workshop;

beforeEach(() => {
  workshop = new Workshop();
  vi.stubGlobal('fetch', async (request: Request) => {
    if (workshop.gone) throw new TypeError('Failed to fetch');
    const text = request.method === 'GET' ? '' : await request.text();
    const asked = new URL(request.url).searchParams;
    if (asked.has('face')) workshop.looks.push(['face', 'wet', 'light'].map((k) => asked.get(k)).join(' '));
    const { status, body } = workshop.answer(
      request.method,
      new URL(request.url).pathname,
      text ? JSON.parse(text) : {},
    );
    return new Response(JSON.stringify(body), { status, headers: { 'content-type': 'application/json' } });
  });
});
afterEach(() => {
  vi.unstubAllGlobals();
  vi.useRealTimers();
});

async function opened(look = usualLook) {
  const queries = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  const wrapper = ({ children }: { children: ReactNode }) => (
    <QueryClientProvider client={queries}>{children}</QueryClientProvider>
  );
  const { result } = renderHook(() => usePiece('p1', null, look), { wrapper });
  await waitFor(() => expect(result.current.saving.state).toBe('kept'));
  const rename = (name: string) => act(() => result.current.edit((p) => ({ ...p, name })));
  const named = (name: string) => waitFor(() => expect(result.current.draft?.name).toBe(name));
  const is = (state: string) => waitFor(() => expect(result.current.saving.state).toBe(state));
  return { result, rename, named, is };
}

describe('the piece on the page', () => {
  it('is working until what was changed is painted', async () => {
    const { result, rename } = await opened();
    await waitFor(() => expect(result.current.working).toBe(false));
    rename('second');
    expect(result.current.working).toBe(true);
    await waitFor(() => expect(result.current.working).toBe(false));
    expect(result.current.painting).toMatchObject({ name: 'second' });
  });

  it('is looked at as is asked for, and as usual where that cannot be', async () => {
    const below: Look = { face: 'underside', wet: false, light: 'back' };
    const { result } = await opened(below);
    await waitFor(() => expect(workshop.looks).toContain('underside false back'));
    expect(result.current.lookedAt).toEqual(below);
    cleanup();
    workshop.hidden = 'Only castings are seen from below.';
    const { result: wood } = await opened(below);
    await waitFor(() => expect(workshop.looks.at(-1)).toBe('top false front'));
    expect(wood.current.lookedAt).toEqual(usualLook);
  });

  it('shows an edit at once and keeps it', async () => {
    const { result, rename, is } = await opened();
    rename('second');
    expect(result.current.draft?.name).toBe('second');
    await is('kept');
    expect(workshop.names).toEqual(['first', 'second']);
  });

  it('saves one at a time, and of edits made meanwhile only the latest', async () => {
    const { rename, is } = await opened();
    rename('a');
    rename('b');
    rename('c');
    await is('kept');
    await waitFor(() => expect(workshop.names.at(-1)).toBe('c'));
    expect(workshop.names).toEqual(['first', 'a', 'c']);
  });

  it('takes a burst of one kind as one step, and what follows as another', async () => {
    const { result, rename, is } = await opened();
    const press = (of: string, name: string) =>
      act(() => inBurst(of, () => result.current.edit((p) => ({ ...p, name }))));
    for (const name of ['a', 'ab', 'abc']) press('width', name);
    expect(result.current.draft?.name).toBe('abc');
    expect(workshop.names).toEqual(['first']);
    press('place', 'moved');
    rename('named');
    await waitFor(() => expect(workshop.names.at(-1)).toBe('named'));
    await is('kept');
    expect(workshop.names).toEqual(['first', 'abc', 'moved', 'named']);
  });

  it('keeps a burst when no more of it come, and steps back over it as one', async () => {
    const { result, named } = await opened();
    for (const name of ['a', 'ab', 'abc'])
      act(() => inBurst('width', () => result.current.edit((p) => ({ ...p, name }))));
    await waitFor(() => expect(workshop.names).toEqual(['first', 'abc']), { timeout: 2000 });
    await act(() => result.current.step('undo'));
    await named('first');
  });

  it('steps back and forward, also when asked while a save is under way', async () => {
    const { result, rename, named } = await opened();
    rename('second');
    await act(() => result.current.step('undo'));
    await named('first');
    await act(() => result.current.step('redo'));
    await named('second');
  });

  it('takes every step that is asked for, however fast they follow each other', async () => {
    workshop.names = ['first', 'second', 'third', 'fourth'];
    workshop.at = 3;
    const { result, named } = await opened();
    await act(async () => {
      for (let i = 0; i < 3; i++) void result.current.step('undo');
    });
    await named('first');
  });

  it('keeps what was refused on the page, and undo gives it up', async () => {
    const { result, rename, named, is } = await opened();
    rename('');
    await is('refused');
    expect(result.current.draft?.name).toBe('');
    await act(() => result.current.step('undo'));
    await named('first');
    await is('kept');
    expect(workshop.version).toBe(1);
  });

  it('tells of a change in another window, shows it, and keeps mine over it', async () => {
    const { result, rename, named, is } = await opened();
    workshop.answer('PUT', '/api/pieces/p1', { basedOn: 1, piece: { name: 'theirs' } as Piece });
    rename('mine');
    await is('stale');
    expect(result.current.draft?.name).toBe('mine');
    await waitFor(() => expect(result.current.newest?.piece.name).toBe('theirs'));
    act(() => result.current.look(true));
    await named('theirs');
    act(() => result.current.look(false));
    await named('mine');
    await act(() => result.current.settle('mine'));
    await is('kept');
    expect(workshop.names).toEqual(['first', 'theirs', 'mine']);
  });

  it('or takes the newest', async () => {
    const { result, rename, named, is } = await opened();
    workshop.answer('PUT', '/api/pieces/p1', { basedOn: 1, piece: { name: 'theirs' } as Piece });
    rename('mine');
    await is('stale');
    await act(() => result.current.settle('newest'));
    await named('theirs');
    await is('kept');
  });

  it('keeps an edit while the workshop is gone and saves it when it is back', async () => {
    const { result, rename, is } = await opened();
    workshop.gone = true;
    rename('held');
    await is('waiting');
    expect(result.current.draft?.name).toBe('held');
    workshop.gone = false;
    await waitFor(() => expect(workshop.names.at(-1)).toBe('held'), { timeout: 5000 });
    await is('kept');
  });

  it('previews a drag without saving, one request at a time, the latest move last', async () => {
    const { result } = await opened();
    const before = workshop.requests.length;
    act(() => {
      for (const name of ['x', 'y', 'z']) result.current.drag((p) => ({ ...p, name }), performance.now());
    });
    await waitFor(() => expect(result.current.drafted?.outline).toBe('z'));
    expect(workshop.requests.slice(before).filter((r) => r.endsWith('draft'))).toHaveLength(2);
    expect(workshop.version).toBe(1);
  });

  it('lets a draft stand in until what it gave is painted in full', async () => {
    const { result, is } = await opened();
    act(() => result.current.drag((p) => ({ ...p, name: 'wider' }), performance.now()));
    await waitFor(() => expect(result.current.drafted?.outline).toBe('wider'));
    act(() => result.current.edit((p) => p));
    await is('kept');
    await waitFor(() => expect(result.current.drafted).toBeNull());
    expect(result.current.painting).toMatchObject({ name: 'wider' });
  });
});
