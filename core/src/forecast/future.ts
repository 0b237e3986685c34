/** The days ahead: each member takes a rate from the posterior, a moisture to start from, and one possible weather. */
import type { DayNumber } from '../calendar/day.ts';
import { dryStep, lossAt } from '../drydown/step.ts';
import { pour } from '../drydown/wetting.ts';
import { atRate } from '../belief/grid.ts';
import type { Cell, Present } from '../belief/present.ts';
import { BENT_SD, driveShift } from '../belief/rate.ts';
import { DRY_TO_M } from '../moisture.ts';
import { clamp } from '../numeric/curves.ts';
import { HORIZON_DAYS, MEMBERS, NEAR_DAYS, type GardenClimate } from './climate.ts';
import { dueMoisture, type PlantModel } from './plantModel.ts';

export interface Futures {
  /** ln of each member's pace */
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

/** A prime step through the members, so that starts, deviations and weathers are not in step with each other. */
const START_STRIDE = 37;
const DEVIATION_STRIDE = 23;
const TAIL_STRIDE = 29;
/** What stays unknown of how the last water leaves, on the log of the moisture at which the surface gives up. */
const TAIL_SD = 0.2;
const BENT_STRIDE = 11;
/**
 * And of how the whole pot slows towards its end, roots and walls too: below this moisture by a share that grows to this
 * much at bone dry. Wide enough that other physics' dry-downs of over 60 days lie inside the bounds as often as told
 * (core/test/world.ts, PHYSICS).
 */
const SLOW_BELOW_M = 0.5;
const SLOW_MEAN = 0.05;
const SLOW_SD = 0.3;
const MOST_SLOW = 0.85;
const SLOW_STRIDE = 47;
/** A season is the mean of so many days; its pace is reckoned anew every few. */
const SEASON_DAYS = 21;
const PACE_EVERY_DAYS = 7;
const LEAST_LOSS = 1e-5;

/** What a collection has taught of drying, for the days ahead. */
export interface Taught {
  /** moisture below which the surface dries out (drydown/step.ts) */
  surfaceWetM: number;
  /** how the reckoning errs with the season (belief/rate.ts) */
  bent: number;
  /** ln of the mean daily loss at half wetness for which the rates hold */
  drive: number;
}

export function runFutures(model: PlantModel, present: Present, climate: GardenClimate, taught: Taught): Futures {
  const futures: Futures = {
    rates: new Float64Array(MEMBERS),
    m: new Float64Array(MEMBERS),
    dryDay: new Float64Array(MEMBERS).fill(Infinity),
    dueDay: new Float64Array(MEMBERS).fill(Infinity),
    paths: Array.from({ length: MEMBERS }, () => new Float64Array(PATH_DAYS + 1)),
  };
  const dueM = dueMoisture(model.traits);
  startMembers(futures, model, present, climate.today, dueM);
  const run = new Run(model, climate, taught, futures, dueM);
  run.until(NEAR_DAYS);
  if (futures.dryDay.some((day) => day === Infinity)) run.until(HORIZON_DAYS);
  return futures;
}

/**
 * Each member takes its share of what may be in the pot now, fastest first, and so meets a rate, a deviation and a
 * weather in no order.
 */
function startMembers(futures: Futures, model: PlantModel, present: Present, today: DayNumber, dueM: number): void {
  const { cells } = present;
  let at = 0;
  let passed = cells[0]!.weight;
  for (let i = 0; i < MEMBERS; i++) {
    while (passed < (i + 0.5) / MEMBERS && at < cells.length - 1) passed += cells[++at]!.weight;
    const cell = cells[at]!;
    const member = (i * START_STRIDE) % MEMBERS;
    const m = clamp(cell.m + cell.sd * DEVIATIONS[(i * DEVIATION_STRIDE) % MEMBERS]!, 0, model.pot.holes ? 1 : 2);
    futures.rates[member] = cell.lnRate;
    futures.m[member] = m;
    if (m <= DRY_TO_M) futures.dryDay[member] = pastDryDay(cell, today);
    if (m <= dueM) futures.dueDay[member] = dueM === DRY_TO_M ? futures.dryDay[member]! : today;
  }
}

/** The members on their way, as far as anybody wants to know. */
class Run {
  private readonly now: Float64Array;
  private readonly tails: Float64Array;
  /** each member's bent with the season, what its loss at half wetness has been lately, and its pace for that */
  private readonly bents: Float64Array;
  private readonly lately: Float64Array;
  private readonly paces: Float64Array;
  /** by what share each member slows towards its end */
  private readonly slows: Float64Array;
  private day = 0;

