/**
 * Cells of lists as people keep them: days in any one order, lengths with or without their unit, words for pots. Pure and
 * without Joi: the browser asks its questions by it, and the server reads by it, so that both see the same.
 */
import { POT_MATERIALS, POT_SHAPES, type PotMaterial } from '@zinc-pail/core';

/** Which of a day's first two numbers is the day. A year in front speaks for itself. */
export const DAY_ORDERS = ['dmy', 'mdy'] as const;
export type DayOrder = (typeof DAY_ORDERS)[number];

export const LENGTH_UNITS = ['mm', 'cm', 'in'] as const;
export type LengthUnit = (typeof LENGTH_UNITS)[number];
const MM_PER: Record<LengthUnit, number> = { mm: 1, cm: 10, in: 25.4 };

/** First letters of months in English, German, French, Spanish and Italian, as lists have them. */
const MONTH_STARTS: readonly (readonly string[])[] = [
  ['jan', 'jän', 'ene', 'gen'],
  ['feb', 'fév', 'fev'],
  ['mar', 'mär', 'mrz'],
  ['apr', 'avr', 'abr'],
  ['may', 'mai', 'mag'],
  ['jun', 'juin', 'giu'],
  ['jul', 'juil', 'lug'],
  ['aug', 'aoû', 'aou', 'ago'],
  ['sep', 'set'],
  ['oct', 'okt', 'ott'],
  ['nov'],
  ['dec', 'dez', 'déc', 'dic'],
];

export interface ReadDay {
  /** YYYY-MM-DD */
  day: string;
  /** the cell tells a month or a year only: the middle of it is taken */
  about: boolean;
}

const MIDSUMMER = '-07-01';
const MID_MONTH = 15;

/**
 * A day out of a cell: 2024-05-03, 3.5.2024, 3/5/24, 3 May 2024, May 2024, 05/2024, 2024.
 *
 * @param order of the first two numbers where both may be the day; null: such a cell is not read
 * @param thisYear two figures after it belong to the last century
 * @returns null where it is no day, or cannot be told
 */
export function readDay(cell: string, order: DayOrder | null, thisYear: number): ReadDay | null {
  const text = cell.trim().toLowerCase().replace(/\.$/, '');
  if (/^\d{4}$/.test(text)) return real(`${text}${MIDSUMMER}`, true);
  const ofYear = /^(\d{1,2})[./-](\d{4})$/.exec(text);
  if (ofYear) return real(iso(Number(ofYear[2]), Number(ofYear[1]), MID_MONTH), true);
  const numbers = /^(\d{1,4})\s*[./\-\s]\s*(\d{1,2})(?:\s*[./\-\s]\s*(\d{1,4}))?$/.exec(text);
  if (numbers) return ofNumbers(numbers.slice(1), order, thisYear);
  const named =
    /^(?:(\d{1,2})(?:st|nd|rd|th|er|º)?[.\s-]+(?:de\s+)?)?([a-zäéû]+)\.?,?[\s-]+(?:de\s+)?(?:(\d{1,2})(?:st|nd|rd|th)?,\s*)?(\d{2,4})$/.exec(
      text,
    );
  if (!named) return null;
  const [, before, name, after, year] = named;
  const month = MONTH_STARTS.findIndex((starts) => starts.some((start) => name!.startsWith(start))) + 1;
  if (month === 0) return null;
  const day = before ?? after;
  return real(iso(fullYear(year!, thisYear), month, day ? Number(day) : MID_MONTH), day === undefined);
}

function ofNumbers(parts: (string | undefined)[], order: DayOrder | null, thisYear: number): ReadDay | null {
  const [first, second, third] = parts;
  if (third === undefined)
    // A month of a year, 05/2024 or 2024-05.
    return first!.length === 4 ? real(iso(Number(first), Number(second), MID_MONTH), true) : null;
  if (first!.length === 4) return real(iso(Number(first), Number(second), Number(third)), false);
  const year = fullYear(third, thisYear);
  const [a, b] = [Number(first), Number(second)];
  const asDmy = real(iso(year, b, a), false);
  const asMdy = real(iso(year, a, b), false);
  if (asDmy && asMdy && asDmy.day !== asMdy.day) return order === null ? null : order === 'dmy' ? asDmy : asMdy;
  // Only one of them is a day; but where an order is said it holds for every row.
  if (order === 'dmy') return asDmy;
  if (order === 'mdy') return asMdy;
  return asDmy ?? asMdy;
}

function fullYear(text: string, thisYear: number): number {
  if (text.length > 2) return Number(text);
  const near = Math.floor(thisYear / 100) * 100 + Number(text);
  return near > thisYear ? near - 100 : near;
}

const iso = (year: number, month: number, day: number) =>
  `${String(year).padStart(4, '0')}-${String(month).padStart(2, '0')}-${String(day).padStart(2, '0')}`;

function real(day: string, about: boolean): ReadDay | null {
  const at = new Date(`${day}T00:00:00Z`);
  return !Number.isNaN(at.getTime()) && at.toISOString().startsWith(day) ? { day, about } : null;
}

/**
 * The orders in which all of these cells can be days: one where a 31 tells it, both where nothing does. Cells that are no
 * days in any order have no say.
 */
export function dayOrders(cells: readonly string[], thisYear: number): DayOrder[] {
  const unclear = cells.filter((cell) => {
    const [dmy, mdy] = DAY_ORDERS.map((order) => readDay(cell, order, thisYear)?.day);
    return dmy !== mdy;
  });
  if (unclear.length === 0) return [...DAY_ORDERS];
  const reads = (order: DayOrder) => unclear.filter((cell) => readDay(cell, order, thisYear) !== null).length;
  const most = Math.max(...DAY_ORDERS.map(reads));
  return DAY_ORDERS.filter((order) => reads(order) === most);
}

