/** What comes in from files and goes out to them. */
import { execFile } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { checkGarden } from '@zinc-pail/contract/gardenFile';
import Papa from 'papaparse';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { play } from '../../demo/play.ts';
import { zoneOf } from '../src/formats/gardenStore.ts';
import { darwinCore } from '../src/formats/darwinCore.ts';
import { type Served, served, ROOT, today } from './harness.ts';
import { POT } from './keeper.ts';

let here: Served;
beforeAll(async () => {
  here = await served();
});
afterAll(() => here.drop());
const send = (path: string, body: unknown) => here.ask(path, { method: 'POST', body });
const rows = async () => ((await here.pool.query<any[]>('SELECT COUNT(*) AS n FROM plant'))[0][0] as { n: number }).n;

/** Nothing that is null or left out makes a difference. */
function bare(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(bare);
  if (value === null || typeof value !== 'object') return value;
  return Object.fromEntries(
    Object.entries(value)
      .filter(([, one]) => one !== null)
      .map(([key, one]) => [key, bare(one)])
      .sort(([a], [b]) => (a! < b! ? -1 : 1)),
  );
}

const EVERYTHING = {
  format: 'zinc-pail/garden',
  version: 1,
  today: '2026-05-14',
  site: {
    latitude_deg: 47.123456789,
    longitude_deg: -8.6,
    elevation_m: 420.5,
    normals: {
      tmin_c: Array(12).fill(8.25),
      tmax_c: Array(12).fill(19.75),
      rh_pct: Array(12).fill(70),
      sunshine_h: Array(12).fill(5),
      rain_mm: Array(12).fill(60),
      wind_m_s: Array(12).fill(1.8),
    },
  },
  weather: [
    {
      date: '2026-05-14',
      tmin_c: 1.234,
      tmax_c: 9.876,
      rh_pct: 74.5,
      sunshine_h: 5.11,
      rain_mm: 0.25,
      wind_m_s: 1.85,
      source: 'observed',
    },
    {
      date: '2026-05-15',
      tmin_c: 2,
      tmax_c: 12,
      rh_pct: 70,
      sunshine_h: 6,
      rain_mm: 0,
      wind_m_s: 2,
      source: 'forecast',
    },
  ],
  places: [
    {
      id: '1',
      kind: 'windowsill',
      aspect_deg: 181.5,
      air: 'still',
      light_fraction: 0.333,
      indoor_c: Array(12).fill(20.5),
      thermometer: [{ date: '2026-05-01', tmin_c: 10.05, tmax_c: 20.15, rh_pct: 55.5 }],
    },
    { id: 'shelf/2', kind: 'lamp-shelf', air: 'gentle', lamp: { ppfd_umol_m2_s: 180.5, hours: 12.25 } },
  ],
  mixes: [
    {
      id: 'm 1',
      parts: [
        { component: 'pumice', parts: 3.3333 },
        { component: 'own', parts: 1 },
        { component: 'peat', parts: 0 },
      ],
    },
    { id: 'unused', parts: [{ component: 'lava', parts: 1 }] },
  ],
  components: [
    { id: 'own', total_porosity: 0.61234, water_at_10cm: 0.3, water_air_dry: 0.04, bulk_density_g_ml: 0.55 },
  ],
  plants: [
    {
      id: 'a',
      taxon: 'Lithops lesliei',
      diameter_mm: 30.5,
      height_mm: 20.25,
      place: '1',
      mix: 'm 1',
      hold_days: 4.5,
      min_dry_c: -1.25,
      leafless: false,
      root_loss: 0.333,
      pot: {
        shape: 'square',
        top_mm: 70.5,
        base_mm: 60.5,
        depth_mm: 90.25,
        material: 'terracotta',
        wall_mm: 5.55,
        holes: true,
        top_dressing_mm: 7.5,
      },
      events: [
        { type: 'move', date: '2026-03-01', from: 'gone', place: '1' },
        { type: 'move', date: '2026-03-02', from: 'shelf/2', place: '1' },
        { type: 'watering', date: '2026-03-02', method: 'measured', amount_ml: 12.5, water: 'rain' },
        {
          type: 'repotting',
          date: '2026-03-05',
          mix_was: 'damp',
          roots_cut: true,
          before: {
            pot: {
              shape: 'round',
              top_mm: 60,
              base_mm: 50,
              depth_mm: 55,
              material: 'plastic',
              holes: false,
              top_dressing_mm: 0,
            },
            mix: 'unused',
          },
        },
        { type: 'check', date: '2026-04-01', meter: 3.5 },
        { type: 'check', date: '2026-04-01', finger: 'damp' },
        { type: 'weights', date: '2026-04-02', drained_g: 512.5, dry_g: 400.25 },
        { type: 'sign', date: '2026-04-03', sign: 'wrinkled', strength: 2, where: 'oldest', when: 'midday' },
        { type: 'feeding', date: '2026-04-04', dose: 0.75 },
        { type: 'state', date: '2026-05-14', state: 'growing' },
      ],
    },
    {
      id: 'b',
      name: 'Lithops lesliei',
      taxon: 'Lithops lesliei',
      form: 'stemless',
      diameter_mm: 10,
      height_mm: 5,
      place: 'shelf/2',
      mix: 'm 1',
      pot: {
        shape: 'bowl',
        top_mm: 100,
        base_mm: 40,
        depth_mm: 50,
        material: 'metal',
        holes: false,
        top_dressing_mm: 0,
      },
      events: [],
    },
  ],
};

