/**
 * What the pot's own history is worth for each cause. One row, one rule, with its reason: the value runs from where it
 * says nothing to where it says all it can, and ln of the factor runs along. So more days wet never lower the word of rot.
 *
 * The figures are estimates, as those of the signs; the ends of each run are days and shares that handbooks name.
 */
import { signsThat } from '../catalogue/signs.ts';
import { ramp } from '../numeric/curves.ts';
import { type Cause, type Pest, PESTS } from '../catalogue/causes.ts';
import { type ClinicFacts, pestsNear } from './facts.ts';

export const HISTORY_CODES = [
  'felt-wet', 'felt-damp', 'felt-dry', 'reckoned-wet', 'reckoned-dry', 'wet-days', 'wet-cold', 'wet-feet', 'often-wet', 'dry-days',
  'thirst-index', 'store-full', 'dry-then-drenched', 'still-slack', 'potted-lately', 'not-potted', 'roots-hurt',
  'moved-to-light', 'not-moved', 'treated-lately',
  'light-high', 'hot', 'not-hot', 'cold-night', 'no-cold', 'too-dark', 'light-enough', 'salts-high', 'salts-low', 'hard-drinks', 'soft-drinks', 'fed-often',
  'fed-lately', 'never-fed', 'mix-old', 'mix-new', 'slower', 'faster', 'sheds-water', 'takes-water', 'no-hole', 'resting', 'easing', 'in-growth', 'rest-soon',
  'pot-full', 'pot-roomy', 'dry-air', 'damp-still', 'came-lately', 'neighbour', 'found-clean', 'roots-found-soft', 'roots-found-dry', 'roots-found-pests',
] as const;
export type HistoryCode = (typeof HISTORY_CODES)[number];

/**
 * Rows that tell of one thing are counted in part, so that a wet month is not counted four times. The part is the same for
 * every cause and every value: so no row can take back what another gave.
 */
export const GROUPS = {
  water: 1, spell: 0.5, drought: 0.65, roots: 1, potting: 0.8, sun: 0.75, cold: 1, light: 1, salts: 0.7, food: 0.7, mix: 1, pace: 1, season: 1, room: 1,
  air: 1, guests: 0.8, wetting: 1,
} as const;
export type HistoryGroup = keyof typeof GROUPS;

export interface HistoryRule {
  code: HistoryCode;
  group: HistoryGroup;
  /** null: not known, says nothing */
  value: (f: ClinicFacts) => number | null;
  from: number;
  to: number;
  /** factor at the end of the run */
  of: Partial<Record<Cause, number>>;
  why: string;
  /** numbers for its sentence */
  n?: (f: ClinicFacts) => Readonly<Record<string, number>>;
}

const days = (value: number | null): Readonly<Record<string, number>> => (value === null ? {} : { days: Math.round(value) });
/** A look fades as the pot dries on. */
const FELT_DAYS = 10;
const felt = (f: ClinicFacts, says: string) => (f.felt && f.felt.says === says ? Math.max(0, 1 - f.felt.days / (2 * FELT_DAYS)) : null);
const slackSince = (f: ClinicFacts) =>
  f.drankDays !== null &&
  f.signs.some(
    ({ sign, day, answered }) =>
      !answered && signsThat('slack').has(sign) && f.today - day <= f.drankDays!,
  );

