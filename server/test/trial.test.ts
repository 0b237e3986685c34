/** What broke under trial, and does no more: ended plants, races, hostile texts, instruments that have to go. */
import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Served, served, today } from './harness.ts';
import { daysAgo, keeper, POT, watering } from './keeper.ts';

let here: Served;
beforeAll(async () => {
  here = await served();
});
afterAll(() => here.drop());
const { send, takeIn, plant, rows } = keeper(() => here);
const one = async (over: object = {}): Promise<number> => (await takeIn(over)).body.ids[0];
const listOf = (csv: string, over: object = {}) =>
  send('/api/import/csv', {
    name: 'list.csv',
    csv,
    columns: { name: 'name' },
    defaults: { place_id: 1, mix_id: 1, pot: POT },
    dry_run: false,
    ...over,
  });

describe('a plant that has ended', () => {
  it.each(['', '/drying', '/pots', '/clinic'])('is said to be so at %s', async (path) => {
    const id = await one({ date: daysAgo(3) });
    await send(`/api/plants/${id}/end`, { how: 'died', date: today(), cause: null });
    const { status, body } = await here.ask(`/api/plants/${id}${path}`);
    expect(status).toBe(410);
    expect(body.detail).toContain('has died');
  });
});

describe('at once', () => {
  it('six repottings from one version are one, and five are told', async () => {
    const id = await one({ date: daysAgo(3) });
    const { version } = await plant(id);
    const answers = await Promise.all(
      Array.from({ length: 6 }, () =>
        send(
          `/api/plants/${id}/pottings`,
          { client_id: randomUUID(), kind: 'repotted', date: today(), pot: POT, mix_id: 1 },
          { 'If-Match': `"${version}"` },
        ),
      ),
    );
    expect(answers.map(({ status }) => status).sort()).toEqual([201, 412, 412, 412, 412, 412]);
    const [[count]] = await here.pool.query<any[]>('SELECT COUNT(*) AS n FROM potting WHERE plant_id = ?', [id]);
    expect(count.n).toBe(2);
  });
  it('the weather is told while benches come and go', async () => {
    for (let round = 0; round < 4; round++) {
      const bench = (await send('/api/places', { site_id: 1, name: `Gone ${round}`, kind: 'room', air: 'still' })).body
        .id;
      const answers = await Promise.all([
        here.ask('/api/weather'),
        here.ask(`/api/places/${bench}`, { method: 'DELETE' }),
        here.ask('/api/weather'),
        here.ask('/api/weather'),
      ]);
      expect(answers.map(({ status }) => status)).toEqual([200, 204, 200, 200]);
    }
  });
  it('a bench goes while plants come: each is told, none is lost, and none fails', async () => {
    for (let round = 0; round < 4; round++) {
      const bench = (await send('/api/places', { site_id: 1, name: `Trial ${round}`, kind: 'room', air: 'still' })).body
        .id;
      const answers = await Promise.all([
        ...Array.from({ length: 5 }, () => takeIn({ place_id: bench })),
        here.ask(`/api/places/${bench}`, { method: 'DELETE' }),
        ...Array.from({ length: 5 }, () => takeIn({ place_id: bench })),
      ]);
      const wrong = answers.filter(({ status }) => ![201, 204, 400, 409].includes(status));
      expect(wrong.map(({ status, body }) => [status, body])).toEqual([]);
      const [[stray]] = await here.pool.query<any[]>(
        `SELECT COUNT(*) AS n FROM stay s LEFT JOIN place pl ON pl.id = s.place_id
           WHERE s.to_day IS NULL AND (pl.id IS NULL OR pl.dropped_on IS NOT NULL)`,
      );
      expect(stray.n).toBe(0);
    }
  });
  it('marks while their import is taken back are written before it, or told that the plant is gone', async () => {
    const { body } = await listOf('name\nAloe brevifolia\nAloe humilis\n');
    const [ids] = await here.pool.query<any[]>('SELECT id FROM plant WHERE import_id = ?', [body.import_id]);
    const answers = await Promise.all([
      ...ids.flatMap(({ id }) =>
        Array.from({ length: 6 }, () =>
          send('/api/marks', { marks: [{ plant_id: id, entries: [watering()] }], anyway: true }),
        ),
      ),
      send(`/api/imports/${body.import_id}/undo`, { anyway: true }),
      ...ids.flatMap(({ id }) =>
        Array.from({ length: 6 }, () =>
          send('/api/marks', { marks: [{ plant_id: id, entries: [watering()] }], anyway: true }),
        ),
      ),
    ]);
    expect(answers.filter(({ status }) => status >= 500).map(({ body: said }) => said)).toEqual([]);
    expect((await rows('journal j LEFT JOIN plant p ON p.id = j.plant_id WHERE p.id IS NULL')).valueOf()).toBe(0);
  });
});

