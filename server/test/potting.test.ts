/** The potting bench over the wire: recipes, the stores, who is due, and what follows a potting. */
import { randomUUID } from 'node:crypto';
import { weekendsOfBench } from '@zinc-pail/contract/weekends';
import { dayNumber, isoDay } from '@zinc-pail/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Served, served } from './harness.ts';

let here: Served;
beforeAll(async () => {
  here = await served();
});
afterAll(() => here.drop());
const send = (method: string, path: string, body: unknown, headers: Record<string, string> = {}) =>
  here.ask(`/api${path}`, { method, body, headers });
const TODAY = new Date().toISOString().slice(0, 10);
const ago = (days: number) => isoDay(dayNumber(TODAY) - days);

describe('recipes', () => {
  it('are made, set right, and then decide how pots hold water', async () => {
    const { status, body } = await send('POST', '/mixes', {
      name: 'Half and half',
      for_what: 'most',
      parts: [
        { component: 'cactus-soil', parts: 1 },
        { component: 'pumice', parts: 1 },
      ],
    });
    expect(status).toBe(201);
    const before = (await here.ask('/api/plants/1')).body.outlook.cycle_days;
    await send('PUT', '/mixes/1', { name: 'Grit', for_what: null, parts: [{ component: 'peat', parts: 1 }] });
    expect((await here.ask('/api/plants/1')).body.outlook.cycle_days).toBeGreaterThan(1.3 * before);
    await send('PUT', '/mixes/1', {
      name: 'Grit',
      for_what: null,
      parts: [
        { component: 'pumice', parts: 2 },
        { component: 'loam', parts: 1 },
      ],
    });
    expect((await here.ask('/api/plants/1')).body.outlook.cycle_days).toBe(before);
    expect((await send('DELETE', `/mixes/${body.id}`, {})).status).toBe(200);
    expect((await send('DELETE', '/mixes/1', {})).body.type).toContain('in-use');
  });
  it('of what nobody knows are refused, saying what there is', async () => {
    const { status, body } = await send('POST', '/mixes', {
      name: 'Moon',
      for_what: null,
      parts: [{ component: 'moon-dust', parts: 1 }],
    });
    expect(status).toBe(400);
    expect(body.faults[0]).toMatchObject({ pointer: '/parts/0/component', got: 'moon-dust' });
    expect(body.faults[0].accepted).toMatch(/pumice/);
  });
  it('a component that was measured takes the tabled one’s place', async () => {
    const before = (await here.ask('/api/plants/1')).body.outlook.cycle_days;
    const pumice = {
      id: 'pumice',
      total_porosity: 0.7,
      water_at_10cm: 0.5,
      water_air_dry: 0.04,
      bulk_density_g_ml: 0.5,
      ph: 7,
    };
    expect((await send('PUT', '/components', pumice)).status).toBe(200);
    expect((await here.ask('/api/plants/1')).body.outlook.cycle_days).toBeGreaterThan(1.1 * before);
    expect((await here.ask('/api/components')).body.components).toEqual([pumice]);
    const wrong = await send('PUT', '/components', { ...pumice, water_at_10cm: 0.9 });
    expect(wrong.body.faults[0].pointer).toBe('/water_at_10cm');
    await send('PUT', '/components', { ...pumice, water_at_10cm: 0.28 });
  });
  it('and can be taken back: the tabled figures stand again, once', async () => {
    const taken = await send('DELETE', '/components/pumice', {});
    expect(taken).toMatchObject({ status: 200, body: { components: [] } });
    expect((await send('DELETE', '/components/pumice', {})).status).toBe(404);
  });
  it('one of the keeper’s own stays while a recipe has it', async () => {
    const slag = { total_porosity: 0.5, water_at_10cm: 0.1, water_air_dry: 0.02, bulk_density_g_ml: 1.2, ph: null };
    await send('PUT', '/components', { id: 'slag', ...slag });
    const recipe = await send('POST', '/mixes', { name: 'Slag only', parts: [{ component: 'slag', parts: 1 }] });
    expect((await send('DELETE', '/components/slag', {})).status).toBe(409);
    await send('DELETE', `/mixes/${recipe.body.id}`, {});
    expect((await send('DELETE', '/components/slag', {})).status).toBe(200);
  });
});

