/** The work ahead: how often a plant will be watered, week by week, by the year kernel (drydown/yearKernel.ts). */
import type { DayNumber } from '../calendar/day.ts';
import { type KernelPots, type KernelWeather, yearKernel } from '../drydown/yearKernel.ts';
import { type GardenClimate, MEMBERS } from './climate.ts';
import { dueMoisture, pairKnown, type PlantModel } from './plantModel.ts';
import { sheathSpans } from '../season/newPair.ts';
import { RESTING } from '../season/states.ts';

export const WEEKS_AHEAD = 8;
const DAYS_A_WEEK = 7;
const DAYS_AHEAD = WEEKS_AHEAD * DAYS_A_WEEK;
/** No water is given on such a day. */
const NO_WATER = -1;

/** Columns for so many pots, to be filled by {@link putPot}. */
export function kernelPots(count: number, days: number): KernelPots {
  const column = () => new Float64Array(count);
  return {
    count,
    place: new Int32Array(count),
    from: new Int32Array(count),
    holdDays: new Int32Array(count),
    surfacePerMm: column(),
    wallPerMm: column(),
    plantPerMm: column(),
    rainPerMm: column(),
    surfaceWetM: column(),
    dueM: column(),
    m: column(),
    drinking: new Float32Array(count * days),
  };
}

interface KernelPot {
  model: PlantModel;
  /** its pace against the reckoned one */
  rate: number;
  surfaceWetM: number;
  /** which of the weather's places */
  place: number;
  /** days from tomorrow on before it starts, and the moisture then */
  from: number;
  m: number;
}

export function putPot(pots: KernelPots, i: number, { model, rate, surfaceWetM, place, from, m }: KernelPot): void {
  const { pot, climate, timeline, traits } = model;
  const days = pots.drinking.length / pots.count;
  const store = Math.max(1, pot.capacity.availableMl);
  const k = rate / store;
  pots.place[i] = place;
  pots.from[i] = from;
  pots.m[i] = m;
  pots.holdDays[i] = Math.round(traits.holdDays);
  pots.surfacePerMm[i] = k * pot.surfaceMlPerMm;
  pots.wallPerMm[i] = k * pot.wallMlPerMm;
  pots.plantPerMm[i] = k * pot.plantMlPerMm;
  pots.rainPerMm[i] = pot.rainMlPerMm / store;
  pots.surfaceWetM[i] = surfaceWetM;
  pots.dueM[i] = dueMoisture(traits);
  const last = climate.firstDay + climate.days - 1;
  const sheaths = sheathSpans(traits, model.nature, pairKnown(model));
  for (let day = 0; day < days; day++) {
    const at = Math.min(last, model.today + 1 + day);
    const asleep = timeline.states[at - timeline.firstDay] === RESTING;
    const onOldPair = sheaths.some(({ from: stirs, to }) => at >= stirs && at < to);
    pots.drinking[i * days + day] = asleep || onOldPair ? NO_WATER : model.drinking[at - climate.firstDay]!;
  }
}

/** The possible weathers of some places, from tomorrow on. */
export function kernelWeather(climate: GardenClimate, placeIds: readonly string[], days: number): KernelWeather {
  const size = MEMBERS * placeIds.length * days;
  const weather: KernelWeather = {
    days,
    members: MEMBERS,
    places: placeIds.length,
    surfaceMm: new Float32Array(size),
    wallMm: new Float32Array(size),
    rainMm: new Float32Array(size),
  };
  for (const [p, id] of placeIds.entries()) {
    for (const [member, series] of climate.members(id, days).entries()) {
      const at = (member * placeIds.length + p) * days;
      weather.surfaceMm.set(series.surfaceMm, at);
      weather.wallMm.set(series.wallMm, at);
      weather.rainMm.set(series.rainMm, at);
    }
  }
  return weather;
}

/** Weather of the coming weeks by place, for as long as its climate stands. */
const weathers = new WeakMap<GardenClimate, Map<string, KernelWeather>>();

function weatherOf(climate: GardenClimate, placeId: string): KernelWeather {
  let byPlace = weathers.get(climate);
  if (!byPlace) weathers.set(climate, (byPlace = new Map()));
  let weather = byPlace.get(placeId);
  if (!weather) byPlace.set(placeId, (weather = kernelWeather(climate, [placeId], DAYS_AHEAD)));
  return weather;
}

/**
 * Waterings to be expected in each of the coming weeks, this day the first of them: the next on the day it is judged
 * due, full then, and those after it as the pot dries again. A pot that is not due within these weeks has none.
 *
 * @param due day of its next drink as judged, or null
 */
export function weeklyWaterings(
  { model, rate, surfaceWetM }: Pick<KernelPot, 'model' | 'rate' | 'surfaceWetM'>,
  climate: GardenClimate,
  due: DayNumber | null,
): number[] {
  const weeks = Array.from({ length: WEEKS_AHEAD }, () => 0);
  if (due === null) return weeks;
  const ahead = Math.max(0, due - climate.today);
  if (ahead >= DAYS_AHEAD) return weeks;
  weeks[Math.floor(ahead / DAYS_A_WEEK)] = 1;
  const pots = kernelPots(1, DAYS_AHEAD);
  putPot(pots, 0, { model, rate, surfaceWetM, place: 0, from: ahead, m: 1 });
  const watered = new Uint16Array(DAYS_AHEAD);
  yearKernel(pots, weatherOf(climate, model.plant.place), watered);
  for (let day = 0; day < DAYS_AHEAD - 1; day++) weeks[Math.floor((day + 1) / DAYS_A_WEEK)]! += watered[day]! / MEMBERS;
  return weeks;
}
