/**
 * Marks on many, timers, taking in, places, pictures, finding, lists: the API of an ordinary day, against a real
 * MariaDB.
 */
import { randomUUID } from 'node:crypto';
import { marksResultSchema, plantSchema, problemSchema, roundSchema, timersSchema } from '@zinc-pail/contract/api';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Bench, bench, keeps, today } from './harness.ts';

let here: Bench;
beforeAll(async () => {
  here = await bench();
});
afterAll(() => here.drop());

const send = (path: string, body: unknown, headers: Record<string, string> = {}, method = 'POST') =>
  here.ask(path, { method, body, headers });
const watering = (over: object = {}) => ({
  client_id: randomUUID(),
  date: today(),
  type: 'watering',
  method: 'drench',
  ...over,
});
const daysAgo = (n: number) => new Date(Date.now() - n * 86_400_000).toISOString().slice(0, 10);
const rows = async (table: string) =>
  ((await here.pool.query<any[]>(`SELECT COUNT(*) AS n FROM ${table}`))[0][0] as { n: number }).n;
const POT = {
  shape: 'round',
  top_mm: 90,
  base_mm: 67,
  depth_mm: 80,
  material: 'plastic',
  holes: true,
  top_dressing_mm: 0,
};
const takeIn = (over: object = {}) =>
  send('/api/plants', {
    client_id: randomUUID(),
    name: 'Aloe variegata',
    pot: POT,
    mix_id: 1,
    place_id: 1,
    date: today(),
    ...over,
  });
const plant = async (id: number) => (await here.ask(`/api/plants/${id}`)).body;

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
  }, 60_000);
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

describe('taking in', () => {
  it('needs a name, a pot, a mix and a place, and numbers by the keeper’s scheme', async () => {
    await send('/api/settings', { number_scheme: '{yy}-{genus}-{n:2}' }, {}, 'PATCH');
    const { status, body } = await takeIn({
      name: 'Gasteria cf. carinata',
      name_sure: 'likely',
      price_minor: 750,
      price_currency: 'EUR',
      mother_id: 1,
      source: 'swap',
      used_to: 'peat, wet, in a shop',
    });
    expect(status).toBe(201);
    const made = await plant(body.ids[0]);
    keeps(plantSchema, made);
    expect(made.number).toBe(`${today().slice(2, 4)}-GAST-01`);
    expect(made.record).toMatchObject({
      name_sure: 'likely',
      price_minor: 750,
      mother: { id: 1 },
      genus: 'Gasteria',
      acquired_on: today(),
    });
    expect((await plant(1)).record.offspring.map((one: any) => one.id)).toContain(body.ids[0]);
  });
  it('a tray of twenty at once, and sent twice it is still twenty', async () => {
    const tray = { client_id: randomUUID(), name: 'Lithops lesliei', count: 20 };
    const first = await takeIn(tray);
    expect(first.body.ids).toHaveLength(20);
    const again = await takeIn(tray);
    expect(again.body.ids).toEqual(first.body.ids);
    const numbers = await Promise.all(first.body.ids.slice(0, 3).map(async (id: number) => (await plant(id)).number));
    expect(new Set(numbers).size).toBe(3);
  });
  it('may be copied, as one more or as an offset', async () => {
    const { body } = await send('/api/plants/2/copies', { count: 2, date: today(), as_offspring: true });
    expect(body.ids).toHaveLength(2);
    expect((await plant(body.ids[0])).record.mother.id).toBe(2);
  });
  it.each([
    [{ place_id: 99 }, '/place_id'],
    [{ mix_id: 99 }, '/mix_id'],
    [{ date: '2999-01-01' }, '/date'],
    [{ number: '001' }, '/number'],
    [{ pot: { ...POT, top_mm: 5 } }, '/pot/top_mm'],
    [{ name: ' ' }, '/name'],
    [{ count: 201 }, '/count'],
    [{ mother_id: 4_000_000 }, '/mother_id'],
  ])('refuses %j and writes nothing', async (over, pointer) => {
    const before = await rows('plant');
    const { status, body } = await takeIn(over);
    expect(status).toBe(400);
    expect(body.faults[0].pointer).toBe(pointer);
    expect(await rows('plant')).toBe(before);
  });
});

