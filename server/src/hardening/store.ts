/** Plans from shade to sun: one open plan a plant. */
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
