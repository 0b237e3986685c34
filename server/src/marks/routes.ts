import {
  clientIdParam,
  idParam,
  type MarksResult,
  newEntries,
  newMarks,
  type NewEntry,
  type NewMark,
  plantIdParam,
  voidBody,
} from '@zinc-pail/contract/api';
import { Router } from 'express';
import type { App } from '../app.ts';
import { transaction } from '../database/pool.ts';
import { notFound } from '../http/problem.ts';
import { keeperOf } from '../http/keeper.ts';
import { accept, acceptParam } from '../http/validate.ts';
import { entryByClientId } from '../journal/store.ts';
import { takeBack, writeMarks } from './marks.ts';
import { endTimer, openTimers } from './store.ts';

export function markRoutes(app: App): Router {
  const router = Router();

  router.post('/marks', async (request, response) => {
    const { marks, anyway } = accept<{ marks: NewMark[]; anyway?: boolean }>(newMarks, request.body);
    const { result, repeated } = await writeMarks(app, marks, keeperOf(request), anyway ?? false);
    response.status(repeated ? 200 : 201).json(result);
  });

  router.post('/plants/:plantId/journal', async (request, response) => {
    const { plantId } = acceptParam<{ plantId: number }>(plantIdParam, request.params);
    const { entries, seen, anyway } = accept<{ entries: NewEntry[]; seen?: number; anyway?: boolean }>(
      newEntries,
      request.body,
    );
    const { result, repeated } = await writeMarks(
      app,
      [{ plant_id: plantId, seen: seen ?? null, entries }],
      keeperOf(request),
      anyway ?? false,
    );
    response.status(repeated ? 200 : 201).json(result);
  });

  router.post('/marks/void', async (request, response) => {
    const { client_ids } = accept<{ client_ids: string[] }>(voidBody, request.body);
    const result: MarksResult = await takeBack(app, client_ids, keeperOf(request));
    response.json(result);
  });

  router.post('/journal/:clientId/void', async (request, response) => {
    const { clientId } = acceptParam<{ clientId: string }>(clientIdParam, request.params);
    if (!(await entryByClientId(app.pool, clientId))) throw notFound('entry');
    response.json(await takeBack(app, [clientId], keeperOf(request)));
  });

  router.get('/timers', async (_request, response) => {
    response.json({ timers: await openTimers(app.pool) });
  });

  router.post('/timers/:id/done', async (request, response) => {
    const { id } = acceptParam<{ id: number }>(idParam, request.params);
    if (!(await transaction(app.pool, (connection) => endTimer(connection, id)))) throw notFound('timer');
    response.json({ timers: await openTimers(app.pool) });
  });

  return router;
}
