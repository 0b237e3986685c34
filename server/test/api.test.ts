import { randomUUID } from 'node:crypto';
import { connect } from 'node:net';
import { marksResultSchema, plantSchema, problemSchema, roundSchema } from '@zinc-pail/contract/api';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Served, served, keeps, today } from './harness.ts';

let here: Served;
beforeAll(async () => {
  here = await served();
});
afterAll(() => here.drop());

const watering = (over: object = {}) => ({
  client_id: randomUUID(),
  date: today(),
  type: 'watering',
  method: 'drench',
  ...over,
});
const post = (plant: number, ...entries: object[]) =>
  here.ask('/api/marks', { method: 'POST', body: { marks: [{ plant_id: plant, entries }] } });
const strike = (id: string) => here.ask('/api/marks/void', { method: 'POST', body: { client_ids: [id] } });
const rows = async () => ((await here.pool.query<any[]>('SELECT COUNT(*) AS n FROM journal'))[0][0] as { n: number }).n;

describe('the round', () => {
  it('shows benches and pots in walking order, each with its outlook', async () => {
    const { status, body } = await here.ask('/api/round');
    expect(status).toBe(200);
    keeps(roundSchema, body);
    expect(body.sites[0].places[0].pots.map((pot: any) => pot.number)).toEqual(['001', '002']);
    expect(body.sites[0].today).toBe(today());
    expect(['water', 'sip', 'look']).toContain(body.sites[0].places[0].pots[0].task.judgement.deeds[0].deed);
  });
});

describe('a plant', () => {
  it('shows its pot, outlook and book', async () => {
    const { status, body } = await here.ask('/api/plants/1');
    expect(status).toBe(200);
    keeps(plantSchema, body);
    expect(body.mix.parts).toEqual([
      { component: 'pumice', parts: 2 },
      { component: 'loam', parts: 1 },
    ]);
  });
  it.each(['/api/plants/99', '/api/plants/none', '/api/nothing'])('%s is not here', async (path) => {
    const { status, type, body } = await here.ask(path);
    expect(status).toBe(404);
    expect(type).toContain('application/problem+json');
    keeps(problemSchema, body);
  });
});

