/** Where gardens lie: made, put right, dropped. */
import { made, written } from '@zinc-pail/contract/answers';
import { idParam } from '@zinc-pail/contract/api';
import { siteBody, siteChange } from '@zinc-pail/contract/keeping';
import { guessedElevationM } from '@zinc-pail/core/usualWeather';
import type { App } from '../context.ts';
import { transaction } from '../database/pool.ts';
import { acceptZone, todayAt } from '../garden/clock.ts';
import { notFound, Refused } from '../http/refusals.ts';
import { route, type Route } from '../http/route.ts';
import { refuseStale } from '../http/version.ts';
import { collectionId } from '../keeping/store.ts';
import { addSite, changeSite, heldSite, removeSite, standingAt } from './store.ts';
import { guessedUsual } from './usual.ts';

export function siteRoutes(app: App): Route[] {
  return [
    route({
      method: 'post',
      path: '/sites',
      does: 'A new site; its usual weather, and its height where none is given, are guessed from the towns around.',
      body: siteBody,
      status: 201,
      answer: made,
      refuses: ['no-such-time-zone'],
      async handle({ body }) {
        acceptZone(body.time_zone);
        const site = { ...body, elevation_m: body.elevation_m ?? heightOf(body) };
        const normals = JSON.stringify(guessedUsual(site));
        const id = await transaction(app.pool, async (connection) => {
          const collection = await collectionId(connection);
          if (collection === null) throw notFound('collection');
          return addSite(connection, collection, { ...site, normals, usual_guessed: true });
        });
        return { id };
      },
    }),
    route({
      method: 'patch',
      path: '/sites/:id',
      does: 'Puts a site right; usual weather that was guessed is guessed again for where it now lies.',
      params: idParam,
      body: siteChange,
      ifMatch: true,
      answer: written,
      refuses: ['no-such-time-zone', 'nothing-to-change'],
      async handle({ params: { id }, version, body }) {
        const change = Object.fromEntries(Object.entries(body).filter(([, value]) => value != null));
        if (Object.keys(change).length === 0)
          throw new Refused('nothing-to-change', 'Send at least one field of the site.');
        if (body.time_zone != null) acceptZone(body.time_zone);
        await transaction(app.pool, async (connection) => {
          const before = await heldSite(connection, id);
          if (!before) throw notFound('site');
          if (before.version !== version) refuseStale(change, before);
          const after = { ...before, ...change };
          const moved = (['latitude_deg', 'longitude_deg', 'elevation_m'] as const).some(
            (one) => after[one] !== before[one],
          );
          const usual = moved && before.usual_guessed ? { normals: JSON.stringify(guessedUsual(after)) } : {};
          await changeSite(connection, id, { ...change, ...usual });
        });
        return { written: 1 };
      },
    }),
    route({
      method: 'delete',
      path: '/sites/:id',
      does: 'Takes away a site on which no plant stands, with its benches. Notes of plants that stood there still name it.',
      params: idParam,
      status: 204,
      answer: null,
      refuses: ['in-use'],
      async handle({ params: { id } }) {
        await transaction(app.pool, async (connection) => {
          const site = await heldSite(connection, id);
          if (!site) throw notFound('site');
          const standing = await standingAt(connection, id);
          if (standing.length > 0) throw new Refused('in-use', standingWords(standing));
          await removeSite(connection, id, todayAt(site.time_zone));
        });
        return null;
      },
    }),
  ];
}

function heightOf({ latitude_deg, longitude_deg }: { latitude_deg: number; longitude_deg: number }): number {
  return guessedElevationM({ latitudeDeg: latitude_deg, longitudeDeg: longitude_deg });
}

/** "23 plants stand there, 18 on the lean-to, 5 on the attic sill: move them, or end them, first." */
function standingWords(standing: readonly { place: string; plants: number }[]): string {
  const all = standing.reduce((sum, { plants }) => sum + plants, 0);
  const benches = standing.map(({ place, plants }) => `${plants} on “${place}”`).join(', ');
  return `${all} ${all === 1 ? 'plant stands' : 'plants stand'} there (${benches}): move ${all === 1 ? 'it' : 'them'} to another site first.`;
}
