import { inTurns } from '../inTurns.ts';
import { LARGEST_LIST_MB, OLDEST_DAY } from '@zinc-pail/contract/limits';
import { made, madeMany, placesSchema, potsHere, written } from '@zinc-pail/contract/answers';
import { idParam, type RoundPot } from '@zinc-pail/contract/api';
import {
  csvBody,
  newPlace,
  placeChange,
  type PlaceFields,
  type Reading,
  readingsBody,
  spotsBody,
} from '@zinc-pail/contract/keeping';
import type { App } from '../context.ts';
import { transaction } from '../database/pool.ts';
import { todayAt } from '../garden/clock.ts';
import { sites } from '../garden/store.ts';
import { badField, notFound, Refused, unsoundRows } from '../http/refusals.ts';
import { LONG_S } from '../http/limit.ts';
import { route, type Route } from '../http/route.ts';
import { refuseStale } from '../http/version.ts';
import { roundPot } from '../plants/pots.ts';
import { cardsAt } from '../plants/store.ts';
import { readReadings } from './readings.ts';
import { changePlace, insertPlace, placeColumns, putReadings, removePlace, setSpots, siteOf } from './store.ts';
import { plantIdsAt } from '../round/store.ts';
import { placeViews } from './view.ts';

/** Of what stands on a bench that is to go, so many are named. */
const NAMED = 5;

export function placeRoutes(app: App): Route[] {
  return [...benchRoutes(app), ...readingRoutes(app)];
}

function benchRoutes(app: App): Route[] {
  return [
    route({
      method: 'get',
      path: '/places',
      does: 'All places with their climate, what they learned, and the pots on them.',
      answer: placesSchema,
      handle: async () => ({ places: await placeViews(app) }),
    }),
    route({
      method: 'get',
      path: '/places/:id/pots',
      does: 'The lines of all pots of a place, in walking order.',
      params: idParam,
      answer: potsHere,
      async handle({ params: { id } }) {
        const at = await siteOf(app.pool, id);
        const site = (await sites(app.pool)).find((one) => one.id === at?.site_id);
        if (!site) throw notFound('place');
        const outlooks = await app.outlooks.ofSite(site);
        const pots: RoundPot[] = (await cardsAt(app.pool, id)).flatMap((card) => roundPot(card, outlooks) ?? []);
        return { pots };
      },
    }),
    route({
      method: 'post',
      path: '/places',
      does: 'A new place at a site.',
      body: newPlace,
      status: 201,
      answer: made,
      refuses: ['half-a-bench'],
      async handle({ body }) {
        wholeBench(body);
        const id = await transaction(app.pool, (connection) => insertPlace(connection, body));
        if (id === 0) throw badField('/site_id', body.site_id, 'the id of one of your sites');
        return { id };
      },
    }),
    route({
      method: 'post',
      path: '/places/:id/spots',
      does: 'Where pots of a bench stand on it, as its keeper has set them.',
      params: idParam,
      body: spotsBody,
      answer: madeMany,
      async handle({ params: { id }, body: { spots } }) {
        await transaction(app.pool, async (connection) => {
          const here = new Set(await plantIdsAt(connection, id));
          const lost = spots.findIndex(({ plant_id: plant }) => !here.has(plant));
          if (lost >= 0)
            throw badField(
              `/spots/${lost}/plant_id`,
              spots[lost]!.plant_id,
              'the id of a plant that stands on that bench',
            );
          await setSpots(connection, spots);
        });
        return { ids: spots.map(({ plant_id: plant }) => plant) };
      },
    }),
    route({
      method: 'patch',
      path: '/places/:id',
      does: 'Changes what is known of a place; answers all places, since the forecasts of many pots may have moved.',
      params: idParam,
      body: placeChange,
      ifMatch: true,
      answer: placesSchema,
      refuses: ['half-a-bench', 'nothing-to-change'],
      async handle({ params: { id }, version, body }) {
        wholeBench(body);
        const columns = placeColumns(body);
        if (Object.keys(columns).length === 0)
          throw new Refused('nothing-to-change', 'Send at least one field of the place.');
        const outcome = await transaction(app.pool, (connection) => changePlace(connection, id, version, columns));
        if (outcome === 'none') throw notFound('place');
        if (outcome !== 'done') refuseStale(columns, outcome);
        return { places: await placeViews(app) };
      },
    }),
    route({
      method: 'delete',
      path: '/places/:id',
      does: 'Takes away a place on which nothing stands; where plants stood once, their books go on telling of it.',
      params: idParam,
      status: 204,
      answer: null,
      refuses: ['in-use'],
      async handle({ params: { id } }) {
        const at = await siteOf(app.pool, id);
        if (!at) throw notFound('place');
        const today = todayAt(at.time_zone);
        const standing = await transaction(app.pool, (connection) => removePlace(connection, id, today));
        if (standing.length > 0) throw new Refused('in-use', standingWords(standing));
        return null;
      },
    }),
  ];
}