describe('what is read in parts', () => {
  it('a record of eight thousand days goes out as it came in, each day once and in order', async () => {
    const first = Date.parse('2001-01-01');
    const days = Array.from({ length: 8000 }, (_, i) => new Date(first + i * 86_400_000).toISOString().slice(0, 10));
    const csv = ['date,min,max', ...days.map((day, i) => `${day},${i % 20},${20 + (i % 9)}`)].join('\n');
    expect((await send('/api/sites/1/weather.csv', { csv })).status).toBe(201);
    const { weather } = (await here.ask('/api/export/garden/1')).body as {
      weather: { date: string; tmin_c: number; tmax_c: number }[];
    };
    const out = weather.filter(({ date }) => date >= days[0]! && date <= days.at(-1)!);
    expect(out.map(({ date }) => date)).toEqual(days);
    expect(out.map(({ tmin_c, tmax_c }) => [tmin_c, tmax_c])).toEqual(days.map((_, i) => [i % 20, 20 + (i % 9)]));
  });
  it('many plants stand in the table and in the file, each once, in the order of the walk', async () => {
    const { body } = await takeIn({ count: 150 });
    const { fields, rows: table } = (await here.ask('/api/plants')).body as { fields: string[]; rows: unknown[][] };
    const ids = table.map((row) => row[fields.indexOf('id')] as number);
    expect(new Set(ids).size).toBe(ids.length);
    expect(ids.filter((id) => body.ids.includes(id))).toEqual(body.ids);
    const { plants } = (await here.ask('/api/export/garden/1')).body as { plants: { id: string }[] };
    expect(plants.length).toBe(ids.length);
  });
});

describe('how much a body holds', () => {
  const fields = (n: number) => Object.fromEntries(Array.from({ length: n }, (_, i) => [`k${i}`, 0]));
  it.each([
    ['a list of hundreds of thousands', { marks: Array(300_000).fill(0) }],
    ['an object of fields without end', { marks: [], ...fields(20_000) }],
    ['many small objects', { marks: Array.from({ length: 30_000 }, () => ({ a: 0, b: 0 })) }],
  ])('is seen before it is read: %s is too large', async (_, body) => {
    const { status, body: said } = await send('/api/marks', body);
    expect([status, said.detail]).toEqual([413, expect.stringContaining('too many values')]);
  });
  it('counts no commas within texts', async () => {
    const text = '","[{'.repeat(90_000);
    const { status } = await send('/api/marks', { marks: [], text });
    expect(status).toBe(400);
  });
});

describe('ids that nobody knows', () => {
  it('of a move are refused before anything waits for it', async () => {
    const id = await one();
    const { status, body } = await send('/api/plants/move', {
      plant_ids: [id, 4_000_000],
      place_id: 1,
      date: today(),
    });
    expect(status).toBe(400);
    expect(body.faults).toEqual([{ pointer: '/plant_ids/1', got: 4_000_000, accepted: 'the id of a living plant' }]);
  });
  it('of an end are refused, and the others live on', async () => {
    const id = await one();
    const { status, body } = await send('/api/plants/end', { plant_ids: [id, 4_000_000], how: 'died', date: today() });
    expect([status, body.faults[0].pointer]).toEqual([400, '/plant_ids/1']);
    expect((await here.ask(`/api/plants/${id}`)).status).toBe(200);
  });
  it('of a feed are refused as a rule, of one plant and of many', async () => {
    const id = await one();
    const { version } = await plant(id);
    const rules = { feedId: 4_000_000 };
    const answers = [
      await send(`/api/plants/${id}`, { rules }, { 'If-Match': `"${version}"` }, 'PATCH'),
      await send('/api/plants/rules', { plant_ids: [id], rules }),
    ];
    for (const { status, body } of answers)
      expect([status, body.faults[0].accepted]).toEqual([400, 'the id of one of your feeds']);
  });
  it('a plant named twice moves once', async () => {
    const id = await one();
    const { id: other } = (await send('/api/places', { site_id: 1, name: 'Another', kind: 'room', air: 'still' })).body;
    const { body } = await send('/api/plants/move', { plant_ids: [id, id], place_id: other, date: today() });
    expect(body.moved).toEqual([id]);
    expect(await rows(`stay WHERE plant_id = ${id} AND to_day IS NULL`)).toBe(1);
  });
  it('a mother who comes from her own daughter is refused', async () => {
    const mother = await one();
    const daughter = await one({ mother_id: mother });
    const granddaughter = await one({ mother_id: daughter });
    const { version } = await plant(mother);
    const change = (id: number) =>
      send(`/api/plants/${mother}`, { mother_id: id }, { 'If-Match': `"${version}"` }, 'PATCH');
    for (const id of [mother, daughter, granddaughter]) expect((await change(id)).status).toBe(400);
    expect((await change(await one())).status).toBe(200);
  });
  it('stock of a component that is not there, or named twice, or bought below nothing, is refused', async () => {
    const stock = (over: object) =>
      send('/api/stock', {
        kind: 'component',
        name: randomUUID(),
        amount: 5,
        component_ref: 'pumice',
        pot: null,
        low: null,
        price_minor: null,
        ...over,
      });
    expect((await stock({ component_ref: 'moon dust' })).body.faults[0].pointer).toBe('/component_ref');
    const { id } = (await stock({})).body;
    const moved = (why: string, amounts: number[]) =>
      send('/api/stock/moves', {
        client_id: randomUUID(),
        why,
        lines: amounts.map((amount) => ({ stock_id: id, amount })),
      });
    expect((await moved('batch', [-1, -1])).body.faults[0].pointer).toBe('/lines/1/stock_id');
    expect((await moved('bought', [-1])).body.faults[0].pointer).toBe('/lines/0/amount');
    expect((await moved('bought', [1e6])).body.faults[0].pointer).toBe('/lines/0/amount');
    expect((await moved('bought', [1])).status).toBe(200);
  });
});

