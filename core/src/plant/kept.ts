/** What a keeper's record of a plant tells the engine besides what was seen: one reading of it, of tables and of files. */
import type { OwnRules } from '../care/rules.ts';
import type { Plant } from '../garden.ts';

/** In the keeper's words: roots that grew in wet. */
const GREW_WET = /wet|soggy|damp|moist|peat/i;

export interface KeptRecord {
  nameSure: string | null;
  usedTo: string | null;
  own: OwnRules;
}

export function asKept({
  nameSure,
  usedTo,
  own,
}: KeptRecord): Pick<
  Plant,
  | 'name_unknown'
  | 'name_likely'
  | 'grown_wet'
  | 'due_m'
  | 'sleeps'
  | 'ideal_from_c'
  | 'heat_from_c'
  | 'steps_taken_back'
> {
  return {
    name_unknown: nameSure === 'unknown',
    name_likely: nameSure === 'likely',
    grown_wet: GREW_WET.test(usedTo ?? ''),
    due_m: own.dueAt ?? null,
    sleeps: own.sleeps ?? null,
    ideal_from_c: own.idealFromC ?? null,
    heat_from_c: own.ceilingC ?? null,
    steps_taken_back: own.stepsTakenBack ?? null,
  };
}

/** A plant of a garden file with what its record says read as the tables' is; one that says nothing is as it was. */
export function readKept(plant: Plant): Plant {
  const { name_sure: nameSure, used_to: usedTo, care } = plant;
  if (nameSure == null && usedTo == null && care == null) return plant;
  return {
    ...plant,
    ...asKept({ nameSure: nameSure ?? null, usedTo: usedTo ?? null, own: (care ?? {}) as OwnRules }),
  };
}
