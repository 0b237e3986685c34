/**
 * Lists of choices that are no horticulture, each once; those of the plant's own world stand in core (garden.ts,
 * watering.ts, care/rules.ts). Kept apart from the schemas, so that no browser carries these. A test holds every ENUM of
 * the database against them.
 */
import { REMINDER_KINDS } from '@zinc-pail/core';

export const SOURCES = ['nursery', 'swap', 'seed', 'cutting', 'gift', 'found', 'other'] as const;
export const NAME_SURE = ['sure', 'likely', 'unknown'] as const;
export const FEED_KINDS = ['liquid', 'grain', 'slow', 'organic', 'compost'] as const;
export const FEED_UNITS = ['ml', 'g'] as const;
/** How a plant leaves a collection. */
export const ENDINGS = ['died', 'given'] as const;
/** What a timer after a drink reminds of. */
export const TIMER_KINDS = [...REMINDER_KINDS, 'review'] as const;

/** What a day may ask for besides water; the last four are what was found on a plant that came. */
export const ALSO_KINDS = [
  'sun',
  'review',
  'quarantine',
  'arrival',
  'potted-look',
  'shade-ends',
  'sleeve',
  'hole',
  'peat',
  'pests',
] as const;

/** Types of marks after which a line of the Round rests till tomorrow. */
export const RESTING_TYPES = ['watering', 'check', 'sign', 'feeding', 'skip'] as const;
