import { idParam } from '@zinc-pail/contract/api';
import { faultText } from '@zinc-pail/contract/faults';
import { checkGarden } from '@zinc-pail/contract/gardenFile';
import { csvImport, type CsvImport, type CsvReport, tokenBody } from '@zinc-pail/contract/keeping';
import { type CareTask, drinkOf } from '@zinc-pail/core';
import { drinkWords, judgementWords } from '@zinc-pail/words/judgement';
import { SI } from '@zinc-pail/words/units';
import { createHash, randomBytes, randomUUID } from 'node:crypto';
import { Router } from 'express';
import type { App } from '../app.ts';
import { transaction } from '../database/pool.ts';
import { todayAt } from '../garden/clock.ts';
import { sites } from '../garden/store.ts';
import { keeperOf } from '../http/keeper.ts';
import { notFound, Refused } from '../http/problem.ts';
import { accept, acceptParam } from '../http/validate.ts';
import { lockBooks } from '../journal/store.ts';
import { collectionId, kit } from '../keeping/store.ts';
import { placeRecords } from '../places/store.ts';
import { plantCards } from '../plants/store.ts';
import { insertPlant, nextNumbers } from '../plants/takingInStore.ts';
import { openHardenings } from '../round/store.ts';
import { calendarText, type PlanLine } from './calendar.ts';
import { readPlants, sampleOf, toCsv } from './csv.ts';
import { darwinCore } from './darwinCore.ts';
import { exportGarden, importGarden, stampGarden, zoneOf } from './gardenStore.ts';
import {
  addToken,
  batches,
  listRows,
  newBatch,
  numbersTaken,
  revokeToken,
  tokenOpens,
  tokens,
  undoBatch,
} from './store.ts';

export const LARGEST_GARDEN = '64mb';
const MOST_FAULTS_TOLD = 50;
const LONGEST_NAME = 120;
const TOKEN_BYTES = 24;

const hashOf = (token: string) => createHash('sha256').update(token).digest('hex');

