/**
 * The best recipes for an aim, by trying them all: every recipe in whole parts of the components at hand, up to so many
 * parts and so many kinds. Nothing is skipped: what a recipe holds in a pot follows from sums over its parts, so one
 * takes some twenty additions, and the days to dry come from a table over the store, since a mix tells on a pot's pace
 * only by how much water it holds.
 */
import type { MixPart, Pot } from '../garden.ts';
import { crockFloorMm, integrate, volumeMl } from '../pot/shape.ts';
import { PH_INERT_WEIGHT, reactsInPh, WORST_SHRINK } from './blend.ts';
import type { Component } from './components.ts';
import { waterAt } from './retention.ts';

export interface MixAim {
  /** days from full to dry, or null where they do not matter */
  days: number | null;
  /** least share of air after draining */
  airFrom: number | null;
  ph: number | null;
  /** most kinds of components */
  mostKinds: number;
}

export interface MixFound {
  parts: MixPart[];
  days: number | null;
  air: number;
  held: number;
  ph: number;
  weightDrainedG: number;
  /** price of the mix for this pot, in the smallest unit of money, or null where one price is unknown */
  costMinor: number | null;
  /** how far it misses the aim: 0 meets it wholly */
  miss: number;
}

export interface SolverInput {
  components: readonly Component[];
  pot: Pot;
  aim: MixAim;
  /** most parts in all */
  mostParts?: number;
  /** days to dry of this pot at a store of so many ml; null where nothing is asked of days */
  daysAt: ((availableMl: number) => number) | null;
  /** price of a litre by component id */
  priceMinor?: ReadonlyMap<string, number>;
  /** litres at hand by component id; one that is not in it is not limited */
  litres?: ReadonlyMap<string, number>;
  /** called now and then with the share done; false stops it */
  told?: (share: number) => boolean;
}

export const MOST_PARTS = 12;
const RESULTS = 8;
const ML_A_LITRE = 1000;
const GAPS_EMPTY_CM = 50;
/** What a miss weighs: twice too fast as much as seven hundredths of air that lack, or a step and a half of pH. */
const WEIGHTS = { days: 1, air: 10, ph: 0.5 };
/** Of two that do alike the simpler is liked. */
const KIND_COSTS = 0.004;
const TOLD_EVERY = 4096;

/** A component as sums need it: means over the pot's own section. */
interface Summed {
  id: string;
  porosity: number;
  /** loose water, mean over the pot, and what its grains hold when the gaps are empty */
  water: number;
  held: number;
  airDry: number;
  density: number;
  lnGrain: number;
  phWeight: number;
  ph: number;
  priceMinor: number | null;
  litres: number;
}

/** @returns the best recipes, best first, and how many were tried */
export function solveMix(input: SolverInput): { found: MixFound[]; tried: number } {
  const { aim, mostParts = MOST_PARTS, told } = input;
  const summed = input.components.map((component) => summedOf(component, input));
  const volume = volumeMl(input.pot);
  const counts = new Int32Array(summed.length);
  const best: MixFound[] = [];
  let tried = 0;
  let stopped = false;
  const all = countRecipes(summed.length, mostParts, aim.mostKinds);
  const visit = (at: number, left: number, kinds: number, used: number): void => {
    if (stopped) return;
    if (at === summed.length) {
      if (used === 0 || !isLowest(counts)) return;
      tried++;
      if (tried % TOLD_EVERY === 0 && told && !told(Math.min(1, tried / all))) stopped = true;
      keep(best, tryOut(summed, counts, used, volume, input));
      return;
    }
    visit(at + 1, left, kinds, used);
    if (kinds === aim.mostKinds) return;
    for (let parts = 1; parts <= left; parts++) {
      counts[at] = parts;
      visit(at + 1, left - parts, kinds + 1, used + parts);
    }
    counts[at] = 0;
  };
  visit(0, mostParts, 0, 0);
  return { found: best, tried };
}

/** Recipes of so many kinds in up to so many parts, 2 : 2 counted beside 1 : 1: an upper bound on what is tried. */
export function countRecipes(components: number, mostParts: number, mostKinds: number): number {
  let sum = 0;
  for (let kinds = 1; kinds <= Math.min(mostKinds, components); kinds++)
    sum += choose(components, kinds) * choose(mostParts, kinds);
  return sum;
}

function choose(n: number, k: number): number {
  let out = 1;
  for (let i = 0; i < k; i++) out = (out * (n - i)) / (i + 1);
  return Math.round(out);
}

/** 4 : 2 is 2 : 1 over again. */
function isLowest(counts: Int32Array): boolean {
  let divisor = 0;
  for (const count of counts) if (count > 0) divisor = gcd(divisor, count);
  return divisor === 1;
}

function gcd(a: number, b: number): number {
  return b === 0 ? a : gcd(b, a % b);
}

function summedOf(component: Component, { pot, priceMinor, litres }: SolverInput): Summed {
  const volume = Math.max(1e-9, volumeMl(pot));
  const floor = crockFloorMm(pot);
  return {
    id: component.id,
    porosity: component.totalPorosity,
    water: integrate(pot, floor, (heightMm) => waterAt(component, (heightMm - floor) / 10)) / volume,
    held: waterAt(component, GAPS_EMPTY_CM),
    airDry: component.waterAirDry,
    density: component.bulkDensityGMl,
    lnGrain: Math.log10(component.grainMm),
    phWeight: reactsInPh(component) ? 1 : PH_INERT_WEIGHT,
    ph: component.ph,
    priceMinor: priceMinor?.get(component.id) ?? null,
    litres: litres?.get(component.id) ?? Infinity,
  };
}

