import { EXPORTED_FIELDS, type ExportedField, type PlantValues } from '@zinc-pail/contract/plantFields';
import type { ResultSetHeader } from 'mysql2';
import type { Pool, PoolConnection, Row } from '../database/pool.ts';

export async function numbersTaken(pool: Pool): Promise<Set<string>> {
  const [rows] = await pool.query<Row<{ number: string }>[]>('SELECT number FROM plant');
  return new Set(rows.map((row) => row.number));
}

export async function newBatch(
  connection: PoolConnection,
  collectionId: number,
  name: string,
  plants: number,
): Promise<number> {
  const [made] = await connection.query<ResultSetHeader>(
    'INSERT INTO import_batch (collection_id, name, plants) VALUES (?, ?, ?)',
    [collectionId, name, plants],
  );
  return made.insertId;
}

export interface Batch {
  id: number;
  name: string;
  plants: number;
  made_at: Date;
  undone_at: Date | null;
}

export async function batches(pool: Pool): Promise<Batch[]> {
  const [rows] = await pool.query<Row<Batch>[]>(
    'SELECT id, name, plants, made_at, undone_at FROM import_batch ORDER BY id DESC LIMIT 50',
  );
  return rows;
}

/** What would go with a list that is taken back. */
export interface WouldGo {
  /** names of plants that were written on since */
  plants: string[];
  marks: number;
  pictures: number;
  /** plants of other lists, or of none, whose mother is one of it */
  offsets: number;
  /** probes and scales in its pots */
  instruments: number;
}

/**
 * Takes an import back whole; its own first lines go with it. Where its plants were written on since, what would go is
 * told instead, and nothing is taken back unless `anyway`.
 */
export async function undoBatch(
  connection: PoolConnection,
  id: number,
  anyway: boolean,
): Promise<'none' | 'undone' | WouldGo> {
  const [[batch]] = await connection.query<Row<{ undone_at: Date | null; collection_id: number }>[]>(
    'SELECT undone_at, collection_id FROM import_batch WHERE id = ? FOR UPDATE',
    [id],
  );
  if (!batch || batch.undone_at) return 'none';
  if (!anyway) {
    const goes = await wouldGo(connection, id);
    if (goes.marks + goes.pictures + goes.offsets + goes.instruments > 0) return goes;
  }
  const mine = 'IN (SELECT id FROM plant WHERE import_id = ?)';
  await connection.query(
    `DELETE FROM device_reading WHERE device_id IN (SELECT id FROM device WHERE plant_id ${mine})`,
    [id],
  );
  for (const table of ['timer', 'hardening', 'picture', 'device', 'journal', 'stay', 'potting'])
    await connection.query(`DELETE FROM ?? WHERE plant_id ${mine}`, [table, id]);
  await connection.query(`UPDATE plant SET mother_id = NULL WHERE mother_id ${mine} OR import_id = ?`, [id, id]);
  await connection.query('DELETE FROM plant WHERE import_id = ?', [id]);
  await connection.query('UPDATE import_batch SET undone_at = UTC_TIMESTAMP(3) WHERE id = ?', [id]);
  await connection.query('UPDATE site SET revision = revision + 1 WHERE collection_id = ?', [batch.collection_id]);
  return 'undone';
}

type Counted = Exclude<keyof WouldGo, 'plants'>;

async function wouldGo(connection: PoolConnection, id: number): Promise<WouldGo> {
  const [rows] = await connection.query<Row<{ name: string } & Record<Counted, number>>[]>(
    `SELECT p.name,
       (SELECT COUNT(*) FROM journal j WHERE j.plant_id = p.id AND JSON_VALUE(j.detail, '$.import') IS NULL) AS marks,
       (SELECT COUNT(*) FROM picture i WHERE i.plant_id = p.id AND i.removed_at IS NULL) AS pictures,
       (SELECT COUNT(*) FROM plant c WHERE c.mother_id = p.id AND (c.import_id IS NULL OR c.import_id <> ?)) AS offsets,
       (SELECT COUNT(*) FROM device d WHERE d.plant_id = p.id) AS instruments
     FROM plant p WHERE p.import_id = ? ORDER BY p.id`,
    [id, id],
  );
  const sum = (of: Counted) => rows.reduce((total, row) => total + row[of], 0);
  return {
    plants: rows.filter((row) => row.marks + row.pictures + row.instruments > 0).map(({ name }) => name),
    marks: sum('marks'),
    pictures: sum('pictures'),
    offsets: sum('offsets'),
    instruments: sum('instruments'),
  };
}

export interface ListRow extends PlantValues<ExportedField> {
  ref: string;
  ended: string | null;
  ended_on: string | null;
  site: string;
  place: string;
  mix: string;
  pot_shape: string;
  pot_top_mm: number;
  pot_depth_mm: number;
  pot_material: string;
  pot_holes: number;
  last_watered: string | null;
}

/** Every plant, those that have ended too, for lists that go out. */
export async function listRows(pool: Pool): Promise<ListRow[]> {
  const [rows] = await pool.query<Row<ListRow>[]>(
    `SELECT p.ref, ${EXPORTED_FIELDS.map((field) => `p.${field}`).join(', ')}, p.ended, p.ended_on,
       si.name AS site, pl.name AS place, m.name AS mix, po.shape AS pot_shape, po.top_mm AS pot_top_mm,
       po.depth_mm AS pot_depth_mm, po.material AS pot_material, po.holes AS pot_holes,
            (SELECT MAX(j.day) FROM journal j WHERE j.plant_id = p.id AND j.type = 'watering'
            AND j.voided_at IS NULL) AS last_watered
     FROM plant p JOIN stay s ON s.id = (SELECT MAX(last.id) FROM stay last WHERE last.plant_id = p.id)
     JOIN place pl ON pl.id = s.place_id JOIN site si ON si.id = pl.site_id
     JOIN potting po ON po.open_plant_id = p.id JOIN mix m ON m.id = po.mix_id ORDER BY p.number`,
  );
  return rows;
}

export interface TokenRow {
  id: number;
  name: string;
  made_at: Date;
  revoked_at: Date | null;
}

export async function tokens(pool: Pool): Promise<TokenRow[]> {
  const [rows] = await pool.query<Row<TokenRow>[]>(
    'SELECT id, name, made_at, revoked_at FROM calendar_token ORDER BY id DESC LIMIT 100',
  );
  return rows;
}

export async function addToken(
  connection: PoolConnection,
  collectionId: number,
  name: string,
  hash: string,
): Promise<number> {
  const [made] = await connection.query<ResultSetHeader>(
    'INSERT INTO calendar_token (collection_id, name, token_hash) VALUES (?, ?, ?)',
    [collectionId, name, hash],
  );
  return made.insertId;
}

export async function revokeToken(connection: PoolConnection, id: number): Promise<boolean> {
  const [result] = await connection.query<ResultSetHeader>(
    'UPDATE calendar_token SET revoked_at = IFNULL(revoked_at, UTC_TIMESTAMP(3)) WHERE id = ?',
    [id],
  );
  return result.affectedRows > 0;
}

export async function tokenOpens(pool: Pool, hash: string): Promise<boolean> {
  const [[row]] = await pool.query<Row<{ id: number }>[]>(
    'SELECT id FROM calendar_token WHERE token_hash = ? AND revoked_at IS NULL',
    [hash],
  );
  return row !== undefined;
}
