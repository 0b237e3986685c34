/** One plant made ready to be reckoned: its traits, pot, season and daily losses. */
import { type DayNumber, dayNumber } from '../calendar/day.ts';
import { type Place, PLANT_STATES, type Plant, type PlantState } from '../garden.ts';
import { floorC, placeDefaults } from '../place/defaults.ts';
import { isSoaked, type Nature, natureOf } from '../plant/nature.ts';
import { lightResponse, type PotModel, potModel, warmthResponse } from '../drydown/potModel.ts';
import type { LossDays } from '../belief/history.ts';
import type { Blend } from '../mix/blend.ts';
import { type IntervalStep, intervalSteps, stepped } from '../plant/interval.ts';
import { saidAsleep } from '../plant/refusals.ts';
import { weaned, weaningLeft } from '../potting/weaning.ts';
import { type SourcedTraits, type Traits, traitsOf } from '../plant/traits.ts';
import type { PlaceSeries } from '../place/series.ts';
import type { PairKnown } from '../season/newPair.ts';
import { seasonTimeline, type Timeline } from '../season/timeline.ts';
import { type GardenClimate, joinStays } from './climate.ts';
import { GROWING, RESTING } from '../season/states.ts';

/** Moisture at which each rule asks for water (docs/formats.md). */
const DUE_M = { 'keep-damp': 0.3, 'dry-top': 0.45, 'dry-through': 0.12, 'dry-and-hold': 0.12 } as const;

export function dueMoisture(traits: Traits): number {
  return traits.dueM ?? DUE_M[traits.dryRule];
}

export interface Stay {
  place: string;
  from: DayNumber;
}

export interface PlantModel {
  plant: Plant;
  /** the day it was made for */
  today: DayNumber;
  /** it grows south of the equator */
  south: boolean;
  sourced: SourcedTraits;
  traits: Traits;
  /** how its kind lives, and whether it is soaked rather than sipped */
  nature: Nature;
  soaked: boolean;
  /** how much of the way from a wet root run to a dry one is still to go, 1 to 0 (potting/weaning.ts) */
  weaning: number;
  /** by how much a night must lie above its limit for a drink on its eve, °C: none where a house holds the night */
  eveMarginC: number;
  /** what signs have moved, and the traits without it */
  steps: IntervalStep[];
  unstepped: Traits;
  pot: PotModel;
  stays: Stay[];
  climate: PlaceSeries;
  timeline: Timeline;
  /** how much the plant drinks on each day, against its best */
  drinking: Float64Array;
  /** losses of the days behind and, as expected, ahead */
  loss: LossDays;
  /** day of the last repotting, or null where none is on record */
  pottedOn: DayNumber | null;
}

/** Where the plant has stood: its moves read backward from where it is now. */
export function staysOf(plant: Plant, firstDay: DayNumber, known: (place: string) => boolean): Stay[] {
  const stays: Stay[] = [];
  let place = plant.place;
  for (const event of plant.events.toReversed()) {
    if (event.type !== 'move') continue;
    stays.unshift({ place, from: dayNumber(event.date) });
    if (event.from && known(event.from)) place = event.from;
  }
  stays.unshift({ place, from: firstDay });
  return stays;
}