export function formatRoutes(app: App): Router {
  const router = Router();

  router.post('/import/garden', async (request, response) => {
    const { value, faults, unknown } = checkGarden(request.body);
    if (faults.length > 0)
      throw new Refused(
        400,
        'Not a sound garden file',
        faults.slice(0, 3).map(faultText).join('; '),
        faults.slice(0, MOST_FAULTS_TOLD),
      );
    const name = (typeof request.query.name === 'string' ? request.query.name.trim() : '') || 'Imported garden';
    if (name.length > LONGEST_NAME)
      throw new Refused(400, 'Too long', `A name of up to ${LONGEST_NAME} characters is wanted.`, [
        { pointer: '/name', got: name.slice(0, 40), accepted: `up to ${LONGEST_NAME} characters` },
      ]);
    const timeZone =
      typeof request.query.time_zone === 'string' ? request.query.time_zone : zoneOf(value.site.longitude_deg);
    try {
      todayAt(timeZone);
    } catch {
      throw new Refused(400, 'No such time zone', `A time zone as Europe/Vienna is wanted, not "${timeZone}".`, [
        { pointer: '/time_zone', got: timeZone, accepted: 'an IANA time zone, as Europe/Vienna' },
      ]);
    }
    const counts = {
      places: value.places.length,
      mixes: value.mixes.length,
      plants: value.plants.length,
      events: value.plants.reduce((sum, plant) => sum + plant.events.length, 0),
      ignored: unknown,
    };
    if (request.query.dry_run === 'true') {
      response.json({ site_id: null, ...counts });
      return;
    }
    const { siteId } = await transaction(app.pool, (connection) =>
      importGarden(connection, value, { name, timeZone, by: keeperOf(request) }),
    );
    await stampGarden(app.pool, siteId, value.today);
    response.status(201).json({ site_id: siteId, ...counts });
  });

  router.get('/export/garden/:id', async (request, response) => {
    const { id } = acceptParam<{ id: number }>(idParam, request.params);
    const site = (await sites(app.pool)).find((one) => one.id === id);
    if (!site) throw notFound('site');
    response
      .set('Content-Disposition', `attachment; filename="garden-${id}.json"`)
      .json(await exportGarden(app.pool, site));
  });

  router.post('/import/csv', async (request, response) => {
    const body = accept<CsvImport>(csvImport, request.body);
    const kept = await kit(app.pool);
    if (!kept) throw notFound('collection');
    const context = {
      today: todayAt(kept.sites[0]?.time_zone ?? 'UTC'),
      places: await placeRecords(app.pool),
      mixes: kept.mixes,
      numbersTaken: await numbersTaken(app.pool),
    };
    const { plants, faults, rows } = readPlants(body, context);
    const report: CsvReport = { rows, good: plants.length, faults, import_id: null, sample: sampleOf(plants, context) };
    if (body.dry_run) {
      response.json(report);
      return;
    }
    if (faults.length > 0) {
      throw new Refused(
        400,
        'Not all rows are sound',
        `Row ${faults[0]!.row}, ${faults[0]!.column || 'the file'}: found "${faults[0]!.got}", wanted ${faults[0]!.wanted}. Nothing was taken in.`,
        faults.map((fault) => ({
          pointer: `/csv/${fault.row}/${fault.column}`,
          got: fault.got,
          accepted: fault.wanted,
        })),
      );
    }
    report.import_id = await transaction(app.pool, async (connection) => {
      await lockBooks(connection);
      const id = await newBatch(connection, kept.collection.id, body.name, plants.length);
      for (const plant of plants) {
        const date = context.today;
        const [number] =
          plant.number === null
            ? await nextNumbers(connection, kept.collection.id, plant.name, date, 1)
            : [plant.number];
        await insertPlant(connection, kept.collection.id, {
          name: plant.name,
          ...plant.columns,
          number: number!,
          ref: randomUUID(),
          pot: plant.pot,
          mix_id: plant.mix_id,
          place_id: plant.place_id,
          date,
          last_watered: plant.last_watered,
          by: keeperOf(request),
          import_id: id,
        });
      }
      return id;
    });
    response.status(201).json(report);
  });

  router.get('/imports', async (_request, response) => {
    response.json({
      imports: (await batches(app.pool)).map((batch) => ({
        ...batch,
        made_at: batch.made_at.toISOString(),
        undone_at: batch.undone_at?.toISOString() ?? null,
      })),
    });
  });

  router.post('/imports/:id/undo', async (request, response) => {
    const { id } = acceptParam<{ id: number }>(idParam, request.params);
    const outcome = await transaction(app.pool, (connection) => undoBatch(connection, id));
    if (outcome === 'none') throw notFound('import');
    if (outcome !== 'undone')
      throw new Refused(
        409,
        'Written on since',
        `These plants have marks, pictures or offsets since: ${outcome.marked.join(', ')}. Nothing was taken back; end them one by one instead.`,
      );
    response.json({ undone: id });
  });

  router.get('/export/plants.csv', async (_request, response) => {
    const rows = (await listRows(app.pool)).map(({ ref: _ref, pot_holes, price_minor: price, ...row }) => ({
      ...row,
      pot_holes: pot_holes ? 'yes' : 'no',
      price: price === null ? null : (price / 100).toFixed(2),
    }));
    response
      .type('text/csv; charset=utf-8')
      .set('Content-Disposition', 'attachment; filename="plants.csv"')
      .send(`\uFEFF${toCsv(rows)}`);
  });

  router.get('/export/darwin-core.csv', async (_request, response) => {
    const kept = await kit(app.pool);
    const rows = (await listRows(app.pool)).map((row) => darwinCore(row, kept?.collection.name ?? ''));
    response
      .type('text/csv; charset=utf-8')
      .set('Content-Disposition', 'attachment; filename="darwin-core.csv"')
      .send(toCsv(rows));
  });

  router.get('/export/round.ics', async (_request, response) => {
    response
      .type('text/calendar; charset=utf-8')
      .set('Content-Disposition', 'attachment; filename="round.ics"')
      .send(await calendarOf(app));
  });

  router.get('/calendar-tokens', async (_request, response) => {
    response.json({
      tokens: (await tokens(app.pool)).map((token) => ({
        id: token.id,
        name: token.name,
        made_at: token.made_at.toISOString(),
        revoked: token.revoked_at !== null,
      })),
    });
  });

  router.post('/calendar-tokens', async (request, response) => {
    const { name } = accept<{ name: string }>(tokenBody, request.body);
    const token = randomBytes(TOKEN_BYTES).toString('base64url');
    const id = await transaction(app.pool, async (connection) => {
      const collection = await collectionId(connection);
      if (collection === null) throw notFound('collection');
      return addToken(connection, collection, name, hashOf(token));
    });
    // Told once: only its hash is kept.
    response.status(201).json({ id, path: `/calendar/${token}.ics` });
  });

  router.post('/calendar-tokens/:id/revoke', async (request, response) => {
    const { id } = acceptParam<{ id: number }>(idParam, request.params);
    if (!(await transaction(app.pool, (connection) => revokeToken(connection, id)))) throw notFound('address');
    response.json({ revoked: id });
  });

  return router;
}

