/**
 * The usual weather of any place on land, from that of the towns that ship: a trend by latitude, height and nearness of
 * the sea, and what the towns around differ from it, the nearer the more (kriging of the residuals; Hengl, Heuvelink and
 * Rossiter 2007, "About regression-kriging", Computers & Geosciences 33). Seasons are compared, not months, so that both
 * hemispheres teach the one trend.
 */
import { CholeskyDecomposition, Matrix } from 'ml-matrix';
import type { Normals } from '../../garden.ts';
import { clamp } from '../../numeric/curves.ts';
import { dayLengthH } from '../solar.ts';
import { type UsualTown, usualTowns } from './towns.ts';

export interface Whereabouts {
  latitudeDeg: number;
  longitudeDeg: number;
  elevationM: number;
  coastKm: number;
}

/** The sea is felt less and less inland: by 1/e each hundred kilometres. */
const SEA_FELT_KM = 100;
/** How far what towns differ by reaches: by 1/e each two thousand kilometres. */
const REACH_KM = 2000;
/** A kilometre of height parts two places as so many of distance; the shore and the far inland likewise. */
const HEIGHT_AS_KM = 600;
const SHORE_AS_KM = 800;
/** Of the variance of a town's figure, what is its own: rounding, and the corner where it was read. */
const OWN_SHARE = 0.02;
/** Keeps a trend from leaning on columns that are nearly alike. */
const RIDGE = 1e-3;
const EARTH_KM = 6371;
const RADIANS = Math.PI / 180;
const MID_MONTH_DAYS = [15, 46, 74, 105, 135, 166, 196, 227, 258, 288, 319, 349];
const FIELDS = ['tmin_c', 'tmax_c', 'rh_pct', 'sunshine_h', 'rain_mm', 'wind_m_s'] as const;
type Field = (typeof FIELDS)[number];

/** Great-circle distance, km (haversine). */
export function kmBetween(a: Pick<Whereabouts, 'latitudeDeg' | 'longitudeDeg'>, b: typeof a): number {
  const half =
    Math.sin(((b.latitudeDeg - a.latitudeDeg) * RADIANS) / 2) ** 2 +
    Math.cos(a.latitudeDeg * RADIANS) *
      Math.cos(b.latitudeDeg * RADIANS) *
      Math.sin(((b.longitudeDeg - a.longitudeDeg) * RADIANS) / 2) ** 2;
  return 2 * EARTH_KM * Math.asin(Math.min(1, Math.sqrt(half)));
}

const seaOf = ({ coastKm }: Whereabouts) => Math.exp(-coastKm / SEA_FELT_KM);

/** What the trend hangs on: latitude to the third power, height, sea and how it tells by latitude, hemisphere. */
function trendRow(at: Whereabouts): number[] {
  const lat = Math.abs(at.latitudeDeg) / 50;
  const sea = seaOf(at);
  const south = at.latitudeDeg < 0 ? 1 : 0;
  const high = at.elevationM / 1000;
  return [1, lat, lat ** 2, lat ** 3, high, sea, sea * lat, sea * lat ** 2, south, south * lat, south * lat * sea];
}

function likeness(a: Whereabouts, b: Whereabouts): number {
  const apart = Math.hypot(
    kmBetween(a, b),
    (HEIGHT_AS_KM * (a.elevationM - b.elevationM)) / 1000,
    SHORE_AS_KM * (seaOf(a) - seaOf(b)),
  );
  return Math.exp(-apart / REACH_KM);
}

/** Calendar month (0 January) of a month of the year that begins in midwinter. */
const monthOf = (latitudeDeg: number, season: number) => (latitudeDeg < 0 ? (season + 6) % 12 : season);

/** Sunshine as its share of the day, so that it can be carried over latitudes; rain by its root, as falls spread. */
function carried(field: Field, value: number, latitudeDeg: number, month: number): number {
  if (field === 'sunshine_h') return value / Math.max(1, dayLengthH(latitudeDeg, MID_MONTH_DAYS[month]!));
  return field === 'rain_mm' ? Math.sqrt(value) : value;
}

function broughtBack(field: Field, value: number, latitudeDeg: number, month: number): number {
  const tenth = (figure: number) => Math.round(figure * 10) / 10;
  if (field === 'sunshine_h') return tenth(clamp(value, 0.02, 0.97) * dayLengthH(latitudeDeg, MID_MONTH_DAYS[month]!));
  if (field === 'rain_mm') return Math.round(Math.max(0, value) ** 2);
  if (field === 'rh_pct') return Math.round(clamp(value, 12, 96));
  return field === 'wind_m_s' ? tenth(Math.max(0.4, value)) : tenth(value);
}

/** One field in one month of the year from midwinter: its trend, and each town's weight in what is left of it. */
interface Fitted {
  trend: number[];
  weights: number[];
}

