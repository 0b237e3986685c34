/** Days in words. A day is a label, so it is formatted as UTC and never shifted. */
import { dayNumber, isoDay } from '@zinc-pail/core';

/** The words are English; the order of day and month is that of the reader's own English, or the usual one. */
const LOCALE = typeof navigator !== 'undefined' && navigator.language.startsWith('en-') ? navigator.language : 'en-GB';

/** Whether the month stands before the day there. */
function isMonthFirst(locale: string): boolean {
  const parts = new Intl.DateTimeFormat(locale, { day: 'numeric', month: 'short' }).formatToParts(0);
  return parts.findIndex(({ type }) => type === 'month') < parts.findIndex(({ type }) => type === 'day');
}

/** In which order the reader has day and month. */
export const DATES = isMonthFirst(LOCALE) ? 'month-first' : 'day-first';

const SHORT = new Intl.DateTimeFormat(LOCALE, { day: 'numeric', month: 'short', timeZone: 'UTC' });
const LONG = new Intl.DateTimeFormat(LOCALE, { weekday: 'long', day: 'numeric', month: 'long', timeZone: 'UTC' });
const FULL = new Intl.DateTimeFormat(LOCALE, {
  weekday: 'short',
  day: 'numeric',
  month: 'short',
  year: 'numeric',
  timeZone: 'UTC',
});

/** Months as they stand in tables, January first. */
export const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

function asDate(day: string | number): Date {
  return new Date(`${typeof day === 'number' ? isoDay(day) : day}T00:00:00Z`);
}

/** 4 Jun */
export function shortDay(day: string | number): string {
  return SHORT.format(asDate(day));
}

/** Thursday 4 June */
export function longDay(day: string | number): string {
  return LONG.format(asDate(day)).replace(',', '');
}

/** Thu, 4 Jun 2026 */
export function fullDay(day: string | number): string {
  return FULL.format(asDate(day));
}

export function daysBetween(from: string, to: string): number {
  return dayNumber(to) - dayNumber(from);
}

/** today, tomorrow, Thursday, 4 June */
export function nearDay(day: string, today: string): string {
  const ahead = daysBetween(today, day);
  if (ahead === 0) return 'today';
  if (ahead === 1) return 'tomorrow';
  if (ahead === -1) return 'yesterday';
  const [weekday] = longDay(day).split(' ');
  return Math.abs(ahead) < 7 ? weekday! : longDay(day).split(' ').slice(1).join(' ');
}

export function addDays(day: string, days: number): string {
  return isoDay(dayNumber(day) + days);
}

/** Today's date in a time zone, ISO. */
export function todayIn(timeZone: string, now: Date = new Date()): string {
  return new Intl.DateTimeFormat('en-CA', { timeZone, year: 'numeric', month: '2-digit', day: '2-digit' }).format(now);
}
