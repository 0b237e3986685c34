/** What the server answers besides rounds, plants and marks (api.ts): each shape once, its schema beside its type. */
import { FORMS } from '@zinc-pail/core';
import {
  AIRS,
  HAZARDS,
  JUDGED,
  LAST_CODES,
  type LastFact,
  type LightVerdict,
  PLACE_KINDS,
  PLANT_STATES,
} from '@zinc-pail/core';
import Joi from 'joi';
import { journalEntry, roundPotSchema } from './api.ts';
import { ENDINGS } from './choices.ts';
import { day, id, list, named, number, object, oneOf, optional, text, whole, yesNo } from './fields.ts';
import {
  type CsvReport,
  feedBody,
  type Kit,
  type PlaceFields,
  placeFields,
  type PlacePot,
  type PlaceView,
  type SavedView,
  type Story,
  viewBody,
  waterBody,
} from './keeping.ts';
import { LONGEST_ADDRESS, LONGEST_CAPTION, LONGEST_NAME } from './limits.ts';
import type { RoundPot } from './marks.ts';
import { usualFrom } from './weather.ts';

const ids = list(id(), 'ids');
export const made = object<{ id: number }>({ id: id() }, 'what was made');
export const madeMany = object<{ ids: number[] }>({ ids }, 'what was made, or put in order');
export const written = object<{ written: number }>({ written: whole(0, 1e6) }, 'how many were written');
export const removed = object<{ removed: number }>({ removed: id() }, 'what was removed');
export const undone = object<{ undone: number }>({ undone: id() }, 'what was taken back');
export const revoked = object<{ revoked: number }>({ revoked: id() }, 'what was revoked');

export const potsHere = object<{ pots: RoundPot[] }>({ pots: list(roundPotSchema, 'pots') }, 'the pots of a place');

/** Names of fields once, then a row of values for each plant. */
export const tableSchema = object<{ fields: string[]; rows: unknown[][] }>(
  { fields: list(text(40), 'fields'), rows: list(Joi.array().items(Joi.any()), 'rows') },
  'a table',
);

const step = object<{ date: string; minutes: number }>({ date: day(), minutes: whole(0, 1440) }, 'a step');
export const sunSteps = object<{ steps: { date: string; minutes: number }[] | null }>(
  { steps: optional(list(step, 'steps')) },
  'a plan from shade to sun',
);
export interface Moved {
  moved: number[];
  /** plans from shade to sun that the move asks for */
  hardening: { plant_id: number; steps: { date: string; minutes: number }[] }[];
}
export const movedSchema = object<Moved>(
  {
    moved: ids,
    hardening: list(
      object<Moved['hardening'][number]>({ plant_id: id(), steps: list(step, 'steps') }, 'a plan'),
      'plans',
    ),
  },
  'what was moved',
);

const lastFact = object<LastFact>(
  {
    code: oneOf(LAST_CODES),
    n: Joi.object().pattern(Joi.string(), Joi.number()).required(),
    on: day().optional(),
    of: text(60).optional(),
  },
  'a fact of its last months',
);
export const storySchema = named(
  'Story',
  object<Story>(
    {
      id: id(),
      number: text(40),
      name: text(200),
      provenance: optional(text(500)),
      place: text(LONGEST_NAME),
      ended: oneOf(ENDINGS),
      ended_on: day(),
      ended_why: optional(text(500)),
      kept_days: whole(0, 1e5),
      last: list(lastFact, 'facts'),
      journal: list(journalEntry, 'entries'),
    },
    'the story of a plant that has ended',
  ),
);

export interface Picture {
  id: number;
  day: string;
  caption: string | null;
  width_px: number;
  height_px: number;
}
export const pictureMade = object<Picture>(
  { id: id(), day: day(), caption: optional(text(LONGEST_CAPTION)), width_px: whole(1, 1e5), height_px: whole(1, 1e5) },
  'a picture',
);

