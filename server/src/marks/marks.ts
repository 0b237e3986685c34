/**
 * Writing marks, of one request or of several that came at once: all of a request's entries or none, nothing twice. Four
 * steps: what is there is read, what is to be written is decided, it is written, and the answer is the new judgement.
 */
import type { JournalEntry, JournalEvent, MarksResult, NewEntry, NewMark, WholePot } from '@zinc-pail/contract/api';
import { OLDEST_DAY } from '@zinc-pail/contract/limits';
import {
  APART_DAYS,
  CUT_ROOTS_LOSS,
  dayNumber,
  eventsOfStep,
  flushMl,
  isoDay,
  type PlantEvent,
  POTTING_STEPS,
  senseCheck,
  spreads,
} from '@zinc-pail/core';
import { oddWords } from '@zinc-pail/words/after';
import { SI } from '@zinc-pail/words/units';
import { isDeepStrictEqual } from 'node:util';
import type { App } from '../context.ts';
import { type PoolConnection, transaction } from '../database/pool.ts';
import { todayAt } from '../garden/clock.ts';
import { groupBy } from '../grouping.ts';
import { notFound, Refused } from '../http/refusals.ts';
import {
  companionId,
  addEntries,
  type EntriesToAdd,
  entriesByClientIds,
  drinksLately,
  entriesOnDay,
  lockBooks,
  revisionsOf,
} from '../journal/store.ts';
import { potsById } from '../plants/pots.ts';
import { type PlantHome, plantHomes, setApart } from '../plants/store.ts';
import { repotAsItIs, standingBeside } from '../plants/takingInStore.ts';
import { adviceOn, booksOf, timersOf } from './after.ts';
import { addTimers, type NewTimer, openTimers } from './store.ts';

/** Marks that count: two of a kind on one day are one deed told twice, unless the second knew of the first. */
const COUNTED = new Set<JournalEvent['type']>(['watering', 'feeding']);

/**
 * What one request wants written. A plant on which another keeper has watered or fed that day since this one looked is
 * left as it is, and told of in `already`; `anyway` writes it all the same.
 */
export interface Sheet {
  marks: readonly NewMark[];
  by: string;
  anyway: boolean;
}

export interface Entered {
  result: MarksResult;
  /** all of it had been written before */
  repeated: boolean;
}

/** What the marks meet: where their plants stand, and the pots as they were judged. */
interface Found {
  homes: ReadonlyMap<number, PlantHome>;
  before: ReadonlyMap<number, WholePot>;
  /** drinks in the books of the weeks before these marks */
  drinks: ReadonlyMap<number, readonly PlantEvent[]>;
}

interface Doubled {
  plantId: number;
  by: string;
  deed: 'fed' | 'watered';
  at: string;
}

/** What comes of one sheet. */
interface Decided {
  sheet: Sheet;
  /** what was sent before, by its id */
  known: ReadonlyMap<string, JournalEntry>;
  toAdd: EntriesToAdd[];
  timers: NewTimer[];
  /** marks that stand in the book afterwards, by now or from before */
  standing: NewMark[];
  already: Doubled[];
}

/**
 * A sheet as it is written: ids in small letters, for to the database large ones are the same.
 *
 * @throws Refused where a plant or an id stands on it twice
 */
export function asKept({ marks: sent, by, anyway }: Sheet): Sheet {
  const marks = sent.map((mark) => ({
    ...mark,
    entries: mark.entries.map((entry) => ({
      ...entry,
      client_id: entry.client_id.toLowerCase(),
      ...('with' in entry && entry.with ? { with: entry.with.toLowerCase() } : {}),
    })),
  }));
  refuseTwins(marks);
  return { marks, by, anyway };
}

/**
 * Writes sheets, each whole or not at all, under one lock and with one reckoning for all.
 *
 * @param sheets as {@link asKept} makes them; no plant and no id on two of them
 * @returns what came of each, in their order: an error for one that was refused
 * @throws whatever the database says: then nothing of any of them was written, or it is not known
 */
