/** The rows of the almanac in their groups, and what a week or a year of them comes to. */
import type { AlmanacInput } from '@zinc-pail/contract/almanac';
import {
  type AlmanacRow,
  dayNumber,
  genusByAnyName,
  type PlantState,
  traitsOf,
  type YearDeeds,
  yearDeeds,
} from '@zinc-pail/core';

export const GROUPINGS = ['place', 'habit', 'genus'] as const;
export type Grouping = (typeof GROUPINGS)[number];
export const GROUPING_WORDS = { place: 'bench', habit: 'season', genus: 'genus' } as const;

export const HABIT_WORDS = {
  summer: 'Grow in summer',
  winter: 'Grow in the cool half of the year',
  'spring-autumn': 'Grow in spring and autumn',
  evergreen: 'Never quite rest',
  opportunist: 'Grow whenever it is warm',
} as const;
const UNKNOWN_GENUS = 'Genus not known';

export interface YearPlant {
  id: string;
  number: string;
  name: string;
  row: AlmanacRow;
  /** the same year as it would be */
  tried: AlmanacRow | null;
  /** food, a new pot, flowers as they came before: of the year that is shown */
  deeds: YearDeeds;
}

export type YearLine = { kind: 'heading'; words: string; pots: number } | ({ kind: 'plant' } & YearPlant);

/** Benches and plants in walking order, seasons as they follow each other, genera by the alphabet. */
export function yearLines(
  input: AlmanacInput,
  rows: readonly AlmanacRow[],
  triedRows: readonly AlmanacRow[] | null,
  by: Grouping,
): YearLine[] {
  const rowOf = new Map(rows.map((row) => [row.plantId, row]));
  const triedOf = new Map((triedRows ?? []).map((row) => [row.plantId, row]));
  const groups = new Map<string, YearPlant[]>();
  for (const words of headingsOf(input, by)) groups.set(words, []);
  const placeName = new Map(input.places.map(({ id, name }) => [id, name]));
  const plantOf = new Map(input.garden.plants.map((plant) => [plant.id, plant]));
  const today = dayNumber(input.garden.today);
  for (const { id, number, name, ...facts } of input.plants) {
    const row = rowOf.get(id);
    const plant = plantOf.get(id);
    if (!row || !plant) continue;
    const words =
      by === 'place'
        ? (placeName.get(plant.place) ?? '')
        : by === 'habit'
          ? HABIT_WORDS[traitsOf(plant).traits.habit]
          : (genusByAnyName(plant.taxon ?? plant.name)?.name ?? UNKNOWN_GENUS);
    const group = groups.get(words) ?? [];
    const tried = triedOf.get(id) ?? null;
    const deeds = yearDeeds(tried ?? row, {
      today,
      feed: facts.feed,
      pottedOn: facts.potted_on === null ? null : dayNumber(facts.potted_on),
      repotYears: facts.repot_years,
      flowered: facts.flowered,
    });
    group.push({ id, number, name, row, tried, deeds });
    groups.set(words, group);
  }
  const named = [...groups].filter(([, plants]) => plants.length > 0);
  if (by === 'genus') named.sort(([a], [b]) => (a === UNKNOWN_GENUS ? 1 : b === UNKNOWN_GENUS ? -1 : a < b ? -1 : 1));
  return named.flatMap(([words, plants]): YearLine[] => [
    { kind: 'heading', words, pots: plants.length },
    ...plants.map((plant) => ({ kind: 'plant' as const, ...plant })),
  ]);
}

function headingsOf(input: AlmanacInput, by: Grouping): string[] {
  if (by === 'place') return input.places.map(({ name }) => name);
  return by === 'habit' ? Object.values(HABIT_WORDS) : [];
}

export interface YearSum {
  drinks: number;
  litres: number;
  /** weeks of plants in which a night too cold is likelier than not */
  coldWeeks: number;
  hotWeeks: number;
  asleepWeeks: number;
}

const LIKELY = 0.5;
const DAYS_A_WEEK = 7;

export function yearSum(rows: readonly AlmanacRow[]): YearSum {
  const sum = { drinks: 0, litres: 0, coldWeeks: 0, hotWeeks: 0, asleepWeeks: 0 };
  for (const { waterings, litres, cold, heat, states } of rows) {
    for (const times of waterings) sum.drinks += times;
    for (const some of litres) sum.litres += some;
    sum.coldWeeks += cold.filter((share) => share > LIKELY).length;
    sum.hotWeeks += heat.filter((share) => share > LIKELY).length;
    for (const { state, from, to } of states) if (state === 'resting') sum.asleepWeeks += (to - from) / DAYS_A_WEEK;
  }
  return sum;
}

/** The state of a row on a day from tomorrow on. */
export function stateOnDay({ states }: AlmanacRow, day: number): PlantState {
  return (states.find(({ from, to }) => day >= from && day < to) ?? states.at(-1)!).state;
}
