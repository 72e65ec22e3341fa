import { useQuery, useQueryClient } from '@tanstack/react-query';
import { startTransition, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { Look, Painting, Piece, PieceView, PlanView } from '../api/client';
import { Refused, api, take } from '../api/client';
import type { Shape } from '../painting/DraftLoop';
import { Drafts } from '../painting/Drafts';
import { burstOf } from '../parts/burst';

/** How the piece on the page stands against the one that is kept. */
export type Saving =
  | { state: 'kept'; at: string }
  | { state: 'saving' }
  | { state: 'refused'; message: string; errors: Record<string, string[]> }
  | { state: 'waiting'; message: string }
  | { state: 'stale'; message: string };

const retryAfterMs = 3000;

/** A burst of arrow keys is over when none has come for so long. */
const burstMs = 450;

/** A plan with the layers of a newer one in place; a preview answers with those it was asked for. */
const withLayers = (plan: PlanView | null, newer: PlanView): PlanView | null =>
  plan && {
    ...newer,
    layers: plan.layers.map((l) => newer.layers.find((n) => n.layerId === l.layerId) ?? l),
  };

/**
 * The piece on the page. An edit shows at once and is saved; a drag is only previewed until it is let go. One save is
 * under way at a time and the latest edit wins. What the server refuses stays on the page, and so does the last good plan.
 * While dragging, the map is painted first; everything else on the page follows when there is time. Where what happened is
 * told, the painting is of the map as it was poured.
 */
export function usePiece(id: string, layerId: string | null, look: Look, asPoured = false) {
  const queries = useQueryClient();
  const [draft, setDraft] = useState<Piece | null>(null);
  const [view, setView] = useState<PieceView | null>(null);
  const [plan, setPlan] = useState<PlanView | null>(null);
  const [painting, setPainting] = useState<Painting | null>(null);
  const [paintedOf, setPaintedOf] = useState<unknown>(null);
  const [unpainted, setUnpainted] = useState<string | null>(null);
  const [saving, setSaving] = useState<Saving>({ state: 'saving' });
  const [newest, setNewest] = useState<PieceView | null>(null);
  const [looking, setLooking] = useState(false);
  // Counts how often what was on the page was given up for what is kept: the draft on the canvas goes with it.
  const [givenUp, setGivenUp] = useState(0);
  const version = useRef(0);
  const latest = useRef<Piece | null>(null);
  const busy = useRef(false);
  // What is to be saved: of edits the latest, and what each burst gave by itself.
  const unsaved = useRef<{ piece: Piece; apart: boolean }[]>([]);
  const burst = useRef<{ of: string; timer: ReturnType<typeof setTimeout> } | null>(null);
  const refused = useRef(false);
  // Steps asked for while something is under way: none is lost, however fast they are pressed.
  const waitingSteps = useRef<('undo' | 'redo')[]>([]);
  const steps = useRef<((direction: 'undo' | 'redo') => Promise<void>) | null>(null);
  // The draft that stands in for the painting, while a drag is on and until what it gave is painted in full.
  const [drafts] = useState(() => new Drafts());
  const [drafted, setDrafted] = useState<Shape | null>(null);
  const dragging = useRef(false);

  const loaded = useQuery({
    queryKey: ['piece', id],
    queryFn: () => take(api.GET('/api/pieces/{id}', { params: { path: { id } } })),
    staleTime: Infinity,
    refetchOnWindowFocus: false,
  });

  const accept = useCallback(
    (got: PieceView) => {
      version.current = got.version;
      refused.current = false;
      setView(got);
      setPlan(got.plan);
      setNewest(null);
      setLooking(false);
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
      if (busy.current || unsaved.current.length > 0 || burst.current) return;
      const got = await take(api.GET('/api/pieces/{id}', { params: { path: { id } } })).catch(() => null);
      if (got && got.version === version.current && !busy.current && unsaved.current.length === 0)
        setPlan(got.plan);
    }, 30_000);
    return () => clearInterval(timer);
  }, [id]);

  // The whole painting follows every save; of a piece that could not be saved it is made without keeping it.
  const opened = view !== null;
  // A piece that cannot be looked at from below or with the light behind it any more is looked at as usual.
  const hidden = (plan?.hidden ?? null) !== null;
  const { wet } = look;
  const face = hidden ? 'top' : look.face;
  const light = hidden ? 'front' : look.light;
  const lookedAt = useMemo<Look>(() => ({ face, wet, light }), [face, wet, light]);
  const shown = saving.state === 'stale' && draft && !looking ? draft : null;
  const topmost = layerId ?? view?.piece.layers.at(-1)?.id;
  const revision = asPoured
    ? (view?.runs.findLast((r) => r.layerId === topmost)?.revision ?? undefined)
    : undefined;
  useEffect(() => {
    if (!opened) return;
    let gone = false;
    const asked = shown
      ? take(
          api.POST('/api/pieces/{id}/preview', {
            params: { path: { id } },
            body: { piece: shown, layerId, detail: 'full', numbers: true, look: lookedAt },
          }),
        ).then((got) => {
          const { plan: worked } = got;
          if (!gone && worked) setPlan((p) => withLayers(p, worked));
          return got.painting!;
        })
      : take(
          api.GET('/api/pieces/{id}/painting', {
            params: { path: { id }, query: { layer: layerId ?? undefined, revision, ...lookedAt } },
          }),
        );
    asked
      .then((got) => {
        if (gone) return;
        setPainting(got);
        setPaintedOf(view);
        setUnpainted(null);
        if (dragging.current) return;
        setDrafted(null);
        drafts.send({ halt: 'clear' });
      })
      .catch((e: Error) => {
        if (!gone) setUnpainted(e.message);
      });
    return () => {
      gone = true;
    };
  }, [id, opened, view, layerId, lookedAt, shown, revision, looking, givenUp, drafts]);

  const save = useCallback(async () => {
    if (busy.current) return;
    busy.current = true;
    for (let next = unsaved.current.shift(); next; next = unsaved.current.shift()) {
      const { piece } = next;
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
        if (e.status === 409) {
          unsaved.current = [];
          setSaving({ state: 'stale', message: e.message });
          setNewest(await take(api.GET('/api/pieces/{id}', { params: { path: { id } } })).catch(() => null));
        } else if (e.status === 400 || e.status === 404 || e.status === 422) {
          refused.current = true;
          setSaving({ state: 'refused', message: e.message, errors: e.errors });
        } else {
          setSaving({ state: 'waiting', message: e.message });
          if (unsaved.current.length === 0 || next.apart) unsaved.current.unshift(next);
          break;
        }
      }
    }
    busy.current = false;
    const direction = waitingSteps.current.shift();
    if (direction) void steps.current?.(direction);
  }, [id, accept]);

  useEffect(() => {
    if (saving.state !== 'waiting') return;
    const timer = setTimeout(() => void save(), retryAfterMs);
    return () => clearTimeout(timer);
  }, [saving, save]);

  /** Ends a burst of changes: what it gave is saved as one step. */
  const flush = useCallback(() => {
    if (!burst.current) return;
    clearTimeout(burst.current.timer);
    burst.current = null;
    dragging.current = false;
    drafts.send({ halt: 'keep' });
    if (latest.current) unsaved.current.push({ piece: latest.current, apart: true });
    void save();
  }, [save, drafts]);
  useEffect(() => flush, [flush]);

  /** Changes the piece and saves it. Changes of one kind in a burst are one step. */
  const edit = useCallback(
    (change: (piece: Piece) => Piece) => {
      if (!latest.current) return;
      setLooking(false);
      const of = burstOf();
      if (of === null || burst.current?.of !== of) flush();
      latest.current = change(latest.current);
      setDraft(latest.current);
      if (of !== null) {
        // Shown at once, and kept as one step when no more of its kind come.
        clearTimeout(burst.current?.timer);
        burst.current = { of, timer: setTimeout(flush, burstMs) };
        dragging.current = true;
        drafts.send({
          move: {
            id,
            layerId,
            piece: latest.current,
            look: lookedAt,
            movedAt: performance.timeOrigin + performance.now(),
          },
        });
        return;
      }
      dragging.current = false;
      drafts.send({ halt: 'keep' });
      if (unsaved.current.at(-1)?.apart === false) unsaved.current.pop();
      unsaved.current.push({ piece: latest.current, apart: false });
      void save();
    },
    [id, layerId, lookedAt, save, flush, drafts],
  );

  /** After a save that came too late: takes the newest version, or puts this page's on top of it. */
  const settle = useCallback(
    async (which: 'newest' | 'mine') => {
      const got = await take(api.GET('/api/pieces/{id}', { params: { path: { id } } }));
      if (which === 'mine' && latest.current) {
        version.current = got.version;
        unsaved.current = [{ piece: latest.current, apart: false }];
        return save();
      }
      dragging.current = false;
      latest.current = got.piece;
      setDraft(got.piece);
      setGivenUp((n) => n + 1);
      accept(got);
    },
    [id, accept, save],
  );

  /** Steps back or forward along the revisions; one asked for while a save is under way follows it. */
  const step = useCallback(
    async (direction: 'undo' | 'redo') => {
      flush();
      if (busy.current || unsaved.current.length > 0) {
        waitingSteps.current.push(direction);
        return;
      }
      // What was refused is what a person wants undone first.
      if (refused.current && direction === 'undo') return settle('newest');
      busy.current = true;
      let failed = false;
      try {
        const got = await take(
          api.POST('/api/pieces/{id}/step', {
            params: { path: { id } },
            body: { basedOn: version.current, step: direction },
          }),
        );
        latest.current = got.piece;
        setDraft(got.piece);
        accept(got);
      } catch (e) {
        if (!(e instanceof Refused)) throw e;
        failed = true;
        if (e.status === 409) waitingSteps.current = [];
        else waitingSteps.current.unshift(direction);
        setSaving({ state: e.status === 409 ? 'stale' : 'waiting', message: e.message });
      }
      busy.current = false;
      const more = unsaved.current.length > 0;
      const next = failed || more ? undefined : waitingSteps.current.shift();
      if (more) void save();
      else if (next) void steps.current?.(next);
    },
    [id, accept, save, settle, flush],
  );
  useEffect(() => {
    steps.current = step;
  }, [step]);

  // The map is painted first; everything else on the page follows when there is time.
  useEffect(
    () =>
      drafts.listen((news) => {
        if ('shape' in news) {
          if (dragging.current) setDrafted((was) => (was?.outline === news.shape.outline ? was : news.shape));
        } else if ('shown' in news) {
          const [start, end] = [news.shown.movedAt, news.shown.shownAt].map(
            (t) => t - performance.timeOrigin,
          );
          performance.measure('hand-to-paint', { start, end });
        } else if ('plan' in news && dragging.current) {
          startTransition(() => {
            setDraft(latest.current);
            setPlan((p) => withLayers(p, news.plan));
          });
        }
      }),
    [drafts],
  );

  /** Shows a change while it is dragged; `edit` saves it. The time of the hand's move goes with it, to be measured. */
  const drag = useCallback(
    (change: (piece: Piece) => Piece, movedAt: number) => {
      if (!latest.current) return;
      dragging.current = true;
      latest.current = change(latest.current);
      drafts.send({
        move: {
          id,
          layerId,
          piece: latest.current,
          look: lookedAt,
          movedAt: performance.timeOrigin + movedAt,
        },
      });
    },
    [id, layerId, lookedAt, drafts],
  );

  const seen = looking && newest ? newest : null;
  return {
    draft: seen?.piece ?? draft,
    view,
    plan: seen?.plan ?? plan,
    painting,
    lookedAt,
    /** Whether something is worked out that is not on the page yet. */
    working: saving.state === 'saving' || (paintedOf !== view && unpainted === null),
    unpainted,
    saving,
    missing: loaded.error,
    newest,
    looking,
    look: setLooking,
    edit,
    drag,
    drafts,
    drafted,
    step,
    settle,
    accept,
  };
}

export type PieceOnPage = ReturnType<typeof usePiece>;