export async function writeMarks(app: App, sheets: readonly Sheet[]): Promise<(Entered | Refused)[]> {
  const { outcomes, ...found } = await read(app, sheets);
  const decisions = await transaction(app.pool, async (connection) => {
    await lockBooks(connection);
    const decided = await decide(connection, sheets, found, outcomes);
    await write(connection, decided);
    return decided;
  });
  const results = await answers(app, found, decisions);
  return sheets.map((sheet) => outcomes.get(sheet) ?? results.get(sheet)!);
}

type Outcomes = Map<Sheet, Refused>;

const plantsOf = (sheets: readonly Sheet[]) => sheets.flatMap(({ marks }) => marks.map((mark) => mark.plant_id));

async function read(app: App, sheets: readonly Sheet[]): Promise<Found & { outcomes: Outcomes }> {
  const homes = await plantHomes(app.pool, plantsOf(sheets));
  const outcomes: Outcomes = new Map();
  for (const sheet of sheets)
    refusing(outcomes, sheet, () => {
      for (const { plant_id: id } of sheet.marks) if (!homes.has(id)) throw notFound('plant');
      refuseDays(sheet.marks, homes);
    });
  const sound = sheets.filter((sheet) => !outcomes.has(sheet));
  const [before, drinks] = await Promise.all([potsById(app, plantsOf(sound)), drinksLately(app.pool, plantsOf(sound))]);
  return { homes, before, drinks, outcomes };
}

/** A refusal of one sheet leaves the others as they are. */
function refusing(outcomes: Outcomes, sheet: Sheet, action: () => void): void {
  try {
    action();
  } catch (error) {
    if (!(error instanceof Refused)) throw error;
    outcomes.set(sheet, error);
  }
}

async function decide(
  connection: PoolConnection,
  sheets: readonly Sheet[],
  found: Found,
  outcomes: Outcomes,
): Promise<Decided[]> {
  const clientIds = sheets.flatMap(({ marks }) => idsOf(marks));
  // Read under the lock: whoever sends the same at the same time has either written it by now or waits.
  const entries = await entriesByClientIds(connection, clientIds);
  const known = new Map(entries.map((entry) => [entry.client_id.toLowerCase(), entry]));
  for (const sheet of sheets) refusing(outcomes, sheet, () => refuseUsed(sheet.marks, known));
  for (const sheet of sheets)
    if (!sheet.anyway && !outcomes.has(sheet)) refusing(outcomes, sheet, () => refuseOdd(sheet.marks, known, found));
  const sound = sheets.filter((sheet) => !outcomes.has(sheet));
  const revisions = await revisionsOf(connection, plantsOf(sound));
  // A list that was taken back meanwhile took its plants with it.
  for (const sheet of sound)
    refusing(outcomes, sheet, () => {
      if (sheet.marks.some(({ plant_id: id }) => !revisions.has(id))) throw notFound('plant');
    });
  const decided: Decided[] = [];
  for (const sheet of sound)
    if (!outcomes.has(sheet)) decided.push(await decideOne(connection, sheet, { ...found, known, revisions }));
  return decided;
}

async function decideOne(
  connection: PoolConnection,
  sheet: Sheet,
  {
    homes,
    before,
    known,
    revisions,
  }: Found & { known: ReadonlyMap<string, JournalEntry>; revisions: ReadonlyMap<number, number> },
): Promise<Decided> {
  const { marks, by, anyway } = sheet;
  const decided: Decided = { sheet, known, toAdd: [], timers: [], standing: [], already: [] };
  for (const mark of marks) {
    const { plant_id: plantId, entries, seen } = mark;
    const home = homes.get(plantId)!;
    const fresh = entries.filter((entry) => !known.has(entry.client_id));
    const unaware = !anyway && seen != null && seen < revisions.get(plantId)!;
    const doubled = unaware && fresh.length > 0 ? await doubledBy(connection, plantId, fresh) : null;
    if (doubled) {
      decided.already.push({ plantId, ...whoWas(doubled, home.time_zone) });
      continue;
    }
    decided.standing.push(mark);
    if (fresh.length === 0) continue;
    const whole = [...entries, ...fresh.flatMap((entry) => companions(entry, entries, before.get(plantId)))];
    decided.toAdd.push({ collectionId: home.collection_id, plantId, entries: whole, by });
    decided.timers.push(...timersOf(mark, before.get(plantId), home));
  }
  return decided;
}

