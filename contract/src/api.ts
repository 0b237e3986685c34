/** Bodies that cross the wire between the server and whoever asks. */
import { type Form, FORMS } from '@zinc-pail/core';
import {
  type NeedReason,
  type PlaceKind,
  type Cause,
  CAUSES,
  FEED_CODES,
  type Garden,
  type OutlookView,
  type SourcedRules,
  JUDGED,
  type Spot,
  SPOTS,
  REASON_CODES,
  STANDS,
  type Step,
  STEPS,
  THIRST_WORDS,
  WATCH_CODES,
  type WatchCode,
  WET_FEET_WORDS,
  WATER_KINDS,
  type CanFeed,
  type CanLine,
  METHODS,
  REMINDER_CODES,
  WAYS,
} from '@zinc-pail/core';
import Joi from 'joi';
import { keptPot as pot } from './gardenFile.ts';
import {
  anyEntry,
  type JournalEntry,
  type JournalEvent,
  type MarksResult,
  type PotTask,
  type RoundPot,
  type Shelter,
  SHELTERS,
  type Timer,
  UUID,
  type WholePot,
} from './marks.ts';
import { LINE_FIELDS } from './line.ts';
import { day, id, idText, list, named, number, object, oneOf, optional, text, whole, yesNo } from './fields.ts';
import { ALSO_KINDS, ENDINGS, TIMER_KINDS } from './choices.ts';
import { LONGEST_CAPTION } from './limits.ts';
import { schemaOf } from './keeping.ts';
import { needReason } from './potting.ts';
import { PLANT_FIELDS, RECORD_FIELDS, type PlantValues, type RecordField } from './plantFields.ts';

export const plantIdParam = object<{ plantId: number }>({ plantId: idText() }, 'a plant');

/** A pot that tonight is too cold for, or nearly, or that was seen to. */
export interface ColdPot {
  id: number;
  name: string;
  limit_c: number;
  /** not below its limit as expected, but within the margin of a wrong forecast */
  near: boolean;
  /** share of the weathers in which tonight is below it */
  chance: number;
  /** what was done about it today */
  done: Shelter | null;
}

/** A mark of today on a pot of the Round: its line rests till tomorrow, and it can be taken back. */
export interface DoneToday {
  plant_id: number;
  client_id: string;
  event: JournalEvent;
}

/** A bench on the Round: pots that want something in full, the others counted; they come when the bench is opened. */
export interface RoundPlace {
  id: number;
  name: string;
  kind: PlaceKind;
  quarantine: boolean;
  today: { tmin_c: number; tmax_c: number; rh_pct: number };
  tonight_c: number;
  /** four nights of five that may come lie between these, °C */
  night_band_c: readonly [low: number, high: number];
  /** those of whom anything is asked today, that are near their day, or that were seen to */
  pots: RoundPot[];
  left: number;
  asleep: number;
  /** pots that tonight is too cold for, or nearly: most tender first */
  cold: ColdPot[];
  /** marks of today on its pots, the oldest first */
  done: DoneToday[];
  version: number;
}

export type { CanLine };

export interface RoundSite {
  id: number;
  name: string;
  today: string;
  latitude_deg: number;
  /** lowest of the coming nights outside */
  nights_c: number[];
  /** pots by what is judged of them today; those watered today already */
  counts: Record<(typeof JUDGED)[number] | 'asleep' | 'watered', number>;
  can_ml: number;
  can: CanLine[];
  feeds: CanFeed[];
  places: RoundPlace[];
  /** waterings to be expected in each of the coming weeks */
  load: number[];
  /** what else today asks for, plant by plant */
  /** who comes in and who goes out within the next weeks, by the nights of the places */
  moves: {
    kind: 'in' | 'out';
    place_id: number;
    place: string;
    on: string;
    plants: { id: number; name: string; on: string }[];
  }[];
  /** steps of open cases that have come due, and hands that the record raised */
  clinic: {
    steps: { plant_id: number; plant: string; place: string; cause: Cause; step: Step; due: string; time: number }[];
    raised: { plant_id: number; plant: string; place: string; code: WatchCode; n: Readonly<Record<string, number>> }[];
    /** the bench that has waited longest for a look at all its plants; null where none is due */
    inspect: {
      place_id: number;
      place: string;
      plants: number;
      last: string | null;
      spots: Spot[];
      close: boolean;
    } | null;
  };
  also: {
    plant_id: number;
    plant: string;
    kind: (typeof ALSO_KINDS)[number];
    day: string;
    minutes?: number;
    /** of a look after a potting: which */
    n?: number;
  }[];
  /** who is to be potted this coming weekend, and why */
  pottings: { plant_id: number; on: string; reason: NeedReason }[];
}

