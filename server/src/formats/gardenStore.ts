/** A garden file into the tables and out of them again. */
import type { Garden, Mix, OwnComponent, PlantEvent } from '@zinc-pail/core';
import { randomUUID } from 'node:crypto';
import type { ResultSetHeader } from 'mysql2';
import type { Pool, PoolConnection, Row } from '../database/pool.ts';
import { loadGarden, type SiteRow, siteStamp } from '../garden/store.ts';

const ROWS_AT_ONCE = 500;

async function insertMany(
  connection: PoolConnection,
  table: string,
  columns: string[],
  rows: unknown[][],
): Promise<void> {
  for (let from = 0; from < rows.length; from += ROWS_AT_ONCE)
    await connection.query('INSERT INTO ?? (??) VALUES ?', [table, columns, rows.slice(from, from + ROWS_AT_ONCE)]);
}

async function insert(connection: PoolConnection, table: string, row: Record<string, unknown>): Promise<number> {
  const [result] = await connection.query<ResultSetHeader>('INSERT INTO ?? SET ?', [table, row]);
  return result.insertId;
}

/** Ids of a file are its own: within a collection they stand behind the number of their site. */
const refIn = (siteId: number, id: string) => `${siteId}/${id}`;
const idFrom = (siteId: number, ref: string) => (ref.startsWith(`${siteId}/`) ? ref.slice(`${siteId}/`.length) : ref);
/** A place that the file names and does not hold. */
const STRANGE = '?';

export interface GardenImport {
  name: string;
  timeZone: string;
  by: string;
}

/** The time zone that a longitude suggests: whole hours from Greenwich. */
export function zoneOf(longitudeDeg: number): string {
  const hours = Math.round(longitudeDeg / 15);
  // The names of these zones count westward.
  return hours === 0 ? 'Etc/GMT' : `Etc/GMT${hours > 0 ? '-' : '+'}${Math.abs(hours)}`;
}

