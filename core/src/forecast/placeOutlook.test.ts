/** What a place has been and will be, in the easy cases and in the hard ones. */
import { describe, expect, it } from 'vitest';
import { dayNumber, isoDay } from '../calendar/day.ts';
import type { Garden, Place, WeatherDay } from '../garden.ts';
import { usualWeather } from '../sky/usual/usualWeather.ts';
import { skillOf } from '../sky/generator.ts';
import { INLAND, mirrored } from '../../test/gardens.ts';
import { GardenClimate } from './climate.ts';
import { standsWhen } from './moveWeeks.ts';
import { placeOutlook } from './placeOutlook.ts';

const OPEN: Place = { id: 'open', kind: 'open', air: 'gentle' };
const SILL: Place = { id: 'sill', kind: 'windowsill', aspect_deg: 180, air: 'still' };
const TODAY = '2026-05-14';

function garden(over: Partial<Garden> & { latitude?: number } = {}): Garden {
  const { latitude = 47, ...rest } = over;
  return {
    today: TODAY,
    site: { latitude_deg: latitude, longitude_deg: 13, elevation_m: 400, normals: INLAND },
    weather: [],
    places: [OPEN, SILL],
    mixes: [],
    plants: [],
    ...rest,
  };
}

function outlookOf(one: Garden, place = 'open') {
  const climate = new GardenClimate(one, dayNumber(one.today) - 60);
  return placeOutlook({ garden: one, climate }, place);
}

const told = (offset: number, over: Partial<WeatherDay> = {}): WeatherDay => ({
  date: isoDay(dayNumber(TODAY) + offset),
  tmin_c: 8,
  tmax_c: 18,
  rh_pct: 70,
  sunshine_h: 6,
  rain_mm: 0,
  wind_m_s: 2,
  source: offset > 0 ? 'forecast' : 'observed',
  ...over,
});

describe('days behind and ahead', () => {
  it('say where they are known from: read, observed, forecast, usual', () => {
    const weather = [-3, -2, -1, 0, 1, 2].map((offset) => told(offset));
    const read = { ...OPEN, thermometer: [{ date: isoDay(dayNumber(TODAY) - 2), tmin_c: 2.5, tmax_c: 20 }] };
    const { past, ahead } = outlookOf(garden({ weather, places: [read, SILL] }));
    expect(past.map(({ source }) => source).slice(-5)).toEqual(['usual', 'observed', 'read', 'observed', 'observed']);
    expect(past.at(-3)).toMatchObject({ tmin_c: 2.5, tmax_c: 20 });
    expect(ahead.map(({ source }) => source).slice(0, 3)).toEqual(['forecast', 'forecast', 'usual']);
  });
  it('a night told for tomorrow is nearly believed, one told for a week ahead hardly', () => {
    const weather = [0, 1, 2, 3, 4, 5, 6, 7].map((offset) => told(offset, offset > 0 ? { tmin_c: -6, tmax_c: 1 } : {}));
    const { ahead } = outlookOf(garden({ weather }));
    expect(ahead[0]!.low_c.p50).toBeLessThan(-4.5);
    expect(ahead[6]!.low_c.p50).toBeGreaterThan(ahead[0]!.low_c.p50 + 3);
  });
  it('a forecast that was made days ago is believed less than one of today', () => {
    const fresh = [told(1, { tmin_c: -6, tmax_c: 1 })];
    const old = [told(1, { tmin_c: -6, tmax_c: 1, issued: isoDay(dayNumber(TODAY) - 5) })];
    expect(outlookOf(garden({ weather: old })).ahead[0]!.low_c.p50).toBeGreaterThan(
      outlookOf(garden({ weather: fresh })).ahead[0]!.low_c.p50 + 2,
    );
    const today = dayNumber(TODAY);
    expect(skillOf(old[0]!, today + 1, today)).toBeLessThan(skillOf(fresh[0]!, today + 1, today));
    expect(skillOf(told(-1), today - 1, today)).toBe(1);
  });
  it('a week without a forecast widens the doubt and stops nothing', () => {
    const { ahead } = outlookOf(garden({ weather: [told(-8), told(-7)] }));
    expect(ahead.every(({ source }) => source === 'usual')).toBe(true);
    expect(ahead[0]!.low_c.p90 - ahead[0]!.low_c.p10).toBeGreaterThan(4);
  });
});

