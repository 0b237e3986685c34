/** The usual weather of a site whose keeper gave none. */
import type { Normals } from '@zinc-pail/core';
import { type NearTown, nearestUsual, usualWeather } from '@zinc-pail/core/usualWeather';
import { coastKm } from '../towns/coast.ts';

interface OnMap {
  latitude_deg: number;
  longitude_deg: number;
  elevation_m: number;
}

export function guessedUsual({ latitude_deg, longitude_deg, elevation_m }: OnMap): Normals {
  return usualWeather({
    latitudeDeg: latitude_deg,
    longitudeDeg: longitude_deg,
    elevationM: elevation_m,
    coastKm: coastKm(latitude_deg, longitude_deg),
  });
}

/** The town that counts most in such a guess. */
export function guessedFrom(site: Omit<OnMap, 'elevation_m'>): NearTown {
  return nearestUsual({ latitudeDeg: site.latitude_deg, longitudeDeg: site.longitude_deg });
}