describe('the stores', () => {
  const pumice = {
    kind: 'component',
    name: 'Pumice, the bag',
    component_ref: 'pumice',
    pot: null,
    amount: 5,
    low: 2,
    price_minor: 120,
  };
  let id = 0;
  it('take in components and pots; each is told what it wants', async () => {
    const made = await send('POST', '/stock', pumice);
    expect(made.status).toBe(201);
    ({ id } = made.body);
    expect((await send('POST', '/stock', pumice)).body.type).toContain('name-taken');
    expect((await send('POST', '/stock', { ...pumice, name: 'x', component_ref: null })).body.faults[0].pointer).toBe(
      '/component_ref',
    );
    expect(
      (await send('POST', '/stock', { ...pumice, name: 'x', kind: 'pot', component_ref: null })).body.faults[0].pointer,
    ).toBe('/pot');
  });
  const amount = async () => (await here.ask('/api/stock')).body.stock.find((one: any) => one.id === id).amount;
  const move = (why: string, change: number, more: object = {}, clientId: string = randomUUID()) =>
    send('POST', '/stock/moves', { client_id: clientId, why, lines: [{ stock_id: id, amount: change }], ...more });
  it('go down by a batch and up by what is bought; sent twice it counts once', async () => {
    const clientId = randomUUID();
    await move('batch', -1.5, {}, clientId);
    await move('batch', -1.5, {}, clientId);
    expect(await amount()).toBe(3.5);
    await move('bought', 10);
    expect(await amount()).toBe(13.5);
  });
  it('a count says what is there', async () => {
    await move('counted', 4);
    expect(await amount()).toBe(4);
  });
  it('never go below nothing without a word', async () => {
    const { status, body } = await move('batch', -6);
    expect(status).toBe(409);
    expect(body.detail).toBe('Pumice, the bag: 6 wanted, 4 there. Count again, or send it with anyway.');
    expect(await amount()).toBe(4);
    expect((await move('batch', -6, { anyway: true })).status).toBe(200);
    expect(await amount()).toBe(0);
  });
  it('are changed from the version that was seen, and cleared', async () => {
    const [line] = (await here.ask('/api/stock')).body.stock;
    expect((await send('PATCH', `/stock/${id}`, { low: 3 }, { 'If-Match': '"1"' })).status).toBe(412);
    const changed = await send('PATCH', `/stock/${id}`, { low: 3 }, { 'If-Match': `"${line.version}"` });
    expect(changed.body.stock[0].low).toBe(3);
    expect((await send('DELETE', `/stock/${id}`, {})).body.stock).toEqual([]);
  });
});

describe('the bench', () => {
  it('says of each plant its need, its next pot and what that does', async () => {
    const { status, body } = await here.ask('/api/potting/1');
    expect(status).toBe(200);
    expect(body.plants).toHaveLength(2);
    for (const plant of body.plants) {
      expect(plant.next.pot.top_mm).toBeGreaterThan(plant.old.pot.top_mm);
      // Rosettes root wide and low: their next pot dries no slower.
      if (plant.next.rooting === 'snug') expect(plant.next.days.now.p50).toBeGreaterThan(plant.old.days.now.p50);
      expect(plant.next.stand.weightG).toBeGreaterThan(plant.old.stand.weightG);
      expect(plant.need.verdict).toBe('none');
    }
  });
  it('a bulging pot with roots out is due, and first in the queue', async () => {
    const entries = ['pot-bulging', 'roots-out'].map((sign) => ({
      client_id: randomUUID(),
      type: 'sign',
      date: TODAY,
      sign,
      strength: 2,
    }));
    expect((await send('POST', '/marks', { marks: [{ plant_id: 2, entries }] })).status).toBe(201);
    const { body } = await here.ask('/api/potting/1');
    expect(body.plants[0]).toMatchObject({ id: 2, need: { verdict: 'due' } });
    expect(body.plants[0].need.reasons.map((reason: any) => reason.code)).toEqual(['bulging', 'roots-out']);
  });
  it('tells what its place does to any pot and mix', async () => {
    const { body } = await here.ask('/api/plants/1/drying');
    expect(body).toMatchObject({ id: 1, mix_id: 1, pot: { top_mm: 90 } });
    expect(body.drying.now.surfaceMm).toBeGreaterThan(0);
    expect(body.drying.rate.p10).toBeLessThan(body.drying.rate.p90);
    expect((await here.ask('/api/plants/999/drying')).status).toBe(404);
  });
});