/** The subscription address itself, outside the API: the token is all that a calendar program can send. */
export function calendarRoutes(app: App): Router {
  const router = Router();
  router.get('/calendar/:file', async (request, response) => {
    const match = /^([A-Za-z0-9_-]{20,60})\.ics$/.exec(String(request.params.file));
    if (!match || !(await tokenOpens(app.pool, hashOf(match[1]!)))) throw notFound('calendar');
    response
      .type('text/calendar; charset=utf-8')
      .set('Cache-Control', 'no-store')
      .send(await calendarOf(app));
  });
  return router;
}

/**
 * A plant's next day in the calendar, as judged: what is asked today, or the look before its next drink; none where it
 * is left alone.
 */
function planOf({ judgement, due, drink }: CareTask, today: string): Pick<PlanLine, 'date' | 'what' | 'words'> | null {
  const [first] = judgement.deeds;
  const { head, reason } = judgementWords(judgement, { units: SI, today });
  if (drinkOf(judgement))
    return { date: today, what: 'water', words: `look first; then ${head.toLowerCase()} of ${drink.water} water` };
  if (first.deed !== 'wait' && first.deed !== 'sleep')
    return { date: today, what: 'look', words: `${head}. ${reason}` };
  return due
    ? {
        date: due,
        what: 'water',
        words: `look first; then ${drinkWords(drink.way, drink.amount_ml, drink.flush, { units: SI, today }).toLowerCase()} of ${drink.water} water`,
      }
    : null;
}

async function calendarOf(app: App): Promise<string> {
  const kept = await kit(app.pool);
  const lines: PlanLine[] = [];
  const names = new Map((await placeRecords(app.pool)).map((place) => [place.id, place.name]));
  for (const site of await sites(app.pool)) {
    const outlooks = await app.outlooks.ofSite(site);
    const cards = await plantCards(app.pool, site.id);
    const placeOf = new Map(cards.map((card) => [card.id, names.get(card.place_id) ?? '']));
    for (const card of cards) {
      const task = outlooks.tasks.get(card.id);
      if (!task) continue;
      const line = planOf(task, outlooks.today);
      if (!line) continue;
      lines.push({ ...line, site: site.name, place: placeOf.get(card.id)!, plant: `${card.name} (${card.number})` });
    }
    for (const { plant_id: id, plant, steps } of await openHardenings(app.pool, site.id)) {
      for (const step of steps)
        if (step.date >= outlooks.today)
          lines.push({
            date: step.date,
            site: site.name,
            place: placeOf.get(id) ?? '',
            plant,
            what: 'sun',
            words: `${step.minutes} minutes of direct sun`,
          });
    }
  }
  return calendarText(lines, kept ? `${kept.collection.name}: round` : 'Round');
}
