/** Taking plants in, setting them elsewhere, and letting them go: what changes more than the journal. */
import { refuseGonePlaces } from '../places/store.ts';
import type { ENDINGS } from '@zinc-pail/contract/choices';
import { PLANT_FIELD_NAMES, type PlantField, type PlantValues } from '@zinc-pail/contract/plantFields';
import { APART_DAYS, type Cause, type Pot, type RootFinding, spreads, TORN_ROOTS } from '@zinc-pail/core';
import { randomUUID } from 'node:crypto';
import mysql from 'mysql2/promise';
import type { PoolConnection, Row } from '../database/pool.ts';
import { addEntries, addEntry, companionId, lockBooks, touchPlants } from '../journal/store.ts';
import { alike, Numbering } from './numbering.ts';
import { POT_COLUMNS, potOf, type PotRow } from './potColumns.ts';
import { setApart } from './store.ts';

/** Columns of `plant` that a keeper sets; their names are the API's own. */
export function plantColumns(body: object): Record<string, unknown> {
  const given = body as Partial<Record<PlantField, unknown>>;
  return Object.fromEntries(
    PLANT_FIELD_NAMES.flatMap((column) => (given[column] === undefined ? [] : [[column, given[column]]])),
  );
}

/**
 * A first guess of a plant's size in its pot, where nobody measured: about as wide as the pot, less a finger's breadth.
 */
export function sizeInPot(pot: Pot): { diameter_mm: number; height_mm: number } {
  const width = Math.max(10, Math.round(pot.top_mm * 0.75));
  return { diameter_mm: width, height_mm: Math.round(width * 0.8) };
}

/** The numbering of a collection as it stands; the books are locked by the caller, so that nobody else gives the same. */
export async function numberingOf(connection: PoolConnection, collectionId: number): Promise<Numbering> {
  const [[row]] = await connection.query<Row<{ number_scheme: string }>[]>(
    'SELECT number_scheme FROM collection WHERE id = ? FOR UPDATE',
    [collectionId],
  );
  const [used] = await connection.query<Row<{ number: string }>[]>('SELECT number FROM plant WHERE collection_id = ?', [
    collectionId,
  ]);
  return new Numbering(row!.number_scheme, new Set(used.map(({ number }) => alike(number))));
}

/** A plant as it is written: its own columns under their names, and where and how it is potted. */
export interface PlantToWrite extends Partial<PlantValues<Exclude<PlantField, 'number'>>> {
  ref: string;
  number: string;
  pot: Pot;
  mix_id: number;
  place_id: number;
  date: string;
  import_id?: number;
  /** its last drink, as far as anybody knows, and who says so */
  last_watered?: string | null;
  /** words that came with it, for its book */
  note?: string | null;
  by?: string;
  /** parted from its mother that day, with torn roots */
  parted?: boolean;
}

const ROWS_AT_ONCE = 500;

/** Writes plants with their pots and places; their journals begin with their last drink, where it is known. */
export async function insertPlants(
  connection: PoolConnection,
  collectionId: number,
  plants: readonly PlantToWrite[],
): Promise<number[]> {
  await refuseGonePlaces(
    connection,
    plants.map((plant) => plant.place_id),
  );
  const ids: number[] = [];
  for (let from = 0; from < plants.length; from += ROWS_AT_ONCE)
    ids.push(...(await insertSome(connection, collectionId, plants.slice(from, from + ROWS_AT_ONCE))));
  if (ids.length > 0) await touchPlants(connection, ids);
  return ids;
}

async function insertSome(
  connection: PoolConnection,
  collectionId: number,
  plants: readonly PlantToWrite[],
): Promise<number[]> {
  await insertRows(
    connection,
    'plant',
    plants.map((plant) => ({
      collection_id: collectionId,
      ref: plant.ref,
      ...sizeInPot(plant.pot),
      ...plantColumns(plant),
      ...(plant.import_id ? { import_id: plant.import_id } : {}),
    })),
  );
  const ids = await idsInOrder(connection, collectionId, plants);
  await insertRows(
    connection,
    'potting',
    plants.map((plant, i) => ({
      plant_id: ids[i],
      from_day: plant.date,
      ...(plant.parted ? { root_loss: TORN_ROOTS } : {}),
      ...pottingColumns(plant.mix_id, plant.pot),
    })),
  );
  const walk = await lastInWalk(
    connection,
    plants.map((plant) => plant.place_id),
  );
  await insertRows(
    connection,
    'stay',
    plants.map(({ place_id: placeId, date }, i) => {
      const order = (walk.get(placeId) ?? 0) + 1;
      walk.set(placeId, order);
      return { plant_id: ids[i], place_id: placeId, from_day: date, walk_order: order };
    }),
  );
  const first = plants.flatMap((plant, i) => firstLines(plant).map((line) => ({ ...line, plant_id: ids[i] })));
  if (first.length > 0)
    await insertRows(
      connection,
      'journal',
      first.map((line) => ({ collection_id: collectionId, client_id: randomUUID(), ...line })),
    );
  return ids;
}

