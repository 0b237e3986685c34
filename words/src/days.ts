/**
 * Days as a person says them, with the year where it isn't this one. A day is a label, so it is never shifted by a
 * clock.
 */
import { dayNumber } from '@zinc-pail/core';
import type { Units } from './units.ts';

/** In which order a reader has day and month. */
export type DateOrder = Pick<Units, 'dates'>;

const WEEKDAYS = ['Thursday', 'Friday', 'Saturday', 'Sunday', 'Monday', 'Tuesday', 'Wednesday'];
export const MONTHS = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December',
];

/** "4 June", or "June 4" where that is the reader's order. */
function dayAndMonth(date: number, month: number, { dates }: DateOrder): string {
  const name = MONTHS[month - 1]!;
  return dates === 'month-first' ? `${name} ${date}` : `${date} ${name}`;
}

export function daysBetween(from: string, to: string): number {
  return dayNumber(to) - dayNumber(from);
}

/** "4 June", "4 June 2027" where today is in another year and more than half a year off. */
export function dateWords(day: string, today: string, order: DateOrder): string {
  const [year, month, date] = day.split('-').map(Number) as [number, number, number];
  const far = Math.abs(daysBetween(today, day)) > 180 && year !== Number(today.slice(0, 4));
  const comma = order.dates === 'month-first' ? ',' : '';
  return `${dayAndMonth(date, month, order)}${far ? `${comma} ${year}` : ''}`;
}

/** "today", "tomorrow", "yesterday", a weekday within a week, else the date. Day 0 of the epoch was a Thursday. */
export function dayWords(day: string, today: string, order: DateOrder): string {
  const ahead = daysBetween(today, day);
  if (ahead === 0) return 'today';
  if (ahead === 1) return 'tomorrow';
  if (ahead === -1) return 'yesterday';
  if (Math.abs(ahead) < 7) return WEEKDAYS[((dayNumber(day) % 7) + 7) % 7]!;
  return dateWords(day, today, order);
}

/** "on Thursday", "today", "on 4 June". */
export function onDay(day: string, today: string, order: DateOrder): string {
  const words = dayWords(day, today, order);
  return words === 'today' || words === 'tomorrow' || words === 'yesterday' ? words : `on ${words}`;
}

/** "early June", "mid-June", "late June 2027". */
export function partOfMonth(day: string, today: string): string {
  const [year, month, date] = day.split('-').map(Number) as [number, number, number];
  const part = date <= 10 ? 'early ' : date <= 20 ? 'mid-' : 'late ';
  const far = Math.abs(daysBetween(today, day)) > 180 && year !== Number(today.slice(0, 4));
  return `${part}${MONTHS[month - 1]!}${far ? ` ${year}` : ''}`;
}

const SHORT_LENGTH = 3;

/** "Thu, 4 Jun 2026", "Thu, Jun 4, 2026". */
export function fullDateWords(day: string, { dates }: DateOrder): string {
  const [year, month, date] = day.split('-').map(Number) as [number, number, number];
  const weekday = WEEKDAYS[((dayNumber(day) % 7) + 7) % 7]!.slice(0, SHORT_LENGTH);
  const name = MONTHS[month - 1]!.slice(0, SHORT_LENGTH);
  return dates === 'month-first' ? `${weekday}, ${name} ${date}, ${year}` : `${weekday}, ${date} ${name} ${year}`;
}