/** Whether the order matters to any of these cells, and cannot be told from them. */
export function asksDayOrder(cells: readonly string[], thisYear: number): boolean {
  return (
    dayOrders(cells, thisYear).length > 1 &&
    cells.some((cell) => readDay(cell, 'dmy', thisYear)?.day !== readDay(cell, 'mdy', thisYear)?.day)
  );
}

const UNIT_WORDS: readonly (readonly [LengthUnit, RegExp])[] = [
  ['mm', /^(mm|millimet(er|re)s?)$/],
  ['cm', /^(cm|zentimeter|centimet(er|re)s?)$/],
  ['in', /^(in|inch|inches|zoll|["″])$/],
];

function unitOf(text: string): LengthUnit | null {
  return UNIT_WORDS.find(([, words]) => words.test(text.trim().toLowerCase()))?.[0] ?? null;
}

/** The unit that a heading names: "Pot (cm)", "pot_top_mm", "Ø in inches", "Width ″". */
export function unitInHead(head: string): LengthUnit | null {
  const words = head
    .toLowerCase()
    .split(/[\s()[\],._/-]+/)
    .filter(Boolean);
  for (const [i, word] of words.entries()) {
    const unit = unitOf(word);
    // "in" is a unit only at the end: "in which pot" is none.
    if (unit !== null && (word !== 'in' || i === words.length - 1)) return unit;
  }
  return null;
}

/**
 * A length in mm out of "14", "14,5", "14 cm", "5.5″", "Ø 12", "12 x 10" (the first).
 *
 * @param unit of cells that name none
 * @returns null where it is no length, or its unit cannot be told
 */
export function readLengthMm(cell: string, unit: LengthUnit | null): number | null {
  const found = /^[ø∅⌀~c.a\s]*(\d+(?:[.,]\d+)?)\s*([a-z"″]*)(?:\s*[x×/]\s*\d.*)?$/i.exec(cell.trim());
  if (!found) return null;
  const [, figure, written] = found;
  const own = written ? unitOf(written) : unit;
  if (own === null) return null;
  return Math.round(Number(figure!.replace(',', '.')) * MM_PER[own] * 10) / 10;
}

/** Whether any of these cells is a bare number, whose unit its heading must tell. */
export function asksUnit(cells: readonly string[]): boolean {
  return cells.some((cell) => readLengthMm(cell, null) === null && readLengthMm(cell, 'cm') !== null);
}

const plain = (text: string) =>
  text
    .normalize('NFD')
    .replaceAll(/\p{M}/gu, '')
    .toLowerCase()
    .replaceAll(/[^a-z0-9]+/g, ' ')
    .trim();

/** As lists name a material. */
const MATERIAL_WORDS: Readonly<Record<PotMaterial, RegExp>> = {
  glazed: /glaz|glasiert|ceram|keram|porcel|porzel|china/,
  terracotta: /terra|clay|^ton|unglaz|argile|barro|cotto/,
  plastic: /plast|kunststoff|nursery|pvc|poly/,
  concrete: /concrete|beton|cement/,
  metal: /metal|tin|zinc|zink|blech/,
};
const SHAPE_WORDS: readonly (readonly [(typeof POT_SHAPES)[number], RegExp])[] = [
  ['square', /square|quadrat|eckig|carre|cuadrad/],
  ['bowl', /bowl|pan|dish|schale|coupe|cuenco/],
  ['round', /round|rund|rond|redond/],
];

/** A word for what a pot is made of, as lists have it; null where it fits none, or several. */
export function materialOf(cell: string): PotMaterial | null {
  return oneOfWords(cell, POT_MATERIALS, Object.entries(MATERIAL_WORDS) as [PotMaterial, RegExp][]);
}
export function shapeOf(cell: string): (typeof POT_SHAPES)[number] | null {
  return oneOfWords(cell, POT_SHAPES, SHAPE_WORDS);
}

function oneOfWords<T extends string>(
  cell: string,
  exact: readonly T[],
  words: readonly (readonly [T, RegExp])[],
): T | null {
  const text = plain(cell);
  const same = exact.find((one) => one === text);
  if (same) return same;
  const fits = words.filter(([, pattern]) => pattern.test(text)).map(([one]) => one);
  // "unglazed" is no glaze.
  const [first, ...more] = /unglaz/.test(text) ? fits.filter((one) => one !== ('glazed' as T)) : fits;
  return first !== undefined && more.length === 0 ? first : null;
}

const YES = /^(yes|y|true|1|ja|j|si|oui|x|✓)$/i;
const NO = /^(no|n|false|0|nein|non|-|none)$/i;
export function yesOrNo(cell: string): boolean | null {
  return YES.test(cell.trim()) ? true : NO.test(cell.trim()) ? false : null;
}

/** Names that differ only in capitals, marks and what stands between words are one and the same. */
export function sameName(a: string, b: string): boolean {
  return plain(a) === plain(b);
}

/** The one of several whose name a cell means; null where none does for certain. */
export function namedSo<T extends { name: string }>(cell: string, all: readonly T[]): T | null {
  return all.find(({ name }) => name.trim() === cell.trim()) ?? all.find(({ name }) => sameName(name, cell)) ?? null;
}

/** Money as people write it, "12,50 €", "$8", in the smallest coin; null where it is none. */
export function readPriceMinor(cell: string): number | null {
  const found = /^[^\d\-−–]{0,4}(\d{1,7}(?:[.,]\d{1,2})?)[^\d]{0,5}$/.exec(cell.trim());
  return found ? Math.round(Number(found[1]!.replace(',', '.')) * 100) : null;
}
