/**
 * A year of many pots under many weathers: the innermost loop of planning, on plain columns of numbers.
 *
 * A pot is watered at the end of the day on which its rule has been met for as many days as it holds and its season
 * allows water; what comes out is how often that was so on each day. The product reckons the weeks ahead with it
 * (forecast/load.ts). bench/kernel.c is the same loop in C, for measuring this one against.
 */
import { lossAt, manySteps, singleStep, stepLimit } from './step.ts';

export interface KernelPots {
  count: number;
  /** which place's weather each pot takes */
  place: Int32Array;
  /** the day on which each pot starts, with its `m` before it */
  from: Int32Array;
  /** days that each rule waits once it is met */
  holdDays: Int32Array;
  /** shares of the store lost for a millimetre of potential evaporation, by path, learned rate included */
  surfacePerMm: Float64Array;
  wallPerMm: Float64Array;
  plantPerMm: Float64Array;
  /** share of the store a millimetre of rain brings */
  rainPerMm: Float64Array;
  surfaceWetM: Float64Array;
  /** moisture at which the rule is met */
  dueM: Float64Array;
  /** moisture to start from */
  m: Float64Array;
  /** how much each plant drinks on each day: count × days, below nothing where no water is allowed */
  drinking: Float32Array;
}

export interface KernelWeather {
  days: number;
  members: number;
  places: number;
  /** members × places × days each, mm */
  surfaceMm: Float32Array;
  wallMm: Float32Array;
  rainMm: Float32Array;
}

/** Adds to `watered` (count × days) the number of members in which each pot was watered on each day. */
export function yearKernel(pots: KernelPots, weather: KernelWeather, watered: Uint16Array): void {
  const { days, members, places, surfaceMm, wallMm, rainMm } = weather;
  const { drinking } = pots;
  for (let member = 0; member < members; member++) {
    for (let pot = 0; pot < pots.count; pot++) {
      const from = (member * places + pots.place[pot]!) * days;
      const row = pot * days;
      const surface = pots.surfacePerMm[pot]!;
      const wall = pots.wallPerMm[pot]!;
      const plant = pots.plantPerMm[pot]!;
      const rain = pots.rainPerMm[pot]!;
      const wetM = pots.surfaceWetM[pot]!;
      const due = pots.dueM[pot]!;
      const hold = pots.holdDays[pot]!;
      let held = 0;
      let m = pots.m[pot]!;
      for (let day = pots.from[pot]!; day < days; day++) {
        const mm = surfaceMm[from + day]!;
        const drinks = drinking[row + day]!;
        const fallen = rainMm[from + day]!;
        if (fallen > 0) {
          m += fallen * rain;
          if (m > 1) m = 1;
        }
        // dryStep, taken apart: as one it is too large to be inlined, and a call would box every number it passes.
        const s = mm * surface;
        const w = wallMm[from + day]! * wall;
        const p = mm * plant * (drinks > 0 ? drinks : 0);
        const first = lossAt(m, s, w, p, wetM);
        m = first <= stepLimit(m) ? singleStep(m, first, s, w, p, wetM) : manySteps(m, first, s, w, p, wetM);
        if (m > due) held = 0;
        else if (held < hold) held++;
        else if (drinks >= 0) {
          m = 1;
          held = 0;
          watered[row + day]!++;
        }
      }
    }
  }
}
