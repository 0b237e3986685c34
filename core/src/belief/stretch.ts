/** A stretch from drink to drink: what was found in it, as evidence on the rate. */
import type { DayNumber } from '../calendar/day.ts';
import { GRID, GRID_SIZE, gridRange, NODES, normalDensity, spreadMoisture, WHOLE_GRID } from './grid.ts';
import type { Stretch } from './history.ts';
import { addRelativeWeights } from './scale.ts';
import type { Walk, WalkState } from './state.ts';

/**
 * Rates believed less than this against the likeliest are not walked; so much doubt of what was learned is kept from
 * stretch to stretch.
 */
const LEAST_BELIEVED = 0.003;
const REMEMBERED_DOUBT = 0.02;
/** Time goes as this power of the water lost. */
const DRYING_SLOWS = 1.5;
const NOMINAL = normalDensity(0, 0.5);
/** Moistures of a branch over the grid, used and used again. */
const SCRATCH = new Float64Array(GRID_SIZE);

/**
 * What was found till now belongs to the stretch that ends here; what follows starts with weights conditional on the
 * rate.
 */
export function closeStretch(walk: Walk, now: WalkState, day: DayNumber): void {
  const stretch = closed(walk, now, day);
  now.stretches.push(stretch);
  // What befell the water before this drink no longer matters; what changed the pot for good does.
  for (const branch of now.branches)
    branch.stories = branch.stories.filter(({ kind, to }) => kind === 'slower' || kind === 'faster' || to >= day);
  let top = -Infinity;
  for (let i = 0; i < GRID_SIZE; i++) top = Math.max(top, stretch.logs[i]!);
  let sum = 0;
  for (let i = 0; i < GRID_SIZE; i++) {
    // Older evidence fades (rate.ts); here it only tells which branches, and which rates, are worth keeping.
    now.belief[i] =
      (REMEMBERED_DOUBT * NOMINAL[i]! + (1 - REMEMBERED_DOUBT) * now.belief[i]!) *
      Math.exp(0.7 * (stretch.logs[i]! - top));
    sum += now.belief[i]!;
  }
  for (let i = 0; i < GRID_SIZE; i++) now.belief[i]! /= sum;
  for (let i = 0; i < GRID_SIZE; i++) {
    let total = 0;
    for (const { weights } of now.branches) total += weights[i]!;
    // Rates that were left out of the stretch come in again as the branches stand.
    for (const [b, { weights }] of now.branches.entries())
      weights[i] = total > 0 ? weights[i]! / total : b === 0 ? 1 : 0;
  }
  narrow(now);
  now.scaleLog = 0;
  now.lateness = [];
  now.checks = 0;
  now.wasWeighed = false;
  now.weighed = [];
  now.driveSum = 0;
  now.driveDays = 0;
}

/** Only rates that are still believed are walked on; for what is in the pot now, all: there the tails count. */
function narrow(now: WalkState): void {
  let top = 0;
  let mean = 0;
  for (let i = 0; i < GRID_SIZE; i++) {
    if (now.belief[i]! > top) top = now.belief[i]!;
    mean += now.belief[i]! * GRID[i]!;
  }
  let low = 0;
  while (now.belief[low]! < LEAST_BELIEVED * top) low++;
  let high = GRID_SIZE - 1;
  while (now.belief[high]! < LEAST_BELIEVED * top) high--;
  now.range = now.old ? gridRange(low, high) : WHOLE_GRID;
  let middle = now.range.firstNode;
  for (let n = now.range.firstNode; n <= now.range.lastNode; n++)
    if (Math.abs(NODES[n]! - mean) < Math.abs(NODES[middle]! - mean)) middle = n;
  now.middle = middle;
}

export function closed(walk: Walk, now: WalkState, day: DayNumber): Stretch {
  const logs = new Float64Array(GRID_SIZE);
  const { low, high } = now.range;
  for (let i = low; i <= high; i++) {
    let total = 0;
    for (const { weights } of now.branches) total += weights[i]!;
    logs[i] = total > 0 ? Math.log(total) + now.scaleLog : -700;
  }
  addRelativeWeights(logs, now.weighed, walk.input.pot.capacity.availableMl, now.range);
  // Rates that were not walked are taken to explain it like the nearest that were.
  logs.fill(logs[low]!, 0, low);
  logs.fill(logs[high]!, high + 1);
  return {
    endDay: day,
    logs,
    checks: now.checks,
    weighed: now.wasWeighed,
    lateness: now.lateness,
    place: walk.input.placeOn(day),
    lnDrive: Math.log(Math.max(1e-5, now.driveDays > 0 ? now.driveSum / now.driveDays : 1e-2)),
  };
}

/** How late the water came at each rate: 0 on the day it was due, ln 2 when the pot was left twice as long. */
export function latenessNow(walk: Walk, now: WalkState, daysLeft: number): Float64Array {
  const { dueM, holdDays } = walk.input;
  const heaviest = now.main;
  const out = new Float64Array(NODES.length);
  for (let n = 0; n < out.length; n++) {
    const daysDue = now.daysDue[n]!;
    // Not due yet: by how much of the way it had come. Drying slows, so the last of the way takes longest.
    const early = Math.min(1, Math.max(0, 1 - heaviest.m[n]!) / (1 - dueM)) ** DRYING_SLOWS;
    const daysToDue = daysDue > 0 ? daysLeft - daysDue + 0.5 : daysLeft / Math.max(0.02, early);
    out[n] = Math.log(Math.max(0.5, daysLeft) / Math.max(0.5, daysToDue + holdDays));
  }
  return out;
}

export function meanOnGrid(now: WalkState): Float64Array {
  const { low, high } = now.range;
  const out = new Float64Array(GRID_SIZE);
  const total = new Float64Array(GRID_SIZE);
  for (const branch of now.branches) {
    const moistures = spreadMoisture(branch.m, SCRATCH, now.range);
    for (let i = low; i <= high; i++) {
      out[i]! += branch.weights[i]! * moistures[i]!;
      total[i]! += branch.weights[i]!;
    }
  }
  for (let i = low; i <= high; i++) out[i] = total[i]! > 0 ? out[i]! / total[i]! : 0;
  return out;
}
