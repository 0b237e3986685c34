/** From the members to a watering window, an amount, or a reason to hold. */
import { type DayNumber } from '../calendar/day.ts';
import type { PlantState } from '../garden.ts';
import { clamp, quantileSorted } from '../numeric/shape.ts';
import type { MethodId } from '../watering.ts';
import { HORIZON_DAYS, type GardenClimate } from './climate.ts';
import type { Futures } from './future.ts';
import { weekday } from './weekdays.ts';
import { isoWords } from './words.ts';
import { dueMoisture, type PlantModel, stateOn } from './plantModel.ts';

export interface WaterWindow {
  earliest: DayNumber;
  ideal: DayNumber;
  latest: DayNumber;
  amountMl: number;
  method: MethodId;
}

export interface Hold {
  until: DayNumber;
  why: string;
  kind: 'rest' | 'cold' | 'potted';
}

export interface WaterAdvice {
  window: WaterWindow | null;
  hold: Hold | null;
}

/** Rot costs more than thirst: for rules that ask for a dry pot the ideal day is one on which three in four members are dry. */
const SURE_DRY = 0.72;
/** Rules that ask for water above this are for plants that must not dry out. */
const DAMP_FROM_M = 0.2;
/** For those, the middle. */
const MIDDLE = 0.5;
/** Extra room for what runs out of the hole. */
const RUN_OUT = 1.1;
/** A sip for a plant that wakes or shrivels in rest, as a share of the mix. */
const SIP_SHARE = 0.05;
/** Roots cut or fleshy want to dry before they drink. */
const CUT_ROOTS_WAIT_DAYS = 7;
const WHOLE_ROOTS_LIMIT = 0.15;
/** Easing spreads the waterings: by so many days at its end. */
const EASING_STRETCH_DAYS = 10;
/** A night this much above the limit is still too close. */
const COLD_MARGIN_C = 1;
const LONGEST_PATIENCE_DAYS = 90;
const LEAST_PATIENCE_DAYS = 2;

export function adviseWater(model: PlantModel, futures: Futures, climate: GardenClimate, weekdays: ReadonlySet<number> = new Set()): WaterAdvice {
  const { traits } = model;
  const today = climate.today;
  const state = stateOn(model.timeline, today);
  const due = Float64Array.from(futures.dueDay).sort();
  const damp = dueMoisture(traits) > DAMP_FROM_M;
  const met = quantileSorted(due, MIDDLE);
  const sure = quantileSorted(due, damp ? MIDDLE : SURE_DRY);

  const hold = holdFor(model, state, climate);
  if (hold && hold.kind !== 'potted') return { window: null, hold };

  const horizon = today + HORIZON_DAYS;
  const earliestMet = Number.isFinite(met) ? Math.round(met) : horizon;
  const notBefore = hold ? hold.until : -Infinity;
  const earliest = Math.max(earliestMet, notBefore);
  const stretch = state === 'easing' ? Math.round(EASING_STRETCH_DAYS * (1 - activityOn(model, today))) : 0;
  let ideal = Math.max(today, earliest, Math.round((Number.isFinite(sure) ? Math.round(sure) : horizon) + traits.holdDays) + stretch, notBefore);
  // A plant that comes to rest before its day is left alone.
  const stateThen = stateOn(model.timeline, ideal);
  if (state !== 'resting' && stateThen === 'resting' && traits.habit !== 'evergreen') {
    return { window: null, hold: restHold(model, ideal, climate) };
  }
  const patience = patienceDays(model, ideal);
  const latest = Math.max(ideal, ideal + patience);
  ideal = onGoodDay(model, climate, ideal, latest, weekdays);
  return { window: { earliest: Math.min(earliest, ideal), ideal, latest: Math.max(latest, ideal), ...drink(model, futures, state, ideal, climate) }, hold };
}

function activityOn(model: PlantModel, day: DayNumber): number {
  return model.timeline.activity[clamp(day - model.timeline.firstDay, 0, model.timeline.activity.length - 1)]!;
}

function holdFor(model: PlantModel, state: PlantState, climate: GardenClimate): Hold | null {
  const { traits, plant } = model;
  const today = climate.today;
  if (state === 'resting') return restHold(model, today, climate);
  const i = today - model.climate.firstDay;
  const warmth = meanOver(model.climate.tmeanC, i - 13, i);
  if (warmth < traits.growMinC - 1.5 && state !== 'waking') {
    const until = firstDayWhere(model.climate.tmeanC, i + 1, (mean) => mean >= traits.growMinC, 14) ?? model.climate.days - 1;
    return {
      kind: 'cold',
      until: model.climate.firstDay + until,
      why: `Too cold to drink: ${Math.round(warmth)} °C on average, and it grows from ${Math.round(traits.growMinC)} °C.`,
    };
  }
  if (model.pottedOn !== null && (plant.root_loss ?? 0) > WHOLE_ROOTS_LIMIT) {
    const until = model.pottedOn + CUT_ROOTS_WAIT_DAYS;
    if (until > today) return { kind: 'potted', until, why: `Potted on ${isoWords(model.pottedOn)} with cut roots: let them close first.` };
  }
  return null;
}

