import { type DayNumber, dayOfYear } from '../calendar/day.ts';
import type { Site } from '../garden.ts';
import type { DrawnDay } from './generator.ts';
import { clearSkyRadiationMj, dailyLightIntegralMol, netLongwaveMj, radiationFromSunshineMj } from './radiation.ts';
import { dayLengthH, extraterrestrialRadiationMj } from './solar.ts';
import { actualVapourFromMeanRhKPa } from './vapour.ts';

/** One day outside, as the engine's next link wants it. */
export interface SkyDay {
  day: DayNumber;
  tminC: number;
  tmaxC: number;
  tmeanC: number;
  /** actual vapour pressure */
  eaKPa: number;
  /** sun and sky on level ground */
  rsMj: number;
  /** Rs over what reaches the top of the air: 0.25 under thick cloud, 0.75 on a clear day */
  clearness: number;
  /** longwave lost to the sky */
  longwaveMj: number;
  dliMol: number;
  dayLengthH: number;
  rainMm: number;
  windMS: number;
}

/** The geometry that every weather member of a day shares. */
export interface SkyFrame {
  raMj: number;
  rsoMj: number;
  lengthH: number;
}

export function skyFrame(site: Site, day: DayNumber): SkyFrame {
  const doy = dayOfYear(day);
  const raMj = extraterrestrialRadiationMj(site.latitude_deg, doy);
  return { raMj, rsoMj: clearSkyRadiationMj(raMj, site.elevation_m), lengthH: dayLengthH(site.latitude_deg, doy) };
}

export function skyDay(day: DayNumber, frame: SkyFrame, weather: DrawnDay): SkyDay {
  const { tminC, tmaxC } = weather;
  const eaKPa = actualVapourFromMeanRhKPa(tmaxC, tminC, weather.rhPct);
  const rsMj = Math.min(radiationFromSunshineMj(frame.raMj, weather.sunshineH, frame.lengthH), frame.rsoMj);
  return {
    day,
    tminC,
    tmaxC,
    tmeanC: (tminC + tmaxC) / 2,
    eaKPa,
    rsMj,
    clearness: frame.raMj > 0 ? rsMj / frame.raMj : 0,
    longwaveMj: netLongwaveMj(tmaxC, tminC, eaKPa, rsMj, frame.rsoMj),
    dliMol: dailyLightIntegralMol(rsMj),
    dayLengthH: frame.lengthH,
    rainMm: weather.rainMm,
    windMS: weather.windMS,
  };
}
