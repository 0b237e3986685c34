/** What the book tells of a day: looks, signs, drinks, a new mix, and each way of things weighed and wetted by it. */
import type { DayNumber } from '../calendar/day.ts';
import { methodRow } from '../catalogue/ways.ts';
import { wet } from '../drydown/wetting.ts';
import type { PlantEvent } from '../garden.ts';
import { DRY_TO_M } from '../moisture.ts';
import { type Branch, branchAt, weightOf } from './branches.ts';
import { NODES } from './grid.ts';
import { deviationSd, type Figure, type LookKind, meterFigure, weightFigure, type Words } from './looks.ts';
import { ageDeviations, doubtDrench, gather, parted, split } from './split.ts';
import type { Walk, WalkState } from './state.ts';
import { closeStretch, latenessNow, meanOnGrid } from './stretch.ts';
import { PACES, STRANGER_BEFORE_A_LOOK } from './upsets.ts';
import { wanderChances, weighFigure, weighSign, weighWords } from './weighing.ts';

const OLD_SPLIT_CYCLES = 0.3;
/** A drink that lifts moisture by so much opens a new stretch. */
const NEW_STRETCH_M = 0.25;
/** A hand pours a measure to within a fifth. */
const POURED_SD = 0.2;
const MOST_Z_VARIANCE = 9;
/** Known wetness of the mix at potting. */
const POTTED_M = { dry: 0.05, damp: 0.45, wet: 0.9 } as const;
/** Looks remembered singly. */
const MOST_LOOKS = 6;
const WORTH_SPLITTING = 0.08;

/** Checks come before waterings of the same day (docs/formats.md). */
export function happen(walk: Walk, now: WalkState, events: readonly PlantEvent[], day: DayNumber): void {
  ageDeviations(walk, now, day);
  let unsplit = true;
  const looked = () => {
    // Of old, only now and then: what matters of it is the rate.
    if (unsplit && (!now.old || now.sinceCycles > OLD_SPLIT_CYCLES)) split(walk, now, day, STRANGER_BEFORE_A_LOOK);
    if (unsplit && !now.old && now.unseenDrench) doubtDrench(now);
    unsplit = false;
    now.unseenDrench = false;
  };
  for (const event of events) {
    if (event.type === 'check') {
      looked();
      check(walk, now, event, day);
    } else if (event.type === 'sign') {
      sign(now, event);
    }
  }
  for (const event of events) {
    if (event.type === 'changed') change(now, event.pace, day);
    if (event.type === 'watering') water(walk, now, event, day);
    else if (event.type === 'repotting' && event.mix_was) {
      const m = POTTED_M[event.mix_was];
      now.branches = [-0.1, 0, 0.1].map((d) => branchAt(Math.min(1, Math.max(0, m + d)), 1 / 3));
      for (const branch of now.branches) branch.zVar = walk.wanderVar;
      now.main = now.branches[1]!;
      now.scaleLog = 0;
    }
  }
}

function check(walk: Walk, now: WalkState, event: Extract<PlantEvent, { type: 'check' }>, day: DayNumber): void {
  now.checks++;
  now.allChecks++;
  if ('finger' in event) words(walk, now, { kind: 'finger', says: event.finger }, day);
  else if ('surface' in event) words(walk, now, { kind: 'surface', says: event.surface }, day);
  else if ('lift' in event) words(walk, now, { kind: 'lift', says: event.lift }, day);
  else if ('meter' in event) figure(walk, now, meterFigure(event.meter, walk.slips.meter), 'meter', day);
  else weigh(walk, now, event.weight_g, day);
}

/** The keeper says so: every way of things goes on at the new pace. */
function change(now: WalkState, kind: 'slower' | 'faster', day: DayNumber): void {
  const pace = PACES.find((one) => one.kind === kind)!;
  for (const branch of now.branches) {
    if (branch.lnPace === 0) branch.lnPace = pace.lnPace;
    branch.stories = [...branch.stories.filter((story) => story.kind !== kind), { kind, from: day, to: day, share: 1 }];
  }
}

function weigh(walk: Walk, now: WalkState, weightG: number, day: DayNumber): void {
  const availableG = walk.input.pot.capacity.availableMl;
  const { drainedG, dryG, on } = walk.scale;
  now.wasWeighed = true;
  if (drainedG !== null) {
    // Found dry somewhere between 0 and 0.12: take the middle.
    const rangeG = dryG !== null && dryG < drainedG ? (drainedG - dryG) / (1 - DRY_TO_M / 2) : availableG;
    figure(
      walk,
      now,
      weightFigure(weightG, drainedG, rangeG, dryG !== null, day - on, walk.slips.weight),
      'weight',
      day,
    );
    return;
  }
  // Nobody weighed it drained: only differences count, which closed() reckons up over the stretch.
  now.weighed.push({ atG: weightG, m: meanOnGrid(now) });
}