export const HISTORY_RULES: readonly HistoryRule[] = [
  {
    code: 'felt-wet', group: 'water', value: (f) => felt(f, 'wet'), from: 0, to: 0.8, n: (f) => days(f.felt?.days ?? null),
    of: {
      thirst: 0.02, overwatering: 2.4, 'root-rot': 3.2, 'stem-rot': 2.6, 'dead-roots': 2.4, oedema: 1.5,
      'compacted-mix': 1.5, 'water-repellent-mix': 0.06, 'root-bound': 0.25, 'heat-stress': 0.9, 'spider-mite': 0.8,
      'natural-rest': 0.8,
    },
    why: 'water is there: what is slack does not lack it',
  },
  {
    code: 'felt-damp', group: 'water', value: (f) => felt(f, 'damp'), from: 0, to: 0.8, n: (f) => days(f.felt?.days ?? null),
    of: { thirst: 0.2, overwatering: 1.3, 'root-rot': 1.3, 'dead-roots': 1.3, 'water-repellent-mix': 0.4, 'root-bound': 0.6 },
    why: 'some water is there still',
  },
  {
    code: 'felt-dry', group: 'water', value: (f) => felt(f, 'dry'), from: 0, to: 0.8, n: (f) => days(f.felt?.days ?? null),
    of: {
      thirst: 2.5, overwatering: 0.12, 'root-rot': 0.3, 'stem-rot': 0.5, oedema: 0.35, 'compacted-mix': 0.5,
      'water-repellent-mix': 1.5, 'root-bound': 1.4, 'dead-roots': 0.8, 'salt-build-up': 1.1,
    },
    why: 'rot needs a wet mix, thirst a dry one',
  },
  {
    code: 'reckoned-wet', group: 'water', value: (f) => (f.felt && f.felt.days <= FELT_DAYS ? null : f.chanceWet), from: 0.2, to: 0.9, n: (f) => ({ m: f.m }),
    of: { thirst: 0.1, overwatering: 2, 'root-rot': 2.2, 'stem-rot': 1.7, 'dead-roots': 1.7, 'water-repellent-mix': 0.4, 'root-bound': 0.5 },
    why: 'by reckoning the mix is still wet',
  },
  {
    code: 'reckoned-dry', group: 'water', value: (f) => (f.felt && f.felt.days <= FELT_DAYS ? null : f.chanceDry), from: 0.4, to: 0.95, n: (f) => ({ m: f.m }),
    of: { thirst: 2, overwatering: 0.25, 'root-rot': 0.45, 'stem-rot': 0.6, oedema: 0.5, 'water-repellent-mix': 1.3 },
    why: 'by reckoning the mix is dry',
  },
  {
    code: 'wet-days', group: 'spell', value: (f) => f.wetDays, from: 6, to: 40, n: (f) => days(f.wetDays),
    of: {
      overwatering: 5, 'root-rot': 8, 'stem-rot': 6, oedema: 2.5, 'leaf-spot': 1.6, mildew: 1.3, 'compacted-mix': 3,
      thirst: 0.1, 'water-repellent-mix': 0.4,
    },
    why: 'roots without air for weeks',
  },
  {
    code: 'wet-cold', group: 'spell', value: (f) => f.wetColdDays, from: 3, to: 25, n: (f) => ({ days: f.wetColdDays, warmth: f.warmthC }),
    of: { 'root-rot': 7, 'stem-rot': 7, overwatering: 3.5, 'cold-damage': 1.8, thirst: 0.3 },
    why: 'in the cold roots stand still and rot does not',
  },
  {
    code: 'wet-feet', group: 'spell', value: (f) => f.wetFeet, from: 0.1, to: 0.6, n: (f) => ({ index: f.wetFeet }),
    of: { 'root-rot': 7, 'stem-rot': 5, overwatering: 3.5, thirst: 0.3 },
    why: 'reckoned from how wet, how cold and how long',
  },
  {
    code: 'often-wet', group: 'spell', value: (f) => f.meanM, from: 0.35, to: 0.75, n: (f) => ({ m: f.meanM }),
    of: { overwatering: 2.4, 'root-rot': 3, 'stem-rot': 2.5, oedema: 2, 'leaf-spot': 1.3 },
    why: 'seldom let dry in the last two months',
  },
  {
    code: 'dry-days', group: 'drought', value: (f) => f.dryDays, from: 2, to: 40, n: (f) => days(f.dryDays),
    of: { thirst: 4, overwatering: 0.2, oedema: 0.3, 'water-repellent-mix': 1.5, 'spider-mite': 1.3, 'root-rot': 0.5, 'salt-build-up': 1.2 },
    why: 'dry through for so long',
  },
  {
    code: 'thirst-index', group: 'drought', value: (f) => f.thirst, from: 0.08, to: 0.5, n: (f) => ({ share: f.thirst }),
    of: { thirst: 3.5, overwatering: 0.5 },
    why: 'so much of its own store is reckoned spent',
  },
  {
    // Only where the pot is dry does a full store speak against thirst: a wet one says it by itself.
    code: 'store-full', group: 'drought',
    value: (f) => (f.felt?.says === 'dry' || (f.drankDays ?? 99) > 14 || f.chanceWet > 0.5 ? null : 8 - f.dryDays),
    from: 0, to: 8, n: (f) => days(f.drankDays),
    of: { thirst: 0.45, 'dead-roots': 1 },
    why: 'it drank not long ago',
  },
  {
    code: 'dry-then-drenched', group: 'roots',
    value: (f) => (f.drankDays !== null && f.drankDays >= 2 && f.drankDays <= 35 ? f.dryBefore : null),
    from: 25, to: 70, n: (f) => ({ days: f.dryBefore, ago: f.drankDays ?? 0 }),
    of: { 'dead-roots': 14, 'root-rot': 1.3, thirst: 0.6 },
    why: 'fine roots die in a long drought, and the drink after it stands unused',
  },
  {
    code: 'still-slack', group: 'roots',
    value: (f) => (slackSince(f) && f.drankDays! >= 3 && f.drankDays! <= 21 && f.dryDays === 0 && f.felt?.says !== 'dry' ? 1 : null),
    from: 0, to: 1, n: (f) => days(f.drankDays),
    of: { thirst: 0.4, 'dead-roots': 2, 'root-rot': 2, 'water-repellent-mix': 1.6, 'root-mealybug': 1.3, 'transplant-shock': 1.2 },
    why: 'a thirsty plant is firm again within three days of a drink',
  },
  {
    code: 'potted-lately', group: 'potting', value: (f) => (f.pottedDays === null ? null : 40 - f.pottedDays), from: 5, to: 32, n: (f) => days(f.pottedDays),
    of: {
      'transplant-shock': 14, 'root-rot': 0.4, overwatering: 0.5, 'dead-roots': 0.4, 'root-bound': 0.08,
      'compacted-mix': 0.15, underfed: 0.3, 'salt-build-up': 0.15, 'sun-scorch': 1.2,
    },
    why: 'in the weeks after a potting',
  },
  {
    code: 'not-potted', group: 'potting', value: (f) => (f.pottedDays === null ? 60 : f.pottedDays), from: 40, to: 60,
    of: { 'transplant-shock': 0.06 },
    why: 'not potted of late',
  },
  {
    code: 'roots-hurt', group: 'potting', value: (f) => (f.rootsHurt ? 1 : null), from: 0, to: 1, n: (f) => days(f.pottedDays),
    of: { 'transplant-shock': 4, 'root-rot': 1.3, 'stem-rot': 1.3 },
    why: 'roots were cut',
  },
  {
    code: 'moved-to-light', group: 'sun',
    value: (f) => (f.movedDays !== null && f.movedDays <= 42 ? f.lightStep : null),
    from: 1.2, to: 2.5, n: (f) => ({ days: f.movedDays ?? 0, times: f.lightStep }),
    of: { 'sun-scorch': 7, 'heat-stress': 1.5, 'too-dark': 0.3, normal: 1.2 },
    why: 'skin grown in less light burns in more',
  },
  {
    code: 'treated-lately', group: 'sun', value: (f) => (f.sprayedDays === null ? null : 14 - f.sprayedDays), from: 0, to: 10, n: (f) => days(f.sprayedDays),
    of: { 'sun-scorch': 2.5, 'leaf-spot': 1.6, oedema: 1.2 },
    why: 'skin wetted by a remedy burns in the sun and spots',
  },
  {
    code: 'not-moved', group: 'sun',
    value: (f) => (f.movedDays === null || f.movedDays > 42 || f.lightStep < 1.1 ? 1 - ramp(f.lightShare, 1, 4) : null),
    from: 0, to: 1,
    of: { 'sun-scorch': 0.35 },
    why: 'no more light than it is used to',
  },
  {
    code: 'light-high', group: 'sun', value: (f) => f.dliMol / f.band.wellTo, from: 0.6, to: 1.3, n: (f) => ({ light: f.dliMol }),
    of: { 'sun-scorch': 3, 'heat-stress': 1.5, 'too-dark': 0.2 },
    why: 'more light than its kind does well with',
  },
  {
    code: 'hot', group: 'sun', value: (f) => f.heatK, from: -5, to: 4, n: (f) => ({ high: f.hottestC }),
    of: { 'heat-stress': 8, 'sun-scorch': 3, 'natural-rest': 1.2 },
    why: 'hotter than it bears',
  },
  {
    code: 'not-hot', group: 'sun', value: (f) => -f.heatK, from: 5, to: 15, n: (f) => ({ high: f.hottestC }),
    of: { 'heat-stress': 0.08, 'sun-scorch': 0.6 },
    why: 'no day was hot for it',
  },
  {
    code: 'cold-night', group: 'cold', value: (f) => f.coldK, from: -2, to: 3, n: (f) => ({ low: f.coldestC, days: f.today - f.coldOn }),
    of: { 'cold-damage': 25, 'stem-rot': 1.3, 'root-rot': 1.3 },
    why: 'a night below what it bears',
  },
  {
    code: 'no-cold', group: 'cold', value: (f) => -f.coldK, from: 1.5, to: 6, n: (f) => ({ low: f.coldestC }),
    of: { 'cold-damage': 0.05 },
    why: 'no night came near what it bears',
  },
  {
    code: 'too-dark', group: 'light',
    value: (f) => 1 / Math.max(0.05, f.lightShare),
    from: 0.9, to: 2.2, n: (f) => ({ light: f.dliMol, gets_by: f.band.getsBy, days: f.darkDays }),
    of: { 'too-dark': 5, 'sun-scorch': 0.2, underfed: 0.5, overwatering: 1.3, 'root-rot': 1.3, 'stem-rot': 1.3, thirst: 0.8 },
    why: 'less light than it gets by with',
  },
  {
    code: 'light-enough', group: 'light', value: (f) => f.lightShare, from: 1, to: 2, n: (f) => ({ light: f.dliMol }),
    of: { 'too-dark': 0.2 },
    why: 'light enough for its kind',
  },
  {
    code: 'salts-high', group: 'salts', value: (f) => f.saltsShare, from: 0.5, to: 1.3, n: (f) => ({ ec: f.salts.ecMS, limit: f.salts.limitMS }),
    of: { 'salt-build-up': 6, 'hard-water': 1.8 },
    why: 'so much salt is reckoned in the pot',
  },
  {
    code: 'salts-low', group: 'salts', value: (f) => 1 - f.saltsShare, from: 0.6, to: 0.95, n: (f) => ({ ec: f.salts.ecMS }),
    of: { 'salt-build-up': 0.3 },
    why: 'little salt is reckoned in the pot',
  },
  {
    code: 'hard-drinks', group: 'salts', value: (f) => f.salts.hardDrinks, from: 2, to: 15, n: (f) => ({ drinks: f.salts.hardDrinks }),
    of: { 'hard-water': 5, 'salt-build-up': 2.2 },
    why: 'lime came with each of them',
  },
  {
    code: 'soft-drinks', group: 'salts', value: (f) => (f.salts.hardDrinks === 0 ? 1 : null), from: 0, to: 1,
    of: { 'hard-water': 0.3 },
    why: 'no hard water on record',
  },
  {
    code: 'fed-often', group: 'food', value: (f) => f.doses60, from: 0.8, to: 4, n: (f) => ({ doses: f.doses60 }),
    of: { 'salt-build-up': 3, underfed: 0.1, 'too-dark': 1.1 },
    why: 'food in the last two months',
  },
  {
    code: 'fed-lately', group: 'food', value: (f) => (f.fedDays === null ? null : 21 - f.fedDays), from: 0, to: 18, n: (f) => days(f.fedDays),
    of: { 'salt-build-up': 1.8, underfed: 0.3 },
    why: 'it began soon after food',
  },
  {
    code: 'never-fed', group: 'food',
    value: (f) => (f.fedDays === null || f.fedDays > 365 ? (f.mixYears ?? 0) : null),
    from: 0.8, to: 3, n: (f) => ({ years: f.mixYears ?? 0 }),
    of: { underfed: 9, 'salt-build-up': 0.7 },
    why: 'an old mix, and no food on record',
  },
  {
    code: 'mix-old', group: 'mix', value: (f) => f.mixYears, from: 1.5, to: 4.5, n: (f) => ({ years: f.mixYears ?? 0 }),
    of: { 'compacted-mix': 3, 'root-bound': 2.5, underfed: 1.6, 'salt-build-up': 1.5 },
    why: 'years in this pot',
  },
  {
    code: 'mix-new', group: 'mix', value: (f) => (f.mixYears === null ? null : 1.2 - f.mixYears), from: 0.2, to: 1, n: (f) => ({ years: f.mixYears ?? 0 }),
    of: { 'compacted-mix': 0.3, 'root-bound': 0.5, underfed: 0.3 },
    why: 'a young mix',
  },
  {
    code: 'slower', group: 'pace', value: (f) => -f.lnPace, from: 0.1, to: 0.6, n: (f) => ({ factor: Math.exp(f.lnPace) }),
    of: { 'root-rot': 4, 'dead-roots': 4, 'compacted-mix': 3, overwatering: 1.5, thirst: 0.6 },
    why: 'it dries slower than it did: fewer roots drink',
  },
  {
    code: 'faster', group: 'pace', value: (f) => f.lnPace, from: 0.1, to: 0.6, n: (f) => ({ factor: Math.exp(f.lnPace) }),
    of: { 'root-bound': 4, 'water-repellent-mix': 3, thirst: 1.5, 'root-rot': 0.5 },
    why: 'it dries faster than it did: more roots, or drinks that run past',
  },
  {
    code: 'sheds-water', group: 'wetting', value: (f) => f.rewetDifficulty, from: 0.2, to: 0.6,
    of: { 'water-repellent-mix': 4 },
    why: 'its mix sheds water once dry',
  },
  {
    code: 'takes-water', group: 'wetting', value: (f) => 0.5 - f.rewetDifficulty, from: 0.15, to: 0.4,
    of: { 'water-repellent-mix': 0.25 },
    why: 'its mix takes water at once',
  },
  {
    code: 'no-hole', group: 'wetting', value: (f) => (f.holes ? null : 1), from: 0, to: 1,
    of: { overwatering: 2, 'root-rot': 2, 'salt-build-up': 1.8 },
    why: 'water has no way out of the pot',
  },
  {
    code: 'resting', group: 'season', value: (f) => (f.state === 'resting' ? 1 : null), from: 0, to: 1, n: (f) => days(f.stateDays),
    of: { 'natural-rest': 6, thirst: 0.8, underfed: 0.2, 'root-bound': 0.6, 'too-dark': 0.5, 'new-leaf': 0.3 },
    why: 'it sleeps',
  },
  {
    code: 'easing', group: 'season', value: (f) => (f.state === 'easing' ? 1 : null), from: 0, to: 1, n: (f) => days(f.stateDays),
    of: { 'natural-rest': 5, underfed: 0.5 },
    why: 'it is on its way to rest',
  },
  {
    code: 'rest-soon', group: 'season',
    value: (f) => (f.state === 'growing' && f.restInDays !== null ? 50 - f.restInDays : null),
    from: 0, to: 35, n: (f) => days(f.restInDays),
    of: { 'natural-rest': 3 },
    why: 'its rest is near',
  },
  {
    code: 'in-growth', group: 'season',
    value: (f) => (f.state === 'growing' || f.state === 'waking' ? (f.restInDays === null ? 90 : f.restInDays) : null),
    from: 30, to: 75,
    of: { 'natural-rest': 0.15 },
    why: 'it is far from its rest',
  },
  {
    code: 'pot-full', group: 'room', value: (f) => f.fill, from: 0.9, to: 1.3, n: (f) => ({ share: f.fill }),
    of: { 'root-bound': 2.5 },
    why: 'as wide as its pot',
  },
  {
    code: 'pot-roomy', group: 'room', value: (f) => 1 - f.fill, from: 0.3, to: 0.6, n: (f) => ({ share: f.fill }),
    of: { 'root-bound': 0.5, overwatering: 1.3, 'root-rot': 1.2 },
    why: 'much mix for few roots stays wet',
  },
  {
    code: 'dry-air', group: 'air', value: (f) => 45 - f.rhPct, from: 0, to: 20, n: (f) => ({ rh: f.rhPct }),
    of: { 'spider-mite': 2.5, mealybug: 1.3, mildew: 0.7, 'leaf-spot': 0.5, oedema: 0.5 },
    why: 'mites thrive in dry air',
  },
  {
    code: 'damp-still', group: 'air', value: (f) => (f.air === 'still' ? f.rhPct : f.rhPct - 15), from: 65, to: 88, n: (f) => ({ rh: f.rhPct }),
    of: { mildew: 3.5, 'leaf-spot': 3.5, oedema: 2.5, 'spider-mite': 0.5, 'stem-rot': 1.2 },
    why: 'in damp still air leaves stay wet',
  },
  {
    code: 'came-lately', group: 'guests', value: (f) => (f.arrivedDays === null ? null : 70 - f.arrivedDays), from: 0, to: 50, n: (f) => days(f.arrivedDays),
    of: { mealybug: 1.6, 'root-mealybug': 1.8, 'spider-mite': 1.4, scale: 1.4, thrips: 1.4, aphid: 1.2, 'transplant-shock': 1.3 },
    why: 'guests come with new plants',
  },
  {
    code: 'roots-found-soft', group: 'roots', value: (f) => (f.rootsFound.includes('brown-soft') ? 1 : null), from: 0, to: 1, n: (f) => days(f.pottedDays),
    of: { 'root-rot': 8, 'stem-rot': 2, thirst: 0.4 },
    why: 'soft roots were found at the potting',
  },
  {
    code: 'roots-found-dry', group: 'roots', value: (f) => (f.rootsFound.includes('dry-brittle') ? 1 : null), from: 0, to: 1, n: (f) => days(f.pottedDays),
    of: { 'dead-roots': 8, 'root-rot': 0.5 },
    why: 'brittle roots were found at the potting',
  },
  {
    code: 'roots-found-pests', group: 'roots', value: (f) => (f.rootsFound.includes('pests') ? 1 : null), from: 0, to: 1, n: (f) => days(f.pottedDays),
    of: { 'root-mealybug': 8 },
    why: 'guests were found on the roots at the potting',
  },
  {
    code: 'found-clean', group: 'guests', value: (f) => (f.cleanDays === null ? null : 15 - f.cleanDays), from: 0, to: 12, n: (f) => days(f.cleanDays),
    of: { mealybug: 0.3, 'spider-mite': 0.3, scale: 0.3, thrips: 0.3, aphid: 0.3, 'root-mealybug': 0.7 },
    why: 'looked over and found clean',
  },
  ...PESTS.map(
    (pest: Pest): HistoryRule => ({
      code: 'neighbour', group: 'guests',
      value: (f) => pestsNear(f.neighbours).get(pest) ?? 0,
      from: 0, to: 2, n: (f) => ({ plants: pestsNear(f.neighbours).get(pest) ?? 0 }),
      of: { [pest]: pest === 'chewing-pest' ? 3 : 6 },
      why: 'seen on its neighbours: they walk, and are carried',
    }),
  ),
];
