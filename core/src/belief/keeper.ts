/**
 * The fact of a watering as weak evidence that it was due, by how this keeper usually acts.
 *
 * A watering's lateness is ln(days the pot was left / days to its due day). From pots that were looked at it can be
 * reckoned, so the collection shows how late its keeper usually comes and how steadily; from pots nobody looks into,
 * the same timing then tells their rates.
 */
import { median } from '../numeric/curves.ts';
import { atRate, gridMean, NODES, spreadNodes } from './grid.ts';
import type { TimedStretch } from './teaching.ts';

export interface Timing {
  /** usual lateness, ln; 0.3 is a third later than due */
  lateness: number;
  /** how much it scatters */
  scatter: number;
}

/**
 * Some keepers walk every few days and forget now and then, others water before it is due, which is what plants are
 * lost to most: the middle of them comes about on the day, and scatters widely.
 */
const PRIOR: Timing = { lateness: 0.05, scatter: 0.5 };
/** The prior counts for so many waterings. */
const PRIOR_WATERINGS = 8;
const LEAST_SCATTER = 0.25;
/** Waterings for another reason: a guest, a holiday, a hot day. */
const WHIM = 0.12;
/** Many waterings are one timing, not many looks: together they count for no more than this many. */
const MOST_WEIGHT = 3;
/** A pot must have been looked at this often to tell of its keeper. */
const LEAST_CHECKS = 6;

/**
 * The keeper's timing from the pots that were looked at: medians, since some waterings have nothing to do with the pot.
 * `rate` is a pot's density of ln k, asked only of pots that tell.
 */
export function keeperTiming(
  pots: readonly { stretches: readonly TimedStretch[]; checks: number; rate: () => Float64Array }[],
): Timing {
  const seen: number[] = [];
  for (const { stretches, checks, rate } of pots) {
    if (checks < LEAST_CHECKS) continue;
    const x = gridMean(rate());
    for (const stretch of stretches) for (const lateness of stretch.lateness) seen.push(atRate(lateness, x));
  }
  if (seen.length === 0) return PRIOR;
  const middle = median(seen);
  // 1.48 × the median absolute deviation is a normal's standard deviation.
  const scatter = 1.48 * median(seen.map((value) => Math.abs(value - middle)));
  const trust = seen.length / (seen.length + PRIOR_WATERINGS);
  return {
    lateness: trust * middle + (1 - trust) * PRIOR.lateness,
    scatter: Math.max(LEAST_SCATTER, trust * scatter + (1 - trust) * PRIOR.scatter),
  };
}

/** A heavy hand: on the whole a sixth and more before its pots are due. */
const EARLY = Math.log(5 / 6);

export function comesEarly({ lateness }: Timing): boolean {
  return lateness < EARLY;
}

/** Logs on the grid of what the waterings of a pot say of its ln k. `weightOf` fades old stretches. */
export function timingEvidence(
  stretches: readonly TimedStretch[],
  timing: Timing,
  weightOf: (stretch: TimedStretch) => number,
): Float64Array {
  const logs = new Float64Array(NODES.length);
  let weight = 0;
  for (const stretch of stretches) {
    const fade = weightOf(stretch);
    for (const lateness of stretch.lateness) {
      for (let n = 0; n < logs.length; n++) {
        const z = (lateness[n]! - timing.lateness) / timing.scatter;
        logs[n]! += fade * Math.log(WHIM + (1 - WHIM) * Math.exp(-0.5 * z * z));
      }
      weight += fade;
    }
  }
  const share = weight > MOST_WEIGHT ? MOST_WEIGHT / weight : 1;
  for (let n = 0; n < logs.length; n++) logs[n]! *= share;
  return spreadNodes(logs);
}
