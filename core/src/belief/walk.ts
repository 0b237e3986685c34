/** The walk through a pot's days: dried by the chain's physics under each rate, as its book and the weather have it. */
import { type DayNumber, dayNumber } from '../calendar/day.ts';
import { isDrink, methodRow } from '../catalogue/ways.ts';
import { dryStep, lossAt, roughStep } from '../drydown/step.ts';
import { pour } from '../drydown/wetting.ts';
import type { PlantEvent } from '../garden.ts';
import { DRY_TO_M } from '../moisture.ts';
import { packTrace } from './branches.ts';
import { NODES } from './grid.ts';
import type { History, HistoryInput } from './history.ts';
import { USUAL_SLIPS } from './looks.ts';
import { type Morning, morningOf, stateOf } from './resume.ts';
import { scaleOf } from './scale.ts';
import { ageDeviations, gather, split } from './split.ts';
import { begun, type Walk, type WalkState } from './state.ts';
import { closed } from './stretch.ts';
import { happen } from './told.ts';
import { USUAL_WANDER } from './wander.ts';

const TRACE_DAYS = 63;
/**
 * Before its last two drinks a pot's upsets matter only for what its looks say of the rate: split so much more rarely.
 */
const COARSE = 3;
/** A pot that dried by so much, or stood for so long, may have been passed by a stranger. */
const SPLIT_AFTER_M = 0.09;
const SPLIT_AFTER_DAYS = 30;
/** Quiet days of old are taken so many at a time; the step splits itself where that is too much (drydown/step.ts). */
const OLD_STRIDE = 3;
/**
 * A pot that stands dry draws fewer cans than one that is watered every week: its days count for so much of a cycle.
 */
const DRY_CYCLES = 0.4;
/** The fastest rates of all: hardly ever believed, and dearest to reckon. */
const ROUGH_FROM_NODE = 8;
const MOST_STRETCHES = 8;
/** Where nothing ever starts the pot anew, a year says enough. */
const LONGEST_WALK_DAYS = 400;
const RATES = NODES.map((x) => Math.exp(x));

type DatedEvent = { day: DayNumber; event: PlantEvent };

export function retrace(input: HistoryInput): History {
  return retraceFrom(input, null, false).history;
}

/**
 * @param earlier of a walk of this pot before: gone on from where it fits, else the walk begins anew
 * @param keep whether a morning is wanted for another walk; where none is, its copies are spared
 * @returns the morning of this one too; null where the walk began today
 */
export function retraceFrom(
  input: HistoryInput,
  earlier: Morning | null,
  keep = true,
): { history: History; morning: Morning | null } {
  const walk = walkOf(input);
  const { fromDay } = walk;
  const { today } = input;
  const resumed = earlier && stateOf(earlier, walk);
  const now = resumed ?? begun(walk);
  const queue: DatedEvent[] = input.events
    .map((event) => ({ day: dayNumber(event.date), event }))
    .filter(({ day }) => day >= (resumed ? today : fromDay) && day <= today);
  let morning = resumed ? earlier : null;
  let next = 0;
  for (let day = resumed ? today : fromDay; day <= today; day++) {
    // Today is never one of several quiet days: the trace ends with it.
    if (keep && day === today && day > fromDay) morning ??= morningOf(walk, now);
    now.old = day < walk.fineFrom;
    const quiet = now.old ? quietDays(walk, day, queue[next]?.day ?? Infinity) : 0;
    if (quiet > 1) {
      passQuietly(walk, now, day, quiet);
      day += quiet - 1;
      continue;
    }
    const todays: PlantEvent[] = [];
    while (next < queue.length && queue[next]!.day === day) todays.push(queue[next++]!.event);
    pass(walk, now, day, todays);
  }
  split(walk, now, today);
  ageDeviations(walk, now, today);
  return { history: historyOf(walk, now), morning };
}

function walkOf(input: HistoryInput): Walk {
  const { fromDay, fromFull } = firstWorthwhile(input);
  const drinks = input.events.filter(isDrink);
  return {
    input,
    fromDay,
    fromFull,
    traceFrom: Math.max(fromDay, input.today - TRACE_DAYS + 1),
    fineFrom: drinks.length > 2 ? dayNumber(drinks.at(-2)!.date) : -Infinity,
    lastDrink: drinks.length > 0 ? dayNumber(drinks.at(-1)!.date) : -Infinity,
    scale: scaleOf(input.events, input.fromDay),
    slips: input.slips ?? USUAL_SLIPS,
    wanderVar: (input.wander ?? USUAL_WANDER) ** 2,
  };
}

function historyOf(walk: Walk, now: WalkState): History {
  const { today } = walk.input;
  const days = today - walk.traceFrom + 1;
  for (const branch of now.branches) packTrace(branch, days);
  return {
    stretches: now.stretches,
    current: closed(walk, now, today),
    branches: now.branches,
    lastWatered: now.lastWatered,
    checks: now.allChecks,
    looks: now.looks,
    trust: now.trust,
    wanders: now.wanders,
    trace: { from: walk.traceFrom, days },
  };
}

