/** What a diagnosis comes to, with the one judgement: the water, what is done, what changes in the schedule. */
import { signsThat } from '../catalogue/signs.ts';
import { isoDay, type DayNumber, dayNumber } from '../calendar/day.ts';
import type { Sign } from '../garden.ts';
import { type Drink, drinkOf, type Judgement } from '../judgement/deeds.ts';
import type { ClinicView } from '../judgement/facts.ts';
import { type Cause, isHarmless } from '../catalogue/causes.ts';
import { type Step } from './steps.ts';
import type { CheckId } from './checks.ts';
import { type Case, closesAtOnce } from './cases.ts';
import type { Raised } from './watch.ts';
import { ANY_PLANT, GAP_STEP, HOLD_DAYS, PACE, PLANS } from './plan.ts';
import { actedOn, isLeftAlone } from './remedy.ts';

export type WaterAnswer = 'now' | 'after-check' | 'hold' | 'no-change';
export type Urgency = 'today' | 'this-week' | 'later' | 'none';

export interface Action {
  /** a step of a plan, or what the judgement asks for */
  action: Step | 'check' | 'hold' | 'leave' | 'move' | 'wake';
  of?: string;
  urgency: Urgency;
  /** ISO day, where it is not today */
  on: string | null;
  optional: boolean;
}

export interface Change {
  change: 'interval' | 'hold' | 'food' | 'look' | 'store' | 'rate' | 'air' | 'repeat';
  of?: string;
  on?: string;
  days?: number;
}

/** What is kept of a plant's clinic beside its task: enough for lists and the Round. */
export interface ClinicLine {
  /** null where nothing was seen */
  top: { cause: Cause; probability: number } | null;
  /** nothing is likely enough to act on */
  cantTell: boolean;
  rot: number;
  check: CheckId | null;
  water: WaterAnswer;
  raised: Raised[];
  cases: Case[];
  /** signs of the last weeks that still stand */
  signs: { sign: Sign; on: string; strength: number }[];
}

/** Null where nothing was seen, nothing looks wrong and no case is open. */
export function clinicLine(judgement: Judgement, clinic: ClinicView, today: DayNumber): ClinicLine | null {
  const { diagnosis, raised, cases, facts } = clinic;
  if (diagnosis === null && raised.length === 0 && cases.length === 0) return null;
  const { check, water } = clinicAnswer(judgement, clinic, today);
  const top = diagnosis?.causes[0];
  return {
    top: top ? { cause: top.cause, probability: Math.round(top.probability * 1000) / 1000 } : null,
    cantTell: diagnosis?.cantTell ?? false,
    rot: Math.round((diagnosis?.rot ?? 0) * 1000) / 1000,
    check,
    water,
    raised,
    cases,
    signs: facts.signs.map(({ sign, day, strength }) => ({ sign, on: isoDay(day), strength })),
  };
}

export interface ClinicAnswer {
  water: WaterAnswer;
  drink: Drink | null;
  /** the look to do next: the judge's own, where it asks for one */
  check: CheckId | null;
  actions: Action[];
  changes: Change[];
}

const URGENT: ReadonlySet<Step> = new Set<Step>([
  'unpot',
  'cut',
  'isolate',
  'warm',
  'swab',
  'wash',
  'wipe',
  'pick-off',
  'shade',
  'soak',
  'water',
]);
const MOST_ACTIONS = 8;

/** What cannot be undone. */
const KNIFE: ReadonlySet<Step> = new Set<Step>(['unpot', 'cut', 'take-tips', 'repot', 'open-mix']);

/** A step of a plan that the judgement has asked for as a move. */
const SAME_MOVE: Partial<Record<Step, string>> = {
  warm: 'warmer',
  shade: 'shadier',
  light: 'brighter',
  isolate: 'apart',
  'drier-air': 'drier',
};

const CHECK_FOR: Partial<Record<string, CheckId>> = {
  base: 'press-base',
  depth: 'feel-depth',
  roots: 'look-roots',
  underside: 'look-axils',
};

export function clinicAnswer(judgement: Judgement, clinic: ClinicView, today: DayNumber): ClinicAnswer {
  const [first] = judgement.deeds;
  const check = checkAsked(judgement, clinic);
  const water = waterOf(judgement, clinic, check);
  return {
    water,
    drink: first.deed === 'water' || first.deed === 'sip' ? first : null,
    check,
    actions: actionsOf(judgement, clinic, water, check, today),
    changes: changesOf(judgement, clinic, today),
  };
}

