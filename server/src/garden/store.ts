/** A site as the engine wants it: a garden read from the tables. */
import { idFrom } from './refs.ts';
import { POT_COLUMNS, type PotColumns, potOf } from '../plants/potColumns.ts';
import { json } from '../database/json.ts';
import { groupBy } from '../grouping.ts';
import {
  asKept,
  dayNumber,
  REFUSALS,
  stretchSign,
  type Garden,
  type Mix,
  type Normals,
  type OwnComponent,
  type OwnRules,
  type Place,
  type PlaceKind,
  type Plant,
  type PlantEvent,
  type WaterKind,
  type WeatherDay,
} from '@zinc-pail/core';
import type { Pool, Row } from '../database/pool.ts';
import { todayAt } from './clock.ts';

export interface SiteRow {
  id: number;
  collection_id: number;
  name: string;
  latitude_deg: number;
  longitude_deg: number;
  elevation_m: number;
  time_zone: string;
  normals: Normals;
  /** its usual weather comes from the towns around */
  usual_guessed: number;
  revision: number;
  /** the collection's: moves with every change of a plant or its journal */
  pulse: number;
  /** the collection's: moves with every change of a walking order */
  walks: number;
}

/** What the rules of care want to know of a plant besides what the engine does. */
export interface KeptPlant {
  plant: Plant;
  care: { own: OwnRules; placeKind: PlaceKind; arrivedOn: string | null; shelteredOn: string | null };
}

/** The kinds of event that the engine knows; the journal holds others too. */
const ENGINE_EVENTS: PlantEvent['type'][] = [
  'watering',
  'check',
  'weights',
  'sign',
  'repotting',
  'move',
  'feeding',
  'state',
  'changed',
  'verdict',
  'case-step',
  'case-closed',
];
/** Kinds of the journal's own that tell the engine something. */
const TELLING_EVENTS = ['skip', 'firmed', 'sheltered', 'measure'];

/** Sites in walking order; `all`: those that are no longer kept too, as books tell of them. */
export async function sites(pool: Pool, which: 'kept' | 'all' = 'kept'): Promise<SiteRow[]> {
  const [rows] = await pool.query<Row<SiteRow>[]>(
    `SELECT si.id, si.collection_id, si.name, si.latitude_deg, si.longitude_deg, si.elevation_m, si.time_zone,
       si.normals, si.usual_guessed, si.revision, c.pulse, c.walks FROM site si JOIN collection c ON c.id = si.collection_id
     ${which === 'kept' ? 'WHERE si.dropped_on IS NULL' : ''} ORDER BY si.walk_order, si.id`,
  );
  return rows.map((row) => ({ ...row, normals: json<Normals>(row.normals) }));
}

/** Plants changed since a pulse, of whatever site, and where each stands now; null for one that stands nowhere. */
export async function changedSince(
  pool: Pool,
  collectionId: number,
  pulse: number,
): Promise<{ id: number; revision: number; site_id: number | null }[]> {
  const [rows] = await pool.query<Row<{ id: number; revision: number; site_id: number | null }>[]>(
    `SELECT p.id, p.revision, pl.site_id FROM plant p LEFT JOIN stay s ON s.open_plant_id = p.id LEFT
       JOIN place pl ON pl.id = s.place_id WHERE p.collection_id = ? AND p.pulse > ?`,
    [collectionId, pulse],
  );
  return rows;
}

/** A text that is another once any plant of the site, or the site itself, was changed. */
export async function siteStamp(pool: Pool, siteId: number): Promise<string> {
  const [[row]] = await pool.query<Row<{ revision: number; plants: number; revisions: number | null }>[]>(
    `SELECT (SELECT revision FROM site WHERE id = ?) AS revision, COUNT(*) AS plants, SUM(p.revision) AS revisions
       FROM place pl JOIN stay s ON s.place_id = pl.id AND s.to_day IS NULL
     JOIN plant p ON p.id = s.plant_id WHERE pl.site_id = ?`,
    [siteId, siteId],
  );
  return `${row!.revision}/${row!.plants}/${row!.revisions ?? 0}`;
}

