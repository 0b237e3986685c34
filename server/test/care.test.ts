/** Rules of one plant, and what the household means for them. Against a real MariaDB. */
import { randomUUID } from 'node:crypto';
import { plantSchema, problemSchema, type RoundView } from '@zinc-pail/contract/api';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Served, served, keeps, today } from './harness.ts';
import { keeper, daysAgo, watering } from './keeper.ts';

let here: Served;
beforeAll(async () => {
  here = await served();
});
afterAll(() => here.drop());

const { send, takeIn, plant } = keeper(() => here);

describe('rules of one plant', () => {
  it('say where they come from, take the keeper’s with a reason, and can be put back', async () => {
    const before = await plant(1);
    expect(before.care.sources.trigger).toBe('usual');
    const changed = await here.ask('/api/plants/1', {
      method: 'PATCH',
      headers: { 'If-Match': String(before.version) },
      body: {
        rules: { trigger: 'calendar', everyDays: Array.from({ length: 12 }, () => 9), amount: { by: 'fixed', ml: 33 } },
        reasons: { trigger: 'my sitter keeps a list' },
        own_words: 'Never on Sundays',
      },
    });
    expect(changed.status).toBe(200);
    keeps(plantSchema, changed.body);
    expect(changed.body.care).toMatchObject({
      rules: { trigger: 'calendar' },
      sources: { trigger: 'keeper' },
      reasons: { trigger: 'my sitter keeps a list' },
    });
    expect(changed.body.task).toMatchObject({ amount_ml: 33, way: 'measured', own_words: 'Never on Sundays' });
    const reset = await here.ask('/api/plants/1', {
      method: 'PATCH',
      headers: { 'If-Match': String(changed.body.version) },
      body: { rules: { trigger: null, everyDays: null, amount: null } },
    });
    expect(reset.body.care).toMatchObject({ rules: { trigger: 'pot' }, sources: { trigger: 'usual' }, reasons: {} });
  });
  it('the loser of two changes is told what changed', async () => {
    const { version } = await plant(1);
    expect(
      (
        await here.ask('/api/plants/1', {
          method: 'PATCH',
          headers: { 'If-Match': String(version) },
          body: { provenance: 'from the lock' },
        })
      ).status,
    ).toBe(200);
    const late = await here.ask('/api/plants/1', {
      method: 'PATCH',
      headers: { 'If-Match': String(version) },
      body: { provenance: 'from the weir' },
    });
    expect(late.status).toBe(412);
    keeps(problemSchema, late.body);
    expect(late.body.detail).toContain('provenance is now "from the lock"');
    expect((await here.ask('/api/plants/1', { method: 'PATCH', body: { provenance: 'x' } })).status).toBe(428);
  });
  it.each([
    [{ rules: { ways: [] } }, '/rules/ways'],
    [{ rules: { saucerMinutes: 0 } }, '/rules/saucerMinutes'],
    [
      {
        rules: {
          feed: {
            rhythm: { mode: 'nth', n: 0, sipsCount: false },
            strength: 1,
            chargeMonths: 1,
            lastBeforeRest: false,
            firstOnWaking: false,
          },
        },
      },
      '/rules/feed/rhythm/n',
    ],
    [{ rules: { amount: { by: 'fixed' } } }, '/rules/amount/ml'],
    [{ own_words: 'x'.repeat(501) }, '/own_words'],
    [{ price_minor: 100, price_currency: 'euro' }, '/price_currency'],
    [{ rules: { everyDays: [1, 2] } }, '/rules/everyDays'],
  ])('refuses %j, saying where', async (body, pointer) => {
    const answer = await here.ask('/api/plants/1', {
      method: 'PATCH',
      headers: { 'If-Match': String((await plant(1)).version) },
      body,
    });
    expect(answer.status).toBe(400);
    expect(answer.body.faults.map((fault: any) => fault.pointer)).toContain(pointer);
  });
});

