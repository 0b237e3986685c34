import type { JournalEntry, JournalEvent, NewEntry } from '@zinc-pail/contract/api';
import type { PlantEvent } from '@zinc-pail/core';
import { createHash } from 'node:crypto';
import type { Pool, PoolConnection, Row } from '../database/pool.ts';

interface JournalRow {
  client_id: string;
  plant_id: number;
  day: string;
  type: JournalEvent['type'];
  detail: string | object;
  written_at: Date;
  written_by: string;
  voided_at: Date | null;
}

const COLUMNS = 'client_id, plant_id, day, type, detail, written_at, written_by, voided_at';

function entryOf(row: JournalRow): JournalEntry {
  const detail = typeof row.detail === 'string' ? (JSON.parse(row.detail) as object) : row.detail;
  return {
    client_id: row.client_id,
    plant_id: row.plant_id,
    event: { ...detail, type: row.type, date: row.day } as JournalEvent,
    written_at: row.written_at.toISOString(),
    written_by: row.written_by,
    voided: row.voided_at !== null,
  };
}

/** The newest entries of a plant first, voided ones among them. */
export async function journalOf(pool: Pool, plantId: number, most = 500): Promise<JournalEntry[]> {
  const [rows] = await pool.query<Row<JournalRow>[]>(
    `SELECT ${COLUMNS} FROM journal WHERE plant_id = ? ORDER BY day DESC, id DESC LIMIT ?`,
    [plantId, most],
  );
  return rows.map(entryOf);
}

/** The entries under these ids, in the order they were written. */
export async function entriesByClientIds(
  connection: Pool | PoolConnection,
  clientIds: readonly string[],
): Promise<JournalEntry[]> {
  if (clientIds.length === 0) return [];
  const [rows] = await connection.query<Row<JournalRow>[]>(
    `SELECT ${COLUMNS} FROM journal WHERE client_id IN (?) ORDER BY id`,
    [clientIds],
  );
  return rows.map(entryOf);
}

/**
 * Marks of a day on the plants that stand at a site, by hand: what came with a list is none.
 *
 * @param types of marks
 */
export async function marksOfDay(
  pool: Pool,
  siteId: number,
  date: string,
  types: readonly JournalEvent['type'][],
): Promise<JournalEntry[]> {
  const [rows] = await pool.query<Row<JournalRow>[]>(
    `SELECT ${COLUMNS.split(', ')
      .map((column) => `j.${column}`)
      .join(', ')} FROM journal j JOIN stay s ON s.open_plant_id = j.plant_id JOIN place pl ON pl.id = s.place_id
     WHERE pl.site_id = ? AND j.day = ? AND j.type IN (?) AND j.voided_at IS NULL
       AND JSON_VALUE(j.detail, '$.import') IS NULL ORDER BY j.id`,
    [siteId, date, types],
  );
  return rows.map(entryOf);
}

/** Entries that a step of a case brought with it, by the step's id. */
export async function companionsOf(pool: Pool, clientIds: readonly string[]): Promise<JournalEntry[]> {
  const asked = await entriesByClientIds(pool, clientIds);
  const steps = asked.filter(({ event }) => event.type === 'case-step');
  if (steps.length === 0) return [];
  const [rows] = await pool.query<Row<JournalRow>[]>(
    `SELECT ${COLUMNS} FROM journal WHERE day IN (?) AND voided_at IS NULL AND JSON_VALUE(detail, '$.with') IN (?)
     ORDER BY id`,
    [steps.map(({ event }) => event.date), steps.map(({ client_id: id }) => id)],
  );
  return rows.map(entryOf);
}

/** Drinks in the books of these plants in the last weeks, oldest first. */
export async function drinksLately(pool: Pool, plantIds: readonly number[]): Promise<Map<number, PlantEvent[]>> {
  const [rows] = await pool.query<Row<JournalRow>[]>(
    `SELECT ${COLUMNS} FROM journal WHERE plant_id IN (?) AND type = 'watering' AND voided_at IS NULL
       AND day >= CURRENT_DATE - INTERVAL 60 DAY ORDER BY day, id`,
    [plantIds.length > 0 ? plantIds : [0]],
  );
  const books = new Map<number, PlantEvent[]>();
  for (const row of rows)
    books.set(row.plant_id, [...(books.get(row.plant_id) ?? []), entryOf(row).event as PlantEvent]);
  return books;
}

