/** Taking plants in, setting them elsewhere, and letting them go: what changes more than the journal. */
import type { ENDINGS } from '@zinc-pail/contract/choices';
import { PLANT_FIELD_NAMES, type PlantField, type PlantValues } from '@zinc-pail/contract/plantFields';
import { genusByAnyName, type Pot } from '@zinc-pail/core';
import { randomUUID } from 'node:crypto';
import type { ResultSetHeader } from 'mysql2';
import type { PoolConnection, Row } from '../database/pool.ts';
import { addEntry, lockBooks, touchPlants } from '../journal/store.ts';

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

/**
 * The next free numbers by the keeper's scheme: `{year}`, `{yy}`, `{month}`, `{genus}` (four letters) stand for
 * themselves, `{n:3}` counts on from the highest number alike but for it.
 */
export async function nextNumbers(
  connection: PoolConnection,
  collectionId: number,
  name: string,
  date: string,
  count: number,
): Promise<string[]> {
  const [[row]] = await connection.query<Row<{ number_scheme: string }>[]>(
    'SELECT number_scheme FROM collection WHERE id = ? FOR UPDATE',
    [collectionId],
  );
  const genus =
    (genusByAnyName(name)?.name ?? name)
      .replaceAll(/[^A-Za-z]/g, '')
      .slice(0, 4)
      .toUpperCase() || 'X';
  const filled = row!.number_scheme
    .replaceAll('{year}', date.slice(0, 4))
    .replaceAll('{yy}', date.slice(2, 4))
    .replaceAll('{month}', date.slice(5, 7))
    .replaceAll('{genus}', genus);
  const counter = /\{n(?::(\d))?\}/.exec(filled)!;
  const before = filled.slice(0, counter.index);
  const after = filled.slice(counter.index + counter[0].length);
  const digits = Number(counter[1] ?? 1);
  const escape = (text: string) => text.replaceAll(/[\\%_]/g, (c) => `\\${c}`);
  const [used] = await connection.query<Row<{ number: string }>[]>(
    'SELECT number FROM plant WHERE collection_id = ? AND number LIKE ?',
    [collectionId, `${escape(before)}%${escape(after)}`],
  );
  let highest = 0;
  for (const { number } of used) {
    const middle = number.slice(before.length, number.length - after.length);
    if (/^\d{1,9}$/.test(middle)) highest = Math.max(highest, Number(middle));
  }
  return Array.from({ length: count }, (_, i) => `${before}${String(highest + 1 + i).padStart(digits, '0')}${after}`);
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
  by?: string;
}

