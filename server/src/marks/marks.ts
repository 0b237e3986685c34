/**
 * Writing marks on one pot or many: all of a pot's entries or none, nothing twice, and what each asks for afterwards.
 */
import type { JournalEntry, JournalEvent, MarksResult, NewEntry, NewMark, WholePot } from '@zinc-pail/contract/api';
import {
  type AfterNote,
  afterMark,
  COMPONENTS,
  genusByAnyName,
  genusCare,
  remindersFor,
  type Finding,
  type PlantEvent,
  type Way,
} from '@zinc-pail/core';
import { group } from 'd3';
import { isDeepStrictEqual } from 'node:util';
import type { App } from '../app.ts';
import { type PoolConnection, transaction } from '../database/pool.ts';
import { todayAt } from '../garden/clock.ts';
import { loadPlants } from '../garden/store.ts';
import { notFound, Refused } from '../http/problem.ts';
import {
  addEntries,
  type EntriesToAdd,
  entriesByClientIds,
  entriesOnDay,
  lockBooks,
  revisionOf,
  voidEntries,
} from '../journal/store.ts';
import { type PlantHome, plantHomes } from '../plants/store.ts';
import { potsById } from '../round/pots.ts';
import { addTimers, dropTimersOf, type NewTimer, openTimers } from './store.ts';

const OLDEST_DAY = '1950-01-01';
/** Marks that count: two of a kind on one day are one deed told twice, unless the second knew of the first. */
const COUNTED = new Set<JournalEvent['type']>(['watering', 'feeding']);

/**
 * Writes marks. A plant on which another keeper has watered or fed that day since this one looked is left as it is, and
 * told of in `already`; `anyway` writes it all the same.
 */
export async function writeMarks(
  app: App,
  marks: readonly NewMark[],
  by: string,
  anyway: boolean,
): Promise<{ result: MarksResult; repeated: boolean }> {
  refuseTwins(marks);
  const homes = await plantHomes(
    app.pool,
    marks.map((mark) => mark.plant_id),
  );
  for (const mark of marks) if (!homes.has(mark.plant_id)) throw notFound('plant');
  refuseDays(marks, homes);
  const known = await knownEntries(app, marks);
  const already: { plantId: number; by: string; deed: 'fed' | 'watered'; at: string }[] = [];
  const written: NewMark[] = [];
  const before = await potsById(
    app,
    marks.map((mark) => mark.plant_id),
  );
  await transaction(app.pool, async (connection) => {
    await lockBooks(connection);
    const toAdd: EntriesToAdd[] = [];
    const timers: NewTimer[] = [];
    for (const mark of marks) {
      const home = homes.get(mark.plant_id)!;
      const revision = await revisionOf(connection, mark.plant_id);
      const fresh = mark.entries.filter((entry) => !known.has(entry.client_id));
      if (fresh.length === 0) {
        written.push(mark);
        continue;
      }
      const doubled =
        anyway || mark.seen == null || mark.seen >= revision ? null : await doubledBy(connection, mark.plant_id, fresh);
      if (doubled) {
        already.push({ plantId: mark.plant_id, ...whoWas(doubled, home.time_zone) });
        continue;
      }
      toAdd.push({ collectionId: home.collection_id, plantId: mark.plant_id, entries: mark.entries });
      timers.push(...timersOf(mark, before.get(mark.plant_id), home));
      written.push(mark);
    }
    await addEntries(connection, toAdd, by);
    await addTimers(connection, timers);
  });
  const pots = await potsById(
    app,
    marks.map((mark) => mark.plant_id),
  );
  const entries = group(
    await entriesByClientIds(
      app.pool,
      written.flatMap((mark) => mark.entries.map((entry) => entry.client_id)),
    ),
    (entry) => entry.plant_id,
  );
  const events = await eventsOf(
    app,
    written.map((mark) => mark.plant_id),
  );
  const result: MarksResult = {
    // One that another keeper let go in the meantime has its mark in its book and no line to show.
    done: written.flatMap((mark) => {
      const pot = pots.get(mark.plant_id);
      return pot
        ? [
            {
              plant_id: mark.plant_id,
              entries: entries.get(mark.plant_id) ?? [],
              pot,
              advice: adviceOn(
                mark,
                before.get(mark.plant_id) ?? pot,
                homes.get(mark.plant_id)!,
                events.get(mark.plant_id) ?? [],
              ),
            },
          ]
        : [];
    }),
    already: already.flatMap(({ plantId, by, deed, at }) => {
      const pot = pots.get(plantId);
      return pot ? [{ plant_id: plantId, plant: pot.name, by, deed, at, pot }] : [];
    }),
    timers: await openTimers(app.pool),
  };
  return { result, repeated: marks.every((mark) => mark.entries.every((entry) => known.has(entry.client_id))) };
}

