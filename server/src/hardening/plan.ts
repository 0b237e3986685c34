/** Moves into more sun, and the plans they ask for. */
import { dayNumber, hardeningPlan, sunOnSkins } from '@zinc-pail/core';
import type { App } from '../context.ts';
import { transaction } from '../database/pool.ts';
import { lockBooks } from '../journal/store.ts';
import { sites } from '../garden/store.ts';
import { standsOf } from '../plants/store.ts';
import { endHardening, saveHardening, type SunStep } from './store.ts';

/** Direct sun that plants have where they stand now, hours a day by plant. */
export async function sunOf(app: App, plantIds: readonly number[]): Promise<Map<number, number>> {
  const found = new Map<number, number>();
  for (const site of await sites(app.pool)) {
    const { places } = await app.outlooks.ofPlants(site, plantIds);
    for (const { plant_id: id, place_id: place, kind, direct_sun_h: counted } of await standsOf(
      app.pool,
      site.id,
      plantIds,
    ))
      found.set(id, sunOnSkins(kind, counted, places.get(place)?.sunH ?? 0));
  }
  return found;
}

/**
 * Plans for plants that were moved: from the sun they had to the sun they have now, or to their own ceiling. Plans that
 * were open end.
 *
 * @param before hours of direct sun before the move
 */
export async function planHardening(
  app: App,
  moved: readonly number[],
  date: string,
  before: ReadonlyMap<number, number>,
): Promise<{ plant_id: number; steps: SunStep[] }[]> {
  if (moved.length === 0) return [];
  const [after, ceilings] = await Promise.all([sunOf(app, moved), ceilingsOf(app, moved)]);
  const plans = moved.map((id) => ({
    plant_id: id,
    steps: hardeningPlan(
      dayNumber(date),
      before.get(id) ?? 0,
      Math.min(after.get(id) ?? 0, ceilings.get(id) ?? Infinity),
    ),
  }));
  await transaction(app.pool, async (connection) => {
    await lockBooks(connection);
    for (const { plant_id: id, steps } of plans)
      await (steps.length === 0 ? endHardening(connection, id) : saveHardening(connection, id, steps));
  });
  return plans.filter(({ steps }) => steps.length > 0);
}

async function ceilingsOf(app: App, plantIds: readonly number[]): Promise<Map<number, number | null>> {
  const found = new Map<number, number | null>();
  for (const site of await sites(app.pool)) {
    const { tasks } = await app.outlooks.ofPlants(site, plantIds);
    for (const id of plantIds) if (tasks.has(id)) found.set(id, tasks.get(id)!.rules.rules.sunCeilingHours);
  }
  return found;
}
