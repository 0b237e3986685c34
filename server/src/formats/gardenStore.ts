/** A garden file into the tables and out of them again. */
import { alike } from '../plants/numbering.ts';
import { type Garden, type Mix, type OwnComponent, type OwnRules, type Plant, type PlantEvent } from '@zinc-pail/core';
import { randomUUID } from 'node:crypto';
import type { ResultSetHeader } from 'mysql2';
import type { Pool, PoolConnection, Row } from '../database/pool.ts';
import { json } from '../database/json.ts';
import { idFrom, refIn } from '../garden/refs.ts';
import { inTurns, jsonText, mapped } from '../inTurns.ts';
import { loadGarden, type SiteRow, siteStamp } from '../garden/store.ts';
import { placeColumns } from '../places/store.ts';
import { plantColumns, pottingColumns } from '../plants/takingInStore.ts';

const ROWS_AT_ONCE = 500;

async function insertMany(
  connection: PoolConnection,
  table: string,
  columns: string[],
  rows: unknown[][],
): Promise<void> {
  for (let from = 0; from < rows.length; from += ROWS_AT_ONCE)
    await connection.query('INSERT INTO ?? (??) VALUES ?', [table, columns, rows.slice(from, from + ROWS_AT_ONCE)]);
}

async function insert(connection: PoolConnection, table: string, row: Record<string, unknown>): Promise<number> {
  const [result] = await connection.query<ResultSetHeader>('INSERT INTO ?? SET ?', [table, row]);
  return result.insertId;
}

/** A place that the file names and does not hold. */
const STRANGE = '?';

export interface GardenImport {
  name: string;
  timeZone: string;
  by: string;
}

/** The time zone that a longitude suggests: whole hours from Greenwich. */
export function zoneOf(longitudeDeg: number): string {
  const hours = Math.round(longitudeDeg / 15);
  // The names of these zones count westward.
  return hours === 0 ? 'Etc/GMT' : `Etc/GMT${hours > 0 ? '-' : '+'}${Math.abs(hours)}`;
}

/** Writes a sound garden as a new site of the collection; makes the collection where there is none. */
export async function importGarden(
  connection: PoolConnection,
  garden: Garden,
  { name, timeZone, by }: GardenImport,
): Promise<{ siteId: number; plantIds: number[] }> {
  const [[existing]] = await connection.query<Row<{ id: number }>[]>(
    'SELECT id FROM collection ORDER BY id LIMIT 1 FOR UPDATE',
  );
  const collectionId = existing?.id ?? (await insert(connection, 'collection', { name }));
  const siteId = await insertSite(connection, collectionId, garden, { name, timeZone });
  const writer = new GardenWriter(connection, garden, { collectionId, siteId, by });
  await writer.components();
  await writer.mixes();
  await writer.places();
  return { siteId, plantIds: await writer.plants() };
}

async function insertSite(
  connection: PoolConnection,
  collectionId: number,
  { site, weather }: Garden,
  { name, timeZone }: Pick<GardenImport, 'name' | 'timeZone'>,
): Promise<number> {
  const [[order]] = await connection.query<Row<{ last: number | null }>[]>(
    'SELECT MAX(walk_order) AS last FROM site WHERE collection_id = ?',
    [collectionId],
  );
  const siteId = await insert(connection, 'site', {
    collection_id: collectionId,
    name,
    walk_order: (order!.last ?? -1) + 1,
    latitude_deg: site.latitude_deg,
    longitude_deg: site.longitude_deg,
    elevation_m: site.elevation_m,
    time_zone: timeZone,
    normals: JSON.stringify(site.normals),
  });
  const columns = ['tmin_c', 'tmax_c', 'rh_pct', 'sunshine_h', 'rain_mm', 'wind_m_s', 'source', 'issued'] as const;
  await insertMany(
    connection,
    'weather_day',
    ['site_id', 'day', ...columns],
    weather.map((day) => [siteId, day.date, ...columns.map((column) => day[column] ?? null)]),
  );
  return siteId;
}

