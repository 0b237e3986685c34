import type { NewStock, RecipeFields, StockLine, StockMoves } from '@zinc-pail/contract/potting';
import type { MixPart, Pot } from '@zinc-pail/core';
import type { ResultSetHeader } from 'mysql2';
import { badField } from '../http/refusals.ts';
import { json } from '../database/json.ts';
import type { Pool, PoolConnection, Row } from '../database/pool.ts';
import { POT_COLUMNS, potOf, type PotRow } from '../plants/potColumns.ts';

export async function stock(pool: Pool): Promise<StockLine[]> {
  const [rows] = await pool.query<Row<Omit<StockLine, 'pot'> & { pot: unknown }>[]>(
    `SELECT id, kind, name, component_ref, pot, amount, low, price_minor, version FROM stock ORDER BY kind, name`,
  );
  return rows.map((row) => ({ ...row, pot: row.pot === null ? null : json<Pot>(row.pot) }));
}

export async function addStock(
  connection: PoolConnection,
  collectionId: number,
  { pot, ...line }: NewStock,
): Promise<number> {
  const [made] = await connection.query<ResultSetHeader>('INSERT INTO stock SET ?', [
    { collection_id: collectionId, ...line, pot: pot == null ? null : JSON.stringify(pot) },
  ]);
  return made.insertId;
}

export async function changeStock(
  connection: PoolConnection,
  id: number,
  version: number,
  columns: Record<string, unknown>,
): Promise<'done' | 'none' | Record<string, unknown>> {
  const [[row]] = await connection.query<Row<Record<string, unknown>>[]>(
    'SELECT name, low, price_minor, version FROM stock WHERE id = ? FOR UPDATE',
    [id],
  );
  if (!row) return 'none';
  if (row.version !== version) return row;
  await connection.query('UPDATE stock SET ?, version = version + 1 WHERE id = ?', [columns, id]);
  return 'done';
}

/** With all its moves: what was used of it stays in the pots' own books. */
export async function removeStock(connection: PoolConnection, id: number): Promise<'done' | 'none'> {
  await connection.query('DELETE FROM stock_move WHERE stock_id = ?', [id]);
  const [result] = await connection.query<ResultSetHeader>('DELETE FROM stock WHERE id = ?', [id]);
  return result.affectedRows > 0 ? 'done' : 'none';
}

/** Of one thing, in litres or pieces: more is a slip. */
const MOST_STOCK = 1e6;

export interface Short {
  name: string;
  there: number;
  wanted: number;
}

/**
 * Writes what came or went, all of it or none; sent twice it counts once.
 *
 * @returns what is short, where more goes than is there and nobody said that this is known; then nothing is written
 */
export async function moveStock(
  connection: PoolConnection,
  { client_id: clientId, why, lines, anyway }: StockMoves,
  { day, by }: { day: string; by: string },
): Promise<{ short: Short[]; unknown: number[] }> {
  const ids = lines.map((line) => line.stock_id);
  const [rows] = await connection.query<Row<{ id: number; name: string; amount: number }>[]>(
    'SELECT id, name, amount FROM stock WHERE id IN (?) ORDER BY id FOR UPDATE',
    [ids],
  );
  const there = new Map(rows.map((row) => [row.id, row]));
  const unknown = ids.filter((id) => !there.has(id));
  if (unknown.length > 0) return { short: [], unknown };
  const [known] = await connection.query<Row<{ stock_id: number }>[]>(
    'SELECT stock_id FROM stock_move WHERE client_id = ? AND stock_id IN (?)',
    [clientId, ids],
  );
  const written = new Set(known.map((row) => row.stock_id));
  const fresh = lines.filter((line) => !written.has(line.stock_id));
  // A count says what there is; the others what came or went.
  const changes = fresh.map((line) => {
    const row = there.get(line.stock_id)!;
    return { row, change: why === 'counted' ? line.amount - row.amount : line.amount };
  });
  const over = changes.findIndex(({ row, change }) => row.amount + change > MOST_STOCK);
  if (over >= 0)
    throw badField(`/lines/${over}/amount`, changes[over]!.change, `with what is there no more than ${MOST_STOCK}`);
  const short = changes
    .filter(({ row, change }) => change < 0 && row.amount + change < -1e-9)
    .map(({ row, change }) => ({ name: row.name, there: row.amount, wanted: -change }));
  if (short.length > 0 && !anyway) return { short, unknown: [] };
  for (const { row, change } of changes) {
    await connection.query(
      'INSERT INTO stock_move (stock_id, client_id, day, amount, why, written_by) VALUES (?, ?, ?, ?, ?, ?)',
      [row.id, clientId, day, change, why, by],
    );
    await connection.query('UPDATE stock SET amount = ?, version = version + 1 WHERE id = ?', [
      Math.max(0, Math.round((row.amount + change) * 1000) / 1000),
      row.id,
    ]);
  }
  return { short: [], unknown: [] };
}

