/** What is sent twice, at once, or under ids that look alike; and lists that come in beside marks. */
import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { serve } from '../src/main.ts';
import { databaseUrl, freshDatabase, MIGRATIONS, oneShelf, ROOT, type Served, served, today } from './harness.ts';
import { daysAgo, keeper, watering, POT } from './keeper.ts';

let here: Served;
beforeAll(async () => {
  here = await served();
});
afterAll(() => here?.drop());
const { send, takeIn, rows } = keeper(() => here);
const mark = (plantId: number, entry: object) =>
  send('/api/marks', { marks: [{ plant_id: plantId, entries: [entry] }] });
const check = (over: object = {}) => ({
  client_id: randomUUID(),
  date: today(),
  type: 'check',
  finger: 'damp',
  ...over,
});

describe('a mark under an id that is there', () => {
  it('in other letters is the same, on its plant and on another', async () => {
    const entry = check();
    expect((await mark(1, entry)).status).toBe(201);
    const large = { ...entry, client_id: entry.client_id.toUpperCase() };
    const again = await mark(1, large);
    expect(again.status).toBe(200);
    expect(again.body.done[0].entries).toHaveLength(1);
    expect((await mark(2, large)).body).toMatchObject({ status: 409, type: 'urn:zinc-pail:problem:already-used' });
  });
  it('twice in one request, in other letters, is refused', async () => {
    const entry = check();
    const entries = [entry, check({ client_id: entry.client_id.toUpperCase(), finger: 'dry' })];
    expect((await send('/api/marks', { marks: [{ plant_id: 1, entries }] })).body.title).toBe('Twice the same');
  });
  it.each(['{%}', '-'])('in braces or without dashes is no id', async (form) => {
    const id = randomUUID();
    const clientId = form === '-' ? id.replaceAll('-', '') : form.replace('%', id);
    const { status, body } = await mark(1, check({ client_id: clientId }));
    expect(status).toBe(400);
    expect(body.faults[0]).toMatchObject({
      pointer: '/marks/0/entries/0/client_id',
      accepted: 'a UUID made by the client',
    });
  });
  it('sent at once for two plants is written for one, and the other is told', async () => {
    for (let round = 0; round < 12; round++) {
      const entry = check({ date: daysAgo(round) });
      const statuses = (await Promise.all([1, 2].map((id) => mark(id, entry)))).map(({ status }) => status);
      expect(statuses.toSorted()).toEqual([201, 409]);
    }
  });
  it('a feeding finds its drink, in whichever letters', async () => {
    const drink = watering({ date: daysAgo(1) });
    const feeding = { client_id: randomUUID(), date: daysAgo(1), type: 'feeding', dose: 0.5 };
    const fed = { ...feeding, with: drink.client_id.toUpperCase() };
    const { status } = await send('/api/marks', { marks: [{ plant_id: 2, entries: [drink, fed] }] });
    expect(status).toBe(201);
    const { journal } = (await here.ask('/api/plants/2')).body;
    expect(journal.find((entry: any) => entry.event.type === 'feeding').event.with).toBe(drink.client_id);
  });
});

describe('moves', () => {
  let places: number[];
  beforeAll(async () => {
    const made = ['Sill', 'Bench'].map((name) =>
      send('/api/places', { site_id: 1, name, kind: 'windowsill', air: 'still' }),
    );
    places = (await Promise.all(made)).map(({ body }) => body.id);
  });
  const move = (plantIds: number[], placeId: number, clientIds: string[]) =>
    send('/api/plants/move', { plant_ids: plantIds, place_id: placeId, date: today(), client_ids: clientIds });
  it('under one id twice are refused, and none is made', async () => {
    const before = await rows('journal');
    const id = randomUUID();
    expect((await move([1, 2], places[0]!, [id, id.toUpperCase()])).body.title).toBe('Twice the same');
    expect(await rows('journal')).toBe(before);
  });
  it('sent again stay made, also after the plant went elsewhere', async () => {
    const id = randomUUID();
    expect((await move([1], places[0]!, [id])).body.moved).toEqual([1]);
    expect((await move([1], places[1]!, [randomUUID()])).body.moved).toEqual([1]);
    const again = await move([1], places[0]!, [id]);
    expect(again.status).toBe(200);
    expect(again.body.moved).toEqual([]);
    expect((await here.ask('/api/plants/1')).body.place.id).toBe(places[1]);
  });
  it('under the id of something else are refused', async () => {
    const entry = check();
    await mark(2, entry);
    const { status, body } = await move([2], places[0]!, [entry.client_id]);
    expect(status).toBe(409);
    expect(body.faults[0].pointer).toBe('/client_ids/0');
  });
  it('and marks at once do not stand in each other’s way', async () => {
    const both = Array.from({ length: 10 }, (_, i) => [
      move([1, 2], places[i % 2]!, [randomUUID(), randomUUID()]),
      mark((i % 2) + 1, check({ date: daysAgo(i) })),
    ]).flat();
    expect((await Promise.all(both)).map(({ status }) => status).filter((status) => status >= 400)).toEqual([]);
  });
});

