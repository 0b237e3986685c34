/** The engine's face: a garden in, an outlook for each plant out. */
import { type DayNumber, dayNumber } from '../calendar/day.ts';
import type { Garden, Plant, PlantEvent, PlantState } from '../garden.ts';
import { blur, gridQuantile, shifted } from '../belief/grid.ts';
import type { History, HistoryInput } from '../belief/history.ts';
import type { Morning } from '../belief/resume.ts';
import { retrace, retraceFrom } from '../belief/walk.ts';
import { comesEarly, keeperTiming, timingEvidence, type Timing } from '../belief/keeper.ts';
import { type Change, changeOf } from '../belief/change.ts';
import { USUAL_SLIPS, type LookKind } from '../belief/looks.ts';
import { moistureQuantile, type PastBands, pastBands, presentOf, type Present } from '../belief/present.ts';
import { slipRates } from '../belief/trust.ts';
import { Pool } from '../belief/pool.ts';
import { type EarlierPot, inShare, type Share, type Teaching, type TimedStretch, WHOLE } from '../belief/teaching.ts';
import { believedWander, USUAL_WANDER } from '../belief/wander.ts';
import { believedBent } from '../belief/bent.ts';
import { lnEvidence } from '../belief/evidence.ts';
import { addTo, driveShift, fade, potEvidence, posterior, STRETCH_SD, USUAL_BENT } from '../belief/rate.ts';
import { believedSurface, MOST_POTS_ASKED, SURFACE_WET_TRIED } from '../belief/surface.ts';
import { blendMix, type Blend } from '../mix/blend.ts';
import { placeDefaults } from '../place/defaults.ts';
import { lossAt } from '../drydown/step.ts';
import { componentsOf } from '../mix/components.ts';
import { intervalSteps } from '../plant/interval.ts';
import { quantileSorted } from '../numeric/curves.ts';
import { type Because, because } from './because.ts';
import { GardenClimate, HORIZON_DAYS } from './climate.ts';
import { type Futures, runFutures } from './future.ts';
import { buildPlant, dueMoisture, type PlantModel, stateOn } from './plantModel.ts';
import { type LateDay, lateDays } from './lately.ts';
import { type Schools, schools } from './schools.ts';
import { type StressOutlook, stressOutlook } from './stressOutlook.ts';
import { usualWeekdays } from './weekdays.ts';
import { adviseWater, type WaterAdvice } from './window.ts';

export interface Band {
  p10: number;
  p50: number;
  p90: number;
}

/** Everything the engine says of a plant today. */
export interface Outlook {
  plant: Plant;
  model: PlantModel;
  history: History;
  /** what may be in the pot now, and what may have happened */
  present: Present;
  /** moisture at the end of each of the last days, up to today */
  past: PastBands;
  futures: Futures;
  state: PlantState;
  moisture: Band;
  /** day numbers; null past the horizon */
  dryOn: { p10: DayNumber | null; p50: DayNumber | null; p90: DayNumber | null };
  rate: Band;
  /** density of ln k on the grid */
  ratePosterior: Float64Array;
  advice: WaterAdvice;
  why: Because;
  /** something about the pot is no longer as it was */
  change: Change | null;
  stress: StressOutlook;
  schools: Schools;
  /** the last weeks' nights and days at the plant, as far as they are known */
  lately: readonly LateDay[];
  /** lowest of the coming night in each of the possible weathers, °C */
  tonightC: readonly number[];
  /** rain that reaches it today in two days, in each of the possible weathers, mm */
  rainSoonMm: readonly number[];
  /** moisture below which this collection's mixes no longer keep their surface wet */
  surfaceWetM: number;
}

/** A past longer than this teaches nothing that the last years do not. */
const LONGEST_PAST_DAYS = 800;
/** Weather before the first event, for the two-week means. */
const LEAD_IN_DAYS = 30;

/** Some twenty kilobytes each. */
const MOST_MORNINGS = 500;

/**
 * So many pots tell how often a keeper's looks are slips and how the reckoning errs with the season; the rest of a large
 * collection is read but once.
 */
const POTS_THAT_TELL = 100;

interface Learned {
  model: PlantModel;
  history: History;
  /** ln evidence on the rate: by looks in the closed stretches, by looks in all, and by the habit of watering */
  earlier: Float64Array;
  looks: Float64Array;
  habit: Float64Array;
}

