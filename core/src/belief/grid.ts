/**
 * Bayes on a grid over x = ln k, the log of a pot's drying rate against the reckoned one. Exact up to the grid's step,
 * deterministic, nothing to tune. Densities are kept as plain arrays that sum to 1.
 */

/** Widest departure the grid knows: k from 0.2 to 5. */
const REACH = 1.6;
const STEP = 0.05;
export const GRID_SIZE = Math.round((2 * REACH) / STEP) + 1;
export const GRID: Float64Array = Float64Array.from({ length: GRID_SIZE }, (_, i) => -REACH + i * STEP);

/** A few rates are simulated; between them moisture is smooth in ln k. */
export const NODES: Float64Array = Float64Array.from([-1.6, -1.1, -0.75, -0.45, -0.2, 0, 0.2, 0.45, 0.75, 1.1, 1.6]);

/** Values known at the nodes, drawn through every grid point. */
export function spreadNodes(atNodes: ArrayLike<number>): Float64Array {
  const out = new Float64Array(GRID_SIZE);
  let node = 0;
  for (let i = 0; i < GRID_SIZE; i++) {
    const x = GRID[i]!;
    while (node < NODES.length - 2 && x > NODES[node + 1]!) node++;
    const share = (x - NODES[node]!) / (NODES[node + 1]! - NODES[node]!);
    out[i] = atNodes[node]! + share * (atNodes[node + 1]! - atNodes[node]!);
  }
  return out;
}

/** For each grid point, the four nodes about it and their weights: Lagrange's cubic through them. */
const CUBIC: readonly { first: number; weights: readonly [number, number, number, number] }[] = Array.from(
  GRID,
  (x) => {
    let node = 0;
    while (node < NODES.length - 2 && x > NODES[node + 1]!) node++;
    const first = Math.min(NODES.length - 4, Math.max(0, node - 1));
    const weight = (j: number) => {
      let product = 1;
      for (let k = 0; k < 4; k++)
        if (k !== j) product *= (x - NODES[first + k]!) / (NODES[first + j]! - NODES[first + k]!);
      return product;
    };
    return { first, weights: [weight(0), weight(1), weight(2), weight(3)] };
  },
);

/** A stretch of the grid, from `low` to `high`, both in it, and the nodes that its points hang on. */
export interface GridRange {
  low: number;
  high: number;
  firstNode: number;
  lastNode: number;
}

export const WHOLE_GRID: GridRange = { low: 0, high: GRID_SIZE - 1, firstNode: 0, lastNode: NODES.length - 1 };

export function gridRange(low: number, high: number): GridRange {
  return { low, high, firstNode: CUBIC[low]!.first, lastNode: CUBIC[high]!.first + 3 };
}

/** Moisture known at the nodes, drawn smoothly through the grid points of a range; never below nothing. */
export function spreadMoisture(
  atNodes: ArrayLike<number>,
  out = new Float64Array(GRID_SIZE),
  { low, high }: Pick<GridRange, 'low' | 'high'> = WHOLE_GRID,
): Float64Array {
  for (let i = low; i <= high; i++) {
    const { first, weights } = CUBIC[i]!;
    const m =
      weights[0] * atNodes[first]! +
      weights[1] * atNodes[first + 1]! +
      weights[2] * atNodes[first + 2]! +
      weights[3] * atNodes[first + 3]!;
    out[i] = m > 0 ? m : 0;
  }
  return out;
}

/** The node below a rate, and how far it lies on the way to the next: 0 to 1. */
export function nodeBelow(x: number): { node: number; share: number } {
  let node = 0;
  while (node < NODES.length - 2 && x > NODES[node + 1]!) node++;
  return { node, share: Math.min(1, Math.max(0, (x - NODES[node]!) / (NODES[node + 1]! - NODES[node]!))) };
}

/** A value between nodes for any x. */
export function atRate(atNodes: ArrayLike<number>, x: number): number {
  const { node, share } = nodeBelow(x);
  return atNodes[node]! + share * (atNodes[node + 1]! - atNodes[node]!);
}

