/** Writes the played collection into an empty database, all of it or nothing. */
import { randomUUID } from 'node:crypto';
import type { PlantEvent } from '@zinc-pail/core';
import { type Pool, type PoolConnection, transaction } from '@zinc-pail/server/database/pool';
import { todayAt } from '@zinc-pail/server/garden/clock';
import type { ResultSetHeader } from 'mysql2';
import { COLLECTION_NAME, MIXES } from './collection.ts';
import { play, type PlayedSite } from './play.ts';

const KEEPER = 'keeper';

export async function loadDemo(pool: Pool, tell: (text: string) => void): Promise<void> {
  tell('playing two years of the demo collection');
  const played = play((site) => todayAt(site.timeZone));
  await transaction(pool, async (connection) => {
    const collectionId = await insert(connection, 'collection', { name: COLLECTION_NAME });
    const mixIds = new Map<string, number>();
    for (const mix of MIXES) {
      const id = await insert(connection, 'mix', { collection_id: collectionId, ref: mix.id, name: mix.name });
      mixIds.set(mix.id, id);
      for (const [position, part] of mix.parts.entries()) {
        await insert(connection, 'mix_part', { mix_id: id, position, component_ref: part.component, parts: part.parts });
      }
    }
    for (const [order, site] of played.entries()) await loadSite(connection, collectionId, order, site, mixIds);
  });
}

async function loadSite(connection: PoolConnection, collectionId: number, order: number, { site, garden, plants }: PlayedSite, mixIds: Map<string, number>): Promise<void> {
  const siteId = await insert(connection, 'site', {
    collection_id: collectionId, name: site.name, walk_order: order, latitude_deg: site.latitudeDeg, longitude_deg: site.longitudeDeg,
    elevation_m: site.elevationM, time_zone: site.timeZone, normals: JSON.stringify(site.normals),
  });
  await insertMany(connection, 'weather_day', garden.weather.map(({ date, ...day }) => ({ site_id: siteId, day: date, ...day })));
  const placeIds = new Map<string, number>();
  for (const [position, place] of garden.places.entries()) {
    const id = await insert(connection, 'place', {
      collection_id: collectionId, site_id: siteId, ref: place.id, name: site.places[position]!.name, walk_order: position, kind: place.kind,
      aspect_deg: place.aspect_deg ?? null, light_fraction: place.light_fraction ?? null, floor_c: place.floor_c ?? null, vent_c: place.vent_c ?? null,
      indoor_c: place.indoor_c ? JSON.stringify(place.indoor_c) : null, air: place.air,
      lamp_ppfd_umol_m2_s: place.lamp?.ppfd_umol_m2_s ?? null, lamp_hours: place.lamp?.hours ?? null,
    });
    placeIds.set(place.id, id);
    await insertMany(connection, 'thermometer_reading', (place.thermometer ?? []).map(({ date, tmin_c, tmax_c }) => ({ place_id: id, day: date, tmin_c, tmax_c, rh_pct: null })));
  }
  const firstDay = garden.weather[0]!.date;
  for (const [position, plant] of garden.plants.entries()) {
    const demo = plants[position]!;
    const plantId = await insert(connection, 'plant', {
      collection_id: collectionId, ref: plant.id, number: demo.number, name: demo.name, provenance: demo.provenance,
      diameter_mm: plant.diameter_mm, height_mm: plant.height_mm,
    });
    const { pot } = plant;
    await insert(connection, 'potting', {
      plant_id: plantId, mix_id: mixIds.get(plant.mix)!, from_day: firstDay, shape: pot.shape, top_mm: pot.top_mm, base_mm: pot.base_mm,
      depth_mm: pot.depth_mm, material: pot.material, wall_mm: pot.wall_mm ?? null, holes: pot.holes, top_dressing_mm: pot.top_dressing_mm,
    });
    let place = demo.plant.place;
    let from = firstDay;
    for (const move of plant.events) {
      if (move.type !== 'move') continue;
      await insert(connection, 'stay', { plant_id: plantId, place_id: placeIds.get(place)!, from_day: from, to_day: move.date, walk_order: position });
      place = move.place!;
      from = move.date;
    }
    await insert(connection, 'stay', { plant_id: plantId, place_id: placeIds.get(place)!, from_day: from, walk_order: position });
    await insertMany(
      connection, 'journal',
      plant.events.map((event) => ({
        collection_id: collectionId, plant_id: plantId, client_id: randomUUID(), day: event.date, type: event.type,
        detail: JSON.stringify(detailOf(event, placeIds)), written_by: KEEPER,
      })),
    );
  }
}

function detailOf(event: PlantEvent, placeIds: Map<string, number>): object {
  const { type: _type, date: _date, ...detail } = event;
  if (event.type !== 'move') return detail;
  return { from: String(placeIds.get(event.from!)!), place: String(placeIds.get(event.place!)!) };
}

async function insert(connection: PoolConnection, table: string, row: Record<string, unknown>): Promise<number> {
  const [result] = await connection.query<ResultSetHeader>('INSERT INTO ?? SET ?', [table, row]);
  return result.insertId;
}

const ROWS_AT_ONCE = 500;

async function insertMany(connection: PoolConnection, table: string, rows: Record<string, unknown>[]): Promise<void> {
  const [first] = rows;
  if (!first) return;
  const columns = Object.keys(first);
  for (let from = 0; from < rows.length; from += ROWS_AT_ONCE) {
    const values = rows.slice(from, from + ROWS_AT_ONCE).map((row) => columns.map((column) => row[column] ?? null));
    await connection.query('INSERT INTO ?? (??) VALUES ?', [table, columns, values]);
  }
}
