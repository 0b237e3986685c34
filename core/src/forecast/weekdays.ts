import { dayNumber } from '../calendar/day.ts';
import type { Plant } from '../garden.ts';

/** Fewer waterings than this show no habit. */
const LEAST_WATERINGS = 40;
/** A day that gets this many times its even share is a watering day. */
const USUAL = 1.9;
const DAYS_A_WEEK = 7;

/** The weekdays (day number modulo 7) on which a keeper usually waters; empty where they water on any day. */
export function usualWeekdays(plants: readonly Plant[]): ReadonlySet<number> {
  const counts = Array.from({ length: DAYS_A_WEEK }, () => 0);
  let all = 0;
  for (const plant of plants) {
    for (const event of plant.events) {
      if (event.type !== 'watering') continue;
      counts[weekday(dayNumber(event.date))]!++;
      all++;
    }
  }
  if (all < LEAST_WATERINGS) return new Set();
  return new Set(counts.flatMap((count, day) => (count > (USUAL * all) / DAYS_A_WEEK ? [day] : [])));
}

export function weekday(day: number): number {
  return ((day % DAYS_A_WEEK) + DAYS_A_WEEK) % DAYS_A_WEEK;
}
