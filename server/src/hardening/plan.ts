/** Moves into more sun, and the plans they ask for. */
import {
  dayNumber,
  directSunUsedTo,
  hardeningPlan,
  isoDay,
  minutesReached,
  placeDefaults,
  type PlaceKind,
  SKIN_DAYS,
  SKIN_MADE_DAYS,
  sunBorneH,
  sunOnSkins,
  type SunStay,
} from '@zinc-pail/core';
import type { App } from '../context.ts';
import { transaction } from '../database/pool.ts';
import { lockBooks } from '../journal/store.ts';
import { sites } from '../garden/store.ts';
import { endHardening, lastPlans, saveHardening, staysSince, type SunStep } from './store.ts';

/** Where plants stood in the weeks in which a skin is made, and how far a plan had led them: to be asked before a move. */
export interface SunLately {
  stays: readonly SunStay[];
  reachedH: number;
}

/** What the skins of plants are made for on a day, by plant. */
export async function sunLately(app: App, plantIds: readonly number[], date: string): Promise<Map<number, SunLately>> {
  const today = dayNumber(date);
  const [rows, plans] = await Promise.all([
    staysSince(app.pool, plantIds, isoDay(today - SKIN_DAYS), date),
    lastPlans(app.pool, plantIds),
  ]);
  const sunAt = await sunByPlace(app, plantIds);
  const lately = new Map<number, SunLately>(plantIds.map((id) => [id, { stays: [], reachedH: 0 }]));
  for (const id of plantIds) {
    const plan = plans.get(id);
    // The stay that the plan led into: it had what the steps came to, until it left.
    const ledInto = rows.find((row) => row.plant_id === id && row.from_day === plan?.steps[0]!.date);
    const ended = plan?.ended_on ? dayNumber(plan.ended_on) : today;
    const until = Math.min(today, ended, ledInto ? dayNumber(ledInto.from_day) + ledInto.days : today);
    const reachedH = plan && today - until < SKIN_MADE_DAYS ? minutesReached(plan.steps, until) / 60 : 0;
    const unfinished = plan !== undefined && dayNumber(plan.steps.at(-1)!.date) > until;
    const stays = rows
      .filter(({ plant_id }) => plant_id === id)
      .map((row) => {
        const sunH = sunOnSkins(row.kind, row.direct_sun_h, sunAt.get(row.place_id) ?? 0);
        const led = unfinished && row === ledInto;
        return {
          kind: row.kind,
          days: row.days,
          sunH: led ? Math.min(sunH, minutesReached(plan.steps, until) / 60) : sunH,
        };
      });
    lately.set(id, { stays, reachedH });
  }
  return lately;
}

/** Direct sun at the places of all sites, hours a day by place. */
async function sunByPlace(app: App, plantIds: readonly number[]): Promise<Map<number, number>> {
  const found = new Map<number, number>();
  for (const site of await sites(app.pool)) {
    const { places } = await app.outlooks.ofPlants(site, plantIds);
    for (const [id, { sunH }] of places) found.set(id, sunH);
  }
  return found;
}

/**
 * Plans for plants that were moved: from the sun that their skins are made for to the sun they have now, or to their own
 * ceiling. Plans that were open end. What sleeps gets none: it is not carried about, and its place is told by the judge.
 *
 * @param before what was asked before the move
 */
export async function planHardening(
  app: App,
  moved: readonly number[],
  date: string,
  before: ReadonlyMap<number, SunLately>,
): Promise<{ plant_id: number; steps: SunStep[] }[]> {
  if (moved.length === 0) return [];
  const plans = [...(await standing(app, moved, date))].map(([id, { kind, sunH, asleep, ceilingH }]) => {
    const { stays, reachedH } = before.get(id) ?? { stays: [], reachedH: 0 };
    const borneH = Math.max(reachedH, sunBorneH(stays, kind));
    return {
      plant_id: id,
      steps: asleep ? [] : hardeningPlan(dayNumber(date), borneH, Math.min(sunH, ceilingH ?? Infinity)),
    };
  });
  await transaction(app.pool, async (connection) => {
    await lockBooks(connection);
    for (const { plant_id: id, steps } of plans)
      await (steps.length === 0 ? endHardening(connection, id) : saveHardening(connection, id, steps));
  });
  return plans.filter(({ steps }) => steps.length > 0);
}

/** Plans for what has just come in, from the light that its keeper says it was used to; none where nothing is said of it. */
export async function planArrivals(
  app: App,
  plantIds: readonly number[],
  { date, used_to: usedTo }: { date: string; used_to?: string | null },
): Promise<void> {
  const kind = directSunUsedTo(usedTo ?? '');
  // Sent twice, it was planned the first time.
  if (kind === null || (await lastPlans(app.pool, plantIds)).size > 0) return;
  const sunAt = await sunByPlace(app, plantIds);
  const rows = await staysSince(app.pool, plantIds, date, date);
  const before = rows.map(({ plant_id, place_id, direct_sun_h, kind: here }): [number, SunLately] => [
    plant_id,
    {
      // As much sun as here, behind what stood before it there.
      stays: placeDefaults(kind).dark
        ? []
        : [{ kind, sunH: sunOnSkins(here, direct_sun_h, sunAt.get(place_id) ?? 0), days: SKIN_DAYS }],
      reachedH: 0,
    },
  ]);
  await planHardening(app, plantIds, date, new Map(before));
}

interface Standing {
  kind: PlaceKind;
  sunH: number;
  asleep: boolean;
  ceilingH: number | null;
}

async function standing(app: App, plantIds: readonly number[], date: string): Promise<Map<number, Standing>> {
  const found = new Map<number, Standing>();
  const rows = await staysSince(app.pool, plantIds, date, date);
  for (const site of await sites(app.pool)) {
    const { places, tasks, views } = await app.outlooks.ofPlants(site, plantIds);
    for (const { plant_id: id, place_id: place, kind, direct_sun_h: counted, open } of rows)
      if (open && tasks.has(id))
        found.set(id, {
          kind,
          sunH: sunOnSkins(kind, counted, places.get(place)?.sunH ?? 0),
          asleep: views.get(id)!.state === 'resting',
          ceilingH: tasks.get(id)!.rules.rules.sunCeilingHours,
        });
  }
  return found;
}
