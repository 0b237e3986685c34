/** The plant's year as a state machine: growing → easing → resting → waking → growing. */
import { type DayNumber, dayNumber, dayOfYear } from '../calendar/day.ts';
import { dayLengthH } from '../sky/solar.ts';
import { PLANT_STATES, type PlantEvent, type PlantState } from '../garden.ts';
import { clamp } from '../numeric/curves.ts';
import type { Traits } from '../plant/traits.ts';
import type { PlaceSeries } from '../place/series.ts';
import { invitation, type Limit, LIMITS, type SeasonDay } from './needs.ts';
import { EASING, firstState, GROWING, nextState, RAMP_DAYS, RESTING, WAKING } from './states.ts';

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
  /** days by which this plant turns later than its kind, below 0 earlier, and how many turns of it were seen */
  own: { days: number; turns: number };
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

/** @param keepsTime it goes by the sun outside, whatever lamp burns over it */
export function seasonTimeline(
  traits: Traits,
  series: PlaceSeries,
  events: readonly PlantEvent[],
  keepsTime = false,
): Timeline {
  const invited = invitations(traits, series, keepsTime);
  const seen = seenStates(traits, invited, series.firstDay, events);
  const evergreen = traits.sleeps === 'never';
  const own = ownShift(seen, () => walk({ series, invited, seen: new Map(), evergreen, shift: 0 }).changes);
  const { states, changes } = walk({ series, invited, seen, evergreen, shift: own.days });
  return { firstDay: series.firstDay, states, activity: activityOf(states), changes, own };
}

interface Walk {
  series: PlaceSeries;
  invited: Invitations;
  seen: ReadonlyMap<DayNumber, number>;
  evergreen: boolean;
  /** days by which this plant is later than its kind */
  shift: number;
}

/** Day by day through the year, by invitations and by what was seen. */
function walk({ series, invited, seen, evergreen, shift }: Walk): Pick<Timeline, 'states' | 'changes'> {
  const { days, firstDay } = series;
  const states = new Uint8Array(days);
  const changes: StateChange[] = [];
  let state = -1;
  let since = 0;
  let lockedUntil = -1;
  for (let i = 0; i < days; i++) {
    const at = clamp(i - shift, 0, days - 1);
    const now = invited.values[at]!;
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
      changes.push({ day: firstDay + i, state: PLANT_STATES[state]!, why: LIMITS[invited.limits[at]!]! });
    } else if (i > lockedUntil && i - since >= LEAST_DAYS) {
      const next = nextState(state, now, i - since, evergreen);
      if (next !== state) {
        state = next;
        since = i;
        changes.push({ day: firstDay + i, state: PLANT_STATES[state]!, why: LIMITS[invited.limits[at]!]! });
      }
    }
    states[i] = state;
  }
  return { states, changes };
}

/** A turn that was seen belongs to the reckoned one of its kind within so many days. */
const SAME_TURN_DAYS = 60;
/** One year may be an odd one: a plant's own way counts the more, the more often it was seen. */
const PRIOR_TURNS = 2;
const MOST_SHIFT_DAYS = 30;
const TELLING = new Set<number>([RESTING, WAKING, GROWING]);

/**
 * By how much this plant turns earlier or later than its kind would at its places: the median of what was seen against
 * what is reckoned without it, shrunk.
 *
 * @param reckonedTurns turns of the season as they would have been by the kind alone; asked for only where turns were seen
 */
function ownShift(seen: ReadonlyMap<DayNumber, number>, reckonedTurns: () => readonly StateChange[]): Timeline['own'] {
  const turns = [...seen].filter(([, state]) => TELLING.has(state));
  if (turns.length === 0) return { days: 0, turns: 0 };
  const kind = reckonedTurns();
  const late = turns.flatMap(([day, state]) => {
    const near = kind
      .filter((change) => change.state === PLANT_STATES[state])
      .map((change) => day - change.day)
      .filter((days) => Math.abs(days) <= SAME_TURN_DAYS)
      .sort((a, b) => Math.abs(a) - Math.abs(b));
    return near.slice(0, 1);
  });
  if (late.length === 0) return { days: 0, turns: 0 };
  const middle = late.toSorted((a, b) => a - b)[Math.floor(late.length / 2)]!;
  const share = late.length / (late.length + PRIOR_TURNS);
  return { days: Math.round(clamp(share * middle, -MOST_SHIFT_DAYS, MOST_SHIFT_DAYS)), turns: late.length };
}

/** States by the keeper's own eyes, by day. */
function seenStates(
  traits: Traits,
  invited: Invitations,
  firstDay: DayNumber,
  events: readonly PlantEvent[],
): Map<DayNumber, number> {
  const seen = new Map<DayNumber, number>();
  for (const event of events) {
    const day = dayNumber(event.date);
    if (event.type === 'state') seen.set(day, event.state === 'unsure' ? UNSURE : PLANT_STATES.indexOf(event.state));
    // Leaves that die back are the plant's own word that it goes to rest, where it is one that does, and its rest is near.
    if (event.type === 'sign' && event.sign === 'leaves-dying-back' && mayGoToRest(traits, invited, day - firstDay))
      seen.set(day, EASING);
  }
  return seen;
}

/** So long before its rest leaves may begin to go. */
const BEFORE_REST_DAYS = 45;
const NO_LONGER_INVITED = 0.5;

function mayGoToRest({ sleeps, form }: Traits, { values }: Invitations, i: number): boolean {
  // A stone plant's old pair dies back into the new one, whatever the season.
  if (sleeps === 'never' || form === 'stemless') return false;
  for (let at = Math.max(0, i); at <= Math.min(values.length - 1, i + BEFORE_REST_DAYS); at++)
    if (values[at]! < NO_LONGER_INVITED) return true;
  return false;
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

function invitations(traits: Traits, series: PlaceSeries, keepsTime: boolean): Invitations {
  let known = reckoned.get(series);
  if (!known) {
    known = new Map();
    reckoned.set(series, known);
  }
  const key = `${traits.habit}/${traits.sleeps}/${traits.growMinC}/${keepsTime}`;
  let found = known.get(key);
  if (!found) {
    found = { values: new Float64Array(series.days), limits: new Uint8Array(series.days) };
    const window = new SeasonWindow(series, keepsTime ? sunsDays(series) : series.dayLengthH);
    for (let i = 0; i < series.days; i++) {
      const { value, limit } = invitation(traits.habit, traits.sleeps, traits.growMinC, window.at(i));
      found.values[i] = value;
      found.limits[i] = LIMITS.indexOf(limit);
    }
    known.set(key, found);
  }
  return found;
}

/** Length of the days outside. */
function sunsDays({ firstDay, days, latitudeDeg }: PlaceSeries): Float64Array {
  return Float64Array.from({ length: days }, (_, i) => dayLengthH(latitudeDeg, dayOfYear(firstDay + i)));
}

/** Two-week means, running. */
class SeasonWindow {
  private warmth = 0;
  private light = 0;
  constructor(
    private readonly series: PlaceSeries,
    private readonly dayLengthH: Float64Array,
  ) {}

  /** Must be asked for every day in turn. */
  at(i: number): SeasonDay {
    const { dayLengthH } = this;
    const { tmeanC, dliMol } = this.series;
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
