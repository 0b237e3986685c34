/** The last two months of a pot as one picture: how wet, how cold, how hot, what was given, what was seen. */
import { type DayNumber, dayNumber, isoDay } from '../calendar/day.ts';
import type { PlantEvent } from '../garden.ts';
import type { Outlook } from '../forecast/forecast.ts';

export interface ClinicStrip {
  /** first day, ISO; one value a day from there up to today */
  from: string;
  m: { p10: number[]; p50: number[]; p90: number[] };
  tminC: number[];
  tmaxC: number[];
  /** light at the plant, mol a day */
  dliMol: number[];
  /** lowest night it bears with a dry, and with a moist root ball */
  limits: { dryC: number; wetC: number };
  events: PlantEvent[];
}

const DAYS = 60;

export function clinicStrip({ past, history, model, plant }: Outlook, today: DayNumber): ClinicStrip {
  const { climate, traits } = model;
  const from = Math.max(history.trace.from, today - DAYS + 1);
  const skip = from - history.trace.from;
  const days = Array.from({ length: today - from + 1 }, (_, i) => from + i - climate.firstDay);
  const shown = (values: Float64Array, digits: number) =>
    days.map((i) => Number(values[Math.max(0, Math.min(climate.days - 1, i))]!.toFixed(digits)));
  return {
    from: isoDay(from),
    m: { p10: past.p10.slice(skip), p50: past.p50.slice(skip), p90: past.p90.slice(skip) },
    tminC: shown(climate.tminC, 1),
    tmaxC: shown(climate.tmaxC, 1),
    dliMol: shown(climate.dliMol, 1),
    limits: { dryC: traits.minDryC, wetC: traits.minWetC },
    events: plant.events.filter(({ date }) => dayNumber(date) >= from),
  };
}
