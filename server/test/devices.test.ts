/** Instruments: what they bring is kept as it came, sorted out, and only what can be believed decides anything. */
import { ON_A_SILL, readingsOf } from '@zinc-pail/standins/devices/instruments';
import { dayNumber, isoDay } from '@zinc-pail/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { boundsOf } from '../src/devices/push.ts';
import { dayOf, lookOf, type RawReading, type SortedReading, sortOut } from '../src/devices/sorting.ts';
import { type Served, served } from './harness.ts';

const HOUR = 3_600_000;
const NOW = Date.parse('2026-11-27T12:00:00Z');
const at = (hours: number, value: number, rhPct: number | null = null): RawReading => ({
  atMs: NOW - 100 * HOUR + hours * HOUR,
  value,
  rhPct,
});
const doubts = (kind: 'thermometer' | 'probe' | 'scale', values: readonly number[], stepHours = 1) =>
  sortOut(
    kind,
    values.map((value, i) => at(i * stepHours, value)),
    [],
    NOW,
  ).map(({ doubt }) => doubt);

describe('sorted out', () => {
  it.each([
    ['a sensor that has lost its wire', 'thermometer', [12, -127, 12.4], [null, 'out-of-range', null]],
    ['one that has just got its current', 'thermometer', [12, 85, 12.4], [null, 'out-of-range', null]],
    ['a spike', 'thermometer', [12, 42, 12.4], [null, 'jump', null]],
    ['glass in the sun', 'thermometer', [12, 24, 33, 36], [null, null, null, null]],
    ['a drench in front of a probe', 'probe', [2, 9, 9], [null, null, null]],
    ['a probe that counts to 255', 'probe', [4, 255, 0, 4], [null, 'out-of-range', 'out-of-range', null]],
    ['a hand on the scale', 'scale', [520, 4000, 518], [null, 'jump', null]],
    ['the pot off the scale', 'scale', [520, 12, 518], [null, 'jump', null]],
    ['a drench on the scale', 'scale', [430, 655, 650], [null, null, null]],
    [
      'another pot on the scale: believed at the third',
      'scale',
      [520, 1900, 1895, 1890, 1880],
      [null, 'jump', 'jump', null, null],
    ],
  ] as const)('%s', (_, kind, values, wanted) => expect(doubts(kind, values)).toEqual(wanted));

  it('a thermometer that has not moved all day and night', () => {
    const found = doubts(
      'thermometer',
      Array.from({ length: 40 }, () => 14.5),
    );
    expect(found.slice(0, 23).every((doubt) => doubt === null)).toBe(true);
    expect(found.at(-1)).toBe('stuck');
    // In a moving air it goes on being believed.
    expect(
      doubts(
        'thermometer',
        Array.from({ length: 40 }, (__, i) => 14.5 + (i % 3) / 10),
      ).at(-1),
    ).toBeNull();
  });
  it('a clock that runs ahead, or stands at its first day', () => {
    const sorted = sortOut('probe', [at(102, 5), { atMs: 0, value: 5, rhPct: null }], [], NOW);
    expect(sorted.map(({ doubt }) => doubt)).toEqual(['clock', 'clock']);
  });
  it('goes by what was believed before, not by what was doubted', () => {
    const before: SortedReading[] = [
      { ...at(0, 12), doubt: null },
      { ...at(1, 60), doubt: 'jump' },
    ];
    expect(sortOut('thermometer', [at(2, 12.5)], before, NOW)[0]!.doubt).toBeNull();
  });
  it('nonsense of humidity is left out, and the warmth beside it kept', () => {
    expect(sortOut('thermometer', [at(0, 12, 255)], [], NOW)[0]).toMatchObject({ rhPct: null, doubt: null });
  });
  it('what the simulated instruments say wrong is doubted, and hardly anything else', () => {
    for (const [kind, field, lies] of [
      ['thermometer', 'temp_c', (v: number) => v < 0 || v > 60],
      ['probe', 'meter', (v: number) => v < 1 || v > 10],
      ['scale', 'weight_g', (v: number) => v < 200 || v > 2000],
    ] as const) {
      const said = readingsOf(kind, 'sorting', { fromMs: NOW - 300 * 24 * HOUR, everyMs: HOUR });
      const raw: RawReading[] = [];
      for (let i = 0; i < 5000; i++) {
        const one = said.next().value;
        if (one) raw.push({ atMs: Date.parse(one.at), value: one[field]!, rhPct: null });
      }
      const sorted = sortOut(kind, raw, [], NOW);
      const wrong = sorted.filter(({ value }) => lies(value));
      const right = sorted.filter(({ value }) => !lies(value));
      expect(wrong.length).toBeGreaterThan(60);
      expect(wrong.filter(({ doubt }) => doubt === null)).toEqual([]);
      expect(right.filter(({ doubt }) => doubt !== null).length / right.length).toBeLessThan(0.01);
    }
  });
});

