/**
 * How fast a plant's place and season would empty any pot and mix: what the potting bench asks of the engine, in a few
 * numbers that fit on a wire, so that a hundred thousand recipes can be tried without it.
 */
import { crockFloorMm } from '../pot/shape.ts';
import { dayOfYear } from '../calendar/day.ts';
import { potModel } from '../drydown/potModel.ts';
import type { Plant, Pot } from '../garden.ts';
import type { Blend } from '../mix/blend.ts';
import type { Traits } from '../plant/traits.ts';
import { steadyDaysToDry } from './because.ts';
import type { PlantModel } from './plantModel.ts';

/** Mean demand of the air and of the plant over some weeks. */
export interface Drive {
  /** potential evaporation from a wet surface, and through a wet wall, mm a day */
  surfaceMm: number;
  wallMm: number;
  /** how much the plant drinks against its best */
  drinking: number;
}

export interface Drying {
  /** over the four weeks ahead */
  now: Drive;
  /** over the four weeks of the winter ahead in which its pot dries slowest */
  winter: Drive;
  /** pace of its pots against the reckoned one */
  rate: { p10: number; p50: number; p90: number };
  surfaceWetM: number;
  plant: Pick<Plant, 'diameter_mm' | 'height_mm' | 'ideal_from_c' | 'heat_from_c'>;
  traits: Traits;
}

const WINDOW_DAYS = 28;
const YEAR_DAYS = 364;

export function dryingOf(
  model: PlantModel,
  {
    today,
    rate,
    surfaceWetM,
    latitudeDeg,
  }: { today: number; rate: Drying['rate']; surfaceWetM: number; latitudeDeg: number },
): Drying {
  const start = today + 1 - model.climate.firstDay;
  const windows = Array.from({ length: YEAR_DAYS / WINDOW_DAYS }, (_, i) => meanDrive(model, start + i * WINDOW_DAYS));
  const { plant, traits, pot } = model;
  const winters = windows.filter((_, i) => isWinter(today + 1 + (i + 0.5) * WINDOW_DAYS, latitudeDeg));
  const days = (drive: Drive) => steadyDaysToDry(pot, { drive, drinking: drive.drinking, rate: rate.p50 }, surfaceWetM);
  const slowest = winters.reduce((slow, one) => (days(one) > days(slow) ? one : slow));
  const { diameter_mm, height_mm } = plant;
  return {
    now: windows[0]!,
    winter: slowest,
    rate,
    surfaceWetM,
    plant: {
      diameter_mm,
      height_mm,
      ideal_from_c: plant.ideal_from_c ?? null,
      heat_from_c: plant.heat_from_c ?? null,
    },
    traits,
  };
}

/** Days of the year with the shortest light, north and south, and how far winter reaches on each side of them. */
const DARKEST = { north: 355, south: 172 };
const WINTER_REACH_DAYS = 70;
const DAYS_A_YEAR = 365;

function isWinter(day: number, latitudeDeg: number): boolean {
  const apart = Math.abs(dayOfYear(Math.floor(day)) - (latitudeDeg >= 0 ? DARKEST.north : DARKEST.south));
  return Math.min(apart, DAYS_A_YEAR - apart) <= WINTER_REACH_DAYS;
}

function meanDrive({ climate, drinking }: PlantModel, from: number): Drive {
  const to = Math.min(climate.days, from + WINDOW_DAYS);
  let surface = 0;
  let wall = 0;
  let drunk = 0;
  for (let i = from; i < to; i++) {
    surface += climate.surfaceMm[i]!;
    wall += climate.wallMm[i]!;
    drunk += climate.surfaceMm[i]! * drinking[i]!;
  }
  const count = Math.max(1, to - from);
  return { surfaceMm: surface / count, wallMm: wall / count, drinking: surface > 0 ? drunk / surface : 0 };
}

export interface DaysToDry {
  p10: number;
  p50: number;
  p90: number;
}

/** Days from a full drink to dry in this pot and mix, under a steady demand; slow pots are the late bound. */
export function daysToDryIn(
  drying: Drying,
  pot: Pot,
  blend: Blend,
  drive: Drive,
  crockMm = crockFloorMm(pot),
): DaysToDry {
  const model = potModel(drying.plant, pot, blend, drying.traits, crockMm);
  const days = (rate: number) => steadyDaysToDry(model, { drive, drinking: drive.drinking, rate }, drying.surfaceWetM);
  return { p10: days(drying.rate.p90), p50: days(drying.rate.p50), p90: days(drying.rate.p10) };
}

/**
 * The same as a function of the store alone: a mix tells on a pot's pace only by how much water it holds.
 *
 * @param any a blend of whatever parts: its own store is not used
 */
export function storeDaysIn(
  drying: Drying,
  pot: Pot,
  any: Blend,
  drive: Drive,
): { volumeMl: number; days: (availableMl: number) => number } {
  const model = potModel(drying.plant, pot, any, drying.traits);
  const conditions = { drive, drinking: drive.drinking, rate: drying.rate.p50 };
  return {
    volumeMl: model.capacity.volumeMl,
    days: (availableMl) =>
      steadyDaysToDry({ ...model, capacity: { ...model.capacity, availableMl } }, conditions, drying.surfaceWetM),
  };
}
