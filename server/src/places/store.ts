import { Refused } from '../http/refusals.ts';
import { lockBooks } from '../journal/store.ts';
import type { NewPlace, PlaceFields, PlaceView, Reading, Spot } from '@zinc-pail/contract/keeping';
import type { Hazard, PotMaterial, PotShape } from '@zinc-pail/core';
import type { ResultSetHeader } from 'mysql2';
import type { Pool, PoolConnection, Row } from '../database/pool.ts';
import { json } from '../database/json.ts';

/** Fields that are a column of their name; the compiler misses one that was forgotten. */
const PLAIN: Record<Exclude<keyof PlaceFields, 'lamp' | 'indoor_c' | 'hazard_kinds'>, true> = {
  name: true,
  kind: true,
  aspect_deg: true,
  light_fraction: true,
  floor_c: true,
  vent_c: true,
  air: true,
  width_mm: true,
  depth_mm: true,
  obstruction_deg: true,
  direct_sun_h: true,
  quarantine: true,
  within_reach: true,
  hazards: true,
  rain_counts_mm: true,
  lamp_by_hand: true,
};
const COLUMNS = Object.keys(PLAIN) as (keyof typeof PLAIN)[];

/** The API's fields of a place as columns; the lamp is two, the months of warmth one of JSON. */
export function placeColumns(body: Partial<PlaceFields>): Record<string, unknown> {
  const columns: Record<string, unknown> = Object.fromEntries(
    COLUMNS.flatMap((column) => (body[column] === undefined ? [] : [[column, body[column]]])),
  );
  if (body.indoor_c !== undefined) columns.indoor_c = body.indoor_c === null ? null : JSON.stringify(body.indoor_c);
  if (body.hazard_kinds !== undefined) columns.hazard_kinds = body.hazard_kinds.join(',');
  if (body.lamp !== undefined) {
    columns.lamp_ppfd_umol_m2_s = body.lamp?.ppfd_umol_m2_s ?? null;
    columns.lamp_hours = body.lamp?.hours ?? null;
  }
  return columns;
}

export type PlaceRecord = Omit<PlaceView, 'today' | 'learned' | 'crowded' | 'pots' | 'last_readings' | 'advice'>;
type PlaceRow = Omit<
  PlaceRecord,
  'lamp' | 'indoor_c' | 'quarantine' | 'within_reach' | 'hazard_kinds' | 'lamp_by_hand'
> & {
  hazard_kinds: string;
  lamp_by_hand: number;
  indoor_c: unknown;
  quarantine: number;
  within_reach: number;
  lamp_ppfd_umol_m2_s: number | null;
  lamp_hours: number | null;
};

/** All places in walking order. */
export async function placeRecords(pool: Pool): Promise<PlaceRecord[]> {
  const [rows] = await pool.query<Row<PlaceRow>[]>(
    `SELECT pl.id, pl.site_id, si.name AS site, pl.version, pl.indoor_c, pl.hazard_kinds, pl.lamp_ppfd_umol_m2_s, pl.lamp_hours,
       ${COLUMNS.map((column) => `pl.${column}`).join(', ')}
     FROM place pl JOIN site si ON si.id = pl.site_id WHERE pl.dropped_on IS NULL ORDER BY si.walk_order, si.id, pl.walk_order, pl.id`,
  );
  return rows.map(({ lamp_ppfd_umol_m2_s: ppfd, lamp_hours: hours, ...row }) => ({
    ...row,
    quarantine: Boolean(row.quarantine),
    within_reach: Boolean(row.within_reach),
    lamp_by_hand: Boolean(row.lamp_by_hand),
    hazard_kinds: row.hazard_kinds === '' ? [] : (row.hazard_kinds.split(',') as Hazard[]),
    indoor_c: row.indoor_c === null ? null : json<number[]>(row.indoor_c),
    lamp: ppfd === null || hours === null ? null : { ppfd_umol_m2_s: ppfd, hours },
  }));
}

export interface StandingPot {
  id: number;
  place_id: number;
  number: string;
  name: string;
  diameter_mm: number;
  height_mm: number;
  x_mm: number | null;
  y_mm: number | null;
  shape: PotShape;
  top_mm: number;
  material: PotMaterial;
  quarantine_until: string | null;
}

export async function standingPots(pool: Pool): Promise<StandingPot[]> {
  const [rows] = await pool.query<Row<StandingPot>[]>(
    `SELECT p.id, s.place_id, p.number, p.name, p.diameter_mm, p.height_mm, s.x_mm, s.y_mm, po.shape, po.top_mm,
       po.material, p.quarantine_until
     FROM stay s JOIN plant p ON p.id = s.plant_id JOIN potting po ON po.open_plant_id = p.id WHERE s.to_day IS NULL
     ORDER BY s.place_id, s.walk_order, p.id`,
  );
  return rows;
}

export async function lastReadings(
  pool: Pool,
): Promise<{ place_id: number; date: string; tmin_c: number; tmax_c: number; rh_pct: number | null }[]> {
  const [rows] = await pool.query<
    Row<{ place_id: number; date: string; tmin_c: number; tmax_c: number; rh_pct: number | null }>[]
  >(
    `SELECT place_id, day AS date, tmin_c, tmax_c, rh_pct FROM thermometer_reading
       WHERE day >= CURRENT_DATE - INTERVAL 60 DAY ORDER BY place_id, day DESC`,
  );
  return rows;
}

