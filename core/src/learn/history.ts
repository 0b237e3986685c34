/**
 * The pot's past under each possible rate: a cloud of simulated pots, and how well each explains what the keeper found.
 *
 * A drench makes all of them equal again, so the past falls into stretches from drench to drench. Each stretch gives its
 * own evidence on the rate of that stretch; learning.ts joins them.
 */
import { type DayNumber, dayNumber } from '../calendar/day.ts';
import type { PlantEvent } from '../garden.ts';
import { dryStep } from '../drydown/step.ts';
import { pour, wet } from '../drydown/wetting.ts';
import type { PotModel } from '../drydown/potModel.ts';
import { GRID_SIZE, NODES, spreadMoisture } from './grid.ts';
import {
  DRY_TO_M, fingerLikelihood, meterLikelihood, signLikelihood, surfaceLikelihood, weightLikelihood, weightScaleG,
} from './likelihood.ts';

/** What a pot would lose each day from full wetness, as shares of its store, by path. */
export interface LossDays {
  firstDay: DayNumber;
  surface: Float64Array;
  wall: Float64Array;
  plant: Float64Array;
  earlyShare: Float64Array;
  /** share of the store that the day's rain brings */
  rain: Float64Array;
}

/** Evidence of one stretch: ln of the chance of all that was found in it, over the grid of ln k. */
export interface Stretch {
  endDay: DayNumber;
  logs: Float64Array;
  /** looks at the pot */
  checks: number;
  /** some of them by the scale */
  weighed: boolean;
  /** for each watering in it, at each node: ln of the days the pot was left over the days to its due day */
  lateness: Float64Array[];
  /** where the plant stood */
  place: string;
}

export interface History {
  stretches: Stretch[];
  /** the stretch that is still open */
  current: Stretch;
  /** moisture at the end of today over the grid */
  mNow: Float64Array;
  /** spread of moisture that comes from not knowing how wet the pot was at first */
  mSpread: Float64Array;
  /** the day since the last wetting on which each node became dry, NaN where it is not dry */
  dryDay: Float64Array;
  lastWatered: DayNumber | null;
  checks: number;
  trace: Trace;
}

/** The last weeks, day by day, for drawing: moisture at each node, and which stretch the day belongs to. */
export interface Trace {
  from: DayNumber;
  m: Float64Array[];
  stretch: number[];
}

const TRACE_DAYS = 63;

/** Time goes as this power of the water lost. */
const DRYING_SLOWS = 1.5;
const STARTS = [0.02, 0.27, 0.52, 0.77, 1];
/** Two clouds this close are one. */
const TOGETHER_M = 0.01;
/** Known wetness of the mix at potting. */
const POTTED_M = { dry: 0.05, damp: 0.45, wet: 0.9 } as const;

export interface HistoryInput {
  pot: PotModel;
  loss: LossDays;
  events: readonly PlantEvent[];
  /** the pot's life in this potting starts here; earlier events belong to another */
  fromDay: DayNumber;
  today: DayNumber;
  dueM: number;
  /** days that the rule waits once due */
  holdDays: number;
  /** moisture below which the surface dries out (drydown/step.ts) */
  surfaceWetM: number;
  /** where the plant stood on a day */
  placeOn(day: DayNumber): string;
}

type DatedEvent = { day: DayNumber; event: PlantEvent };

export function retrace(input: HistoryInput): History {
  return new Retracing(input).run();
}

/** The state of the cloud while it walks through the days. */
class Retracing {
  private readonly stretches: Stretch[] = [];
  /** cloud[start][node] */
  private cloud: Float64Array[];
  /** ln evidence of the open stretch, by start and grid point */
  private logs: Float64Array[];
  private lateness: Float64Array[] = [];
  private checks = 0;
  private wasWeighed = false;
  private allChecks = 0;
  private readonly dryDay = new Float64Array(NODES.length).fill(NaN);
  private readonly daysDue = new Float64Array(NODES.length);
  private lastWatered: DayNumber | null = null;
  private weighed: { atG: number; m: Float64Array }[] = [];
  private readonly rates = NODES.map((x) => Math.exp(x));
  private readonly trace: Trace;
  private readonly scale: { drainedG: number | null; dryG: number | null };

  /** the first day worth walking */
  private readonly fromDay: DayNumber;

