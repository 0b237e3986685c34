import { useEffect } from 'react';

/** What stands on the tab: the screen or the plant, then whose it is. Null: somebody below says it. */
export function useTitle(screen: string | null): void {
  useEffect(() => {
    if (screen !== null) document.title = `${screen} · Zinc Pail`;
  }, [screen]);
}
