/** What this device remembers of its keeper's choices, the same on every screen at once. */
import { useCallback, useSyncExternalStore } from 'react';

const listeners = new Set<() => void>();

function listen(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

const kept = (name: string) =>
  typeof localStorage === 'undefined' ? '' : (localStorage.getItem(`zinc-${name}`) ?? '');

/** @returns what is kept under a name, '' for nothing, and how to keep something else */
export function useRemembered(name: string): [string, (value: string) => void] {
  const value = useSyncExternalStore(
    listen,
    () => kept(name),
    () => '',
  );
  const keep = useCallback(
    (next: string) => {
      localStorage.setItem(`zinc-${name}`, next);
      for (const listener of listeners) listener();
    },
    [name],
  );
  return [value, keep];
}
