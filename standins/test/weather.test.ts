/** The weather that is made up: always the same, like its climate, and forecast as wrongly as forecasts are. */
import { dayLengthH, dayNumber, dayOfYear, isoDay, normalDay } from '@zinc-pail/core';
import { afterEach, describe, expect, it } from 'vitest';
import { OUTAGES, outageAt } from '../src/weather/outages.ts';
import { type Service, serveWeather } from '../src/weather/service.ts';
import { expectedDays, normalsAt, type Point, trueDay } from '../src/weather/sky.ts';

const LOCK: Point = { latitudeDeg: 47.3, longitudeDeg: 13.1, elevationM: 430 };
const ROOF: Point = { latitudeDeg: -34.4, longitudeDeg: 138.2, elevationM: 60 };
const FAR_NORTH: Point = { latitudeDeg: 65, longitudeDeg: 25, elevationM: 20 };
const spell = (from: string, days: number) => Array.from({ length: days }, (_, i) => dayNumber(from) + i);
const mean = (values: readonly number[]) => values.reduce((a, b) => a + b, 0) / values.length;
const sd = (values: readonly number[]) => Math.sqrt(mean(values.map((v) => (v - mean(values)) ** 2)));

describe('the truth', () => {
  it('is the same for whoever asks, in whatever order', () => {
    const day = dayNumber('2026-05-14');
    const before = { ...trueDay(LOCK, day) };
    for (let year = 2000; year < 2020; year++) trueDay(LOCK, dayNumber(`${year}-03-01`));
    expect(trueDay(LOCK, day)).toEqual(before);
    expect(trueDay(ROOF, day)).not.toEqual(before);
  });
  it('has the leap day, and no more sunshine than the day is long, at 65° as well', () => {
    expect(trueDay(LOCK, dayNumber('2028-02-29')).tminC).toBeTypeOf('number');
    for (const day of spell('2026-01-01', 365))
      expect(trueDay(FAR_NORTH, day).sunshineH).toBeLessThanOrEqual(dayLengthH(65, dayOfYear(day)) + 1e-9);
  });
  it.each([
    ['the lock', LOCK],
    ['the roof', ROOF],
  ])('%s: ten years have the town’s usual warmth', (_, point) => {
    const days = spell('2015-01-01', 3650);
    const off = days.map((day) => trueDay(point, day).tminC - normalDay(normalsAt(point), day).tminC);
    expect(Math.abs(mean(off))).toBeLessThan(0.3);
    expect(sd(off)).toBeGreaterThan(1);
  });
});

describe('the forecast', () => {
  const misses = (lead: number) =>
    spell('2024-01-01', 700).map(
      (issued) => expectedDays(LOCK, issued, 7)[lead - 1]!.tminC - trueDay(LOCK, issued + lead).tminC,
    );
  it('is wrong by about a degree tomorrow and by three in a week', () => {
    expect(sd(misses(1))).toBeGreaterThan(0.5);
    expect(sd(misses(1))).toBeLessThan(1.2);
    expect(sd(misses(7))).toBeGreaterThan(2);
    expect(sd(misses(7))).toBeLessThan(4);
    expect(Math.abs(mean(misses(4)))).toBeLessThan(0.4);
  });
  it('of one day is wrong in the same way however often it is read', () => {
    const issued = dayNumber('2026-11-20');
    expect(expectedDays(LOCK, issued, 7)).toEqual(expectedDays(LOCK, issued, 7));
    expect(expectedDays(LOCK, issued + 1, 7)[0]).not.toEqual(expectedDays(LOCK, issued, 7)[1]);
  });
  it('never has a night above its day', () => {
    for (const issued of spell('2025-01-01', 365))
      for (const day of expectedDays(FAR_NORTH, issued, 7)) expect(day.tminC).toBeLessThan(day.tmaxC);
  });
});

