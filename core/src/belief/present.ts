/**
 * What is held to be in a pot now: every branch under every rate, with what the rest of the book and the collection say
 * of the rate.
 */
import type { DayNumber } from '../calendar/day.ts';
import type { Branch, Story } from './branches.ts';
import { GRID, GRID_SIZE, nodeBelow, NODES, spreadMoisture } from './grid.ts';
import type { History, SeenLook } from './history.ts';
import { deviationSd } from './looks.ts';
import { reorder } from '../numeric/curves.ts';
import type { UpsetKind } from './upsets.ts';

/** A possible present: what is in the pot, and how fast it goes. */
export interface Cell {
  branch: Branch;
  /** ln of the pot's pace */
  lnRate: number;
  m: number;
  /** standard deviation of m within the cell */
  sd: number;
  weight: number;
  /** ln of the potting's own rate, without what changed for good */
  x: number;
}

/** Happenings that the book does not tell, as likely as they now seem. */
export interface Happening {
  kind: UpsetKind | 'slip';
  probability: number;
  from: DayNumber;
  to: DayNumber;
  /** for a slip: what kind of look it was */
  look?: SeenLook['kind'];
}

export interface Present {
  /** fastest first, of one rate the driest first; weights sum to 1 */
  cells: Cell[];
  happened: Happening[];
  /** density of the pot's pace now, on the grid: its own rate and what changed it for good */
  paceMean: number;
}

const LEAST_CELL = 2e-5;
/** Happenings less likely than this are not told. */
const LEAST_TOLD = 0.1;

/** @param open density of ln k on the grid, from all that was known before the open stretch */
export function presentOf(history: History, open: Float64Array): Present {
  const cells: Cell[] = [];
  let total = 0;
  for (const branch of history.branches) {
    const moistures = spreadMoisture(branch.m);
    const spread = Math.sqrt(branch.zVar);
    for (let i = 0; i < GRID_SIZE; i++) {
      const weight = open[i]! * branch.weights[i]!;
      total += weight;
      const sd = deviationSd(moistures[i]!);
      cells.push({
        branch,
        lnRate: GRID[i]! + branch.lnPace,
        m: Math.max(0, moistures[i]! + sd * branch.z[i]!),
        sd: sd * spread,
        weight,
        x: GRID[i]!,
      });
    }
  }
  if (!(total > 0)) for (const cell of cells) cell.weight = 1 / cells.length;
  else for (const cell of cells) cell.weight /= total;
  // Fastest first, and of one rate the driest: whoever takes every n-th meets all rates alike.
  const kept = cells.filter((cell) => cell.weight > LEAST_CELL).sort((a, b) => b.lnRate - a.lnRate || a.m - b.m);
  const left = kept.reduce((sum, { weight }) => sum + weight, 0);
  for (const cell of kept) cell.weight /= left;
  const byBranch = new Map<Branch, number>();
  let paceMean = 0;
  for (const { branch, weight } of kept) {
    byBranch.set(branch, (byBranch.get(branch) ?? 0) + weight);
    paceMean += weight * branch.lnPace;
  }
  return { cells: kept, happened: happenings(byBranch, history.looks), paceMean };
}

function happenings(byBranch: ReadonlyMap<Branch, number>, looks: readonly SeenLook[]): Happening[] {
  const told = new Map<UpsetKind, { story: Story; weight: number }[]>();
  for (const [branch, weight] of byBranch) {
    for (const story of branch.stories) {
      const list = told.get(story.kind) ?? [];
      list.push({ story, weight: weight * story.share });
      told.set(story.kind, list);
    }
  }
  const found: Happening[] = [];
  for (const [kind, list] of told) {
    const probability = Math.min(
      1,
      list.reduce((sum, { weight }) => sum + weight, 0),
    );
    if (probability >= LEAST_TOLD) found.push({ kind, probability, ...window(list) });
  }
  for (const [i, look] of looks.entries()) {
    let probability = 0;
    for (const [branch, weight] of byBranch)
      probability += weight * (branch.slips[i + branch.slips.length - looks.length]?.share ?? 0);
    if (probability >= LEAST_TOLD)
      found.push({ kind: 'slip', probability, from: look.day, to: look.day, look: look.kind });
  }
  return found.sort((a, b) => b.probability - a.probability);
}

/** From the tenth to the ninetieth in a hundred of where a story may lie. */
function window(list: readonly { story: Story; weight: number }[]): { from: DayNumber; to: DayNumber } {
  const sorted = list.toSorted((a, b) => a.story.from - b.story.from);
  const total = sorted.reduce((sum, { weight }) => sum + weight, 0);
  let passed = 0;
  let from = sorted[0]!.story.from;
  let to = sorted.at(-1)!.story.to;
  let begun = false;
  for (const { story, weight } of sorted) {
    passed += weight;
    if (!begun && passed >= 0.1 * total) [from, begun] = [story.from, true];
    if (passed >= 0.9 * total) {
      to = story.to;
      break;
    }
  }
  return { from, to };
}

/** What a quantile is found to: in m, or in chance. */
const QUANTILE_STEP = 0.0005;
const QUANTILE_CHANCE = 0.0005;
const HALVINGS = 3;
const MOST_STEPS = 24;
const MOST_M = 2;

/** Chance that more than `m` is in the pot, each cell a normal about its middle. */
export function chanceAbove({ cells }: Pick<Present, 'cells'>, m: number): number {
  let chance = 0;
  for (const cell of cells) chance += cell.weight * upperTail((m - cell.m) / Math.max(0.004, cell.sd));
  return chance < 0 ? 0 : chance > 1 ? 1 : chance;
}

