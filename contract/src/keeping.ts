/**
 * Bodies and views of all that is kept besides the journal: plants, places, waters, feeds, views, imports, calendars.
 */
import {
  AIRS,
  DRY_RULES,
  FORMS,
  HABITS,
  LIGHTS,
  type LightVerdict,
  PLACE_KINDS,
  STANDS,
  STORES,
  TRIGGERS,
  WATER_KINDS,
  WAYS,
} from '@zinc-pail/core';
import Joi from 'joi';
import { CSV_FIELDS, type CsvField, SOURCES } from './choices.ts';
import { day, list, number, object, oneOf, optional, text, twelve, whole, yesNo } from './fields.ts';
import { pot } from './gardenFile.ts';
import { UUID } from './marks.ts';

const ID = () => whole(1, 4_294_967_295);

/** What a keeper may set of a plant itself. */
const plantFields = {
  name: text(200),
  taxon: optional(text(200)),
  name_sure: oneOf(['sure', 'likely', 'unknown']),
  other_names: optional(text(500)),
  number: text(40),
  provenance: optional(text(500)),
  diameter_mm: whole(0, 10_000, 'mm'),
  height_mm: whole(0, 20_000, 'mm'),
  acquired_on: optional(day()),
  source: optional(oneOf(SOURCES)),
  price_minor: optional(whole(0, 4_000_000_000, 'in the smallest coin')),
  price_currency: optional(
    Joi.string()
      .pattern(/^[A-Z]{3}$/)
      .messages({ '*': 'three capitals of a currency, as EUR' }),
  ),
  mother_id: optional(ID()),
  companions: optional(text(300)),
  used_to: optional(text(300)),
  quarantine_until: optional(day()),
  own_words: optional(text(500)),
  habit: optional(oneOf(HABITS)),
  form: optional(oneOf(FORMS)),
  dry_rule: optional(oneOf(DRY_RULES)),
  hold_days: optional(whole(0, 120, 'days')),
  store: optional(oneOf(STORES)),
  min_dry_c: optional(number(-50, 40, '°C')),
  min_wet_c: optional(number(-50, 40, '°C')),
  grow_min_c: optional(number(-20, 40, '°C')),
  leafless: optional(yesNo()),
};

const month = whole(1, 12);
const feedRule = object(
  {
    rhythm: Joi.alternatives()
      .conditional('.mode', {
        switch: [
          { is: 'never', then: object({ mode: Joi.any() }, 'never') },
          {
            is: 'nth',
            then: object({ mode: Joi.any(), n: whole(1, 50), sipsCount: yesNo() }, 'mode, n and sipsCount'),
          },
          { is: 'weeks', then: object({ mode: Joi.any(), weeks: whole(1, 52) }, 'mode and weeks') },
          {
            is: 'months',
            then: object(
              {
                mode: Joi.any(),
                times: whole(1, 30),
                months: list(month, 'months 1 to 12', 12)
                  .min(1)
                  .unique()
                  .messages({ '*': 'months from 1 to 12, each once, at least one' }),
              },
              'mode, times and months',
            ),
          },
        ],
        otherwise: object({ mode: oneOf(['never', 'nth', 'weeks', 'months']) }, 'a rhythm with mode').unknown(true),
      })
      .required(),
    strength: number(0.01, 2),
    chargeMonths: number(0, 24, 'months'),
    lastBeforeRest: yesNo(),
    firstOnWaking: yesNo(),
    ceiling: optional(whole(0, 100)),
  },
  'a feeding rule',
);

