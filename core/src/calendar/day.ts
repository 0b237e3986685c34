/**
 * Calendar days as whole numbers, so that the engine can count without a clock or a time zone.
 * Day 0 is 1970-01-01; a day is a label in the site's own time zone, never an instant.
 */
export type DayNumber = number;

const MS_PER_DAY = 86_400_000;
const ISO_DAY = /^\d{4}-\d{2}-\d{2}$/;

/** True for a real calendar date written `YYYY-MM-DD` (so not for 2026-02-30). */
export function isIsoDay(text: string): boolean {
  return ISO_DAY.test(text) && isoDay(parse(text)) === text;
}

/** Journals name the same days over and over; a day once read is remembered. */
const known = new Map<string, DayNumber>();
const written = new Map<DayNumber, string>();
const MOST_KNOWN = 100_000;

/**
 * `dayNumber('1970-01-02')` is 1.
 * @throws RangeError when the text is no calendar date.
 */
export function dayNumber(iso: string): DayNumber {
  const found = known.get(iso);
  if (found !== undefined) return found;
  if (!isIsoDay(iso)) throw new RangeError(`"${iso}" is no calendar date; write YYYY-MM-DD`);
  const day = parse(iso);
  if (known.size >= MOST_KNOWN) known.clear();
  known.set(iso, day);
  return day;
}

function parse(iso: string): DayNumber {
  return Math.round(Date.UTC(Number(iso.slice(0, 4)), Number(iso.slice(5, 7)) - 1, Number(iso.slice(8))) / MS_PER_DAY);
}

/** The inverse of {@link dayNumber}: `isoDay(1)` is `1970-01-02`. */
export function isoDay(day: DayNumber): string {
  let text = written.get(day);
  if (text === undefined) {
    text = new Date(day * MS_PER_DAY).toISOString().slice(0, 10);
    if (written.size >= MOST_KNOWN) written.clear();
    written.set(day, text);
  }
  return text;
}

/** Day of the year, 1 January = 1. */
export function dayOfYear(day: DayNumber): number {
  const year = new Date(day * MS_PER_DAY).getUTCFullYear();
  return day - Math.round(Date.UTC(year, 0, 1) / MS_PER_DAY) + 1;
}

/** Month index, January = 0. */
export function monthIndex(day: DayNumber): number {
  return new Date(day * MS_PER_DAY).getUTCMonth();
}