describe('rules of many at once', () => {
  it('are set on each, put back on each, and on none where one is unknown', async () => {
    const ids = [1, 2];
    const rules = async (id: number) => (await plant(id)).care;
    expect(
      (await send('/api/plants/rules', { plant_ids: ids, rules: { light: 'shade', waters: ['rain'] } })).status,
    ).toBe(200);
    for (const id of ids)
      expect(await rules(id)).toMatchObject({
        rules: { light: 'shade', waters: ['rain'] },
        sources: { light: 'keeper' },
      });
    const refused = await send('/api/plants/rules', { plant_ids: [1, 999_999], rules: { light: 'sun' } });
    expect([refused.status, refused.body.faults[0].pointer]).toEqual([400, '/plant_ids/1']);
    expect((await rules(1)).rules.light).toBe('shade');
    await send('/api/plants/rules', { plant_ids: ids, rules: { light: null, waters: null } });
    for (const id of ids) expect((await rules(id)).sources.light).not.toBe('keeper');
    expect((await send('/api/plants/rules', { plant_ids: ids, rules: { colour: 'blue' } })).status).toBe(400);
  });
});

describe('half dry', () => {
  it('is a rule of the keeper’s that moves the day, and no word of it goes into a garden file', async () => {
    const { ids } = (await takeIn({ name: 'Aloe vera', date: daysAgo(20) })).body;
    await send('/api/marks', { marks: [{ plant_id: ids[0], entries: [watering({ date: daysAgo(1) })] }] });
    const dry = await plant(ids[0]);
    const half = await here.ask(`/api/plants/${ids[0]}`, {
      method: 'PATCH',
      headers: { 'If-Match': String(dry.version) },
      body: { rules: { dueAt: 0.4 } },
    });
    expect(half.body.outlook.due_m).toBe(0.4);
    expect(half.body.outlook.water.ideal < dry.outlook.water.ideal).toBe(true);
    expect(JSON.stringify((await here.ask('/api/export/garden/1')).body)).not.toContain('due_m');
    expect(
      (
        await here.ask(`/api/plants/${ids[0]}`, {
          method: 'PATCH',
          headers: { 'If-Match': String(half.body.version) },
          body: { rules: { dueAt: 2 } },
        })
      ).status,
    ).toBe(400);
  });
});

describe('rest and warmth as the keeper wants them', () => {
  it('a plant kept from its sleep is never said to sleep, at whatever time of the year', async () => {
    // One of them sleeps now, or neither is far from it.
    for (const name of ['Mammillaria hahniana', 'Conophytum bilobum']) {
      const { ids } = (await takeIn({ name, date: daysAgo(20) })).body;
      const before = await plant(ids[0]);
      expect(before.care.rules.sleeps).toBe('season');
      const { body, status } = await here.ask(`/api/plants/${ids[0]}`, {
        method: 'PATCH',
        headers: { 'If-Match': String(before.version) },
        body: { rules: { sleeps: 'never' } },
      });
      expect(status).toBe(200);
      expect(body.care).toMatchObject({ rules: { sleeps: 'never' }, sources: { sleeps: 'keeper' } });
      expect(body.outlook.state).not.toBe('resting');
      const back = await here.ask(`/api/plants/${ids[0]}`, {
        method: 'PATCH',
        headers: { 'If-Match': String(body.version) },
        body: { rules: { sleeps: null } },
      });
      expect(back.body.outlook.state).toBe(before.outlook.state);
    }
    expect(JSON.stringify((await here.ask('/api/export/garden/1')).body)).not.toContain('sleeps');
  });
  it.each([
    ['a dry root ball that bears less cold than a moist one', { min_dry_c: 20, min_wet_c: 5 }, '/min_dry_c'],
    ['a dry limit above the moist one of its kind', { min_dry_c: 19 }, '/min_dry_c'],
    ['a best that ends before it begins', { rules: { idealFromC: 25, idealToC: 20 } }, '/rules/idealFromC'],
    ['a ceiling below its best', { rules: { ceilingC: 20 } }, '/rules/ceilingC'],
  ])('%s is refused, with what would be right', async (_, body, pointer) => {
    const before = await plant(1);
    const answer = await here.ask('/api/plants/1', {
      method: 'PATCH',
      headers: { 'If-Match': String(before.version) },
      body,
    });
    expect(answer.status).toBe(400);
    expect(answer.body.faults[0]).toMatchObject({ pointer, accepted: expect.stringContaining('°C') });
    expect((await plant(1)).version).toBe(before.version);
  });
  it('a ceiling of its own brings the word of heat, and takes it away', async () => {
    const { ids } = (await takeIn({ name: 'Ferocactus glaucescens', date: daysAgo(20) })).body;
    const cool = await plant(ids[0]);
    const codes = (view: any) => view.task.judgement.because.map(({ code }: any) => code);
    expect(codes(cool)).not.toContain('too-hot');
    // The shelf's days reach 24° in any month, and more behind glass.
    const { body } = await here.ask(`/api/plants/${ids[0]}`, {
      method: 'PATCH',
      headers: { 'If-Match': String(cool.version) },
      body: { rules: { idealFromC: 10, idealToC: 14, ceilingC: 15 } },
    });
    expect(codes(body)).toContain('too-hot');
    expect(body.task.judgement.deeds).toContainEqual({ deed: 'move', what: 'shadier' });
    // The year ahead goes by the same ceiling and the same next drink.
    const { body: input } = await here.ask('/api/almanac/1');
    const told = input.plants.find((one: any) => one.id === String(ids[0]));
    expect(told).toMatchObject({ ceiling_c: 15, due: body.task.due });
    expect(input.garden.plants.map((one: any) => one.id)).toContain(told.id);
    expect((await here.ask('/api/almanac/999')).status).toBe(404);
  });
});