describe('outages', () => {
  it('are rare, of every kind, and the same hour each time', () => {
    const hours = Array.from({ length: 24 * 3000 }, (_, i) => i * 3_600_000);
    const met = hours.map((at) => outageAt(at, 'usual'));
    for (const outage of OUTAGES) expect(met).toContain(outage);
    const down = met.filter((outage) => outage !== null && outage !== 'no-forecast').length / hours.length;
    expect(down).toBeGreaterThan(0.03);
    expect(down).toBeLessThan(0.08);
    expect(hours.map((at) => outageAt(at, 'usual'))).toEqual(met);
    expect(hours.some((at) => outageAt(at, 'off') !== null)).toBe(false);
  });
});

describe('over HTTP', () => {
  let service: Service | undefined;
  afterEach(() => service?.close());
  const now = () => Date.parse('2026-11-27T08:00:00Z');
  const ask = async (query: string, signal?: AbortSignal) =>
    fetch(`${service!.url}/days?${query}`, { signal: signal ?? null });
  const QUERY = 'latitude=47.3&longitude=13.1&elevation=430&zone=Europe/Vienna&from=2026-11-20&to=2026-12-31';

  it('tells the record up to yesterday and eight days of forecast', async () => {
    service = await serveWeather({ port: 0, outages: 'off', now });
    const { days, made_at } = (await (await ask(QUERY)).json()) as {
      days: { date: string; kind: string }[];
      made_at: string;
    };
    expect(made_at).toBe('2026-11-27T08:00:00.000Z');
    expect(days.filter(({ kind }) => kind === 'measured').map(({ date }) => date)).toEqual(
      spell('2026-11-20', 7).map(isoDay),
    );
    expect(days.filter(({ kind }) => kind === 'expected').map(({ date }) => date)).toEqual(
      spell('2026-11-27', 8).map(isoDay),
    );
  });
  it('goes by the day of the place: east of the date line it is tomorrow already', async () => {
    service = await serveWeather({ port: 0, outages: 'off', now: () => Date.parse('2026-11-27T12:00:00Z') });
    const first = async (zone: string) => {
      const { days } = (await (
        await ask(`latitude=-14&longitude=-171&elevation=5&zone=${zone}&from=2026-11-20&to=2026-12-31`)
      ).json()) as {
        days: { date: string; kind: string }[];
      };
      return days.find(({ kind }) => kind === 'expected')!.date;
    };
    expect(await first('Pacific/Apia')).toBe('2026-11-28');
    expect(await first('Pacific/Pago_Pago')).toBe('2026-11-27');
  });
  it.each([
    ['latitude=470&longitude=13&elevation=0&from=2026-11-20&to=2026-11-21', 'latitude: wanted a number from -90 to 90'],
    ['longitude=13&elevation=0&from=2026-11-20&to=2026-11-21', 'latitude: wanted a number from -90 to 90'],
    ['latitude=47&longitude=13&elevation=0&from=yesterday&to=2026-11-21', 'from: wanted a day YYYY-MM-DD'],
    ['latitude=47&longitude=13&elevation=0&from=2026-11-20&to=2020-01-01', 'to: wanted 0 to 799 days after from'],
  ])('refuses %s', async (query, words) => {
    service = await serveWeather({ port: 0, outages: 'off', now });
    const response = await ask(query);
    expect(response.status).toBe(400);
    expect(await response.json()).toEqual({ error: words });
  });
  it('refuses, hangs, breaks off, or leaves the forecast out', async () => {
    service = await serveWeather({ port: 0, outages: 'refuses', now });
    expect((await ask(QUERY)).status).toBe(503);
    await service.close();
    service = await serveWeather({ port: 0, outages: 'garbled', now });
    await expect((await ask(QUERY)).json()).rejects.toThrow();
    await service.close();
    service = await serveWeather({ port: 0, outages: 'no-forecast', now });
    expect(await (await ask(QUERY)).text()).not.toContain('expected');
    await service.close();
    service = await serveWeather({ port: 0, outages: 'hangs', now });
    await expect(ask(QUERY, AbortSignal.timeout(300))).rejects.toThrow(/time/);
  });
});
