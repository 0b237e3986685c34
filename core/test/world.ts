/**
 * Another world: pots simulated by the hour and in layers, by physics of their own, to try the engine against something
 * that is not itself. Each pot and each place has a hidden individuality; keepers misread; forecasts err.
 * Nothing here is shared with the engine but the weather generator's means and the shapes of the garden file.
 */
import { isoDay } from '../src/calendar/day.ts';
import type {
  Form,
  Garden,
  Habit,
  Mix,
  Normals,
  Place,
  Plant,
  PlantEvent,
  Pot,
  Site,
  WeatherDay,
} from '../src/garden.ts';
import { type Random, seededRandom, standardNormal } from '../src/numeric/random.ts';
import { drawWeather } from '../src/sky/generator.ts';

const LAYERS = 6;
const HOURS = 24;

/** Figures of a world's physics: what no keeper can know, and what no engine should be tuned to one set of. */
interface Physics {
  /** wetness below which the surface, a clay wall and the roots take less, each in proportion */
  surfaceWet: number;
  wallWet: number;
  rootsFree: number;
  /** how readily water moves between layers, and the power of wetness by which that falls */
  flow: number;
  flowPower: number;
  /** vapour through a clay wall against free water */
  wall: number;
  /** vapour that a room adds to the air outside, kPa */
  roomVapourKPa: number;
  /** whether plants use less in the dark months, wherever they stand */
  dimWinters: boolean;
}

/**
 * `layers`: the first one; `even`: water moves freely, so that a pot dries as a whole and slows early; `held`: the last
 * water is hard to get at; `winter`: damp rooms, and plants that do little in dim light.
 */
export const PHYSICS = {
  layers: {
    surfaceWet: 0.45,
    wallWet: 0.5,
    rootsFree: 0.25,
    flow: 0.06,
    flowPower: 1.5,
    wall: 0.3,
    roomVapourKPa: 0.28,
    dimWinters: false,
  },
  even: {
    surfaceWet: 0.8,
    wallWet: 0.9,
    rootsFree: 0.35,
    flow: 0.35,
    flowPower: 0.7,
    wall: 0.22,
    roomVapourKPa: 0.28,
    dimWinters: false,
  },
  held: {
    surfaceWet: 0.35,
    wallWet: 0.6,
    rootsFree: 0.45,
    flow: 0.03,
    flowPower: 2.2,
    wall: 0.3,
    roomVapourKPa: 0.25,
    dimWinters: false,
  },
  winter: {
    surfaceWet: 0.45,
    wallWet: 0.5,
    rootsFree: 0.3,
    flow: 0.06,
    flowPower: 1.5,
    wall: 0.27,
    roomVapourKPa: 0.5,
    dimWinters: true,
  },
} as const satisfies Record<string, Physics>;
export type PhysicsName = keyof typeof PHYSICS;

export interface World {
  garden: Garden;
  /** true moisture at the end of each day, from the first day on */
  moisture: Map<string, Float64Array>;
  firstDay: number;
  today: number;
  upsets: Map<string, Upset>;
}

export interface WorldOptions {
  seed: number;
  normals: Normals;
  latitude: number;
  /** day number of the first day */
  firstDay: number;
  /** days kept before today */
  days: number;
  /** days simulated past today without water */
  beyond: number;
  pots: number;
  checks: 'finger' | 'meter' | 'weight' | 'mixed' | 'none';
  /** days between walks round the benches */
  every: number;
  /**
   * Something that the book does not tell befalls every pot, so many days before today; from then on nobody looks or
   * waters but for the looks named here.
   */
  upset?: { kinds: readonly Upset[]; daysAgo: readonly [least: number, most: number]; looksAgo: readonly number[] };
  /** summer growers among them, whose use falls to a tenth as days grow short */
  sleepers?: boolean;
  /** left out: `layers` */
  physics?: PhysicsName;
}

/**
 * `stranger`: watered by somebody who wrote nothing; `ran-past`: a drench on record of which a fifth went in; `roots`:
 * most of them lost after a drench; `blocked`: dries at half its pace after a drench; `slip`: nothing happened, the
 * first look is of another pot.
 */
