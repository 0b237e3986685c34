/**
 * What each kind of look is worth: the chance of what the keeper found, given the moisture it should have been.
 * Every likelihood has a floor, because people misread, forget and mix up pots: one wrong look must not wreck an estimate.
 */
import type { Sign } from '../garden.ts';
import { logistic } from '../numeric/shape.ts';

/** Bands of docs/formats.md. */
export const WET_FROM_M = 0.6;
export const DRY_TO_M = 0.12;

/** A finger's edges are soft: standard widths of a logistic, in m. */
const FINGER_WET_WIDTH = 0.045;
const FINGER_DRY_WIDTH = 0.025;
/** Looks that are simply wrong. */
const FINGER_LAPSE = 0.06;
const SURFACE_LAPSE = 0.2;
/** A probe's scatter, in steps of its own scale of 1 to 10, and the heaviness of its tails. */
const METER_SCALE = 1.05;
const METER_TAIL = 4;
/** A kitchen scale, a plant that grows, a saucer left under: share of the pot's weight. */
const WEIGHT_SHARE = 0.009;
const WEIGHT_TAIL = 4;

export function fingerLikelihood(felt: 'wet' | 'damp' | 'dry', m: number): number {
  const wet = logistic((m - WET_FROM_M) / FINGER_WET_WIDTH);
  const notDry = logistic((m - DRY_TO_M) / FINGER_DRY_WIDTH);
  const clear = felt === 'wet' ? wet * notDry : felt === 'dry' ? 1 - notDry : notDry * (1 - wet);
  return FINGER_LAPSE / 3 + (1 - FINGER_LAPSE) * clear;
}

/** The top dries days before the rest: wet on top says wet below, dry on top says little. */
export function surfaceLikelihood(felt: 'wet' | 'dry', m: number): number {
  const wet = logistic((m - 0.72) / 0.1);
  return SURFACE_LAPSE / 2 + (1 - SURFACE_LAPSE) * (felt === 'wet' ? wet : 1 - wet);
}

export function meterLikelihood(reading: number, m: number): number {
  return studentT((reading - (1 + 9 * m)) / METER_SCALE, METER_TAIL);
}

/**
 * How sure a weight is, in grams, for a pot that weighs about `grossG` with a store of `rangeG`:
 * the scale's share and a fiftieth of the store for what the plant itself drank.
 */
export function weightScaleG(grossG: number, rangeG: number): number {
  return Math.hypot(WEIGHT_SHARE * grossG, 0.025 * rangeG, 1);
}

export function weightLikelihood(differenceG: number, scaleG: number): number {
  return studentT(differenceG / scaleG, WEIGHT_TAIL);
}

/** Student's t without its constant: a normal's core with heavy tails. */
function studentT(z: number, tail: number): number {
  return (1 + (z * z) / tail) ** (-(tail + 1) / 2);
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
