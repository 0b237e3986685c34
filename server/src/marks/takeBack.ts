import type { MarksResult } from '@zinc-pail/contract/api';
import type { App } from '../context.ts';
import { transaction } from '../database/pool.ts';
import { groupBy } from '../grouping.ts';
import { notFound, Refused } from '../http/refusals.ts';
import { companionsOf, entriesByClientIds, lockBooks, voidEntries } from '../journal/store.ts';
import { potsById } from '../plants/pots.ts';
import { dropTimersOf, openTimers } from './store.ts';

/** Voids entries of one or many plants: all of them or none. */
export async function takeBack(app: App, clientIds: readonly string[], by: string): Promise<MarksResult> {
  const asked = await entriesByClientIds(app.pool, clientIds);
  const companions = await companionsOf(app.pool, clientIds);
  const entries = [...asked, ...companions];
  if (asked.length < new Set(clientIds).size) throw notFound('entry');
  for (const { event } of entries) {
    if (event.type === 'repotting' || event.type === 'move')
      throw new Refused('not-this-way', 'A potting or a move is set right by another potting or move.');
    if (event.type === 'ended' || event.type === 'picture')
      throw new Refused('not-this-way', 'That is taken back on the plant’s own page.');
  }
  const plantIds = [...new Set(entries.map((entry) => entry.plant_id))];
  await transaction(app.pool, async (connection) => {
    await lockBooks(connection);
    const ids = entries.map(({ client_id: id }) => id);
    await voidEntries(connection, ids, plantIds, by);
    await dropTimersOf(connection, clientIds);
  });
  const pots = await potsById(app, plantIds);
  const after = groupBy(await entriesByClientIds(app.pool, clientIds), (entry) => entry.plant_id);
  return {
    done: plantIds.flatMap((id) =>
      pots.has(id) ? [{ plant_id: id, entries: after.get(id)!, pot: pots.get(id)!, advice: [] }] : [],
    ),
    already: [],
    timers: await openTimers(app.pool),
  };
}
