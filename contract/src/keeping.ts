/**
 * Bodies and views of all that is kept besides the journal: plants, places, waters, feeds, views, imports, calendars.
 */
import { type Form } from '@zinc-pail/core';
import {
  type LastFact,
  AIRS,
  type Hazard,
  HAZARDS,
  type LightVerdict,
  type OwnRules,
  PLACE_KINDS,
  type PlantState,
  type PlaceAdvice,
  type PlaceKind,
  type Pot,
  type RootFinding,
  WATER_KINDS,
  type Judged,
  type PotMaterial,
  type PotShape,
} from '@zinc-pail/core';
import Joi from 'joi';
import { type POTTING_WHYS, pottingMore } from './potting.ts';
import { ENDINGS, FEED_KINDS, FEED_UNITS } from './choices.ts';
import { day, id, list, number, object, oneOf, optional, text, twelve, whole, within, yesNo } from './fields.ts';
import { keptPot as pot } from './gardenFile.ts';
import {
  LONGEST_ADDRESS,
  LONGEST_CSV,
  LONGEST_NAME,
  LONGEST_NUMBER,
  LONGEST_REASON,
  LONGEST_VIEW_NAME,
  MOST_AT_ONCE,
  MOST_COPIES,
  PLACE_BOUNDS,
} from './limits.ts';
import { DAY_ORDERS, type DayOrder, LENGTH_UNITS, type LengthUnit } from './listCells.ts';
import { UUID } from './marks.ts';
import { ownRulesFields } from './ownRules.ts';
import {
  CSV_FIELDS,
  type CsvField,
  type FieldSpec,
  PLANT_FIELD_NAMES,
  PLANT_FIELDS,
  type PlantField,
  type PlantValues,
} from './plantFields.ts';

/** What a keeper may set of a plant itself. */
const plantFields = Object.fromEntries(PLANT_FIELD_NAMES.map((name) => [name, schemaOf(PLANT_FIELDS[name])])) as Record<
  PlantField,
  Joi.Schema
>;

/** A field's schema, whatever its kind; one that may be empty takes null. */
export function schemaOf(spec: FieldSpec): Joi.Schema {
  const schema = ofKind(spec);
  return spec.must ? schema : optional(schema);
}

function ofKind(spec: FieldSpec): Joi.Schema {
  switch (spec.kind) {
    case 'text':
      return text(spec.max);
    case 'whole':
      return whole(spec.min, spec.max, spec.unit);
    case 'number':
      return number(spec.min, spec.max, spec.unit);
    case 'day':
      return day();
    case 'yes-no':
      return yesNo();
    case 'choice':
      return oneOf(spec.of);
    case 'money':
      return whole(0, spec.max, 'in the smallest coin');
    case 'currency':
      return Joi.string()
        .pattern(/^[A-Z]{3}$/)
        .required()
        .messages({ '*': 'three capitals of a currency, as EUR' });
    case 'plant':
      return id();
  }
}

const asked = <F extends string>(fields: Record<F, Joi.Schema>) =>
  Object.fromEntries(Object.entries<Joi.Schema>(fields).map(([name, schema]) => [name, schema.optional()])) as Record<
    F,
    Joi.Schema
  >;

const potFromMix = { pot, mix_id: id(), place_id: id() };

/** A plant taken in. Only its name, pot, mix and place must be told. */
export const newPlant = object<NewPlant>(
  {
    client_id: UUID,
    ...asked(plantFields),
    name: text(200),
    ...potFromMix,
    date: day(),
    count: whole(1, MOST_COPIES, 'plants').optional(),
    last_watered: optional(day()),
  },
  'a plant with client_id, name, pot, mix_id, place_id and date',
);
export interface NewPlant extends Partial<PlantValues<Exclude<PlantField, 'name'>>> {
  client_id: string;
  name: string;
  pot: Pot;
  mix_id: number;
  place_id: number;
  date: string;
  count?: number;
  /** when it last had water, as far as the keeper knows */
  last_watered?: string | null;
}

/** What to change: fields of the plant, rules (null puts one back), and the reasons for rules ('' takes one off). */
export interface PlantChange extends Partial<PlantValues> {
  rules?: { [K in keyof OwnRules]?: OwnRules[K] | null };
  reasons?: Record<string, string>;
}
export const plantChange = object<PlantChange>(
  {
    ...asked(plantFields),
    rules: object(ownRulesFields, 'rules of care').optional(),
    reasons: Joi.object()
      .pattern(Joi.string().max(40), Joi.string().trim().max(LONGEST_REASON).allow(''))
      .optional()
      .messages({ '*': `reasons of up to ${LONGEST_REASON} characters, by rule` }),
  },
  'what to change of a plant',
);

