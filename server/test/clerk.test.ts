/** Large garden files are taken in by a thread of their own, as small ones are. Against a real MariaDB. */
import type { GardenTaken } from '@zinc-pail/contract/answers';
import type { Garden } from '@zinc-pail/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Errand, onErrand } from '../src/errand.ts';
import { GardenClerk } from '../src/formats/gardenClerk.ts';
import Papa from 'papaparse';
import { type CsvRead, readCsv } from '../src/formats/readCsv.ts';
import { join } from 'node:path';
import { databaseUrl, ROOT, type Served, served } from './harness.ts';

let here: Served;
let small: Garden;
beforeAll(async () => {
  here = await served();
  small = (await here.ask('/api/export/garden/1')).body;
});
afterAll(() => here.drop());

/** The shelf's first plant so many times over. */
const gardenOf = (plants: number): Garden => ({
  ...small,
  plants: Array.from({ length: plants }, (_, i) => ({ ...small.plants[0]!, id: `plant ${i}` })),
});
const LARGE = 600;
const take = (garden: unknown, query = '') =>
  here.ask(`/api/import/garden?name=Here&${query}`, {
    method: 'POST',
    body: typeof garden === 'string' ? garden : JSON.stringify(garden),
  });
const plantsThere = async () =>
  Number((await here.pool.query<any[]>('SELECT COUNT(*) AS n FROM plant'))[0][0].n as number);

describe('a large garden', () => {
  it('is counted, then taken in whole', async () => {
    const garden = gardenOf(LARGE);
    expect(JSON.stringify(garden).length).toBeGreaterThan(100_000);
    const before = await plantsThere();
    const tried = await take(garden, 'dry_run=true');
    expect(tried.status).toBe(200);
    expect(tried.body).toMatchObject({ plants: LARGE, site_id: null });
    expect(await plantsThere()).toBe(before);
    const taken = await take(garden);
    expect(taken.status).toBe(201);
    expect(taken.body).toMatchObject({ plants: LARGE, site_id: expect.any(Number) });
    expect(await plantsThere()).toBe(before + LARGE);
    const out = (await here.ask(`/api/export/garden/${(taken.body as GardenTaken).site_id}`)).body as Garden;
    expect(out.plants).toHaveLength(LARGE);
  });
  it('with a fault is refused, told where, and nothing of it is written', async () => {
    const garden = gardenOf(LARGE);
    garden.plants[577]!.pot = { ...garden.plants[577]!.pot, top_mm: -1 };
    const before = await plantsThere();
    const { status, body } = await take(garden);
    expect(status).toBe(400);
    expect(body).toMatchObject({ type: 'urn:zinc-pail:problem:unsound-garden' });
    expect(body.faults[0].pointer).toBe('/plants/577/pot/top_mm');
    expect(await plantsThere()).toBe(before);
  });
  it.each([
    ['no JSON', `{"plants":"${'x'.repeat(200_000)}`, 400, 'not-json'],
    ['more values than can be read', `[${'0,'.repeat(11_000_000)}0]`, 413, 'too-large'],
    ['nothing', '', 400, 'not-json'],
  ])('that is %s is refused', async (_, text, status, type) => {
    const answer = await take(text);
    expect(answer.status).toBe(status);
    expect(answer.body.type).toBe(`urn:zinc-pail:problem:${type}`);
  });
  it('is left off when its request is given up', async () => {
    const [[{ name }]] = (await here.pool.query<any[]>('SELECT DATABASE() AS name')) as unknown as [[{ name: string }]];
    const clerk = new GardenClerk(here.pool, join(ROOT, 'build', 'forecast-worker.mjs'), { url: databaseUrl(name) });
    const bytes = new Uint8Array(Buffer.from(JSON.stringify(gardenOf(4000))));
    const order = { name: 'Late', timeZone: null, by: 'keeper', dryRun: false };
    const errand: Errand = { until: performance.now() + 300, written: 'no', over: false };
    const before = await plantsThere();
    await expect(onErrand(errand, () => clerk.take(bytes, order))).rejects.toThrow('has ended');
    expect(await plantsThere()).toBe(before);
    // The next is taken as if nothing had been.
    const again = new Uint8Array(Buffer.from(JSON.stringify(gardenOf(LARGE))));
    expect((await clerk.take(again, { ...order, dryRun: true })).plants).toBe(LARGE);
  });
});

/** All of it in one go. */
function read(text: string): CsvRead {
  const steps = readCsv(text);
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}

describe('a list', () => {
  it.each([
    ['plain', 'a,b\n', (i: number) => `${i},${i + 1}\n`],
    ['with quotation marks', 'a,b\r\n', (i: number) => `"${i}","x, ""${i}""\r\ny"\r\n`],
  ])('%s comes to the same in turns as in one go', (_, head, row) => {
    const text = head + Array.from({ length: 9000 }, (_row, i) => row(i) + (i % 100 === 0 ? '\r\n' : '')).join('');
    const whole = Papa.parse<Record<string, string>>(text, { header: true, skipEmptyLines: 'greedy' });
    const turns = read(text);
    expect(turns.data).toEqual(whole.data);
    expect(turns.errors).toEqual(whole.errors);
  });
  it('tells the row of a mark that is never closed, however far down', () => {
    const { errors } = read(`a,b\n${'1,2\n'.repeat(6000)}1,"2\n`);
    expect(errors.map(({ row, type }) => [row, type])).toContainEqual([6000, 'Quotes']);
  });
  it.each([
    ['commas', 'a,b\n1,2\n'],
    ['semicolons', 'a;b\n1;2\n'],
    ['tabs', 'a\tb\n1\t2\n'],
    ['a mark at its head and spaces in its names', '\uFEFF a , b \n1,2\n\n'],
  ])('with %s is read by its first lines', (_, text) => expect(read(text).data).toEqual([{ a: '1', b: '2' }]));
  it('of quotation marks alone is read in no time worth telling', () => {
    // The quickest of five tells what the work costs, whatever else the machine does meanwhile.
    const quickest = (text: string) =>
      Math.min(
        ...Array.from({ length: 5 }, () => {
          const { user } = process.cpuUsage();
          read(text);
          return process.cpuUsage().user - user;
        }),
      );
    // Once per delimiter it took six times as long as as many bytes of plain cells.
    expect(quickest(`a,b\n${'"'.repeat(200_000)}`)).toBeLessThan(3 * quickest(`a,b\n${'1,2\n'.repeat(50_000)}`));
  });
});
