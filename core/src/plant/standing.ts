/** Where a plant stands and among what, as its keeper tells: handed on whole to everyone who judges it. */
import type { DayNumber } from '../calendar/day.ts';
import type { Cause } from '../catalogue/causes.ts';
import type { Air, PlaceKind } from '../garden.ts';

/** A pest seen on another plant of the bench. */
export interface NeighbourPest {
  plantId: string;
  pest: Cause;
  /** ISO day on which it was seen last */
  on: string;
}

export interface Standing {
  placeKind: PlaceKind;
  air: Air;
  /** a lamp burns over it */
  lit: boolean;
  /** share of its mix that was alive */
  organicShare: number;
  arrivedOn: DayNumber | null;
  /** the last day on which it was brought in or covered for the night */
  shelteredOn: DayNumber | null;
  /** pests seen on other plants of its bench */
  neighbours: readonly NeighbourPest[];
}

/** Nothing but where it stands. */
export function standingOf({
  placeKind,
  air,
  lit,
  organicShare,
  arrivedOn,
  shelteredOn,
  neighbours,
}: Standing): Standing {
  return { placeKind, air, lit, organicShare, arrivedOn, shelteredOn, neighbours };
}
