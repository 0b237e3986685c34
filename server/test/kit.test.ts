/** What a collection is kept with, and what is too much or too long. Against a real MariaDB. */
import { randomUUID } from 'node:crypto';
import { problemSchema, roundSchema } from '@zinc-pail/contract/api';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Served, served, keeps } from './harness.ts';
import { keeper } from './keeper.ts';

let here: Served;
beforeAll(async () => {
  here = await served();
});
afterAll(() => here.drop());

const { send } = keeper(() => here);

describe('the kit', () => {
  it('keeps waters and feeds, and the can is reckoned with them', async () => {
    await send('/api/waters', { name: 'Butt', kind: 'rain', salts_mg_l: 15 });
    const feed = await send('/api/feeds', {
      name: 'Weir bloom',
      kind: 'liquid',
      n_pct: 4,
      p_pct: 6,
      k_pct: 9,
      unit: 'ml',
      per_litre: 5,
    });
    expect(feed.status).toBe(201);
    const kit = (await here.ask('/api/kit')).body;
    expect(kit.waters[0].name).toBe('Butt');
    expect(kit.feeds[0].per_litre).toBe(5);
    const round = (await here.ask('/api/round')).body;
    keeps(roundSchema, round);
    for (const line of round.sites[0].can) expect(line.fills).toBe(Math.max(1, Math.ceil(line.ml / 5000)));
    expect(
      (await send('/api/feeds', { name: 'x', kind: 'liquid', n_pct: 99, p_pct: 0, k_pct: 0, unit: 'ml', per_litre: 1 }))
        .status,
    ).toBe(400);
    expect((await here.ask(`/api/feeds/${feed.body.id}`, { method: 'DELETE' })).status).toBe(204);
  });
  it('keeps views by name', async () => {
    const view = {
      name: 'Thirsty',
      spec: {
        columns: ['name', 'due'],
        sort: [{ id: 'due', desc: false }],
        filters: [{ id: 'state', value: 'growing' }],
      },
    };
    expect((await send('/api/views', view)).status).toBe(201);
    expect((await send('/api/views', view)).status).toBe(409);
    expect((await here.ask('/api/kit')).body.views[0].spec).toEqual(view.spec);
  });
  it('gives the table every living plant once', async () => {
    const { fields, rows: table } = (await here.ask('/api/plants')).body;
    expect(fields).toContain('due');
    const [[{ n }]] = (await here.pool.query('SELECT COUNT(*) AS n FROM plant WHERE ended IS NULL')) as unknown as [
      [{ n: number }],
    ];
    expect(table).toHaveLength(n);
    expect(table[0]).toHaveLength(fields.length);
  });
});

describe('what is too much or too long is told', () => {
  it.each<[string, string, unknown, RegExp]>([
    [
      'a note',
      '/api/marks',
      {
        marks: [
          {
            plant_id: 1,
            entries: [{ client_id: randomUUID(), date: '2026-01-01', type: 'note', text: 'x'.repeat(4001) }],
          },
        ],
      },
      /1 to 4000 characters/,
    ],
    [
      'an amount',
      '/api/marks',
      {
        marks: [
          {
            plant_id: 1,
            entries: [
              { client_id: randomUUID(), date: '2026-01-01', type: 'watering', method: 'measured', amount_ml: 1e6 },
            ],
          },
        ],
      },
      /0.1 to 200000 ml/,
    ],
    [
      'a drain test',
      '/api/marks',
      {
        marks: [
          { plant_id: 1, entries: [{ client_id: randomUUID(), date: '2026-01-01', type: 'drain', seconds: 9999 }] },
        ],
      },
      /0 to 3600 s/,
    ],
    [
      'a feed',
      '/api/feeds',
      { name: 'x', kind: 'liquid', n_pct: 1, p_pct: 1, k_pct: 1, unit: 'ml', per_litre: 5000 },
      /0.01 to 200/,
    ],
    ['a can', '/api/settings', { can_ml: 10 }, /100 to 200000 ml/],
    [
      'a bench',
      '/api/places',
      { site_id: 1, name: 'x', kind: 'room', air: 'still', width_mm: 1e6, depth_mm: 10 },
      /50 to 60000 mm/,
    ],
    [
      'a reading',
      '/api/places/1/readings',
      { readings: [{ date: '2026-01-01', tmin_c: -300, tmax_c: 4 }] },
      /-60 to 80/,
    ],
    [
      'a skip',
      '/api/marks',
      {
        marks: [
          { plant_id: 1, entries: [{ client_id: randomUUID(), date: '2026-01-01', type: 'skip', reason: 'lazy' }] },
        ],
      },
      /still-wet/,
    ],
    ['a tray', '/api/plants/1/copies', { count: 5000, date: '2026-01-01', as_offspring: false }, /1 to 200 plants/],
    ['a calendar’s name', '/api/calendar-tokens', { name: '' }, /1 to 80 characters/],
  ])('%s', async (_, path, body, words) => {
    const { status, body: problem } = await here.ask(path, {
      method: path === '/api/settings' ? 'PATCH' : 'POST',
      body,
    });
    expect(status).toBe(400);
    keeps(problemSchema, problem);
    expect(problem.detail).toMatch(words);
  });
  it('a body over a megabyte', async () => {
    const { status, body } = await send('/api/views', { name: 'x', spec: 'y'.repeat(1_200_000) });
    expect(status).toBe(413);
    expect(body.detail).toMatch(/up to 1 MB are taken here/);
  });
});
