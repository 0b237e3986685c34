/** How a plant's pots dried, one after the other: the gaps between its drinks, compared at the same time of year. */
import { type DayNumber, isoDay } from '../calendar/day.ts';
import { median } from '../numeric/curves.ts';

export interface PotSpell {
  from: DayNumber;
  /** null for the pot it stands in */
  to: DayNumber | null;
}

export interface SpellGaps {
  drinks: number;
  /** middle gap between two drinks in this pot, days; null with fewer than two of them */
  medianDays: number | null;
}

export interface AgainstBefore {
  /** gaps in the new pot over those in the old, at the same time of year: over 1 dries more slowly */
  times: number;
  /** gaps in the new pot that were compared */
  gaps: number;
}

/** A gap longer than this was a rest or a forgotten book, not a dry-down. */
const LONGEST_GAP = 90;
const LEAST_GAPS = 2;
const MONTHS_A_SEASON = 3;

interface Gap {
  season: number;
  days: number;
}

/** @param drinks days of its drinks, in any order */
export function gapsIn(spell: PotSpell, drinks: readonly DayNumber[]): SpellGaps {
  const inside = within(spell, drinks);
  const gaps = gapsOf(inside);
  return { drinks: inside.length, medianDays: gaps.length === 0 ? null : median(gaps.map(({ days }) => days)) };
}

/** The new pot against the one before it; null where no season of the year has seen both with two gaps and more. */
export function againstBefore(before: PotSpell, after: PotSpell, drinks: readonly DayNumber[]): AgainstBefore | null {
  const [old, fresh] = [gapsOf(within(before, drinks)), gapsOf(within(after, drinks))];
  let compared = 0;
  let logTimes = 0;
  for (let season = 0; season < 12 / MONTHS_A_SEASON; season++) {
    const [was, is] = [old, fresh].map((gaps) => gaps.filter((gap) => gap.season === season).map(({ days }) => days));
    if (was!.length < LEAST_GAPS || is!.length < LEAST_GAPS) continue;
    compared += is!.length;
    logTimes += is!.length * Math.log(median(is!) / median(was!));
  }
  return compared === 0 ? null : { times: Math.exp(logTimes / compared), gaps: compared };
}

function within({ from, to }: PotSpell, drinks: readonly DayNumber[]): DayNumber[] {
  return drinks.filter((day) => day >= from && (to === null || day < to)).toSorted((a, b) => a - b);
}

function gapsOf(days: readonly DayNumber[]): Gap[] {
  return days.slice(1).flatMap((day, i) => {
    const gap = day - days[i]!;
    // Two cans on one day are one drink.
    return gap === 0 || gap > LONGEST_GAP ? [] : [{ season: seasonOf(days[i]!), days: gap }];
  });
}

function seasonOf(day: DayNumber): number {
  // Seasons begin with December, March, June and September on both halves of the earth.
  return Math.floor((Number(isoDay(day).slice(5, 7)) % 12) / MONTHS_A_SEASON);
}
