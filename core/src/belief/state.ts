/** How a walk through a pot's past stands: one plain object, that steps are functions of. */
import type { DayNumber } from '../calendar/day.ts';
import { type Branch, branchAt, copyOf } from './branches.ts';
import { type GridRange, NODES, normalDensity, WHOLE_GRID } from './grid.ts';
import type { History, HistoryInput, SeenLook, Stretch } from './history.ts';
import type { LookKind } from './looks.ts';
import type { Scale } from './scale.ts';
import { WANDERS_TRIED } from './wander.ts';

/** What stays the same all through a walk. */
export interface Walk {
  input: HistoryInput;
  /** where it begins, and whether the pot was full then */
  fromDay: DayNumber;
  fromFull: boolean;
  traceFrom: DayNumber;
  /** before its last two drinks it is walked in larger steps */
  fineFrom: DayNumber;
  lastDrink: DayNumber;
  scale: Scale;
  slips: Readonly<Record<LookKind, number>>;
  wanderVar: number;
}

/** Everything that moves while a walk goes on. */
export interface WalkState {
  stretches: Stretch[];
  branches: Branch[];
  /** the heaviest of the branches, as of the last gathering */
  main: Branch;
  /** ln that was taken out of all weights */
  scaleLog: number;
  /** nominal belief over the rates, for what hangs on a branch's weight alone */
  belief: Float64Array;
  /** the rates that are walked, and the node in their middle */
  range: GridRange;
  middle: number;
  lateness: Float64Array[];
  /** looks in this stretch, some of them by the scale; and in all */
  checks: number;
  wasWeighed: boolean;
  allChecks: number;
  daysDue: Float64Array;
  lastWatered: DayNumber | null;
  weighed: { atG: number; m: Float64Array }[];
  looks: SeenLook[];
  trust: History['trust'];
  wanders: Float64Array;
  /** no look since the last drench on record */
  unseenDrench: boolean;
  /** before its last two drinks */
  old: boolean;
  /** since the last split: days, pots' worth of water, and where the heaviest branch stood */
  sinceDays: number;
  sinceCycles: number;
  splitM: number;
  splitDay: DayNumber;
  deviationDay: DayNumber;
  driveSum: number;
  driveDays: number;
}

const STARTS = [0.02, 0.15, 0.3, 0.5, 0.75, 1];
const MIDDLE_NODE = (NODES.length - 1) / 2;

/** A walk at its beginning. */
export function begun({ fromDay, fromFull, wanderVar }: Walk): WalkState {
  const starts = fromFull ? [1] : STARTS;
  const branches = starts.map((m) => branchAt(m, 1 / starts.length));
  for (const branch of branches) branch.zVar = wanderVar;
  return {
    stretches: [],
    branches,
    main: branches[Math.floor(starts.length / 2)]!,
    scaleLog: 0,
    belief: normalDensity(0, 0.5),
    range: WHOLE_GRID,
    middle: MIDDLE_NODE,
    lateness: [],
    checks: 0,
    wasWeighed: false,
    allChecks: 0,
    daysDue: new Float64Array(NODES.length),
    lastWatered: null,
    weighed: [],
    looks: [],
    trust: { finger: none(), surface: none(), meter: none(), weight: none(), lift: none() },
    wanders: new Float64Array(WANDERS_TRIED.length),
    unseenDrench: false,
    old: false,
    sinceDays: 0,
    sinceCycles: 0,
    splitM: 1,
    splitDay: fromDay,
    deviationDay: fromDay,
    driveSum: 0,
    driveDays: 0,
  };
}

function none(): { looks: number; slips: number } {
  return { looks: 0, slips: 0 };
}

const same = <T>(value: T): T => value;
const sliced = <T extends { slice(): T }>(list: T): T => list.slice();
/** How each part is copied so that nothing that moves is shared; what is never written into stays the same. */
const COPIES: { [K in Exclude<keyof WalkState, 'main'>]: (value: WalkState[K]) => WalkState[K] } = {
  stretches: sliced,
  branches: (branches) => branches.map(copyOf),
  scaleLog: same,
  belief: sliced,
  range: same,
  middle: same,
  lateness: sliced,
  checks: same,
  wasWeighed: same,
  allChecks: same,
  daysDue: sliced,
  lastWatered: same,
  weighed: sliced,
  looks: sliced,
  trust: (trust) => structuredClone(trust),
  wanders: sliced,
  unseenDrench: same,
  old: same,
  sinceDays: same,
  sinceCycles: same,
  splitM: same,
  splitDay: same,
  deviationDay: same,
  driveSum: same,
  driveDays: same,
};

/** A state that shares nothing that moves with this one. */
export function copied(state: WalkState): WalkState {
  const copy = { ...state };
  const take = <K extends Exclude<keyof WalkState, 'main'>>(key: K) => {
    copy[key] = COPIES[key](state[key]);
  };
  for (const key of Object.keys(COPIES) as (keyof typeof COPIES)[]) take(key);
  copy.main = copy.branches[state.branches.indexOf(state.main)]!;
  return copy;
}
