/**
 * A weather service that makes its weather up (sky.ts), over HTTP on loopback: a record of past days and seven days of
 * forecast that is wrong as forecasts are. It speaks its own units, as services do.
 *
 *   GET /days?latitude=47.3&longitude=13.1&elevation=430&zone=Europe/Vienna&from=2026-11-01&to=2026-11-20
 *   → { "made_at": "…Z", "days": [ { "date", "low_c", "high_c", "humidity_pct", "sun_min", "rain_mm",
 *       "wind_10m_km_h", "kind": "measured" | "expected" } ] }
 */
import { type DayNumber, dayNumber, type DrawnDay, isIsoDay, isoDay } from '@zinc-pail/core';
import express from 'express';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { outageAt, type OutagePlan } from './outages.ts';
import { expectedDays, type Point, trueDay } from './sky.ts';

export const FORECAST_DAYS = 7;
const MOST_DAYS = 800;
const MINUTES_AN_HOUR = 60;
/** Wind at 10 m over wind at 2 m (FAO-56, eq 47: u2 = 0.748 u10). */
const WIND_10M = 1 / 0.748;
const KM_H = 3.6;

export interface Service {
  url: string;
  close(): Promise<void>;
}

export interface ServiceOptions {
  /** 0: any that is free */
  port: number;
  outages: OutagePlan;
  /** the clock, for tests */
  now?: () => number;
}

interface Asked extends Point {
  zone: string;
  from: DayNumber;
  to: DayNumber;
}

function isZone(zone: string): boolean {
  try {
    return new Intl.DateTimeFormat('en-CA', { timeZone: zone }).format(0) !== '';
  } catch {
    return false;
  }
}

/** @throws Error that says what would have been right */
function asked(query: Record<string, unknown>): Asked {
  const number = (name: string, least: number, most: number): number => {
    const value = Number(query[name]);
    if (query[name] === undefined || !(value >= least && value <= most))
      throw new Error(`${name}: wanted a number from ${least} to ${most}`);
    return value;
  };
  const day = (name: string): DayNumber => {
    const value = String(query[name]);
    if (!isIsoDay(value)) throw new Error(`${name}: wanted a day YYYY-MM-DD`);
    return dayNumber(value);
  };
  const from = day('from');
  const to = day('to');
  if (to < from || to - from >= MOST_DAYS) throw new Error(`to: wanted 0 to ${MOST_DAYS - 1} days after from`);
  const zone = String(query.zone ?? 'UTC');
  if (!isZone(zone)) throw new Error('zone: wanted an IANA time zone, as Europe/Vienna');
  return {
    latitudeDeg: number('latitude', -90, 90),
    longitudeDeg: number('longitude', -180, 180),
    elevationM: number('elevation', -450, 9000),
    zone,
    from,
    to,
  };
}

function told(day: DayNumber, drawn: DrawnDay, kind: 'measured' | 'expected') {
  const tenth = (value: number) => Math.round(value * 10) / 10;
  return {
    date: isoDay(day),
    low_c: tenth(drawn.tminC),
    high_c: tenth(drawn.tmaxC),
    humidity_pct: Math.round(drawn.rhPct),
    sun_min: Math.round(drawn.sunshineH * MINUTES_AN_HOUR),
    rain_mm: tenth(drawn.rainMm),
    wind_10m_km_h: tenth(drawn.windMS * WIND_10M * KM_H),
    kind,
  };
}

/** The record up to yesterday, and from today on what is expected: a day is measured once it is over. */
export function daysFor({ zone, from, to, ...point }: Asked, nowMs: number, withForecast: boolean) {
  const today = dayNumber(new Intl.DateTimeFormat('en-CA', { timeZone: zone }).format(nowMs));
  const days = [];
  for (let day = from; day <= Math.min(to, today - 1); day++) days.push(told(day, trueDay(point, day), 'measured'));
  if (!withForecast) return days;
  // Made last night: its first day is today.
  for (const [i, drawn] of expectedDays(point, today - 1, FORECAST_DAYS + 1).entries()) {
    const day = today + i;
    if (day >= from && day <= to) days.push(told(day, drawn, 'expected'));
  }
  return days;
}

export async function serveWeather({ port, outages, now = Date.now }: ServiceOptions): Promise<Service> {
  const app = express();
  app.get('/days', (request, response) => {
    const outage = outageAt(now(), outages);
    if (outage === 'hangs') return;
    if (outage === 'refuses') {
      response.status(503).json({ error: 'the service is being repaired' });
      return;
    }
    let query: Asked;
    try {
      query = asked(request.query);
    } catch (error) {
      response.status(400).json({ error: (error as Error).message });
      return;
    }
    const body = JSON.stringify({
      made_at: new Date(now()).toISOString(),
      days: daysFor(query, now(), outage !== 'no-forecast'),
    });
    response.type('json').send(outage === 'garbled' ? body.slice(0, body.length / 2) : body);
  });
  const server = await new Promise<Server>((resolve, reject) => {
    const started = app.listen(port, '127.0.0.1', (error?: Error) => (error ? reject(error) : resolve(started)));
  });
  return {
    url: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    async close() {
      server.closeAllConnections();
      await new Promise((resolve) => server.close(resolve));
    },
  };
}
