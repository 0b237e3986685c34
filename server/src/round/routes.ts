import { madeMany } from '@zinc-pail/contract/answers';
import { idParam, orderBody, roundSchema, roundSoFarSchema } from '@zinc-pail/contract/api';
import type { App } from '../context.ts';
import { transaction } from '../database/pool.ts';
import { Refused } from '../http/refusals.ts';
import { route, type Route, SENT } from '../http/route.ts';
import { RoundBook } from './roundBook.ts';
import { orderPlaces, orderPots, placeIdsBeside, plantIdsAt } from './store.ts';

export function roundRoutes(app: App): Route[] {
  const book = new RoundBook(app);
  return [
    route({
      method: 'get',
      path: '/round',
      does: 'Today’s walk: every site, bench by bench, with the pots that want something and the can.',
      answer: roundSchema,
      async handle({ response }) {
        (await book.read()).send(response);
        return SENT;
      },
    }),
    route({
      method: 'get',
      path: '/round/so-far',
      does: 'While a site is being worked out: how far it is, and the round of what there is already.',
      answer: roundSoFarSchema,
      handle: () => book.soFar(),
    }),
    route({
      method: 'post',
      path: '/places/order',
      does: 'The walking order of a site’s benches.',
      body: orderBody,
      answer: madeMany,
      refuses: ['not-all'],
      async handle({ body: { ids } }) {
        await transaction(app.pool, async (connection) => {
          wholeOrRefused(ids, await placeIdsBeside(connection, ids[0]!), 'bench of the site');
          await orderPlaces(connection, ids);
        });
        return { ids };
      },
    }),
    route({
      method: 'post',
      path: '/places/:id/order',
      does: 'The walking order of a bench’s pots.',
      params: idParam,
      body: orderBody,
      answer: madeMany,
      refuses: ['not-all'],
      async handle({ params: { id }, body: { ids } }) {
        await transaction(app.pool, async (connection) => {
          wholeOrRefused(ids, await plantIdsAt(connection, id), 'pot of the bench');
          await orderPots(connection, id, ids);
        });
        return { ids };
      },
    }),
  ];
}

/** An order names each once: someone else may have moved one meanwhile. */
function wholeOrRefused(ids: readonly number[], all: readonly number[], what: string): void {
  const wanted = new Set(all);
  if (ids.length === wanted.size && new Set(ids).size === ids.length && ids.every((id) => wanted.has(id))) return;
  throw new Refused(
    'not-all',
    `The order must name each ${what} once; ${wanted.size} are there now. Reload and order them again.`,
  );
}