describe('marking a pot', () => {
  it('moves its next date, and voiding moves it back', async () => {
    const before = (await here.ask('/api/plants/1')).body.outlook;
    const entry = watering();
    const marked = await post(1, entry);
    expect(marked.status).toBe(201);
    keeps(marksResultSchema, marked.body);
    expect(marked.body.done[0].pot.outlook.water.ideal > before.water.ideal).toBe(true);
    expect(marked.body.done[0].pot.outlook.moisture.p50).toBeGreaterThan(0.7);
    const bench = (await here.ask('/api/places/1/pots')).body;
    expect(bench.pots[0].outlook.water).toEqual(marked.body.done[0].pot.outlook.water);
    // It wants nothing now, but its line rests where it was till tomorrow.
    const round = (await here.ask('/api/round')).body;
    keeps(roundSchema, round);
    expect(round.sites[0].places[0]).toMatchObject({
      left: 0,
      done: [{ plant_id: 1, client_id: entry.client_id, event: { type: 'watering' } }],
    });

    const undone = await strike(entry.client_id);
    expect(undone.status).toBe(200);
    keeps(marksResultSchema, undone.body);
    expect(undone.body.done[0].pot.outlook.water).toEqual(before.water);
    expect(undone.body.done[0].entries[0].voided).toBe(true);
    expect((await here.ask('/api/round')).body.sites[0].places[0].done).toEqual([]);
    // The book keeps what was struck out.
    expect(
      (await here.ask('/api/plants/1')).body.journal.find((e: any) => e.client_id === entry.client_id).voided,
    ).toBe(true);
  });
  it('sent twice counts once', async () => {
    const entry = watering({ date: '2026-01-02' });
    expect((await post(2, entry)).status).toBe(201);
    const count = await rows();
    expect((await post(2, entry)).status).toBe(200);
    expect(await rows()).toBe(count);
  });
  it('a client_id that stands for something else is refused', async () => {
    const entry = watering({ date: '2026-01-03' });
    await post(2, entry);
    const { status, body } = await post(2, { ...entry, method: 'bottom' });
    expect(status).toBe(409);
    expect(body.faults[0].pointer).toBe('/marks/0/entries/0/client_id');
  });
  it('takes all kinds of look', async () => {
    const { status, body } = await post(
      2,
      { client_id: randomUUID(), date: today(), type: 'check', finger: 'damp' },
      { client_id: randomUUID(), date: today(), type: 'check', meter: 4 },
      { client_id: randomUUID(), date: today(), type: 'check', weight_g: 512 },
      { client_id: randomUUID(), date: today(), type: 'check', surface: 'dry' },
      { client_id: randomUUID(), date: today(), type: 'weights', drained_g: 600, dry_g: 480 },
      { client_id: randomUUID(), date: today(), type: 'sign', sign: 'wrinkled', strength: 2 },
      { client_id: randomUUID(), date: today(), type: 'state', state: 'growing' },
      { client_id: randomUUID(), date: today(), type: 'feeding', dose: 0.5 },
      { client_id: randomUUID(), date: today(), type: 'note', text: 'Ünder the gläss 🌵' },
    );
    expect(status).toBe(201);
    keeps(marksResultSchema, body);
    expect(body.done[0].entries.at(-1).event.text).toBe('Ünder the gläss 🌵');
  });
  it.each([
    ['no entry', { entries: [] }, '/marks/0/entries'],
    ['a day that is none', { entries: [watering({ date: '2026-02-30' })] }, '/marks/0/entries/0/date'],
    ['tomorrow', { entries: [watering({ date: '2999-01-01' })] }, '/marks/0/entries/0/date'],
    ['a method nobody knows', { entries: [watering({ method: 'flood' })] }, '/marks/0/entries/0/method'],
    ['a measure without its amount', { entries: [watering({ method: 'measured' })] }, '/marks/0/entries/0/amount_ml'],
    [
      'an amount as text',
      { entries: [watering({ method: 'measured', amount_ml: '40' })] },
      '/marks/0/entries/0/amount_ml',
    ],
    [
      'two looks in one',
      { entries: [{ client_id: randomUUID(), date: '2026-01-01', type: 'check', finger: 'dry', meter: 2 }] },
      '/marks/0/entries/0',
    ],
    [
      'a kind of event that is not marked',
      { entries: [{ client_id: randomUUID(), date: '2026-01-01', type: 'move' }] },
      '/marks/0/entries/0/type',
    ],
    ['no client_id', { entries: [{ ...watering(), client_id: undefined }] }, '/marks/0/entries/0/client_id'],
    ['a field too many', { entries: [watering({ colour: 'blue' })] }, '/marks/0/entries/0/colour'],
  ])('refuses %s, saying where, and writes nothing', async (_name, body, pointer) => {
    const count = await rows();
    const answer = await here.ask('/api/marks', {
      method: 'POST',
      body: { marks: [{ plant_id: 1, ...(body as object) }] },
    });
    expect(answer.status).toBe(400);
    keeps(problemSchema, answer.body);
    expect(answer.body.faults.map((fault: any) => fault.pointer)).toContain(pointer);
    expect(await rows()).toBe(count);
  });
  it('one bad entry among good ones: none is written', async () => {
    const count = await rows();
    expect((await post(1, watering(), watering({ method: 'flood' }))).status).toBe(400);
    expect(await rows()).toBe(count);
  });
  it('a body that is no JSON is told so', async () => {
    const { status, body } = await here.ask('/api/marks', { method: 'POST', body: '{"marks": [' });
    expect(status).toBe(400);
    expect(body.detail).toContain('not JSON');
  });
  it('a plant or an entry that is not there', async () => {
    expect((await post(99, watering())).status).toBe(404);
    expect((await strike(randomUUID())).status).toBe(404);
  });
});

