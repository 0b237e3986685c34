/**
 * The year ahead of a whole collection: states, waterings, cold and heat, week by week, from the ensemble of possible
 * weathers and by the year kernel (drydown/yearKernel.ts); and the same year under another roof.
 */
import type { DayNumber } from '../calendar/day.ts';
import { yearKernel } from '../drydown/yearKernel.ts';
import { type Garden, PLANT_STATES, type PlaceKind, type PlantState } from '../garden.ts';
import { placeDefaults } from '../place/defaults.ts';
import { heatLimitC, isHotPot } from '../plant/heat.ts';
import { type GardenClimate, MEMBERS } from './climate.ts';
import type { GardenForecast } from './forecast.ts';
import { kernelPots, kernelWeather, putPot } from './load.ts';
import { weeklyLimits } from './nights.ts';
import { type StandsWhen, standsWhen } from './moveWeeks.ts';
import { coldNightOf } from './placeOutlook.ts';
import { dueMoisture, type PlantModel } from './plantModel.ts';

export const ALMANAC_WEEKS = 52;
const DAYS_A_WEEK = 7;
const ALMANAC_DAYS = ALMANAC_WEEKS * DAYS_A_WEEK;

/** What of a plant's past its year goes on from. */
export interface AlmanacStart {
  plantId: string;
  /** its pace against the reckoned one */
  rate: number;
  /** moisture held likeliest today */
  m: number;
  /** day of its next drink as judged, or null */
  due: DayNumber | null;
  /** height of a day that it bears, as its kind or its keeper has it, °C */
  ceilingC: number;
}

/** A stretch of the year in one state; days from tomorrow on, the last not in it. */
export interface StateSpan {
  state: PlantState;
  from: number;
  to: number;
}

export interface AlmanacRow {
  plantId: string;
  placeId: string;
  states: StateSpan[];
  /** waterings to be expected in each week, and what they take, l */
  waterings: number[];
  litres: number[];
  /** share of the weathers in which a night of the week is below what it bears then, dry asleep and moist awake */
  cold: number[];
  /** share of the weathers in which a day of the week is hotter than it bears then, in its pot */
  heat: number[];
  /** when nights are warm enough for it where it stands */
  stands: StandsWhen;
}

/** @param told after each plant: how many are read */
export function almanacStarts(
  forecast: GardenForecast,
  judged: ReadonlyMap<string, Pick<AlmanacStart, 'due' | 'ceilingC'>>,
  told: (read: number) => void = () => {},
): AlmanacStart[] {
  return forecast.garden.plants.map(({ id }, i) => {
    const { rate, moisture } = forecast.outlook(id);
    told(i + 1);
    const { due, ceilingC } = judged.get(id) ?? { due: null, ceilingC: Infinity };
    return { plantId: id, rate: rate.p50, m: moisture.p50, due, ceilingC };
  });
}

/** A full drink runs out a little below. */
const RUNS_OUT = 1.15;
const ML_A_LITRE = 1000;

/**
 * The year from tomorrow on.
 *
 * @param forecast the garden as it is, or as it would be (see {@link wouldBe}): what was learned of each pot stands in `starts`
 */
