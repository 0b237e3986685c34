/**
 * What the engine reaches in worlds that are not its own (world.ts): how often the truth lies inside its bounds, and by
 * how much it is missed. For the tests, which hold it, and for `npm run bench -- belief`, which prints it.
 */
import { type DayNumber, dayNumber } from '../src/calendar/day.ts';
import { GardenForecast, type Outlook } from '../src/forecast/forecast.ts';
import { drinkOf } from '../src/judgement/deeds.ts';
import { gardenTasks } from '../src/judgement/garden.ts';
import { DRY_TO_M } from '../src/moisture.ts';
import { INLAND, mirrored } from './gardens.ts';
import { live, type PhysicsName, type Upset, type World, type WorldOptions } from './world.ts';

/** From so many days on a dry-down is a long one. */
const LONG_DAYS = 60;
/** A book is wrong from this difference in m on. */
const WRONG_BOOK_M = 0.25;
/** Into what is wetter than this a drink is a mistake. */
const STILL_WET_M = 0.35;
/** Dry for longer than this, thirst is overlooked. */
const PARCHED_DAYS = 10;

export interface Found {
  pots: number;
  /** shares of the truths inside the nominal 80 % */
  moisture: number;
  dry: number;
  /** the same of dry-downs of over sixty days, and how many there were */
  long: number;
  longOnes: number;
  /** median misses: of m; of the dry day, in days and as a share of the cycle; the dry day's with its sign, days late */
  mMiss: number;
  dryMiss: number;
  cycleMiss: number;
  late: number;
}

export interface Trial {
  checks: WorldOptions['checks'];
  seeds: readonly number[];
  physics?: PhysicsName;
  days?: number;
  pots?: number;
  sleepers?: boolean;
}

export function median(values: readonly number[]): number {
  return values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)] ?? NaN;
}

/** Odd seeds live in the south. */
function worldOf(
  seed: number,
  options: Omit<WorldOptions, 'seed' | 'normals' | 'latitude' | 'firstDay' | 'every'>,
): World {
  const south = seed % 2 === 1;
  return live({
    ...options,
    seed,
    normals: south ? mirrored(INLAND) : INLAND,
    latitude: south ? -44 : 47,
    firstDay: dayNumber(south ? '2025-11-10' : '2025-05-10'),
    every: 3,
  });
}

/** The day on which a pot is dry in truth, if it is; one that is dry now became so in the past. */
function dryDayOf(truth: Float64Array, now: number, firstDay: DayNumber): DayNumber {
  let dry = truth.findIndex((m, i) => i >= now && m <= DRY_TO_M);
  if (dry === now) while (dry > 0 && truth[dry - 1]! <= DRY_TO_M) dry--;
  return dry < 0 ? Infinity : firstDay + dry;
}

const within = (value: number, { p10, p90 }: { p10: number | null; p90: number | null }) =>
  value >= (p10 ?? Infinity) - 1e-9 && value <= (p90 ?? Infinity) + 1e-9;

/** Nothing befalls: how well its bounds hold. */
export function triedQuiet({
  checks,
  seeds,
  physics = 'layers',
  days = 75,
  pots = 22,
  sleepers = false,
}: Trial): Found {
  let moistureIn = 0;
  let dryIn = 0;
  let longIn = 0;
  let count = 0;
  let longOnes = 0;
  const mMisses: number[] = [];
  const lates: number[] = [];
  const cycles: number[] = [];
  const seen = (outlook: Outlook, world: World) => {
    const truth = world.moisture.get(outlook.plant.id)!;
    const now = world.today - world.firstDay;
    const m = truth[now]!;
    const day = dryDayOf(truth, now, world.firstDay);
    const inside = within(day, outlook.dryOn);
    count++;
    mMisses.push(Math.abs(outlook.moisture.p50 - m));
    if (within(m, outlook.moisture)) moistureIn++;
    if (inside) dryIn++;
    if (m <= DRY_TO_M) return;
    const cycle = day - (outlook.history.lastWatered ?? world.firstDay);
    if (cycle > LONG_DAYS) {
      longOnes++;
      if (inside) longIn++;
    }
    if (day === Infinity || outlook.dryOn.p50 === null) return;
    lates.push(outlook.dryOn.p50 - day);
    cycles.push(Math.abs(outlook.dryOn.p50 - day) / Math.max(3, cycle));
  };
  for (const seed of seeds) {
    const world = worldOf(seed, { days, beyond: 260, pots, checks, physics, sleepers });
    for (const outlook of new GardenForecast(world.garden).outlooks()) seen(outlook, world);
  }
  return {
    pots: count,
    moisture: moistureIn / count,
    dry: dryIn / count,
    long: longIn / longOnes,
    longOnes,
    mMiss: median(mMisses),
    dryMiss: median(lates.map(Math.abs)),
    cycleMiss: median(cycles),
    late: median(lates),
  };
}

export interface FoundUpset {
  /** pots whose book, without the looks, was wrong by more than a quarter of the pot; with slips, all */
  count: number;
  miss: number;
  inside: number;
  /** pots that are still wet, and those of them that are told to be watered */
  wet: number;
  drinksIntoWet: number;
  /** pots dry for more than ten days, and those of them that neither a drink nor a look is asked for */
  parched: number;
  overlooked: number;
}

/**
 * Something befalls every pot that no book tells; then looks, so many days ago.
 *
 * @param kinds of what befalls, in turn; a `slip` is a first look that is wrong while nothing happened
 */
export function triedUpsets(
  kinds: readonly Upset[],
  looksAgo: readonly number[],
  seeds: readonly number[],
  { checks = 'mixed', physics = 'layers', pots = 40 }: Partial<Pick<Trial, 'checks' | 'physics' | 'pots'>> = {},
): FoundUpset {
  const misses: number[] = [];
  let inside = 0;
  let wet = 0;
  let drinksIntoWet = 0;
  let parched = 0;
  let overlooked = 0;
  const slip = kinds.includes('slip');
  for (const seed of seeds) {
    const upset = { kinds, daysAgo: [6, 16] as const, looksAgo };
    const world = worldOf(seed, { days: 95, beyond: 0, pots, checks, physics, upset });
    const isLook = (date: string) => looksAgo.includes(world.today - dayNumber(date));
    const book = new GardenForecast({
      ...world.garden,
      plants: world.garden.plants.map((plant) => ({
        ...plant,
        events: plant.events.filter((event) => event.type !== 'check' || !isLook(event.date)),
      })),
    });
    for (const { outlook, task } of gardenTasks(world.garden)) {
      const truth = world.moisture.get(outlook.plant.id)!;
      const now = world.today - world.firstDay;
      const m = truth[now]!;
      if (!slip && Math.abs(book.outlook(outlook.plant.id).moisture.p50 - m) <= WRONG_BOOK_M) continue;
      misses.push(Math.abs(outlook.moisture.p50 - m));
      if (within(m, outlook.moisture)) inside++;
      const drink = drinkOf(task.judgement) !== null;
      if (m > STILL_WET_M) {
        wet++;
        if (drink) drinksIntoWet++;
      }
      if (truth.subarray(now - PARCHED_DAYS, now + 1).every((past) => past <= DRY_TO_M)) {
        parched++;
        if (!drink && !task.judgement.deeds.some(({ deed }) => deed === 'look')) overlooked++;
      }
    }
  }
  return {
    count: misses.length,
    miss: median(misses),
    inside: inside / misses.length,
    wet,
    drinksIntoWet,
    parched,
    overlooked,
  };
}
