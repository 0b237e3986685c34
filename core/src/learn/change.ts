/**
 * A pot whose checks contradict what it has shown: something changed. Said, not averaged away.
 *
 * The newest stretches are held against all before them. Where they differ by more than chance and by more than half,
 * the pot dries slower (a blocked hole, lost roots, cold) or faster (roots fill the pot, water no longer goes in) than it
 * did; where no rate at all explains what was found, the looks contradict each other.
 */
import { blur, GRID_SIZE, gridMean, gridVariance } from './grid.ts';
import type { Stretch } from './history.ts';
import { addTo, posterior, strayed } from './rate.ts';

export type ChangeKind = 'slower' | 'faster' | 'contradictory';

export interface Change {
  kind: ChangeKind;
  /** rate of the newest stretches over the rate before; 1 for a contradiction */
  factor: number;
  /** how many of the newest stretches with looks are of the new kind */
  stretches: number;
}

/** Differences in standard deviations, and in ln k, that chance does not explain: half as long again, or two thirds. */
const BEYOND_CHANCE = 2.3;
const BEYOND_HABIT = Math.log(1.5);
/** Looks with a chance below this each, even under the best rate, contradict each other. */
const LEAST_CHANCE_A_LOOK = 0.12;
const LEAST_LOOKS = 3;
/** How many of the last stretches count as new. */
const NEW_STRETCHES = 2;

/** @param stretches all of them, the open one last @param prior what the rest of the collection teaches */
export function findChange(stretches: readonly Stretch[], prior: Float64Array): Change | null {
  const looked = stretches.filter((stretch) => stretch.checks > 0);
  for (let count = 1; count <= Math.min(NEW_STRETCHES, looked.length - 1); count++) {
    const newest = looked.slice(-count);
    const before = looked.slice(0, -count);
    const looks = newest.reduce((sum, stretch) => sum + stretch.checks, 0);
    const looksBefore = before.reduce((sum, stretch) => sum + stretch.checks, 0);
    if (looks < LEAST_LOOKS || looksBefore < LEAST_LOOKS) continue;
    const now = rateOf(newest, prior);
    const then = rateOf(before, prior);
    const difference = now.meanX - then.meanX;
    if (Math.abs(difference) > BEYOND_HABIT && Math.abs(difference) > BEYOND_CHANCE * Math.sqrt(now.variance + then.variance)) {
      return { kind: difference > 0 ? 'faster' : 'slower', factor: Math.exp(difference), stretches: count };
    }
  }
  const last = looked.at(-1);
  if (last && last.checks >= LEAST_LOOKS && Math.max(...last.logs) / last.checks < Math.log(LEAST_CHANCE_A_LOOK)) {
    return { kind: 'contradictory', factor: 1, stretches: 1 };
  }
  return null;
}

function rateOf(stretches: readonly Stretch[], prior: Float64Array): { meanX: number; variance: number } {
  const logs = new Float64Array(GRID_SIZE);
  for (const stretch of stretches) addTo(logs, strayed(stretch), 1);
  // A wide prior: the question is what these looks say, not what the bench does.
  const density = posterior(blur(prior, 0.5), logs);
  const meanX = gridMean(density);
  return { meanX, variance: gridVariance(density, meanX) };
}

/** Days before the newest stretches are worth little once something changed. */
export const BEFORE_CHANGE_WEIGHT = 0.1;
/** And the new rate may lie anywhere about the old one. */
export const AFTER_CHANGE_SD = 0.6;
