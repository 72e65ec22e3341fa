import { useCallback, useEffect, useRef, useState } from 'react';

/** How long nothing is typed before what stands there is looked at. */
export const pauseMs = 350;

/**
 * Text being typed over a shown value; when that value changes from elsewhere, it takes its place. A text that is taken
 * while it is typed says what will be shown for it, and stays.
 */
export function useTyped(shown: string) {
  const [state, setState] = useState({ shown, text: shown });
  if (state.shown !== shown) setState({ shown, text: shown });
  return [
    state.shown === shown ? state.text : shown,
    (text: string, becomes = shown) => setState({ shown: becomes, text }),
  ] as const;
}

/** A callback as it was given last: what is taken after a pause must not undo what was changed meanwhile. */
export function useNewest<T>(callback: (value: T) => void) {
  const newest = useRef(callback);
  useEffect(() => {
    newest.current = callback;
  });
  return useCallback((value: T) => newest.current(value), []);
}

/** As wide as what stands there: a value in a sentence is as long as its word. Where the browser can, it measures it itself. */
export const asWideAs = (text: string) => ({ '--chars': Math.max(1, text.length) }) as React.CSSProperties;
