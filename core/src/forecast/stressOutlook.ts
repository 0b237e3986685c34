/** Thirst and wet feet along a plant's last weeks and the weeks ahead, at its middle rate. */
import { type DayNumber, dayNumber } from '../calendar/day.ts';
import type { Store } from '../garden.ts';
import { clamp } from '../numeric/curves.ts';
import {
  FIRST_WRINKLE,
  type Stress,
  type StressDay,
  stressStep,
  THIRST_HARMS,
  type ThirstWord,
  thirstWord,
  WET_FEET_HARM,
  wetFeetWord,
  type WetFeetWord,
} from '../drydown/stress.ts';

import type { History } from '../belief/history.ts';
import type { Futures } from './future.ts';
import type { PlantModel } from './plantModel.ts';
import { RESTING } from '../season/states.ts';

export interface StressOutlook {
  thirst: number;
  /** the same by the drying alone, without what was seen of it */
  reckonedThirst: number;
  thirstWord: ThirstWord;
  wetFeet: number;
  wetFeetWord: WetFeetWord;
  /**
   * days until it matters if nobody waters: the first wrinkle, harm by thirst, danger of rot; null beyond the look
   * ahead
   */
  wrinklesInDays: number | null;
  thirstHarmsInDays: number | null;
  rotInDays: number | null;
}

/** A sign of thirst that the keeper saw stands for at least this much. */
const SEEN_WRINKLED = { limp: 0.4, wrinkled: 0.4, shrunken: 0.6 } as const;
const SIGN_DAYS = 10;
const LOOK_AHEAD_DAYS = 180;

export function stressOutlook(
  model: PlantModel,
  history: History,
  past: readonly number[],
  futures: Futures,
  today: DayNumber,
): StressOutlook {
  const { traits, pot, climate, timeline } = model;
  const usual = { storeMl: pot.storeMl, store: traits.store, minWetC: traits.minWetC, growMinC: traits.growMinC };
  const dayAt = (day: DayNumber, m: number) => {
    const i = Math.min(climate.days - 1, day - climate.firstDay);
    return {
      m,
      demandMl: climate.surfaceMm[i]! * pot.plantMlPerMm * model.drinking[i]!,
      tminC: climate.tminC[i]!,
      tmeanC: climate.tmeanC[i]!,
      resting: timeline.states[Math.min(timeline.states.length - 1, day - timeline.firstDay)] === RESTING,
    };
  };
  const days = past.map((m, i) => dayAt(history.trace.from + i, m));
  const plant = { ...usual, storeMl: usual.storeMl * ownStore(model, days, history.trace.from, usual) };
  let now: Stress = { thirst: 0, wetFeet: 0 };
  for (const day of days) now = stressStep(now, day, plant);
  const reckonedThirst = now.thirst;
  now = { ...now, thirst: Math.max(now.thirst, seenThirst(model, today)) };

  const middle = meanPath(futures);
  let ahead = now;
  let wrinklesInDays = now.thirst >= FIRST_WRINKLE[traits.store] ? 0 : null;
  let thirstHarmsInDays = now.thirst >= THIRST_HARMS ? 0 : null;
  let rotInDays = now.wetFeet >= WET_FEET_HARM ? 0 : null;
  for (let lead = 1; lead <= LOOK_AHEAD_DAYS; lead++) {
    ahead = stressStep(ahead, dayAt(today + lead, middle[Math.min(lead, middle.length - 1)]!), plant);
    if (wrinklesInDays === null && ahead.thirst >= FIRST_WRINKLE[traits.store]) wrinklesInDays = lead;
    if (thirstHarmsInDays === null && ahead.thirst >= THIRST_HARMS) thirstHarmsInDays = lead;
    if (rotInDays === null && ahead.wetFeet >= WET_FEET_HARM) rotInDays = lead;
  }
  return {
    thirst: now.thirst,
    reckonedThirst,
    thirstWord: thirstWord(now.thirst, traits.store),
    wetFeet: now.wetFeet,
    wetFeetWord: wetFeetWord(now.wetFeet),
    wrinklesInDays,
    thirstHarmsInDays,
    rotInDays,
  };
}

/** A store is not found to be smaller than this of what its body should hold: the look may have been of other things. */
const LEAST_STORE = 0.35;

/**
 * The share of its reckoned store that this plant can draw on: where the keeper took thirst to be the cause, and the reckoning
 * had it far from its first wrinkle that day, the store is smaller than its body tells.
 */
function ownStore(
  model: PlantModel,
  days: readonly StressDay[],
  firstDay: DayNumber,
  plant: { storeMl: number; store: Store; minWetC: number; growMinC: number },
): number {
  const told = new Set(
    model.plant.events.flatMap((event) =>
      event.type === 'verdict' && event.cause === 'thirst' ? [dayNumber(event.date) - firstDay] : [],
    ),
  );
  if (told.size === 0) return 1;
  const wrinkles = FIRST_WRINKLE[plant.store];
  let now: Stress = { thirst: 0, wetFeet: 0 };
  let share = 1;
  for (const [i, day] of days.entries()) {
    now = stressStep(now, day, plant);
    // Half of the way each time: one look is one look.
    if (told.has(i)) share *= Math.sqrt(clamp(now.thirst / wrinkles, LEAST_STORE ** 2, 1));
  }
  return Math.max(LEAST_STORE, share);
}

function meanPath({ paths }: Futures): Float64Array {
  const out = new Float64Array(paths[0]!.length);
  for (const path of paths) for (let i = 0; i < out.length; i++) out[i]! += path[i]! / paths.length;
  return out;
}

function seenThirst(model: PlantModel, today: DayNumber): number {
  let seen = 0;
  for (const event of model.plant.events) {
    if (event.type !== 'sign' || today - dayNumber(event.date) > SIGN_DAYS) continue;
    const level = SEEN_WRINKLED[event.sign as keyof typeof SEEN_WRINKLED];
    if (event.sign === 'taut') seen = 0;
    else if (level !== undefined) seen = Math.max(seen, level);
  }
  return seen;
}
