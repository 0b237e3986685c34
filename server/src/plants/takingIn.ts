/** Plants come in, are copied and repotted: what is checked against the database, and written all at once. */
import type { NewPlant, Potting } from '@zinc-pail/contract/keeping';
import { daughterOf, type Pot, TORN_ROOTS, traitsOf } from '@zinc-pail/core';
import { randomUUID } from 'node:crypto';
import type { App } from '../context.ts';
import { transaction } from '../database/pool.ts';
import { badField, notFound } from '../http/refusals.ts';
import { refuseStale } from '../http/version.ts';
import { entriesByClientIds, lockBooks } from '../journal/store.ts';
import { idsByRef, type PlantDetail, plantRecord, pottingOf } from './store.ts';
import { insertPlants, numberingOf, repot, setPottingRight, versionOf } from './takingInStore.ts';

/** The ids of the plants; those of the first time where the same client_id came before. */
export async function takeIn(app: App, collectionId: number, body: NewPlant, by: string): Promise<number[]> {
  const count = body.count ?? 1;
  const clientId = body.client_id.toLowerCase();
  return transaction(app.pool, async (connection) => {
    // Before anything is read: who waits here must see what the one before wrote.
    await lockBooks(connection);
    const before = await idsByRef(connection, collectionId, clientId);
    if (before.length > 0) return before;
    const numbering = await numberingOf(connection, collectionId);
    const own = count === 1 ? body.number : null;
    const plants = Array.from({ length: count }, (_, i) => ({
      ...body,
      by,
      acquired_on: body.acquired_on ?? body.date,
      number: own || numbering.next(body.name, body.date),
      ref: i === 0 ? clientId : `${clientId}-${i}`,
    }));
    return insertPlants(connection, collectionId, plants).catch(unfit(own ?? null));
  });
}

export async function copyPlant(
  app: App,
  row: PlantDetail,
  { count, date, as_offspring: asOffspring }: { count: number; date: string; as_offspring: boolean },
): Promise<number[]> {
  const pot = await pottingOf(app.pool, row.id);
  if (!pot) throw notFound('plant');
  const { name_sure, other_names, source, mother } = await plantRecord(app.pool, row.id);
  const { name, taxon, provenance, diameter_mm, height_mm, mix_id, place_id } = row;
  const alike = {
    name,
    taxon,
    name_sure,
    other_names,
    provenance,
    diameter_mm,
    height_mm,
    pot,
    mix_id,
    place_id,
    date,
  };
  const origin = asOffspring
    ? { source: 'cutting' as const, mother_id: row.id, ...daughters(row, pot, count), parted: true }
    : { source, mother_id: mother?.id ?? null };
  return transaction(app.pool, async (connection) => {
    await lockBooks(connection);
    const numbering = await numberingOf(connection, row.collection_id);
    const copies = Array.from({ length: count }, () => ({
      ...alike,
      ...origin,
      acquired_on: date,
      number: numbering.next(name, date),
      ref: randomUUID(),
    }));
    return insertPlants(connection, row.collection_id, copies);
  });
}

/** Each with a width and a pot of its own. */
function daughters({ name, taxon, diameter_mm }: PlantDetail, pot: Pot, count: number) {
  const { traits, genus } = traitsOf({ name, taxon });
  const { form, store } = traits;
  const one = daughterOf({ form, store, genus: genus?.name ?? null, diameterMm: diameter_mm, pot }, count);
  return { diameter_mm: one.diameterMm, pot: one.pot };
}

/** A potting from the version that the keeper saw; sent twice it is done once. */
export async function pot(
  app: App,
  row: PlantDetail,
  { version, body, by }: { version: number; body: Potting; by: string },
): Promise<void> {
  await transaction(app.pool, async (connection) => {
    await lockBooks(connection);
    if ((await entriesByClientIds(connection, [body.client_id])).length > 0) return;
    // As it is now that nobody else writes, not as it was when the request came.
    const now = await versionOf(connection, row.id);
    if (now.version !== version) refuseStale({ mix_id: body.mix_id }, { mix_id: now.mix_id });
    if (body.kind === 'set-right') return setPottingRight(connection, row.id, body.mix_id, body.pot);
    const outcome = await repot(connection, row.id, {
      mixId: body.mix_id,
      pot: body.pot,
      date: body.date!,
      mixWas: body.mix_was ?? null,
      // What is parted tears, whatever was cut besides.
      rootLoss: body.divided ? Math.max(TORN_ROOTS, body.root_loss ?? 0) : (body.root_loss ?? null),
      more: {
        ...(body.findings?.length ? { findings: body.findings } : {}),
        ...(body.why ? { why: body.why } : {}),
        ...(body.divided ? { divided: body.divided } : {}),
      },
      clientId: body.client_id,
      by,
    });
    if (outcome === 'too-early') throw badField('/date', body.date, `a day from its last potting on, ${row.potted_on}`);
  });
}

/** MariaDB's ER_CONSTRAINT_FAILED, a number that the driver has no name for. */
const CHECK_FAILED = 4025;

/** What the database refuses of a plant, told at its field. */
export function unfit(number: string | null): (error: unknown) => never {
  return (error) => {
    const { code, errno, message = '' } = error as { code?: string; errno?: number; message?: string };
    if (code === 'ER_DUP_ENTRY' && message.includes('plant_number'))
      throw badField('/number', number, 'a number that no other plant has');
    if (errno === CHECK_FAILED && message.includes('plant_price_whole'))
      throw badField('/price_currency', null, 'a currency beside a price, or neither of the two');
    if (code === 'ER_NO_REFERENCED_ROW_2') throw badField('/mother_id', null, 'the id of a plant of yours');
    throw error;
  };
}
