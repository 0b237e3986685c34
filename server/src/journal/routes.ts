import { clientIdParam, type MarkResult, newEntries, type NewEntry, plantIdParam } from '@zinc-pail/contract/api';
import { Router } from 'express';
import { isDeepStrictEqual } from 'node:util';
import type { App } from '../app.ts';
import { transaction } from '../database/pool.ts';
import { todayAt } from '../garden/clock.ts';
import { notFound, Refused } from '../http/problem.ts';
import { accept, acceptParam } from '../http/validate.ts';
import { outlookOf } from '../plants/outlookOf.ts';
import { plantHome } from '../plants/store.ts';
import { addEntries, entryByClientId, voidEntry } from './store.ts';

/** Accounts come later; until then whoever sits at this machine writes. */
const WRITER = 'keeper';
const OLDEST_DAY = '1950-01-01';

export function journalRoutes(app: App): Router {
  const router = Router();

  router.post('/plants/:plantId/journal', async (request, response) => {
    const { plantId } = acceptParam<{ plantId: number }>(plantIdParam, request.params);
    const { entries } = accept<{ entries: NewEntry[] }>(newEntries, request.body);
    const home = await plantHome(app.pool, plantId);
    if (!home) throw notFound('plant');
    const today = todayAt(home.time_zone);
    refuseDays(entries, today);
    const known = await Promise.all(entries.map((entry) => entryByClientId(app.pool, entry.client_id)));
    for (const [i, found] of known.entries()) {
      const { client_id: _, ...event } = entries[i]!;
      if (found && (found.plant_id !== plantId || !isDeepStrictEqual(found.event, event))) {
        throw new Refused(409, 'Already used', 'This client_id stands for another entry; make a new one for a new entry.', [
          { pointer: `/entries/${i}/client_id`, got: found.client_id, accepted: 'a UUID that was never used' },
        ]);
      }
    }
    await transaction(app.pool, (connection) => addEntries(connection, home.collection_id, plantId, entries, WRITER));
    const written = await Promise.all(entries.map((entry) => entryByClientId(app.pool, entry.client_id)));
    const result: MarkResult = { entries: written.filter((entry) => entry !== null), outlook: await outlookOf(app, home.site_id, plantId) };
    response.status(known.every(Boolean) ? 200 : 201).json(result);
  });

  router.post('/journal/:clientId/void', async (request, response) => {
    const { clientId } = acceptParam<{ clientId: string }>(clientIdParam, request.params);
    const entry = await entryByClientId(app.pool, clientId);
    if (!entry) throw notFound('entry');
    if (entry.event.type === 'repotting' || entry.event.type === 'move') {
      throw new Refused(409, 'Not this way', 'A potting or a move is set right by another potting or move.');
    }
    const home = await plantHome(app.pool, entry.plant_id);
    if (!home) throw notFound('plant');
    await transaction(app.pool, (connection) => voidEntry(connection, clientId, entry.plant_id, WRITER));
    const result: MarkResult = {
      entries: [(await entryByClientId(app.pool, clientId))!],
      outlook: await outlookOf(app, home.site_id, entry.plant_id),
    };
    response.json(result);
  });

  return router;
}

function refuseDays(entries: readonly NewEntry[], today: string): void {
  const faults = entries.flatMap((entry, i) =>
    entry.date > today || entry.date < OLDEST_DAY ? [{ pointer: `/entries/${i}/date`, got: entry.date, accepted: `a day from ${OLDEST_DAY} to today, ${today}` }] : [],
  );
  if (faults.length > 0) throw new Refused(400, 'Not that day', `A day from ${OLDEST_DAY} to today, ${today}, is wanted.`, faults);
}
