import type { Pool, Row } from '../database/pool.ts';

export interface PlantCard {
  id: number;
  number: string;
  name: string;
  taxon: string | null;
  provenance: string | null;
  diameter_mm: number;
  height_mm: number;
  place_id: number;
}

/** The plants of a site in walking order: what a list shows of them besides their outlooks. */
export async function plantCards(pool: Pool, siteId: number): Promise<PlantCard[]> {
  const [rows] = await pool.query<Row<PlantCard>[]>(
    `SELECT p.id, p.number, p.name, p.taxon, p.provenance, p.diameter_mm, p.height_mm, s.place_id
     FROM plant p JOIN stay s ON s.open_plant_id = p.id JOIN place pl ON pl.id = s.place_id
     WHERE pl.site_id = ? ORDER BY pl.walk_order, pl.id, s.walk_order, p.id`,
    [siteId],
  );
  return rows;
}

export interface PlantHome {
  collection_id: number;
  site_id: number;
  time_zone: string;
}

/** Where a plant belongs, or null where there is no such plant. */
export async function plantHome(pool: Pool, plantId: number): Promise<PlantHome | null> {
  const [[row]] = await pool.query<Row<PlantHome>[]>(
    `SELECT p.collection_id, pl.site_id, si.time_zone FROM plant p JOIN stay s ON s.open_plant_id = p.id
     JOIN place pl ON pl.id = s.place_id JOIN site si ON si.id = pl.site_id WHERE p.id = ?`,
    [plantId],
  );
  return row ?? null;
}

export interface PlantDetail extends PlantCard {
  place_name: string;
  place_kind: string;
  site_id: number;
  site_name: string;
  latitude_deg: number;
  time_zone: string;
  mix_id: number;
  mix_name: string;
  potted_on: string;
}

export async function plantDetail(pool: Pool, plantId: number): Promise<PlantDetail | null> {
  const [[row]] = await pool.query<Row<PlantDetail>[]>(
    `SELECT p.id, p.number, p.name, p.taxon, p.provenance, p.diameter_mm, p.height_mm, s.place_id, pl.name AS place_name, pl.kind AS place_kind,
            si.id AS site_id, si.name AS site_name, si.latitude_deg, si.time_zone, m.id AS mix_id, m.name AS mix_name, po.from_day AS potted_on
     FROM plant p JOIN stay s ON s.open_plant_id = p.id JOIN place pl ON pl.id = s.place_id JOIN site si ON si.id = pl.site_id
     JOIN potting po ON po.open_plant_id = p.id JOIN mix m ON m.id = po.mix_id WHERE p.id = ?`,
    [plantId],
  );
  return row ?? null;
}

export async function mixParts(pool: Pool, mixId: number): Promise<{ component: string; parts: number }[]> {
  const [rows] = await pool.query<Row<{ component: string; parts: number }>[]>(
    'SELECT component_ref AS component, parts FROM mix_part WHERE mix_id = ? ORDER BY position',
    [mixId],
  );
  return rows;
}
