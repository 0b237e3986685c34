/** The day that marks are written for, on every screen alike: today, or yesterday until one says otherwise. */
import { useSyncExternalStore } from 'react';

const listeners = new Set<() => void>();
/** days back: 0 today, 1 yesterday */
let back = 0;

export function writeFor(daysBack: number): void {
  back = daysBack;
  for (const listener of listeners) listener();
}

function listen(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

export function useWritingFor(): number {
  return useSyncExternalStore(
    listen,
    () => back,
    () => 0,
  );
}
