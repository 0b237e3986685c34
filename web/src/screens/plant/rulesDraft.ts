/** The rules of one plant as they are typed, and what of them differs from what is there. */
import type { PlantView } from '@zinc-pail/contract/api';
import { MOST_SAUCER_MINUTES, MOST_SOAK_MINUTES } from '@zinc-pail/contract/limits';
import { type CareRules, dilutedStrength } from '@zinc-pail/core';
import { MONTHS } from '../../reader/days.ts';
import { numberIn } from '@zinc-pail/words/numbers';
import { celsiusOf, shownTemperature } from '../../reader/units.ts';

/** Numbers as text while they are typed. */
export interface RulesDraft extends Omit<
  CareRules,
  | 'amount'
  | 'feed'
  | 'everyDays'
  | 'noFoodUntil'
  | 'idealFromC'
  | 'idealToC'
  | 'ceilingC'
  | 'indoorDays'
  | 'stretchFrom'
> {
  indoorDays: string;
  stretchFrom: string;
  idealFromC: string;
  idealToC: string;
  ceilingC: string;
  noFoodUntil: string;
  everyDays: string[];
  amountBy: string;
  ml: string;
  percent: string;
  mode: string;
  n: string;
  sips: boolean;
  weeks: string;
  times: string;
  months: number[];
  percentDose: string;
  plainParts: string;
  ceiling: string;
  chargeMonths: string;
  lastBeforeRest: boolean;
  firstOnWaking: boolean;
  saucer: string;
  soak: string;
  words: string;
  reason: string;
}

export function draftOf({ care: { rules }, record }: Pick<PlantView, 'care' | 'record'>): RulesDraft {
  const { feed, amount } = rules;
  const { rhythm } = feed;
  return {
    ...rules,
    idealFromC: shownDegrees(rules.idealFromC),
    idealToC: shownDegrees(rules.idealToC),
    ceilingC: shownDegrees(rules.ceilingC),
    indoorDays: String(rules.indoorDays),
    stretchFrom: String(rules.stretchFrom),
    noFoodUntil: rules.noFoodUntil ?? '',
    everyDays: rules.everyDays.map((days) => (days === null ? '' : String(days))),
    amountBy: amount.by,
    ml: amount.by === 'fixed' ? String(amount.ml) : '',
    percent: amount.by === 'share' ? String(amount.share * 100) : '3',
    mode: rhythm.mode,
    n: rhythm.mode === 'nth' ? String(rhythm.n) : '4',
    sips: rhythm.mode === 'nth' && rhythm.sipsCount,
    weeks: rhythm.mode === 'weeks' ? String(rhythm.weeks) : '4',
    times: rhythm.mode === 'months' ? String(rhythm.times) : '3',
    months: rhythm.mode === 'months' ? rhythm.months : [4, 5, 6, 7, 8],
    percentDose: String(Math.round(feed.strength * 1000) / 10),
    plainParts: '0',
    ceiling: feed.ceiling === null ? '' : String(feed.ceiling),
    chargeMonths: String(feed.chargeMonths),
    lastBeforeRest: feed.lastBeforeRest,
    firstOnWaking: feed.firstOnWaking,
    saucer: String(rules.saucerMinutes),
    soak: String(rules.soakMinutes),
    words: record.own_words ?? '',
    reason: '',
  };
}

/** Changed rules by name, or what is wrong with what was typed. */
export function changesOf(draft: RulesDraft, before: CareRules): Record<string, unknown> | string {
  try {
    const next = rulesOf(draft);
    return Object.fromEntries(
      // Only what differs from what is there is set: the rest keeps coming from genus, form and place.
      Object.entries(next).filter(
        ([rule, value]) => JSON.stringify(value) !== JSON.stringify(before[rule as keyof CareRules]),
      ),
    );
  } catch (error) {
    if (error instanceof RangeError) return error.message;
    throw error;
  }
}

