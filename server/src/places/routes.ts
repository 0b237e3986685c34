import { idParam } from '@zinc-pail/contract/api';
import { csvBody, newPlace, placeChange, type PlaceView, readingsBody } from '@zinc-pail/contract/keeping';
import { crowding, genusByAnyName, genusCare, judgedAs, lightVerdict } from '@zinc-pail/core';
import { group } from 'd3';
import { Router } from 'express';
import type { App } from '../app.ts';
import { transaction } from '../database/pool.ts';
import { todayAt } from '../garden/clock.ts';
import { sites } from '../garden/store.ts';
import { notFound, Refused } from '../http/problem.ts';
import { accept, acceptParam } from '../http/validate.ts';
import { refuseStale, versionOf } from '../http/version.ts';
import { readReadings } from './readings.ts';
import {
  changePlace,
  insertPlace,
  lastReadings,
  type NewReading,
  placeColumns,
  placeRecords,
  putReadings,
  removePlace,
  siteOf,
  standingPots,
} from './store.ts';

const READINGS_SHOWN = 14;

export function placeRoutes(app: App): Router {
  const router = Router();
  const idOf = (params: unknown) => acceptParam<{ id: number }>(idParam, params).id;

  router.get('/places', async (_request, response) => {
    response.json({ places: await placeViews(app) });
  });

  router.post('/places', async (request, response) => {
    const body = accept<Record<string, unknown>>(newPlace, request.body);
    wholeBench(body);
    const id = await transaction(app.pool, (connection) => insertPlace(connection, body));
    if (id === 0)
      throw new Refused(400, 'Not understood', '/site_id: wanted the id of one of your sites', [
        { pointer: '/site_id', got: body.site_id, accepted: 'the id of one of your sites' },
      ]);
    response.status(201).json({ id });
  });

  router.patch('/places/:id', async (request, response) => {
    const id = idOf(request.params);
    const version = versionOf(request);
    const body = accept<Record<string, unknown>>(placeChange, request.body);
    wholeBench(body);
    const columns = placeColumns(body);
    if (Object.keys(columns).length === 0)
      throw new Refused(400, 'Nothing to change', 'Send at least one field of the place.');
    const outcome = await transaction(app.pool, (connection) => changePlace(connection, id, version, columns));
    if (outcome === 'none') throw notFound('place');
    if (outcome !== 'done') refuseStale(columns, outcome);
    response.json({ places: await placeViews(app) });
  });

  router.delete('/places/:id', async (request, response) => {
    const id = idOf(request.params);
    if (!(await siteOf(app.pool, id))) throw notFound('place');
    if (!(await transaction(app.pool, (connection) => removePlace(connection, id))))
      throw new Refused(
        409,
        'In use',
        'Plants stand there, or stood there once: their books tell of it. Move them, and rename or keep the place.',
      );
    response.status(204).end();
  });

  router.post('/places/:id/readings', async (request, response) => {
    const id = idOf(request.params);
    const { readings } = accept<{ readings: NewReading[] }>(readingsBody, request.body);
    const site = await siteOf(app.pool, id);
    if (!site) throw notFound('place');
    const today = todayAt(site.time_zone);
    const faults = readings.flatMap((reading, i) => [
      ...(reading.date > today
        ? [{ pointer: `/readings/${i}/date`, got: reading.date, accepted: `a day up to today, ${today}` }]
        : []),
      ...(reading.tmin_c > reading.tmax_c
        ? [
            {
              pointer: `/readings/${i}/tmin_c`,
              got: reading.tmin_c,
              accepted: `no more than the highest, ${reading.tmax_c}`,
            },
          ]
        : []),
    ]);
    if (faults.length > 0)
      throw new Refused(
        400,
        'Not understood',
        faults.map(({ pointer, accepted }) => `${pointer}: wanted ${accepted}`).join('; '),
        faults,
      );
    await transaction(app.pool, (connection) => putReadings(connection, id, readings));
    response.status(201).json({ written: readings.length });
  });

  router.post('/places/:id/readings.csv', async (request, response) => {
    const id = idOf(request.params);
    const { csv } = accept<{ csv: string }>(csvBody, request.body);
    const site = await siteOf(app.pool, id);
    if (!site) throw notFound('place');
    const { readings, faults } = readReadings(csv, todayAt(site.time_zone));
    if (faults.length > 0) {
      throw new Refused(
        400,
        'Not understood',
        `Row ${faults[0]!.row}${faults[0]!.column ? `, ${faults[0]!.column}` : ''}: found "${faults[0]!.got}", wanted ${faults[0]!.wanted}. Nothing was written.`,
        faults.map((fault) => ({
          pointer: `/csv/${fault.row}/${fault.column}`,
          got: fault.got,
          accepted: fault.wanted,
        })),
      );
    }
    await transaction(app.pool, (connection) => putReadings(connection, id, readings));
    response.status(201).json({ written: readings.length });
  });

  return router;
}

