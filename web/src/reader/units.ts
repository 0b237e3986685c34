/**
 * The units that this keeper reads and writes. Everything is kept in °C, mm and ml; what is typed in other units is
 * turned into these once, at full precision, and what is shown is turned back only for the eye, so nothing drifts.
 */
import { DATES } from './days.ts';
import { numberIn } from '@zinc-pail/words/numbers';
import {
  ML_PER_CUP,
  MM_PER_INCH,
  shownTemperature as shownIn,
  SI,
  smallLengthWords,
  type Units,
} from '@zinc-pail/words/units';

export { ML_PER_CUP, MM_PER_INCH, type Units };

const KEY = 'zinc-units';

let chosen: Units | null = null;

export function units(): Units {
  if (chosen) return chosen;
  try {
    chosen = {
      ...SI,
      dates: DATES,
      ...(JSON.parse(
        typeof localStorage === 'undefined' ? '{}' : (localStorage.getItem(KEY) ?? '{}'),
      ) as Partial<Units>),
    };
  } catch {
    chosen = { ...SI, dates: DATES };
  }
  return chosen;
}

export function setUnits(next: Units): void {
  chosen = next;
  if (typeof localStorage !== 'undefined') localStorage.setItem(KEY, JSON.stringify(next));
}

export const celsiusOf = (shown: number): number => (units().temperature === 'F' ? ((shown - 32) * 5) / 9 : shown);
export const shownTemperature = (celsius: number): number => shownIn(celsius, units());
export const mmOf = (shown: number): number => (units().length === 'in' ? shown * MM_PER_INCH : shown);

const hundredth = (value: number) => Math.round(value * 100) / 100;
/** What was typed as a length, as a text in mm, to the tenth; what is no number stays as it is. */
export function mmText(shown: string): string {
  const value = numberIn(shown, -Infinity, Infinity);
  return Number.isNaN(value) || units().length !== 'in' ? shown : String(Math.round(10 * mmOf(value)) / 10);
}
/** And back: 101.6 is "4" to whoever thinks in inches. */
export function shownLength(mm: string): string {
  const value = numberIn(mm, -Infinity, Infinity);
  return Number.isNaN(value) || units().length !== 'in' ? mm : String(hundredth(value / MM_PER_INCH));
}
/** Small lengths: "6 mm", "0.24 in". */
export const smallLength = (mm: number): string => smallLengthWords(mm, units());
/** Bounds of a length that is typed: "from 10 to 3000 mm". */
export const lengthBounds = (least: number, most: number): string =>
  units().length === 'in'
    ? `from ${hundredth(least / MM_PER_INCH)} to ${hundredth(most / MM_PER_INCH)} in`
    : `from ${least} to ${most} mm`;
const MM_PER_CM = 10;
const benchUnitMm = () => (units().length === 'in' ? MM_PER_INCH : MM_PER_CM);
/** Sizes of benches, in cm or inches. */
export const shownBench = (mm: number): number => mm / benchUnitMm();
export const mmOfBench = (shown: number): number => shown * benchUnitMm();
export const mlOf = (shown: number): number => (units().volume === 'cups' ? shown * ML_PER_CUP : shown);

/** What stands beside a field: the unit that is typed there. */
export const typed = {
  temperature: () => `°${units().temperature}`,
  length: () => (units().length === 'in' ? 'in' : 'mm'),
  bench: () => (units().length === 'in' ? 'in' : 'cm'),
  volume: () => (units().volume === 'cups' ? 'cups' : 'ml'),
};
