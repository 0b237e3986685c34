/** Today, at a site. The one place in the server that asks the clock for a date. */
export function todayAt(timeZone: string, now: Date = new Date()): string {
  // The Canadian way of writing dates is ISO's.
  return new Intl.DateTimeFormat('en-CA', { timeZone, year: 'numeric', month: '2-digit', day: '2-digit' }).format(now);
}
