/** Lists of plants in and out as CSV. */
import { LARGEST_LIST_MB } from '@zinc-pail/contract/limits';
import { csvReport, importsSchema, undone } from '@zinc-pail/contract/answers';
import { idParam } from '@zinc-pail/contract/api';
import { object, yesNo } from '@zinc-pail/contract/fields';
import { type CsvImport, csvImport, type CsvReport, type NewBench } from '@zinc-pail/contract/keeping';
import { UNKNOWN_MIX, unknownMixId } from '@zinc-pail/contract/unknownMix';
import { usualAir } from '@zinc-pail/core';
import { randomUUID } from 'node:crypto';
import type { Response } from 'express';
import type { App } from '../context.ts';
import { type PoolConnection, transaction } from '../database/pool.ts';
import { todayAt } from '../garden/clock.ts';
import { badField, notFound, Refused, unsoundRows } from '../http/refusals.ts';
import { LONG_S } from '../http/limit.ts';
import { route, type Route, SENT, With } from '../http/route.ts';
import { inTurns } from '../inTurns.ts';
import { lockBooks } from '../journal/store.ts';
import { kit } from '../keeping/store.ts';
import { insertPlace, placeRecords } from '../places/store.ts';
import { addMix } from '../potting/store.ts';
import { unfit } from '../plants/takingIn.ts';
import { insertPlants, numberingOf } from '../plants/takingInStore.ts';
import { type CsvContext, type CsvPlant, readPlants, sampleOf, toCsv } from './csv.ts';
import { darwinCore } from './darwinCore.ts';
import { batches, listRows, newBatch, numbersTaken, undoBatch, type WouldGo } from './store.ts';

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
        const made = body.new_places ?? [];
        const benches = await placeRecords(app.pool);
        const context: CsvContext = {
          today: todayAt(kept.sites[0]?.time_zone ?? 'UTC'),
          places: [...benches, ...made.map(({ name }, i) => ({ id: -1 - i, name }))],
          mixes: kept.mixes,
          unknownMixId: unknownMixId(kept.mixes) ?? TO_BE_MADE,
          numbersTaken: await numbersTaken(app.pool),
          currency: kept.collection.currency ?? 'EUR',
        };
        refuseDefaults(body.defaults, context);
        refuseBenches(made, kept.sites, benches);
        const { plants, faults, notes, rows, leftOut } = await inTurns(readPlants(body, context));
        const sample = sampleOf(plants, context);
        const report: CsvReport = {
          rows,
          good: plants.length,
          faults,
          notes,
          left_out: leftOut,
          import_id: null,
          sample,
        };
        if (body.dry_run) return new With(200, report);
        if (faults.length > 0) throw unsoundRows(faults, 'Nothing was taken in.');
        if (plants.length === 0) throw new Refused('unsound-rows', 'All rows are left out: nothing was taken in.');
        report.import_id = await transaction(app.pool, (connection) =>
          writeBatch(connection, plants, {
            collectionId: kept.collection.id,
            name: body.name,
            date: context.today,
            by,
            newPlaces: made,
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
      does: 'Takes a list back whole. Where its plants have marks, pictures or offsets since it says what would go, and wants `anyway`.',
      params: idParam,
      body: undoBody,
      answer: undone,
      refuses: ['written-on-since'],
      async handle({ params: { id }, body: { anyway } }) {
        const outcome = await transaction(app.pool, (connection) => undoBatch(connection, id, anyway ?? false));
        if (outcome === 'none') throw notFound('import');
        if (outcome === 'undone') return { undone: id };
        throw new Refused('written-on-since', goesWords(outcome));
      },
    }),
  ];
}

const undoBody = object<{ anyway?: boolean }>({ anyway: yesNo().optional() }, 'nothing, or anyway');

/** "4 marks and 1 picture on Aloe juvenna and 2 more go with it; 1 offset stays, without its mother." */
function goesWords({ plants, marks, pictures, offsets, instruments }: WouldGo): string {
  const counted = (n: number, one: string, many: string) => (n === 0 ? [] : [`${n} ${n === 1 ? one : many}`]);
  const going = [
    ...counted(marks, 'mark', 'marks'),
    ...counted(pictures, 'picture', 'pictures'),
    ...counted(instruments, 'instrument', 'instruments'),
  ];
  const [first, ...more] = plants;
  const on = first ? ` on ${first}${more.length > 0 ? ` and ${more.length} more` : ''}` : '';
  const words = [
    going.length > 0 && `${going.join(' and ')}${on} ${marks + pictures + instruments === 1 ? 'goes' : 'go'} with it`,
    offsets > 0 && `${offsets} ${offsets === 1 ? 'offset stays' : 'offsets stay'}, without a mother`,
  ].filter(Boolean);
  return `Since it came in, its plants were written on or measured: ${words.join('; ')}. Nothing was taken back yet.`;
}

function takenRow({ row, number }: CsvPlant): CsvReport['faults'][number] {
  return { row, column: 'number', got: number ?? '', wanted: 'a number that no other plant has' };
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

/** Stands for the id of the unknown mix until it is made. */
const TO_BE_MADE = 0;

/** Benches that are made on the way stand at a site that is there, and are not there yet: a list sent twice makes none twice. */
function refuseBenches(
  made: readonly NewBench[],
  sites: readonly { id: number }[],
  benches: readonly { site_id: number; name: string }[],
): void {
  const there = made.findIndex((bench) =>
    benches.some((one) => one.site_id === bench.site_id && one.name === bench.name),
  );
  if (there >= 0)
    throw badField(`/new_places/${there}/name`, made[there]!.name, 'a name that no bench of that site has yet');
  const lost = made.findIndex(({ site_id: id }) => !sites.some((site) => site.id === id));
  if (lost >= 0) throw badField(`/new_places/${lost}/site_id`, made[lost]!.site_id, 'the id of one of your sites');
}

interface Batch {
  collectionId: number;
  name: string;
  date: string;
  by: string;
  newPlaces: readonly NewBench[];
}

async function writeBatch(
  connection: PoolConnection,
  plants: readonly CsvPlant[],
  { collectionId, name, date, by, newPlaces }: Batch,
): Promise<number> {
  await lockBooks(connection);
  // Only benches on which a row stands are made.
  const wanted = new Set(plants.map(({ place_id: id }) => id));
  const benches = new Map<number, number>();
  for (const [i, bench] of newPlaces.entries())
    if (wanted.has(-1 - i)) benches.set(-1 - i, await insertPlace(connection, { ...bench, air: usualAir(bench.kind) }));
  const unknown = plants.some(({ mix_id: id }) => id === TO_BE_MADE)
    ? await addMix(connection, collectionId, { ...UNKNOWN_MIX, for_what: null })
    : TO_BE_MADE;
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
    place_id: benches.get(plant.place_id) ?? plant.place_id,
    mix_id: plant.mix_id === TO_BE_MADE ? unknown : plant.mix_id,
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
