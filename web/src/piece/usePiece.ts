import { useQuery, useQueryClient } from '@tanstack/react-query';
import { startTransition, useEffect, useMemo, useState } from 'react';
import type { Look, Painting } from '../api/client';
import { api, take } from '../api/client';
import { PieceEditor } from '../editor/PieceEditor';
import type { Shape } from '../painting/DraftLoop';
import { Drafts } from '../painting/Drafts';

/**
 * The piece on the page. A change is a command that is kept; a drag is only previewed until it is let go. While dragging, the map is
 * painted first; everything else on the page follows when there is time. Where what happened is told, the painting is of the map as it
 * was poured.
 */
export function usePiece(id: string, layerId: string | null, look: Look, asPoured = false) {
  const queries = useQueryClient();
  // The draft that stands in for the painting, while a drag is on and until what it gave is painted in full.
  const [drafts] = useState(() => new Drafts());
  const [editor] = useState(() => {
    const params = { path: { id } };
    return new PieceEditor(
      id,
      {
        load: () => take(api.GET('/api/pieces/{id}', { params })),
        edit: (body) => take(api.POST('/api/pieces/{id}/edit', { params, body })),
        step: (body) => take(api.POST('/api/pieces/{id}/step', { params, body })),
        kept: () => {
          void queries.invalidateQueries({ queryKey: ['ribbon'] });
          void queries.invalidateQueries({ queryKey: ['shelf'] });
        },
      },
      (order) => drafts.send(order),
    );
  });
  // What follows a drag is shown when there is time: it is held by the page, so that it can be.
  const [shown, setShown] = useState(editor.get);
  useEffect(() => editor.subscribe(() => setShown(editor.get())), [editor]);
  const { view, plan, saving, errors, newest, looking, draft, givenUp, renewed } = shown;
  const [painting, setPainting] = useState<Painting | null>(null);
  const [paintedOf, setPaintedOf] = useState<unknown>(null);
  const [unpainted, setUnpainted] = useState<string | null>(null);
  const [drafted, setDrafted] = useState<Shape | null>(null);

  const loaded = useQuery({
    queryKey: ['piece', id],
    queryFn: () => take(api.GET('/api/pieces/{id}', { params: { path: { id } } })),
    staleTime: Infinity,
    refetchOnWindowFocus: false,
  });
  useEffect(() => {
    if (loaded.data) editor.offer(loaded.data);
  }, [loaded.data, editor]);

  useEffect(() => {
    const timer = setInterval(() => void editor.tick(), 30_000);
    return () => clearInterval(timer);
  }, [editor]);
  useEffect(() => editor.leave, [editor]);

  // The whole painting follows every save; of a piece that could not be saved it is made without keeping it.
  const opened = view !== null;
  // A piece that cannot be looked at from below or with the light behind it any more is looked at as usual.
  const hidden = (plan?.hidden ?? null) !== null;
  const { wet } = look;
  const face = hidden ? 'top' : look.face;
  const light = hidden ? 'front' : look.light;
  const lookedAt = useMemo<Look>(() => ({ face, wet, light }), [face, wet, light]);
  useEffect(() => editor.lookAt(layerId, lookedAt), [editor, layerId, lookedAt]);
  const aside = saving.state === 'stale' && !looking;
  const topmost = layerId ?? view?.piece.layers.at(-1)?.id;
  const revision = asPoured
    ? (view?.runs.findLast((r) => r.layerId === topmost)?.revision ?? undefined)
    : undefined;
  useEffect(() => {
    if (!opened) return;
    let gone = false;
    const params = { path: { id } };
    const asked = aside
      ? take(
          api.POST('/api/pieces/{id}/preview', {
            params,
            body: {
              revision: editor.get().view!.revision,
              commands: editor.pending,
              layerId,
              detail: 'full',
              numbers: true,
              look: lookedAt,
            },
          }),
        ).then((got) => {
          if (!gone && got.plan) editor.aside(got.plan, got.piece);
          return got.painting!;
        })
      : take(
          api.GET('/api/pieces/{id}/painting', {
            params: { ...params, query: { layer: layerId ?? undefined, revision, ...lookedAt } },
          }),
        );
    asked
      .then((got) => {
        if (gone) return;
        setPainting(got);
        setPaintedOf(view);
        setUnpainted(null);
        if (editor.dragging) return;
        setDrafted(null);
        drafts.send({ halt: 'clear' });
      })
      .catch((e: Error) => {
        if (!gone) setUnpainted(e.message);
      });
    return () => {
      gone = true;
    };
  }, [id, opened, view, layerId, lookedAt, aside, revision, looking, givenUp, editor, drafts]);

  // The map is painted first; everything else on the page follows when there is time.
  useEffect(
    () =>
      drafts.listen((news) => {
        if ('shape' in news) {
          if (!editor.dragging) return;
          setDrafted((was) => (was?.outline === news.shape.outline ? was : news.shape));
          if (news.piece) editor.painted(news.piece);
        } else if ('shown' in news) {
          const [start, end] = [news.shown.movedAt, news.shown.shownAt].map(
            (t) => t - performance.timeOrigin,
          );
          performance.measure('hand-to-paint', { start, end });
        } else if ('plan' in news) {
          startTransition(() => editor.previewed(news.plan, news.piece));
        }
      }),
    [drafts, editor],
  );

  const seen = looking && newest ? newest : null;
  return {
    editor,
    draft: seen?.piece ?? draft,
    view,
    plan: seen?.plan ?? plan,
    painting,
    lookedAt,
    /** Whether something is worked out that is not on the page yet. */
    working: saving.state === 'saving' || (paintedOf !== view && unpainted === null),
    unpainted,
    saving,
    errors,
    missing: loaded.error,
    newest,
    looking,
    renewed,
    drafts,
    drafted,
  };
}

export type PieceOnPage = ReturnType<typeof usePiece>;
