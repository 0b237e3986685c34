/** The weather of each site and place, and what a keeper brings or corrects of it. */
import { setTimeout as sleep } from 'node:timers/promises';
import { idParam } from '@zinc-pail/contract/api';
import { written } from '@zinc-pail/contract/answers';
import { LARGEST_LIST_MB } from '@zinc-pail/contract/limits';
import {
  normalsBody,
  type PlaceWeather,
  type SiteWeather,
  type SkyDay,
  weatherCsvBody,
  weatherSchema,
  weatherTaken,
} from '@zinc-pail/contract/weather';
import {
  dayNumber,
  isoDay,
  nightItBearsC,
  normalDay,
  type Oddity,
  oddities,
  type PlaceOutlook,
  standsWhen,
} from '@zinc-pail/core';
import { MONTHS } from '@zinc-pail/words/days';
import type { App } from '../context.ts';
import { transaction } from '../database/pool.ts';
import { todayAt } from '../garden/clock.ts';
import { type SiteRow, sites } from '../garden/store.ts';
import { guessedFrom } from '../sites/usual.ts';
import { groupBy } from '../grouping.ts';
import { LONG_S } from '../http/limit.ts';
import { notFound, Refused, unsoundRows } from '../http/refusals.ts';
import { route, type Route } from '../http/route.ts';
import { refuseStale } from '../http/version.ts';
import type { SiteOutlooks } from '../outlook/outlooks.ts';
import { placeRecords, standingPots } from '../places/store.ts';
import { inTurns } from '../inTurns.ts';
import { readRecords } from './records.ts';
import { askAtOnce, changeNormals, daysOf, observedUntil, putWeather, siteVersions, watches } from './store.ts';
import type { WatchRow } from './store.ts';

/** Whoever asks now is answered with what is known by then; the watch goes on by itself. */
const LONGEST_LOOK_MS = 15_000;
const PAST_DAYS = 30;
const AHEAD_DAYS = 14;

export function weatherRoutes(app: App): Route[] {
  const siteOr404 = async (id: number) => {
    const site = (await sites(app.pool)).find((one) => one.id === id);
    if (!site) throw notFound('site');
    return site;
  };
  return [
    route({
      method: 'get',
      path: '/weather',
      does: 'The weather outside and at each place, past and to come, and who may stand where in which weeks.',
      answer: weatherSchema,
      handle: async () => ({ sites: await weatherOf(app) }),
    }),
    route({
      method: 'post',
      path: '/sites/:id/weather/ask',
      does: 'Asks the weather service for a site now, not at its next hour.',
      params: idParam,
      answer: weatherSchema,
      async handle({ params: { id } }) {
        await siteOr404(id);
        await askAtOnce(app.pool, id);
        await Promise.race([app.watch.look(1), sleep(LONGEST_LOOK_MS, undefined, { ref: false })]);
        return { sites: await weatherOf(app) };
      },
    }),
    route({
      method: 'post',
      path: '/sites/:id/weather.csv',
      patienceS: LONG_S,
      does: 'Daily records of weather as a table: date, min, max, and as far as recorded rh, sunshine, rain, wind. They stand before what a service says.',
      params: idParam,
      body: weatherCsvBody,
      largestMb: LARGEST_LIST_MB,
      status: 201,
      answer: weatherTaken,
      refuses: ['unsound-rows'],
      async handle({ params: { id }, body: { csv } }) {
        const site = await siteOr404(id);
        const { days, usualFor, faults } = await inTurns(readRecords(csv, todayAt(site.time_zone), site.normals));
        if (faults.length > 0) throw unsoundRows(faults, 'Nothing was written.');
        const count = await transaction(app.pool, (connection) =>
          putWeather(connection, id, days, todayAt(site.time_zone)),
        );
        return { written: count, usual_for: usualFor };
      },
    }),
    route({
      method: 'put',
      path: '/sites/:id/normals',
      does: 'The usual weather of a site, typed by hand. What cannot be is refused; what is odd wants `sure`.',
      params: idParam,
      body: normalsBody,
      ifMatch: true,
      answer: written,
      refuses: ['odd-weather'],
      async handle({ params: { id }, version, body: { normals, sure } }) {
        const site = await siteOr404(id);
        refuseOdd(oddities(normals, site.latitude_deg), sure ?? false);
        const outcome = await transaction(app.pool, (connection) => changeNormals(connection, id, version, normals));
        if (outcome !== 'done') refuseStale({ normals }, outcome);
        return { written: 1 };
      },
    }),
  ];
}

const ODD_WORDS: Record<Oddity['code'], string> = {
  'min-above-max': 'a night no warmer than the day',
  'more-sun-than-day': 'no more sunshine than the day is long there',
  'wrong-hemisphere': 'a year that is warmest in the summer of its hemisphere',
  jump: 'months beside each other no more than 14 K apart',
  'wide-day': 'nights and days no more than 25 K apart',
  saturated: 'air that is not wet through all month',
};

