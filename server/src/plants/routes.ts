import { randomUUID } from 'node:crypto';
import { MOST_CROCKS } from '@zinc-pail/core';
import { madeMany, movedSchema, storySchema } from '@zinc-pail/contract/answers';
import { plantIdParam, plantSchema } from '@zinc-pail/contract/api';
import {
  copiesBody,
  endBody,
  endsBody,
  movesBody,
  newPlant,
  plantChange,
  pottingBody,
  rulesBody,
} from '@zinc-pail/contract/keeping';
import { OLDEST_DAY } from '@zinc-pail/contract/limits';
import type { Pot } from '@zinc-pail/core';
import type { App } from '../context.ts';
import { type PoolConnection, transaction } from '../database/pool.ts';
import { todayAt } from '../garden/clock.ts';
import { refuseGonePlaces } from '../places/store.ts';
import { planArrivals, planHardening, sunLately } from '../hardening/plan.ts';
import { entriesByClientIds, lockBooks } from '../journal/store.ts';
import { badField, notFound, Refused } from '../http/refusals.ts';
import { LONG_S } from '../http/limit.ts';
import { route, type Route } from '../http/route.ts';
import { refuseStale } from '../http/version.ts';
import { storyOf } from './story.ts';
import {
  cameOn,
  changePlant,
  homeOfPlace,
  mixParts,
  plantDetail,
  descends,
  livingPlant,
  refuseUnknownPlants,
  ruleMany,
  zonesOf,
} from './store.ts';
import { copyPlant, pot, takeIn, unfit } from './takingIn.ts';
import { endPlants, movePlants, plantColumns, revivePlant } from './takingInStore.ts';
import { plantView } from './view.ts';

export function plantRoutes(app: App): Route[] {
  return [...readingRoutes(app), ...writingRoutes(app), ...leavingRoutes(app)];
}

function readingRoutes(app: App): Route[] {
  return [
    route({
      method: 'get',
      path: '/plants/:plantId',
      does: 'A living plant: its record, its judgement with reasons, its outlook, its rules and its book.',
      params: plantIdParam,
      answer: plantSchema,
      refuses: ['ended'],
      handle: ({ params }) => plantView(app, params.plantId),
    }),
    route({
      method: 'get',
      path: '/plants/:plantId/story',
      does: 'The story of a plant that died or was given away, and what its book says of why.',
      params: plantIdParam,
      answer: storySchema,
      refuses: ['not-ended'],
      handle: ({ params }) => storyOf(app, params.plantId),
    }),
  ];
}

