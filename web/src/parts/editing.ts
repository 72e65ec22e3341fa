import { createContext, use } from 'react';

/** Lets a number's inputs be changed where they are read: by their place in the piece. */
export interface Editing {
  set: (field: string, value: number | null) => void;
  /** What the server refused of it. */
  say: (field: string) => string | undefined;
}

const Context = createContext<Editing | null>(null);

export const EditingProvider = Context;
export const useEditing = () => use(Context);

const nameOf = (item: unknown) => {
  const { id, cup } = item as { id?: string; cup?: string };
  return id ?? cup;
};

type Tree = Record<string, unknown> | unknown[];

/**
 * Sets a value at a place like `cups[amber].loadPercent`: parts of a list are named by their id, shares by the cup they are
 * of. A part that is not there leaves everything as it is.
 */
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
      return tree.map((item) => (nameOf(item) === step ? walk(item, depth + 1) : item));
    return { ...tree, [step]: walk(tree[step], depth + 1) };
  };
  return walk(root, 0) as T;
}

/** The same place as the server names it, parts of a list by their position. */
export function placeOf(root: unknown, place: string): string {
  let node = root;
  return place.replace(/([^.[\]]+)(?:\[([^\]]+)\])?/g, (_, name: string, id?: string) => {
    node = (node as Record<string, unknown> | undefined)?.[name];
    if (id === undefined || !Array.isArray(node)) return name;
    const at = node.findIndex((item) => nameOf(item) === id);
    node = node[at];
    return `${name}[${at}]`;
  });
}