function refuseOdd(found: readonly Oddity[], sure: boolean): void {
  const counts = found.filter(({ sort }) => sort === 'impossible' || !sure);
  if (counts.length === 0) return;
  const impossible = counts[0]!.sort === 'impossible';
  const where = ({ month }: Oddity) => (month === null ? '' : `${MONTHS[month]}: `);
  throw new Refused(
    'odd-weather',
    `${where(counts[0]!)}wanted ${ODD_WORDS[counts[0]!.code]}.${impossible ? '' : ' If it is so all the same, say that you are sure.'}`,
    counts.map((odd) => ({
      pointer: `/normals/${odd.field}${odd.month === null ? '' : `/${odd.month}`}`,
      got: odd.code,
      accepted: ODD_WORDS[odd.code],
    })),
  );
}

async function weatherOf(app: App): Promise<SiteWeather[]> {
  const [all, asked, places, pots, versions] = await Promise.all([
    sites(app.pool),
    watches(app.pool),
    placeRecords(app.pool),
    standingPots(app.pool),
    siteVersions(app.pool),
  ]);
  const potsAt = groupBy(pots, (pot) => pot.place_id);
  const out: SiteWeather[] = [];
  for (const site of all) {
    const outlooks = await app.outlooks.ofSite(site);
    const climates = await app.outlooks.climatesOf(site);
    const sky = await skyOf(app, site, outlooks.today);
    out.push({
      id: site.id,
      name: site.name,
      version: versions.get(site.id)!,
      latitude_deg: site.latitude_deg,
      today: outlooks.today,
      time_zone: site.time_zone,
      service: app.watch.service
        ? servedBy(
            app.watch.service.name,
            asked.find(({ site_id: id }) => id === site.id),
          )
        : null,
      ...sky,
      normals: site.normals,
      usual_from: site.usual_guessed ? guessedFrom(site) : null,
      places: places
        .filter((place) => place.site_id === site.id)
        .flatMap((place): PlaceWeather[] => {
          const outlook = climates.get(place.id);
          const today = outlooks.places.get(place.id);
          if (!outlook || !today) return [];
          return [
            {
              ...outlook,
              id: place.id,
              name: place.name,
              kind: place.kind,
              learned: {
                offset_min_c: today.offsetMinC,
                offset_max_c: today.offsetMaxC,
                readings: today.readings,
              },
              plants: plantNights(potsAt.get(place.id) ?? [], outlooks, outlook),
            },
          ];
        }),
    });
  }
  return out;
}

function servedBy(name: string, row: WatchRow | undefined): SiteWeather['service'] {
  const iso = (at: Date | null | undefined) => at?.toISOString() ?? null;
  return {
    name,
    answered_at: iso(row?.answered_at),
    made_at: iso(row?.made_at),
    failed_since: iso(row?.failed_since),
    failure: row?.failure ?? null,
  };
}

/** The sky outside: what is on record, and the usual where nothing is. */
async function skyOf(
  app: App,
  site: SiteRow,
  today: string,
): Promise<Pick<SiteWeather, 'outside' | 'observed_until' | 'forecast_until'>> {
  const now = dayNumber(today);
  const [rows, observed] = await Promise.all([
    daysOf(app.pool, site.id, isoDay(now - PAST_DAYS), isoDay(now + AHEAD_DAYS)),
    observedUntil(app.pool, site.id, today),
  ]);
  const known = new Map(rows.map((row) => [row.date, row]));
  const outside = Array.from({ length: PAST_DAYS + AHEAD_DAYS + 1 }, (_, i): SkyDay => {
    const date = isoDay(now - PAST_DAYS + i);
    const row = known.get(date);
    if (row) {
      const { tmin_c, tmax_c, rain_mm, sunshine_h, source } = row;
      return { date, tmin_c, tmax_c, rain_mm, sunshine_h, source };
    }
    const usual = normalDay(site.normals, dayNumber(date));
    const tenth = (value: number) => Math.round(value * 10) / 10;
    return {
      date,
      tmin_c: tenth(usual.tminC),
      tmax_c: tenth(usual.tmaxC),
      rain_mm: tenth(usual.wetChance * usual.wetDayRainMm),
      sunshine_h: tenth(usual.sunshineH),
      source: 'usual',
    };
  });
  const ahead = rows.filter(({ date }) => date > today);
  return { outside, observed_until: observed, forecast_until: ahead.at(-1)?.date ?? null };
}

function plantNights(
  pots: readonly { id: number; name: string }[],
  outlooks: SiteOutlooks,
  { coldest_c: coldest }: PlaceOutlook,
): PlaceWeather['plants'] {
  return pots
    .flatMap(({ id, name }) => {
      const view = outlooks.views.get(id);
      const task = outlooks.tasks.get(id);
      if (!view || !task) return [];
      const { minDryC, minWetC } = view.traits;
      return [
        {
          id,
          name,
          min_dry_c: minDryC,
          min_wet_c: minWetC,
          weekly_limit_c: view.weekly_limit_c,
          limit_c: nightItBearsC(view.traits, view.moisture.p50),
          ceiling_c: task.rules.rules.ceilingC,
          stands: standsWhen(coldest, view.weekly_limit_c, dayNumber(outlooks.today)),
        },
      ];
    })
    .sort((a, b) => b.min_wet_c - a.min_wet_c);
}