/**
 * The moisture below which a share `p` of belief lies, from 0 on, to a two-thousandth: by false position, halving where
 * one end stands still (the Illinois rule, Dowell & Jarratt 1971).
 */
export function moistureQuantile(present: Pick<Present, 'cells'>, p: number): number {
  const above = (m: number) => chanceAbove(present, m) - (1 - p);
  let low = 0;
  let high = MOST_M;
  let atLow = above(low);
  if (atLow <= 0) return 0;
  let atHigh = above(high);
  if (atHigh >= 0) return high;
  let lastSide = 0;
  for (let i = 0; i < MOST_STEPS && high - low > QUANTILE_STEP; i++) {
    // Far from the answer the curve is flat, and halving is faster.
    const m = i < HALVINGS ? (low + high) / 2 : low + ((high - low) * atLow) / (atLow - atHigh);
    const at = above(m);
    if (Math.abs(at) < QUANTILE_CHANCE) return m;
    const side = Math.sign(at);
    if (side > 0) {
      low = m;
      atLow = at;
      if (side === lastSide) atHigh /= 2;
    } else {
      high = m;
      atHigh = at;
      if (side === lastSide) atLow /= 2;
    }
    lastSide = side;
  }
  return (low + high) / 2;
}

/** Upper tail of the normal, by its logistic likeness (Bowling 2009: error under 0.015). */
function upperTail(z: number): number {
  return z > 5 ? 0 : z < -5 ? 1 : 1 / (1 + Math.exp(1.702 * z));
}

/**
 * What the pot held on each day of the trace, oldest first, as everything known today has it; bands to a thousandth.
 */
export interface PastBands {
  mean: number[];
  p10: number[];
  p50: number[];
  p90: number[];
}

const LEAST_TRACED = 0.002;
/** From the middle of a normal to its tenth, in standard deviations. */
const DECILE_SD = 1.2816;

export function pastBands({ trace }: History, { cells }: Pick<Present, 'cells'>): PastBands {
  const walks = walksOf(cells);
  const moistures = new Float64Array(walks.length);
  const weights = new Float64Array(walks.length);
  const order = Uint16Array.from(walks, (_, i) => i);
  const strays = Math.sqrt(cells.reduce((sum, { branch, weight }) => sum + weight * branch.zVar, 0));
  const bands: PastBands = { mean: [], p10: [], p50: [], p90: [] };
  for (let day = 0; day < trace.days; day++) {
    let sum = 0;
    let total = 0;
    for (let i = 0; i < walks.length; i++) {
      const { traced, node, weight } = walks[i]!;
      const m = traced[day * NODES.length + node]!;
      // A branch that began later, with a repotting, says nothing of the day.
      const began = !Number.isNaN(m);
      moistures[i] = began ? m : 0;
      weights[i] = began ? weight : 0;
      sum += weights[i]! * moistures[i]!;
      total += weights[i]!;
    }
    reorder(order, moistures);
    const [p10, p50, p90] = weightedQuantiles(order, moistures, weights, total);
    bands.mean.push(total > 0 ? sum / total : 0);
    // What strays from the reckoning within each way of things comes on top of how far the ways lie apart.
    const own = DECILE_SD * strays * deviationSd(p50);
    bands.p10.push(thousandth(Math.max(0, p50 - Math.hypot(p50 - p10, own))));
    bands.p50.push(thousandth(p50));
    bands.p90.push(thousandth(p50 + Math.hypot(p90 - p50, own)));
  }
  return bands;
}

interface Walk {
  /** packed, see Branch */
  traced: Float32Array;
  node: number;
  weight: number;
}

/** Cells of one branch between two nodes are taken together: both nodes stand for them, the nearer one for more. */
function walksOf(cells: readonly Cell[]): Walk[] {
  const byNode = new Map<Branch, Float64Array>();
  for (const { branch, x, weight } of cells) {
    let weights = byNode.get(branch);
    if (!weights) byNode.set(branch, (weights = new Float64Array(NODES.length)));
    const { node, share } = nodeBelow(x);
    weights[node]! += (1 - share) * weight;
    weights[node + 1]! += share * weight;
  }
  const walks: Walk[] = [];
  for (const [branch, weights] of byNode) {
    const traced = branch.traced!;
    for (const [node, weight] of weights.entries()) if (weight > LEAST_TRACED) walks.push({ traced, node, weight });
  }
  return walks;
}

/**
 * The values below which a tenth, half and nine tenths of the weight lie, drawn straight between the middles of the
 * weights.
 */
function weightedQuantiles(
  order: Uint16Array,
  values: Float64Array,
  weights: Float64Array,
  total: number,
): [number, number, number] {
  const out: [number, number, number] = [0, 0, 0];
  let asked = 0;
  let passed = 0;
  let before = { value: 0, middle: NaN };
  for (const i of order) {
    const weight = weights[i]!;
    if (weight === 0) continue;
    const middle = passed + weight / 2;
    const value = values[i]!;
    for (; asked < BANDS.length && BANDS[asked]! * total <= middle; asked++) {
      const share = (BANDS[asked]! * total - before.middle) / Math.max(1e-12, middle - before.middle);
      out[asked] = Number.isNaN(before.middle) ? value : before.value + share * (value - before.value);
    }
    before = { value, middle };
    passed += weight;
  }
  for (; asked < BANDS.length; asked++) out[asked] = before.value;
  return out;
}

const BANDS = [0.1, 0.5, 0.9] as const;

function thousandth(value: number): number {
  return Math.round(value * 1000) / 1000;
}