export function buildPlant(
  plant: Plant,
  blend: Blend,
  climate: GardenClimate,
  knownPlace: (id: string) => boolean,
  blendOf: (mix: string) => Blend | undefined = () => undefined,
): PlantModel {
  const sourced = traitsOf(plant);
  const steps = intervalSteps(plant.events, climate.today, plant.steps_taken_back ?? []);
  const unstepped = sourced.traits;
  const own = stepped(unstepped, dueMoisture(unstepped), steps, sourced.sources.dueM === 'keeper');
  const weaning = weaningLeft(plant, own, { now: blend, before: blendOf, today: climate.today });
  const traits = weaned(own, dueMoisture(own), weaning);
  const nature = natureOf(unstepped, sourced.genus?.name ?? null);
  const stays = staysOf(plant, climate.firstDay, knownPlace);
  const series = joinStays(stays.map((stay) => ({ from: stay.from, series: climate.expected(stay.place) })));
  // "It sleeps" of what never does is no season of its kind.
  const asleep = traits.sleeps === 'never' ? [] : saidAsleep(plant.events);
  const seasonSeen = asleep.length === 0 ? plant.events : [...plant.events, ...asleep].sort(byDate);
  const timeline = seasonTimeline(traits, series, seasonSeen, nature === 'stone' && traits.habit === 'winter');
  const pot = potModel(plant, plant.pot, blend, traits);
  const drinks = drinking(plant, traits, pot, series, timeline, climate.today);
  const potted = plant.events.filter((event) => event.type === 'repotting').at(-1);
  return {
    plant,
    today: climate.today,
    south: climate.south,
    sourced: { ...sourced, traits },
    traits,
    nature,
    soaked: isSoaked(nature),
    weaning,
    eveMarginC: eveMarginC(climate.place(plant.place).place),
    unstepped,
    steps,
    pot,
    stays,
    climate: series,
    timeline,
    drinking: drinks,
    loss: lossDays(pot, series, drinks),
    pottedOn: potted ? dayNumber(potted.date) : null,
  };
}

/** What tells when a stone plant's new pair lives on its old. */
export function pairKnown({ timeline, plant, today, south }: PlantModel): PairKnown {
  return { changes: timeline.changes, events: plant.events, today, south };
}

const byDate = (a: { date: string }, b: { date: string }) => (a.date < b.date ? -1 : a.date > b.date ? 1 : 0);

/** A night this much above the limit is still too close where only the weather holds it. */
const EVE_MARGIN_C = 1;

function eveMarginC(place: Place): number {
  return placeDefaults(place.kind).indoors || floorC(place) !== null ? 0 : EVE_MARGIN_C;
}

/** Transpiration left to a leafless stem against one in leaf. */
const LEAFLESS = 0.04;

/** How much the plant drinks on each day, against its best: season × warmth × light × leaves. */
function drinking(
  plant: Pick<Plant, 'leafless'>,
  traits: Traits,
  pot: PotModel,
  series: PlaceSeries,
  timeline: Timeline,
  today: DayNumber,
): Float64Array {
  const offset = series.firstDay - timeline.firstDay;
  const sheds = (traits.form === 'caudex' || traits.form === 'bulb') && traits.habit !== 'evergreen';
  const out = new Float64Array(series.days);
  let bare = plant.leafless === true;
  for (let i = 0; i < series.days; i++) {
    const state = timeline.states[i + offset]!;
    const day = series.firstDay + i;
    if (day > today && state === GROWING) bare = false;
    const leafless =
      day < today - 20 ? sheds && state === RESTING : bare || (sheds && state === RESTING && plant.leafless !== false);
    out[i] =
      timeline.activity[i + offset]! *
      warmthResponse(series.tmeanC[i]!, series.tmaxC[i]!, pot.warmth) *
      lightResponse(series.dliMol[i]!) *
      (leafless ? LEAFLESS : 1);
  }
  return out;
}

/** Losses as shares of the store. */
function lossDays(pot: PotModel, series: PlaceSeries, drinks: Float64Array): LossDays {
  const store = Math.max(1, pot.capacity.availableMl);
  const { days, surfaceMm, wallMm, rainMm } = series;
  const loss = {
    firstDay: series.firstDay,
    surface: new Float64Array(days),
    wall: new Float64Array(days),
    plant: new Float64Array(days),
    rain: new Float64Array(days),
    earlyShare: series.earlyShare,
  };
  const surface = pot.surfaceMlPerMm / store;
  const wall = pot.wallMlPerMm / store;
  const plant = pot.plantMlPerMm / store;
  const rain = pot.rainMlPerMm / store;
  for (let i = 0; i < days; i++) {
    loss.surface[i] = surfaceMm[i]! * surface;
    loss.wall[i] = wallMm[i]! * wall;
    loss.plant[i] = surfaceMm[i]! * plant * drinks[i]!;
    loss.rain[i] = rainMm[i]! * rain;
  }
  return loss;
}

export function stateOn(timeline: Timeline, day: DayNumber): PlantState {
  return PLANT_STATES[timeline.states[Math.min(timeline.states.length - 1, Math.max(0, day - timeline.firstDay))]!]!;
}