/** A plant as a search or the list of those that have gone shows it. */
export interface Found {
  id: number;
  number: string;
  name: string;
  place: string;
  ended: (typeof ENDINGS)[number] | null;
  ended_on: string | null;
  ended_why: string | null;
}
export const foundSchema = named(
  'Found',
  object<{ plants: Found[] }>(
    {
      plants: list(
        object<Found>(
          {
            id: id(),
            number: text(40),
            name: text(200),
            place: text(LONGEST_NAME),
            ended: optional(oneOf(ENDINGS)),
            ended_on: optional(day()),
            ended_why: optional(text(500)),
          },
          'a plant',
        ),
        'plants',
      ),
    },
    'plants',
  ),
);

const withId = <T>(schema: Joi.ObjectSchema<Omit<T, 'id'>>): Joi.ObjectSchema<T> =>
  schema.append({ id: id() }) as unknown as Joi.ObjectSchema<T>;
export const kitSchema = named(
  'Kit',
  object<Kit>(
    {
      collection: object<Kit['collection']>(
        {
          id: id(),
          name: text(LONGEST_NAME),
          number_scheme: text(40),
          can_ml: whole(1, 1e6),
          has_pets: yesNo(),
          has_children: yesNo(),
          scoop_ml: optional(whole(1, 1e6)),
          currency: optional(text(3)),
          pots_a_weekend: whole(1, 500),
          reach_url: optional(text(LONGEST_ADDRESS)),
        },
        'a collection',
      ),
      sites: list(
        object<Kit['sites'][number]>(
          {
            id: id(),
            version: whole(1, 1e9),
            name: text(LONGEST_NAME),
            latitude_deg: number(-90, 90),
            longitude_deg: number(-180, 180),
            elevation_m: number(-450, 9000),
            time_zone: text(64),
            usual_from: usualFrom,
          },
          'a site',
        ),
        'sites',
      ),
      mixes: list(
        object<Kit['mixes'][number]>(
          {
            id: id(),
            name: text(LONGEST_NAME),
            for_what: optional(text(200)),
            parts: list(
              object<{ component: string; parts: number }>({ component: text(100), parts: number(0, 1000) }, 'a part'),
              'parts',
            ),
          },
          'a mix',
        ),
        'mixes',
      ),
      waters: list(withId<Kit['waters'][number]>(waterBody), 'waters'),
      feeds: list(withId<Kit['feeds'][number]>(feedBody), 'feeds'),
      views: list(withId<SavedView>(viewBody), 'views'),
    },
    'what a collection is kept with',
  ),
);

