import { sunSteps } from '@zinc-pail/contract/answers';
import { plantIdParam } from '@zinc-pail/contract/api';
import { dayNumber, stepBack } from '@zinc-pail/core';
import type { App } from '../context.ts';
import { transaction } from '../database/pool.ts';
import { todayAt } from '../garden/clock.ts';
import { Refused } from '../http/refusals.ts';
import { route, type Route } from '../http/route.ts';
import { livingPlant } from '../plants/store.ts';
import { endHardening, openHardening, saveHardening } from './store.ts';

export function hardeningRoutes(app: App): Route[] {
  return [
    route({
      method: 'post',
      path: '/plants/:plantId/scorched',
      does: 'After a scorch mark: the open plan from shade to sun goes back two steps.',
      params: plantIdParam,
      answer: sunSteps,
      refuses: ['no-plan', 'ended'],
      async handle({ params: { plantId } }) {
        const row = await livingPlant(app.pool, plantId);
        const plan = await openHardening(app.pool, plantId);
        if (!plan) throw new Refused('no-plan', 'No plan from shade to sun is open for this plant.');
        const steps = stepBack(plan, dayNumber(todayAt(row.time_zone)));
        await transaction(app.pool, (connection) => saveHardening(connection, plantId, steps));
        return { steps };
      },
    }),
    route({
      method: 'post',
      path: '/plants/:plantId/hardening/end',
      does: 'Ends the open plan from shade to sun, if there is one.',
      params: plantIdParam,
      answer: sunSteps,
      async handle({ params: { plantId } }) {
        await transaction(app.pool, (connection) => endHardening(connection, plantId));
        return { steps: null };
      },
    }),
  ];
}