/** What each plant's forecast is kept by, in the site's walking order. */
export async function plantRevisions(pool: Pool, siteId: number): Promise<Map<number, number>> {
  const [rows] = await pool.query<Row<{ id: number; revision: number }>[]>(
    `SELECT p.id, p.revision FROM plant p JOIN stay s ON s.open_plant_id = p.id JOIN place pl ON pl.id = s.place_id
       WHERE pl.site_id = ? ORDER BY pl.walk_order, pl.id, s.walk_order, p.id`,
    [siteId],
  );
  return new Map(rows.map((row) => [row.id, row.revision]));
}

/** The kinds of water at hand, the liked ones first. */
export async function watersAtHand(
  pool: Pool,
  collectionId: number,
): Promise<{ kind: WaterKind; saltsMgL: number | null }[]> {
  const [rows] = await pool.query<Row<{ kind: WaterKind; salts_mg_l: number | null }>[]>(
    'SELECT kind, salts_mg_l FROM water_source WHERE collection_id = ? ORDER BY liked_order, id',
    [collectionId],
  );
  return rows.map(({ kind, salts_mg_l }) => ({ kind, saltsMgL: salts_mg_l }));
}

/** How high the sky is hidden at each place that says so. */
export async function obstructions(pool: Pool, siteId: number): Promise<[placeId: string, deg: number][]> {
  const [rows] = await pool.query<Row<{ id: number; obstruction_deg: number }>[]>(
    'SELECT id, obstruction_deg FROM place WHERE site_id = ? AND obstruction_deg IS NOT NULL',
    [siteId],
  );
  return rows.map(({ id, obstruction_deg }) => [String(id), obstruction_deg]);
}

/** A garden without what may be long: its plants come in parts (plantsInParts), and so do its days (weatherInParts). */
export type GardenFrame = Omit<Garden, 'plants' | 'weather'>;

export async function loadGarden(pool: Pool, site: SiteRow): Promise<Garden> {
  const plants: Plant[] = [];
  const rims = new Rims();
  for await (const part of plantsInParts(pool, site.id, [...(await plantRevisions(pool, site.id)).keys()])) {
    rims.add(part);
    for (const { plant } of part) plants.push(plant);
  }
  const weather: WeatherDay[] = [];
  for await (const part of weatherInParts(pool, site)) for (const day of part) weather.push(day);
  return { ...(await loadFrame(pool, site, rims)), weather, plants };
}

/**
 * Everything of a site but its plants and its weather. Read after them, so that it holds each place and mix that they name.
 *
 * @param rims of all its plants
 */
export async function loadFrame(pool: Pool, site: SiteRow, rims: Rims): Promise<GardenFrame> {
  const [places, mixes, components] = await Promise.all([
    loadPlaces(pool, site.id),
    loadMixes(pool, site.collection_id),
    loadComponents(pool, site.collection_id),
  ]);
  return {
    today: todayAt(site.time_zone),
    site: {
      latitude_deg: site.latitude_deg,
      longitude_deg: site.longitude_deg,
      elevation_m: site.elevation_m,
      normals: site.normals,
    },
    places: places.map(({ areaMm2, ...place }) => ({ ...place, full: rims.isFull(place.id, areaMm2) })),
    mixes,
    components,
  };
}

/** So many events are read, and handed on, within some hundredths of a second. */
const EVENTS_A_PART = 3000;
const FIRST_PART = 20;
const LARGEST_PART = 300;

/**
 * The plants of a site with their journals, in its walking order, some at a time: others are answered in between, and the
 * books of a large collection never stand in memory at once.
 *
 * @param ids of its plants, as plantRevisions has them; one that has left it since is left out
 */
