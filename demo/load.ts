/** Writes the played collection into an empty database, all of it or nothing. */
import { randomUUID } from 'node:crypto';
import { dayNumber, isoDay, type PlantEvent } from '@zinc-pail/core';
import { type Pool, type PoolConnection, transaction } from '@zinc-pail/server/database/pool';
import { todayAt } from '@zinc-pail/server/garden/clock';
import type { ResultSetHeader } from 'mysql2';
import { COLLECTION_NAME, FEEDS, MIXES, MOTHERS, STORES, WATERS } from './collection.ts';
import { type BookLine, bookOf, paintedPictures } from './book.ts';
import { play, type PlayedSite } from './play.ts';

const KEEPER = 'keeper';

export async function loadDemo(pool: Pool, tell: (text: string) => void): Promise<void> {
  tell('playing two years of the demo collection');
  const played = play((site) => todayAt(site.timeZone));
  await transaction(pool, async (connection) => {
    const collectionId = await collectionOf(connection);
    const mixIds = new Map<string, number>();
    for (const mix of MIXES) {
      const id = await insert(connection, 'mix', { collection_id: collectionId, ref: mix.id, name: mix.name });
      mixIds.set(mix.id, id);
      for (const [position, part] of mix.parts.entries()) {
        await insert(connection, 'mix_part', {
          mix_id: id,
          position,
          component_ref: part.component,
          parts: part.parts,
        });
      }
    }
    for (const [order, water] of WATERS.entries())
      await insert(connection, 'water_source', { collection_id: collectionId, ...water, liked_order: order });
    for (const feed of FEEDS) await insert(connection, 'feed_product', { collection_id: collectionId, ...feed });
    for (const thing of STORES)
      await insert(connection, 'stock', {
        collection_id: collectionId,
        ...thing,
        pot: thing.pot ? JSON.stringify(thing.pot) : null,
      });
    await connection.query("UPDATE collection SET scoop_ml = 250, currency = 'EUR' WHERE id = ?", [collectionId]);
    for (const [order, site] of played.entries()) await loadSite(connection, collectionId, order, site, mixIds);
    for (const [child, mother] of MOTHERS) {
      await connection.query(
        `UPDATE plant c JOIN plant m ON m.name = ? AND m.collection_id = c.collection_id SET c.mother_id = m.id
           WHERE c.name = ?`,
        [mother, child],
      );
    }
    tell('painting its pictures');
    for (const picture of await paintedPictures(todayAt(played[0]!.site.timeZone))) {
      const [[plant]] = (await connection.query('SELECT id FROM plant WHERE name = ?', [picture.plant])) as unknown as [
        [{ id: number }],
      ];
      const id = await insert(connection, 'picture', {
        plant_id: plant.id,
        day: picture.day,
        caption: picture.caption,
        width_px: picture.widthPx,
        height_px: picture.heightPx,
        large: picture.large,
        small: picture.small,
      });
      await insert(connection, 'journal', {
        collection_id: collectionId,
        plant_id: plant.id,
        client_id: randomUUID(),
        day: picture.day,
        type: 'picture',
        detail: JSON.stringify({ picture: id }),
        written_by: KEEPER,
      });
    }
  });
}

