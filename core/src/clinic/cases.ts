/** Cases of one plant, read from its book: opened by a verdict, worked off step by step, closed with an outcome. */
import { methodRow } from '../catalogue/ways.ts';
import { type DayNumber, dayNumber, isoDay } from '../calendar/day.ts';
import type { PlantEvent } from '../garden.ts';
import type { StepDay, StepWaits } from './waits.ts';
import { stepWaits } from './waits.ts';
import { type Cause, clearedTogether, HARMLESS } from '../catalogue/causes.ts';
import { type Found, type Outcome, type Step } from './steps.ts';
import { GAP_STEP, HOLD_DAYS, HOLDS_UNTIL_WATERED, type PlanFacts, type PlannedStep, PLANS } from './plan.ts';

export interface CaseStep {
  step: Step;
  /** ISO day from which it is asked; null while what it follows is not done */
  due: string | null;
  doneOn: string | null;
  found: Found | null;
  optional: boolean;
  /** the how-manieth time */
  time: number;
  /** what it waits for, where it has come due and the plant is not fit for it today */
  waits: StepWaits | null;
}

export interface Case {
  cause: Cause;
  openedOn: string;
  steps: CaseStep[];
  /** no water until this day; null where the case holds none */
  holdUntil: string | null;
  gap: 'earlier' | 'later' | null;
  /** looks in a row that found it clean */
  cleanRun: number;
  /** all that must be done is done: it can be closed */
  ready: boolean;
  closed: { on: string; outcome: Outcome } | null;
}

/** Clean so many times running, and the guests are taken to be gone. */
export const CLEAN_RUN = 2;
/** Two looks nearer than this are one. */
const APART_DAYS = 4;

type Verdict = Extract<PlantEvent, { type: 'verdict' }>;
type StepEvent = Extract<PlantEvent, { type: 'case-step' }>;

/** @param events oldest first @param facts of the plant as it is now; closed cases keep what was done */
export function casesOf(events: readonly PlantEvent[], facts: PlanFacts): Case[] {
  const cases: Case[] = [];
  for (const [i, event] of events.entries()) {
    if (event.type !== 'verdict') continue;
    const after = events.slice(i + 1);
    const end = after.findIndex(
      (later) => (later.type === 'case-closed' || later.type === 'verdict') && later.cause === event.cause,
    );
    const own = end < 0 ? after : after.slice(0, end);
    const closing = end < 0 ? null : after[end]!;
    // Said a second time, it is the same case still.
    if (closing?.type === 'verdict') continue;
    cases.push(caseOf(event, own, closing?.type === 'case-closed' ? closing : null, facts));
  }
  return cases;
}

export function openCases(events: readonly PlantEvent[], facts: PlanFacts): Case[] {
  return casesOf(events, facts).filter(({ closed }) => closed === null);
}

function caseOf(
  verdict: Verdict,
  events: readonly PlantEvent[],
  closing: Extract<PlantEvent, { type: 'case-closed' }> | null,
  facts: PlanFacts,
): Case {
  const opened = dayNumber(verdict.date);
  const done = events.filter(
    (event): event is StepEvent =>
      event.type === 'case-step' &&
      (event.cause === verdict.cause ||
        // A clean look clears all that it would have found, whatever it was for.
        (event.step === 'look-over' && event.found === 'clean' && clearedTogether(event.cause, verdict.cause))),
  );
  const told = withImplied([...done, ...toldOtherwise(events, verdict.cause)]).toSorted((a, b) =>
    a.date < b.date ? -1 : a.date > b.date ? 1 : 0,
  );
  const cleanRun = cleanRunOf(told);
  const plan = PLANS[verdict.cause](facts);
  const marked = new Set(done);
  const steps = plan.flatMap((planned) =>
    stepsOf(planned, opened, told, {
      cleanRun,
      // The keeper's own mark is the step, whatever the day, where the plan has it but once.
      marked: plan.filter(({ step }) => step === planned.step).length === 1 ? marked : new Set(),
    }),
  );
  const watered = steps.find(({ step }) => step === 'first-water');
  return {
    cause: verdict.cause,
    openedOn: verdict.date,
    steps: steps.toSorted((a, b) => ((a.due ?? '9999') < (b.due ?? '9999') ? -1 : 1)),
    holdUntil: closing ? null : holdOf(verdict, watered),
    gap: verdict.gap ?? null,
    cleanRun,
    ready: steps.every(({ optional, doneOn }) => optional || doneOn !== null) || cleanRun >= CLEAN_RUN,
    closed: closing ? { on: closing.date, outcome: closing.outcome } : null,
  };
}