/** Writes the parts of a garden one after the other; each needs the ids of those before. */
class GardenWriter {
  private readonly mixIds = new Map<string, number>();
  private readonly placeIds = new Map<string, number>();

  constructor(
    private readonly connection: PoolConnection,
    private readonly garden: Garden,
    private readonly to: { collectionId: number; siteId: number; by: string },
  ) {}

  private ref(id: string): string {
    return refIn(this.to.siteId, id);
  }

  async components(): Promise<void> {
    const { collectionId } = this.to;
    await insertMany(
      this.connection,
      'component',
      ['collection_id', 'ref', 'total_porosity', 'water_at_10cm', 'water_air_dry', 'bulk_density_g_ml', 'ph'],
      (this.garden.components ?? []).map((c) => [
        collectionId,
        this.ref(c.id),
        c.total_porosity,
        c.water_at_10cm,
        c.water_air_dry,
        c.bulk_density_g_ml,
        c.ph ?? null,
      ]),
    );
  }

  async mixes(): Promise<void> {
    const own = new Set((this.garden.components ?? []).map((component) => component.id));
    for (const mix of this.garden.mixes) {
      const row = { collection_id: this.to.collectionId, ref: this.ref(mix.id), name: mix.name ?? mix.id };
      const id = await insert(this.connection, 'mix', row);
      this.mixIds.set(mix.id, id);
      await insertMany(
        this.connection,
        'mix_part',
        ['mix_id', 'position', 'component_ref', 'parts'],
        mix.parts.map(({ component, parts }, i) => [
          id,
          i,
          own.has(component) ? this.ref(component) : component,
          parts,
        ]),
      );
    }
  }

  async places(): Promise<void> {
    for (const [i, place] of this.garden.places.entries()) {
      const { id: ref, thermometer = [], name, full: _full, ...fields } = place;
      const id = await insert(this.connection, 'place', {
        collection_id: this.to.collectionId,
        site_id: this.to.siteId,
        ref: this.ref(ref),
        name: name ?? ref,
        walk_order: i,
        ...placeColumns(fields),
      });
      this.placeIds.set(ref, id);
      await insertMany(
        this.connection,
        'thermometer_reading',
        ['place_id', 'day', 'tmin_c', 'tmax_c', 'rh_pct'],
        (thermometer ?? []).map((r) => [id, r.date, r.tmin_c, r.tmax_c, r.rh_pct ?? null]),
      );
    }
  }

  async plants(): Promise<number[]> {
    const [taken] = await this.connection.query<Row<{ number: string }>[]>(
      'SELECT number FROM plant WHERE collection_id = ?',
      [this.to.collectionId],
    );
    const numbers = new Set(taken.map((row) => alike(row.number)));
    const [fed] = await this.connection.query<Row<{ id: number }>[]>(
      'SELECT id FROM feed_product WHERE collection_id = ?',
      [this.to.collectionId],
    );
    const feeds = new Set(fed.map(({ id }) => id));
    const plantIds: number[] = [];
    for (const [i, plant] of this.garden.plants.entries()) {
      const id = await insert(this.connection, 'plant', {
        ...plantColumns(plant),
        collection_id: this.to.collectionId,
        ref: this.ref(plant.id),
        number: freeNumber(plant.id, this.to.siteId, i, numbers),
        name: plant.name ?? plant.taxon ?? plant.id,
        named: plant.name != null,
        ...recordColumns(plant, feeds),
      });
      plantIds.push(id);
      await this.potting(id, plant);
      await this.stays(id, plant, i);
      await this.journal(id, plant.events);
    }
    return plantIds;
  }

  private async potting(plantId: number, { pot, mix, events, root_loss: rootLoss }: Plant): Promise<void> {
    const repotted = events.findLast((event) => event.type === 'repotting')?.date;
    await insert(this.connection, 'potting', {
      plant_id: plantId,
      from_day: repotted ?? this.firstDay(events),
      root_loss: rootLoss ?? null,
      ...pottingColumns(this.mixIds.get(mix)!, pot),
    });
  }

