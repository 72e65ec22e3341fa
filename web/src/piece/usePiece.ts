import { useQuery, useQueryClient } from '@tanstack/react-query';
import { startTransition, useEffect, useMemo, useState } from 'react';
import { editPiece, pieceKept, sent, stepPiece } from '../api/changes';
import type { Look } from '../api/client';
import { paintingQuery, pieceQuery } from '../api/queries';
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
    return new PieceEditor(
      id,
      {
        load: () => queries.fetchQuery({ ...pieceQuery(id), staleTime: 0 }),
        edit: (body, unanswered) => sent(queries, () => editPiece(id, body), unanswered),
        step: (body, unanswered) => sent(queries, () => stepPiece(id, body), unanswered),
        kept: (view) => {
          queries.setQueryData(pieceQuery(id).queryKey, view);
          pieceKept(queries);
        },
      },
      (order) => drafts.send(order),
    );
  });
  // What follows a drag is shown when there is time: it is held by the page, so that it can be.
  const [shown, setShown] = useState(editor.get);
  useEffect(() => editor.subscribe(() => setShown(editor.get())), [editor]);
  const { view, plan, saving, errors, newest, looking, draft, renewed } = shown;
  const [drafted, setDrafted] = useState<Shape | null>(null);

  // Windows open and close as time goes by: the plan follows while nobody works.
  const loaded = useQuery({ ...pieceQuery(id), refetchInterval: 30_000, refetchOnWindowFocus: false });
  useEffect(() => {
    if (loaded.data) editor.offer(loaded.data);
  }, [loaded.data, editor]);
  useEffect(() => editor.leave, [editor]);

  // A piece that cannot be looked at from below or with the light behind it any more is looked at as usual.
  const hidden = (plan?.hidden ?? null) !== null;
  const { wet, torched } = look;
  const face = hidden ? 'top' : look.face;
  const light = hidden ? 'front' : look.light;
  const lookedAt = useMemo<Look>(
    () => ({ face, wet, light, tiltDeg: 0, torched }),
    [face, wet, light, torched],
  );
  useEffect(() => editor.lookAt(layerId, lookedAt), [editor, layerId, lookedAt]);

  // The whole painting follows every save; of a piece that could not be saved it is made without keeping it.
  const topmost = layerId ?? view?.piece.layers.at(-1)?.id;
  const sittings = plan?.layers.find((l) => l.layerId === topmost)?.sittingIds;
  const revision = asPoured
    ? (view?.runs.findLast((r) => sittings?.includes(r.sittingId))?.revision ?? undefined)
    : undefined;
  const unkept =
    saving.state === 'stale' && !looking && view
      ? { revision: view.revision, commands: editor.pending }
      : undefined;
  const asked = useQuery({
    ...paintingQuery(id, { layerId, look: lookedAt, mark: view?.painted ?? '', revision, unkept }),
    enabled: view !== null,
  });
  // The last one stays where the next cannot be made.
  const [painted, setPainted] = useState(asked.data);
  if (asked.data && asked.data !== painted) setPainted(asked.data);
  const current = asked.isPlaceholderData ? undefined : asked.data;
  useEffect(() => {
    if (!current) return;
    if (current.plan) editor.aside(current.plan, current.piece);
    if (!editor.dragging) drafts.send({ halt: 'clear' });
    // What was kept of a drag may be painted as before.
  }, [current, editor, drafts, view?.version]);
  // The map is painted first; everything else on the page follows when there is time.
  useEffect(
    () =>
      drafts.listen((news) => {
        if ('cleared' in news) {
          setDrafted(null);
        } else if ('shape' in news) {
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
    painting: painted?.painting ?? null,
    lookedAt,
    /** Whether something is worked out that is not on the page yet. */
    working: saving.state === 'saving' || (!current && !asked.error),
    unpainted: asked.error?.message ?? null,
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
