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

/** What of the bench decides a weekend: a rescue, or one that is only looked at, has none of its own. */
export interface BenchLine {
  id: number;
  need: { score: number; verdict: 'due' | 'look' | 'none' };
  suits: { from: DayNumber; to: DayNumber } | null;
  blocks: readonly { until: DayNumber | null }[];
}

/** The Saturday of every plant that has a reason: within the weeks that suit it, and when nothing stands in its way. */
export function weekendsOf(
  lines: readonly BenchLine[],
  today: DayNumber,
  potsAWeekend: number,
): Map<number, DayNumber> {
  const pots = lines.flatMap(({ id, need, suits, blocks }): ToPot[] => {
    if (need.verdict === 'none' || !suits || blocks.some(({ until }) => until === null)) return [];
    const free = Math.max(suits.from, ...blocks.map(({ until }) => until!));
    return free > suits.to ? [] : [{ id, score: need.score, from: free, to: suits.to }];
  });
  return spreadOverWeekends(pots, today, potsAWeekend);
}