describe('rain', () => {
  it('below the depth that the place counts from wets no pot', () => {
    const weather = [told(-1, { rain_mm: 3 }), told(0, { rain_mm: 12 })];
    const fallen = (place: Place) => {
      const one = garden({ weather, places: [place] });
      const climate = new GardenClimate(one, dayNumber(TODAY) - 60);
      const { rainMm, firstDay } = climate.expected('open');
      return [rainMm[dayNumber(TODAY) - 1 - firstDay], rainMm[dayNumber(TODAY) - firstDay]];
    };
    expect(fallen(OPEN)).toEqual([3, 12]);
    expect(fallen({ ...OPEN, rain_counts_mm: 5 })).toEqual([0, 12]);
    expect(fallen({ ...OPEN, kind: 'covered' })).toEqual([0, 0]);
  });
});

describe('the year', () => {
  it('a south sill at 47° north has its sun in winter as in summer, a north one only in summer', () => {
    const { sun_by_aspect: byAspect, year } = outlookOf(garden(), 'sill');
    const of = (aspect: number) => byAspect!.find(({ aspect_deg }) => aspect_deg === aspect)!.hours;
    const december = year.findIndex(({ date }) => date.startsWith('2026-12-1'));
    expect(of(180)[december]!).toBeGreaterThan(7);
    expect(of(0)[december]!).toBe(0);
    expect(of(0)[4]!).toBeGreaterThan(3);
    expect(outlookOf(garden(), 'open').sun_by_aspect).toBeNull();
  });
  it('in the south the same sill’s sun comes from the north', () => {
    const { sun_by_aspect: byAspect } = outlookOf(garden({ latitude: -34 }), 'sill');
    const sum = (aspect: number) =>
      byAspect!.find(({ aspect_deg }) => aspect_deg === aspect)!.hours.reduce((a, b) => a + b, 0);
    expect(sum(0)).toBeGreaterThan(2 * sum(180));
  });
});

describe('hard cases', () => {
  it.each([
    ['the leap day', '2028-02-29', 47],
    ['the day the clocks go forward', '2026-03-29', 47],
    ['the equator', '2026-05-14', 0],
    ['65° north at midsummer', '2026-06-21', 65],
    ['65° north at midwinter', '2026-12-21', 65],
    ['the date line', '2026-11-27', -14],
  ])('%s: every figure is one', (_, today, latitude) => {
    const one = { ...garden({ latitude }), today };
    one.site.normals = usualWeather({ latitudeDeg: latitude, longitudeDeg: 13, elevationM: 100, coastKm: 200 });
    for (const place of ['open', 'sill']) {
      const { past, ahead, year, coldest_c: coldest } = outlookOf(one, place);
      expect(past.at(-1)!.date).toBe(today);
      expect(new Set(past.map(({ date }) => date)).size).toBe(31);
      const figures = [
        ...past.flatMap((day) => [day.tmin_c, day.tmax_c, day.rh_pct]),
        ...ahead.flatMap((day) => [...Object.values(day.low_c), ...Object.values(day.high_c)]),
        ...year.flatMap((week) => [week.dli_mol, week.sun_h, week.rh_pct]),
        ...coldest,
      ];
      expect(figures.every(Number.isFinite)).toBe(true);
      for (const day of ahead) expect(day.low_c.p10).toBeLessThanOrEqual(day.low_c.p90);
    }
  });
  it('two sites in opposite seasons send a plant out half a year apart', () => {
    const stands = (one: Garden) =>
      standsWhen(
        outlookOf(one).coldest_c,
        Array.from({ length: 52 }, () => 6),
        dayNumber(TODAY),
      );
    const north = stands(garden());
    const south = stands({
      ...garden(),
      site: { latitude_deg: -47, longitude_deg: 13, elevation_m: 400, normals: mirrored(INLAND) },
    });
    if (north.when !== 'from-to' || south.when !== 'from-to') throw new Error('both go out and come in');
    expect(['05', '06']).toContain(north.out.slice(5, 7));
    expect(['11', '12', '01']).toContain(south.out.slice(5, 7));
    expect(['09', '10']).toContain(north.in.slice(5, 7));
  });
});
