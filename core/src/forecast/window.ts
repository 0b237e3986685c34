/**
 * From the members to the days of a watering window, or a reason to hold. What is done with them is judged
 * (judgement/).
 */
import { isDrink } from '../catalogue/ways.ts';
import { type DayNumber, dayNumber } from '../calendar/day.ts';
import type { PlantState, Store } from '../garden.ts';
import { genusCare, LIGHT_BANDS } from '../plant/library.ts';
import { newPairUntil } from '../season/newPair.ts';
import { refusedLately, REFUSED_DAYS } from '../plant/refusals.ts';
import { firstDrink } from '../plant/firstDrink.ts';
import { clamp, quantileSorted } from '../numeric/curves.ts';
import { HORIZON_DAYS, type GardenClimate } from './climate.ts';
import type { Futures } from './future.ts';
import { weekday } from './weekdays.ts';
import type { PastBands } from '../belief/present.ts';
import { dueMoisture, pairKnown, type PlantModel, stateOn } from './plantModel.ts';

export interface WaterWindow {
  earliest: DayNumber;
  ideal: DayNumber;
  latest: DayNumber;
  /** what put the ideal day off beyond the plant's own rule, where anything did */
  putOff: PutOff | null;
}

/**
 * A usual watering day near by, a night too cold for a drink, too little light to use one, heat in which it is shut, its
 * keeper who left it out twice.
 */
export type PutOff = 'weekday' | 'cold-eve' | 'dim' | 'hot' | 'refused';

/** Why no drink may come, and until when: `goes-to-rest` holds a drink whose day lies beyond the coming rest. */
export interface Hold {
  until: DayNumber;
  kind: 'rest' | 'goes-to-rest' | 'cold' | 'potted' | 'new-pair';
  /** for cold: the mean at the plant and where it begins to grow, °C; for rest: 1 where its waking is in sight */
  n: Readonly<Record<string, number>>;
  /** for potted: what decided (plant/firstDrink.ts) */
  of?: string;
}

export interface WaterAdvice {
  window: WaterWindow | null;
  hold: Hold | null;
}

/**
 * Rot costs more than thirst: for rules that ask for a dry pot the ideal day is one on which three in four members are
 * dry.
 */
const SURE_DRY = 0.72;
/** Rules that ask for water above this are for plants that must not dry out. */
const DAMP_FROM_M = 0.2;
/** For those, the middle. */
const MIDDLE = 0.5;
/** What is taken for lost where only "cut" was noted. */
export const CUT_ROOTS_LOSS = 0.3;
/** Easing spreads the waterings: by so many days at its end. */
const EASING_STRETCH_DAYS = 10;
/**
 * In too little light a drink is hardly used: between two of them so many days at least, by where the plant keeps its
 * water (keepers of big stores in dim rooms water every five to eight weeks).
 */
const DIM_GAP_DAYS: Record<Store, number> = { below: 38, stem: 32, leaf: 24, none: 0 };
/** Shut in the heat of the day it drinks little: so many days longer while the heat lasts. */
const HOT_STRETCH_DAYS = 4;
const HOT_DAYS_OF_WEEK = 4;
/** What must not dry out is asked again sooner. */
const DAMP_REFUSED_DAYS = 3;
const LONGEST_PATIENCE_DAYS = 90;
const LEAST_PATIENCE_DAYS = 2;

