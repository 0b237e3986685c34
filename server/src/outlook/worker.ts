/**
 * Runs in a worker thread: holds the gardens' models, answers with outlooks and what the rules of care make of them.
 */
import { type MessagePort, parentPort } from 'node:worker_threads';
import {
  type Bench,
  benchesOf,
  type CareTask,
  careTask,
  type ClinicAnswer,
  clinicAnswer,
  clinicLine,
  type ClinicStrip,
  clinicStrip,
  type ClinicView,
  componentsOf,
  dayOfYear,
  directSun,
  saturationVapourKPa,
  dayNumber,
  type Drying,
  dueMoisture,
  dryingOf,
  type Garden,
  type Outlook,
  pottingOf,
  type PottingView,
  type Share,
  type Teaching,
  WHOLE,
  GardenForecast,
  inShare,
  isoDay,
  type IntervalStep,
  isCharged,
  type Judgement,
  type KeptTask,
  neighboursOf,
  type OutlookView,
  pestsOf,
  pestsOn,
  promised,
  outlookView,
  type PlaceOutlook,
  type Traits,
  placeOutlook,
  type WaterKind,
  type WeatherDay,
  weeklyWaterings,
} from '@zinc-pail/core';
import type { GardenFrame, KeptPlant } from '../garden/store.ts';

export type WatersAtHand = readonly { kind: WaterKind; saltsMgL: number | null }[];

export type Task =
  /** some of the plants and days of the load that comes; `anew`: it begins. It has no answer. */
  | { kind: 'part'; siteId: number; kept: KeptPlant[]; weather: WeatherDay[]; anew: boolean }
  | {
      kind: 'load';
      siteId: number;
      garden: GardenFrame;
      /** how many have been told before */
      plants: number;
      waters: WatersAtHand;
      obstructions: [placeId: string, deg: number][];
      /** where two threads load it together: what is this one's, and the way to the other */
      together: Together | null;
    }
  | { kind: 'replace'; siteId: number; kept: KeptPlant[]; gone: string[] }
  | { kind: 'bench'; siteId: number; placeIds: string[] }
  | { kind: 'climate'; siteId: number; placeId: string }
  | { kind: 'drying'; siteId: number; plantId: string }
  | { kind: 'clinic'; siteId: number; plantId: string }
  | { kind: 'potting'; siteId: number; facts: [plantId: string, PottingBook][] };

export interface Together {
  share: Share;
  /** here the other's teachings come, and these go; it closes where the other has ended */
  other: MessagePort;
}

/** What the tables know of a plant's pottings besides its events. */
export interface PottingBook {
  floweredOn: string | null;
  pottedOn: string | null;
  /** the last pour that was timed, seconds from the surface to the hole */
  poured: { date: string; seconds: number } | null;
  rescued: boolean;
  fitsOn: string | null;
}

export interface PlaceToday {
  tminC: number;
  tmaxC: number;
  rhPct: number;
  /** lowest of the coming night */
  tonightC: number;
  /** between these four nights of five come: the coldest tenth of the weathers, the warmest tenth, °C */
  nightBandC: [low: number, high: number];
  /** light at the plants over the last week, mol m⁻² d⁻¹ */
  dliMol: number;
  /** direct sun on a clear day now, hours, and how much of it before noon */
  sunH: number;
  morningSunH: number;
  /** what thermometers have taught, K; and how many readings */
  offsetMinC: number;
  offsetMaxC: number;
  readings: number;
  /** how its pots dry against the reckoned */
  factor: { p10: number; p50: number; p90: number };
}

export interface PlantToday {
  view: OutlookView;
  task: KeptTask;
  /** waterings to be expected in each of the coming weeks */
  weeks: number[];
}

