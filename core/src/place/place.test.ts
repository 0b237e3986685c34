import { describe, expect, it } from 'vitest';
import { dayNumber } from '../calendar/day.ts';
import type { Place, PlaceKind, ThermometerReading } from '../garden.ts';
import { garden, INLAND, plusDays, type Scene } from '../../test/gardens.ts';
import { GardenForecast } from '../forecast/forecast.ts';
import { airSpeedMS, usualAir } from './defaults.ts';
import { drive } from './evaporation.ts';
import { glassDay } from './glass.ts';
import { correctionOn } from './thermometer.ts';

const CLEAR = { tminC: 12, tmaxC: 24, eaKPa: 1.4, rsMj: 27, clearness: 0.72, dayLengthH: 15.5 };

/** The place's day in the middle of a month, as expected. */
function at(place: Partial<Place>, today: string, scene: Scene = {}) {
  const forecast = new GardenForecast(
    garden({ ...scene, today, place: { id: 'place', kind: 'open', air: 'gentle', ...place } }),
  );
  const series = forecast.climate.expected('place');
  const i = dayNumber(today) + 1 - series.firstDay;
  return {
    tmin: series.tminC[i]!,
    tmax: series.tmaxC[i]!,
    mean: series.tmeanC[i]!,
    ea: series.eaKPa[i]!,
    dli: series.dliMol[i]!,
    length: series.dayLengthH[i]!,
    mm: series.surfaceMm[i]!,
    rain: series.rainMm[i]!,
  };
}

describe('glass', () => {
  it('closed on a clear day it runs 10 to 20 K above the air; aired, a part of that', () => {
    const closed = glassDay(CLEAR, 60, null).tmaxC - CLEAR.tmaxC;
    expect(closed).toBeGreaterThan(10);
    expect(closed).toBeLessThan(22);
    const aired = glassDay(CLEAR, 18, null).tmaxC - CLEAR.tmaxC;
    expect(aired).toBeGreaterThan(2);
    expect(aired).toBeLessThan(0.75 * closed);
  });
  it('damps the night by 1 to 3 K, and a heater holds it', () => {
    const night = glassDay(CLEAR, 24, null).tminC - CLEAR.tminC;
    expect(night).toBeGreaterThanOrEqual(1);
    expect(night).toBeLessThanOrEqual(3);
    expect(glassDay({ ...CLEAR, tminC: -8 }, 24, 5).tminC).toBe(5);
  });
});

describe('places', () => {
  it('rooms stay warm in winter, dry in their air, and follow a warm spell', () => {
    const winter = at({ kind: 'room' }, '2026-01-15');
    expect(winter.mean).toBeGreaterThan(18);
    expect(winter.mean).toBeLessThan(21);
    expect(winter.ea).toBeLessThan(1.1);
    expect(at({ kind: 'room' }, '2026-07-15').mean).toBeGreaterThan(winter.mean);
  });
  it('a sill swings toward the outdoors at night and has its sun by aspect', () => {
    const sill = at({ kind: 'windowsill', aspect_deg: 180, air: 'still' }, '2026-01-15');
    expect(sill.tmin).toBeLessThan(at({ kind: 'room' }, '2026-01-15').tmin);
    expect(sill.dli).toBeGreaterThan(1.3 * at({ kind: 'windowsill', aspect_deg: 0, air: 'still' }, '2026-01-15').dli);
    const unknown = at({ kind: 'windowsill' }, '2026-01-15').dli;
    expect(unknown).toBeGreaterThan(at({ kind: 'windowsill', aspect_deg: 0 }, '2026-01-15').dli);
    expect(unknown).toBeLessThan(sill.dli);
  });
  it('a lamp gives its light and its day', () => {
    const lamp = at({ kind: 'lamp-shelf', lamp: { ppfd_umol_m2_s: 200, hours: 14 } }, '2026-01-15');
    expect(lamp.dli).toBeCloseTo(200 * 14 * 0.0036, 0);
    expect(lamp.length).toBe(14);
    expect(lamp.tmax).toBeGreaterThan(at({ kind: 'lamp-shelf' }, '2026-01-15').tmax + 1);
  });
  it('only the open gets rain', () => {
    expect(at({ kind: 'open' }, '2026-07-15').rain).toBeGreaterThan(0);
    expect(at({ kind: 'covered' }, '2026-07-15').rain).toBe(0);
  });
  it('more wind, light and warmth take more from a wet surface, by day and by night', () => {
    const calm = drive(
      { tminC: 12, tmaxC: 24, eaKPa: 1.3, rsMj: 10, longwaveMj: 1, dliMol: 20, dayLengthH: 14, airMS: 0.1, rainMm: 0 },
      0.066,
    );
    const day = (over: object) =>
      drive(
        {
          tminC: 12,
          tmaxC: 24,
          eaKPa: 1.3,
          rsMj: 10,
          longwaveMj: 1,
          dliMol: 20,
          dayLengthH: 14,
          airMS: 0.1,
          rainMm: 0,
          ...over,
        },
        0.066,
      ).surfaceMm;
    expect(day({ airMS: 1 })).toBeGreaterThan(calm.surfaceMm);
    expect(day({ rsMj: 20 })).toBeGreaterThan(calm.surfaceMm);
    expect(day({ tminC: 16, tmaxC: 30 })).toBeGreaterThan(calm.surfaceMm);
    expect(day({ eaKPa: 0.8 })).toBeGreaterThan(calm.surfaceMm);
    expect(calm.earlyShare).toBeGreaterThan(0.05);
    expect(calm.earlyShare).toBeLessThan(0.4);
  });
});