describe('a potting', () => {
  const pot = {
    shape: 'round',
    top_mm: 110,
    base_mm: 82,
    depth_mm: 95,
    material: 'terracotta',
    holes: true,
    top_dressing_mm: 5,
  };
  const repot = async (id: number, over: object) => {
    const { version } = (await here.ask(`/api/plants/${id}`)).body;
    return send(
      'POST',
      `/plants/${id}/pottings`,
      { client_id: randomUUID(), kind: 'repotted', pot, mix_id: 1, date: TODAY, ...over },
      { 'If-Match': `"${version}"` },
    );
  };
  const also = async () => (await here.ask('/api/round')).body.sites[0].also;

  it('with rot found and cut holds the first drink for days, and its word is the judge’s', async () => {
    const { status, body } = await repot(2, {
      findings: ['brown-soft'],
      root_loss: 0.4,
      why: 'rescue',
      mix_was: 'dry',
    });
    expect(status).toBe(201);
    const [first] = body.task.judgement.deeds;
    expect(first.deed).toBe('wait');
    expect(dayNumber(first.until) - dayNumber(TODAY)).toBeGreaterThanOrEqual(10);
    expect(body.task.judgement.because[0]).toMatchObject({ code: 'in-treatment', of: 'root-rot' });
    expect(body.task.feed).toMatchObject({ kind: 'plain', why: { code: 'roots-form' } });
    const entry = body.journal.find((one: any) => one.event.type === 'repotting');
    expect(entry.event).toMatchObject({ findings: ['brown-soft'], why: 'rescue', root_loss: 0.4 });
    // The case is open by itself, and the potting is what was done on it.
    const [ail] = (await here.ask('/api/plants/2/clinic')).body.cases;
    expect(ail).toMatchObject({ cause: 'root-rot', openedOn: TODAY, closed: null });
    expect(ail.steps.filter((step: any) => step.doneOn === TODAY).map((step: any) => step.step)).toContain('unpot');
    // What follows says what the judge and the feeding rule say.
    const { follows } = (await here.ask('/api/plants/2/pots')).body;
    const on = (kind: string) => follows.find((task: any) => task.kind === kind).on;
    expect(on('first-drink')).toBe(first.until);
    expect(on('food-from')).toBe(body.task.feed.until);
  });
  it('with whole roots into damp mix waits less', async () => {
    const { body } = await repot(1, { date: ago(1), findings: ['white-firm'], root_loss: 0, mix_was: 'damp' });
    const until = body.task.judgement.deeds.find((deed: any) => deed.deed === 'wait')?.until;
    expect(until === undefined || dayNumber(until) - dayNumber(TODAY) <= 21).toBe(true);
    expect((await here.ask('/api/potting/1')).body.plants.find((one: any) => one.id === 1).need.reasons).toEqual([]);
  });
  it('is looked after on the round: the first look a day on, until it is answered', async () => {
    const looks = (await also()).filter((one: any) => one.kind === 'potted-look');
    expect(looks).toEqual([expect.objectContaining({ plant_id: 1, n: 1, day: ago(1) })]);
    const entries = [{ client_id: randomUUID(), type: 'review', date: TODAY, answer: 'same' }];
    await send('POST', '/marks', { marks: [{ plant_id: 1, entries }] });
    expect((await also()).filter((one: any) => one.kind === 'potted-look')).toEqual([]);
  });
  it('each pot stays in the plant’s book, with how it dries and dried', async () => {
    const { pots, follows } = (await here.ask('/api/plants/1/pots')).body;
    expect(follows.map((task: any) => task.kind).toSorted()).toEqual([
      'first-drink',
      'food-from',
      'look',
      'look',
      'look',
      'shade-ends',
    ]);
    expect(pots.map((one: any) => [one.pot.top_mm, one.to])).toEqual([
      [90, ago(1)],
      [110, null],
    ]);
    expect(pots[1].reckoned.now.p50).not.toBe(pots[0].reckoned.now.p50);
    expect(pots[1]).toMatchObject({ drinks: 0, median_days: null, against: null });
    expect((await here.ask('/api/plants/999/pots')).status).toBe(404);
  });
  it('its holes and its colour are kept and told, and a garden file holds them', async () => {
    const { version } = (await here.ask('/api/plants/1')).body;
    const detailed = { ...pot, hole_count: 1, hole_mm: 4, crocks_mm: 12, dark: true };
    const body = { client_id: randomUUID(), kind: 'set-right', pot: detailed, mix_id: 1 };
    const { status } = await send('POST', '/plants/1/pottings', body, { 'If-Match': `"${version}"` });
    expect(status).toBe(201);
    expect((await here.ask('/api/plants/1')).body.outlook.pot).toMatchObject(detailed);
    const line = (await here.ask('/api/potting/1')).body.plants.find((one: any) => one.id === 1);
    expect(line.need.reasons).toContainEqual(expect.objectContaining({ code: 'small-hole' }));
    const file = (await here.ask('/api/export/garden/1')).body;
    expect(file.plants[0].pot).toMatchObject(detailed);
    // Of a pot whose holes nobody measured it says nothing.
    for (const plant of file.plants.slice(1)) expect(Object.keys(plant.pot)).not.toContain('hole_mm');
    const wrong = { ...body, client_id: randomUUID(), pot: { ...detailed, hole_mm: 500 } };
    expect(
      (await send('POST', '/plants/1/pottings', wrong, { 'If-Match': `"${version}"` })).body.faults[0],
    ).toMatchObject({
      pointer: '/pot/hole_mm',
    });
    const full = { ...body, client_id: randomUUID(), pot: { ...detailed, crocks_mm: 190 } };
    expect(
      (await send('POST', '/plants/1/pottings', full, { 'If-Match': `"${version}"` })).body.faults[0].pointer,
    ).toBe('/pot/crocks_mm');
  });
  it('a rescue out of season waits for its final pot', async () => {
    const entries = [{ client_id: randomUUID(), type: 'state', date: ago(3), state: 'resting' }];
    expect((await send('POST', '/marks', { marks: [{ plant_id: 2, entries }] })).status).toBe(201);
    const line = (await here.ask('/api/potting/1')).body.plants.find((one: any) => one.id === 2);
    expect(line.need.verdict).toBe('due');
    expect(line.need.reasons[0].code).toBe('interim');
    expect(line.blocks.map((block: any) => block.code)).toContain('resting');
  });
  it('into a soil that feeds asks for no food while it does', async () => {
    const soil = { name: 'A soil', for_what: null, parts: [{ component: 'potting-soil', parts: 1 }] };
    const { body: mix } = await send('POST', '/mixes', soil);
    expect((await repot(1, { mix_id: mix.id })).status).toBe(201);
    const { follows } = (await here.ask('/api/plants/1/pots')).body;
    const from = follows.find((task: any) => task.kind === 'food-from').on;
    expect(dayNumber(from) - dayNumber(TODAY)).toBe(183);
  });
  it('refuses findings that are none', async () => {
    expect((await repot(1, { findings: ['purple'] })).body.faults[0].pointer).toMatch(/^\/findings/);
  });
});

