import type { Shelter } from '@zinc-pail/contract/marks';
import type { Air, CanFeed, PlaceKind } from '@zinc-pail/core';
import { json } from '../database/json.ts';
import type { Pool, PoolConnection, Row } from '../database/pool.ts';

export interface BenchRow {
  id: number;
  name: string;
  kind: PlaceKind;
  air: Air;
  width_mm: number | null;
  depth_mm: number | null;
  quarantine: number;
  version: number;
}

/** The benches of a site in walking order. */
export async function placeRows(pool: Pool, siteId: number): Promise<BenchRow[]> {
  const [rows] = await pool.query<Row<BenchRow>[]>(
    'SELECT id, name, kind, air, width_mm, depth_mm, quarantine, version FROM place WHERE site_id = ? AND dropped_on IS NULL ORDER BY walk_order, id',
    [siteId],
  );
  return rows;
}

export interface CanKit {
  collection: string;
  canMl: number;
  feeds: CanFeed[];
  potsAWeekend: number;
}

/** What a collection is kept with, as far as a round needs it. */
export async function kitOf(pool: Pool, collectionId: number): Promise<CanKit> {
  const [[row]] = await pool.query<Row<{ name: string; can_ml: number; pots_a_weekend: number }>[]>(
    'SELECT name, can_ml, pots_a_weekend FROM collection WHERE id = ?',
    [collectionId],
  );
  const [feeds] = await pool.query<Row<CanFeed>[]>(
    'SELECT id, name, unit, per_litre FROM feed_product WHERE collection_id = ? ORDER BY id',
    [collectionId],
  );
  return {
    collection: row!.name,
    canMl: row!.can_ml,
    feeds,
    potsAWeekend: row!.pots_a_weekend,
  };
}

export interface WaitingLook {
  plant_id: number;
  plant: string;
  kind: 'review' | 'quarantine' | 'arrival' | 'sleeve' | 'hole' | 'peat' | 'pests';
  day: string;
}

/** Moves of the last weeks that no review has followed, and plants that have not been looked over since they came; what was parted here came from nowhere. */
export async function waitingLooks(pool: Pool, siteId: number, today: string): Promise<WaitingLook[]> {
  const standing =
    'FROM plant p JOIN stay s ON s.open_plant_id = p.id JOIN place pl ON pl.id = s.place_id WHERE pl.site_id = ?';
  const [rows] = await pool.query<Row<WaitingLook>[]>(
    `SELECT p.id AS plant_id, p.name AS plant, 'review' AS kind, s.from_day AS day ${standing}
       AND s.from_day BETWEEN ? - INTERVAL 35 DAY AND ? - INTERVAL 16 DAY AND EXISTS (SELECT 1 FROM stay b
       WHERE b.plant_id = p.id AND b.to_day = s.from_day)
       AND NOT EXISTS (SELECT 1 FROM journal j WHERE j.plant_id = p.id AND j.type = 'review' AND j.day >= s.from_day
       AND j.voided_at IS NULL)
     UNION ALL
     SELECT p.id, p.name, 'quarantine', p.quarantine_until ${standing} AND p.quarantine_until IS NOT NULL
     AND p.quarantine_until <= ?
     UNION ALL
     SELECT p.id, p.name, 'arrival', p.acquired_on ${standing} AND p.acquired_on >= ? - INTERVAL 14 DAY
     AND p.import_id IS NULL AND NOT (p.source <=> 'cutting' AND p.mother_id IS NOT NULL)
       AND NOT EXISTS (SELECT 1 FROM journal j WHERE j.plant_id = p.id AND j.type = 'arrival' AND j.voided_at IS NULL)`,
    [siteId, today, today, siteId, today, siteId, today],
  );
  return [...rows, ...(await foundOnArrival(pool, siteId, today))];
}

/** Findings are asked after for so long; then they are a case for the clinic or the potting bench. */
const ARRIVAL_DAYS = 120;

