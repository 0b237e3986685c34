/** Where something may have happened that the book does not tell, a way of things becomes several; what runs together is joined. */
import type { DayNumber } from '../calendar/day.ts';
import { type Branch, join, offshoot, ON_GRID, together, weightOf } from './branches.ts';
import { type GridRange, NODES } from './grid.ts';
import { deviationSd } from './looks.ts';
import type { Walk, WalkState } from './state.ts';
import {
  FRESH_STRANGER,
  STRANGER_AT_A_LOOK,
  paceChance,
  PACES,
  PAST_BEFORE_A_LOOK,
  PAST_SHARES,
  ranPastChance,
  STRANGER_SD,
  strangerChance,
} from './upsets.ts';

/** Branches this close are one. */
const TOGETHER_M = 0.03;
const NEARLY_TOGETHER_M = 0.06;
const MOST_BRANCHES = 12;
const MOST_OLD_BRANCHES = 4;
/** Lighter branches are dropped, their mass going to the rest. */
const LEAST_WEIGHT = 1e-4;
/**
 * A way for a drench of old that ran past: what it was matters no more, only that the looks after it say nothing of the
 * rate.
 */
const PAST_OF_OLD = [{ share: 0.22, odds: 1 }];
/** A deviation is forgotten over so many days. */
const DEVIATION_DAYS = 25;

/** Whatever may have happened since the last split, unseen: a branch each. */
export function split(walk: Walk, now: WalkState, day: DayNumber, leastStranger = 0): void {
  const { low, high } = now.range;
  const { sinceDays: days, sinceCycles: cycles, splitDay } = now;
  const main = now.main;
  now.sinceDays = 0;
  now.sinceCycles = 0;
  now.splitM = main.m[now.middle]!;
  now.splitDay = day;
  if (days === 0 || !walk.input.upsets) return;
  const stranger = Math.max(leastStranger, strangerChance(days, cycles, walk.input.openSky));
  const came = ON_GRID.slice().fill(0);
  for (const { weights } of now.branches) {
    for (let i = low; i <= high; i++) {
      came[i]! += stranger * weights[i]!;
      weights[i]! *= 1 - stranger;
    }
  }
  const found = leastStranger > 0 && !now.old ? STRANGER_AT_A_LOOK : FRESH_STRANGER;
  const fresh = found.map(({ m, odds }) => {
    const watered = offshoot(main, 0);
    for (let i = low; i <= high; i++) watered.weights[i] = odds * came[i]!;
    for (let n = 0; n < NODES.length; n++) watered.m[n] = Math.max(main.m[n]!, m);
    watered.z.fill(0);
    watered.zVar = (STRANGER_SD / deviationSd(m)) ** 2;
    watered.dryDay.fill(NaN);
    watered.stories = [
      ...main.stories.filter(({ kind }) => kind === 'slower' || kind === 'faster'),
      { kind: 'stranger', from: splitDay + 1, to: day, share: 1 },
    ];
    return watered;
  });
  if (main.lnPace === 0 && !now.old) {
    for (const pace of PACES) {
      const changed = offshoot(main, paceChance(pace, days, cycles));
      changed.lnPace = pace.lnPace;
      changed.stories.push({ kind: pace.kind, from: splitDay + 1, to: day, share: 1 });
      fresh.push(changed);
    }
  }
  now.branches.push(...fresh);
  gather(now);
}

/**
 * The first look after a drench on record: that it ran past is now as likely as {@link PAST_BEFORE_A_LOOK}, if it was
 * not before.
 */
export function doubtDrench(now: WalkState): void {
  const { low, high } = now.range;
  const pastShare = (branch: Branch) =>
    Math.min(
      1,
      branch.stories.reduce((sum, { kind, share }) => sum + (kind === 'ran-past' ? share : 0), 0),
    );
  let past = 0;
  let total = 0;
  for (const branch of now.branches) {
    const weight = weightOf(branch, now.belief, now.range);
    past += weight * pastShare(branch);
    total += weight;
  }
  const share = past / total;
  if (!(share > 0) || share >= PAST_BEFORE_A_LOOK) return;
  const up = PAST_BEFORE_A_LOOK / share;
  const down = (1 - PAST_BEFORE_A_LOOK) / (1 - share);
  for (const branch of now.branches) {
    const times = down + pastShare(branch) * (up - down);
    for (let i = low; i <= high; i++) branch.weights[i]! *= times;
  }
}

/** The ways in which a drench on record wetted a part only. */
export function parted(walk: Walk, now: WalkState, branch: Branch, times: number, day: DayNumber): Branch[] {
  const { low, high } = now.range;
  const { pot } = walk.input;
  const chance = times * ranPastChance(branch.m[now.middle]!, pot.rewetDifficulty);
  const ways = (now.old ? PAST_OF_OLD : PAST_SHARES).map(({ share, odds }) => {
    const past = offshoot(branch, chance * odds);
    for (let n = 0; n < NODES.length; n++) past.m[n]! += share * Math.max(0, 1 - past.m[n]!);
    past.dryDay.fill(NaN);
    past.stories.push({ kind: 'ran-past', from: day, to: day, share: 1 });
    return past;
  });
  for (let i = low; i <= high; i++) branch.weights[i]! *= 1 - chance;
  return ways;
}

/** Joins branches that run together, drops the hopeless, and keeps their number within bounds. */
export function gather(now: WalkState): void {
  let weighed = now.branches.map((branch) => ({ branch, weight: weightOf(branch, now.belief, now.range) }));
  let total = 0;
  for (const { weight } of weighed) total += weight;
  weighed = weighed.filter(({ weight }) => weight >= LEAST_WEIGHT * total);
  weighed = joined(weighed, TOGETHER_M, now.range);
  const most = now.old ? MOST_OLD_BRANCHES : MOST_BRANCHES;
  if (weighed.length > most) weighed = joined(weighed, NEARLY_TOGETHER_M, now.range);
  // Ways far apart are never averaged: the least likely go.
  if (weighed.length > most) weighed = weighed.sort((a, b) => b.weight - a.weight).slice(0, most);
  now.branches = weighed.map(({ branch }) => branch);
  now.main = weighed.reduce((best, next) => (next.weight > best.weight ? next : best)).branch;
}

export function ageDeviations(walk: Walk, now: WalkState, day: DayNumber): void {
  const { low, high } = now.range;
  const days = day - now.deviationDay;
  now.deviationDay = day;
  if (days <= 0) return;
  const keeps = Math.exp(-days / DEVIATION_DAYS);
  for (const branch of now.branches) {
    for (let i = low; i <= high; i++) branch.z[i]! *= keeps;
    branch.zVar = keeps * keeps * branch.zVar + (1 - keeps * keeps) * walk.wanderVar;
  }
}

interface Weighed {
  branch: Branch;
  weight: number;
}

function joined(branches: readonly Weighed[], limit: number, range: GridRange): Weighed[] {
  const kept: Weighed[] = [];
  for (const next of branches) {
    const near = kept.find(
      ({ branch }) => branch.lnPace === next.branch.lnPace && together(branch, next.branch, limit, range),
    );
    if (!near) kept.push(next);
    else {
      join(near.branch, next.branch, near.weight, next.weight, range);
      near.weight += next.weight;
    }
  }
  return kept;
}
