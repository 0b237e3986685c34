/**
 * A pot's past as it may have been: branches under each possible rate (branches.ts), dried by the chain's physics,
 * split by what the book may not tell (upsets.ts), weighed by every look (looks.ts).
 *
 * It is the forward pass of a hidden Markov model whose states are ways of things rather than cells of a grid, so that
 * nothing diffuses. The past falls into stretches from drink to drink. Each stretch gives its own evidence on the rate
 * (rate.ts joins them), with everything that may have happened in it summed over: a look that an upset explains says
 * nothing of the rate.
 */
import { isDrink, methodRow } from '../catalogue/ways.ts';
import { type DayNumber, dayNumber } from '../calendar/day.ts';
import type { PlantEvent } from '../garden.ts';
import { dryStep, lossAt, roughStep } from '../drydown/step.ts';
import { pour, wet } from '../drydown/wetting.ts';
import type { PotModel } from '../drydown/potModel.ts';
import { DRY_TO_M } from '../moisture.ts';
import { type Branch, branchAt, copyOf, join, offshoot, ON_GRID, packTrace, together, weightOf } from './branches.ts';
import {
  GRID,
  GRID_SIZE,
  gridRange,
  type GridRange,
  NODES,
  normalDensity,
  spreadMoisture,
  WHOLE_GRID,
} from './grid.ts';
import {
  deviationSd,
  type Figure,
  type LookKind,
  meterFigure,
  USUAL_SLIPS,
  type Words,
  weightFigure,
} from './looks.ts';
import { addRelativeWeights, type Scale, scaleOf } from './scale.ts';
import {
  FRESH_STRANGER,
  PACES,
  PAST_BEFORE_A_LOOK,
  PAST_SHARES,
  paceChance,
  ranPastChance,
  STRANGER_AT_A_LOOK,
  STRANGER_BEFORE_A_LOOK,
  STRANGER_SD,
  strangerChance,
} from './upsets.ts';
import { USUAL_WANDER, WANDERS_TRIED } from './wander.ts';
import { type Believed, wanderChances, weighFigure, weighSign, weighWords } from './weighing.ts';

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
  /** ln of the mean daily loss at half wetness: in what air and season the stretch dried */
  lnDrive: number;
}

/** A look of the last days, for who wants to know how it was believed. */
export interface SeenLook {
  day: DayNumber;
  kind: LookKind;
}

export interface History {
  stretches: Stretch[];
  /** the stretch that is still open */
  current: Stretch;
  /** what may be in the pot now: weights are conditional on the rate, so that the prior and older stretches can join */
  branches: Branch[];
  lastWatered: DayNumber | null;
  checks: number;
  /** the looks that the branches' slips are of, oldest first */
  looks: SeenLook[];
  /** looks of each kind, and how many of them were slips as it seems */
  trust: Record<LookKind, { looks: number; slips: number }>;
  /** ln of the chance of its figures under each of WANDERS_TRIED; nothing where that was not asked */
  wanders: Float64Array;
  trace: Trace;
}

/**
 * Where a walk stood at the start of today. While the book is the same but for today's lines, the next walk goes on from
 * here: the same, to the last digit, for a small part of the work.
 */
export interface Morning {
  /** what the walk hangs on besides the lines before today */
  input: HistoryInput;
  /** what was read from the whole book: where the walk begins, which days are of old, the scale */
  frame: string;
  /** the lines before today */
  book: string;
  state: WalkState;
}

/** Everything that moves while a walk goes on. */
interface WalkState {
  stretches: Stretch[];
  branches: Branch[];
  /** which of the branches is the heaviest */
  main: number;
  scaleLog: number;
  belief: Float64Array;
  range: GridRange;
  middle: number;
  lateness: Float64Array[];
  checks: number;
  wasWeighed: boolean;
  allChecks: number;
  daysDue: Float64Array;
  lastWatered: DayNumber | null;
  weighed: { atG: number; m: Float64Array }[];
  looks: SeenLook[];
  trust: History['trust'];
  unseenDrench: boolean;
  sinceDays: number;
  sinceCycles: number;
  splitM: number;
  splitDay: DayNumber;
  deviationDay: DayNumber;
  driveSum: number;
  driveDays: number;
}

/** The last weeks, day by day, for drawing: each branch keeps its own moistures from this day on. */
export interface Trace {
  from: DayNumber;
  days: number;
}

const TRACE_DAYS = 63;

