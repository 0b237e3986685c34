import { Refused } from '../http/refusals.ts';

/** A writer of days is dear to make and asked for with every request. */
const writers = new Map<string, Intl.DateTimeFormat>();

/** Today, at a site. The one place in the server that asks the clock for a date. */
export function todayAt(timeZone: string, now: Date = new Date()): string {
  let writer = writers.get(timeZone);
  if (!writer) {
    // The Canadian way of writing dates is ISO's.
    writer = new Intl.DateTimeFormat('en-CA', { timeZone, year: 'numeric', month: '2-digit', day: '2-digit' });
    writers.set(timeZone, writer);
  }
  return writer.format(now);
}

/** @throws Refused where there is no such time zone */
export function acceptZone(timeZone: string): void {
  try {
    todayAt(timeZone);
  } catch {
    throw new Refused('no-such-time-zone', `A time zone as Europe/Vienna is wanted, not "${timeZone}".`, [
      { pointer: '/time_zone', got: timeZone, accepted: 'an IANA time zone, as Europe/Vienna' },
    ]);
  }
}
