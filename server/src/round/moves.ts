/** Moves in and out that the nights of the places ask for within the next weeks. */
import type { RoundPot, RoundSite } from '@zinc-pail/contract/api';
import { dayNumber, movesAhead, placeDefaults, type PlaceKind, type PlaceOutlook } from '@zinc-pail/core';
import type { SiteOutlooks } from '../outlook/outlooks.ts';

export interface Standing {
  places: readonly { id: number; name: string; kind: string }[];
  pots: readonly { pot: Pick<RoundPot, 'id' | 'name'>; placeId: number }[];
  outlooks: Pick<SiteOutlooks, 'today' | 'views'>;
  /** where each stood before, by plant */
  stoodAt: ReadonlyMap<number, readonly number[]>;
}

/** The cold reaches it: no room of a house, and no glass that is heated. */
export function isOutside(kind: string): boolean {
  const { indoors, floorC } = placeDefaults(kind as PlaceKind);
  return !indoors && floorC === null;
}

/** @param climates null while they are still being reckoned: then nothing is told */
export function movesOf(
  climates: ReadonlyMap<number, PlaceOutlook> | null,
  { places, pots, outlooks, stoodAt }: Standing,
): RoundSite['moves'] {
  if (!climates) return [];
  const moves = movesAhead(
    pots.flatMap(({ pot: { id, name }, placeId }) => {
      const view = outlooks.views.get(id);
      return view ? [{ id, name, placeId, limitsC: view.weekly_limit_c, stoodAt: stoodAt.get(id) ?? [] }] : [];
    }),
    places.flatMap(({ id, name, kind }) => {
      const climate = climates.get(id);
      return climate ? [{ id, name, outside: isOutside(kind), coldestC: climate.coldest_c }] : [];
    }),
    dayNumber(outlooks.today),
  );
  return moves.map(({ placeId, ...rest }) => ({ ...rest, place_id: placeId }));
}