describe('a plant that is sent twice', () => {
  it('is there once, in whichever letters its id comes', async () => {
    const id = randomUUID();
    const first = await takeIn({ client_id: id });
    const before = await rows('plant');
    expect((await takeIn({ client_id: id.toUpperCase() })).body.ids).toEqual(first.body.ids);
    expect(await rows('plant')).toBe(before);
  });
});

describe('a plant that does not fit', () => {
  it('a price without its currency, new and changed', async () => {
    const made = await takeIn({ price_minor: 500 });
    expect([made.status, made.body.faults?.[0].pointer]).toEqual([400, '/price_currency']);
    const { version } = (await here.ask('/api/plants/1')).body;
    const changed = await send('/api/plants/1', { price_minor: 500 }, { 'If-Match': String(version) }, 'PATCH');
    expect([changed.status, changed.body.faults?.[0].pointer]).toEqual([400, '/price_currency']);
  });
  it('a scheme whose numbers would be too long', async () => {
    const scheme = async (number_scheme: string) =>
      (await send('/api/settings', { number_scheme }, {}, 'PATCH')).status;
    expect(await scheme(`${'x'.repeat(35)}{n:9}`)).toBe(400);
    expect(await scheme(`${'x'.repeat(31)}{n:9}`)).toBe(200);
    expect((await takeIn()).status).toBe(201);
    expect(await scheme('{year}-{n:3}')).toBe(200);
  });
});

describe('a list of plants', () => {
  const list = (csv: string, over: object = {}) =>
    send('/api/import/csv', {
      name: 'list.csv',
      csv,
      columns: { name: 'Name', number: 'No' },
      defaults: { place_id: 1, mix_id: 1, pot: POT },
      dry_run: false,
      ...over,
    });
  it('whose default bench or mix is not there is refused at its field', async () => {
    const csv = 'Name,No\nAloe vera,\n';
    for (const [defaults, pointer] of [
      [{ place_id: 99, mix_id: 1 }, '/defaults/place_id'],
      [{ place_id: 1, mix_id: 99 }, '/defaults/mix_id'],
    ] as const)
      for (const dry of [true, false])
        expect((await list(csv, { defaults, dry_run: dry })).body.faults[0].pointer).toBe(pointer);
  });
  it('numbers that the database holds for alike are told apart', async () => {
    const { status, body } = await list('Name,No\nOne,ZA1\nTwo,ZÁ1\n');
    expect(status).toBe(400);
    expect(body.detail).toContain('Row 3');
  });
  it('the scheme goes round numbers that stand further down', async () => {
    const year = new Date().getUTCFullYear();
    const [[next]] = (await here.pool.query<any[]>(
      "SELECT MAX(CAST(SUBSTRING(number, 6) AS UNSIGNED)) + 1 AS n FROM plant WHERE number LIKE '20__-%'",
    )) as any;
    const own = `${year}-${String(next.n ?? 1).padStart(3, '0')}`;
    const made = await list(`Name,No\nWithout one,\nWith its own,${own}\nWithout again,\n`);
    expect(made.status).toBe(201);
    const [numbers] = await here.pool.query<any[]>('SELECT name, number FROM plant WHERE import_id = ? ORDER BY id', [
      made.body.import_id,
    ]);
    expect(numbers.map(({ name }) => name)).toEqual(['Without one', 'With its own', 'Without again']);
    expect(new Set(numbers.map(({ number }) => number)).size).toBe(3);
    expect(numbers[1].number).toBe(own);
  });
  it('of many rows lets marks through: none fails, and all plants are there', async () => {
    const before = await rows('plant');
    const csv = `Name,No\n${Array.from({ length: 2000 }, (_, i) => `Aloe number ${i},\n`).join('')}`;
    const taken = list(csv);
    const marked = await Promise.all(Array.from({ length: 8 }, (_, i) => mark(2, check({ date: daysAgo(20 + i) }))));
    expect(marked.map(({ status }) => status)).toEqual(Array.from({ length: 8 }, () => 201));
    expect((await taken).body.good).toBe(2000);
    expect(await rows('plant')).toBe(before + 2000);
    const walk =
      'SELECT COUNT(*) AS n, COUNT(DISTINCT walk_order) AS d FROM stay WHERE place_id = 1 AND to_day IS NULL';
    const [[order]] = (await here.pool.query<any[]>(walk)) as any;
    expect(order.d).toBe(order.n);
  });
});

describe('two servers that start at once on an empty database', () => {
  it('fill it once', async () => {
    const database = await freshDatabase();
    let filled = 0;
    const start = (port: number) =>
      serve({
        databaseUrl: databaseUrl(database.name),
        port,
        webFolder: null,
        workerFile: `${ROOT}/build/forecast-worker.mjs`,
        migrationsFolder: MIGRATIONS,
        tell: () => {},
        fill: async (pool) => {
          filled++;
          await oneShelf(pool);
        },
      });
    const running = await Promise.all([start(28_000), start(28_000), start(28_000)]);
    expect(filled).toBe(1);
    await Promise.all(running.map((one) => one.close()));
    await database.drop();
  });
});