export interface RoundView {
  collection: string;
  sites: RoundSite[];
}

/** The round while it is reckoned from nothing: the sites as far as they are, and how far those are that still come. */
export interface RoundSoFar extends RoundView {
  coming: { id: number; name: string; stage: 'reading' | 'reckoning'; done: number; of: number }[];
}

/** Who a plant is and where it came from. */
export interface PlantRecord extends PlantValues<RecordField> {
  ended: (typeof ENDINGS)[number] | null;
  ended_on: string | null;
  ended_why: string | null;
  mother: { id: number; name: string; number: string } | null;
  offspring: { id: number; name: string; number: string; ended: string | null }[];
  pictures: { id: number; day: string; caption: string | null; width_px: number; height_px: number }[];
  hardening: { date: string; minutes: number }[] | null;
  doubt: string | null;
  genus: string | null;
  slow: boolean;
  poisonous: { people: boolean; pets: boolean };
  /** what its companions in the pot want otherwise */
  clashes: string[];
}

export interface PlantView {
  id: number;
  number: string;
  name: string;
  taxon: string | null;
  provenance: string | null;
  form: Form;
  diameter_mm: number;
  height_mm: number;
  site: { id: number; name: string; today: string; latitude_deg: number };
  place: { id: number; name: string; kind: string };
  mix: { id: number; name: string; parts: { component: string; parts: number }[] };
  potted_on: string;
  revision: number;
  version: number;
  outlook: OutlookView;
  task: RoundPot['task'];
  care: SourcedRules & { reasons: Record<string, string> };
  journal: JournalEntry[];
  record: PlantRecord;
}

// What the server sends, as the tests hold it to.

const band = object({ p10: number(-10, 100), p50: number(-10, 100), p90: number(-10, 100) }, 'a band');
const numbers = Joi.object().pattern(Joi.string(), Joi.number()).required();
const days3 = object({ p10: optional(day()), p50: optional(day()), p90: optional(day()) }, 'three days');
const bandSeries = object(
  {
    from: day(),
    p10: list(number(0, 2), 'numbers'),
    p50: list(number(0, 2), 'numbers'),
    p90: list(number(0, 2), 'numbers'),
  },
  'bands',
);

export const outlookSchema = named(
  'Outlook',
  object<OutlookView>(
    {
      id: text(200),
      state: Joi.valid('growing', 'easing', 'resting', 'waking').required(),
      moisture: band,
      dry_on: days3,
      water: optional(
        object(
          {
            earliest: day(),
            ideal: day(),
            latest: day(),
            amount_ml: number(0, 1e6),
            method: Joi.valid(...METHODS).required(),
          },
          'a window',
        ),
      ),
      hold: object(
        { until: day(), kind: oneOf(['rest', 'goes-to-rest', 'cold', 'potted', 'judged']), n: numbers },
        'a hold',
      ).optional(),
      rate: band,
      because: list(
        object({ factor: text(30), days: number(-1e4, 1e4), n: numbers, of: text(30).optional() }, 'a reason'),
        'reasons',
      ),
      due_m: number(0, 1),
      available_ml: number(0, 1e7),
      volume_ml: number(0, 1e7),
      pot,
      past: bandSeries,
      ahead: bandSeries,
      cold_nights: list(day(), 'days'),
      weekly_limit_c: list(number(-90, 60, '°C'), 'limits by week'),
      rest: list(object({ from: day(), to: day() }, 'a span'), 'spans'),
      state_since: day(),
      next_change: optional(object({ on: day(), state: text(20) }, 'a change')),
      checks: whole(0, 1e6),
      last_watered: optional(day()),
      last_checked: optional(day()),
      reference_days: number(0, 400),
      cycle_days: number(0, 400),
      genus: optional(text(60)),
      traits: Joi.object().required(),
      trait_sources: Joi.object().required(),
      cautions: list(text(30), 'cautions'),
      alarm: optional(
        object({ kind: Joi.valid('slower', 'faster', 'contradictory').required(), factor: number(0, 100) }, 'an alarm'),
      ),
      thirst: object(
        {
          level: number(0, 1),
          word: oneOf(THIRST_WORDS),
          wrinkles_in_days: optional(whole(0, 400)),
          harms_in_days: optional(whole(0, 400)),
        },
        'thirst',
      ),
      wet_feet: object(
        { level: number(0, 1), word: oneOf(WET_FEET_WORDS), harms_in_days: optional(whole(0, 400)) },
        'wet feet',
      ),
      schools: object(
        {
          pot: optional(day()),
          plant: optional(day()),
          calendar: optional(day()),
          interval_days: optional(number(0, 400)),
          interval_from: text(20),
          disagree: Joi.boolean().required(),
        },
        'three schools',
      ),
      steps: list(
        object(
          { on: day(), way: oneOf(['earlier', 'later']), sign: text(40), helped: optional(Joi.boolean()) },
          'a step',
        ),
        'steps',
      ),
      unstepped: object({ due_m: number(0, 1), hold_days: number(0, 120) }, 'its rule without steps'),
      state_why: text(20),
      state_since_start: Joi.boolean().required(),
    },
    'an outlook',
  ),
);

