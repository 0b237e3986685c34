/**
 * One judgement wherever a plant is shown: the line, its page, the can, the list, the calendar, the answer after a
 * mark; and facts set right.
 */
import { randomUUID } from 'node:crypto';
import { marksResultSchema, plantSchema, roundSchema } from '@zinc-pail/contract/api';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Served, served, keeps, today } from './harness.ts';
import { POT } from './keeper.ts';

let here: Served;
beforeAll(async () => {
  here = await served();
});
afterAll(() => here.drop());

const back = (days: number) => new Date(Date.now() - days * 86_400_000).toISOString().slice(0, 10);
const post = (plant: number, ...entries: object[]) =>
  here.ask('/api/marks', {
    method: 'POST',
    body: {
      marks: [
        { plant_id: plant, entries: entries.map((entry) => ({ client_id: randomUUID(), date: today(), ...entry })) },
      ],
    },
  });
const view = async (plant: number) => (await here.ask(`/api/plants/${plant}`)).body;
const felt = (finger: string, date = today()) => ({ type: 'check', finger, date });
const row = async (plant: number) => {
  const { fields, rows } = (await here.ask('/api/plants')).body as { fields: string[]; rows: unknown[][] };
  const found = rows.find((one) => one[fields.indexOf('id')] === plant)!;
  return { verdict: found[fields.indexOf('verdict')], due: found[fields.indexOf('due')] };
};
const calendar = async (): Promise<string> =>
  ((await here.ask('/api/export/round.ics')).body as string).replaceAll('\r\n ', '');

describe('one judgement', () => {
  it('a pot felt dry is to be watered on every screen, and felt wet on none', async () => {
    await post(1, felt('dry', back(6)), felt('dry', back(2)), felt('dry'));
    const dry = await view(1);
    keeps(plantSchema, dry);
    expect(dry.task.judgement.deeds[0].deed).toBe('water');
    expect(dry.outlook.water.ideal).toBe(today());
    expect(dry.task.due).toBe(today());
    const round = (await here.ask('/api/round')).body;
    keeps(roundSchema, round);
    expect(round.sites[0].counts.water).toBe(1);
    expect(round.sites[0].can[0]).toMatchObject({ pots: 1, ml: dry.task.amount_ml });
    expect(await row(1)).toEqual({ verdict: 'water', due: today() });

    const marked = await post(1, felt('wet'));
    keeps(marksResultSchema, marked.body);
    const answer = marked.body.done[0].pot.task.judgement;
    expect(answer.deeds[0].deed).not.toBe('water');
    expect(answer.because.some((reason: { code: string }) => reason.code === 'felt-wet')).toBe(true);
    // The answer after the mark is the judgement that every other screen shows.
    expect((await view(1)).task.judgement).toEqual(answer);
    const after = (await here.ask('/api/round')).body;
    expect(after.sites[0].counts.water).toBe(0);
    expect(after.sites[0].can).toEqual([]);
    expect((await row(1)).verdict).not.toBe('water');
    expect((await view(1)).outlook.water === null || (await view(1)).outlook.water.ideal > today()).toBe(true);
  });
  it('a line on the round says what the whole outlook says, and carries no more of the past than it draws', async () => {
    const whole = (await view(1)).outlook;
    const line = (await here.ask('/api/places/1/pots')).body.pots.find((pot: { id: number }) => pot.id === 1).outlook;
    for (const field of [
      'state',
      'moisture',
      'dry_on',
      'water',
      'hold',
      'due_m',
      'pot',
      'rest',
      'last_watered',
      'traits',
    ])
      expect(line[field]).toEqual(whole[field]);
    expect(line.past.p50).toHaveLength(15);
    expect(line.past.p50).toEqual(whole.past.p50.slice(-15));
    expect(Date.parse(whole.ahead.from) - Date.parse(line.past.from)).toBe(14 * 86_400_000);
    expect(line.ahead.p90).toEqual(whole.ahead.p90.slice(0, 29));
  });
  it('"still wet" as the reason for leaving a pot out counts as a look', async () => {
    const before = (await view(2)).outlook.moisture.p50;
    const { body } = await post(2, { type: 'skip', reason: 'still-wet' });
    const { judgement } = body.done[0].pot.task;
    expect(judgement.because[0]).toMatchObject({ code: 'felt-wet', source: 'seen', on: today() });
    expect(judgement.deeds[0].deed).toBe('wait');
    expect((await view(2)).outlook.moisture.p50).toBeGreaterThan(before);
  });
  it('a soft base is rot everywhere, until the base is found firm', async () => {
    const { body } = await post(2, { type: 'sign', sign: 'soft-base', strength: 2 });
    expect(body.done[0].pot.task.judgement.deeds[0]).toEqual({ deed: 'act', what: 'unpot' });
    expect((await view(2)).outlook.water).toBeNull();
    expect((await row(2)).verdict).toBe('act');
    expect(await calendar()).toMatch(/Unpot it today/);
    await post(2, { type: 'sign', sign: 'firm-base', strength: 2 });
    expect((await view(2)).task.judgement.deeds[0].deed).not.toBe('act');
  });
  it('a lift by hand, a season as seen and "not sure" are taken and heeded', async () => {
    expect((await post(2, { type: 'check', lift: 'heavy' })).status).toBe(201);
    expect((await post(2, { type: 'check', lift: 'hefty' })).status).toBe(400);
    await post(2, { type: 'state', state: 'resting' });
    expect((await view(2)).outlook.state).toBe('resting');
    await post(2, { type: 'state', state: 'unsure' });
    expect((await view(2)).journal.some((entry: { event: { state?: string } }) => entry.event.state === 'unsure')).toBe(
      true,
    );
  });
  it('a drink before the plant came is asked about', async () => {
    await here.pool.query('UPDATE plant SET acquired_on = ? WHERE id = 2', [back(60)]);
    const { body } = await post(2, { type: 'watering', method: 'drench', date: back(80) });
    expect(body.done[0].advice.map((note: { code: string }) => note.code)).toContain('before-it-came');
  });
  it('the keeper’s answer that it dries slower is a fact of the book', async () => {
    const rate = (await view(1)).outlook.rate.p50;
    await post(
      1,
      { type: 'watering', method: 'drench', date: back(1) },
      { type: 'changed', pace: 'slower', date: back(1) },
    );
    expect((await view(1)).outlook.rate.p50).toBeLessThan(rate * 0.8);
  });
  it('food is held as long as the keeper says', async () => {
    const { version } = await view(1);
    const until = back(-30);
    const { body } = await here.ask('/api/plants/1', {
      method: 'PATCH',
      headers: { 'If-Match': String(version) },
      body: { rules: { noFoodUntil: until } },
    });
    expect(body.task.feed).toMatchObject({ kind: 'plain', why: { code: 'held' }, until });
  });
});

