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

export interface WeatherService {
  /** what a keeper reads as its name */
  name: string;
  /** @throws Error with words for a keeper, where there is no answer, or none that can be believed */
  days(site: SiteOnMap, from: string, to: string, signal: AbortSignal): Promise<Forecast>;
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

const told = object<Told>(
  {
    date: day(),
    low_c: number(-90, 60),
    high_c: number(-90, 60),
    humidity_pct: number(0, 100),
    sun_min: number(0, 1440),
    rain_mm: number(0, 2000),
    wind_10m_km_h: number(0, 400),
    kind: oneOf(['measured', 'expected']),
  },
  'a day',
);
const answer = object<{ made_at: string; days: Told[] }>(
  { made_at: Joi.string().isoDate().required(), days: list(told, 'days', 1000) },
  'an answer with made_at and days',
);

/** Wind at 2 m over wind at 10 m (FAO-56, eq 47). */
const WIND_AT_2M = 0.748;
const KM_H_A_M_S = 3.6;
const MINUTES_AN_HOUR = 60;
const LONGEST_ANSWER = 2_000_000;

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
    async days(site, from, to, signal) {
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
      const text = await response.text();
      if (text.length > LONGEST_ANSWER) throw new Error('its answer is too long');
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
      return { madeAt: new Date(made_at), days: days.map(asWeatherDay) };
    },
  };
}
