/**
 * How far down a drying mix keeps its surface wet: one figure for the whole collection, learned from all its looks.
 * A few values are tried on some pots that were looked at; each is believed by how well it explains them.
 */
import { blur, fromLog, GRID, normalDensity } from './grid.ts';
import type { Stretch } from './history.ts';
import { POT_SD, STRETCH_SD } from './rate.ts';

/** Values tried, and how likely each is before anybody has looked. */
export const SURFACE_WET_TRIED: readonly { m: number; prior: number }[] = [
  { m: 0.35, prior: 0.3 },
  { m: 0.5, prior: 0.4 },
  { m: 0.7, prior: 0.22 },
  { m: 1, prior: 0.08 },
];
/** More pots than this would only take time. */
export const MOST_POTS_ASKED = 16;
/** Looks on one pot lean on each other: the model errs for days on end. Each counts for this much of one. */
const LOOK_WEIGHT = 0.4;

/** ln of the chance of all that was found on one pot, whatever its rate. */
export function lnEvidence(stretches: readonly Stretch[]): number {
  const prior = normalDensity(0, Math.hypot(POT_SD, 0.3));
  const logs = Float64Array.from(prior, (p) => Math.log(p + 1e-300));
  for (const stretch of stretches) {
    if (stretch.checks === 0) continue;
    const atGrid = stretch.logs;
    let top = -Infinity;
    for (const value of atGrid) top = Math.max(top, value);
    // blur() keeps mass, so the scale taken out by fromLog is put back.
    let mass = 0;
    for (const value of atGrid) mass += Math.exp(value - top);
    const own = blur(fromLog(atGrid), STRETCH_SD);
    for (let i = 0; i < GRID.length; i++) logs[i]! += LOOK_WEIGHT * (Math.log(own[i]! * mass + 1e-12) + top);
  }
  let top = -Infinity;
  for (const value of logs) top = Math.max(top, value);
  let sum = 0;
  for (const value of logs) sum += Math.exp(value - top);
  return top + Math.log(sum);
}

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
