import type { ResultSetHeader } from 'mysql2';
import type { PoolConnection, Row } from '../database/pool.ts';

export async function addSite(
  connection: PoolConnection,
  collection: number,
  site: Record<string, unknown>,
): Promise<number> {
  const [[row]] = await connection.query<Row<{ last: number | null }>[]>(
    'SELECT MAX(walk_order) AS last FROM site WHERE collection_id = ?',
    [collection],
  );
  const [made] = await connection.query<ResultSetHeader>('INSERT INTO site SET ?', [
    { collection_id: collection, walk_order: (row!.last ?? -1) + 1, ...site },
  ]);
  return made.insertId;
}

export type SiteRecord = Record<string, unknown> & {
  version: number;
  latitude_deg: number;
  longitude_deg: number;
  elevation_m: number;
  time_zone: string;
  usual_guessed: number;
};

/** One site, held for a change; null where there is none, or it is no longer kept. */
export async function heldSite(connection: PoolConnection, id: number): Promise<SiteRecord | null> {
  const [[row]] = await connection.query<Row<SiteRecord>[]>(
    'SELECT * FROM site WHERE id = ? AND dropped_on IS NULL FOR UPDATE',
    [id],
  );
  return row ?? null;
}

export async function changeSite(
  connection: PoolConnection,
  id: number,
  columns: Record<string, unknown>,
): Promise<void> {
  await connection.query('UPDATE site SET ?, version = version + 1, revision = revision + 1 WHERE id = ?', [
    columns,
    id,
  ]);
}

/** Benches of a site on which plants stand, with how many. */
export async function standingAt(
  connection: PoolConnection,
  siteId: number,
): Promise<{ place: string; plants: number }[]> {
  const [rows] = await connection.query<Row<{ place: string; plants: number }>[]>(
    `SELECT pl.name AS place, COUNT(*) AS plants FROM place pl JOIN stay s ON s.place_id = pl.id AND s.to_day IS NULL
       WHERE pl.site_id = ? GROUP BY pl.id, pl.name, pl.walk_order ORDER BY pl.walk_order, pl.id`,
    [siteId],
  );
  return rows;
}

/** Takes a site and its empty benches away; one that books tell of is only no longer kept. */
export async function removeSite(connection: PoolConnection, id: number, today: string): Promise<void> {
  await connection.query('DELETE d FROM device d JOIN place pl ON pl.id = d.place_id WHERE pl.site_id = ?', [id]);
  const [[books]] = await connection.query<Row<{ n: number }>[]>(
    'SELECT COUNT(*) AS n FROM stay s JOIN place pl ON pl.id = s.place_id WHERE pl.site_id = ?',
    [id],
  );
  if (books!.n > 0) {
    await connection.query('UPDATE place SET dropped_on = ? WHERE site_id = ? AND dropped_on IS NULL', [today, id]);
    await connection.query('UPDATE site SET dropped_on = ?, version = version + 1 WHERE id = ?', [today, id]);
    return;
  }
  await connection.query(
    'DELETE r FROM thermometer_reading r JOIN place pl ON pl.id = r.place_id WHERE pl.site_id = ?',
    [id],
  );
  for (const table of ['place', 'weather_day', 'weather_watch'])
    await connection.query('DELETE FROM ?? WHERE site_id = ?', [table, id]);
  await connection.query('DELETE FROM site WHERE id = ?', [id]);
}