/** Voids entries of one or many plants: all of them or none. */
export async function takeBack(app: App, clientIds: readonly string[], by: string): Promise<MarksResult> {
  const entries = await entriesByClientIds(app.pool, clientIds);
  if (entries.length < new Set(clientIds).size) throw notFound('entry');
  for (const { event } of entries) {
    if (event.type === 'repotting' || event.type === 'move')
      throw new Refused(409, 'Not this way', 'A potting or a move is set right by another potting or move.');
    if (event.type === 'ended' || event.type === 'picture')
      throw new Refused(409, 'Not this way', 'That is taken back on the plant’s own page.');
  }
  const plantIds = [...new Set(entries.map((entry) => entry.plant_id))];
  await transaction(app.pool, async (connection) => {
    await lockBooks(connection);
    await voidEntries(connection, clientIds, plantIds, by);
    await dropTimersOf(connection, clientIds);
  });
  const pots = await potsById(app, plantIds);
  const after = group(await entriesByClientIds(app.pool, clientIds), (entry) => entry.plant_id);
  return {
    done: plantIds.flatMap((id) =>
      pots.has(id) ? [{ plant_id: id, entries: after.get(id)!, pot: pots.get(id)!, advice: [] }] : [],
    ),
    already: [],
    timers: await openTimers(app.pool),
  };
}

function refuseDays(marks: readonly NewMark[], homes: ReadonlyMap<number, PlantHome>): void {
  const faults = marks.flatMap((mark, m) => {
    const today = todayAt(homes.get(mark.plant_id)!.time_zone);
    return mark.entries.flatMap((entry, i) =>
      entry.date > today || entry.date < OLDEST_DAY
        ? [
            {
              pointer: marks.length > 1 ? `/marks/${m}/entries/${i}/date` : `/entries/${i}/date`,
              got: entry.date,
              accepted: `a day from ${OLDEST_DAY} to today, ${today}`,
            },
          ]
        : [],
    );
  });
  if (faults.length > 0)
    throw new Refused(400, 'Not that day', `A day is wanted ${faults[0]!.accepted.slice('a day '.length)}.`, faults);
}

/** Each plant once, each id once: of two alike one would be lost without a word. */
function refuseTwins(marks: readonly NewMark[]): void {
  const plants = new Set<number>();
  const ids = new Set<string>();
  for (const [m, mark] of marks.entries()) {
    if (plants.has(mark.plant_id))
      throw new Refused(400, 'Twice the same plant', 'Each plant is wanted once, with all its entries.', [
        { pointer: `/marks/${m}/plant_id`, got: mark.plant_id, accepted: 'a plant that does not stand above' },
      ]);
    plants.add(mark.plant_id);
    for (const [i, { client_id }] of mark.entries.entries()) {
      if (ids.has(client_id))
        throw new Refused(400, 'Twice the same id', 'Each entry wants a client_id of its own.', [
          {
            pointer: marks.length > 1 ? `/marks/${m}/entries/${i}/client_id` : `/entries/${i}/client_id`,
            got: client_id,
            accepted: 'a UUID that does not stand above',
          },
        ]);
      ids.add(client_id);
    }
  }
}

/** Entries that were sent before; one whose id stands for something else is refused. */
async function knownEntries(app: App, marks: readonly NewMark[]): Promise<Map<string, JournalEntry>> {
  const known = new Map(
    (
      await entriesByClientIds(
        app.pool,
        marks.flatMap((mark) => mark.entries.map((entry) => entry.client_id)),
      )
    ).map((entry) => [entry.client_id, entry]),
  );
  for (const mark of marks) {
    for (const [i, { client_id, ...event }] of mark.entries.entries()) {
      const found = known.get(client_id);
      if (found && (found.plant_id !== mark.plant_id || !isDeepStrictEqual(found.event, event))) {
        throw new Refused(
          409,
          'Already used',
          'This client_id stands for another entry; make a new one for a new entry.',
          [{ pointer: `/entries/${i}/client_id`, got: client_id, accepted: 'a UUID that was never used' }],
        );
      }
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
      (found) => !fresh.some((own) => own.client_id === found.client_id),
    );
    if (same) return same;
  }
  return null;
}