export function normalDensity(meanX: number, sd: number): Float64Array {
  const out = new Float64Array(GRID_SIZE);
  for (let i = 0; i < GRID_SIZE; i++) out[i] = Math.exp(-0.5 * ((GRID[i]! - meanX) / sd) ** 2);
  return normalise(out);
}

/** Scales to sum 1, in place. A density that vanished everywhere (evidence that nothing explains) becomes flat. */
export function normalise(density: Float64Array): Float64Array {
  let sum = 0;
  for (const value of density) sum += value;
  if (!(sum > 0)) return density.fill(1 / density.length);
  for (let i = 0; i < density.length; i++) density[i]! /= sum;
  return density;
}

/** From logs, safely, to a density. */
export function fromLog(logs: ArrayLike<number>): Float64Array {
  let top = -Infinity;
  for (let i = 0; i < logs.length; i++) if (logs[i]! > top) top = logs[i]!;
  const out = new Float64Array(logs.length);
  for (let i = 0; i < logs.length; i++) out[i] = Math.exp(logs[i]! - top);
  return normalise(out);
}

/** A density blurred by a normal of this standard deviation; its mass stays on the grid. */
export function blur(density: Float64Array, sd: number): Float64Array {
  const kernel = kernelOf(sd);
  const half = (kernel.length - 1) / 2;
  const out = new Float64Array(GRID_SIZE);
  for (let i = 0; i < GRID_SIZE; i++) {
    const value = density[i]!;
    if (value < 1e-12) continue;
    for (let j = -half; j <= half; j++) {
      const to = i + j;
      if (to >= 0 && to < GRID_SIZE) out[to]! += value * kernel[j + half]!;
    }
  }
  return normalise(out);
}

const kernels = new Map<number, Float64Array>();
function kernelOf(sd: number): Float64Array {
  let kernel = kernels.get(sd);
  if (!kernel) {
    const half = Math.ceil((3.5 * sd) / STEP);
    kernel = Float64Array.from({ length: 2 * half + 1 }, (_, i) => Math.exp(-0.5 * (((i - half) * STEP) / sd) ** 2));
    normalise(kernel);
    kernels.set(sd, kernel);
  }
  return kernel;
}

/** The x below which a share p of the density lies, straight within a step. */
export function gridQuantile(density: Float64Array, p: number): number {
  let sum = 0;
  for (let i = 0; i < GRID_SIZE; i++) {
    const next = sum + density[i]!;
    if (next >= p) {
      const share = density[i]! > 0 ? (p - sum) / density[i]! : 0.5;
      return GRID[i]! + (share - 0.5) * STEP;
    }
    sum = next;
  }
  return GRID[GRID_SIZE - 1]!;
}

export function gridMean(density: Float64Array): number {
  let sum = 0;
  for (let i = 0; i < GRID_SIZE; i++) sum += density[i]! * GRID[i]!;
  return sum;
}

export function gridVariance(density: Float64Array, meanX: number): number {
  let sum = 0;
  for (let i = 0; i < GRID_SIZE; i++) sum += density[i]! * (GRID[i]! - meanX) ** 2;
  return sum;
}

/** The density moved along x, straight between grid points; what leaves the grid is lost and the rest scaled up. */
export function shifted(density: Float64Array, by: number): Float64Array {
  if (by === 0) return density;
  const steps = by / STEP;
  const out = new Float64Array(GRID_SIZE);
  for (let i = 0; i < GRID_SIZE; i++) {
    const from = i - steps;
    const low = Math.floor(from);
    const share = from - low;
    const a = low >= 0 && low < GRID_SIZE ? density[low]! : 0;
    const b = low + 1 >= 0 && low + 1 < GRID_SIZE ? density[low + 1]! : 0;
    out[i] = a + share * (b - a);
  }
  return normalise(out);
}