export function almanacOf(forecast: GardenForecast, starts: readonly AlmanacStart[]): AlmanacRow[] {
  const { climate } = forecast;
  const models = starts.map(({ plantId }) => forecast.modelOf(plantId));
  const placeIds = [...new Set(models.map(({ plant }) => plant.place))];
  const pots = kernelPots(starts.length, ALMANAC_DAYS);
  for (const [i, { rate, m, due }] of starts.entries()) {
    const from = due === null ? 0 : Math.min(ALMANAC_DAYS - 1, Math.max(0, due - climate.today - 1));
    const place = placeIds.indexOf(models[i]!.plant.place);
    // From a drink on a pot is full, whatever it holds until then.
    const start = due === null ? { from: 0, m } : { from, m: 1 };
    putPot(pots, i, { model: models[i]!, rate, surfaceWetM: forecast.surface(), place, ...start });
  }
  const watered = new Uint16Array(starts.length * ALMANAC_DAYS);
  if (starts.length > 0) yearKernel(pots, kernelWeather(climate, placeIds, ALMANAC_DAYS), watered);
  const extremes = new Map(placeIds.map((id) => [id, weeklyExtremes(climate, id)]));
  const nights = new Map(
    placeIds.map((id) => [id, coldNightOf(climate.members(id, ALMANAC_DAYS).map(({ tminC }) => tminC))]),
  );
  return starts.map(({ plantId, m, due, ceilingC }, i) => {
    const model = models[i]!;
    const limits = weeklyLimits(model, climate.today, { m, drinksOn: due });
    const waterings = weekly((day) => watered[i * ALMANAC_DAYS + day]! / MEMBERS);
    if (due !== null && due - climate.today <= ALMANAC_DAYS)
      waterings[Math.floor(Math.max(0, due - climate.today - 1) / DAYS_A_WEEK)]! += 1;
    const drinkL =
      (RUNS_OUT * model.pot.capacity.availableMl * Math.max(0.05, 1 - dueMoisture(model.traits))) / ML_A_LITRE;
    return {
      plantId,
      placeId: model.plant.place,
      states: spansOf(model, climate.today),
      waterings,
      litres: waterings.map((times) => times * drinkL),
      stands: standsWhen(nights.get(model.plant.place)!, limits, climate.today),
      ...risks(model, {
        ...extremes.get(model.plant.place)!,
        today: climate.today,
        limits,
        ceilingC,
        indoors: placeDefaults(climate.place(model.plant.place).place.kind).indoors,
      }),
    };
  });
}

function weekly(ofDay: (day: number) => number): number[] {
  return Array.from({ length: ALMANAC_WEEKS }, (_, week) => {
    let sum = 0;
    for (let day = week * DAYS_A_WEEK; day < (week + 1) * DAYS_A_WEEK; day++) sum += ofDay(day);
    return sum;
  });
}

function stateAt({ timeline }: PlantModel, day: DayNumber): PlantState {
  const at = Math.min(timeline.states.length - 1, Math.max(0, day - timeline.firstDay));
  return PLANT_STATES[timeline.states[at]!]!;
}

function spansOf(model: PlantModel, today: DayNumber): StateSpan[] {
  const spans: StateSpan[] = [];
  for (let day = 0; day < ALMANAC_DAYS; day++) {
    const state = stateAt(model, today + 1 + day);
    const last = spans.at(-1);
    if (last?.state === state) last.to = day + 1;
    else spans.push({ state, from: day, to: day + 1 });
  }
  return spans;
}

/** Coldest night and hottest day of each week, in each weather: week × member, °C. */
interface Extremes {
  coldest: Float32Array;
  hottest: Float32Array;
}

function weeklyExtremes(climate: GardenClimate, placeId: string): Extremes {
  const coldest = new Float32Array(ALMANAC_WEEKS * MEMBERS).fill(Infinity);
  const hottest = new Float32Array(ALMANAC_WEEKS * MEMBERS).fill(-Infinity);
  for (const [member, { tminC, tmaxC }] of climate.members(placeId, ALMANAC_DAYS).entries()) {
    for (let day = 0; day < ALMANAC_DAYS; day++) {
      const at = Math.floor(day / DAYS_A_WEEK) * MEMBERS + member;
      coldest[at] = Math.min(coldest[at]!, tminC[day]!);
      hottest[at] = Math.max(hottest[at]!, tmaxC[day]!);
    }
  }
  return { coldest, hottest };
}