describe('a name nobody knows', () => {
  it('keeps the plant to the dry side until what is seen of it says more', async () => {
    const { ids } = (await takeIn({ name: 'Rhipsalis baccifera' })).body;
    const known = await plant(ids[0]);
    expect(known.outlook.traits.dryRule).toBe('keep-damp');
    const unsure = await here.ask(`/api/plants/${ids[0]}`, {
      method: 'PATCH',
      headers: { 'If-Match': String(known.version) },
      body: { name_sure: 'unknown' },
    });
    expect(unsure.body.outlook.traits.dryRule).toBe('dry-through');
    expect(unsure.body.outlook.trait_sources.dryRule).toBe('cautious');
    const seen = await here.ask(`/api/plants/${ids[0]}`, {
      method: 'PATCH',
      headers: { 'If-Match': String(unsure.body.version) },
      body: { store: 'stem', form: 'trailing', habit: 'evergreen' },
    });
    expect(seen.body.outlook.trait_sources).toMatchObject({ store: 'keeper', form: 'keeper' });
  });
});

describe('moving and ending', () => {
  it('a move to sun lays out a plan day by day and puts it on the round', async () => {
    const place = await send('/api/places', { site_id: 1, name: 'Stair room', kind: 'room', air: 'still' });
    const { ids } = (await takeIn({ place_id: place.body.id, name: 'Agave parryi' })).body;
    const { body } = await send('/api/plants/move', { plant_ids: ids, place_id: 1, date: today() });
    expect(body.moved).toEqual(ids);
    expect(body.hardening[0].steps[0]).toEqual({ date: today(), minutes: 20 });
    const round = (await here.ask('/api/round')).body;
    keeps(roundSchema, round);
    expect(round.sites[0].also.find((one: any) => one.kind === 'sun')).toMatchObject({ plant_id: ids[0], minutes: 20 });
    expect((await plant(ids[0])).place.id).toBe(1);
    const back = await send(`/api/plants/${ids[0]}/scorched`, {});
    expect(back.body.steps[0].minutes).toBe(20);
    await send(`/api/plants/${ids[0]}/hardening/end`, {});
    expect((await plant(ids[0])).record.hardening).toBeNull();
  });
  it('died: it leaves the lists, its story reads the journal back, and a mistake can be undone', async () => {
    const { ids } = (await takeIn({ name: 'Echeveria elegans', date: daysAgo(50) })).body;
    const id = ids[0];
    await send('/api/marks', {
      marks: [
        {
          plant_id: id,
          entries: [
            watering({ date: daysAgo(5) }),
            { client_id: randomUUID(), date: daysAgo(4), type: 'sign', sign: 'mushy', strength: 3 },
          ],
        },
      ],
    });
    const { status, body } = await send(`/api/plants/${id}/end`, {
      how: 'died',
      date: today(),
      cause: 'rot from the neck',
    });
    expect(status).toBe(200);
    expect(body).toMatchObject({ ended: 'died', ended_why: 'rot from the neck', kept_days: 50 });
    expect(body.lines.join(' ')).toMatch(/Last watered 5 days before the end/);
    expect(body.lines.join(' ')).toMatch(/mushy \(4 days before\)/);
    expect((await here.ask(`/api/plants/${id}`)).status).toBe(410);
    expect(JSON.stringify((await here.ask('/api/plants')).body.rows)).not.toContain('Echeveria elegans');
    expect((await here.ask('/api/find?q=echeveria%20elegans')).body.plants[0]).toMatchObject({ id, ended: 'died' });
    expect((await here.ask('/api/gone')).body.plants[0]).toMatchObject({
      id,
      ended: 'died',
      ended_why: 'rot from the neck',
    });
    expect((await send(`/api/plants/${id}/end`, { how: 'given', date: today() })).status).toBe(409);
    expect((await send(`/api/plants/${id}/revive`, {})).body.record.ended).toBeNull();
  });
});

