import { plantIdParam, type PlantView } from '@zinc-pail/contract/api';
import {
  copiesBody,
  endBody,
  movesBody,
  newPlant,
  type NewPlant,
  plantChange,
  type Potting,
  pottingBody,
  type Story,
} from '@zinc-pail/contract/keeping';
import {
  dayNumber,
  genusByAnyName,
  genusCare,
  hardeningPlan,
  type OwnRules,
  type PlantEvent,
  stepBack,
  traitsOf,
} from '@zinc-pail/core';
import { companionClashes } from '@zinc-pail/words/companions';
import { postMortem } from '@zinc-pail/words/postMortem';
import { randomUUID } from 'node:crypto';
import { Router } from 'express';
import type { App } from '../app.ts';
import { transaction } from '../database/pool.ts';
import { todayAt } from '../garden/clock.ts';
import { sites } from '../garden/store.ts';
import { keeperOf } from '../http/keeper.ts';
import { notFound, Refused } from '../http/problem.ts';
import { accept, acceptParam } from '../http/validate.ts';
import { refuseStale, versionOf } from '../http/version.ts';
import { entriesByClientIds, journalOf, lockBooks } from '../journal/store.ts';
import { potTask } from '../round/pots.ts';
import {
  changePlant,
  endHardening,
  homeOfPlace,
  idsByRef,
  mixParts,
  nightsAt,
  openHardening,
  plantDetail,
  plantRecord,
  pottingOf,
  saveHardening,
  standsOf,
} from './store.ts';
import {
  endPlant,
  insertPlant,
  movePlant,
  nextNumbers,
  plantColumns,
  repot,
  revivePlant,
  setPottingRight,
} from './takingInStore.ts';

const MOST_ENTRIES_TOLD = 5000;
const NIGHTS_BACK = 60;

