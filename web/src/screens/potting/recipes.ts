/** Recipes on the mixing bench: what each holds in a pot, for a plant, and how they are changed. */
import type { OwnComponentFields, PlantDrying, StockLine } from '@zinc-pail/contract/potting';
import {
  type Blend,
  blendMix,
  type Component,
  componentsOf,
  type DaysToDry,
  daysToDryIn,
  mineralBand,
  mineralShare,
  type MixPart,
  phBand,
  type Pot,
  potCapacity,
  type Substitute,
} from '@zinc-pail/core';

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

/** A mix's pH is known no better than this. */
const PH_UNSURE = 0.2;
const LITTLE_AIR = 0.12;
const SHEDS = 0.35;
const MOSTLY_WET = 0.4;
const ML_A_LITRE = 1000;
const RINSE = new Set(['fine-sand', 'coarse-sand']);

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
    warnings: warningsOf(
      used,
      { blend, mineral, air: capacity.airFilledPorosity, wetMm: capacity.saturatedLayerMm, crockMm },
      pot,
      drying,
    ),
  };
}

function warningsOf(
  parts: readonly MixPart[],
  {
    blend,
    mineral,
    air,
    wetMm,
    crockMm,
  }: { blend: Blend; mineral: number; air: number; wetMm: number; crockMm: number },
  pot: Pot,
  drying: PlantDrying['drying'] | null,
): string[] {
  const words: string[] = [];
  const band = drying && mineralBand(drying.traits.form, drying.traits.store);
  if (band && mineral < band[0])
    words.push(
      `Too much in it was once alive for this plant: ${percent(mineral)} mineral, ${percent(band[0])} and more is wanted.`,
    );
  if (band && mineral > band[1])
    words.push(`Leaner than this plant likes: ${percent(mineral)} mineral, up to ${percent(band[1])} suits it.`);
  const acid = drying && phBand(drying.traits);
  if (acid && blend.ph < acid[0] - PH_UNSURE)
    words.push(`More acid than this plant likes: pH ${blend.ph.toFixed(1)}, from ${acid[0]} suits it.`);
  if (acid && blend.ph > acid[1] + PH_UNSURE)
    words.push(
      `More limy than this plant likes: pH ${blend.ph.toFixed(1)}, up to ${acid[1]} suits it; hard water takes it further.`,
    );
  if (air < LITTLE_AIR)
    words.push(`Little air after a drench: ${percent(air)}; roots of succulents want 20 % and more.`);
  const mixMm = pot.depth_mm - crockMm;
  if (wetMm > MOSTLY_WET * mixMm) words.push(`The wet layer is ${Math.round(wetMm)} mm of ${mixMm} mm.`);
  if (crockMm > 0)
    words.push(
      'Crocks do not take the wet layer away: it sits on them, nearer the roots, and there is less mix above it.',
    );
  if (blend.rewetDifficulty >= SHEDS) words.push('Once bone dry it sheds water: stand it in water, or pour twice.');
  if (parts.some(({ component }) => RINSE.has(component)))
    words.push('Washed sand only: building and beach sand bring salts.');
  if (!pot.holes) words.push('This pot has no hole.');
  return words;
}

function percent(share: number): string {
  return `${Math.round(100 * share)} %`;
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
      : [`${Math.abs(phShift).toFixed(1)} ${phShift > 0 ? 'more limy' : 'more acid'}`]),
  ].join(', ');
}
