/** Lists of plants in and out as CSV. */
import { LARGEST_LIST_MB } from '@zinc-pail/contract/limits';
import { csvReport, importsSchema, undone } from '@zinc-pail/contract/answers';
import { idParam } from '@zinc-pail/contract/api';
import { type CsvImport, csvImport, type CsvReport } from '@zinc-pail/contract/keeping';
import { randomUUID } from 'node:crypto';
import type { Response } from 'express';
import type { App } from '../context.ts';
import { type PoolConnection, transaction } from '../database/pool.ts';
import { todayAt } from '../garden/clock.ts';
import { badField, notFound, Refused, unsoundRows } from '../http/refusals.ts';
import { LONG_S } from '../http/limit.ts';
import { route, type Route, SENT, With } from '../http/route.ts';
import { lockBooks } from '../journal/store.ts';
import { kit } from '../keeping/store.ts';
import { placeRecords } from '../places/store.ts';
import { unfit } from '../plants/takingIn.ts';
import { insertPlants, numberingOf } from '../plants/takingInStore.ts';
import { type CsvContext, type CsvPlant, readPlants, sampleOf, toCsv } from './csv.ts';
import { darwinCore } from './darwinCore.ts';
import { batches, listRows, newBatch, numbersTaken, undoBatch } from './store.ts';

export function listRoutes(app: App): Route[] {
  return [...comingIn(app), ...goingOut(app)];
}

function comingIn(app: App): Route[] {
  return [
    route({
      method: 'post',
      path: '/import/csv',
      patienceS: LONG_S,
      does: 'Takes in a list of plants, all rows or none; dry_run only tells what each row would be.',
      body: csvImport,
      largestMb: LARGEST_LIST_MB,
      status: 201,
      answer: csvReport,
      refuses: ['unsound-rows'],
      async handle({ body, by }) {
        const kept = await kit(app.pool);
        if (!kept) throw notFound('collection');
        const context = {
          today: todayAt(kept.sites[0]?.time_zone ?? 'UTC'),
          places: await placeRecords(app.pool),
          mixes: kept.mixes,
          numbersTaken: await numbersTaken(app.pool),
        };
        refuseDefaults(body.defaults, context);
        const { plants, faults, rows } = readPlants(body, context);
        const sample = sampleOf(plants, context);
        const report: CsvReport = { rows, good: plants.length, faults, import_id: null, sample };
        if (body.dry_run) return new With(200, report);
        if (faults.length > 0) throw unsoundRows(faults, 'Nothing was taken in.');
        report.import_id = await transaction(app.pool, (connection) =>
          writeBatch(connection, plants, {
            collectionId: kept.collection.id,
            name: body.name,
            date: context.today,
            by,
          }),
        );
        return report;
      },
    }),
    route({
      method: 'get',
      path: '/imports',
      does: 'The lists that were taken in, the last first.',
      answer: importsSchema,
      async handle() {
        const imports = (await batches(app.pool)).map(({ made_at: made, undone_at: back, ...batch }) => ({
          ...batch,
          made_at: made.toISOString(),
          undone_at: back?.toISOString() ?? null,
        }));
        return { imports };
      },
    }),
    route({
      method: 'post',
      path: '/imports/:id/undo',
      patienceS: LONG_S,
      does: 'Takes a list back whole, if nothing was written on its plants since.',
      params: idParam,
      answer: undone,
      refuses: ['written-on-since'],
      async handle({ params: { id } }) {
        const outcome = await transaction(app.pool, (connection) => undoBatch(connection, id));
        if (outcome === 'none') throw notFound('import');
        if (outcome === 'undone') return { undone: id };
        throw new Refused(
          'written-on-since',
          `These plants have marks, pictures or offsets since: ${outcome.marked.join(', ')}. ` +
            'Nothing was taken back; end them one by one instead.',
        );
      },
    }),
  ];
}

function takenRow({ row, number }: CsvPlant): CsvReport['faults'][number] {
  return { row, column: 'number', got: number ?? '', wanted: 'a number that no other plant bears' };
}

/** What rows without a place or a mix are to have must be there. */
function refuseDefaults(
  { place_id: placeId, mix_id: mixId }: CsvImport['defaults'],
  { places, mixes }: Pick<CsvContext, 'places' | 'mixes'>,
): void {
  if (placeId != null && !places.some(({ id }) => id === placeId))
    throw badField('/defaults/place_id', placeId, 'the id of one of your places');
  if (mixId != null && !mixes.some(({ id }) => id === mixId))
    throw badField('/defaults/mix_id', mixId, 'the id of one of your mixes');
}

async function writeBatch(
  connection: PoolConnection,
  plants: readonly CsvPlant[],
  { collectionId, name, date, by }: { collectionId: number; name: string; date: string; by: string },
): Promise<number> {
  await lockBooks(connection);
  const numbering = await numberingOf(connection, collectionId);
  // Somebody may have given one of these since the rows were read.
  const taken = plants.find(({ number }) => number !== null && numbering.isTaken(number));
  if (taken) throw unsoundRows([takenRow(taken)], 'Nothing was taken in.');
  // The keeper's own come first: those of the scheme go round them.
  for (const { number } of plants) if (number !== null) numbering.take(number);
  const importId = await newBatch(connection, collectionId, name, plants.length);
  const written = plants.map(({ columns, row: _row, ...plant }) => ({
    ...columns,
    ...plant,
    number: plant.number ?? numbering.next(plant.name, date),
    ref: randomUUID(),
    date,
    by,
    import_id: importId,
  }));
  await insertPlants(connection, collectionId, written).catch(unfit(null));
  return importId;
}

function goingOut(app: App): Route[] {
  return [
    route({
      method: 'get',
      path: '/export/plants.csv',
      does: 'Every plant, those that have ended too, a row each.',
      answer: { media: 'text/csv' },
      async handle({ response }) {
        const rows = (await listRows(app.pool)).map(({ ref: _ref, pot_holes: holes, price_minor: price, ...row }) => ({
          ...row,
          pot_holes: holes ? 'yes' : 'no',
          price: price === null ? null : (price / 100).toFixed(2),
        }));
        // The mark of order tells spreadsheets that it is UTF-8.
        return sendCsv(response, 'plants.csv', `\uFEFF${toCsv(rows)}`);
      },
    }),
    route({
      method: 'get',
      path: '/export/darwin-core.csv',
      does: 'Every plant in Darwin Core terms.',
      answer: { media: 'text/csv' },
      async handle({ response }) {
        const kept = await kit(app.pool);
        const rows = (await listRows(app.pool)).map((row) => darwinCore(row, kept?.collection.name ?? ''));
        return sendCsv(response, 'darwin-core.csv', toCsv(rows));
      },
    }),
  ];
}

function sendCsv(response: Response, file: string, text: string): typeof SENT {
  response.type('text/csv; charset=utf-8').set('Content-Disposition', `attachment; filename="${file}"`).send(text);
  return SENT;
}
