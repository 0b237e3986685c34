import { kitSchema, made } from '@zinc-pail/contract/answers';
import { idParam } from '@zinc-pail/contract/api';
import { feedBody, settingsBody, siteBody, viewBody, waterBody } from '@zinc-pail/contract/keeping';
import { roughNormals } from '@zinc-pail/core';
import type Joi from 'joi';
import type { App } from '../context.ts';
import { type PoolConnection, transaction } from '../database/pool.ts';
import { acceptZone } from '../garden/clock.ts';
import { notFound, Refused } from '../http/refusals.ts';
import { route, type Route } from '../http/route.ts';
import {
  addSite,
  addTo,
  changeCollection,
  collectionId,
  type KitList,
  kit,
  removeFrom,
  touchAllSites,
} from './store.ts';

/** What a collection is kept with: settings, sites, waters, feeds, saved views. */
export function keepingRoutes(app: App): Route[] {
  const whole = async () => {
    const found = await kit(app.pool);
    if (!found) throw notFound('collection');
    return found;
  };
  return [
    route({
      method: 'get',
      path: '/kit',
      does: 'The collection’s settings, sites, mixes, waters, feeds and saved views.',
      answer: kitSchema,
      handle: whole,
    }),
    route({
      method: 'patch',
      path: '/settings',
      does: 'Changes the collection’s settings.',
      body: settingsBody,
      answer: kitSchema,
      refuses: ['nothing-to-change'],
      async handle({ body }) {
        if (Object.keys(body).length === 0) throw new Refused('nothing-to-change', 'Send at least one setting.');
        await transaction(app.pool, async (connection) =>
          changeCollection(connection, await theCollection(connection), { ...body }),
        );
        return whole();
      },
    }),
    route({
      method: 'post',
      path: '/sites',
      does: 'A new site; its usual weather is guessed from where it lies until a garden file brings better.',
      body: siteBody,
      status: 201,
      answer: made,
      refuses: ['no-such-time-zone'],
      async handle({ body }) {
        acceptZone(body.time_zone);
        const normals = JSON.stringify(roughNormals(body.latitude_deg, body.elevation_m));
        const id = await transaction(app.pool, async (connection) =>
          addSite(connection, await theCollection(connection), { ...body, normals }),
        );
        return { id };
      },
    }),
    ...listRoutes(app, { list: 'waters', of: 'water', body: waterBody, decides: true }),
    ...listRoutes(app, { list: 'feeds', of: 'feed', body: feedBody, decides: true }),
    ...listRoutes(app, { list: 'views', of: 'saved view', body: viewBody, decides: false }),
  ];
}

interface ListOf<T extends { name: string }> {
  list: KitList;
  of: string;
  body: Joi.ObjectSchema<T>;
  /** outlooks hang on it */
  decides: boolean;
}

function listRoutes<T extends { name: string }>(app: App, { list, of, body, decides }: ListOf<T>): Route[] {
  return [
    route({
      method: 'post',
      path: `/${list}`,
      does: `A new ${of}.`,
      body,
      status: 201,
      answer: made,
      refuses: ['name-taken'],
      async handle({ body: entry }) {
        const id = await transaction(app.pool, async (connection) => {
          const collection = await theCollection(connection);
          if (decides) await touchAllSites(connection, collection);
          return addTo(connection, list, { collection_id: collection, ...asRow(entry) });
        }).catch(sameName);
        return { id };
      },
    }),
    route({
      method: 'delete',
      path: `/${list}/:id`,
      does: `Takes a ${of} off the list.`,
      params: idParam,
      status: 204,
      answer: null,
      async handle({ params: { id } }) {
        await transaction(app.pool, async (connection) => {
          if (!(await removeFrom(connection, list, id))) throw notFound('entry of that list');
          if (decides) await touchAllSites(connection, await theCollection(connection));
        });
        return null;
      },
    }),
  ];
}

/** What is no plain value is kept as JSON. */
function asRow(entry: object): Record<string, unknown> {
  return Object.fromEntries(
    Object.entries(entry).map(([name, value]) => [
      name,
      typeof value === 'object' && value !== null ? JSON.stringify(value) : value,
    ]),
  );
}

async function theCollection(connection: PoolConnection): Promise<number> {
  const id = await collectionId(connection);
  if (id === null) throw notFound('collection');
  return id;
}

function sameName(error: unknown): never {
  if ((error as { code?: string }).code === 'ER_DUP_ENTRY')
    throw new Refused('name-taken', 'Another of that name is there; choose a name of its own.', [
      { pointer: '/name', got: undefined, accepted: 'a name of its own' },
    ]);
  throw error;
}