describe('a day', () => {
  const day = (hours: readonly number[]) =>
    hours.map((hour): SortedReading => ({ atMs: hour * HOUR, value: 10 + hour, rhPct: 60, doubt: null }));
  const hours = Array.from({ length: 24 }, (_, i) => i);
  it('has its lowest and highest where readings cover it', () =>
    expect(dayOf(day(hours), 0, 24 * HOUR)).toEqual({ tmin_c: 10, tmax_c: 33, rh_pct: 60 }));
  it('has none with a hole in which they may lie', () => {
    expect(dayOf(day(hours.filter((hour) => hour < 3 || hour > 10)), 0, 24 * HOUR)).toBeNull();
    expect(dayOf(day([12]), 0, 24 * HOUR)).toBeNull();
    expect(dayOf([], 0, 24 * HOUR)).toBeNull();
  });
  it('a doubted reading is neither', () => {
    const some = day(hours).map((one, i) => (i === 23 ? { ...one, doubt: 'jump' as const } : one));
    expect(dayOf(some, 0, 24 * HOUR)!.tmax_c).toBe(32);
  });
  it('has one look, nearest to nine', () => {
    expect(lookOf(day([0, 8, 11]), 0, 24 * HOUR)!.atMs).toBe(8 * HOUR);
    expect(lookOf(day([22]), 0, 24 * HOUR)).toBeNull();
  });
  it.each([
    ['Europe/Vienna', '2026-03-29', 23],
    ['Europe/Vienna', '2026-10-25', 25],
    ['Europe/Vienna', '2026-06-01', 24],
    ['Pacific/Apia', '2026-06-01', 24],
    ['Pacific/Pago_Pago', '2026-06-01', 24],
    ['Asia/Kathmandu', '2026-06-01', 24],
    ['UTC', '2028-02-29', 24],
  ])('in %s, %s has %d hours', (zone, date, length) => {
    const [from, to] = boundsOf(zone, date);
    expect((to - from) / HOUR).toBe(length);
    const clock = new Intl.DateTimeFormat('sv-SE', { timeZone: zone, dateStyle: 'short', timeStyle: 'short' });
    expect(clock.format(from)).toBe(`${date} 00:00`);
  });
});

