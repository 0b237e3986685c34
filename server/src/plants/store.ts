import { badField, notFound, Refused } from '../http/refusals.ts';
import type { PlantRecord } from '@zinc-pail/contract/api';
import type { PlantChange } from '@zinc-pail/contract/keeping';
import { RECORD_FIELDS } from '@zinc-pail/contract/plantFields';
import type { OwnRules, PlaceKind, Pot, Told } from '@zinc-pail/core';
import { json } from '../database/json.ts';
import { openHardening } from '../hardening/store.ts';
import { lockBooks, touchPlants } from '../journal/store.ts';
import { POT_COLUMNS, potOf, type PotRow } from './potColumns.ts';
import { refuseCrossed } from './warmth.ts';
import type { Pool, PoolConnection, Row } from '../database/pool.ts';

export interface PlantCard {
  id: number;
  number: string;
  name: string;
  taxon: string | null;
  provenance: string | null;
  diameter_mm: number;
  height_mm: number;
  place_id: number;
  site_id: number;
  revision: number;
  quarantine_until: string | null;
  own_words: string | null;
  picture_id: number | null;
}

/** The id of the newest picture of plant `p`. */
export const NEWEST_PICTURE = `(SELECT i.id FROM picture i WHERE i.plant_id = p.id AND i.removed_at IS NULL
     ORDER BY i.day DESC, i.id DESC LIMIT 1)`;

const CARD = `p.id, p.number, p.name, p.taxon, p.provenance, p.diameter_mm, p.height_mm, p.revision,
   p.quarantine_until, p.own_words, s.place_id, pl.site_id,
   ${NEWEST_PICTURE} AS picture_id
     FROM place pl JOIN stay s ON s.place_id = pl.id AND s.to_day IS NULL JOIN plant p ON p.id = s.plant_id`;

/** The plants of a site in walking order: what a list shows of them besides their outlooks. */
export async function plantCards(pool: Pool, siteId: number): Promise<PlantCard[]> {
  const [rows] = await pool.query<Row<PlantCard>[]>(
    `SELECT ${CARD} WHERE pl.site_id = ? ORDER BY pl.walk_order, pl.id, s.walk_order, p.id`,
    [siteId],
  );
  return rows;
}

/** The plants of one place in walking order. */
export async function cardsAt(pool: Pool, placeId: number): Promise<PlantCard[]> {
  const [rows] = await pool.query<Row<PlantCard>[]>(`SELECT ${CARD} WHERE pl.id = ? ORDER BY s.walk_order, p.id`, [
    placeId,
  ]);
  return rows;
}

export async function cardsById(pool: Pool | PoolConnection, plantIds: readonly number[]): Promise<PlantCard[]> {
  if (plantIds.length === 0) return [];
  const [rows] = await pool.query<Row<PlantCard>[]>(
    `SELECT ${CARD} WHERE p.id IN (?) ORDER BY pl.walk_order, pl.id, s.walk_order, p.id`,
    [plantIds],
  );
  return rows;
}

export interface PlantHome {
  acquired_on: string | null;
  collection_id: number;
  site_id: number;
  time_zone: string;
  place_id: number;
  place_kind: PlaceKind;
  version: number;
  /** what the keeper's can holds */
  can_ml: number;
  mix: { component: string; parts: number }[];
}

/** Where plants stand, by their ids; those that have ended stand nowhere. */
export async function plantHomes(
  pool: Pool | PoolConnection,
  plantIds: readonly number[],
): Promise<Map<number, PlantHome>> {
  const [rows] = await pool.query<Row<Omit<PlantHome, 'mix'> & { id: number; mix: unknown }>[]>(
    `SELECT p.id, p.collection_id, p.version, p.acquired_on, pl.site_id, pl.id AS place_id, pl.kind AS place_kind,
       si.time_zone, co.can_ml,
            (SELECT JSON_ARRAYAGG(JSON_OBJECT('component', mp.component_ref, 'parts', mp.parts)) FROM mix_part mp
            WHERE mp.mix_id = po.mix_id) AS mix
     FROM plant p JOIN stay s ON s.open_plant_id = p.id JOIN potting po ON po.open_plant_id = p.id
     JOIN place pl ON pl.id = s.place_id JOIN site si ON si.id = pl.site_id
     JOIN collection co ON co.id = p.collection_id WHERE p.id IN (?)`,
    [plantIds.length > 0 ? plantIds : [0]],
  );
  return new Map(rows.map((row) => [row.id, { ...row, mix: json<PlantHome['mix'] | null>(row.mix) ?? [] }]));
}

