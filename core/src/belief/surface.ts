/**
 * How far down a drying mix keeps its surface wet: one figure for the whole collection, learned from all its looks.
 * A few values are tried on some pots that were looked at; each is believed by how well it explains them.
 */
import { fromLog } from './grid.ts';

/** Values tried, and how likely each is before anybody has looked. */
export const SURFACE_WET_TRIED: readonly { m: number; prior: number }[] = [
  { m: 0.35, prior: 0.3 },
  { m: 0.5, prior: 0.4 },
  { m: 0.7, prior: 0.22 },
  { m: 1, prior: 0.08 },
];
/** More pots than this would only take time. */
export const MOST_POTS_ASKED = 16;
/**
 * The value to reckon with: the geometric mean of those tried, weighed by belief. `evidence[i]` belongs to the i-th
 * value tried.
 */
export function believedSurface(evidence: readonly number[]): number {
  const logs = SURFACE_WET_TRIED.map(({ prior }, i) => Math.log(prior) + evidence[i]!);
  const weights = fromLog(logs);
  let ln = 0;
  for (const [i, { m }] of SURFACE_WET_TRIED.entries()) ln += weights[i]! * Math.log(m);
  return Math.exp(ln);
}
