/** Every plant of a garden file judged, with nothing known of its keeper but what stands there. */
import { dayNumber } from '../calendar/day.ts';
import type { OwnRules } from '../care/rules.ts';
import { type CareFacts, type CareTask, careTask, isCharged } from '../care/task.ts';
import { GardenForecast, type Outlook } from '../forecast/forecast.ts';
import type { Garden } from '../garden.ts';
import { neighboursOf, pestsOf } from '../clinic/neighbours.ts';
import { benchesOf } from './benches.ts';
import { promised } from './promised.ts';
import { componentsOf } from '../mix/components.ts';

/** @param only the plant that is asked for; the others are read for what they teach the bench */
export function gardenTasks(garden: Garden, only?: string): { outlook: Outlook; task: CareTask }[] {
  const forecast = new GardenForecast(garden);
  const today = dayNumber(garden.today);
  const components = componentsOf(garden.components);
  const pests = pestsOf(garden.plants, today);
  const benches = benchesOf(forecast, today);
  return garden.plants.flatMap((plant) => {
    if (only !== undefined && plant.id !== only) return [];
    const outlook = forecast.outlook(plant.id);
    const place = forecast.climate.place(plant.place).place;
    const facts: Omit<CareFacts, 'outlook'> = {
      name: plant.name ?? '',
      taxon: plant.taxon ?? null,
      nameUnknown: plant.name_unknown ?? (outlook.model.sourced.genus === undefined && plant.habit == null),
      own: (plant.care ?? {}) as OwnRules,
      today,
      placeKind: place.kind,
      lit: place.lamp != null,
      south: garden.site.latitude_deg < 0,
      mixIsCharged: isCharged(
        garden.mixes.find(({ id }) => id === plant.mix),
        components,
      ),
      arrivedOn: plant.acquired_on ? dayNumber(plant.acquired_on) : null,
      shelteredOn: null,
      watersAtHand: [],
      air: place.air,
      organicShare: forecast.blend(plant.mix).organicShare,
      neighbours: neighboursOf(plant, garden.plants, pests),
      benches,
    };
    const taskFor = (seen: Outlook) => careTask({ ...facts, outlook: seen });
    const task = taskFor(outlook);
    const judgement = promised(task.judgement, {
      today: garden.today,
      outlookWith: (events) => forecast.tried(plant.id, events),
      judge: (seen) => taskFor(seen).judgement,
    });
    return [{ outlook, task: { ...task, judgement } }];
  });
}