/** Own rules of care: as many as the keeper sets; null puts one back to what genus, form or place suggest. */
export const ownRulesFields: Record<string, Joi.Schema> = {
  trigger: optional(oneOf(TRIGGERS)),
  dueAt: optional(number(0.05, 0.8)),
  everyDays: optional(
    list(optional(whole(1, 365, 'days')), '12 numbers of days or null, January first', 12)
      .length(12)
      .messages({ '*': '12 numbers of days or null, January first' }),
  ),
  ways: optional(
    list(oneOf(WAYS), 'ways of watering', 5)
      .min(1)
      .unique()
      .messages({ '*': `at least one of ${WAYS.join(', ')}, each once` }),
  ),
  amount: optional(
    Joi.alternatives().conditional('.by', {
      switch: [
        { is: 'drench', then: object({ by: Joi.any() }, 'by') },
        { is: 'fixed', then: object({ by: Joi.any(), ml: number(1, 200_000, 'ml') }, 'by and ml') },
        { is: 'share', then: object({ by: Joi.any(), share: number(0.005, 1) }, 'by and share') },
      ],
      otherwise: object({ by: oneOf(['drench', 'fixed', 'share']) }, 'an amount with by').unknown(true),
    }),
  ),
  waters: optional(
    list(oneOf(WATER_KINDS), 'kinds of water', 6)
      .min(1)
      .unique()
      .messages({ '*': `at least one of ${WATER_KINDS.join(', ')}, each once, best first` }),
  ),
  salts: optional(oneOf(['sensitive', 'usual', 'hardy'])),
  stand: optional(oneOf(STANDS)),
  saucerMinutes: optional(whole(1, 240, 'minutes')),
  soakMinutes: optional(whole(1, 120, 'minutes')),
  feed: feedRule.optional().allow(null),
  feedId: optional(ID()),
  light: optional(oneOf(LIGHTS)),
  sunCeilingHours: optional(number(0, 24, 'hours')),
  repotYears: optional(number(0.5, 30, 'years')),
  hardToReplace: optional(yesNo()),
  noFoodUntil: optional(day()),
  stepsTakenBack: optional(list(day(), 'days of steps', 50)),
};

const asked = (fields: Record<string, Joi.Schema>) =>
  Object.fromEntries(Object.entries(fields).map(([name, schema]) => [name, schema.optional()]));

const potFromMix = { pot, mix_id: ID(), place_id: ID() };

/** A plant taken in. Only its name, pot, mix and place must be told. */
export const newPlant = object(
  {
    client_id: UUID,
    ...asked(plantFields),
    name: text(200),
    ...potFromMix,
    date: day(),
    count: whole(1, 200, 'plants').optional(),
    last_watered: optional(day()),
  },
  'a plant with client_id, name, pot, mix_id, place_id and date',
);
export interface NewPlant {
  client_id: string;
  name: string;
  pot: import('@zinc-pail/core').Pot;
  mix_id: number;
  place_id: number;
  date: string;
  count?: number;
  /** when it last had water, as far as the keeper knows */
  last_watered?: string | null;
  number?: string;
  [field: string]: unknown;
}

export const plantChange = object(
  {
    ...asked(plantFields),
    rules: object(ownRulesFields, 'rules of care').optional(),
    reasons: Joi.object()
      .pattern(Joi.string().max(40), Joi.string().trim().max(300).allow(''))
      .optional()
      .messages({ '*': 'reasons of up to 300 characters, by rule' }),
  },
  'what to change of a plant',
);

/** A plant's pot and mix set right from the start, or a repotting with its day. */
export const pottingBody = object(
  {
    client_id: UUID,
    kind: oneOf(['set-right', 'repotted']),
    pot,
    mix_id: ID(),
    date: day().optional(),
    mix_was: optional(oneOf(['dry', 'damp', 'wet'])),
    root_loss: optional(number(0, 1)),
  },
  'a potting with client_id, kind, pot and mix_id, and for a repotting its date',
);
export interface Potting {
  client_id: string;
  kind: 'set-right' | 'repotted';
  pot: import('@zinc-pail/core').Pot;
  mix_id: number;
  date?: string;
  mix_was?: 'dry' | 'damp' | 'wet' | null;
  root_loss?: number | null;
}