describe('a garden file', () => {
  it('with everything in it comes out as it went in', async () => {
    expect(checkGarden(EVERYTHING).faults).toEqual([]);
    const { status, body } = await send('/api/import/garden?name=All', EVERYTHING);
    expect(status).toBe(201);
    expect(body).toMatchObject({ places: 2, mixes: 2, plants: 2, events: 10, ignored: [] });
    const out = (await here.ask(`/api/export/garden/${body.site_id}`)).body;
    expect(bare(out)).toEqual(bare(EVERYTHING));
    expect(checkGarden(out).faults).toEqual([]);
    // The same file twice stands beside itself.
    const again = (await send('/api/import/garden?name=Twice', EVERYTHING)).body;
    expect(bare((await here.ask(`/api/export/garden/${again.site_id}`)).body)).toEqual(bare(EVERYTHING));
    // Once something is written there, it is as of today, by the clock there: an hour west of Greenwich.
    const there = new Date(Date.now() - 3_600_000).toISOString().slice(0, 10);
    const id = (await here.ask('/api/plants')).body.rows.find((row: any[]) => row.includes('Twice'))[0];
    await send('/api/marks', {
      marks: [
        {
          plant_id: id,
          entries: [{ client_id: randomUUID(), date: there, type: 'watering', method: 'drench', way: 'base' }],
        },
      ],
    });
    const later = (await here.ask(`/api/export/garden/${again.site_id}`)).body;
    expect(later.today).toBe(there);
    expect(later.plants.flatMap((plant: any) => plant.events).find((event: any) => event.date === there)).toEqual({
      type: 'watering',
      date: there,
      method: 'drench',
    });
  });
  it('the demo’s gardens too', async () => {
    for (const { garden } of play(() => '2026-06-15')) {
      const file = {
        format: 'zinc-pail/garden',
        version: 1,
        ...garden,
        mixes: garden.mixes.map(({ id, parts }) => ({ id, parts })),
        places: garden.places.map(({ name: _n, benchMm: _b, ...place }: any) => place),
      };
      const { status, body } = await send('/api/import/garden?name=Demo', JSON.parse(JSON.stringify(file)));
      expect(status).toBe(201);
      const out = (await here.ask(`/api/export/garden/${body.site_id}`)).body;
      const wanted = bare({
        ...file,
        places: file.places.map((place: any) => ({
          ...place,
          thermometer: place.thermometer?.length ? place.thermometer : null,
        })),
      });
      expect(bare(out)).toEqual(wanted);
    }
  });
  it('that is unsound is refused whole, saying where; a dry run writes nothing', async () => {
    const before = await rows();
    const bad = await send('/api/import/garden', {
      ...EVERYTHING,
      plants: [{ ...EVERYTHING.plants[0], place: 'nowhere' }],
    });
    expect(bad.status).toBe(400);
    expect(bad.body.faults[0].pointer).toBe('/plants/0/place');
    const dry = await send('/api/import/garden?dry_run=true', EVERYTHING);
    expect(dry.body).toMatchObject({ site_id: null, plants: 2 });
    expect((await send('/api/import/garden?time_zone=Nowhere/City', EVERYTHING)).status).toBe(400);
    expect(await rows()).toBe(before);
    expect((await here.ask('/api/export/garden/99999')).status).toBe(404);
  });
  it('ids that differ only in case, accents or emoji are different ids', async () => {
    const file = structuredClone(EVERYTHING) as any;
    const [mix] = file.mixes;
    const [place] = file.places;
    const [plant] = file.plants;
    const ids = ['m', 'M', 'é', 'e', '🌵', '🌴'];
    file.mixes.push(...ids.map((id) => ({ ...mix, id })));
    file.places.push(...ids.map((id) => ({ ...place, id })));
    file.plants.push(...ids.map((id) => ({ ...plant, id, mix: id, place: id })));
    const { status, body } = await send('/api/import/garden?name=Alike', file);
    expect([status, body.detail]).toEqual([201, undefined]);
    const out = (await here.ask(`/api/export/garden/${body.site_id}`)).body;
    expect(bare(out)).toEqual(bare(file));
  });
  it('takes its hour from where it lies, if nobody says', () => {
    expect(zoneOf(8.6)).toBe('Etc/GMT-1');
    expect(zoneOf(-120)).toBe('Etc/GMT+8');
    expect(zoneOf(0)).toBe('Etc/GMT');
  });
});

