/**
 * What a place has been and will be: nights and days behind, the fortnight ahead with its doubt, and its year of light,
 * sun and humidity. Told with where each figure comes from, since a keeper trusts a thermometer otherwise than a guess.
 */
import { type DayNumber, dayNumber, dayOfYear, isoDay } from '../calendar/day.ts';
import { placeDefaults } from '../place/defaults.ts';
import { directSun } from '../place/sun.ts';
import { windowSun } from '../sky/sunPath.ts';
import { saturationVapourKPa } from '../sky/vapour.ts';
import type { Garden } from '../garden.ts';
import { type GardenClimate, NEAR_DAYS } from './climate.ts';

/** read: a thermometer among the plants · observed, forecast: from the weather outside · usual: from the normals */
export const DAY_SOURCES = ['read', 'observed', 'forecast', 'usual'] as const;
export type DaySource = (typeof DAY_SOURCES)[number];

export interface PastDay {
  date: string;
  tmin_c: number;
  tmax_c: number;
  rh_pct: number;
  source: DaySource;
}

export interface Spread {
  p10: number;
  p50: number;
  p90: number;
}

export interface DayAhead {
  date: string;
  low_c: Spread;
  high_c: Spread;
  source: DaySource;
}

export interface YearWeek {
  date: string;
  dli_mol: number;
  sun_h: number;
  rh_pct: number;
}

export interface PlaceOutlook {
  past: PastDay[];
  ahead: DayAhead[];
  /** from this week on */
  year: YearWeek[];
  /** direct sun a day, hours, by week, if its glass faced north, east, south, west; null where no pane shapes its light */
  sun_by_aspect: { aspect_deg: number; hours: number[] }[] | null;
  /** of each week's nights the one that nine in ten are warmer than, °C */
  coldest_c: number[];
}

const PAST_DAYS = 30;
const AHEAD_DAYS = 14;
const WEEKS = 52;
const WEEK = 7;
const ASPECTS = [0, 90, 180, 270];
/** One night in ten too cold is borne: the forecast warns of it in time. */
const BEARABLE_SHARE = 0.1;

export function placeOutlook(
  { garden, climate }: { garden: Garden; climate: GardenClimate },
  placeId: string,
  obstructionDeg = 0,
): PlaceOutlook {
  const { today } = climate;
  const series = climate.expected(placeId);
  const { place } = climate.place(placeId);
  const read = new Set((place.thermometer ?? []).map(({ date }) => date));
  const sources = sourcesOf(garden);
  const at = (day: DayNumber) => day - series.firstDay;
  const humidity = (i: number) =>
    Math.min(100, Math.round((100 * series.eaKPa[i]!) / saturationVapourKPa(series.tmeanC[i]!)));
  const past = days(Math.max(series.firstDay, today - PAST_DAYS), today).map((day) => ({
    date: isoDay(day),
    tmin_c: tenth(series.tminC[at(day)]!),
    tmax_c: tenth(series.tmaxC[at(day)]!),
    rh_pct: humidity(at(day)),
    source: read.has(isoDay(day)) ? ('read' as const) : sources(day),
  }));
  const members = climate.members(placeId, NEAR_DAYS);
  const ahead = Array.from({ length: AHEAD_DAYS }, (_, i): DayAhead => {
    const day = today + 1 + i;
    return {
      date: isoDay(day),
      low_c: spread(members.map(({ tminC }) => tminC[i]!)),
      high_c: spread(members.map(({ tmaxC }) => tmaxC[i]!)),
      source: sources(day),
    };
  });
  const latitude = garden.site.latitude_deg;
  const weeks = Array.from({ length: WEEKS }, (_, week) => today + week * WEEK);
  const mean = (of: (i: number) => number, day: DayNumber) => {
    let sum = 0;
    for (let back = 0; back < WEEK; back++) sum += of(at(day + back));
    return sum / WEEK;
  };
  const shaped = place.aspect_deg != null && placeDefaults(place.kind).aspectWeight > 0;
  return {
    past,
    ahead,
    year: weeks.map((day) => ({
      date: isoDay(day),
      dli_mol: tenth(mean((i) => series.dliMol[i]!, day)),
      sun_h: tenth(directSun(latitude, dayOfYear(day), place, obstructionDeg).directH),
      rh_pct: Math.round(mean(humidity, day)),
    })),
    sun_by_aspect: shaped
      ? ASPECTS.map((aspect) => ({
          aspect_deg: aspect,
          hours: weeks.map((day) => tenth(windowSun(latitude, dayOfYear(day), aspect, obstructionDeg).directH)),
        }))
      : null,
    coldest_c: coldestNights(climate, placeId),
  };
}

/** By which of the weather's records the outside of a day is known. */
export function sourcesOf(garden: Pick<Garden, 'weather'>): (day: DayNumber) => DaySource {
  const known = new Map(garden.weather.map(({ date, source }) => [dayNumber(date), source]));
  return (day) => known.get(day) ?? 'usual';
}

/** See {@link PlaceOutlook.coldest_c}; the year's weathers are drawn for it and not kept. */
export function coldestNights(climate: GardenClimate, placeId: string): number[] {
  return coldNightOf(climate.nightsAhead(placeId, WEEKS * WEEK));
}

/** Of each week's nights, in all the weathers, the one that nine in ten are warmer than, °C. */
export function coldNightOf(members: readonly Float64Array[]): number[] {
  const weeks = Math.floor(members[0]!.length / WEEK);
  return Array.from({ length: weeks }, (_, week) => {
    const nights = new Float64Array(WEEK * members.length);
    for (const [member, lows] of members.entries())
      nights.set(lows.subarray(week * WEEK, (week + 1) * WEEK), member * WEEK);
    return tenth(nights.sort()[Math.floor(BEARABLE_SHARE * nights.length)]!);
  });
}

function days(from: DayNumber, to: DayNumber): DayNumber[] {
  return Array.from({ length: to - from + 1 }, (_, i) => from + i);
}

function spread(values: number[]): Spread {
  const sorted = values.toSorted((a, b) => a - b);
  const at = (share: number) => tenth(sorted[Math.floor(share * (sorted.length - 1))]!);
  return { p10: at(0.1), p50: at(0.5), p90: at(0.9) };
}

function tenth(value: number): number {
  return Math.round(value * 10) / 10;
}