export interface PlantDetail extends Omit<PlantCard, 'site_id' | 'own_words' | 'quarantine_until'> {
  collection_id: number;
  version: number;
  place_name: string;
  place_kind: PlaceKind;
  site_id: number;
  site_name: string;
  latitude_deg: number;
  time_zone: string;
  mix_id: number;
  mix_name: string;
  potted_on: string;
  ended: 'died' | 'given' | null;
}

/** A plant, where it stands or last stood; null where there is none. */
export async function plantDetail(pool: Pool, plantId: number): Promise<PlantDetail | null> {
  const [[row]] = await pool.query<Row<PlantDetail>[]>(
    `SELECT p.id, p.collection_id, p.number, p.name, p.taxon, p.provenance, p.diameter_mm, p.height_mm, p.revision,
       p.version, s.place_id, pl.name AS place_name, pl.kind AS place_kind,
            si.id AS site_id, si.name AS site_name, si.latitude_deg, si.time_zone, m.id AS mix_id, m.name AS mix_name,
            po.from_day AS potted_on, p.ended
     FROM plant p JOIN stay s ON s.id = (SELECT MAX(last.id) FROM stay last WHERE last.plant_id = p.id)
     JOIN place pl ON pl.id = s.place_id JOIN site si ON si.id = pl.site_id
     JOIN potting po ON po.open_plant_id = p.id JOIN mix m ON m.id = po.mix_id WHERE p.id = ?`,
    [plantId],
  );
  return row ?? null;
}

/**
 * A plant that lives.
 *
 * @throws Refused where there is none, or it died or was given away
 */
export async function livingPlant(pool: Pool, plantId: number): Promise<PlantDetail> {
  const row = await plantDetail(pool, plantId);
  if (!row) throw notFound('plant');
  if (row.ended !== null)
    throw new Refused(
      'ended',
      `This plant has ${row.ended === 'died' ? 'died' : 'been given away'}; its story can be read.`,
    );
  return row;
}

/** Whether a plant is another, or comes from it through however many mothers. */
export async function descends(pool: Pool, plantId: number, from: number): Promise<boolean> {
  const [[row]] = await pool.query<Row<{ found: number }>[]>(
    `WITH RECURSIVE line (id) AS (
       SELECT ? UNION SELECT p.mother_id FROM plant p JOIN line ON p.id = line.id WHERE p.mother_id IS NOT NULL
     ) SELECT COUNT(*) AS found FROM line WHERE id = ?`,
    [plantId, from],
  );
  return row!.found > 0;
}

/**
 * @param pointer of the list in the body
 * @throws Refused at the first id that is no living plant's
 */
export async function refuseUnknownPlants(
  pool: Pool,
  pointer: string,
  plantIds: readonly number[],
  which: 'living' | 'all' = 'living',
): Promise<void> {
  const [rows] = await pool.query<Row<{ id: number }>[]>(
    `SELECT id FROM plant WHERE ${which === 'living' ? 'ended IS NULL AND' : ''} id IN (?)`,
    [plantIds.length > 0 ? plantIds : [0]],
  );
  const known = new Set(rows.map(({ id }) => id));
  const at = plantIds.findIndex((id) => !known.has(id));
  if (at >= 0)
    throw badField(`${pointer}/${at}`, plantIds[at], `the id of a ${which === 'living' ? 'living plant' : 'plant'}`);
}

type RecordRow = Omit<
  PlantRecord,
  'mother' | 'offspring' | 'pictures' | 'hardening' | 'doubt' | 'genus' | 'slow' | 'poisonous' | 'clashes'
> & { mother_id: number | null; own_reasons: unknown };

/** What is written of a plant besides its pot and journal. */
export async function plantRecord(
  pool: Pool,
  plantId: number,
): Promise<
  Omit<PlantRecord, 'doubt' | 'genus' | 'slow' | 'poisonous' | 'clashes'> & { reasons: Record<string, string> }
> {
  const [[row]] = await pool.query<Row<RecordRow>[]>(
    `SELECT ${RECORD_FIELDS.join(', ')}, ended, ended_on, ended_why, mother_id, own_reasons FROM plant WHERE id = ?`,
    [plantId],
  );
  const { mother_id: motherId, own_reasons: reasons, ...rest } = row!;
  const [kin] = await pool.query<Row<{ id: number; name: string; number: string; ended: string | null }>[]>(
    'SELECT id, name, number, ended FROM plant WHERE id = ? OR mother_id = ? ORDER BY id',
    [motherId ?? 0, plantId],
  );
  const [pictures] = await pool.query<Row<PlantRecord['pictures'][number]>[]>(
    `SELECT id, day, caption, width_px, height_px FROM picture WHERE plant_id = ? AND removed_at IS NULL
       ORDER BY day DESC, id DESC LIMIT 500`,
    [plantId],
  );
  const mother = kin.find(({ id }) => id === motherId);
  return {
    ...rest,
    mother: mother ? { id: mother.id, name: mother.name, number: mother.number } : null,
    offspring: kin.filter(({ id }) => id !== motherId),
    pictures,
    hardening: await openHardening(pool, plantId),
    reasons: json<Record<string, string>>(reasons),
  };
}

