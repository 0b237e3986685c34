import { describe, expect, it } from 'vitest';
import { mean, median } from '../../numeric/curves.ts';
import { normalDay } from '../normals.ts';
import { oddities } from '../sense.ts';
import { dayNumber } from '../../calendar/day.ts';
import { rainForDays, readTown, usualTowns } from './towns.ts';
import { fitUsual, guessedElevationM, kmBetween, nearestUsual, usualBy, usualWeather } from './usualWeather.ts';

const named = (name: string) => usualTowns().find((town) => town.name === name)!;
const middle = (normals: { tmin_c: readonly number[]; tmax_c: readonly number[] }, month: number) =>
  (normals.tmin_c[month]! + normals.tmax_c[month]!) / 2;

describe('the towns that ship', () => {
  it('are two hundred and more, of all inhabited climates, each once', () => {
    expect(usualTowns().length).toBeGreaterThanOrEqual(260);
    expect(new Set(usualTowns().map(({ name }) => name)).size).toBe(usualTowns().length);
    const south = usualTowns().filter(({ latitudeDeg }) => latitudeDeg < -10);
    expect(south.length).toBeGreaterThan(50);
    expect(new Set(usualTowns().map(({ country }) => country)).size).toBeGreaterThan(90);
  });
  it.each(usualTowns().map((town) => [town.name, town] as const))('%s makes sense by season', (_, town) => {
    const impossible = oddities(town.normals, town.latitudeDeg).filter(
      ({ sort, code }) => sort === 'impossible' || code === 'wrong-hemisphere' || code === 'jump',
    );
    expect(impossible).toEqual([]);
    for (let month = 0; month < 12; month++) {
      // Monthly figures of one station climb and fall in one sweep but for monsoons: no month stands out from both sides.
      const around = (middle(town.normals, (month + 11) % 12) + middle(town.normals, (month + 1) % 12)) / 2;
      expect(Math.abs(middle(town.normals, month) - around)).toBeLessThan(5.5);
      expect(town.normals.rh_pct[month]).toBeGreaterThanOrEqual(10);
      expect(town.normals.rh_pct[month]).toBeLessThanOrEqual(92);
      expect(town.normals.wind_m_s[month]).toBeLessThan(6);
    }
  });
  it('agree with neighbours once height is allowed for', () => {
    for (const a of usualTowns())
      for (const b of usualTowns()) {
        const km = kmBetween(a, b);
        if (a === b || km > 120 || Math.abs(a.elevationM - b.elevationM) > 400) continue;
        const year = ({ normals }: typeof a) => mean(Array.from({ length: 12 }, (_, month) => middle(normals, month)));
        const level = (0.0055 * (a.elevationM - b.elevationM)) as number;
        expect(Math.abs(year(a) - year(b) + level), `${a.name} and ${b.name}`).toBeLessThan(3.5);
      }
  });
  it('refuses a row that lacks a figure', () => {
    expect(() => readTown('Nowhere XX 1 2 3 4; 1 2 3; 1; 1; 1; 1; 1')).toThrow('five times twelve');
  });
  it('rains on as many days as it says', () => {
    for (const days of [1, 6, 12, 18]) {
      const normals = { ...named('London').normals, rain_mm: Array.from({ length: 12 }, () => rainForDays(days)) };
      expect(normalDay(normals, dayNumber('2026-06-15')).wetChance * 30.4).toBeCloseTo(days, 0);
    }
  });
});

