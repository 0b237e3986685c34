/**
 * What may be asked of a keeper today, and why: a closed set of deeds and codes with numbers. No sentences: those are
 * made in one place (the workspace `words`).
 */
import { dayNumber } from '../calendar/day.ts';
import type { LookKind } from '../belief/looks.ts';
import type { UpsetKind } from '../belief/upsets.ts';
import type { Way } from '../catalogue/ways.ts';
import type { WaterKind } from '../watering.ts';
import type { MethodId } from '../catalogue/ways.ts';

export const ACTS = ['unpot', 'out-of-frost', 'out-of-water'] as const;
export const MOVES = ['warmer', 'drier', 'brighter', 'shadier', 'apart', 'cover'] as const;
export const LOOKS_AT = ['depth', 'weight', 'base', 'roots', 'underside', 'growth'] as const;
export type Act = (typeof ACTS)[number];
export type Move = (typeof MOVES)[number];
export type LookAt = (typeof LOOKS_AT)[number];
export type DeedName = 'act' | 'move' | 'look' | 'water' | 'sip' | 'wait' | 'sleep' | 'wake';

export interface Drink {
  way: Way;
  method: MethodId;
  amount_ml: number;
  water: WaterKind;
  /** share of the label's dose, or null */
  food: number | null;
  /** so much that it washes salts out */
  flush: boolean;
}

/** A place that fits it and has room. */
export interface Where {
  id: string;
  name: string;
}

export type Deed =
  | { deed: 'act'; what: Act; to?: Where | null }
  | { deed: 'move'; what: Move; to?: Where | null }
  /** `then`: each answer, and the deed it leads to */
  | { deed: 'look'; what: LookAt; then: Readonly<Record<string, DeedName>> }
  | ({ deed: 'water' | 'sip' } & Drink)
  | { deed: 'wait'; until: string | null }
  | { deed: 'sleep'; next_look: string | null }
  | { deed: 'wake' };

export type Source = 'seen' | 'reckoned' | 'rule' | 'forecast';

/** A reason in a word. Numbers are in SI units and named for what they are. */
export interface Reason {
  code: ReasonCode;
  source: Source;
  /** the day it was seen, or from which it holds */
  on?: string;
  /** 0 to 1 */
  weight: number;
  n?: Readonly<Record<string, number>>;
  /** a sign, a kind of look, a state: what the code speaks of */
  of?: string;
}

/** Every reason there is; docs/formats.md says what each means. */
export const REASON_CODES = [
  'felt-wet',
  'felt-damp',
  'felt-dry',
  'surface-dry',
  'weighed',
  'probed',
  'lifted',
  'rot-seen',
  'slack-seen',
  'taut-seen',
  'too-much-seen',
  'woken-seen',
  'stretched-seen',
  'reckoned-wet',
  'reckoned-damp',
  'reckoned-dry',
  'due',
  'not-due',
  'unsure',
  'never-looked',
  'long-unlooked',
  'came-as-it-came',
  'contradicts-book',
  'changed-pace',
  'asleep',
  'easing',
  'waking',
  'slept-too-long',
  'touch-due',
  'small-store',
  'shrinking-warm',
  'shrinking-cold',
  'goes-to-rest',
  'too-cold-to-drink',
  'too-dark',
  'too-hot',
  'below-limit',
  'near-limit',
  'cold-for-weeks',
  'cold-night',
  'rain-counted',
  'rain-coming',
  'long-rain',
  'off-ideal',
  'long-indoors',
  'wet-and-cold',
  'roots-in-danger',
  'cut-roots',
  'dry-for-long',
  'first-sip',
  'no-hole',
  'name-unknown',
  'hard-to-replace',
  'salts',
  'calendar',
  'calendar-none',
  'plant-sign',
  'no-sign',
  'likeliest',
  'rot-unfelt',
  'in-treatment',
  'suspect',
  'drink-on-suspicion',
  'water-stands',
  'flooded',
  'frosted',
  'frost-shown',
  'scorched',
  'not-firmed',
  'leaves-going',
  'new-pair',
  'drawn-by-dark',
  'woken-cold',
  'woken-pair',
  'woken-early',
  'drunk-asleep',
  'dries-on',
  'usual-day',
  'refused-twice',
  'dim-holds',
  'hot-holds',
  'weaning',
] as const;
export type ReasonCode = (typeof REASON_CODES)[number];

export interface Happened {
  kind: UpsetKind | 'slip';
  probability: number;
  from: string;
  to: string;
  look?: LookKind;
}

/** From the gap between the best deed's harm and the next one's. */
export type Sureness = 'high' | 'medium' | 'low';

/** What hands should mind while doing it. */
export type Mind =
  | 'not-on-powder'
  | 'not-into-rosette'
  | 'no-hole-measure'
  | 'softened-sodium'
  | 'water-not-its-kind'
  | 'hard-crust'
  | 'salts-flush'
  | 'salts-stay'
  | 'long-dry-sip'
  | 'cool-hours'
  | 'clay-frost'
  | 'dark-heat'
  | 'spines'
  | 'glochids'
  | 'milky-sap'
  | 'irritant-sap'
  | 'poisonous-sap';

/** The one thing never to do with a kind. */
export type Never =
  | 'long-soak'
  | 'full-drink-leafless'
  | 'frost'
  | 'wet-and-cold'
  | 'water-into-rosette'
  | 'oil-on-powder'
  | 'full-drink-asleep'
  | 'standing-in-water'
  | 'dry-out'
  | 'second-drink-while-wet';

export interface Judgement {
  /** the first counts, the others stand beside it */
  deeds: [Deed, ...Deed[]];
  until: string | null;
  next_look: string | null;
  because: Reason[];
  against: Reason[];
  happened: Happened[];
  mind: Mind[];
  never: Never;
  /** the temperature that `frost` speaks of, °C */
  never_c: number | null;
  sure: Sureness;
}

/** How a list sorts a plant by its first deed. */
export const JUDGED = ['act', 'water', 'look', 'soon', 'leave'] as const;
export type Judged = (typeof JUDGED)[number];

/** A drink within so many days is soon. */
const SOON_DAYS = 3;

export function judgedAs({ deeds: [first] }: Pick<Judgement, 'deeds'>, today: string): Judged {
  switch (first.deed) {
    case 'act':
    case 'move':
      return 'act';
    case 'water':
    case 'sip':
      return 'water';
    case 'look':
    case 'wake':
      return 'look';
    case 'wait':
      return first.until !== null && dayNumber(first.until) - dayNumber(today) <= SOON_DAYS ? 'soon' : 'leave';
    case 'sleep':
      return 'leave';
  }
}

/** The drink that is asked for now, or null. */
export function drinkOf({ deeds: [first] }: Pick<Judgement, 'deeds'>): (Drink & { deed: 'water' | 'sip' }) | null {
  return first.deed === 'water' || first.deed === 'sip' ? first : null;
}
