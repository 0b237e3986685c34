/**
 * What a place does to those that stand there besides light and warmth: air too dry or too wet, sun at the wrong end of
 * the day, draughts and splashes; each with whom it concerns. Codes and numbers; words/ says them.
 */
import type { AirBand } from '../plant/library.ts';

export const HAZARDS = ['draught', 'air-conditioning', 'cold-pane', 'splashes'] as const;
export type Hazard = (typeof HAZARDS)[number];

/** What of a plant decides whether a place suits it. */
export interface PlacedPlant {
  id: number;
  air: AirBand;
  /** scorches in hot afternoon sun: of filtered light, or pale-leaved */
  scorches: boolean;
  minWetC: number;
  /** leaves or stems that a splash marks, or a heart that holds it */
  marksEasily: boolean;
}

export interface PlaceFacts {
  id: number;
  rhPct: number;
  warmthC: number;
  sunH: number;
  morningSunH: number;
  highC: number;
  hazards: readonly Hazard[];
}

export type PlaceAdvice =
  | { code: 'air-dry' | 'air-wet'; plants: number[]; rhPct: number; band: AirBand }
  /** `to`: a place that has its sun in the morning, or null where there is none */
  | { code: 'morning-sun'; plants: number[]; afternoonH: number; to: number | null }
  | { code: 'hazard'; hazard: Hazard; plants: number[] };

/** Humidity within so much of a band is no matter. */
const SLACK_PCT = 5;
/** In still cool air it is wetness that harms; in the warm a wet day is nothing. */
const COOL_C = 15;
const AFTERNOON_H = 3;
const HOT_C = 28;
const MORNING_H = 2;
const SHORT_AFTERNOON_H = 1.5;
/** Kinds that bear no night below this catch cold from a draught or a pane. */
const TENDER_C = 8;

export function placeAdvice(
  here: PlaceFacts,
  plants: readonly PlacedPlant[],
  places: readonly PlaceFacts[],
): PlaceAdvice[] {
  const out: PlaceAdvice[] = [];
  const ids = (some: readonly PlacedPlant[]) => some.map(({ id }) => id);
  const dry = plants.filter(({ air }) => here.rhPct < air.fromPct - SLACK_PCT);
  if (dry.length > 0) out.push({ code: 'air-dry', plants: ids(dry), rhPct: here.rhPct, band: dry[0]!.air });
  const wet = here.warmthC < COOL_C ? plants.filter(({ air }) => here.rhPct > air.toPct + SLACK_PCT) : [];
  if (wet.length > 0) out.push({ code: 'air-wet', plants: ids(wet), rhPct: here.rhPct, band: wet[0]!.air });
  const afternoonH = here.sunH - here.morningSunH;
  const scorching = afternoonH > AFTERNOON_H && here.highC > HOT_C ? plants.filter(({ scorches }) => scorches) : [];
  if (scorching.length > 0) {
    const better = places.find(
      (place) =>
        place.id !== here.id && place.morningSunH >= MORNING_H && place.sunH - place.morningSunH <= SHORT_AFTERNOON_H,
    );
    out.push({ code: 'morning-sun', plants: ids(scorching), afternoonH, to: better?.id ?? null });
  }
  for (const hazard of here.hazards) {
    const harmed = plants.filter((plant) => (hazard === 'splashes' ? plant.marksEasily : plant.minWetC >= TENDER_C));
    if (harmed.length > 0) out.push({ code: 'hazard', hazard, plants: ids(harmed) });
  }
  return out;
}
