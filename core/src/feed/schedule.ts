/** When food is due: counted in waterings, weeks or named months, only in growth, never on a fresh charge. */
import { signsThat } from '../catalogue/signs.ts';
import { methodRow } from '../catalogue/ways.ts';
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
  /** months, 1 to 12, in which light lets an evergreen use food; null under a lamp, or where the state alone decides */
  lightMonths: readonly number[] | null;
  /** the keeper holds food until this day; null for no such hold */
  heldUntil: DayNumber | null;
}

/** Why there is food or none, as a code with its numbers: words are made elsewhere. */
export const FEED_CODES = [
  'never',
  'held',
  'sick',
  'settles',
  'roots-form',
  'mix-feeds',
  'season-full',
  'overfed',
  'asleep',
  'fed-today',
  'waking-dose',
  'waking',
  'last-half-dose',
  'easing',
  'bone-dry',
  'dark-months',
  'salts',
  'nth',
  'weeks-first',
  'weeks',
  'not-its-months',
  'months-full',
  'months',
  'months-later',
] as const;
export interface FeedWhy {
  code: (typeof FEED_CODES)[number];
  n: Readonly<Record<string, number>>;
  /** a sign */
  of?: string;
}

/** What food a plant gets with its next drink. */
export type FeedAdvice =
  | { kind: 'feed'; strength: number; why: FeedWhy; given: number; ceiling: number | null }
  | { kind: 'plain'; why: FeedWhy; until: string | null; given: number; ceiling: number | null };

/** Newly arrived plants settle first. */
const SETTLING_DAYS = 28;
/** After a potting its roots take so long to fill the mix again (potting/aftercare.ts tells of the same day). */
export const ROOTS_FORM_DAYS = 42;
const DAYS_A_MONTH = 30.44;
const DAYS_A_WEEK = 7;
/** A waking plant has had its first full drink within these days of waking. */
const WAKING_DAYS = 60;
/** Signs on which food does harm. */
const SICK: ReadonlySet<string> = signsThat('no-food');
const DAYS_A_YEAR = 365;

/**
 * Says whether the next drink carries food. Counts waterings, not days, in n-th mode: if the drinks come farther apart,
 * so does the food. Blocks come first, each with its reason.
 */
export function feedAdvice(rule: FeedRule, facts: FeedFacts): FeedAdvice {
  const { today, state } = facts;
  const seasonStart = startOfSeason(facts);
  const doses = facts.events.filter((event) => event.type === 'feeding' && dayNumber(event.date) >= seasonStart);
  const given = doses.length;
  const { ceiling } = rule;
  const plain = (code: FeedWhy['code'], until: DayNumber | null = null, n: FeedWhy['n'] = {}): FeedAdvice => ({
    kind: 'plain',
    why: { code, n },
    until: until === null ? null : isoDay(until),
    given,
    ceiling,
  });
  const feed = (why: FeedWhy, strength = rule.strength): FeedAdvice => ({
    kind: 'feed',
    strength,
    why,
    given,
    ceiling,
  });

  if (rule.rhythm.mode === 'never') return plain('never');
  if (facts.heldUntil !== null && facts.heldUntil > today) return plain('held', facts.heldUntil);
  const sick = facts.signs.find((sign) => SICK.has(sign));
  if (sick) return { ...plain('sick'), why: { code: 'sick', n: {}, of: sick } };
  if (facts.arrivedOn !== null && today - facts.arrivedOn < SETTLING_DAYS)
    return plain('settles', facts.arrivedOn + SETTLING_DAYS);
  if (facts.pottedOn !== null && facts.mixIsCharged) {
    const until = facts.pottedOn + Math.round(rule.chargeMonths * DAYS_A_MONTH);
    if (until > today) return plain('mix-feeds', until);
  }
  // New roots are burnt by salts that old ones bear.
  if (facts.pottedOn !== null && today - facts.pottedOn < ROOTS_FORM_DAYS)
    return plain('roots-form', facts.pottedOn + ROOTS_FORM_DAYS);
  if (ceiling !== null && given >= ceiling)
    return plain(given > ceiling ? 'overfed' : 'season-full', seasonStart + DAYS_A_YEAR, { given, ceiling });
  if (state === 'resting') return plain('asleep');
  const fedToday = doses.some((event) => dayNumber(event.date) === today);
  if (fedToday) return plain('fed-today');
  const fresh = !doses.some((event) => dayNumber(event.date) >= facts.stateSince);
  if (state === 'waking') {
    if (rule.firstOnWaking && fresh && today - facts.stateSince < WAKING_DAYS)
      return feed({ code: 'waking-dose', n: {} }, rule.strength / 2);
    return plain('waking');
  }
  if (state === 'easing') {
    if (rule.lastBeforeRest && fresh) return feed({ code: 'last-half-dose', n: {} }, rule.strength / 2);
    return plain('easing');
  }
  const month = Number(isoDay(today).slice(5, 7));
  if (facts.lightMonths && rule.rhythm.mode !== 'months' && !facts.lightMonths.includes(month))
    return plain('dark-months', firstOf(facts.lightMonths, today));
  const due = rhythmDue(rule.rhythm, facts, seasonStart);
  if (due.due && facts.dry) return plain('bone-dry');
  return due.due ? feed(due.why) : plain(due.why.code, null, due.why.n);
}