describe('the usual weather of a place between them', () => {
  it('misses a town that is left out by at most 1.5 K on average, night and day', () => {
    // Each fold leaves out every tenth town; a fit of the rest says them.
    const missed: Record<'tmin_c' | 'tmax_c', number[]> = { tmin_c: [], tmax_c: [] };
    for (let fold = 0; fold < 10; fold++) {
      const model = fitUsual(usualTowns().filter((_, i) => i % 10 !== fold));
      for (const town of usualTowns().filter((_, i) => i % 10 === fold)) {
        const said = usualBy(model, town);
        for (const field of ['tmin_c', 'tmax_c'] as const)
          for (let month = 0; month < 12; month++)
            missed[field].push(Math.abs(said[field][month]! - town.normals[field][month]!));
      }
    }
    console.log(
      `usual weather of a town left out: nights ${mean(missed.tmin_c).toFixed(2)} K (half under ` +
        `${median(missed.tmin_c).toFixed(2)}), days ${mean(missed.tmax_c).toFixed(2)} K ` +
        `(${median(missed.tmax_c).toFixed(2)})`,
    );
    expect(mean(missed.tmin_c)).toBeLessThan(1.5);
    expect(mean(missed.tmax_c)).toBeLessThan(1.5);
  });
  it('is the town’s own in the town', () => {
    const london = named('London');
    const said = usualWeather(london);
    for (let month = 0; month < 12; month++)
      expect(Math.abs(said.tmin_c[month]! - london.normals.tmin_c[month]!)).toBeLessThan(0.7);
  });
  // Figures of stations that are not among the towns, generally known, K ± 2.
  it.each([
    ['Bristol', 51.45, -2.59, 20, 12, 0, 3, 8],
    ['Bristol', 51.45, -2.59, 20, 12, 6, 13, 22],
    ['Graz', 47.07, 15.44, 360, 190, 0, -4, 3],
    ['Graz', 47.07, 15.44, 360, 190, 6, 14, 26],
    ['Montpellier', 43.61, 3.88, 30, 10, 6, 18, 29],
    ['Mar del Plata', -38, -57.55, 20, 2, 0, 15, 26],
    ['Philadelphia', 39.95, -75.17, 12, 80, 0, -4, 5],
    ['Newcastle in New South Wales', -32.93, 151.78, 20, 2, 6, 8, 17],
    ['Nagoya', 35.18, 136.91, 20, 15, 7, 25, 33],
  ])(
    '%s (%d°, %d°) is near what stations there say',
    (_, latitudeDeg, longitudeDeg, elevationM, coastKm, month, low, high) => {
      const said = usualWeather({ latitudeDeg, longitudeDeg, elevationM, coastKm });
      expect(Math.abs(said.tmin_c[month]! - low)).toBeLessThan(2.6);
      expect(Math.abs(said.tmax_c[month]! - high)).toBeLessThan(2.6);
    },
  );
  it('cools with height, and swings less at the sea', () => {
    const at = { latitudeDeg: 46.5, longitudeDeg: 8, elevationM: 500, coastKm: 200 };
    const up = usualWeather({ ...at, elevationM: 1600 });
    expect(usualWeather(at).tmax_c[6]! - up.tmax_c[6]!).toBeGreaterThan(4);
    const swing = (normals: ReturnType<typeof usualWeather>) => middle(normals, 6) - middle(normals, 0);
    expect(swing(usualWeather({ ...at, coastKm: 1 }))).toBeLessThan(swing(usualWeather(at)));
  });
  it('is a climate that the format takes, wherever one asks', () => {
    for (const latitudeDeg of [-54, -34, -5, 0, 12, 23, 47, 69])
      for (const longitudeDeg of [-120, -60, 0, 30, 100, 150]) {
        const normals = usualWeather({ latitudeDeg, longitudeDeg, elevationM: 300, coastKm: 80 });
        expect(oddities(normals, latitudeDeg).filter(({ sort }) => sort === 'impossible')).toEqual([]);
      }
  });
  it('names the town it leans on, and guesses a height', () => {
    expect(nearestUsual({ latitudeDeg: 51.45, longitudeDeg: -2.59 })).toEqual({ name: 'Birmingham', km: 125 });
    expect(guessedElevationM({ latitudeDeg: 51.5, longitudeDeg: -0.1 })).toBe(25);
    expect(guessedElevationM({ latitudeDeg: 0, longitudeDeg: -150 })).toBe(0);
    expect(guessedElevationM({ latitudeDeg: 48.0, longitudeDeg: 12.2 })).toBeGreaterThan(350);
  });
});
