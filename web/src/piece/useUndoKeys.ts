import { useEffect } from 'react';
import type { PieceEditor } from '../editor/PieceEditor';

/** Steps back and forward by the keys people know. */
export function useUndoKeys(editor: PieceEditor) {
  useEffect(() => {
    const press = (e: KeyboardEvent) => {
      if (!(e.ctrlKey || e.metaKey) || e.altKey) return;
      // In a field the keys belong to the text.
      if (e.target instanceof HTMLInputElement || e.target instanceof HTMLTextAreaElement) return;
      const name = e.key.toLowerCase();
      const direction = name === 'z' ? (e.shiftKey ? 'redo' : 'undo') : name === 'y' ? 'redo' : null;
      if (!direction) return;
      e.preventDefault();
      void editor.step(direction);
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, [editor]);
}