async function loadSite(
  connection: PoolConnection,
  collectionId: number,
  order: number,
  { site, garden, plants }: PlayedSite,
  mixIds: Map<string, number>,
): Promise<void> {
  const siteId = await insert(connection, 'site', {
    collection_id: collectionId,
    name: site.name,
    walk_order: order,
    latitude_deg: site.latitudeDeg,
    longitude_deg: site.longitudeDeg,
    elevation_m: site.elevationM,
    time_zone: site.timeZone,
    normals: JSON.stringify(site.normals),
  });
  await insertMany(
    connection,
    'weather_day',
    garden.weather.map(({ date, ...day }) => ({ site_id: siteId, day: date, ...day })),
  );
  const placeIds = new Map<string, number>();
  for (const [position, place] of garden.places.entries()) {
    const id = await insert(connection, 'place', {
      collection_id: collectionId,
      site_id: siteId,
      ref: place.id,
      name: site.places[position]!.name,
      walk_order: position,
      kind: place.kind,
      aspect_deg: place.aspect_deg ?? null,
      light_fraction: place.light_fraction ?? null,
      floor_c: place.floor_c ?? null,
      vent_c: place.vent_c ?? null,
      indoor_c: place.indoor_c ? JSON.stringify(place.indoor_c) : null,
      air: place.air,
      lamp_ppfd_umol_m2_s: place.lamp?.ppfd_umol_m2_s ?? null,
      lamp_hours: place.lamp?.hours ?? null,
      width_mm: site.places[position]!.benchMm?.[0] ?? null,
      depth_mm: site.places[position]!.benchMm?.[1] ?? null,
    });
    placeIds.set(place.id, id);
    await insertMany(
      connection,
      'thermometer_reading',
      (place.thermometer ?? []).map(({ date, tmin_c, tmax_c }) => ({
        place_id: id,
        day: date,
        tmin_c,
        tmax_c,
        rh_pct: null,
      })),
    );
  }
  const firstDay = garden.weather[0]!.date;
  for (const [position, plant] of garden.plants.entries()) {
    const demo = plants[position]!;
    const plantId = await insert(connection, 'plant', {
      collection_id: collectionId,
      ref: plant.id,
      number: demo.number,
      name: demo.name,
      provenance: demo.provenance,
      diameter_mm: plant.diameter_mm,
      height_mm: plant.height_mm,
      acquired_on: firstDay,
      source: sourceOf(demo.provenance),
    });
    const { pot } = plant;
    await insert(connection, 'potting', {
      plant_id: plantId,
      mix_id: mixIds.get(plant.mix)!,
      from_day: firstDay,
      shape: pot.shape,
      top_mm: pot.top_mm,
      base_mm: pot.base_mm,
      depth_mm: pot.depth_mm,
      material: pot.material,
      wall_mm: pot.wall_mm ?? null,
      holes: pot.holes,
      top_dressing_mm: pot.top_dressing_mm,
    });
    let place = demo.plant.place;
    let from = firstDay;
    for (const move of plant.events) {
      if (move.type !== 'move') continue;
      await insert(connection, 'stay', {
        plant_id: plantId,
        place_id: placeIds.get(place)!,
        from_day: from,
        to_day: move.date,
        walk_order: position,
      });
      place = move.place!;
      from = move.date;
    }
    await insert(connection, 'stay', {
      plant_id: plantId,
      place_id: placeIds.get(place)!,
      from_day: from,
      walk_order: position,
    });
    const lines: BookLine[] = [
      ...plant.events.map((event) => ({ day: event.date, type: event.type, detail: detailOf(event, placeIds) })),
      ...bookOf(demo, plant, firstDay, garden.today, position),
      ...reviewsOf(plant.events, garden.today),
    ].sort((a, b) => (a.day < b.day ? -1 : a.day > b.day ? 1 : 0));
    await insertMany(
      connection,
      'journal',
      lines.map(({ day, type, detail }) => ({
        collection_id: collectionId,
        plant_id: plantId,
        client_id: randomUUID(),
        day,
        type,
        detail: JSON.stringify(detail),
        written_by: KEEPER,
      })),
    );
  }
}

/** So long after a move its keeper looks how it went. */
const REVIEWED_DAYS = 14;

/** The looks after its moves; of the last weeks they are still asked for. */
function reviewsOf(events: readonly PlantEvent[], today: string): BookLine[] {
  return events.flatMap((event): BookLine[] => {
    const day = isoDay(dayNumber(event.date) + REVIEWED_DAYS);
    return event.type === 'move' && day <= today ? [{ day, type: 'review', detail: { answer: 'same' } }] : [];
  });
}

function sourceOf(provenance: string): string {
  if (/seed|sowing/.test(provenance)) return 'seed';
  if (/swap|meeting/.test(provenance)) return 'swap';
  if (/offset|own cross/.test(provenance)) return 'cutting';
  return /market|nursery/.test(provenance) ? 'nursery' : 'gift';
}

function detailOf(event: PlantEvent, placeIds: Map<string, number>): object {
  const { type: _type, date: _date, ...detail } = event;
  if (event.type !== 'move') return detail;
  return { from: String(placeIds.get(event.from!)!), place: String(placeIds.get(event.place!)!) };
}

/** The collection that was begun and never filled, or a new one. */
async function collectionOf(connection: PoolConnection): Promise<number> {
  const [[begun]] = (await connection.query('SELECT id FROM collection ORDER BY id LIMIT 1')) as unknown as [
    [{ id: number } | undefined],
  ];
  if (!begun) return insert(connection, 'collection', { name: COLLECTION_NAME });
  await connection.query('UPDATE collection SET name = ? WHERE id = ?', [COLLECTION_NAME, begun.id]);
  return begun.id;
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
