/**
 * The four states of a plant's year and the arrows between them: growing → easing → resting → waking → growing, with a way
 * back from easing and from waking. What invites growth is reckoned in needs.ts, from 0, nothing does, to 1, all does.
 */
import { PLANT_STATES, type PlantState } from '../garden.ts';

/** A state as the timeline keeps it: an index into PLANT_STATES. */
const indexOf = (state: PlantState) => PLANT_STATES.indexOf(state);
export const GROWING = indexOf('growing');
export const EASING = indexOf('easing');
export const RESTING = indexOf('resting');
export const WAKING = indexOf('waking');

/** A ramp of easing and of waking takes about this long: roots and leaves come and go over weeks. */
export const RAMP_DAYS = 28;
/** A plant eases for so long at least before it sleeps. */
export const LEAST_EASING_DAYS = 14;

/** Below this a growing plant eases. */
const EASES_BELOW = 0.5;
/** Above this an easing plant grows on: well above where it eased, so that a warm week is no season. */
const GROWS_ON_ABOVE = 0.75;
/** Below this an easing plant goes to rest. */
const RESTS_BELOW = 0.2;
/** Above this a sleeper wakes. */
const WAKES_ABOVE = 0.4;
/** Below this a waking plant turns over and sleeps on. */
const SLEEPS_ON_BELOW = 0.15;
/** Where a record begins nobody knows how the plant came there: above this it grows. */
const BEGINS_GROWING_ABOVE = 0.55;

/**
 * The state after this day.
 *
 * @param invited what invites growth, 0 to 1
 * @param daysIn days in its present state
 * @param evergreen slows down in poor months and never sleeps, by its kind or by its keeper's wish
 */
export function nextState(state: number, invited: number, daysIn: number, evergreen: boolean): number {
  switch (state) {
    case GROWING:
      return invited < EASES_BELOW ? EASING : GROWING;
    case EASING:
      if (invited > GROWS_ON_ABOVE) return GROWING;
      return !evergreen && invited < RESTS_BELOW && daysIn >= LEAST_EASING_DAYS ? RESTING : EASING;
    case RESTING:
      return invited > WAKES_ABOVE ? WAKING : RESTING;
    case WAKING:
      if (invited < SLEEPS_ON_BELOW) return evergreen ? EASING : RESTING;
      return daysIn >= RAMP_DAYS ? GROWING : WAKING;
    default:
      throw new RangeError(`no state ${state}`);
  }
}

/** The state on the first day of a record. */
export function firstState(invited: number, evergreen: boolean): number {
  if (evergreen) return invited > EASES_BELOW ? GROWING : EASING;
  return invited > BEGINS_GROWING_ABOVE ? GROWING : invited > RESTS_BELOW ? EASING : RESTING;
}
