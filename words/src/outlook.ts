/** An outlook in words: why this day, what holds a drink, the season, the store and the roots. */
import { CAUSE_WORDS } from './causes.ts';
import {
  BREATHES_FROM,
  type ChangeKind,
  type DateReason,
  type IntervalStep,
  MATERIAL_TABLE,
  type PlantForecast,
  type PlantState,
  type PotMaterial,
  type StateReason,
  type ThirstWord,
  type WetFeetWord,
} from '@zinc-pail/core';
import { type DateOrder, dateWords, partOfMonth } from './days.ts';
import type { Speaking } from './reasons.ts';
import { signWords } from './signs.ts';
import { capital, degreeWords, lengthWords, type Units } from './units.ts';

/** One factor of the date, a sentence. */
export function dateReasonWords({ factor, days, n, of }: DateReason, units: Units): string {
  const way = days < 0 ? 'sooner' : 'later';
  switch (factor) {
    case 'place':
      return (
        'Its place and the weather take ' +
        `${units.length === 'in' ? `${(n.surface_mm! / 25.4).toFixed(2)} in` : `${n.surface_mm!.toFixed(1)} mm`} a day ` +
        `from a wet surface: ${way}.`
      );
    case 'season':
      return `The plant drinks ${Math.round(n.share! * 100)} % of its best at this season: ${way}.`;
    case 'pot-material':
      return MATERIAL_TABLE[of as PotMaterial].wall >= BREATHES_FROM
        ? `${capital(of!)} lets water out through its wall.`
        : `The pot is ${of}: ${way}.`;
    case 'pot-size':
      return (
        `${lengthWords(n.top_mm!, units)} across and ${lengthWords(n.depth_mm!, units)} deep, against ` +
        `${lengthWords(n.reference_top_mm!, units)} by ${lengthWords(n.reference_depth_mm!, units)}: ${way}.`
      );
    case 'mix':
      return `The mix holds ${Math.round(n.held_share! * 100)} % of its volume for the plant: ${way}.`;
    case 'top-dressing':
      return `${lengthWords(n.dressing_mm!, units)} of grit on top slow evaporation.`;
    case 'rate':
      if (of === 'shared' && Math.abs(n.rate! - 1) >= 0.05)
        return `Pots here dry ${n.rate!.toFixed(1)} × as fast as expected; nobody has checked this one yet: ${way}.`;
      return Math.abs(n.rate! - 1) < 0.05
        ? `This pot dries as expected, slightly ${way}.`
        : `This pot dries ${n.rate!.toFixed(1)} × as fast as expected: ${way}.`;
    case 'together':
      return 'The combined effect of the above.';
  }
}

/** Why no drink is in sight. */
export function holdWords({ hold }: Pick<PlantForecast, 'hold'>, { units, today }: Speaking): string {
  if (!hold) return 'No watering ahead.';
  switch (hold.kind) {
    case 'rest':
      return hold.n.wakes
        ? `Dormant; should wake around ${partOfMonth(hold.until, today)}.`
        : 'Dormant; not due to wake for now.';
    case 'goes-to-rest':
      return 'It will go dormant before its next watering.';
    case 'cold':
      return `Too cold for water: ${degreeWords(hold.n.warmth!, units)} on average, and it grows above ${degreeWords(hold.n.grows_from!, units)}.`;
    case 'potted':
      return `Newly potted: no water until ${dateWords(hold.until, today, units)}.`;
    case 'new-pair':
      return `Its new leaves feed on the old ones: keep it dry until those are papery, around ${dateWords(hold.until, today, units)}.`;
    case 'judged':
      return 'No water until the step above is done.';
  }
}

/** What brings a state, or for a growing plant holds it back. */
const BROUGHT: Record<StateReason, string> = {
  cold: 'because of the cold',
  heat: 'because of the heat',
  'short-days': 'because of the short days',
  'long-days': 'because of the long warm days',
  dark: 'because of the dim light',
  nothing: 'its usual season',
  seen: 'you saw it',
};
const HELD_BACK: Record<StateReason, string> = {
  cold: 'held back by cold',
  heat: 'held back by heat',
  'short-days': 'held back by short days',
  'long-days': 'held back by long warm days',
  dark: 'held back by dim light',
  nothing: 'warm and bright enough to grow',
  seen: 'you saw it',
};

export function seasonWords(
  state: PlantState,
  why: StateReason,
  since: string,
  fromStart: boolean,
  today: string,
  units: DateOrder,
): string {
  const when = fromStart ? 'since records began' : `since ${dateWords(since, today, units)}`;
  return `${state} ${when}: ${state === 'growing' || state === 'waking' ? HELD_BACK[why] : BROUGHT[why]}`;
}

export const THIRST: Record<ThirstWord, string> = {
  full: 'full',
  'a-little-spent': 'slightly used up',
  'first-wrinkles': 'first wrinkles',
  shrivelling: 'shrivelling',
  harmed: 'harmed by thirst',
};
export const WET_FEET: Record<WetFeetWord, string> = {
  safe: 'safe',
  'a-little-wet': 'a little wet',
  'too-wet-for-long': 'wet for too long',
  'in-danger': 'in danger',
};

/** A step that a sign moved the interval by, and whether it helped. */
export function stepWords({ on, way, sign, helped }: IntervalStep, today: string, units: DateOrder): string {
  const taken = (CAUSE_WORDS as Readonly<Record<string, { name: string }>>)[sign];
  const why =
    sign === 'refused'
      ? 'skipped twice'
      : taken
        ? `you took it for ${taken.name.toLowerCase()}`
        : way === 'earlier'
          ? `${signWords(sign)} when dry, firm again after watering`
          : `${signWords(sign)}: too much water`;
  const outcome = helped === null ? '' : helped ? ' It helped: not seen again.' : ' It was seen again since.';
  return `Watered a step ${way} since ${dateWords(on, today, units)}: ${why}.${outcome}`;
}

/** Where a rule stands: the moisture at which it calls, and the days it waits. */
export function ruleWords(dueM: number, holdDays: number): string {
  return `${dueM <= 0.125 ? 'dry through' : `at ${Math.round(dueM * 100)} %`}${holdDays > 0 ? ` and ${holdDays} ${holdDays === 1 ? 'day' : 'days'} more` : ''}`;
}

/** What a keeper should look for when a pot is no longer itself. */
export function alarmWords({ kind, factor }: { kind: ChangeKind; factor: number }): string {
  switch (kind) {
    case 'slower':
      return (
        `It dries ${(1 / factor).toFixed(1)} times slower than before. A blocked hole? Lost roots? Too large a pot, a ` +
        'tired mix? Cold or dim? Check the hole, press the base, and don’t water until it is dry.'
      );
    case 'faster':
      return (
        `It dries ${factor.toFixed(1)} times faster than before. Do roots fill the pot? Does water run past a ` +
        'shrunken root ball? Weigh it after the next watering.'
      );
    case 'contradictory':
      return 'Your checks contradict each other. Was it another pot by mistake? Feel it once more, at depth.';
  }
}