async function write(connection: PoolConnection, decided: readonly Decided[]): Promise<void> {
  const toAdd = decided.flatMap((one) => one.toAdd);
  await addEntries(connection, toAdd);
  await isolate(connection, toAdd);
  await potted(connection, decided);
  await lookedAtBeside(connection, toAdd);
  await addTimers(
    connection,
    decided.flatMap(({ timers }) => timers),
  );
}

/** A step of a case that is a potting: into fresh mix of the kind it had, and the same pot, where nobody said otherwise. */
async function potted(connection: PoolConnection, decided: readonly Decided[]): Promise<void> {
  for (const { toAdd, known } of decided)
    for (const { plantId, entries, by } of toAdd)
      for (const entry of entries)
        if (entry.type === 'case-step' && POTTING_STEPS.has(entry.step) && !known.has(entry.client_id))
          await repotAsItIs(connection, plantId, {
            date: entry.date,
            rootLoss: entries.some((other) => other.type === 'case-step' && other.step === 'cut')
              ? CUT_ROOTS_LOSS
              : null,
            clientId: companionId(entry.client_id, 0),
            by,
          });
}

/** A look at the neighbours of a sick plant is an event of each neighbour. */
async function lookedAtBeside(connection: PoolConnection, toAdd: readonly EntriesToAdd[]): Promise<void> {
  for (const { collectionId, plantId, entries, by } of toAdd)
    for (const entry of entries) {
      if (entry.type !== 'case-step' || entry.step !== 'neighbours' || entry.found !== 'clean') continue;
      const { cause, date, client_id: id } = entry;
      await addEntries(
        connection,
        (await standingBeside(connection, plantId)).map((beside, i) => ({
          collectionId,
          plantId: beside,
          entries: [
            {
              type: 'case-step',
              date,
              cause,
              step: 'look-over',
              found: 'clean',
              client_id: companionId(id, i + 1),
              with: id,
            },
          ] as unknown as NewEntry[],
          by,
        })),
      );
    }
}

/** What was found to spread sets a plant apart. */
async function isolate(connection: PoolConnection, toAdd: readonly EntriesToAdd[]): Promise<void> {
  for (const { plantId, entries } of toAdd)
    for (const entry of entries)
      if ((entry.type === 'verdict' && spreads(entry.cause)) || (entry.type === 'arrival' && entry.pests))
        await setApart(connection, plantId, entry.date, APART_DAYS);
}

async function answers(app: App, found: Found, decided: readonly Decided[]): Promise<Map<Sheet, Entered>> {
  const [pots, written, timers] = await Promise.all([
    potsById(app, plantsOf(decided.map(({ sheet }) => sheet))),
    entriesByClientIds(
      app.pool,
      decided.flatMap(({ standing }) => idsOf(standing)),
    ),
    openTimers(app.pool),
  ]);
  const entries = groupBy(written, (entry) => entry.plant_id);
  const results = new Map<Sheet, Entered>();
  for (const one of decided) {
    const books = await booksOf(
      app,
      one.standing.map((mark) => mark.plant_id),
    );
    const { known, sheet } = one;
    results.set(sheet, {
      result: {
        // One that another keeper let go in the meantime has its mark in its book and no line to show.
        done: one.standing.flatMap((mark) => {
          const id = mark.plant_id;
          const pot = pots.get(id);
          if (!pot) return [];
          const advice = adviceOn(mark, found.before.get(id) ?? pot, found.homes.get(id)!, books.get(id) ?? []);
          return [{ plant_id: id, entries: entries.get(id) ?? [], pot, advice }];
        }),
        already: one.already.flatMap(({ plantId, by, deed, at }) => {
          const pot = pots.get(plantId);
          return pot ? [{ plant_id: plantId, plant: pot.name, by, deed, at, pot }] : [];
        }),
        timers,
      },
      repeated: idsOf(sheet.marks).every((id) => known.has(id)),
    });
  }
  return results;
}

