/** A round that is reckoned from nothing tells how far it is, and shows what it has. */
import { randomUUID } from 'node:crypto';
import { type RoundSoFar, type RoundView, roundSoFarSchema } from '@zinc-pail/contract/api';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { join } from 'node:path';
import type { Pool } from '../src/database/pool.ts';
import { type Errand, onErrand } from '../src/errand.ts';
import { sites } from '../src/garden/store.ts';
import { Outlooks } from '../src/outlook/outlooks.ts';
import { type Served, served, keeps, oneShelf, ROOT } from './harness.ts';

const POTS = 400;
let here: Served;
beforeAll(async () => {
  here = await served(crowdedShelf);
});
afterAll(() => here.drop());

/** The two pots of the shelf many times over, each with drinks of its own. */
async function crowdedShelf(pool: Pool): Promise<void> {
  await oneShelf(pool);
  const rows = <T>(make: (id: number) => T) => Array.from({ length: POTS - 2 }, (_, i) => make(i + 3));
  const back = (days: number) => new Date(Date.now() - days * 86_400_000).toISOString().slice(0, 10);
  await pool.query(
    'INSERT INTO plant (id, collection_id, ref, number, name, habit, grow_min_c, diameter_mm, height_mm) VALUES ?',
    [rows((id) => [id, 1, `p${id}`, `n${id}`, 'Echeveria agavoides', 'evergreen', 8, 60, 50])],
  );
  await pool.query(
    'INSERT INTO potting (plant_id, mix_id, from_day, shape, top_mm, base_mm, depth_mm, material, holes) VALUES ?',
    [rows((id) => [id, 1, back(200), 'round', 90, 68, 80, 'terracotta', 1])],
  );
  await pool.query('INSERT INTO stay (plant_id, place_id, from_day, walk_order) VALUES ?', [
    rows((id) => [id, 1, back(200), id]),
  ]);
  const drinks = rows((id) =>
    [120, 90, 60, 30].map((days) => [
      1,
      id,
      randomUUID(),
      back(days + (id % 7)),
      'watering',
      '{"method":"drench"}',
      'keeper',
    ]),
  ).flat();
  await pool.query('INSERT INTO journal (collection_id, plant_id, client_id, day, type, detail, written_by) VALUES ?', [
    drinks,
  ]);
}

describe('the round on its way', () => {
  it('counts what is read and reckoned, and what it shows already stays as it is', async () => {
    const heard: RoundSoFar[] = [];
    const asked = { done: false };
    const whole = here.ask('/api/round').finally(() => (asked.done = true));
    while (!asked.done) {
      const { body } = await here.ask('/api/round/so-far');
      keeps(roundSoFarSchema, body);
      heard.push(body as RoundSoFar);
    }
    const round = (await whole).body as RoundView;
    const coming = heard.flatMap((one) => one.coming);
    expect(coming.length).toBeGreaterThan(0);
    const far = coming.map(({ stage, done }) => (stage === 'reading' ? done : POTS + done));
    expect(far).toEqual(far.toSorted((a, b) => a - b));
    expect(coming.every(({ of, done }) => of === POTS && done <= of)).toBe(true);
    const final = new Map(
      round.sites.flatMap((site) => site.places.flatMap((place) => place.pots.map((pot) => [pot.id, pot] as const))),
    );
    const early = heard.flatMap((one) => one.sites.flatMap((site) => site.places.flatMap((place) => place.pots)));
    for (const pot of early) expect(pot).toEqual(final.get(pot.id));
    // Part of the pots stood there before all did.
    const shown = heard.flatMap(({ sites }) => sites.map((site) => site.places[0]!.pots.length + site.places[0]!.left));
    expect(shown.some((pots) => pots > 0 && pots < POTS)).toBe(true);
  });
  it('is not waited for longer than a request may take, and goes on without it', async () => {
    const outlooks = new Outlooks(here.pool, join(ROOT, 'build', 'forecast-worker.mjs'), () => {});
    const [site] = await sites(here.pool);
    const short: Errand = { until: performance.now() + 1050, written: 'no', over: false };
    await expect(onErrand(short, () => outlooks.ofSite(site!))).rejects.toMatchObject({
      kind: 'still-reckoning',
      message: expect.stringContaining('still being worked out'),
    });
    expect((await outlooks.ofSite(site!)).views.size).toBe(POTS);
    expect(outlooks.tasksSent).toBe(1);
    await outlooks.close();
  });
  it('does not hold up the end of the server', async () => {
    const outlooks = new Outlooks(here.pool, join(ROOT, 'build', 'forecast-worker.mjs'), () => {});
    const [site] = await sites(here.pool);
    const asked = outlooks.ofSite(site!);
    const refused = expect(asked).rejects.toThrow();
    while (outlooks.tasksSent === 0) await new Promise((resolve) => setTimeout(resolve, 5));
    await outlooks.close();
    await refused;
    await expect(outlooks.ofSite(site!)).rejects.toThrow('the server is ending');
  });
  it('nothing is on its way once all is there', async () => {
    await here.ask('/api/round');
    expect((await here.ask('/api/round/so-far')).body).toMatchObject({ sites: [], coming: [] });
  });
});
