/** How one plant is watered and fed: what its genus, form and place suggest, and what the keeper set in their stead. */
import { type Way } from '../catalogue/ways.ts';
import type { Form, Pot, PlaceKind, Sleeps } from '../garden.ts';
import type { FeedRhythm, FeedRule } from '../feed/schedule.ts';
import { rankedWaters, type SaltTolerance } from '../feed/salts.ts';
import type { Caution, Genus, Traits } from '../plant/genera.ts';
import { placeDefaults } from '../place/defaults.ts';
import { type Appetite, genusCare, type Light } from '../plant/library.ts';
import type { WaterKind } from '../watering.ts';

/** What calls for water: the pot gone dry, the plant's own sign, or so many days by the month. */
export const TRIGGERS = ['pot', 'plant', 'calendar'] as const;
export type Trigger = (typeof TRIGGERS)[number];
/** On waking: small drinks first, or a full one at once. */
export const FIRST_DRINKS = ['staged', 'full'] as const;
export type FirstDrinkRule = (typeof FIRST_DRINKS)[number];
export const STANDS = ['none', 'saucer', 'outer-pot'] as const;

export type AmountRule = { by: 'drench' } | { by: 'fixed'; ml: number } | { by: 'share'; share: number };

export interface CareRules {
  trigger: Trigger;
  /** moisture at which the pot calls, 0 to 1; null: as its dry rule has it */
  dueAt: number | null;
  /** whether it may sleep: as its kind does, or only in the cold, or not at all */
  sleeps: Sleeps;
  /** for the calendar: days between drinks in each month, January first; null for none that month */
  everyDays: (number | null)[];
  /** ways allowed, the first is taken; none: never watered by plan */
  ways: Way[];
  amount: AmountRule;
  /** kinds of water allowed, best first */
  waters: WaterKind[];
  salts: SaltTolerance;
  /** what it stands in */
  stand: (typeof STANDS)[number];
  /** minutes after which a saucer is emptied, and at most which it stands in water from below */
  saucerMinutes: number;
  soakMinutes: number;
  feed: FeedRule;
  /** the keeper's feed, by its id */
  feedId: number | null;
  light: Light;
  /** most direct sun a day once hardened, hours; null for no limit */
  sunCeilingHours: number | null;
  /** day means between which it does best, and the height of a day from which it wants shade, °C */
  idealFromC: number;
  idealToC: number;
  ceilingC: number;
  repotYears: number;
  /** days under a roof after which a kind that fails indoors is told of */
  indoorDays: number;
  /** stem between leaves near the tip over that low down, from which it is stretched */
  stretchFrom: number;
  hardToReplace: boolean;
  firstDrink: FirstDrinkRule;
  /** no food before this day, ISO, as the keeper holds it; null for no such hold */
  noFoodUntil: string | null;
  /** days of steps by signs that the keeper took back, ISO */
  stepsTakenBack: string[];
}

export type RuleSource = 'genus' | 'form' | 'place' | 'pot' | 'keeper' | 'usual';

/** The keeper's own, for as many rules as they set, each with the reason if they gave one. */
export type OwnRules = Partial<CareRules>;

export interface SourcedRules {
  rules: CareRules;
  sources: Record<keyof CareRules, RuleSource>;
}

export interface RuleFacts {
  traits: Traits;
  genus: Genus | undefined;
  cautions: readonly Caution[];
  pot: Pot;
  placeKind: PlaceKind;
  south: boolean;
  /** variegated or strongly coloured: more light, less sun */
  coloured: boolean;
  potVolumeMl: number;
}

const RHYTHMS: Record<Appetite, (growing: number[]) => FeedRhythm> = {
  sparse: (months) => ({ mode: 'months', times: 1, months }),
  light: (months) => ({ mode: 'months', times: 3, months }),
  usual: () => ({ mode: 'nth', n: 4, sipsCount: false }),
};
const CEILINGS: Record<Appetite, number | null> = { sparse: 2, light: 6, usual: null };
const NORTHERN_FEEDING = {
  summer: [4, 5, 6, 7, 8],
  winter: [10, 11, 12, 1, 2, 3],
  'spring-autumn': [3, 4, 5, 9, 10],
  evergreen: [4, 5, 6, 7, 8, 9],
  opportunist: [4, 5, 6, 7, 8, 9],
} as const;
/**
 * The calendar's days by season for a plant in growth and at rest, as sitters and beginners keep it; indoors wants less
 * often.
 */
const CALENDAR_DAYS: Record<Form, number> = {
  globe: 14,
  column: 14,
  pad: 12,
  rosette: 10,
  stemmed: 10,
  trailing: 8,
  caudex: 10,
  bulb: 10,
  stemless: 18,
  'stiff-leaf': 18,
};
const USUAL_SAUCER_MINUTES = 20;
const USUAL_SOAK_MINUTES = 20;
const USUAL_INDOOR_DAYS = 60;
const USUAL_STRETCH = 1.7;
/** A coloured form bears about this much direct sun. */
const COLOURED_SUN_HOURS = 3;

