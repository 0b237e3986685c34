/**
 * Signs move the interval: thirst that a drink cured moves this plant's rule a step earlier, too much a step later.
 * Each step is modest, dated and has its reason; what the book says is read anew each time, so a mark struck out takes
 * its step with it.
 */
import { signsThat } from '../catalogue/signs.ts';
import { type DayNumber, dayNumber } from '../calendar/day.ts';
import type { Cause } from '../catalogue/causes.ts';
import { type PlantEvent, type Refusal, type Sign, type SignPlace } from '../garden.ts';
import { refusedTwice } from './refusals.ts';
import type { Traits } from './traits.ts';
import { clamp } from '../numeric/curves.ts';

export interface IntervalStep {
  /** the day that settled it, ISO */
  on: string;
  way: 'earlier' | 'later';
  /** the sign that told, or the cause that the keeper took to be so */
  sign: Sign | Cause | 'refused';
  /** whether the same sign came again within a season after the step; null while that season is not over */
  helped: boolean | null;
}

/** Mush and splitting tell of too much whatever else; yellow leaves and blisters only after a wet look. */
const TOO_MUCH = signsThat('step-later');
/** Frost and sun make mush of tips, edges, the newest, or all of it: that is no word on the water unless the pot was wet. */
const NOT_OF_WATER: ReadonlySet<SignPlace> = new Set<SignPlace>(['newest', 'tips', 'edges', 'sun-side', 'all']);
const TOO_MUCH_IF_WET = signsThat('step-later-if-wet');
/** A drink cures a thirst within so many days. */
const DRINK_WITHIN_DAYS = 3;
const FIRM_WITHIN_DAYS = 7;
/** A wet look this near the sign makes it one of too much. */
const WET_WITHIN_DAYS = 10;
/** Two steps within so many days are one. */
const ONE_STEP_DAYS = 14;
const SEASON_DAYS = 180;
/** Steps fade into what the pot itself shows: older ones move nothing. */
const STEP_LASTS_DAYS = 400;
const MOST_STEPS = 3;
/** A step earlier calls at this much more moisture, or takes as many days off a hold; a step later the reverse. */
export const STEP_M = 0.08;
export const STEP_HOLD_DAYS = 3;

/** What is left out for a reason that lies in the pot; cold, sleep and a potting pass by themselves. */
const OF_THE_POT: ReadonlySet<Refusal> = new Set<Refusal>(['not-sure', 'other']);

type SignEvent = Extract<PlantEvent, { type: 'sign' }>;

/** @param events oldest first @param takenBack days of steps that the keeper took back, ISO */
export function intervalSteps(
  events: readonly PlantEvent[],
  today: DayNumber,
  takenBack: readonly string[] = [],
): IntervalStep[] {
  const steps: IntervalStep[] = [];
  const add = (on: string, way: IntervalStep['way'], sign: IntervalStep['sign']) => {
    const last = steps.at(-1);
    if (last && last.way === way && dayNumber(on) - dayNumber(last.on) < ONE_STEP_DAYS) return;
    steps.push({ on, way, sign, helped: null });
  };
  const refused = new Set<PlantEvent>(refusedTwice(events).filter(({ reason }) => OF_THE_POT.has(reason)));
  for (const [i, event] of events.entries()) {
    if (refused.has(event)) add(event.date, 'later', 'refused');
    if (event.type === 'verdict' && event.gap) add(event.date, event.gap, event.cause);
    if (event.type !== 'sign') continue;
    if (signsThat('slack').has(event.sign)) {
      const cured = curedOn(events, i);
      if (cured) add(cured, 'earlier', event.sign);
    } else if (tellsOfTooMuch(event) || (mayTell(event.sign) && wetNear(events, event.date))) {
      add(event.date, 'later', event.sign);
    }
  }
  const kept = steps.filter(({ on }) => today - dayNumber(on) <= STEP_LASTS_DAYS && !takenBack.includes(on));
  return kept.map((step) => ({ ...step, helped: helped(step, steps, today) }));
}

const tellsOfTooMuch = ({ sign, where }: SignEvent): boolean =>
  TOO_MUCH.has(sign) && !(sign === 'mushy' && where && NOT_OF_WATER.has(where));

const mayTell = (sign: Sign): boolean => TOO_MUCH.has(sign) || TOO_MUCH_IF_WET.has(sign);

/** Slack and dry, watered soon after, and firm again: the day on which it was seen firm. */
function curedOn(events: readonly PlantEvent[], at: number): string | null {
  const sign = events[at]!;
  const day = dayNumber(sign.date);
  // A wet look beside the sign makes it no thirst.
  if (
    events.some(
      (event) =>
        event.type === 'check' &&
        'finger' in event &&
        event.finger !== 'dry' &&
        Math.abs(dayNumber(event.date) - day) <= 2 &&
        event.date >= sign.date,
    )
  )
    return null;
  const drink = events.find(
    (event) =>
      event.type === 'watering' &&
      event.method !== 'mist' &&
      dayNumber(event.date) >= day &&
      dayNumber(event.date) - day <= DRINK_WITHIN_DAYS,
  );
  if (!drink) return null;
  const firm = events.find(
    (event) =>
      event.type === 'sign' &&
      event.sign === 'taut' &&
      event.date >= drink.date &&
      dayNumber(event.date) - dayNumber(drink.date) <= FIRM_WITHIN_DAYS,
  );
  return firm ? firm.date : null;
}

function wetNear(events: readonly PlantEvent[], date: string): boolean {
  const day = dayNumber(date);
  return events.some(
    (event) =>
      event.type === 'check' &&
      'finger' in event &&
      event.finger === 'wet' &&
      dayNumber(event.date) <= day &&
      day - dayNumber(event.date) <= WET_WITHIN_DAYS,
  );
}

/** A season later: did it come again? */
function helped(step: IntervalStep, all: readonly IntervalStep[], today: DayNumber): boolean | null {
  const end = dayNumber(step.on) + SEASON_DAYS;
  const again = all.some((other) => other.way === step.way && other.on > step.on && dayNumber(other.on) <= end);
  return again ? false : today > end ? true : null;
}

/** The traits with a plant's steps in them, and how far they moved; what the keeper set themselves is not moved. */
export function stepped(traits: Traits, dueM: number, steps: readonly IntervalStep[], keepersOwn: boolean): Traits {
  const net = clamp(
    steps.reduce((sum, { way }) => sum + (way === 'earlier' ? 1 : -1), 0),
    -MOST_STEPS,
    MOST_STEPS,
  );
  if (net === 0 || keepersOwn) return traits;
  if (traits.dryRule === 'dry-and-hold') {
    const holdDays = traits.holdDays - STEP_HOLD_DAYS * net;
    // A hold that is used up calls before the pot is quite dry.
    return holdDays >= 0 ? { ...traits, holdDays } : { ...traits, holdDays: 0, dueM: clamp(dueM + STEP_M, 0.05, 0.7) };
  }
  if (net < 0 && dueM <= 0.12 + 1e-9) return { ...traits, dryRule: 'dry-and-hold', holdDays: STEP_HOLD_DAYS * -net };
  return { ...traits, dueM: clamp(dueM + STEP_M * net, 0.05, 0.7) };
}
