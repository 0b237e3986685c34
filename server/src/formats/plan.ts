/** What the calendar says: each plant's next day as it is judged, and the steps from shade to sun. */
import {
  type KeptTask,
  dayNumber,
  drinkOf,
  isoDay,
  nightItBearsC,
  type OutlookView,
  stepsShown,
} from '@zinc-pail/core';
import { causeWords } from '@zinc-pail/words/causes';
import { STEP_WORDS } from '@zinc-pail/words/clinic';
import { drinkWords, judgementWords } from '@zinc-pail/words/judgement';
import { degreeWords, SI } from '@zinc-pail/words/units';
import type { App } from '../context.ts';
import { type SiteRow, sites } from '../garden/store.ts';
import { openHardenings } from '../hardening/store.ts';
import { kit } from '../keeping/store.ts';
import { type PlaceRecord, placeRecords } from '../places/store.ts';
import { todayAt } from '../garden/clock.ts';
import { movesOf } from '../round/moves.ts';
import { placeRows, stoodBefore } from '../round/store.ts';
import { type PlantCard, plantCards } from '../plants/store.ts';
import { calendarText, type PlanLine } from './calendar.ts';

export async function calendarOf(app: App): Promise<string> {
  const kept = await kit(app.pool);
  const records = await placeRecords(app.pool);
  const places = new Map(records.map((place) => [place.id, place.name]));
  const lines: PlanLine[] = [];
  for (const site of await sites(app.pool)) {
    lines.push(...(await linesOf(app, site, places)));
    lines.push(...lampLines(site, records));
  }
  return calendarText(lines, kept ? `${kept.collection.name}: round` : 'Round');
}

async function linesOf(app: App, site: SiteRow, places: ReadonlyMap<number, string>): Promise<PlanLine[]> {
  const { tasks, views, today } = await app.outlooks.ofSite(site);
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
  const treated = cards.flatMap((card): PlanLine[] =>
    (tasks.get(card.id)?.clinic?.cases ?? []).flatMap((one) =>
      stepsShown(one, today).flatMap(({ step, due, doneOn, optional, waits }): PlanLine[] =>
        // What waits for the plant has no day yet: it comes with what it waits for.
        doneOn !== null || due === null || optional || waits !== null
          ? []
          : [
              {
                date: due < today ? today : due,
                site: site.name,
                place: placeOf.get(card.id)!,
                plant: `${card.name} (${card.number})`,
                what: 'clinic',
                words: `${STEP_WORDS[step].head.toLowerCase()} (${causeWords(one.cause).name.toLowerCase()})`,
              },
            ],
      ),
    ),
  );
  return [
    ...judged,
    ...treated,
    ...sun,
    ...coldEves(cards, { views, tasks, today }, site.name, placeOf),
    ...(await moveLines(app, site, cards)),
  ];
}

const LAMP_DAYS = 7;

/** Lamps that nobody but the keeper turns on and off, for the coming week. */
function lampLines(site: SiteRow, records: readonly PlaceRecord[]): PlanLine[] {
  const today = dayNumber(todayAt(site.time_zone));
  return records
    .filter((place) => place.site_id === site.id && place.lamp_by_hand && place.lamp)
    .flatMap(({ name, lamp }) =>
      Array.from({ length: LAMP_DAYS }, (_, ahead): PlanLine => {
        const words = `on for ${lamp!.hours} hours`;
        return {
          date: isoDay(today + ahead),
          site: site.name,
          place: name,
          plant: name,
          what: 'lamp',
          words,
          hours: lamp!.hours,
        };
      }),
    );
}

/** Who comes in and who goes out, on the day from which the nights ask for it. */
async function moveLines(app: App, site: SiteRow, cards: readonly PlantCard[]): Promise<PlanLine[]> {
  const outlooks = await app.outlooks.ofSite(site);
  const [climates, places, stoodAt] = await Promise.all([
    app.outlooks.climatesOf(site),
    placeRows(app.pool, site.id),
    stoodBefore(app.pool, site.id, outlooks.today),
  ]);
  const pots = cards.map((card) => ({ pot: { id: card.id, name: card.name }, placeId: card.place_id }));
  return movesOf(climates, { places, pots, outlooks, stoodAt }).flatMap(({ kind, place, plants }) =>
    plants.map(({ name, on }): PlanLine => {
      const words =
        kind === 'in' ? 'its nights there grow too cold' : 'its nights there are warm enough; into sun by steps';
      return { date: on, site: site.name, place, plant: name, what: kind, words };
    }),
  );
}

const NIGHTS_TOLD = 7;

/** Evenings before nights below what a plant takes: as judged for tonight, as expected for the week. */
export function coldEves(
  cards: readonly Pick<PlantCard, 'id' | 'name' | 'number'>[],
  {
    views,
    tasks,
    today,
  }: {
    views: ReadonlyMap<number, OutlookView>;
    tasks: ReadonlyMap<number, Pick<KeptTask, 'judgement'>>;
    today: string;
  },
  site: string,
  placeOf: ReadonlyMap<number, string>,
): PlanLine[] {
  const tonight = dayNumber(today) + 1;
  return cards.flatMap((card): PlanLine[] => {
    const view = views.get(card.id);
    const below = tasks.get(card.id)?.judgement.because.find(({ code }) => code === 'below-limit');
    if (!view) return [];
    const nights = new Set(
      view.cold_nights.map(dayNumber).filter((night) => night > tonight && night < tonight + NIGHTS_TOLD),
    );
    if (below) nights.add(tonight);
    // A plant that takes the coming nights dry is not called in for a limit it has only moist.
    const limitOf = (night: number) =>
      below && night === tonight
        ? below.n!.limit!
        : nightItBearsC(
            view.traits,
            view.ahead.p50[Math.min(night - dayNumber(today), view.ahead.p50.length - 1)] ?? 0,
          );
    return [...nights].map((night) => ({
      date: isoDay(night - 1),
      site,
      place: placeOf.get(card.id) ?? '',
      plant: `${card.name} (${card.number})`,
      what: 'cold',
      words: `takes ${degreeWords(limitOf(night), SI)}`,
    }));
  });
}

/** What is asked today, or the look before its next drink; null where the plant is left alone. */
export function planOf(
  { judgement, due, drink }: Pick<KeptTask, 'judgement' | 'due' | 'drink'>,
  today: string,
): Pick<PlanLine, 'date' | 'what' | 'words'> | null {
  const [first] = judgement.deeds;
  const units = { units: SI, today };
  const { head, reason } = judgementWords(judgement, units);
  const look = (words: string) => `look first; then ${words.toLowerCase()} of ${drink.water} water`;
  if (drinkOf(judgement)) return { date: today, what: 'water', words: look(head) };
  if (first.deed !== 'wait' && first.deed !== 'sleep')
    return {
      date: today,
      what: first.deed === 'act' ? 'act' : first.deed === 'move' ? 'move' : 'look',
      words: `${head}. ${reason}`,
    };
  if (!due) return null;
  const words = look(drinkWords(drink.way, drink.amount_ml, drink.flush, units));
  return { date: due, what: 'water', words };
}