export function plantRoutes(app: App): Router {
  const router = Router();
  const idOf = (params: unknown) => acceptParam<{ plantId: number }>(plantIdParam, params).plantId;

  router.get('/plants/:plantId', async (request, response) => {
    response.json(await plantView(app, idOf(request.params)));
  });

  router.get('/plants/:plantId/story', async (request, response) => {
    response.json(await storyOf(app, idOf(request.params)));
  });

  router.post('/plants', async (request, response) => {
    const body = accept<NewPlant>(newPlant, request.body);
    const home = await homeOfPlace(app.pool, body.place_id);
    if (!home) throw badReference('/place_id', body.place_id, 'the id of one of your places');
    if (!(await mixParts(app.pool, body.mix_id)).length)
      throw badReference('/mix_id', body.mix_id, 'the id of one of your mixes');
    const today = todayAt(home.time_zone);
    if (body.date > today) throw badReference('/date', body.date, `a day up to today, ${today}`);
    if (body.pot.base_mm > body.pot.top_mm * 2)
      throw badReference('/pot/base_mm', body.pot.base_mm, 'a base no wider than twice the top');
    if (body.last_watered && body.last_watered > today)
      throw badReference('/last_watered', body.last_watered, `a day up to today, ${today}`);
    const ids = await transaction(app.pool, async (connection) => {
      const count = body.count ?? 1;
      const made: number[] = [];
      // Before anything is read: who waits here must see what the one before wrote.
      await lockBooks(connection);
      const before = await idsByRef(connection, home.collection_id, body.client_id);
      // Sent twice: the same plants again.
      if (before.length > 0) return before;
      const numbers =
        body.number && count === 1
          ? [body.number]
          : await nextNumbers(connection, home.collection_id, body.name, body.date, count);
      for (const [i, number] of numbers.entries()) {
        made.push(
          await insertPlant(connection, home.collection_id, {
            ...body,
            by: keeperOf(request),
            acquired_on: body.acquired_on ?? body.date,
            number,
            ref: refOf(body.client_id, i),
          }).catch(takenNumber(number)),
        );
      }
      return made;
    });
    response.status(201).json({ ids });
  });

  router.patch('/plants/:plantId', async (request, response) => {
    const plantId = idOf(request.params);
    const version = versionOf(request);
    const body = accept<
      Record<string, unknown> & { rules?: Record<string, unknown>; reasons?: Record<string, string> }
    >(plantChange, request.body);
    await transaction(app.pool, async (connection) => {
      const columns = { ...plantColumns(body), ...(body.number === undefined ? {} : { number: body.number }) };
      if (body.mother_id === plantId) throw badReference('/mother_id', plantId, 'another plant than itself');
      const outcome = await changePlant(
        connection,
        plantId,
        version,
        columns,
        (body.rules ?? {}) as OwnRules,
        body.reasons ?? {},
      ).catch(takenNumber(String(body.number ?? '')));
      if (outcome === 'none') throw notFound('plant');
      if (outcome !== 'done') refuseStale(columns, outcome);
    });
    response.json(await plantView(app, plantId));
  });

  router.post('/plants/:plantId/pottings', async (request, response) => {
    const plantId = idOf(request.params);
    const version = versionOf(request);
    const body = accept<Potting>(pottingBody, request.body);
    const row = await plantDetail(app.pool, plantId);
    if (!row) throw notFound('plant');
    if (!(await mixParts(app.pool, body.mix_id)).length)
      throw badReference('/mix_id', body.mix_id, 'the id of one of your mixes');
    if (body.pot.base_mm > body.pot.top_mm * 2)
      throw badReference('/pot/base_mm', body.pot.base_mm, 'a base no wider than twice the top');
    const today = todayAt(row.time_zone);
    if (body.kind === 'repotted' && (!body.date || body.date > today))
      throw badReference('/date', body.date ?? null, `the day of the repotting, up to today, ${today}`);
    await transaction(app.pool, async (connection) => {
      await lockBooks(connection);
      // Sent twice: done already.
      if ((await entriesByClientIds(connection, [body.client_id])).length > 0) return;
      if (row.version !== version) refuseStale({ mix_id: body.mix_id }, { mix_id: row.mix_id });
      if (body.kind === 'set-right') return setPottingRight(connection, plantId, body.mix_id, body.pot);
      const outcome = await repot(connection, plantId, {
        mixId: body.mix_id,
        pot: body.pot,
        date: body.date!,
        mixWas: body.mix_was ?? null,
        rootLoss: body.root_loss ?? null,
        clientId: body.client_id,
        by: keeperOf(request),
      });
      if (outcome === 'too-early')
        throw badReference('/date', body.date, `a day from its last potting on, ${row.potted_on}`);
    });
    response.status(201).json(await plantView(app, plantId));
  });

  router.post('/plants/:plantId/copies', async (request, response) => {
    const plantId = idOf(request.params);
    const {
      count,
      date,
      as_offspring: asOffspring,
    } = accept<{ count: number; date: string; as_offspring: boolean }>(copiesBody, request.body);
    const row = await plantDetail(app.pool, plantId);
    const pot = await pottingOf(app.pool, plantId);
    if (!row || !pot) throw notFound('plant');
    const record = await plantRecord(app.pool, plantId);
    if (date > todayAt(row.time_zone))
      throw badReference('/date', date, `a day up to today, ${todayAt(row.time_zone)}`);
    const ids = await transaction(app.pool, async (connection) => {
      const made: number[] = [];
      for (const number of await nextNumbers(connection, row.collection_id, row.name, date, count)) {
        made.push(
          await insertPlant(connection, row.collection_id, {
            name: row.name,
            taxon: row.taxon,
            name_sure: record.name_sure,
            other_names: record.other_names,
            provenance: row.provenance,
            diameter_mm: row.diameter_mm,
            height_mm: row.height_mm,
            companions: null,
            acquired_on: date,
            source: asOffspring ? 'cutting' : record.source,
            mother_id: asOffspring ? plantId : (record.mother?.id ?? null),
            pot,
            mix_id: row.mix_id,
            place_id: row.place_id,
            date,
            number,
            ref: randomUUID(),
          }),
        );
      }
      return made;
    });
    response.status(201).json({ ids });
  });

  router.post('/plants/move', async (request, response) => {
    const {
      plant_ids: plantIds,
      place_id: placeId,
      date,
      client_ids: clientIds,
    } = accept<{ plant_ids: number[]; place_id: number; date: string; client_ids?: string[] }>(movesBody, request.body);
    const home = await homeOfPlace(app.pool, placeId);
    if (!home) throw badReference('/place_id', placeId, 'the id of one of your places');
    if (date > todayAt(home.time_zone))
      throw badReference('/date', date, `a day up to today, ${todayAt(home.time_zone)}`);
    const sunBefore = await sunOf(app, plantIds);
    const by = keeperOf(request);
    const moved = await transaction(app.pool, async (connection) => {
      const done: number[] = [];
      for (const [i, id] of [...new Set(plantIds)].entries())
        if (await movePlant(connection, id, placeId, date, by, clientIds?.[i])) done.push(id);
      return done;
    });
    const plans = await planHardening(app, moved, date, sunBefore);
    response.json({ moved, hardening: plans });
  });

  router.post('/plants/:plantId/end', async (request, response) => {
    const plantId = idOf(request.params);
    const { how, date, cause } = accept<{ how: 'died' | 'given'; date: string; cause?: string | null }>(
      endBody,
      request.body,
    );
    const row = await plantDetail(app.pool, plantId);
    if (!row) throw notFound('plant');
    if (date > todayAt(row.time_zone))
      throw badReference('/date', date, `a day up to today, ${todayAt(row.time_zone)}`);
    const done = await transaction(app.pool, (connection) =>
      endPlant(connection, plantId, how, date, cause ?? null, keeperOf(request)),
    );
    if (!done) throw new Refused(409, 'It has ended', 'This plant has ended already.');
    response.json(await storyOf(app, plantId));
  });

  router.post('/plants/:plantId/revive', async (request, response) => {
    const plantId = idOf(request.params);
    if (!(await transaction(app.pool, (connection) => revivePlant(connection, plantId, keeperOf(request)))))
      throw new Refused(409, 'Not ended', 'This plant has not ended.');
    response.json(await plantView(app, plantId));
  });

  router.post('/plants/:plantId/scorched', async (request, response) => {
    const plantId = idOf(request.params);
    const row = await plantDetail(app.pool, plantId);
    if (!row) throw notFound('plant');
    const plan = await openHardening(app.pool, plantId);
    if (!plan) throw new Refused(409, 'No plan', 'No plan from shade to sun is open for this plant.');
    const steps = stepBack(plan, dayNumber(todayAt(row.time_zone)));
    await transaction(app.pool, (connection) => saveHardening(connection, plantId, steps));
    response.json({ steps });
  });

  router.post('/plants/:plantId/hardening/end', async (request, response) => {
    const plantId = idOf(request.params);
    await transaction(app.pool, (connection) => endHardening(connection, plantId));
    response.json({ steps: null });
  });

  return router;
}

