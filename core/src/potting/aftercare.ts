/** What follows a potting, dated by what was found: first drink, shade, food, looks. */
import type { DayNumber } from '../calendar/day.ts';
import type { RootFinding, Store } from '../garden.ts';
import { ROOTS_FORM_DAYS } from '../feed/schedule.ts';
import { type FirstDrink, firstDrink, WHOLE_ROOTS_LIMIT } from '../plant/firstDrink.ts';

export interface PottedFacts {
  pottedOn: DayNumber;
  /** share of the roots cut or lost */
  rootLoss: number;
  mixWas: 'dry' | 'damp' | 'wet' | null;
  store: Store;
  /** the days at its place are below its growing warmth */
  cool: boolean;
  findings: readonly RootFinding[];
  divided: boolean;
  /** the mix brings food of its own for so many months */
  chargedMonths: number;
}

export const AFTERCARE = ['first-drink', 'shade-ends', 'look', 'food-from'] as const;
export type AftercareKind = (typeof AFTERCARE)[number];

export interface AftercareTask {
  kind: AftercareKind;
  day: DayNumber;
  /** of a look: which it is */
  n?: number;
  because?: FirstDrink['because'];
}

/** Looks after a day, a week and four. */
const LOOK_DAYS = [1, 7, 28];
/** Shade after rough root work, and after gentle. */
const SHADE_DAYS = { rough: 14, gentle: 5 };
const DAYS_A_MONTH = 30.44;

/** All that follows, in order of days. */
export function aftercare(facts: PottedFacts): AftercareTask[] {
  const { pottedOn, rootLoss, findings, divided } = facts;
  const first = firstDrink(facts);
  const rough = rootLoss > WHOLE_ROOTS_LIMIT || divided || findings.includes('brown-soft');
  const tasks: AftercareTask[] = [
    { kind: 'first-drink', day: pottedOn + first.days, because: first.because },
    { kind: 'shade-ends', day: pottedOn + (rough ? SHADE_DAYS.rough : SHADE_DAYS.gentle) },
    ...LOOK_DAYS.map((days, i): AftercareTask => ({ kind: 'look', day: pottedOn + days, n: i + 1 })),
    { kind: 'food-from', day: pottedOn + Math.round(Math.max(ROOTS_FORM_DAYS, facts.chargedMonths * DAYS_A_MONTH)) },
  ];
  return tasks.sort((a, b) => a.day - b.day);
}
