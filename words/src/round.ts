/** What a round says besides its pots: further tasks of a day, and marks that somebody else has made already. */
import type { ALSO_KINDS } from '@zinc-pail/contract/choices';
import { type DateOrder, dateWords } from './days.ts';

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

export function alsoWords({ kind, day, minutes, n }: AlsoToday, today: string, units: DateOrder): string {
  switch (kind) {
    case 'sun':
      return `${spanWords(minutes ?? 0)} of direct sun today, then back to shade.`;
    case 'review':
      return `Moved on ${dateWords(day, today, units)}: how does its new growth look?`;
    case 'quarantine':
      return `In quarantine until ${dateWords(day, today, units)}: check for pests once more, then let it join the others.`;
    case 'potted-look':
      return `Potted on ${dateWords(day, today, units)}: ${POTTED_LOOKS[(n ?? 1) - 1]!}`;
    case 'shade-ends':
      return `Potted on ${dateWords(day, today, units)}: bring it out of the shade again, in steps.`;
    case 'arrival':
      return 'New here and not inspected yet. Is a sleeve or foil still on? Does its pot have a hole? Any pests? How are its roots?';
    case 'sleeve':
      return 'It came in a sleeve or foil that is still on: take it off, it traps water.';
    case 'hole':
      return 'It came in a pot without a hole: make one, or repot it. Until then water in small measures only.';
    case 'peat':
      return 'It came in soaked peat: let that dry a little, then repot it into its own mix.';
    case 'pests':
      return 'Pests were found when it came: quarantine it, and find out in the clinic what they are.';
  }
}

/** A move that the nights ask for: "In from the balcony by 2 October". */
export function moveWords(
  { kind, place, on }: { kind: 'in' | 'out'; place: string; on: string },
  today: string,
  units: DateOrder,
): string {
  if (kind === 'in')
    return on <= today ? `Bring in from ${place} now` : `Bring in from ${place} by ${dateWords(on, today, units)}`;
  return on <= today ? `Can go out to ${place} now` : `Can go out to ${place} from ${dateWords(on, today, units)}`;
}

const POTTED_LOOKS = [
  'is it firm in its pot, and is the mix still level?',
  'a week later: has the mix sunk, does it lean?',
  'four weeks later: how does its new growth look?',
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
  return `${by} already ${deed} it, noted at ${at}. Nothing was written twice.`;
}
