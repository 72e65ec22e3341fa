import type { Values } from './working';

/** A sentence on the slate: which sum, and what is filled in. */
export interface Entry {
  id: string;
  path: string;
  values: Values;
}

/** What was reckoned on a day, the newest first. */
export interface Slate {
  day: string;
  entries: Entry[];
}

/** More do not stand on it: the oldest is wiped off. */
export const most = 12;

const key = 'slate';

/** The slate of a day as it was left; what was written on another day is gone. What cannot be read is an empty one. */
export function slateOf(day: string, known: (path: string) => boolean): Slate {
  try {
    const kept = JSON.parse(localStorage.getItem(key) ?? '') as Slate;
    if (kept.day === day && Array.isArray(kept.entries))
      return { day, entries: kept.entries.filter((e) => known(e.path)).slice(0, most) };
  } catch {
    // Nothing was written yet.
  }
  return { day, entries: [] };
}

export const keep = (slate: Slate) => localStorage.setItem(key, JSON.stringify(slate));

/** A sum on top: the one of it that stands there already, else a new one with what is filled in. */
export function onTop(slate: Slate, path: string, fresh: () => Entry): Slate {
  const there = slate.entries.find((e) => e.path === path);
  return there && slate.entries[0] === there
    ? slate
    : {
        ...slate,
        entries: [there ?? fresh(), ...slate.entries.filter((e) => e !== there)].slice(0, most),
      };
}

/** The same sum once more, above what was reckoned before. */
export const again = (slate: Slate, entry: Entry): Slate => ({
  ...slate,
  entries: [entry, ...slate.entries].slice(0, most),
});

export const wiped = (slate: Slate, id: string): Slate => ({
  ...slate,
  entries: slate.entries.filter((e) => e.id !== id),
});

export const changed = (slate: Slate, id: string, values: Values): Slate => ({
  ...slate,
  entries: slate.entries.map((e) => (e.id === id ? { ...e, values } : e)),
});