/** A garden made ready: climates are reckoned once and shared by all its plants. */
export class GardenForecast {
  /** without what its books tell of days to come */
  readonly garden: Garden;
  readonly climate: GardenClimate;
  private readonly blends: Map<string, Blend>;
  private readonly placeIds: Set<string>;
  private learned: Map<string, Learned> | null = null;
  /** where plants stand whose books another thread has read; they are read here when they are first asked for */
  private readonly readElsewhere = new Map<string, string>();
  private readonly pool = new Pool();
  /** of the pots reckoned last, so that another look today costs little */
  private readonly mornings = new Map<string, Morning>();
  private surfaceWetM: number | null = null;
  private timing: Timing = keeperTiming([]);
  private slips: Record<LookKind, number> = USUAL_SLIPS;
  private wander = USUAL_WANDER;
  /** whether it is settled what looks here are worth */
  private weighed = false;
  /** how the reckoning errs with the season here */
  private bent = USUAL_BENT;
  private wateringWeekdays: ReadonlySet<number> | null = null;

  /** @param since a day that the past must reach back to, where the events alone would not */
  constructor(given: Garden, since?: DayNumber) {
    const garden = { ...given, plants: given.plants.map((plant) => upTo(plant, given.today)) };
    this.garden = garden;
    const today = dayNumber(garden.today);
    let first = since ?? today;
    for (const plant of garden.plants) for (const event of plant.events) first = Math.min(first, dayNumber(event.date));
    this.climate = new GardenClimate(garden, Math.max(first - LEAD_IN_DAYS, today - LONGEST_PAST_DAYS));
    const components = componentsOf(garden.components);
    this.blends = new Map(garden.mixes.map((mix) => [mix.id, blendMix(mix, components)]));
    this.placeIds = new Set(garden.places.map((place) => place.id));
  }

  outlooks(): Outlook[] {
    return this.garden.plants.map((plant) => this.outlook(plant.id));
  }

  blend(mixId: string): Blend {
    const found = this.blends.get(mixId);
    if (!found) throw new RangeError(`no mix "${mixId}"`);
    return found;
  }

  outlook(plantId: string): Outlook {
    return this.outlookOf(plantId, this.known(plantId));
  }

  /**
   * How a plant would stand had these been written too: nothing is kept of it, and nobody's priors move. From this
   * morning's walk on it costs about as much as a mark.
   */
  tried(plantId: string, events: readonly PlantEvent[]): Outlook {
    const { model } = this.known(plantId);
    const plant = { ...model.plant, events: [...model.plant.events, ...events] };
    const told = this.modelHolds(model, plant) ? { ...model, plant } : this.model(plant);
    const morning = this.mornings.get(plantId);
    const outlook = this.outlookOf(plantId, this.learnPlant(plant, told));
    if (morning) this.mornings.set(plantId, morning);
    else this.mornings.delete(plantId);
    return outlook;
  }

  private outlookOf(plantId: string, { model, history, looks, habit, earlier }: Learned): Outlook {
    const drive = driveNow(model, history, this.climate.today, this.surface());
    const shift = driveShift(drive, this.bent);
    const prior = this.pool.prior(plantId);
    // The open stretch strays from the potting's rate: what it says is joined last.
    const open = blur(shifted(posterior(prior, sumOf(earlier, habit)), shift), STRETCH_SD);
    const present = presentOf(history, open);
    const change = changeOf(present);
    const rateNow = posterior(open, history.current.logs);
    const ratePosterior = shifted(shifted(posterior(prior, sumOf(looks, habit)), shift), present.paceMean);
    const rate = bandOf((p) => Math.exp(gridQuantile(ratePosterior, p)));
    const futures = runFutures(model, present, this.climate, { surfaceWetM: this.surface(), bent: this.bent, drive });
    const most = model.pot.holes ? 1 : 2;
    const moisture = bandOf((p) => Math.min(most, moistureQuantile(present, p)));
    const dry = Float64Array.from(futures.dryDay).sort();
    const dryOn = {
      p10: dayOrNull(dry, 0.1, this.climate.today),
      p50: dayOrNull(dry, 0.5, this.climate.today),
      p90: dayOrNull(dry, 0.9, this.climate.today),
    };
    const why = because(
      model,
      this.blend(model.plant.mix),
      this.climate.today,
      { median: Math.exp(gridQuantile(rateNow, 0.5) + present.paceMean), looked: history.checks > 0 },
      this.surface(),
    );
    const state = stateOn(model.timeline, this.climate.today);
    const past = pastBands(history, present);
    const advice = adviseWater(model, futures, this.climate, past, this.weekdays());
    const stress = stressOutlook(model, history, past.mean, futures, this.climate.today);
    return {
      plant: model.plant,
      model,
      history,
      present,
      past,
      futures,
      state,
      moisture,
      dryOn,
      rate,
      ratePosterior,
      advice,
      why,
      change,
      stress,
      schools: schools(model, advice, stress, state, history.lastWatered, this.climate.today),
      lately: lateDays(model, this.climate, past, this.climate.today),
      tonightC: this.climate.tonight(model.plant.place),
      rainSoonMm: this.climate.rainSoon(model.plant.place),
      surfaceWetM: this.surface(),
    };
  }

