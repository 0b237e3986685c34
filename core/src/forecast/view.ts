/** An outlook in the numbers that its pictures need: bands of moisture behind and ahead, cold nights, rest. */
import { type DayNumber, dayNumber, isoDay } from '../calendar/day.ts';
import type { Pot, PlantState } from '../garden.ts';
import { quantileSorted, reorder } from '../numeric/curves.ts';
import type { Caution } from '../plant/genera.ts';
import type { TraitSource, Traits } from '../plant/traits.ts';
import type { Outlook } from './forecast.ts';
import type { PlantForecast } from '../judgement/plantForecast.ts';
import { PATH_DAYS } from './future.ts';
import { coldNightsAhead, weeklyLimits } from './nights.ts';
import { dueMoisture } from './plantModel.ts';
import type { ChangeKind } from '../belief/change.ts';
import type { IntervalStep } from '../plant/interval.ts';
import type { ThirstWord, WetFeetWord } from '../drydown/stress.ts';
import type { StateChange } from '../season/timeline.ts';

export type StateReason = StateChange['why'];

/** p10, p50, p90 at the end of each day. */
export interface BandSeries {
  /** the first day, ISO */
  from: string;
  p10: number[];
  p50: number[];
  p90: number[];
}

export interface OutlookView extends PlantForecast {
  due_m: number;
  available_ml: number;
  volume_ml: number;
  pot: Pot;
  past: BandSeries;
  ahead: BandSeries;
  /** nights of the days ahead that are too cold for a moist root ball */
  cold_nights: string[];
  /** lowest night it takes in each of the coming 52 weeks, °C */
  weekly_limit_c: number[];
  /** spans of rest, cut to the past and the days ahead */
  rest: { from: string; to: string }[];
  state_since: string;
  next_change: { on: string; state: PlantState } | null;
  checks: number;
  last_watered: string | null;
  last_checked: string | null;
  reference_days: number;
  cycle_days: number;
  /** the genus that the library knows it by, told or out of its name; null where it knows none */
  genus: string | null;
  traits: Traits;
  trait_sources: Record<keyof Traits, TraitSource>;
  cautions: readonly Caution[];
  /** something about the pot is no longer as it was: said in words */
  alarm: { kind: ChangeKind; factor: number } | null;
  thirst: { level: number; word: ThirstWord; wrinkles_in_days: number | null; harms_in_days: number | null };
  wet_feet: { level: number; word: WetFeetWord; harms_in_days: number | null };
  schools: {
    pot: string | null;
    plant: string | null;
    calendar: string | null;
    interval_days: number | null;
    interval_from: string;
    disagree: boolean;
  };
  /** what signs have moved of its rule, oldest first, and where the rule stood without them */
  steps: IntervalStep[];
  unstepped: { due_m: number; hold_days: number };
  /** why the plant is in its state */
  state_why: StateReason;
  /** the state is as old as the record: it began before that */
  state_since_start: boolean;
}

