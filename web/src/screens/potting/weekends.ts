import type { BenchPlant } from '@zinc-pail/contract/potting';
import { dayNumber, weekendsOf } from '@zinc-pail/core';

/** The Saturday on which each plant of the bench is to be potted, as the queue and the round say it. */
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