describe('texts that nobody can see, or write', () => {
  it.each([
    ['a space without width', '\u200B'],
    ['a NUL', '\0'],
    ['half a character', '\ud83c'],
  ])('%s is no name of a plant, a number, a site or a collection, nor in a list', async (_, text) => {
    const refused = [
      await takeIn({ name: text }),
      await takeIn({ number: text }),
      await send('/api/places', { site_id: 1, name: text, kind: 'room', air: 'still' }),
      await send('/api/settings', { name: text }, {}, 'PATCH'),
      await send('/api/settings', { number_scheme: `${text}{n:3}` }, {}, 'PATCH'),
      await listOf(`name\n${text}\n`),
    ];
    expect(refused.map(({ status }) => status)).toEqual([400, 400, 400, 400, expect.any(Number), expect.any(Number)]);
    for (const { status, body } of refused) expect(status, JSON.stringify(body)).toBeLessThan(500);
  });
  it('half a character in a note is refused with its pointer', async () => {
    const entry = { client_id: randomUUID(), date: today(), type: 'note', text: 'a bud \ud83c' };
    const { status, body } = await send('/api/marks', { marks: [{ plant_id: 1, entries: [entry] }] });
    expect(status).toBe(400);
    expect(body.faults[0].pointer).toBe('/marks/0/entries/0/text');
    expect(
      (await send('/api/marks', { marks: [{ plant_id: 1, entries: [{ ...entry, text: 'a bud 🌵' }] }] })).status,
    ).toBe(201);
  });
});

describe('lists', () => {
  it.each(['__proto__', 'constructor', 'toString'])('with a column called %s, and a short row', async (column) => {
    const csv = `name,${column}\nAloe aristata,x\nAloe striata\n`;
    const { status, body } = await listOf(csv, { dry_run: true, columns: { name: 'name', note: column } });
    expect(status).toBe(200);
    expect(body).toMatchObject({ rows: 2, good: 2 });
  });
  it('with a common name that makes the other names too long', async () => {
    const csv = `name,other,common\nAloe aristata,${'x'.repeat(490)},torch plant of the rock\n`;
    const { status, body } = await listOf(csv, {
      columns: { name: 'name', other_names: 'other', common_name: 'common' },
    });
    expect(status).toBe(400);
    expect(body.faults[0].accepted).toMatch(/up to 500 characters/);
  });
  it('wider than any list are refused at once, whatever they are a list of', async () => {
    const wide = `${Array.from({ length: 450_000 }, (_, i) => i).join(',')}\n1\n`;
    for (const answer of [
      await listOf(wide),
      await send('/api/places/1/readings.csv', { csv: wide }),
      await send('/api/sites/1/weather.csv', { csv: wide }),
      await listOf(`name\n${'"'.repeat(900_000)}\n`),
      await listOf(`name\n${'Aloe aristata\n'.repeat(70_000)}`),
    ]) {
      expect(answer.status).toBe(400);
      expect(answer.body.faults[0].pointer).toBe('/csv');
    }
  });
  it('that are long leave others their turn', async () => {
    const csv = `name,bench,mix\n${Array.from({ length: 5000 }, (_, i) => `Unheard-of ${i},nowhere ${i},nothing ${i}`).join('\n')}\n`;
    const columns = { name: 'name', place: 'bench', mix: 'mix' };
    let turns = 0;
    const going = { on: true };
    const others = (async () => {
      while (going.on) {
        await here.ask('/api/timers');
        turns++;
      }
    })();
    const { status } = await listOf(csv, { columns, dry_run: true });
    going.on = false;
    await others;
    expect(status).toBe(200);
    expect(turns).toBeGreaterThan(3);
  });
  it('a price below nothing is none', async () => {
    const csv = 'name,price\nAloe aristata,-1\n';
    const { body } = await listOf(csv, { columns: { name: 'name', price: 'price' } });
    expect(body.faults[0]).toMatchObject({ pointer: expect.stringContaining('price') });
  });
});

