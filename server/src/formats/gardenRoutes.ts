/** Gardens in and out as garden files (docs/formats.md). */
import { gardenTaken, type GardenTaken } from '@zinc-pail/contract/answers';
import { idParam } from '@zinc-pail/contract/api';
import { faultsText } from '@zinc-pail/contract/faults';
import { object, text } from '@zinc-pail/contract/fields';
import { checkGarden } from '@zinc-pail/contract/gardenFile';
import { LARGEST_GARDEN_MB, LONGEST_NAME } from '@zinc-pail/contract/limits';
import Joi from 'joi';
import type { App } from '../context.ts';
import { transaction } from '../database/pool.ts';
import { acceptZone } from '../garden/clock.ts';
import { sites } from '../garden/store.ts';
import { notFound, Refused } from '../http/refusals.ts';
import { LONG_S } from '../http/limit.ts';
import { route, type Route, SENT, With } from '../http/route.ts';
import { exportGarden, importGarden, stampGarden, zoneOf } from './gardenStore.ts';

const MOST_FAULTS_SAID = 3;

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
      does: 'Takes in a garden file as a site of its own, all of it or nothing; dry_run=true only counts it.',
      query: importQuery,
      document: 'a garden file, version 1 (docs/formats.md)',
      largestMb: LARGEST_GARDEN_MB,
      status: 201,
      answer: gardenTaken,
      refuses: ['unsound-garden', 'no-such-time-zone'],
      async handle({ query, body, by }) {
        const { value, faults, unknown } = checkGarden(body);
        if (faults.length > 0)
          throw new Refused('unsound-garden', faultsText(faults.slice(0, MOST_FAULTS_SAID)), faults);
        const timeZone = query.time_zone ?? zoneOf(value.site.longitude_deg);
        acceptZone(timeZone);
        const taken: GardenTaken = {
          site_id: null,
          places: value.places.length,
          mixes: value.mixes.length,
          plants: value.plants.length,
          events: value.plants.reduce((sum, plant) => sum + plant.events.length, 0),
          ignored: unknown,
        };
        if (query.dry_run === 'true') return new With(200, taken);
        const name = query.name || 'Imported garden';
        const { siteId } = await transaction(app.pool, (connection) =>
          importGarden(connection, value, { name, timeZone, by }),
        );
        await stampGarden(app.pool, siteId, value.today);
        return { ...taken, site_id: siteId };
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
          .json(await exportGarden(app.pool, site));
        return SENT;
      },
    }),
  ];
}
