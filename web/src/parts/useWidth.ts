import { type RefObject, useEffect, useLayoutEffect, useState } from 'react';

/**
 * How wide an element is inside, in pixels, as it is resized.
 *
 * @param first what is taken until it has been measured
 */
export function useWidth(ref: RefObject<HTMLElement | null>, first: number): number {
  const [width, setWidth] = useState(first);
  // Before the first paint, so that nothing drawn to it jumps.
  useLayoutEffect(() => {
    const inside = ref.current?.getBoundingClientRect().width ?? 0;
    if (inside > 0) setWidth(inside);
  }, [ref]);
  useEffect(() => {
    const element = ref.current;
    if (!element) return;
    const watch = new ResizeObserver(([entry]) => setWidth(entry!.contentRect.width));
    watch.observe(element);
    return () => watch.disconnect();
  }, [ref]);
  return width;
}
