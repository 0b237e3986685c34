/**
 * The innermost step: what a share of a day takes from a pot. Every simulation of the engine goes through here.
 *
 * Moisture m is the share of the available water: 1 drained, 0 in balance with the air. Losses fall as the pot dries,
 * each in its way:
 * the surface after Ritchie's two stages (1972, Water Resources Research 8): full while wet, then by a power of m;
 * a clay wall with the wetness of the mix behind it; roots freely down to a quarter, then less (Feddes 1978).
 */
import { ROOT_FREE_M } from '../moisture.ts';

/**
 * Below this the surface can no longer be kept wet from below. How far down capillaries keep up differs from mix to mix
 * and from world to world, so it is learned from the collection's own looks (belief/surface.ts); this is where it
 * starts.
 */
export const SURFACE_WET_M = 0.5;
const WALL_WET_M = 0.6;
/**
 * A step may take this share of the store at most, and this share of what is left; a day that would take more is split.
 */
const LARGEST_STEP = 0.08;
const LARGEST_BITE = 0.35;
const SMALLEST_STEP = 0.012;
const MOST_STEPS = 24;

/** Loss over a unit of time at moisture m, for losses given as shares of the store at full wetness. */
export function lossAt(m: number, surface: number, wall: number, plant: number, surfaceWetM = SURFACE_WET_M): number {
  if (m <= 0) return 0;
  const s = m < surfaceWetM ? m / surfaceWetM : 1;
  const w = m < WALL_WET_M ? m / WALL_WET_M : 1;
  const r = m < ROOT_FREE_M ? m / ROOT_FREE_M : 1;
  return surface * s * Math.sqrt(s) + wall * w + plant * r;
}

/** The largest loss that a single step may take at moisture m. */
export function stepLimit(m: number): number {
  const bite = LARGEST_BITE * m;
  return bite > LARGEST_STEP ? LARGEST_STEP : bite < SMALLEST_STEP ? SMALLEST_STEP : bite;
}

/** Midpoint rule: second order, so a single step a day is true to a thousandth. `first` is the loss at m. */
export function singleStep(
  m: number,
  first: number,
  surface: number,
  wall: number,
  plant: number,
  surfaceWetM: number,
): number {
  const left = m - lossAt(m - first / 2, surface, wall, plant, surfaceWetM);
  return left > 0 ? left : 0;
}

/** A day that takes too much for one step, in as many as it needs. */
export function manySteps(
  m: number,
  first: number,
  surface: number,
  wall: number,
  plant: number,
  surfaceWetM: number,
): number {
  const steps = Math.min(MOST_STEPS, Math.ceil(first / stepLimit(m)));
  const share = 1 / steps;
  let now = m;
  for (let i = 0; i < steps; i++) {
    const half = now - 0.5 * share * lossAt(now, surface, wall, plant, surfaceWetM);
    now -= share * lossAt(half, surface, wall, plant, surfaceWetM);
  }
  return now > 0 ? now : 0;
}

/**
 * A day in two steps whatever it takes, each an exponential: for rates that are hardly believed, where a few hundredths
 * of m decide nothing. Where one step would do it is that step.
 */
export function roughStep(
  m: number,
  surface: number,
  wall: number,
  plant: number,
  surfaceWetM = SURFACE_WET_M,
): number {
  if (m <= 0) return 0;
  const first = lossAt(m, surface, wall, plant, surfaceWetM);
  if (first <= stepLimit(m)) return singleStep(m, first, surface, wall, plant, surfaceWetM);
  const half = m * Math.exp(-first / (2 * m));
  return half <= 0 ? 0 : half * Math.exp(-lossAt(half, surface, wall, plant, surfaceWetM) / (2 * half));
}

/** Moisture after losses that would take `surface + wall + plant` of the store from a fully wet pot. */
export function dryStep(m: number, surface: number, wall: number, plant: number, surfaceWetM = SURFACE_WET_M): number {
  const first = lossAt(m, surface, wall, plant, surfaceWetM);
  return first <= stepLimit(m)
    ? singleStep(m, first, surface, wall, plant, surfaceWetM)
    : manySteps(m, first, surface, wall, plant, surfaceWetM);
}
