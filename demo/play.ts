/**
 * Plays a keeper over two years: real pots that dry by their own hidden rates, a keeper who walks round, feels,
 * misreads, forgets and waters. What comes out is a journal such as a person would have kept, up to today.
 */
import {
  blendMix,
  COMPONENTS,
  dayNumber,
  type Garden,
  GardenForecast,
  isoDay,
  type Plant,
  type PlantEvent,
  type Random,
  seededRandom,
  seedFrom,
  standardNormal,
  type ThermometerReading,
  type WeatherDay,
  dryStep,
  pour,
  wet,
  buildPlant,
  dueMoisture,
  stateOn,
  drawWeather,
} from '@zinc-pail/core';
import { type DemoPlant, type DemoSite, MIXES, PLANTS, SITES, type Story } from './collection.ts';

export const PLAYED_DAYS = 730;
const FORECAST_DAYS = 7;
const RATE_SD = 0.2;
const MISREAD = 0.02;
const FORGET = 0.08;
/** Who winters or summers elsewhere goes there and comes back on these, month-day. */
const QUARTERS = { winter: { into: '09-12', back: '06-01' }, summer: { into: '06-10', back: '09-20' } } as const;
/** A sleeper is pressed once in so many days. */
const PRESSED_DAYS = 24;

export interface PlayedSite {
  site: DemoSite;
  garden: Garden;
  plants: DemoPlant[];
}

/** Everything that the demo journal holds, for this day. The same day gives the same collection. */
export function play(todayOf: (site: DemoSite) => string): PlayedSite[] {
  return SITES.map((site, index) => playSite(site, index, todayOf(site)));
}

function playSite(site: DemoSite, index: number, todayIso: string): PlayedSite {
  const today = dayNumber(todayIso);
  const first = today - PLAYED_DAYS;
  const ground = {
    latitude_deg: site.latitudeDeg,
    longitude_deg: site.longitudeDeg,
    elevation_m: site.elevationM,
    normals: site.normals,
  };
  const drawn = drawWeather(ground, first, PLAYED_DAYS + 1 + FORECAST_DAYS, 4_700 + index, () => undefined, today);
  const weather: WeatherDay[] = drawn.map((day, i) => ({
    date: isoDay(first + i),
    tmin_c: tenth(day.tminC),
    tmax_c: tenth(day.tmaxC),
    rh_pct: Math.round(day.rhPct),
    sunshine_h: tenth(day.sunshineH),
    rain_mm: tenth(day.rainMm),
    wind_m_s: tenth(day.windMS),
    source: first + i <= today ? 'observed' : 'forecast',
  }));
  const plants = PLANTS.filter((plant) => plant.site === index);
  const bare: Garden = {
    today: todayIso,
    site: ground,
    weather,
    places: site.places,
    mixes: MIXES,
    plants: plants.map((plant) => standingAt({ ...plant.plant, id: plant.number, events: moves(plant, first, today) })),
  };
  const stage = new GardenForecast({ ...bare, plants: [] }, first);
  const places = site.places.map((place) => ({ ...place, thermometer: readings(stage, place.id, first, today) }));
  return {
    site,
    plants,
    garden: {
      ...bare,
      places,
      plants: bare.plants.map((plant, i) => ({ ...plant, events: keep(stage, plant, plants[i]!, first, today) })),
    },
  };
}

/** A thermometer hangs in the lean-to and on the bench; it is read in spells. Glass there runs a little warmer than reckoned. */
function readings(stage: GardenForecast, placeId: string, first: number, today: number): ThermometerReading[] {
  if (placeId !== 'lean-to' && placeId !== 'bench') return [];
  const random = seededRandom(seedFrom(`thermometer ${placeId}`));
  const series = stage.climate.expected(placeId);
  const out: ThermometerReading[] = [];
  for (let day = first + 40; day <= today; day++) {
    if (random() > 0.3) continue;
    const i = day - series.firstDay;
    const tmin_c = tenth(series.tminC[i]! - 0.2 + 0.3 * standardNormal(random));
    out.push({
      date: isoDay(day),
      tmin_c,
      tmax_c: tenth(Math.max(tmin_c + 1, series.tmaxC[i]! + 0.5 + 0.8 * standardNormal(random))),
    });
  }
  return out;
}

