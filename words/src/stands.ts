/** From when to when the nights of a place are warm enough for a plant. */
import type { StandsWhen } from '@zinc-pail/core';
import { dateWords } from './days.ts';

/** @param today ISO; a year is named where it is not this one */
export function standsWords(stands: StandsWhen, today: string): string {
  switch (stands.when) {
    case 'never':
      return 'no month of nights is warm enough';
    case 'always':
      return 'warm enough all year';
    case 'from-to':
      return stands.now
        ? `warm enough until about ${dateWords(stands.in, today)}`
        : `warm enough from about ${dateWords(stands.out, today)} to ${dateWords(stands.in, today)}`;
  }
}
