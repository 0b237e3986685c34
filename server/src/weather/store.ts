import type { Normals, WeatherDay } from '@zinc-pail/core';
import type { ResultSetHeader } from 'mysql2';
import type { Pool, PoolConnection, Row } from '../database/pool.ts';
import type { SiteOnMap } from './service.ts';

export type Origin = 'file' | 'service' | 'table';

export interface WatchRow {
  site_id: number;
  answered_at: Date | null;
  made_at: Date | null;
  failed_since: Date | null;
  failures: number;
  failure: string | null;
}

/** A line for each site that has none yet, so that it is asked about. */
export async function watchAllSites(pool: Pool): Promise<void> {
  await pool.query('INSERT IGNORE INTO weather_watch (site_id) SELECT id FROM site');
}

/** Sites whose time has come. */
export async function sitesToAsk(pool: Pool): Promise<(SiteOnMap & { id: number })[]> {
  const [rows] = await pool.query<Row<SiteOnMap & { id: number }>[]>(
    `SELECT si.id, si.latitude_deg, si.longitude_deg, si.elevation_m, si.time_zone FROM site si
       JOIN weather_watch w ON w.site_id = si.id WHERE si.dropped_on IS NULL AND w.next_at <= UTC_TIMESTAMP(3) ORDER BY w.next_at LIMIT 50`,
  );
  return rows;
}

/** Takes a site's turn, for as long as asking may take; false where another server was quicker. */
export async function takeTurn(pool: Pool, siteId: number, seconds: number): Promise<boolean> {
  const [result] = await pool.query<ResultSetHeader>(
    `UPDATE weather_watch SET next_at = UTC_TIMESTAMP(3) + INTERVAL ? SECOND WHERE site_id = ?
       AND next_at <= UTC_TIMESTAMP(3)`,
    [seconds, siteId],
  );
  return result.affectedRows === 1;
}

export async function askAtOnce(pool: Pool, siteId: number): Promise<void> {
  await pool.query('UPDATE weather_watch SET next_at = UTC_TIMESTAMP(3) WHERE site_id = ?', [siteId]);
}

export async function answered(connection: PoolConnection, siteId: number, madeAt: Date, inS: number): Promise<void> {
  await connection.query(
    `UPDATE weather_watch SET next_at = UTC_TIMESTAMP(3) + INTERVAL ? SECOND, answered_at = UTC_TIMESTAMP(3), made_at = ?,
       failed_since = NULL, failures = 0, failure = NULL WHERE site_id = ?`,
    [inS, madeAt, siteId],
  );
}

export async function failed(pool: Pool, siteId: number, why: string, inS: number): Promise<void> {
  await pool.query(
    `UPDATE weather_watch SET next_at = UTC_TIMESTAMP(3) + INTERVAL ? SECOND,
       failed_since = IFNULL(failed_since, UTC_TIMESTAMP(3)), failures = failures + 1, failure = ? WHERE site_id = ?`,
    [inS, why.slice(0, 300), siteId],
  );
}

export async function failuresOf(pool: Pool, siteId: number): Promise<number> {
  const [[row]] = await pool.query<Row<{ failures: number }>[]>(
    'SELECT failures FROM weather_watch WHERE site_id = ?',
    [siteId],
  );
  return row?.failures ?? 0;
}

export async function watches(pool: Pool): Promise<WatchRow[]> {
  const [rows] = await pool.query<Row<WatchRow>[]>(
    'SELECT site_id, answered_at, made_at, failed_since, failures, failure FROM weather_watch',
  );
  return rows;
}

/** The last day of which the record is certain; null where there is none. */
export async function observedUntil(pool: Pool, siteId: number, today: string): Promise<string | null> {
  const [[row]] = await pool.query<Row<{ last: string | null }>[]>(
    "SELECT MAX(day) AS last FROM weather_day WHERE site_id = ? AND source = 'observed' AND day <= ?",
    [siteId, today],
  );
  return row!.last;
}

