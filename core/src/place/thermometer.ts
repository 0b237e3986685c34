/**
 * What a min–max thermometer among the plants teaches about the days on which nobody read it.
 * The mean of (reading − estimate), shrunk toward nothing by a prior worth a few readings, each reading's weight
 * halving with its distance in days: a normal prior with a decaying memory.
 */
import type { DayNumber } from '../calendar/day.ts';
import type { Correction } from './placeDay.ts';

export interface Lesson {
  day: DayNumber;
  tminC: number;
  tmaxC: number;
  /** reading over estimate of the vapour pressure, where humidity was read */
  vapour: number | null;
}

/** The prior counts as so many readings. */
const PRIOR_READINGS = 2.5;
/** A season away a reading says half as much. */
const HALF_LIFE_DAYS = 75;

export function correctionOn(day: DayNumber, lessons: readonly Lesson[]): Correction {
  let weight = 0;
  let low = 0;
  let high = 0;
  let vapourWeight = 0;
  let vapour = 0;
  for (const lesson of lessons) {
    const w = 2 ** (-Math.abs(day - lesson.day) / HALF_LIFE_DAYS);
    weight += w;
    low += w * lesson.tminC;
    high += w * lesson.tmaxC;
    if (lesson.vapour !== null) {
      vapourWeight += w;
      vapour += w * Math.log(lesson.vapour);
    }
  }
  return {
    tminC: low / (weight + PRIOR_READINGS),
    tmaxC: high / (weight + PRIOR_READINGS),
    vapour: Math.exp(vapour / (vapourWeight + PRIOR_READINGS)),
  };
}