/** Steps that other lines of the book tell: a potting is an unpotting, a drink the first water, a look at the base one. */
function toldOtherwise(events: readonly PlantEvent[], cause: Cause): StepEvent[] {
  return events.flatMap((event): StepEvent[] => {
    const step = (name: Step, found: Found | null = null): StepEvent => ({
      type: 'case-step',
      date: event.date,
      cause,
      step: name,
      found,
    });
    switch (event.type) {
      case 'repotting':
        return [
          step('unpot'),
          ...(event.roots_cut ? [step('cut')] : []),
          step('pot-dry'),
          step('repot'),
          step('open-mix'),
        ];
      case 'watering':
        return !methodRow(event.method).waters
          ? []
          : [step('water'), step('first-water'), ...(methodRow(event.method).stands ? [step('soak')] : [])];
      case 'sign':
        return event.sign === 'firm-base'
          ? [step('press-base', 'firm')]
          : event.sign === 'soft-base'
            ? [step('press-base', 'soft')]
            : event.sign === 'taut'
              ? [step('look-again', 'better')]
              : [];
      case 'check':
        return 'finger' in event || 'meter' in event ? [step('feel-depth')] : [];
      case 'feeding':
        return [step('feed-once')];
      case 'move':
        return [step('isolate'), step('shade'), step('light'), step('warm')];
      default:
        return [];
    }
  });
}

/** Looks at the patient alone end its treatment: a neighbour's clean leaf says nothing of it. */
function cleanRunOf(done: readonly StepEvent[]): number {
  let run = 0;
  let last = -Infinity;
  for (const event of done) {
    if (event.step === 'neighbours') continue;
    if (event.found === 'guests') run = 0;
    else if (event.found === 'clean') {
      const day = dayNumber(event.date);
      if (day - last < APART_DAYS) continue;
      run++;
      last = day;
    }
  }
  return run;
}

/** What cannot have been left out by whoever did this. */
const IMPLIED: Partial<Record<Step, readonly Step[]>> = {
  cut: ['unpot'],
  'wash-roots': ['unpot'],
  'pot-dry': ['dry-wound', 'cut', 'wash-roots', 'unpot'],
};

function withImplied(told: readonly StepEvent[]): StepEvent[] {
  const has = (step: Step) => told.some((event) => event.step === step);
  const added = new Map<Step, StepEvent>();
  for (const event of told)
    for (const step of IMPLIED[event.step] ?? [])
      if (!has(step) && !added.has(step)) added.set(step, { ...event, step, found: null });
  return [...told, ...added.values()];
}

function stepsOf(
  planned: PlannedStep,
  opened: DayNumber,
  done: readonly StepEvent[],
  { cleanRun, marked }: { cleanRun: number; marked: ReadonlySet<StepEvent> },
): CaseStep[] {
  const { step, after, follows, every, optional = false } = planned;
  const from = follows ? done.find((event) => event.step === follows) : null;
  const base = follows ? (from ? dayNumber(from.date) : null) : opened;
  const first = base === null ? null : base + after;
  const mine = done.filter((event) => event.step === step);
  if (!every) {
    // What other lines tell, and a step that comes several times, count near its day and after.
    const mark =
      mine.find((event) => marked.has(event) || first === null || dayNumber(event.date) >= first - EARLY_DAYS) ?? null;
    return [
      {
        step,
        due: dueOf(first),
        doneOn: mark?.date ?? null,
        found: mark?.found ?? null,
        optional,
        time: 1,
        waits: null,
      },
    ];
  }
  const times: CaseStep[] = mine.map(({ date, found }, i) => ({
    step,
    due: date,
    doneOn: date,
    found: found ?? null,
    optional,
    time: i + 1,
    waits: null,
  }));
  const lastDay = mine.length > 0 ? dayNumber(mine.at(-1)!.date) : null;
  // Nothing more is asked once it was found clean twice; a treatment rests after the first clean look.
  if (cleanRun >= CLEAN_RUN || (step !== 'look-over' && cleanRun >= 1)) return times;
  return [
    ...times,
    {
      step,
      due: dueOf(lastDay === null ? first : lastDay + every),
      doneOn: null,
      found: null,
      optional,
      time: times.length + 1,
      waits: null,
    },
  ];
}
const EARLY_DAYS = 3;

function dueOf(day: DayNumber | null): string | null {
  return day === null ? null : isoDay(day);
}