const DAYS_AT_ONCE = 1000;
const VALUES = ['tmin_c', 'tmax_c', 'rh_pct', 'sunshine_h', 'rain_mm', 'wind_m_s'] as const;

export interface DayRow extends WeatherDay {
  origin: Origin;
  issued: string | null;
}

export async function daysOf(
  connection: Pool | PoolConnection,
  siteId: number,
  from: string,
  to: string,
): Promise<DayRow[]> {
  const [rows] = await connection.query<Row<DayRow>[]>(
    `SELECT day AS date, ${VALUES.join(', ')}, source, origin, issued FROM weather_day
       WHERE site_id = ? AND day BETWEEN ? AND ? ORDER BY day`,
    [siteId, from, to],
  );
  return rows;
}

/**
 * Whether a day told anew takes the place of the one on record: a measured day of a keeper's own stays, a forecast never
 * takes the place of what was measured, and what says the same changes nothing.
 *
 * @param today of its site, ISO
 */
export function replaces(told: DayRow, there: DayRow | undefined, today: string): boolean {
  if (!there) return true;
  // A day that is still to come was not measured, whoever said so.
  if (there.source === 'observed' && there.date <= today) {
    if (told.source === 'forecast') return false;
    if (there.origin !== 'service' && told.origin === 'service') return false;
  }
  return told.source !== there.source || VALUES.some((column) => told[column] !== there[column]);
}

/**
 * Writes days of weather, those that change something; a site whose weather changed is reckoned anew.
 *
 * @returns how many were written
 */
export async function putWeather(
  connection: PoolConnection,
  siteId: number,
  days: readonly DayRow[],
  today: string,
): Promise<number> {
  if (days.length === 0) return 0;
  const dates = days.map(({ date }) => date).toSorted();
  await connection.query('SELECT id FROM site WHERE id = ? FOR UPDATE', [siteId]);
  const there = new Map(
    (await daysOf(connection, siteId, dates[0]!, dates.at(-1)!)).map((row) => [row.date, row] as const),
  );
  const changed = days.filter((one) => replaces(one, there.get(one.date), today));
  if (changed.length === 0) return 0;
  const columns = [...VALUES, 'source', 'origin', 'issued'] as const;
  // In parts: the text of a century of days is long in the making, and others wait for it.
  for (let from = 0; from < changed.length; from += DAYS_AT_ONCE)
    await connection.query(
      `INSERT INTO weather_day (site_id, day, ${columns.join(', ')}) VALUES ?
         ON DUPLICATE KEY UPDATE ${columns.map((column) => `${column} = VALUES(${column})`).join(', ')}`,
      [
        changed
          .slice(from, from + DAYS_AT_ONCE)
          .map((one) => [siteId, one.date, ...columns.map((column) => one[column])]),
      ],
    );
  await connection.query('UPDATE site SET revision = revision + 1 WHERE id = ?', [siteId]);
  return changed.length;
}

export async function siteVersions(pool: Pool): Promise<Map<number, number>> {
  const [rows] = await pool.query<Row<{ id: number; version: number }>[]>('SELECT id, version FROM site');
  return new Map(rows.map(({ id, version }) => [id, version]));
}

/** @returns the site as it is now, where it was changed since */
export async function changeNormals(
  connection: PoolConnection,
  siteId: number,
  version: number,
  normals: Normals,
): Promise<'done' | Record<string, unknown>> {
  const [[row]] = await connection.query<Row<Record<string, unknown>>[]>('SELECT * FROM site WHERE id = ? FOR UPDATE', [
    siteId,
  ]);
  if (row!.version !== version) return row!;
  await connection.query(
    'UPDATE site SET normals = ?, usual_guessed = FALSE, version = version + 1, revision = revision + 1 WHERE id = ?',
    [JSON.stringify(normals), siteId],
  );
  return 'done';
}