/** "Haworthia cooperi (012), a thermometer and 3 more stand there: move them first." */
function standingWords(standing: readonly string[]): string {
  const named = standing.slice(0, NAMED);
  const more = standing.length - named.length;
  const last = more > 0 ? `${more} more` : named.pop()!;
  const all = named.length > 0 ? `${named.join(', ')} and ${last}` : last;
  return `${all} ${standing.length === 1 ? 'stands' : 'stand'} there: move ${standing.length === 1 ? 'it' : 'them'} first.`;
}

function readingRoutes(app: App): Route[] {
  const put = async (id: number, readings: readonly Reading[]) => {
    await transaction(app.pool, (connection) => putReadings(connection, id, readings));
    return { written: readings.length };
  };
  const todayThere = async (id: number) => {
    const site = await siteOf(app.pool, id);
    if (!site) throw notFound('place');
    return todayAt(site.time_zone);
  };
  return [
    route({
      method: 'post',
      path: '/places/:id/readings',
      does: 'Readings of the place’s thermometer by hand; a day that is there already is put right.',
      params: idParam,
      body: readingsBody,
      status: 201,
      answer: written,
      async handle({ params: { id }, body: { readings } }) {
        refuseReadings(readings, await todayThere(id));
        return put(id, readings);
      },
    }),
    route({
      method: 'post',
      path: '/places/:id/readings.csv',
      patienceS: LONG_S,
      does: 'Readings from a logger’s own table, as text; the header names date, lowest, highest and humidity.',
      params: idParam,
      body: csvBody,
      largestMb: LARGEST_LIST_MB,
      status: 201,
      answer: written,
      refuses: ['unsound-rows'],
      async handle({ params: { id }, body: { csv } }) {
        const { readings, faults } = await inTurns(readReadings(csv, await todayThere(id)));
        if (faults.length > 0) throw unsoundRows(faults, 'Nothing was written.');
        return put(id, readings);
      },
    }),
  ];
}

function refuseReadings(readings: readonly Reading[], today: string): void {
  const faults = readings.flatMap(({ date, tmin_c: low, tmax_c: high }, i) => [
    ...(date > today || date < OLDEST_DAY
      ? [{ pointer: `/readings/${i}/date`, got: date, accepted: `a day from ${OLDEST_DAY} to today, ${today}` }]
      : []),
    ...(low > high
      ? [{ pointer: `/readings/${i}/tmin_c`, got: low, accepted: `no more than the highest, ${high}` }]
      : []),
  ]);
  if (faults.length === 0) return;
  const words = faults.map(({ pointer, accepted }) => `${pointer}: wanted ${accepted}`);
  throw new Refused('not-understood', words.join('; '), faults);
}

function wholeBench(body: Partial<PlaceFields>): void {
  if ((body.width_mm == null) === (body.depth_mm == null) || !('width_mm' in body || 'depth_mm' in body)) return;
  throw new Refused('half-a-bench', 'Give both width and depth of the bench, or neither.', [
    {
      pointer: body.width_mm == null ? '/width_mm' : '/depth_mm',
      got: null,
      accepted: 'a number of millimetres, as the other side has one',
    },
  ]);
}