export function growingMonths(habit: Traits['habit'], south: boolean): number[] {
  return NORTHERN_FEEDING[habit].map((month) => (south ? ((month + 5) % 12) + 1 : month));
}

const NEXT_LIGHT: Record<Light, Light> = { shade: 'filtered', filtered: 'bright', bright: 'sun', sun: 'sun' };

/** The whole rules of a plant: the keeper's where set, else what its genus, form, pot or place suggest. */
export function careRules(facts: RuleFacts, own: OwnRules = {}): SourcedRules {
  const { traits, genus, cautions, pot, south } = facts;
  const care = genusCare(genus, traits.form, traits.habit);
  const tolerance: SaltTolerance = care.saltSensitive ? 'sensitive' : 'usual';
  const fromGenus: RuleSource = genus ? 'genus' : 'form';
  const months = growingMonths(traits.habit, south);
  const { indoors } = placeDefaults(facts.placeKind);
  const aimed = cautions.includes('dry-heart') || cautions.includes('powdery') || traits.form === 'rosette';
  // Roots that only hold on drink nothing: the leaves do.
  const byLeaves = genus?.name === 'Tillandsia';
  const ways: Way[] = byLeaves
    ? ['mist', 'bottom']
    : !pot.holes
      ? ['measured']
      : aimed
        ? ['base', 'bottom', 'measured']
        : care.neverSoak
          ? ['drench', 'measured']
          : ['drench', 'bottom', 'measured'];
  const suggested: { [K in keyof CareRules]: [CareRules[K], RuleSource] } = {
    trigger: ['pot', 'usual'],
    dueAt: [null, 'usual'],
    sleeps: [traits.sleeps, fromGenus],
    everyDays: [
      Array.from({ length: 12 }, (_, i) =>
        months.includes(i + 1)
          ? CALENDAR_DAYS[traits.form] + (indoors ? 3 : 0)
          : traits.habit === 'evergreen' || traits.dryRule === 'keep-damp'
            ? 2 * CALENDAR_DAYS[traits.form]
            : null,
      ),
      'form',
    ],
    ways: [ways, !pot.holes ? 'pot' : aimed && cautions.length > 0 ? 'genus' : 'form'],
    amount: [{ by: 'drench' }, pot.holes ? 'usual' : 'pot'],
    waters: [rankedWaters(own.salts ?? tolerance), fromGenus],
    salts: [tolerance, fromGenus],
    stand: [indoors && pot.holes ? 'saucer' : 'none', 'place'],
    saucerMinutes: [USUAL_SAUCER_MINUTES, 'usual'],
    soakMinutes: [care.neverSoak ? 10 : USUAL_SOAK_MINUTES, fromGenus],
    feed: [
      {
        rhythm: RHYTHMS[care.appetite](months),
        strength: care.appetite === 'usual' ? 0.5 : 0.25,
        chargeMonths: 6,
        lastBeforeRest: false,
        firstOnWaking: false,
        ceiling: CEILINGS[care.appetite],
      },
      fromGenus,
    ],
    feedId: [null, 'usual'],
    light: [facts.coloured ? NEXT_LIGHT[care.light] : care.light, fromGenus],
    sunCeilingHours: [
      facts.coloured ? COLOURED_SUN_HOURS : care.light === 'shade' ? 0.5 : care.light === 'filtered' ? 2 : null,
      fromGenus,
    ],
    idealFromC: [care.idealFromC, fromGenus],
    idealToC: [care.idealToC, fromGenus],
    ceilingC: [care.ceilingC, fromGenus],
    repotYears: [care.repotYears, fromGenus],
    indoorDays: [USUAL_INDOOR_DAYS, 'usual'],
    stretchFrom: [USUAL_STRETCH, 'usual'],
    hardToReplace: [false, 'usual'],
    firstDrink: ['staged', 'usual'],
    noFoodUntil: [null, 'usual'],
    stepsTakenBack: [[], 'usual'],
  };
  const rules = {} as Record<keyof CareRules, unknown>;
  const sources = {} as SourcedRules['sources'];
  for (const key of Object.keys(suggested) as (keyof CareRules)[]) {
    const mine = own[key];
    rules[key] = mine === undefined ? suggested[key][0] : mine;
    sources[key] = mine === undefined ? suggested[key][1] : 'keeper';
  }
  return { rules: rules as unknown as CareRules, sources };
}

const COLOURED = /variegat|albo|aurea|'[^']*(gold|pink|white|red|ruby|sunset|rainbow)[^']*'/i;

/** Whether a name tells of leaves without their full green. */
export function nameTellsColour(name: string): boolean {
  return COLOURED.test(name.replaceAll(/[‘’]/g, "'"));
}
