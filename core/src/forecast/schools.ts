/**
 * Three schools on the same plant: the pot is dry; the plant shows it; the calendar says so. Side by side, and when
 * they differ by much.
 */
import { isDrink } from '../catalogue/ways.ts';
import { type DayNumber, dayNumber } from '../calendar/day.ts';
import type { PlantState } from '../garden.ts';
import type { StressOutlook } from './stressOutlook.ts';
import type { WaterAdvice } from './window.ts';
import type { PlantModel } from './plantModel.ts';

export interface Schools {
  /** the day each would water; null for not in sight */
  pot: DayNumber | null;
  plant: DayNumber | null;
  calendar: DayNumber | null;
  /** the calendar's interval, and whose it is */
  intervalDays: number | null;
  intervalFrom: 'this pot' | 'the books';
  /** the schools are further apart than a keeper would shrug at */
  disagree: boolean;
}

/** What books give for a pot of ordinary size in growth, by rule, and for easing; none in rest. */
const BOOK_DAYS = { 'keep-damp': 7, 'dry-top': 9, 'dry-through': 14, 'dry-and-hold': 18 } as const;
const EASING_FACTOR = 2;
/** A pot's own interval needs some drinks to tell, from about the same season. */
const LEAST_INTERVALS = 3;
const SEASON_DAYS = 60;
const MOST_DAYS = 300;

export function schools(
  model: PlantModel,
  advice: WaterAdvice,
  stress: StressOutlook,
  state: PlantState,
  lastWatered: DayNumber | null,
  today: DayNumber,
): Schools {
  const own = ownInterval(model, today);
  const book = state === 'resting' ? null : BOOK_DAYS[model.traits.dryRule] * (state === 'easing' ? EASING_FACTOR : 1);
  const intervalDays = state === 'resting' ? null : (own ?? book);
  const pot = advice.window?.ideal ?? null;
  const plant = state === 'resting' || stress.wrinklesInDays === null ? null : today + stress.wrinklesInDays;
  const calendar = intervalDays === null ? null : Math.max(today, (lastWatered ?? today - intervalDays) + intervalDays);
  return {
    pot,
    plant,
    calendar,
    intervalDays,
    intervalFrom: own === null ? 'the books' : 'this pot',
    disagree: apart(pot, plant, calendar, today),
  };
}

/** Median days between drinks at about this time of the year. */
function ownInterval(model: PlantModel, today: DayNumber): number | null {
  const drinks = model.plant.events.filter(isDrink).map((event) => dayNumber(event.date));
  const intervals: number[] = [];
  for (let i = 1; i < drinks.length; i++) {
    const apartFromNow = Math.abs(((((today - drinks[i]!) % 365) + 548) % 365) - 183);
    const days = drinks[i]! - drinks[i - 1]!;
    if (apartFromNow <= SEASON_DAYS && days > 0) intervals.push(days);
  }
  if (intervals.length < LEAST_INTERVALS) return null;
  return intervals.sort((a, b) => a - b)[Math.floor(intervals.length / 2)]!;
}

/**
 * Pot and calendar further apart than a week and than two fifths of the way to the later. The plant's own day counts
 * only where it comes before the pot's: a first wrinkle that is weeks off says nothing against a dry pot.
 */
function apart(pot: DayNumber | null, plant: DayNumber | null, calendar: DayNumber | null, today: DayNumber): boolean {
  const ahead = (day: DayNumber | null) => (day === null ? MOST_DAYS : day - today);
  const days = [ahead(pot), ahead(calendar), ...(ahead(plant) < ahead(pot) ? [ahead(plant)] : [])];
  const early = Math.min(...days);
  const late = Math.max(...days);
  return late - early > 7 && late - early > 0.4 * Math.min(late, 60);
}
