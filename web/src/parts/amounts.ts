import { ML_PER_CUP, MM_PER_INCH, shownTemperature, units } from './units.ts';

const LARGEST_QUARTERS = 16;

/** A volume as this keeper reads it: ml and litres, or cups. */
export function litres(ml: number): string {
  if (units().volume === 'cups') return cups(ml) ?? (ml < ML_PER_CUP / 8 ? `${Math.round(ml)} ml` : `${(ml / ML_PER_CUP).toFixed(1)} cups`);
  return ml >= 1000 ? `${(ml / 1000).toFixed(1)} l` : `${Math.round(ml)} ml`;
}

/** A temperature with a true minus sign. */
export function degrees(celsius: number): string {
  const whole = Math.round(shownTemperature(celsius));
  return `${whole < 0 ? '−' : ''}${Math.abs(whole)}°`;
}

/** A length as this keeper reads it. */
export function centimetres(mm: number): string {
  if (units().length === 'in') return `${(mm / MM_PER_INCH).toFixed(1).replace(/\.0$/, '')} in`;
  return `${(mm / 10).toFixed(mm % 10 === 0 ? 0 : 1)} cm`;
}

export function count(n: number, one: string, many = `${one}s`): string {
  return `${n} ${n === 1 ? one : many}`;
}

const SHARES: readonly [number, string][] = [[0.125, 'an eighth'], [0.25, 'a quarter'], [0.5, 'half'], [1, 'the full dose']];

/** A strength of food as keepers say it. */
export function shareWords(share: number): string {
  const found = SHARES.find(([value]) => Math.abs(value - share) < 0.01);
  if (!found) return `${Math.round(share * 100)} % of the dose`;
  return share === 1 ? found[1] : `${found[1]} the dose`;
}

/** Small volumes in cups, to the quarter; null where that says nothing. */
export function cups(ml: number): string | null {
  const quarters = Math.round((4 * ml) / ML_PER_CUP);
  if (quarters < 1 || quarters > LARGEST_QUARTERS) return null;
  const whole = Math.floor(quarters / 4);
  const part = ['', '¼', '½', '¾'][quarters % 4]!;
  return `${whole > 0 ? whole : ''}${part} ${quarters > 4 ? 'cups' : 'cup'}`;
}

/** A sentence of the engine, which speaks of °C, ml, litres and cm, in this keeper's units. */
export function inUnits(sentence: string): string {
  const { temperature, length, volume } = units();
  let out = sentence;
  if (temperature === 'F') out = out.replaceAll(/([−-]?)(\d+(?:\.\d+)?) °C/g, (_, sign: string, n: string) => `${degrees(sign === '' ? Number(n) : -Number(n)).replace('°', '')} °F`);
  if (volume === 'cups') out = out.replaceAll(/(\d+(?:\.\d+)?) (ml|l)\b/g, (_, n: string, unit: string) => litres(Number(n) * (unit === 'l' ? 1000 : 1)));
  if (length === 'in') out = out.replaceAll(/(\d+(?:\.\d+)?) cm\b/g, (_, n: string) => centimetres(Number(n) * 10));
  return out;
}