/** The judge's look comes first; then what the clinic would ask to know more. */
function checkAsked({ deeds }: Judgement, { diagnosis }: ClinicView): CheckId | null {
  const [first] = deeds;
  // Rot that was found asks for no further look.
  if (first.deed === 'act' && first.what === 'unpot') return null;
  const asked = first.deed === 'look' ? CHECK_FOR[first.what] : undefined;
  if (asked === 'look-axils' && diagnosis?.nextCheck?.check === 'look-underside') return 'look-underside';
  if (asked) return asked;
  // What is most likely nothing is left alone.
  if (isLeftAlone(diagnosis)) return null;
  return diagnosis?.nextCheck?.check ?? null;
}

function waterOf(judgement: Judgement, { diagnosis, held, facts }: ClinicView, check: CheckId | null): WaterAnswer {
  const { deeds, until } = judgement;
  // Into the shade first, and then its drink: it is watered today.
  if (drinkOf(judgement)) return 'now';
  const [first] = deeds;
  switch (first.deed) {
    case 'water':
    case 'sip':
      return 'now';
    case 'look':
      return check === null ? 'hold' : 'after-check';
    case 'act':
      return 'hold';
    case 'sleep':
      // Asleep and looking like it: nothing changes. Slack or sick in its sleep: no drink is meant, and that is said.
      return facts.signs.some(({ sign }) => SLACK.has(sign)) || keepsDry(diagnosis) ? 'hold' : 'no-change';
    case 'wake':
      return 'hold';
    case 'move':
    case 'wait':
      if (held) return 'hold';
      if (!deeds.some((deed) => deed.deed === 'wait') || harmless(diagnosis)) return 'no-change';
      // Wet, and wet is what ails it. Else the forecast's date stands, which waits for a dry pot anyway.
      return until === null || (keepsDry(diagnosis) && facts.chanceWet > 0.4) ? 'hold' : 'no-change';
  }
}
const SLACK = signsThat('holds-water');

function harmless(diagnosis: ClinicView['diagnosis']): boolean {
  const top = diagnosis?.causes[0];
  // To go to sleep is harmless, and yet no water is the answer.
  return top !== undefined && isHarmless(top.cause) && top.cause !== 'natural-rest' && !diagnosis!.cantTell;
}

/** Water is what ails it, likely enough. */
function keepsDry(diagnosis: ClinicView['diagnosis']): boolean {
  if (!diagnosis) return false;
  const wet = diagnosis.causes.reduce((sum, { cause, probability }) => sum + (DROWNED.has(cause) ? probability : 0), 0);
  return wet > 0.4;
}
const DROWNED: ReadonlySet<Cause> = new Set<Cause>([
  'overwatering',
  'root-rot',
  'stem-rot',
  'dead-roots',
  'oedema',
  'compacted-mix',
  'cold-damage',
]);

function actionsOf(
  judgement: Judgement,
  { diagnosis, plan, raised }: ClinicView,
  water: WaterAnswer,
  check: CheckId | null,
  today: DayNumber,
): Action[] {
  const out: Action[] = [];
  const add = (action: Action['action'], urgency: Urgency, more: Partial<Action> = {}) => {
    if (!out.some((other) => other.action === action && other.of === more.of))
      out.push({ action, urgency, on: null, optional: false, ...more });
  };
  const [first] = judgement.deeds;
  if (water === 'after-check' && check) add('check', 'today', { of: check });
  if (water === 'now') add('water', 'today');
  for (const deed of judgement.deeds) {
    if (deed.deed === 'act')
      add(deed.what === 'unpot' ? 'unpot' : 'move', 'today', deed.what === 'unpot' ? {} : { of: deed.what });
    if (deed.deed === 'move') add('move', 'today', { of: deed.what });
  }
  if (judgement.deeds.some(({ deed }) => deed === 'wake')) {
    add('wake', 'this-week');
    return out;
  }
  if (water === 'hold' || water === 'after-check') add('hold', 'today', { on: judgement.until });
  if (!diagnosis) return out;
  const remedy = actedOn(diagnosis);
  // What the record alone complains of is looked into before anything is done.
  const seen = diagnosis.signs.some(({ day, sign }) => day < today || !raised.length || sign !== 'slow-to-dry');
  if (check && (!remedy || !seen)) add('check', 'today', { of: check });
  if (!remedy || !seen) return out;
  const unpots = out.some(({ action }) => action === 'unpot');
  // Rot that is lifted is not left alone beside it.
  if (closesAtOnce(remedy.cause)) {
    if (!unpots) add('leave', 'none', { of: remedy.cause });
    return unpots
      ? out
      : [...out, { action: 'look-again', urgency: 'later', on: isoDay(today + WEEK), optional: false }];
  }
  addPlan(out, { add, remedy, plan, water, check, today, unpots });
  if (check && first.deed !== 'look') add('check', 'this-week', { of: check });
  return out;
}
const WEEK = 7;