  /** Where it stood before each move, as far as the file knows that place, and where it stands. */
  private async stays(plantId: number, { place, events }: Plant, order: number): Promise<void> {
    let from = this.firstDay(events);
    for (const event of events) {
      if (event.type !== 'move') continue;
      const left = event.from ? this.placeIds.get(event.from) : undefined;
      if (left !== undefined) {
        const stay = { plant_id: plantId, place_id: left, from_day: from, to_day: event.date };
        await insert(this.connection, 'stay', stay);
      }
      from = event.date;
    }
    const open = { plant_id: plantId, place_id: this.placeIds.get(place)!, from_day: from, walk_order: order };
    await insert(this.connection, 'stay', open);
  }

  private async journal(plantId: number, events: readonly PlantEvent[]): Promise<void> {
    const { collectionId, by } = this.to;
    const rows = events.map((event) => {
      const detail = JSON.stringify(inward(event, this.placeIds, this.mixIds));
      // The journal's word for what was left out.
      const type = event.type === 'refused' ? 'skip' : event.type;
      return [collectionId, plantId, randomUUID(), event.date, type, detail, by];
    });
    const columns = ['collection_id', 'plant_id', 'client_id', 'day', 'type', 'detail', 'written_by'];
    await insertMany(this.connection, 'journal', columns, rows);
  }

  private firstDay(events: readonly PlantEvent[]): string {
    return events[0]?.date ?? this.garden.today;
  }
}

/** Remembers that the site still is as the file of that day said. */
export async function stampGarden(pool: Pool, siteId: number, today: string): Promise<void> {
  await pool.query('UPDATE site SET as_of = ?, as_of_stamp = ? WHERE id = ?', [
    today,
    await siteStamp(pool, siteId),
    siteId,
  ]);
}

/** What its keeper's record says, as far as the file tells it; a feed that is none of this collection's is left out. */
function recordColumns(
  { name_sure: sure, used_to: usedTo, acquired_on: acquiredOn, care }: Plant,
  feeds: ReadonlySet<number>,
): Record<string, unknown> {
  const { feedId, ...rules } = (care ?? {}) as OwnRules;
  const own = feedId != null && feeds.has(feedId) ? { ...rules, feedId } : rules;
  return {
    ...(sure == null ? {} : { name_sure: sure }),
    ...(usedTo == null ? {} : { used_to: usedTo }),
    ...(acquiredOn == null ? {} : { acquired_on: acquiredOn }),
    ...(care == null ? {} : { own_rules: JSON.stringify(own) }),
  };
}

function freeNumber(id: string, siteId: number, i: number, taken: Set<string>): string {
  const wished = id.trim().slice(0, 40);
  const number = wished !== '' && !taken.has(alike(wished)) ? wished : `${siteId}-${i + 1}`;
  taken.add(alike(number));
  return number;
}

function inward(event: PlantEvent, placeIds: ReadonlyMap<string, number>, mixIds: ReadonlyMap<string, number>): object {
  const { type: _type, date: _date, ...detail } = event;
  const place = (id: string) => (placeIds.has(id) ? String(placeIds.get(id)) : `${STRANGE}${id}`);
  if (event.type === 'move')
    return {
      ...detail,
      ...(event.from == null ? {} : { from: place(event.from) }),
      ...(event.place == null ? {} : { place: place(event.place) }),
    };
  if (event.type === 'repotting' && event.before)
    return { ...detail, before: { ...event.before, mix: String(mixIds.get(event.before.mix)) } };
  return detail;
}

/** The fields of events that the garden file knows; the journal keeps more of them. */
const FILE_FIELDS: Record<PlantEvent['type'], readonly string[]> = {
  watering: ['method', 'amount_ml', 'water'],
  check: ['finger', 'surface', 'meter', 'weight_g', 'lift'],
  weights: ['drained_g', 'dry_g'],
  sign: ['sign', 'strength', 'where', 'when'],
  repotting: ['mix_was', 'roots_cut', 'findings', 'before'],
  move: ['from', 'place'],
  feeding: ['dose'],
  state: ['state'],
  refused: ['reason'],
  changed: ['pace'],
  verdict: ['cause', 'hold_until', 'gap'],
  'case-step': ['cause', 'step', 'found'],
  'case-closed': ['cause', 'outcome'],
};

