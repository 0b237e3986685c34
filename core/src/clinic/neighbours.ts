/** Guests seen on the plants of a bench: who they may have walked to. */
import { SIGN_TABLE } from '../catalogue/signs.ts';
import { type DayNumber, dayNumber } from '../calendar/day.ts';
import type { Plant, PlantEvent } from '../garden.ts';
import { type Cause, PESTS, spreads } from '../catalogue/causes.ts';
import type { NeighbourPest } from '../plant/standing.ts';

/** Guests seen so long ago are taken to be about still. */
const ABOUT_DAYS = 60;

/** The guests that a plant's book tells of, with the day they were seen last: none that a case closed or two clean looks answered. */
export function pestsOn(events: readonly PlantEvent[], today: DayNumber): { pest: Cause; on: string }[] {
  const found = new Map<Cause, string>();
  let clean = 0;
  for (const event of events) {
    if (today - dayNumber(event.date) > ABOUT_DAYS) continue;
    if (event.type === 'sign') {
      const pest =
        event.where === 'roots' && event.sign === 'white-fluff' ? 'root-mealybug' : SIGN_TABLE[event.sign].pest;
      if (pest) {
        found.set(pest, event.date);
        clean = 0;
      }
    } else if (event.type === 'repotting' && event.findings?.includes('pests')) {
      found.set('root-mealybug', event.date);
    } else if (event.type === 'verdict' && (PESTS as readonly Cause[]).includes(event.cause)) {
      found.set(event.cause, event.date);
    } else if (event.type === 'case-closed') found.delete(event.cause);
    else if (event.type === 'case-step' && event.step === 'neighbours') continue;
    else if (event.type === 'case-step' && event.found === 'clean' && ++clean >= 2) found.clear();
    else if (event.type === 'case-step' && event.found === 'guests') clean = 0;
  }
  return [...found].map(([pest, on]) => ({ pest, on }));
}

export type PestsByPlant = ReadonlyMap<string, { pest: Cause; on: string }[]>;

export function pestsOf(plants: readonly Plant[], today: DayNumber): PestsByPlant {
  return new Map(
    plants.flatMap(({ id, events }) => {
      const pests = pestsOn(events, today);
      return pests.length > 0 ? [[id, pests] as const] : [];
    }),
  );
}

export function neighboursOf(plant: Plant, plants: readonly Plant[], pests: PestsByPlant): NeighbourPest[] {
  if (pests.size === 0) return [];
  return plants.flatMap((other) =>
    other.id === plant.id || other.place !== plant.place
      ? []
      : (pests.get(other.id) ?? [])
          .filter(({ pest }) => spreads(pest) || pest === 'chewing-pest')
          .map((one) => ({ plantId: other.id, ...one })),
  );
}
