import { useSyncExternalStore } from 'react';

const KEY = 'good-shelf-single-keys';
const listeners = new Set<() => void>();

/** Whether single keys such as `/` and the digits do something. Who types by voice, or by chance, turns them off. */
export function singleKeysOn(): boolean {
  try {
    return localStorage.getItem(KEY) !== 'off';
  } catch {
    return true;
  }
}

export function setSingleKeys(on: boolean): void {
  try {
    localStorage.setItem(KEY, on ? 'on' : 'off');
  } catch {
    // The browser keeps nothing: they stay on.
  }
  for (const tell of listeners) tell();
}

export const useSingleKeys = (): boolean =>
  useSyncExternalStore(
    (tell) => {
      listeners.add(tell);
      return () => listeners.delete(tell);
    },
    singleKeysOn,
    () => true,
  );