/** What stands unvoided of one kind on a plant's day. */
export async function entriesOnDay(
  connection: PoolConnection,
  plantId: number,
  date: string,
  type: JournalEvent['type'],
): Promise<JournalEntry[]> {
  const [rows] = await connection.query<Row<JournalRow>[]>(
    `SELECT ${COLUMNS} FROM journal WHERE plant_id = ? AND day = ? AND type = ? AND voided_at IS NULL ORDER BY id`,
    [plantId, date, type],
  );
  return rows.map(entryOf);
}

/** One entry that comes of something else than a mark: a move, a potting, an end, a picture. The caller touches the plant. */
export interface EntryToAdd {
  collectionId: number;
  plantId: number;
  clientId: string;
  day: string;
  type: JournalEvent['type'];
  detail: object;
  by: string;
}

export async function addEntry(
  connection: PoolConnection,
  { collectionId, plantId, clientId, day, type, detail, by }: EntryToAdd,
): Promise<void> {
  await connection.query(
    `INSERT INTO journal (collection_id, plant_id, client_id, day, type, detail, written_by)
       VALUES (?, ?, ?, ?, ?, ?, ?)`,
    [collectionId, plantId, clientId, day, type, JSON.stringify(detail), by],
  );
}

/** Entries of one plant that are to be added. */
export interface EntriesToAdd {
  collectionId: number;
  plantId: number;
  entries: readonly NewEntry[];
  by: string;
}

const ROWS_AT_ONCE = 1000;

/** Adds entries of one or many plants. One that is there already, under the same client id, is left as it is. */
export async function addEntries(connection: PoolConnection, toAdd: readonly EntriesToAdd[]): Promise<void> {
  const rows = toAdd.flatMap(({ collectionId, plantId, entries, by }) =>
    entries.map(({ client_id, date, type, ...detail }) => [
      collectionId,
      plantId,
      client_id,
      date,
      type,
      JSON.stringify(detail),
      by,
    ]),
  );
  for (let from = 0; from < rows.length; from += ROWS_AT_ONCE) {
    await connection.query(
      `INSERT INTO journal (collection_id, plant_id, client_id, day, type, detail, written_by) VALUES ?
         ON DUPLICATE KEY UPDATE id = id`,
      [rows.slice(from, from + ROWS_AT_ONCE)],
    );
  }
  if (toAdd.length > 0)
    await touchPlants(
      connection,
      toAdd.map(({ plantId }) => plantId),
    );
}

/** Voids entries; once voided they stay so. */
export async function voidEntries(
  connection: PoolConnection,
  clientIds: readonly string[],
  plantIds: readonly number[],
  by: string,
): Promise<void> {
  await connection.query(
    'UPDATE journal SET voided_at = UTC_TIMESTAMP(3), voided_by = ? WHERE client_id IN (?) AND voided_at IS NULL',
    [by, clientIds],
  );
  await touchPlants(connection, plantIds);
}

/** One writer at a time: taken first by whoever changes plants, so that two never wait for each other in a ring. */
export async function lockBooks(connection: PoolConnection): Promise<void> {
  await connection.query('SELECT id FROM collection FOR UPDATE');
}

/** The plants' revisions as they stand now, whatever this transaction saw before. */
export async function revisionsOf(
  connection: PoolConnection,
  plantIds: readonly number[],
): Promise<Map<number, number>> {
  if (plantIds.length === 0) return new Map();
  const [rows] = await connection.query<Row<{ id: number; revision: number }>[]>(
    'SELECT id, revision FROM plant WHERE id IN (?) FOR UPDATE',
    [plantIds],
  );
  return new Map(rows.map(({ id, revision }) => [id, revision]));
}

/** Says that plants or their journals changed: their outlooks are reckoned anew. */
export async function touchPlants(connection: PoolConnection, plantIds: readonly number[]): Promise<void> {
  await connection.query(
    'UPDATE collection SET pulse = pulse + 1 WHERE id IN (SELECT collection_id FROM plant WHERE id IN (?))',
    [plantIds],
  );
  await connection.query(
    `UPDATE plant p JOIN collection c ON c.id = p.collection_id SET p.revision = p.revision + 1, p.pulse = c.pulse
       WHERE p.id IN (?)`,
    [plantIds],
  );
}

/** The same for the same mark, so that one that is sent again makes no second of it. */
export function companionId(clientId: string, nth: number): string {
  const hash = createHash('sha256').update(`${clientId.toLowerCase()} ${nth}`).digest('hex');
  return `${hash.slice(0, 8)}-${hash.slice(8, 12)}-4${hash.slice(13, 16)}-8${hash.slice(17, 20)}-${hash.slice(20, 32)}`;
}