  constructor(
    private readonly model: PlantModel,
    private readonly climate: GardenClimate,
    private readonly taught: Taught,
    private readonly futures: Futures,
    private readonly dueM: number,
  ) {
    const { surfaceWetM, bent, drive } = taught;
    const normal = (member: number, stride: number) => inverseNormal((((member * stride) % MEMBERS) + 0.5) / MEMBERS);
    this.now = futures.m.slice();
    this.tails = futures.rates.map((_, member) => surfaceWetM * Math.exp(TAIL_SD * normal(member, TAIL_STRIDE)));
    this.bents = futures.rates.map((_, member) => bent + BENT_SD * normal(member, BENT_STRIDE));
    this.slows = futures.rates.map((_, member) =>
      clamp(SLOW_MEAN + SLOW_SD * normal(member, SLOW_STRIDE), -MOST_SLOW, MOST_SLOW),
    );
    this.lately = new Float64Array(MEMBERS).fill(Math.exp(drive));
    this.paces = new Float64Array(MEMBERS).fill(1);
  }

  /** How much slower or faster a member goes by now than where its rate was learned, as the season moved on. */
  private paceOf(member: number): number {
    const { drive } = this.taught;
    const bent = this.bents[member]!;
    return Math.exp(driveShift(Math.log(this.lately[member]! + LEAST_LOSS), bent) - driveShift(drive, bent));
  }

  until(days: number): void {
    const { pot } = this.model;
    const { today } = this.climate;
    const { rates, dryDay, dueDay, paths } = this.futures;
    const store = Math.max(1, pot.capacity.availableMl);
    const offset = today + 1 - this.model.climate.firstDay;
    for (const [member, weather] of this.climate.members(this.model.plant.place, days).entries()) {
      const k = Math.exp(rates[member]!) / store;
      const path = paths[member]!;
      let now = this.now[member]!;
      let lately = this.lately[member]!;
      let pace = this.paces[member]!;
      const slow = this.slows[member]!;
      if (this.day === 0) path[0] = now;
      for (let i = this.day; i < days; i++) {
        if (dryDay[member] !== Infinity && dueDay[member] !== Infinity && i >= PATH_DAYS) break;
        const rain = weather.rainMm[i]!;
        if (rain > 0) now = pour(now, rain * pot.rainMlPerMm, store, pot).m;
        const surface = weather.surfaceMm[i]! * pot.surfaceMlPerMm;
        const wall = weather.wallMm[i]! * pot.wallMlPerMm;
        const plant = weather.surfaceMm[i]! * pot.plantMlPerMm * this.model.drinking[offset + i]!;
        const tail = this.tails[member]!;
        lately += (lossAt(0.5, surface, wall, plant, tail) / store - lately) / SEASON_DAYS;
        if (i % PACE_EVERY_DAYS === PACE_EVERY_DAYS - 1) {
          this.lately[member] = lately;
          pace = this.paceOf(member);
        }
        const x = k * (now < SLOW_BELOW_M ? pace * (1 - slow * (1 - now / SLOW_BELOW_M)) : pace);
        now = dryStep(now, x * surface, x * wall, x * plant, tail);
        if (i < PATH_DAYS) path[i + 1] = now;
        if (now <= DRY_TO_M && dryDay[member] === Infinity) dryDay[member] = today + 1 + i;
        if (now <= this.dueM && dueDay[member] === Infinity) dueDay[member] = today + 1 + i;
      }
      this.now[member] = now;
      this.lately[member] = lately;
      this.paces[member] = pace;
    }
    this.day = days;
  }
}

/** When a pot that is dry now became so. */
function pastDryDay({ branch, x }: Cell, today: DayNumber): DayNumber {
  // Nodes that are not dry yet count as today; the others are joined by straight lines.
  return Math.round(
    atRate(
      branch.dryDay.map((day) => (Number.isNaN(day) ? today : day)),
      x,
    ),
  );
}

/** Quantile of the standard normal (Acklam's rational approximation, error under 1.2e-9 in its middle). */
function inverseNormal(p: number): number {
  const q = p - 0.5;
  if (Math.abs(q) <= 0.47575) {
    const r = q * q;
    return (
      ((((((-39.69683028665376 * r + 220.9460984245205) * r - 275.9285104469687) * r + 138.357751867269) * r -
        30.66479806614716) *
        r +
        2.506628277459239) *
        q) /
      (((((-54.47609879822406 * r + 161.5858368580409) * r - 155.6989798598866) * r + 66.80131188771972) * r -
        13.28068155288572) *
        r +
        1)
    );
  }
  const r = Math.sqrt(-2 * Math.log(Math.min(p, 1 - p)));
  const tail =
    (((((-0.007784894002430293 * r - 0.3223964580411365) * r - 2.400758277161838) * r - 2.549732539343734) * r +
      4.374664141464968) *
      r +
      2.938163982698783) /
    ((((0.007784695709041462 * r + 0.3224671290700398) * r + 2.445134137142996) * r + 3.754408661907416) * r + 1);
  return q < 0 ? tail : -tail;
}

/**
 * The middles of as many equal shares of a normal: the same for every plant, whatever number it bears in whichever book,
 * so that a garden taken in from its file is told the same.
 */
const DEVIATIONS = Float64Array.from({ length: MEMBERS }, (_, i) => inverseNormal((i + 0.5) / MEMBERS));
