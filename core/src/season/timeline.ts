/** The plant's year as a state machine: growing → easing → resting → waking → growing. */
import { type DayNumber, dayNumber } from '../calendar/day.ts';
import { PLANT_STATES, type PlantEvent, type PlantState } from '../garden.ts';
import { clamp } from '../numeric/curves.ts';
import type { Traits } from '../plant/traits.ts';
import type { PlaceSeries } from '../place/series.ts';
import { invitation, type Limit, LIMITS, type SeasonDay } from './needs.ts';
import { EASING, firstState, nextState, RAMP_DAYS, RESTING } from './states.ts';

export interface StateChange {
  day: DayNumber;
  state: PlantState;
  /** what brought it on: a limit of the season, or the keeper who saw it */
  why: Limit | 'seen';
}

export interface Timeline {
  firstDay: DayNumber;
  /** index into PLANT_STATES for each day */
  states: Uint8Array;
  /** how much the plant drinks, against full growth */
  activity: Float64Array;
  changes: StateChange[];
}

/** Transpiration left in rest, for a plant that keeps its leaves or stem (Borland et al. 2009: CAM idling). */
const REST_ACTIVITY = 0.1;
const EASED_ACTIVITY = 0.35;
const FALLS_FASTER = 3;
/** What the keeper saw outweighs the calendar for so long. */
const KEEPER_WEIGHS_DAYS = 28;
/** A state lasts at least a week and a half, so that one warm spell does not wake a bench. */
const LEAST_DAYS = 10;
const WINDOW_DAYS = 14;

/** The keeper no longer stands by what they said: the season is reckoned again. */
const UNSURE = -1;

export function seasonTimeline(traits: Traits, series: PlaceSeries, events: readonly PlantEvent[]): Timeline {
  const { days, firstDay } = series;
  const evergreen = traits.sleeps === 'never';
  const invited = invitations(traits, series);
  const seen = seenStates(events);
  const states = new Uint8Array(days);
  const changes: StateChange[] = [];
  let state = -1;
  let since = 0;
  let lockedUntil = -1;
  for (let i = 0; i < days; i++) {
    const now = invited.values[i]!;
    const told = seen.get(firstDay + i);
    if (told === UNSURE) lockedUntil = i - 1;
    if (told !== undefined && told !== UNSURE) {
      if (told !== state) changes.push({ day: firstDay + i, state: PLANT_STATES[told]!, why: 'seen' });
      if (told !== state) since = i;
      state = told;
      lockedUntil = i + KEEPER_WEIGHS_DAYS;
    } else if (state < 0) {
      state = firstState(now, evergreen);
      since = i - RAMP_DAYS;
      changes.push({ day: firstDay + i, state: PLANT_STATES[state]!, why: LIMITS[invited.limits[i]!]! });
    } else if (i > lockedUntil && i - since >= LEAST_DAYS) {
      const next = nextState(state, now, i - since, evergreen);
      if (next !== state) {
        state = next;
        since = i;
        changes.push({ day: firstDay + i, state: PLANT_STATES[state]!, why: LIMITS[invited.limits[i]!]! });
      }
    }
    states[i] = state;
  }
  return { firstDay, states, activity: activityOf(states), changes };
}

/** States by the keeper's own eyes, by day. */
function seenStates(events: readonly PlantEvent[]): Map<DayNumber, number> {
  const seen = new Map<DayNumber, number>();
  for (const event of events) {
    if (event.type === 'state')
      seen.set(dayNumber(event.date), event.state === 'unsure' ? UNSURE : PLANT_STATES.indexOf(event.state));
    // Leaves that die back are the plant's own word that it goes to rest.
    if (event.type === 'sign' && event.sign === 'leaves-dying-back') seen.set(dayNumber(event.date), EASING);
  }
  return seen;
}

/** How much the plant drinks as its states ask, by ramps: into rest three times as fast as out of it. */
function activityOf(states: Uint8Array): Float64Array {
  const activity = new Float64Array(states.length);
  let level = 1;
  for (const [i, state] of states.entries()) {
    const target = state === EASING ? EASED_ACTIVITY : state === RESTING ? REST_ACTIVITY : 1;
    if (i === 0) level = target;
    else level += clamp(target - level, -1 / RAMP_DAYS, 1 / RAMP_DAYS) * (state === RESTING ? FALLS_FASTER : 1);
    activity[i] = clamp(level, REST_ACTIVITY, 1);
  }
  return activity;
}

interface Invitations {
  values: Float64Array;
  /** index into LIMITS */
  limits: Uint8Array;
}

/** Plants of one habit on one bench are invited alike. */
const reckoned = new WeakMap<PlaceSeries, Map<string, Invitations>>();

function invitations(traits: Traits, series: PlaceSeries): Invitations {
  let known = reckoned.get(series);
  if (!known) {
    known = new Map();
    reckoned.set(series, known);
  }
  const key = `${traits.habit}/${traits.sleeps}/${traits.growMinC}`;
  let found = known.get(key);
  if (!found) {
    found = { values: new Float64Array(series.days), limits: new Uint8Array(series.days) };
    const window = new SeasonWindow(series);
    for (let i = 0; i < series.days; i++) {
      const { value, limit } = invitation(traits.habit, traits.sleeps, traits.growMinC, window.at(i));
      found.values[i] = value;
      found.limits[i] = LIMITS.indexOf(limit);
    }
    known.set(key, found);
  }
  return found;
}

/** Two-week means, running. */
class SeasonWindow {
  private warmth = 0;
  private light = 0;
  constructor(private readonly series: PlaceSeries) {}

  /** Must be asked for every day in turn. */
  at(i: number): SeasonDay {
    const { tmeanC, dliMol, dayLengthH } = this.series;
    const count = Math.min(i + 1, WINDOW_DAYS);
    this.warmth += tmeanC[i]!;
    this.light += dliMol[i]!;
    if (i >= WINDOW_DAYS) {
      this.warmth -= tmeanC[i - WINDOW_DAYS]!;
      this.light -= dliMol[i - WINDOW_DAYS]!;
    }
    const before = Math.max(0, i - WINDOW_DAYS);
    const after = Math.min(this.series.days - 1, before + WINDOW_DAYS);
    return {
      warmthC: this.warmth / count,
      dliMol: this.light / count,
      dayLengthH: dayLengthH[i]!,
      lengthChangeH: dayLengthH[after]! - dayLengthH[before]!,
    };
  }
}
