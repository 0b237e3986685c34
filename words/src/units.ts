/**
 * Figures as a keeper reads them. Everything is kept in °C, mm and ml; a figure is turned into other units only here,
 * for the eye, from the number itself and never from a sentence.
 */
export interface Units {
  temperature: 'C' | 'F';
  length: 'cm' | 'in';
  volume: 'l' | 'cups';
  /** "4 June" or "June 4" */
  dates: 'day-first' | 'month-first';
}

export const SI: Units = { temperature: 'C', length: 'cm', volume: 'l', dates: 'day-first' };
/** exact by definition */
export const MM_PER_INCH = 25.4;
/** a kitchen cup as on measuring jugs, ml */
export const ML_PER_CUP = 240;
const LARGEST_QUARTERS = 16;

/** "1.4 l", "250 ml", "1¾ cups". */
export function amountWords(ml: number, { volume }: Units): string {
  if (volume === 'cups')
    return cupWords(ml) ?? (ml < ML_PER_CUP / 8 ? `${Math.round(ml)} ml` : `${(ml / ML_PER_CUP).toFixed(1)} cups`);
  return ml >= 1000 ? `${(ml / 1000).toFixed(1)} l` : `${Math.round(ml)} ml`;
}

/** Small volumes in cups, to the quarter; null where that says nothing. */
export function cupWords(ml: number): string | null {
  const quarters = Math.round((4 * ml) / ML_PER_CUP);
  if (quarters < 1 || quarters > LARGEST_QUARTERS) return null;
  const whole = Math.floor(quarters / 4);
  const part = ['', '¼', '½', '¾'][quarters % 4]!;
  return `${whole > 0 ? whole : ''}${part} ${quarters > 4 ? 'cups' : 'cup'}`;
}

export function shownTemperature(celsius: number, { temperature }: Units): number {
  return temperature === 'F' ? (celsius * 9) / 5 + 32 : celsius;
}

/** "−3°": a whole degree with a true minus sign. */
export function degreeWords(celsius: number, units: Units): string {
  const whole = Math.round(shownTemperature(celsius, units));
  return `${whole < 0 ? '−' : ''}${Math.abs(whole)}°`;
}

/** "12 cm", "4.7 in". */
export function lengthWords(mm: number, { length }: Units): string {
  if (length === 'in') return `${(mm / MM_PER_INCH).toFixed(1).replace(/\.0$/, '')} in`;
  return `${(mm / 10).toFixed(mm % 10 === 0 ? 0 : 1)} cm`;
}

/** Layers and grains: "6 mm", "0.24 in". */
export function smallLengthWords(mm: number, { length }: Units): string {
  return length === 'in' ? `${(mm / MM_PER_INCH).toFixed(2)} in` : `${Math.round(mm)} mm`;
}

/** "1 pot", "3 pots". */
export function countWords(n: number, one: string, many = `${one}s`): string {
  return `${n} ${n === 1 ? one : many}`;
}

/** "a day", "3 days". */
export function aOr(n: number, word: string): string {
  return n === 1 ? `a ${word}` : `${n} ${word}s`;
}

const SHARES: readonly [number, string][] = [
  [0.125, 'an eighth'],
  [0.25, 'a quarter'],
  [0.5, 'half'],
  [1, 'the full dose'],
];

/** A strength of food as keepers say it. */
export function doseWords(share: number): string {
  const found = SHARES.find(([value]) => Math.abs(value - share) < 0.01);
  if (!found) return `${Math.round(share * 100)} % of the dose`;
  return share === 1 ? found[1] : `${found[1]} the dose`;
}

/** 1st, 2nd, 3rd, 4th, 11th. */
export function ordinal(n: number): string {
  const rest = n % 100;
  if (rest > 10 && rest < 14) return `${n}th`;
  return `${n}${['th', 'st', 'nd', 'rd'][n % 10] ?? 'th'}`;
}

export function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}