/** A plant's pot and mix set right from the start, or a repotting with its day. */
export const pottingBody = object<Potting>(
  {
    client_id: UUID,
    kind: oneOf(['set-right', 'repotted']),
    pot,
    mix_id: id(),
    date: day().optional(),
    mix_was: optional(oneOf(['dry', 'damp', 'wet'])),
    root_loss: optional(number(0, 1)),
    ...pottingMore,
  },
  'a potting with client_id, kind, pot and mix_id, and for a repotting its date',
);
export interface Potting {
  client_id: string;
  kind: 'set-right' | 'repotted';
  pot: Pot;
  mix_id: number;
  date?: string;
  mix_was?: 'dry' | 'damp' | 'wet' | null;
  root_loss?: number | null;
  findings?: RootFinding[] | null;
  why?: (typeof POTTING_WHYS)[number] | null;
  /** daughters that were parted from it, with numbers of their own */
  divided?: number | null;
}

export const endBody = object<{ how: (typeof ENDINGS)[number]; date: string; cause?: string | null }>(
  { how: oneOf(ENDINGS), date: day(), cause: optional(text(500)) },
  'how it ended, and when',
);
const plantIds = list(id(), 'ids of plants', MOST_AT_ONCE).min(1).messages({ 'array.min': 'at least one plant' });
/** Rules of care for many at once; null puts one back to what genus, form or place suggest. */
export const rulesBody = object<{ plant_ids: number[]; rules: OwnRules }>(
  { plant_ids: plantIds, rules: object(ownRulesFields, 'rules of care') },
  'plants and rules of care',
);
export const endsBody = object<{
  plant_ids: number[];
  how: (typeof ENDINGS)[number];
  date: string;
  cause?: string | null;
}>(
  { plant_ids: plantIds, how: oneOf(ENDINGS), date: day(), cause: optional(text(500)) },
  'plants, how they ended, and when',
);
export const movesBody = object<{ plant_ids: number[]; place_id: number; date: string; client_ids?: string[] }>(
  {
    plant_ids: plantIds,
    place_id: id(),
    date: day(),
    client_ids: list(UUID, 'an id for each move', MOST_AT_ONCE).optional(),
  },
  'plants, a place and a day',
);
export const copiesBody = object<{ count: number; date: string; as_offspring: boolean }>(
  { count: whole(1, MOST_COPIES, 'plants'), date: day(), as_offspring: yesNo() },
  'how many, and the day',
);

/** What a keeper may set of a place. */
export interface PlaceFields {
  name: string;
  kind: PlaceKind;
  aspect_deg: number | null;
  light_fraction: number | null;
  floor_c: number | null;
  vent_c: number | null;
  indoor_c: readonly number[] | null;
  air: (typeof AIRS)[number];
  lamp: { ppfd_umol_m2_s: number; hours: number } | null;
  width_mm: number | null;
  depth_mm: number | null;
  obstruction_deg: number | null;
  direct_sun_h: number | null;
  quarantine: boolean;
  within_reach: boolean;
  hazards: string | null;
  hazard_kinds: Hazard[];
  rain_counts_mm: number | null;
  /** nobody but the keeper turns its lamp on and off */
  lamp_by_hand: boolean;
}
export const placeFields: Record<keyof PlaceFields, Joi.Schema> = {
  name: text(LONGEST_NAME),
  kind: oneOf(PLACE_KINDS),
  aspect_deg: optional(within(PLACE_BOUNDS.aspectDeg, 'degrees')),
  light_fraction: optional(within(PLACE_BOUNDS.lightFraction)),
  floor_c: optional(within(PLACE_BOUNDS.floorC, '°C')),
  vent_c: optional(within(PLACE_BOUNDS.ventC, '°C')),
  indoor_c: optional(twelve(PLACE_BOUNDS.indoorC.min, PLACE_BOUNDS.indoorC.max, '°C')),
  air: oneOf(AIRS),
  lamp: optional(
    object(
      { ppfd_umol_m2_s: within(PLACE_BOUNDS.lampPpfd), hours: within(PLACE_BOUNDS.hours, 'hours') },
      'a lamp with ppfd_umol_m2_s and hours',
    ),
  ),
  width_mm: optional(whole(PLACE_BOUNDS.benchMm.min, PLACE_BOUNDS.benchMm.max, 'mm')),
  depth_mm: optional(whole(PLACE_BOUNDS.benchMm.min, PLACE_BOUNDS.benchMm.max, 'mm')),
  obstruction_deg: optional(within(PLACE_BOUNDS.obstructionDeg, 'degrees')),
  direct_sun_h: optional(within(PLACE_BOUNDS.hours, 'hours')),
  quarantine: yesNo(),
  within_reach: yesNo(),
  hazards: optional(text(300)),
  hazard_kinds: list(oneOf(HAZARDS), 'what may harm there', HAZARDS.length).unique(),
  rain_counts_mm: optional(within(PLACE_BOUNDS.rainMm, 'mm')),
  lamp_by_hand: yesNo(),
};
export type NewPlace = Partial<PlaceFields> & Pick<PlaceFields, 'name' | 'kind' | 'air'> & { site_id: number };
export const newPlace = object<NewPlace>(
  { ...asked(placeFields), site_id: id(), name: placeFields.name, kind: placeFields.kind, air: placeFields.air },
  'a place with site_id, name, kind and air',
);
export const placeChange = object<Partial<PlaceFields>>(asked(placeFields), 'what to change of a place');

