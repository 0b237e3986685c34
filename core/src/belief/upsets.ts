/**
 * What the book does not tell, and how likely each is before anybody has looked.
 *
 * The figures are orders of size, taken so that an unrecorded event is likelier than a slip of a look that somebody
 * took the trouble to note (looks.ts, USUAL_SLIPS): books are incomplete more often than looks are wrong.
 */
import { clamp } from '../numeric/curves.ts';

/** `stranger` stands for a forgotten note as well: nobody can tell the two apart. */
export const UPSET_KINDS = ['stranger', 'ran-past', 'slower', 'faster'] as const;
export type UpsetKind = (typeof UPSET_KINDS)[number];

/** Somebody else's water, a day; under an open sky or a leaky roof more. */
const STRANGER_A_DAY = 0.001;
const OPEN_SKY = 2;
/**
 * And for each pot's worth of drying that went by: a pot that dries in a week is passed by the can as often as a slow
 * one.
 */
const STRANGER_A_CYCLE = 0.08;

/** For good: roots lost or a hole blocked, roots that fill the pot or a ball shrunk from its wall. */
export const PACES: readonly { kind: 'slower' | 'faster'; lnPace: number; aDay: number; aCycle: number }[] = [
  { kind: 'slower', lnPace: Math.log(0.55), aDay: 0.0006, aCycle: 0.025 },
  { kind: 'slower', lnPace: Math.log(0.25), aDay: 0.0005, aCycle: 0.012 },
  { kind: 'faster', lnPace: Math.log(1.9), aDay: 0.0006, aCycle: 0.012 },
];

/** At a look the book is taken to be incomplete at least this often: likelier than that the look is a slip. */
export const STRANGER_BEFORE_A_LOOK = 0.065;

/**
 * Somebody else's water as it is found: fresh, nearly a drench, though nobody knows how much; and at a look also with
 * some of it gone again, or no more than a cup from the start.
 */
export const STRANGER_SD = 0.12;
export const FRESH_STRANGER: readonly { m: number; odds: number }[] = [{ m: 0.86, odds: 1 }];
export const STRANGER_AT_A_LOOK: readonly { m: number; odds: number }[] = [
  { m: 0.86, odds: 0.5 },
  { m: 0.5, odds: 0.25 },
  { m: 0.25, odds: 0.25 },
];

/** @param cycles full pots' worth of water lost at half wetness since the last reckoning @param days those days */
export function strangerChance(days: number, cycles: number, openSky: boolean): number {
  return clamp((STRANGER_A_DAY * days + STRANGER_A_CYCLE * cycles) * (openSky ? OPEN_SKY : 1), 0, 0.3);
}

export function paceChance(pace: (typeof PACES)[number], days: number, cycles: number): number {
  return clamp(pace.aDay * days + pace.aCycle * cycles, 0, 0.1);
}

/**
 * Shares of what is missing that a drench brings where it ran past: none (or it was another pot's), hardly any, a
 * fifth, a half.
 */
export const PAST_SHARES: readonly { share: number; odds: number }[] = [
  { share: 0, odds: 0.1 },
  { share: 0.08, odds: 0.25 },
  { share: 0.22, odds: 0.35 },
  { share: 0.5, odds: 0.3 },
];

/**
 * At the first look after a drench on record it is taken to have run past, or never to have come, at least this often.
 */
export const PAST_BEFORE_A_LOOK = 0.1;
const RAN_PAST_LEAST = 0.05;
const RAN_PAST_DRY = 0.05;
const RAN_PAST_PEATY = 0.16;

/** Chance that a drench on record wetted a part only: by how dry the mix was and how hard it is to wet again. */
export function ranPastChance(m: number, rewetDifficulty: number): number {
  const dryness = clamp(1 - m / 0.3, 0, 1);
  return RAN_PAST_LEAST + dryness * (RAN_PAST_DRY + RAN_PAST_PEATY * rewetDifficulty);
}