export interface Answer {
  plants: [plantId: string, today: PlantToday][];
  /** of a load: how many plants the site has */
  of?: number;
  places?: [placeId: string, today: PlaceToday][];
  /** lowest of the coming nights outside */
  nightsC?: number[];
  /** what the place has been and will be */
  climate?: PlaceOutlook;
  drying?: Drying;
  potting?: [plantId: string, view: PottingView][];
  clinic?: ClinicWhole;
}

/** Everything the clinic knows of one plant. */
export interface ClinicWhole {
  clinic: ClinicView;
  answer: ClinicAnswer;
  judgement: Judgement;
  strip: ClinicStrip;
  /** what signs and verdicts have moved of its rule: before, after, and each step */
  gap: { before: GapRule; after: GapRule; steps: IntervalStep[] };
}

/** When a rule calls for water: at this moisture, and so many days later. */
export interface GapRule {
  due_m: number;
  hold_days: number;
}

/** How far a site's load has come, and what has been reckoned since the last news of it. */
export interface LoadNews {
  load: {
    siteId: number;
    /** which of the threads that load it tells: 0, or 1 for the helper */
    part: number;
    stage: 'reading' | 'reckoning';
    /** plants of its share */
    done: number;
    plants: [plantId: string, today: PlantToday][];
    places?: Answer['places'];
    nightsC?: number[];
  };
}

/** What the worker says unasked: plants of a bench reckoned anew behind the scenes. */
export interface BenchNews {
  bench: { siteId: number; plants: [plantId: string, today: PlantToday][] };
}

interface LoadedSite {
  forecast: GardenForecast;
  kept: Map<string, KeptPlant>;
  waters: WatersAtHand;
  charged: Map<string, boolean>;
  obstructions: ReadonlyMap<string, number>;
  /** plants still to be reckoned anew behind the scenes, and when that goes on */
  stale: Set<string>;
  /** guests on its plants, by plant */
  pests: Map<string, ReturnType<typeof pestsOn>>;
  next: NodeJS.Timeout | null;
  /** where its plants could stand, once asked for */
  benches?: Bench[];
}

const NIGHTS = 7;
const WEEK = 7;
/** A mark never waits longer than this for a bench, and while marks come the bench waits. */
const SLICE_MS = 4;
const QUIET_MS = 400;
/** How often a load tells how far it is. */
const NEWS_MS = 250;
const sites = new Map<number, LoadedSite>();

/** Sites that are being handed over. */
const arriving = new Map<number, { kept: KeptPlant[]; weather: WeatherDay[] }>();

function arrive({ siteId, kept, weather, anew }: Extract<Task, { kind: 'part' }>): void {
  const there = (!anew && arriving.get(siteId)) || { kept: [], weather: [] };
  for (const plant of kept) there.kept.push(plant);
  for (const day of weather) there.weather.push(day);
  arriving.set(siteId, there);
}

