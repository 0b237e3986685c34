/**
 * When a plant may stand at a place: the longest stretch of weeks in which nine nights in ten stay above what it bears with
 * a moist root ball. Out when it begins, in before it ends.
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
 * @param limitC lowest night it bears with a moist root ball
 */
export function standsWhen(coldestC: readonly number[], limitC: number, today: DayNumber): StandsWhen {
  const run = longestRun(coldestC.map((c) => c >= limitC));
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
