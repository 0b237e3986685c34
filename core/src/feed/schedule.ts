/** When food is due: counted in waterings, weeks or named months, only in growth, never on a fresh charge. */
import { type DayNumber, dayNumber, isoDay } from '../calendar/day.ts';
import type { Habit, PlantEvent, PlantState } from '../garden.ts';

/** How the keeper feeds a plant. */
export type FeedRhythm =
  | { mode: 'never' }
  | { mode: 'nth'; n: number; sipsCount: boolean }
  | { mode: 'weeks'; weeks: number }
  | { mode: 'months'; times: number; months: number[] };

export interface FeedRule {
  rhythm: FeedRhythm;
  /** share of the label's dose */
  strength: number;
  /** months without food after a repotting into a mix that is charged */
  chargeMonths: number;
  /** a half dose with the last drink before rest */
  lastBeforeRest: boolean;
  /** a dose with the first full drink on waking */
  firstOnWaking: boolean;
  /** most doses a growing season, or null for no limit */
  ceiling: number | null;
}

export interface FeedFacts {
  events: readonly PlantEvent[];
  today: DayNumber;
  state: PlantState;
  /** the day from which the plant has been in its present state */
  stateSince: DayNumber;
  habit: Habit;
  south: boolean;
  /** how far the mix brings food of its own: does it hold compost, castings or a bagged soil */
  mixIsCharged: boolean;
  /** last repotting, or null */
  pottedOn: DayNumber | null;
  /** dry through: food on dry roots burns them */
  dry: boolean;
  /** the day it came, where that was lately */
  arrivedOn: DayNumber | null;
  signs: readonly string[];
}

/** What food a plant gets with its next drink. */
export type FeedAdvice =
  | { kind: 'feed'; strength: number; why: string; given: number; ceiling: number | null }
  | { kind: 'plain'; why: string; until: string | null; given: number; ceiling: number | null };

/** Newly arrived plants settle first. */
const SETTLING_DAYS = 28;
const DAYS_A_MONTH = 30.44;
const DAYS_A_WEEK = 7;
/** A waking plant has had its first full drink within these days of waking. */
const WAKING_DAYS = 60;
/** Signs on which food does harm. */
const SICK = new Set(['mushy', 'soft-base', 'roots-mush', 'sour-smell', 'salt-crust']);
const DAYS_A_YEAR = 365;

/**
 * Says whether the next drink carries food. Counts waterings, not days, in n-th mode: if the drinks come farther apart, so
 * does the food. Blocks come first, each with its reason.
 */
export function feedAdvice(rule: FeedRule, facts: FeedFacts): FeedAdvice {
  const { today, state } = facts;
  const seasonStart = startOfSeason(facts);
  const doses = facts.events.filter((event) => event.type === 'feeding' && dayNumber(event.date) >= seasonStart);
  const given = doses.length;
  const { ceiling } = rule;
  const plain = (why: string, until: DayNumber | null = null): FeedAdvice => ({ kind: 'plain', why, until: until === null ? null : isoDay(until), given, ceiling });
  const feed = (why: string, strength = rule.strength): FeedAdvice => ({ kind: 'feed', strength, why, given, ceiling });

  if (rule.rhythm.mode === 'never') return plain('You feed it never.');
  const sick = facts.signs.find((sign) => SICK.has(sign));
  if (sick) return plain(`Seen lately: ${sick.replaceAll('-', ' ')}. Food would harm.`);
  if (facts.arrivedOn !== null && today - facts.arrivedOn < SETTLING_DAYS) return plain('It came lately and settles first.', facts.arrivedOn + SETTLING_DAYS);
  if (facts.pottedOn !== null && facts.mixIsCharged) {
    const until = facts.pottedOn + Math.round(rule.chargeMonths * DAYS_A_MONTH);
    if (until > today) return plain('Its mix still feeds it.', until);
  }
  if (ceiling !== null && given >= ceiling) return plain(`Fed ${given} of ${ceiling} this season: that is its limit.`);
  if (state === 'resting') return plain('Asleep: no food.');
  const fedToday = doses.some((event) => dayNumber(event.date) === today);
  if (fedToday) return plain('Fed today.');
  if (state === 'waking') {
    const fresh = !doses.some((event) => dayNumber(event.date) >= facts.stateSince);
    if (rule.firstOnWaking && fresh && today - facts.stateSince < WAKING_DAYS) return feed('The first drink on waking: a weak feed, as you chose.', rule.strength / 2);
    return plain('Waking: food once it grows.');
  }
  if (state === 'easing') {
    const fresh = !doses.some((event) => dayNumber(event.date) >= facts.stateSince);
    if (rule.lastBeforeRest && fresh) return feed('The last before rest: half a dose, as you chose.', rule.strength / 2);
    return plain('Slowing: no more food this season.');
  }
  if (facts.dry) {
    const due = rhythmDue(rule.rhythm, facts, seasonStart);
    if (due.due) return plain('Food is due, but its roots are bone dry: a plain drink first, food with the next.');
  }
  const due = rhythmDue(rule.rhythm, facts, seasonStart);
  return due.due ? feed(due.why) : plain(due.why);
}

