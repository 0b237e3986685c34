/**
 * Who goes out and who comes in within the next weeks: plants that stand where their nights are about to be too cold, and
 * plants that stood outside before and whose nights there are about to be warm enough again.
 */
import { dayNumber, type DayNumber, isoDay } from '../calendar/day.ts';
import { standsWhen } from './moveWeeks.ts';

export interface MovingPlant {
  id: number;
  name: string;
  /** where it stands */
  placeId: number;
  /** of each week from today's the lowest night that it takes, °C (view.ts) */
  limitsC: readonly number[];
  /** where it stood within the last year and a bit */
  stoodAt: readonly number[];
}

export interface NightsOfPlace {
  id: number;
  name: string;
  /** the cold reaches it: no room of a house, no glass that is heated */
  outside: boolean;
  /** see placeOutlook.ts */
  coldestC: readonly number[];
}

export interface MovesAhead {
  kind: 'in' | 'out';
  placeId: number;
  place: string;
  /** the first of them to go: in by, out from */
  on: string;
  plants: { id: number; name: string; on: string }[];
}

/** So far ahead a move is told of. */
const TOLD_DAYS = 21;
/** So near to coming in again nothing goes out any more. */
const LATE_DAYS = 28;

export function movesAhead(
  plants: readonly MovingPlant[],
  places: readonly NightsOfPlace[],
  today: DayNumber,
): MovesAhead[] {
  const byId = new Map(places.map((place) => [place.id, place]));
  const found = new Map<string, MovesAhead>();
  const add = (kind: MovesAhead['kind'], place: NightsOfPlace, { id, name }: MovingPlant, on: string) => {
    const key = `${kind} ${place.id}`;
    const moves = found.get(key) ?? { kind, placeId: place.id, place: place.name, on, plants: [] };
    moves.plants.push({ id, name, on });
    if (on < moves.on) moves.on = on;
    found.set(key, moves);
  };
  for (const plant of plants) {
    const here = byId.get(plant.placeId);
    if (here?.outside) {
      const stands = standsWhen(here.coldestC, plant.limitsC, today);
      if (stands.when === 'from-to' && stands.now && dayNumber(stands.in) - today <= TOLD_DAYS)
        add('in', here, plant, stands.in);
      continue;
    }
    for (const placeId of plant.stoodAt) {
      const there = byId.get(placeId);
      if (!there?.outside) continue;
      const stands = standsWhen(there.coldestC, plant.limitsC, today);
      if (stands.when === 'always') add('out', there, plant, isoDay(today));
      if (stands.when !== 'from-to') continue;
      if (!stands.now && dayNumber(stands.out) - today <= TOLD_DAYS) add('out', there, plant, stands.out);
      if (stands.now && dayNumber(stands.in) - today > LATE_DAYS) add('out', there, plant, isoDay(today));
    }
  }
  for (const moves of found.values()) moves.plants.sort((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : 0));
  return [...found.values()].sort((a, b) => (a.on < b.on ? -1 : 1));
}
