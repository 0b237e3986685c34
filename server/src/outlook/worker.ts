/** Runs in a worker thread: holds the gardens' models, answers with outlooks. */
import { parentPort } from 'node:worker_threads';
import { dayNumber, type Garden, GardenForecast, type OutlookView, outlookView, type Plant } from '@zinc-pail/core';
import { saturationVapourKPa } from '@zinc-pail/core/sky/vapour';

export type Task =
  | { kind: 'load'; siteId: number; garden: Garden }
  | { kind: 'replace'; siteId: number; plants: Plant[] }
  | { kind: 'bench'; siteId: number; placeIds: string[] };

export interface PlaceToday {
  tminC: number;
  tmaxC: number;
  rhPct: number;
  /** lowest of the coming night */
  tonightC: number;
}

export interface Answer {
  views: [plantId: string, view: OutlookView][];
  places?: [placeId: string, today: PlaceToday][];
  /** lowest of the coming nights outside */
  nightsC?: number[];
}

const NIGHTS = 7;
const forecasts = new Map<number, GardenForecast>();

function work(task: Task): Answer {
  if (task.kind === 'load') {
    const forecast = new GardenForecast(task.garden);
    forecasts.set(task.siteId, forecast);
    const today = dayNumber(task.garden.today);
    return {
      views: views(forecast, task.garden.plants.map((plant) => plant.id)),
      places: task.garden.places.map((place) => [place.id, placeToday(forecast, place.id, today)]),
      nightsC: Array.from({ length: NIGHTS }, (_, i) => Math.round(forecast.climate.outdoors(today + 1 + i).tminC * 10) / 10),
    };
  }
  const forecast = forecasts.get(task.siteId);
  if (!forecast) throw new Error(`site ${task.siteId} was never loaded`);
  if (task.kind === 'bench') return { views: views(forecast, task.placeIds.flatMap((id) => forecast.plantsAt(id))) };
  for (const plant of task.plants) forecast.replacePlant(plant);
  return { views: views(forecast, task.plants.map((plant) => plant.id)) };
}

function views(forecast: GardenForecast, ids: string[]): [string, OutlookView][] {
  return ids.map((id) => [id, outlookView(forecast.outlook(id), forecast.climate.today)]);
}

function placeToday(forecast: GardenForecast, placeId: string, today: number): PlaceToday {
  const series = forecast.climate.expected(placeId);
  const i = today - series.firstDay;
  return {
    tminC: tenth(series.tminC[i]!),
    tmaxC: tenth(series.tmaxC[i]!),
    rhPct: Math.min(100, Math.round((100 * series.eaKPa[i]!) / saturationVapourKPa(series.tmeanC[i]!))),
    tonightC: tenth(series.tminC[i + 1]!),
  };
}

function tenth(value: number): number {
  return Math.round(value * 10) / 10;
}

parentPort!.on('message', ({ id, task }: { id: number; task: Task }) => {
  try {
    parentPort!.postMessage({ id, answer: work(task) });
  } catch (error) {
    parentPort!.postMessage({ id, error: (error as Error).stack ?? String(error) });
  }
});