export async function* plantsInParts(pool: Pool, siteId: number, ids: readonly number[]): AsyncGenerator<KeptPlant[]> {
  let size = FIRST_PART;
  for (let from = 0; from < ids.length;) {
    const part = await loadPlants(pool, { siteId, plantIds: ids.slice(from, from + size) });
    from += size;
    const events = part.reduce((sum, { plant }) => sum + plant.events.length, 0);
    size = Math.max(1, Math.min(LARGEST_PART, Math.round((size * EVENTS_A_PART) / Math.max(1, events))));
    if (part.length > 0) yield part;
  }
}

/** A forecast of a day that is over, and was never measured, still tells more than the usual if it is no older than this. */
const FORECAST_STANDS_DAYS = 3;

/**
 * The weather as the engine takes it: today counts as a whole day, whoever told it; a forecast of a day since gone stands
 * for it where no record came, unless it was made long before.
 */
export function asKnown(row: WeatherDay, today: string): WeatherDay | null {
  if (row.source === 'observed') return { ...row, issued: null };
  // One of a garden file's own stays as the file has it.
  if (row.date > today || row.issued == null) return row;
  const age = dayNumber(row.date) - dayNumber(row.issued);
  return age <= FORECAST_STANDS_DAYS ? { ...row, source: 'observed', issued: null } : null;
}

/** Some years of them: a record may go back to 1950. */
const DAYS_A_PART = 2000;

/** Its weather as the engine takes it, in the order of days, some years at a time. */
export async function* weatherInParts(pool: Pool, site: SiteRow): AsyncGenerator<WeatherDay[]> {
  const today = todayAt(site.time_zone);
  let after = '0000-01-01';
  for (;;) {
    const [rows] = await pool.query<Row<WeatherDay>[]>(
      `SELECT day AS date, tmin_c, tmax_c, rh_pct, sunshine_h, rain_mm, wind_m_s, source, issued FROM weather_day
         WHERE site_id = ? AND day > ? ORDER BY day LIMIT ${DAYS_A_PART}`,
      [site.id, after],
    );
    yield rows.flatMap((row) => asKnown({ ...row }, today) ?? []);
    if (rows.length < DAYS_A_PART) return;
    after = rows.at(-1)!.date;
  }
}

/** Between round pots in rows so much of a bench stays bare. */
const FILLED = 0.9;

/** What the pots of each place take of it: each the square of its rim. */
export class Rims {
  private readonly mm2 = new Map<string, number>();
  /** of plants */
  count = 0;

  add(plants: readonly KeptPlant[]): void {
    this.count += plants.length;
    for (const { plant } of plants) this.mm2.set(plant.place, (this.mm2.get(plant.place) ?? 0) + plant.pot.top_mm ** 2);
  }

  /** Whether no other pot finds room. Unknown of a bench that nobody measured. */
  isFull(placeId: string, areaMm2: number | null): boolean | null {
    return areaMm2 === null ? null : (this.mm2.get(placeId) ?? 0) >= FILLED * areaMm2;
  }
}