/** Time goes as this power of the water lost. */
const DRYING_SLOWS = 1.5;
const STARTS = [0.02, 0.15, 0.3, 0.5, 0.75, 1];
/** Branches this close are one. */
const TOGETHER_M = 0.03;
const NEARLY_TOGETHER_M = 0.06;
const MOST_BRANCHES = 12;
const MOST_OLD_BRANCHES = 4;
/** Lighter branches are dropped, their mass going to the rest. */
const LEAST_WEIGHT = 1e-4;
const WORTH_SPLITTING = 0.08;
/** A pot that dried by so much, or stood for so long, may have been passed by a stranger. */
const SPLIT_AFTER_M = 0.09;
const SPLIT_AFTER_DAYS = 30;
/**
 * Before its last two drinks a pot's upsets matter only for what its looks say of the rate: split so much more rarely.
 */
const COARSE = 3;
const OLD_SPLIT_CYCLES = 0.3;
/** Quiet days of old are taken so many at a time; the step splits itself where that is too much (drydown/step.ts). */
const OLD_STRIDE = 3;
/**
 * A pot that stands dry draws fewer cans than one that is watered every week: its days count for so much of a cycle.
 */
const DRY_CYCLES = 0.4;
/** A drink that lifts moisture by so much opens a new stretch. */
const NEW_STRETCH_M = 0.25;
/** A hand pours a measure to within a fifth. */
const POURED_SD = 0.2;
const MOST_Z_VARIANCE = 9;
/** A deviation is forgotten over so many days. */
const DEVIATION_DAYS = 25;
/** Known wetness of the mix at potting. */
const POTTED_M = { dry: 0.05, damp: 0.45, wet: 0.9 } as const;
/** Looks remembered singly. */
const MOST_LOOKS = 6;
/** The fastest rates of all: hardly ever believed, and dearest to reckon. */
const ROUGH_FROM_NODE = 8;
/**
 * A way for a drench of old that ran past: what it was matters no more, only that the looks after it say nothing of the
 * rate.
 */
const PAST_OF_OLD = [{ share: 0.22, odds: 1 }];
/**
 * Rates believed less than this against the likeliest are not walked; so much doubt of what was learned is kept from
 * stretch to stretch.
 */
const LEAST_BELIEVED = 0.003;
const REMEMBERED_DOUBT = 0.02;
const MIDDLE_NODE = (NODES.length - 1) / 2;

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
  /** whether what the book does not tell is thought of; false only to compare reckonings */
  upsets: boolean;
  /** rain or strangers come more easily */
  openSky: boolean;
  /** how often this keeper's looks are slips, by kind; left out: as usual */
  slips?: Readonly<Record<LookKind, number>>;
  /** how far pots of this collection wander from their reckoning (wander.ts); left out: as usual */
  wander?: number;
  /** whether its figures shall tell how far it wanders */
  tellsWander?: boolean;
  /** where the plant stood on a day */
  placeOn(day: DayNumber): string;
}

type DatedEvent = { day: DayNumber; event: PlantEvent };

export function retrace(input: HistoryInput): History {
  return new Retracing(input).run(null, false).history;
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
  return new Retracing(input).run(earlier, keep);
}

/** The state of the branches while they walk through the days. */
class Retracing {
  private stretches: Stretch[] = [];
  private branches: Branch[];
  /** the heaviest of them, as of the last gathering */
  private main: Branch;
  /** ln that was taken out of all weights */
  private scaleLog = 0;
  /** nominal belief over the rates, for what hangs on a branch's weight alone */
  private belief = normalDensity(0, 0.5);
  /** the rates that are walked, and the node in their middle */
  private range: GridRange = WHOLE_GRID;
  private middle = MIDDLE_NODE;
  private lateness: Float64Array[] = [];
  private checks = 0;
  private wasWeighed = false;
  private allChecks = 0;
  private daysDue = new Float64Array(NODES.length);
  private lastWatered: DayNumber | null = null;
  private weighed: { atG: number; m: Float64Array }[] = [];
  private readonly rates = NODES.map((x) => Math.exp(x));
  private readonly scale: Scale;
  private looks: SeenLook[] = [];
  private trust: History['trust'] = {
    finger: none(),
    surface: none(),
    meter: none(),
    weight: none(),
    lift: none(),
  };
  private readonly slips: Readonly<Record<LookKind, number>>;
  private readonly wanderVar: number;
  private readonly wanders = new Float64Array(WANDERS_TRIED.length);
  private readonly fromDay: DayNumber;
  private readonly traceFrom: DayNumber;
  private readonly fineFrom: DayNumber;
  private readonly lastDrink: DayNumber;
  /** no look since the last drench on record */
  private unseenDrench = false;
  /** before its last two drinks */
  private old = false;
  /** since the last split: days, pots' worth of water, and where the heaviest branch stood */
  private sinceDays = 0;
  private sinceCycles = 0;
  private splitM = 1;
  private splitDay: DayNumber;
  private deviationDay: DayNumber;
  private driveSum = 0;
  private driveDays = 0;

