/**
 * Two indices that run along with the drying: thirst, how much of the plant's own store is spent, and wet feet, how
 * near its roots are to rot. Both from 0 to 1.
 */
import type { Store } from '../garden.ts';
import { ROOT_FREE_M } from '../moisture.ts';
import { clamp, ramp } from '../numeric/curves.ts';

export interface StressDay {
  m: number;
  /** what the plant would drink from a wet pot this day, ml */
  demandMl: number;
  /** lowest night, and mean, at the plant */
  tminC: number;
  tmeanC: number;
  resting: boolean;
}

export interface Stress {
  thirst: number;
  wetFeet: number;
}

/** A succulent without supply closes: this much of its drink goes on, from its own store (Nobel 1988: 0.1–0.3). */
const CLOSED_SHARE = 0.22;
/** An empty store fills by at most this share a day from a wet pot: roots must grow first. */
const REFILL_SHARE = 0.12;
/** Wet and cold for about this many days is the end of sensitive roots. */
const ROT_DAYS = 28;
/** Roots recover at this rate once the mix dries. */
const RECOVERY_SHARE = 0.08;
const WET_FROM_M = 0.45;

/** How much roots suffer from wet: a plant that stores below ground rots there. */
const SENSITIVITY: Record<Store, number> = { leaf: 1, stem: 1, below: 1.4, none: 0.5 };

/** One day further. */
export function stressStep(
  before: Stress,
  day: StressDay,
  plant: { storeMl: number; store: Store; minWetC: number; growMinC: number },
): Stress {
  return { thirst: thirstStep(before.thirst, day, plant.storeMl), wetFeet: wetFeetStep(before.wetFeet, day, plant) };
}

function thirstStep(thirst: number, day: StressDay, storeMl: number): number {
  if (storeMl <= 0) return clamp(1 - day.m / ROOT_FREE_M, 0, 1);
  const supply = day.demandMl * Math.min(1, day.m / ROOT_FREE_M);
  const spent = Math.max(0, day.demandMl * CLOSED_SHARE - supply) / storeMl;
  const refilled = day.m > 0.1 ? Math.min(thirst, REFILL_SHARE * ramp(day.m, 0.1, 0.5)) : 0;
  return clamp(thirst + spent - refilled, 0, 1);
}

function wetFeetStep(
  wetFeet: number,
  day: StressDay,
  plant: { store: Store; minWetC: number; growMinC: number },
): number {
  const wetness = ramp(day.m, WET_FROM_M, 1);
  const cold = 1 - ramp(day.tmeanC, plant.minWetC, plant.growMinC + 5);
  const frosty = day.tminC < plant.minWetC ? 1 : 0;
  const idle = Math.max(cold, day.resting ? 0.7 : 0.08);
  const harm = (wetness * SENSITIVITY[plant.store] * (idle + 2 * frosty * wetness)) / ROT_DAYS;
  return clamp(wetFeet + harm * (1 - wetFeet) - RECOVERY_SHARE * wetFeet * (1 - wetness), 0, 1);
}

/** Level at which the first wrinkle shows, by where the water is kept: leaves tell early, a store below ground late. */
export const FIRST_WRINKLE: Record<Store, number> = { leaf: 0.3, stem: 0.35, below: 0.5, none: 0.2 };
export const THIRST_HARMS = 0.75;
export const WET_FEET_HARM = 0.6;

export const THIRST_WORDS = ['full', 'a-little-spent', 'first-wrinkles', 'shrivelling', 'harmed'] as const;
export type ThirstWord = (typeof THIRST_WORDS)[number];
export const WET_FEET_WORDS = ['safe', 'a-little-wet', 'too-wet-for-long', 'in-danger'] as const;
export type WetFeetWord = (typeof WET_FEET_WORDS)[number];

export function thirstWord(thirst: number, store: Store): ThirstWord {
  if (thirst >= THIRST_HARMS) return 'harmed';
  if (thirst >= FIRST_WRINKLE[store] * 1.6) return 'shrivelling';
  return thirst >= FIRST_WRINKLE[store] ? 'first-wrinkles' : thirst > 0.1 ? 'a-little-spent' : 'full';
}

export function wetFeetWord(wetFeet: number): WetFeetWord {
  return wetFeet >= WET_FEET_HARM
    ? 'in-danger'
    : wetFeet >= 0.3
      ? 'too-wet-for-long'
      : wetFeet >= 0.1
        ? 'a-little-wet'
        : 'safe';
}