describe('a thermometer', () => {
  const readings = (count: number, warmer: number): ThermometerReading[] => {
    const plain = new GardenForecast(garden({ today: '2026-07-05' }), dayNumber('2026-04-01'));
    const series = plain.climate.expected('place');
    return Array.from({ length: count }, (_, i) => {
      const day = dayNumber('2026-07-04') - i * 3;
      const at = day - series.firstDay;
      return { date: plusDays('2026-07-04', -i * 3), tmin_c: series.tminC[at]!, tmax_c: series.tmaxC[at]! + warmer };
    });
  };
  const correction = (count: number) => {
    const base = garden({
      today: '2026-07-05',
      place: { id: 'place', kind: 'cold-glass', air: 'gentle', thermometer: readings(count, 5) },
    });
    return new GardenForecast(base, dayNumber('2026-04-01')).climate
      .place('place')
      .correctionFor(dayNumber('2026-07-06')).tmaxC;
  };
  it('beats the estimate on its days and corrects the others, the more the oftener it was read', () => {
    const once = correction(1);
    const often = correction(20);
    expect(once).toBeGreaterThan(0.5);
    expect(often).toBeGreaterThan(3.5);
    expect(often).toBeLessThan(5);
    expect(once).toBeLessThan(often);
  });
  it('fades with age', () => {
    const lesson = [{ day: 0, tminC: 3, tmaxC: 3, vapour: null }];
    expect(correctionOn(0, lesson).tminC).toBeGreaterThan(2 * correctionOn(300, lesson).tminC);
    expect(correctionOn(0, lesson).vapour).toBe(1);
  });
  it('normals of a place without readings are left alone', () => {
    const forecast = new GardenForecast(garden({ normals: INLAND }));
    expect(forecast.climate.place('place').correctionFor(20_000)).toEqual({ tminC: 0, tmaxC: 0, vapour: 1 });
  });
});

describe('the air of a place that nobody described', () => {
  it.each<[PlaceKind, 'breezy' | 'still']>([
    ['open', 'breezy'],
    ['covered', 'breezy'],
    ['cold-glass', 'still'],
    ['heated-glass', 'still'],
    ['windowsill', 'still'],
    ['room', 'still'],
    ['lamp-shelf', 'still'],
  ])('%s: %s', (kind, wanted) => expect(usualAir(kind)).toBe(wanted));
  it('moves faster past pots outdoors than past those behind glass, whatever the wind', () => {
    const speed = (kind: PlaceKind, windMS: number) =>
      airSpeedMS({ id: 'x', kind, air: usualAir(kind) } as Place, windMS);
    for (const wind of [1.5, 4]) {
      expect(speed('open', wind)).toBeGreaterThan(speed('cold-glass', wind));
      expect(speed('covered', wind)).toBeGreaterThan(speed('windowsill', wind));
    }
    expect(speed('room', 9)).toBe(speed('room', 0));
  });
});
