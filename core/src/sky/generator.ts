/**
 * Weather drawn from the normals: what the days nobody has seen may be like.
 * A first-order Markov chain of wet and dry days with exponential falls, and temperature residuals as AR(1)
 * whose mean is shifted by wet and dry (Richardson 1981, Water Resources Research 17, 182–190).
 * The shifts cancel over a month, so means stay those of the normals.
 */
import { type DayNumber, dayNumber, dayOfYear } from '../calendar/day.ts';
import type { Normals, Site, WeatherDay } from '../garden.ts';
import { clamp } from '../numeric/curves.ts';
import { type Random, seededRandom, standardNormal } from '../numeric/random.ts';
import { normalDay } from './normals.ts';
import { dayLengthH } from './solar.ts';

export interface DrawnDay {
  tminC: number;
  tmaxC: number;
  rhPct: number;
  sunshineH: number;
  rainMm: number;
  windMS: number;
}

/** Day-to-day memory of temperature (Richardson 1981 finds 0.6–0.7). */
const PERSISTENCE = 0.68;
/** How much likelier a wet day is after a wet day than after a dry one. */
const WET_PERSISTENCE = 0.3;
/** Wet days are dull, mild by night and cool by day. */
const WET_TMAX_C = -1.8;
const WET_TMIN_C = 0.8;
const WET_RH_PCT = 9;
const WET_SUN_SHARE = 0.35;
/** Spread of daily wind about its mean, on a log scale. */
const WIND_LOG_SD = 0.35;

/**
 * Standard deviation of daily temperature about the normal, K. Continental climates swing more:
 * about 1.2 K on the equator and 3.3 K where July is 21 K warmer than January.
 */
export function temperatureSdC(normals: Normals): number {
  const means = normals.tmin_c.map((low, month) => (low + normals.tmax_c[month]!) / 2);
  return clamp(1.2 + 0.1 * (Math.max(...means) - Math.min(...means)), 1.2, 4);
}

/**
 * How much of a forecast's departure from normal is worth believing, by days ahead:
 * 0.98 tomorrow, 0.84 on day three, a half in a week.
 */
export function forecastSkill(leadDays: number): number {
  return 1 / (1 + (leadDays / 7) ** 2);
}

/** How far a record of a day is to be believed: wholly if it was measured, else by how long before it was told. */
export function skillOf(record: WeatherDay, day: DayNumber, today: DayNumber): number {
  if (record.source === 'observed') return 1;
  const issued = record.issued == null ? today : dayNumber(record.issued);
  return forecastSkill(Math.max(1, day - issued));
}

/**
 * Draws `days` days from `firstDay`. Where `known(day)` gives an observed day it is taken as it is; a forecast day is
 * believed by {@link forecastSkill} and blurred by the rest.
 */
export function drawWeather(
  site: Site,
  firstDay: DayNumber,
  days: number,
  seed: number,
  known: (day: DayNumber) => WeatherDay | undefined,
  today: DayNumber,
): DrawnDay[] {
  const random = seededRandom(seed);
  const sd = temperatureSdC(site.normals);
  const drawn: DrawnDay[] = [];
  let low = standardNormal(random);
  let high = standardNormal(random);
  // A forecast's error wanders by itself: the day before, told cold too, has said nothing of it.
  let lowMiss = low;
  let highMiss = high;
  let wet = false;
  for (let i = 0; i < days; i++) {
    const day = firstDay + i;
    const record = known(day);
    const normal = normalDay(site.normals, day);
    // Common noise keeps a warm night next to a warm day; the rest is each one's own.
    const common = standardNormal(random);
    const innovation = Math.sqrt(1 - PERSISTENCE ** 2);
    const lowNews = innovation * (0.8 * common + 0.6 * standardNormal(random));
    const highNews = innovation * (0.8 * common + 0.6 * standardNormal(random));
    low = PERSISTENCE * low + lowNews;
    high = PERSISTENCE * high + highNews;
    lowMiss = PERSISTENCE * lowMiss + lowNews;
    highMiss = PERSISTENCE * highMiss + highNews;
    const chance: number = wet
      ? normal.wetChance + WET_PERSISTENCE * (1 - normal.wetChance)
      : normal.wetChance * (1 - WET_PERSISTENCE);
    wet = random() < chance;
    const free: DrawnDay = drawDay(
      random,
      site,
      day,
      normal,
      wet,
      (record ? lowMiss : low) * sd,
      (record ? highMiss : high) * sd,
    );
    if (!record) {
      drawn.push(free);
      continue;
    }
    const skill = skillOf(record, day, today);
    const blended: DrawnDay = blend(record, free, normal.tminC, normal.tmaxC, skill);
    drawn.push(blended);
    // Hand the known day's residual on, so that the first unknown day starts from the last known one.
    low = (blended.tminC - normal.tminC) / sd;
    high = (blended.tmaxC - normal.tmaxC) / sd;
    wet = blended.rainMm > 0.5;
  }
  return drawn;
}