async function loadPlaces(pool: Pool, siteId: number): Promise<(Place & { areaMm2: number | null })[]> {
  const [rows] = await pool.query<
    Row<
      Omit<Place, 'id' | 'lamp' | 'thermometer'> & {
        id: number;
        lamp_ppfd_umol_m2_s: number | null;
        lamp_hours: number | null;
        areaMm2: number | null;
      }
    >[]
  >(
    `SELECT id, name, CAST(width_mm AS DOUBLE) * depth_mm AS areaMm2, kind, aspect_deg, light_fraction, floor_c, vent_c, indoor_c, air, lamp_ppfd_umol_m2_s,
       lamp_hours, rain_counts_mm FROM place WHERE site_id = ? ORDER BY walk_order, id`,
    [siteId],
  );
  const [readings] = await pool.query<
    Row<{ place_id: number; day: string; tmin_c: number; tmax_c: number; rh_pct: number | null }>[]
  >(
    `SELECT r.place_id, r.day, r.tmin_c, r.tmax_c, r.rh_pct FROM thermometer_reading r JOIN place p ON p.id = r.place_id
     WHERE p.site_id = ? ORDER BY r.place_id, r.day`,
    [siteId],
  );
  const byPlace = groupBy(readings, (reading) => reading.place_id);
  return rows.map(({ id, lamp_ppfd_umol_m2_s, lamp_hours, ...row }) => ({
    ...row,
    id: String(id),
    indoor_c: row.indoor_c === null ? null : json<number[]>(row.indoor_c),
    lamp:
      lamp_ppfd_umol_m2_s === null || lamp_hours === null
        ? null
        : { ppfd_umol_m2_s: lamp_ppfd_umol_m2_s, hours: lamp_hours },
    thermometer: (byPlace.get(id) ?? []).map(({ day, tmin_c, tmax_c, rh_pct }) => ({
      date: day,
      tmin_c,
      tmax_c,
      rh_pct,
    })),
  }));
}

/** Of mixes that have parts. */
export async function mixIds(pool: Pool, collectionId: number): Promise<Set<string>> {
  const [rows] = await pool.query<Row<{ id: number }>[]>(
    'SELECT DISTINCT mp.mix_id AS id FROM mix_part mp JOIN mix m ON m.id = mp.mix_id WHERE m.collection_id = ?',
    [collectionId],
  );
  return new Set(rows.map(({ id }) => String(id)));
}

async function loadMixes(pool: Pool, collectionId: number): Promise<Mix[]> {
  const [rows] = await pool.query<Row<{ mix_id: number; component_ref: string; parts: number }>[]>(
    `SELECT mp.mix_id, mp.component_ref, mp.parts FROM mix_part mp JOIN mix m ON m.id = mp.mix_id
     WHERE m.collection_id = ? ORDER BY mp.mix_id, mp.position`,
    [collectionId],
  );
  return [...groupBy(rows, (row) => row.mix_id)].map(([id, parts]) => ({
    id: String(id),
    parts: parts.map(({ component_ref, parts: share }) => ({ component: component_ref, parts: share })),
  }));
}

export async function loadComponents(pool: Pool, collectionId: number): Promise<OwnComponent[]> {
  const [rows] = await pool.query<Row<OwnComponent>[]>(
    `SELECT ref AS id, total_porosity, water_at_10cm, water_air_dry, bulk_density_g_ml, ph FROM component
       WHERE collection_id = ?`,
    [collectionId],
  );
  return rows.map((row) => ({ ...row }));
}

interface PlantRow extends PotColumns {
  id: number;
  ref: string;
  site_id: number;
  name: string;
  taxon: string | null;
  habit: Plant['habit'];
  form: Plant['form'];
  diameter_mm: number;
  height_mm: number;
  dry_rule: Plant['dry_rule'];
  hold_days: number | null;
  store: Plant['store'];
  min_dry_c: number | null;
  min_wet_c: number | null;
  grow_min_c: number | null;
  leafless: number | null;
  place_id: number;
  mix_id: number;
  root_loss: number | null;
  used_to: string | null;
  name_sure: string;
  own_rules: unknown;
  acquired_on: string | null;
  place_kind: PlaceKind;
}