  /** Forgets a plant that stands here no more; what it taught the place goes with it. */
  removePlant(plantId: string): void {
    this.learn().delete(plantId);
    this.readElsewhere.delete(plantId);
    this.mornings.delete(plantId);
    this.pool.forget(plantId);
  }

  /**
   * Takes one plant as it is now, known before or new, leaving all others as they were reckoned.
   * The priors of its bench move with it. The plant must stand at a place and in a mix of this garden.
   */
  replacePlant(given: Plant): void {
    const plant = upTo(given, this.garden.today);
    const learned = this.learn();
    const before = learned.get(plant.id)?.model;
    const pot = this.learnPlant(
      plant,
      before && this.modelHolds(before, plant) ? { ...before, plant } : this.model(plant),
    );
    learned.set(plant.id, pot);
    this.readElsewhere.delete(plant.id);
    this.pool.set(plant.id, { place: plant.place, mix: plant.mix, evidence: sumOf(pot.looks, pot.habit) });
    for (const earlier of this.earlierPots(plant)) this.pool.set(earlier.id, earlier);
    this.pool.compare([plant.id]);
  }

  /** A drink or a look leaves season, pot and places as they were, unless it settles that a sign moves the interval. */
  private modelHolds(before: PlantModel, plant: Plant): boolean {
    if (!livesAlike(before.plant, plant)) return false;
    return (
      JSON.stringify(intervalSteps(plant.events, this.climate.today, plant.steps_taken_back ?? [])) ===
      JSON.stringify(before.steps)
    );
  }

  /** A plant's season, pot and losses, without what its book teaches. */
  modelOf(plantId: string): PlantModel {
    const plant = this.garden.plants.find(({ id }) => id === plantId) ?? missing(plantId);
    return this.learned?.get(plantId)?.model ?? this.model(plant);
  }

  /** The plants of a place, by id. */
  plantsAt(placeId: string): string[] {
    const own = [...this.learn().values()].map(({ model: { plant } }): [string, string] => [plant.id, plant.place]);
    return [...own, ...this.readElsewhere].flatMap(([id, place]) => (place === placeId ? [id] : []));
  }

  /** How a place dries against the reckoned, as its pots have taught: a factor on the rate. */
  placeFactor(placeId: string): Band {
    this.learn();
    const density = this.pool.placeFactor(placeId);
    return bandOf((p) => Math.exp(gridQuantile(density, p)));
  }

  /**
   * Reads a share of the plants' books; the first outlook would read them all otherwise. Nothing is known before what
   * all shares teach is joined.
   *
   * @param told after each plant of the share: how many of it are read
   */
  readShare(share: Share, told?: (read: number) => void): Teaching[] {
    const { plants } = this.garden;
    const telling = Math.min(POTS_THAT_TELL, plants.length);
    const read = new Map<string, Learned>();
    if (!this.weighed) {
      for (const plant of plants.slice(0, telling)) read.set(plant.id, this.learnPlant(plant));
      this.weighLooks(read);
    }
    const own = new Map<string, Learned>();
    for (const [i, plant] of plants.entries()) {
      if (!inShare(i, share)) continue;
      own.set(plant.id, read.get(plant.id) ?? this.learnPlant(plant));
      told?.(own.size);
    }
    this.learned = new Map([...(this.learned ?? []), ...own]);
    return [...own.values()].map((pot) => this.teachingOf(pot));
  }

