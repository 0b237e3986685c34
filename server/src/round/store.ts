import type { Pool, Row } from '../database/pool.ts';

export interface PlaceRow {
  id: number;
  name: string;
  kind: string;
}

/** The benches of a site in walking order. */
export async function placeRows(pool: Pool, siteId: number): Promise<PlaceRow[]> {
  const [rows] = await pool.query<Row<PlaceRow>[]>('SELECT id, name, kind FROM place WHERE site_id = ? ORDER BY walk_order, id', [siteId]);
  return rows;
}
