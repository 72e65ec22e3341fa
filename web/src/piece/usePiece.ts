import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Painting, Piece, PieceView, PlanView } from '../api/client';
import { Refused, api, take } from '../api/client';

/** How the piece on the page stands against the one that is kept. */
export type Saving =
  | { state: 'kept'; at: string }
  | { state: 'saving' }
  | { state: 'refused'; message: string; errors: Record<string, string[]> }
  | { state: 'waiting'; message: string }
  | { state: 'stale'; message: string };

const retryAfterMs = 3000;

/**
 * The piece on the page. An edit shows at once and is saved; a drag is only previewed until it is let go. One save is
 * under way at a time and the latest edit wins. What the server refuses stays on the page, and so does the last good plan.
 */
export function usePiece(id: string, layerId: string | null) {
  const queries = useQueryClient();
  const [draft, setDraft] = useState<Piece | null>(null);
  const [view, setView] = useState<PieceView | null>(null);
  const [plan, setPlan] = useState<PlanView | null>(null);
  const [painting, setPainting] = useState<Painting | null>(null);
  const [unpainted, setUnpainted] = useState<string | null>(null);
  const [saving, setSaving] = useState<Saving>({ state: 'saving' });
  const version = useRef(0);
  const latest = useRef<Piece | null>(null);
  const busy = useRef(false);
  const unsaved = useRef<Piece | null>(null);
  const preview = useRef<{ busy: boolean; next: Piece | null; moves: number }>({
    busy: false,
    next: null,
    moves: 0,
  });

  const loaded = useQuery({
    queryKey: ['piece', id],
    queryFn: () => take(api.GET('/api/pieces/{id}', { params: { path: { id } } })),
    staleTime: Infinity,
    refetchOnWindowFocus: false,
  });

  const accept = useCallback(
    (got: PieceView) => {
      version.current = got.version;
      setView(got);
      setPlan(got.plan);
      setSaving({ state: 'kept', at: got.savedAt.local });
      void queries.invalidateQueries({ queryKey: ['ribbon'] });
      void queries.invalidateQueries({ queryKey: ['shelf'] });
    },
    [queries],
  );

  useEffect(() => {
    if (!loaded.data || version.current >= loaded.data.version) return;
    latest.current = loaded.data.piece;
    setDraft(loaded.data.piece);
    accept(loaded.data);
  }, [loaded.data, accept]);

  // Windows open and close as time goes by.
  useEffect(() => {
    const timer = setInterval(async () => {
      if (busy.current || unsaved.current) return;
      const got = await take(api.GET('/api/pieces/{id}', { params: { path: { id } } })).catch(() => null);
      if (got && got.version === version.current && !busy.current && !unsaved.current) setPlan(got.plan);
    }, 30_000);
    return () => clearInterval(timer);
  }, [id]);

  const kept = view?.version;
  useEffect(() => {
    if (!kept) return;
    let gone = false;
    take(
      api.GET('/api/pieces/{id}/painting', {
        params: { path: { id }, query: { layer: layerId ?? undefined } },
      }),
    )
      .then((got) => {
        if (gone) return;
        setPainting(got);
        setUnpainted(null);
      })
      .catch((e: Error) => {
        if (!gone) setUnpainted(e.message);
      });
    return () => {
      gone = true;
    };
  }, [id, kept, layerId]);

  const save = useCallback(async () => {
    if (busy.current) return;
    busy.current = true;
    while (unsaved.current) {
      const piece: Piece = unsaved.current;
      unsaved.current = null;
      setSaving({ state: 'saving' });
      try {
        const got = await take(
          api.PUT('/api/pieces/{id}', {
            params: { path: { id } },
            body: { basedOn: version.current, piece },
          }),
        );
        accept(got);
      } catch (e) {
        if (!(e instanceof Refused)) throw e;
        if (e.status === 409) setSaving({ state: 'stale', message: e.message });
        else if (e.status === 400) setSaving({ state: 'refused', message: e.message, errors: e.errors });
        else {
          setSaving({ state: 'waiting', message: e.message });
          unsaved.current ??= piece;
          break;
        }
      }
    }
    busy.current = false;
  }, [id, accept]);

  useEffect(() => {
    if (saving.state !== 'waiting') return;
    const timer = setTimeout(() => void save(), retryAfterMs);
    return () => clearTimeout(timer);
  }, [saving, save]);

  /** Changes the piece and saves it. */
  const edit = useCallback(
    (change: (piece: Piece) => Piece) => {
      if (!latest.current) return;
      preview.current.next = null;
      latest.current = unsaved.current = change(latest.current);
      setDraft(latest.current);
      void save();
    },
    [save],
  );

  /** After a save that came too late: takes the newest version, or puts this page's on top of it. */
  const settle = useCallback(
    async (which: 'newest' | 'mine') => {
      const got = await take(api.GET('/api/pieces/{id}', { params: { path: { id } } }));
      if (which === 'mine' && latest.current) {
        version.current = got.version;
        unsaved.current = latest.current;
        return save();
      }
      latest.current = got.piece;
      setDraft(got.piece);
      accept(got);
    },
    [id, accept, save],
  );

  /** Shows a change while it is dragged; `edit` saves it. One preview is under way at a time, the latest wins. */
  const drag = useCallback(
    (change: (piece: Piece) => Piece) => {
      if (!latest.current) return;
      latest.current = change(latest.current);
      setDraft(latest.current);
      const state = preview.current;
      state.next = latest.current;
      if (state.busy) return;
      state.busy = true;
      void (async () => {
        while (state.next) {
          const piece: Piece = state.next;
          state.next = null;
          try {
            const got = await take(
              api.POST('/api/pieces/{id}/preview', {
                params: { path: { id } },
                body: { piece, layerId, detail: 'draft' },
              }),
            );
            if (latest.current === piece || state.next) {
              setPlan(got.plan);
              setPainting(got.painting);
            }
          } catch {
            // The save after the drag says what is wrong; the last good plan stays.
          }
        }
        state.busy = false;
      })();
    },
    [id, layerId],
  );

  return {
    draft,
    view,
    plan,
    painting,
    unpainted,
    saving,
    missing: loaded.error,
    edit,
    drag,
    settle,
    accept,
  };
}

export type PieceOnPage = ReturnType<typeof usePiece>;