describe('a list of plants', () => {
  const columns = {
    name: 'Art',
    number: 'Nr',
    place: 'Ort',
    pot_top_mm: 'Topf',
    acquired_on: 'seit',
    pot_holes: 'Loch',
  };
  const csv =
    '\uFEFFArt;Nr;Ort;Topf;seit;Loch;anderes\nAloe haworthioides;L1;Shelf;65,5;2025-03-01;ja;x\n"Crassula ""Buddha""; tall";L2;;;;nein;\n';
  const body = (over: object = {}) => ({
    name: 'liste.csv',
    csv,
    columns,
    defaults: { place_id: 1, mix_id: 1, pot: POT },
    dry_run: true,
    ...over,
  });
  it('is tried first, then taken in whole, and taken back whole', async () => {
    const before = await rows();
    const dry = await send('/api/import/csv', body());
    expect(dry.body).toMatchObject({ rows: 2, good: 2, faults: [], import_id: null });
    expect(await rows()).toBe(before);
    const { status, body: report } = await send('/api/import/csv', body({ dry_run: false }));
    expect(status).toBe(201);
    expect(await rows()).toBe(before + 2);
    const found = (await here.ask('/api/find?q=buddha')).body.plants[0];
    expect(found).toMatchObject({ name: 'Crassula "Buddha"; tall', number: 'L2' });
    expect((await here.ask(`/api/plants/${found.id}`)).body.outlook.pot).toMatchObject({ holes: false });
    expect((await send(`/api/imports/${report.import_id}/undo`, {})).status).toBe(200);
    expect(await rows()).toBe(before);
    expect((await send(`/api/imports/${report.import_id}/undo`, {})).status).toBe(404);
  });
  it('tells what is wrong row by row, and takes in nothing of it', async () => {
    const before = await rows();
    const bad =
      'Art;Nr;Ort;Topf;seit;Loch\nGood one;X1;Shelf;70;;\n;X2;Shelf;70;;\nThird;X1;Attic;7000;2026-13-01;maybe\n';
    const { body: report } = await send('/api/import/csv', body({ csv: bad }));
    expect(report.good).toBe(1);
    expect(report.faults.map((fault: any) => [fault.row, fault.column])).toEqual([
      [3, 'Art'],
      [4, 'seit'],
      [4, 'Nr'],
      [4, 'Ort'],
      [4, 'Topf'],
      [4, 'Loch'],
    ]);
    const refused = await send('/api/import/csv', body({ csv: bad, dry_run: false }));
    expect(refused.status).toBe(400);
    expect(refused.body.detail).toContain('Nothing was taken in');
    expect(await rows()).toBe(before);
  });
  it('a column that is not in the file, an open quotation, no rows', async () => {
    expect((await send('/api/import/csv', body({ columns: { name: 'Nope' } }))).body.faults[0]).toMatchObject({
      row: 1,
      column: 'Nope',
    });
    expect((await send('/api/import/csv', body({ csv: 'Art;Nr;Ort;Topf;seit;Loch\n' }))).body.faults[0].row).toBe(2);
    expect(
      (await send('/api/import/csv', body({ csv: 'Art,Nr,Ort,Topf,seit,Loch\n"open,1,2,3,4,5\n' }))).body.faults.length,
    ).toBeGreaterThan(0);
    expect((await send('/api/import/csv', body({ columns: { colour: 'Art' } }))).status).toBe(400);
  });
  it('makes benches on the way, with the plants or not at all', async () => {
    const said = {
      csv: 'Art;Ort;Erde\nAloe juvenna;Hall window;dirt\nAloe jucunda;Hall window;dirt\n',
      columns: { name: 'Art', place: 'Ort', mix: 'Erde' },
      new_places: [{ name: 'Hall window', kind: 'windowsill', site_id: 1 }],
      meanings: { place: { 'Hall window': 'Hall window' }, mix: { dirt: null } },
    };
    const benches = async () => (await here.ask('/api/places')).body.places.map((place: any) => place.name);
    const before = await rows();
    expect((await send('/api/import/csv', body(said))).body).toMatchObject({ good: 2, faults: [] });
    expect(await benches()).not.toContain('Hall window');
    const bad = { ...said, csv: `${said.csv};Hall window;dirt\n`, dry_run: false };
    expect((await send('/api/import/csv', body(bad))).status).toBe(400);
    expect(await benches()).not.toContain('Hall window');
    const { status, body: report } = await send('/api/import/csv', body({ ...said, dry_run: false }));
    expect([status, report.notes.length]).toEqual([201, 2]);
    expect(await benches()).toContain('Hall window');
    const { id } = (await here.ask('/api/find?q=jucunda')).body.plants[0];
    const plant = (await here.ask(`/api/plants/${id}`)).body;
    expect(plant.place.name).toBe('Hall window');
    // Not known is a soil all the same: the bagged one, whose drying is reckoned.
    expect(JSON.stringify(plant)).toMatch(/bagged/i);
    // Sent twice it makes no second bench of that name.
    expect((await send('/api/import/csv', body({ ...said, dry_run: false }))).status).toBe(400);
    await send(`/api/imports/${report.import_id}/undo`, {});
    expect(await rows()).toBe(before);
  });
  it('with marks since is taken back only when what goes is accepted', async () => {
    const { body: report } = await send('/api/import/csv', body({ dry_run: false }));
    const { id } = (await here.ask('/api/find?q=haworthioides')).body.plants[0];
    await send('/api/marks', {
      marks: [{ plant_id: id, entries: [{ client_id: randomUUID(), date: today(), type: 'note', text: 'seen' }] }],
    });
    const undo = await send(`/api/imports/${report.import_id}/undo`, {});
    expect(undo.status).toBe(409);
    expect(undo.body.detail).toContain('Aloe haworthioides');
    expect((await here.ask(`/api/plants/${id}`)).status).toBe(200);
    expect((await send(`/api/imports/${report.import_id}/undo`, { anyway: true })).status).toBe(200);
    expect((await here.ask(`/api/plants/${id}`)).status).toBe(404);
  });
});