/** Writes one plant with its pot and its place; its journal begins with nothing. */
export async function insertPlant(
  connection: PoolConnection,
  collectionId: number,
  plant: PlantToWrite,
): Promise<number> {
  const { pot } = plant;
  const columns = { ...sizeInPot(pot), ...plantColumns(plant) };
  const [made] = await connection.query<ResultSetHeader>('INSERT INTO plant SET ?', [
    {
      collection_id: collectionId,
      ref: plant.ref,
      ...columns,
      ...(plant.import_id ? { import_id: plant.import_id } : {}),
    },
  ]);
  const id = made.insertId;
  await connection.query('INSERT INTO potting SET ?', [
    { plant_id: id, from_day: plant.date, ...pottingColumns(plant.mix_id, pot) },
  ]);
  await putAt(connection, id, plant.place_id, plant.date);
  if (plant.last_watered) {
    const method = pot.holes ? 'drench' : 'bottom';
    await addEntry(connection, {
      collectionId,
      plantId: id,
      clientId: randomUUID(),
      day: plant.last_watered,
      type: 'watering',
      detail: { method, ...(plant.import_id ? { import: plant.import_id } : {}) },
      by: plant.by ?? 'keeper',
    });
  }
  await touchPlants(connection, [id]);
  return id;
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

/**
 * Ends the open potting and begins the next; what the old pot was stands in the book, so that it still teaches its
 * place.
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
    clientId: string;
    by: string;
  },
): Promise<'done' | 'too-early'> {
  const [[open]] = await connection.query<
    Row<Omit<Pot, 'holes'> & { id: number; mix_id: number; from_day: string; collection_id: number; holes: number }>[]
  >(
    `SELECT po.id, po.mix_id, po.from_day, po.shape, po.top_mm, po.base_mm, po.depth_mm, po.material, po.wall_mm,
       po.holes, po.top_dressing_mm, p.collection_id
     FROM potting po JOIN plant p ON p.id = po.plant_id WHERE po.open_plant_id = ? FOR UPDATE`,
    [plantId],
  );
  if (to.date < open!.from_day) return 'too-early';
  const { id, mix_id, from_day: _from, collection_id, holes, wall_mm, ...measures } = open!;
  const before = {
    pot: { ...measures, holes: Boolean(holes), ...(wall_mm == null ? {} : { wall_mm }) },
    mix: String(mix_id),
  };
  await connection.query('UPDATE potting SET to_day = ? WHERE id = ?', [to.date, id]);
  await connection.query('INSERT INTO potting SET ?', [
    { plant_id: plantId, from_day: to.date, root_loss: to.rootLoss, ...pottingColumns(to.mixId, to.pot) },
  ]);
  await connection.query('UPDATE plant SET version = version + 1 WHERE id = ?', [plantId]);
  const detail = { ...(to.mixWas ? { mix_was: to.mixWas } : {}), ...(to.rootLoss ? { roots_cut: true } : {}), before };
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

/** Last in the walk of its new place. */
async function putAt(connection: PoolConnection, plantId: number, placeId: number, date: string): Promise<void> {
  const [[row]] = await connection.query<Row<{ last: number | null }>[]>(
    'SELECT MAX(walk_order) AS last FROM stay WHERE place_id = ? AND to_day IS NULL',
    [placeId],
  );
  await connection.query('INSERT INTO stay SET ?', [
    { plant_id: plantId, place_id: placeId, from_day: date, walk_order: (row!.last ?? 0) + 1 },
  ]);
}

/** Ends the open stay, begins the next, and writes the move. A plant that stands there already stays as it is. */
export async function movePlant(
  connection: PoolConnection,
  {
    plantId,
    placeId,
    date,
    by,
    clientId = randomUUID(),
  }: { plantId: number; placeId: number; date: string; by: string; clientId?: string | undefined },
): Promise<boolean> {
  await lockBooks(connection);
  const [[open]] = await connection.query<
    Row<{ id: number; place_id: number; from_day: string; collection_id: number }>[]
  >(
    `SELECT s.id, s.place_id, s.from_day, p.collection_id FROM stay s JOIN plant p ON p.id = s.plant_id
       WHERE s.open_plant_id = ? FOR UPDATE`,
    [plantId],
  );
  if (!open || open.place_id === placeId) return false;
  await connection.query('UPDATE stay SET to_day = GREATEST(from_day, ?) WHERE id = ?', [date, open.id]);
  await putAt(connection, plantId, placeId, date);
  await addEntry(connection, {
    collectionId: open.collection_id,
    plantId,
    clientId,
    day: date,
    type: 'move',
    detail: { from: String(open.place_id), place: String(placeId) },
    by,
  });
  await touchPlants(connection, [plantId]);
  return true;
}

/** Closes a plant: it leaves its place and its lists, its book stays. */
export async function endPlant(
  connection: PoolConnection,
  {
    plantId,
    how,
    date,
    why,
    by,
  }: { plantId: number; how: (typeof ENDINGS)[number]; date: string; why: string | null; by: string },
): Promise<boolean> {
  await lockBooks(connection);
  const [[row]] = await connection.query<Row<{ collection_id: number; ended: string | null }>[]>(
    'SELECT collection_id, ended FROM plant WHERE id = ? FOR UPDATE',
    [plantId],
  );
  if (!row || row.ended) return false;
  await connection.query(
    'UPDATE plant SET ended = ?, ended_on = ?, ended_why = ?, version = version + 1 WHERE id = ?',
    [how, date, why, plantId],
  );
  await connection.query('UPDATE stay SET to_day = GREATEST(from_day, ?) WHERE plant_id = ? AND to_day IS NULL', [
    date,
    plantId,
  ]);
  await connection.query('UPDATE hardening SET ended_at = UTC_TIMESTAMP(3) WHERE plant_id = ? AND ended_at IS NULL', [
    plantId,
  ]);
  await addEntry(connection, {
    collectionId: row.collection_id,
    plantId,
    clientId: randomUUID(),
    day: date,
    type: 'ended',
    detail: { how, cause: why },
    by,
  });
  await touchPlants(connection, [plantId]);
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
