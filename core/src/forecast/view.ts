/** An outlook in the numbers that its pictures need: bands of moisture behind and ahead, cold nights, rest. */
import { type DayNumber, isoDay } from '../calendar/day.ts';
import type { Pot, PlantState } from '../garden.ts';
import { atRate, blur, gridQuantile } from '../learn/grid.ts';
import { posterior, STRETCH_SD } from '../learn/rate.ts';
import { quantileSorted } from '../numeric/shape.ts';
import type { Caution } from '../plant/genera.ts';
import type { TraitSource, Traits } from '../plant/traits.ts';
import { type Outlook, type PlantForecast, plantForecast } from './forecast.ts';
import { PATH_DAYS } from './future.ts';
import { dueMoisture } from './plantModel.ts';
import type { Change, ChangeKind } from '../learn/change.ts';
import type { Change as StateChange } from '../season/timeline.ts';
import { type Verdict, verdict } from './verdict.ts';

type StateReason = StateChange['why'];

/** p10, p50, p90 at the end of each day. */
export interface BandSeries {
  /** the first day, ISO */
  from: string;
  p10: number[];
  p50: number[];
  p90: number[];
}

export interface OutlookView extends PlantForecast {
  verdict: Verdict;
  due_m: number;
  available_ml: number;
  volume_ml: number;
  pot: Pot;
  past: BandSeries;
  ahead: BandSeries;
  /** nights of the days ahead that are too cold for a moist root ball */
  cold_nights: string[];
  /** spans of rest, cut to the past and the days ahead */
  rest: { from: string; to: string }[];
  state_since: string;
  next_change: { on: string; state: PlantState } | null;
  checks: number;
  last_watered: string | null;
  last_checked: string | null;
  reference_days: number;
  cycle_days: number;
  traits: Traits;
  trait_sources: Record<keyof Traits, TraitSource>;
  cautions: readonly Caution[];
  /** something about the pot is no longer as it was: said in words */
  alarm: { kind: ChangeKind; text: string } | null;
  thirst: { level: number; word: string; wrinkles_in_days: number | null; harms_in_days: number | null };
  wet_feet: { level: number; word: string; harms_in_days: number | null };
  schools: { pot: string | null; plant: string | null; calendar: string | null; interval_days: number | null; interval_from: string; disagree: boolean };
  /** why the plant is in its state */
  state_why: string;
}

export function outlookView(outlook: Outlook, today: DayNumber): OutlookView {
  const { model } = outlook;
  const changes = model.timeline.changes;
  const since = changes.findLast((change) => change.day <= today);
  const next = changes.find((change) => change.day > today);
  const lastCheck = outlook.plant.events.findLast((event) => event.type === 'check');
  return {
    ...plantForecast(outlook),
    verdict: verdict(outlook, today),
    due_m: dueMoisture(model.traits),
    available_ml: Math.round(model.pot.capacity.availableMl),
    volume_ml: Math.round(model.pot.capacity.volumeMl),
    pot: outlook.plant.pot,
    past: pastBands(outlook),
    ahead: aheadBands(outlook, today),
    cold_nights: coldNights(outlook, today),
    rest: restSpans(outlook, today),
    state_since: isoDay(since?.day ?? today),
    next_change: next ? { on: isoDay(next.day), state: next.state } : null,
    checks: outlook.history.checks,
    last_watered: outlook.history.lastWatered === null ? null : isoDay(outlook.history.lastWatered),
    last_checked: lastCheck ? lastCheck.date : null,
    reference_days: outlook.why.referenceDays,
    cycle_days: outlook.why.cycleDays,
    traits: model.traits,
    trait_sources: model.sourced.sources,
    cautions: model.sourced.cautions,
    alarm: outlook.change && { kind: outlook.change.kind, text: changeWords(outlook.change) },
    thirst: {
      level: thousandth(outlook.stress.thirst), word: outlook.stress.thirstWord, wrinkles_in_days: outlook.stress.wrinklesInDays, harms_in_days: outlook.stress.thirstHarmsInDays,
    },
    wet_feet: { level: thousandth(outlook.stress.wetFeet), word: outlook.stress.wetFeetWord, harms_in_days: outlook.stress.rotInDays },
    schools: {
      pot: dayOrNull(outlook.schools.pot), plant: dayOrNull(outlook.schools.plant), calendar: dayOrNull(outlook.schools.calendar),
      interval_days: outlook.schools.intervalDays, interval_from: outlook.schools.intervalFrom, disagree: outlook.schools.disagree,
    },
    state_why: WHY_STATE[since?.why ?? 'nothing'],
  };
}

const WHY_STATE: Record<StateReason, string> = {
  cold: 'it is cold', heat: 'it is hot', 'short-days': 'the days are short', 'long-days': 'the days are long and warm', dark: 'it is dim',
  nothing: 'warmth, days and light invite it', seen: 'you saw it',
};

function dayOrNull(day: DayNumber | null): string | null {
  return day === null ? null : isoDay(day);
}

/** What a keeper should look for when a pot is no longer itself. */
export function changeWords({ kind, factor }: Change): string {
  switch (kind) {
    case 'slower':
      return `Since its last drinks it dries ${times(1 / factor)} slower than it did. A blocked hole? Lost roots? Cold or dim? Look at the hole, press the base, and don't water until it is dry.`;
    case 'faster':
      return `Since its last drinks it dries ${times(factor)} faster than it did. Roots that fill the pot? Water that runs past a shrunken ball? Weigh it after the next drink.`;
    case 'contradictory':
      return 'What you found contradicts itself: no drying explains all of it. Another pot by mistake? Feel it once more, at depth.';
  }
}

function times(factor: number): string {
  return `${factor.toFixed(1)} times`;
}

function pastBands(outlook: Outlook): BandSeries {
  const { trace, stretches, current } = outlook.history;
  const bands: BandSeries = { from: isoDay(trace.from), p10: [], p50: [], p90: [] };
  const prior = blur(outlook.ratePosterior, STRETCH_SD);
  const rates = new Map<number, [number, number, number]>();
  for (const [i, atNodes] of trace.m.entries()) {
    const index = trace.stretch[i]!;
    let found = rates.get(index);
    if (!found) {
      const density = posterior(prior, (stretches[index] ?? current).logs);
      // A faster pot is a drier one: the quantiles of moisture come from the other end of the rate's.
      found = [gridQuantile(density, 0.9), gridQuantile(density, 0.5), gridQuantile(density, 0.1)];
      rates.set(index, found);
    }
    push(bands, atRate(atNodes, found[0]), atRate(atNodes, found[1]), atRate(atNodes, found[2]));
  }
  return bands;
}

function aheadBands(outlook: Outlook, today: DayNumber): BandSeries {
  const bands: BandSeries = { from: isoDay(today), p10: [], p50: [], p90: [] };
  for (let i = 0; i <= PATH_DAYS; i++) {
    const sorted = Float64Array.from(outlook.futures.paths, (path) => path[i]!).sort();
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
  const { climate, traits } = outlook.model;
  const nights: string[] = [];
  for (let day = today; day <= today + PATH_DAYS; day++) {
    if (climate.tminC[day - climate.firstDay]! < traits.minWetC) nights.push(isoDay(day));
  }
  return nights;
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
