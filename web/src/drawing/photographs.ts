/** Whether photographs stand in the pots where there are some: this device's choice, the same on every screen at once. */
import { useCallback, useSyncExternalStore } from 'react';

const KEY = 'zinc-photographs';
const listeners = new Set<() => void>();

const chosen = () => typeof localStorage !== 'undefined' && localStorage.getItem(KEY) === 'yes';

function listen(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

export function usePhotographs(): [boolean, (wanted: boolean) => void] {
  const wanted = useSyncExternalStore(listen, chosen, () => false);
  const choose = useCallback((next: boolean) => {
    localStorage.setItem(KEY, next ? 'yes' : 'no');
    for (const listener of listeners) listener();
  }, []);
  return [wanted, choose];
}