function moves(demo: DemoPlant, first: number, today: number): PlantEvent[] {
  const home = demo.plant.place;
  const out: PlantEvent[] = [];
  let at = home;
  const go = (date: string, place: string) => {
    if (place === at) return;
    out.push({ type: 'move', date, from: at, place });
    at = place;
  };
  for (let day = first + 1; day <= today; day++) {
    const date = isoDay(day);
    for (const season of ['winter', 'summer'] as const) {
      const quarters = demo[season];
      if (quarters === null) continue;
      if (date.endsWith(QUARTERS[season].into)) go(date, quarters);
      if (date.endsWith(QUARTERS[season].back)) go(date, home);
    }
  }
  return out;
}

/** Where a plant stands after its moves. */
function standingAt(plant: Plant): Plant {
  const last = plant.events.findLast((event) => event.type === 'move');
  return last?.type === 'move' && last.place ? { ...plant, place: last.place } : plant;
}

function keep(stage: GardenForecast, plant: Plant, demo: DemoPlant, first: number, today: number): PlantEvent[] {
  const random = seededRandom(seedFrom(`pot ${plant.id}`));
  const placeIds = new Set(stage.garden.places.map((place) => place.id));
  const model = buildPlant(
    plant,
    blendMix(
      MIXES.find((mix) => mix.id === plant.mix)!,
      COMPONENTS,
    ),
    stage.climate,
    (id) => placeIds.has(id),
  );
  const rate = Math.exp(RATE_SD * standardNormal(random));
  const dueM = dueMoisture(model.traits);
  const events: PlantEvent[] = [...plant.events];
  const drainedG = Math.round(model.pot.capacity.drainedMl + model.pot.capacity.volumeMl * 0.75 + 60);
  let m = 0.3 + 0.6 * random();
  let fed = 0;
  let held = 0;
  let walk = first + Math.floor(4 * random());
  let lastState = stateOn(model.timeline, first);
  let dryG = 0;
  let pressed = first;
  const kept = STORIES[demo.story ?? 'none'];
  for (let day = first; day <= today; day++) {
    const i = day - model.loss.firstDay;
    const date = isoDay(day);
    const state = stateOn(model.timeline, day);
    const late = demo.story === 'late' && lastState === 'resting';
    if (state !== lastState && !late && random() < 0.6) events.push({ type: 'state', date, state });
    if (late && state !== lastState && day + LATE_DAYS < today)
      events.push({ type: 'state', date: isoDay(day + LATE_DAYS), state: 'growing' });
    if (state === 'growing' && lastState === 'waking')
      events.push({ type: 'sign', date, sign: 'new-growth', strength: 2 });
    lastState = state;
    if (state === 'resting' && day < today && day - pressed >= PRESSED_DAYS) {
      pressed = day;
      events.push({ type: 'sign', date, sign: 'firm-base', strength: 2, where: 'base' });
    }
    if (day >= walk && day < today - kept.quietDays) {
      walk = day + 2 + Math.floor(random() * (state === 'resting' ? 12 : 4));
      const seen = look(demo.truth.checks, m, drainedG, model.pot.capacity.availableMl, random);
      const bare = seen.kind === 'none' || random() < 0.45;
      const feelsDue = seen.reads <= dueM + 0.02;
      if (!bare && state !== 'resting') events.push({ type: 'check', date, ...seen.reading! } as PlantEvent);
      held = feelsDue ? held + 1 : 0;
      const waits = model.traits.dryRule === 'dry-and-hold' ? 2 : 1;
      if (state !== 'resting' && feelsDue && held >= waits && random() > FORGET) {
        if (seen.kind === 'weight' && dryG === 0) {
          dryG = Math.round(drainedG - (1 - m) * model.pot.capacity.availableMl);
          events.push({ type: 'weights', date, drained_g: drainedG, dry_g: dryG });
        }
        const soft = plant.pot.holes ? 'drench' : 'measured';
        const method =
          state === 'waking' && random() < 0.5
            ? 'measured'
            : model.traits.form === 'rosette' && random() < 0.3 && plant.pot.holes
              ? 'bottom'
              : soft;
        const amount =
          method === 'measured'
            ? Math.max(10, Math.round((model.pot.capacity.availableMl * (state === 'waking' ? 0.25 : 0.6)) / 5) * 5)
            : null;
        events.push({
          type: 'watering',
          date,
          method,
          ...(amount ? { amount_ml: amount } : {}),
          water: random() < 0.94 ? 'rain' : 'hard',
        });
        m = wet(m, method, amount, model.pot).m;
        held = 0;
        if (state === 'growing' && ++fed % 4 === 0) events.push({ type: 'feeding', date, dose: 0.5 });
      }
      if (m < 0.03 && state === 'growing' && random() < 0.1)
        events.push({ type: 'sign', date, sign: 'wrinkled', strength: 1 });
    }
    const rain = model.loss.rain[i]!;
    if (rain > 0) m = pour(m, rain, 1, model.pot).m;
    const whim = rate * Math.exp(0.08 * standardNormal(random));
    m = dryStep(m, whim * model.loss.surface[i]!, whim * model.loss.wall[i]!, whim * model.loss.plant[i]!);
  }
  for (const { ago, ...line } of kept.told) events.push({ ...line, date: isoDay(today - ago) } as PlantEvent);
  for (const [sign, ago] of demo.seen) events.push({ type: 'sign', date: isoDay(today - ago), sign, strength: 2 });
  for (const [ago, line] of demo.ill) events.push({ ...line, date: isoDay(today - ago) } as PlantEvent);
  return events.sort((a, b) => (a.date < b.date ? -1 : a.date > b.date ? 1 : 0));
}

