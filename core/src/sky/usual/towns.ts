/**
 * Towns whose usual weather ships, one a row that goes on over indented lines: name (blanks as _), country, latitude and longitude in degrees, height in
 * m, km to the sea; then, each by month from January: mean lowest and mean highest of the day in °C, sunshine in tens of
 * hours a month, relative humidity in %, days with at least 1 mm of rain; at last wind at 10 m in dm/s for January,
 * April, July and October. All are rounded and approximate.
 */
import type { Normals } from '../../garden.ts';
import { AFRICA_ASIA_OCEANIA } from './africaAsiaOceania.ts';
import { AMERICAS } from './americas.ts';
import { EUROPE } from './europe.ts';

export interface UsualTown {
  name: string;
  /** ISO 3166 alpha-2 */
  country: string;
  latitudeDeg: number;
  longitudeDeg: number;
  elevationM: number;
  coastKm: number;
  normals: Normals;
}

const DAYS_IN_MONTH = [31, 28.25, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31];
/** Wind at 2 m of that at 10 m over grass (FAO 56, eq. 47). */
const AT_TWO_METRES = 4.87 / Math.log(67.8 * 10 - 5.42);
const tenth = (value: number) => Math.round(value * 10) / 10;

/**
 * The month's fall with which the model has so many wet days: the inverse of its `wetDayRain`, 3 mm and 3 % of the total
 * a wet day. What waters a pot in the open is how often it rains; heavy tropical days run off.
 */
export function rainForDays(days: number): number {
  return Math.round((3 * days) / (1 - 0.03 * days));
}

/** Four seasons' figures by month, straight lines between them. */
function byMonth(seasons: readonly number[]): number[] {
  return Array.from({ length: 12 }, (_, month) => {
    const from = Math.floor(month / 3);
    const share = (month % 3) / 3;
    return seasons[from]! * (1 - share) + seasons[(from + 1) % 4]! * share;
  });
}

/**
 * One row read.
 *
 * @throws RangeError for a row that has not twelve figures where twelve belong: a slip of whoever wrote it.
 */
export function readTown(row: string): UsualTown {
  const [head, ...columns] = row.split(/;\s+/);
  const [name, country, ...whereabouts] = head!.split(' ');
  const [latitudeDeg, longitudeDeg, elevationM, coastKm] = whereabouts.map(Number);
  const figures = columns.map((column) => column.split(' ').map(Number));
  const whole = figures.map(({ length }) => length).join() === '12,12,12,12,12,4';
  if (!whole || whereabouts.length !== 4 || figures.flat().some(Number.isNaN))
    throw new RangeError(`five times twelve figures and four are wanted: ${row}`);
  const [low = [], high = [], sunTens = [], humidity = [], wetDays = [], wind = []] = figures;
  return {
    name: name!.replaceAll('_', ' '),
    country: country!,
    latitudeDeg: latitudeDeg!,
    longitudeDeg: longitudeDeg!,
    elevationM: elevationM!,
    coastKm: coastKm!,
    normals: {
      tmin_c: low,
      tmax_c: high,
      rh_pct: humidity,
      sunshine_h: sunTens.map((tens, month) => tenth((tens * 10) / DAYS_IN_MONTH[month]!)),
      rain_mm: wetDays.map(rainForDays),
      wind_m_s: byMonth(wind).map((decimetres) => tenth((decimetres / 10) * AT_TWO_METRES)),
    },
  };
}

let towns: readonly UsualTown[] | null = null;

/** All of them, read once. */
export function usualTowns(): readonly UsualTown[] {
  towns ??= [EUROPE, AMERICAS, AFRICA_ASIA_OCEANIA].flatMap((rows) =>
    rows
      .trim()
      .split(/\n(?! )/)
      .map(readTown),
  );
  return towns;
}