function work(task: Exclude<Task, { kind: 'part' }>): Answer | Promise<Answer> {
  if (task.kind === 'load') {
    const { kept: plants, weather } = arriving.get(task.siteId) ?? { kept: [], weather: [] };
    arriving.delete(task.siteId);
    if (plants.length !== task.plants) throw new Error(`of ${task.plants} plants ${plants.length} were handed over`);
    const garden: Garden = { ...task.garden, weather, plants: plants.map(({ plant }) => plant) };
    const forecast = new GardenForecast(garden);
    const components = componentsOf(garden.components);
    const site: LoadedSite = {
      forecast,
      kept: new Map(plants.map((kept) => [kept.plant.id, kept])),
      waters: task.waters,
      stale: new Set(),
      next: null,
      obstructions: new Map(task.obstructions),
      pests: new Map(pestsOf(garden.plants, dayNumber(garden.today))),
      charged: new Map(garden.mixes.map((mix) => [mix.id, isCharged(mix, components)])),
    };
    return loaded(task.siteId, site, task.together);
  }
  const site = sites.get(task.siteId);
  if (!site) throw new Error(`site ${task.siteId} was never loaded`);
  if (task.kind === 'bench') {
    for (const placeId of task.placeIds) for (const id of site.forecast.plantsAt(placeId)) site.stale.add(id);
    later(task.siteId, site, QUIET_MS);
    return { plants: [] };
  }
  if (task.kind === 'climate') {
    const { forecast, obstructions } = site;
    return { plants: [], climate: placeOutlook(forecast, task.placeId, obstructions.get(task.placeId) ?? 0) };
  }
  if (task.kind === 'drying') {
    const { forecast } = site;
    const { model, rate } = forecast.outlook(task.plantId);
    return {
      plants: [],
      drying: dryingOf(model, {
        today: forecast.climate.today,
        rate,
        surfaceWetM: forecast.surface(),
        latitudeDeg: forecast.garden.site.latitude_deg,
      }),
    };
  }
  if (task.kind === 'clinic') return { plants: [], clinic: clinicWhole(site, task.plantId) };
  if (task.kind === 'potting') return { plants: [], potting: pottingViews(site, task.facts) };
  for (const id of task.gone) {
    site.kept.delete(id);
    site.stale.delete(id);
    site.pests.delete(id);
    site.forecast.removePlant(id);
  }
  for (const kept of task.kept) {
    site.kept.set(kept.plant.id, kept);
    site.forecast.replacePlant(kept.plant);
    const pests = pestsOn(kept.plant.events, site.forecast.climate.today);
    if (pests.length > 0) site.pests.set(kept.plant.id, pests);
    else site.pests.delete(kept.plant.id);
    site.stale.delete(kept.plant.id);
  }
  return {
    plants: plantsToday(
      site,
      task.kept.map(({ plant }) => plant.id),
    ),
  };
}

/**
 * Reckons a site from nothing, telling on the way what there is already; the answer holds what was not told yet. Where
 * two threads do it together, each reads its share of the plants, tells the other what they teach, and reckons its
 * share; the site as it was before answers meanwhile.
 */
async function loaded(siteId: number, site: LoadedSite, together: Together | null): Promise<Answer> {
  const { forecast } = site;
  const { garden, climate } = forecast;
  const part = together?.share.from ?? 0;
  let told = performance.now();
  const tell = (news: Pick<LoadNews['load'], 'stage' | 'done' | 'plants'> & Partial<LoadNews['load']>): void => {
    told = performance.now();
    const message: LoadNews = { load: { siteId, part, ...news } };
    parentPort!.postMessage(message);
  };
  const reading = (done: number) => {
    if (performance.now() - told > NEWS_MS) tell({ stage: 'reading', done, plants: [] });
  };
  let share = together?.share ?? WHOLE;
  const teachings = forecast.readShare(share, reading);
  if (together) {
    const others = await exchanged(together.other, teachings);
    if (others) teachings.push(...others);
    else {
      // The other thread has ended: all is this one's now.
      teachings.push(...forecast.readShare({ ...share, from: 1 - share.from }, reading));
      share = WHOLE;
    }
  }
  forecast.join(teachings);
  sites.set(siteId, site);
  const places = garden.places.map((place): [string, PlaceToday] => [
    place.id,
    placeToday(site, place.id, climate.today),
  ]);
  const nightsC = Array.from({ length: NIGHTS }, (_, i) => tenth(climate.outdoors(climate.today + 1 + i).tminC));
  tell({ stage: 'reckoning', done: 0, plants: [], places, nightsC });
  let plants: Answer['plants'] = [];
  let done = 0;
  for (const [i, { id }] of garden.plants.entries()) {
    if (!inShare(i, share)) continue;
    plants.push(...plantsToday(site, [id]));
    done++;
    if (performance.now() - told < NEWS_MS) continue;
    tell({ stage: 'reckoning', done, plants });
    plants = [];
  }
  return { plants, of: garden.plants.length, places, nightsC };
}