describe('a list whose soil nobody knows', () => {
  const unknown = {
    name: 'unknown.csv',
    csv: 'Art;Erde\nAloe juvenna;dirt\nAloe jucunda;dirt\n',
    columns: { name: 'Art', mix: 'Erde' },
    defaults: { place_id: 1, mix_id: null, pot: POT },
    meanings: { mix: { dirt: null } },
    dry_run: false,
  };
  const bagged = async () =>
    (await here.ask('/api/kit')).body.mixes.filter(
      ({ parts }: any) => parts.length === 1 && parts[0].component === 'potting-soil',
    );
  it('stands in the bagged one, which is made once where the keeper has none', async () => {
    for (const { id } of await bagged()) await here.pool.query('DELETE FROM mix_part WHERE mix_id = ?', [id]);
    expect(await bagged()).toEqual([]);
    const first = await send('/api/import/csv', unknown);
    expect(first.status).toBe(201);
    const [made, ...more] = await bagged();
    expect([made.name, more]).toEqual(['Bagged potting soil, as it comes', []]);
    const { plants } = (await here.ask('/api/find?q=jucunda')).body;
    expect((await here.ask(`/api/plants/${plants[0].id}`)).body.mix.id).toBe(made.id);
    const second = await send('/api/import/csv', unknown);
    expect((await bagged()).map(({ id }: any) => id)).toEqual([made.id]);
    for (const { body } of [first, second])
      expect((await send(`/api/imports/${body.import_id}/undo`, {})).status).toBe(200);
  });
  it('where every soil is known none is made', async () => {
    const before = await bagged();
    const known = { ...unknown, defaults: { ...unknown.defaults, mix_id: 1 }, columns: { name: 'Art' }, meanings: {} };
    const { body } = await send('/api/import/csv', known);
    expect(await bagged()).toEqual(before);
    await send(`/api/imports/${body.import_id}/undo`, {});
  });
  it('a picture that was taken away again is none that would go', async () => {
    const { body } = await send('/api/import/csv', unknown);
    const { plants } = (await here.ask('/api/find?q=juvenna')).body;
    const { id } = plants.at(-1);
    await here.pool.query(
      `INSERT INTO picture (plant_id, day, width_px, height_px, large, small, removed_at)
         VALUES (?, CURRENT_DATE, 1, 1, '', '', UTC_TIMESTAMP(3))`,
      [id],
    );
    expect((await send(`/api/imports/${body.import_id}/undo`, {})).status).toBe(200);
  });
});