  constructor(private readonly input: HistoryInput) {
    const { fromDay, fromFull } = firstWorthwhile(input);
    this.fromDay = fromDay;
    const starts = fromFull ? [1] : STARTS;
    this.cloud = starts.map((m) => new Float64Array(NODES.length).fill(m));
    this.logs = starts.map(() => new Float64Array(GRID_SIZE));
    this.scale = scaleOf(input.events, input.fromDay);
    this.trace = { from: Math.max(this.fromDay, input.today - TRACE_DAYS + 1), m: [], stretch: [] };
  }

  run(): History {
    const { loss, today } = this.input;
    const { fromDay } = this;
    const queue: DatedEvent[] = this.input.events
      .map((event) => ({ day: dayNumber(event.date), event }))
      .filter(({ day }) => day >= fromDay && day <= today);
    let next = 0;
    for (let day = fromDay; day <= today; day++) {
      const i = day - loss.firstDay;
      const todays: PlantEvent[] = [];
      while (next < queue.length && queue[next]!.day === day) todays.push(queue[next++]!.event);
      if (todays.length > 0) {
        const early = loss.earlyShare[i]!;
        this.dry(i, early, 0);
        this.happen(todays, day);
        this.dry(i, 1 - early, loss.rain[i]!);
      } else {
        this.dry(i, 1, loss.rain[i]!);
      }
      this.noteDry(day);
      if (day >= this.trace.from) {
        this.trace.m.push(averageCloud(this.cloud));
        this.trace.stretch.push(this.stretches.length);
      }
    }
    const current = this.closed(today);
    return {
      stretches: this.stretches,
      current,
      ...this.presentMoisture(),
      dryDay: this.dryDay,
      lastWatered: this.lastWatered,
      checks: this.allChecks,
      trace: this.trace,
    };
  }

  private dry(i: number, share: number, rain: number): void {
    const { surface, wall, plant } = this.input.loss;
    const { surfaceWetM } = this.input;
    const s = surface[i]! * share;
    const w = wall[i]! * share;
    const p = plant[i]! * share;
    for (const moistures of this.cloud) {
      for (let n = 0; n < moistures.length; n++) {
        const k = this.rates[n]!;
        let m = moistures[n]!;
        if (rain > 0) m = pour(m, rain, 1, this.input.pot).m;
        moistures[n] = dryStep(m, k * s, k * w, k * p, surfaceWetM);
      }
    }
    if (rain > 0.25) this.mergeCloud();
  }

  /** Checks come before waterings of the same day (docs/formats.md). */
  private happen(events: readonly PlantEvent[], day: DayNumber): void {
    for (const event of events) {
      if (event.type === 'check') this.check(event);
      else if (event.type === 'sign') this.addEvidence((m) => signLikelihood(event.sign, event.strength, m), false);
    }
    for (const event of events) {
      if (event.type === 'watering') this.water(event, day);
      else if (event.type === 'repotting' && event.mix_was) {
        const m = POTTED_M[event.mix_was];
        this.cloud = [-0.1, 0, 0.1].map((d) => new Float64Array(NODES.length).fill(Math.min(1, Math.max(0, m + d))));
        this.logs = this.cloud.map(() => new Float64Array(GRID_SIZE));
      }
    }
  }

  private check(event: Extract<PlantEvent, { type: 'check' }>): void {
    if ('finger' in event) this.addEvidence((m) => fingerLikelihood(event.finger, m), true);
    else if ('surface' in event) this.addEvidence((m) => surfaceLikelihood(event.surface, m), true);
    else if ('meter' in event) this.addEvidence((m) => meterLikelihood(event.meter, m), true);
    else this.weigh(event.weight_g);
  }

  private weigh(weightG: number): void {
    const availableG = this.input.pot.capacity.availableMl;
    const { drainedG, dryG } = this.scale;
    this.checks++;
    this.allChecks++;
    this.wasWeighed = true;
    if (drainedG !== null) {
      // Found dry somewhere between 0 and 0.12: take the middle.
      const rangeG = dryG !== null && dryG < drainedG ? (drainedG - dryG) / (1 - DRY_TO_M / 2) : availableG;
      const scaleG = weightScaleG(drainedG, rangeG);
      this.addEvidence((m) => weightLikelihood(drainedG - (1 - m) * rangeG - weightG, dryG === null ? Math.hypot(scaleG, 0.1 * (1 - m) * rangeG) : scaleG), false);
      return;
    }
    // Nobody weighed it drained: only differences count, which closed() reckons up over the stretch.
    this.weighed.push({ atG: weightG, m: spreadMoisture(averageCloud(this.cloud)) });
  }

