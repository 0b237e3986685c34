/** The lowest night that a plant takes on the days to come, by what will be in its pot and what it will be doing. */
import type { DayNumber } from '../calendar/day.ts';
import { nightItBearsC, nightItWillBearC } from '../plant/bears.ts';
import type { Futures } from './future.ts';
import { PATH_DAYS } from './future.ts';
import { type PlantModel, stateOn } from './plantModel.ts';

export const LIMIT_WEEKS = 52;
const WEEK = 7;

/** What is known of its water: what is in the pot today, and the day of its next drink, if there is one. */
export interface WaterAhead {
  m: number;
  drinksOn: DayNumber | null;
}

/** Of each week from today's, °C: as its pot is until its next drink; from then on dry in its sleep, moist while it drinks. */
export function weeklyLimits(
  { traits, timeline }: PlantModel,
  today: DayNumber,
  { m, drinksOn }: WaterAhead,
): number[] {
  return Array.from({ length: LIMIT_WEEKS }, (_, week) => {
    const from = today + week * WEEK;
    const asItIs = drinksOn === null ? week === 0 : from + WEEK <= drinksOn;
    return nightItWillBearC(traits, stateOn(timeline, from + 3), asItIs ? m : null);
  });
}

/** The nights of the coming weeks that are below what it takes then, by the moisture its pot is expected to have. */
export function coldNightsAhead(model: PlantModel, { paths }: Futures, today: DayNumber): DayNumber[] {
  const { climate, traits } = model;
  const nights: DayNumber[] = [];
  for (let ahead = 0; ahead <= PATH_DAYS; ahead++) {
    let m = 0;
    for (const path of paths) m += path[Math.min(ahead, path.length - 1)]! / paths.length;
    if (climate.tminC[today + ahead - climate.firstDay]! < nightItBearsC(traits, m)) nights.push(today + ahead);
  }
  return nights;
}
