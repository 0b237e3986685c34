/** What the strip of a pot shows, in this keeper's words. */
import type { RoundPot } from '@zinc-pail/contract/api';
import { holdWords } from '@zinc-pail/words/outlook';
import { nearDay } from './days.ts';
import { units } from './units.ts';

export function stripWords({ outlook }: Pick<RoundPot, 'outlook'>, today: string): string {
  // A part of a sentence, whatever it says.
  if (!outlook.water) return holdWords(outlook, { units: units(), today }).replace(/\.$/, '');
  const { earliest, ideal, latest } = outlook.water;
  return `Water from ${nearDay(earliest, today)}, best ${nearDay(ideal, today)}, at the latest ${nearDay(latest, today)}`;
}
