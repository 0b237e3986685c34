/** When the shelf of a bench is fetched: at once in a small collection, else when its bench comes near. */
import { type RefObject, useEffect, useRef, useState } from 'react';

/** Of so many pots in all every shelf is fetched at once, so that nothing moves under a thumb while one scrolls. */
export const MOST_AT_ONCE = 300;

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
