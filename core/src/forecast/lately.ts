/**
 * What nights and days did to a plant where it stood: those of the last weeks of which something is known, by a
 * thermometer among the plants or by the weather outside. Days that were only drawn are no evidence.
 */
import type { DayNumber } from '../calendar/day.ts';
import type { PastBands } from '../belief/present.ts';
import type { GardenClimate } from './climate.ts';
import type { PlantModel } from './plantModel.ts';

export interface LateDay {
  day: DayNumber;
  /** at the plant, °C */
  lowC: number;
  highC: number;
  /** moisture of its pot that night */
  m: number;
  source: 'read' | 'observed';
}

/** So far back a night still shows on a plant. */
export const LATE_DAYS = 21;

/** @param past moisture at the end of each of the last days, up to today */
export function lateDays(model: PlantModel, climate: GardenClimate, past: PastBands, today: DayNumber): LateDay[] {
  const days: LateDay[] = [];
  const { firstDay, tminC, tmaxC } = model.climate;
  for (let day = Math.max(firstDay, today - LATE_DAYS + 1); day <= today; day++) {
    const place = model.stays.findLast(({ from }) => from <= day)?.place ?? model.plant.place;
    const source = climate.knownBy(place, day);
    if (source === null) continue;
    const i = day - firstDay;
    const m = past.mean[past.mean.length - 1 - (today - day) - 1] ?? past.mean[0] ?? 0;
    days.push({ day, lowC: tminC[i]!, highC: tmaxC[i]!, m, source });
  }
  return days;
}
