/**
 * Where a kind rests best: in how much light, at what day means, and whether dark will do. By form, store and season;
 * Rowley, Caudiciform and Pachycaul Succulents, and Anderson, The Cactus Family, as they are kept in temperate houses.
 */
import type { Traits } from '../plant/genera.ts';
import { FORM_TABLE } from '../catalogue/forms.ts';

export interface RestPlace {
  /** it wants light, shade does, or it may stand in the dark */
  light: 'light' | 'shade' | 'dark';
  /** day means, °C */
  fromC: number;
  toC: number;
}

/** A degree or three above what it bears dry: no house keeps to the degree. */
const SAFE_K = 3;
const COOL_FROM_C = 4;
const COOL_TO_C = 12;

/** Null for what never sleeps. */
export function restPlace({ habit, sleeps, form, store, minDryC, growMinC }: Traits): RestPlace | null {
  if (sleeps === 'never') return null;
  const leafless = FORM_TABLE[form].leafless;
  // Sleepers of summer sleep warm: bulbs and bare stems wherever it is dry, leaves out of the worst sun.
  if (habit === 'winter') return { light: leafless ? 'dark' : 'shade', fromC: 16, toC: 30 };
  const fromC = Math.max(COOL_FROM_C, minDryC + SAFE_K);
  // Warmer than it begins to grow at, it would wake.
  if (leafless) return { light: 'dark', fromC, toC: Math.max(fromC + 2, growMinC) };
  if (store === 'stem') return { light: 'light', fromC, toC: Math.max(fromC + 2, Math.min(COOL_TO_C, growMinC)) };
  return { light: 'light', fromC, toC: Math.max(fromC + 2, growMinC + 2) };
}