function refOf(clientId: string, i: number): string {
  return i === 0 ? clientId : `${clientId}-${i}`;
}

function badReference(pointer: string, got: unknown, accepted: string): Refused {
  return new Refused(400, 'Not understood', `${pointer}: wanted ${accepted}`, [{ pointer, got, accepted }]);
}

function takenNumber(number: string): (error: unknown) => never {
  return (error) => {
    const { code, message = '' } = error as { code?: string; message?: string };
    if (code === 'ER_DUP_ENTRY' && message.includes('plant_number'))
      throw badReference('/number', number, 'a number that no other plant bears');
    if (code === 'ER_NO_REFERENCED_ROW_2') throw badReference('/mother_id', null, 'the id of a plant of yours');
    throw error;
  };
}

async function plantView(app: App, plantId: number): Promise<PlantView> {
  const row = await plantDetail(app.pool, plantId);
  if (!row) throw notFound('plant');
  const [{ reasons, ...record }, journal, parts] = await Promise.all([
    plantRecord(app.pool, plantId),
    journalOf(app.pool, plantId),
    mixParts(app.pool, row.mix_id),
  ]);
  if (record.ended)
    throw new Refused(
      410,
      'Ended',
      `This plant has ${record.ended === 'died' ? 'died' : 'been given away'}; its story can be read.`,
    );
  const site = (await sites(app.pool)).find(({ id }) => id === row.site_id)!;
  const outlooks = await app.outlooks.ofSite(site);
  const outlook = outlooks.views.get(plantId);
  const task = outlooks.tasks.get(plantId);
  if (!outlook || !task) throw notFound('plant');
  const genus = genusByAnyName(row.taxon ?? row.name);
  const care = genusCare(genus, outlook.traits.form, outlook.traits.habit);
  return {
    id: row.id,
    number: row.number,
    name: row.name,
    taxon: row.taxon,
    provenance: row.provenance,
    form: outlook.traits.form,
    diameter_mm: row.diameter_mm,
    height_mm: row.height_mm,
    revision: row.revision,
    version: row.version,
    site: { id: row.site_id, name: row.site_name, today: todayAt(row.time_zone), latitude_deg: row.latitude_deg },
    place: { id: row.place_id, name: row.place_name, kind: row.place_kind },
    mix: { id: row.mix_id, name: row.mix_name, parts },
    potted_on: row.potted_on,
    outlook,
    task: potTask(task, record),
    care: { ...task.rules, reasons },
    journal,
    record: {
      ...record,
      doubt: care.doubt,
      genus: genus?.name ?? null,
      slow: care.slow,
      poisonous: care.poisonous,
      clashes: companionClashes(outlook.traits, record.companions),
    },
  };
}