export const endBody = object(
  { how: oneOf(['died', 'given']), date: day(), cause: optional(text(500)) },
  'how it ended, and when',
);
export const movesBody = object(
  {
    plant_ids: list(ID(), 'ids of plants', 5000).min(1).messages({ 'array.min': 'at least one plant' }),
    place_id: ID(),
    date: day(),
    client_ids: list(UUID, 'an id for each move', 5000).optional(),
  },
  'plants, a place and a day',
);
export const copiesBody = object(
  { count: whole(1, 200, 'plants'), date: day(), as_offspring: yesNo() },
  'how many, and the day',
);

export const placeFields = {
  name: text(120),
  kind: oneOf(PLACE_KINDS),
  aspect_deg: optional(number(0, 360, 'degrees')),
  light_fraction: optional(number(0, 1)),
  floor_c: optional(number(-20, 30, '°C')),
  vent_c: optional(number(0, 60, '°C')),
  indoor_c: optional(twelve(-20, 45, '°C')),
  air: oneOf(AIRS),
  lamp: optional(
    object({ ppfd_umol_m2_s: whole(1, 3000), hours: number(0, 24, 'hours') }, 'a lamp with ppfd_umol_m2_s and hours'),
  ),
  width_mm: optional(whole(50, 60_000, 'mm')),
  depth_mm: optional(whole(50, 60_000, 'mm')),
  obstruction_deg: optional(number(0, 80, 'degrees')),
  direct_sun_h: optional(number(0, 24, 'hours')),
  quarantine: yesNo(),
  within_reach: yesNo(),
  hazards: optional(text(300)),
};
export const newPlace = object(
  { ...asked(placeFields), site_id: ID(), name: placeFields.name, kind: placeFields.kind, air: placeFields.air },
  'a place with site_id, name, kind and air',
);
export const placeChange = object(asked(placeFields), 'what to change of a place');

const reading = object(
  { date: day(), tmin_c: number(-60, 80, '°C'), tmax_c: number(-60, 80, '°C'), rh_pct: optional(number(0, 100, '%')) },
  'a reading with date, tmin_c and tmax_c',
);
export const readingsBody = object(
  { readings: list(reading, 'readings', 5000).min(1).messages({ 'array.min': 'at least one reading' }) },
  'an object with readings',
);
/** A logger's or a keeper's own table: a header names date, min, max and, if read, humidity. */
export const csvBody = object(
  {
    csv: Joi.string()
      .min(1)
      .max(900_000)
      .required()
      .messages({ '*': 'the text of a CSV file, up to 900,000 characters' }),
  },
  'an object with csv',
);

/** Where a garden lies. Its usual weather is guessed from there until a garden file brings better. */
export const siteBody = object(
  {
    name: text(120),
    latitude_deg: number(-90, 90, 'degrees'),
    longitude_deg: number(-180, 180, 'degrees'),
    elevation_m: number(-450, 9000, 'm'),
    time_zone: text(64),
  },
  'a site with name, latitude_deg, longitude_deg, elevation_m and time_zone',
);

export const waterBody = object(
  {
    name: text(120),
    kind: oneOf(WATER_KINDS),
    hardness_dh: optional(number(0, 100, '°dH')),
    salts_mg_l: optional(whole(0, 5000, 'mg/l')),
  },
  'a water with name and kind',
);
export const feedBody = object(
  {
    name: text(120),
    kind: oneOf(['liquid', 'grain', 'slow', 'organic', 'compost']),
    n_pct: number(0, 60, '%'),
    p_pct: number(0, 60, '%'),
    k_pct: number(0, 60, '%'),
    unit: oneOf(['ml', 'g']),
    per_litre: number(0.01, 200),
  },
  'a feed with name, kind, n_pct, p_pct, k_pct, unit and per_litre',
);
export const settingsBody = object(
  {
    can_ml: whole(100, 200_000, 'ml').optional(),
    has_pets: yesNo().optional(),
    has_children: yesNo().optional(),
    name: text(120).optional(),
    number_scheme: Joi.string()
      .trim()
      .min(3)
      .max(40)
      .pattern(/\{n(:\d)?\}/)
      .messages({
        '*': 'a text of up to 40 characters with \\{n} or \\{n:3} where the count goes; \\{year}, \\{yy}, \\{month} and \\{genus} may stand too',
      })
      .optional(),
  },
  'settings',
);

