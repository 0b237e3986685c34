import { type DayNumber, monthIndex } from '../calendar/day.ts';
import type { Normals, Twelve } from '../garden.ts';
import { clamp } from '../numeric/curves.ts';

const MS_PER_DAY = 86_400_000;

/** Straight line between the middles of neighbouring months. */
export function normalOn(monthly: Twelve, day: DayNumber): number {
  const month = monthIndex(day);
  const date = new Date(day * MS_PER_DAY);
  const daysInMonth = new Date(Date.UTC(date.getUTCFullYear(), month + 1, 0)).getUTCDate();
  const share = (date.getUTCDate() - 0.5) / daysInMonth - 0.5;
  const other = (month + (share < 0 ? 11 : 1)) % 12;
  return monthly[month]! + Math.abs(share) * (monthly[other]! - monthly[month]!);
}

/** What a day is usually like, before chance. */
export interface NormalDay {
  tminC: number;
  tmaxC: number;
  rhPct: number;
  sunshineH: number;
  windMS: number;
  /** chance of a wet day */
  wetChance: number;
  /** mean fall on a wet day */
  wetDayRainMm: number;
}

const DAYS_PER_MONTH = 365.25 / 12;

/**
 * Mean fall on a wet day for a month's total. Wet months have both more and heavier wet days;
 * 3 mm + 3 % of the total gives 6 wet days for 20 mm and 15 for 80 mm, as inland stations show (WMO CLINO tables).
 */
function wetDayRain(monthMm: number): number {
  return 3 + 0.03 * monthMm;
}

export function normalDay(normals: Normals, day: DayNumber): NormalDay {
  // Rain is a total, so a month keeps its own figure: interpolating would move rain between months.
  const monthMm = normals.rain_mm[monthIndex(day)]!;
  const wetChance = clamp(monthMm / (DAYS_PER_MONTH * wetDayRain(monthMm)), 0, 0.7);
  return {
    tminC: normalOn(normals.tmin_c, day),
    tmaxC: normalOn(normals.tmax_c, day),
    rhPct: normalOn(normals.rh_pct, day),
    sunshineH: normalOn(normals.sunshine_h, day),
    windMS: normalOn(normals.wind_m_s, day),
    wetChance,
    wetDayRainMm: wetChance > 0 ? monthMm / (DAYS_PER_MONTH * wetChance) : 0,
  };
}
