import { useSyncExternalStore } from 'react';

const key = 'single keys';
const heard = new Set<() => void>();

/** Whether single keys, such as a digit for a station, do anything: those who speak to their computer switch them off. */
export const singleKeys = () => localStorage.getItem(key) !== 'off';

export function setSingleKeys(on: boolean) {
  localStorage.setItem(key, on ? 'on' : 'off');
  for (const tell of heard) tell();
}

export const useSingleKeys = () =>
  useSyncExternalStore((tell) => {
    heard.add(tell);
    return () => heard.delete(tell);
  }, singleKeys);

/** Whether a key is free: it belongs to no field, list or handle, nothing lies over the page, and it is pressed by itself. */
export function isFree(e: KeyboardEvent) {
  if (e.ctrlKey || e.metaKey || e.altKey || e.defaultPrevented) return false;
  const at = e.target instanceof Element ? e.target : null;
  return (
    !at?.closest('input, select, textarea, [role="slider"], [contenteditable="true"]') &&
    !document.querySelector('[role="dialog"]')
  );
}