describe('places', () => {
  it('say what they are, what they learned, how full they are, and what light they give against what is wanted', async () => {
    const { version } = (await here.ask('/api/places')).body.places[0];
    const changed = await here.ask('/api/places/1', {
      method: 'PATCH',
      headers: { 'If-Match': String(version) },
      body: { width_mm: 1000, depth_mm: 300, aspect_deg: 180, obstruction_deg: 10 },
    });
    expect(changed.status).toBe(200);
    const place = changed.body.places[0];
    expect(place).toMatchObject({ width_mm: 1000, aspect_deg: 180 });
    expect(place.today.sun_h).toBeGreaterThan(2);
    expect(place.crowded).toBeGreaterThan(0);
    expect(['too-dim', 'gets-by', 'well', 'too-bright']).toContain(place.pots[0].light);
    expect(place.learned.factor.p10).toBeLessThan(place.learned.factor.p90);
  });
  it('half a bench, an old version and a place in use are refused', async () => {
    const { version } = (await here.ask('/api/places')).body.places[0];
    expect(
      (
        await here.ask('/api/places/1', {
          method: 'PATCH',
          headers: { 'If-Match': String(version) },
          body: { width_mm: 100, depth_mm: null },
        })
      ).status,
    ).toBe(400);
    expect(
      (
        await here.ask('/api/places/1', {
          method: 'PATCH',
          headers: { 'If-Match': String(version - 1) },
          body: { name: 'Other' },
        })
      ).status,
    ).toBe(412);
    expect((await here.ask('/api/places/1', { method: 'DELETE' })).status).toBe(409);
  });
  it('learn from a thermometer, by hand or from a logger’s table', async () => {
    const readings = Array.from({ length: 10 }, (_, i) => ({ date: daysAgo(i + 1), tmin_c: 24, tmax_c: 38 }));
    expect((await send('/api/places/1/readings', { readings })).body.written).toBe(10);
    expect((await here.ask('/api/places')).body.places[0].learned.offset_max_c).toBeGreaterThan(1);
    const csv = `Date/Time;Temperature;Humidity\n${[1, 2, 3].map((h) => `${daysAgo(1)} 0${h}:00;1${h},5;60`).join('\n')}\n`;
    expect((await send('/api/places/1/readings.csv', { csv })).body.written).toBe(1);
    const place = (await here.ask('/api/places')).body.places[0];
    expect(place.last_readings[0]).toEqual({ date: daysAgo(1), tmin_c: 11.5, tmax_c: 13.5, rh_pct: 60 });
    const bad = await send('/api/places/1/readings.csv', {
      csv: `date,min,max\n${daysAgo(3)},10,20\n${daysAgo(2)},30,20\n`,
    });
    expect(bad.status).toBe(400);
    expect(bad.body.detail).toMatch(/Row 3.*no more than the highest/);
    expect(
      (await send('/api/places/1/readings', { readings: [{ date: '2999-01-01', tmin_c: 1, tmax_c: 2 }] })).status,
    ).toBe(400);
  });
  it('are walked in the keeper’s order, and so are their pots; an order that leaves one out is refused', async () => {
    const places = (await here.ask('/api/places')).body.places.map((place: any) => place.id);
    const turned = places.toReversed();
    expect((await send('/api/places/order', { ids: turned })).status).toBe(200);
    expect((await here.ask('/api/round')).body.sites[0].places.map((place: any) => place.id)).toEqual(turned);
    const pots = (await here.ask('/api/places/1/pots')).body.pots.map((pot: any) => pot.id).toReversed();
    expect((await send('/api/places/1/order', { ids: pots })).status).toBe(200);
    expect((await here.ask('/api/places/1/pots')).body.pots.map((pot: any) => pot.id)).toEqual(pots);
    expect((await send('/api/places/1/order', { ids: pots.slice(1) })).status).toBe(409);
  });
});

describe('pictures', () => {
  it('are made smaller, lose the camera’s notes, and go into the book', async () => {
    const file = await sharp({ create: { width: 2400, height: 1200, channels: 3, background: '#6f8650' } })
      .withExif({ IFD0: { Copyright: 'somebody', Model: 'camera' } })
      .jpeg()
      .toBuffer();
    const answer = await fetch(`${here.url}/api/plants/1/pictures?day=${daysAgo(2)}&caption=Spring`, {
      method: 'POST',
      headers: { 'Content-Type': 'image/jpeg' },
      body: new Uint8Array(file),
    });
    expect(answer.status).toBe(201);
    const made = (await answer.json()) as { id: number; width_px: number; height_px: number };
    expect(made).toMatchObject({ width_px: 1600, height_px: 800 });
    const large = Buffer.from(await (await fetch(`${here.url}/api/pictures/${made.id}/large`)).arrayBuffer());
    expect((await sharp(large).metadata()).exif).toBeUndefined();
    expect((await plant(1)).record.pictures[0]).toMatchObject({ id: made.id, day: daysAgo(2), caption: 'Spring' });
    await send(`/api/pictures/${made.id}/remove`, {});
    expect((await plant(1)).record.pictures).toEqual([]);
    expect((await here.ask(`/api/pictures/${made.id}/large`)).status).toBe(404);
  });
  it.each([
    ['text/plain', 'not a picture'],
    ['image/png', 'not a picture'],
    [
      'image/svg+xml',
      '<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><rect width="9" height="9"/></svg>',
    ],
  ])('%s that is none is refused', async (type, body) => {
    const answer = await fetch(`${here.url}/api/plants/1/pictures`, {
      method: 'POST',
      headers: { 'Content-Type': type },
      body,
    });
    expect(answer.status).toBe(415);
  });
});