/** The other thread's teachings for these; null where it has ended without telling. */
function exchanged(other: MessagePort, teachings: Teaching[]): Promise<Teaching[] | null> {
  return new Promise((resolve) => {
    other.on('message', (theirs: Teaching[]) => {
      resolve(theirs);
      other.close();
    });
    other.on('close', () => resolve(null));
    other.postMessage(teachings);
  });
}

function later(siteId: number, site: LoadedSite, ms: number): void {
  if (site.next) clearTimeout(site.next);
  site.next = setTimeout(() => freshen(siteId, site), ms);
}

/** Plants of a bench for a few milliseconds, then room for whoever asks, then the next. */
function freshen(siteId: number, site: LoadedSite): void {
  site.next = null;
  if (sites.get(siteId) !== site || site.stale.size === 0) return;
  const end = performance.now() + SLICE_MS;
  const plants: [string, PlantToday][] = [];
  for (const id of site.stale) {
    site.stale.delete(id);
    plants.push(...plantsToday(site, [id]));
    if (performance.now() > end) break;
  }
  const news: BenchNews = { bench: { siteId, plants } };
  parentPort!.postMessage(news);
  later(siteId, site, 0);
}

function plantsToday(site: LoadedSite, ids: string[]): [string, PlantToday][] {
  const { forecast } = site;
  const { today } = forecast.climate;
  return ids.map((id) => {
    const outlook = forecast.outlook(id);
    const task = plantTask(site, id, outlook);
    const { model, rate } = outlook;
    const weeks = weeklyWaterings(
      { model, rate: rate.p50, surfaceWetM: forecast.surface() },
      forecast.climate,
      task.due === null ? null : dayNumber(task.due),
    );
    const { clinic, ...rest } = task;
    const line = clinicLine(task.judgement, clinic, today);
    return [id, { view: outlookView(outlook, task.forecast, today), task: { ...rest, clinic: line }, weeks }];
  });
}

function clinicWhole(site: LoadedSite, id: string): ClinicWhole {
  const { forecast } = site;
  const outlook = forecast.outlook(id);
  const { clinic, judgement } = plantTask(site, id, outlook);
  return {
    clinic,
    answer: clinicAnswer(judgement, clinic, forecast.climate.today),
    judgement,
    strip: clinicStrip(outlook, forecast.climate.today),
    gap: { before: gapRule(outlook.model.unstepped), after: gapRule(outlook.model.traits), steps: outlook.model.steps },
  };
}

function gapRule(traits: Traits): GapRule {
  return { due_m: dueMoisture(traits), hold_days: traits.holdDays };
}

/** A plant's task, every look's answers as they would turn out. */
function plantTask(site: LoadedSite, id: string, outlook: Outlook): CareTask {
  const { forecast } = site;
  const task = taskSeen(site, id, outlook);
  const judgement = promised(task.judgement, {
    today: isoDay(forecast.climate.today),
    outlookWith: (events) => forecast.tried(id, events),
    judge: (seen) => taskSeen(site, id, seen).judgement,
  });
  return { ...task, judgement };
}

function taskSeen(site: LoadedSite, id: string, outlook: Outlook): CareTask {
  const { forecast, kept, charged, waters, pests } = site;
  // Places as they are today: reckoned once, when the first plant asks.
  site.benches ??= benchesOf(forecast, forecast.climate.today);
  const { plant, care } = kept.get(id)!;
  const { place } = forecast.climate.place(plant.place);
  return careTask({
    name: plant.name ?? '',
    taxon: plant.taxon ?? null,
    nameUnknown: plant.name_unknown ?? false,
    own: care.own,
    outlook,
    today: forecast.climate.today,
    placeKind: care.placeKind,
    lit: place.lamp != null,
    south: forecast.garden.site.latitude_deg < 0,
    mixIsCharged: charged.get(plant.mix) ?? false,
    arrivedOn: care.arrivedOn === null ? null : dayNumber(care.arrivedOn),
    shelteredOn: care.shelteredOn === null ? null : dayNumber(care.shelteredOn),
    watersAtHand: waters,
    air: place.air,
    organicShare: forecast.blend(plant.mix).organicShare,
    neighbours:
      pests.size === 0
        ? []
        : neighboursOf(
            plant,
            [...pests.keys()].flatMap((other) => kept.get(other)?.plant ?? []),
            pests,
          ),
    benches: site.benches,
  });
}