export const viewBody = object(
  {
    name: text(80),
    spec: object(
      {
        columns: list(text(40), 'columns', 40),
        sort: list(object({ id: text(40), desc: yesNo() }, 'a sorting'), 'sortings', 5),
        filters: list(object({ id: text(40), value: text(120) }, 'a filter'), 'filters', 20),
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

export const csvImport = object(
  {
    name: text(200),
    csv: csvBody.extract('csv'),
    columns: Joi.object()
      .pattern(Joi.string().valid(...CSV_FIELDS), text(200))
      .min(1)
      .required()
      .messages({ '*': `an object that names the file's column for some of ${CSV_FIELDS.join(', ')}` }),
    defaults: object(
      { place_id: optional(ID()), mix_id: optional(ID()), pot: optional(pot) },
      'place_id, mix_id and pot for rows that have none',
    ),
    dry_run: yesNo(),
  },
  'an import with name, csv, columns, defaults and dry_run',
);
export interface CsvImport {
  name: string;
  csv: string;
  columns: Partial<Record<CsvField, string>>;
  defaults: { place_id?: number | null; mix_id?: number | null; pot?: import('@zinc-pail/core').Pot | null };
  dry_run: boolean;
}
export interface CsvReport {
  rows: number;
  good: number;
  /** what is wrong, by the file's row, the header being row 1 */
  faults: { row: number; column: string; got: string; wanted: string }[];
  import_id: number | null;
  sample: { name: string; number: string; place: string; mix: string }[];
}

export const tokenBody = object({ name: text(80) }, 'a name for whoever reads it');

/** What a collection is kept with: what lists of choices are made of. */
export interface Kit {
  collection: {
    id: number;
    name: string;
    number_scheme: string;
    can_ml: number;
    has_pets: boolean;
    has_children: boolean;
  };
  sites: { id: number; name: string; latitude_deg: number; time_zone: string }[];
  mixes: { id: number; name: string; parts: { component: string; parts: number }[] }[];
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

export interface PlaceView {
  id: number;
  site_id: number;
  site: string;
  name: string;
  kind: (typeof PLACE_KINDS)[number];
  aspect_deg: number | null;
  light_fraction: number | null;
  floor_c: number | null;
  vent_c: number | null;
  indoor_c: number[] | null;
  air: (typeof AIRS)[number];
  lamp: { ppfd_umol_m2_s: number; hours: number } | null;
  width_mm: number | null;
  depth_mm: number | null;
  obstruction_deg: number | null;
  direct_sun_h: number | null;
  quarantine: boolean;
  within_reach: boolean;
  hazards: string | null;
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
  pots: PlacePot[];
  last_readings: { date: string; tmin_c: number; tmax_c: number; rh_pct: number | null }[];
}

export interface PlacePot {
  id: number;
  number: string;
  name: string;
  form: string;
  width_mm: number;
  crown_mm: number;
  shape: string;
  material: string;
  light: LightVerdict;
  wants: string;
  verdict: string;
  poisonous: { people: boolean; pets: boolean };
  quarantine_until: string | null;
}

export interface TableRow {
  id: number;
  number: string;
  name: string;
  genus: string;
  site: string;
  place: string;
  place_id: number;
  form: string;
  habit: string;
  state: string;
  verdict: string;
  due: string | null;
  moisture: number;
  rate: number;
  checks: number;
  last_watered: string | null;
  pot: string;
  pot_mm: number;
  mix: string;
  light: string;
  min_wet_c: number;
  diameter_mm: number;
  height_mm: number;
  acquired_on: string | null;
  source: string | null;
  quarantine: string | null;
  sure: string;
  names: string | null;
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
  lines: string[];
  journal: import('./marks.ts').JournalEntry[];
}

export type { LightVerdict };