export async function insertPlace(connection: PoolConnection, body: NewPlace): Promise<number> {
  const { site_id: siteId } = body;
  const [[site]] = await connection.query<Row<{ collection_id: number; last: number | null }>[]>(
    `SELECT si.collection_id, (SELECT MAX(pl.walk_order) FROM place pl WHERE pl.site_id = si.id) AS last FROM site si
       WHERE si.id = ? FOR UPDATE`,
    [siteId],
  );
  if (!site) return 0;
  const [made] = await connection.query<ResultSetHeader>('INSERT INTO place SET ?, ref = UUID()', [
    { collection_id: site.collection_id, site_id: siteId, walk_order: (site.last ?? -1) + 1, ...placeColumns(body) },
  ]);
  await connection.query('UPDATE site SET revision = revision + 1 WHERE id = ?', [siteId]);
  return made.insertId;
}

export async function changePlace(
  connection: PoolConnection,
  id: number,
  version: number,
  columns: Record<string, unknown>,
): Promise<'done' | 'none' | Record<string, unknown>> {
  const [[row]] = await connection.query<Row<Record<string, unknown>>[]>(
    'SELECT * FROM place WHERE id = ? FOR UPDATE',
    [id],
  );
  if (!row) return 'none';
  if (row.version !== version) return row;
  await connection.query('UPDATE place SET ?, version = version + 1 WHERE id = ?', [columns, id]);
  await connection.query('UPDATE site SET revision = revision + 1 WHERE id = ?', [row.site_id]);
  return 'done';
}

/**
 * Takes a place away; one that books tell of is only no longer kept.
 *
 * @returns what stands there, by name, where something does: then nothing was done
 */
export async function removePlace(connection: PoolConnection, id: number, today: string): Promise<string[]> {
  // Whoever brings a plant waits, or has brought it.
  await lockBooks(connection);
  const [standing] = await connection.query<Row<{ name: string }>[]>(
    `SELECT CONCAT(p.name, ' (', p.number, ')') AS name FROM stay s JOIN plant p ON p.id = s.plant_id
       WHERE s.place_id = ? AND s.to_day IS NULL UNION ALL SELECT CONCAT('the instrument ', name) FROM device WHERE place_id = ?`,
    [id, id],
  );
  if (standing.length > 0) return standing.map(({ name }) => name);
  await connection.query(
    'UPDATE site SET revision = revision + 1 WHERE id = (SELECT site_id FROM place WHERE id = ?)',
    [id],
  );
  const [[row]] = await connection.query<Row<{ n: number }>[]>('SELECT COUNT(*) AS n FROM stay WHERE place_id = ?', [
    id,
  ]);
  if (row!.n > 0) {
    await connection.query('UPDATE place SET dropped_on = ?, version = version + 1 WHERE id = ?', [today, id]);
    return [];
  }
  await connection.query('DELETE FROM thermometer_reading WHERE place_id = ?', [id]);
  await connection.query('DELETE FROM place WHERE id = ?', [id]);
  return [];
}

/**
 * Under the books' lock: places that are kept still.
 *
 * @throws Refused where one was taken away since it was looked up
 */
export async function refuseGonePlaces(connection: PoolConnection, ids: readonly number[]): Promise<void> {
  const wanted = [...new Set(ids)];
  if (wanted.length === 0) return;
  const [rows] = await connection.query<Row<{ id: number }>[]>(
    'SELECT id FROM place WHERE dropped_on IS NULL AND id IN (?) LOCK IN SHARE MODE',
    [wanted],
  );
  if (rows.length < wanted.length)
    throw new Refused('gone-meanwhile', 'The bench was taken away meanwhile. Nothing was written; choose another.');
}

/** A day read again is put right. */
export async function putReadings(
  connection: PoolConnection,
  placeId: number,
  readings: readonly Reading[],
): Promise<void> {
  await connection.query(
    `INSERT INTO thermometer_reading (place_id, day, tmin_c, tmax_c, rh_pct) VALUES ? ON DUPLICATE KEY UPDATE tmin_c =
       VALUES(tmin_c), tmax_c = VALUES(tmax_c), rh_pct = VALUES(rh_pct), device_id = NULL`,
    [readings.map((reading) => [placeId, reading.date, reading.tmin_c, reading.tmax_c, reading.rh_pct ?? null])],
  );
  await connection.query(
    'UPDATE site SET revision = revision + 1 WHERE id = (SELECT site_id FROM place WHERE id = ?)',
    [placeId],
  );
}

export async function siteOf(pool: Pool, placeId: number): Promise<{ site_id: number; time_zone: string } | null> {
  const [[row]] = await pool.query<Row<{ site_id: number; time_zone: string }>[]>(
    'SELECT pl.site_id, si.time_zone FROM place pl JOIN site si ON si.id = pl.site_id WHERE pl.id = ?',
    [placeId],
  );
  return row ?? null;
}

/** Sets pots where they stand on their bench. */
export async function setSpots(connection: PoolConnection, spots: readonly Spot[]): Promise<void> {
  for (const { plant_id: plant, x_mm: x, y_mm: y } of spots)
    await connection.query('UPDATE stay SET x_mm = ?, y_mm = ? WHERE open_plant_id = ?', [x, y, plant]);
}
