import type { DeviceKind, DeviceView, Doubt, NewDevice } from '@zinc-pail/contract/devices';
import type { ResultSetHeader } from 'mysql2';
import type { Pool, PoolConnection, Row } from '../database/pool.ts';
import type { SortedReading } from './sorting.ts';

export interface Device {
  id: number;
  name: string;
  kind: DeviceKind;
  place_id: number | null;
  plant_id: number | null;
  /** of the site where it stands */
  time_zone: string;
  site_id: number;
}

/** The instrument that a token opens; null for none, and for one that was revoked or whose plant has ended. */
export async function deviceOf(pool: Pool, tokenHash: string): Promise<Device | null> {
  const [[row]] = await pool.query<Row<Device>[]>(
    `SELECT d.id, d.name, d.kind, d.place_id, d.plant_id, si.time_zone, si.id AS site_id FROM device d
       LEFT JOIN stay s ON s.open_plant_id = d.plant_id
       JOIN place pl ON pl.id = IFNULL(d.place_id, s.place_id) JOIN site si ON si.id = pl.site_id
     WHERE d.token_hash = ? AND d.revoked_at IS NULL`,
    [tokenHash],
  );
  return row ?? null;
}

export async function addDevice(
  connection: PoolConnection,
  collectionId: number,
  { name, kind, place_id = null, plant_id = null }: NewDevice,
  tokenHash: string,
): Promise<number> {
  const [made] = await connection.query<ResultSetHeader>('INSERT INTO device SET ?', [
    { collection_id: collectionId, name, kind, place_id, plant_id, token_hash: tokenHash },
  ]);
  return made.insertId;
}

export async function revokeDevice(connection: PoolConnection, id: number): Promise<boolean> {
  const [result] = await connection.query<ResultSetHeader>(
    'UPDATE device SET revoked_at = IFNULL(revoked_at, UTC_TIMESTAMP(3)) WHERE id = ?',
    [id],
  );
  return result.affectedRows > 0;
}

export async function moveDevice(
  connection: PoolConnection,
  id: number,
  { place_id = null, plant_id = null }: { place_id?: number | null; plant_id?: number | null },
): Promise<void> {
  await connection.query('UPDATE device SET place_id = ?, plant_id = ? WHERE id = ?', [place_id, plant_id, id]);
}

/** What was made of its readings stays, as if its keeper had read it. */
export async function removeDevice(connection: PoolConnection, id: number): Promise<boolean> {
  const [[row]] = await connection.query<Row<{ id: number }>[]>('SELECT id FROM device WHERE id = ? FOR UPDATE', [id]);
  if (!row) return false;
  await connection.query('UPDATE thermometer_reading SET device_id = NULL WHERE device_id = ?', [id]);
  await connection.query('DELETE FROM device_reading WHERE device_id = ?', [id]);
  await connection.query('DELETE FROM device WHERE id = ?', [id]);
  return true;
}

export async function devices(pool: Pool): Promise<DeviceView[]> {
  const [rows] = await pool.query<
    Row<
      Omit<DeviceView, 'revoked' | 'last'> & {
        revoked_at: Date | null;
        at: Date | null;
        value: number | null;
        rh_pct: number | null;
        doubt: Doubt | null;
      }
    >[]
  >(
    `SELECT d.id, d.name, d.kind, d.place_id, d.plant_id, IFNULL(pl.name, p.name) AS \`where\`, d.revoked_at,
       l.at, l.value, l.rh_pct, l.doubt,
       (SELECT COUNT(*) FROM device_reading r WHERE r.device_id = d.id AND r.at >= UTC_TIMESTAMP - INTERVAL 7 DAY)
         AS readings,
       (SELECT COUNT(*) FROM device_reading r WHERE r.device_id = d.id AND r.at >= UTC_TIMESTAMP - INTERVAL 7 DAY
         AND r.doubt IS NOT NULL) AS doubted
     FROM device d LEFT JOIN place pl ON pl.id = d.place_id LEFT JOIN plant p ON p.id = d.plant_id
       LEFT JOIN device_reading l ON l.device_id = d.id
         AND l.at = (SELECT MAX(r.at) FROM device_reading r WHERE r.device_id = d.id)
     ORDER BY d.revoked_at IS NOT NULL, d.name, d.id`,
  );
  return rows.map(({ revoked_at: gone, at, value, rh_pct, doubt, ...row }) => ({
    ...row,
    revoked: gone !== null,
    last: at === null ? null : { at: at.toISOString(), value: value!, rh_pct, doubt },
  }));
}

type ReadingRow = { at: Date; value: number; rh_pct: number | null; doubt: Doubt | null };
const asSorted = ({ at, value, rh_pct: rhPct, doubt }: ReadingRow): SortedReading => ({
  atMs: at.getTime(),
  value,
  rhPct,
  doubt,
});

/** The last readings before a moment, oldest first. */
export async function lastReadings(
  connection: PoolConnection,
  deviceId: number,
  before: Date,
  most: number,
): Promise<SortedReading[]> {
  const [rows] = await connection.query<Row<ReadingRow>[]>(
    'SELECT at, value, rh_pct, doubt FROM device_reading WHERE device_id = ? AND at < ? ORDER BY at DESC LIMIT ?',
    [deviceId, before, most],
  );
  return rows.toReversed().map(asSorted);
}

export async function readingsBetween(
  connection: PoolConnection,
  deviceId: number,
  from: Date,
  to: Date,
): Promise<SortedReading[]> {
  const [rows] = await connection.query<Row<ReadingRow>[]>(
    'SELECT at, value, rh_pct, doubt FROM device_reading WHERE device_id = ? AND at >= ? AND at < ? ORDER BY at',
    [deviceId, from, to],
  );
  return rows.map(asSorted);
}

/** Of these moments those that are on record, as milliseconds. */
export async function momentsThere(
  connection: PoolConnection,
  deviceId: number,
  moments: readonly Date[],
): Promise<Set<number>> {
  const [rows] = await connection.query<Row<{ at: Date }>[]>(
    'SELECT at FROM device_reading WHERE device_id = ? AND at IN (?)',
    [deviceId, moments],
  );
  return new Set(rows.map(({ at }) => at.getTime()));
}

export async function addReadings(
  connection: PoolConnection,
  deviceId: number,
  readings: readonly SortedReading[],
): Promise<void> {
  if (readings.length === 0) return;
  await connection.query('INSERT INTO device_reading (device_id, at, value, rh_pct, doubt) VALUES ?', [
    readings.map(({ atMs, value, rhPct, doubt }) => [deviceId, new Date(atMs), value, rhPct, doubt]),
  ]);
}

/** A day of an instrument's; one that a keeper read stays. */
export async function putDeviceDay(
  connection: PoolConnection,
  device: Device,
  day: string,
  { tmin_c, tmax_c, rh_pct }: { tmin_c: number; tmax_c: number; rh_pct: number | null },
): Promise<boolean> {
  const [result] = await connection.query<ResultSetHeader>(
    `INSERT INTO thermometer_reading (place_id, day, tmin_c, tmax_c, rh_pct, device_id) VALUES (?, ?, ?, ?, ?, ?)
     ON DUPLICATE KEY UPDATE tmin_c = IF(device_id IS NULL, tmin_c, VALUES(tmin_c)),
       tmax_c = IF(device_id IS NULL, tmax_c, VALUES(tmax_c)), rh_pct = IF(device_id IS NULL, rh_pct, VALUES(rh_pct))`,
    [device.place_id, day, tmin_c, tmax_c, rh_pct, device.id],
  );
  return result.affectedRows > 0;
}