export interface Reading {
  date: string;
  tmin_c: number;
  tmax_c: number;
  rh_pct?: number | null;
}
const reading = object<Reading>(
  { date: day(), tmin_c: number(-60, 80, '°C'), tmax_c: number(-60, 80, '°C'), rh_pct: optional(number(0, 100, '%')) },
  'a reading with date, tmin_c and tmax_c',
);
export const readingsBody = object<{ readings: Reading[] }>(
  { readings: list(reading, 'readings', MOST_AT_ONCE).min(1).messages({ 'array.min': 'at least one reading' }) },
  'an object with readings',
);
/** A logger's or a keeper's own table: a header names date, min, max and, if read, humidity. */
export const csvBody = object<{ csv: string }>(
  {
    csv: Joi.string()
      .min(1)
      .max(LONGEST_CSV)
      .required()
      .messages({ '*': `the text of a CSV file, up to ${LONGEST_CSV} characters` }),
  },
  'an object with csv',
);

/**
 * Where a garden lies. Its usual weather is guessed from there until a keeper or a garden file brings better; a height
 * that is left out is guessed from the towns around.
 */
export interface NewSite {
  name: string;
  latitude_deg: number;
  longitude_deg: number;
  elevation_m?: number | null;
  time_zone: string;
}
const siteFields = {
  name: text(LONGEST_NAME),
  latitude_deg: number(-90, 90, 'degrees'),
  longitude_deg: number(-180, 180, 'degrees'),
  elevation_m: optional(number(-450, 9000, 'm')),
  time_zone: text(64),
};
export const siteBody = object<NewSite>(
  siteFields,
  'a site with name, latitude_deg, longitude_deg, elevation_m (or none) and time_zone',
);
export const siteChange = object<Partial<NewSite>>(asked(siteFields), 'what to change of a site');

export type Water = Omit<Kit['waters'][number], 'id'>;
export const waterBody = object<Water>(
  {
    name: text(LONGEST_NAME),
    kind: oneOf(WATER_KINDS),
    hardness_dh: optional(number(0, 100, '°dH')),
    salts_mg_l: optional(whole(0, 5000, 'mg/l')),
  },
  'a water with name and kind',
);
export type Feed = Omit<Kit['feeds'][number], 'id'>;
export const feedBody = object<Feed>(
  {
    name: text(LONGEST_NAME),
    kind: oneOf(FEED_KINDS),
    n_pct: number(0, 60, '%'),
    p_pct: number(0, 60, '%'),
    k_pct: number(0, 60, '%'),
    unit: oneOf(FEED_UNITS),
    per_litre: number(0.01, 200),
  },
  'a feed with name, kind, n_pct, p_pct, k_pct, unit and per_litre',
);
export type Settings = Partial<Omit<Kit['collection'], 'id'>>;
/** How long a number by a scheme may become, with a count of five digits at least. */
function longestNumber(scheme: string): number {
  return scheme
    .replaceAll('{year}', '2000')
    .replaceAll('{yy}', '00')
    .replaceAll('{month}', '01')
    .replaceAll('{genus}', 'GENU')
    .replace(/\{n(?::(\d))?\}/, (_, digits: string | undefined) => '0'.repeat(Math.max(5, Number(digits ?? 1)))).length;
}

