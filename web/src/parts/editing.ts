import { createContext, use } from 'react';

/** Lets a number's inputs be changed where they are read: by their place in the piece. */
export interface Editing {
  set: (place: string, value: number | null) => void;
  /** What the server refused of it. */
  say: (place: string) => string | undefined;
  /** Goes to where on the piece a number is so. */
  go: (place: string) => void;
}

const Context = createContext<Editing | null>(null);

export const EditingProvider = Context;
export const useEditing = () => use(Context);

/** What an entry of a list is called in a place: its id, a share of a mixed colour by what it is of, others by their number. */
const nameOf = (item: unknown, index: number) => {
  const { id, recipeId, parts } = (item ?? {}) as { id?: string; recipeId?: string; parts?: number };
  return id ?? (parts === undefined ? undefined : recipeId) ?? String(index);
};

type Tree = Record<string, unknown> | unknown[];

/** Sets a value at a place like `recipes[amber].of[bone].parts`. A part that is not there leaves everything as it is. */
export function setAt<T>(root: T, place: string, value: unknown): T {
  const steps = place.replaceAll('[', '.').replaceAll(']', '').split('.');
  const walk = (node: unknown, depth: number): unknown => {
    if (depth === steps.length) return value;
    // What was left to its default has no place yet: it is made.
    if (node === null || node === undefined) return depth === 0 ? node : walk({}, depth);
    if (typeof node !== 'object') return node;
    const step = steps[depth]!;
    const tree = node as Tree;
    if (Array.isArray(tree))
      return tree.map((item, i) => (nameOf(item, i) === step ? walk(item, depth + 1) : item));
    return { ...tree, [step]: walk(tree[step], depth + 1) };
  };
  return walk(root, 0) as T;
}

/** A place without the names of entries: the range of what may stand there is found by it. */
export const rangeOf = (place: string) => place.replace(/\[[^\]]*\]/g, '');
