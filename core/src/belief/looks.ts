/**
 * What each kind of look is worth: the chance of what the keeper found, given the moisture that was there.
 *
 * A reckoned moisture is never quite the pot's own: layers, edges and uneven wetting leave a deviation, which wanders
 * slowly and is least at both ends. Every look moves the deviation as well as the odds (deviationSd; branches.ts). And
 * every look may be a slip: another pot on the scale, a probe between stones, "dry" said of a dry surface.
 */
import type { Sign } from '../garden.ts';
import { logistic } from '../numeric/curves.ts';
import { DRY_TO_M, WET_FROM_M } from '../moisture.ts';

export type LookKind = 'finger' | 'surface' | 'meter' | 'weight' | 'lift';

/** How often a look of each kind is simply wrong, before this keeper has shown otherwise (trust.ts). */
export const USUAL_SLIPS: Readonly<Record<LookKind, number>> = {
  finger: 0.03,
  surface: 0.2,
  meter: 0.03,
  weight: 0.02,
  lift: 0.06,
};

/**
 * Looks on one pot lean on each other: the model errs for days on end. Where they are to tell of the whole collection,
 * each counts for this much of one.
 */
export const LOOK_WEIGHT = 0.4;

/**
 * A finger's edges are soft: standard widths of a logistic, in m. It feels the mix below the crust, which is wetter than
 * the pot as a whole while a pot dries from the top: so it says wet a little longer, and how much longer differs from
 * mix to mix.
 */
const FINGER_WET_FROM_M = WET_FROM_M - 0.025;
const FINGER_WET_WIDTH = 0.05;
const FINGER_DRY_WIDTH = 0.028;
/** A hand that lifts tells three weights apart, roughly. */
const LIFT_WET_WIDTH = 0.09;
const LIFT_DRY_WIDTH = 0.06;
const LIFT_HEAVY_FROM_M = 0.62;
const LIFT_LIGHT_TO_M = 0.2;
/** A probe's scatter in m: 1.15 steps of its scale of 1 to 10. */
const METER_SD = 1.15 / 9;
/** A kitchen scale, a plant that grows, a saucer left under: share of the pot's weight. */
const WEIGHT_SHARE = 0.006;
/**
 * The dead weight drifts: the plant grows, stones are added. Share of the store in a month since it was last weighed
 * drained.
 */
const WEIGHT_DRIFT = 0.025;
const DAYS_A_MONTH = 30;

/** Deviation of a pot from its reckoning, sd in m: least when dry or just drained. */
const DEVIATION_ENDS = 0.012;
const DEVIATION_MIDDLE = 0.1;

export function deviationSd(m: number): number {
  return m <= 0 ? DEVIATION_ENDS : DEVIATION_ENDS + DEVIATION_MIDDLE * Math.sqrt(m * Math.max(0, 1.02 - m));
}

/** A look by words is a table over m: the chance of the words, and how ln of it rises with m. */
export interface WordTable {
  chance: Float64Array;
  /** d ln chance / dm */
  slope: Float64Array;
  /** the chance if the look was a slip */
  slip: number;
}

const TABLE_STEP = 0.01;
const TABLE_SIZE = 161;
/** Deviations are told apart in so many steps of their standard deviation. */
const VARIANCE_STEPS = 4;
const MOST_VARIANCE_STEPS = 10;

export type Words =
  | { kind: 'finger'; says: 'wet' | 'damp' | 'dry' }
  | { kind: 'surface'; says: 'wet' | 'dry' }
  | { kind: 'lift'; says: 'heavy' | 'middling' | 'light' };

const tables = new Map<string, WordTable>();

