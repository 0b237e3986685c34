/** The pots that stand on the screen, in walking order, each with its site and bench. */
import type { RoundPlace, RoundPot, RoundSite } from '@zinc-pail/contract/api';
import { drinkOf } from '@zinc-pail/core';

export interface Spot {
  site: RoundSite;
  place: RoundPlace;
  pot: RoundPot;
}

/** The pots of a bench that get a drink today. */
export function dueAt(spots: readonly Spot[], placeId: number): number[] {
  return spots.flatMap(({ place, pot }) =>
    place.id === placeId && drinkOf(pot.task.judgement) !== null ? [pot.id] : [],
  );
}

export function toggled(before: ReadonlySet<number>, id: number): ReadonlySet<number> {
  const after = new Set(before);
  if (!after.delete(id)) after.add(id);
  return after;
}

/** All of them chosen, or, where they all were, none. */
export function toggledAll(before: ReadonlySet<number>, ids: readonly number[]): ReadonlySet<number> {
  const all = ids.every((id) => before.has(id));
  const after = new Set(before);
  for (const id of ids)
    if (all) after.delete(id);
    else after.add(id);
  return after;
}

/** The pot so many steps on from this one; from none, the first or the last. */
export function stepFrom(spots: readonly Spot[], here: number | null, by: number): number | null {
  const at = spots.findIndex(({ pot }) => pot.id === here);
  const to = at < 0 ? (by > 0 ? 0 : spots.length - 1) : Math.min(spots.length - 1, Math.max(0, at + by));
  return spots[to]?.pot.id ?? null;
}
