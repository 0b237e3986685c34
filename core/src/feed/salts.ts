/**
 * Salts left in a pot: what water and food bring, what a drench that runs out takes along, what rain washes through.
 * A bucket of one: salts stay in the water the mix holds and leave with what drains (Rhoades 1974, leaching
 * requirement).
 */
import { isDrink, methodRow } from '../catalogue/ways.ts';
import type { PlantEvent } from '../garden.ts';
import type { WaterKind } from '../watering.ts';

/**
 * Dissolved salts of a kind of water, mg a litre; a keeper's own figure replaces it. Usual ranges of supply and rain.
 */
export const SALTS_MG_L: Record<WaterKind, number> = {
  rain: 15,
  soft: 120,
  filtered: 60,
  distilled: 5,
  hard: 450,
  softened: 480,
};
/** Hardness, °dH: lime that stays as crust and lifts pH. Softened water has sodium in its stead. */
export const HARDNESS_DH: Record<WaterKind, number> = {
  rain: 0,
  soft: 5,
  filtered: 3,
  distilled: 0,
  hard: 19,
  softened: 1,
};

/** Salts that a full label dose brings, mg a litre of feed water, of which the plant takes up about half. */
const FEED_MG_L = 1000;
const TAKEN_UP = 0.5;
/**
 * A drench of which nobody says how much runs out by a fifth of what the pot holds; a real one by a tenth to a third.
 */
const RUNS_OUT = 0.2;
/** What runs out takes its share of the pot's salts; mixing is not perfect. */
const MIXED = 0.8;
/** mg a litre to a conductivity of 1 mS/cm (USDA Handbook 60). */
const MG_L_PER_MS = 640;
/**
 * Above this the pot's water harms roots, mS/cm: for plants that mind salts, for most, and for those that bear them.
 */
export const SALT_LIMITS = { sensitive: 1.2, usual: 2, hardy: 3.2 } as const;
export type SaltTolerance = keyof typeof SALT_LIMITS;

export interface Salts {
  /** conductivity of the water in the just drained pot, mS/cm */
  ecMS: number;
  limitMS: number;
  /** over the limit */
  flush: boolean;
  /** drinks of hard or softened water since the last flush or repotting */
  hardDrinks: number;
}

/**
 * Walks the journal of a potting. Food counts with the watering of its day.
 *
 * @param events the plant's events since its potting, oldest first
 * @param heldMl water the pot holds when just drained, ml
 * @param tolerance of the plant
 * @param kindUsed the water taken where the journal does not say
 */
export function saltsOf(
  events: readonly PlantEvent[],
  heldMl: number,
  tolerance: SaltTolerance,
  kindUsed: WaterKind = 'soft',
  mgPerLitre: Readonly<Partial<Record<WaterKind, number>>> = {},
): Salts {
  const limitMS = SALT_LIMITS[tolerance];
  if (!(heldMl > 0)) return { ecMS: 0, limitMS, flush: false, hardDrinks: 0 };
  let mg = 0;
  let hardDrinks = 0;
  const fedOn = new Map(
    events.flatMap((event) => (event.type === 'feeding' ? [[event.date, event.dose ?? 1] as const] : [])),
  );
  for (const event of events) {
    if (event.type === 'repotting') {
      mg = 0;
      hardDrinks = 0;
      continue;
    }
    if (!isDrink(event)) continue;
    const kind = event.water ?? kindUsed;
    const pouredMl = event.amount_ml ?? heldMl * 0.9;
    const dose = fedOn.get(event.date);
    mg +=
      (pouredMl / 1000) *
      ((mgPerLitre[kind] ?? SALTS_MG_L[kind]) + (dose === undefined ? 0 : dose * FEED_MG_L * (1 - TAKEN_UP)));
    fedOn.delete(event.date);
    if (kind === 'hard' || kind === 'softened') hardDrinks++;
    if (methodRow(event.method).through) {
      // What was poured beyond the room left runs out.
      const outMl = event.amount_ml
        ? Math.max(0.1 * event.amount_ml, event.amount_ml - 0.8 * heldMl)
        : RUNS_OUT * heldMl;
      mg *= Math.exp((-MIXED * outMl) / heldMl);
      if (outMl > heldMl) hardDrinks = 0;
    }
  }
  const ecMS = mg / (heldMl / 1000) / MG_L_PER_MS;
  return { ecMS, limitMS, flush: ecMS > limitMS, hardDrinks };
}

/**
 * Water for a flush: twice what the mix fills, which takes out some three quarters of its salts; up to what a can
 * measures, so never nothing.
 */
export function flushMl(volumeMl: number): number {
  const stepMl = volumeMl < 250 ? 10 : 50;
  return Math.ceil((2 * volumeMl) / stepMl) * stepMl;
}

/** The kinds a plant may have, best first. Softened water never, where it minds salts; hard last. */
export function rankedWaters(tolerance: SaltTolerance): WaterKind[] {
  if (tolerance === 'sensitive') return ['rain', 'distilled', 'filtered', 'soft'];
  if (tolerance === 'usual') return ['rain', 'soft', 'filtered', 'distilled', 'hard'];
  return ['rain', 'soft', 'hard', 'filtered', 'distilled', 'softened'];
}
