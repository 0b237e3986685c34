/**
 * Roots grown in wet are not made for sudden drought: moister than its rule at first, and by steps back to it over seven
 * weeks. A change of the rule, not a list of dates, so that every day that is told of it is the pot's own.
 */
import { type DayNumber, dayNumber } from '../calendar/day.ts';
import type { Plant } from '../garden.ts';
import type { Blend } from '../mix/blend.ts';
import type { Traits } from '../plant/genera.ts';
import { potCapacity } from '../pot/capacity.ts';

export const WEANING_DAYS = 49;
/** Moisture at which the first drinks come: the top third dry. */
const FIRST_DUE_M = 0.45;
/** The old root run held so many times the water of the new one. */
const WETTER_TIMES = 1.3;
/** A mix that holds less than this share of its volume once drained is a dry one to roots from a soggy pot, however told. */
const DRY_MIX_SHARE = 0.42;

/** How much of the way back to its rule is still to go, 1 just potted, 0 past it, or never needed. */
export function weaningLeft(
  plant: Plant,
  traits: Pick<Traits, 'store'>,
  { now, before, today }: { now: Blend; before: (mix: string) => Blend | undefined; today: DayNumber },
): number {
  // A store below ground bridges what its roots do not bring.
  if (traits.store === 'below') return 0;
  const potted = plant.events.findLast((event) => event.type === 'repotting');
  if (potted?.type !== 'repotting') return 0;
  const days = today - dayNumber(potted.date);
  if (days >= WEANING_DAYS) return 0;
  const held = drainedShare(plant.pot, now);
  const old = potted.before ? before(potted.before.mix) : undefined;
  const wetter = old !== undefined && drainedShare(potted.before!.pot, old) >= WETTER_TIMES * held;
  const told = plant.grown_wet === true && held <= DRY_MIX_SHARE;
  return wetter || told ? 1 - days / WEANING_DAYS : 0;
}

function drainedShare(pot: Plant['pot'], blend: Blend): number {
  const { drainedMl, volumeMl } = potCapacity(pot, blend);
  return drainedMl / Math.max(1, volumeMl);
}

/** The rule on its way back: sooner by so much of what is left of the way. */
export function weaned(traits: Traits, dueM: number, left: number): Traits {
  if (left <= 0 || dueM >= FIRST_DUE_M) return traits;
  return { ...traits, dueM: dueM + left * (FIRST_DUE_M - dueM), holdDays: Math.round(traits.holdDays * (1 - left)) };
}
