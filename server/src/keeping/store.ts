import type { SavedView, ViewSpec } from '@zinc-pail/contract/keeping';
import type { ResultSetHeader } from 'mysql2';
import type { Pool, PoolConnection, Row } from '../database/pool.ts';
import { json } from '../garden/store.ts';

export interface Kit {
  collection: { id: number; name: string; number_scheme: string; can_ml: number; has_pets: boolean; has_children: boolean };
  sites: { id: number; name: string; latitude_deg: number; time_zone: string }[];
  mixes: { id: number; name: string; parts: { component: string; parts: number }[] }[];
  waters: { id: number; name: string; kind: string; hardness_dh: number | null; salts_mg_l: number | null }[];
  feeds: { id: number; name: string; kind: string; n_pct: number; p_pct: number; k_pct: number; unit: 'ml' | 'g'; per_litre: number }[];
  views: SavedView[];
}

/** Everything that lists of choices are made of; null where there is no collection. */
export async function kit(pool: Pool): Promise<Kit | null> {
  const [[collection]] = await pool.query<Row<Omit<Kit['collection'], 'has_pets' | 'has_children'> & { has_pets: number; has_children: number }>[]>('SELECT id, name, number_scheme, can_ml, has_pets, has_children FROM collection ORDER BY id LIMIT 1');
  if (!collection) return null;
  const [sites] = await pool.query<Row<Kit['sites'][number]>[]>('SELECT id, name, latitude_deg, time_zone FROM site WHERE collection_id = ? ORDER BY walk_order, id', [collection.id]);
  const [mixes] = await pool.query<Row<{ id: number; name: string; component: string; parts: number }>[]>(
    'SELECT m.id, m.name, mp.component_ref AS component, mp.parts FROM mix m JOIN mix_part mp ON mp.mix_id = m.id WHERE m.collection_id = ? ORDER BY m.name, m.id, mp.position', [collection.id],
  );
  const [waters] = await pool.query<Row<Kit['waters'][number]>[]>('SELECT id, name, kind, hardness_dh, salts_mg_l FROM water_source WHERE collection_id = ? ORDER BY liked_order, id', [collection.id]);
  const [feeds] = await pool.query<Row<Kit['feeds'][number]>[]>('SELECT id, name, kind, n_pct, p_pct, k_pct, unit, per_litre FROM feed_product WHERE collection_id = ? ORDER BY id', [collection.id]);
  const [views] = await pool.query<Row<{ id: number; name: string; spec: unknown }>[]>('SELECT id, name, spec FROM saved_view WHERE collection_id = ? ORDER BY name', [collection.id]);
  const byMix = new Map<number, Kit['mixes'][number]>();
  for (const row of mixes) {
    const mix = byMix.get(row.id) ?? { id: row.id, name: row.name, parts: [] };
    mix.parts.push({ component: row.component, parts: row.parts });
    byMix.set(row.id, mix);
  }
  return { collection: { ...collection, has_pets: Boolean(collection.has_pets), has_children: Boolean(collection.has_children) }, sites, mixes: [...byMix.values()], waters, feeds, views: views.map((view) => ({ ...view, spec: json<ViewSpec>(view.spec) })) };
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

export async function changeIn(connection: PoolConnection, list: KitList, id: number, row: Record<string, unknown>): Promise<boolean> {
  const [result] = await connection.query<ResultSetHeader>('UPDATE ?? SET ? WHERE id = ?', [TABLES[list], row, id]);
  return result.affectedRows > 0;
}

export async function removeFrom(connection: PoolConnection, list: KitList, id: number): Promise<boolean> {
  const [result] = await connection.query<ResultSetHeader>('DELETE FROM ?? WHERE id = ?', [TABLES[list], id]);
  return result.affectedRows > 0;
}

export async function changeCollection(connection: PoolConnection, id: number, columns: Record<string, unknown>): Promise<void> {
  await connection.query('UPDATE collection SET ? WHERE id = ?', [columns, id]);
}

/** Waters and feeds decide what every plant is given: all outlooks are made anew. */
export async function touchAllSites(connection: PoolConnection, collection: number): Promise<void> {
  await connection.query('UPDATE site SET revision = revision + 1 WHERE collection_id = ?', [collection]);
}