function wholeBench(body: Record<string, unknown>): void {
  if ((body.width_mm == null) !== (body.depth_mm == null) && ('width_mm' in body || 'depth_mm' in body)) {
    throw new Refused(400, 'Half a bench', 'Give both width and depth of the bench, or neither.', [
      {
        pointer: body.width_mm == null ? '/width_mm' : '/depth_mm',
        got: null,
        accepted: 'a number of millimetres, as the other side has one',
      },
    ]);
  }
}

async function placeViews(app: App): Promise<PlaceView[]> {
  const [records, pots, readings, all] = await Promise.all([
    placeRecords(app.pool),
    standingPots(app.pool),
    lastReadings(app.pool),
    sites(app.pool),
  ]);
  const potsAt = group(pots, (pot) => pot.place_id);
  const readingsAt = group(readings, (reading) => reading.place_id);
  const outlooks = new Map(
    await Promise.all(all.map(async (site) => [site.id, await app.outlooks.ofSite(site)] as const)),
  );
  return records.flatMap((record) => {
    const at = outlooks.get(record.site_id)!;
    const today = at.places.get(record.id);
    if (!today) return [];
    const here = potsAt.get(record.id) ?? [];
    const area =
      record.width_mm === null || record.depth_mm === null ? null : (record.width_mm * record.depth_mm) / 1e6;
    const view: PlaceView = {
      ...record,
      today: {
        tmin_c: today.tminC,
        tmax_c: today.tmaxC,
        rh_pct: today.rhPct,
        tonight_c: today.tonightC,
        dli_mol: today.dliMol,
        sun_h: record.direct_sun_h ?? today.sunH,
        morning_sun_h: record.direct_sun_h === null ? today.morningSunH : record.direct_sun_h / 2,
      },
      learned: {
        offset_min_c: today.offsetMinC,
        offset_max_c: today.offsetMaxC,
        readings: today.readings,
        factor: today.factor,
      },
      crowded:
        area === null
          ? null
          : Math.round(
              100 *
                crowding(
                  here.map((pot) => Math.max(pot.top_mm, pot.diameter_mm)),
                  area,
                ),
            ) / 100,
      pots: here.flatMap((pot) => {
        const outlook = at.views.get(pot.id);
        const task = at.tasks.get(pot.id);
        if (!outlook || !task) return [];
        const wants = task.rules.rules.light;
        return [
          {
            id: pot.id,
            number: pot.number,
            name: pot.name,
            form: outlook.traits.form,
            width_mm: pot.top_mm,
            shape: pot.shape,
            material: pot.material,
            light: lightVerdict(today.dliMol, wants, outlook.state),
            wants,
            crown_mm: pot.diameter_mm,
            verdict: judgedAs(task.judgement, at.today),
            poisonous: genusCare(genusByAnyName(pot.name), outlook.traits.form, outlook.traits.habit).poisonous,
            quarantine_until: pot.quarantine_until,
          },
        ];
      }),
      last_readings: (readingsAt.get(record.id) ?? [])
        .slice(0, READINGS_SHOWN)
        .map(({ date, tmin_c, tmax_c, rh_pct }) => ({ date, tmin_c, tmax_c, rh_pct })),
    };
    return [view];
  });
}
