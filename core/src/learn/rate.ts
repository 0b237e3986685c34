/**
 * From evidence to rate: each potting has a hidden ln k about its place's, each place about zero, and each stretch from
 * drench to drench strays a little about the potting's own. All on the grid, all exact but for its step.
 */
import type { DayNumber } from '../calendar/day.ts';
import { blur, fromLog, GRID_SIZE, normalDensity, normalise, spreadNodes } from './grid.ts';
import type { Stretch } from './history.ts';

/** Spread of pottings within a place, of places, and of a pot's store against the reckoned one (joined: both scale time). */
export const POT_SD = Math.hypot(0.35, 0.08);
export const PLACE_SD = 0.2;
/** A stretch strays from its potting's rate: states ill guessed, weather not as measured, a plant that grew. */
export const STRETCH_SD = 0.14;
/** Old looks fade: roots fill a pot and mixes settle. */
const HALF_LIFE_DAYS = 200;
/** Waterings as such are weak evidence, and many of them are one habit rather than many looks. */
const MOST_HABIT_WEIGHT = 2;

/** What a pot's own looks say of its ln k, before any prior: logs on the grid. */
export function potEvidence(stretches: readonly Stretch[], today: DayNumber): Float64Array {
  const logs = new Float64Array(GRID_SIZE);
  const habit = new Float64Array(GRID_SIZE);
  let habitWeight = 0;
  for (const stretch of stretches) {
    const age = 2 ** (-(today - stretch.endDay) / HALF_LIFE_DAYS);
    if (stretch.checks > 0 || hasShape(stretch.logs)) {
      const own = blur(fromLog(spreadNodes(stretch.logs)), STRETCH_SD);
      for (let i = 0; i < GRID_SIZE; i++) logs[i]! += age * Math.log(own[i]! + 1e-12);
    }
    if (stretch.waterings > 0) {
      const own = spreadNodes(stretch.wateringLogs);
      for (let i = 0; i < GRID_SIZE; i++) habit[i]! += age * own[i]!;
      habitWeight += age * stretch.waterings;
    }
  }
  if (habitWeight > 0) {
    const share = Math.min(1, MOST_HABIT_WEIGHT / habitWeight);
    for (let i = 0; i < GRID_SIZE; i++) logs[i]! += share * habit[i]!;
  }
  return logs;
}

function hasShape(logs: Float64Array): boolean {
  return logs.some((value) => value !== logs[0]);
}

/**
 * For each pot of a place, what the others teach: the place's factor without the pot's own evidence, blurred to a prior
 * for the pot's ln k. Without evidence anywhere this is the plain prior.
 */
export function pooledPriors(evidence: readonly Float64Array[]): Float64Array[] {
  const placeLogs = new Float64Array(GRID_SIZE);
  const messages = evidence.map((logs) => {
    if (!hasShape(logs)) return null;
    const message = blur(fromLog(logs), POT_SD);
    const out = new Float64Array(GRID_SIZE);
    for (let i = 0; i < GRID_SIZE; i++) {
      out[i] = Math.log(message[i]! + 1e-12);
      placeLogs[i]! += out[i]!;
    }
    return out;
  });
  const prior = normalDensity(0, PLACE_SD);
  return messages.map((own) => {
    const place = new Float64Array(GRID_SIZE);
    for (let i = 0; i < GRID_SIZE; i++) place[i] = Math.log(prior[i]! + 1e-300) + placeLogs[i]! - (own ? own[i]! : 0);
    return blur(fromLog(place), POT_SD);
  });
}

/** The place's own factor, for showing: every pot's evidence on it. */
export function placeFactor(evidence: readonly Float64Array[]): Float64Array {
  const logs = normalDensity(0, PLACE_SD).map((p) => Math.log(p + 1e-300));
  for (const pot of evidence) {
    if (!hasShape(pot)) continue;
    const message = blur(fromLog(pot), POT_SD);
    for (let i = 0; i < GRID_SIZE; i++) logs[i]! += Math.log(message[i]! + 1e-12);
  }
  return fromLog(logs);
}

/** Prior times evidence. */
export function posterior(prior: Float64Array, logs: ArrayLike<number>): Float64Array {
  let top = -Infinity;
  for (let i = 0; i < GRID_SIZE; i++) if (logs[i]! > top) top = logs[i]!;
  const out = new Float64Array(GRID_SIZE);
  for (let i = 0; i < GRID_SIZE; i++) out[i] = prior[i]! * Math.exp(logs[i]! - top);
  return normalise(out);
}