/** Writes a sound garden as a new site of the collection; makes the collection where there is none. */
export async function importGarden(
  connection: PoolConnection,
  garden: Garden,
  { name, timeZone, by }: GardenImport,
): Promise<{ siteId: number; plantIds: number[] }> {
  const [[existing]] = await connection.query<Row<{ id: number }>[]>(
    'SELECT id FROM collection ORDER BY id LIMIT 1 FOR UPDATE',
  );
  const collectionId = existing?.id ?? (await insert(connection, 'collection', { name }));
  const { site } = garden;
  const [[order]] = await connection.query<Row<{ last: number | null }>[]>(
    'SELECT MAX(walk_order) AS last FROM site WHERE collection_id = ?',
    [collectionId],
  );
  const siteId = await insert(connection, 'site', {
    collection_id: collectionId,
    name,
    walk_order: (order!.last ?? -1) + 1,
    latitude_deg: site.latitude_deg,
    longitude_deg: site.longitude_deg,
    elevation_m: site.elevation_m,
    time_zone: timeZone,
    normals: JSON.stringify(site.normals),
  });
  await insertMany(
    connection,
    'weather_day',
    ['site_id', 'day', 'tmin_c', 'tmax_c', 'rh_pct', 'sunshine_h', 'rain_mm', 'wind_m_s', 'source'],
    garden.weather.map((day) => [
      siteId,
      day.date,
      day.tmin_c,
      day.tmax_c,
      day.rh_pct,
      day.sunshine_h,
      day.rain_mm,
      day.wind_m_s,
      day.source,
    ]),
  );
  const own = new Set((garden.components ?? []).map((component) => component.id));
  await insertMany(
    connection,
    'component',
    ['collection_id', 'ref', 'total_porosity', 'water_at_10cm', 'water_air_dry', 'bulk_density_g_ml', 'ph'],
    (garden.components ?? []).map((c) => [
      collectionId,
      refIn(siteId, c.id),
      c.total_porosity,
      c.water_at_10cm,
      c.water_air_dry,
      c.bulk_density_g_ml,
      c.ph ?? null,
    ]),
  );
  const mixIds = new Map<string, number>();
  for (const mix of garden.mixes) {
    const id = await insert(connection, 'mix', {
      collection_id: collectionId,
      ref: refIn(siteId, mix.id),
      name: mix.id,
    });
    mixIds.set(mix.id, id);
    await insertMany(
      connection,
      'mix_part',
      ['mix_id', 'position', 'component_ref', 'parts'],
      mix.parts.map((part, i) => [
        id,
        i,
        own.has(part.component) ? refIn(siteId, part.component) : part.component,
        part.parts,
      ]),
    );
  }
  const placeIds = new Map<string, number>();
  for (const [i, place] of garden.places.entries()) {
    const id = await insert(connection, 'place', {
      collection_id: collectionId,
      site_id: siteId,
      ref: refIn(siteId, place.id),
      name: place.id,
      walk_order: i,
      kind: place.kind,
      aspect_deg: place.aspect_deg ?? null,
      light_fraction: place.light_fraction ?? null,
      floor_c: place.floor_c ?? null,
      vent_c: place.vent_c ?? null,
      indoor_c: place.indoor_c ? JSON.stringify(place.indoor_c) : null,
      air: place.air,
      lamp_ppfd_umol_m2_s: place.lamp?.ppfd_umol_m2_s ?? null,
      lamp_hours: place.lamp?.hours ?? null,
    });
    placeIds.set(place.id, id);
    await insertMany(
      connection,
      'thermometer_reading',
      ['place_id', 'day', 'tmin_c', 'tmax_c', 'rh_pct'],
      (place.thermometer ?? []).map((r) => [id, r.date, r.tmin_c, r.tmax_c, r.rh_pct ?? null]),
    );
  }
  const [taken] = await connection.query<Row<{ number: string }>[]>(
    'SELECT number FROM plant WHERE collection_id = ?',
    [collectionId],
  );
  const numbers = new Set(taken.map((row) => row.number.toLowerCase()));
  const plantIds: number[] = [];
  for (const [i, plant] of garden.plants.entries()) {
    const { pot } = plant;
    const id = await insert(connection, 'plant', {
      collection_id: collectionId,
      ref: refIn(siteId, plant.id),
      number: freeNumber(plant.id, siteId, i, numbers),
      name: plant.name ?? plant.taxon ?? plant.id,
      named: plant.name != null,
      taxon: plant.taxon ?? null,
      habit: plant.habit ?? null,
      form: plant.form ?? null,
      diameter_mm: plant.diameter_mm,
      height_mm: plant.height_mm,
      dry_rule: plant.dry_rule ?? null,
      hold_days: plant.hold_days ?? null,
      store: plant.store ?? null,
      min_dry_c: plant.min_dry_c ?? null,
      min_wet_c: plant.min_wet_c ?? null,
      grow_min_c: plant.grow_min_c ?? null,
      leafless: plant.leafless ?? null,
    });
    plantIds.push(id);
    const first = plant.events[0]?.date ?? garden.today;
    const potted = plant.events.findLast((event) => event.type === 'repotting')?.date ?? first;
    await insert(connection, 'potting', {
      plant_id: id,
      mix_id: mixIds.get(plant.mix)!,
      from_day: potted,
      shape: pot.shape,
      top_mm: pot.top_mm,
      base_mm: pot.base_mm,
      depth_mm: pot.depth_mm,
      material: pot.material,
      wall_mm: pot.wall_mm ?? null,
      holes: pot.holes,
      top_dressing_mm: pot.top_dressing_mm,
      root_loss: plant.root_loss ?? null,
    });
    let from = first;
    for (const event of plant.events) {
      if (event.type !== 'move') continue;
      const left = event.from ? placeIds.get(event.from) : undefined;
      if (left !== undefined)
        await insert(connection, 'stay', { plant_id: id, place_id: left, from_day: from, to_day: event.date });
      from = event.date;
    }
    await insert(connection, 'stay', {
      plant_id: id,
      place_id: placeIds.get(plant.place)!,
      from_day: from,
      walk_order: i,
    });
    await insertMany(
      connection,
      'journal',
      ['collection_id', 'plant_id', 'client_id', 'day', 'type', 'detail', 'written_by'],
      plant.events.map((event) => [
        collectionId,
        id,
        randomUUID(),
        event.date,
        event.type,
        JSON.stringify(inward(event, placeIds, mixIds)),
        by,
      ]),
    );
  }
  return { siteId, plantIds };
}

/** Remembers that the site still is as the file of that day said. */
export async function stampGarden(pool: Pool, siteId: number, today: string): Promise<void> {
  await pool.query('UPDATE site SET as_of = ?, as_of_stamp = ? WHERE id = ?', [
    today,
    await siteStamp(pool, siteId),
    siteId,
  ]);
}

function freeNumber(id: string, siteId: number, i: number, taken: Set<string>): string {
  const wished = id.trim().slice(0, 40);
  const number = wished !== '' && !taken.has(wished.toLowerCase()) ? wished : `${siteId}-${i + 1}`;
  taken.add(number.toLowerCase());
  return number;
}

function inward(event: PlantEvent, placeIds: ReadonlyMap<string, number>, mixIds: ReadonlyMap<string, number>): object {
  const { type: _type, date: _date, ...detail } = event;
  const place = (id: string) => (placeIds.has(id) ? String(placeIds.get(id)) : `${STRANGE}${id}`);
  if (event.type === 'move')
    return {
      ...detail,
      ...(event.from == null ? {} : { from: place(event.from) }),
      ...(event.place == null ? {} : { place: place(event.place) }),
    };
  if (event.type === 'repotting' && event.before)
    return { ...detail, before: { ...event.before, mix: String(mixIds.get(event.before.mix)) } };
  return detail;
}

/** The fields of events that the garden file knows; the journal keeps more of them. */
const FILE_FIELDS: Record<PlantEvent['type'], readonly string[]> = {
  watering: ['method', 'amount_ml', 'water'],
  check: ['finger', 'surface', 'meter', 'weight_g', 'lift'],
  weights: ['drained_g', 'dry_g'],
  sign: ['sign', 'strength', 'where', 'when'],
  repotting: ['mix_was', 'roots_cut', 'before'],
  move: ['from', 'place'],
  feeding: ['dose'],
  state: ['state'],
  changed: ['pace'],
};