export const settingsBody = object<Settings>(
  {
    can_ml: whole(100, 200_000, 'ml').optional(),
    has_pets: yesNo().optional(),
    has_children: yesNo().optional(),
    scoop_ml: optional(whole(5, 20_000, 'ml')),
    currency: optional(
      Joi.string()
        .pattern(/^[A-Z]{3}$/)
        .messages({ '*': 'a currency of three capital letters, as EUR' }),
    ),
    pots_a_weekend: whole(1, 500).optional(),
    reach_url: optional(
      Joi.string()
        .pattern(/^https?:\/\/[a-z0-9.-]+(:\d{1,5})?$/i)
        .max(LONGEST_ADDRESS)
        .messages({ '*': 'an address without a path, as http://shed.local:4780' }),
    ),
    name: text(LONGEST_NAME).optional(),
    number_scheme: Joi.string()
      .trim()
      .min(3)
      .max(40)
      .pattern(/\{n(:\d)?\}/)
      .custom((scheme: string, helpers) =>
        longestNumber(scheme) > LONGEST_NUMBER ? helpers.error('string.max') : scheme,
      )
      .messages({
        '*':
          'a text of up to 40 characters with \\{n} or \\{n:3} where the count goes; \\{year}, \\{yy}, \\{month} and ' +
          '\\{genus} may stand too; no number longer than 40',
      })
      .optional(),
  },
  'settings',
);

export const viewBody = object<Omit<SavedView, 'id'>>(
  {
    name: text(LONGEST_VIEW_NAME),
    spec: object(
      {
        columns: list(text(40), 'columns', 40),
        sort: list(object({ id: text(40), desc: yesNo() }, 'a sorting'), 'sortings', 5),
        filters: list(object({ id: text(40), value: text(LONGEST_NAME) }, 'a filter'), 'filters', 20),
      },
      'columns, sort and filters',
    ),
  },
  'a view with name and spec',
);
export interface ViewSpec {
  columns: string[];
  sort: { id: string; desc: boolean }[];
  filters: { id: string; value: string }[];
}
export interface SavedView {
  id: number;
  name: string;
  spec: ViewSpec;
}

export const LENGTH_FIELDS = ['pot_top_mm', 'pot_depth_mm', 'diameter_mm', 'height_mm'] as const satisfies CsvField[];
export type LengthField = (typeof LENGTH_FIELDS)[number];
/** Fields whose words may be told apart by the keeper once for each distinct one. */
const MEANT_FIELDS = [
  'place',
  'mix',
  'name',
  'pot_material',
  'pot_shape',
  'source',
  'name_sure',
] as const satisfies CsvField[];
export type MeantField = (typeof MEANT_FIELDS)[number];

export const csvImport = object<CsvImport>(
  {
    name: text(200),
    csv: csvBody.extract('csv'),
    columns: Joi.object()
      .pattern(Joi.string().valid(...CSV_FIELDS), text(200))
      .min(1)
      .required()
      .messages({ '*': `an object that names the file's column for some of ${CSV_FIELDS.join(', ')}` }),
    defaults: object(
      { place_id: optional(id()), mix_id: optional(id()), pot: optional(pot) },
      'place_id, mix_id and pot for rows that have none',
    ),
    units: Joi.object()
      .pattern(Joi.string().valid(...LENGTH_FIELDS), oneOf(LENGTH_UNITS))
      .optional()
      .messages({ '*': `mm, cm or in for some of ${LENGTH_FIELDS.join(', ')}` }),
    day_order: optional(oneOf(DAY_ORDERS)),
    new_places: list(
      object<NewBench>(
        { name: text(LONGEST_NAME), kind: oneOf(PLACE_KINDS), site_id: id() },
        'a bench with name, kind and site_id',
      ),
      'benches',
      200,
    ).optional(),
    meanings: Joi.object()
      .pattern(
        Joi.string().valid(...MEANT_FIELDS),
        Joi.object().pattern(Joi.string().max(300), Joi.alternatives(text(200), id()).allow(null)),
      )
      .optional()
      .messages({ '*': `what words of the list mean, by field: ${MEANT_FIELDS.join(', ')}` }),
    left_out: list(whole(2, 1e7), 'rows', 5001).optional(),
    dry_run: yesNo(),
  },
  'an import with name, csv, columns, defaults and dry_run',
);
export interface CsvImport {
  name: string;
  csv: string;
  columns: Partial<Record<CsvField, string>>;
  defaults: { place_id?: number | null; mix_id?: number | null; pot?: Pot | null };
  /** of lengths whose cells name none; mm where nothing is said */
  units?: Partial<Record<LengthField, LengthUnit>>;
  /** of days whose cells fit both */
  day_order?: DayOrder | null;
  /** benches to be made on the way, known to rows by their names */
  new_places?: NewBench[];
  /**
   * What the list's own words mean, by field and word: the id or the name of a bench, the id of a mix or null for not
   * known, a genus, one of the field's choices.
   */
  meanings?: Partial<Record<MeantField, Record<string, number | string | null>>>;
  /** rows of the file that are not taken in */
  left_out?: number[];
  dry_run: boolean;
}
export interface NewBench {
  name: string;
  kind: PlaceKind;
  site_id: number;
}
export interface CsvReport {
  rows: number;
  good: number;
  /** what is wrong, by the file's row, the header being row 1 */
  faults: { row: number; column: string; got: string; wanted: string }[];
  /** what was taken otherwise than it is written, or for which something usual is taken */
  notes: { row: number; column: string; got: string; taken: string }[];
  left_out: number;
  import_id: number | null;
  sample: { name: string; number: string; place: string; mix: string }[];
}