describe('this weekend on the round', () => {
  let fresh: Served;
  beforeAll(async () => {
    fresh = await served();
  });
  afterAll(() => fresh.drop());
  it('is what the queue says, at once after a sign that asks for a pot', async () => {
    const planned = async () => {
      const [round, queue] = await Promise.all([fresh.ask('/api/round'), fresh.ask('/api/potting/1')]);
      const until = dayNumber(TODAY) + 7;
      const weekends = weekendsOfBench(queue.body.plants, TODAY, 6);
      const due = queue.body.plants.filter(
        ({ id, need }: { id: number; need: { verdict: string } }) =>
          need.verdict === 'due' && (weekends.get(id) ?? until) < until,
      );
      const ids = round.body.sites[0].pottings.map((plan: { plant_id: number }) => plan.plant_id);
      expect(ids.toSorted()).toEqual(due.map(({ id }: { id: number }) => id).toSorted());
      const standing = round.body.sites[0].places.flatMap((place: { pots: { id: number }[] }) => place.pots);
      for (const id of ids) expect(standing.some((pot: { id: number }) => pot.id === id)).toBe(true);
      return queue.body.plants.find(({ id }: { id: number }) => id === 1)!.need.score as number;
    };
    const before = await planned();
    const sign = (name: string) => ({ client_id: randomUUID(), date: TODAY, type: 'sign', sign: name, strength: 3 });
    const marks = [{ plant_id: 1, entries: [sign('roots-out'), sign('pot-bulging'), sign('topples')] }];
    expect((await fresh.ask('/api/marks', { method: 'POST', body: { marks } })).status).toBe(201);
    expect(await planned()).toBeGreaterThan(before);
  });
});