function holdOf(verdict: Verdict, water: CaseStep | undefined): string | null {
  const usual = HOLD_DAYS[verdict.cause];
  if (water && HOLDS_UNTIL_WATERED.includes(verdict.cause)) {
    if (water.doneOn) return null;
    const byPlan = water.due ?? isoDay(dayNumber(verdict.date) + (usual ?? 21));
    return verdict.hold_until && verdict.hold_until > byPlan ? verdict.hold_until : byPlan;
  }
  return verdict.hold_until ?? (usual === undefined ? null : isoDay(dayNumber(verdict.date) + usual));
}

/** What is asked on a day: steps that have come due, wait for nothing, and were not done; of several the last due. */
export function stepsAsked({ steps }: Pick<Case, 'steps'>, today: string): CaseStep[] {
  const due = steps.filter(
    (step) => step.doneOn === null && step.due !== null && step.due <= today && step.waits === null,
  );
  return due.filter((step, i) => !due.slice(i + 1).some((later) => later.step === step.step));
}

/** The cases with what each open step waits for on a day. */
export function onDay(cases: readonly Case[], day: StepDay): Case[] {
  return cases.map((one) =>
    one.closed
      ? one
      : {
          ...one,
          steps: one.steps.map((step) =>
            step.doneOn === null && step.due !== null ? { ...step, waits: stepWaits(step.step, day) } : step,
          ),
        },
  );
}

/** The steps without those that a later one of their kind has overtaken. */
export function stepsShown({ steps }: Pick<Case, 'steps'>, today: string): CaseStep[] {
  const asked = new Set(stepsAsked({ steps }, today));
  return steps.filter(
    (step) => step.doneOn !== null || step.due === null || step.due > today || step.waits !== null || asked.has(step),
  );
}

/** The case that holds the water longest on a day, or null. */
export function heldBy(cases: readonly Case[], today: string): Case | null {
  let held: Case | null = null;
  for (const one of cases) {
    if (one.closed || one.holdUntil === null || one.holdUntil <= today) continue;
    if (!held || one.holdUntil > held.holdUntil!) held = one;
  }
  return held;
}

/** What a verdict writes of itself unless the keeper says otherwise. */
export function verdictFor(cause: Cause, today: string): Verdict {
  // A plan that ends in a first water holds until that by itself.
  const hold = HOLDS_UNTIL_WATERED.includes(cause) ? undefined : HOLD_DAYS[cause];
  return {
    type: 'verdict',
    date: today,
    cause,
    hold_until: hold === undefined ? null : isoDay(dayNumber(today) + hold),
    gap: GAP_STEP[cause] ?? null,
  };
}

/** Nothing is wrong: the case is closed as it is opened. */
export function closesAtOnce(cause: Cause): boolean {
  return (HARMLESS as readonly Cause[]).includes(cause);
}

export interface Worked {
  cause: Cause;
  closed: number;
  /** of those, cured or better; and lost */
  helped: number;
  lost: number;
  /** by what was done: how many cases, and how many of them helped */
  steps: { step: Step; cases: number; helped: number }[];
}

/** Cases that teach nothing of what helps. */
const NO_TEACHERS: ReadonlySet<Outcome> = new Set<Outcome>(['mistaken', 'nothing']);

/** What worked in this collection, by cause: counts, no shares of a handful. */
export function whatWorked(closed: readonly Case[]): Worked[] {
  const byCause = new Map<Cause, Case[]>();
  for (const one of closed)
    if (one.closed && !NO_TEACHERS.has(one.closed.outcome))
      byCause.set(one.cause, [...(byCause.get(one.cause) ?? []), one]);
  const good = ({ closed: end }: Case) => end!.outcome === 'cured' || end!.outcome === 'better';
  return [...byCause]
    .map(([cause, cases]): Worked => {
      const steps = new Map<Step, { cases: number; helped: number }>();
      for (const one of cases)
        for (const step of new Set(one.steps.filter(({ doneOn }) => doneOn !== null).map(({ step: name }) => name))) {
          const count = steps.get(step) ?? { cases: 0, helped: 0 };
          steps.set(step, { cases: count.cases + 1, helped: count.helped + (good(one) ? 1 : 0) });
        }
      return {
        cause,
        closed: cases.length,
        helped: cases.filter(good).length,
        lost: cases.filter(({ closed: end }) => end!.outcome === 'lost').length,
        steps: [...steps].map(([step, count]) => ({ step, ...count })).sort((a, b) => b.cases - a.cases),
      };
    })
    .sort((a, b) => b.closed - a.closed);
}
