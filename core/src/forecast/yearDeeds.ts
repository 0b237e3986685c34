/**
 * What a plant's year asks besides water: food by its rule over the drinks that are expected, the weeks that suit a new
 * pot once one is due, and when it flowered in years before.
 */
import { type DayNumber, dayNumber, isoDay } from '../calendar/day.ts';
import type { FeedRule } from '../feed/schedule.ts';
import type { AlmanacRow, StateSpan } from './almanac.ts';

export interface YearDeeds {
  /** doses to be expected in each week */
  feeds: number[];
  /** weeks in which a new pot suits it, from the first to the last; null where none is due within the year */
  repot: { from: number; to: number } | null;
  /** weeks in which it was in flower in years before */
  flowers: boolean[];
}

export interface DeedFacts {
  today: DayNumber;
  feed: FeedRule;
  /** day of the last potting; null where nobody knows */
  pottedOn: DayNumber | null;
  repotYears: number;
  /** days on which it was seen in flower, ISO */
  flowered: readonly string[];
}

const WEEK = 7;
const DAYS_A_YEAR = 365.25;
const DAYS_A_MONTH = 30.44;
/** Roots want some weeks of growth before them: a pot is changed in the first of these weeks of growth. */
const SUITS_WEEKS = 8;
/** A flower that was seen once was open for about so long. */
const OPEN_DAYS = 10;

export function yearDeeds(
  { states, waterings }: Pick<AlmanacRow, 'states' | 'waterings'>,
  facts: DeedFacts,
): YearDeeds {
  const weeks = waterings.map((_, week) => week);
  const grows = weeks.map((week) => growsIn(states, week));
  return {
    feeds: feedsOf(waterings, grows, facts),
    repot: repotOf(grows, facts),
    flowers: weeks.map((week) => facts.flowered.some((day) => isInWeek(dayNumber(day), facts.today, week))),
  };
}

function growsIn(states: readonly StateSpan[], week: number): boolean {
  const day = week * WEEK + 3;
  return states.find(({ from, to }) => day >= from && day < to)?.state === 'growing';
}

/** Doses as the rule counts them, never asleep, never on a mix that was charged lately, never over the season's limit. */
function feedsOf(
  waterings: readonly number[],
  grows: readonly boolean[],
  { today, feed, pottedOn }: DeedFacts,
): number[] {
  const { rhythm, ceiling, chargeMonths } = feed;
  let given = 0;
  return waterings.map((times, week) => {
    const day = today + 1 + week * WEEK;
    const charged = pottedOn !== null && day - pottedOn < chargeMonths * DAYS_A_MONTH;
    // A new season counts anew.
    if (!grows[week]) given = 0;
    if (!grows[week] || charged) return 0;
    const wanted = dosesIn(rhythm, times, Number(isoDay(day).slice(5, 7)));
    const doses = ceiling === null ? wanted : Math.max(0, Math.min(wanted, ceiling - given));
    given += doses;
    return doses;
  });
}

function dosesIn(rhythm: FeedRule['rhythm'], waterings: number, month: number): number {
  switch (rhythm.mode) {
    case 'never':
      return 0;
    case 'nth':
      return waterings / rhythm.n;
    case 'weeks':
      return Math.min(waterings, 1 / rhythm.weeks);
    case 'months':
      return rhythm.months.includes(month)
        ? Math.min(waterings, (rhythm.times / rhythm.months.length) * (WEEK / DAYS_A_MONTH))
        : 0;
  }
}

/** The first weeks of growth after its years in this pot are over. */
function repotOf(grows: readonly boolean[], { today, pottedOn, repotYears }: DeedFacts): YearDeeds['repot'] {
  if (pottedOn === null) return null;
  const due = Math.max(0, Math.ceil((pottedOn + repotYears * DAYS_A_YEAR - today) / WEEK));
  for (let from = 0; from < grows.length; from++) {
    // Growth that began long ago is too late in its season: only where it begins, or has begun already on the first week.
    const begins = grows[from]! && (from === 0 || !grows[from - 1]!);
    if (!begins) continue;
    const last = Math.min(grows.length - 1, from + SUITS_WEEKS - 1);
    if (last < due) continue;
    return { from: Math.max(from, due), to: last };
  }
  return null;
}

function isInWeek(day: DayNumber, today: DayNumber, week: number): boolean {
  const start = today + 1 + week * WEEK;
  const years = Math.ceil((start - day - OPEN_DAYS) / DAYS_A_YEAR);
  const again = Math.round(day + Math.max(1, years) * DAYS_A_YEAR);
  return again < start + WEEK && again + OPEN_DAYS > start;
}