export function adviseWater(
  model: PlantModel,
  futures: Futures,
  climate: GardenClimate,
  past: Pick<PastBands, 'mean'>,
  weekdays: ReadonlySet<number> = new Set(),
): WaterAdvice {
  const { traits } = model;
  const today = climate.today;
  const state = stateOn(model.timeline, today);
  const metOn = metSince(past, dueMoisture(traits), today);
  const due = Float64Array.from(futures.dueDay, (day) => (day === today ? metOn : day)).sort();
  const damp = dueMoisture(traits) > DAMP_FROM_M;
  const met = quantileSorted(due, MIDDLE);
  const sure = quantileSorted(due, damp ? MIDDLE : SURE_DRY);

  const hold = holdFor(model, state, climate);
  if (hold && hold.kind !== 'potted') return { window: null, hold };

  const horizon = today + HORIZON_DAYS;
  const earliestMet = Number.isFinite(met) ? Math.round(met) : horizon;
  const notBefore = hold ? hold.until : -Infinity;
  const earliest = Math.max(earliestMet, notBefore);
  let ideal = Math.max(
    earliest,
    Math.round((Number.isFinite(sure) ? Math.round(sure) : horizon) + traits.holdDays) + easingStretch(model, today),
    notBefore,
  );
  let putOff: PutOff | null = null;
  const later = (day: DayNumber, why: PutOff) => {
    if (day <= ideal) return;
    ideal = day;
    putOff = why;
  };
  if (isHot(model, today)) later(ideal + HOT_STRETCH_DAYS, 'hot');
  later(dimUntil(model, today), 'dim');
  const refused = refusedLately(model.plant.events, today);
  if (refused) later(dayNumber(refused.date) + (damp ? DAMP_REFUSED_DAYS : REFUSED_DAYS), 'refused');
  if (ideal <= today) putOff = null;
  ideal = Math.max(today, ideal);
  // A plant that comes to rest before its day is left alone.
  const stateThen = stateOn(model.timeline, ideal);
  if (state !== 'resting' && stateThen === 'resting' && traits.sleeps !== 'never') {
    return { window: null, hold: { ...restHold(model, ideal, climate), kind: 'goes-to-rest' } };
  }
  const patience = patienceDays(model, ideal);
  const latest = Math.max(ideal, ideal + patience);
  const good = onGoodDay(model, climate, ideal, latest, weekdays);
  if (good.why) later(good.day, good.why);
  return { window: { earliest: Math.min(earliest, ideal), ideal, latest: Math.max(latest, ideal), putOff }, hold };
}

/** The day from which the pot has been as dry as its rule wants, as far back as is known; today where it is not yet. */
function metSince({ mean }: Pick<PastBands, 'mean'>, dueM: number, today: DayNumber): DayNumber {
  let back = 0;
  while (back < mean.length - 1 && mean[mean.length - 1 - back]! <= dueM) back++;
  return today - Math.max(0, back - 1);
}

/** Days by which easing spreads the drinks: more the further it has slowed. */
export function easingStretch(model: PlantModel, day: DayNumber): number {
  if (model.soaked || stateOn(model.timeline, day) !== 'easing') return 0;
  return Math.round(EASING_STRETCH_DAYS * (1 - activityOn(model, day)));
}

/** Below so much of the light by which its kind gets by a drink is hardly used; those of winter are used to short days. */
const DIM_SHARE = 0.7;
const WINTER_DIM_SHARE = 0.3;

/** Light of the last two weeks far below what its kind gets by with. */
export function isDim(model: PlantModel, day: DayNumber): boolean {
  const { light } = genusCare(model.sourced.genus, model.traits.form, model.traits.habit);
  const i = Math.min(model.climate.days - 1, day - model.climate.firstDay);
  const share = model.traits.habit === 'winter' ? WINTER_DIM_SHARE : DIM_SHARE;
  return meanOver(model.climate.dliMol, i - 13, i) < share * LIGHT_BANDS[light].getsBy;
}

/** The first day on which a dim place has used up the last drink; the day itself where it is not dim, or knows no drink. */
function dimUntil(model: PlantModel, today: DayNumber): DayNumber {
  const { traits, plant } = model;
  const last = plant.events.findLast(isDrink);
  if (!last || model.soaked || !isDim(model, today)) return -Infinity;
  return dayNumber(last.date) + DIM_GAP_DAYS[traits.store];
}

