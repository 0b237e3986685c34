/**
 * Writing marks on one pot or many: all of a pot's entries or none, nothing twice. Four steps: what is there is read, what
 * is to be written is decided, it is written, and the answer is the new judgement.
 */
import type { JournalEntry, JournalEvent, MarksResult, NewEntry, NewMark, WholePot } from '@zinc-pail/contract/api';
import { OLDEST_DAY } from '@zinc-pail/contract/limits';
import { isDeepStrictEqual } from 'node:util';
import type { App } from '../context.ts';
import { type PoolConnection, transaction } from '../database/pool.ts';
import { todayAt } from '../garden/clock.ts';
import { groupBy } from '../grouping.ts';
import { notFound, Refused } from '../http/refusals.ts';
import {
  addEntries,
  type EntriesToAdd,
  entriesByClientIds,
  entriesOnDay,
  lockBooks,
  revisionOf,
} from '../journal/store.ts';
import { potsById } from '../plants/pots.ts';
import { type PlantHome, plantHomes } from '../plants/store.ts';
import { adviceOn, booksOf, timersOf } from './after.ts';
import { addTimers, type NewTimer, openTimers } from './store.ts';

/** Marks that count: two of a kind on one day are one deed told twice, unless the second knew of the first. */
const COUNTED = new Set<JournalEvent['type']>(['watering', 'feeding']);

/** What the marks meet: where their plants stand, and the pots as they were judged. */
interface Found {
  homes: ReadonlyMap<number, PlantHome>;
  before: ReadonlyMap<number, WholePot>;
}

interface Doubled {
  plantId: number;
  by: string;
  deed: 'fed' | 'watered';
  at: string;
}

interface Decided {
  /** what was sent before, by its id */
  known: ReadonlyMap<string, JournalEntry>;
  toAdd: EntriesToAdd[];
  timers: NewTimer[];
  /** marks that stand in the book afterwards, by now or from before */
  standing: NewMark[];
  already: Doubled[];
}

/**
 * Writes marks. A plant on which another keeper has watered or fed that day since this one looked is left as it is, and
 * told of in `already`; `anyway` writes it all the same.
 */
export async function writeMarks(
  app: App,
  sent: readonly NewMark[],
  by: string,
  anyway: boolean,
): Promise<{ result: MarksResult; repeated: boolean }> {
  const marks = sent.map(asKept);
  refuseTwins(marks);
  const found = await read(app, marks);
  const decided = await transaction(app.pool, async (connection) => {
    await lockBooks(connection);
    const decision = await decide(connection, marks, found, anyway);
    await write(connection, decision, by);
    return decision;
  });
  const result = await answer(app, marks, found, decided);
  const repeated = marks.every((mark) => mark.entries.every((entry) => decided.known.has(entry.client_id)));
  return { result, repeated };
}

/** Ids in small letters: to the database large ones are the same, and so they must be here. */
function asKept(mark: NewMark): NewMark {
  const entries = mark.entries.map((entry) => ({
    ...entry,
    client_id: entry.client_id.toLowerCase(),
    ...('with' in entry && entry.with ? { with: entry.with.toLowerCase() } : {}),
  }));
  return { ...mark, entries };
}

async function read(app: App, marks: readonly NewMark[]): Promise<Found> {
  const plantIds = marks.map((mark) => mark.plant_id);
  const homes = await plantHomes(app.pool, plantIds);
  for (const id of plantIds) if (!homes.has(id)) throw notFound('plant');
  refuseDays(marks, homes);
  return { homes, before: await potsById(app, plantIds) };
}

async function decide(
  connection: PoolConnection,
  marks: readonly NewMark[],
  { homes, before }: Found,
  anyway: boolean,
): Promise<Decided> {
  const known = await knownEntries(connection, marks);
  const decided: Decided = { known, toAdd: [], timers: [], standing: [], already: [] };
  for (const mark of marks) {
    const { plant_id: plantId, entries, seen } = mark;
    const home = homes.get(plantId)!;
    const revision = await revisionOf(connection, plantId);
    const fresh = entries.filter((entry) => !known.has(entry.client_id));
    const unaware = !anyway && seen != null && seen < revision;
    const doubled = unaware && fresh.length > 0 ? await doubledBy(connection, plantId, fresh) : null;
    if (doubled) {
      decided.already.push({ plantId, ...whoWas(doubled, home.time_zone) });
      continue;
    }
    decided.standing.push(mark);
    if (fresh.length === 0) continue;
    decided.toAdd.push({ collectionId: home.collection_id, plantId, entries });
    decided.timers.push(...timersOf(mark, before.get(plantId), home));
  }
  return decided;
}

async function write(connection: PoolConnection, { toAdd, timers }: Decided, by: string): Promise<void> {
  await addEntries(connection, toAdd, by);
  await addTimers(connection, timers);
}