describe('lists that go out', () => {
  it.each(["-2+3+cmd|' /C calc'!A0", '+1', '@SUM(1)', '-x'])('%s does not go out as a formula', async (text) => {
    await here.pool.query('UPDATE plant SET provenance = ? WHERE id = 1', [text]);
    for (const list of ['plants', 'darwin-core']) {
      const { body } = await here.ask(`/api/export/${list}.csv`);
      expect(body).toContain(`'${text}`);
    }
  });
  it('a number below nothing stays one', async () => {
    await here.pool.query("UPDATE plant SET provenance = '-12.5' WHERE id = 1");
    expect((await here.ask('/api/export/plants.csv')).body).not.toContain("'-12.5");
  });
  it('every plant as CSV, no cell of it a formula', async () => {
    await here.pool.query("UPDATE plant SET provenance = '=cmd()' WHERE id = 1");
    const { body, type } = await here.ask('/api/export/plants.csv');
    expect(type).toContain('text/csv');
    const { data, errors } = Papa.parse<Record<string, string>>(body, { header: true, skipEmptyLines: true });
    expect(errors).toEqual([]);
    expect(data).toHaveLength(await rows());
    expect(data.find((row) => row.number === '001')!.provenance).toBe("'=cmd()");
  });
  it('in Darwin Core terms', async () => {
    const { data } = Papa.parse<Record<string, string>>((await here.ask('/api/export/darwin-core.csv')).body, {
      header: true,
      skipEmptyLines: true,
    });
    expect(data.find((row) => row.catalogNumber === '001')).toMatchObject({
      basisOfRecord: 'LivingSpecimen',
      genus: 'Mammillaria',
      specificEpithet: 'hahniana',
      taxonRank: 'species',
      disposition: 'in collection',
    });
    const one = {
      ref: 'r',
      number: '7',
      name_sure: 'sure',
      other_names: null,
      provenance: null,
      acquired_on: null,
      source: null,
      ended: null,
      ended_on: null,
    };
    expect(darwinCore({ ...one, name: 'Haworthia cf. cooperi var. truncata ‘Tin’' }, 'C')).toMatchObject({
      scientificName: 'Haworthia cooperi var. truncata',
      identificationQualifier: 'cf.',
      infraspecificEpithet: 'truncata',
      taxonRank: 'variety',
      cultivarEpithet: 'Tin',
    });
    expect(darwinCore({ ...one, name: 'Sempervivum ‘Wet Slate’' }, 'C')).toMatchObject({
      scientificName: 'Sempervivum',
      taxonRank: 'genus',
      specificEpithet: '',
    });
  });
});