const potFields = {
  id: id(),
  number: text(40),
  name: text(200),
  form: oneOf(FORMS),
  diameter_mm: number(0, 1e4),
  height_mm: number(0, 2e4),
};
const feedAdvice = object(
  {
    kind: oneOf(['feed', 'plain']),
    strength: number(0, 2).optional(),
    why: object({ code: oneOf(FEED_CODES), n: numbers, of: text(30).optional() }, 'a reason'),
    until: optional(day()),
    given: whole(0, 1e4),
    ceiling: optional(whole(0, 100)),
  },
  'advice on food',
);
const reasonSchema = object(
  {
    code: oneOf(REASON_CODES),
    source: oneOf(['seen', 'reckoned', 'rule', 'forecast']),
    on: day().optional(),
    weight: number(0, 1),
    n: numbers.optional(),
    of: text(40).optional(),
  },
  'a reason',
);
const deed = object(
  { deed: oneOf(['act', 'move', 'look', 'water', 'sip', 'wait', 'sleep', 'wake']) },
  'a deed',
).unknown(true);
const judgementSchema = named(
  'Judgement',
  object(
    {
      deeds: list(deed, 'deeds').min(1),
      until: optional(day()),
      next_look: optional(day()),
      because: list(reasonSchema, 'reasons').min(1),
      against: list(reasonSchema, 'reasons'),
      happened: list(
        object(
          {
            kind: oneOf(['stranger', 'ran-past', 'slower', 'faster', 'slip']),
            probability: number(0, 1),
            from: day(),
            to: day(),
            look: text(20).optional(),
          },
          'a happening',
        ),
        'happenings',
      ),
      mind: list(text(40), 'codes'),
      never: text(40),
      never_c: optional(number(-60, 60)),
      sure: oneOf(['high', 'medium', 'low']),
    },
    'a judgement',
  ),
);
const taskSchema = named(
  'Task',
  object<PotTask>(
    {
      judgement: judgementSchema,
      food: optional(number(0, 2)),
      way: oneOf(WAYS),
      method: oneOf(METHODS),
      amount_ml: number(0, 1e6),
      water: oneOf(WATER_KINDS),
      feed: feedAdvice,
      feed_id: optional(id()),
      flush: Joi.boolean().required(),
      due: optional(day()),
      salts: object(
        { ecMS: number(0, 1e4), limitMS: number(0, 100), flush: Joi.boolean().required(), hardDrinks: whole(0, 1e6) },
        'salts',
      ),
      own_words: optional(text(500)),
      hard_to_replace: Joi.boolean().required(),
      stand: oneOf(STANDS),
      saucer_minutes: whole(1, 240),
      soak_minutes: whole(1, 240),
    },
    'a task',
  ),
);
const potWith = (outlook: Joi.Schema) =>
  object<RoundPot>(
    {
      ...potFields,
      revision: id(),
      quarantine_until: optional(day()),
      picture_id: optional(id()),
      outlook,
      task: taskSchema,
    },
    'a pot',
  );
const wholePotSchema = named('Whole pot', potWith(outlookSchema) as Joi.ObjectSchema<WholePot>);
/** A line's outlook: a part of the whole, and of the past no more than its middle. */
const lineSchema = named(
  'Outlook of a line',
  object(
    {
      ...Object.fromEntries(LINE_FIELDS.map((field) => [field, outlookSchema.extract(field)])),
      past: object({ from: day(), p50: list(number(0, 2), 'numbers') }, 'a past'),
    },
    'an outlook',
  ),
);
export const roundPotSchema = named('Pot on the round', potWith(lineSchema));