/** With what a book begins: the words that came with the plant, and its last drink, as far as they are known. */
function firstLines(plant: PlantToWrite): Record<string, unknown>[] {
  const from = plant.import_id ? { import: plant.import_id } : {};
  const line = (day: string, type: string, detail: object) => ({
    day,
    type,
    detail: JSON.stringify({ ...detail, ...from }),
    written_by: plant.by ?? 'keeper',
  });
  return [
    ...(plant.last_watered
      ? [line(plant.last_watered, 'watering', { method: plant.pot.holes ? 'drench' : 'bottom' })]
      : []),
    ...(plant.parted
      ? [line(plant.date, 'repotting', { mix_was: 'dry', roots_cut: true, root_loss: TORN_ROOTS, divided: 1 })]
      : []),
    ...(plant.note ? [line(plant.date, 'note', { text: plant.note })] : []),
  ];
}

/** Rows in one statement; a column that a row leaves out takes its default. */
async function insertRows(
  connection: PoolConnection,
  table: 'plant' | 'potting' | 'stay' | 'journal',
  rows: readonly Record<string, unknown>[],
): Promise<void> {
  const columns = [...new Set(rows.flatMap((row) => Object.keys(row)))];
  const values = rows.map((row) =>
    columns.map((column) => (row[column] === undefined ? mysql.raw('DEFAULT') : row[column])),
  );
  await connection.query('INSERT INTO ?? (??) VALUES ?', [table, columns, values]);
}

/** The ids that plants were given, in their order: by their refs, which are their own. */
async function idsInOrder(
  connection: PoolConnection,
  collectionId: number,
  plants: readonly PlantToWrite[],
): Promise<number[]> {
  const [rows] = await connection.query<Row<{ id: number; ref: string }>[]>(
    'SELECT id, ref FROM plant WHERE collection_id = ? AND ref IN (?)',
    [collectionId, plants.map(({ ref }) => ref)],
  );
  const ids = new Map(rows.map(({ id, ref }) => [ref, id]));
  return plants.map(({ ref }) => ids.get(ref)!);
}

/** A pot and its mix as columns of `potting`. */
export const pottingColumns = (mixId: number, pot: Pot) => ({
  mix_id: mixId,
  shape: pot.shape,
  top_mm: pot.top_mm,
  base_mm: pot.base_mm,
  depth_mm: pot.depth_mm,
  material: pot.material,
  wall_mm: pot.wall_mm ?? null,
  holes: pot.holes,
  top_dressing_mm: pot.top_dressing_mm,
  dark: pot.dark ?? null,
  hole_count: pot.hole_count ?? null,
  hole_mm: pot.hole_mm ?? null,
  crocks_mm: pot.crocks_mm ?? null,
});

/** What was wrong from the start is put right: the open potting becomes this, and its past is reckoned anew. */
export async function setPottingRight(
  connection: PoolConnection,
  plantId: number,
  mixId: number,
  pot: Pot,
): Promise<void> {
  await connection.query('UPDATE potting SET ? WHERE open_plant_id = ?', [pottingColumns(mixId, pot), plantId]);
  await connection.query('UPDATE plant SET version = version + 1 WHERE id = ?', [plantId]);
  await touchPlants(connection, [plantId]);
}

/** The version of a plant and its mix, held until the transaction ends. */
export async function versionOf(
  connection: PoolConnection,
  plantId: number,
): Promise<{ version: number; mix_id: number }> {
  const [[row]] = await connection.query<Row<{ version: number; mix_id: number }>[]>(
    `SELECT p.version, po.mix_id FROM plant p JOIN potting po ON po.open_plant_id = p.id WHERE p.id = ? FOR UPDATE`,
    [plantId],
  );
  return row!;
}

/**
 * Ends the open potting and begins the next; what the old pot was stands in the book, so that it still teaches its
 * place. Roots that ail open their case, on which the potting is the first that was done.
 */
