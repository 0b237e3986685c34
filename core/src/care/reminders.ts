/** What a mark asks for afterwards, and when. */
import type { Judgement } from '../judgement/deeds.ts';
import { placeDefaults } from '../place/defaults.ts';
import type { PlaceKind } from '../garden.ts';
import type { Caution } from '../plant/genera.ts';
import type { CareRules } from './rules.ts';
import { methodRow, type Way, WAY_TABLE } from '../catalogue/ways.ts';

export const REMINDER_KINDS = ['saucer', 'lift', 'fan', 'firm'] as const;
export type ReminderKind = (typeof REMINDER_KINDS)[number];

export interface Reminder {
  kind: ReminderKind;
  /** minutes after the mark; whole days for `firm` */
  afterMinutes: number;
  words: string;
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
    reminders.push({
      kind: 'lift',
      afterMinutes: minutes,
      words: facts.neverSoak
        ? 'Lift it out of the water now: its kind is not for soaking. Let it drain.'
        : `Lift it out of the water after ${minutes} minutes at most, and let it drain.`,
    });
  } else if (through && rules.stand !== 'none' && facts.holes) {
    reminders.push({
      kind: 'saucer',
      afterMinutes: rules.saucerMinutes,
      words: `Empty the ${rules.stand === 'saucer' ? 'saucer' : 'outer pot'}.`,
    });
  }
  const { outdoors: openAir } = placeDefaults(facts.placeKind);
  if (facts.wetLeaves && !openAir) {
    reminders.push({
      kind: 'fan',
      afterMinutes: 0,
      words: facts.cautions.includes('dry-heart')
        ? 'Tip or blot the heart, and fan on until it is dry.'
        : 'Fan on until the leaves are dry.',
    });
  }
  if (facts.slack)
    reminders.push({
      kind: 'firm',
      afterMinutes: FIRM_DAYS * MINUTES_A_DAY,
      words: 'Has it firmed up? If not, and the mix is wet, look at the roots.',
    });
  return reminders;
}

/** Thirst from which a plant is slack enough to be asked about afterwards. */
const SLACK_FROM = 0.35;

/** Whether a drink is followed by the question if the plant is firm again: slack as reckoned, or as seen. */
export function asksAboutSlack(thirst: number, judgement: Pick<Judgement, 'because'>): boolean {
  return thirst >= SLACK_FROM || judgement.because.some(({ code }) => code === 'slack-seen');
}