function whoWas(entry: JournalEntry, timeZone: string): { by: string; deed: 'fed' | 'watered'; at: string } {
  const at = new Intl.DateTimeFormat('en-GB', { timeZone, hour: '2-digit', minute: '2-digit' }).format(
    new Date(entry.written_at),
  );
  return { by: entry.written_by, deed: entry.event.type === 'feeding' ? 'fed' : 'watered', at };
}

function timersOf(mark: NewMark, pot: WholePot | undefined, home: PlantHome): NewTimer[] {
  if (!pot) return [];
  const today = todayAt(home.time_zone);
  return mark.entries.flatMap((entry) => {
    // What was done yesterday has no saucer left to empty.
    if (entry.type !== 'watering' || entry.date !== today) return [];
    const { way, wet_leaves: wetLeaves } = entry as { way?: Way | null; wet_leaves?: boolean | null };
    const reminders = remindersFor({
      way: way ?? entry.method,
      wetLeaves: wetLeaves ?? false,
      rules: { stand: pot.task.stand, saucerMinutes: pot.task.saucer_minutes, soakMinutes: pot.task.soak_minutes },
      placeKind: home.place_kind,
      holes: pot.outlook.pot.holes,
      cautions: pot.outlook.cautions,
      slack:
        pot.outlook.thirst.level >= SLACK_FROM || pot.task.judgement.because.some(({ code }) => code === 'slack-seen'),
    });
    return reminders.map(({ kind, afterMinutes, words }) => ({
      collectionId: home.collection_id,
      plantId: mark.plant_id,
      clientId: entry.client_id,
      kind,
      words,
      afterMinutes,
    }));
  });
}

/** Grains from this size on leave gaps that a probe reads as dry; a mix of mostly these is coarse. */
const round = (value: number) => Math.round(value * 100) / 100;
const COARSE_MM = 3;
const SHEDS_FROM = 0.35;

/** What the marks mean for the plant; for many at once only what is urgent is worth a sentence each. */
function adviceOn(mark: NewMark, pot: WholePot, home: PlantHome, events: readonly PlantEvent[]): AfterNote[] {
  const total = home.mix.reduce((sum, part) => sum + part.parts, 0) || 1;
  const share = (of: (ref: string) => number) =>
    home.mix.reduce((sum, part) => sum + part.parts * of(part.component), 0) / total;
  const genus = genusByAnyName(pot.name);
  const { traits } = pot.outlook;
  const drain = mark.entries.find((entry) => entry.type === 'drain');
  return [
    ...(drain
      ? [
          {
            code: 'drain' as const,
            n: {
              seconds: drain.seconds,
              depth_mm: pot.outlook.pot.depth_mm,
              organic: round(share((ref) => COMPONENTS.get(ref)?.rewetDifficulty ?? 0)),
            },
          },
        ]
      : []),
    ...(home.acquired_on !== null &&
    mark.entries.some((entry) => entry.type === 'watering' && entry.date < home.acquired_on!)
      ? [{ code: 'before-it-came' as const, n: {} }]
      : []),
    ...afterMark({
      written: mark.entries as unknown as Finding[],
      before: pot.outlook,
      events,
      coarse: share((ref) => ((COMPONENTS.get(ref)?.grainMm ?? 0) >= COARSE_MM ? 1 : 0)) > 0.6,
      shedsWater: share((ref) => COMPONENTS.get(ref)?.rewetDifficulty ?? 0) > SHEDS_FROM,
      neverSoak: genusCare(genus, traits.form, traits.habit).neverSoak,
    }),
  ];
}

async function eventsOf(app: App, plantIds: readonly number[]): Promise<Map<number, readonly PlantEvent[]>> {
  // A whole bench marked alike needs no second reading of all its books.
  if (plantIds.length === 0 || plantIds.length > FEW) return new Map();
  return new Map((await loadPlants(app.pool, { plantIds })).map(({ plant }) => [Number(plant.id), plant.events]));
}
const FEW = 5;

/** Thirst from which a plant is slack enough to be asked about afterwards. */
const SLACK_FROM = 0.35;
