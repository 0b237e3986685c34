import { kitSchema, made, written } from '@zinc-pail/contract/answers';
import { idParam } from '@zinc-pail/contract/api';
import { feedBody, settingsBody, viewBody, waterBody } from '@zinc-pail/contract/keeping';
import type Joi from 'joi';
import type { App } from '../context.ts';
import { type PoolConnection, transaction } from '../database/pool.ts';
import { notFound, Refused } from '../http/refusals.ts';
import { route, type Route } from '../http/route.ts';
import {
  addTo,
  changeIn,
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
      method: 'put',
      path: `/${list}/:id`,
      does: `Puts a ${of} right: all of it, as it is now.`,
      params: idParam,
      body,
      answer: written,
      refuses: ['name-taken'],
      async handle({ params: { id }, body: entry }) {
        await transaction(app.pool, async (connection) => {
          if (!(await changeIn(connection, list, id, asRow(entry)))) throw notFound('entry of that list');
          if (decides) await touchAllSites(connection, await theCollection(connection));
        }).catch(sameName);
        return { written: 1 };
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