/** As blend.ts and capacity.ts reckon it, by sums; pots deeper than half a metre are none of a bench's. */
function tryOut(
  summed: readonly Summed[],
  counts: Int32Array,
  total: number,
  volume: number,
  { aim, daysAt }: SolverInput,
): MixFound | null {
  let porosity = 0;
  let water = 0;
  let held = 0;
  let airDry = 0;
  let density = 0;
  let phSum = 0;
  let phWeights = 0;
  let shrink = 0;
  let kinds = 0;
  let price: number | null = 0;
  for (let i = 0; i < counts.length; i++) {
    if (counts[i] === 0) continue;
    const one = summed[i]!;
    const share = counts[i]! / total;
    kinds++;
    porosity += share * one.porosity;
    water += share * one.water;
    held += share * one.held;
    airDry += share * one.airDry;
    density += share * one.density;
    phSum += share * one.phWeight * one.ph;
    phWeights += share * one.phWeight;
    price = price === null || one.priceMinor === null ? null : price + share * one.priceMinor;
    for (let j = i + 1; j < counts.length; j++)
      if (counts[j]! > 0)
        shrink +=
          WORST_SHRINK * 4 * share * (counts[j]! / total) * Math.min(1, Math.abs(one.lnGrain - summed[j]!.lnGrain));
  }
  const gaps = porosity - held;
  shrink = Math.min(WORST_SHRINK, shrink, 0.9 * gaps);
  const packed = 1 - shrink;
  const looseMl = volume / packed;
  for (let i = 0; i < counts.length; i++)
    if (((counts[i]! / total) * looseMl) / ML_A_LITRE > summed[i]!.litres + 1e-9) return null;
  const filled = gaps > 0 ? Math.min(1, Math.max(0, (water - held) / gaps)) : 0;
  const capacity = (water - shrink * filled) / packed;
  const air = (porosity - shrink) / packed - capacity;
  const availableMl = Math.max(0, (capacity - airDry / packed) * volume);
  const days = daysAt ? daysAt(availableMl) : null;
  const ph = phSum / phWeights;
  let miss = KIND_COSTS * kinds;
  if (aim.days !== null && days !== null) miss += WEIGHTS.days * Math.abs(Math.log(Math.max(0.1, days) / aim.days));
  if (aim.airFrom !== null && air < aim.airFrom) miss += WEIGHTS.air * (aim.airFrom - air);
  if (aim.ph !== null) miss += WEIGHTS.ph * Math.max(0, Math.abs(ph - aim.ph) - 0.1);
  return {
    parts: summed.flatMap(({ id }, i) => (counts[i]! > 0 ? [{ component: id, parts: counts[i]! }] : [])),
    days,
    air,
    held: capacity,
    ph,
    weightDrainedG: (density / packed + capacity) * volume,
    costMinor: price === null ? null : (price * looseMl) / ML_A_LITRE,
    miss,
  };
}

/** Two recipes that differ by less than this, as shares of the whole that would have to be changed, are one to a keeper. */
const NEAR_COPY = 0.2;

function shareThatDiffers(a: readonly MixPart[], b: readonly MixPart[]): number {
  const sum = (parts: readonly MixPart[]) => parts.reduce((all, part) => all + part.parts, 0);
  const [ofA, ofB] = [sum(a), sum(b)];
  let common = 0;
  for (const { component, parts } of a) {
    const other = b.find((part) => part.component === component);
    if (other) common += Math.min(parts / ofA, other.parts / ofB);
  }
  return 1 - common;
}

/** Keeps the best, each unlike the others: of near copies only the one that misses least. */
function keep(best: MixFound[], one: MixFound | null): void {
  if (!one || (best.length === RESULTS && one.miss >= best.at(-1)!.miss)) return;
  const isCopy = (other: MixFound) => shareThatDiffers(other.parts, one.parts) < NEAR_COPY;
  if (best.some((other) => other.miss <= one.miss && isCopy(other))) return;
  for (let i = best.length - 1; i >= 0; i--) if (isCopy(best[i]!)) best.splice(i, 1);
  let at = best.length;
  while (at > 0 && best[at - 1]!.miss > one.miss) at--;
  best.splice(at, 0, one);
  if (best.length > RESULTS) best.pop();
}

const TABLE_SIZE = 24;

/**
 * Days to dry over the store, as a table: for stores from next to nothing to all of the pot's volume.
 *
 * @param days of a store of so many ml, from the engine
 */
export function daysTable(volume: number, days: (availableMl: number) => number): (availableMl: number) => number {
  const most = Math.max(1, volume);
  // A pot that holds twice as much takes about twice as long: straight lines between even steps lose little.
  const table = Array.from({ length: TABLE_SIZE + 1 }, (_, i) => days(Math.max(1, (most * i) / TABLE_SIZE)));
  return (ml) => {
    const at = Math.min(TABLE_SIZE, Math.max(0, (ml / most) * TABLE_SIZE));
    const low = Math.min(TABLE_SIZE - 1, Math.floor(at));
    return table[low]! + (at - low) * (table[low + 1]! - table[low]!);
  };
}