  private addEvidence(likelihood: (m: number) => number | null, isCheck: boolean): void {
    for (const [start, atNodes] of this.cloud.entries()) {
      const logs = this.logs[start]!;
      const moistures = spreadMoisture(atNodes);
      for (let i = 0; i < GRID_SIZE; i++) {
        const chance = likelihood(moistures[i]!);
        if (chance === null) return;
        logs[i]! += Math.log(chance);
      }
    }
    if (isCheck) {
      this.checks++;
      this.allChecks++;
    }
  }

  private water(event: Extract<PlantEvent, { type: 'watering' }>, day: DayNumber): void {
    const { pot } = this.input;
    if (event.method !== 'mist') {
      if (this.lastWatered !== null && day > this.lastWatered) {
        this.lateness.push(this.latenessNow(day - this.lastWatered));
      }
      this.lastWatered = day;
    }
    const before = this.cloud;
    const after = before.map((moistures) => moistures.map((m) => wet(m, event.method, event.amount_ml ?? null, pot).m));
    const full = after.every((moistures) => moistures.every((m) => m >= 0.9));
    if (full) {
      // All are alike again: what was found till now belongs to the stretch that ends here.
      this.stretches.push(this.closed(day));
      this.cloud = [averageCloud(after)];
      this.open(1);
    } else {
      this.cloud = after;
      this.mergeCloud();
    }
    this.dryDay.fill(NaN);
    this.daysDue.fill(0);
  }

  /** How late the water came at each rate: 0 on the day it was due, ln 2 when the pot was left twice as long. */
  private latenessNow(daysLeft: number): Float64Array {
    const { dueM, holdDays } = this.input;
    const out = new Float64Array(NODES.length);
    for (let n = 0; n < out.length; n++) {
      const daysDue = this.daysDue[n]!;
      // Not due yet: by how much of the way it had come. Drying slows, so the last of the way takes longest.
      const early = Math.min(1, (1 - averageOf(this.cloud, n)) / (1 - dueM)) ** DRYING_SLOWS;
      const daysToDue = daysDue > 0 ? daysLeft - daysDue + 0.5 : daysLeft / Math.max(0.02, early);
      out[n] = Math.log(Math.max(0.5, daysLeft) / Math.max(0.5, daysToDue + holdDays));
    }
    return out;
  }

  private open(starts: number): void {
    this.logs = Array.from({ length: starts }, () => new Float64Array(GRID_SIZE));
    this.lateness = [];
    this.checks = 0;
    this.wasWeighed = false;
    this.weighed = [];
  }

  private closed(day: DayNumber): Stretch {
    const logs = logMean(this.logs);
    addRelativeWeights(logs, this.weighed, this.input.pot.capacity.availableMl);
    return {
      endDay: day, logs, checks: this.checks, weighed: this.wasWeighed, lateness: this.lateness, place: this.input.placeOn(day),
    };
  }

  /** Joins starts that have run together. */
  private mergeCloud(): void {
    if (this.cloud.length === 1) return;
    let apart = 0;
    for (let n = 0; n < NODES.length; n++) {
      let low = Infinity;
      let high = -Infinity;
      for (const moistures of this.cloud) {
        low = Math.min(low, moistures[n]!);
        high = Math.max(high, moistures[n]!);
      }
      apart = Math.max(apart, high - low);
    }
    if (apart > TOGETHER_M) return;
    this.logs = [logMean(this.logs)];
    this.cloud = [averageCloud(this.cloud)];
  }

  private noteDry(day: DayNumber): void {
    const { dueM } = this.input;
    const single = this.cloud.length === 1 ? this.cloud[0]! : null;
    for (let n = 0; n < NODES.length; n++) {
      const m = single ? single[n]! : averageOf(this.cloud, n);
      if (m <= DRY_TO_M) {
        if (Number.isNaN(this.dryDay[n]!)) this.dryDay[n] = day;
      } else {
        this.dryDay[n] = NaN;
      }
      if (m <= dueM) this.daysDue[n]!++;
      else this.daysDue[n] = 0;
    }
  }

