/**
 * A pot's past as it may have been: branches under each possible rate (branches.ts), dried by the chain's physics
 * (walk.ts), split by what the book may not tell (split.ts, upsets.ts), weighed by every look (told.ts, looks.ts).
 *
 * It is the forward pass of a hidden Markov model whose states are ways of things rather than cells of a grid, so that
 * nothing diffuses. The past falls into stretches from drink to drink (stretch.ts). Each stretch gives its own evidence
 * on the rate (rate.ts joins them), with everything that may have happened in it summed over: a look that an upset
 * explains says nothing of the rate. Here stands what a walk is made from, and what it comes to.
 */
import type { DayNumber } from '../calendar/day.ts';
import type { PotModel } from '../drydown/potModel.ts';
import type { PlantEvent } from '../garden.ts';
import type { Branch } from './branches.ts';
import type { LookKind } from './looks.ts';

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

/** The last weeks, day by day, for drawing: each branch keeps its own moistures from this day on. */
export interface Trace {
  from: DayNumber;
  days: number;
}

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
