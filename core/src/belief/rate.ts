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
export function fade(stretch: Pick<Stretch, 'endDay'>, today: DayNumber): number {
  return 2 ** (-(today - stretch.endDay) / HALF_LIFE_DAYS);
}

/**
 * The reckoning errs with the drying power of the air and the season: the air of a winter room, a plant that eases, the
 * pull of dry mix are never quite as reckoned. ln k falls by `bent` for each unit of ln drive (history.ts) below
 * {@link REFERENCE_LN_DRIVE}. How much is learned from the collection's own looks (bent.ts); this is where it starts.
 */
export const USUAL_BENT = 0.08;
export const REFERENCE_LN_DRIVE = Math.log(0.07);
/** And each pot has a bent of its own about it, so a rate learned in July says less of January. */
export const BENT_SD = 0.12;
/** Below this drive nothing is lost that could tell. */
const LEAST_OFF = -3;
/** Blurs are reckoned for spreads in such steps. */
const SD_STEP = 0.01;

/** How ln k stands under this drive against the reference. */
export function driveShift(lnDrive: number, bent: number): number {
  return bent * Math.max(LEAST_OFF, Math.min(0, lnDrive - REFERENCE_LN_DRIVE));
}

const strayedOf = new WeakMap<Stretch, { sd: number; bent: number; logs: Float64Array }>();

/**
 * What a stretch says of the potting's ln k under the reference drive, its own straying allowed for: logs.
 * @param lnDriveNow the drive for which the rate is wanted
 */
export function strayed(stretch: Stretch, lnDriveNow: number, bent: number): Float64Array {
  const wanted = Math.hypot(STRETCH_SD, BENT_SD * (stretch.lnDrive - lnDriveNow));
  const sd = Math.max(STRETCH_SD, Math.min(0.5, Math.round(wanted / SD_STEP) * SD_STEP));
  let kept = strayedOf.get(stretch);
  if (kept?.sd !== sd || kept.bent !== bent) {
    const logs = lnOf(shifted(blur(fromLog(stretch.logs), sd), -driveShift(stretch.lnDrive, bent)));
    kept = { sd, bent, logs };
    strayedOf.set(stretch, kept);
  }
  return kept.logs;
}

/** What a pot's own looks say of its ln k under the reference drive, before any prior: logs on the grid. */
export function potEvidence(
  stretches: readonly Stretch[],
  today: DayNumber,
  lnDriveNow: number,
  bent: number,
): Float64Array {
  const logs = new Float64Array(GRID_SIZE);
  for (const stretch of stretches) {
    if (!hasShape(stretch.logs)) continue;
    addTo(logs, strayed(stretch, lnDriveNow, bent), fade(stretch, today));
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
