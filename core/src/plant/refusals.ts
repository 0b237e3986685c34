/**
 * What its keeper left out when it was asked. Once is a day put off; twice in a row is an answer: the keeper sees something
 * that the book does not, and the plan changes.
 */
import { isDrink } from '../catalogue/ways.ts';
import { type DayNumber, dayNumber } from '../calendar/day.ts';
import type { PlantEvent } from '../garden.ts';

type Refused = Extract<PlantEvent, { type: 'refused' }>;

/** Later by so many days, and a finger before the drink. */
export const REFUSED_DAYS = 7;
/** Two that lie further apart were about two different weeks. */
const IN_A_ROW_DAYS = 21;

/**
 * The second of two in a row, each time: on two days, with no drink between.
 *
 * @param events oldest first
 */
export function refusedTwice(events: readonly PlantEvent[]): Refused[] {
  const pairs: Refused[] = [];
  let first: Refused | null = null;
  for (const event of events) {
    if (isDrink(event)) first = null;
    if (event.type !== 'refused' || event.date === first?.date) continue;
    if (first && dayNumber(event.date) - dayNumber(first.date) <= IN_A_ROW_DAYS) pairs.push(event);
    first = event;
  }
  return pairs;
}

/** The pair that still counts: nothing was poured since, and it is not long ago. */
export function refusedLately(events: readonly PlantEvent[], today: DayNumber): Refused | null {
  const drunk = events.findLast(isDrink)?.date ?? '';
  const last = refusedTwice(events).at(-1);
  return last && last.date >= drunk && today - dayNumber(last.date) <= IN_A_ROW_DAYS ? last : null;
}

/** "It sleeps", said twice in a row of what does sleep, is what its keeper sees: from the second day on it rests. */
export function saidAsleep(events: readonly PlantEvent[]): PlantEvent[] {
  return refusedTwice(events)
    .filter(({ reason }) => reason === 'asleep')
    .map(({ date }) => ({ type: 'state', date, state: 'resting' }));
}
