import type { Pool, Row } from '../database/pool.ts';
import { groupBy } from '../grouping.ts';

/** Since when each plant of a site stands in its pot. */
export async function pottedOn(pool: Pool, siteId: number): Promise<Map<number, string>> {
  const [rows] = await pool.query<Row<{ id: number; day: string }>[]>(
    `SELECT s.open_plant_id AS id, po.from_day AS day FROM stay s JOIN potting po ON po.open_plant_id = s.open_plant_id
       JOIN place pl ON pl.id = s.place_id WHERE pl.site_id = ?`,
    [siteId],
  );
  return new Map(rows.map(({ id, day }) => [id, day]));
}

/** Days on which each plant of a site was seen in flower. */
export async function floweringDays(pool: Pool, siteId: number): Promise<Map<number, string[]>> {
  const [rows] = await pool.query<Row<{ id: number; day: string }>[]>(
    `SELECT j.plant_id AS id, j.day FROM stay s JOIN place pl ON pl.id = s.place_id
       JOIN journal j ON j.plant_id = s.open_plant_id
     WHERE pl.site_id = ? AND j.type = 'flowering' AND j.voided_at IS NULL
       AND JSON_VALUE(j.detail, '$.stage') = 'open' ORDER BY j.plant_id, j.day`,
    [siteId],
  );
  return new Map([...groupBy(rows, ({ id }) => id)].map(([id, some]) => [id, some.map(({ day }) => day)]));
}
