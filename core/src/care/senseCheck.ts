/** What is asked back before it is written: a slip of the hand, or a drink and a meal that a plant cannot use. Codes, no words. */
import { isDrink } from '../catalogue/ways.ts';
import { type DayNumber, dayNumber } from '../calendar/day.ts';
import type { FeedAdvice, FeedWhy } from '../feed/schedule.ts';
import type { PlantEvent } from '../garden.ts';
import { BONE_DRY_M } from '../moisture.ts';

export type OddMark =
  | { code: 'more-than-it-holds'; ml: number; holds_ml: number }
  | { code: 'more-than-a-can'; ml: number; can_ml: number }
  | { code: 'above-the-label'; dose: number }
  | { code: 'past-the-ceiling'; given: number; ceiling: number }
  | { code: 'food-harms'; feed: FeedAdvice }
  | { code: 'many-drinks'; drinks: number };

export interface SenseFacts {
  /** of the mix, and what of it the pot can give, ml */
  volumeMl: number;
  availableMl: number;
  holes: boolean;
  /** moisture of the pot, on the dry side */
  mLow: number;
  feed: FeedAdvice;
  /** moisture of the pot, on the wet side */
  mHigh: number;
  canMl: number;
  /** what is in the book */
  events: readonly PlantEvent[];
}

/** A measure runs through a pot that has a hole: so many times its mix is a flush, and no drink is more. */
const FLUSH_TIMES = 2.2;
/** Without one it stands: what fits, and a little for the doubt. */
const FITS_TIMES = 1.15;
/** Food does harm for as long as one of these holds, not only out of season: roots that are sick, new, cut or not settled. */
const HARMFUL: ReadonlySet<FeedWhy['code']> = new Set(['sick', 'settles', 'roots-form', 'bone-dry', 'salts']);
const MANY_DRINKS = 6;
const WEEK = 7;

/** @param event as it is about to be written */
export function senseCheck(event: PlantEvent, facts: SenseFacts): OddMark | null {
  if (event.type === 'watering') return oddDrink(event, facts);
  if (event.type !== 'feeding') return null;
  const { given, ceiling, why } = facts.feed;
  if ((event.dose ?? 1) > 1) return { code: 'above-the-label', dose: event.dose! };
  if (HARMFUL.has(why.code)) return { code: 'food-harms', feed: facts.feed };
  if (facts.mHigh <= BONE_DRY_M && facts.feed.kind === 'plain')
    return { code: 'food-harms', feed: { ...facts.feed, why: { code: 'bone-dry', n: {} } } };
  return ceiling !== null && given >= ceiling ? { code: 'past-the-ceiling', given, ceiling } : null;
}

function oddDrink(event: Extract<PlantEvent, { type: 'watering' }>, facts: SenseFacts): OddMark | null {
  const { volumeMl, availableMl, holes, mLow, canMl, events } = facts;
  const ml = event.amount_ml ?? 0;
  const holds = holes ? FLUSH_TIMES * volumeMl : FITS_TIMES * availableMl * Math.max(0.1, 1 - mLow);
  if (ml > holds) return { code: 'more-than-it-holds', ml, holds_ml: Math.round(holes ? volumeMl : holds) };
  if (ml > canMl) return { code: 'more-than-a-can', ml, can_ml: canMl };
  if (!isDrink(event)) return null;
  const drinks = 1 + drinksWithin(events, dayNumber(event.date));
  return drinks >= MANY_DRINKS ? { code: 'many-drinks', drinks } : null;
}

function drinksWithin(events: readonly PlantEvent[], day: DayNumber): number {
  return events.filter(
    (event) =>
      event.type === 'watering' &&
      event.method !== 'mist' &&
      Math.abs(day - dayNumber(event.date)) < WEEK &&
      dayNumber(event.date) <= day,
  ).length;
}
