/** What the calendar says: each plant's next day as it is judged, and the steps from shade to sun. */
import { type CareTask, drinkOf } from '@zinc-pail/core';
import { drinkWords, judgementWords } from '@zinc-pail/words/judgement';
import { SI } from '@zinc-pail/words/units';
import type { App } from '../context.ts';
import { type SiteRow, sites } from '../garden/store.ts';
import { openHardenings } from '../hardening/store.ts';
import { kit } from '../keeping/store.ts';
import { placeRecords } from '../places/store.ts';
import { plantCards } from '../plants/store.ts';
import { calendarText, type PlanLine } from './calendar.ts';

export async function calendarOf(app: App): Promise<string> {
  const kept = await kit(app.pool);
  const places = new Map((await placeRecords(app.pool)).map((place) => [place.id, place.name]));
  const lines: PlanLine[] = [];
  for (const site of await sites(app.pool)) lines.push(...(await linesOf(app, site, places)));
  return calendarText(lines, kept ? `${kept.collection.name}: round` : 'Round');
}

async function linesOf(app: App, site: SiteRow, places: ReadonlyMap<number, string>): Promise<PlanLine[]> {
  const { tasks, today } = await app.outlooks.ofSite(site);
  const cards = await plantCards(app.pool, site.id);
  const placeOf = new Map(cards.map((card) => [card.id, places.get(card.place_id) ?? '']));
  const judged = cards.flatMap((card): PlanLine[] => {
    const task = tasks.get(card.id);
    const plan = task && planOf(task, today);
    return plan
      ? [{ ...plan, site: site.name, place: placeOf.get(card.id)!, plant: `${card.name} (${card.number})` }]
      : [];
  });
  const sun = (await openHardenings(app.pool, site.id)).flatMap(({ plant_id: id, plant, steps }) =>
    steps
      .filter(({ date }) => date >= today)
      .map(({ date, minutes }): PlanLine => {
        const words = `${minutes} minutes of direct sun`;
        return { date, site: site.name, place: placeOf.get(id) ?? '', plant, what: 'sun', words };
      }),
  );
  return [...judged, ...sun];
}

/** What is asked today, or the look before its next drink; null where the plant is left alone. */
function planOf({ judgement, due, drink }: CareTask, today: string): Pick<PlanLine, 'date' | 'what' | 'words'> | null {
  const [first] = judgement.deeds;
  const units = { units: SI, today };
  const { head, reason } = judgementWords(judgement, units);
  const look = (words: string) => `look first; then ${words.toLowerCase()} of ${drink.water} water`;
  if (drinkOf(judgement)) return { date: today, what: 'water', words: look(head) };
  if (first.deed !== 'wait' && first.deed !== 'sleep')
    return { date: today, what: 'look', words: `${head}. ${reason}` };
  if (!due) return null;
  const words = look(drinkWords(drink.way, drink.amount_ml, drink.flush, units));
  return { date: due, what: 'water', words };
}
