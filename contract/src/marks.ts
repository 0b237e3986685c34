/** Marks: what a keeper writes on one pot, on many, or on a whole bench, in one go. */
import { type Form } from '@zinc-pail/core';
import type { AfterNote, CareRules, CareTask, Judgement, OutlookView, PlantEvent, Way } from '@zinc-pail/core';
import { ROOT_FINDINGS, WAYS, type ReminderCode } from '@zinc-pail/core';
import Joi from 'joi';
import {
  day,
  id,
  idText,
  list,
  MOST_ID,
  named,
  number,
  object,
  oneOf,
  optional,
  text,
  whole,
  yesNo,
} from './fields.ts';
import { ENDINGS } from './choices.ts';
import { MOST_AT_ONCE } from './limits.ts';
import { eventSchema, keptPot } from './gardenFile.ts';
import type { LineOutlook } from './line.ts';

export const UUID = Joi.string()
  // Joi's own guid() takes braces and leaves dashes out: to the database those would be other ids.
  .pattern(/^[\da-f]{8}-[\da-f]{4}-[47][\da-f]{3}-[89ab][\da-f]{3}-[\da-f]{12}$/i)
  .required()
  .messages({ '*': 'a UUID made by the client' });

export const SKIP_REASONS = ['still-wet', 'asleep', 'too-cold', 'just-potted', 'not-sure', 'no-time', 'other'] as const;
export type SkipReason = (typeof SKIP_REASONS)[number];
/** What was done before a cold night: brought in, covered, or left out knowingly. */
export const SHELTERS = ['in', 'covered', 'left'] as const;
export type Shelter = (typeof SHELTERS)[number];
export const FLOWERING_STAGES = ['buds', 'open', 'over', 'seed'] as const;

/** Journal entries that the garden file does not know. */
export type OwnEvent =
  | { type: 'note'; date: string; text: string }
  | { type: 'skip'; date: string; reason: SkipReason; text?: string | null }
  | {
      type: 'measure';
      date: string;
      diameter_mm?: number;
      height_mm?: number;
      caudex_mm?: number;
      heads?: number;
      weight_g?: number;
      /** stem between two leaves, low down and near the tip */
      internode_low_mm?: number;
      internode_tip_mm?: number;
    }
  | {
      type: 'flowering';
      date: string;
      stage: (typeof FLOWERING_STAGES)[number];
      flowers?: number | null;
      text?: string | null;
    }
  | { type: 'drain'; date: string; seconds: number }
  | { type: 'sun'; date: string; minutes: number; scorched?: boolean | null }
  | { type: 'review'; date: string; answer: 'better' | 'same' | 'worse'; text?: string | null }
  | { type: 'firmed'; date: string; yes: boolean }
  /** looked at for a new pot, and it fits the one it has */
  | { type: 'pot-fits'; date: string }
  | { type: 'sheltered'; date: string; how: Shelter }
  | {
      type: 'arrival';
      date: string;
      pests: boolean;
      sleeve_off: boolean;
      hole: boolean;
      peat_off: boolean;
      roots: 'sound' | 'poor' | 'not-seen';
      name_checked: boolean;
      text?: string | null;
    }
  | { type: 'picture'; date: string; picture: number }
  | { type: 'ended'; date: string; how: 'died' | 'given'; cause?: string | null };

/** How a drink was given, besides what the garden file keeps of it. */
interface WateringMore {
  way?: Way | null;
  /** water stood on leaves or in the heart */
  wet_leaves?: boolean | null;
  /** the list that told of it */
  import?: number | null;
  /** the step of a case that it was */
  with?: string | null;
}
/** A feed knows the drink it went in with. */
interface FeedingMore {
  with?: string | null;
  feed_id?: number | null;
}

export type JournalEvent =
  | PlantEvent
  | (PlantEvent & { type: 'watering' } & WateringMore)
  | (PlantEvent & { type: 'feeding' } & FeedingMore)
  | OwnEvent;
export type NewEntry = JournalEvent & { client_id: string };

export interface JournalEntry {
  client_id: string;
  plant_id: number;
  event: JournalEvent;
  written_at: string;
  written_by: string;
  voided: boolean;
}

const measure = {
  diameter_mm: number(0, 10_000, 'mm').optional(),
  height_mm: number(0, 20_000, 'mm').optional(),
  caudex_mm: number(0, 5000, 'mm').optional(),
  heads: whole(0, 10_000).optional(),
  weight_g: number(0, 1_000_000, 'g').optional(),
  internode_low_mm: number(0.1, 1000, 'mm').optional(),
  internode_tip_mm: number(0.1, 1000, 'mm').optional(),
};

