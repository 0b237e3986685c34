import { useCallback, useSyncExternalStore } from 'react';

/** Whether a media query holds, as the window turns; false where nothing is drawn on a screen. */
export function useMedia(query: string): boolean {
  const listen = useCallback(
    (changed: () => void) => {
      const media = window.matchMedia(query);
      media.addEventListener('change', changed);
      return () => media.removeEventListener('change', changed);
    },
    [query],
  );
  return useSyncExternalStore(
    listen,
    () => window.matchMedia(query).matches,
    () => false,
  );
}

/** Paper has no scrolling: while it is printed all lines are drawn, not those in sight alone. */
export const usePrinting = (): boolean => useMedia('print');
