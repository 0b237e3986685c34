/**
 * One way it may have gone with a pot: what was in it under each rate, how likely that is beside the other ways, and what
 * befell the pot on the way. Branches are split by upsets, weighed by looks, and joined where they run together, so a slow
 * dry-down is never smeared: each is a trajectory of its own.
 */
import { type DayNumber } from '../calendar/day.ts';
import { GRID_SIZE, NODES } from './grid.ts';
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
  m: Float64Array;
  /** weight at each rate of the grid, against the other branches; never normalised over rates */
  weights: Float64Array;
  /** mean of the pot's deviation at each rate of the grid, in standard deviations (looks.ts) */
  z: Float64Array;
  zVar: number;
  /** ln of its pace against the potting's own rate, once something changed for good */
  lnPace: number;
  stories: Story[];
  slips: SlipShare[];
  /** the day since the last wetting on which each rate became dry, NaN where it is not dry */
  dryDay: Float64Array;
  /** moisture at the nodes at the end of each of the last days */
  trace: Float64Array[];
}

export function branchAt(m: number, weight: number): Branch {
  return {
    m: new Float64Array(NODES.length).fill(m), weights: new Float64Array(GRID_SIZE).fill(weight), z: new Float64Array(GRID_SIZE), zVar: 1, lnPace: 0,
    stories: [], slips: [], dryDay: new Float64Array(NODES.length).fill(NaN), trace: [],
  };
}

/** A branch that leaves another with a share of its weight, at every rate. */
export function offshoot(parent: Branch, share: number): Branch {
  const weights = new Float64Array(GRID_SIZE);
  if (share > 0) for (let i = 0; i < GRID_SIZE; i++) weights[i] = share * parent.weights[i]!;
  return {
    m: parent.m.slice(), weights, z: parent.z.slice(), zVar: parent.zVar, lnPace: parent.lnPace,
    stories: parent.stories.slice(), slips: parent.slips, dryDay: parent.dryDay.slice(), trace: parent.trace.slice(),
  };
}

export function weightOf(branch: Branch, belief: Float64Array): number {
  let sum = 0;
  for (let i = 0; i < GRID_SIZE; i++) sum += belief[i]! * branch.weights[i]!;
  return sum;
}

/** Nodes at the ends of the grid are hardly ever believed: how they stand to each other joins or parts no branches. */
const FIRST_NODE = 2;
const LAST_NODE = NODES.length - 3;

/** Whether two branches differ by no more than this in m, where it matters. */
export function together(a: Branch, b: Branch, within: number): boolean {
  for (let n = FIRST_NODE; n <= LAST_NODE; n++) {
    const off = a.m[n]! - b.m[n]!;
    if (off > within || off < -within) return false;
  }
  return true;
}

/** Less than this share of a story is forgotten. */
const LEAST_STORY = 0.02;
const MOST_STORIES = 10;

/** Puts `b` into `a`, each by its weight. */
export function join(a: Branch, b: Branch, weightA: number, weightB: number): void {
  const total = weightA + weightB;
  const shareB = total > 0 ? weightB / total : 0.5;
  for (let n = 0; n < NODES.length; n++) {
    a.m[n]! += shareB * (b.m[n]! - a.m[n]!);
    if (shareB > 0.5) a.dryDay[n] = b.dryDay[n]!;
  }
  for (let i = 0; i < GRID_SIZE; i++) {
    const sum = a.weights[i]! + b.weights[i]!;
    if (sum > 0) a.z[i]! += (b.weights[i]! / sum) * (b.z[i]! - a.z[i]!);
    a.weights[i] = sum;
  }
  a.zVar += shareB * (b.zVar - a.zVar);
  if (shareB >= LEAST_STORY && a.stories.length + b.stories.length > 0) {
    a.stories = [...scaled(a.stories, 1 - shareB), ...scaled(b.stories, shareB)];
    if (a.stories.length > MOST_STORIES) a.stories = a.stories.sort((x, y) => y.share - x.share).slice(0, MOST_STORIES);
  }
  if (a.slips !== b.slips) a.slips = a.slips.map((slip, i) => ({ day: slip.day, share: slip.share + shareB * ((b.slips[i]?.share ?? slip.share) - slip.share) }));
  if (shareB > 0.5) a.trace = b.trace;
}

function scaled(stories: readonly Story[], by: number): Story[] {
  const out: Story[] = [];
  for (const { kind, from, to, share } of stories) if (share * by >= LEAST_STORY) out.push({ kind, from, to, share: share * by });
  return out;
}
