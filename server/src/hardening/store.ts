/** Plans from shade to sun: one open plan a plant. */
import type { PlaceKind } from '@zinc-pail/core';
import { json } from '../database/json.ts';
import type { Pool, PoolConnection, Row } from '../database/pool.ts';
import { touchPlants } from '../journal/store.ts';

export interface SunStep {
  date: string;
  minutes: number;
}

export async function openHardening(pool: Pool, plantId: number): Promise<SunStep[] | null> {
  const [[row]] = await pool.query<Row<{ steps: unknown }>[]>(
    'SELECT steps FROM hardening WHERE plant_id = ? AND ended_at IS NULL ORDER BY id DESC LIMIT 1',
    [plantId],
  );
  return row ? json<SunStep[]>(row.steps) : null;
}

export interface StayRow {
  plant_id: number;
  place_id: number;
  kind: PlaceKind;
  direct_sun_h: number | null;
  from_day: string;
  /** within the span asked for */
  days: number;
  /** it stands there still */
  open: boolean;
}

/** Where plants stood from one day to another, oldest stay first. */
export async function staysSince(
  pool: Pool,
  plantIds: readonly number[],
  from: string,
  to: string,
): Promise<StayRow[]> {
  const [rows] = await pool.query<Row<Omit<StayRow, 'open'> & { open: number }>[]>(
    `SELECT s.plant_id, s.place_id, pl.kind, pl.direct_sun_h, s.from_day,
       GREATEST(0, DATEDIFF(LEAST(COALESCE(s.to_day, ?), ?), GREATEST(s.from_day, ?))) AS days, s.to_day IS NULL AS open
     FROM stay s JOIN place pl ON pl.id = s.place_id
     WHERE s.plant_id IN (?) AND s.from_day <= ? AND COALESCE(s.to_day, ?) >= ? ORDER BY s.from_day, s.id`,
    [to, to, from, plantIds.length > 0 ? plantIds : [0], to, to, from],
  );
  return rows.map((row) => ({ ...row, open: row.open === 1 }));
}

/** The last plan of each plant, open or ended. */
export async function lastPlans(
  pool: Pool,
  plantIds: readonly number[],
): Promise<Map<number, { steps: SunStep[]; ended_on: string | null }>> {
  const [rows] = await pool.query<Row<{ plant_id: number; steps: unknown; ended_on: string | null }>[]>(
    `SELECT plant_id, steps, DATE_FORMAT(ended_at, '%Y-%m-%d') AS ended_on FROM hardening
     WHERE id IN (SELECT MAX(id) FROM hardening WHERE plant_id IN (?) GROUP BY plant_id)`,
    [plantIds.length > 0 ? plantIds : [0]],
  );
  return new Map(rows.map(({ plant_id: id, steps, ended_on }) => [id, { steps: json<SunStep[]>(steps), ended_on }]));
}

/** Plans of a site that have not ended. */
export async function openHardenings(
  pool: Pool,
  siteId: number,
): Promise<{ plant_id: number; plant: string; steps: SunStep[] }[]> {
  const [rows] = await pool.query<Row<{ plant_id: number; plant: string; steps: unknown }>[]>(
    `SELECT h.plant_id, p.name AS plant, h.steps FROM hardening h JOIN plant p ON p.id = h.plant_id
       JOIN stay s ON s.open_plant_id = p.id JOIN place pl ON pl.id = s.place_id
     WHERE h.ended_at IS NULL AND pl.site_id = ? ORDER BY h.id`,
    [siteId],
  );
  return rows.map((row) => ({ ...row, steps: json(row.steps) }));
}

export async function endHardening(connection: PoolConnection, plantId: number): Promise<void> {
  await connection.query('UPDATE hardening SET ended_at = UTC_TIMESTAMP(3) WHERE plant_id = ? AND ended_at IS NULL', [
    plantId,
  ]);
  await touchPlants(connection, [plantId]);
}

/** One plan a plant: a new one ends the old. */
export async function saveHardening(
  connection: PoolConnection,
  plantId: number,
  steps: readonly SunStep[],
): Promise<void> {
  await endHardening(connection, plantId);
  await connection.query('INSERT INTO hardening (plant_id, steps) VALUES (?, ?)', [plantId, JSON.stringify(steps)]);
}