interface PlaceInFile {
  width_mm: number | null;
  depth_mm: number | null;
  obstruction_deg: number | null;
  direct_sun_h: number | null;
}
const ofBench = ({ width_mm, depth_mm, obstruction_deg, direct_sun_h }: PlaceInFile): PlaceInFile => ({
  width_mm,
  depth_mm,
  obstruction_deg,
  direct_sun_h,
});

interface PlantInFile {
  id: number;
  ref: string;
  named: number;
  taxon: string | null;
  name_sure: 'sure' | 'likely' | 'unknown';
  used_to: string | null;
  acquired_on: string | null;
  own_rules: unknown;
}

/** What its keeper's record says, where it says more than a file that is silent. */
function recordInFile({ name_sure: sure, used_to, acquired_on, own_rules: rules }: PlantInFile) {
  const care = json<OwnRules>(rules);
  return {
    name_sure: sure === 'sure' ? null : sure,
    used_to,
    acquired_on,
    care: Object.keys(care).length > 0 ? care : null,
  };
}

/** Its today, or the last day that something was read or done on, if that is later. */
function latestOf({ today, places, plants }: Garden): string {
  let latest = today;
  const see = ({ date }: { date: string }) => {
    if (date > latest) latest = date;
  };
  for (const place of places) place.thermometer?.forEach(see);
  for (const plant of plants) plant.events.forEach(see);
  return latest;
}

