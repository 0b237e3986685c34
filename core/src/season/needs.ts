/**
 * How much the season invites a plant to grow, 0 to 1, by its habit.
 * Four invitations are weighed: warmth over two weeks, the day's length, light, and for the sleepers of summer the
 * heat. Orders of size: Larcher (2003), Physiological Plant Ecology (temperature limits of growth); Eggli (2001–2003),
 * Illustrated Handbook of Succulent Plants (growing seasons of the genera). The thresholds are starting values.
 */
import type { Habit, Sleeps } from '../garden.ts';
import { ramp } from '../numeric/curves.ts';

export interface SeasonDay {
  /** mean of the last 14 days at the plants */
  warmthC: number;
  dayLengthH: number;
  /** hours gained since two weeks ago; negative in the falling half of the year */
  lengthChangeH: number;
  /** mean daily light integral of the last 14 days at the plants */
  dliMol: number;
}

/** What holds growth back most, for the words. */
export const LIMITS = ['cold', 'heat', 'short-days', 'long-days', 'dark', 'nothing'] as const;
export type Limit = (typeof LIMITS)[number];

export interface Invitation {
  value: number;
  limit: Limit;
}

/** Light by which a warm room cancels a winter's rest, mol m⁻² d⁻¹. */
const BRIGHT_MOL = 9;
/** Warmth above the growing minimum at which growth is unhindered. */
const FULL_GROWTH_ABOVE_C = 4;

/** Who does not sleep in the season's own right is invited so much at least: enough to slow, not enough to grow. */
const SLOWS_AT = 0.3;

/** @param sleeps where only cold brings rest, short days and heat slow; where nothing does, cold slows too */
export function invitation(habit: Habit, sleeps: Sleeps, growMinC: number, day: SeasonDay): Invitation {
  const asked = inSeason(habit, growMinC, day);
  if (sleeps === 'season' || asked.value >= SLOWS_AT) return asked;
  if (sleeps === 'never') return { ...asked, value: SLOWS_AT };
  const warm = ramp(day.warmthC, growMinC - 1.5, growMinC + 1);
  return { ...asked, value: Math.max(asked.value, SLOWS_AT * warm) };
}

function inSeason(habit: Habit, growMinC: number, day: SeasonDay): Invitation {
  const cold = ramp(day.warmthC, growMinC - 1.5, growMinC + FULL_GROWTH_ABOVE_C);
  switch (habit) {
    case 'summer': {
      // Falling days warn earlier than rising days promise.
      const falling = day.lengthChangeH < 0;
      const days = ramp(day.dayLengthH, falling ? 10.2 : 9.6, falling ? 12.2 : 11.6);
      const brightWarmth = ramp(day.warmthC, growMinC + 3, growMinC + 8) * ramp(day.dliMol, BRIGHT_MOL / 2, BRIGHT_MOL);
      return least([cold, 'cold'], [Math.max(days, brightWarmth), 'short-days']);
    }
    case 'winter': {
      const rising = day.lengthChangeH >= 0;
      const days = 1 - ramp(day.dayLengthH, rising ? 12.6 : 12.4, rising ? 14.6 : 13.8);
      const heat = 1 - ramp(day.warmthC, 20, 26);
      // Long days send them to sleep even in a mild room; only a cool spring keeps them up a little longer.
      const cool = 1 - ramp(day.warmthC, 12, 16);
      const summer = Math.max(0.85 * days + 0.15 * heat, 0.6 * cool);
      const frosty = 0.35 + 0.65 * ramp(day.warmthC, growMinC - 4, growMinC + 2);
      return least([frosty, 'cold'], [summer, heat < days ? 'heat' : 'long-days']);
    }
    case 'spring-autumn': {
      const heat = 1 - ramp(day.warmthC, 21.5, 27);
      const days = ramp(day.dayLengthH, 8.6, 10.4);
      const brightWarmth = ramp(day.warmthC, growMinC + 4, growMinC + 9) * ramp(day.dliMol, BRIGHT_MOL / 2, BRIGHT_MOL);
      return least([cold, 'cold'], [heat, 'heat'], [Math.max(days, brightWarmth), 'short-days']);
    }
    case 'opportunist': {
      // Warmth and light are its season; only great heat, cold and the dark hold it.
      const heat = 1 - ramp(day.warmthC, 27, 33);
      const days = ramp(day.dayLengthH, 8, 9.6);
      return least(
        [cold, 'cold'],
        [heat, 'heat'],
        [0.3 + 0.7 * days, 'short-days'],
        [ramp(day.dliMol, 0.3, 3), 'dark'],
      );
    }
    case 'evergreen':
      return least(
        [cold, 'cold'],
        [0.3 + 0.7 * ramp(day.dliMol, 0.3, 2), 'dark'],
        // The shortest days of a room without a lamp slow every one of them.
        [0.4 + 0.6 * ramp(day.dayLengthH, 8.5, 11), 'short-days'],
      );
  }
}

function least(...limits: [value: number, limit: Limit][]): Invitation {
  const [value, limit] = limits.reduce((worst, next) => (next[0] < worst[0] ? next : worst));
  return { value, limit: value >= 0.95 ? 'nothing' : limit };
}
