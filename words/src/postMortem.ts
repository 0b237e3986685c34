/** The last months of a plant that has died, in sentences. */
import type { LastFact } from '@zinc-pail/core';
import { dateWords } from './days.ts';
import { signWords } from './signs.ts';
import { capital, countWords, degreeWords, type Units } from './units.ts';

/** @param endedOn ISO day of the end */
export function lastMonthsWords({ code, n, on, of = '' }: LastFact, endedOn: string, units: Units): string {
  const before = n.days === 0 ? 'on its last day' : `${countWords(n.days!, 'day')} before the end`;
  switch (code) {
    case 'repotted':
      return `Repotted ${before}${n.cut ? ', roots cut' : ''}${n.wet ? '; the old mix was wet' : ''}.`;
    case 'moved':
      return `Moved ${before}.`;
    case 'cold-nights':
      return (
        `${countWords(n.nights!, 'night')} below its limit, the coldest ${degreeWords(n.low!, units)} ` +
        `on ${dateWords(on!, endedOn, units)}.`
      );
    case 'never-watered':
      return 'No watering is on record.';
    case 'watered':
      return `Last watered ${before}${n.usual === undefined ? '' : `; usually every ${n.usual === 1 ? 'day' : `${n.usual} days`}`}.`;
    case 'watered-often':
      return `Watered ${n.times === 1 ? 'once' : `${n.times} times`} in its last ${countWords(n.days!, 'day')}, more often than before.`;
    case 'dry-long':
      return `That is ${n.times === 1 ? 'about' : `${n.times} times`} its usual gap: thirst, or a rest.`;
    case 'drunk-moist':
      return `It still felt ${of} when it was last watered.`;
    case 'looked-at':
      return `Last felt or weighed ${before}.`;
    case 'never-looked':
      return 'Its pot was never felt or weighed.';
    case 'fed':
      return `Last fed ${before}.`;
    case 'sign':
      return `${capital(signWords(of))} seen ${before}.`;
  }
}
