/** How the weather is known, and how old it is. */
import type { DaySource } from '@zinc-pail/core';
import { type DateOrder, daysBetween, dayWords, onDay } from './days.ts';

export const SOURCE_WORDS: Record<DaySource, string> = {
  read: 'read on the thermometer',
  observed: 'estimated from the weather outside',
  forecast: 'estimated from the forecast',
  usual: 'typical weather for the season',
};

/** Where usual weather that nobody gave comes from; far off it is the less to be trusted. */
export function usualFromWords({ name, km }: { name: string; km: number }): string {
  if (km <= NEAR_KM) return `Its usual weather is ${name}’s, approximate.`;
  const doubt = km > FAR_KM ? ', a rough guess' : '';
  return `Its usual weather is guessed from ${name}, ${km} km away, and the towns around${doubt}.`;
}

const NEAR_KM = 20;
const FAR_KM = 400;

export interface WeatherAge {
  service: { answered_at: string | null; failed_since: string | null; failure: string | null } | null;
  observed_until: string | null;
  forecast_until: string | null;
  today: string;
}

const MINUTE_MS = 60_000;

/** "just now", "8 minutes ago", "3 hours ago", "2 days ago". */
export function agoWords(instant: string, nowMs: number): string {
  const minutes = Math.floor((nowMs - Date.parse(instant)) / MINUTE_MS);
  const ago = (count: number, unit: string) => `${count} ${unit}${count === 1 ? '' : 's'} ago`;
  if (minutes < 1) return 'just now';
  if (minutes < 60) return ago(minutes, 'minute');
  if (minutes < 48 * 60) return ago(Math.floor(minutes / 60), 'hour');
  return ago(Math.floor(minutes / (24 * 60)), 'day');
}

/** How far the weather is known, and from when: sentences, the one that matters most first. */
export function ageWords(
  { service, observed_until: until, forecast_until: ahead, today }: WeatherAge,
  nowMs: number,
  units: DateOrder,
): string[] {
  const words: string[] = [];
  if (service?.failed_since) {
    const last = service.answered_at ? `; its last answer came ${agoWords(service.answered_at, nowMs)}` : '';
    words.push(
      `The weather service has been unavailable for ${agoWords(service.failed_since, nowMs).replace(/ ago$/, '')}: ${service.failure}${last}.`,
    );
  }
  words.push(
    until === null
      ? 'No weather is on record yet.'
      : `The record ends ${onDay(until, today, units)}${daysBetween(until, today) > 3 ? `, ${daysBetween(until, today)} days back` : ''}.`,
  );
  words.push(
    ahead === null
      ? 'There is no forecast: beyond today we use typical weather for the season.'
      : `The forecast goes to ${dayWords(ahead, today, units)}; after that we use typical weather for the season.`,
  );
  if (service && !service.failed_since && service.answered_at)
    words.push(`Updated ${agoWords(service.answered_at, nowMs)}.`);
  if (!service) words.push('No weather service is in use.');
  return words;
}