  constructor(private readonly input: HistoryInput) {
    const { fromDay, fromFull } = firstWorthwhile(input);
    this.fromDay = fromDay;
    this.splitDay = fromDay;
    this.deviationDay = fromDay;
    const starts = fromFull ? [1] : STARTS;
    this.branches = starts.map((m) => branchAt(m, 1 / starts.length));
    this.main = this.branches[Math.floor(starts.length / 2)]!;
    this.scale = scaleOf(input.events, input.fromDay);
    this.traceFrom = Math.max(this.fromDay, input.today - TRACE_DAYS + 1);
    this.slips = input.slips ?? USUAL_SLIPS;
    this.wanderVar = (input.wander ?? USUAL_WANDER) ** 2;
    for (const branch of this.branches) branch.zVar = this.wanderVar;
    const drinks = input.events.filter(isDrink);
    this.lastDrink = drinks.length > 0 ? dayNumber(drinks.at(-1)!.date) : -Infinity;
    this.fineFrom = drinks.length > 2 ? dayNumber(drinks.at(-2)!.date) : -Infinity;
  }

  run(earlier: Morning | null, keep: boolean): { history: History; morning: Morning | null } {
    const { loss, today } = this.input;
    const { fromDay } = this;
    const queue: DatedEvent[] = this.input.events
      .map((event) => ({ day: dayNumber(event.date), event }))
      .filter(({ day }) => day >= fromDay && day <= today);
    let next = 0;
    let morning = this.fitting(earlier);
    if (morning) {
      this.goOnFrom(morning.state);
      while (next < queue.length && queue[next]!.day < today) next++;
    }
    for (let day = morning ? today : fromDay; day <= today; day++) {
      // Today is never one of several quiet days: the trace ends with it.
      if (keep && day === today && day > fromDay) morning ??= this.standing();
      this.old = day < this.fineFrom;
      const i = day - loss.firstDay;
      const quiet = this.old ? this.quietDays(day, queue[next]?.day ?? Infinity) : 0;
      if (quiet > 1) {
        this.dryDays(i, quiet);
        this.endDay(i, day, quiet);
        day += quiet - 1;
        continue;
      }
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
      this.endDay(i, day, 1);
    }
    this.split(today);
    this.ageDeviations(today);
    const current = this.closed(today);
    const traceDays = today - this.traceFrom + 1;
    for (const branch of this.branches) packTrace(branch, traceDays);
    const history: History = {
      stretches: this.stretches,
      current,
      branches: this.branches,
      lastWatered: this.lastWatered,
      checks: this.allChecks,
      looks: this.looks,
      trust: this.trust,
      wanders: this.wanders,
      trace: { from: this.traceFrom, days: traceDays },
    };
    return { history, morning };
  }

  /** The morning, if this walk would come to it too. */
  private fitting(morning: Morning | null): Morning | null {
    if (!morning) return null;
    const { pot, loss, today, dueM, holdDays, surfaceWetM, upsets, openSky } = this.input;
    const then = morning.input;
    const same =
      then.pot === pot &&
      then.loss === loss &&
      then.today === today &&
      then.dueM === dueM &&
      then.holdDays === holdDays &&
      then.surfaceWetM === surfaceWetM &&
      then.upsets === upsets &&
      then.openSky === openSky &&
      then.slips === this.input.slips &&
      then.wander === this.input.wander;
    return same && morning.frame === this.frame() && morning.book === this.bookBeforeToday() ? morning : null;
  }

  private frame(): string {
    const { fromDay, fineFrom, lastDrink, traceFrom, scale } = this;
    return JSON.stringify([fromDay, String(fineFrom), String(lastDrink), traceFrom, scale]);
  }

  private bookBeforeToday(): string {
    const { events, today } = this.input;
    return JSON.stringify(events.filter((event) => dayNumber(event.date) < today));
  }