function drawDay(
  random: Random,
  site: Site,
  day: DayNumber,
  normal: ReturnType<typeof normalDay>,
  wet: boolean,
  lowC: number,
  highC: number,
): DrawnDay {
  const { wetChance } = normal;
  // What a wet day takes, the dry days give back.
  const dryShare = wetChance < 1 ? -wetChance / (1 - wetChance) : 0;
  const shift = wet ? 1 : dryShare;
  const tminC = normal.tminC + lowC + WET_TMIN_C * shift;
  const tmaxC = Math.max(tminC + 0.5, normal.tmaxC + highC + WET_TMAX_C * shift);
  const length = dayLengthH(site.latitude_deg, dayOfYear(day));
  const meanSun = wet
    ? WET_SUN_SHARE * normal.sunshineH
    : (normal.sunshineH * (1 - wetChance * WET_SUN_SHARE)) / (1 - wetChance);
  const rainMm = wet ? -Math.log(1 - random()) * normal.wetDayRainMm : 0;
  const sunShare = length > 0 ? clamp(meanSun / length, 0, 1) : 0;
  return {
    tminC,
    tmaxC,
    rhPct: clamp(normal.rhPct + WET_RH_PCT * shift + 5 * standardNormal(random), 15, 100),
    sunshineH: length * spreadShare(sunShare, random()),
    rainMm,
    windMS: normal.windMS * Math.exp(WIND_LOG_SD * standardNormal(random) - WIND_LOG_SD ** 2 / 2),
  };
}

/**
 * A share with this mean, spread as sunshine is: Kumaraswamy-like through a triangular draw that keeps its mean,
 * since both sides reach exactly from the mean to the nearer bound.
 */
function spreadShare(meanShare: number, u: number): number {
  const reach = Math.min(meanShare, 1 - meanShare);
  return meanShare + reach * (2 * u - 1);
}

function blend(record: WeatherDay, free: DrawnDay, normalLowC: number, normalHighC: number, skill: number): DrawnDay {
  if (skill === 1) {
    return {
      tminC: record.tmin_c,
      tmaxC: record.tmax_c,
      rhPct: record.rh_pct,
      sunshineH: record.sunshine_h,
      rainMm: record.rain_mm,
      windMS: record.wind_m_s,
    };
  }
  const rest = Math.sqrt(1 - skill * skill);
  const tminC = normalLowC + skill * (record.tmin_c - normalLowC) + rest * (free.tminC - normalLowC);
  const tmaxC = normalHighC + skill * (record.tmax_c - normalHighC) + rest * (free.tmaxC - normalHighC);
  const mix = (told: number, drawn: number) => skill * told + (1 - skill) * drawn;
  return {
    tminC,
    tmaxC: Math.max(tmaxC, tminC + 0.5),
    rhPct: mix(record.rh_pct, free.rhPct),
    sunshineH: mix(record.sunshine_h, free.sunshineH),
    rainMm: mix(record.rain_mm, free.rainMm),
    windMS: mix(record.wind_m_s, free.windMS),
  };
}