  /** Takes what all shares of the garden teach, its own among them: the same whoever read them. */
  join(teachings: readonly Teaching[]): void {
    const learned = this.learned!;
    const byId = new Map(teachings.map((teaching) => [teaching.id, teaching]));
    const inOrder = this.garden.plants.map(({ id }) => byId.get(id) ?? missing(id));
    for (const { id, place } of inOrder) if (!learned.has(id)) this.readElsewhere.set(id, place);
    this.applyHabit(inOrder);
  }

  private learn(): Map<string, Learned> {
    if (!this.learned) this.join(this.readShare(WHOLE));
    return this.learned!;
  }

  private known(plantId: string): Learned {
    const learned = this.learn();
    let pot = learned.get(plantId);
    if (!pot) {
      if (!this.readElsewhere.delete(plantId)) missing(plantId);
      pot = this.learnPlant(this.garden.plants.find(({ id }) => id === plantId)!);
      learned.set(plantId, pot);
    }
    return pot;
  }

  private teachingOf({ model: { plant }, history, looks }: Learned): Teaching {
    const timed = ({ endDay, lateness }: TimedStretch): TimedStretch => ({ endDay, lateness });
    return {
      id: plant.id,
      place: plant.place,
      mix: plant.mix,
      looks,
      checks: history.checks,
      stretches: history.stretches.map(timed),
      current: timed(history.current),
      before: this.earlierPots(plant),
    };
  }

  /**
   * What this keeper's looks are worth, and how the reckoning errs with the season. Only where looks are worth something
   * else than usual is it worth a second reading of the pots that told.
   */
  private weighLooks(read: Map<string, Learned>): void {
    this.weighSlips(read);
    this.bent = believedBent([...read.values()].map(({ history }) => [...history.stretches, history.current]));
    for (const pot of read.values()) Object.assign(pot, this.evidenceOf(pot));
  }

  private weighSlips(read: Map<string, Learned>): void {
    const histories = [...read.values()].map(({ history }) => history);
    const rates = slipRates(histories);
    const wander = believedWander(histories.map(({ wanders }) => wanders));
    this.weighed = true;
    const slipsMatter = (Object.keys(rates) as LookKind[]).some(
      (kind) => Math.abs(Math.log(rates[kind] / USUAL_SLIPS[kind])) > WORTH_ANOTHER_READING,
    );
    const wanderMatters = Math.abs(Math.log(wander / USUAL_WANDER)) > WANDER_WORTH_ANOTHER_READING;
    if (!slipsMatter && !wanderMatters) return;
    if (slipsMatter) this.slips = rates;
    if (wanderMatters) this.wander = wander;
    for (const [id, { model }] of read) read.set(id, this.learnPlant(model.plant, model));
  }

  private learnPlant(plant: Plant, model = this.model(plant)): Learned {
    const { today, firstDay } = this.climate;
    const history = this.retraced(model, today, firstDay);
    const all = [...history.stretches, history.current];
    return {
      model,
      history,
      ...this.evidenceOf({ model, history }),
      habit: timingEvidence(all, this.timing, (stretch) => fade(stretch, today)),
    };
  }

  /** What a pot's looks say of its rate: those of the closed stretches, and all. */
  private evidenceOf({ model, history }: Pick<Learned, 'model' | 'history'>): Pick<Learned, 'earlier' | 'looks'> {
    const { today } = this.climate;
    const drive = driveNow(model, history, today, this.surface());
    const earlier = potEvidence(history.stretches, today, drive, this.bent);
    return { earlier, looks: sumOf(earlier, potEvidence([history.current], today, drive, this.bent)) };
  }

  private retraced(model: PlantModel, today: DayNumber, firstDay: DayNumber): History {
    const { id } = model.plant;
    const { history, morning } = retraceFrom(
      {
        ...historyInput(model, today, firstDay),
        openSky: placeDefaults(this.climate.place(model.plant.place).place.kind).openSky,
        surfaceWetM: this.surface(),
        upsets: true,
        slips: this.slips,
        wander: this.wander,
        tellsWander: this.learned === null && !this.weighed,
      },
      this.mornings.get(id) ?? null,
      // Of a large collection that is read for the first time they would be thrown away one after the other.
      this.learned !== null || this.garden.plants.length <= MOST_MORNINGS,
    );
    this.mornings.delete(id);
    if (morning) this.mornings.set(id, morning);
    if (this.mornings.size > MOST_MORNINGS) this.mornings.delete(this.mornings.keys().next().value!);
    return history;
  }