/** Most of the coming week hotter than it takes: a succulent shuts for the day, and its drink with it. */
export function isHot(model: PlantModel, day: DayNumber): boolean {
  if (model.soaked) return false;
  const { plant, traits, sourced, climate } = model;
  const ceiling = plant.heat_from_c ?? genusCare(sourced.genus, traits.form, traits.habit).ceilingC;
  let hot = 0;
  for (let ahead = 0; ahead < 7; ahead++)
    if (climate.tmaxC[Math.min(climate.days - 1, day + ahead - climate.firstDay)]! >= ceiling) hot++;
  return hot >= HOT_DAYS_OF_WEEK;
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
  const pair = newPairUntil(traits, model.nature, pairKnown(model));
  // Waking never beats cold: what stirs in a cold house wants light, and waits for warmth.
  if (warmth < traits.growMinC - (state === 'waking' ? 0 : 1.5)) {
    const warmOn =
      firstDayWhere(model.climate.tmeanC, i + 1, (mean) => mean >= traits.growMinC, 14) ?? model.climate.days - 1;
    const until = model.climate.firstDay + warmOn;
    // The later of the two holds it.
    if (pair === null || until >= pair)
      return { kind: 'cold', until, n: { warmth: Math.round(warmth * 10) / 10, grows_from: traits.growMinC } };
  }
  if (pair !== null) return { kind: 'new-pair', until: pair, n: {} };
  const potted = plant.events.findLast((event) => event.type === 'repotting');
  if (potted?.type !== 'repotting') return null;
  const rootLoss = plant.root_loss ?? (potted.roots_cut ? CUT_ROOTS_LOSS : 0);
  const first = firstDrink({
    rootLoss,
    mixWas: potted.mix_was ?? null,
    store: traits.store,
    cool: warmth < traits.growMinC,
    findings: potted.findings ?? [],
  });
  const until = dayNumber(potted.date) + first.days;
  return until > today
    ? { kind: 'potted', until, n: { root_loss: rootLoss, days: first.days }, of: first.because[0]! }
    : null;
}

function restHold(model: PlantModel, from: DayNumber, climate: GardenClimate): Hold {
  const wakes = model.timeline.changes.find(
    (change) => change.day > from && (change.state === 'waking' || change.state === 'growing'),
  );
  return {
    kind: 'rest',
    until: wakes ? wakes.day : climate.today + HORIZON_DAYS,
    n: { wakes: wakes ? 1 : 0 },
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

/**
 * Wet roots on the eve of a cold night rot: wait for a milder one, where the window allows; and for the keeper's usual
 * day, if it is near.
 */
function onGoodDay(
  model: PlantModel,
  climate: GardenClimate,
  ideal: DayNumber,
  latest: DayNumber,
  weekdays: ReadonlySet<number>,
): { day: DayNumber; why: PutOff | null } {
  const { tminC, firstDay } = model.climate;
  const limit = model.traits.minWetC + model.eveMarginC;
  const last = Math.min(latest, climate.today + HORIZON_DAYS - 2);
  const mild = (day: DayNumber) => tminC[day - firstDay]! >= limit && tminC[day + 1 - firstDay]! >= limit;
  let first = ideal;
  while (first <= last && !mild(first)) first++;
  // No mild night in the whole window: the plant's thirst decides, not the calendar.
  if (first > last) return { day: ideal, why: null };
  for (let day = first; day <= Math.min(last, first + WEEKDAY_PATIENCE_DAYS); day++)
    if (weekdays.has(weekday(day)) && mild(day)) return { day, why: day > first ? 'weekday' : 'cold-eve' };
  return { day: first, why: 'cold-eve' };
}

function meanOver(values: Float64Array, from: number, to: number): number {
  const start = Math.max(0, from);
  let sum = 0;
  for (let i = start; i <= to; i++) sum += values[i]!;
  return sum / (to - start + 1);
}

/** First index from which the mean of the `window` days before it meets the test. */
function firstDayWhere(
  values: Float64Array,
  from: number,
  test: (mean: number) => boolean,
  window: number,
): number | null {
  for (let i = from; i < values.length; i++) if (test(meanOver(values, i - window + 1, i))) return i;
  return null;
}