/** What was found on plants that came, and is not put right since: the last look at each counts. */
async function foundOnArrival(pool: Pool, siteId: number, today: string): Promise<WaitingLook[]> {
  const [rows] = await pool.query<
    Row<Omit<WaitingLook, 'kind'> & { detail: unknown; holes: number; potted: string }>[]
  >(
    `SELECT p.id AS plant_id, p.name AS plant, j.day, j.detail, po.holes, po.from_day AS potted FROM journal j
       JOIN plant p ON p.id = j.plant_id JOIN stay s ON s.open_plant_id = p.id JOIN place pl ON pl.id = s.place_id
       JOIN potting po ON po.open_plant_id = p.id
     WHERE pl.site_id = ? AND p.acquired_on >= ? - INTERVAL ? DAY AND j.type = 'arrival' AND j.voided_at IS NULL
       AND j.id = (SELECT MAX(last.id) FROM journal last WHERE last.plant_id = p.id AND last.type = 'arrival'
         AND last.voided_at IS NULL)`,
    [siteId, today, ARRIVAL_DAYS],
  );
  return rows.flatMap(({ detail, holes, potted, ...row }) => {
    const found = json<{ sleeve_off: boolean; hole: boolean; peat_off: boolean; pests: boolean }>(detail);
    // Potted since, it stands in what its keeper chose.
    const asItCame = potted <= row.day;
    const kinds: WaitingLook['kind'][] = [
      ...(found.sleeve_off ? [] : (['sleeve'] as const)),
      ...(found.hole || !asItCame || holes ? [] : (['hole'] as const)),
      ...(found.peat_off || !asItCame ? [] : (['peat'] as const)),
      ...(found.pests ? (['pests'] as const) : []),
    ];
    return kinds.map((kind) => ({ ...row, kind }));
  });
}

/** What was done about the coming night today, by plant: the last word counts. */
export async function shelteredOn(pool: Pool, siteId: number, today: string): Promise<Map<number, Shelter>> {
  const [rows] = await pool.query<Row<{ plant_id: number; how: Shelter }>[]>(
    `SELECT j.plant_id, JSON_VALUE(j.detail, '$.how') AS how FROM journal j
       JOIN stay s ON s.open_plant_id = j.plant_id JOIN place pl ON pl.id = s.place_id
     WHERE pl.site_id = ? AND j.type = 'sheltered' AND j.day = ? AND j.voided_at IS NULL ORDER BY j.id`,
    [siteId, today],
  );
  return new Map(rows.map(({ plant_id: id, how }) => [id, how]));
}

export async function orderPlaces(connection: PoolConnection, ids: readonly number[]): Promise<void> {
  for (const [order, id] of ids.entries())
    await connection.query('UPDATE place SET walk_order = ? WHERE id = ?', [order, id]);
  await connection.query(
    'UPDATE site SET revision = revision + 1 WHERE id IN (SELECT site_id FROM place WHERE id IN (?))',
    [ids],
  );
}

export async function placeIdsBeside(connection: PoolConnection, id: number): Promise<number[]> {
  const [rows] = await connection.query<Row<{ id: number }>[]>(
    'SELECT id FROM place WHERE site_id = (SELECT site_id FROM place WHERE id = ?)',
    [id],
  );
  return rows.map((row) => row.id);
}

/** Puts the pots of a place in this order; nothing else of them changes. */
export async function orderPots(
  connection: PoolConnection,
  placeId: number,
  plantIds: readonly number[],
): Promise<void> {
  for (const [order, id] of plantIds.entries())
    await connection.query('UPDATE stay SET walk_order = ? WHERE open_plant_id = ? AND place_id = ?', [
      order,
      id,
      placeId,
    ]);
  await connection.query(
    'UPDATE collection SET walks = walks + 1 WHERE id = (SELECT collection_id FROM place WHERE id = ?)',
    [placeId],
  );
}

export async function plantIdsAt(connection: PoolConnection, placeId: number): Promise<number[]> {
  const [rows] = await connection.query<Row<{ id: number }>[]>(
    'SELECT plant_id AS id FROM stay WHERE place_id = ? AND to_day IS NULL',
    [placeId],
  );
  return rows.map((row) => row.id);
}

/** Longer ago a place is no longer one that it goes back to. */
const REMEMBERED_DAYS = 420;

/** Where plants of a site stood before where they are now. */
export async function stoodBefore(pool: Pool, siteId: number, today: string): Promise<Map<number, number[]>> {
  const [rows] = await pool.query<Row<{ plant_id: number; place_id: number }>[]>(
    `SELECT DISTINCT b.plant_id, b.place_id FROM stay b JOIN stay s ON s.open_plant_id = b.plant_id
       JOIN place pl ON pl.id = s.place_id JOIN place old ON old.id = b.place_id AND old.site_id = pl.site_id
     WHERE pl.site_id = ? AND b.to_day >= ? - INTERVAL ? DAY AND b.place_id <> s.place_id`,
    [siteId, today, REMEMBERED_DAYS],
  );
  const out = new Map<number, number[]>();
  for (const { plant_id: plant, place_id: place } of rows) out.set(plant, [...(out.get(plant) ?? []), place]);
  return out;
}