/** The steps of a plan that stand beside what the judge has ordered, and contradict none of it. */
function addPlan(
  out: readonly Action[],
  {
    add,
    remedy,
    plan,
    water,
    check,
    today,
    unpots,
  }: {
    add: (action: Action['action'], urgency: Urgency, more?: Partial<Action>) => void;
    remedy: { cause: Cause };
    plan: ClinicView['plan'];
    water: WaterAnswer;
    check: CheckId | null;
    today: DayNumber;
    unpots: boolean;
  },
): void {
  const moves = new Set(out.flatMap(({ action, of }) => (action === 'move' ? [of] : [])));
  for (const { step, after, follows, optional = false } of PLANS[remedy.cause](plan)) {
    // Water and unpotting are the judge's to order.
    if (step === 'water' || step === 'soak' || (step === 'press-base' && check === 'press-base')) continue;
    const move = SAME_MOVE[step];
    if (move !== undefined && (moves.has(move) || (OPPOSITE[move] !== undefined && moves.has(OPPOSITE[move]))))
      continue;
    // Nothing is cut or potted, and nothing planned beyond that, before the look that may rule it out.
    if (water === 'after-check' && (KNIFE.has(step) || follows)) continue;
    // In the pot and out of it are two plans: what is unpotted is not flushed, repotted or fed beside.
    if (unpots && BESIDE_POT.has(step)) continue;
    const on = follows ? null : isoDay(today + after);
    const urgency =
      after === 0 && !optional
        ? URGENT.has(step) && !follows
          ? 'today'
          : 'this-week'
        : after <= WEEK
          ? 'this-week'
          : 'later';
    add(step, urgency, { on, optional });
    if (out.length >= MOST_ACTIONS) break;
  }
}
/** Both halves of an order never contradict each other. */
const OPPOSITE: Partial<Record<string, string>> = { brighter: 'shadier', shadier: 'brighter' };
const BESIDE_POT: ReadonlySet<Step> = new Set<Step>(['flush', 'repot', 'open-mix', 'feed-once', 'feel-depth']);

function changesOf(judgement: Judgement, { diagnosis, held, cases, facts }: ClinicView, today: DayNumber): Change[] {
  const out: Change[] = [];
  const top = actedOn(diagnosis);
  if (held) out.push({ change: 'hold', on: held.holdUntil!, of: held.cause });
  if (top) {
    const hold = HOLD_DAYS[top.cause];
    if (!held && hold !== undefined) out.push({ change: 'hold', on: isoDay(today + hold), of: top.cause });
    const gap = GAP_STEP[top.cause];
    if (gap && !cases.some(({ cause }) => cause === top.cause)) out.push({ change: 'interval', of: gap });
    if (top.cause === 'thirst') out.push({ change: 'store' });
    const pace = PACE[top.cause];
    if (pace) out.push({ change: 'rate', of: pace });
    // The condition behind it goes with the remedy.
    if (DRY_AIR_GUESTS.has(top.cause) && facts.rhPct < 45) out.push({ change: 'air', of: 'moister' });
    if (DAMP_AIR.has(top.cause) && facts.rhPct > 65) out.push({ change: 'air', of: 'drier' });
    if (STOPS_FOOD.has(top.cause)) out.push({ change: 'food', days: top.cause === 'salt-build-up' ? 60 : 30 });
    const every = PLANS[top.cause](ANY_PLANT).find((step) => step.every)?.every;
    if (every) out.push({ change: 'repeat', days: every });
  }
  if (judgement.next_look && dayNumber(judgement.next_look) > today)
    out.push({ change: 'look', on: judgement.next_look });
  return out;
}
const DRY_AIR_GUESTS: ReadonlySet<Cause> = new Set<Cause>(['spider-mite', 'mealybug', 'thrips']);
const DAMP_AIR: ReadonlySet<Cause> = new Set<Cause>(['mildew', 'leaf-spot', 'oedema']);
const STOPS_FOOD: ReadonlySet<Cause> = new Set<Cause>([
  'overwatering',
  'root-rot',
  'stem-rot',
  'dead-roots',
  'too-dark',
  'salt-build-up',
  'transplant-shock',
  'cold-damage',
  'natural-rest',
]);