/** A site as the text of a garden file: what came from one goes out as it came in. */
export async function exportGarden(pool: Pool, site: SiteRow): Promise<string> {
  const garden = await loadGarden(pool, site);
  const [places] = await pool.query<Row<PlaceInFile & { id: number; ref: string }>[]>(
    'SELECT id, ref, width_mm, depth_mm, obstruction_deg, direct_sun_h FROM place WHERE collection_id = ?',
    [site.collection_id],
  );
  const [mixes] = await pool.query<Row<{ id: number; ref: string; name: string }>[]>(
    'SELECT id, ref, name FROM mix WHERE collection_id = ?',
    [site.collection_id],
  );
  const [plants] = await pool.query<Row<PlantInFile>[]>(
    'SELECT id, ref, named, taxon, name_sure, used_to, acquired_on, own_rules FROM plant WHERE collection_id = ?',
    [site.collection_id],
  );
  const [asOf] = await pool.query<Row<{ as_of: string | null; as_of_stamp: string | null }>[]>(
    'SELECT as_of, as_of_stamp FROM site WHERE id = ?',
    [site.id],
  );
  const untouched = asOf[0]?.as_of != null && asOf[0].as_of_stamp === (await siteStamp(pool, site.id));
  // What is on record of later days than this one came with a file of another day: the file that goes out is of that day.
  const fileToday = untouched ? asOf[0]!.as_of! : latestOf(garden);
  const placeRef = new Map(places.map((row) => [String(row.id), idFrom(site.id, row.ref)]));
  const mixRef = new Map(mixes.map((row) => [String(row.id), idFrom(site.id, row.ref)]));
  const plantRow = new Map(plants.map((row) => [String(row.id), row]));
  const used = new Set(
    garden.plants.flatMap((plant) => [
      plant.mix,
      ...plant.events.flatMap((event) => (event.type === 'repotting' && event.before ? [event.before.mix] : [])),
    ]),
  );
  const refs = new Map(mixes.map((row) => [String(row.id), row.ref]));
  const mixNames = new Map(mixes.map((row) => [String(row.id), row.name]));
  const own = (mix: Mix) => used.has(mix.id) || refs.get(mix.id)!.startsWith(`${site.id}/`);
  const outMixes = garden.mixes.filter(own).toSorted((a, b) => Number(a.id) - Number(b.id));
  const partRefs = new Set(outMixes.flatMap((mix) => mix.parts.map((part) => part.component)));
  const components = (garden.components ?? []).filter(
    (component: OwnComponent) => partRefs.has(component.id) || component.id.startsWith(`${site.id}/`),
  );
  const out = outward(placeRef, mixRef);
  const weather = mapped(garden.weather, ({ issued, ...day }) => ({
    ...day,
    ...(issued != null && day.date > fileToday ? { issued } : {}),
    // A file's forecast lies ahead of its today, and nothing else does.
    source: day.date > fileToday ? 'forecast' : untouched ? day.source : 'observed',
  }));
  const plantsOut = mapped(
    garden.plants.toSorted((a, b) => Number(a.id) - Number(b.id)),
    (plant) => {
      const row = plantRow.get(plant.id)!;
      const {
        due_m: _ownRule,
        sleeps: _ownRest,
        ideal_from_c: _ownBand,
        heat_from_c: _ownCeiling,
        name_unknown: _sureness,
        name_likely: _likely,
        steps_taken_back: _steps,
        grown_wet: _rootsBefore,
        ref: _ref,
        ...inFile
      } = plant;
      return dropNulls({
        ...inFile,
        id: idFrom(site.id, row.ref),
        name: row.named ? plant.name : null,
        taxon: row.taxon,
        ...recordInFile(row),
        place: placeRef.get(plant.place)!,
        mix: mixRef.get(plant.mix)!,
        pot: dropNulls(plant.pot),
        events: plant.events.map(out),
      });
    },
  );
  const file = {
    format: 'zinc-pail/garden',
    version: 1,
    today: fileToday,
    site: garden.site,
    weather: await inTurns(weather),
    places: garden.places.map(({ name, full: _full, ...place }) =>
      dropNulls({
        ...place,
        id: placeRef.get(place.id)!,
        name: name === placeRef.get(place.id) ? null : name,
        ...ofBench(places.find(({ id }) => String(id) === place.id)!),
        thermometer: place.thermometer?.length ? place.thermometer.map(dropNulls) : null,
      }),
    ),
    mixes: outMixes.map((mix) => ({
      id: mixRef.get(mix.id)!,
      ...(mixNames.get(mix.id) === mixRef.get(mix.id) ? {} : { name: mixNames.get(mix.id) }),
      parts: mix.parts.map((part) => ({ component: idFrom(site.id, part.component), parts: part.parts })),
    })),
    ...(components.length > 0
      ? { components: components.map((component) => dropNulls({ ...component, id: idFrom(site.id, component.id) })) }
      : {}),
    plants: await inTurns(plantsOut),
  };
  return inTurns(jsonText(file));
}

const KNOWN = new Map(
  Object.entries(FILE_FIELDS).map(([type, fields]) => [type, new Set<string>(['type', 'date', ...fields])]),
);

/** An event as a file tells it, its places and mixes by their names there. */
function outward(
  placeRef: ReadonlyMap<string, string>,
  mixRef: ReadonlyMap<string, string>,
): (event: PlantEvent) => object {
  const place = (id: string) => (id.startsWith(STRANGE) ? id.slice(STRANGE.length) : (placeRef.get(id) ?? id));
  return (event) => {
    const known = KNOWN.get(event.type)!;
    const out = Object.fromEntries(Object.entries(event).filter(([field, value]) => known.has(field) && value != null));
    if (event.type === 'move')
      return {
        ...out,
        ...(event.from == null ? {} : { from: place(event.from) }),
        ...(event.place == null ? {} : { place: place(event.place) }),
      };
    if (event.type === 'repotting' && event.before)
      return {
        ...out,
        before: { pot: dropNulls(event.before.pot), mix: mixRef.get(event.before.mix) ?? event.before.mix },
      };
    return out;
  };
}

function dropNulls<T extends object>(value: T): Partial<T> {
  return Object.fromEntries(Object.entries(value).filter(([, one]) => one !== null && one !== undefined)) as Partial<T>;
}
