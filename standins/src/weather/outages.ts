/**
 * When the service does not serve, as services do: some hours refused, some hanging, some answering in halves, and now
 * and then a day or a week with records but without any forecast. Drawn from the hour, so that it is the same each time.
 */
import { seededRandom, seedFrom } from '@zinc-pail/core';

/** refuses: 503 · hangs: no answer · garbled: half an answer · no-forecast: the record only */
export const OUTAGES = ['refuses', 'hangs', 'garbled', 'no-forecast'] as const;
export type Outage = (typeof OUTAGES)[number];
/** `off`: never · `usual`: as below · else always that one */
export type OutagePlan = 'off' | 'usual' | Outage;

export const OUTAGE_PLANS: readonly OutagePlan[] = ['off', 'usual', ...OUTAGES];

const MS_AN_HOUR = 3_600_000;
const DAYS_OF_A_WEEK = 7;
/** Share of hours with each; one week in twenty has no forecast at all. */
const USUAL: readonly (readonly [Outage, number])[] = [
  ['refuses', 0.03],
  ['hangs', 0.01],
  ['garbled', 0.01],
];
const WEEKS_WITHOUT = 0.05;

export function outageAt(instantMs: number, plan: OutagePlan): Outage | null {
  if (plan === 'off') return null;
  if (plan !== 'usual') return plan;
  const hour = Math.floor(instantMs / MS_AN_HOUR);
  let chance = seededRandom(seedFrom(`hour ${hour}`))();
  for (const [outage, share] of USUAL) {
    if (chance < share) return outage;
    chance -= share;
  }
  const week = Math.floor(hour / 24 / DAYS_OF_A_WEEK);
  return seededRandom(seedFrom(`week ${week}`))() < WEEKS_WITHOUT ? 'no-forecast' : null;
}