/** The first day of the next of these months. */
function firstOf(months: readonly number[], today: DayNumber): DayNumber {
  const [year, month] = isoDay(today).split('-').map(Number) as [number, number];
  for (let ahead = 1; ahead <= 12; ahead++) {
    const next = ((month - 1 + ahead) % 12) + 1;
    if (months.includes(next))
      return dayNumber(`${year + Math.floor((month - 1 + ahead) / 12)}-${String(next).padStart(2, '0')}-01`);
  }
  return today;
}

function rhythmDue(
  rhythm: Exclude<FeedRhythm, { mode: 'never' }>,
  facts: FeedFacts,
  seasonStart: DayNumber,
): { due: boolean; why: FeedWhy } {
  const { events, today } = facts;
  const lastFed = events.findLast((event) => event.type === 'feeding');
  const fedOn = lastFed ? dayNumber(lastFed.date) : null;
  switch (rhythm.mode) {
    case 'nth': {
      const since = events.filter(
        (event) =>
          event.type === 'watering' &&
          dayNumber(event.date) >= Math.max(seasonStart, fedOn === null ? -Infinity : fedOn + 1) &&
          (rhythm.sipsCount || !methodRow(event.method).measured),
      ).length;
      return { due: since + 1 >= rhythm.n, why: { code: 'nth', n: { drink: since + 1, every: rhythm.n } } };
    }
    case 'weeks': {
      if (fedOn === null || fedOn < seasonStart) return { due: true, why: { code: 'weeks-first', n: {} } };
      const ago = today - fedOn;
      const wanted = rhythm.weeks * DAYS_A_WEEK;
      return { due: ago >= wanted, why: { code: 'weeks', n: { days: ago, weeks: rhythm.weeks } } };
    }
    case 'months': {
      const month = Number(isoDay(today).slice(5, 7));
      if (!rhythm.months.includes(month)) return { due: false, why: { code: 'not-its-months', n: {} } };
      const start = startOfRun(rhythm.months, month, today);
      const got = events.filter((event) => event.type === 'feeding' && dayNumber(event.date) >= start).length;
      if (got >= rhythm.times)
        return { due: false, why: { code: 'months-full', n: { given: got, times: rhythm.times } } };
      // Spread over the months: the second dose waits until its share of them is over.
      const passed = (today - start) / (rhythm.months.length * DAYS_A_MONTH);
      const due = passed >= got / rhythm.times;
      return {
        due,
        why: { code: due ? 'months' : 'months-later', n: { dose: got + 1, given: got, times: rhythm.times } },
      };
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