  /** The weekdays on which this keeper usually waters, where there are such; day 0 of the epoch is weekday 0. */
  private weekdays(): ReadonlySet<number> {
    this.wateringWeekdays ??= usualWeekdays(this.garden.plants);
    return this.wateringWeekdays;
  }

  /** Whether this keeper waters before pots are due, as far as the pots that were looked at tell. */
  heavyHand(): boolean {
    this.learn();
    return comesEarly(this.timing);
  }

  /** How this keeper comes to water, from the pots that were looked at; then what waterings say of all pots. */
  private applyHabit(teachings: readonly Teaching[]): void {
    const { pool } = this;
    const { today } = this.climate;
    for (const { id, place, mix, looks } of teachings) pool.set(id, { place, mix, evidence: looks });
    this.timing = keeperTiming(
      teachings.map(({ id, stretches, checks, looks }) => ({
        stretches,
        checks,
        rate: () => posterior(pool.prior(id), looks),
      })),
    );
    for (const { id, place, mix, looks, stretches, current, before } of teachings) {
      const habit = timingEvidence([...stretches, current], this.timing, (stretch) => fade(stretch, today));
      const pot = this.learned!.get(id);
      if (pot) pot.habit = habit;
      pool.set(id, { place, mix, evidence: sumOf(looks, habit) });
      for (const earlier of before) pool.set(earlier.id, earlier);
    }
    pool.compare();
  }

  /**
   * What a plant's pot before its last repotting showed no longer counts for the pot, but it still teaches the place
   * (and its mix), where the journal says what pot it was.
   */
  private earlierPots(plant: Plant): EarlierPot[] {
    const earlier: EarlierPot[] = [];
    const { today, firstDay } = this.climate;
    const repottings = plant.events.filter((event) => event.type === 'repotting');
    for (const [i, repotting] of repottings.entries()) {
      if (!repotting.before || !this.blends.has(repotting.before.mix)) continue;
      const end = dayNumber(repotting.date);
      const before: Plant = {
        ...plant,
        pot: repotting.before.pot,
        mix: repotting.before.mix,
        root_loss: null,
        events: plant.events.filter((event) => event.date <= repotting.date && event !== repotting),
      };
      if (end <= firstDay || before.events.length === 0) continue;
      const model = this.model(before);
      const start = i > 0 ? dayNumber(repottings[i - 1]!.date) : dayNumber(before.events[0]!.date);
      const history = retrace({
        ...historyInput(model, Math.min(end, today), firstDay),
        openSky: false,
        upsets: true,
        fromDay: Math.max(start, firstDay),
        surfaceWetM: this.surface(),
      });
      const evidence = potEvidence([...history.stretches, history.current], today, history.current.lnDrive, this.bent);
      const place = history.current.place;
      earlier.push({ id: `${plant.id} before ${repotting.date}`, place, mix: before.mix, evidence });
    }
    return earlier;
  }

  /** How far down this collection's surfaces stay wet, asked once of some pots that were looked at. */
  surface(): number {
    if (this.surfaceWetM !== null) return this.surfaceWetM;
    // A finger's words are two edges: they tell a rate, not the shape between. Probes and scales tell both.
    const looks = (plant: Plant) =>
      plant.events.reduce(
        (n, event) => n + (event.type === 'check' && ('meter' in event || 'weight_g' in event) ? 1 : 0),
        0,
      );
    // Not those looked at most: they are the slow ones, and slow by chance at the end. Every n-th in the garden's
    // order.
    const able = this.garden.plants.filter((plant) => looks(plant) >= LEAST_LOOKS);
    const every = Math.max(1, Math.floor(able.length / MOST_POTS_ASKED));
    const asked = able.filter((_, i) => i % every === 0).slice(0, MOST_POTS_ASKED);
    const evidence = SURFACE_WET_TRIED.map(() => 0);
    for (const plant of asked) {
      const model = this.model(plant);
      for (const [i, { m }] of SURFACE_WET_TRIED.entries()) {
        const history = retrace({
          ...historyInput(model, this.climate.today, this.climate.firstDay),
          openSky: false,
          upsets: false,
          surfaceWetM: m,
        });
        evidence[i]! += lnEvidence([...history.stretches, history.current]);
      }
    }
    this.surfaceWetM = believedSurface(evidence);
    return this.surfaceWetM;
  }

