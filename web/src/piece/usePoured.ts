import { useCallback, useState } from 'react';
import type { Edit } from '../api/client';
import type { PieceEditor } from '../editor/PieceEditor';

/** Whether a change is one of a layer: of its map, or of what it is poured from. */
const touches = (command: Edit, layerId: string) =>
  command.do === 'set-field' || command.do === 'nudge'
    ? /^(layers|recipes|sittings)\[/.test(command.place)
    : 'layer' in command && command.layer === layerId;

/**
 * The map of a layer that has been poured is not changed without a word: it is asked once, and what was meant is held.
 */
export function usePoured(editor: PieceEditor, layerId: string, onMapOfPoured: boolean) {
  const [changing, setChanging] = useState<ReadonlySet<string>>(new Set());
  const [held, setHeld] = useState<Edit[] | null>(null);
  // Counts how often it was left as it was poured: the fields begin anew with what the layer has.
  const [left, setLeft] = useState(0);
  const asks = onMapOfPoured && !changing.has(layerId);
  const edit = useCallback(
    (...commands: Edit[]) => {
      if (!asks || !commands.some((c) => touches(c, layerId))) return editor.edit(...commands);
      setHeld(commands);
      return Promise.resolve(null);
    },
    [asks, layerId, editor],
  );
  const drag = useCallback(
    (commands: Edit[], movedAt: number) => {
      if (!asks || !commands.some((c) => touches(c, layerId))) editor.drag(commands, movedAt);
    },
    [asks, layerId, editor],
  );
  const leave = () => {
    setHeld(null);
    setLeft((n) => n + 1);
  };
  const change = () => {
    setChanging(new Set([...changing, layerId]));
    setHeld(null);
    if (held) void editor.edit(...held);
  };
  return { edit, drag, asked: held !== null, leave, change, left };
}
