import { idParam } from '@zinc-pail/contract/api';
import { feedBody, settingsBody, siteBody, viewBody, waterBody } from '@zinc-pail/contract/keeping';
import { roughNormals } from '@zinc-pail/core';
import { Router } from 'express';
import type Joi from 'joi';
import type { App } from '../app.ts';
import { transaction } from '../database/pool.ts';
import { todayAt } from '../garden/clock.ts';
import { notFound, Refused } from '../http/problem.ts';
import { accept, acceptParam } from '../http/validate.ts';
import {
  addSite,
  addTo,
  changeCollection,
  changeIn,
  collectionId,
  type KitList,
  kit,
  removeFrom,
  touchAllSites,
} from './store.ts';

const LISTS: Record<
  KitList,
  { body: Joi.ObjectSchema; row(body: Record<string, unknown>): Record<string, unknown>; decides: boolean }
> = {
  waters: { body: waterBody, row: (body) => body, decides: true },
  feeds: { body: feedBody, row: (body) => body, decides: true },
  views: { body: viewBody, row: (body) => ({ name: body.name, spec: JSON.stringify(body.spec) }), decides: false },
};

/** What a collection is kept with: settings, waters, feeds, saved views. */
export function keepingRoutes(app: App): Router {
  const router = Router();

  router.get('/kit', async (_request, response) => {
    const found = await kit(app.pool);
    if (!found) throw notFound('collection');
    response.json(found);
  });

  router.post('/sites', async (request, response) => {
    const body = accept<{
      name: string;
      latitude_deg: number;
      longitude_deg: number;
      elevation_m: number;
      time_zone: string;
    }>(siteBody, request.body);
    try {
      todayAt(body.time_zone);
    } catch {
      throw new Refused(400, 'No such time zone', `A time zone as Europe/Vienna is wanted, not "${body.time_zone}".`, [
        { pointer: '/time_zone', got: body.time_zone, accepted: 'an IANA time zone, as Europe/Vienna' },
      ]);
    }
    const id = await transaction(app.pool, async (connection) => {
      const collection = await collectionId(connection);
      if (collection === null) throw notFound('collection');
      return addSite(connection, collection, {
        ...body,
        normals: JSON.stringify(roughNormals(body.latitude_deg, body.elevation_m)),
      });
    });
    response.status(201).json({ id });
  });

  router.patch('/settings', async (request, response) => {
    const body = accept<Record<string, unknown>>(settingsBody, request.body);
    if (Object.keys(body).length === 0) throw new Refused(400, 'Nothing to change', 'Send at least one setting.');
    await transaction(app.pool, async (connection) => {
      const id = await collectionId(connection);
      if (id === null) throw notFound('collection');
      await changeCollection(connection, id, body);
    });
    response.json(await kit(app.pool));
  });

  for (const [list, { body: schema, row, decides }] of Object.entries(LISTS) as [KitList, (typeof LISTS)[KitList]][]) {
    router.post(`/${list}`, async (request, response) => {
      const body = accept<Record<string, unknown>>(schema, request.body);
      const id = await transaction(app.pool, async (connection) => {
        const collection = await collectionId(connection);
        if (collection === null) throw notFound('collection');
        if (decides) await touchAllSites(connection, collection);
        return addTo(connection, list, { collection_id: collection, ...row(body) });
      }).catch(sameName);
      response.status(201).json({ id });
    });
    router.put(`/${list}/:id`, async (request, response) => {
      const { id } = acceptParam<{ id: number }>(idParam, request.params);
      const body = accept<Record<string, unknown>>(schema, request.body);
      await transaction(app.pool, async (connection) => {
        if (!(await changeIn(connection, list, id, row(body)))) throw notFound('entry of that list');
        if (decides) await touchAllSites(connection, (await collectionId(connection))!);
      }).catch(sameName);
      response.json({ id });
    });
    router.delete(`/${list}/:id`, async (request, response) => {
      const { id } = acceptParam<{ id: number }>(idParam, request.params);
      await transaction(app.pool, async (connection) => {
        if (!(await removeFrom(connection, list, id))) throw notFound('entry of that list');
        if (decides) await touchAllSites(connection, (await collectionId(connection))!);
      });
      response.status(204).end();
    });
  }

  return router;
}

function sameName(error: unknown): never {
  if ((error as { code?: string }).code === 'ER_DUP_ENTRY')
    throw new Refused(409, 'That name is taken', 'Another of that name is there; choose a name of its own.', [
      { pointer: '/name', got: undefined, accepted: 'a name of its own' },
    ]);
  throw error;
}