function risks(
  model: PlantModel,
  {
    coldest,
    hottest,
    today,
    limits,
    ceilingC,
    indoors,
  }: Extremes & { today: DayNumber; limits: readonly number[]; ceilingC: number; indoors: boolean },
): Pick<AlmanacRow, 'cold' | 'heat'> {
  const { pot } = model;
  const hotPot = isHotPot(pot.capacity.volumeMl, indoors);
  const cold: number[] = [];
  const heat: number[] = [];
  for (let week = 0; week < ALMANAC_WEEKS; week++) {
    const asleep = stateAt(model, today + 1 + week * DAYS_A_WEEK) === 'resting';
    const lowest = limits[week]!;
    const highest = heatLimitC(ceilingC, hotPot, asleep);
    const members = (values: Float32Array) => values.subarray(week * MEMBERS, (week + 1) * MEMBERS);
    cold.push(members(coldest).filter((c) => c < lowest).length / MEMBERS);
    heat.push(members(hottest).filter((c) => c >= highest).length / MEMBERS);
  }
  return { cold, heat };
}

/** What is tried on paper. Left out: as it is. */
export interface WhatIf {
  /** glass is kept from falling below this, °C */
  heatToC?: number | null;
  /** all stand here */
  placeId?: string | null;
  /** all stand in this mix */
  mixId?: string | null;
  /** none is let sleep */
  noRest?: boolean;
  /** so many degrees of latitude towards the pole */
  polewardDeg?: number;
}

const GLASS: ReadonlySet<PlaceKind> = new Set<PlaceKind>(['cold-glass', 'heated-glass']);
/**
 * Colder by so much for each degree towards the pole: between 30 and 60° the yearly mean falls some 0.5 to 0.7 K a degree
 * (Peixoto & Oort 1992, Physics of Climate, zonal means).
 */
export const COLDER_A_DEGREE = 0.6;
const FARTHEST_DEG = 66;

/** The garden as it would be: its past and what it taught stay as they are; only the year ahead is another. */
export function wouldBe(garden: Garden, { heatToC, placeId, mixId, noRest, polewardDeg = 0 }: WhatIf): Garden {
  const { site } = garden;
  const south = site.latitude_deg < 0;
  const latitude = Math.min(FARTHEST_DEG, Math.abs(site.latitude_deg) + polewardDeg);
  const colder = (celsius: readonly number[]) => celsius.map((c) => c - COLDER_A_DEGREE * polewardDeg);
  return {
    ...garden,
    site:
      polewardDeg === 0
        ? site
        : {
            ...site,
            latitude_deg: south ? -latitude : latitude,
            normals: { ...site.normals, tmin_c: colder(site.normals.tmin_c), tmax_c: colder(site.normals.tmax_c) },
          },
    places: garden.places.map((place) =>
      heatToC != null && GLASS.has(place.kind)
        ? { ...place, floor_c: Math.max(place.floor_c ?? -Infinity, heatToC) }
        : place,
    ),
    plants: garden.plants.map((plant) => ({
      ...plant,
      ...(placeId == null ? {} : { place: placeId, events: plant.events.filter(({ type }) => type !== 'move') }),
      ...(mixId == null ? {} : { mix: mixId }),
      ...(noRest ? { sleeps: 'never' as const } : {}),
    })),
  };
}

/** The whole collection's week: pots that want water, litres, and minutes with the can. */
export interface WeekLoad {
  pots: number;
  litres: number;
  minutes: number;
}

/** To a pot and back, and the pouring: a walk with a small can (a guess, nobody has timed it). */
const SECONDS_A_POT = 25;
const SECONDS_A_LITRE = 20;

export function weekLoads(rows: readonly AlmanacRow[]): WeekLoad[] {
  return Array.from({ length: ALMANAC_WEEKS }, (_, week) => {
    const pots = rows.reduce((sum, row) => sum + row.waterings[week]!, 0);
    const litres = rows.reduce((sum, row) => sum + row.litres[week]!, 0);
    return { pots, litres, minutes: (pots * SECONDS_A_POT + litres * SECONDS_A_LITRE) / 60 };
  });
}
