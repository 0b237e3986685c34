/** The forecast of a plant as it is told: its water is what is judged (docs/formats.md). */
import { type DayNumber, dayNumber, isoDay } from '../calendar/day.ts';
import type { Band, Outlook } from '../forecast/forecast.ts';
import type { Reason as DateReason } from '../forecast/because.ts';
import type { Hold } from '../forecast/window.ts';
import type { PlantState } from '../garden.ts';
import type { MethodId } from '../catalogue/ways.ts';
import type { Drink, Judgement } from './deeds.ts';

export interface PlantForecast {
  id: string;
  state: PlantState;
  moisture: Band;
  dry_on: { p10: string | null; p50: string | null; p90: string | null };
  water: { earliest: string; ideal: string; latest: string; amount_ml: number; method: MethodId } | null;
  hold?: { until: string; kind: Hold['kind'] | 'judged'; n: Readonly<Record<string, number>> };
  rate: Band;
  because: DateReason[];
}

/** @param next the drink it would get on its day */
export function plantForecast(
  outlook: Outlook,
  judgement: Judgement,
  next: Omit<Drink, 'food'>,
  today: string,
): PlantForecast {
  const { window, hold } = outlook.advice;
  const days = window
    ? { earliest: isoDay(window.earliest), ideal: isoDay(window.ideal), latest: isoDay(window.latest) }
    : null;
  const water = waterOf(judgement, days, next, today);
  const day = (value: DayNumber | null) => (value === null ? null : isoDay(value));
  return {
    id: outlook.plant.id,
    state: outlook.state,
    moisture: rounded(outlook.moisture, 3),
    dry_on: { p10: day(outlook.dryOn.p10), p50: day(outlook.dryOn.p50), p90: day(outlook.dryOn.p90) },
    water,
    ...(water
      ? {}
      : {
          hold: hold
            ? { until: isoDay(hold.until), kind: hold.kind, n: hold.n }
            : { until: judgement.until ?? judgement.next_look ?? today, kind: 'judged' as const, n: {} },
        }),
    rate: rounded(outlook.rate, 3),
    because: outlook.why.reasons,
  };
}

/** The days of the window as judged: today where a drink is asked for, else later, or none. */
function waterOf(
  judgement: Judgement,
  days: { earliest: string; ideal: string; latest: string } | null,
  next: Omit<Drink, 'food'>,
  today: string,
): PlantForecast['water'] {
  const [first] = judgement.deeds;
  if (first.deed === 'water' || first.deed === 'sip') {
    // A sip in rest has no window: it is for today.
    const { earliest, latest: last } = days ?? { earliest: today, latest: today };
    return {
      earliest: earliest < today ? earliest : today,
      ideal: today,
      latest: latest(last, today),
      amount_ml: first.amount_ml,
      method: first.method,
    };
  }
  if (!days || first.deed === 'act' || first.deed === 'sleep' || first.deed === 'wake' || next.amount_ml <= 0)
    return null;
  const waits = judgement.deeds.find((deed) => deed.deed === 'wait');
  if (waits?.deed === 'wait' && waits.until === null) return null;
  const tomorrow = isoDay(dayNumber(today) + 1);
  const ideal = latest(waits?.deed === 'wait' ? waits.until! : days.ideal, tomorrow);
  return {
    earliest: days.earliest < ideal ? latest(days.earliest, tomorrow) : ideal,
    ideal,
    latest: latest(days.latest, ideal),
    amount_ml: next.amount_ml,
    method: next.method,
  };
}

function latest(a: string, b: string): string {
  return a > b ? a : b;
}

function rounded(band: Band, digits: number): Band {
  return {
    p10: Number(band.p10.toFixed(digits)),
    p50: Number(band.p50.toFixed(digits)),
    p90: Number(band.p90.toFixed(digits)),
  };
}