export type Upset = 'stranger' | 'ran-past' | 'roots' | 'blocked' | 'slip';
export const UPSETS: readonly Upset[] = ['stranger', 'ran-past', 'roots', 'blocked'];

interface Hour {
  tempC: number;
  vpdKPa: number;
  radMj: number;
  airMS: number;
  rainMm: number;
}

const PLACES: Place[] = [
  { id: 'glass', kind: 'cold-glass', air: 'gentle' },
  { id: 'warm', kind: 'heated-glass', air: 'gentle', floor_c: 8 },
  { id: 'sill', kind: 'windowsill', aspect_deg: 180, air: 'still' },
  { id: 'lamp', kind: 'lamp-shelf', air: 'still', lamp: { ppfd_umol_m2_s: 200, hours: 13 } },
  { id: 'cover', kind: 'covered', air: 'gentle' },
];
const MIXES: Mix[] = [
  {
    id: 'grit',
    parts: [
      { component: 'pumice', parts: 4 },
      { component: 'loam', parts: 1 },
      { component: 'coarse-sand', parts: 1 },
    ],
  },
  {
    id: 'soil',
    parts: [
      { component: 'cactus-soil', parts: 2 },
      { component: 'pumice', parts: 1 },
    ],
  },
  {
    id: 'peat',
    parts: [
      { component: 'potting-soil', parts: 3 },
      { component: 'perlite', parts: 1 },
    ],
  },
];
/** water held at suctions of 1, 4, 8, 15 cm, and air-dry: this world's own curves of its three mixes */
const CURVES: Record<string, { at: [number, number][]; dry: number }> = {
  grit: {
    at: [
      [0, 0.62],
      [1, 0.47],
      [4, 0.36],
      [8, 0.3],
      [15, 0.26],
      [40, 0.2],
    ],
    dry: 0.045,
  },
  soil: {
    at: [
      [0, 0.69],
      [1, 0.6],
      [4, 0.5],
      [8, 0.42],
      [15, 0.35],
      [40, 0.27],
    ],
    dry: 0.065,
  },
  peat: {
    at: [
      [0, 0.82],
      [1, 0.77],
      [4, 0.69],
      [8, 0.61],
      [15, 0.51],
      [40, 0.38],
    ],
    dry: 0.1,
  },
};
const FORMS: { form: Form; habit: Habit; leafArea: number; use: number }[] = [
  { form: 'globe', habit: 'evergreen', leafArea: 1.6, use: 0.28 },
  { form: 'rosette', habit: 'evergreen', leafArea: 1.9, use: 0.3 },
  { form: 'column', habit: 'evergreen', leafArea: 1.9, use: 0.26 },
  { form: 'stemmed', habit: 'evergreen', leafArea: 1.8, use: 0.36 },
];

const SLEEPERS: typeof FORMS = [
  { form: 'globe', habit: 'summer', leafArea: 1.6, use: 0.28 },
  { form: 'column', habit: 'summer', leafArea: 1.9, use: 0.26 },
];

function saturation(tempC: number): number {
  return 0.611 * Math.exp((17.5 * tempC) / (tempC + 241));
}

function curve(mix: string, suctionCm: number): number {
  const { at } = CURVES[mix]!;
  for (let i = 1; i < at.length; i++) {
    const [x1, y1] = at[i]!;
    const [x0, y0] = at[i - 1]!;
    if (suctionCm <= x1) return y0 + ((y1 - y0) * (suctionCm - x0)) / (x1 - x0);
  }
  return at.at(-1)![1];
}

