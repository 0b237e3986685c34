/** Twelve months of usual weather as a table: a row a month, or a column a month, as almanacs and stations print them. */
import type { Normals } from '@zinc-pail/core';
import Papa from 'papaparse';
import { MONTHS } from '../../reader/days.ts';
import { typed } from '../../reader/units.ts';

type Field = keyof Normals;

/** Heads by which a figure is known. */
const HEADS: readonly (readonly [Field, RegExp])[] = [
  ['tmin_c', /^(tmin|t_min|min|low|lowest|night|mean min|avg low)/i],
  ['tmax_c', /^(tmax|t_max|max|high|highest|day$|day temp|mean max|avg high)/i],
  ['rh_pct', /^(rh|humid|air)/i],
  ['sunshine_h', /^(sun)/i],
  ['rain_mm', /^(rain(?! ?days)|precip)/i],
  ['wind_m_s', /^(wind)/i],
];
const DAYS_IN_MONTH = [31, 28.25, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31];
/** More hours of sunshine than a day has: the head meant a month's. */
const HOURS_A_DAY = 24;

/** The month that a cell names, 0 January; null where it names none. */
function monthOf(cell: string): number | null {
  const text = cell.trim().toLowerCase().replace('.', '');
  const number = Number(text);
  if (Number.isInteger(number) && number >= 1 && number <= 12) return number - 1;
  const at = MONTHS.findIndex((name) => text.length >= 3 && name.toLowerCase().startsWith(text.slice(0, 3)));
  return at < 0 ? null : at;
}

const figureOf = (cell: string): number => Number(cell.trim().replace('−', '-').replace(',', '.') || NaN);

/**
 * The figures of a table by field and month, as texts in the keeper's degrees; fields that it lacks are left out.
 *
 * @returns or what keeps it from being read, in words
 */
export function normalsFromCsv(csv: string): { fields: Partial<Record<Field, string[]>> } | { wrong: string } {
  const { data } = Papa.parse<string[]>(csv.replace(/^\uFEFF/, '').trim(), { skipEmptyLines: 'greedy' });
  const table = turned(data);
  const [heads = [], ...rows] = table;
  const months = rows.map((row) => monthOf(row[0] ?? ''));
  if (rows.length !== 12 || new Set(months).size !== 12 || months.includes(null))
    return { wrong: 'Twelve rows (or columns) are wanted, January to December, each with its month’s name or number.' };
  const fields: Partial<Record<Field, string[]>> = {};
  for (const [field, head] of HEADS) {
    const column = heads.findIndex((text, i) => i > 0 && head.test(text.trim()));
    if (column < 0) continue;
    const figures = Array.from({ length: 12 }, () => NaN);
    for (const [i, row] of rows.entries()) figures[months[i]!] = figureOf(row[column] ?? '');
    const missing = figures.findIndex(Number.isNaN);
    if (missing >= 0) return { wrong: `${MONTHS[missing]}, “${heads[column]}”: a number is wanted.` };
    fields[field] = inOurs(field, figures, heads[column]!).map((value) => String(Math.round(value * 10) / 10));
  }
  if (Object.keys(fields).length === 0)
    return { wrong: 'No column is known by its head: min, max, humidity, sunshine, rain or wind is wanted.' };
  return { fields };
}

/** A table with the months across is turned, so that they stand below each other. */
function turned(data: readonly string[][]): string[][] {
  const [first = []] = data;
  const across = first.slice(1).filter((cell) => monthOf(cell) !== null).length >= 12;
  return across ? first.map((_, column) => data.map((row) => row[column] ?? '')) : data.map((row) => [...row]);
}

const KM_H = 3.6;
const MM_PER_INCH = 25.4;

/** In what the form shows: the keeper's degrees, hours a day, mm, m/s. */
function inOurs(field: Field, figures: readonly number[], head: string): number[] {
  const isF = /°?f\b|fahrenheit/i.test(head);
  if (field === 'tmin_c' || field === 'tmax_c') {
    const shownF = typed.temperature() === '°F';
    if (isF === shownF) return [...figures];
    return figures.map((value) => (isF ? ((value - 32) * 5) / 9 : (value * 9) / 5 + 32));
  }
  if (field === 'sunshine_h' && figures.some((hours) => hours > HOURS_A_DAY))
    return figures.map((hours, month) => hours / DAYS_IN_MONTH[month]!);
  if (field === 'wind_m_s' && /km/i.test(head)) return figures.map((speed) => speed / KM_H);
  if (field === 'rain_mm' && /\bin(ch)?/i.test(head)) return figures.map((inches) => inches * MM_PER_INCH);
  return [...figures];
}
