import { describe, expect, it } from 'vitest';
import { dayNumber, dayOfYear } from '../calendar/day.ts';
import type { Site } from '../garden.ts';
import { drawWeather, temperatureSdC } from './generator.ts';
import { normalDay, normalOn } from './normals.ts';
import {
  actualVapourFromRhExtremesKPa,
  mirroredDay,
  netShortwaveMj,
  radiationFromRangeMj,
  referenceEtMm,
  windAt2m,
} from '../../test/fao56.ts';
import { clearSkyRadiationMj, netLongwaveMj, radiationFromSunshineMj } from './radiation.ts';
import { dayLengthH, extraterrestrialRadiationMj } from './solar.ts';
import { aspectFactor, beamRatios, windowSun } from './sunPath.ts';
import {
  meanSaturationVapourKPa,
  psychrometricKPaPerK,
  saturationSlopeKPaPerK,
  saturationVapourKPa,
} from './vapour.ts';

/** Examples are those of FAO Irrigation and Drainage Paper 56, by their numbers. */
describe('the day outside, by FAO-56', () => {
  const september3 = dayOfYear(dayNumber('2026-09-03'));

  it('example 8: radiation above the air at 20° S on 3 September', () => {
    expect(extraterrestrialRadiationMj(-20, september3)).toBeCloseTo(32.2, 1);
  });
  it('example 9: its day is 11.7 hours long', () => {
    expect(dayLengthH(-20, september3)).toBeCloseTo(11.7, 1);
  });
  it('example 2: psychrometric constant at 1800 m', () => {
    expect(psychrometricKPaPerK(1800)).toBeCloseTo(0.054, 3);
  });
  it('example 3: saturation vapour pressure of a day', () => {
    expect(saturationVapourKPa(24.5)).toBeCloseTo(3.075, 2);
    expect(saturationVapourKPa(15)).toBeCloseTo(1.705, 2);
    expect(meanSaturationVapourKPa(24.5, 15)).toBeCloseTo(2.39, 2);
  });
  it('example 5: vapour pressure from extremes of humidity', () => {
    expect(actualVapourFromRhExtremesKPa(25, 18, 82, 54)).toBeCloseTo(1.7, 2);
  });
  it('example 10: radiation from sunshine at Rio in May', () => {
    const doy = 135;
    const ra = extraterrestrialRadiationMj(-22.9, doy);
    expect(ra).toBeCloseTo(25.1, 1);
    expect(radiationFromSunshineMj(ra, 220 / 31, dayLengthH(-22.9, doy))).toBeCloseTo(14.5, 1);
  });
  it('example 11: net longwave at Rio in May', () => {
    expect(netLongwaveMj(25.1, 19.1, 2.1, 14.5, 18.8)).toBeCloseTo(3.5, 1);
  });
  it('example 14: wind from 10 m to 2 m', () => {
    expect(windAt2m(3.2, 10)).toBeCloseTo(2.4, 1);
  });
  it('example 15: radiation from the temperature range at Lyon in July', () => {
    // Ra 40.6; the paper's coastal or inland constant 0.16
    expect(radiationFromRangeMj(40.6, 26.6, 14.8)).toBeCloseTo(22.3, 1);
  });
  it('example 18: reference evaporation at Uccle on 6 July', () => {
    const doy = 187;
    const ra = extraterrestrialRadiationMj(50.8, doy);
    const rs = radiationFromSunshineMj(ra, 9.25, dayLengthH(50.8, doy));
    const ea = actualVapourFromRhExtremesKPa(21.5, 12.3, 84, 63);
    const net = netShortwaveMj(rs) - netLongwaveMj(21.5, 12.3, ea, rs, clearSkyRadiationMj(ra, 100));
    expect(saturationSlopeKPaPerK(16.9)).toBeCloseTo(0.122, 3);
    expect(net).toBeCloseTo(13.28, 1);
    const et = referenceEtMm({
      tmeanC: 16.9,
      esKPa: meanSaturationVapourKPa(21.5, 12.3),
      eaKPa: ea,
      netRadiationMj: net,
      windMS: 2.078,
      elevationM: 100,
    });
    expect(et).toBeCloseTo(3.9, 1);
  });
  it('mirrors: half a year later on the other half of the globe is the same day, to the orbit’s 4 %', () => {
    for (const iso of ['2026-01-15', '2026-03-21', '2026-06-21', '2026-10-02']) {
      const day = dayNumber(iso);
      const north = extraterrestrialRadiationMj(47, dayOfYear(day));
      const south = extraterrestrialRadiationMj(-47, dayOfYear(mirroredDay(day)));
      // The orbit's eccentricity swings the sun's strength by ±3.3 %; half a year apart it counts twice.
      expect(Math.abs(north / south - 1)).toBeLessThan(0.085);
      expect(dayLengthH(-47, dayOfYear(mirroredDay(day)))).toBeCloseTo(dayLengthH(47, dayOfYear(day)), 0);
    }
  });
  it('knows polar day and night', () => {
    expect(dayLengthH(80, 172)).toBe(24);
    expect(dayLengthH(80, 355)).toBe(0);
    expect(extraterrestrialRadiationMj(80, 355)).toBeCloseTo(0, 5);
  });
});

