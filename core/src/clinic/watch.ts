/**
 * Where the record itself looks wrong, without anybody asking: each a short function with its reason. What is raised stands
 * on the Round, and is taken for a sign of its kind when causes are weighed.
 */
import { signsThat } from '../catalogue/signs.ts';
import { type DayNumber, dayNumber } from '../calendar/day.ts';
import type { PlantEvent, Sign } from '../garden.ts';
import type { ClinicFacts, ClinicSign } from './facts.ts';

export const WATCH_CODES = [
  'wet-in-cold',
  'not-drying',
  'drying-fast',
  'shrinking-warm-rest',
  'no-growth-awake',
  'too-dark-long',
  'crust-due',
] as const;
export type WatchCode = (typeof WATCH_CODES)[number];

export interface Raised {
  code: WatchCode;
  n: Readonly<Record<string, number>>;
}

const WET_COLD_DAYS = 14;
const WET_COLD_INDEX = 0.2;
/** From this factor on its pace is another. */
const SLOWER_FROM = -0.3;
const FASTER_FROM = 0.3;
const DARK_DAYS = 56;
/** A kind that wakes shows it within so many days, a slow one within twice as many. */
const GROWS_WITHIN_DAYS = 42;
const HARD_DRINKS = 12;
const HARD_SHARE = 1;
const SHRUNK_INDEX = 0.5;
const WARM_C = 15;

type Watcher = (f: ClinicFacts, events: readonly PlantEvent[]) => Readonly<Record<string, number>> | null;

const WATCHERS: Record<WatchCode, Watcher> = {
  'wet-in-cold': ({ wetColdDays, wetFeet, warmthC }) =>
    wetColdDays >= WET_COLD_DAYS && wetFeet >= WET_COLD_INDEX ? { days: wetColdDays, warmth: warmthC } : null,
  'not-drying': ({ lnPace }) => (lnPace <= SLOWER_FROM ? { factor: Math.exp(lnPace) } : null),
  'drying-fast': ({ lnPace }) => (lnPace >= FASTER_FROM ? { factor: Math.exp(lnPace) } : null),
  'shrinking-warm-rest': ({ state, indoors, warmthC, thirst, signs }) =>
    state === 'resting' &&
    indoors &&
    warmthC >= WARM_C &&
    (thirst >= SHRUNK_INDEX || signs.some(({ sign, answered }) => !answered && SHRINKING.has(sign)))
      ? { thirst, warmth: warmthC }
      : null,
  'no-growth-awake': (f, events) => {
    const woken = events.findLast((event) => event.type === 'state' && event.state === 'waking');
    if (!woken || f.state === 'resting') return null;
    const days = f.today - dayNumber(woken.date);
    if (days < GROWS_WITHIN_DAYS * (f.slow ? 2 : 1) || days > 2 * GROWS_WITHIN_DAYS + 90) return null;
    return grewSince(events, dayNumber(woken.date)) ? null : { days };
  },
  'too-dark-long': ({ darkDays, state, dliMol, band }) =>
    darkDays >= DARK_DAYS && state !== 'resting' ? { days: darkDays, light: dliMol, gets_by: band.getsBy } : null,
  'crust-due': ({ salts, saltsShare, state }) =>
    // A flush that is due is told with the drink; this is the crust that nobody has looked for.
    salts.hardDrinks >= HARD_DRINKS && saltsShare >= HARD_SHARE
      ? { drinks: salts.hardDrinks, ec: salts.ecMS, grows: state === 'growing' ? 1 : 0 }
      : null,
};
const SHRINKING = signsThat('shrinks');
const GROWS = signsThat('grows');

function grewSince(events: readonly PlantEvent[], day: DayNumber): boolean {
  return events.some(
    (event) =>
      dayNumber(event.date) > day &&
      ((event.type === 'sign' && GROWS.has(event.sign)) || (event.type === 'state' && event.state === 'growing')),
  );
}

/** Hands raised of one plant, in the order above. @param events of the plant, oldest first */
export function watch(f: ClinicFacts, events: readonly PlantEvent[]): Raised[] {
  return WATCH_CODES.flatMap((code) => {
    const n = WATCHERS[code](f, events);
    return n ? [{ code, n }] : [];
  });
}

/** What a raised hand is taken for where causes are weighed; a light sign, for nobody saw it. */
const TAKEN_FOR: Record<WatchCode, Sign> = {
  'wet-in-cold': 'slow-to-dry',
  'not-drying': 'slow-to-dry',
  'drying-fast': 'water-runs-through',
  'shrinking-warm-rest': 'shrunken',
  'no-growth-awake': 'no-growth',
  'too-dark-long': 'stretched',
  'crust-due': 'salt-crust',
};

export function asSigns(raised: readonly Raised[], today: DayNumber): ClinicSign[] {
  return [...new Set(raised.map(({ code }) => TAKEN_FOR[code]))].map((sign) => ({
    day: today,
    sign,
    strength: 1,
    where: null,
    when: null,
    answered: false,
    unseen: true,
  }));
}