describe('a pot set right, and a repotting', () => {
  const pot = {
    shape: 'round',
    top_mm: 140,
    base_mm: 105,
    depth_mm: 120,
    material: 'plastic',
    holes: false,
    top_dressing_mm: 10,
  };
  const potting = (plant: number, version: number, body: object) =>
    here.ask(`/api/plants/${plant}/pottings`, {
      method: 'POST',
      headers: { 'If-Match': String(version) },
      body: { client_id: randomUUID(), mix_id: 1, pot, ...body },
    });
  it('what was wrong from the start is reckoned anew; the book stays', async () => {
    const before = await view(1);
    const { status, body } = await potting(1, before.version, { kind: 'set-right' });
    expect(status).toBe(201);
    keeps(plantSchema, body);
    expect(body.outlook.pot).toMatchObject({ top_mm: 140, holes: false, top_dressing_mm: 10 });
    expect(body.potted_on).toBe(before.potted_on);
    expect(body.journal).toHaveLength(before.journal.length);
    expect(body.task.method).toBe('measured');
  });
  it('a repotting closes the old pot, keeps it in the book, and starts the learning anew', async () => {
    const before = await view(2);
    const { status, body } = await potting(2, before.version, {
      kind: 'repotted',
      date: today(),
      mix_was: 'dry',
      root_loss: 0.5,
      pot: { ...pot, holes: true },
    });
    expect(status).toBe(201);
    expect(body.potted_on).toBe(today());
    const event = body.journal[0].event;
    expect(event).toMatchObject({
      type: 'repotting',
      mix_was: 'dry',
      roots_cut: true,
      before: { pot: { top_mm: 90 } },
    });
    // Cut roots close first.
    expect(body.task.judgement.deeds[0].deed).toBe('wait');
    expect(body.task.judgement.because.map((reason: { code: string }) => reason.code)).toContain('cut-roots');
  });
  it.each([
    ['from an old version', {}, -1, 412],
    ['on a day to come', { kind: 'repotted', date: '2999-01-01' }, 0, 400],
    ['without its day', { kind: 'repotted' }, 0, 400],
    ['in a mix that is not there', { mix_id: 99 }, 0, 400],
    ['in a pot wider below than twice its top', { pot: { ...pot, base_mm: 500 } }, 0, 400],
  ])('%s: refused, nothing written', async (_, over, off, status) => {
    const before = await view(1);
    expect((await potting(1, before.version + off, { kind: 'set-right', ...over })).status).toBe(status);
    expect((await view(1)).version).toBe(before.version);
  });
});

describe('a plant taken in', () => {
  const body = (over: object) => ({
    client_id: randomUUID(),
    name: 'Gasteria carinata',
    pot: {
      shape: 'round',
      top_mm: 90,
      base_mm: 68,
      depth_mm: 80,
      material: 'plastic',
      holes: true,
      top_dressing_mm: 0,
    },
    mix_id: 1,
    place_id: 1,
    date: today(),
    ...over,
  });
  it('is felt first where nobody knows when it last had water', async () => {
    const { ids } = (await here.ask('/api/plants', { method: 'POST', body: body({}) })).body;
    expect((await view(ids[0])).task.judgement.deeds[0]).toMatchObject({ deed: 'look', what: 'depth' });
  });
  it('starts from its last drink where somebody does', async () => {
    const { ids } = (await here.ask('/api/plants', { method: 'POST', body: body({ last_watered: back(3) }) })).body;
    const plant = await view(ids[0]);
    expect(plant.outlook.last_watered).toBe(back(3));
    expect(plant.outlook.moisture.p50).toBeGreaterThan(0.3);
    expect((await here.ask('/api/plants', { method: 'POST', body: body({ last_watered: '2999-01-01' }) })).status).toBe(
      400,
    );
  });
  it('a list tells it too, and can be taken back all the same', async () => {
    const csv = `name,last_watered\nHaworthia cooperi,${back(5)}\n`;
    const taken = await here.ask('/api/import/csv', {
      method: 'POST',
      body: {
        name: 'list',
        csv,
        columns: { name: 'name', last_watered: 'last_watered' },
        defaults: { place_id: 1, mix_id: 1, pot: POT },
        dry_run: false,
      },
    });
    expect(taken.status).toBe(201);
    const { imports } = (await here.ask('/api/imports')).body;
    expect((await here.ask(`/api/imports/${imports[0].id}/undo`, { method: 'POST', body: {} })).status).toBe(200);
  });
});