/** A site as a garden file: what came from one goes out as it came in. */
export async function exportGarden(pool: Pool, site: SiteRow): Promise<object> {
  const { garden } = await loadGarden(pool, site);
  const [places] = await pool.query<Row<{ id: number; ref: string }>[]>(
    'SELECT id, ref FROM place WHERE collection_id = ?',
    [site.collection_id],
  );
  const [mixes] = await pool.query<Row<{ id: number; ref: string; name: string }>[]>(
    'SELECT id, ref, name FROM mix WHERE collection_id = ?',
    [site.collection_id],
  );
  const [plants] = await pool.query<Row<{ id: number; ref: string; named: number; taxon: string | null }>[]>(
    'SELECT id, ref, named, taxon FROM plant WHERE collection_id = ?',
    [site.collection_id],
  );
  const [asOf] = await pool.query<Row<{ as_of: string | null; as_of_stamp: string | null }>[]>(
    'SELECT as_of, as_of_stamp FROM site WHERE id = ?',
    [site.id],
  );
  const untouched = asOf[0]?.as_of != null && asOf[0].as_of_stamp === (await siteStamp(pool, site.id));
  const placeRef = new Map(places.map((row) => [String(row.id), idFrom(site.id, row.ref)]));
  const mixRef = new Map(mixes.map((row) => [String(row.id), idFrom(site.id, row.ref)]));
  const plantRow = new Map(plants.map((row) => [String(row.id), row]));
  const used = new Set(
    garden.plants.flatMap((plant) => [
      plant.mix,
      ...plant.events.flatMap((event) => (event.type === 'repotting' && event.before ? [event.before.mix] : [])),
    ]),
  );
  const refs = new Map(mixes.map((row) => [String(row.id), row.ref]));
  const own = (mix: Mix) => used.has(mix.id) || refs.get(mix.id)!.startsWith(`${site.id}/`);
  const outMixes = garden.mixes.filter(own).toSorted((a, b) => Number(a.id) - Number(b.id));
  const partRefs = new Set(outMixes.flatMap((mix) => mix.parts.map((part) => part.component)));
  const components = (garden.components ?? []).filter(
    (component: OwnComponent) => partRefs.has(component.id) || component.id.startsWith(`${site.id}/`),
  );
  return {
    format: 'zinc-pail/garden',
    version: 1,
    today: untouched ? asOf[0]!.as_of : garden.today,
    site: garden.site,
    weather: garden.weather,
    places: garden.places.map((place) =>
      dropNulls({
        ...place,
        id: placeRef.get(place.id)!,
        thermometer: place.thermometer?.length ? place.thermometer.map(dropNulls) : null,
      }),
    ),
    mixes: outMixes.map((mix) => ({
      id: mixRef.get(mix.id)!,
      parts: mix.parts.map((part) => ({ component: idFrom(site.id, part.component), parts: part.parts })),
    })),
    ...(components.length > 0
      ? { components: components.map((component) => dropNulls({ ...component, id: idFrom(site.id, component.id) })) }
      : {}),
    plants: garden.plants
      .toSorted((a, b) => Number(a.id) - Number(b.id))
      .map((plant) => {
        const row = plantRow.get(plant.id)!;
        const { due_m: _ownRule, name_unknown: _sureness, steps_taken_back: _steps, ...inFile } = plant;
        return dropNulls({
          ...inFile,
          id: idFrom(site.id, row.ref),
          name: row.named ? plant.name : null,
          taxon: row.taxon,
          place: placeRef.get(plant.place)!,
          mix: mixRef.get(plant.mix)!,
          pot: dropNulls(plant.pot),
          events: plant.events.map((event) => outward(event, placeRef, mixRef)),
        });
      }),
  };
}

function outward(
  event: PlantEvent,
  placeRef: ReadonlyMap<string, string>,
  mixRef: ReadonlyMap<string, string>,
): object {
  const known = new Set(['type', 'date', ...FILE_FIELDS[event.type]]);
  const out = Object.fromEntries(Object.entries(event).filter(([field, value]) => known.has(field) && value != null));
  const place = (id: string) => (id.startsWith(STRANGE) ? id.slice(STRANGE.length) : (placeRef.get(id) ?? id));
  if (event.type === 'move')
    return {
      ...out,
      ...(event.from == null ? {} : { from: place(event.from) }),
      ...(event.place == null ? {} : { place: place(event.place) }),
    };
  if (event.type === 'repotting' && event.before)
    return { ...out, before: { ...event.before, mix: mixRef.get(event.before.mix) ?? event.before.mix } };
  return out;
}

function dropNulls<T extends object>(value: T): Partial<T> {
  return Object.fromEntries(Object.entries(value).filter(([, one]) => one !== null && one !== undefined)) as Partial<T>;
}
