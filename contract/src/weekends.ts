/** The weekends that the potting bench gives to its plants, as the queue and the round say them. */
import { dayNumber, weekendsOf } from '@zinc-pail/core';
import type { BenchPlant } from './potting.ts';

/** The Saturday on which each plant of the bench is to be potted, a day number. */
export function weekendsOfBench(plants: readonly BenchPlant[], today: string, potsAWeekend: number) {
  return weekendsOf(
    plants.map(({ id, need, suits, blocks }) => ({
      id,
      need,
      suits: suits && { from: dayNumber(suits.from), to: dayNumber(suits.to) },
      blocks: blocks.map(({ until }) => ({ until: until === null ? null : dayNumber(until) })),
    })),
    dayNumber(today),
    potsAWeekend,
  );
}
