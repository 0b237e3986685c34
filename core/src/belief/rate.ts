/**
 * From evidence to rate: each potting has a hidden ln k about its place's, each place about zero, and each stretch from
 * drench to drench strays a little about the potting's own. All on the grid, all exact but for its step.
 */
import type { DayNumber } from '../calendar/day.ts';
import { blur, fromLog, GRID_SIZE, normalise, shifted } from './grid.ts';
import type { Stretch } from './history.ts';

/**
 * Spread of pottings within a place, of places, and of a pot's store against the reckoned one (joined: both scale
 * time).
 */
export const POT_SD = Math.hypot(0.33, 0.08);
export const PLACE_SD = 0.2;
/** A stretch strays from its potting's rate: states ill guessed, weather not as measured, a plant that grew. */
export const STRETCH_SD = 0.07;
/** Old looks fade: roots fill a pot and mixes settle. */
const HALF_LIFE_DAYS = 200;

/** How much a stretch still says today. */
export function fade(stretch: Stretch, today: DayNumber): number {
  return 2 ** (-(today - stretch.endDay) / HALF_LIFE_DAYS);
}

/**
 * The reckoning errs with the drying power of the air: what a pot loses slowly (large, cold, at rest) it loses more
 * slowly still. ln k falls by so much for each unit of ln drive (history.ts) below {@link REFERENCE_LN_DRIVE}. Found on
 * a simulation with other physics (core/test/world.ts), whose dry-downs of over 60 days were said 15 to 25 % too short.
 */
export const DRIVE_BIAS = 0.15;
export const REFERENCE_LN_DRIVE = Math.log(0.07);
/** And each pot has its own bent in this, so a rate learned in July says less of January. */
const DRIVE_SD = 0.12;
/** Blurs are reckoned for spreads in such steps. */
const SD_STEP = 0.01;

/** How ln k stands under this drive against the reference. */
export function driveShift(lnDrive: number): number {
  const off = lnDrive - REFERENCE_LN_DRIVE;
  return DRIVE_BIAS * Math.max(-3, Math.min(0, off));
}

const strayedOf = new WeakMap<Stretch, { sd: number; logs: Float64Array }>();

/**
 * What a stretch says of the potting's ln k under the reference drive, its own straying allowed for: logs.
 * @param lnDriveNow the drive for which the rate is wanted
 */
export function strayed(stretch: Stretch, lnDriveNow: number): Float64Array {
  const wanted = Math.hypot(STRETCH_SD, DRIVE_SD * (stretch.lnDrive - lnDriveNow));
  const sd = Math.max(STRETCH_SD, Math.min(0.5, Math.round(wanted / SD_STEP) * SD_STEP));
  let kept = strayedOf.get(stretch);
  if (kept?.sd !== sd) {
    kept = { sd, logs: lnOf(shifted(blur(fromLog(stretch.logs), sd), -driveShift(stretch.lnDrive))) };
    strayedOf.set(stretch, kept);
  }
  return kept!.logs;
}

/** What a pot's own looks say of its ln k under the reference drive, before any prior: logs on the grid. */
export function potEvidence(stretches: readonly Stretch[], today: DayNumber, lnDriveNow: number): Float64Array {
  const logs = new Float64Array(GRID_SIZE);
  for (const stretch of stretches) {
    if (!hasShape(stretch.logs)) continue;
    addTo(logs, strayed(stretch, lnDriveNow), fade(stretch, today));
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
