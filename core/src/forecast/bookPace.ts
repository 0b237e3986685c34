/**
 * A pot that is not itself, by its book alone: wet far beyond its norm, or dry in a fraction of it. One odd look is a
 * stranger's can or a drench that ran past; a habit is neither. What else may have happened is not asked here, so that a
 * likely story never hides the alarm.
 */
import { methodRow } from '../catalogue/ways.ts';
import { type DayNumber, dayNumber } from '../calendar/day.ts';
import type { PlantEvent } from '../garden.ts';
import { DRY_TO_M, WET_FROM_M } from '../moisture.ts';
import { median } from '../numeric/curves.ts';

export interface BookPace {
  kind: 'slower' | 'faster';
  /** its days against its norm: above 1 slower */
  factor: number;
  days: number;
  normDays: number;
}

/** So many own dry-downs make a norm; fewer, and the reckoned one stands in. */
const LEAST_CYCLES = 3;
/** From so many times its norm a pot that is found wet is slow, if it was found so on more than one day. */
const SLOW_FROM = 1.5;
const LEAST_SLOW_DAYS = 4;
/** Dry within this share of its norm, so many times of the last few. */
const FAST_TO = 0.55;
const FAST_TIMES = 2;
const LAST_CYCLES = 3;
/** Cycles longer ago are of another season. */
const SEASON_DAYS = 150;

interface Cycle {
  from: DayNumber;
  /** days after the drink on which it was first found dry; null where it was not */
  dryIn: number | null;
  /** days after it on which it was last found wet, and how often it was found wet or damp */
  wetAt: number | null;
  damp: number[];
}

/**
 * @param events of this potting, oldest first
 * @param reckonedDays from full to dry as reckoned before this pot taught anything
 */
export function bookPace(events: readonly PlantEvent[], today: DayNumber, reckonedDays: number): BookPace | null {
  const cycles = cyclesOf(events).filter(({ from }) => today - from <= SEASON_DAYS);
  const now = cycles.at(-1);
  if (!now) return null;
  return slow(now, cycles.slice(0, -1), reckonedDays) ?? fast(cycles, reckonedDays);
}

function normOf(cycles: readonly Cycle[], reckonedDays: number): number {
  const own = cycles.flatMap(({ dryIn }) => (dryIn === null ? [] : [dryIn]));
  return own.length >= LEAST_CYCLES ? median(own) : reckonedDays;
}

function slow(now: Cycle, before: readonly Cycle[], reckonedDays: number): BookPace | null {
  if (now.wetAt === null) return null;
  const norm = normOf(before, reckonedDays);
  const factor = now.wetAt / Math.max(1, norm);
  const beyond = now.damp.filter((days) => days > norm).length;
  // One wet look is a stranger's can as likely as not.
  if (beyond < 2 || factor < SLOW_FROM || now.wetAt - norm < LEAST_SLOW_DAYS) return null;
  return { kind: 'slower', factor, days: now.wetAt, normDays: norm };
}

function fast(cycles: readonly Cycle[], reckonedDays: number): BookPace | null {
  const dried = cycles.filter(({ dryIn }) => dryIn !== null);
  const late = dried.slice(-LAST_CYCLES);
  const older = dried.slice(0, -LAST_CYCLES);
  // A pot that was always so fast is held against what its kind and size should take.
  const norm = Math.max(normOf(older, reckonedDays), reckonedDays);
  const quick = late.filter(({ dryIn }) => dryIn! <= FAST_TO * norm);
  if (quick.length < FAST_TIMES || late.at(-1)!.dryIn! > FAST_TO * norm) return null;
  const days = median(quick.map(({ dryIn }) => dryIn!));
  return { kind: 'faster', factor: days / norm, days, normDays: norm };
}

function cyclesOf(events: readonly PlantEvent[]): Cycle[] {
  const cycles: Cycle[] = [];
  let full: number | null = null;
  let dryG: number | null = null;
  for (const event of events) {
    const now = cycles.at(-1);
    if (event.type === 'repotting') cycles.length = 0;
    else if (event.type === 'weights') {
      full = event.drained_g;
      dryG = event.dry_g ?? dryG;
    } else if (event.type === 'watering') {
      if (methodRow(event.method).whole)
        cycles.push({ from: dayNumber(event.date), dryIn: null, wetAt: null, damp: [] });
      // A sip on the way blurs the cycle it falls into.
      else if (methodRow(event.method).waters && now) cycles.pop();
    } else if (event.type === 'check' && now) {
      const days = dayNumber(event.date) - now.from;
      const says = saysOf(event, full, dryG);
      if (says === null || days <= 0) continue;
      if (says === 'dry') now.dryIn ??= days;
      else {
        now.damp.push(days);
        if (says === 'wet' && now.dryIn === null) now.wetAt = days;
      }
    }
  }
  return cycles;
}

function saysOf(
  event: Extract<PlantEvent, { type: 'check' }>,
  full: number | null,
  dryG: number | null,
): 'wet' | 'damp' | 'dry' | null {
  const of = (m: number) => (m > WET_FROM_M ? 'wet' : m > DRY_TO_M + 0.03 ? 'damp' : 'dry');
  if ('finger' in event) return event.finger;
  if ('lift' in event) return event.lift === 'heavy' ? 'wet' : event.lift === 'middling' ? 'damp' : 'dry';
  if ('meter' in event) return of((event.meter - 1) / 9);
  if ('weight_g' in event && full !== null && dryG !== null && full > dryG)
    return of(1 - (full - event.weight_g) / (full - dryG));
  return null;
}
