/** Small gardens for tests: one plant, one place, one mix, all of it open to change. */
import type { Garden, Mix, Normals, Place, Plant, PlantEvent, Pot, WeatherDay } from '../src/garden.ts';
import { type CareFacts, type CareTask, careTask } from '../src/care/task.ts';
import type { OwnRules } from '../src/care/rules.ts';
import { dayNumber, isoDay } from '../src/calendar/day.ts';
import { GardenForecast, type Outlook } from '../src/forecast/forecast.ts';

export const INLAND: Normals = {
  tmin_c: [-4.2, -3.4, 0.3, 4.1, 8.7, 12.1, 13.9, 13.5, 9.6, 5.1, 0.6, -3.1],
  tmax_c: [1.8, 4.2, 9.8, 15.1, 19.8, 23.2, 25.3, 24.8, 20.1, 14.1, 6.8, 2.4],
  rh_pct: [83, 78, 72, 67, 69, 70, 70, 73, 78, 82, 85, 86],
  sunshine_h: [2.1, 3.3, 4.5, 5.6, 6.3, 6.9, 7.6, 7.1, 5.5, 3.9, 2.2, 1.7],
  rain_mm: [52, 48, 58, 66, 98, 118, 124, 116, 82, 60, 58, 60],
  wind_m_s: [1.9, 2, 2.1, 2.1, 1.9, 1.8, 1.7, 1.6, 1.6, 1.6, 1.8, 1.9],
};
const year = (value: number) => Array.from({ length: 12 }, () => value);
export const HOT_DRY: Normals = {
  tmin_c: year(22),
  tmax_c: year(36),
  rh_pct: year(30),
  sunshine_h: year(11.5),
  rain_mm: year(0),
  wind_m_s: year(4),
};

/** The same climate half a year later, for the other hemisphere. */
export function mirrored(normals: Normals): Normals {
  const turn = (values: readonly number[]) => [...values.slice(6), ...values.slice(0, 6)];
  return {
    tmin_c: turn(normals.tmin_c),
    tmax_c: turn(normals.tmax_c),
    rh_pct: turn(normals.rh_pct),
    sunshine_h: turn(normals.sunshine_h),
    rain_mm: turn(normals.rain_mm),
    wind_m_s: turn(normals.wind_m_s),
  };
}

export const GRITTY: Mix = {
  id: 'mix',
  parts: [
    { component: 'pumice', parts: 2 },
    { component: 'cactus-soil', parts: 1 },
  ],
};
export const PEATY: Mix = {
  id: 'mix',
  parts: [
    { component: 'peat', parts: 3 },
    { component: 'perlite', parts: 1 },
  ],
};
export const GLASS: Place = { id: 'place', kind: 'cold-glass', air: 'gentle' };

export function roundPot(widthMm: number, depthMm: number, material: Pot['material'], dressingMm = 0): Pot {
  return {
    shape: 'round',
    top_mm: widthMm,
    base_mm: Math.round(widthMm * 0.74),
    depth_mm: depthMm,
    material,
    holes: true,
    top_dressing_mm: dressingMm,
  };
}

export interface Scene {
  today?: string;
  normals?: Normals;
  latitude?: number;
  place?: Place;
  mix?: Mix;
  /** others that stand in the file */
  mixes?: Mix[];
  pot?: Pot;
  plant?: Partial<Plant>;
  events?: PlantEvent[];
  weather?: WeatherDay[];
}

/** A growing globe in 9 cm of plastic under cold glass, drenched today, unless told otherwise. */
export function garden(scene: Scene = {}): Garden {
  const today = scene.today ?? '2026-07-05';
  const place = scene.place ?? GLASS;
  return {
    today,
    site: { latitude_deg: scene.latitude ?? 47, longitude_deg: 8, elevation_m: 400, normals: scene.normals ?? INLAND },
    weather: scene.weather ?? [],
    places: [place],
    mixes: [scene.mix ?? GRITTY, ...(scene.mixes ?? [])],
    plants: [
      {
        id: 'plant',
        diameter_mm: 60,
        height_mm: 50,
        habit: 'summer',
        form: 'globe',
        dry_rule: 'dry-through',
        place: place.id,
        mix: 'mix',
        pot: scene.pot ?? roundPot(90, 80, 'plastic'),
        events: scene.events ?? [
          { type: 'state', date: today, state: 'growing' },
          { type: 'watering', date: today, method: 'drench' },
        ],
        ...scene.plant,
      },
    ],
  };
}

/** The one plant of a scene judged, by the rules the keeper set. */
export function judged(
  scene: Scene & { own?: OwnRules; facts?: Partial<CareFacts> } = {},
): CareTask & { outlook: Outlook } {
  const file = garden({
    ...scene,
    ...(scene.events
      ? { events: scene.events.toSorted((a, b) => (a.date < b.date ? -1 : a.date > b.date ? 1 : 0)) }
      : {}),
  });
  const forecast = new GardenForecast(file);
  const found = forecast.outlook('plant');
  const place = forecast.climate.place(file.plants[0]!.place).place;
  const task = careTask({
    name: file.plants[0]!.name ?? '',
    taxon: file.plants[0]!.taxon ?? null,
    nameUnknown: false,
    own: scene.own ?? {},
    outlook: found,
    today: dayNumber(file.today),
    placeKind: place.kind,
    lit: place.lamp != null,
    south: file.site.latitude_deg < 0,
    mixIsCharged: false,
    arrivedOn: null,
    shelteredOn: null,
    neighbours: [],
    watersAtHand: [],
    air: place.air,
    organicShare: forecast.blend(file.plants[0]!.mix).organicShare,
    ...scene.facts,
  });
  return { ...task, outlook: found };
}

export function outlook(scene: Scene = {}): Outlook {
  return new GardenForecast(garden(scene)).outlook('plant');
}

/** Days from the drench of today to dry, in the middle. */
export function daysToDry(scene: Scene = {}): number {
  const found = outlook(scene);
  return (found.dryOn.p50 ?? Infinity) - dayNumber(scene.today ?? '2026-07-05');
}

export function plusDays(iso: string, days: number): string {
  return isoDay(dayNumber(iso) + days);
}
