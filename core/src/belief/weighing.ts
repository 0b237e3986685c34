/**
 * How a look is weighed: it multiplies into the weight of every way of things under every rate, and moves the deviation
 * that runs beside the trajectory, as a Kalman filter would, by as much as the look is believed.
 */
import type { Sign } from '../garden.ts';
import type { Branch } from './branches.ts';
import { GRID_SIZE, type GridRange, spreadMoisture } from './grid.ts';
import { deviationSd, type Figure, normalAt, signLikelihood, tableIndex, type Words, wordTable } from './looks.ts';
import { WANDERS_TRIED } from './wander.ts';

/** What a look is weighed against: the ways it may have gone, and how likely each rate is taken to be. */
export interface Believed {
  branches: readonly Branch[];
  /** density of ln k on the grid */
  belief: Float64Array;
  /** the rates that are walked */
  range: GridRange;
}

/** Moistures of a branch over the grid, used and used again. */
const SCRATCH = new Float64Array(GRID_SIZE);

/** @param slips how often such looks are wrong @returns of each branch, how likely the look was a slip on it */
export function weighWords({ branches, belief, range }: Believed, words: Words, slips: number): number[] {
  const { low, high } = range;
  const shares: number[] = [];
  for (const branch of branches) {
    const table = wordTable(words, branch.zVar, slips);
    const moistures = spreadMoisture(branch.m, SCRATCH, range);
    let slipMass = 0;
    let mass = 0;
    let told = 0;
    for (let i = low; i <= high; i++) {
      const sd = deviationSd(moistures[i]!);
      const at = tableIndex(moistures[i]! + sd * branch.z[i]!);
      const chance = table.chance[at]!;
      const believed = belief[i]! * branch.weights[i]!;
      slipMass += believed * table.slip;
      mass += believed * chance;
      branch.weights[i]! *= chance;
      branch.z[i]! += clampZ(branch.zVar * sd * table.slope[at]!);
      told += believed * chance * (sd * table.slope[at]!) ** 2;
    }
    if (mass > 0) branch.zVar /= 1 + (branch.zVar * told) / mass;
    shares.push(mass > 0 ? slipMass / mass : 0);
  }
  return shares;
}

/**
 * How likely a figure is under each of WANDERS_TRIED (wander.ts), before it moves anything: logs.
 *
 * @param wanderVar the square of the wander that the branches are walked with
 */
export function wanderChances({ branches, belief, range }: Believed, figure: Figure, wanderVar: number): number[] {
  const { low, high } = range;
  const chances = WANDERS_TRIED.map(() => 0);
  let total = 0;
  for (const branch of branches) {
    const moistures = spreadMoisture(branch.m, SCRATCH, range);
    for (let i = low; i <= high; i++) {
      const believed = belief[i]! * branch.weights[i]!;
      total += believed;
      if (!(believed > 0)) continue;
      const sd = deviationSd(moistures[i]!);
      const off = figure.m - moistures[i]! - sd * branch.z[i]!;
      for (const [w, { wander }] of WANDERS_TRIED.entries()) {
        const own = (branch.zVar / wanderVar) * (wander * sd) ** 2;
        const spread = Math.sqrt(own + figure.sd * figure.sd);
        chances[w]! += believed * (((1 - figure.slips) * normalAt(off / spread)) / spread + figure.slipDensity);
      }
    }
  }
  return chances.map((chance) => (total > 0 ? Math.log(chance / total) : 0));
}

/** @returns of each branch, how likely the look was a slip on it */
export function weighFigure({ branches, belief, range }: Believed, figure: Figure): number[] {
  const { low, high } = range;
  const shares: number[] = [];
  for (const branch of branches) {
    const moistures = spreadMoisture(branch.m, SCRATCH, range);
    let slipMass = 0;
    let mass = 0;
    let learned = 0;
    for (let i = low; i <= high; i++) {
      const m = moistures[i]!;
      const sd = deviationSd(m);
      const spread = Math.sqrt(sd * sd * branch.zVar + figure.sd * figure.sd);
      const off = figure.m - m - sd * branch.z[i]!;
      const u = off / spread;
      const clear = ((1 - figure.slips) * normalAt(u)) / spread;
      const chance = clear + figure.slipDensity;
      const believed = belief[i]! * branch.weights[i]!;
      slipMass += believed * figure.slipDensity;
      mass += believed * chance;
      branch.weights[i]! *= chance;
      const believable = clear / chance;
      const gain = (branch.zVar * sd) / (spread * spread);
      branch.z[i]! += believable * gain * off;
      learned += believed * chance * believable * gain * sd;
    }
    branch.zVar *= Math.max(0.02, 1 - (mass > 0 ? learned / mass : 0));
    shares.push(mass > 0 ? slipMass / mass : 0);
  }
  return shares;
}

/** @returns false where the sign says nothing of moisture */
export function weighSign({ branches, range }: Believed, sign: Sign, strength: number): boolean {
  const { low, high } = range;
  if (signLikelihood(sign, strength, 0) === null) return false;
  for (const branch of branches) {
    const moistures = spreadMoisture(branch.m, SCRATCH, range);
    for (let i = low; i <= high; i++) branch.weights[i]! *= signLikelihood(sign, strength, moistures[i]!)!;
  }
  return true;
}

/** A look by words moves a deviation by so much at most, in its standard deviations. */
function clampZ(step: number): number {
  return step > 1.5 ? 1.5 : step < -1.5 ? -1.5 : step;
}
