/** Recipes on the mixing bench: what each holds in a pot, for a plant, and how they are changed. */
import type { OwnComponentFields, PlantDrying, StockLine } from '@zinc-pail/contract/potting';
import {
  type Blend,
  blendMix,
  type Component,
  componentsOf,
  type DaysToDry,
  daysToDryIn,
  mineralShare,
  mixWarnings,
  type MixPart,
  type Pot,
  potCapacity,
  type Substitute,
} from '@zinc-pail/core';
import { mixWarningWords } from '@zinc-pail/words/mix';
import { units } from '../../reader/units.ts';

export interface Recipe {
  key: string;
  name: string;
  /** of one that is kept already */
  mixId: number | null;
  parts: MixPart[];
}

export interface Held {
  blend: Blend;
  porosity: number;
  air: number;
  held: number;
  availableMl: number;
  wetLayerMm: number;
  /** floor of crocks under the mix */
  crockMm: number;
  weightG: number;
  ph: number;
  shrink: number;
  mineral: number;
  days: { now: DaysToDry; winter: DaysToDry } | null;
  costMinor: number | null;
  warnings: string[];
}

const ML_A_LITRE = 1000;

/** What a recipe does in a pot; null where it has no parts yet. */
export function heldOf(
  parts: readonly MixPart[],
  pot: Pot,
  components: ReadonlyMap<string, Component>,
  drying: PlantDrying['drying'] | null,
  prices: ReadonlyMap<string, number>,
  crockMm = 0,
): Held | null {
  const used = parts.filter((part) => part.parts > 0 && components.has(part.component));
  if (used.length === 0) return null;
  const blend = blendMix(
    { id: used.map((part) => `${part.parts} ${part.component}`).join(' '), parts: used },
    components,
  );
  const capacity = potCapacity(pot, blend, crockMm);
  const total = used.reduce((sum, part) => sum + part.parts, 0);
  const looseL = capacity.volumeMl / ML_A_LITRE / (1 - blend.shrink);
  const costs = used.map((part) => {
    const price = prices.get(part.component);
    return price === undefined ? null : (price * looseL * part.parts) / total;
  });
  const mineral = mineralShare(used, (id) => components.get(id)?.organicShare);
  return {
    blend,
    porosity: blend.totalPorosity,
    air: capacity.airFilledPorosity,
    held: capacity.containerCapacity,
    availableMl: capacity.availableMl,
    wetLayerMm: capacity.saturatedLayerMm,
    crockMm,
    weightG: blend.bulkDensityDryGMl * capacity.volumeMl + capacity.drainedMl,
    ph: blend.ph,
    shrink: blend.shrink,
    mineral,
    days: drying && {
      now: daysToDryIn(drying, pot, blend, drying.now, crockMm),
      winter: daysToDryIn(drying, pot, blend, drying.winter, crockMm),
    },
    costMinor: costs.some((cost) => cost === null)
      ? null
      : Math.round(costs.reduce<number>((sum, cost) => sum + cost!, 0)),
    warnings: mixWarnings({ blend, pot, capacity, crockMm, mineral, traits: drying?.traits ?? null }).map((warning) =>
      mixWarningWords(warning, units()),
    ),
  };
}

/** All components that may go in: the library's and the keeper's own, which win. */
export function allComponents(own: readonly OwnComponentFields[]): Map<string, Component> {
  return componentsOf(own);
}

/** Price of a litre by component: the cheapest that lies in the stores. */
export function pricesOf(stock: readonly StockLine[]): Map<string, number> {
  const prices = new Map<string, number>();
  for (const { component_ref: ref, price_minor: price } of stock) {
    if (ref === null || price === null) continue;
    prices.set(ref, Math.min(price, prices.get(ref) ?? Infinity));
  }
  return prices;
}

/** Litres by component, all bags of it together. */
export function litresOf(stock: readonly StockLine[]): Map<string, number> {
  const litres = new Map<string, number>();
  for (const { component_ref: ref, amount } of stock)
    if (ref !== null) litres.set(ref, (litres.get(ref) ?? 0) + amount);
  return litres;
}

/** A part set to so many; at nought it goes. A new one joins at the end. */
export function withPart(parts: readonly MixPart[], component: string, count: number): MixPart[] {
  const kept = parts.filter((part) => part.component !== component || count > 0);
  return kept.some((part) => part.component === component)
    ? kept.map((part) => (part.component === component ? { component, parts: count } : part))
    : count > 0
      ? [...kept, { component, parts: count }]
      : [...kept];
}

/** What a component's litres are taken from: bags of it, the fullest first. */
export function fromStores(
  stock: readonly StockLine[],
  lines: readonly { component: string; litres: number }[],
): { stock_id: number; amount: number }[] {
  return lines.flatMap(({ component, litres }) => {
    let left = litres;
    const bags = stock.filter((one) => one.component_ref === component).toSorted((a, b) => b.amount - a.amount);
    return bags.flatMap((bag, i) => {
      // What no bag holds is taken from the last, so that the stores say what they lack.
      const some = i === bags.length - 1 ? left : Math.min(left, bag.amount);
      left -= some;
      return some > 0 ? [{ stock_id: bag.id, amount: -Math.round(some * 1000) / 1000 }] : [];
    });
  });
}

/** The same proportions in the smallest whole parts, of quarters at finest. */
export function inWholeParts(parts: readonly MixPart[]): MixPart[] {
  const quarters = parts.map(({ parts: count }) => Math.round(4 * count));
  const shared = quarters.reduce((a, b) => gcd(a, b), 0) || 1;
  return parts.map(({ component }, i) => ({ component, parts: quarters[i]! / shared }));
}

function gcd(a: number, b: number): number {
  return b === 0 ? a : gcd(b, a % b);
}

const IMPROVISED = ', improvised';

/** The recipe with one part swapped; it is no longer the one that is kept, and its name says so. */
export function improvised({ name, parts, key }: Recipe, missing: string, instead: string): Recipe {
  return {
    key,
    mixId: null,
    name: name.endsWith(IMPROVISED) ? name : `${name.slice(0, 60 - IMPROVISED.length)}${IMPROVISED}`,
    parts: parts.map((part) => (part.component === missing ? { ...part, component: instead } : part)),
  };
}

const NOTICED = 0.05;
const NOTICED_PH = 0.2;

export function insteadWords({ waterTimes, air, phShift }: Pick<Substitute, 'waterTimes' | 'air' | 'phShift'>): string {
  const more = Math.abs(waterTimes - 1);
  return [
    more < NOTICED ? 'as wet' : `${percent(more)} ${waterTimes > 1 ? 'more' : 'less'} water`,
    `air ${percent(air)}`,
    ...(Math.abs(phShift) < NOTICED_PH
      ? []
      : [`${Math.abs(phShift).toFixed(1)} ${phShift > 0 ? 'more alkaline' : 'more acid'}`]),
  ].join(', ');
}

const percent = (share: number) => `${Math.round(100 * share)} %`;
