/** How well a way of reckoning explains what was found on a pot, its rate left open. */
import { blur, fromLog, GRID, normalDensity, shifted } from './grid.ts';
import type { Stretch } from './history.ts';
import { LOOK_WEIGHT } from './looks.ts';
import { POT_SD, STRETCH_SD } from './rate.ts';

/**
 * ln of the chance of all that was found on one pot, whatever its rate.
 *
 * @param shiftOf how ln k of a stretch stands against the pot's own
 */
export function lnEvidence(stretches: readonly Stretch[], shiftOf: (lnDrive: number) => number = () => 0): number {
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
    const own = shifted(blur(fromLog(atGrid), STRETCH_SD), -shiftOf(stretch.lnDrive));
    for (let i = 0; i < GRID.length; i++) logs[i]! += LOOK_WEIGHT * (Math.log(own[i]! * mass + 1e-12) + top);
  }
  let top = -Infinity;
  for (const value of logs) top = Math.max(top, value);
  let sum = 0;
  for (const value of logs) sum += Math.exp(value - top);
  return top + Math.log(sum);
}