  /** How the walk stands, to be gone on from later. */
  private standing(): Morning {
    const state: WalkState = {
      stretches: this.stretches,
      branches: this.branches,
      main: this.branches.indexOf(this.main),
      scaleLog: this.scaleLog,
      belief: this.belief,
      range: this.range,
      middle: this.middle,
      lateness: this.lateness,
      checks: this.checks,
      wasWeighed: this.wasWeighed,
      allChecks: this.allChecks,
      daysDue: this.daysDue,
      lastWatered: this.lastWatered,
      weighed: this.weighed,
      looks: this.looks,
      trust: this.trust,
      unseenDrench: this.unseenDrench,
      sinceDays: this.sinceDays,
      sinceCycles: this.sinceCycles,
      splitM: this.splitM,
      splitDay: this.splitDay,
      deviationDay: this.deviationDay,
      driveSum: this.driveSum,
      driveDays: this.driveDays,
    };
    return { input: this.input, frame: this.frame(), book: this.bookBeforeToday(), state: copied(state) };
  }

  private goOnFrom(state: WalkState): void {
    const { main, ...own } = copied(state);
    Object.assign(this, own);
    this.main = this.branches[main]!;
  }

  /** Days of old from this one on that pass as one: neither rain nor anything in the book. */
  private quietDays(day: DayNumber, nextEvent: DayNumber): number {
    const { loss } = this.input;
    const end = Math.min(day + OLD_STRIDE, nextEvent, this.fineFrom, this.traceFrom);
    let days = 0;
    while (day + days < end && loss.rain[day + days - loss.firstDay] === 0) days++;
    return days;
  }

  private dryDays(i: number, days: number): void {
    const { surface, wall, plant } = this.input.loss;
    let s = 0;
    let w = 0;
    let p = 0;
    for (let d = i; d < i + days; d++) {
      s += surface[d]!;
      w += wall[d]!;
      p += plant[d]!;
    }
    this.lose(s, w, p, 0);
  }

  private dry(i: number, share: number, rain: number): void {
    const { surface, wall, plant } = this.input.loss;
    this.lose(surface[i]! * share, wall[i]! * share, plant[i]! * share, rain);
  }

  private lose(s: number, w: number, p: number, rain: number): void {
    const { surfaceWetM, pot } = this.input;
    const { firstNode, lastNode } = this.range;
    for (const branch of this.branches) {
      const { m } = branch;
      const pace = branch.lnPace === 0 ? 1 : Math.exp(branch.lnPace);
      for (let n = firstNode; n <= lastNode; n++) {
        const k = this.rates[n]! * pace;
        let now = m[n]!;
        if (rain > 0) now = pour(now, rain, 1, pot).m;
        m[n] =
          n < ROUGH_FROM_NODE
            ? dryStep(now, k * s, k * w, k * p, surfaceWetM)
            : roughStep(now, k * s, k * w, k * p, surfaceWetM);
      }
    }
    if (rain > 0.25) this.gather();
  }

