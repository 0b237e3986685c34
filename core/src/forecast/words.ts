/** Days, amounts and moisture as a keeper says them. */
import { type DayNumber, isoDay } from '../calendar/day.ts';
import { DRY_TO_M } from '../learn/likelihood.ts';
import type { MethodId } from '../watering.ts';

export function bandWord(m: number): string {
  return m > 0.6 ? 'wet' : m > 0.3 ? 'damp' : m > DRY_TO_M ? 'drying' : 'dry';
}

export function amountWords(ml: number): string {
  return ml >= 1000 ? `${(ml / 1000).toFixed(1)} l` : `${ml} ml`;
}

export function waterWords(method: MethodId, amountMl: number): string {
  const amount = amountWords(amountMl);
  switch (method) {
    case 'drench':
      return `Water ${amount}, until it runs`;
    case 'measured':
      return `Sip of ${amount}`;
    case 'bottom':
      return `Stand in water, about ${amount}`;
    case 'mist':
      return 'Mist';
  }
}

const WEEKDAYS = ['Thursday', 'Friday', 'Saturday', 'Sunday', 'Monday', 'Tuesday', 'Wednesday'];
const MONTHS = ['January', 'February', 'March', 'April', 'May', 'June', 'July', 'August', 'September', 'October', 'November', 'December'];

/** Day 0 of the epoch was a Thursday. Within a week the weekday says it; beyond, the date. */
export function dayWords(day: DayNumber, today: DayNumber): string {
  const ahead = day - today;
  if (ahead === 0) return 'today';
  if (ahead === 1) return 'tomorrow';
  if (ahead === -1) return 'yesterday';
  if (Math.abs(ahead) < 7) return WEEKDAYS[((day % 7) + 7) % 7]!;
  return isoWords(day);
}

export function isoWords(day: DayNumber): string {
  const [, month, date] = isoDay(day).split('-').map(Number);
  return `${date} ${MONTHS[month! - 1]!}`;
}

export function monthWords(day: DayNumber): string {
  const [, month, date] = isoDay(day).split('-').map(Number);
  const part = date! <= 10 ? 'early' : date! <= 20 ? 'mid-' : 'late';
  return `${part}${part === 'mid-' ? '' : ' '}${MONTHS[month! - 1]!}`;
}

export function count(n: number, word: string): string {
  return n === 1 ? `a ${word}` : `${n} ${word}s`;
}

export function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}
