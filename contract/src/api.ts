/** Bodies that cross the wire between the server and whoever asks. */
import { type Garden, type OutlookView, type PlantEvent, VERDICT_KINDS } from '@zinc-pail/core';
import Joi from 'joi';
import { eventFields, eventSchema, pot } from './gardenFile.ts';
import { day, list, number, object, optional, text, whole } from './fields.ts';

const UUID = Joi.string().guid({ version: ['uuidv4', 'uuidv7'] }).required().messages({ '*': 'a UUID made by the client' });

/** A note is a journal entry that the garden file does not know. */
export type JournalEvent = PlantEvent | { type: 'note'; date: string; text: string };
export type NewEntry = JournalEvent & { client_id: string };

export interface JournalEntry {
  client_id: string;
  plant_id: number;
  event: JournalEvent;
  written_at: string;
  written_by: string;
  voided: boolean;
}

/** Kinds of event that a mark may write; repotting and moves change more than the journal. */
const MARKS = ['watering', 'check', 'weights', 'sign', 'feeding', 'state'];
const MOST_AT_ONCE = 200;

const newEntry = eventSchema({ client_id: UUID, date: day() }, [...MARKS, 'note'], { note: { text: text(4000) } });

export const newEntries = object(
  { entries: list(newEntry, 'a list of entries', MOST_AT_ONCE).min(1).messages({ 'array.min': 'at least one entry' }) },
  'an object with entries',
);

export const plantIdParam = object({ plantId: whole(1, 4_294_967_295).prefs({ convert: true }) }, 'a plant');
export const clientIdParam = object({ clientId: UUID }, 'an entry');

export interface RoundPot {
  id: number;
  number: string;
  name: string;
  form: string;
  diameter_mm: number;
  height_mm: number;
  outlook: OutlookView;
}

export interface RoundPlace {
  id: number;
  name: string;
  kind: string;
  today: { tmin_c: number; tmax_c: number; rh_pct: number };
  tonight_c: number;
  pots: RoundPot[];
}

export interface RoundSite {
  id: number;
  name: string;
  today: string;
  latitude_deg: number;
  /** lowest of the coming nights outside */
  nights_c: number[];
  places: RoundPlace[];
  /** pots whose ideal day falls in each of the coming weeks */
  load: number[];
}

export interface RoundView {
  collection: string;
  sites: RoundSite[];
}

export interface PlantView {
  id: number;
  number: string;
  name: string;
  taxon: string | null;
  provenance: string | null;
  form: string;
  diameter_mm: number;
  height_mm: number;
  site: { id: number; name: string; today: string; latitude_deg: number };
  place: { id: number; name: string; kind: string };
  mix: { name: string; parts: { component: string; parts: number }[] };
  potted_on: string;
  outlook: OutlookView;
  journal: JournalEntry[];
}

export interface MarkResult {
  entries: JournalEntry[];
  outlook: OutlookView;
}

// What the server sends, as the tests hold it to.

const band = object({ p10: number(-10, 100), p50: number(-10, 100), p90: number(-10, 100) }, 'a band');
const days3 = object({ p10: optional(day()), p50: optional(day()), p90: optional(day()) }, 'three days');
const bandSeries = object({ from: day(), p10: list(number(0, 2), 'numbers'), p50: list(number(0, 2), 'numbers'), p90: list(number(0, 2), 'numbers') }, 'bands');