  /** @param days that passed as one, this the first */
  private endDay(i: number, day: DayNumber, days: number): void {
    const { surface, wall, plant } = this.input.loss;
    let half = 0;
    for (let d = i; d < i + days; d++) half += lossAt(0.5, surface[d]!, wall[d]!, plant[d]!, this.input.surfaceWetM);
    this.driveSum += half;
    this.driveDays += days;
    this.sinceDays += days;
    const heaviest = this.main;
    const now = heaviest.m[this.middle]!;
    this.sinceCycles += now > DRY_TO_M ? half : DRY_CYCLES * half;
    if (this.splitM - now > (this.old ? COARSE : 1) * SPLIT_AFTER_M || this.sinceDays >= SPLIT_AFTER_DAYS)
      this.split(day + days - 1);
    const { dueM } = this.input;
    for (let n = 0; n < NODES.length; n++) this.daysDue[n] = heaviest.m[n]! <= dueM ? this.daysDue[n]! + days : 0;
    const traced = day >= this.traceFrom;
    const sinceDrink = day >= this.lastDrink;
    const { firstNode, lastNode } = this.range;
    for (const branch of this.branches) {
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

  /** Whatever may have happened since the last split, unseen: a branch each. */
  private split(day: DayNumber, leastStranger = 0): void {
    const { low, high } = this.range;
    const { sinceDays: days, sinceCycles: cycles, splitDay } = this;
    const main = this.main;
    this.sinceDays = 0;
    this.sinceCycles = 0;
    this.splitM = main.m[this.middle]!;
    this.splitDay = day;
    if (days === 0 || !this.input.upsets) return;
    const stranger = Math.max(leastStranger, strangerChance(days, cycles, this.input.openSky));
    const came = ON_GRID.slice().fill(0);
    for (const { weights } of this.branches) {
      for (let i = low; i <= high; i++) {
        came[i]! += stranger * weights[i]!;
        weights[i]! *= 1 - stranger;
      }
    }
    const found = leastStranger > 0 && !this.old ? STRANGER_AT_A_LOOK : FRESH_STRANGER;
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
    if (main.lnPace === 0 && !this.old) {
      for (const pace of PACES) {
        const changed = offshoot(main, paceChance(pace, days, cycles));
        changed.lnPace = pace.lnPace;
        changed.stories.push({ kind: pace.kind, from: splitDay + 1, to: day, share: 1 });
        fresh.push(changed);
      }
    }
    this.branches.push(...fresh);
    this.gather();
  }

  /** Joins branches that run together, drops the hopeless, and keeps their number within bounds. */
  private gather(): void {
    let weighed = this.branches.map((branch) => ({ branch, weight: weightOf(branch, this.belief, this.range) }));
    let total = 0;
    for (const { weight } of weighed) total += weight;
    weighed = weighed.filter(({ weight }) => weight >= LEAST_WEIGHT * total);
    weighed = joined(weighed, TOGETHER_M, this.range);
    const most = this.old ? MOST_OLD_BRANCHES : MOST_BRANCHES;
    if (weighed.length > most) weighed = joined(weighed, NEARLY_TOGETHER_M, this.range);
    // Ways far apart are never averaged: the least likely go.
    if (weighed.length > most) weighed = weighed.sort((a, b) => b.weight - a.weight).slice(0, most);
    this.branches = weighed.map(({ branch }) => branch);
    this.main = weighed.reduce((best, next) => (next.weight > best.weight ? next : best)).branch;
  }

  private ageDeviations(day: DayNumber): void {
    const { low, high } = this.range;
    const days = day - this.deviationDay;
    this.deviationDay = day;
    if (days <= 0) return;
    const keeps = Math.exp(-days / DEVIATION_DAYS);
    for (const branch of this.branches) {
      for (let i = low; i <= high; i++) branch.z[i]! *= keeps;
      branch.zVar = keeps * keeps * branch.zVar + (1 - keeps * keeps) * this.wanderVar;
    }
  }

  /** Checks come before waterings of the same day (docs/formats.md). */
  private happen(events: readonly PlantEvent[], day: DayNumber): void {
    this.ageDeviations(day);
    let unsplit = true;
    const looked = () => {
      // Of old, only now and then: what matters of it is the rate.
      if (unsplit && (!this.old || this.sinceCycles > OLD_SPLIT_CYCLES)) this.split(day, STRANGER_BEFORE_A_LOOK);
      if (unsplit && !this.old && this.unseenDrench) this.doubtDrench();
      unsplit = false;
      this.unseenDrench = false;
    };
    for (const event of events) {
      if (event.type === 'check') {
        looked();
        this.check(event, day);
      } else if (event.type === 'sign') {
        this.sign(event);
      }
    }
    for (const event of events) {
      if (event.type === 'changed') this.change(event.pace, day);
      if (event.type === 'watering') this.water(event, day);
      else if (event.type === 'repotting' && event.mix_was) {
        const m = POTTED_M[event.mix_was];
        this.branches = [-0.1, 0, 0.1].map((d) => branchAt(Math.min(1, Math.max(0, m + d)), 1 / 3));
        for (const branch of this.branches) branch.zVar = this.wanderVar;
        this.main = this.branches[1]!;
        this.scaleLog = 0;
      }
    }
  }

  /**
   * The first look after a drench on record: that it ran past is now as likely as {@link PAST_BEFORE_A_LOOK}, if it was
   * not before.
   */
  private doubtDrench(): void {
    const { low, high } = this.range;
    const pastShare = (branch: Branch) =>
      Math.min(
        1,
        branch.stories.reduce((sum, { kind, share }) => sum + (kind === 'ran-past' ? share : 0), 0),
      );
    let past = 0;
    let total = 0;
    for (const branch of this.branches) {
      const weight = weightOf(branch, this.belief, this.range);
      past += weight * pastShare(branch);
      total += weight;
    }
    const share = past / total;
    if (!(share > 0) || share >= PAST_BEFORE_A_LOOK) return;
    const up = PAST_BEFORE_A_LOOK / share;
    const down = (1 - PAST_BEFORE_A_LOOK) / (1 - share);
    for (const branch of this.branches) {
      const times = down + pastShare(branch) * (up - down);
      for (let i = low; i <= high; i++) branch.weights[i]! *= times;
    }
  }

  private check(event: Extract<PlantEvent, { type: 'check' }>, day: DayNumber): void {
    this.checks++;
    this.allChecks++;
    if ('finger' in event) this.words({ kind: 'finger', says: event.finger }, day);
    else if ('surface' in event) this.words({ kind: 'surface', says: event.surface }, day);
    else if ('lift' in event) this.words({ kind: 'lift', says: event.lift }, day);
    else if ('meter' in event) this.figure(meterFigure(event.meter, this.slips.meter), 'meter', day);
    else this.weigh(event.weight_g, day);
  }

  /** The keeper says so: every way of things goes on at the new pace. */
  private change(kind: 'slower' | 'faster', day: DayNumber): void {
    const pace = PACES.find((one) => one.kind === kind)!;
    for (const branch of this.branches) {
      if (branch.lnPace === 0) branch.lnPace = pace.lnPace;
      branch.stories = [
        ...branch.stories.filter((story) => story.kind !== kind),
        { kind, from: day, to: day, share: 1 },
      ];
    }
  }

  private weigh(weightG: number, day: DayNumber): void {
    const availableG = this.input.pot.capacity.availableMl;
    const { drainedG, dryG, on } = this.scale;
    this.wasWeighed = true;
    if (drainedG !== null) {
      // Found dry somewhere between 0 and 0.12: take the middle.
      const rangeG = dryG !== null && dryG < drainedG ? (drainedG - dryG) / (1 - DRY_TO_M / 2) : availableG;
      this.figure(weightFigure(weightG, drainedG, rangeG, dryG !== null, day - on, this.slips.weight), 'weight', day);
      return;
    }
    // Nobody weighed it drained: only differences count, which closed() reckons up over the stretch.
    this.weighed.push({ atG: weightG, m: this.meanOnGrid() });
  }

  /** What a look is weighed against. */
  private get believed(): Believed {
    return { branches: this.branches, belief: this.belief, range: this.range };
  }

  private words(words: Words, day: DayNumber): void {
    this.seen(words.kind, day, weighWords(this.believed, words, this.slips[words.kind]));
  }

  private figure(figure: Figure, kind: LookKind, day: DayNumber): void {
    if (this.input.tellsWander) {
      const logs = wanderChances(this.believed, figure, this.wanderVar);
      for (const [w, ln] of logs.entries()) this.wanders[w]! += ln;
    }
    this.seen(kind, day, weighFigure(this.believed, figure));
  }

  /** Notes how a look was believed, and keeps weights from vanishing. */
  private seen(kind: LookKind, day: DayNumber, shares: readonly number[]): void {
    this.looks.push({ day, kind });
    if (this.looks.length > MOST_LOOKS) this.looks.shift();
    let slips = 0;
    let total = 0;
    for (const [b, branch] of this.branches.entries()) {
      branch.slips = [...branch.slips.slice(-(MOST_LOOKS - 1)), { day, share: shares[b]! }];
      const weight = weightOf(branch, this.belief, this.range);
      slips += weight * shares[b]!;
      total += weight;
    }
    this.trust[kind].looks++;
    if (total > 0) this.trust[kind].slips += slips / total;
    this.rescale();
    this.gather();
  }

  private sign({ sign, strength }: Extract<PlantEvent, { type: 'sign' }>): void {
    if (weighSign(this.believed, sign, strength)) this.rescale();
  }

  private rescale(): void {
    const { low, high } = this.range;
    let top = 0;
    for (const { weights } of this.branches) for (let i = low; i <= high; i++) if (weights[i]! > top) top = weights[i]!;
    if (!(top > 0) || (top > 1e-30 && top < 1e30)) return;
    for (const { weights } of this.branches) for (let i = low; i <= high; i++) weights[i]! /= top;
    this.scaleLog += Math.log(top);
  }

  private water(event: Extract<PlantEvent, { type: 'watering' }>, day: DayNumber): void {
    const { pot } = this.input;
    const { whole, waters, ranPast } = methodRow(event.method);
    const before = this.main.m[this.middle]!;
    if (waters) {
      if (this.lastWatered !== null && day > this.lastWatered)
        this.lateness.push(this.latenessNow(day - this.lastWatered));
      this.lastWatered = day;
    }
    if (whole) this.unseenDrench = true;
    const past: Branch[] = [];
    if (whole && pot.holes && this.input.upsets)
      for (const branch of this.likely()) past.push(...this.ranPast(branch, ranPast, day));
    for (const branch of this.branches) this.wetBranch(branch, event);
    this.branches.push(...past);
    this.gather();
    const rise = this.main.m[this.middle]! - before;
    this.daysDue.fill(0);
    if (waters) {
      this.sinceDays = 0;
      this.sinceCycles = 0;
      this.splitDay = day;
    }
    this.splitM = this.main.m[this.middle]!;
    if (rise < NEW_STRETCH_M && !(whole && pot.holes)) return;
    this.closeStretch(day);
  }

  /** Branches worth splitting further. */
  private likely(): Branch[] {
    const weights = this.branches.map((branch) => weightOf(branch, this.belief, this.range));
    const total = weights.reduce((sum, weight) => sum + weight, 0);
    return this.branches.filter((_, b) => weights[b]! > WORTH_SPLITTING * total);
  }

  /** The ways in which a drench on record wetted a part only. */
  private ranPast(branch: Branch, times: number, day: DayNumber): Branch[] {
    const { low, high } = this.range;
    const { pot } = this.input;
    const chance = times * ranPastChance(branch.m[this.middle]!, pot.rewetDifficulty);
    const ways = (this.old ? PAST_OF_OLD : PAST_SHARES).map(({ share, odds }) => {
      const past = offshoot(branch, chance * odds);
      for (let n = 0; n < NODES.length; n++) past.m[n]! += share * Math.max(0, 1 - past.m[n]!);
      past.dryDay.fill(NaN);
      past.stories.push({ kind: 'ran-past', from: day, to: day, share: 1 });
      return past;
    });
    for (let i = low; i <= high; i++) branch.weights[i]! *= 1 - chance;
    return ways;
  }

  private wetBranch(branch: Branch, event: Extract<PlantEvent, { type: 'watering' }>): void {
    const { pot } = this.input;
    const before = branch.m[this.middle]!;
    for (let n = 0; n < NODES.length; n++)
      branch.m[n] = wet(branch.m[n]!, event.method, event.amount_ml ?? null, pot).m;
    const after = branch.m[this.middle]!;
    if (methodRow(event.method).waters || after - before > 0.02) branch.dryDay.fill(NaN);
    if (methodRow(event.method).whole && pot.holes) {
      // Full again, whoever came before.
      branch.z.fill(0);
      branch.zVar = this.wanderVar;
      branch.stories = branch.stories.filter(({ kind }) => kind === 'slower' || kind === 'faster');
    } else {
      const doubt = (POURED_SD * (after - before)) / deviationSd(after);
      branch.zVar = Math.min(MOST_Z_VARIANCE, branch.zVar + doubt * doubt);
    }
  }

  /**
   * What was found till now belongs to the stretch that ends here; what follows starts with weights conditional on the
   * rate.
   */
  private closeStretch(day: DayNumber): void {
    const stretch = this.closed(day);
    this.stretches.push(stretch);
    // What befell the water before this drink no longer matters; what changed the pot for good does.
    for (const branch of this.branches)
      branch.stories = branch.stories.filter(({ kind, to }) => kind === 'slower' || kind === 'faster' || to >= day);
    let top = -Infinity;
    for (let i = 0; i < GRID_SIZE; i++) top = Math.max(top, stretch.logs[i]!);
    let sum = 0;
    for (let i = 0; i < GRID_SIZE; i++) {
      // Older evidence fades (rate.ts); here it only tells which branches, and which rates, are worth keeping.
      this.belief[i] =
        (REMEMBERED_DOUBT * NOMINAL[i]! + (1 - REMEMBERED_DOUBT) * this.belief[i]!) *
        Math.exp(0.7 * (stretch.logs[i]! - top));
      sum += this.belief[i]!;
    }
    for (let i = 0; i < GRID_SIZE; i++) this.belief[i]! /= sum;
    for (let i = 0; i < GRID_SIZE; i++) {
      let total = 0;
      for (const { weights } of this.branches) total += weights[i]!;
      // Rates that were left out of the stretch come in again as the branches stand.
      for (const [b, { weights }] of this.branches.entries())
        weights[i] = total > 0 ? weights[i]! / total : b === 0 ? 1 : 0;
    }
    this.narrow();
    this.scaleLog = 0;
    this.lateness = [];
    this.checks = 0;
    this.wasWeighed = false;
    this.weighed = [];
    this.driveSum = 0;
    this.driveDays = 0;
  }

  /** Only rates that are still believed are walked on; for what is in the pot now, all: there the tails count. */
  private narrow(): void {
    let top = 0;
    let mean = 0;
    for (let i = 0; i < GRID_SIZE; i++) {
      if (this.belief[i]! > top) top = this.belief[i]!;
      mean += this.belief[i]! * GRID[i]!;
    }
    let low = 0;
    while (this.belief[low]! < LEAST_BELIEVED * top) low++;
    let high = GRID_SIZE - 1;
    while (this.belief[high]! < LEAST_BELIEVED * top) high--;
    this.range = this.old ? gridRange(low, high) : WHOLE_GRID;
    let middle = this.range.firstNode;
    for (let n = this.range.firstNode; n <= this.range.lastNode; n++)
      if (Math.abs(NODES[n]! - mean) < Math.abs(NODES[middle]! - mean)) middle = n;
    this.middle = middle;
  }

  private closed(day: DayNumber): Stretch {
    const logs = new Float64Array(GRID_SIZE);
    const { low, high } = this.range;
    for (let i = low; i <= high; i++) {
      let total = 0;
      for (const { weights } of this.branches) total += weights[i]!;
      logs[i] = total > 0 ? Math.log(total) + this.scaleLog : -700;
    }
    addRelativeWeights(logs, this.weighed, this.input.pot.capacity.availableMl, this.range);
    // Rates that were not walked are taken to explain it like the nearest that were.
    logs.fill(logs[low]!, 0, low);
    logs.fill(logs[high]!, high + 1);
    return {
      endDay: day,
      logs,
      checks: this.checks,
      weighed: this.wasWeighed,
      lateness: this.lateness,
      place: this.input.placeOn(day),
      lnDrive: Math.log(Math.max(1e-5, this.driveDays > 0 ? this.driveSum / this.driveDays : 1e-2)),
    };
  }

  /** How late the water came at each rate: 0 on the day it was due, ln 2 when the pot was left twice as long. */
  private latenessNow(daysLeft: number): Float64Array {
    const { dueM, holdDays } = this.input;
    const heaviest = this.main;
    const out = new Float64Array(NODES.length);
    for (let n = 0; n < out.length; n++) {
      const daysDue = this.daysDue[n]!;
      // Not due yet: by how much of the way it had come. Drying slows, so the last of the way takes longest.
      const early = Math.min(1, Math.max(0, 1 - heaviest.m[n]!) / (1 - dueM)) ** DRYING_SLOWS;
      const daysToDue = daysDue > 0 ? daysLeft - daysDue + 0.5 : daysLeft / Math.max(0.02, early);
      out[n] = Math.log(Math.max(0.5, daysLeft) / Math.max(0.5, daysToDue + holdDays));
    }
    return out;
  }

  private meanOnGrid(): Float64Array {
    const { low, high } = this.range;
    const out = new Float64Array(GRID_SIZE);
    const total = new Float64Array(GRID_SIZE);
    for (const branch of this.branches) {
      const moistures = spreadMoisture(branch.m, SCRATCH, this.range);
      for (let i = low; i <= high; i++) {
        out[i]! += branch.weights[i]! * moistures[i]!;
        total[i]! += branch.weights[i]!;
      }
    }
    for (let i = low; i <= high; i++) out[i] = total[i]! > 0 ? out[i]! / total[i]! : 0;
    return out;
  }
}

/** A state that shares nothing that moves with this one. */
function copied(state: WalkState): WalkState {
  return {
    ...state,
    stretches: state.stretches.slice(),
    branches: state.branches.map(copyOf),
    belief: state.belief.slice(),
    lateness: state.lateness.slice(),
    daysDue: state.daysDue.slice(),
    weighed: state.weighed.slice(),
    looks: state.looks.slice(),
    trust: structuredClone(state.trust),
  };
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

/** Moistures of a branch over the grid, used and used again. */
const SCRATCH = new Float64Array(GRID_SIZE);
const NOMINAL = normalDensity(0, 0.5);

function none(): { looks: number; slips: number } {
  return { looks: 0, slips: 0 };
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

const MOST_STRETCHES = 8;
/** Where nothing ever starts the pot anew, a year says enough. */
const LONGEST_WALK_DAYS = 400;