const potHere = object<PlacePot>(
  {
    id: id(),
    number: text(40),
    name: text(200),
    form: oneOf(FORMS),
    width_mm: number(0, 1e5),
    crown_mm: number(0, 1e5),
    shape: text(20),
    material: text(20),
    light: oneOf(['too-dim', 'gets-by', 'well', 'too-bright'] satisfies LightVerdict[]),
    wants: text(20),
    verdict: oneOf(JUDGED),
    state: oneOf(PLANT_STATES),
    height_mm: number(0, 1e5),
    x_mm: optional(number(0, 1e5)),
    y_mm: optional(number(0, 1e5)),
    wants_mol: object<{ from: number; to: number }>({ from: number(0, 100), to: number(0, 1000) }, 'a range'),
    poisonous: object<{ people: boolean; pets: boolean }>({ people: yesNo(), pets: yesNo() }, 'whom it harms'),
    quarantine_until: optional(day()),
  },
  'a pot',
);
/** Of several kinds, told apart by `code`: air-dry, air-wet, morning-sun, hazard. */
const placeAdvice = Joi.object({
  code: oneOf(['air-dry', 'air-wet', 'morning-sun', 'hazard']),
  plants: ids,
  rhPct: number(0, 100, '%').optional(),
  band: object({ fromPct: number(0, 100), toPct: number(0, 100) }, 'a band of humidity').optional(),
  afternoonH: number(0, 24).optional(),
  to: optional(id()),
  hazard: oneOf(HAZARDS).optional(),
});
const temperature = number(-90, 90, '°C');
export const placesSchema = named(
  'Places',
  object<{ places: PlaceView[] }>(
    {
      places: list(
        object<PlaceView>(
          {
            ...(placeFields satisfies Record<keyof PlaceFields, Joi.Schema>),
            kind: oneOf(PLACE_KINDS),
            air: oneOf(AIRS),
            id: id(),
            site_id: id(),
            site: text(LONGEST_NAME),
            version: id(),
            today: object<PlaceView['today']>(
              {
                tmin_c: temperature,
                tmax_c: temperature,
                rh_pct: number(0, 100, '%'),
                tonight_c: temperature,
                dli_mol: number(0, 100),
                sun_h: number(0, 24),
                morning_sun_h: number(0, 24),
              },
              'its climate today',
            ),
            learned: object<PlaceView['learned']>(
              {
                offset_min_c: temperature,
                offset_max_c: temperature,
                readings: whole(0, 1e6),
                factor: object<PlaceView['learned']['factor']>(
                  { p10: number(0, 100), p50: number(0, 100), p90: number(0, 100) },
                  'a factor',
                ),
              },
              'what thermometers and pots taught',
            ),
            crowded: optional(number(0, 1000)),
            advice: list(placeAdvice, 'advice'),
            pots: list(potHere, 'pots'),
            last_readings: list(
              object<PlaceView['last_readings'][number]>(
                { date: day(), tmin_c: temperature, tmax_c: temperature, rh_pct: optional(number(0, 100, '%')) },
                'a reading',
              ),
              'readings',
            ),
          },
          'a place',
        ),
        'places',
      ),
    },
    'all places',
  ),
);

export interface GardenTaken {
  /** null where it was only tried */
  site_id: number | null;
  places: number;
  mixes: number;
  plants: number;
  events: number;
  /** pointers of fields nobody knows */
  ignored: string[];
}
const count = whole(0, 1e8);
export const gardenTaken = object<GardenTaken>(
  {
    site_id: optional(id()),
    places: count,
    mixes: count,
    plants: count,
    events: count,
    ignored: list(Joi.string().allow(''), 'pointers'),
  },
  'what a garden file brought',
);

const rowText = Joi.string().allow('').required();
export const csvReport = object<CsvReport>(
  {
    rows: count,
    good: count,
    faults: list(
      object<CsvReport['faults'][number]>(
        { row: whole(1, 1e8), column: rowText, got: rowText, wanted: rowText },
        'a fault',
      ),
      'faults',
    ),
    notes: list(
      object<CsvReport['notes'][number]>(
        { row: whole(1, 1e8), column: rowText, got: rowText, taken: rowText },
        'a note',
      ),
      'notes',
    ),
    left_out: count,
    import_id: optional(id()),
    sample: list(
      object<CsvReport['sample'][number]>({ name: rowText, number: rowText, place: rowText, mix: rowText }, 'a row'),
      'rows',
    ),
  },
  'what a list of plants brought',
);

export interface ImportView {
  id: number;
  name: string;
  plants: number;
  made_at: string;
  undone_at: string | null;
}
const instant = Joi.string().isoDate().required();
export const importsSchema = object<{ imports: ImportView[] }>(
  {
    imports: list(
      object<ImportView>(
        { id: id(), name: text(200), plants: count, made_at: instant, undone_at: optional(instant) },
        'an import',
      ),
      'imports',
    ),
  },
  'imports',
);

export interface TokenView {
  id: number;
  name: string;
  made_at: string;
  revoked: boolean;
}
export const tokensSchema = object<{ tokens: TokenView[] }>(
  {
    tokens: list(
      object<TokenView>({ id: id(), name: text(80), made_at: instant, revoked: yesNo() }, 'an address'),
      'addresses',
    ),
  },
  'calendar addresses',
);
export const tokenMade = object<{ id: number; path: string }>({ id: id(), path: text(200) }, 'a calendar address');
