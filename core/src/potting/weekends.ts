/** Pots spread over free weekends: the most pressing first, each within the weeks that suit it. */
import type { DayNumber } from '../calendar/day.ts';

export interface ToPot {
  id: number;
  /** how pressing, 0 to 1 */
  score: number;
  /** first and last day that suit */
  from: DayNumber;
  to: DayNumber;
}

const WEEK = 7;
/** Day 0 of the epoch was a Thursday: day 2 a Saturday. */
const SATURDAY = 2;

export function saturdayFrom(day: DayNumber): DayNumber {
  return day + ((SATURDAY - (day % WEEK) + WEEK) % WEEK);
}

/** @returns the Saturday of each; those for which no weekend within their weeks is free are left out */
export function spreadOverWeekends(
  pots: readonly ToPot[],
  today: DayNumber,
  potsAWeekend: number,
): Map<number, DayNumber> {
  const taken = new Map<DayNumber, number>();
  const out = new Map<number, DayNumber>();
  // Of two alike the one whose weeks end sooner goes first.
  for (const pot of pots.toSorted((a, b) => b.score - a.score || a.to - b.to)) {
    for (let day = saturdayFrom(Math.max(today, pot.from)); day <= pot.to; day += WEEK) {
      const there = taken.get(day) ?? 0;
      if (there >= potsAWeekend) continue;
      taken.set(day, there + 1);
      out.set(pot.id, day);
      break;
    }
  }
  return out;
}
