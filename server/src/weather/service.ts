/**
 * The one file that knows the weather service: its address, its words, its units. Another service is added by another
 * file like it.
 *
 * @see standins/src/weather/service.ts for the service that ships, which makes its weather up
 */
import { check } from '@zinc-pail/contract/faults';
import { day, list, number, object, oneOf } from '@zinc-pail/contract/fields';
import type { WeatherDay } from '@zinc-pail/core';
import Joi from 'joi';

export interface SiteOnMap {
  latitude_deg: number;
  longitude_deg: number;
  elevation_m: number;
  time_zone: string;
}

export interface Forecast {
  /** when the service made it */
  madeAt: Date;
  /** days of the past as observed, of today and after as forecast; without a forecast the past alone */
  days: WeatherDay[];
}

/** ISO days, all three; what is measured lies up to today. */
export interface AskedDays {
  from: string;
  to: string;
  today: string;
}

export interface WeatherService {
  /** what a keeper reads as its name */
  name: string;
  /** @throws Error with words for a keeper, where there is no answer, or none that can be believed */
  days(site: SiteOnMap, asked: AskedDays, signal: AbortSignal): Promise<Forecast>;
}

interface Told {
  date: string;
  low_c: number;
  high_c: number;
  humidity_pct: number;
  sun_min: number;
  rain_mm: number;
  wind_10m_km_h: number;
  kind: 'measured' | 'expected';
}

/** Wind at 2 m over wind at 10 m (FAO-56, eq 47). */
const WIND_AT_2M = 0.748;
const KM_H_A_M_S = 3.6;
/** What a day on record may have, as the table of weather holds it. */
const MOST_WIND_M_S = 80;

const told = object<Told>(
  {
    date: day(),
    low_c: number(-90, 60),
    high_c: number(-90, 60),
    humidity_pct: number(0, 100),
    sun_min: number(0, 1440),
    rain_mm: number(0, 2000),
    wind_10m_km_h: number(0, Math.floor((MOST_WIND_M_S * KM_H_A_M_S) / WIND_AT_2M)),
    kind: oneOf(['measured', 'expected']),
  },
  'a day',
);
const answer = object<{ made_at: string; days: Told[] }>(
  { made_at: Joi.string().isoDate().required(), days: list(told, 'days', 1000) },
  'an answer with made_at and days',
);

const MINUTES_AN_HOUR = 60;
const LONGEST_ANSWER = 2_000_000;
/** A forecast is of these days: one of last year, or of the next, was not made for us. */
const LONGEST_AGE_MS = 30 * 86_400_000;

const rounded = (value: number) => Math.round(value * 10) / 10;

function asWeatherDay(one: Told): WeatherDay {
  return {
    date: one.date,
    tmin_c: one.low_c,
    tmax_c: one.high_c,
    rh_pct: one.humidity_pct,
    sunshine_h: rounded(one.sun_min / MINUTES_AN_HOUR),
    rain_mm: one.rain_mm,
    wind_m_s: rounded((one.wind_10m_km_h / KM_H_A_M_S) * WIND_AT_2M),
    source: one.kind === 'measured' ? 'observed' : 'forecast',
  };
}

/** @param url of the service, without a path */
export function weatherService(url: string): WeatherService {
  return {
    name: 'weather service',
    async days(site, { from, to, today }, signal) {
      const query = new URLSearchParams({
        latitude: String(site.latitude_deg),
        longitude: String(site.longitude_deg),
        elevation: String(site.elevation_m),
        zone: site.time_zone,
        from,
        to,
      });
      const response = await fetch(`${url}/days?${query}`, { signal, redirect: 'error' });
      if (!response.ok) throw new Error(`it answered ${response.status}`);
      const text = await textWithin(response, LONGEST_ANSWER);
      let body: unknown;
      try {
        body = JSON.parse(text);
      } catch {
        throw new Error('its answer broke off, or is no JSON');
      }
      const { faults } = check(answer, body);
      if (faults.length > 0) throw new Error(`its answer makes no sense at ${faults[0]!.pointer || 'the top'}`);
      const { made_at, days } = body as { made_at: string; days: Told[] };
      const upsideDown = days.find((one) => one.low_c > one.high_c);
      if (upsideDown) throw new Error(`its lowest of ${upsideDown.date} is above its highest`);
      const ahead = days.find((one) => one.kind === 'measured' && one.date > today);
      if (ahead) throw new Error(`it calls ${ahead.date} measured, which is still to come`);
      const madeAt = new Date(made_at);
      if (!(Math.abs(madeAt.getTime() - Date.now()) < LONGEST_AGE_MS))
        throw new Error(`it says that its forecast is of ${made_at.slice(0, 30)}`);
      // Days that nobody asked for are no answer.
      return { madeAt, days: days.filter((one) => one.date >= from && one.date <= to).map(asWeatherDay) };
    },
  };
}

/**
 * The text of an answer, read no further than it may be long: a service that never ends would fill the memory.
 *
 * @throws Error where it is longer
 */
async function textWithin(response: Response, mostBytes: number): Promise<string> {
  const parts: Uint8Array[] = [];
  let length = 0;
  // Leaving the loop ends the connection.
  for await (const part of response.body ?? []) {
    length += part.byteLength;
    if (length > mostBytes) throw new Error('its answer is too long');
    parts.push(part);
  }
  return Buffer.concat(parts).toString('utf8');
}