export async function addMix(
  connection: PoolConnection,
  collectionId: number,
  { name, for_what, parts }: RecipeFields,
): Promise<number> {
  const [made] = await connection.query<ResultSetHeader>(
    'INSERT INTO mix (collection_id, ref, name, for_what) VALUES (?, UUID(), ?, ?)',
    [collectionId, name, for_what],
  );
  await putParts(connection, made.insertId, parts);
  return made.insertId;
}

async function putParts(connection: PoolConnection, mixId: number, parts: RecipeFields['parts']): Promise<void> {
  await connection.query('DELETE FROM mix_part WHERE mix_id = ?', [mixId]);
  await connection.query('INSERT INTO mix_part (mix_id, position, component_ref, parts) VALUES ?', [
    parts.map(({ component, parts: share }, i) => [mixId, i, component, share]),
  ]);
}

/** A mix set right: every pot that stands in it is reckoned anew. */
export async function changeMix(
  connection: PoolConnection,
  id: number,
  { name, for_what, parts }: RecipeFields,
): Promise<boolean> {
  const [[row]] = await connection.query<Row<{ collection_id: number }>[]>(
    'SELECT collection_id FROM mix WHERE id = ? FOR UPDATE',
    [id],
  );
  if (!row) return false;
  await connection.query('UPDATE mix SET name = ?, for_what = ?, version = version + 1 WHERE id = ?', [
    name,
    for_what,
    id,
  ]);
  await putParts(connection, id, parts);
  await connection.query('UPDATE site SET revision = revision + 1 WHERE collection_id = ?', [row.collection_id]);
  return true;
}

/** A mix in which a plant stands, or stood, stays: its book tells of it. */
export async function removeMix(connection: PoolConnection, id: number): Promise<'done' | 'none' | 'in-use'> {
  const [[used]] = await connection.query<Row<{ n: number }>[]>('SELECT COUNT(*) AS n FROM potting WHERE mix_id = ?', [
    id,
  ]);
  if (used!.n > 0) return 'in-use';
  const [result] = await connection.query<ResultSetHeader>('DELETE FROM mix WHERE id = ?', [id]);
  return result.affectedRows > 0 ? 'done' : 'none';
}

export async function componentRefs(connection: PoolConnection | Pool, collectionId: number): Promise<Set<string>> {
  const [rows] = await connection.query<Row<{ ref: string }>[]>('SELECT ref FROM component WHERE collection_id = ?', [
    collectionId,
  ]);
  return new Set(rows.map(({ ref }) => ref));
}

/** A component of the keeper's own; one of that name is put right, and all pots are reckoned anew. */
export async function putComponent(
  connection: PoolConnection,
  collectionId: number,
  { id, ...values }: { id: string } & Record<string, unknown>,
): Promise<void> {
  await connection.query('INSERT INTO component SET ?, ref = ?, collection_id = ? ON DUPLICATE KEY UPDATE ?', [
    values,
    id,
    collectionId,
    values,
  ]);
  await connection.query('UPDATE site SET revision = revision + 1 WHERE collection_id = ?', [collectionId]);
}

/** A measured one goes back to the tabled figures; one of the keeper's own goes only where no recipe has it. */
export async function removeComponent(
  connection: PoolConnection,
  collectionId: number,
  { ref, tabled }: { ref: string; tabled: boolean },
): Promise<'done' | 'none' | 'in-use'> {
  if (!tabled) {
    const [[used]] = await connection.query<Row<{ n: number }>[]>(
      `SELECT COUNT(*) AS n FROM mix_part mp JOIN mix m ON m.id = mp.mix_id
       WHERE m.collection_id = ? AND mp.component_ref = ?`,
      [collectionId, ref],
    );
    if (used!.n > 0) return 'in-use';
  }
  const [result] = await connection.query<ResultSetHeader>(
    'DELETE FROM component WHERE collection_id = ? AND ref = ?',
    [collectionId, ref],
  );
  if (result.affectedRows === 0) return 'none';
  await connection.query('UPDATE site SET revision = revision + 1 WHERE collection_id = ?', [collectionId]);
  return 'done';
}

