import { createContext, use } from 'react';
import type { Edit, EditedView } from '../api/client';

/** Ways to change the piece on the page; what a change means is the workshop's to know. */
export interface Editing {
  /** Makes changes and has them kept as one step; null where they were refused. */
  edit: (...commands: Edit[]) => Promise<EditedView | null>;
  /** Shows changes while they are dragged, with the time of the hand's move. */
  drag: (commands: Edit[], movedAt: number) => void;
  /** Ends a drag that is not to be kept. */
  letGo: () => void;
  /** Sets a field by its place; null for its default, or for not known. */
  set: (place: string, value: FieldValue) => Promise<EditedView | null>;
  /** What the server refused of a field. */
  say: (place: string) => string | undefined;
  /** Goes to where on the piece a number is so. */
  go: (place: string) => void;
}

export type FieldValue = number | string | boolean | null;

const Context = createContext<Editing | null>(null);

export const EditingProvider = Context;

/** The ways to change the piece, where there is one to change. */
export const useEditing = () => use(Context);

/** The same on the pages of a piece, where there always is one. */
export function useEdits(): Editing {
  const editing = use(Context);
  if (!editing) throw new Error('There is no piece to change here.');
  return editing;
}

export const setField = (place: string, value: FieldValue): Edit => ({ do: 'set-field', place, value });

/** A place without the names of entries: the range of what may stand there is found by it. */
export const rangeOf = (place: string) => place.replace(/\[[^\]]*\]/g, '');

/** Puts the hand on the field of a place, wherever it stands on the page. */
export const focusField = (place: string) =>
  document.querySelector<HTMLElement>(`[data-place="${rangeOf(place)}"]`)?.focus();