describe('over the wire', () => {
  let own: Served;
  beforeAll(async () => {
    own = await served();
  });
  afterAll(() => own.drop());
  const YESTERDAY = isoDay(dayNumber(new Date().toISOString().slice(0, 10)) - 1);
  const add = async (body: object) => own.ask('/api/devices', { method: 'POST', body });
  const push = (token: string, readings: unknown) =>
    fetch(`${own.url}/devices/readings`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json', Authorization: `Bearer ${token}` },
      body: JSON.stringify({ readings }),
    });
  const hourly = (value: (hour: number) => object) =>
    Array.from({ length: 24 }, (_, hour) => ({
      at: `${YESTERDAY}T${String(hour).padStart(2, '0')}:00:00.000Z`,
      ...value(hour),
    }));

  it('a thermometer’s day becomes a reading of its place, and moves its site', async () => {
    const { status, body } = await add({ name: 'Under the ridge', kind: 'thermometer', place_id: 1 });
    expect(status).toBe(201);
    const readings = hourly((hour) => ({ temp_c: hour === 5 ? -127 : 8 + hour / 2, rh_pct: 64 }));
    const answer = await push(body.token, readings);
    expect(answer.status).toBe(200);
    expect(await answer.json()).toEqual({
      taken: 24,
      repeated: 0,
      doubted: [{ at: `${YESTERDAY}T05:00:00.000Z`, doubt: 'out-of-range' }],
    });
    const { body: places } = await own.ask('/api/places');
    expect(places.places[0].last_readings[0]).toEqual({ date: YESTERDAY, tmin_c: 8, tmax_c: 19.5, rh_pct: 64 });
    const again = await (await push(body.token, readings)).json();
    expect(again).toEqual({ taken: 0, repeated: 24, doubted: [] });
    const { body: list } = await own.ask('/api/devices');
    expect(list.devices[0]).toMatchObject({
      name: 'Under the ridge',
      where: 'Shelf',
      readings: 24,
      doubted: 1,
      revoked: false,
    });
  });
  it('what a keeper read that day stands before it', async () => {
    const { body } = await add({ name: 'Second', kind: 'thermometer', place_id: 1 });
    await own.ask('/api/places/1/readings', {
      method: 'POST',
      body: { readings: [{ date: YESTERDAY, tmin_c: 3, tmax_c: 30 }] },
    });
    await push(
      body.token,
      hourly(() => ({ temp_c: 11 + Math.random() })),
    );
    const { body: places } = await own.ask('/api/places');
    expect(places.places[0].last_readings[0]).toMatchObject({ date: YESTERDAY, tmin_c: 3, tmax_c: 30 });
  });
  it('a probe’s morning becomes one look, which moves what is believed of the pot', async () => {
    const before = await own.ask('/api/plants/1');
    const { body } = await add({ name: 'Probe', kind: 'probe', plant_id: 1 });
    expect(
      (
        await push(
          body.token,
          hourly(() => ({ meter: 8 })),
        )
      ).status,
    ).toBe(200);
    await push(
      body.token,
      hourly(() => ({ meter: 8 })),
    );
    const after = await own.ask('/api/plants/1');
    expect(after.body).toMatchObject({ id: 1 });
    const looks = after.body.journal.filter((entry: any) => entry.written_by === 'Probe');
    expect(looks).toHaveLength(1);
    expect(looks[0].event).toMatchObject({ type: 'check', date: YESTERDAY, meter: 8 });
    expect(after.body.outlook.moisture.p50).toBeGreaterThan(before.body.outlook.moisture.p50 + 0.1);
  });
  it.each([
    ['a thermometer in a pot', { name: 'x', kind: 'thermometer', plant_id: 1 }, '/place_id'],
    ['a scale at a place', { name: 'x', kind: 'scale', place_id: 1 }, '/plant_id'],
    ['a probe in no pot of ours', { name: 'x', kind: 'probe', plant_id: 999 }, '/plant_id'],
    ['a kind that is none', { name: 'x', kind: 'barometer', place_id: 1 }, '/kind'],
  ])('%s is refused', async (_, body, pointer) => {
    const refused = await add(body);
    expect(refused.status).toBe(400);
    expect(refused.body.faults[0].pointer).toBe(pointer);
  });
  it('no token, a wrong one, a revoked one: nothing is taken', async () => {
    const { body } = await add({ name: 'Scale', kind: 'scale', plant_id: 2 });
    const one = [{ at: `${YESTERDAY}T09:00:00.000Z`, weight_g: 500 }];
    expect((await fetch(`${own.url}/devices/readings`, { method: 'POST' })).status).toBe(401);
    expect((await push('x'.repeat(32), one)).status).toBe(401);
    expect((await push(body.token, one)).status).toBe(200);
    expect((await own.ask(`/api/devices/${body.id}/revoke`, { method: 'POST', body: {} })).status).toBe(200);
    expect((await push(body.token, one)).status).toBe(401);
    const [[row]] = (await own.pool.query('SELECT COUNT(*) AS n FROM device_reading WHERE device_id = ?', [
      body.id,
    ])) as any;
    expect(row.n).toBe(1);
  });
  it('what is no reading is refused whole, with where and what would be right', async () => {
    const { body } = await add({ name: 'Odd', kind: 'thermometer', place_id: 1 });
    const wrong = await push(body.token, [{ at: `${YESTERDAY}T09:00:00.000Z`, meter: 5 }]);
    expect(wrong.status).toBe(400);
    expect((await wrong.json()).faults[0]).toMatchObject({ pointer: '/readings/0/temp_c' });
    expect((await push(body.token, [{ at: 'noon', temp_c: 5 }])).status).toBe(400);
    expect((await push(body.token, [])).status).toBe(400);
  });
  it('one that comes too often is told when to come again', async () => {
    const { body } = await add({ name: 'Hasty', kind: 'thermometer', place_id: 1 });
    let last = await push(body.token, [{ at: `${YESTERDAY}T09:00:00.000Z`, temp_c: 5 }]);
    for (let i = 0; i < 70 && last.status !== 429; i++)
      last = await push(body.token, [{ at: `${YESTERDAY}T09:00:00.000Z`, temp_c: 5 }]);
    expect(last.status).toBe(429);
    expect(Number(last.headers.get('retry-after'))).toBeGreaterThan(0);
  });
  it('a page of another origin gets nowhere, whatever it shows', async () => {
    const { body } = await add({ name: 'Foreign', kind: 'thermometer', place_id: 1 });
    const answer = await fetch(`${own.url}/devices/readings`, {
      method: 'POST',
      headers: {
        'Content-Type': 'application/json',
        Authorization: `Bearer ${body.token}`,
        Origin: 'http://evil.example',
      },
      body: '{}',
    });
    expect(answer.status).toBe(403);
  });
  it('the simulated thermometer teaches its place over a fortnight', async () => {
    const { body } = await add({ name: 'Simulated', kind: 'thermometer', place_id: 1 });
    const fromMs = Date.parse(`${isoDay(dayNumber(YESTERDAY) - 15)}T00:00:00Z`);
    const all = [];
    for (const one of readingsOf('thermometer', 'teacher', { fromMs, everyMs: 2 * HOUR })) {
      if (one) all.push(one);
      if (one && Date.parse(one.at) > Date.parse(`${YESTERDAY}T21:00:00Z`)) break;
    }
    expect((await push(body.token, all)).status).toBe(200);
    const { body: places } = await own.ask('/api/places');
    const [shelf] = places.places;
    expect(shelf.learned.readings).toBeGreaterThan(8);
    const lows = shelf.last_readings.map((reading: any) => reading.tmin_c);
    for (const low of lows) expect(low).toBeGreaterThan(ON_A_SILL.meanC - ON_A_SILL.swingK - 12);
  });
});