/** What each living plant's book says of flowers and pottings. */
export interface PottingBook {
  floweredOn: string | null;
  pottedOn: string | null;
  /** the last pour that was timed, seconds from the surface to the hole */
  poured: { date: string; seconds: number } | null;
  /** its last potting was a rescue */
  rescued: boolean;
  /** when it was last found to fit its pot */
  fitsOn: string | null;
  mixId: number;
  version: number;
}

export async function pottingBooks(pool: Pool, siteId: number): Promise<Map<number, PottingBook>> {
  const [rows] = await pool.query<
    Row<{
      id: number;
      flowered: string | null;
      potted: string | null;
      poured: string | null;
      fits: string | null;
      why: string | null;
      mix_id: number;
      version: number;
    }>[]
  >(
    `SELECT s.open_plant_id AS id, po.from_day AS potted, po.mix_id, p.version,
       (SELECT MAX(j.day) FROM journal j WHERE j.plant_id = s.open_plant_id AND j.type = 'flowering'
         AND j.voided_at IS NULL AND JSON_VALUE(j.detail, '$.stage') IN ('buds', 'open')) AS flowered,
       (SELECT CONCAT(j.day, ' ', JSON_VALUE(j.detail, '$.seconds')) FROM journal j
         WHERE j.plant_id = s.open_plant_id AND j.type = 'drain' AND j.voided_at IS NULL
         ORDER BY j.day DESC, j.id DESC LIMIT 1) AS poured,
       (SELECT MAX(j.day) FROM journal j WHERE j.plant_id = s.open_plant_id AND j.type = 'pot-fits'
         AND j.voided_at IS NULL) AS fits,
       (SELECT JSON_VALUE(j.detail, '$.why') FROM journal j WHERE j.plant_id = s.open_plant_id
         AND j.type = 'repotting' AND j.day = po.from_day AND j.voided_at IS NULL ORDER BY j.id DESC LIMIT 1) AS why
     FROM stay s JOIN place pl ON pl.id = s.place_id JOIN potting po ON po.open_plant_id = s.open_plant_id
       JOIN plant p ON p.id = s.open_plant_id
     WHERE pl.site_id = ?`,
    [siteId],
  );
  return new Map(
    rows.map(({ id, flowered, potted, poured, fits, why, mix_id: mixId, version }) => {
      const [date, seconds] = poured?.split(' ') ?? [];
      return [
        id,
        {
          floweredOn: flowered,
          pottedOn: potted,
          poured: date ? { date, seconds: Number(seconds) } : null,
          rescued: why === 'rescue',
          fitsOn: fits,
          mixId,
          version,
        },
      ];
    }),
  );
}

export interface PottingRow {
  pot: Pot;
  from_day: string;
  to_day: string | null;
  mix: string;
  root_loss: number | null;
  parts: MixPart[];
}

/** Every pot a plant stood in, the first one first, with the days of its drinks. */
export async function potsOf(pool: Pool, plantId: number): Promise<{ pots: PottingRow[]; drinks: string[] }> {
  const [rows] = await pool.query<(PotRow & Omit<PottingRow, 'parts' | 'pot'> & { mix_id: number })[]>(
    `SELECT po.from_day, po.to_day, po.root_loss, po.mix_id, m.name AS mix, ${POT_COLUMNS}
     FROM potting po JOIN mix m ON m.id = po.mix_id WHERE po.plant_id = ? ORDER BY po.from_day, po.id`,
    [plantId],
  );
  const [parts] = await pool.query<Row<{ mix_id: number; component: string; parts: number }>[]>(
    `SELECT DISTINCT mp.mix_id, mp.position, mp.component_ref AS component, mp.parts FROM mix_part mp
       JOIN potting po ON po.mix_id = mp.mix_id WHERE po.plant_id = ? ORDER BY mp.mix_id, mp.position`,
    [plantId],
  );
  const [drinks] = await pool.query<Row<{ day: string }>[]>(
    `SELECT day FROM journal WHERE plant_id = ? AND type = 'watering' AND voided_at IS NULL ORDER BY day`,
    [plantId],
  );
  return {
    pots: rows.map(({ mix_id: mixId, from_day, to_day, root_loss, mix, ...pot }) => ({
      pot: potOf(pot),
      from_day,
      to_day,
      root_loss,
      mix,
      parts: parts
        .filter((part) => part.mix_id === mixId)
        .map(({ component, parts: share }) => ({ component, parts: share })),
    })),
    drinks: drinks.map(({ day }) => day),
  };
}
