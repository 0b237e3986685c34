/** From shade into sun in steps: skins burn that were not made for it. */
import { type DayNumber, isoDay } from '../calendar/day.ts';
import type { PlaceKind } from '../garden.ts';
import { placeDefaults } from '../place/defaults.ts';

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

/** A skin is made in weeks, and keeps as long: where it stood since is what it bears. */
export const SKIN_DAYS = 21;
/** A shorter stay makes no skin. */
export const SKIN_MADE_DAYS = 7;

/** Some days at a place, lately. */
export interface SunStay {
  kind: PlaceKind;
  /** direct sun there, hours a day */
  sunH: number;
  days: number;
}

/**
 * Hours of direct sun a day that skins bear at a place of a kind, from where they stood in the last SKIN_DAYS: what was
 * behind panes is hardly made for the open sky, and behind other panes as good as made.
 *
 * @param stays where it stood; those too short to make a skin count only where there is no longer one
 */
export function sunBorneH(stays: readonly SunStay[], to: PlaceKind): number {
  const long = stays.filter(({ days }) => days >= SKIN_MADE_DAYS);
  const behindPanes = placeDefaults(to).hardens < 1;
  return Math.max(
    0,
    ...(long.length > 0 ? long : stays).map(({ kind, sunH }) => sunH * (behindPanes ? 1 : placeDefaults(kind).hardens)),
  );
}

/**
 * The minutes that a plan had come to on a day: skins that were led so far are.
 *
 * @returns 0 before its first step
 */
export function minutesReached(plan: readonly HardeningStep[], on: DayNumber): number {
  const day = isoDay(on);
  return plan.findLast(({ date }) => date < day)?.minutes ?? 0;
}

const OPEN_SKY = /\b(outdoors?|outside|open|garden|balcony|terrace|roof|full sun)\b/i;
const BEHIND_PANES = /\b(indoors?|inside|sill|window\w*|glass\w*|greenhouse|conservatory|lamps?|room|house|nursery)\b/i;
const IN_SHADE = /\b(shade\w*|shady|dim|dark|low light)\b/i;

/** The kind of place whose sun a plant was used to, read out of its keeper's words; null: they say nothing of light. */
export function directSunUsedTo(words: string): PlaceKind | null {
  if (IN_SHADE.test(words)) return 'room';
  if (BEHIND_PANES.test(words)) return 'windowsill';
  return OPEN_SKY.test(words) ? 'open' : null;
}

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