function words(walk: Walk, now: WalkState, words: Words, day: DayNumber): void {
  seen(now, words.kind, day, weighWords(now, words, walk.slips[words.kind]));
}

function figure(walk: Walk, now: WalkState, figure: Figure, kind: LookKind, day: DayNumber): void {
  if (walk.input.tellsWander) {
    const logs = wanderChances(now, figure, walk.wanderVar);
    for (const [w, ln] of logs.entries()) now.wanders[w]! += ln;
  }
  seen(now, kind, day, weighFigure(now, figure));
}

/** Notes how a look was believed, and keeps weights from vanishing. */
function seen(now: WalkState, kind: LookKind, day: DayNumber, shares: readonly number[]): void {
  now.looks.push({ day, kind });
  if (now.looks.length > MOST_LOOKS) now.looks.shift();
  let slips = 0;
  let total = 0;
  for (const [b, branch] of now.branches.entries()) {
    branch.slips = [...branch.slips.slice(-(MOST_LOOKS - 1)), { day, share: shares[b]! }];
    const weight = weightOf(branch, now.belief, now.range);
    slips += weight * shares[b]!;
    total += weight;
  }
  now.trust[kind].looks++;
  if (total > 0) now.trust[kind].slips += slips / total;
  rescale(now);
  gather(now);
}

function sign(now: WalkState, { sign, strength }: Extract<PlantEvent, { type: 'sign' }>): void {
  if (weighSign(now, sign, strength)) rescale(now);
}

function rescale(now: WalkState): void {
  const { low, high } = now.range;
  let top = 0;
  for (const { weights } of now.branches) for (let i = low; i <= high; i++) if (weights[i]! > top) top = weights[i]!;
  if (!(top > 0) || (top > 1e-30 && top < 1e30)) return;
  for (const { weights } of now.branches) for (let i = low; i <= high; i++) weights[i]! /= top;
  now.scaleLog += Math.log(top);
}

function water(walk: Walk, now: WalkState, event: Extract<PlantEvent, { type: 'watering' }>, day: DayNumber): void {
  const { pot } = walk.input;
  const { whole, waters, ranPast } = methodRow(event.method);
  const before = now.main.m[now.middle]!;
  if (waters) {
    if (now.lastWatered !== null && day > now.lastWatered)
      now.lateness.push(latenessNow(walk, now, day - now.lastWatered));
    now.lastWatered = day;
  }
  if (whole) now.unseenDrench = true;
  const past: Branch[] = [];
  if (whole && pot.holes && walk.input.upsets)
    for (const branch of likely(now)) past.push(...parted(walk, now, branch, ranPast, day));
  for (const branch of now.branches) wetBranch(walk, now, branch, event);
  now.branches.push(...past);
  gather(now);
  const rise = now.main.m[now.middle]! - before;
  now.daysDue.fill(0);
  if (waters) {
    now.sinceDays = 0;
    now.sinceCycles = 0;
    now.splitDay = day;
  }
  now.splitM = now.main.m[now.middle]!;
  if (rise < NEW_STRETCH_M && !(whole && pot.holes)) return;
  closeStretch(walk, now, day);
}

/** Branches worth splitting further. */
function likely(now: WalkState): Branch[] {
  const weights = now.branches.map((branch) => weightOf(branch, now.belief, now.range));
  const total = weights.reduce((sum, weight) => sum + weight, 0);
  return now.branches.filter((_, b) => weights[b]! > WORTH_SPLITTING * total);
}

function wetBranch(walk: Walk, now: WalkState, branch: Branch, event: Extract<PlantEvent, { type: 'watering' }>): void {
  const { pot } = walk.input;
  const before = branch.m[now.middle]!;
  for (let n = 0; n < NODES.length; n++) branch.m[n] = wet(branch.m[n]!, event.method, event.amount_ml ?? null, pot).m;
  const after = branch.m[now.middle]!;
  if (methodRow(event.method).waters || after - before > 0.02) branch.dryDay.fill(NaN);
  if (methodRow(event.method).whole && pot.holes) {
    // Full again, whoever came before.
    branch.z.fill(0);
    branch.zVar = walk.wanderVar;
    branch.stories = branch.stories.filter(({ kind }) => kind === 'slower' || kind === 'faster');
  } else {
    const doubt = (POURED_SD * (after - before)) / deviationSd(after);
    branch.zVar = Math.min(MOST_Z_VARIANCE, branch.zVar + doubt * doubt);
  }
}