/** A day at a place, hour by hour. */
function hoursAt(
  place: Place,
  day: WeatherDay,
  site: Site,
  dayOfYear: number,
  weekC: number,
  warmer: number,
  roomVapourKPa: number,
): Hour[] {
  const declination = 23.45 * Math.sin(((284 + dayOfYear) / 365) * 2 * Math.PI) * (Math.PI / 180);
  const latitude = (site.latitude_deg * Math.PI) / 180;
  const half = Math.acos(Math.min(1, Math.max(-1, -Math.tan(latitude) * Math.tan(declination)))) * (12 / Math.PI);
  const clear = 0.25 + 0.5 * Math.min(1, day.sunshine_h / Math.max(1, 2 * half));
  const vapour = (day.rh_pct / 100) * ((saturation(day.tmin_c) + saturation(day.tmax_c)) / 2);
  const out: Hour[] = [];
  for (let hour = 0; hour < HOURS; hour++) {
    const angle = ((hour + 0.5 - 12) * Math.PI) / 12;
    const height = Math.max(
      0,
      Math.sin(latitude) * Math.sin(declination) + Math.cos(latitude) * Math.cos(declination) * Math.cos(angle),
    );
    const sky = 4.92 * height * clear;
    const outside =
      (day.tmin_c + day.tmax_c) / 2 + ((day.tmax_c - day.tmin_c) / 2) * Math.cos(((hour - 14.5) * Math.PI) / 12);
    const room = 19.7 + 0.6 * Math.max(0, weekC - 15);
    const indoor = (tempC: number, radMj: number, airMS: number): Hour => ({
      tempC: tempC + warmer,
      radMj,
      airMS,
      rainMm: 0,
      vpdKPa: Math.max(0.05, saturation(tempC + warmer) - Math.min(vapour + roomVapourKPa, 0.85 * saturation(tempC))),
    });
    switch (place.kind) {
      case 'cold-glass':
      case 'heated-glass': {
        const gain = Math.min(14, sky * 4.2);
        const closed = outside + 1.5 + gain;
        const vent = 24;
        const aired = closed > vent ? vent + (closed - vent) * 0.4 : closed;
        const tempC = Math.max(place.floor_c ?? -50, Math.max(outside, aired)) + warmer;
        out.push({
          tempC,
          radMj: sky * 0.55,
          airMS: 0.25,
          rainMm: 0,
          vpdKPa: Math.max(0.05, saturation(tempC) - Math.min(vapour + 0.35, saturation(tempC) * 0.95)),
        });
        break;
      }
      case 'windowsill':
        out.push(
          indoor(
            room - 0.12 * Math.max(0, room - outside) + sky * 0.3 * 2.2,
            sky * 0.3 * (Math.abs(angle) < 1.7 ? 1.3 - 0.5 * height : 0.3),
            0.05,
          ),
        );
        break;
      case 'lamp-shelf': {
        const lit = hour >= 7 && hour < 20;
        out.push(indoor(room + (lit ? 1.7 : 0), lit ? (200 / 4.57) * 0.0036 * 1.1 : 0, 0.05));
        break;
      }
      default: {
        const tempC = outside + 0.4 + warmer;
        out.push({
          tempC,
          radMj: sky * 0.5,
          airMS: 0.35 * day.wind_m_s,
          rainMm: 0,
          vpdKPa: Math.max(0.05, saturation(tempC) - Math.min(vapour, saturation(tempC))),
        });
      }
    }
  }
  return out;
}

/** A real pot: water in layers, top to bottom. */
class RealPot {
  private readonly thetas: Float64Array;
  private readonly volumes: Float64Array;
  private readonly drained: Float64Array;
  private readonly walls: Float64Array;
  private readonly dry: number;
  readonly storeMl: number;

  constructor(
    pot: Pot,
    mix: string,
    private readonly plant: { areaCm2: number; use: number; growC: number },
    private readonly hidden: { rate: number; capacity: number },
    private readonly clay: boolean,
    private readonly dressing: number,
    private readonly physics: Physics,
  ) {
    this.thetas = new Float64Array(LAYERS);
    this.volumes = new Float64Array(LAYERS);
    this.drained = new Float64Array(LAYERS);
    this.walls = new Float64Array(LAYERS);
    this.dry = CURVES[mix]!.dry;
    const step = pot.depth_mm / LAYERS / 10;
    for (let layer = 0; layer < LAYERS; layer++) {
      const heightCm = (LAYERS - layer - 0.5) * step;
      const radius = (pot.base_mm + (pot.top_mm - pot.base_mm) * (heightCm / (pot.depth_mm / 10))) / 20;
      this.volumes[layer] = Math.PI * radius * radius * step * hidden.capacity;
      this.walls[layer] = 2 * Math.PI * radius * step;
      this.drained[layer] = curve(mix, heightCm);
    }
    let store = 0;
    for (let layer = 0; layer < LAYERS; layer++) store += (this.drained[layer]! - this.dry) * this.volumes[layer]!;
    this.storeMl = store;
    this.drench(0.6);
    this.surface = Math.PI * (pot.top_mm / 20) ** 2;
  }
  private readonly surface: number;