describe('who may ask', () => {
  it('a page of another origin may not', async () => {
    const { status } = await here.ask('/api/round', { headers: { Origin: 'http://elsewhere.example' } });
    expect(status).toBe(403);
  });
  it('another server on the same database sees the mark', async () => {
    const second = await import('../src/main.ts').then(({ serve }) =>
      serve({
        databaseUrl: `${process.env.ZINC_TEST_DATABASE_URL!.replace(/\/[^/]*$/, '')}/${(here.pool.pool as any).config.connectionConfig.database}`,
        port: 45_000 + Math.floor(Math.random() * 5000),
        webFolder: null,
        workerFile: new URL('../../build/forecast-worker.mjs', import.meta.url).pathname,
        migrationsFolder: new URL('../migrations', import.meta.url).pathname,
        tell: () => {},
        fill: null,
      }),
    );
    try {
      const there = async () => (await (await fetch(`http://127.0.0.1:${second.port}/api/plants/1`)).json()) as any;
      const before = await there();
      await post(1, watering());
      const after = await there();
      expect(after.outlook.water.ideal > before.outlook.water.ideal).toBe(true);
      // An order of pots set there shows here, on the list as well.
      const table = async () => (await here.ask('/api/plants')).body.rows.map((row: any[]) => row[0]);
      const turned = (await table()).toReversed();
      const ordered = await fetch(`http://127.0.0.1:${second.port}/api/places/1/order`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json', Origin: `http://127.0.0.1:${second.port}` },
        body: JSON.stringify({ ids: turned }),
      });
      expect(ordered.status).toBe(200);
      expect(await table()).toEqual(turned);
      const pots = (await here.ask('/api/places/1/pots')).body.pots.map(({ id }: any) => id);
      expect(pots).toEqual(turned);
    } finally {
      await second.close();
    }
  });
  it('a busy port gives way to the next', async () => {
    expect(here.running.port).toBeGreaterThan(0);
    const { serve } = await import('../src/main.ts');
    const second = await serve({
      databaseUrl: `${process.env.ZINC_TEST_DATABASE_URL!.replace(/\/[^/]*$/, '')}/${(here.pool.pool as any).config.connectionConfig.database}`,
      port: here.running.port,
      webFolder: null,
      workerFile: new URL('../../build/forecast-worker.mjs', import.meta.url).pathname,
      migrationsFolder: new URL('../migrations', import.meta.url).pathname,
      tell: () => {},
      fill: null,
    });
    expect(second.port).toBeGreaterThan(here.running.port);
    await second.close();
  });
});

describe('what cannot be read as a request', () => {
  const sent = (text: string) =>
    new Promise<string>((resolve, reject) => {
      const socket = connect(Number(new URL(here.url).port), '127.0.0.1', () => socket.write(text));
      let answer = '';
      socket.on('data', (bytes) => (answer += String(bytes)));
      socket.on('end', () => resolve(answer));
      socket.on('error', reject);
    });
  it.each([
    [
      'a head too long',
      `GET /api/timers?${'x'.repeat(20_000)} HTTP/1.1\r\nHost: 127.0.0.1\r\n\r\n`,
      431,
      'head-too-long',
    ],
    ['no HTTP at all', 'Good evening\r\n\r\n', 400, 'not-http'],
  ])('%s is refused in words', async (_, text, status, type) => {
    const answer = await sent(text);
    expect(answer.startsWith(`HTTP/1.1 ${status} `)).toBe(true);
    const problem = JSON.parse(answer.slice(answer.indexOf('\r\n\r\n') + 4)) as { type: string; detail: string };
    expect(problem.type).toBe(`urn:zinc-pail:problem:${type}`);
    expect(problem.detail.length).toBeGreaterThan(20);
    expect((await here.ask('/api/timers')).status).toBe(200);
  });
});
