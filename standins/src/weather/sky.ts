/**
 * What the weather of a point on the map was, and what was expected of it: made up, but the same for whoever asks and
 * whenever they ask. A year is drawn by core's generator from a seed of the point and the year; a forecast is that truth
 * seen through errors of the day on which it was made, as large as forecasts' errors are.
 */
import {
  dayLengthH,
  type DayNumber,
  dayNumber,
  dayOfYear,
  type DrawnDay,
  drawWeather,
  isoDay,
  type Normals,
  seededRandom,
  seedFrom,
  standardNormal,
} from '@zinc-pail/core';
import { guessedCoastKm, usualWeather } from '@zinc-pail/core/usualWeather';
import { CLIMATES } from './climates.ts';

export interface Point {
  latitudeDeg: number;
  longitudeDeg: number;
  elevationM: number;
}

/** A point counts as a town's within so many degrees. */
const NEAR_DEG = 0.3;
const YEARS_KEPT = 12;
/**
 * Error of a forecast of a day's lowest and highest, K: nearly one on the first day and three at the end of a week
 * (the size that verification reports of national services give for mid-latitude stations).
 */
const ERROR_FIRST_K = 0.8;
const ERROR_A_DAY_K = 0.35;
/** Errors of one forecast run the same way for days. */
const ERROR_MEMORY = 0.75;
/** Chance a day ahead that a fall of rain is promised for the day beside it. */
const RAIN_SHIFTED = 0.05;
const RAIN_SPREAD = 0.12;

const years = new Map<string, DrawnDay[]>();

/** Usual weather of a point: a known town's, else a guess from where it lies. */
export function normalsAt({ latitudeDeg, longitudeDeg, elevationM }: Point): Normals {
  const town = CLIMATES.find(
    (one) => Math.abs(one.latitudeDeg - latitudeDeg) < NEAR_DEG && Math.abs(one.longitudeDeg - longitudeDeg) < NEAR_DEG,
  );
  const at = { latitudeDeg, longitudeDeg, elevationM };
  return town?.normals ?? usualWeather({ ...at, coastKm: guessedCoastKm(at) });
}

function keyOf({ latitudeDeg, longitudeDeg }: Point): string {
  return `${latitudeDeg.toFixed(2)}/${longitudeDeg.toFixed(2)}`;
}

/** The weather that there was, or will be, on a day. */
export function trueDay(point: Point, day: DayNumber): DrawnDay {
  const year = Number(isoDay(day).slice(0, 4));
  const key = `${keyOf(point)}/${year}`;
  let drawn = years.get(key);
  const first = dayNumber(`${year}-01-01`);
  if (!drawn) {
    const days = dayNumber(`${year + 1}-01-01`) - first;
    const site = {
      latitude_deg: point.latitudeDeg,
      longitude_deg: point.longitudeDeg,
      elevation_m: point.elevationM,
      normals: normalsAt(point),
    };
    drawn = drawWeather(site, first, days, seedFrom(key), () => undefined, first);
    years.set(key, drawn);
    if (years.size > YEARS_KEPT) years.delete(years.keys().next().value!);
  }
  return drawn[day - first]!;
}

/**
 * What was expected on `issued` of the days after it: `expectedDays(point, issued, 7)[0]` is tomorrow's.
 * The same run is wrong in the same way whenever it is read again.
 */
export function expectedDays(point: Point, issued: DayNumber, days: number): DrawnDay[] {
  const random = seededRandom(seedFrom(`${keyOf(point)} as of ${issued}`));
  let low = standardNormal(random);
  let high = standardNormal(random);
  const fresh = Math.sqrt(1 - ERROR_MEMORY ** 2);
  return Array.from({ length: days }, (_, i) => {
    const lead = i + 1;
    const day = issued + lead;
    const truth = trueDay(point, day);
    const common = standardNormal(random);
    low = ERROR_MEMORY * low + fresh * (0.7 * common + 0.7 * standardNormal(random));
    high = ERROR_MEMORY * high + fresh * (0.7 * common + 0.7 * standardNormal(random));
    const errorK = ERROR_FIRST_K + ERROR_A_DAY_K * (lead - 1);
    const tminC = truth.tminC + errorK * low;
    const beside = random() < RAIN_SHIFTED * lead ? trueDay(point, day + (random() < 0.5 ? 1 : -1)) : truth;
    const longest = dayLengthH(point.latitudeDeg, dayOfYear(day));
    return {
      tminC,
      tmaxC: Math.max(tminC + 0.5, truth.tmaxC + errorK * high),
      rhPct: Math.min(100, Math.max(15, beside.rhPct + 1.5 * lead * standardNormal(random))),
      sunshineH: Math.min(longest, Math.max(0, beside.sunshineH * Math.exp(0.08 * lead * standardNormal(random)))),
      rainMm: beside.rainMm * Math.exp(RAIN_SPREAD * lead * standardNormal(random)),
      windMS: truth.windMS * Math.exp(0.08 * lead * standardNormal(random)),
    };
  });
}