/** @param forecast the plant's forecast as it was judged */
export function outlookView(outlook: Outlook, forecast: PlantForecast, today: DayNumber): OutlookView {
  const { model } = outlook;
  const changes = model.timeline.changes;
  const since = changes.findLast((change) => change.day <= today);
  const next = changes.find((change) => change.day > today);
  const lastCheck = outlook.plant.events.findLast((event) => event.type === 'check');
  return {
    ...forecast,
    due_m: dueMoisture(model.traits),
    available_ml: Math.round(model.pot.capacity.availableMl),
    volume_ml: Math.round(model.pot.capacity.volumeMl),
    pot: outlook.plant.pot,
    past: pastSeries(outlook),
    ahead: aheadBands(outlook, today),
    cold_nights: coldNights(outlook, today),
    weekly_limit_c: weeklyLimits(outlook.model, today, {
      m: outlook.moisture.p50,
      drinksOn: forecast.water ? dayNumber(forecast.water.ideal) : null,
    }),
    rest: restSpans(outlook, today),
    state_since: isoDay(since?.day ?? today),
    next_change: next ? { on: isoDay(next.day), state: next.state } : null,
    checks: outlook.history.checks,
    last_watered: outlook.history.lastWatered === null ? null : isoDay(outlook.history.lastWatered),
    last_checked: lastCheck ? lastCheck.date : null,
    reference_days: outlook.why.referenceDays,
    cycle_days: outlook.why.cycleDays,
    genus: model.sourced.genus?.name ?? null,
    traits: model.traits,
    trait_sources: model.sourced.sources,
    cautions: model.sourced.cautions,
    alarm: outlook.change && { kind: outlook.change.kind, factor: Math.round(outlook.change.factor * 100) / 100 },
    thirst: {
      level: thousandth(outlook.stress.thirst),
      word: outlook.stress.thirstWord,
      wrinkles_in_days: outlook.stress.wrinklesInDays,
      harms_in_days: outlook.stress.thirstHarmsInDays,
    },
    wet_feet: {
      level: thousandth(outlook.stress.wetFeet),
      word: outlook.stress.wetFeetWord,
      harms_in_days: outlook.stress.rotInDays,
    },
    schools: {
      pot: dayOrNull(outlook.schools.pot),
      plant: dayOrNull(outlook.schools.plant),
      calendar: dayOrNull(outlook.schools.calendar),
      interval_days: outlook.schools.intervalDays,
      interval_from: outlook.schools.intervalFrom,
      disagree: outlook.schools.disagree,
    },
    steps: model.steps,
    unstepped: { due_m: dueMoisture(model.unstepped), hold_days: model.unstepped.holdDays },
    state_why: since?.why ?? 'nothing',
    state_since_start: since === undefined || changes.indexOf(since) === 0,
  };
}

function dayOrNull(day: DayNumber | null): string | null {
  return day === null ? null : isoDay(day);
}

function pastSeries({ history, past: { p10, p50, p90 } }: Outlook): BandSeries {
  return { from: isoDay(history.trace.from), p10, p50, p90 };
}

function aheadBands(outlook: Outlook, today: DayNumber): BandSeries {
  const bands: BandSeries = { from: isoDay(today), p10: [], p50: [], p90: [] };
  const { paths } = outlook.futures;
  const order = Uint16Array.from(paths, (_, member) => member);
  const values = new Float64Array(paths.length);
  const sorted = new Float64Array(paths.length);
  for (let i = 0; i <= PATH_DAYS; i++) {
    for (let member = 0; member < paths.length; member++) values[member] = paths[member]![i]!;
    reorder(order, values);
    for (let rank = 0; rank < order.length; rank++) sorted[rank] = values[order[rank]!]!;
    push(bands, quantileSorted(sorted, 0.1), quantileSorted(sorted, 0.5), quantileSorted(sorted, 0.9));
  }
  return bands;
}

function push(bands: BandSeries, p10: number, p50: number, p90: number): void {
  bands.p10.push(thousandth(p10));
  bands.p50.push(thousandth(p50));
  bands.p90.push(thousandth(p90));
}

function coldNights(outlook: Outlook, today: DayNumber): string[] {
  return coldNightsAhead(outlook.model, outlook.futures, today).map(isoDay);
}

function restSpans(outlook: Outlook, today: DayNumber): { from: string; to: string }[] {
  const { changes, states, firstDay } = outlook.model.timeline;
  const spans: { from: string; to: string }[] = [];
  const last = today + PATH_DAYS;
  for (const [i, change] of changes.entries()) {
    if (change.state !== 'resting' || change.day > last) continue;
    const end = changes[i + 1]?.day ?? firstDay + states.length;
    spans.push({ from: isoDay(change.day), to: isoDay(Math.min(end, last)) });
  }
  return spans;
}

function thousandth(value: number): number {
  return Math.round(value * 1000) / 1000;
}
