/** The round as a calendar: as a file, and under an address that a calendar program reads by itself. */
import { revoked, tokenMade, tokensSchema } from '@zinc-pail/contract/answers';
import { idParam } from '@zinc-pail/contract/api';
import { tokenBody } from '@zinc-pail/contract/keeping';
import { createHash, randomBytes } from 'node:crypto';
import { Router } from 'express';
import type { App } from '../context.ts';
import { transaction } from '../database/pool.ts';
import { asErrand, limitOf } from '../http/limit.ts';
import { notFound } from '../http/refusals.ts';
import { route, type Route, SENT } from '../http/route.ts';
import { collectionId } from '../keeping/store.ts';
import { calendarOf } from './plan.ts';
import { addToken, revokeToken, tokenOpens, tokens } from './store.ts';

const TOKEN_BYTES = 24;
const ADDRESS = /^([A-Za-z0-9_-]{20,60})\.ics$/;

const hashOf = (token: string) => createHash('sha256').update(token).digest('hex');

export function calendarRoutes(app: App): Route[] {
  return [
    route({
      method: 'get',
      path: '/export/round.ics',
      does: 'The round and what is planned, as iCalendar.',
      answer: { media: 'text/calendar' },
      async handle({ response }) {
        response
          .type('text/calendar; charset=utf-8')
          .set('Content-Disposition', 'attachment; filename="round.ics"')
          .send(await calendarOf(app));
        return SENT;
      },
    }),
    route({
      method: 'get',
      path: '/calendar-tokens',
      does: 'The addresses under which a calendar program may read the round; the addresses themselves are not told.',
      answer: tokensSchema,
      async handle() {
        const all = await tokens(app.pool);
        return {
          tokens: all.map(({ id, name, made_at: made, revoked_at: gone }) => ({
            id,
            name,
            made_at: made.toISOString(),
            revoked: gone !== null,
          })),
        };
      },
    }),
    route({
      method: 'post',
      path: '/calendar-tokens',
      does: 'A new calendar address, told this once: only its hash is kept.',
      body: tokenBody,
      status: 201,
      answer: tokenMade,
      async handle({ body: { name } }) {
        const token = randomBytes(TOKEN_BYTES).toString('base64url');
        const id = await transaction(app.pool, async (connection) => {
          const collection = await collectionId(connection);
          if (collection === null) throw notFound('collection');
          return addToken(connection, collection, name, hashOf(token));
        });
        return { id, path: `/calendar/${token}.ics` };
      },
    }),
    route({
      method: 'post',
      path: '/calendar-tokens/:id/revoke',
      does: 'Closes a calendar address for good.',
      params: idParam,
      answer: revoked,
      async handle({ params: { id } }) {
        if (!(await transaction(app.pool, (connection) => revokeToken(connection, id)))) throw notFound('address');
        return { revoked: id };
      },
    }),
  ];
}

/** The subscription address itself, outside the API: the token is all that a calendar program can send. */
export function calendarAddress(app: App): Router {
  const router = Router();
  const read = asErrand(async (request, response) => {
    const match = ADDRESS.exec(String(request.params.file));
    if (!match || !(await tokenOpens(app.pool, hashOf(match[1]!)))) throw notFound('calendar');
    response
      .type('text/calendar; charset=utf-8')
      .set('Cache-Control', 'no-store')
      .send(await calendarOf(app));
  });
  router.get('/calendar/:file', limitOf(), read);
  return router;
}
