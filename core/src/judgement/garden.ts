/** Every plant of a garden file judged, with nothing known of its keeper but what stands there. */
import { dayNumber } from '../calendar/day.ts';
import { type CareTask, careTask, isCharged } from '../care/task.ts';
import { GardenForecast, type Outlook } from '../forecast/forecast.ts';
import type { Garden } from '../garden.ts';
import { componentsOf } from '../mix/components.ts';

export function gardenTasks(garden: Garden): { outlook: Outlook; task: CareTask }[] {
  const forecast = new GardenForecast(garden);
  const today = dayNumber(garden.today);
  const components = componentsOf(garden.components);
  return garden.plants.map((plant) => {
    const outlook = forecast.outlook(plant.id);
    const place = forecast.climate.place(plant.place).place;
    const task = careTask({
      name: plant.name ?? '',
      taxon: plant.taxon ?? null,
      nameUnknown: outlook.model.sourced.genus === undefined && plant.habit == null,
      own: {},
      outlook,
      today,
      placeKind: place.kind,
      lit: place.lamp != null,
      south: garden.site.latitude_deg < 0,
      mixIsCharged: isCharged(
        garden.mixes.find(({ id }) => id === plant.mix),
        components,
      ),
      arrivedOn: null,
      watersAtHand: [],
    });
    return { outlook, task };
  });
}
