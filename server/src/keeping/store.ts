import { UNKNOWN_MIX } from '@zinc-pail/contract/unknownMix';
import type { Kit, ViewSpec } from '@zinc-pail/contract/keeping';
import type { ResultSetHeader } from 'mysql2';
import type { Pool, PoolConnection, Row } from '../database/pool.ts';
import { json } from '../database/json.ts';
import { guessedFrom } from '../sites/usual.ts';

/** Everything that lists of choices are made of; null where there is no collection. */
export async function kit(pool: Pool): Promise<Kit | null> {
  const [[collection]] = await pool.query<
    Row<Omit<Kit['collection'], 'has_pets' | 'has_children'> & { has_pets: number; has_children: number }>[]
  >(
    'SELECT id, name, number_scheme, can_ml, has_pets, has_children, scoop_ml, currency, pots_a_weekend, reach_url FROM collection ORDER BY id LIMIT 1',
  );
  if (!collection) return null;
  const [sites] = await pool.query<Row<Omit<Kit['sites'][number], 'usual_from'> & { usual_guessed: number }>[]>(
    `SELECT id, version, name, latitude_deg, longitude_deg, elevation_m, time_zone, usual_guessed FROM site
       WHERE collection_id = ? AND dropped_on IS NULL ORDER BY walk_order, id`,
    [collection.id],
  );
  const [mixes] = await pool.query<
    Row<{ id: number; name: string; for_what: string | null; component: string; parts: number }>[]
  >(
    `SELECT m.id, m.name, m.for_what, mp.component_ref AS component, mp.parts FROM mix m JOIN mix_part mp ON mp.mix_id = m.id
       WHERE m.collection_id = ? ORDER BY m.name, m.id, mp.position`,
    [collection.id],
  );
  const [waters] = await pool.query<Row<Kit['waters'][number]>[]>(
    'SELECT id, name, kind, hardness_dh, salts_mg_l FROM water_source WHERE collection_id = ? ORDER BY liked_order, id',
    [collection.id],
  );
  const [feeds] = await pool.query<Row<Kit['feeds'][number]>[]>(
    'SELECT id, name, kind, n_pct, p_pct, k_pct, unit, per_litre FROM feed_product WHERE collection_id = ? ORDER BY id',
    [collection.id],
  );
  const [views] = await pool.query<Row<{ id: number; name: string; spec: unknown }>[]>(
    'SELECT id, name, spec FROM saved_view WHERE collection_id = ? ORDER BY name',
    [collection.id],
  );
  const byMix = new Map<number, Kit['mixes'][number]>();
  for (const row of mixes) {
    const mix = byMix.get(row.id) ?? { id: row.id, name: row.name, for_what: row.for_what, parts: [] };
    mix.parts.push({ component: row.component, parts: row.parts });
    byMix.set(row.id, mix);
  }
  return {
    collection: {
      ...collection,
      has_pets: Boolean(collection.has_pets),
      has_children: Boolean(collection.has_children),
    },
    sites: sites.map(({ usual_guessed: guessed, ...site }) => ({
      ...site,
      usual_from: guessed ? guessedFrom(site) : null,
    })),
    mixes: [...byMix.values()],
    waters,
    feeds,
    views: views.map((view) => ({ ...view, spec: json<ViewSpec>(view.spec) })),
  };
}

const TABLES = { waters: 'water_source', feeds: 'feed_product', views: 'saved_view' } as const;
export type KitList = keyof typeof TABLES;

export async function collectionId(connection: PoolConnection): Promise<number | null> {
  const [[row]] = await connection.query<Row<{ id: number }>[]>('SELECT id FROM collection ORDER BY id LIMIT 1');
  return row?.id ?? null;
}

export async function addTo(connection: PoolConnection, list: KitList, row: Record<string, unknown>): Promise<number> {
  const [made] = await connection.query<ResultSetHeader>('INSERT INTO ?? SET ?', [TABLES[list], row]);
  return made.insertId;
}

export async function changeIn(
  connection: PoolConnection,
  list: KitList,
  id: number,
  row: Record<string, unknown>,
): Promise<boolean> {
  const [result] = await connection.query<ResultSetHeader>('UPDATE ?? SET ? WHERE id = ?', [TABLES[list], row, id]);
  return result.affectedRows > 0;
}

export async function removeFrom(connection: PoolConnection, list: KitList, id: number): Promise<boolean> {
  const [result] = await connection.query<ResultSetHeader>('DELETE FROM ?? WHERE id = ?', [TABLES[list], id]);
  return result.affectedRows > 0;
}

export async function changeCollection(
  connection: PoolConnection,
  id: number,
  columns: Record<string, unknown>,
): Promise<void> {
  await connection.query('UPDATE collection SET ? WHERE id = ?', [columns, id]);
}

/** Waters and feeds decide what every plant is given: all outlooks are made anew. */
export async function touchAllSites(connection: PoolConnection, collection: number): Promise<void> {
  await connection.query('UPDATE site SET revision = revision + 1 WHERE collection_id = ?', [collection]);
}

/** What a keeper may begin with: each part is a built-in component. */
const FIRST_MIXES: readonly { name: string; parts: readonly (readonly [component: string, parts: number])[] }[] = [
  {
    name: 'Gritty mineral mix',
    parts: [
      ['pumice', 4],
      ['granite-grit', 2],
      ['loam', 2],
    ],
  },
  {
    name: 'Cactus soil and pumice',
    parts: [
      ['cactus-soil', 2],
      ['pumice', 1],
    ],
  },
  {
    name: 'All mineral',
    parts: [
      ['pumice', 5],
      ['lava', 3],
      ['zeolite', 1],
    ],
  },
  {
    name: 'Bark mix',
    parts: [
      ['bark-fine', 3],
      ['coir', 2],
      ['perlite', 1],
    ],
  },
  { name: UNKNOWN_MIX.name, parts: UNKNOWN_MIX.parts.map(({ component, parts }) => [component, parts] as const) },
];

/** A collection and a few mixes, where a database has none yet. */
export async function ensureCollection(connection: PoolConnection): Promise<void> {
  if ((await collectionId(connection)) !== null) return;
  const [made] = await connection.query<ResultSetHeader>('INSERT INTO collection (name) VALUES (?)', ['My plants']);
  for (const mix of FIRST_MIXES) {
    const [added] = await connection.query<ResultSetHeader>(
      'INSERT INTO mix (collection_id, ref, name) VALUES (?, UUID(), ?)',
      [made.insertId, mix.name],
    );
    await connection.query('INSERT INTO mix_part (mix_id, position, component_ref, parts) VALUES ?', [
      mix.parts.map(([component, parts], i) => [added.insertId, i, component, parts]),
    ]);
  }
}
