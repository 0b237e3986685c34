/** What a round says besides its pots: further tasks of a day, and marks that somebody else has made already. */
import type { ALSO_KINDS } from '@zinc-pail/contract/choices';
import { dateWords } from './days.ts';

/** A task of today that is not water. */
export interface AlsoToday {
  kind: (typeof ALSO_KINDS)[number];
  /** the day it goes back to: of a move, of the end of a quarantine, of an arrival */
  day: string;
  /** of sun */
  minutes?: number | undefined;
  /** of a look after a potting: the first, second or third */
  n?: number | undefined;
}

/** From two hours on nobody counts minutes. */
const HOURS_FROM_MINUTES = 120;

export function alsoWords({ kind, day, minutes, n }: AlsoToday, today: string): string {
  switch (kind) {
    case 'sun':
      return `${spanWords(minutes ?? 0)} of direct sun today, then back to shade.`;
    case 'review':
      return `Moved on ${dateWords(day, today)}: how does its newest growth look?`;
    case 'quarantine':
      return `Apart until ${dateWords(day, today)}: look for pests once more, then let it join the others.`;
    case 'potted-look':
      return `Potted on ${dateWords(day, today)}: ${POTTED_LOOKS[(n ?? 1) - 1]!}`;
    case 'shade-ends':
      return `Potted on ${dateWords(day, today)}: out of the shade again, by steps.`;
    case 'arrival':
      return 'New here, not looked over yet: is a sleeve or foil still on, has its pot a hole, are there pests, how are its roots?';
    case 'sleeve':
      return 'Came in a sleeve or foil that is still on: take it off, it holds the run-off.';
    case 'hole':
      return 'Came in a pot without a hole: make one, or pot it on; until then only small measures.';
    case 'peat':
      return 'Came in soaked peat: shake it off and pot it in its own mix, once it has dried a little.';
    case 'pests':
      return 'Pests were found when it came: keep it apart, and find out in the clinic what they are.';
  }
}

/** A move that the nights ask for: "In from the balcony by 2 October". */
export function moveWords(
  { kind, place, on }: { kind: 'in' | 'out'; place: string; on: string },
  today: string,
): string {
  if (kind === 'in') return on <= today ? `In from ${place} now` : `In from ${place} by ${dateWords(on, today)}`;
  return on <= today ? `May go out to ${place} now` : `May go out to ${place} from ${dateWords(on, today)}`;
}

const POTTED_LOOKS = [
  'does it stand firm, is its mix still level?',
  'a week on: has the mix sunk, does it lean?',
  'four weeks on: how does its newest growth look?',
];

/** "1 minute", "45 minutes", "2.5 hours". */
export function spanWords(minutes: number): string {
  if (minutes >= HOURS_FROM_MINUTES) return `${Math.round(minutes / 6) / 10} hours`;
  return minutes === 1 ? '1 minute' : `${minutes} minutes`;
}

/** A mark that found the same mark already there. */
export interface Doubled {
  by: string;
  deed: 'fed' | 'watered';
  /** by the site's clock, "10:31" */
  at: string;
}

export function doubledWords({ by, deed, at }: Doubled): string {
  return `${by} has ${deed} it already, written at ${at}. Nothing was written twice.`;
}
