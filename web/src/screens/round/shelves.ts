/** Which benches of the Round show their shelf: open, until the keeper folds one; this device remembers it. */
import { type RefObject, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { useRemembered } from '../../parts/remembered.ts';

/** A larger bench is a wall of pots: its shelf waits for a tap. */
const MOST_UNASKED = 200;
/** Of so many pots in all every shelf is fetched at once, so that nothing moves under a thumb while one scrolls. */
export const MOST_AT_ONCE = 300;

type Choices = Readonly<Record<string, 'open' | 'folded'>>;

function choicesIn(kept: string): Choices {
  try {
    return JSON.parse(kept || '{}') as Choices;
  } catch {
    return {};
  }
}

export function useFoldedShelves(placeId: number, pots: number): { folded: boolean; turn(): void } {
  const [kept, keep] = useRemembered('shelves');
  const choices = useMemo(() => choicesIn(kept), [kept]);
  const folded = (choices[placeId] ?? (pots > MOST_UNASKED || pots === 0 ? 'folded' : 'open')) === 'folded';
  const turn = useCallback(
    () => keep(JSON.stringify({ ...choices, [placeId]: folded ? 'open' : 'folded' })),
    [choices, folded, keep, placeId],
  );
  return { folded, turn };
}

/** So far below the screen a bench begins to be fetched, in pixels. */
const AHEAD = '600px';

/** Whether an element is on screen or nearly; once it was it stays so, since what was drawn may stay. */
export function useNear<T extends Element>(atOnce: boolean): [boolean, RefObject<T | null>] {
  const ref = useRef<T>(null);
  const [near, setNear] = useState(atOnce);
  useEffect(() => {
    const element = ref.current;
    if (near || !element) return;
    const watch = new IntersectionObserver(([entry]) => entry!.isIntersecting && setNear(true), {
      rootMargin: AHEAD,
    });
    watch.observe(element);
    return () => watch.disconnect();
  }, [near]);
  return [near, ref];
}
