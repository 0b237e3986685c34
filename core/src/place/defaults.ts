import { type PlaceKind, PLACE_TABLE, type PlaceRow } from '../catalogue/places.ts';
import type { Air, Place } from '../garden.ts';

export function placeDefaults(kind: PlaceKind): PlaceRow {
  return PLACE_TABLE[kind];
}

/** Glass is aired from this warmth on unless told otherwise, °C. */
export const DEFAULT_VENT_C = 24;

export function floorC(place: Place): number | null {
  return place.floor_c ?? placeDefaults(place.kind).floorC;
}

/** How air mostly moves at a place of a kind, until somebody describes it. */
export function usualAir(kind: PlaceKind): Air {
  return placeDefaults(kind).air;
}

/** Air past the pots under a roof or indoors, m/s. */
const STILL_AIR_M_S: Record<Air, number> = { still: 0.05, gentle: 0.25, breezy: 0.7 };
/** Share of the wind at 2 m that reaches pots outdoors. */
const WIND_SHARE: Record<Air, number> = { still: 0.15, gentle: 0.35, breezy: 0.7 };

export function airSpeedMS(place: Place, windMS: number): number {
  return placeDefaults(place.kind).outdoors ? WIND_SHARE[place.air] * windMS : STILL_AIR_M_S[place.air];
}
