/** How far a place lies from the sea, by a coastline of the world that ships (Natural Earth, 1 : 50 million, public domain). */
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { kmBetween } from '@zinc-pail/core/usualWeather';
import { mesh } from 'topojson-client';
import type { GeometryObject, Topology } from 'topojson-specification';

const KM_A_DEGREE = 111.2;

let shore: readonly (readonly [longitude: number, latitude: number])[] | null = null;

function shoreline(): NonNullable<typeof shore> {
  if (shore) return shore;
  const file = createRequire(import.meta.url).resolve('world-atlas/land-50m.json');
  const world = JSON.parse(readFileSync(file, 'utf8')) as Topology<{ land: GeometryObject }>;
  shore = mesh(world, world.objects.land).coordinates.flat() as [number, number][];
  return shore;
}

/** Kilometres to the nearest bend of the coastline, true to some five; on an island or out at sea a small figure too. */
export function coastKm(latitudeDeg: number, longitudeDeg: number): number {
  const here = { latitudeDeg, longitudeDeg };
  let nearest = Infinity;
  for (const [longitude, latitude] of shoreline()) {
    if (Math.abs(latitude - latitudeDeg) * KM_A_DEGREE > nearest) continue;
    nearest = Math.min(nearest, kmBetween(here, { latitudeDeg: latitude, longitudeDeg: longitude }));
  }
  return Math.round(nearest);
}
