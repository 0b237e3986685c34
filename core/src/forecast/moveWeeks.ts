/**
 * When a plant may stand at a place: the longest stretch of weeks in which nine nights in ten stay above what it takes then,
 * dry in its sleep and moist awake. Out when it begins, in before it ends.
 */
import { type DayNumber, isoDay } from '../calendar/day.ts';

export interface Stretch {
  /** first week, counted from today's */
  from: number;
  weeks: number;
}

/** The longest run of weeks that hold, going round the end of the year; null where none does. */
export function longestRun(holds: readonly boolean[]): Stretch | null {
  let best: Stretch | null = null;
  for (let from = 0; from < holds.length; from++) {
    let weeks = 0;
    while (weeks < holds.length && holds[(from + weeks) % holds.length]!) weeks++;
    if (weeks > (best?.weeks ?? 0)) best = { from, weeks };
  }
  return best;
}

/** never: no week is warm enough · always: all year · else out from a day on, in by another */
export type StandsWhen = { when: 'never' | 'always' } | { when: 'from-to'; out: string; in: string; now: boolean };

const WEEK = 7;
/** Shorter than this a stay is not worth the carrying and the hardening. */
const WORTH_WEEKS = 4;

/**
 * @param coldestC of each week from today's, the night that nine in ten are warmer than (placeOutlook.ts)
 * @param limitsC of each of these weeks the lowest night that it takes (plant/bears.ts)
 */
export function standsWhen(coldestC: readonly number[], limitsC: readonly number[], today: DayNumber): StandsWhen {
  const run = longestRun(coldestC.map((c, week) => c >= limitsC[week]!));
  if (!run || run.weeks < WORTH_WEEKS) return { when: 'never' };
  if (run.weeks >= coldestC.length) return { when: 'always' };
  const last = run.from + run.weeks;
  // A run that began before today is found as one that goes round the year's end, or from its first week.
  const now = run.from === 0 || last > coldestC.length;
  return {
    when: 'from-to',
    out: isoDay(today + run.from * WEEK),
    in: isoDay(today + (last % coldestC.length) * WEEK),
    now,
  };
}