const canLine = object(
  {
    water: text(20),
    pots: whole(1, 1e6),
    ml: number(0, 1e9),
    fills: whole(1, 1e6),
    feed: optional(
      object(
        {
          name: optional(text(120)),
          strength: number(0, 2),
          unit: optional(oneOf(['ml', 'g'])),
          dose: optional(number(0, 1e6)),
        },
        'a feed',
      ),
    ),
  },
  'a line of the can',
);

export const roundSchema = named(
  'Round',
  object<RoundView>(
    {
      collection: text(120),
      sites: list(
        object(
          {
            id: id(),
            name: text(120),
            today: day(),
            latitude_deg: number(-90, 90),
            nights_c: list(number(-90, 60), 'nights'),
            load: list(whole(0, 1e6), 'counts'),
            can_ml: whole(1, 1e6),
            can: list(canLine, 'lines'),
            feeds: list(
              object<CanFeed>(
                { id: id(), name: text(200), unit: oneOf(['ml', 'g']), per_litre: number(0, 1e6) },
                'a feed',
              ),
              'feeds at hand',
            ),
            counts: object(
              Object.fromEntries([...JUDGED, 'asleep', 'watered'].map((kind) => [kind, whole(0, 1e6)])),
              'counts',
            ),
            moves: list(
              object(
                {
                  kind: oneOf(['in', 'out']),
                  place_id: id(),
                  place: text(120),
                  on: day(),
                  plants: list(object({ id: id(), name: text(200), on: day() }, 'a plant'), 'plants'),
                },
                'moves',
              ),
              'moves',
            ),
            clinic: object<RoundSite['clinic']>(
              {
                steps: list(
                  object(
                    {
                      plant_id: id(),
                      plant: text(200),
                      place: text(120),
                      cause: oneOf(CAUSES),
                      step: oneOf(STEPS),
                      due: day(),
                      time: whole(1, 1000),
                    },
                    'a step',
                  ),
                  'steps',
                ),
                raised: list(
                  object(
                    {
                      plant_id: id(),
                      plant: text(200),
                      place: text(120),
                      code: oneOf(WATCH_CODES),
                      n: Joi.object().required(),
                    },
                    'a hand raised',
                  ),
                  'hands raised',
                ),
                inspect: optional(
                  object(
                    {
                      place_id: id(),
                      place: text(120),
                      plants: whole(1, 1e6),
                      last: optional(day()),
                      spots: list(oneOf(SPOTS), 'places'),
                      close: yesNo().required(),
                    },
                    'a bench to look over',
                  ),
                ),
              },
              'what the clinic asks today',
            ),
            also: list(
              object(
                {
                  plant_id: id(),
                  plant: text(200),
                  kind: oneOf(ALSO_KINDS),
                  day: day(),
                  minutes: whole(0, 1440).optional(),
                  n: whole(1, 3).optional(),
                },
                'a further task',
              ),
              'tasks',
            ),
            pottings: list(
              object<RoundSite['pottings'][number]>(
                { plant_id: id(), on: day(), reason: needReason },
                'a plant to pot',
              ),
              'plants to pot',
            ),
            places: list(
              object(
                {
                  id: id(),
                  name: text(120),
                  kind: text(20),
                  quarantine: Joi.boolean().required(),
                  tonight_c: number(-90, 60),
                  night_band_c: Joi.array().ordered(number(-90, 60), number(-90, 60)).required(),
                  left: whole(0, 1e6),
                  asleep: whole(0, 1e6),
                  version: id(),
                  today: object(
                    { tmin_c: number(-90, 90), tmax_c: number(-90, 90), rh_pct: number(0, 100) },
                    'a climate',
                  ),
                  cold: list(
                    object<ColdPot>(
                      {
                        id: id(),
                        name: text(200),
                        limit_c: number(-60, 60),
                        near: yesNo(),
                        chance: number(0, 1),
                        done: optional(oneOf(SHELTERS)).required(),
                      },
                      'a cold pot',
                    ),
                    'cold pots',
                  ),
                  done: list(
                    object<DoneToday>({ plant_id: id(), client_id: UUID, event: anyEntry }, 'a mark of today'),
                    'marks of today',
                  ),
                  pots: list(roundPotSchema, 'pots'),
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
  ),
);

export const roundSoFarSchema = named(
  'Round so far',
  roundSchema.append<RoundSoFar>({
    coming: list(
      object(
        {
          id: id(),
          name: text(120),
          stage: oneOf(['reading', 'reckoning']),
          done: whole(0, 1e6),
          of: whole(0, 1e6),
        },
        'a site to come',
      ),
      'sites',
    ),
  }),
);

export const journalEntry = named(
  'Entry',
  object<JournalEntry>(
    {
      client_id: UUID,
      plant_id: id(),
      written_at: Joi.string().isoDate().required(),
      written_by: text(80),
      voided: Joi.boolean().required(),
      event: anyEntry,
    },
    'an entry',
  ),
);

const recordSchemas = Object.fromEntries(
  RECORD_FIELDS.map((field) => [field, schemaOf(PLANT_FIELDS[field])]),
) as Record<RecordField, Joi.Schema>;
const kin = { id: id(), name: text(200), number: text(40) };
export const plantSchema = named(
  'Plant',
  object<PlantView>(
    {
      ...potFields,
      taxon: optional(text(200)),
      provenance: optional(text(500)),
      revision: id(),
      version: id(),
      site: object({ id: id(), name: text(120), today: day(), latitude_deg: number(-90, 90) }, 'a site'),
      place: object({ id: id(), name: text(120), kind: text(20) }, 'a place'),
      mix: object(
        {
          id: id(),
          name: text(120),
          parts: list(object({ component: text(100), parts: number(0, 1000) }, 'a part'), 'parts'),
        },
        'a mix',
      ),
      potted_on: day(),
      outlook: outlookSchema,
      task: taskSchema,
      journal: list(journalEntry, 'entries'),
      care: object(
        { rules: Joi.object().required(), sources: Joi.object().required(), reasons: Joi.object().required() },
        'rules',
      ),
      record: object(
        {
          ...recordSchemas,
          ended: optional(oneOf(ENDINGS)),
          ended_on: optional(day()),
          ended_why: optional(text(500)),
          mother: optional(object(kin, 'a plant')),
          offspring: list(object({ ...kin, ended: optional(text(10)) }, 'a plant'), 'plants'),
          pictures: list(
            object(
              {
                id: id(),
                day: day(),
                caption: optional(text(LONGEST_CAPTION)),
                width_px: whole(1, 1e5),
                height_px: whole(1, 1e5),
              },
              'a picture',
            ),
            'pictures',
          ),
          hardening: optional(list(object({ date: day(), minutes: whole(0, 1440) }, 'a step'), 'steps')),
          doubt: optional(text(300)),
          genus: optional(text(60)),
          slow: Joi.boolean().required(),
          poisonous: object({ people: Joi.boolean().required(), pets: Joi.boolean().required() }, 'whom it harms'),
          clashes: list(text(300), 'sentences'),
        },
        'a record',
      ),
    },
    'a plant',
  ),
);

const timer = object<Timer>(
  {
    id: id(),
    plant_id: id(),
    plant: text(200),
    kind: oneOf(TIMER_KINDS),
    code: oneOf(REMINDER_CODES),
    minutes: optional(whole(0, 65535)),
    due_at: Joi.string().isoDate().required(),
  },
  'a timer',
);
export const timersSchema = named('Timers', object<{ timers: Timer[] }>({ timers: list(timer, 'timers') }, 'timers'));
export const marksResultSchema = named(
  'Result of marks',
  object<MarksResult>(
    {
      done: list(
        object(
          {
            plant_id: id(),
            entries: list(journalEntry, 'entries'),
            pot: wholePotSchema,
            advice: list(object({ code: text(40), n: numbers }, 'a note'), 'notes'),
          },
          'a marked pot',
        ),
        'pots',
      ),
      already: list(
        object(
          {
            plant_id: id(),
            plant: text(200),
            by: text(120),
            deed: oneOf(['fed', 'watered']),
            at: text(5),
            pot: wholePotSchema,
          },
          'a pot marked before',
        ),
        'pots',
      ),
      timers: list(timer, 'timers'),
    },
    'the result of marks',
  ),
);

/** Anything that was refused or failed (RFC 9457). */
export interface Problem {
  type: string;
  title: string;
  status: number;
  detail: string;
  faults?: { pointer: string; got?: unknown; accepted: string }[];
  /** what became of a change that met a failure of ours */
  written?: 'no' | 'unknown' | 'yes';
}

export const problemSchema = object<Problem>(
  {
    type: text(200),
    title: text(200),
    status: whole(400, 599),
    detail: text(4000),
    faults: list(
      object({ pointer: Joi.string().allow('').required(), got: Joi.any(), accepted: text(1000) }, 'a fault'),
      'faults',
    ).optional(),
    written: Joi.valid('no', 'unknown', 'yes').optional(),
  },
  'a problem',
);

export type { Garden };
export * from './line.ts';
export * from './marks.ts';
