/** The days ahead: each member takes a rate from the posterior, a moisture to start from, and one possible weather. */
import type { DayNumber } from '../calendar/day.ts';
import { dryStep } from '../drydown/step.ts';
import { pour } from '../drydown/wetting.ts';
import { atRate, gridQuantile, onGrid } from '../learn/grid.ts';
import { DRY_TO_M } from '../learn/likelihood.ts';
import type { History } from '../learn/history.ts';
import { seededRandom, seedFrom } from '../numeric/random.ts';
import { clamp } from '../numeric/shape.ts';
import { HORIZON_DAYS, MEMBERS, NEAR_DAYS, type GardenClimate } from './climate.ts';
import { dueMoisture, type PlantModel } from './plantModel.ts';

export interface Futures {
  /** ln k of each member */
  rates: Float64Array;
  /** moisture at the end of today */
  m: Float64Array;
  /** first day that ends dry, from today's number on; Infinity past the horizon; a dry pot has its day in the past */
  dryDay: Float64Array;
  /** first day on which the rule is met */
  dueDay: Float64Array;
  /** moisture at the end of each of the first days, member by member */
  paths: Float64Array[];
}

/** How long the paths for the strip and the curve are kept. */
export const PATH_DAYS = 42;
/** What stays unknown of moisture once the rate is known: layers, edges, uneven wetting. Least at the dry end. */
const MOISTURE_SD_WET = 0.06;
const MOISTURE_SD_DRY = 0.012;
/** A scale sees the whole pot: less stays unknown. */
const WEIGHED_SHARE = 0.6;

/** A prime step through the members, so that rates, starts and weathers are not in step with each other. */
const RATE_STRIDE = 37;
const START_STRIDE = 23;
const TAIL_STRIDE = 29;
/** What stays unknown of how the last water leaves, on the log of the moisture at which the surface gives up. */
const TAIL_SD = 0.2;

export function runFutures(model: PlantModel, history: History, rateNow: Float64Array, climate: GardenClimate, surfaceWetM: number): Futures {
  const rates = new Float64Array(MEMBERS);
  const m = new Float64Array(MEMBERS);
  const dryDay = new Float64Array(MEMBERS).fill(Infinity);
  const dueDay = new Float64Array(MEMBERS).fill(Infinity);
  const today = climate.today;
  const dueM = dueMoisture(model.traits);
  const random = seededRandom(seedFrom(model.plant.id));
  const noise = sortedNormals(random);
  const unknown = history.current.weighed ? WEIGHED_SHARE : 1;
  for (let i = 0; i < MEMBERS; i++) {
    rates[i] = gridQuantile(rateNow, (((i * RATE_STRIDE) % MEMBERS) + 0.5) / MEMBERS);
    const centre = onGrid(history.mNow, rates[i]!);
    const spread = Math.hypot(onGrid(history.mSpread, rates[i]!), unknown * (MOISTURE_SD_DRY + MOISTURE_SD_WET * 2 * Math.sqrt(centre * Math.max(0, 1.02 - centre))));
    m[i] = clamp(centre + spread * noise[(i * START_STRIDE) % MEMBERS]!, 0, model.pot.holes ? 1 : 2);
    if (m[i]! <= DRY_TO_M) dryDay[i] = pastDryDay(history, rates[i]!, today);
    if (m[i]! <= dueM) dueDay[i] = dueM === DRY_TO_M ? dryDay[i]! : today;
  }
  const paths = Array.from({ length: MEMBERS }, () => new Float64Array(PATH_DAYS + 1));
  const state = { m: m.slice(), day: 0 };
  runOn(model, climate, rates, surfaceWetM, state, NEAR_DAYS, dryDay, dueDay, dueM, paths);
  if (dryDay.some((day) => day === Infinity)) runOn(model, climate, rates, surfaceWetM, state, HORIZON_DAYS, dryDay, dueDay, dueM, paths);
  return { rates, m, dryDay, dueDay, paths };
}

function runOn(
  model: PlantModel,
  climate: GardenClimate,
  rates: Float64Array,
  surfaceWetM: number,
  state: { m: Float64Array; day: number },
  until: number,
  dryDay: Float64Array,
  dueDay: Float64Array,
  dueM: number,
  paths: Float64Array[],
): void {
  const { pot } = model;
  const store = Math.max(1, pot.capacity.availableMl);
  const tails = rates.map((_, member) => surfaceWetM * Math.exp(TAIL_SD * inverseNormal((((member * TAIL_STRIDE) % MEMBERS) + 0.5) / MEMBERS)));
  const expected = model.climate;
  const offset = climate.today + 1 - expected.firstDay;
  const from = state.day;
  for (const [member, weather] of climate.members(model.plant.place, until).entries()) {
    const k = Math.exp(rates[member]!) / store;
    const path = paths[member]!;
    let now = state.m[member]!;
    if (from === 0) path[0] = now;
    for (let i = from; i < until; i++) {
      if (dryDay[member] !== Infinity && dueDay[member] !== Infinity && i >= PATH_DAYS) break;
      const rain = weather.rainMm[i]!;
      if (rain > 0) now = pour(now, rain * pot.rainMlPerMm, store, pot).m;
      now = dryStep(
        now,
        k * weather.surfaceMm[i]! * pot.surfaceMlPerMm,
        k * weather.wallMm[i]! * pot.wallMlPerMm,
        k * weather.surfaceMm[i]! * pot.plantMlPerMm * model.drinking[offset + i]!,
        tails[member]!,
      );
      if (i < PATH_DAYS) path[i + 1] = now;
      if (now <= DRY_TO_M && dryDay[member] === Infinity) dryDay[member] = climate.today + 1 + i;
      if (now <= dueM && dueDay[member] === Infinity) dueDay[member] = climate.today + 1 + i;
    }
    state.m[member] = now;
  }
  state.day = until;
}

/** When a pot that is dry now became so, at this rate. */
function pastDryDay(history: History, rate: number, today: DayNumber): DayNumber {
  // Nodes that are not dry yet count as today; the others are joined by straight lines.
  const days = history.dryDay.map((day) => (Number.isNaN(day) ? today : day));
  return Math.round(atRate(days, rate));
}

function sortedNormals(random: () => number): Float64Array {
  // Stratified, so that 64 draws have a mean of nil and a spread of one.
  const out = new Float64Array(MEMBERS);
  for (let i = 0; i < MEMBERS; i++) out[i] = inverseNormal((i + 0.15 + 0.7 * random()) / MEMBERS);
  return out;
}

/** Quantile of the standard normal (Acklam's rational approximation, error under 1.2e-9 in its middle). */
function inverseNormal(p: number): number {
  const q = p - 0.5;
  if (Math.abs(q) <= 0.47575) {
    const r = q * q;
    return (
      ((((((-39.69683028665376 * r + 220.9460984245205) * r - 275.9285104469687) * r + 138.357751867269) * r - 30.66479806614716) * r + 2.506628277459239) * q) /
      (((((-54.47609879822406 * r + 161.5858368580409) * r - 155.6989798598866) * r + 66.80131188771972) * r - 13.28068155288572) * r + 1)
    );
  }
  const r = Math.sqrt(-2 * Math.log(Math.min(p, 1 - p)));
  const tail =
    (((((-0.007784894002430293 * r - 0.3223964580411365) * r - 2.400758277161838) * r - 2.549732539343734) * r + 4.374664141464968) * r + 2.938163982698783) /
    ((((0.007784695709041462 * r + 0.3224671290700398) * r + 2.445134137142996) * r + 3.754408661907416) * r + 1);
  return q < 0 ? tail : -tail;
}