/** The drink, food or look that a step of a case was, where the mark does not tell it beside. */
function companions(entry: NewEntry, beside: readonly NewEntry[], pot: WholePot | undefined): NewEntry[] {
  if (entry.type !== 'case-step' || !pot) return [];
  const { method, amount_ml, water } = pot.task;
  const drink = { method, amount_ml, water, flush_ml: flushMl(pot.outlook.volume_ml) };
  return eventsOfStep(entry, drink)
    .filter(({ type }) => !beside.some((other) => other.type === type))
    .map((event, i) => ({ ...event, client_id: companionId(entry.client_id, i), with: entry.client_id }) as NewEntry);
}

/** What a hand may have slipped on is asked back before it is written. */
function refuseOdd(
  marks: readonly NewMark[],
  known: ReadonlyMap<string, JournalEntry>,
  { before, homes, drinks }: Found,
): void {
  for (const [m, { plant_id: id, entries }] of marks.entries()) {
    const pot = before.get(id);
    if (!pot) continue;
    const { outlook, task } = pot;
    const facts = {
      volumeMl: outlook.volume_ml,
      availableMl: outlook.available_ml,
      holes: outlook.pot.holes,
      mLow: outlook.moisture.p10,
      mHigh: outlook.moisture.p90,
      feed: task.feed,
      canMl: homes.get(id)!.can_ml,
      events: drinks.get(id) ?? [],
    };
    for (const [i, entry] of entries.entries()) {
      if (known.has(entry.client_id)) continue;
      const odd = senseCheck(entry as PlantEvent, facts);
      if (odd)
        throw new Refused('odd-mark', oddWords(odd, SI, todayAt(homes.get(id)!.time_zone)), [
          { pointer: `/marks/${m}/entries/${i}`, got: entry.type, accepted: 'the same with anyway, if it is meant' },
        ]);
    }
  }
}

export const idsOf = (marks: readonly NewMark[]) =>
  marks.flatMap((mark) => mark.entries.map((entry) => entry.client_id));

/** No verdict keeps a plant from water for longer: after a season it is looked at anew. */
const LONGEST_HOLD_DAYS = 366;

function refuseDays(marks: readonly NewMark[], homes: ReadonlyMap<number, PlantHome>): void {
  const faults = marks.flatMap((mark, m) => {
    const today = todayAt(homes.get(mark.plant_id)!.time_zone);
    return mark.entries.flatMap((entry, i) => {
      const { date } = entry;
      const until = entry.type === 'verdict' ? entry.hold_until : null;
      if (until && dayNumber(until) > dayNumber(date) + LONGEST_HOLD_DAYS)
        return [
          {
            pointer: `/marks/${m}/entries/${i}/hold_until`,
            got: until,
            accepted: `a day up to ${isoDay(dayNumber(date) + LONGEST_HOLD_DAYS)}`,
          },
        ];
      return date > today || date < OLDEST_DAY
        ? [
            {
              pointer: `/marks/${m}/entries/${i}/date`,
              got: date,
              accepted: `a day from ${OLDEST_DAY} to today, ${today}`,
            },
          ]
        : [];
    });
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

/** One whose id stands for something else is refused. */
function refuseUsed(marks: readonly NewMark[], known: ReadonlyMap<string, JournalEntry>): void {
  for (const [m, mark] of marks.entries()) {
    for (const [i, { client_id: id, ...event }] of mark.entries.entries()) {
      const before = known.get(id);
      if (!before || (before.plant_id === mark.plant_id && isDeepStrictEqual(before.event, event))) continue;
      throw new Refused('already-used', 'This client_id stands for another entry; make a new one for a new entry.', [
        { pointer: `/marks/${m}/entries/${i}/client_id`, got: id, accepted: 'a UUID that was never used' },
      ]);
    }
  }
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