function pottingViews(site: LoadedSite, facts: readonly [string, PottingBook][]): [string, PottingView][] {
  const { forecast } = site;
  const { today } = forecast.climate;
  const dayOrNull = (day: string | null) => (day === null ? null : dayNumber(day));
  return facts.flatMap(([id, book]): [string, PottingView][] => {
    const kept = site.kept.get(id);
    if (!kept) return [];
    const outlook = forecast.outlook(id);
    const task = taskSeen(site, id, outlook);
    const { place } = forecast.climate.place(kept.plant.place);
    return [
      [
        id,
        pottingOf({
          outlook,
          today,
          rules: task.rules.rules,
          blend: forecast.blend(kept.plant.mix),
          surfaceWetM: forecast.surface(),
          latitudeDeg: forecast.garden.site.latitude_deg,
          place: { kind: place.kind, air: place.air },
          saltsOver: task.salts.flush,
          heavyHand: forecast.heavyHand(),
          arrivedOn: dayOrNull(kept.care.arrivedOn),
          floweredOn: dayOrNull(book.floweredOn),
          pottedOn: dayOrNull(book.pottedOn),
          rescued: book.rescued,
          fitsOn: dayOrNull(book.fitsOn),
          poured: book.poured && { day: dayNumber(book.poured.date), seconds: book.poured.seconds },
        }),
      ],
    ];
  });
}

function placeToday({ forecast, obstructions }: LoadedSite, placeId: string, today: number): PlaceToday {
  const { climate, garden } = forecast;
  const series = climate.expected(placeId);
  const i = today - series.firstDay;
  const place = climate.place(placeId);
  const sun = directSun(garden.site.latitude_deg, dayOfYear(today), place.place, obstructions.get(placeId) ?? 0);
  const correction = place.correctionFor(today);
  let light = 0;
  for (let back = 0; back < WEEK; back++) light += series.dliMol[i - back]! / WEEK;
  return {
    tminC: tenth(series.tminC[i]!),
    tmaxC: tenth(series.tmaxC[i]!),
    rhPct: Math.min(100, Math.round((100 * series.eaKPa[i]!) / saturationVapourKPa(series.tmeanC[i]!))),
    tonightC: tenth(series.tminC[i + 1]!),
    nightBandC: nightBand(climate.tonight(placeId), series.tminC[i + 1]!),
    dliMol: tenth(light),
    sunH: tenth(sun.directH),
    morningSunH: tenth(sun.morningH),
    offsetMinC: tenth(correction.tminC),
    offsetMaxC: tenth(correction.tmaxC),
    readings: place.lessonCount,
    factor: forecast.placeFactor(placeId),
  };
}

/** @param expectedC stands for itself where no weathers were drawn */
function nightBand(nightsC: readonly number[], expectedC: number): [number, number] {
  const sorted = nightsC.length > 0 ? nightsC.toSorted((a, b) => a - b) : [expectedC];
  const at = (p: number) => tenth(sorted[Math.round(p * (sorted.length - 1))]!);
  return [at(0.1), at(0.9)];
}

function tenth(value: number): number {
  return Math.round(value * 10) / 10;
}

parentPort!.on('message', async ({ id, task }: { id: number; task: Task }) => {
  if (task.kind === 'part') return arrive(task);
  try {
    parentPort!.postMessage({ id, answer: await work(task) });
  } catch (error) {
    const gone = error instanceof RangeError && /^no (plant|place) /.test(error.message);
    parentPort!.postMessage({ id, error: (error as Error).stack ?? String(error), gone });
  }
});
