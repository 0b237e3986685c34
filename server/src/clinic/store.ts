import type { Patient } from '@zinc-pail/contract/clinic';
import { ANY_PLANT, type Case, casesOf, type PlantEvent, traitsOf } from '@zinc-pail/core';
import { json } from '../database/json.ts';
import type { Pool, Row } from '../database/pool.ts';
import { groupBy } from '../grouping.ts';

/** Who stands where, as the clinic names them. */
export async function patients(pool: Pool, siteId: number): Promise<Patient[]> {
  const [rows] = await pool.query<Row<Patient & { taxon: string | null }>[]>(
    `SELECT p.id, p.number, p.name, p.taxon, p.form, p.diameter_mm, p.height_mm, pl.id AS place_id, pl.name AS place,
       si.name AS site
     FROM place pl JOIN stay s ON s.place_id = pl.id AND s.to_day IS NULL JOIN plant p ON p.id = s.plant_id
       JOIN site si ON si.id = pl.site_id
     WHERE pl.site_id = ? ORDER BY pl.walk_order, pl.id, s.walk_order, p.id`,
    [siteId],
  );
  return rows.map(({ taxon, ...row }) => ({
    ...row,
    form: row.form ?? traitsOf({ name: row.name, taxon }).traits.form,
  }));
}

/** Cases that were closed, of plants that are here and of those that are gone; the newest first. */
export async function closedCases(
  pool: Pool,
  collectionId: number,
  plantId: number | null = null,
): Promise<{ plantId: number; patient: Patient; case: Case }[]> {
  const [rows] = await pool.query<
    Row<Patient & { taxon: string | null; day: string; type: string; detail: unknown }>[]
  >(
    `SELECT p.id, p.number, p.name, p.taxon, p.form, p.diameter_mm, p.height_mm, pl.id AS place_id, pl.name AS place,
       si.name AS site, j.day, j.type, j.detail
     FROM plant p JOIN journal j ON j.plant_id = p.id
       JOIN stay s ON s.id = (SELECT MAX(l.id) FROM stay l WHERE l.plant_id = p.id)
       JOIN place pl ON pl.id = s.place_id JOIN site si ON si.id = pl.site_id
     WHERE p.collection_id = ? AND (? IS NULL OR p.id = ?) AND j.voided_at IS NULL
       AND EXISTS (SELECT 1 FROM journal c WHERE c.plant_id = p.id AND c.type = 'case-closed' AND c.voided_at IS NULL)
       AND j.type IN ('verdict', 'case-step', 'case-closed', 'watering', 'repotting', 'sign', 'check', 'feeding', 'move')
     ORDER BY p.id, j.day, j.id`,
    [collectionId, plantId, plantId],
  );
  const out = [...groupBy(rows, ({ id }) => id).values()].flatMap((book) => {
    const { taxon, day: _day, type: _type, detail: _detail, ...row } = book[0]!;
    const { traits, cautions } = traitsOf({ name: row.name, taxon });
    const events = book.map(({ day, type, detail }) => ({ ...json<object>(detail), type, date: day }) as PlantEvent);
    const patient: Patient = { ...row, form: row.form ?? traits.form };
    return casesOf(events, { ...ANY_PLANT, form: traits.form, store: traits.store, cautions })
      .filter(({ closed }) => closed !== null)
      .map((one) => ({ plantId: row.id, patient, case: one }));
  });
  return out.toSorted((a, b) => (a.case.closed!.on < b.case.closed!.on ? 1 : -1));
}

export interface LookedOver {
  /** the day on which it was last found clean, or guests were found on it */
  day: string | null;
  /** since when it is here, as far as known */
  from: string | null;
}

/** When each plant of a site was last looked over for guests; one never looked over counts from the day it came. */
export async function lookedOver(pool: Pool, siteId: number): Promise<Map<number, LookedOver>> {
  const [rows] = await pool.query<Row<{ plant_id: number } & LookedOver>[]>(
    `SELECT p.id AS plant_id, IFNULL(p.acquired_on, (SELECT MIN(f.day) FROM journal f WHERE f.plant_id = p.id)) AS \`from\`,
       (SELECT MAX(j.day) FROM journal j WHERE j.plant_id = p.id AND j.voided_at IS NULL AND j.type = 'case-step'
         AND JSON_VALUE(j.detail, '$.step') <> 'neighbours'
         AND JSON_VALUE(j.detail, '$.found') IN ('clean', 'guests')) AS day
     FROM place pl JOIN stay s ON s.place_id = pl.id AND s.to_day IS NULL JOIN plant p ON p.id = s.plant_id
     WHERE pl.site_id = ?`,
    [siteId],
  );
  return new Map(rows.map(({ plant_id: id, day, from }) => [id, { day, from }]));
}