function rhythmDue(rhythm: Exclude<FeedRhythm, { mode: 'never' }>, facts: FeedFacts, seasonStart: DayNumber): { due: boolean; why: string } {
  const { events, today } = facts;
  const lastFed = events.findLast((event) => event.type === 'feeding');
  const fedOn = lastFed ? dayNumber(lastFed.date) : null;
  switch (rhythm.mode) {
    case 'nth': {
      const since = events.filter(
        (event) => event.type === 'watering' && dayNumber(event.date) >= Math.max(seasonStart, fedOn === null ? -Infinity : fedOn + 1) && (rhythm.sipsCount || (event.method !== 'measured' && event.method !== 'mist')),
      ).length;
      return { due: since + 1 >= rhythm.n, why: since + 1 >= rhythm.n ? `Every ${ordinal(rhythm.n)} drink, and this is it.` : `Drink ${since + 1} of ${rhythm.n} since the last food.` };
    }
    case 'weeks': {
      if (fedOn === null || fedOn < seasonStart) return { due: true, why: 'Not fed yet this season.' };
      const ago = today - fedOn;
      const wanted = rhythm.weeks * DAYS_A_WEEK;
      return { due: ago >= wanted, why: ago >= wanted ? `${ago} days since the last food.` : `Fed ${ago} days ago; every ${rhythm.weeks} weeks is enough.` };
    }
    case 'months': {
      const month = Number(isoDay(today).slice(5, 7));
      if (!rhythm.months.includes(month)) return { due: false, why: 'Not one of its feeding months.' };
      const start = startOfRun(rhythm.months, month, today);
      const got = events.filter((event) => event.type === 'feeding' && dayNumber(event.date) >= start).length;
      if (got >= rhythm.times) return { due: false, why: `Fed ${got} of ${rhythm.times} times this season.` };
      // Spread over the months: the second dose waits until its share of them is over.
      const passed = (today - start) / (rhythm.months.length * DAYS_A_MONTH);
      const due = passed >= got / rhythm.times;
      return { due, why: due ? `Dose ${got + 1} of ${rhythm.times} for its season.` : `Fed ${got} of ${rhythm.times} times; the next comes later in its season.` };
    }
  }
}

/** First day of the run of named months that this month belongs to. */
function startOfRun(months: readonly number[], month: number, today: DayNumber): DayNumber {
  const named = new Set(months);
  let back = 0;
  while (back < 11 && named.has(((month - back - 2 + 24) % 12) + 1)) back++;
  const [year, m] = isoDay(today).split('-').map(Number) as [number, number];
  const index = year * 12 + (m - 1) - back;
  return dayNumber(`${Math.floor(index / 12)}-${String((index % 12) + 1).padStart(2, '0')}-01`);
}

/** The growing season that today belongs to began here: doses before it count no more. */
function startOfSeason({ today, habit, south }: FeedFacts): DayNumber {
  const [year, month] = isoDay(today).split('-').map(Number) as [number, number];
  // A summer grower's year turns in midwinter, a winter grower's in midsummer; the south is half a year on.
  const turns = (habit === 'winter') !== south ? 7 : 1;
  const start = dayNumber(`${month >= turns ? year : year - 1}-${String(turns).padStart(2, '0')}-01`);
  return today - start > DAYS_A_YEAR ? today - DAYS_A_YEAR : start;
}

function ordinal(n: number): string {
  const rest = n % 100;
  if (rest > 10 && rest < 14) return `${n}th`;
  return `${n}${['th', 'st', 'nd', 'rd'][n % 10] ?? 'th'}`;
}