function pass(walk: Walk, now: WalkState, day: DayNumber, events: readonly PlantEvent[]): void {
  const { loss } = walk.input;
  const i = day - loss.firstDay;
  if (events.length > 0) {
    const early = loss.earlyShare[i]!;
    dry(walk, now, i, early, 0);
    happen(walk, now, events, day);
    dry(walk, now, i, 1 - early, loss.rain[i]!);
  } else dry(walk, now, i, 1, loss.rain[i]!);
  endDay(walk, now, i, day, 1);
}

/** Several days as one. */
function passQuietly(walk: Walk, now: WalkState, day: DayNumber, days: number): void {
  const i = day - walk.input.loss.firstDay;
  dryDays(walk, now, i, days);
  endDay(walk, now, i, day, days);
}

/** Days of old from this one on that pass as one: neither rain nor anything in the book. */
function quietDays(walk: Walk, day: DayNumber, nextEvent: DayNumber): number {
  const { loss } = walk.input;
  const end = Math.min(day + OLD_STRIDE, nextEvent, walk.fineFrom, walk.traceFrom);
  let days = 0;
  while (day + days < end && loss.rain[day + days - loss.firstDay] === 0) days++;
  return days;
}

function dryDays(walk: Walk, now: WalkState, i: number, days: number): void {
  const { surface, wall, plant } = walk.input.loss;
  let s = 0;
  let w = 0;
  let p = 0;
  for (let d = i; d < i + days; d++) {
    s += surface[d]!;
    w += wall[d]!;
    p += plant[d]!;
  }
  lose(walk, now, s, w, p, 0);
}

function dry(walk: Walk, now: WalkState, i: number, share: number, rain: number): void {
  const { surface, wall, plant } = walk.input.loss;
  lose(walk, now, surface[i]! * share, wall[i]! * share, plant[i]! * share, rain);
}

function lose(walk: Walk, now: WalkState, s: number, w: number, p: number, rain: number): void {
  const { surfaceWetM, pot } = walk.input;
  const { firstNode, lastNode } = now.range;
  for (const branch of now.branches) {
    const { m } = branch;
    const pace = branch.lnPace === 0 ? 1 : Math.exp(branch.lnPace);
    for (let n = firstNode; n <= lastNode; n++) {
      const k = RATES[n]! * pace;
      let moisture = m[n]!;
      if (rain > 0) moisture = pour(moisture, rain, 1, pot).m;
      m[n] =
        n < ROUGH_FROM_NODE
          ? dryStep(moisture, k * s, k * w, k * p, surfaceWetM)
          : roughStep(moisture, k * s, k * w, k * p, surfaceWetM);
    }
  }
  if (rain > 0.25) gather(now);
}

/** @param days that passed as one, this the first */
function endDay(walk: Walk, now: WalkState, i: number, day: DayNumber, days: number): void {
  const { surface, wall, plant } = walk.input.loss;
  let half = 0;
  for (let d = i; d < i + days; d++) half += lossAt(0.5, surface[d]!, wall[d]!, plant[d]!, walk.input.surfaceWetM);
  now.driveSum += half;
  now.driveDays += days;
  now.sinceDays += days;
  const heaviest = now.main;
  const moisture = heaviest.m[now.middle]!;
  now.sinceCycles += moisture > DRY_TO_M ? half : DRY_CYCLES * half;
  if (now.splitM - moisture > (now.old ? COARSE : 1) * SPLIT_AFTER_M || now.sinceDays >= SPLIT_AFTER_DAYS)
    split(walk, now, day + days - 1);
  const { dueM } = walk.input;
  for (let n = 0; n < NODES.length; n++) now.daysDue[n] = heaviest.m[n]! <= dueM ? now.daysDue[n]! + days : 0;
  const traced = day >= walk.traceFrom;
  const sinceDrink = day >= walk.lastDrink;
  const { firstNode, lastNode } = now.range;
  for (const branch of now.branches) {
    const { m, dryDay } = branch;
    if (sinceDrink) {
      for (let n = firstNode; n <= lastNode; n++) {
        if (m[n]! > DRY_TO_M) dryDay[n] = NaN;
        else if (Number.isNaN(dryDay[n]!)) dryDay[n] = day;
      }
    }
    if (traced) branch.trace = { m: m.slice(), before: branch.trace };
  }
}

/**
 * Old stretches say little, and a drench forgets what was before it: where there are many, the walk starts at the
 * drench that opens the last {@link MOST_STRETCHES}.
 */
function firstWorthwhile({ events, fromDay, today, pot }: HistoryInput): { fromDay: DayNumber; fromFull: boolean } {
  const drenches: DayNumber[] = [];
  if (pot.holes) {
    for (const event of events) {
      if (event.type !== 'watering' || !methodRow(event.method).through) continue;
      const day = dayNumber(event.date);
      if (day >= fromDay) drenches.push(day);
    }
  }
  const first = drenches.at(-MOST_STRETCHES);
  return drenches.length > MOST_STRETCHES
    ? { fromDay: first!, fromFull: true }
    : { fromDay: Math.max(fromDay, today - LONGEST_WALK_DAYS), fromFull: false };
}
