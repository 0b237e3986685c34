/**
 * From evidence to rate: each potting has a hidden ln k about its place's, each place about zero, and each stretch from
 * drench to drench strays a little about the potting's own. All on the grid, all exact but for its step.
 */
import type { DayNumber } from '../calendar/day.ts';
import { blur, fromLog, GRID_SIZE, normalise } from './grid.ts';
import type { Stretch } from './history.ts';

/** Spread of pottings within a place, of places, and of a pot's store against the reckoned one (joined: both scale time). */
export const POT_SD = Math.hypot(0.35, 0.08);
export const PLACE_SD = 0.2;
/** A stretch strays from its potting's rate: states ill guessed, weather not as measured, a plant that grew. */
export const STRETCH_SD = 0.1;
/** Old looks fade: roots fill a pot and mixes settle. */
const HALF_LIFE_DAYS = 200;

/** How much a stretch still says today. */
export function fade(stretch: Stretch, today: DayNumber): number {
  return 2 ** (-(today - stretch.endDay) / HALF_LIFE_DAYS);
}

const strayedOf = new WeakMap<Stretch, Float64Array>();

/** What a stretch says of the potting's ln k, its own straying allowed for: logs, reckoned once. */
export function strayed(stretch: Stretch): Float64Array {
  let logs = strayedOf.get(stretch);
  if (!logs) {
    logs = lnOf(blur(fromLog(stretch.logs), STRETCH_SD));
    strayedOf.set(stretch, logs);
  }
  return logs;
}

/** What a pot's own looks say of its ln k, before any prior: logs on the grid. */
export function potEvidence(stretches: readonly Stretch[], today: DayNumber): Float64Array {
  const logs = new Float64Array(GRID_SIZE);
  for (const stretch of stretches) {
    if (!hasShape(stretch.logs)) continue;
    addTo(logs, strayed(stretch), fade(stretch, today));
  }
  return logs;
}

/** False where evidence says nothing: flat logs. */
export function hasShape(logs: Float64Array): boolean {
  const first = logs[0]!;
  for (let i = 1; i < logs.length; i++) if (Math.abs(logs[i]! - first) > 1e-9) return true;
  return false;
}

/** Evidence that vanishes somewhere must not rule it out for ever. */
const LEAST_CHANCE = 1e-12;

export function lnOf(density: Float64Array): Float64Array {
  return density.map((p) => Math.log(p + LEAST_CHANCE));
}

export function addTo(sum: Float64Array, logs: Float64Array, times: number): void {
  for (let i = 0; i < GRID_SIZE; i++) sum[i]! += times * logs[i]!;
}

/** Prior times evidence. */
export function posterior(prior: Float64Array, logs: ArrayLike<number>): Float64Array {
  let top = -Infinity;
  for (let i = 0; i < GRID_SIZE; i++) if (logs[i]! > top) top = logs[i]!;
  const out = new Float64Array(GRID_SIZE);
  for (let i = 0; i < GRID_SIZE; i++) out[i] = prior[i]! * Math.exp(logs[i]! - top);
  return normalise(out);
}