export async function mixParts(pool: Pool, mixId: number): Promise<{ component: string; parts: number }[]> {
  const [rows] = await pool.query<Row<{ component: string; parts: number }>[]>(
    'SELECT component_ref AS component, parts FROM mix_part WHERE mix_id = ? ORDER BY position',
    [mixId],
  );
  // A component that came with a garden file stands behind its site's number.
  return rows.map((row) => ({ ...row, component: row.component.replace(/^\d+\//, '') }));
}

/** The present pot of a plant. */
export async function pottingOf(pool: Pool, plantId: number): Promise<Pot | null> {
  const [[row]] = await pool.query<PotRow[]>(`SELECT ${POT_COLUMNS} FROM potting po WHERE po.open_plant_id = ?`, [
    plantId,
  ]);
  return row ? potOf(row) : null;
}

export async function homeOfPlace(
  pool: Pool,
  placeId: number,
): Promise<{ collection_id: number; site_id: number; time_zone: string } | null> {
  const [[row]] = await pool.query<Row<{ collection_id: number; site_id: number; time_zone: string }>[]>(
    `SELECT pl.collection_id, pl.site_id, si.time_zone FROM place pl JOIN site si ON si.id = pl.site_id
       WHERE pl.id = ?`,
    [placeId],
  );
  return row ?? null;
}

export async function idsByRef(connection: PoolConnection, collectionId: number, clientId: string): Promise<number[]> {
  const [rows] = await connection.query<Row<{ id: number }>[]>(
    'SELECT id FROM plant WHERE collection_id = ? AND (ref = ? OR ref LIKE ?) ORDER BY id',
    [collectionId, clientId, `${clientId}-%`],
  );
  return rows.map((row) => row.id);
}

/** The day each plant came on; those that never stood anywhere left out. */
export async function cameOn(pool: Pool, plantIds: readonly number[]): Promise<Map<number, string>> {
  const [rows] = await pool.query<Row<{ plant_id: number; day: string }>[]>(
    'SELECT plant_id, MIN(from_day) AS day FROM stay WHERE plant_id IN (?) GROUP BY plant_id',
    [plantIds],
  );
  return new Map(rows.map(({ plant_id: id, day }) => [id, day]));
}

/** The time zones that plants stand in. */
export async function zonesOf(pool: Pool, plantIds: readonly number[]): Promise<string[]> {
  const [rows] = await pool.query<Row<{ time_zone: string }>[]>(
    `SELECT DISTINCT si.time_zone FROM stay s JOIN place pl ON pl.id = s.place_id JOIN site si ON si.id = pl.site_id
       WHERE s.open_plant_id IN (?)`,
    [plantIds],
  );
  return rows.map(({ time_zone: zone }) => zone);
}

/**
 * Changes a plant from the version that the keeper saw; the present columns where it is another by now. A rule of null
 * is put back.
 *
 * @param version null: whatever there is now, since nobody looked at each of many
 */
export async function changePlant(
  connection: PoolConnection,
  {
    plantId,
    version,
    columns,
    rules,
    reasons,
  }: { plantId: number; version: number; columns: Record<string, unknown> } & Required<
    Pick<PlantChange, 'rules' | 'reasons'>
  >,
): Promise<'done' | 'none' | Record<string, unknown>> {
  await lockBooks(connection);
  const [[row]] = await connection.query<Row<RuledRow>[]>('SELECT * FROM plant WHERE id = ? FOR UPDATE', [plantId]);
  if (!row) return 'none';
  if (row.version !== version) return row;
  await refuseUnknownFeed(connection, row.collection_id, rules);
  const ruled = withRules(row, rules, reasons);
  if (Object.keys({ ...columns, ...rules }).some((name) => OF_WARMTH.has(name)))
    refuseCrossed({ ...row, ...columns } as unknown as Told, ruled.own as OwnRules);
  await connection.query('UPDATE plant SET ?, version = version + 1 WHERE id = ?', [
    { ...columns, ...columnsOf(ruled) },
    plantId,
  ]);
  await touchPlants(connection, [plantId]);
  return 'done';
}

/**
 * Sets rules of care of many plants, whatever they are now, since nobody looked at each. Plants that come to the same are
 * written together: all books wait meanwhile.
 *
 * @throws Refused with the place of a plant that is not there, or whose temperatures would cross
 */
export async function ruleMany(
  connection: PoolConnection,
  plantIds: readonly number[],
  rules: PlantChange['rules'] & object,
): Promise<void> {
  await lockBooks(connection);
  const [rows] = await connection.query<Row<RuledRow>[]>('SELECT * FROM plant WHERE id IN (?) FOR UPDATE', [plantIds]);
  const there = new Map(rows.map((row) => [row.id, row]));
  const missing = plantIds.findIndex((id) => !there.has(id));
  if (missing >= 0) throw badField(`/plant_ids/${missing}`, plantIds[missing], 'the id of a plant');
  const ofWarmth = Object.keys(rules).some((name) => OF_WARMTH.has(name));
  const alike = new Map<string, { columns: object; ids: number[] }>();
  for (const collectionId of new Set(rows.map((row) => row.collection_id)))
    await refuseUnknownFeed(connection, collectionId, rules);
  for (const row of rows) {
    const ruled = withRules(row, rules, {});
    if (ofWarmth) refuseCrossed(row as unknown as Told, ruled.own as OwnRules);
    const columns = columnsOf(ruled);
    const key = JSON.stringify(columns);
    const group = alike.get(key) ?? { columns, ids: [] };
    group.ids.push(row.id);
    alike.set(key, group);
  }
  for (const { columns, ids } of alike.values())
    await connection.query('UPDATE plant SET ?, version = version + 1 WHERE id IN (?)', [columns, ids]);
  await touchPlants(connection, plantIds);
}

type RuledRow = Record<string, unknown> & {
  id: number;
  collection_id: number;
  version: number;
  own_rules: unknown;
  own_reasons: unknown;
};

function withRules(
  row: RuledRow,
  rules: Record<string, unknown>,
  reasons: Record<string, string>,
): { own: Record<string, unknown>; why: Record<string, string> } {
  const own = { ...json<Record<string, unknown>>(row.own_rules) };
  const why = { ...json<Record<string, string>>(row.own_reasons) };
  for (const [rule, value] of Object.entries(rules)) {
    if (value === null) {
      delete own[rule];
      delete why[rule];
    } else own[rule] = value;
  }
  for (const [rule, words] of Object.entries(reasons)) {
    if (words === '') delete why[rule];
    else why[rule] = words;
  }
  return { own, why };
}

const columnsOf = ({ own, why }: ReturnType<typeof withRules>) => ({
  own_rules: JSON.stringify(own),
  own_reasons: JSON.stringify(why),
});

async function refuseUnknownFeed(
  connection: PoolConnection,
  collectionId: number,
  { feedId }: { feedId?: number | null },
): Promise<void> {
  if (feedId == null) return;
  const [rows] = await connection.query<Row<{ id: number }>[]>(
    'SELECT id FROM feed_product WHERE id = ? AND collection_id = ?',
    [feedId, collectionId],
  );
  if (rows.length === 0) throw badField('/rules/feedId', feedId, 'the id of one of your feeds');
}

const OF_WARMTH = new Set(['min_dry_c', 'min_wet_c', 'idealFromC', 'idealToC', 'ceilingC']);

/** Sets a plant apart for so many days from one; a longer time that its keeper chose stays. */
export async function setApart(connection: PoolConnection, plantId: number, from: string, days: number): Promise<void> {
  await connection.query(
    `UPDATE plant SET quarantine_until = GREATEST(COALESCE(quarantine_until, ?), ? + INTERVAL ? DAY),
       version = version + 1 WHERE id = ?`,
    [from, from, days, plantId],
  );
}

/** The nights before a day at a place: what its thermometer read, if it was read, and the open air's. */
export async function nightsAt(
  pool: Pool,
  placeId: number,
  siteId: number,
  until: string,
  days: number,
): Promise<{ date: string; readC: number | null; outsideC: number }[]> {
  const [rows] = await pool.query<Row<{ date: string; readC: number | null; outsideC: number }>[]>(
    `SELECT w.day AS date, r.tmin_c AS readC, w.tmin_c AS outsideC FROM weather_day w
       LEFT JOIN thermometer_reading r ON r.place_id = ? AND r.day = w.day
     WHERE w.site_id = ? AND w.day BETWEEN ? - INTERVAL ? DAY AND ? ORDER BY w.day`,
    [placeId, siteId, until, days, until],
  );
  return rows;
}
