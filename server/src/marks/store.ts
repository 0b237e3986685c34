import type { Timer } from '@zinc-pail/contract/api';
import type { Pool, PoolConnection, Row } from '../database/pool.ts';

export interface NewTimer {
  collectionId: number;
  plantId: number;
  clientId: string;
  kind: Timer['kind'];
  code: Timer['code'];
  /** how long it may stand in water */
  minutes: number | null;
  /** minutes from now */
  afterMinutes: number;
}

export async function addTimers(connection: PoolConnection, timers: readonly NewTimer[]): Promise<void> {
  if (timers.length === 0) return;
  await connection.query(
    `INSERT INTO timer (collection_id, plant_id, client_id, kind, code, minutes, due_at)
       VALUES ${timers.map(() => '(?, ?, ?, ?, ?, ?, UTC_TIMESTAMP(3) + INTERVAL ? MINUTE)').join(', ')}
     ON DUPLICATE KEY UPDATE id = id`,
    timers.flatMap((timer) => [
      timer.collectionId,
      timer.plantId,
      timer.clientId,
      timer.kind,
      timer.code,
      timer.minutes,
      timer.afterMinutes,
    ]),
  );
}

/** What still waits to be done, the next first. */
export async function openTimers(pool: Pool): Promise<Timer[]> {
  const [rows] = await pool.query<Row<Omit<Timer, 'due_at'> & { due_at: Date }>[]>(
    `SELECT t.id, t.plant_id, p.name AS plant, t.kind, t.code, t.minutes, t.due_at FROM timer t JOIN plant p ON p.id = t.plant_id
     WHERE t.done_at IS NULL AND p.ended IS NULL ORDER BY t.due_at, t.id LIMIT 500`,
  );
  return rows.map((row) => ({ ...row, due_at: row.due_at.toISOString() }));
}

export async function endTimer(connection: PoolConnection, id: number): Promise<boolean> {
  const [result] = await connection.query('UPDATE timer SET done_at = IFNULL(done_at, UTC_TIMESTAMP(3)) WHERE id = ?', [
    id,
  ]);
  return (result as { affectedRows: number }).affectedRows > 0;
}

/** A mark taken back needs no reminder. */
export async function dropTimersOf(connection: PoolConnection, clientIds: readonly string[]): Promise<void> {
  await connection.query('UPDATE timer SET done_at = UTC_TIMESTAMP(3) WHERE client_id IN (?) AND done_at IS NULL', [
    clientIds,
  ]);
}
