/** Plants that stand apart from the others, for what they may have brought or caught. */

/** So long from when guests were found, or a plant came: two rounds of the slowest of them (greenhouse practice). */
export const APART_DAYS = 28;

/**
 * Whether a plant stands apart: on its last day too, on which it is looked over before it joins the others.
 *
 * @param until ISO day, or null where it stands among the others
 */
export function isApart(until: string | null, today: string): boolean {
  return until !== null && until >= today;
}