  private model(plant: Plant): PlantModel {
    return buildPlant(
      plant,
      this.blend(plant.mix),
      this.climate,
      (id) => this.placeIds.has(id),
      (mix) => this.blends.get(mix),
    );
  }
}

/** A clock that was set back leaves lines of days to come in a book: they are not known yet. */
function upTo(plant: Plant, today: string): Plant {
  if (plant.events.every(({ date }) => date <= today)) return plant;
  return { ...plant, events: plant.events.filter(({ date }) => date <= today) };
}

/** Events that tell of the pot's water alone: season, pot and places are as they were without them. */
const OF_THE_WATER = new Set<PlantEvent['type']>(['watering', 'check', 'weights', 'feeding']);

/** Of the signs the season's timeline reads one alone; that signs may move the interval is asked apart. */
function leavesModel(event: PlantEvent): boolean {
  return event.type === 'sign' ? event.sign !== 'leaves-dying-back' : OF_THE_WATER.has(event.type);
}

/** Whether two states of a plant differ by nothing but such events, so that its model may be kept. */
function livesAlike(before: Plant, now: Plant): boolean {
  const life = (plant: Plant) =>
    JSON.stringify({ ...plant, events: plant.events.filter((event) => !leavesModel(event)) });
  return before === now || life(before) === life(now);
}

/** ln of the ratio by which a keeper's slips must differ from the usual. */
const WORTH_ANOTHER_READING = 0.5;
/** ln of the ratio by which pots must wander otherwise than usual. */
const WANDER_WORTH_ANOTHER_READING = 0.1;
/** The days ahead that say in what air the pot will dry. */
const DRIVE_AHEAD_DAYS = 21;

/** ln of the mean daily loss at half wetness, from the last drink through the weeks ahead. */
function driveNow(model: PlantModel, history: History, today: DayNumber, surfaceWetM: number): number {
  const { loss } = model;
  const from = Math.max(0, (history.lastWatered ?? today - DRIVE_AHEAD_DAYS) - loss.firstDay);
  const to = Math.min(loss.surface.length - 1, today + DRIVE_AHEAD_DAYS - loss.firstDay);
  let sum = 0;
  for (let i = from; i <= to; i++) sum += lossAt(0.5, loss.surface[i]!, loss.wall[i]!, loss.plant[i]!, surfaceWetM);
  return Math.log(Math.max(1e-5, sum / Math.max(1, to - from + 1)));
}

/** Pots looked at less say little of how a surface dries. */
const LEAST_LOOKS = 5;

function sumOf(a: Float64Array, b: Float64Array): Float64Array {
  const out = a.slice();
  addTo(out, b, 1);
  return out;
}

function missing(plantId: string): never {
  throw new RangeError(`no plant "${plantId}"`);
}

function historyInput(
  model: PlantModel,
  today: DayNumber,
  firstDay: DayNumber,
): Omit<HistoryInput, 'surfaceWetM' | 'openSky' | 'upsets'> {
  const firstEvent = model.plant.events[0];
  const start = model.pottedOn ?? (firstEvent ? dayNumber(firstEvent.date) : today);
  return {
    pot: model.pot,
    loss: model.loss,
    events: model.plant.events,
    fromDay: Math.max(start, firstDay),
    today,
    dueM: dueMoisture(model.traits),
    holdDays: model.traits.holdDays,
    placeOn: (day: DayNumber) => model.stays.findLast((stay) => stay.from <= day)?.place ?? model.plant.place,
  };
}

function bandOf(quantile: (p: number) => number): Band {
  return { p10: quantile(0.1), p50: quantile(0.5), p90: quantile(0.9) };
}

function dayOrNull(sorted: Float64Array, p: number, today: DayNumber): DayNumber | null {
  const day = quantileSorted(sorted, p);
  return Number.isFinite(day) && day <= today + HORIZON_DAYS ? Math.round(day) : null;
}