export async function repot(
  connection: PoolConnection,
  plantId: number,
  to: {
    mixId: number;
    pot: Pot;
    date: string;
    mixWas: string | null;
    rootLoss: number | null;
    /** what was found, why, and how many were parted from it */
    more: Record<string, unknown>;
    clientId: string;
    by: string;
  },
): Promise<'done' | 'too-early'> {
  const [[open]] = await connection.query<
    (PotRow & { id: number; mix_id: number; from_day: string; collection_id: number })[]
  >(
    `SELECT po.id, po.mix_id, po.from_day, ${POT_COLUMNS}, p.collection_id
     FROM potting po JOIN plant p ON p.id = po.plant_id WHERE po.open_plant_id = ? FOR UPDATE`,
    [plantId],
  );
  if (to.date < open!.from_day) return 'too-early';
  const { id, mix_id, from_day: _from, collection_id, ...pot } = open!;
  const before = {
    pot: potOf(pot),
    mix: String(mix_id),
  };
  await connection.query('UPDATE potting SET to_day = ? WHERE id = ?', [to.date, id]);
  await connection.query('INSERT INTO potting SET ?', [
    { plant_id: plantId, from_day: to.date, root_loss: to.rootLoss, ...pottingColumns(to.mixId, to.pot) },
  ]);
  await connection.query('UPDATE plant SET version = version + 1 WHERE id = ?', [plantId]);
  const detail = {
    ...(to.mixWas ? { mix_was: to.mixWas } : {}),
    ...(to.rootLoss ? { roots_cut: true, root_loss: to.rootLoss } : {}),
    ...to.more,
    before,
  };
  await openRootCases(connection, plantId, collection_id, to);
  await addEntry(connection, {
    collectionId: collection_id,
    plantId,
    clientId: to.clientId,
    day: to.date,
    type: 'repotting',
    detail,
    by: to.by,
  });
  await touchPlants(connection, [plantId]);
  return 'done';
}

/** What roots are found like, and the case that says so. */
const AILS: Partial<Record<RootFinding, Cause>> = { 'brown-soft': 'root-rot', pests: 'root-mealybug' };

/** Written before the potting, so that its steps count. A case that is open stays as it is. */
async function openRootCases(
  connection: PoolConnection,
  plantId: number,
  collectionId: number,
  { date, more, clientId, by }: { date: string; more: Record<string, unknown>; clientId: string; by: string },
): Promise<void> {
  const findings = (more.findings ?? []) as RootFinding[];
  const causes = findings.flatMap((finding) => AILS[finding] ?? []);
  if (causes.length === 0) return;
  const [rows] = await connection.query<Row<{ type: string; cause: Cause }>[]>(
    `SELECT type, JSON_VALUE(detail, '$.cause') AS cause FROM journal
     WHERE plant_id = ? AND type IN ('verdict', 'case-closed') AND voided_at IS NULL AND day <= ? ORDER BY day, id`,
    [plantId, date],
  );
  for (const [i, cause] of causes.entries()) {
    if (rows.findLast((row) => row.cause === cause)?.type === 'verdict') continue;
    await addEntry(connection, {
      collectionId,
      plantId,
      clientId: companionId(clientId, i),
      day: date,
      type: 'verdict',
      detail: { cause },
      by,
    });
    if (spreads(cause)) await setApart(connection, plantId, date, APART_DAYS);
  }
}

/** Into fresh mix of the kind it has, and the same pot; nothing where it was potted that day already, or since. */
export async function repotAsItIs(
  connection: PoolConnection,
  plantId: number,
  to: { date: string; rootLoss: number | null; clientId: string; by: string },
): Promise<void> {
  const [[open]] = await connection.query<(PotRow & { mix_id: number; from_day: string })[]>(
    `SELECT po.mix_id, po.from_day, ${POT_COLUMNS} FROM potting po WHERE po.open_plant_id = ?`,
    [plantId],
  );
  if (!open || open.from_day >= to.date) return;
  const { mix_id: mixId, from_day: _from, ...pot } = open;
  await repot(connection, plantId, { ...to, mixId, pot: potOf(pot), mixWas: 'dry', more: { why: 'rescue' } });
}

/** The other living plants of its bench. */
export async function standingBeside(connection: PoolConnection, plantId: number): Promise<number[]> {
  const [rows] = await connection.query<Row<{ id: number }>[]>(
    `SELECT o.open_plant_id AS id FROM stay o JOIN stay s ON s.place_id = o.place_id
     WHERE s.open_plant_id = ? AND o.open_plant_id IS NOT NULL AND o.open_plant_id <> ?`,
    [plantId, plantId],
  );
  return rows.map(({ id }) => id);
}

/** Last in the walk of its new place. */
/** The last number of each place's walk; places where nothing stands left out. */
async function lastInWalk(connection: PoolConnection, placeIds: readonly number[]): Promise<Map<number, number>> {
  const [rows] = await connection.query<Row<{ place_id: number; last: number }>[]>(
    'SELECT place_id, MAX(walk_order) AS last FROM stay WHERE place_id IN (?) AND to_day IS NULL GROUP BY place_id',
    [[...new Set(placeIds)]],
  );
  return new Map(rows.map((row) => [row.place_id, row.last]));
}