/** These plants, or those of them that stand on a site, with their journals in the order of their days. */
export async function loadPlants(
  pool: Pool,
  { plantIds, siteId }: { plantIds: readonly number[]; siteId?: number },
): Promise<KeptPlant[]> {
  const where = siteId === undefined ? 'p.id IN (?)' : 'p.id IN (?) AND pl.site_id = ?';
  const values = siteId === undefined ? [plantIds] : [plantIds, siteId];
  const from = 'plant p JOIN stay s ON s.open_plant_id = p.id JOIN place pl ON pl.id = s.place_id';
  const [rows] = await pool.query<Row<PlantRow>[]>(
    `SELECT p.id, p.ref, pl.site_id, p.name, p.taxon, p.habit, p.form, p.diameter_mm, p.height_mm, p.dry_rule, p.hold_days, p.store,
       p.min_dry_c, p.min_wet_c,
            p.grow_min_c, p.leafless, s.place_id, po.mix_id, ${POT_COLUMNS}, po.root_loss, p.name_sure, p.used_to, p.own_rules,
            p.acquired_on, pl.kind AS place_kind
     FROM ${from} JOIN potting po ON po.open_plant_id = p.id
     WHERE ${where} ORDER BY pl.walk_order, pl.id, s.walk_order, p.id`,
    values,
  );
  const [events] = await pool.query<Row<{ plant_id: number; day: string; type: string; detail: unknown }>[]>(
    `SELECT j.plant_id, j.day, j.type, j.detail FROM ${from} JOIN journal j ON j.plant_id = p.id
     WHERE ${where} AND j.voided_at IS NULL AND j.type IN (?) ORDER BY j.plant_id, j.day, j.id`,
    [...values, [...ENGINE_EVENTS, ...TELLING_EVENTS]],
  );
  const byPlant = groupBy(events, (event) => event.plant_id);
  return rows.map((row) => {
    const book = byPlant.get(row.id) ?? [];
    return {
      care: {
        own: json<OwnRules>(row.own_rules),
        placeKind: row.place_kind,
        arrivedOn: row.acquired_on,
        shelteredOn: shelteredOn(book),
      },
      plant: plantOf(row, book),
    };
  });
}

function shelteredOn(book: readonly { day: string; type: string; detail: unknown }[]): string | null {
  const last = book.findLast(
    ({ type, detail }) => type === 'sheltered' && json<{ how: string }>(detail).how !== 'left',
  );
  return last?.day ?? null;
}

/**
 * What an entry tells the engine: a drink left out as "still wet" is a look, otherwise a refusal, and whether it firmed up is
 * a sign.
 */
function toldBy(
  type: string,
  date: string,
  detail: Record<string, unknown>,
  stretchFrom: number | undefined,
): PlantEvent | null {
  if (type === 'skip') {
    if (detail.reason === 'still-wet') return { type: 'check', date, finger: 'wet' };
    const reason = REFUSALS.find((one) => one === detail.reason);
    return reason ? { type: 'refused', date, reason } : null;
  }
  if (type === 'sheltered') return null;
  if (type === 'measure')
    return stretchSign(date, Number(detail.internode_low_mm), Number(detail.internode_tip_mm), stretchFrom);
  if (type === 'firmed') return { type: 'sign', date, sign: detail.yes ? 'taut' : 'limp', strength: 1 };
  return { ...detail, type, date } as PlantEvent;
}

function plantOf(row: PlantRow, events: readonly { day: string; type: string; detail: unknown }[]): Plant {
  return {
    id: String(row.id),
    ref: idFrom(row.site_id, row.ref),
    name: row.name,
    taxon: row.taxon ?? row.name,
    ...asKept({ nameSure: row.name_sure, usedTo: row.used_to, own: json<OwnRules>(row.own_rules) }),
    habit: row.habit,
    form: row.form,
    diameter_mm: row.diameter_mm,
    height_mm: row.height_mm,
    dry_rule: row.dry_rule,
    hold_days: row.hold_days,
    store: row.store,
    min_dry_c: row.min_dry_c,
    min_wet_c: row.min_wet_c,
    grow_min_c: row.grow_min_c,
    leafless: row.leafless === null ? null : Boolean(row.leafless),
    root_loss: row.root_loss,
    place: String(row.place_id),
    mix: String(row.mix_id),
    pot: potOf(row),
    events: events.flatMap(
      (event) =>
        toldBy(
          event.type,
          event.day,
          json<Record<string, unknown>>(event.detail),
          json<OwnRules>(row.own_rules).stretchFrom,
        ) ?? [],
    ),
  };
}