async function answer(
  app: App,
  marks: readonly NewMark[],
  { homes, before }: Found,
  { standing, already }: Decided,
): Promise<MarksResult> {
  const pots = await potsById(
    app,
    marks.map((mark) => mark.plant_id),
  );
  const clientIds = standing.flatMap((mark) => mark.entries.map((entry) => entry.client_id));
  const entries = groupBy(await entriesByClientIds(app.pool, clientIds), (entry) => entry.plant_id);
  const books = await booksOf(
    app,
    standing.map((mark) => mark.plant_id),
  );
  return {
    // One that another keeper let go in the meantime has its mark in its book and no line to show.
    done: standing.flatMap((mark) => {
      const id = mark.plant_id;
      const pot = pots.get(id);
      if (!pot) return [];
      const advice = adviceOn(mark, before.get(id) ?? pot, homes.get(id)!, books.get(id) ?? []);
      return [{ plant_id: id, entries: entries.get(id) ?? [], pot, advice }];
    }),
    already: already.flatMap(({ plantId, by, deed, at }) => {
      const pot = pots.get(plantId);
      return pot ? [{ plant_id: plantId, plant: pot.name, by, deed, at, pot }] : [];
    }),
    timers: await openTimers(app.pool),
  };
}

function refuseDays(marks: readonly NewMark[], homes: ReadonlyMap<number, PlantHome>): void {
  const faults = marks.flatMap((mark, m) => {
    const today = todayAt(homes.get(mark.plant_id)!.time_zone);
    return mark.entries.flatMap(({ date }, i) =>
      date > today || date < OLDEST_DAY
        ? [
            {
              pointer: `/marks/${m}/entries/${i}/date`,
              got: date,
              accepted: `a day from ${OLDEST_DAY} to today, ${today}`,
            },
          ]
        : [],
    );
  });
  if (faults.length > 0)
    throw new Refused('not-that-day', `A day is wanted ${faults[0]!.accepted.slice('a day '.length)}.`, faults);
}

/** Each plant once, each id once: of two alike one would be lost without a word. */
function refuseTwins(marks: readonly NewMark[]): void {
  const plants = new Set<number>();
  const ids = new Set<string>();
  for (const [m, mark] of marks.entries()) {
    if (plants.has(mark.plant_id))
      throw new Refused('twice-the-same', 'Each plant is wanted once, with all its entries.', [
        { pointer: `/marks/${m}/plant_id`, got: mark.plant_id, accepted: 'a plant that does not stand above' },
      ]);
    plants.add(mark.plant_id);
    for (const [i, { client_id: id }] of mark.entries.entries()) {
      if (ids.has(id))
        throw new Refused('twice-the-same', 'Each entry wants a client_id of its own.', [
          { pointer: `/marks/${m}/entries/${i}/client_id`, got: id, accepted: 'a UUID that does not stand above' },
        ]);
      ids.add(id);
    }
  }
}

/**
 * Entries that were sent before; one whose id stands for something else is refused. Read under the lock: whoever sends
 * the same at the same time has either written it by now or waits.
 */
async function knownEntries(connection: PoolConnection, marks: readonly NewMark[]): Promise<Map<string, JournalEntry>> {
  const clientIds = marks.flatMap((mark) => mark.entries.map((entry) => entry.client_id));
  const entries = await entriesByClientIds(connection, clientIds);
  const known = new Map(entries.map((entry) => [entry.client_id.toLowerCase(), entry]));
  for (const [m, mark] of marks.entries()) {
    for (const [i, { client_id: id, ...event }] of mark.entries.entries()) {
      const before = known.get(id);
      if (!before || (before.plant_id === mark.plant_id && isDeepStrictEqual(before.event, event))) continue;
      throw new Refused('already-used', 'This client_id stands for another entry; make a new one for a new entry.', [
        { pointer: `/marks/${m}/entries/${i}/client_id`, got: id, accepted: 'a UUID that was never used' },
      ]);
    }
  }
  return known;
}

async function doubledBy(
  connection: PoolConnection,
  plantId: number,
  fresh: readonly NewEntry[],
): Promise<JournalEntry | null> {
  for (const entry of fresh) {
    if (!COUNTED.has(entry.type)) continue;
    // One's own mark, sent again before the first answer came, is nobody else's.
    const same = (await entriesOnDay(connection, plantId, entry.date, entry.type)).find(
      (found) => !fresh.some((own) => own.client_id === found.client_id.toLowerCase()),
    );
    if (same) return same;
  }
  return null;
}

function whoWas(entry: JournalEntry, timeZone: string): Omit<Doubled, 'plantId'> {
  const at = new Intl.DateTimeFormat('en-GB', { timeZone, hour: '2-digit', minute: '2-digit' }).format(
    new Date(entry.written_at),
  );
  return { by: entry.written_by, deed: entry.event.type === 'feeding' ? 'fed' : 'watered', at };
}
