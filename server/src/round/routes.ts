import { idParam, orderBody, type RoundPot } from '@zinc-pail/contract/api';
import { Router } from 'express';
import type { App } from '../app.ts';
import { transaction } from '../database/pool.ts';
import { type SiteRow, sites } from '../garden/store.ts';
import { notFound, Refused } from '../http/problem.ts';
import { sendKept } from '../http/kept.ts';
import { accept, acceptParam } from '../http/validate.ts';
import { cardsAt } from '../plants/store.ts';
import { roundPot } from './pots.ts';
import { RoundBook } from './roundBook.ts';
import { orderPlaces, orderPots, placeIdsBeside, plantIdsAt, siteIdOf } from './store.ts';

export function roundRoutes(app: App): Router {
  const router = Router();
  const book = new RoundBook(app);

  router.get('/round', async (request, response) => {
    await sendKept(request, response, await book.read());
  });

  router.get('/round/so-far', async (_request, response) => {
    response.json(await book.soFar());
  });

  router.get('/places/:id/pots', async (request, response) => {
    const { id } = acceptParam<{ id: number }>(idParam, request.params);
    const site = await siteOfPlace(app, id);
    const outlooks = await app.outlooks.ofSite(site);
    const pots: RoundPot[] = (await cardsAt(app.pool, id)).flatMap((card) => roundPot(card, outlooks) ?? []);
    response.json({ pots });
  });

  router.post('/places/order', async (request, response) => {
    const { ids } = accept<{ ids: number[] }>(orderBody, request.body);
    await transaction(app.pool, async (connection) => {
      const all = await placeIdsBeside(connection, ids[0]!);
      wholeOrRefused(ids, all, 'bench of the site');
      await orderPlaces(connection, ids);
    });
    response.json({ ids });
  });

  router.post('/places/:id/order', async (request, response) => {
    const { id } = acceptParam<{ id: number }>(idParam, request.params);
    const { ids } = accept<{ ids: number[] }>(orderBody, request.body);
    await transaction(app.pool, async (connection) => {
      wholeOrRefused(ids, await plantIdsAt(connection, id), 'pot of the bench');
      await orderPots(connection, id, ids);
    });
    book.forget();
    response.json({ ids });
  });

  return router;
}

/** An order names each once: someone else may have moved one meanwhile. */
function wholeOrRefused(ids: readonly number[], all: readonly number[], what: string): void {
  const wanted = new Set(all);
  if (ids.length !== wanted.size || new Set(ids).size !== ids.length || ids.some((id) => !wanted.has(id))) {
    throw new Refused(
      409,
      'Not all of them',
      `The order must name each ${what} once; ${wanted.size} are there now. Look again and order anew.`,
    );
  }
}

async function siteOfPlace(app: App, placeId: number): Promise<SiteRow> {
  const siteId = await siteIdOf(app.pool, placeId);
  const site = (await sites(app.pool)).find(({ id }) => id === siteId);
  if (!site) throw notFound('place');
  return site;
}