describe('the night', () => {
  const coldOf = async (id: number) => {
    const round = (await here.ask('/api/round')).body as RoundView;
    return round.sites.flatMap((site) => site.places.flatMap((place) => place.cold)).find((pot) => pot.id === id);
  };
  it('too cold for a plant asks until it is seen to, and again when that is taken back', async () => {
    const { ids } = (await takeIn({ name: 'Melocactus azureus', date: daysAgo(20), min_wet_c: 30, min_dry_c: 30 }))
      .body;
    const [id] = ids as [number];
    expect(await coldOf(id)).toMatchObject({ limit_c: 30, near: false, chance: 1, done: null });
    const entry = { client_id: randomUUID(), date: today(), type: 'sheltered', how: 'in' };
    const { body, status } = await send('/api/marks', { marks: [{ plant_id: id, entries: [entry] }] });
    expect(status).toBe(201);
    const codes = (pot: any) => pot.task.judgement.because.map(({ code }: any) => code);
    expect(codes(body.done[0].pot)).not.toContain('below-limit');
    expect(await coldOf(id)).toMatchObject({ done: 'in' });
    const undone = await send('/api/marks/void', { client_ids: [entry.client_id] });
    expect(codes(undone.body.done[0].pot)).toContain('below-limit');
    expect(await coldOf(id)).toMatchObject({ done: null });
    // Left out knowingly: the list has its answer, the judgement keeps its word.
    const left = { ...entry, client_id: randomUUID(), how: 'left' };
    const kept = await send('/api/marks', { marks: [{ plant_id: id, entries: [left] }] });
    expect(codes(kept.body.done[0].pot)).toContain('below-limit');
    expect(await coldOf(id)).toMatchObject({ done: 'left' });
    expect(
      (
        await send('/api/marks', {
          marks: [{ plant_id: id, entries: [{ ...left, client_id: randomUUID(), how: 'x' }] }],
        })
      ).status,
    ).toBe(400);
  });
});

describe('who lives with the plants', () => {
  it('is kept, and a place tells what stands within reach', async () => {
    expect((await send('/api/settings', { has_pets: true }, {}, 'PATCH')).body.collection).toMatchObject({
      has_pets: true,
      has_children: false,
    });
    const { ids } = (await takeIn({ name: 'Euphorbia milii' })).body;
    const { version } = (await here.ask('/api/places')).body.places.find((place: any) => place.id === 1);
    const { body } = await here.ask('/api/places/1', {
      method: 'PATCH',
      headers: { 'If-Match': String(version) },
      body: { within_reach: true },
    });
    const place = body.places.find((one: any) => one.id === 1);
    expect(place.within_reach).toBe(true);
    expect(place.pots.find((pot: any) => pot.id === ids[0]).poisonous).toEqual({ people: true, pets: true });
  });
});
