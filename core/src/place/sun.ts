/** Hours of direct sun at a place, and what a night there may have been. */
import { dayLengthH } from '../sky/solar.ts';
import { windowSun } from '../sky/sunPath.ts';
import type { Place, PlaceKind } from '../garden.ts';
import { placeDefaults } from './defaults.ts';

/**
 * Direct sun on a clear day. Where no pane faces anywhere the sun shines all day, but for rooms off the window.
 *
 * @param obstructionDeg how high hills, houses or trees stand before it
 */
export function directSun(
  latitudeDeg: number,
  dayOfYear: number,
  place: Pick<Place, 'kind' | 'aspect_deg'>,
  obstructionDeg: number,
): { directH: number; morningH: number } {
  const { dark, openSky } = placeDefaults(place.kind);
  if (dark) return { directH: 0, morningH: 0 };
  if (place.aspect_deg != null && !openSky) return windowSun(latitudeDeg, dayOfYear, place.aspect_deg, obstructionDeg);
  const directH = dayLengthH(latitudeDeg, dayOfYear);
  return { directH, morningH: directH / 2 };
}

/**
 * Hours of direct sun that skins there really got: the keeper's own count, else the reckoned ones as far as they come
 * through unbroken.
 */
export function sunOnSkins(kind: PlaceKind, countedH: number | null, reckonedH: number): number {
  return countedH ?? reckonedH * placeDefaults(kind).sunShare;
}

/** Behind walls with a fire in them a night is hardly colder than this, °C. */
const WARMED_NIGHT_C = 10;

/** The least that a night there can have been, where no thermometer was read: the open air's, kept off where it is heated. */
export function nightAtC(kind: PlaceKind, outsideC: number): number {
  const { indoors, floorC } = placeDefaults(kind);
  return indoors || floorC !== null ? Math.max(outsideC, WARMED_NIGHT_C) : outsideC;
}