  drench(share = 1): void {
    for (let layer = 0; layer < LAYERS; layer++)
      this.thetas[layer] = this.dry + share * (this.drained[layer]! - this.dry);
  }

  get m(): number {
    let water = 0;
    for (let layer = 0; layer < LAYERS; layer++) water += (this.thetas[layer]! - this.dry) * this.volumes[layer]!;
    return Math.max(0, water / this.storeMl);
  }

  /** what a finger two knuckles deep feels: the layers from the second on */
  get felt(): number {
    let sum = 0;
    for (let layer = 1; layer < LAYERS; layer++)
      sum += (this.thetas[layer]! - this.dry) / (this.drained[layer]! - this.dry);
    return sum / (LAYERS - 1);
  }

  /** Wets what is missing by a share. */
  wetBy(share: number): void {
    for (let layer = 0; layer < LAYERS; layer++)
      this.thetas[layer]! += share * Math.max(0, this.drained[layer]! - this.thetas[layer]!);
  }

  hour(now: Hour, activity: number, whim: number): void {
    const slope = (4098 * saturation(now.tempC)) / (now.tempC + 237) ** 2;
    const part = 0.066 / (slope + 0.066);
    // mm in this hour from a wet surface
    const potential =
      ((1 - part) * now.radMj * 0.45 + (part * 9.2 * (1 + 0.45 * now.airMS) * now.vpdKPa) / HOURS) / 2.45;
    const k = this.hidden.rate * whim;
    const { physics } = this;
    const wet = (layer: number) => Math.max(0, (this.thetas[layer]! - this.dry) / (this.drained[layer]! - this.dry));
    const take = (layer: number, ml: number) => {
      const left = (this.thetas[layer]! - this.dry) * this.volumes[layer]!;
      const got = Math.min(Math.max(0, ml), left);
      this.thetas[layer]! -= got / this.volumes[layer]!;
    };
    take(
      0,
      k * potential * 0.1 * this.surface * 0.5 ** (this.dressing / 20) * Math.min(1, wet(0) / physics.surfaceWet),
    );
    if (this.clay)
      for (let layer = 0; layer < LAYERS; layer++)
        take(
          layer,
          k * potential * 0.1 * this.walls[layer]! * physics.wall * Math.min(1, wet(layer) / physics.wallWet),
        );
    const warm = Math.min(1, Math.max(0, (now.tempC - this.plant.growC + 6) / 11));
    const drink = k * potential * 0.1 * this.plant.areaCm2 * this.plant.use * activity * warm;
    for (let layer = 0; layer < LAYERS; layer++)
      take(layer, (drink / LAYERS) * Math.min(1, wet(layer) / physics.rootsFree));
    // Capillary flow evens the layers out, the slower the drier they are.
    for (let layer = 1; layer < LAYERS; layer++) {
      const above = wet(layer - 1);
      const below = wet(layer);
      const conductance = physics.flow * Math.max(0.02, ((above + below) / 2) ** physics.flowPower);
      const moved =
        conductance * (below - above) * 0.5 * Math.min(this.volumes[layer]!, this.volumes[layer - 1]!) * 0.4;
      this.thetas[layer]! -= moved / this.volumes[layer]!;
      this.thetas[layer - 1]! += moved / this.volumes[layer - 1]!;
    }
  }
}

const pick = <T>(random: Random, from: readonly T[]): T => from[Math.floor(random() * from.length)]!;