/**
 * Ends open stays, begins the next at one place, and writes the moves: in few statements, however many they are, since all
 * books wait for them. Plants that stand there already, and those that stand nowhere, stay as they are.
 *
 * @param moves at most one of a plant
 * @returns the plants that moved, in the order given
 */
export async function movePlants(
  connection: PoolConnection,
  {
    moves,
    placeId,
    date,
    by,
  }: { moves: readonly { plantId: number; clientId: string }[]; placeId: number; date: string; by: string },
): Promise<number[]> {
  await lockBooks(connection);
  if (moves.length === 0) return [];
  const [open] = await connection.query<
    Row<{ id: number; plant_id: number; place_id: number; collection_id: number }>[]
  >(
    `SELECT s.id, s.plant_id, s.place_id, p.collection_id FROM stay s JOIN plant p ON p.id = s.plant_id
       WHERE s.open_plant_id IN (?) AND s.place_id <> ? FOR UPDATE`,
    [moves.map(({ plantId }) => plantId), placeId],
  );
  const stays = new Map(open.map((stay) => [stay.plant_id, stay]));
  const moving = moves.filter(({ plantId }) => stays.has(plantId));
  if (moving.length === 0) return [];
  await connection.query('UPDATE stay SET to_day = GREATEST(from_day, ?) WHERE id IN (?)', [
    date,
    open.map(({ id }) => id),
  ]);
  const last = (await lastInWalk(connection, [placeId])).get(placeId) ?? 0;
  await connection.query('INSERT INTO stay (plant_id, place_id, from_day, walk_order) VALUES ?', [
    moving.map(({ plantId }, i) => [plantId, placeId, date, last + 1 + i]),
  ]);
  await addEntries(
    connection,
    moving.map(({ plantId, clientId }) => {
      const { collection_id: collectionId, place_id: from } = stays.get(plantId)!;
      const move = { type: 'move', client_id: clientId, date, from: String(from), place: String(placeId) } as const;
      return { collectionId, plantId, entries: [move], by };
    }),
  );
  return moving.map(({ plantId }) => plantId);
}

/**
 * Closes plants: they leave their place and their lists, their books stay.
 *
 * @returns whether all were living; where one was not, nothing is written
 */
export async function endPlants(
  connection: PoolConnection,
  {
    plantIds,
    how,
    date,
    why,
    by,
  }: { plantIds: readonly number[]; how: (typeof ENDINGS)[number]; date: string; why: string | null; by: string },
): Promise<boolean> {
  await lockBooks(connection);
  const [living] = await connection.query<Row<{ id: number; collection_id: number }>[]>(
    'SELECT id, collection_id FROM plant WHERE id IN (?) AND ended IS NULL FOR UPDATE',
    [plantIds],
  );
  if (living.length < plantIds.length) return false;
  await connection.query(
    'UPDATE plant SET ended = ?, ended_on = ?, ended_why = ?, version = version + 1 WHERE id IN (?)',
    [how, date, why, plantIds],
  );
  await connection.query('UPDATE stay SET to_day = GREATEST(from_day, ?) WHERE plant_id IN (?) AND to_day IS NULL', [
    date,
    plantIds,
  ]);
  await connection.query(
    'UPDATE hardening SET ended_at = UTC_TIMESTAMP(3) WHERE plant_id IN (?) AND ended_at IS NULL',
    [plantIds],
  );
  await addEntries(
    connection,
    living.map(({ id, collection_id: collectionId }) => ({
      collectionId,
      plantId: id,
      entries: [{ type: 'ended', client_id: randomUUID(), date, how, cause: why }],
      by,
    })),
  );
  return true;
}

/** It was not dead after all: back to where it stood last. */
export async function revivePlant(connection: PoolConnection, plantId: number, by: string): Promise<boolean> {
  await lockBooks(connection);
  const [[row]] = await connection.query<Row<{ id: number }>[]>(
    `SELECT s.id FROM plant p JOIN stay s ON s.plant_id = p.id WHERE p.id = ? AND p.ended IS NOT NULL
       ORDER BY s.id DESC LIMIT 1 FOR UPDATE`,
    [plantId],
  );
  if (!row) return false;
  await connection.query('UPDATE stay SET to_day = NULL WHERE id = ?', [row.id]);
  await connection.query(
    'UPDATE plant SET ended = NULL, ended_on = NULL, ended_why = NULL, version = version + 1 WHERE id = ?',
    [plantId],
  );
  await connection.query(
    `UPDATE journal SET voided_at = UTC_TIMESTAMP(3), voided_by = ? WHERE plant_id = ? AND type = 'ended'
       AND voided_at IS NULL`,
    [by, plantId],
  );
  await touchPlants(connection, [plantId]);
  return true;
}
