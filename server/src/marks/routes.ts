import { idParam, marksResultSchema, newMarks, timersSchema, voidBody } from '@zinc-pail/contract/api';
import type { App } from '../context.ts';
import { transaction } from '../database/pool.ts';
import { notFound } from '../http/refusals.ts';
import { LONG_S } from '../http/limit.ts';
import { route, type Route, With } from '../http/route.ts';
import { takeBack } from './takeBack.ts';
import { MarkDesk } from './desk.ts';
import { asKept } from './marks.ts';
import { endTimer, openTimers } from './store.ts';

export function markRoutes(app: App): Route[] {
  const desk = new MarkDesk(app);
  return [
    route({
      method: 'post',
      path: '/marks',
      patienceS: LONG_S,
      does:
        'Writes what was done or found on one pot or many: all entries or none, nothing twice. Answers the new ' +
        'judgement of each; 200 where all of it had been written before.',
      body: newMarks,
      status: 201,
      answer: marksResultSchema,
      refuses: ['not-that-day', 'twice-the-same', 'already-used', 'odd-mark'],
      async handle({ body: { marks, anyway }, by }) {
        const { result, repeated } = await desk.write(asKept({ marks, by, anyway: anyway ?? false }));
        return repeated ? new With(200, result) : result;
      },
    }),
    route({
      method: 'post',
      path: '/marks/void',
      does: 'Strikes out entries by their client_ids, all or none; they stay in the book, struck out.',
      body: voidBody,
      answer: marksResultSchema,
      refuses: ['not-this-way'],
      handle: ({ body, by }) => takeBack(app, body.client_ids, by),
    }),
    route({
      method: 'get',
      path: '/timers',
      does: 'What is still to be done after a drink: saucers to empty, pots to lift out.',
      answer: timersSchema,
      handle: async () => ({ timers: await openTimers(app.pool) }),
    }),
    route({
      method: 'post',
      path: '/timers/:id/done',
      does: 'Ends a timer.',
      params: idParam,
      answer: timersSchema,
      async handle({ params: { id } }) {
        if (!(await transaction(app.pool, (connection) => endTimer(connection, id)))) throw notFound('timer');
        return { timers: await openTimers(app.pool) };
      },
    }),
  ];
}