/** Lives through the days, keeping a journal as a fallible keeper does. */
export function live(options: WorldOptions): World {
  const random = seededRandom(options.seed);
  const normals = options.normals;
  const physics: Physics = PHYSICS[options.physics ?? 'layers'];
  const site: Site = { latitude_deg: options.latitude, longitude_deg: 10, elevation_m: 200, normals };
  const total = options.days + options.beyond;
  const today = options.firstDay + options.days;
  const drawn = drawWeather(
    site,
    options.firstDay,
    total + 1,
    options.seed * 31 + 7,
    () => undefined,
    options.firstDay,
  );
  const real: WeatherDay[] = drawn.map((d, i) => ({
    date: isoDay(options.firstDay + i),
    tmin_c: d.tminC,
    tmax_c: d.tmaxC,
    rh_pct: d.rhPct,
    sunshine_h: d.sunshineH,
    rain_mm: d.rainMm,
    wind_m_s: d.windMS,
    source: 'observed',
  }));
  const told: WeatherDay[] = real.slice(0, options.days + 1);
  for (let lead = 1; lead <= 7 && options.days + lead < real.length; lead++) {
    const day = real[options.days + lead]!;
    const error = 0.5 + 0.3 * lead;
    const shift = error * standardNormal(random);
    told.push({
      ...day,
      tmin_c: day.tmin_c + shift - 0.3,
      tmax_c: day.tmax_c + shift + 0.3,
      sunshine_h: Math.max(0, day.sunshine_h + error * standardNormal(random)),
      source: 'forecast',
    });
  }
  const placeFactor = new Map(PLACES.map((place) => [place.id, Math.exp(0.2 * standardNormal(random))]));
  const placeWarmer = new Map(PLACES.map((place) => [place.id, 1.2 * standardNormal(random)]));
  const hours = new Map<string, Hour[][]>();
  for (const place of PLACES) {
    let weekC = (real[0]!.tmin_c + real[0]!.tmax_c) / 2;
    hours.set(
      place.id,
      real.map((day, i) => {
        weekC += ((day.tmin_c + day.tmax_c) / 2 - weekC) / 6;
        const dayOfYear = ((options.firstDay + i) % 365.25) + 1;
        return hoursAt(place, day, site, dayOfYear, weekC, placeWarmer.get(place.id)!, physics.roomVapourKPa);
      }),
    );
  }
  const world: World = {
    garden: { today: isoDay(today), site, weather: told, places: PLACES, mixes: MIXES, plants: [] },
    moisture: new Map(),
    upsets: new Map(),
    firstDay: options.firstDay,
    today,
  };
  const plants: Plant[] = [];
  for (let p = 0; p < options.pots; p++) {
    const id = `pot-${p}`;
    const place = pick(random, PLACES);
    const mix = pick(random, MIXES).id;
    const form = pick(random, options.sleepers ? [...FORMS, ...SLEEPERS] : FORMS);
    const width = Math.round(60 + 90 * random());
    const clay = random() < 0.4;
    const dressing = random() < 0.25 ? 10 : 0;
    const pot: Pot = {
      shape: 'round',
      top_mm: width,
      base_mm: Math.round(width * 0.74),
      depth_mm: Math.round(width * (0.7 + 0.3 * random())),
      material: clay ? 'terracotta' : 'plastic',
      holes: true,
      top_dressing_mm: dressing,
    };
    const diameter = Math.round(width * (0.4 + 0.7 * random()));
    const height = Math.round(diameter * (form.form === 'column' ? 1.6 : 0.7));
    const areaCm2 = (Math.PI / 4) * (diameter / 10) ** 2 * form.leafArea;
    const rate = Math.exp(0.35 * standardNormal(random)) * placeFactor.get(place.id)!;
    const truth = new RealPot(
      pot,
      mix,
      { areaCm2, use: form.use, growC: 9 },
      { rate, capacity: Math.exp(0.08 * standardNormal(random)) },
      clay,
      dressing,
      physics,
    );
    const kind = options.checks === 'mixed' ? pick(random, ['finger', 'meter', 'weight'] as const) : options.checks;
    const deadG = 300 + 400 * random();
    const moisture = new Float64Array(total + 1);
    const events: PlantEvent[] = [];
    let next = Math.floor(options.every * random());
    let weighed = false;
    const { upset } = options;
    const befalls = upset ? upset.kinds[p % upset.kinds.length]! : null;
    const upsetDay = upset
      ? options.days - upset.daysAgo[0] - Math.floor(random() * (upset.daysAgo[1] - upset.daysAgo[0] + 1))
      : Infinity;
    const looksOn = new Set(upset?.looksAgo.map((ago) => options.days - ago));
    if (befalls) world.upsets.set(id, befalls);
    let pace = 1;
    let use = 1;
    const look = (date: string, m: number, felt: number) => {
      if (kind === 'finger')
        events.push({
          type: 'check',
          date,
          finger:
            random() < 0.06
              ? pick(random, ['wet', 'damp', 'dry'] as const)
              : bandOf(felt + 0.05 * standardNormal(random)),
        });
      if (kind === 'meter')
        events.push({
          type: 'check',
          date,
          meter: Math.min(10, Math.max(1, Math.round(1 + 9 * m + standardNormal(random)))),
        });
      if (kind === 'weight')
        events.push({
          type: 'check',
          date,
          weight_g: Math.max(1, Math.round(deadG + truth.storeMl * m + 4 * standardNormal(random))),
        });
    };
    const record = (date: string) => {
      if (kind === 'weight' && !weighed) {
        weighed = true;
        events.push({
          type: 'weights',
          date,
          drained_g: Math.round(deadG + truth.storeMl),
          dry_g: Math.round(deadG + truth.storeMl * 0.06),
        });
      }
      events.push({ type: 'watering', date, method: 'drench' });
    };
    const befall = (date: string) => {
      if (befalls === 'stranger') truth.drench();
      else if (befalls !== 'slip') record(date);
      if (befalls === 'ran-past') truth.wetBy(0.2);
      if (befalls === 'roots' || befalls === 'blocked') truth.drench();
      if (befalls === 'roots') [pace, use] = [0.6, 0.1];
      if (befalls === 'blocked') pace = 0.5;
    };
    for (let i = 0; i <= total; i++) {
      const date = isoDay(options.firstDay + i);
      const dayOfYear = ((options.firstDay + i) % 365.25) + 1;
      // 1 at midsummer, -1 at midwinter
      const year = Math.sin(((dayOfYear - 80) / 365.25) * 2 * Math.PI) * (options.latitude < 0 ? -1 : 1);
      const asleep = Math.sin(((dayOfYear - 100) / 365.25) * 2 * Math.PI) * (options.latitude < 0 ? -1 : 1);
      const season =
        (form.habit === 'summer' ? Math.min(1, Math.max(0.1, 0.55 + 0.75 * asleep)) : 1) *
        (physics.dimWinters ? Math.min(1, 0.75 + 0.4 * year) : 1);
      for (let hour = 0; hour < HOURS; hour++) {
        if (hour === 9 && i <= options.days && i >= next && i < upsetDay) {
          next = i + 1 + Math.floor(random() * 2 * options.every);
          const m = truth.m;
          const dryIsh = m <= 0.13 + 0.05 * standardNormal(random);
          look(date, m, truth.felt);
          if (dryIsh || (kind === 'none' && m < 0.25 && random() < 0.4)) {
            record(date);
            truth.drench(0.97 + 0.03 * random());
          }
        }
        if (hour === 9 && i === upsetDay) befall(date);
        if (hour === 9 && looksOn.has(i)) {
          if (befalls === 'slip' && i === Math.min(...looksOn)) look(date, 1 - truth.m, 1 - truth.felt);
          else look(date, truth.m, truth.felt);
        }
        truth.hour(hours.get(place.id)![i]![hour]!, season * use, pace * Math.exp(0.1 * standardNormal(random)));
      }
      moisture[i] = truth.m;
    }
    world.moisture.set(id, moisture);
    plants.push({
      id,
      diameter_mm: diameter,
      height_mm: height,
      habit: form.habit,
      form: form.form,
      dry_rule: 'dry-through',
      grow_min_c: 9,
      place: place.id,
      mix,
      pot,
      events,
    });
  }
  world.garden = { ...world.garden, plants };
  return world;
}

function bandOf(m: number): 'wet' | 'damp' | 'dry' {
  return m > 0.6 ? 'wet' : m > 0.12 ? 'damp' : 'dry';
}