describe('the sun on a window', () => {
  it('gives a south window at 47° N all of a winter day and less of a summer one than the day is long', () => {
    expect(windowSun(47, 355, 180).directH).toBeCloseTo(dayLengthH(47, 355), 0);
    expect(windowSun(47, 172, 180).directH).toBeLessThan(dayLengthH(47, 172) - 5);
  });
  it('gives an east window its sun before noon and a west window after', () => {
    const east = windowSun(47, 80, 90);
    expect(east.morningH).toBeCloseTo(east.directH, 0);
    expect(windowSun(47, 80, 270).morningH).toBeLessThan(0.3);
  });
  it('turns round in the south', () => {
    expect(windowSun(-34, 172, 0).directH).toBeGreaterThan(9);
    expect(windowSun(-34, 172, 180).directH).toBe(0);
  });
  it('loses to what stands before it', () => {
    expect(windowSun(47, 355, 180, 30).directH).toBe(0);
  });
  it('weighs direction only as far as the sun shines', () => {
    const south = beamRatios(47, 355, 180);
    expect(aspectFactor(south, 0.7)).toBeGreaterThan(1.7);
    expect(aspectFactor(south, 0.2)).toBeLessThan(1.2);
    expect(aspectFactor(beamRatios(47, 355, 0), 0.7)).toBeLessThan(0.6);
  });
});

const INLAND: Site = {
  latitude_deg: 47,
  longitude_deg: 8,
  elevation_m: 400,
  normals: {
    tmin_c: [-4, -3, 0, 4, 9, 12, 14, 13, 10, 5, 1, -3],
    tmax_c: [2, 4, 10, 15, 20, 23, 25, 25, 20, 14, 7, 2],
    rh_pct: [83, 78, 72, 67, 69, 70, 70, 73, 78, 82, 85, 86],
    sunshine_h: [2.1, 3.3, 4.5, 5.6, 6.3, 6.9, 7.6, 7.1, 5.5, 3.9, 2.2, 1.7],
    rain_mm: [52, 48, 58, 66, 98, 118, 124, 116, 82, 60, 58, 60],
    wind_m_s: [2, 2, 2, 2, 2, 2, 2, 2, 2, 2, 2, 2],
  },
};

describe('drawn weather', () => {
  const start = dayNumber('2026-07-01');
  const draws = Array.from({ length: 300 }, (_, seed) =>
    drawWeather(INLAND, start, 31, seed, () => undefined, start - 1),
  ).flat();
  const mean = (pick: (day: (typeof draws)[number]) => number) =>
    draws.reduce((sum, day) => sum + pick(day), 0) / draws.length;
  const july = Array.from({ length: 31 }, (_, i) => normalDay(INLAND.normals, start + i));
  const usual = (pick: (day: (typeof july)[number]) => number) =>
    july.reduce((sum, day) => sum + pick(day), 0) / july.length;

  it('has the normals’ means', () => {
    expect(mean((d) => d.tminC)).toBeCloseTo(
      usual((d) => d.tminC),
      0,
    );
    expect(Math.abs(mean((d) => d.tmaxC) - usual((d) => d.tmaxC))).toBeLessThan(0.3);
    expect(Math.abs(mean((d) => d.sunshineH) / usual((d) => d.sunshineH) - 1)).toBeLessThan(0.05);
    expect(Math.abs(mean((d) => d.rhPct) - usual((d) => d.rhPct))).toBeLessThan(2);
    expect(Math.abs(mean((d) => d.windMS) / 2 - 1)).toBeLessThan(0.03);
  });
  it('has the month’s rain on some of its days', () => {
    expect(Math.abs(mean((d) => d.rainMm) * 31 - 124) / 124).toBeLessThan(0.1);
    const wet = draws.filter((d) => d.rainMm > 0).length / draws.length;
    expect(wet).toBeGreaterThan(0.3);
    expect(wet).toBeLessThan(0.7);
  });
  it('scatters as it says', () => {
    const middle = mean((d) => d.tminC);
    const sd = Math.sqrt(mean((d) => (d.tminC - middle) ** 2));
    expect(Math.abs(sd / temperatureSdC(INLAND.normals) - 1)).toBeLessThan(0.15);
  });
  it('is the same for the same seed, and a longer draw begins like a shorter one', () => {
    const short = drawWeather(INLAND, start, 10, 5, () => undefined, start);
    expect(drawWeather(INLAND, start, 40, 5, () => undefined, start).slice(0, 10)).toEqual(short);
  });
  it('takes observed days as they are and blurs forecasts the more the further ahead', () => {
    const told = (day: number) => ({
      date: '',
      tmin_c: 20,
      tmax_c: 35,
      rh_pct: 40,
      sunshine_h: 14,
      rain_mm: 0,
      wind_m_s: 1,
      source: day <= start ? ('observed' as const) : ('forecast' as const),
    });
    const members = Array.from({ length: 100 }, (_, seed) => drawWeather(INLAND, start, 8, seed, told, start));
    expect(members.every((days) => days[0]!.tmaxC === 35)).toBe(true);
    const spread = (i: number) => {
      const values = members.map((days) => days[i]!.tmaxC);
      const centre = values.reduce((a, b) => a + b) / values.length;
      return Math.sqrt(values.reduce((a, b) => a + (b - centre) ** 2, 0) / values.length);
    };
    expect(spread(1)).toBeLessThan(1);
    expect(spread(7)).toBeGreaterThan(1.5 * spread(2));
  });
  it('interpolates normals between the middles of months', () => {
    expect(normalOn(INLAND.normals.tmax_c, dayNumber('2026-07-16'))).toBeCloseTo(25, 1);
    expect(normalOn(INLAND.normals.tmax_c, dayNumber('2026-07-01'))).toBeCloseTo(24, 1);
  });
});
