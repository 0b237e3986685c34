import type { Pool, Row } from '../database/pool.ts';
import { NEWEST_PICTURE } from '../plants/store.ts';

export interface TableCard {
  id: number;
  number: string;
  name: string;
  site: string;
  place: string;
  place_id: number;
  diameter_mm: number;
  height_mm: number;
  acquired_on: string | null;
  source: string | null;
  quarantine_until: string | null;
  name_sure: string;
  other_names: string | null;
  shape: string;
  top_mm: number;
  depth_mm: number;
  material: string;
  mix: string;
  picture_id: number | null;
}

/** What the table shows of each plant besides its outlook. */
export async function tableCards(pool: Pool): Promise<TableCard[]> {
  const [rows] = await pool.query<Row<TableCard>[]>(
    `SELECT p.id, p.number, p.name, si.name AS site, pl.name AS place, pl.id AS place_id, p.diameter_mm,
       p.height_mm, p.acquired_on, p.source, p.quarantine_until, p.name_sure, p.other_names,
       po.shape, po.top_mm, po.depth_mm, po.material, m.name AS mix,
       ${NEWEST_PICTURE} AS picture_id
     FROM site si JOIN place pl ON pl.site_id = si.id JOIN stay s ON s.place_id = pl.id AND s.to_day IS NULL
     JOIN plant p ON p.id = s.plant_id
     JOIN potting po ON po.open_plant_id = p.id JOIN mix m ON m.id = po.mix_id
     ORDER BY si.walk_order, si.id, pl.walk_order, pl.id, s.walk_order, p.id`,
  );
  return rows;
}