export const outlookSchema = object(
  {
    id: text(200), state: Joi.valid('growing', 'easing', 'resting', 'waking').required(), moisture: band, dry_on: days3,
    water: optional(object({ earliest: day(), ideal: day(), latest: day(), amount_ml: number(0, 1e6), method: Joi.valid('drench', 'measured', 'bottom', 'mist').required() }, 'a window')),
    hold: object({ until: day(), why: text(300) }, 'a hold').optional(), rate: band,
    because: list(object({ factor: text(30), days: number(-1e4, 1e4), text: text(300) }, 'a reason'), 'reasons'),
    verdict: object({ kind: Joi.valid(...VERDICT_KINDS).required(), head: text(100), reason: text(300) }, 'a verdict'),
    due_m: number(0, 1), available_ml: number(0, 1e7), volume_ml: number(0, 1e7), pot, past: bandSeries, ahead: bandSeries,
    cold_nights: list(day(), 'days'), rest: list(object({ from: day(), to: day() }, 'a span'), 'spans'), state_since: day(),
    next_change: optional(object({ on: day(), state: text(20) }, 'a change')), checks: whole(0, 1e6), last_watered: optional(day()),
    last_checked: optional(day()), reference_days: number(0, 400), cycle_days: number(0, 400), traits: Joi.object().required(), trait_sources: Joi.object().required(),
    cautions: list(text(30), 'cautions'),
    alarm: optional(object({ kind: Joi.valid('slower', 'faster', 'contradictory').required(), text: text(400) }, 'an alarm')),
    thirst: object({ level: number(0, 1), word: text(30), wrinkles_in_days: optional(whole(0, 400)), harms_in_days: optional(whole(0, 400)) }, 'thirst'),
    wet_feet: object({ level: number(0, 1), word: text(30), harms_in_days: optional(whole(0, 400)) }, 'wet feet'),
    schools: object(
      { pot: optional(day()), plant: optional(day()), calendar: optional(day()), interval_days: optional(number(0, 400)), interval_from: text(20), disagree: Joi.boolean().required() },
      'three schools',
    ),
    state_why: text(100),
  },
  'an outlook',
);

const potFields = { id: whole(1, 1e9), number: text(40), name: text(200), form: text(20), diameter_mm: number(0, 1e4), height_mm: number(0, 2e4) };

export const roundSchema = object(
  {
    collection: text(120),
    sites: list(
      object(
        {
          id: whole(1, 1e9), name: text(120), today: day(), latitude_deg: number(-90, 90), nights_c: list(number(-90, 60), 'nights'), load: list(whole(0, 1e6), 'counts'),
          places: list(
            object(
              {
                id: whole(1, 1e9), name: text(120), kind: text(20), tonight_c: number(-90, 60),
                today: object({ tmin_c: number(-90, 90), tmax_c: number(-90, 90), rh_pct: number(0, 100) }, 'a climate'),
                pots: list(object({ ...potFields, outlook: outlookSchema }, 'a pot'), 'pots'),
              },
              'a place',
            ),
            'places',
          ),
        },
        'a site',
      ),
      'sites',
    ),
  },
  'a round',
);

const journalEntry = object(
  {
    client_id: UUID, plant_id: whole(1, 1e9), written_at: Joi.string().isoDate().required(), written_by: text(80), voided: Joi.boolean().required(),
    event: eventSchema({ date: day() }, [...Object.keys(eventFields), 'note'], { note: { text: text(4000) } }),
  },
  'an entry',
);

export const plantSchema = object(
  {
    ...potFields, taxon: optional(text(200)), provenance: optional(text(500)),
    site: object({ id: whole(1, 1e9), name: text(120), today: day(), latitude_deg: number(-90, 90) }, 'a site'),
    place: object({ id: whole(1, 1e9), name: text(120), kind: text(20) }, 'a place'),
    mix: object({ name: text(120), parts: list(object({ component: text(100), parts: number(0, 1000) }, 'a part'), 'parts') }, 'a mix'),
    potted_on: day(), outlook: outlookSchema, journal: list(journalEntry, 'entries'),
  },
  'a plant',
);

export const markResultSchema = object({ entries: list(journalEntry, 'entries'), outlook: outlookSchema }, 'the result of a mark');

/** Anything that was refused or failed (RFC 9457). */
export interface Problem {
  type: string;
  title: string;
  status: number;
  detail: string;
  faults?: { pointer: string; got?: unknown; accepted: string }[];
}

export const problemSchema = object(
  {
    type: text(200), title: text(200), status: whole(400, 599), detail: text(4000),
    faults: list(object({ pointer: Joi.string().allow('').required(), got: Joi.any(), accepted: text(1000) }, 'a fault'), 'faults').optional(),
  },
  'a problem',
);

export type { Garden };