/** @param zVar variance of the deviation, in its own standard deviations @param slips how often such looks are wrong */
export function wordTable(words: Words, zVar: number, slips: number): WordTable {
  const level = Math.min(MOST_VARIANCE_STEPS, Math.round(Math.sqrt(zVar) * VARIANCE_STEPS)) / VARIANCE_STEPS;
  const key = `${words.kind}/${words.says}/${level}/${slips}`;
  let table = tables.get(key);
  if (!table) {
    const slip = slips / (words.kind === 'surface' ? 2 : 3);
    const chance = new Float64Array(TABLE_SIZE);
    const slope = new Float64Array(TABLE_SIZE);
    for (let i = 0; i < TABLE_SIZE; i++) chance[i] = slip + (1 - slips) * clearChance(words, i * TABLE_STEP, level);
    for (let i = 0; i < TABLE_SIZE; i++) {
      const low = Math.max(0, i - 1);
      const high = Math.min(TABLE_SIZE - 1, i + 1);
      slope[i] = Math.log(chance[high]! / chance[low]!) / ((high - low) * TABLE_STEP);
    }
    table = { chance, slope, slip };
    tables.set(key, table);
  }
  return table;
}

/** Where in a table a moisture stands. */
export function tableIndex(m: number): number {
  const i = Math.round(m / TABLE_STEP);
  return i < 0 ? 0 : i >= TABLE_SIZE ? TABLE_SIZE - 1 : i;
}

/** The variance of a logistic of unit width is π²/3. */
const LOGISTIC_VARIANCE = Math.PI ** 2 / 3;

function clearChance(words: Words, m: number, level: number): number {
  const own = (deviationSd(m) * level) ** 2 / LOGISTIC_VARIANCE;
  const above = (edge: number, width: number) => logistic((m - edge) / Math.sqrt(width * width + own));
  switch (words.kind) {
    case 'finger':
      return threeWords(
        above(FINGER_WET_FROM_M, FINGER_WET_WIDTH),
        above(DRY_TO_M, FINGER_DRY_WIDTH),
        words.says,
        'wet',
        'dry',
      );
    case 'lift':
      return threeWords(
        above(LIFT_HEAVY_FROM_M, LIFT_WET_WIDTH),
        above(LIFT_LIGHT_TO_M, LIFT_DRY_WIDTH),
        words.says,
        'heavy',
        'light',
      );
    case 'surface': {
      // The top dries days before the rest: wet on top says wet below, dry on top says little.
      const wet = above(0.72, 0.1);
      return words.says === 'wet' ? wet : 1 - wet;
    }
  }
}

function threeWords(high: number, notLow: number, says: string, highest: string, lowest: string): number {
  return says === highest ? high * notLow : says === lowest ? 1 - notLow : notLow * (1 - high);
}

/**
 * A look that gives a figure: where it says moisture is, how sharply, and the density of a slip against the sharp
 * peak's.
 */
export interface Figure {
  m: number;
  sd: number;
  /** chance of a slip, times the density it spreads over all m */
  slipDensity: number;
  slips: number;
}

export function meterFigure(reading: number, slips: number): Figure {
  return { m: (reading - 1) / 9, sd: METER_SD, slipDensity: slips, slips };
}

/**
 * @param weightG as read @param drainedG full weight @param rangeG from full to bone dry @param dryKnown the dry weight
 * was taken too @param daysSince the full weight was taken
 */
export function weightFigure(
  weightG: number,
  drainedG: number,
  rangeG: number,
  dryKnown: boolean,
  daysSince: number,
  slips: number,
): Figure {
  const m = 1 - (drainedG - weightG) / rangeG;
  const scale = Math.hypot(WEIGHT_SHARE * drainedG, 1) / rangeG;
  const drift = WEIGHT_DRIFT * Math.sqrt(Math.max(0, daysSince) / DAYS_A_MONTH);
  const unknown = dryKnown ? 0.02 : 0.1 * Math.abs(1 - m);
  return { m, sd: Math.hypot(scale, drift, unknown, 0.015), slipDensity: slips, slips };
}

/** Density of the standard normal at `z`. Slips are thought of beside it, so its tails need not be heavy. */
export function normalAt(z: number): number {
  return 0.3989422804 * Math.exp(-0.5 * z * z);
}

/** Signs of thirst, as soft evidence that the pot has been dry; null where a sign says nothing of moisture. */
export function signLikelihood(sign: Sign, strength: number, m: number): number | null {
  const dry = logistic((0.16 - m) / 0.05);
  switch (sign) {
    case 'wrinkled':
    case 'shrunken':
      return 0.45 + 0.18 * strength * dry;
    case 'slow-to-dry':
      return 0.5 + 0.5 * logistic((m - 0.35) / 0.08);
    default:
      return null;
  }
}
