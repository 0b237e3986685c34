/** The facts of a plant's page, a line each: when it wants water, how fast it dries, its season, its store and roots. */
import type { OutlookView, Sureness } from '@zinc-pail/core';
import { dayWords } from './days.ts';
import type { Speaking } from './reasons.ts';
import { holdWords, seasonWords, THIRST, WET_FEET } from './outlook.ts';
import { amountWords, countWords } from './units.ts';

export type FactsOf = Pick<
  OutlookView,
  | 'water'
  | 'hold'
  | 'rate'
  | 'checks'
  | 'state'
  | 'state_why'
  | 'state_since'
  | 'state_since_start'
  | 'next_change'
  | 'thirst'
  | 'wet_feet'
>;

export const SURE_WORDS: Record<Sureness, string> = {
  high: 'high: one clear answer',
  medium: 'medium: another answer is close',
  low: 'low: a check would help',
};

/** As fast as expected where it is within so much of that. */
const AS_EXPECTED = 0.05;

function dryingWords({ rate, checks }: Pick<FactsOf, 'rate' | 'checks'>): string {
  const pace =
    Math.abs(rate.p50 - 1) < AS_EXPECTED ? 'as fast as expected' : `${rate.p50.toFixed(1)} × as fast as expected`;
  const band = `${rate.p10.toFixed(1)} to ${rate.p90.toFixed(1)} ×`;
  return checks === 0
    ? `${pace}, like other pots here; not checked yet (${band})`
    : `${pace}, from ${countWords(checks, 'check')} (${band})`;
}

/** @returns terms with their facts, in the order of the page */
export function plantFacts(
  outlook: FactsOf,
  sure: Sureness,
  { today, units }: Speaking,
): [term: string, fact: string][] {
  const { water, next_change: next, thirst, wet_feet: wet } = outlook;
  const day = (on: string) => dayWords(on, today, units);
  const season = seasonWords(
    outlook.state,
    outlook.state_why,
    outlook.state_since,
    outlook.state_since_start,
    today,
    units,
  );
  const { wrinkles_in_days: wrinkles } = thirst;
  const { harms_in_days: harms } = wet;
  return [
    [
      'Water',
      water
        ? `${day(water.earliest)} to ${day(water.latest)}, best ${day(water.ideal)}: ${amountWords(water.amount_ml, units)}`
        : holdWords(outlook, { today, units }),
    ],
    ['Drying', dryingWords(outlook)],
    ['Season', `${season}${next ? `; ${next.state} from about ${day(next.on)}` : ''}`],
    [
      'Its store',
      `${THIRST[thirst.word]}${wrinkles ? `; without water the first wrinkles in about ${countWords(wrinkles, 'day')}` : ''}`,
    ],
    [
      'Its roots',
      `${WET_FEET[wet.word]}${harms ? `; in danger in about ${countWords(harms, 'day')} if it stays wet` : ''}`,
    ],
    ['How sure', SURE_WORDS[sure]],
  ];
}