export const tokenBody = object<{ name: string }>({ name: text(LONGEST_VIEW_NAME) }, 'a name for whoever reads it');

/** What a collection is kept with: what lists of choices are made of. */
export interface Kit {
  collection: {
    id: number;
    name: string;
    number_scheme: string;
    can_ml: number;
    has_pets: boolean;
    has_children: boolean;
    /** the keeper's own measure for parts of a mix, ml */
    scoop_ml: number | null;
    /** of prices in the stores */
    currency: string | null;
    pots_a_weekend: number;
    /** where a phone reaches us, for codes and calendars; null: nobody has said */
    reach_url: string | null;
  };
  sites: {
    id: number;
    version: number;
    name: string;
    latitude_deg: number;
    longitude_deg: number;
    elevation_m: number;
    time_zone: string;
    /** the town from which its usual weather is guessed; null: a keeper or a file gave it */
    usual_from: { name: string; km: number } | null;
  }[];
  mixes: { id: number; name: string; for_what: string | null; parts: { component: string; parts: number }[] }[];
  waters: { id: number; name: string; kind: string; hardness_dh: number | null; salts_mg_l: number | null }[];
  feeds: {
    id: number;
    name: string;
    kind: string;
    n_pct: number;
    p_pct: number;
    k_pct: number;
    unit: 'ml' | 'g';
    per_litre: number;
  }[];
  views: SavedView[];
}

export interface PlaceView extends PlaceFields {
  id: number;
  site_id: number;
  site: string;
  version: number;
  today: {
    tmin_c: number;
    tmax_c: number;
    rh_pct: number;
    tonight_c: number;
    dli_mol: number;
    sun_h: number;
    morning_sun_h: number;
  };
  learned: {
    offset_min_c: number;
    offset_max_c: number;
    readings: number;
    factor: { p10: number; p50: number; p90: number };
  };
  crowded: number | null;
  /** what it does to those that stand there, besides light and warmth */
  advice: PlaceAdvice[];
  pots: PlacePot[];
  last_readings: { date: string; tmin_c: number; tmax_c: number; rh_pct: number | null }[];
}

export interface PlacePot {
  id: number;
  number: string;
  name: string;
  form: Form;
  width_mm: number;
  crown_mm: number;
  shape: PotShape;
  material: PotMaterial;
  light: LightVerdict;
  wants: string;
  verdict: Judged;
  state: PlantState;
  height_mm: number;
  /** its middle, from the bench's left and far edges; null until it was set there */
  x_mm: number | null;
  y_mm: number | null;
  /** mol a day from which it does well in its state, and above which it is too much */
  wants_mol: { from: number; to: number };
  poisonous: { people: boolean; pets: boolean };
  quarantine_until: string | null;
}

export interface Story {
  id: number;
  number: string;
  name: string;
  provenance: string | null;
  place: string;
  ended: 'died' | 'given';
  ended_on: string;
  ended_why: string | null;
  kept_days: number;
  /** of one that died: what its notes say of its last months */
  last: LastFact[];
  journal: import('./marks.ts').JournalEntry[];
}

export type { LightVerdict };

/** Where pots stand on a bench: the middle of each. */
export interface Spot {
  plant_id: number;
  x_mm: number;
  y_mm: number;
}
/** A bench is no longer than a glasshouse. */
const LONGEST_BENCH_MM = 50_000;
export const spotsBody = object<{ spots: Spot[] }>(
  {
    spots: list(
      object<Spot>(
        { plant_id: id(), x_mm: number(0, LONGEST_BENCH_MM, 'mm'), y_mm: number(0, LONGEST_BENCH_MM, 'mm') },
        'a pot with plant_id, x_mm and y_mm',
      ),
      'pots',
      1000,
    ),
  },
  'where pots stand',
);
