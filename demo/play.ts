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
import { type DemoPlant, type DemoSite, MIXES, PLANTS, SITES } from './collection.ts';

export const PLAYED_DAYS = 730;
const FORECAST_DAYS = 7;
const RATE_SD = 0.35;
const MISREAD = 0.05;
const FORGET = 0.12;
/** In and out of the cellar, month-day. */
const INTO_CELLAR = '11-05';
const OUT_OF_CELLAR = '04-20';

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
    plants: plants.map((plant) => ({ ...plant.plant, id: plant.number, events: moves(plant, first, today) })),
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

/** A thermometer hangs in the lean-to and on the bench; it is read in spells. Glass there runs warmer than reckoned. */
function readings(stage: GardenForecast, placeId: string, first: number, today: number): ThermometerReading[] {
  if (placeId !== 'lean-to' && placeId !== 'bench') return [];
  const random = seededRandom(seedFrom(`thermometer ${placeId}`));
  const series = stage.climate.expected(placeId);
  const out: ThermometerReading[] = [];
  for (let day = first + 40; day <= today; day++) {
    if (random() > 0.3) continue;
    const i = day - series.firstDay;
    const tmin_c = tenth(series.tminC[i]! - 0.6 + 0.5 * standardNormal(random));
    out.push({
      date: isoDay(day),
      tmin_c,
      tmax_c: tenth(Math.max(tmin_c + 1, series.tmaxC[i]! + 1.8 + 0.8 * standardNormal(random))),
    });
  }
  return out;
}

function moves(demo: DemoPlant, first: number, today: number): PlantEvent[] {
  if (!demo.cellar) return [];
  const out: PlantEvent[] = [];
  for (let day = first + 1; day <= today; day++) {
    const monthDay = isoDay(day).slice(5);
    if (monthDay === INTO_CELLAR)
      out.push({ type: 'move', date: isoDay(day), from: demo.plant.place, place: 'cellar' });
    if (monthDay === OUT_OF_CELLAR && out.length > 0)
      out.push({ type: 'move', date: isoDay(day), from: 'cellar', place: demo.plant.place });
  }
  return out;
}

function keep(stage: GardenForecast, plant: Plant, demo: DemoPlant, first: number, today: number): PlantEvent[] {
  const random = seededRandom(seedFrom(`pot ${plant.id}`));
  const lastMove = plant.events.findLast((event) => event.type === 'move');
  const standing = lastMove?.type === 'move' && lastMove.place ? { ...plant, place: lastMove.place } : plant;
  const placeIds = new Set(stage.garden.places.map((place) => place.id));
  const model = buildPlant(
    standing,
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
  for (let day = first; day <= today; day++) {
    const i = day - model.loss.firstDay;
    const date = isoDay(day);
    const state = stateOn(model.timeline, day);
    if (state !== lastState && random() < 0.6) events.push({ type: 'state', date, state });
    if (state === 'growing' && lastState === 'waking')
      events.push({ type: 'sign', date, sign: 'new-growth', strength: 2 });
    lastState = state;
    if (day >= walk && day < today) {
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
          water: random() < 0.8 ? 'rain' : 'hard',
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
  for (const [sign, ago] of demo.seen) events.push({ type: 'sign', date: isoDay(today - ago), sign, strength: 2 });
  for (const [ago, line] of demo.ill) events.push({ ...line, date: isoDay(today - ago) } as PlantEvent);
  return events.sort((a, b) => (a.date < b.date ? -1 : a.date > b.date ? 1 : 0));
}

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