  /** Moisture now, each start weighed by how well it explained what was found. */
  private presentMoisture(): { mNow: Float64Array; mSpread: Float64Array } {
    const mNow = new Float64Array(GRID_SIZE);
    const mSpread = new Float64Array(GRID_SIZE);
    const clouds = this.cloud.map((atNodes) => spreadMoisture(atNodes));
    if (clouds.length === 1) return { mNow: clouds[0]!, mSpread };
    for (let i = 0; i < GRID_SIZE; i++) {
      const top = Math.max(...this.logs.map((logs) => logs[i]!));
      let weight = 0;
      let sum = 0;
      let squares = 0;
      for (const [start, moistures] of clouds.entries()) {
        const w = Math.exp(this.logs[start]![i]! - top);
        weight += w;
        sum += w * moistures[i]!;
        squares += w * moistures[i]! ** 2;
      }
      mNow[i] = sum / weight;
      mSpread[i] = Math.sqrt(Math.max(0, squares / weight - mNow[i]! ** 2));
    }
    return { mNow, mSpread };
  }
}

/**
 * Old stretches say little, and a drench forgets what was before it: where there are many, the walk starts at the drench
 * that opens the last {@link MOST_STRETCHES}.
 */
function firstWorthwhile({ events, fromDay, today, pot }: HistoryInput): { fromDay: DayNumber; fromFull: boolean } {
  const drenches: DayNumber[] = [];
  if (pot.holes) {
    for (const event of events) {
      if (event.type !== 'watering' || event.method !== 'drench') continue;
      const day = dayNumber(event.date);
      if (day >= fromDay) drenches.push(day);
    }
  }
  const first = drenches.at(-MOST_STRETCHES);
  return drenches.length > MOST_STRETCHES ? { fromDay: first!, fromFull: true } : { fromDay: Math.max(fromDay, today - LONGEST_WALK_DAYS), fromFull: false };
}

const MOST_STRETCHES = 10;
/** Where nothing ever starts the pot anew, a year says enough. */
const LONGEST_WALK_DAYS = 400;

function averageOf(cloud: readonly Float64Array[], n: number): number {
  let sum = 0;
  for (const moistures of cloud) sum += moistures[n]!;
  return sum / cloud.length;
}

function averageCloud(cloud: readonly Float64Array[]): Float64Array {
  if (cloud.length === 1) return cloud[0]!.slice();
  return new Float64Array(NODES.length).map((_, n) => averageOf(cloud, n));
}

/** ln of the mean of chances given as logs, point by point. */
function logMean(starts: readonly Float64Array[]): Float64Array {
  if (starts.length === 1) return starts[0]!.slice();
  return starts[0]!.map((_, i) => {
    const top = Math.max(...starts.map((logs) => logs[i]!));
    let sum = 0;
    for (const logs of starts) sum += Math.exp(logs[i]! - top);
    return top + Math.log(sum / starts.length);
  });
}

/** The latest weighing that tells what full and dry weigh, in this potting. */
function scaleOf(events: readonly PlantEvent[], fromDay: DayNumber): { drainedG: number | null; dryG: number | null } {
  let drainedG: number | null = null;
  let dryG: number | null = null;
  for (const event of events) {
    if (event.type !== 'weights' || dayNumber(event.date) < fromDay) continue;
    drainedG = event.drained_g;
    dryG = event.dry_g ?? dryG;
  }
  return { drainedG, dryG };
}

/**
 * Weights of a pot whose full weight nobody knows: the unknown dead weight is integrated out under a flat prior,
 * which leaves the scatter of (weight − store · m) about its own mean.
 */
function addRelativeWeights(logs: Float64Array, weighed: readonly { atG: number; m: Float64Array }[], availableG: number): void {
  if (weighed.length < 2) return;
  const grossG = weighed.reduce((sum, w) => sum + w.atG, 0) / weighed.length;
  const scaleG = Math.hypot(weightScaleG(grossG, availableG), 0.05 * availableG);
  for (let i = 0; i < GRID_SIZE; i++) {
    const rests = weighed.map((w) => w.atG - availableG * w.m[i]!).sort((a, b) => a - b);
    // The middle one, not the mean: one slip of the scale must not drag the base along.
    const base = rests[Math.floor(rests.length / 2)]!;
    for (const rest of rests) logs[i]! += Math.log(weightLikelihood(rest - base, scaleG));
  }
}