interface Model {
  towns: readonly UsualTown[];
  fitted: Record<Field, Fitted[]>;
}

const dot = (a: readonly number[], b: readonly number[]) => a.reduce((sum, value, i) => sum + value * b[i]!, 0);

/** Fits all fields and months to a list of towns. */
export function fitUsual(towns: readonly UsualTown[]): Model {
  const rows = new Matrix(towns.map(trendRow));
  const normal = rows.transpose().mmul(rows);
  for (let i = 0; i < normal.rows; i++) normal.set(i, i, normal.get(i, i) + RIDGE);
  const trends = new CholeskyDecomposition(normal);
  const likenesses = new CholeskyDecomposition(
    new Matrix(towns.map((a, i) => towns.map((b, j) => likeness(a, b) + (i === j ? OWN_SHARE : 0)))),
  );
  const fit = (field: Field, season: number): Fitted => {
    const values = towns.map(({ latitudeDeg, normals }) => {
      const month = monthOf(latitudeDeg, season);
      return carried(field, normals[field][month]!, latitudeDeg, month);
    });
    const trend = trends.solve(rows.transpose().mmul(Matrix.columnVector(values))).to1DArray();
    const left = values.map((value, i) => value - dot(rows.getRow(i), trend));
    return { trend, weights: likenesses.solve(Matrix.columnVector(left)).to1DArray() };
  };
  const fitted = Object.fromEntries(
    FIELDS.map((field) => [field, Array.from({ length: 12 }, (_, season) => fit(field, season))]),
  ) as Record<Field, Fitted[]>;
  return { towns, fitted };
}

/** The usual weather of a place by a model; every field by calendar month. */
export function usualBy({ towns, fitted }: Model, at: Whereabouts): Normals {
  const row = trendRow(at);
  const alike = towns.map((town) => likeness(at, town));
  const normals = Object.fromEntries(
    FIELDS.map((field) => {
      const months = Array.from<number>({ length: 12 });
      for (let season = 0; season < 12; season++) {
        const month = monthOf(at.latitudeDeg, season);
        const { trend, weights } = fitted[field][season]!;
        months[month] = broughtBack(field, dot(row, trend) + dot(alike, weights), at.latitudeDeg, month);
      }
      return [field, months];
    }),
  ) as Record<Field, number[]>;
  // Fields are carried apart from each other: a night is never warmer than its day.
  normals.tmax_c = normals.tmax_c.map((high, month) => Math.max(high, normals.tmin_c[month]! + 1));
  return normals;
}

let model: Model | null = null;

/**
 * The usual weather of a place on land, approximate: left out one by one, the towns' own means are missed by 1.2 K at
 * night and 1.3 K by day (docs/model.md). Deserts at cold seas and high towns alone in their country are missed most.
 *
 * `usualWeather({ latitudeDeg: 51.45, longitudeDeg: -2.59, elevationM: 20, coastKm: 12 }).tmin_c[0]` is about 3:
 * Bristol in January.
 */
export function usualWeather(at: Whereabouts): Normals {
  model ??= fitUsual(usualTowns());
  return usualBy(model, at);
}

export interface NearTown {
  name: string;
  km: number;
}

/** The town whose figures count most there, and how far off it lies. */
export function nearestUsual(at: Pick<Whereabouts, 'latitudeDeg' | 'longitudeDeg'>): NearTown {
  const [nearest] = usualTowns()
    .map((town) => ({ name: town.name, km: Math.round(kmBetween(at, town)) }))
    .toSorted((a, b) => a.km - b.km);
  return nearest!;
}

/** The distance to the sea of a place whose shore nobody measured: its nearest town's, km. */
export function guessedCoastKm(at: Pick<Whereabouts, 'latitudeDeg' | 'longitudeDeg'>): number {
  const [nearest] = usualTowns().toSorted((a, b) => kmBetween(at, a) - kmBetween(at, b));
  return nearest!.coastKm;
}

const HEIGHT_NEAR_KM = 25;
const HEIGHT_FAR_KM = 400;

/** A guess at the height of a place nobody gave: its town's own, else the mean of those around by nearness, m. */
export function guessedElevationM(at: Pick<Whereabouts, 'latitudeDeg' | 'longitudeDeg'>): number {
  const around = usualTowns()
    .map((town) => ({ town, km: kmBetween(at, town) }))
    .toSorted((a, b) => a.km - b.km);
  if (around[0]!.km < HEIGHT_NEAR_KM) return around[0]!.town.elevationM;
  const near = around.filter(({ km }) => km < HEIGHT_FAR_KM);
  if (near.length === 0) return 0;
  const weight = near.reduce((sum, { km }) => sum + km ** -2, 0);
  return Math.round(near.reduce((sum, { town, km }) => sum + town.elevationM * km ** -2, 0) / weight);
}
