/** Gardens in and out as garden files (docs/formats.md). */
import { gardenTaken } from '@zinc-pail/contract/answers';
import { idParam } from '@zinc-pail/contract/api';
import { object, text } from '@zinc-pail/contract/fields';
import { LARGEST_GARDEN_MB, LONGEST_NAME } from '@zinc-pail/contract/limits';
import Joi from 'joi';
import type { App } from '../context.ts';
import { sites } from '../garden/store.ts';
import { notFound } from '../http/refusals.ts';
import { LONG_S } from '../http/limit.ts';
import { route, type Route, SENT, With } from '../http/route.ts';
import { exportGarden } from './gardenStore.ts';

interface Import {
  name?: string;
  time_zone?: string;
  dry_run?: 'true' | 'false';
}
const importQuery = object<Import>(
  {
    name: text(LONGEST_NAME).allow('').optional(),
    time_zone: text(64).optional(),
    dry_run: Joi.valid('true', 'false').messages({ '*': 'true or false' }),
  },
  'a name, a time_zone and dry_run',
);

export function gardenFileRoutes(app: App): Route[] {
  return [
    route({
      method: 'post',
      path: '/import/garden',
      patienceS: LONG_S,
      does: 'Takes in a garden file as a site of its own, all or nothing. With dry_run=true it only counts.',
      query: importQuery,
      document: 'a garden file, version 1 (docs/formats.md)',
      bytes: true,
      largestMb: LARGEST_GARDEN_MB,
      status: 201,
      answer: gardenTaken,
      refuses: ['unsound-garden', 'no-such-time-zone'],
      async handle({ query, body, by }) {
        const taken = await app.clerk.take(Buffer.isBuffer(body) ? body : Buffer.alloc(0), {
          name: query.name ?? '',
          timeZone: query.time_zone ?? null,
          by,
          dryRun: query.dry_run === 'true',
        });
        return taken.site_id === null ? new With(200, taken) : taken;
      },
    }),
    route({
      method: 'get',
      path: '/export/garden/:id',
      does: 'A site as a garden file.',
      params: idParam,
      answer: { media: 'application/json' },
      async handle({ params: { id }, response }) {
        const site = (await sites(app.pool)).find((one) => one.id === id);
        if (!site) throw notFound('site');
        response
          .set('Content-Disposition', `attachment; filename="garden-${id}.json"`)
          .type('application/json')
          .send(await exportGarden(app.pool, site));
        return SENT;
      },
    }),
  ];
}