describe('the calendar', () => {
  it('as a file, and under an address that cannot be guessed and can be closed', async () => {
    // A slow machine is told to ask again while the gardens taken in above are reckoned.
    let file = await here.ask('/api/export/round.ics');
    while (file.status === 503) file = await here.ask('/api/export/round.ics');
    expect(file.body).toMatch(/^BEGIN:VCALENDAR\r\n/);
    expect(file.body).toMatch(/DTSTART;VALUE=DATE:\d{8}/);
    const { body } = await send('/api/calendar-tokens', { name: 'Kitchen tablet' });
    expect(body.path).toMatch(/^\/calendar\/[A-Za-z0-9_-]{32}\.ics$/);
    const stampless = (text: string) => text.replaceAll(/DTSTAMP:.*\r\n/g, '');
    expect(stampless((await here.ask(body.path)).body)).toBe(stampless(file.body));
    expect((await here.ask(`/calendar/${'A'.repeat(32)}.ics`)).status).toBe(404);
    const { tokens } = (await here.ask('/api/calendar-tokens')).body;
    expect(JSON.stringify(tokens)).not.toContain(body.path.slice(10, 42));
    await send(`/api/calendar-tokens/${body.id}/revoke`, {});
    expect((await here.ask(body.path)).status).toBe(404);
  });
});

describe('the zinc command', () => {
  const zinc = (...args: string[]) => zincAs({}, ...args);
  const zincAs = (env: Record<string, string>, ...args: string[]) =>
    new Promise<{ code: number; out: string; err: string }>((resolve) => {
      execFile(
        process.execPath,
        [join(ROOT, 'cli', 'bin', 'zinc.mjs'), ...args, '--server', here.url],
        { maxBuffer: 64e6, env: { ...process.env, ...env } },
        (error, out, err) => resolve({ code: error ? Number(error.code) : 0, out, err }),
      );
    });
  it('changes nothing without the key of the data folder, and reads all the same', async () => {
    const file = join(mkdtempSync(join(tmpdir(), 'zinc-formats-')), 'garden.json');
    writeFileSync(file, JSON.stringify(EVERYTHING));
    const refused = await zincAs({ ZINC_COMMAND_KEY: 'another' }, 'import', file);
    expect(refused).toMatchObject({ code: 2, out: '' });
    expect(refused.err).toContain('with its key');
    expect((await zincAs({ ZINC_COMMAND_KEY: 'another' }, 'export', '--site', 'Here')).code).toBe(0);
  });
  it('takes a garden file in and gives it out without loss', async () => {
    const file = join(mkdtempSync(join(tmpdir(), 'zinc-formats-')), 'garden.json');
    writeFileSync(file, JSON.stringify(EVERYTHING));
    const dry = await zinc('import', file, '--dry-run');
    expect(JSON.parse(dry.out)).toMatchObject({ site_id: null, plants: 2 });
    const { code, out } = await zinc('import', file, '--name', 'By command', '--time-zone', 'Europe/Vienna');
    expect(code).toBe(0);
    const back = await zinc('export', '--site', String(JSON.parse(out).site_id));
    expect(bare(JSON.parse(back.out))).toEqual(bare(EVERYTHING));
    expect(bare(JSON.parse((await zinc('export', '--site', 'By command')).out))).toEqual(bare(EVERYTHING));
  });
  it('says what would be right', async () => {
    expect(await zinc('export')).toMatchObject({
      code: 2,
      out: '',
      err: expect.stringMatching(/several sites; name one with --site/),
    });
    expect(await zinc('import', '/nowhere.json')).toMatchObject({ code: 2, out: '' });
    const dead = await new Promise<{ code: number; err: string }>((resolve) => {
      execFile(
        process.execPath,
        [join(ROOT, 'cli', 'bin', 'zinc.mjs'), 'export', '--server', 'http://127.0.0.1:1'],
        (error, _out, err) => resolve({ code: Number((error as { code?: number } | null)?.code ?? 0), err }),
      );
    });
    expect(dead).toMatchObject({ code: 2, err: expect.stringMatching(/nothing answers there; start it/) });
  });
});
