/** What a mark asks for afterwards, and when. */
import type { Judgement } from '../judgement/deeds.ts';
import { placeDefaults } from '../place/defaults.ts';
import type { PlaceKind } from '../garden.ts';
import type { Caution } from '../plant/genera.ts';
import type { CareRules } from './rules.ts';
import { methodRow, type Way, WAY_TABLE } from '../catalogue/ways.ts';

export const REMINDER_KINDS = ['saucer', 'lift', 'fan', 'firm'] as const;
export type ReminderKind = (typeof REMINDER_KINDS)[number];

/** What is to be done, as a code: words are made where they are read. */
export const REMINDER_CODES = ['saucer', 'outer-pot', 'lift', 'lift-now', 'fan', 'blot-heart', 'firm'] as const;
export type ReminderCode = (typeof REMINDER_CODES)[number];

export interface Reminder {
  kind: ReminderKind;
  code: ReminderCode;
  /** minutes after the mark; whole days for `firm` */
  afterMinutes: number;
  /** how long it may stand in water */
  minutes: number | null;
}

const MINUTES_A_DAY = 1440;
/** A parched plant is lifted out of its rescue soak after two hours at the latest. */
export const LONGEST_SOAK_MINUTES = 120;
const FIRM_DAYS = 2;

export interface MarkFacts {
  way: Way;
  /** water stood on leaves or in the heart */
  wetLeaves: boolean;
  rules: Pick<CareRules, 'stand' | 'saucerMinutes' | 'soakMinutes'>;
  placeKind: PlaceKind;
  holes: boolean;
  cautions: readonly Caution[];
  /** its kind is not for soaking: one that stands in water is lifted out at once */
  neverSoak?: boolean;
  /** the plant was slack before the drink */
  slack: boolean;
}

/**
 * Reminders that belong to a watering: none for a saucer that is not there, none for rain on leaves in the open air.
 */
export function remindersFor(facts: MarkFacts): Reminder[] {
  const { rules, way } = facts;
  const reminders: Reminder[] = [];
  const { stands, through } = methodRow(WAY_TABLE[way].method);
  if (stands) {
    const minutes = facts.neverSoak ? 0 : Math.min(rules.soakMinutes, LONGEST_SOAK_MINUTES);
    reminders.push({ kind: 'lift', code: facts.neverSoak ? 'lift-now' : 'lift', afterMinutes: minutes, minutes });
  } else if (through && rules.stand !== 'none' && facts.holes) {
    reminders.push({ kind: 'saucer', code: rules.stand, afterMinutes: rules.saucerMinutes, minutes: null });
  }
  const { outdoors: openAir } = placeDefaults(facts.placeKind);
  if (facts.wetLeaves && !openAir) {
    const code = facts.cautions.includes('dry-heart') ? 'blot-heart' : 'fan';
    reminders.push({ kind: 'fan', code, afterMinutes: 0, minutes: null });
  }
  if (facts.slack)
    reminders.push({ kind: 'firm', code: 'firm', afterMinutes: FIRM_DAYS * MINUTES_A_DAY, minutes: null });
  return reminders;
}

/** Thirst from which a plant is slack enough to be asked about afterwards. */
const SLACK_FROM = 0.35;

/** Whether a drink is followed by the question if the plant is firm again: slack as reckoned, or as seen. */
export function asksAboutSlack(thirst: number, judgement: Pick<Judgement, 'because'>): boolean {
  return thirst >= SLACK_FROM || judgement.because.some(({ code }) => code === 'slack-seen');
}