async function storyOf(app: App, plantId: number): Promise<Story> {
  const row = await plantDetail(app.pool, plantId);
  if (!row) throw notFound('plant');
  const record = await plantRecord(app.pool, plantId);
  if (!record.ended) throw new Refused(409, 'Not ended', 'This plant is alive; its page tells more.');
  const journal = await journalOf(app.pool, plantId, MOST_ENTRIES_TOLD);
  const events = journal
    .filter((entry) => !entry.voided)
    .map((entry) => entry.event as PlantEvent)
    .toReversed();
  const nights = await nightsAt(app.pool, row.place_id, row.site_id, record.ended_on!, NIGHTS_BACK);
  const { traits } = traitsOf({
    id: '',
    name: row.name,
    taxon: row.taxon,
    diameter_mm: 1,
    height_mm: 1,
    place: '',
    mix: '',
    pot: {
      shape: 'round',
      top_mm: 90,
      base_mm: 70,
      depth_mm: 80,
      material: 'plastic',
      holes: true,
      top_dressing_mm: 0,
    },
    events: [],
  });
  const began = record.acquired_on ?? row.potted_on;
  return {
    id: row.id,
    number: row.number,
    name: row.name,
    provenance: row.provenance,
    place: row.place_name,
    ended: record.ended,
    ended_on: record.ended_on!,
    ended_why: record.ended_why,
    kept_days: Math.max(0, dayNumber(record.ended_on!) - dayNumber(began)),
    lines: postMortem({ events, endedOn: record.ended_on!, nights, minWetC: traits.minWetC, minDryC: traits.minDryC }),
    journal,
  };
}

/**
 * Direct sun that plants have where they stand: the keeper's own count, or the reckoned hours by the light let through.
 */
async function sunOf(app: App, plantIds: readonly number[]): Promise<Map<number, number>> {
  const found = new Map<number, number>();
  for (const site of await sites(app.pool)) {
    const outlooks = await app.outlooks.ofSite(site);
    for (const row of await standsOf(app.pool, site.id, plantIds))
      found.set(row.plant_id, sunAtPlace(row.kind, row.direct_sun_h, outlooks.places.get(row.place_id)?.sunH ?? 0));
  }
  return found;
}

/** A covered or a hazy spot takes the edge off: its hours count by half. */
function sunAtPlace(kind: string, counted: number | null, reckonedH: number): number {
  return counted ?? (kind === 'covered' ? reckonedH / 2 : reckonedH);
}

async function planHardening(app: App, moved: readonly number[], date: string, before: ReadonlyMap<number, number>) {
  if (moved.length === 0) return [];
  const [after, ceilings] = await Promise.all([sunOf(app, moved), ceilingsOf(app, moved)]);
  const plans: { plant_id: number; steps: { date: string; minutes: number }[] }[] = [];
  await transaction(app.pool, async (connection) => {
    for (const id of moved) {
      const steps = hardeningPlan(
        dayNumber(date),
        before.get(id) ?? 0,
        Math.min(after.get(id) ?? 0, ceilings.get(id) ?? Infinity),
      );
      await endHardening(connection, id);
      if (steps.length === 0) continue;
      await saveHardening(connection, id, steps);
      plans.push({ plant_id: id, steps });
    }
  });
  return plans;
}

async function ceilingsOf(app: App, plantIds: readonly number[]): Promise<Map<number, number | null>> {
  const found = new Map<number, number | null>();
  for (const site of await sites(app.pool)) {
    const { tasks } = await app.outlooks.ofSite(site);
    for (const id of plantIds) if (tasks.has(id)) found.set(id, tasks.get(id)!.rules.rules.sunCeilingHours);
  }
  return found;
}
