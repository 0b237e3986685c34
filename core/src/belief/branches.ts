/**
 * One way it may have gone with a pot: what was in it under each rate, how likely that is beside the other ways, and
 * what befell the pot on the way. Branches are split by upsets, weighed by looks, and joined where they run together,
 * so a slow dry-down is never smeared: each is a trajectory of its own.
 */
import { type DayNumber } from '../calendar/day.ts';
import { GRID_SIZE, type GridRange, NODES } from './grid.ts';
import type { UpsetKind } from './upsets.ts';

/** Something that may have happened: `share` of the branch's weight went this way. */
export interface Story {
  kind: UpsetKind;
  from: DayNumber;
  to: DayNumber;
  share: number;
}

/** How likely, on this branch, a look was a slip. */
export interface SlipShare {
  day: DayNumber;
  share: number;
}

export interface Branch {
  /** moisture at each rate of NODES */
  m: number[];
  /** weight at each rate of the grid, against the other branches; never normalised over rates */
  weights: number[];
  /** mean of the pot's deviation at each rate of the grid, in standard deviations (looks.ts) */
  z: number[];
  zVar: number;
  /** ln of its pace against the potting's own rate, once something changed for good */
  lnPace: number;
  stories: Story[];
  slips: SlipShare[];
  /** the day since the last wetting on which each rate became dry, NaN where it is not dry */
  dryDay: number[];
  /** moisture at the nodes at the end of each of the last days, the newest first; shared with the branches it left */
  trace: TracedDay | null;
  /** the trace of a branch whose walk has ended, packed: node by node for each day, the oldest first; NaN before it began */
  traced: Float32Array | null;
}

/** A day of a trace, and the day before it. */
export interface TracedDay {
  m: number[];
  before: TracedDay | null;
}

/**
 * Plain arrays of doubles: made and dropped by the thousand, they live on the heap, where small typed arrays each cost
 * an allocation of their own.
 */
const AT_NODES = Array.from({ length: NODES.length }, () => 0.5);
export const ON_GRID = Array.from({ length: GRID_SIZE }, () => 0.5);

export function branchAt(m: number, weight: number): Branch {
  return {
    m: AT_NODES.slice().fill(m),
    weights: ON_GRID.slice().fill(weight),
    z: ON_GRID.slice().fill(0),
    zVar: 1,
    lnPace: 0,
    stories: [],
    slips: [],
    dryDay: AT_NODES.slice().fill(NaN),
    trace: null,
    traced: null,
  };
}

/** The same way of things, to be walked on without touching this one. */
export function copyOf(branch: Branch): Branch {
  return {
    ...branch,
    m: branch.m.slice(),
    weights: branch.weights.slice(),
    z: branch.z.slice(),
    stories: branch.stories.slice(),
    dryDay: branch.dryDay.slice(),
  };
}

/** A branch that leaves another with a share of its weight, at every rate. */
export function offshoot(parent: Branch, share: number): Branch {
  const weights = ON_GRID.slice();
  for (let i = 0; i < GRID_SIZE; i++) weights[i] = share * parent.weights[i]!;
  return {
    m: parent.m.slice(),
    weights,
    z: parent.z.slice(),
    zVar: parent.zVar,
    lnPace: parent.lnPace,
    stories: parent.stories.slice(),
    slips: parent.slips,
    dryDay: parent.dryDay.slice(),
    trace: parent.trace,
    traced: null,
  };
}

/**
 * Packs the trace of a branch whose walk has ended: thousands of plants are kept, and each day of each trace would be
 * two objects for the collector to go through.
 */
export function packTrace(branch: Branch, days: number): void {
  const nodes = NODES.length;
  const packed = new Float32Array(days * nodes);
  let day = days - 1;
  for (let at = branch.trace; day >= 0 && at; day--, at = at.before)
    for (let n = 0; n < nodes; n++) packed[day * nodes + n] = at.m[n]!;
  packed.fill(NaN, 0, (day + 1) * nodes);
  branch.traced = packed;
  branch.trace = null;
}

export function weightOf(branch: Branch, belief: Float64Array, { low, high }: GridRange): number {
  let sum = 0;
  for (let i = low; i <= high; i++) sum += belief[i]! * branch.weights[i]!;
  return sum;
}

/** Whether two branches differ by no more than this in m, where it matters. */
export function together(a: Branch, b: Branch, within: number, { firstNode, lastNode }: GridRange): boolean {
  // Nodes at the very ends are hardly ever believed: they join or part no branches.
  const first = Math.max(2, firstNode);
  const last = Math.min(NODES.length - 3, lastNode);
  for (let n = first; n <= last; n++) {
    const off = a.m[n]! - b.m[n]!;
    if (off > within || off < -within) return false;
  }
  return true;
}

/** Less than this share of a story is forgotten. */
const LEAST_STORY = 0.02;
const MOST_STORIES = 10;

/** Puts `b` into `a`, each by its weight. */
export function join(a: Branch, b: Branch, weightA: number, weightB: number, { low, high }: GridRange): void {
  const total = weightA + weightB;
  const shareB = total > 0 ? weightB / total : 0.5;
  for (let n = 0; n < NODES.length; n++) {
    a.m[n]! += shareB * (b.m[n]! - a.m[n]!);
    if (shareB > 0.5) a.dryDay[n] = b.dryDay[n]!;
  }
  for (let i = low; i <= high; i++) {
    const sum = a.weights[i]! + b.weights[i]!;
    if (sum > 0) a.z[i]! += (b.weights[i]! / sum) * (b.z[i]! - a.z[i]!);
    a.weights[i] = sum;
  }
  a.zVar += shareB * (b.zVar - a.zVar);
  if (shareB >= LEAST_STORY && a.stories.length + b.stories.length > 0) {
    a.stories = [...scaled(a.stories, 1 - shareB), ...scaled(b.stories, shareB)];
    if (a.stories.length > MOST_STORIES) a.stories = a.stories.sort((x, y) => y.share - x.share).slice(0, MOST_STORIES);
  }
  if (a.slips !== b.slips)
    a.slips = a.slips.map((slip, i) => ({
      day: slip.day,
      share: slip.share + shareB * ((b.slips[i]?.share ?? slip.share) - slip.share),
    }));
  if (shareB > 0.5) a.trace = b.trace;
}

function scaled(stories: readonly Story[], by: number): Story[] {
  const out: Story[] = [];
  for (const { kind, from, to, share } of stories)
    if (share * by >= LEAST_STORY) out.push({ kind, from, to, share: share * by });
  return out;
}
