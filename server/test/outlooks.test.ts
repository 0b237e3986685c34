import { randomUUID } from 'node:crypto';
import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { migrate } from '../src/database/migrate.ts';
import { transaction } from '../src/database/pool.ts';
import { sites, type SiteRow } from '../src/garden/store.ts';
import { addEntries, lockBooks, touchPlants } from '../src/journal/store.ts';
import { endPlants, insertPlants } from '../src/plants/takingInStore.ts';
import { Outlooks } from '../src/outlook/outlooks.ts';
import { freshDatabase, MIGRATIONS, oneShelf, ROOT, today } from './harness.ts';

let database: Awaited<ReturnType<typeof freshDatabase>>;
let outlooks: Outlooks;
const site = async (): Promise<SiteRow> => (await sites(database.pool))[0]!;

beforeAll(async () => {
  database = await freshDatabase();
  await migrate(database.pool, MIGRATIONS);
  await oneShelf(database.pool);
  outlooks = new Outlooks(database.pool, join(ROOT, 'build', 'forecast-worker.mjs'), () => {});
});
afterAll(async () => {
  await outlooks.close();
  await database.drop();
});

describe('kept outlooks', () => {
  it('cost one reckoning for a site, and none for a second look, even at once', async () => {
    const [first, second] = await Promise.all([outlooks.ofSite(await site()), outlooks.ofSite(await site())]);
    expect(second.views).toEqual(first.views);
    await outlooks.ofSite(await site());
    expect(outlooks.tasksSent).toBe(1);
  });
  it('reckon one plant anew after a mark, and its bench behind the scenes', async () => {
    const before = (await outlooks.ofSite(await site())).views.get(1)!;
    const sent = outlooks.tasksSent;
    await transaction(database.pool, (connection) =>
      addEntries(connection, [
        {
          collectionId: 1,
          plantId: 1,
          entries: [{ client_id: randomUUID(), date: today(), type: 'watering', method: 'drench' }],
          by: 'keeper',
        },
      ]),
    );
    const after = (await outlooks.ofSite(await site())).views.get(1)!;
    expect(after.moisture.p50).toBeGreaterThan(before.moisture.p50);
    expect(outlooks.tasksSent).toBe(sent + 2);
    await outlooks.ofSite(await site());
    expect(outlooks.tasksSent).toBe(sent + 2);
  });
  it('take a new plant in, move one and let one go without reckoning the site anew', async () => {
    await outlooks.ofSite(await site());
    const sent = outlooks.tasksSent;
    const [id] = await transaction(database.pool, (connection) =>
      insertPlants(connection, 1, [
        {
          ref: randomUUID(),
          number: 'new-1',
          name: 'Aloe aristata',
          mix_id: 1,
          place_id: 1,
          date: today(),
          pot: {
            shape: 'round',
            top_mm: 80,
            base_mm: 60,
            depth_mm: 70,
            material: 'plastic',
            holes: true,
            top_dressing_mm: 0,
          },
        },
      ]),
    );
    expect((await outlooks.ofSite(await site())).views.has(id!)).toBe(true);
    // One plant, and its bench behind the scenes.
    expect(outlooks.tasksSent).toBe(sent + 2);
    await transaction(database.pool, (connection) =>
      endPlants(connection, { plantIds: [id!], how: 'given', date: today(), why: null, by: 'keeper' }),
    );
    expect((await outlooks.ofSite(await site())).views.has(id!)).toBe(false);
    expect(outlooks.tasksSent).toBe(sent + 4);
  });
  it('reckon the plants that are asked for before many that have just come in', async () => {
    await outlooks.ofSite(await site());
    const ids = await transaction(database.pool, (connection) =>
      insertPlants(
        connection,
        1,
        Array.from({ length: 50 }, (_, i) => ({
          ref: randomUUID(),
          number: `many-${i}`,
          name: 'Aloe aristata',
          mix_id: 1,
          place_id: 1,
          date: today(),
          pot: {
            shape: 'round' as const,
            top_mm: 80,
            base_mm: 60,
            depth_mm: 70,
            material: 'plastic' as const,
            holes: true,
            top_dressing_mm: 0,
          },
        })),
      ),
    );
    const now = await site();
    const all = outlooks.ofSite(now);
    const one = await outlooks.ofPlants(now, [ids[49]!]);
    expect(one.views.has(ids[49]!)).toBe(true);
    expect(one.views.has(ids[45]!)).toBe(false);
    const whole = await all;
    expect(ids.filter((id) => !whole.views.has(id))).toEqual([]);
    expect(whole.revisions.get(ids[49]!)).toBeGreaterThan(0);
    const sent = outlooks.tasksSent;
    await outlooks.ofSite(now);
    expect(outlooks.tasksSent).toBe(sent);
    // Each at most once, and its bench behind the scenes.
    const before = ids.map((id) => whole.revisions.get(id)!);
    await Promise.all(
      ids.slice(0, 10).map(async (id, i) => {
        await transaction(database.pool, async (connection) => {
          await lockBooks(connection);
          await touchPlants(connection, [id]);
        });
        const { revisions } = await outlooks.ofPlants(await site(), [id]);
        expect(revisions.get(id)).toBe(before[i]! + 1);
      }),
    );
    expect(outlooks.tasksSent - sent).toBeLessThanOrEqual(2 * 10);
  });
  it('reckon a site anew when its weather or a place changed', async () => {
    const sent = outlooks.tasksSent;
    await database.pool.query('UPDATE site SET revision = revision + 1');
    await outlooks.ofSite(await site());
    expect(outlooks.tasksSent).toBe(sent + 1);
  });
  it('a worker that dies takes nobody with it: who waits is told, the next who asks gets an answer', async () => {
    const before = await outlooks.ofSite(await site());
    const errors: unknown[] = [];
    const others = new Outlooks(database.pool, join(ROOT, 'build', 'forecast-worker.mjs'), (error) =>
      errors.push(error),
    );
    try {
      const first = await others.ofSite(await site());
      const waiting = (async () => {
        await database.pool.query('UPDATE site SET revision = revision + 1');
        return others.ofSite(await site());
      })();
      // Its own hand: nothing else ends it so reliably.
      const { worker } = others as unknown as { worker: { terminate(): Promise<number> } };
      const [outcome] = await Promise.allSettled([waiting, worker.terminate()]);
      if (outcome!.status === 'rejected') expect(String(outcome!.reason)).toContain('the forecast worker has ended');
      expect(errors.map(String)).toEqual(['Error: the forecast worker has ended']);
      const again = await others.ofSite(await site());
      expect([...again.views.keys()]).toEqual([...before.views.keys()]);
      expect(again.edition).toBeGreaterThan(first.edition);
    } finally {
      await others.close();
    }
  });
  describe('where two threads load a site together', () => {
    const file = join(ROOT, 'build', 'forecast-worker.mjs');
    const loaded = async (helperFile: string) => {
      const errors: unknown[] = [];
      const both = new Outlooks(database.pool, file, (error) => errors.push(error), { fromPlants: 1, helperFile });
      try {
        const { views, tasks, weeks, nightsC } = await both.ofSite(await site());
        return { views: new Map(views), tasks: new Map(tasks), weeks: new Map(weeks), nightsC, errors, both };
      } catch (error) {
        await both.close();
        throw error;
      }
    };
    it('they come to what one comes to, and the one that stays goes on with all', async () => {
      const alone = await outlooks.ofSite(await site());
      const { views, tasks, weeks, nightsC, errors, both } = await loaded(file);
      try {
        expect(errors).toEqual([]);
        expect(nightsC).toEqual(alone.nightsC);
        expect([...views.keys()].toSorted((a, b) => a - b)).toEqual([...alone.views.keys()].toSorted((a, b) => a - b));
        for (const [id, view] of views) {
          expect(view.moisture).toEqual(alone.views.get(id)!.moisture);
          expect(tasks.get(id)!.judgement.deeds).toEqual(alone.tasks.get(id)!.judgement.deeds);
          expect(weeks.get(id)).toEqual(alone.weeks.get(id));
        }
        for (const id of views.keys()) expect((await both.clinicOf(await site(), id)).judgement).toBeDefined();
      } finally {
        await both.close();
      }
    });
    it('a helper that ends at once leaves all to the other', async () => {
      const folder = await mkdtemp(join(tmpdir(), 'zinc-helper-'));
      const ends = join(folder, 'ends.mjs');
      await writeFile(ends, 'process.exit(0);\n');
      const alone = await outlooks.ofSite(await site());
      const { views, both } = await loaded(ends);
      await both.close();
      await rm(folder, { recursive: true });
      expect(views.size).toBe(alone.views.size);
      for (const [id, { moisture }] of views) expect(moisture).toEqual(alone.views.get(id)!.moisture);
    });
    it('a helper that fails is told and ended, and leaves all to the other', async () => {
      const folder = await mkdtemp(join(tmpdir(), 'zinc-helper-'));
      const fails = join(folder, 'fails.mjs');
      await writeFile(
        fails,
        `import { parentPort } from 'node:worker_threads';
         parentPort.on('message', ({ id }) => parentPort.postMessage({ id, error: 'out of its depth' }));`,
      );
      const alone = await outlooks.ofSite(await site());
      const { views, errors, both } = await loaded(fails);
      await both.close();
      await rm(folder, { recursive: true });
      expect([...views.keys()].length).toBe(alone.views.size);
      expect(errors.map(String)).toEqual(['Error: out of its depth']);
    });
    it('a helper that cannot start is told, and leaves all to the other', async () => {
      const { views, errors, both } = await loaded(join(ROOT, 'build', 'no-such-helper.mjs'));
      await both.close();
      expect(views.size).toBeGreaterThan(0);
      expect(errors.length).toBe(1);
    });
  });
  it('a worker that cannot even start is told, and tried again', async () => {
    const errors: unknown[] = [];
    const none = new Outlooks(database.pool, join(ROOT, 'build', 'no-such-worker.mjs'), (error) => errors.push(error));
    for (let i = 1; i <= 2; i++) {
      await expect(none.ofSite(await site())).rejects.toThrow();
      expect(errors.length).toBe(i);
    }
    await none.close();
  });
});