/** Fields of the journal's own kinds. */
export const ownFields: Record<string, Record<string, Joi.Schema>> = {
  note: { text: text(4000) },
  skip: { reason: oneOf(SKIP_REASONS), text: optional(text(300)) },
  measure,
  flowering: { stage: oneOf(FLOWERING_STAGES), flowers: optional(whole(0, 10_000)), text: optional(text(300)) },
  drain: { seconds: number(0, 3600, 's') },
  sun: { minutes: whole(0, 1440, 'minutes'), scorched: optional(yesNo()) },
  review: { answer: oneOf(['better', 'same', 'worse']), text: optional(text(300)) },
  firmed: { yes: yesNo() },
  'pot-fits': {},
  sheltered: { how: oneOf(SHELTERS) },
  arrival: {
    pests: yesNo(),
    sleeve_off: yesNo(),
    hole: yesNo(),
    peat_off: yesNo(),
    roots: oneOf(['sound', 'poor', 'not-seen']),
    name_checked: yesNo(),
    text: optional(text(1000)),
  },
  picture: { picture: id() },
  ended: { how: oneOf(ENDINGS), cause: optional(text(500)) },
};
const moreFields: Record<string, Record<string, Joi.Schema>> = {
  watering: { way: optional(oneOf(WAYS)), wet_leaves: optional(yesNo()), import: optional(id()), with: optional(UUID) },
  sign: { with: optional(UUID) },
  'case-step': { with: optional(UUID) },
  note: { import: optional(id()) },
  feeding: { with: optional(UUID), feed_id: optional(id()) },
  repotting: {
    findings: optional(list(oneOf(ROOT_FINDINGS), 'what the roots were like', ROOT_FINDINGS.length)),
    root_loss: optional(number(0, 1)),
    why: optional(oneOf(['signs', 'years', 'rescue'])),
    divided: optional(whole(0, 50)),
    // The journal holds more of a pot than a garden file does.
    before: optional(object({ pot: keptPot, mix: text(64) }, 'an object with pot and mix')),
  },
};

/**
 * What a mark may write; repotting, moves, pictures and endings change more than the journal and have their own ways.
 */
export const MARKED_TYPES = [
  'watering',
  'check',
  'weights',
  'sign',
  'feeding',
  'state',
  'changed',
  'verdict',
  'case-step',
  'case-closed',
  'note',
  'skip',
  'measure',
  'flowering',
  'drain',
  'sun',
  'review',
  'firmed',
  'pot-fits',
  'sheltered',
  'arrival',
] as const;
export const newEntry = named(
  'New entry',
  eventSchema({ client_id: UUID, date: day() }, MARKED_TYPES, ownFields, moreFields),
);
export const anyEntry = named(
  'Event',
  eventSchema({ date: day() }, [...MARKED_TYPES, 'repotting', 'move', 'picture', 'ended'], ownFields, moreFields),
);

const MOST_ENTRIES = 50;

export interface NewMark {
  plant_id: number;
  /** the plant's revision as the keeper saw it; what was written since then is told, not doubled */
  seen?: number | null;
  entries: NewEntry[];
}

const entries = list(newEntry, 'a list of entries', MOST_ENTRIES)
  .min(1)
  .messages({ 'array.min': 'at least one entry' });
export const newMarks = object<{ marks: NewMark[]; anyway?: boolean }>(
  {
    marks: list(
      object({ plant_id: id(), seen: optional(whole(0, MOST_ID)), entries }, 'a mark with plant_id and entries'),
      'a list of marks',
      MOST_AT_ONCE,
    )
      .min(1)
      .messages({ 'array.min': 'at least one mark' }),
    anyway: yesNo().optional(),
  },
  'an object with marks',
);
export const voidBody = object<{ client_ids: string[] }>(
  { client_ids: list(UUID, 'ids of entries', MOST_AT_ONCE).min(1).messages({ 'array.min': 'at least one id' }) },
  'an object with client_ids',
);

export interface Timer {
  id: number;
  plant_id: number;
  plant: string;
  kind: 'saucer' | 'lift' | 'fan' | 'firm' | 'review';
  code: ReminderCode;
  /** how long it may stand in water */
  minutes: number | null;
  due_at: string;
}

export interface PotTask {
  /** the one answer: what to do with it today, and why */
  judgement: Judgement;
  /** the drink it gets now, or would get on its day */
  way: Way;
  method: CareTask['drink']['method'];
  amount_ml: number;
  water: CareTask['drink']['water'];
  flush: boolean;
  /** share of the label's dose that goes with it, or null */
  food: number | null;
  feed: CareTask['feed'];
  feed_id: number | null;
  due: string | null;
  salts: CareTask['salts'];
  own_words: string | null;
  hard_to_replace: boolean;
  stand: CareRules['stand'];
  saucer_minutes: number;
  soak_minutes: number;
}

/** One pot as the Round shows it. */
export interface RoundPot {
  id: number;
  number: string;
  name: string;
  form: Form;
  diameter_mm: number;
  height_mm: number;
  revision: number;
  quarantine_until: string | null;
  /** its newest photograph */
  picture_id: number | null;
  outlook: LineOutlook;
  task: PotTask;
}

/** A pot with all that is reckoned of it. */
export interface WholePot extends RoundPot {
  outlook: OutlookView;
}

export interface MarkedPot {
  plant_id: number;
  entries: JournalEntry[];
  pot: WholePot;
  /** what the finding means beyond the judgement */
  advice: AfterNote[];
}

export interface MarksResult {
  done: MarkedPot[];
  /** pots that someone else had marked alike meanwhile: nothing was written on these */
  already: {
    plant_id: number;
    plant: string;
    by: string;
    deed: 'fed' | 'watered';
    /** by the site's clock, "10:31" */ at: string;
    pot: WholePot;
  }[];
  timers: Timer[];
}

/** Only the id is looked at: a path's `plantId` or `id`. */
export const idParam = object<{ id: number }>({ id: idText() }, 'something that is here');

/** A walking order: each id once. */
export const orderBody = object<{ ids: number[] }>(
  {
    ids: list(id(), 'ids in walking order', MOST_AT_ONCE).min(1).messages({ 'array.min': 'at least one id' }),
  },
  'an object with ids',
);
