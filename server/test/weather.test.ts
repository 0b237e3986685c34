/** The weather: asked for, waited for, done without, brought by hand; always said how old and from where. */
import { serveWeather, type Service } from '@zinc-pail/standins/weather/service';
import { dayNumber, isoDay } from '@zinc-pail/core';
import { createServer, type Server, type ServerResponse } from 'node:http';
import type { AddressInfo } from 'node:net';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { asKnown } from '../src/garden/store.ts';
import { readRecords } from '../src/weather/records.ts';
import { type DayRow, replaces } from '../src/weather/store.ts';
import { atOnce, MILD, type Served, served } from './harness.ts';

const TODAY = new Date().toISOString().slice(0, 10);
const daysFromNow = (days: number) => isoDay(dayNumber(TODAY) + days);
const QUICK = { timeoutMs: 3000, betweenTriesMs: 10 };

async function settled(own: Served): Promise<any> {
  for (let tried = 0; tried < 1000; tried++) {
    const { body } = await own.ask('/api/weather');
    const [site] = body.sites;
    if (site.service?.answered_at || site.service?.failed_since) return site;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  throw new Error('the service was never asked');
}

describe('with a service that serves', () => {
  const began = Date.now();
  let service: Service;
  let own: Served;
  beforeAll(async () => {
    service = await serveWeather({ port: 0, outages: 'off' });
    own = await served(undefined, { weatherUrl: service.url, weatherPatience: QUICK });
  });
  afterAll(async () => {
    await own.drop();
    await service.close();
  });

  it('months of record and a week of forecast are there, and how old they are', async () => {
    const site = await settled(own);
    expect(site.service).toMatchObject({ failed_since: null, failure: null });
    expect(Date.parse(site.service.answered_at)).toBeGreaterThanOrEqual(began);
    expect(site.observed_until).toBe(daysFromNow(-1));
    expect(site.forecast_until).toBe(daysFromNow(7));
    const sources = new Map(site.outside.map((day: any) => [day.date, day.source]));
    expect(sources.get(daysFromNow(-30))).toBe('observed');
    expect(sources.get(daysFromNow(3))).toBe('forecast');
    expect(sources.get(daysFromNow(12))).toBe('usual');
  });

  it('it moves what is reckoned of the pots: the forecast of the coming nights is the service’s', async () => {
    const site = await settled(own);
    const tomorrow = site.outside.find((day: any) => day.date === daysFromNow(1));
    const { body: round } = await own.ask('/api/round');
    // Believed nearly wholly the day before: mild normals of 14° would say otherwise.
    expect(Math.abs(round.sites[0].nights_c[0] - tomorrow.tmin_c)).toBeLessThan(1.5);
  });

  it('the place has its past, its doubt ahead, its year, and when its plants may stand there', async () => {
    const site = await settled(own);
    const [shelf] = site.places;
    expect(shelf.past).toHaveLength(31);
    expect(shelf.ahead).toHaveLength(14);
    const width = ({ low_c: low }: any) => low.p90 - low.p10;
    expect(width(shelf.ahead[12])).toBeGreaterThan(width(shelf.ahead[0]));
    expect(shelf.year).toHaveLength(52);
    const limits = shelf.plants.map((plant: any) => plant.min_wet_c);
    expect(limits).toEqual(limits.toSorted((a: number, b: number) => b - a));
    expect(limits).toHaveLength(2);
    expect(['always', 'from-to']).toContain(shelf.plants[0].stands.when);
  });

  it('asked again within the hour nothing changes, and nothing is reckoned anew', async () => {
    const site = await settled(own);
    const revision = async () => {
      const [[row]] = (await own.pool.query('SELECT revision FROM site WHERE id = 1')) as any;
      return row.revision;
    };
    const before = await revision();
    const { status, body } = await own.ask('/api/sites/1/weather/ask', { method: 'POST', body: {} });
    expect(status).toBe(200);
    expect(await revision()).toBe(before);
    expect(Date.parse(body.sites[0].service.answered_at)).toBeGreaterThanOrEqual(Date.parse(site.service.answered_at));
  });

  it('a keeper’s own record stands before the service’s', async () => {
    const csv = `date,min,max,rain\n${daysFromNow(-2)},3.5,9,14\n`;
    const taken = await own.ask('/api/sites/1/weather.csv', { method: 'POST', body: { csv } });
    expect(taken.status).toBe(201);
    expect(taken.body).toEqual({ written: 1, usual_for: ['rh_pct', 'sunshine_h', 'wind_m_s'] });
    await own.ask('/api/sites/1/weather/ask', { method: 'POST', body: {} });
    const [[row]] = (await own.pool.query(
      'SELECT tmin_c, rain_mm, origin FROM weather_day WHERE site_id = 1 AND day = ?',
      [daysFromNow(-2)],
    )) as any;
    expect(row).toMatchObject({ tmin_c: 3.5, rain_mm: 14, origin: 'table' });
  });
});

describe('with a service that does not', () => {
  it.each([
    ['refuses', 'it answered 503'],
    ['hangs', 'it did not answer in time'],
    ['garbled', 'its answer broke off, or is no JSON'],
  ] as const)('that %s: it is said so, and the round stands', async (outages, words) => {
    const service = await serveWeather({ port: 0, outages });
    const own = await served(undefined, { weatherUrl: service.url, weatherPatience: QUICK });
    try {
      const site = await settled(own);
      expect(site.service).toMatchObject({ answered_at: null, failure: words });
      expect((await own.ask('/api/round')).status).toBe(200);
      expect(site.outside.every((day: any) => day.source === 'usual')).toBe(true);
    } finally {
      await own.drop();
      await service.close();
    }
  });
});

describe('with a service that lies', () => {
  let liar: Server;
  let own: Served;
  let sent = 0;
  let saying: (response: ServerResponse) => void = (response) => response.end('[]');
  beforeAll(async () => {
    liar = await new Promise<Server>((resolve) => {
      const server = createServer((_request, response) => {
        const { socket } = response;
        const before = socket?.bytesWritten ?? 0;
        response.on('close', () => (sent = Math.max(sent, (socket?.bytesWritten ?? 0) - before)));
        saying(response);
      }).listen(0, '127.0.0.1', () => resolve(server));
    });
    own = await served(undefined, {
      weatherUrl: `http://127.0.0.1:${(liar.address() as AddressInfo).port}`,
      weatherPatience: QUICK,
    });
    await settled(own);
  });
  afterAll(async () => {
    await own.drop();
    liar.closeAllConnections();
    await new Promise((resolve) => liar.close(resolve));
  });
  const DAY = {
    date: TODAY,
    low_c: 4,
    high_c: 20,
    humidity_pct: 50,
    sun_min: 0,
    rain_mm: 0,
    wind_10m_km_h: 3,
    kind: 'expected',
  };
  const told = (day: Partial<typeof DAY>, made_at = new Date().toISOString()) =>
    JSON.stringify({ made_at, days: [{ ...DAY, ...day }] });
  it.each<[string, (response: ServerResponse) => void, string | RegExp]>([
    ['is upside down', (r) => r.end(told({ low_c: 20, high_c: 4 })), `its lowest of ${TODAY} is above its highest`],
    [
      'calls measured what is still to come',
      (r) => r.end(told({ date: daysFromNow(5), kind: 'measured' })),
      `it calls ${daysFromNow(5)} measured, which is still to come`,
    ],
    ['is windier than any day', (r) => r.end(told({ wind_10m_km_h: 399 })), /makes no sense at .*wind/],
    [
      'was made in another age',
      (r) => r.end(told({}, '+275760-01-01T00:00:00Z')),
      /makes no sense|it says that its forecast is of/,
    ],
    [
      'was made next year',
      (r) => r.end(told({}, `${Number(TODAY.slice(0, 4)) + 1}-12-31T00:00:00Z`)),
      /its forecast is of/,
    ],
    // Told after one try, and the ask is no fault of ours.
    ['does not come', () => {}, 'it did not answer in time'],
    [
      'never ends',
      (r) => {
        const blanks = Buffer.alloc(64 * 1024, 32);
        const more = () => {
          while (!r.destroyed && r.write(blanks));
          if (!r.destroyed) r.once('drain', more);
        };
        more();
      },
      'its answer is too long',
    ],
  ])('whose answer %s: nothing of it is believed', async (_, say, words) => {
    sent = 0;
    saying = say;
    const { status, body } = await own.ask('/api/sites/1/weather/ask', { method: 'POST', body: {} });
    expect(status).toBe(200);
    expect(body.sites[0].service.failure).toMatch(words);
    const [[row]] = (await own.pool.query('SELECT COUNT(*) AS n FROM weather_day')) as any;
    expect(row.n).toBe(0);
    // Read no further than it may be long, but for what was under way.
    expect(sent).toBeLessThan(20e6);
  });
});

describe('with a service that is slow, away or none', () => {
  it('that is away: it cannot be reached, and is asked later and later', async () => {
    const own = await served(undefined, { weatherUrl: 'http://127.0.0.1:9', weatherPatience: QUICK });
    try {
      expect((await settled(own)).service.failure).toBe('it cannot be reached');
      const wait = async () => {
        const [[row]] = (await own.pool.query(
          'SELECT TIMESTAMPDIFF(SECOND, UTC_TIMESTAMP(3), next_at) AS s FROM weather_watch',
        )) as any;
        return row.s;
      };
      const first = await wait();
      await own.ask('/api/sites/1/weather/ask', { method: 'POST', body: {} });
      expect(await wait()).toBeGreaterThan(1.5 * first);
    } finally {
      await own.drop();
    }
  });

  it('none at all: nothing is asked, and that is said', async () => {
    const own = await served();
    try {
      const { body } = await own.ask('/api/weather');
      expect(body.sites[0].service).toBeNull();
    } finally {
      await own.drop();
    }
  });
});

describe('what takes whose place', () => {
  const row = (over: Partial<DayRow>): DayRow => ({
    date: '2026-05-01',
    tmin_c: 5,
    tmax_c: 15,
    rh_pct: 60,
    sunshine_h: 5,
    rain_mm: 0,
    wind_m_s: 2,
    source: 'observed',
    origin: 'service',
    issued: null,
    ...over,
  });
  const AHEAD: Partial<DayRow> = { date: daysFromNow(3), tmin_c: 4 };
  it.each<[string, Partial<DayRow>, Partial<DayRow> | null, boolean]>([
    ['a day that is not there', {}, null, true],
    ['a forecast for a newer forecast', { source: 'forecast', tmin_c: 6 }, { source: 'forecast' }, true],
    ['what was measured for what was forecast', {}, { source: 'forecast', tmin_c: 7 }, true],
    ['a forecast never for what was measured', { source: 'forecast', tmin_c: 6 }, {}, false],
    ['the service never for a keeper’s own', { tmin_c: 6 }, { origin: 'table' }, false],
    ['the service never for a garden file’s', { tmin_c: 6 }, { origin: 'file' }, false],
    ['a keeper’s own for the service’s', { origin: 'table', tmin_c: 6 }, {}, true],
    ['the same for the same', {}, {}, false],
    ['a forecast for what was called measured and is still to come', { ...AHEAD, source: 'forecast' }, AHEAD, true],
  ])('%s', (_, told, there, wanted) => expect(replaces(row(told), there ? row(there) : undefined, TODAY)).toBe(wanted));

  it.each<[string, string, Partial<DayRow>, string | null]>([
    ['tomorrow’s forecast stays one', '2026-05-02', { source: 'forecast', issued: '2026-05-01' }, 'forecast'],
    ['today’s counts as the day', '2026-05-01', { source: 'forecast', issued: '2026-05-01' }, 'observed'],
    [
      'yesterday’s, made then, stands for the record',
      '2026-04-30',
      { source: 'forecast', issued: '2026-04-29' },
      'observed',
    ],
    ['one made a week before it does not', '2026-04-30', { source: 'forecast', issued: '2026-04-23' }, null],
  ])('%s', (_, date, over, source) =>
    expect(asKnown(row({ date, ...over }), '2026-05-01')?.source ?? null).toBe(source),
  );
});

describe('tables of daily records', () => {
  it('semicolons, decimal commas, every column', () => {
    const { days, usualFor, faults } = atOnce(readRecords)(
      'Date;Tmin;Tmax;RH;Sunshine;Rain;Wind\n2026-05-01;−1,5;12;70;6,5;3,2;2\n',
      '2026-05-02',
      MILD,
    );
    expect(faults).toEqual([]);
    expect(usualFor).toEqual([]);
    expect(days[0]).toMatchObject({
      tmin_c: -1.5,
      tmax_c: 12,
      rh_pct: 70,
      sunshine_h: 6.5,
      rain_mm: 3.2,
      wind_m_s: 2,
      origin: 'table',
    });
  });
  it.each([
    ['no header that tells', 'a,b\n1,2\n', 1, /header with date/],
    ['a day to come', 'date,min,max\n2026-05-03,1,2\n', 2, /to 2026-05-02/],
    ['a day twice', 'date,min,max\n2026-05-01,1,2\n2026-05-01,1,2\n', 3, /once/],
    ['a gap in a column', 'date,min,max,rain\n2026-05-01,1,2,\n', 2, /mm from 0/],
    ['the night above the day', 'date,min,max\n2026-05-01,9,2\n', 2, /no more than 2/],
    ['no rows', 'date,min,max\n', 2, /at least one row/],
  ])('%s: nothing is read', (_, csv, row, words) => {
    const { days, faults } = atOnce(readRecords)(csv, '2026-05-02', MILD);
    expect(days).toEqual([]);
    expect(faults[0]!.row).toBe(row);
    expect(faults[0]!.wanted).toMatch(words);
  });
});

describe('the usual weather by hand', () => {
  let own: Served;
  beforeAll(async () => {
    own = await served();
  });
  afterAll(() => own.drop());
  const put = (normals: object, version = 1, sure?: boolean) =>
    own.ask('/api/sites/1/normals', {
      method: 'PUT',
      body: { normals, ...(sure === undefined ? {} : { sure }) },
      headers: { 'If-Match': `"${version}"` },
    });

  it('what cannot be is refused, whatever is said', async () => {
    const { status, body } = await put({ ...MILD, tmin_c: [30, ...MILD.tmin_c.slice(1)] }, 1, true);
    expect(status).toBe(400);
    expect(body.detail).toMatch(/^January: wanted a night no warmer than the day/);
    expect(body.faults[0].pointer).toBe('/normals/tmin_c/0');
  });
  it('what is odd wants a word; then it decides', async () => {
    const southern = {
      ...MILD,
      tmin_c: MILD.tmin_c.map((c, i) => (i > 3 && i < 9 ? c - 8 : c)),
      tmax_c: MILD.tmax_c.map((c, i) => (i > 3 && i < 9 ? c - 8 : c)),
    };
    const odd = await put(southern);
    expect(odd.status).toBe(400);
    expect(odd.body.type).toBe('urn:zinc-pail:problem:odd-weather');
    expect(odd.body.detail).toMatch(/warmest in the summer of its hemisphere\. If it is so all the same, say/);
    expect((await put(southern, 1, true)).status).toBe(200);
    const { body } = await own.ask('/api/weather');
    expect(body.sites[0].normals.tmin_c[6]).toBe(6);
    expect(body.sites[0].version).toBe(2);
  });
  it('from an older version it is told what is there now', async () => expect((await put(MILD)).status).toBe(412));
});