/** @throws RangeError in words where something typed is out of its range */
function rulesOf(draft: RulesDraft): Record<string, unknown> {
  if (draft.ways.length === 0) throw new RangeError('Ways of watering: at least one.');
  if (draft.waters.length === 0) throw new RangeError('Kinds of water: at least one.');
  return {
    trigger: draft.trigger,
    dueAt: draft.dueAt,
    sleeps: draft.sleeps,
    everyDays: draft.everyDays.map((days, i) => (days.trim() === '' ? null : within(days, 1, 365, MONTHS[i]!))),
    ways: draft.ways,
    amount: amountOf(draft),
    waters: draft.waters,
    salts: draft.salts,
    stand: draft.stand,
    saucerMinutes: within(draft.saucer, 1, MOST_SAUCER_MINUTES, 'Saucer, minutes'),
    soakMinutes: within(draft.soak, 1, MOST_SOAK_MINUTES, 'Soak, minutes'),
    feed: {
      rhythm: rhythmOf(draft),
      strength: strengthOf(draft),
      chargeMonths: within(draft.chargeMonths, 0, 24, 'Months without'),
      lastBeforeRest: draft.lastBeforeRest,
      firstOnWaking: draft.firstOnWaking,
      ceiling: draft.ceiling.trim() === '' ? null : within(draft.ceiling, 0, 100, 'At most'),
    },
    feedId: draft.feedId,
    light: draft.light,
    ...warmthOf(draft),
    indoorDays: Math.round(within(draft.indoorDays, 1, 3650, 'Days indoors')),
    stretchFrom: within(draft.stretchFrom, 1.1, 5, 'Stretched from'),
    hardToReplace: draft.hardToReplace,
    firstDrink: draft.firstDrink,
    noFoodUntil: draft.noFoodUntil || null,
  };
}

function amountOf({ amountBy, ml, percent }: RulesDraft): CareRules['amount'] {
  if (amountBy === 'fixed') return { by: 'fixed', ml: within(ml, 1, 200_000, 'Millilitres') };
  if (amountBy === 'share') return { by: 'share', share: within(percent, 0.5, 100, 'Percent of the mix') / 100 };
  return { by: 'drench' };
}

function rhythmOf({ mode, n, sips, weeks, times, months }: RulesDraft): CareRules['feed']['rhythm'] {
  switch (mode) {
    case 'nth':
      return { mode, n: within(n, 1, 50, 'Every how many waterings'), sipsCount: sips };
    case 'weeks':
      return { mode, weeks: within(weeks, 1, 52, 'Weeks') };
    case 'months':
      if (months.length === 0) throw new RangeError('Feeding months: at least one.');
      return { mode, times: within(times, 1, 30, 'Times'), months };
    default:
      return { mode: 'never' };
  }
}

/** As it reaches the roots, to a thousandth of the label's dose. */
function strengthOf({ percentDose, plainParts }: RulesDraft): number {
  const mixed = within(percentDose, 1, 200, 'Strength, percent') / 100;
  return Math.round(1000 * dilutedStrength(mixed, 1, Number(plainParts))) / 1000;
}

/** A temperature as it is typed, in the keeper's units. */
const shownDegrees = (celsius: number): string => String(Math.round(shownTemperature(celsius) * 10) / 10);

/** The band in which it does best, and where it wants shade; in °C, whatever was typed. */
function warmthOf({
  idealFromC,
  idealToC,
  ceilingC,
}: Pick<RulesDraft, 'idealFromC' | 'idealToC' | 'ceilingC'>): Pick<CareRules, 'idealFromC' | 'idealToC' | 'ceilingC'> {
  const celsius = (text: string, min: number, max: number, what: string) =>
    Math.round(celsiusOf(within(text, shownTemperature(min), shownTemperature(max), what)) * 10) / 10;
  const band = {
    idealFromC: celsius(idealFromC, -10, 40, 'Best from'),
    idealToC: celsius(idealToC, 0, 50, 'Best to'),
    ceilingC: celsius(ceilingC, 15, 60, 'Shade from'),
  };
  if (band.idealFromC >= band.idealToC) throw new RangeError('Best to: more than best from is wanted.');
  if (band.idealToC > band.ceilingC) throw new RangeError('Shade from: no less than best to is wanted.');
  return band;
}

function within(text: string, min: number, max: number, what: string): number {
  const value = numberIn(text, min, max);
  if (Number.isNaN(value)) throw new RangeError(`${what}: a number from ${min} to ${max} is wanted.`);
  return value;
}
