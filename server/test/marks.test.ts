/** Marks on one pot and on many, what they leave to be done, and many hands at once. Against a real MariaDB. */
import { randomUUID } from 'node:crypto';
import { marksResultSchema, timersSchema } from '@zinc-pail/contract/api';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Served, served, keeps, today } from './harness.ts';
import { keeper, daysAgo, watering } from './keeper.ts';

let here: Served;
beforeAll(async () => {
  here = await served();
});
afterAll(() => here.drop());

const { send, takeIn, plant, rows } = keeper(() => here);

describe('marks on many', () => {
  it('are written together, each with what it changed, and taken back together', async () => {
    const marks = [1, 2].map((plant_id) => ({
      plant_id,
      entries: [watering({ date: daysAgo(1), way: 'base', water: 'rain' })],
    }));
    const { status, body } = await send('/api/marks', { marks }, { 'X-Keeper': encodeURIComponent('Änne') });
    expect(status).toBe(201);
    keeps(marksResultSchema, body);
    expect(body.done.map((one: any) => one.plant_id)).toEqual([1, 2]);
    expect(body.done[0].entries[0]).toMatchObject({ written_by: 'Änne', event: { date: daysAgo(1), way: 'base' } });
    const undone = await send('/api/marks/void', { client_ids: marks.map((mark) => mark.entries[0]!.client_id) });
    expect(undone.status).toBe(200);
    expect(undone.body.done.every((one: any) => one.entries[0].voided)).toBe(true);
  });
  it('a whole large bench in one go', async () => {
    const { ids } = (await takeIn({ name: 'Sempervivum tectorum', count: 200 })).body;
    const { status, body } = await send('/api/marks', {
      marks: ids.map((plant_id: number) => ({ plant_id, entries: [watering()] })),
    });
    expect(status).toBe(201);
    expect(body.done).toHaveLength(200);
    const undone = await send('/api/marks/void', { client_ids: body.done.map((one: any) => one.entries[0].client_id) });
    expect(undone.body.done.every((one: any) => one.entries[0].voided)).toBe(true);
    await Promise.all(ids.map((id: number) => send(`/api/plants/${id}/end`, { how: 'given', date: today() })));
  });
  it('one of them bad: none is written', async () => {
    const before = await rows('journal');
    const { status } = await send('/api/marks', {
      marks: [
        { plant_id: 1, entries: [watering()] },
        { plant_id: 999, entries: [watering()] },
      ],
    });
    expect(status).toBe(404);
    expect(await rows('journal')).toBe(before);
  });
  it('the second of two keepers is told, and nothing is counted twice', async () => {
    const seen = (await plant(1)).revision;
    const first = watering();
    expect(
      (await send('/api/marks', { marks: [{ plant_id: 1, seen, entries: [first] }] }, { 'X-Keeper': 'Ida' })).body.done,
    ).toHaveLength(1);
    const before = await rows('journal');
    const second = await send(
      '/api/marks',
      {
        marks: [
          { plant_id: 1, seen, entries: [watering()] },
          { plant_id: 2, entries: [watering({ date: daysAgo(2) })] },
        ],
      },
      { 'X-Keeper': 'Jon' },
    );
    keeps(marksResultSchema, second.body);
    expect(second.body.already[0]).toMatchObject({ plant_id: 1 });
    expect(second.body.already[0]).toMatchObject({
      by: 'Ida',
      deed: 'watered',
      at: expect.stringMatching(/^\d\d:\d\d$/),
    });
    expect(second.body.done.map((one: any) => one.plant_id)).toEqual([2]);
    expect(await rows('journal')).toBe(before + 1);
    // One who knows may water twice.
    expect(
      (await send('/api/marks', { marks: [{ plant_id: 1, seen: (await plant(1)).revision, entries: [watering()] }] }))
        .body.done,
    ).toHaveLength(1);
  });
  it('one’s own mark sent again before the answer came is counted once, and not told as another’s', async () => {
    const id = (await takeIn()).body.ids[0];
    const mark = { plant_id: id, seen: (await plant(id)).revision, entries: [watering()] };
    const answers = await Promise.all([1, 2, 3].map(() => send('/api/marks', { marks: [mark] })));
    expect(answers.every((answer) => answer.body.done.length === 1 && answer.body.already.length === 0)).toBe(true);
    expect(
      (
        await here.pool.query<any[]>("SELECT COUNT(*) AS n FROM journal WHERE plant_id = ? AND type = 'watering'", [id])
      )[0][0].n,
    ).toBe(1);
  });
  it('the same plant or the same id twice in one go is refused, and none is written', async () => {
    const before = await rows('journal');
    const twin = watering();
    const plants = await send('/api/marks', {
      marks: [
        { plant_id: 1, entries: [watering()] },
        { plant_id: 1, entries: [watering()] },
      ],
    });
    expect(plants.body.faults[0].pointer).toBe('/marks/1/plant_id');
    const ids = await send('/api/marks', {
      marks: [
        { plant_id: 1, entries: [twin] },
        { plant_id: 2, entries: [twin] },
      ],
    });
    expect(ids.body.faults[0].pointer).toBe('/marks/1/entries/0/client_id');
    expect([plants.status, ids.status]).toEqual([400, 400]);
    expect(await rows('journal')).toBe(before);
  });
  it('both at the same moment: one is written', async () => {
    const { body } = await takeIn();
    const id = body.ids[0];
    const seen = (await plant(id)).revision;
    const answers = await Promise.all(
      [1, 2, 3].map(() => send('/api/marks', { marks: [{ plant_id: id, seen, entries: [watering()] }] })),
    );
    expect(answers.reduce((sum, answer) => sum + answer.body.done.length, 0)).toBe(1);
    expect(
      (
        await here.pool.query<any[]>("SELECT COUNT(*) AS n FROM journal WHERE plant_id = ? AND type = 'watering'", [id])
      )[0][0].n,
    ).toBe(1);
  });
  it('take what the keeper alone writes, and a feed knows its drink', async () => {
    const drink = watering({ date: daysAgo(3) });
    const { status, body } = await send('/api/marks', {
      marks: [
        {
          plant_id: 2,
          entries: [
            drink,
            {
              client_id: randomUUID(),
              date: daysAgo(3),
              type: 'feeding',
              dose: 0.5,
              with: drink.client_id,
              feed_id: null,
            },
            { client_id: randomUUID(), date: today(), type: 'skip', reason: 'still-wet' },
            { client_id: randomUUID(), date: today(), type: 'measure', diameter_mm: 61, heads: 2 },
            { client_id: randomUUID(), date: today(), type: 'flowering', stage: 'open', flowers: 3 },
            { client_id: randomUUID(), date: today(), type: 'drain', seconds: 90 },
            { client_id: randomUUID(), date: today(), type: 'firmed', yes: false },
            { client_id: randomUUID(), date: today(), type: 'review', answer: 'better' },
            { client_id: randomUUID(), date: today(), type: 'sun', minutes: 45 },
          ],
        },
      ],
    });
    expect(status).toBe(201);
    keeps(marksResultSchema, body);
    expect(body.done[0].advice[0]).toMatchObject({ code: 'drain' });
    expect((await plant(2)).journal.find((entry: any) => entry.event.type === 'feeding').event.with).toBe(
      drink.client_id,
    );
  });
});