function restHold(model: PlantModel, from: DayNumber, climate: GardenClimate): Hold {
  const wakes = model.timeline.changes.find((change) => change.day > from && (change.state === 'waking' || change.state === 'growing'));
  return {
    kind: 'rest',
    until: wakes ? wakes.day : climate.today + HORIZON_DAYS,
    why: wakes ? `Asleep; wakes about ${isoWords(wakes.day)}.` : 'Asleep; no waking is in sight.',
  };
}

/** Days from the rule met to harm by thirst: the plant's own store against what it spends without water. */
function patienceDays(model: PlantModel, from: DayNumber): number {
  const { pot, climate, timeline, traits } = model;
  const i0 = Math.min(Math.max(0, from - climate.firstDay), climate.days - 1);
  // Without roots to feed it a succulent closes: a quarter of its drink goes on.
  let left = 0.5 * pot.storeMl;
  let days = 0;
  for (let i = i0; i < climate.days && days < LONGEST_PATIENCE_DAYS; i++, days++) {
    left -= 0.25 * climate.surfaceMm[i]! * pot.plantMlPerMm * timeline.activity[i]!;
    if (left <= 0) break;
  }
  const rule = traits.dryRule === 'keep-damp' ? 0.3 : traits.dryRule === 'dry-top' ? 0.7 : 1;
  return Math.round(clamp(days * rule, LEAST_PATIENCE_DAYS, LONGEST_PATIENCE_DAYS));
}

/** A usual watering day this near costs a dry pot nothing. */
const WEEKDAY_PATIENCE_DAYS = 3;

/** Wet roots on the eve of a cold night rot: wait for a milder one, where the window allows; and for the keeper's usual day, if it is near. */
function onGoodDay(model: PlantModel, climate: GardenClimate, ideal: DayNumber, latest: DayNumber, weekdays: ReadonlySet<number>): DayNumber {
  const { tminC, firstDay } = model.climate;
  const limit = model.traits.minWetC + COLD_MARGIN_C;
  const last = Math.min(latest, climate.today + HORIZON_DAYS - 2);
  const mild = (day: DayNumber) => tminC[day - firstDay]! >= limit && tminC[day + 1 - firstDay]! >= limit;
  let first = ideal;
  while (first <= last && !mild(first)) first++;
  // No mild night in the whole window: the plant's thirst decides, not the calendar.
  if (first > last) return ideal;
  for (let day = first; day <= Math.min(last, first + WEEKDAY_PATIENCE_DAYS); day++) if (weekdays.has(weekday(day)) && mild(day)) return day;
  return first;
}

function drink(model: PlantModel, futures: Futures, state: PlantState, ideal: DayNumber, climate: GardenClimate): { amountMl: number; method: MethodId } {
  const { pot, traits } = model;
  const available = pot.capacity.availableMl;
  // Moisture on the day: where the members will be, or the rule once they are past the kept paths.
  const ahead = ideal - climate.today;
  const mThen = Float64Array.from(futures.paths, (path) => (ahead < path.length ? path[Math.max(0, ahead - 1)]! : Math.min(dueMoisture(traits), path.at(-1)!))).sort();
  if (!pot.holes) {
    const room = available * Math.max(0, 1 - quantileSorted(mThen, 0.9));
    return { method: 'measured', amountMl: downToStep(Math.min(room, 0.6 * available)) };
  }
  if (state === 'waking' && activityOn(model, climate.today) < 0.6) {
    return { method: 'measured', amountMl: roundMl(SIP_SHARE * pot.capacity.volumeMl) };
  }
  const missing = available * Math.max(0.05, 1 - quantileSorted(mThen, 0.5));
  return { method: model.sourced.cautions.includes('dry-heart') && traits.form === 'rosette' && pot.rewetDifficulty > 0.3 ? 'bottom' : 'drench', amountMl: roundMl(RUN_OUT * missing) };
}

function pouringStep(ml: number): number {
  return ml < 20 ? 1 : ml < 100 ? 5 : ml < 1000 ? 10 : 50;
}

/** Never more than the pot can hold. */
function downToStep(ml: number): number {
  const step = pouringStep(ml);
  return Math.floor(ml / step) * step;
}

function roundMl(ml: number): number {
  const step = pouringStep(ml);
  return Math.max(step, Math.round(ml / step) * step);
}

function meanOver(values: Float64Array, from: number, to: number): number {
  const start = Math.max(0, from);
  let sum = 0;
  for (let i = start; i <= to; i++) sum += values[i]!;
  return sum / (to - start + 1);
}

/** First index from which the mean of the `window` days before it meets the test. */
function firstDayWhere(values: Float64Array, from: number, test: (mean: number) => boolean, window: number): number | null {
  for (let i = from; i < values.length; i++) if (test(meanOver(values, i - window + 1, i))) return i;
  return null;
}