/** A waking that the keeper saw so long after it. */
const LATE_DAYS = 28;

/** What the last days of a story leave in the book, and for how long the keeper wrote nothing else. */
const STORIES: Record<Story | 'none', { quietDays: number; told: ({ ago: number } & Record<string, unknown>)[] }> = {
  none: { quietDays: 0, told: [] },
  late: { quietDays: 0, told: [] },
  'ran-past': {
    quietDays: 12,
    told: [
      { ago: 5, type: 'watering', method: 'drench', water: 'rain' },
      { ago: 1, type: 'check', finger: 'dry' },
    ],
  },
  stranger: { quietDays: 40, told: [{ ago: 2, type: 'check', finger: 'wet' }] },
};

type Look = { kind: DemoPlant['truth']['checks']; reads: number; reading: object | null };

/** What the keeper makes of a pot: the reading written down, and the moisture they take it for. */
function look(
  kind: DemoPlant['truth']['checks'],
  m: number,
  drainedG: number,
  availableMl: number,
  random: Random,
): Look {
  const felt = m + 0.05 * standardNormal(random);
  switch (kind) {
    case 'finger': {
      const finger =
        random() < MISREAD
          ? (['wet', 'damp', 'dry'] as const)[Math.floor(random() * 3)]!
          : felt > 0.6
            ? 'wet'
            : felt > 0.12
              ? 'damp'
              : 'dry';
      return { kind, reads: finger === 'dry' ? 0 : felt, reading: { finger } };
    }
    case 'meter': {
      const meter = Math.min(10, Math.max(1, Math.round(1 + 9 * m + 0.8 * standardNormal(random))));
      return { kind, reads: (meter - 1) / 9 - 0.05, reading: { meter } };
    }
    case 'weight': {
      const weight_g = Math.max(
        1,
        Math.round(drainedG - (1 - m) * availableMl + 0.006 * drainedG * standardNormal(random)),
      );
      return { kind, reads: 1 - (drainedG - weight_g) / availableMl, reading: { weight_g } };
    }
    case 'none':
      return { kind, reads: felt + 0.1 * standardNormal(random), reading: null };
  }
}

function tenth(value: number): number {
  return Math.round(value * 10) / 10;
}
