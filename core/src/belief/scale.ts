/** The scale: what full and dry weigh, and what single weights say where nobody knows that. */
import { type DayNumber, dayNumber } from '../calendar/day.ts';
import type { PlantEvent } from '../garden.ts';
import type { GridRange } from './grid.ts';

/** What a pot weighs just drained and bone dry, as far as it was weighed, and on which day. */
export interface Scale {
  drainedG: number | null;
  dryG: number | null;
  on: DayNumber;
}

/** The latest weighing that tells what full and dry weigh, in this potting. */
export function scaleOf(events: readonly PlantEvent[], fromDay: DayNumber): Scale {
  let drainedG: number | null = null;
  let dryG: number | null = null;
  let on = fromDay;
  for (const event of events) {
    if (event.type !== 'weights' || dayNumber(event.date) < fromDay) continue;
    drainedG = event.drained_g;
    dryG = event.dry_g ?? dryG;
    on = dayNumber(event.date);
  }
  return { drainedG, dryG, on };
}

/** Student's t of 4 degrees of freedom without its constant: a normal's core with heavy tails. */
function heavyTailed(z: number): number {
  const u = 1 + (z * z) / 4;
  return 1 / (u * u * Math.sqrt(u));
}

/** What a single weighing is worth where nobody knows the full weight, in grams. */
const WEIGHT_SHARE = 0.009;

/**
 * Weights of a pot whose full weight nobody knows: the unknown dead weight is integrated out under a flat prior,
 * which leaves the scatter of (weight − store · m) about its own mean.
 */
export function addRelativeWeights(
  logs: Float64Array,
  weighed: readonly { atG: number; m: Float64Array }[],
  availableG: number,
  { low, high }: GridRange,
): void {
  if (weighed.length < 2) return;
  const grossG = weighed.reduce((sum, w) => sum + w.atG, 0) / weighed.length;
  const scaleG = Math.hypot(WEIGHT_SHARE * grossG, 0.05 * availableG, 1);
  for (let i = low; i <= high; i++) {
    const rests = weighed.map((w) => w.atG - availableG * w.m[i]!).sort((a, b) => a - b);
    // The middle one, not the mean: one slip of the scale must not drag the base along.
    const base = rests[Math.floor(rests.length / 2)]!;
    for (const rest of rests) logs[i]! += Math.log(heavyTailed((rest - base) / scaleG));
  }
}