describe('finding', () => {
  it.each([
    ['hahn', 'Mammillaria hahniana'],
    ['001', 'Mammillaria hahniana'],
    ['shelf echev', 'Echeveria agavoides'],
  ])('%s finds %s', async (q, name) => {
    expect((await here.ask(`/api/find?q=${encodeURIComponent(q)}`)).body.plants.map((one: any) => one.name)).toContain(
      name,
    );
  });
  it('by an old genus name or another name of the plant', async () => {
    const { ids } = (await takeIn({ name: 'Echinopsis ferox', other_names: 'Hedgehog of the hill, Prickle jack' }))
      .body;
    expect((await here.ask('/api/find?q=Lobivia')).body.plants.map((one: any) => one.id)).toContain(ids[0]);
    expect((await here.ask('/api/find?q=prickle')).body.plants[0].id).toBe(ids[0]);
    expect((await here.ask('/api/find?q=%25')).body.plants).toEqual([]);
    expect((await here.ask('/api/find?q=')).status).toBe(400);
  });
});

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

describe('labels', () => {
  it('are a PDF of the plants asked for', async () => {
    const answer = await fetch(`${here.url}/api/labels.pdf?ids=1,2&skip=3`);
    expect(answer.headers.get('content-type')).toContain('application/pdf');
    expect(
      Buffer.from(await answer.arrayBuffer())
        .subarray(0, 5)
        .toString(),
    ).toBe('%PDF-');
    expect((await here.ask('/api/labels.pdf?ids=')).status).toBe(400);
    expect((await here.ask('/api/labels.pdf?ids=1&skip=24')).status).toBe(400);
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

describe('a new site', () => {
  it('gets its usual weather by where it lies; a zone that is none is refused', async () => {
    const site = {
      name: 'Far south',
      latitude_deg: -43.5,
      longitude_deg: 172.6,
      elevation_m: 20,
      time_zone: 'Pacific/Auckland',
    };
    const { status, body } = await send('/api/sites', site);
    expect(status).toBe(201);
    const garden = (await here.ask(`/api/export/garden/${body.id}`)).body;
    expect(garden.site.normals.tmax_c[0]).toBeGreaterThan(garden.site.normals.tmax_c[6]);
    expect((await send('/api/sites', { ...site, time_zone: 'Mars/Base' })).status).toBe(400);
    expect((await send('/api/sites', { ...site, latitude_deg: 99 })).body.faults[0].pointer).toBe('/latitude_deg');
  });
});

describe('numbers by the scheme', () => {
  it.each([
    ['{year}-{n:4}', /^2\d{3}-\d{4}$/],
    ['L{n}', /^L\d+$/],
    ['{yy}{month}.{n:2}', /^\d{4}\.\d{2}$/],
    ['{n:3}/{genus}', /^\d{3}\/ALOE$/],
  ])('%s', async (number_scheme, pattern) => {
    await send('/api/settings', { number_scheme }, {}, 'PATCH');
    const numbers: string[] = [];
    for (let i = 0; i < 2; i++) numbers.push((await plant((await takeIn()).body.ids[0])).number);
    for (const number of numbers) expect(number).toMatch(pattern);
    expect(numbers[0]).not.toBe(numbers[1]);
  });
  it('must count, and ten keepers at once get ten numbers', async () => {
    expect((await send('/api/settings', { number_scheme: '{year}' }, {}, 'PATCH')).status).toBe(400);
    await send('/api/settings', { number_scheme: 'T{n:3}' }, {}, 'PATCH');
    const made = await Promise.all(Array.from({ length: 10 }, () => takeIn()));
    expect(made.map((one) => one.status)).toEqual(Array(10).fill(201));
    const numbers = await Promise.all(made.map(async (one) => (await plant(one.body.ids[0])).number));
    expect(new Set(numbers).size).toBe(10);
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
    expect(body.detail).toMatch(/20 MB for a picture, 64 MB for a garden file, 1 MB for anything else/);
  });
});