function writingRoutes(app: App): Route[] {
  return [
    route({
      method: 'post',
      path: '/plants',
      does: 'Takes in a plant, or a tray of them; the same client_id again gives the same plants.',
      body: newPlant,
      status: 201,
      answer: madeMany,
      async handle({ body, by }) {
        const home = await homeOfPlace(app.pool, body.place_id);
        if (!home) throw badField('/place_id', body.place_id, 'the id of one of your places');
        await refusePot(app, body.mix_id, body.pot);
        refuseDay('/date', body.date, home.time_zone);
        refuseDay('/last_watered', body.last_watered, home.time_zone);
        refuseDay('/acquired_on', body.acquired_on, home.time_zone);
        const ids = await takeIn(app, home.collection_id, body, by);
        await planArrivals(app, ids, body);
        return { ids };
      },
    }),
    route({
      method: 'patch',
      path: '/plants/:plantId',
      does: 'Changes what is written of a plant, or its rules of care. A rule of null goes back to what is usual.',
      params: plantIdParam,
      body: plantChange,
      ifMatch: true,
      answer: plantSchema,
      async handle({ params: { plantId }, version, body }) {
        const { rules = {}, reasons = {} } = body;
        const columns = plantColumns(body);
        if (body.acquired_on) {
          const row = await plantDetail(app.pool, plantId);
          if (row) refuseDay('/acquired_on', body.acquired_on, row.time_zone);
        }
        if (body.mother_id != null && (await descends(app.pool, body.mother_id, plantId)))
          throw badField('/mother_id', body.mother_id, 'a plant that does not come from this one');
        const outcome = await transaction(app.pool, (connection) =>
          changePlant(connection, { plantId, version, columns, rules, reasons }),
        ).catch(unfit(String(body.number ?? '')));
        if (outcome === 'none') throw notFound('plant');
        if (outcome !== 'done') refuseStale(columns, outcome);
        return plantView(app, plantId);
      },
    }),
    route({
      method: 'post',
      path: '/plants/:plantId/pottings',
      does: 'Sets pot and mix right from the start, or writes a repotting with its day.',
      params: plantIdParam,
      body: pottingBody,
      ifMatch: true,
      status: 201,
      answer: plantSchema,
      refuses: ['ended'],
      async handle({ params: { plantId }, version, body, by }) {
        const row = await livingPlant(app.pool, plantId);
        await refusePot(app, body.mix_id, body.pot);
        if (body.kind === 'repotted') {
          if (!body.date) throw badField('/date', null, `the day of the repotting, up to today`);
          refuseDay('/date', body.date, row.time_zone);
        }
        await pot(app, row, { version, body, by });
        return plantView(app, plantId);
      },
    }),
    route({
      method: 'post',
      path: '/plants/:plantId/copies',
      does: 'Takes in more of the same, as offspring or beside it.',
      params: plantIdParam,
      body: copiesBody,
      status: 201,
      answer: madeMany,
      refuses: ['ended'],
      async handle({ params: { plantId }, body }) {
        const row = await livingPlant(app.pool, plantId);
        refuseDay('/date', body.date, row.time_zone);
        return { ids: await copyPlant(app, row, body) };
      },
    }),
    route({
      method: 'post',
      path: '/plants/move',
      patienceS: LONG_S,
      does: 'Sets plants at another place; what comes into more sun gets a plan from shade to sun.',
      body: movesBody,
      answer: movedSchema,
      refuses: ['twice-the-same', 'already-used'],
      async handle({ body: { plant_ids: plantIds, place_id: placeId, date, client_ids: clientIds }, by }) {
        const home = await homeOfPlace(app.pool, placeId);
        if (!home) throw badField('/place_id', placeId, 'the id of one of your places');
        refuseDay('/date', date, home.time_zone);
        refuseTwice('/client_ids', clientIds ?? []);
        await refuseUnknownPlants(app.pool, '/plant_ids', plantIds);
        const sunBefore = await sunLately(app, plantIds, date);
        const moved = await transaction(app.pool, async (connection) => {
          await lockBooks(connection);
          await refuseGonePlaces(connection, [placeId]);
          const sent = await movesSent(connection, plantIds, clientIds ?? []);
          const moves = plantIds
            .map((plantId, i) => ({ plantId, clientId: clientIds?.[i] ?? randomUUID() }))
            .filter(({ plantId, clientId }, i) => !sent.has(clientId.toLowerCase()) && plantIds.indexOf(plantId) === i);
          return movePlants(connection, { moves, placeId, date, by });
        });
        return { moved, hardening: await planHardening(app, moved, date, sunBefore) };
      },
    }),
  ];
}

function refuseTwice(pointer: string, ids: readonly string[]): void {
  const seen = new Set<string>();
  for (const [i, id] of ids.entries()) {
    if (seen.has(id.toLowerCase()))
      throw new Refused('twice-the-same', 'Each move wants a client_id of its own.', [
        { pointer: `${pointer}/${i}`, got: id, accepted: 'a UUID that does not stand above' },
      ]);
    seen.add(id.toLowerCase());
  }
}

/** Moves that were written before under these ids, which are not made again, wherever the plants have gone since. */
async function movesSent(
  connection: PoolConnection,
  plantIds: readonly number[],
  clientIds: readonly string[],
): Promise<Set<string>> {
  const known = await entriesByClientIds(connection, clientIds);
  const at = new Map(clientIds.map((id, i) => [id.toLowerCase(), i]));
  for (const { client_id: id, plant_id: plantId, event } of known) {
    const i = at.get(id.toLowerCase())!;
    if (event.type === 'move' && plantIds[i] === plantId) continue;
    throw new Refused('already-used', 'This client_id stands for another entry; make a new one for a new move.', [
      { pointer: `/client_ids/${i}`, got: clientIds[i], accepted: 'a UUID that was never used' },
    ]);
  }
  return new Set(known.map(({ client_id: id }) => id.toLowerCase()));
}

