/** What is parted from a plant: its own width, a pot to its measure, torn roots. */
import type { Form, Pot, Store } from '../garden.ts';
import { depthForTop, hasBody, potSizeMm, ROOM_MM, rootingOf } from './size.ts';

/** Fine roots that tear as a clump is parted. Estimated; what is cut besides is the keeper's word. */
export const TORN_ROOTS = 0.2;
const SMALLEST_TOP_MM = 50;
const SMALLEST_MM = 5;

/**
 * One of the daughters. The crown of a clump is an area, so each of the parts is narrower by the root of their number.
 *
 * @param daughters how many were parted; the mother is one part more
 */
export function daughterOf(
  mother: { form: Form; store: Store; genus: string | null; diameterMm: number; pot: Pot },
  daughters: number,
): { diameterMm: number; pot: Pot } {
  const { pot, form } = mother;
  const share = 1 / Math.sqrt(daughters + 1);
  const diameterMm = Math.max(SMALLEST_MM, Math.round(mother.diameterMm * share));
  const rooting = rootingOf(form, mother.store, mother.genus);
  const wanted = hasBody(form) ? diameterMm + 2 * ROOM_MM[rooting] : pot.top_mm * share;
  const top = Math.min(pot.top_mm, potSizeMm(Math.max(SMALLEST_TOP_MM, wanted)));
  return {
    diameterMm,
    pot: {
      ...pot,
      top_mm: top,
      base_mm: Math.max(10, Math.round((top * pot.base_mm) / pot.top_mm)),
      depth_mm: Math.min(pot.depth_mm, Math.max(SMALLEST_TOP_MM, depthForTop(pot, top, rooting))),
      holes: true,
      hole_count: null,
      hole_mm: null,
      crocks_mm: null,
    },
  };
}
