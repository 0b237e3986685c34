/** From shade into sun in steps: skins burn that were not made for it. */
import { type DayNumber, isoDay } from '../calendar/day.ts';

export interface HardeningStep {
  date: string;
  /** direct sun on that day, minutes */
  minutes: number;
}

const FIRST_MINUTES = 20;
const STEP_MINUTES = 25;
const LATER_STEP_MINUTES = 40;
const FIRST_WEEK = 7;
/** Longer plans add nothing: a plant that bears this long bears the day. */
const LONGEST_DAYS = 28;
/** Less than so much more direct sun needs no plan. */
const WORTH_A_PLAN_H = 1;

/**
 * Day by day: twenty minutes on the first, some 25 more each day of the first week (about two and a half hours by its
 * end), then longer steps up to the sun of the new place.
 *
 * @param from first day of the plan
 * @param oldSunH direct sun the plant has had, hours a day
 * @param newSunH direct sun at the new place, hours a day
 * @returns one step a day, empty where the new place is hardly sunnier
 */
export function hardeningPlan(from: DayNumber, oldSunH: number, newSunH: number): HardeningStep[] {
  if (newSunH - oldSunH < WORTH_A_PLAN_H) return [];
  const target = Math.round(newSunH * 60);
  const steps: HardeningStep[] = [];
  let minutes = Math.max(FIRST_MINUTES, Math.round(oldSunH * 60) + (oldSunH > 0 ? STEP_MINUTES : 0));
  for (let i = 0; i < LONGEST_DAYS && minutes < target; i++) {
    steps.push({ date: isoDay(from + i), minutes });
    minutes += i < FIRST_WEEK ? STEP_MINUTES : LATER_STEP_MINUTES;
  }
  steps.push({ date: isoDay(from + steps.length), minutes: target });
  return steps;
}

/** After a scorch mark: the sun of the step before last again from today, then on as planned. */
export function stepBack(plan: readonly HardeningStep[], today: DayNumber): HardeningStep[] {
  const now = isoDay(today);
  const index = plan.findIndex((step) => step.date >= now);
  const at = index < 0 ? plan.length - 1 : index;
  const back = Math.max(0, at - 2);
  return [
    ...plan.slice(0, at),
    ...plan.slice(back).map((step, i) => ({ date: isoDay(today + i), minutes: step.minutes })),
  ];
}