function leavingRoutes(app: App): Route[] {
  return [
    route({
      method: 'post',
      path: '/plants/:plantId/end',
      does: 'Closes a plant that died or was given away; its book stays.',
      params: plantIdParam,
      body: endBody,
      answer: storySchema,
      refuses: ['has-ended'],
      async handle({ params: { plantId }, body: { how, date, cause }, by }) {
        const row = await plantDetail(app.pool, plantId);
        if (!row) throw notFound('plant');
        refuseDay('/date', date, row.time_zone);
        const came = (await cameOn(app.pool, [plantId])).get(plantId);
        if (came && date < came) throw badField('/date', date, `a day from the one it came on, ${came}`);
        const done = await transaction(app.pool, (connection) =>
          endPlants(connection, { plantIds: [plantId], how, date, why: cause ?? null, by }),
        );
        if (!done) throw new Refused('has-ended', 'This plant has ended already.');
        return storyOf(app, plantId);
      },
    }),
    route({
      method: 'post',
      path: '/plants/end',
      patienceS: LONG_S,
      does: 'Closes many plants at once, all or none; their books stay.',
      body: endsBody,
      answer: madeMany,
      refuses: ['has-ended'],
      async handle({ body: { plant_ids: ids, how, date, cause }, by }) {
        const plantIds = [...new Set(ids)];
        await refuseUnknownPlants(app.pool, '/plant_ids', plantIds, 'all');
        for (const zone of await zonesOf(app.pool, plantIds)) refuseDay('/date', date, zone);
        const came = await cameOn(app.pool, plantIds);
        const allThere = [...came.values()].reduce((a, b) => (a > b ? a : b), OLDEST_DAY);
        if (date < allThere)
          throw badField('/date', date, `a day from the one that the last of them came on, ${allThere}`);
        await transaction(app.pool, async (connection) => {
          if (!(await endPlants(connection, { plantIds, how, date, why: cause ?? null, by })))
            throw new Refused('has-ended', 'One of these plants has ended already: nothing was written.');
        });
        return { ids: plantIds };
      },
    }),
    route({
      method: 'post',
      path: '/plants/rules',
      patienceS: LONG_S,
      does: 'Sets rules of care of many plants at once, all or none. A rule of null goes back to what is usual.',
      body: rulesBody,
      answer: madeMany,
      async handle({ body: { plant_ids: plantIds, rules } }) {
        await transaction(app.pool, (connection) => ruleMany(connection, [...new Set(plantIds)], rules));
        return { ids: plantIds };
      },
    }),
    route({
      method: 'post',
      path: '/plants/:plantId/revive',
      does: 'It was not dead after all: back to where it stood last.',
      params: plantIdParam,
      answer: plantSchema,
      refuses: ['not-ended'],
      async handle({ params: { plantId }, by }) {
        if (!(await transaction(app.pool, (connection) => revivePlant(connection, plantId, by))))
          throw new Refused('not-ended', 'This plant has not ended.');
        return plantView(app, plantId);
      },
    }),
  ];
}

/** A day of the site's own up to today, or none. */
function refuseDay(pointer: string, date: string | null | undefined, timeZone: string): void {
  const today = todayAt(timeZone);
  if (date && (date > today || date < OLDEST_DAY))
    throw badField(pointer, date, `a day from ${OLDEST_DAY} to today, ${today}`);
}

async function refusePot(
  app: App,
  mixId: number,
  { base_mm: base, top_mm: top, depth_mm: depth, crocks_mm: crocks }: Pot,
): Promise<void> {
  if (!(await mixParts(app.pool, mixId)).length) throw badField('/mix_id', mixId, 'the id of one of your mixes');
  if (base > top * 2) throw badField('/pot/base_mm', base, 'a base no wider than twice the top');
  if (crocks != null && crocks > MOST_CROCKS * depth)
    throw badField('/pot/crocks_mm', crocks, `at most half the depth, ${MOST_CROCKS * depth} mm`);
}