describe('days', () => {
  it('to come are none on which a plant was acquired, nor the year 9999 one until which it is kept dry', async () => {
    expect((await takeIn({ acquired_on: '9999-01-01' })).body.faults[0].pointer).toBe('/acquired_on');
    const verdict = {
      client_id: randomUUID(),
      date: today(),
      type: 'verdict',
      cause: 'root-rot',
      hold_until: '9999-01-01',
    };
    const { status, body } = await send('/api/marks', { marks: [{ plant_id: 1, entries: [verdict] }] });
    expect([status, body.faults[0].pointer]).toEqual([400, '/marks/0/entries/0/hold_until']);
  });
});

describe('instruments', () => {
  const add = async (body: object) => (await send('/api/devices', body)).body;
  const push = (token: string, readings: unknown) =>
    fetch(`${here.url}/devices/readings`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json', Authorization: `Bearer ${token}` },
      body: JSON.stringify({ readings }),
    });
  it.each(['2026', '2026-02-30T00:00:00Z', '+272026-01-01T00:00:00Z', '-000001-01-01T00:00:00Z', '2026-05-01'])(
    'tell moments, and %s is none',
    async (at) => {
      const { token } = await add({ name: 'Here', kind: 'thermometer', place_id: 1 });
      expect((await push(token, [{ at, temp_c: 4 }])).status).toBe(400);
    },
  );
  it('in a pot of a list are told before it is taken back, and go with it, readings and all', async () => {
    const { body } = await listOf('name\nAloe plicatilis\n');
    const [[{ id }]] = await here.pool.query<any[]>('SELECT id FROM plant WHERE import_id = ?', [body.import_id]);
    const { token } = await add({ name: 'Probe', kind: 'probe', plant_id: id });
    expect((await push(token, [{ at: `${daysAgo(1)}T06:00:00Z`, meter: 3 }])).status).toBe(200);
    const undo = (more: object) => send(`/api/imports/${body.import_id}/undo`, more);
    const told = await undo({});
    expect([told.status, told.body.detail]).toEqual([409, expect.stringContaining('1 instrument')]);
    expect((await undo({ anyway: true })).status).toBe(200);
    expect((await push(token, [{ at: `${daysAgo(1)}T07:00:00Z`, meter: 3 }])).status).toBe(401);
  });
  it('are moved, or taken away, and let their bench go; the days they read stay', async () => {
    const bench = (await send('/api/places', { site_id: 1, name: 'Ledge', kind: 'room', air: 'still' })).body.id;
    const { id, token } = await add({ name: 'On the ledge', kind: 'thermometer', place_id: bench });
    const hours = Array.from({ length: 24 }, (_, h) => ({
      at: `${daysAgo(2)}T${String(h).padStart(2, '0')}:00:00Z`,
      temp_c: 10 + h / 4,
    }));
    expect((await push(token, hours)).status).toBe(200);
    expect((await here.ask(`/api/places/${bench}`, { method: 'DELETE' })).status).toBe(409);
    expect((await send(`/api/devices/${id}/move`, { plant_id: 1 })).status).toBe(400);
    const { status, body } = await send(`/api/devices/${id}/move`, { place_id: 1 });
    expect(status).toBe(200);
    expect(body.devices.find((device: any) => device.id === id).place_id).toBe(1);
    expect((await push(token, [{ at: `${daysAgo(1)}T00:00:00Z`, temp_c: 5 }])).status).toBe(200);
    const before = await rows('thermometer_reading');
    expect((await here.ask(`/api/devices/${id}`, { method: 'DELETE' })).status).toBe(204);
    expect((await here.ask(`/api/devices/${id}`, { method: 'DELETE' })).status).toBe(404);
    expect(await rows('thermometer_reading')).toBe(before);
    expect((await here.ask(`/api/places/${bench}`, { method: 'DELETE' })).status).toBe(204);
  });
  it('eight pushes of one morning at once are all kept, and one look is made of them', async () => {
    const id = await one({ date: daysAgo(20) });
    const { token } = await add({ name: 'Probe in a pot', kind: 'probe', plant_id: id });
    const day = daysAgo(2);
    const answers = await Promise.all(
      Array.from({ length: 8 }, (_, i) => push(token, [{ at: `${day}T06:0${i}:00Z`, meter: 2 + i / 2 }])),
    );
    expect(answers.map(({ status }) => status)).toEqual(Array(8).fill(200));
    const { journal } = await plant(id);
    expect(journal.filter(({ event }: any) => event.type === 'check')).toHaveLength(1);
  });
});