describe('timers', () => {
  it('stand after a drench over a saucer, survive, and end once', async () => {
    await here.ask('/api/plants/2', {
      method: 'PATCH',
      body: { rules: { stand: 'saucer', saucerMinutes: 15 } },
      headers: { 'If-Match': String((await plant(2)).version) },
    });
    const mark = watering();
    await send('/api/marks', { marks: [{ plant_id: 2, entries: [mark] }], anyway: true });
    const { body } = await here.ask('/api/timers');
    keeps(timersSchema, body);
    const timer = body.timers.find((one: any) => one.plant_id === 2 && one.kind === 'saucer');
    const minutes = (new Date(timer.due_at).getTime() - Date.now()) / 60_000;
    expect(minutes).toBeGreaterThan(13);
    expect(minutes).toBeLessThanOrEqual(15.1);
    expect((await send(`/api/timers/${timer.id}/done`, {})).body.timers.map((one: any) => one.id)).not.toContain(
      timer.id,
    );
    expect((await send('/api/timers/999999/done', {})).status).toBe(404);
  });
  it('go with the mark that is taken back, and none is set for yesterday', async () => {
    const mark = watering();
    await send('/api/marks', { marks: [{ plant_id: 2, entries: [mark] }], anyway: true });
    const open = async () =>
      (await here.ask('/api/timers')).body.timers.filter((one: any) => one.plant_id === 2 && one.kind === 'saucer')
        .length;
    expect(await open()).toBe(1);
    await send('/api/marks/void', { client_ids: [mark.client_id] });
    expect(await open()).toBe(0);
    await send('/api/marks', { marks: [{ plant_id: 2, entries: [watering({ date: daysAgo(1) })] }], anyway: true });
    expect(await open()).toBe(0);
  });
});

describe('many hands at once', () => {
  it('marks, moves, changes and ends meet without one being lost or answered by our fault', async () => {
    const { ids } = (await takeIn({ count: 12, name: 'Sedum morganianum' })).body;
    const other = (await send('/api/places', { site_id: 1, name: 'Other shelf', kind: 'cold-glass', air: 'gentle' }))
      .body.id;
    const version = (await plant(ids[3])).version;
    const answers = await Promise.all([
      ...ids.map((id: number) =>
        send('/api/marks', { marks: [{ plant_id: id, entries: [watering()] }], anyway: true }),
      ),
      send('/api/plants/move', { plant_ids: ids.slice(0, 6), place_id: other, date: today() }),
      send('/api/marks', {
        marks: ids.toReversed().map((id: number) => ({
          plant_id: id,
          entries: [{ client_id: randomUUID(), date: today(), type: 'check', finger: 'damp' }],
        })),
      }),
      here.ask(`/api/plants/${ids[3]}`, {
        method: 'PATCH',
        headers: { 'If-Match': String(version) },
        body: { provenance: 'together' },
      }),
      send(`/api/plants/${ids[11]}/end`, { how: 'given', date: today() }),
    ]);
    expect(answers.map((answer) => answer.status).filter((status) => status >= 500)).toEqual([]);
    const [[{ n }]] = (await here.pool.query(
      "SELECT COUNT(*) AS n FROM journal WHERE plant_id IN (?) AND type = 'watering'",
      [ids],
    )) as unknown as [[{ n: number }]];
    expect(n).toBeGreaterThanOrEqual(11);
    expect((await plant(ids[0])).place.id).toBe(other);
  });
});
