/** From when to when the nights of a place are warm enough for a plant. */
import type { StandsWhen } from '@zinc-pail/core';
import { type DateOrder, dateWords } from './days.ts';

/** @param today ISO; the year is named where it is not this one */
export function standsWords(stands: StandsWhen, today: string, units: DateOrder): string {
  switch (stands.when) {
    case 'never':
      return 'no month of nights is warm enough';
    case 'always':
      return 'warm enough all year';
    case 'from-to': {
      if (stands.now) return `warm enough until about ${dateWords(stands.in, today, units)}`;
      const sameYear = stands.out.slice(0, 4) === stands.in.slice(0, 4);
      // One year for both days, told once.
      const until = sameYear ? yearTold(stands.in, today, units) : dateWords(stands.in, today, units);
      return `warm enough from about ${sameYear ? dateWords(stands.out, stands.out, units) : dateWords(stands.out, today, units)} to ${until}`;
    }
  }
}

function yearTold(day: string, today: string, units: DateOrder): string {
  const year = day.slice(0, 4);
  return `${dateWords(day, day, units)}${year === today.slice(0, 4) ? '' : ` ${year}`}`;
}
