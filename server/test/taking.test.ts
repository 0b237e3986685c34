/** Plants come in, are copied, moved, given away, die and come back. Against a real MariaDB. */
import { randomUUID } from 'node:crypto';
import { plantSchema, roundSchema } from '@zinc-pail/contract/api';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Served, served, keeps, today } from './harness.ts';
import { keeper, daysAgo, POT, watering } from './keeper.ts';

let here: Served;
beforeAll(async () => {
  here = await served();
});
afterAll(() => here.drop());

const { send, takeIn, plant, rows } = keeper(() => here);

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
    const [daughter, mother] = [await plant(body.ids[0]), await plant(2)];
    expect(daughter.record.mother.id).toBe(2);
    // Of its own width, in a pot of its own, with torn roots; nobody asks what it came in.
    expect(daughter.diameter_mm).toBeLessThan(mother.diameter_mm);
    const potOf = async (id: number) => (await here.ask(`/api/plants/${id}/pots`)).body.pots.at(-1).pot;
    expect((await potOf(body.ids[0])).top_mm).toBeLessThanOrEqual((await potOf(2)).top_mm);
    expect(daughter.journal.map(({ event }: { event: { type: string } }) => event.type)).toContain('repotting');
    const asked = ((await here.ask('/api/round')).body.sites as any[])
      .flatMap((site) => site.also)
      .filter(({ kind }) => kind === 'arrival')
      .map(({ plant_id: id }) => id);
    for (const id of body.ids) expect(asked).not.toContain(id);
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

describe('a common name whose kind was told', () => {
  it('is of that kind on every screen: its page, its bench, the list, the potting bench', async () => {
    const { body } = await takeIn({ name: 'jade plant', taxon: 'Crassula', name_sure: 'likely' });
    const [id] = body.ids;
    const { record, outlook, form } = await plant(id);
    expect([record.genus, outlook.genus, record.poisonous.pets]).toEqual(['Crassula', 'Crassula', true]);
    const [place] = (await here.ask('/api/places')).body.places;
    const standing = place.pots.find((pot: any) => pot.id === id);
    expect(standing).toMatchObject({ poisonous: record.poisonous, form });
    const { fields, rows: lines } = (await here.ask('/api/plants')).body;
    const line = lines.find((row: any[]) => row[fields.indexOf('id')] === id);
    expect([line[fields.indexOf('genus')], line[fields.indexOf('form')]]).toEqual(['Crassula', form]);
    const potted = (await here.ask('/api/potting/1')).body.plants.find((one: any) => one.id === id);
    expect(potted).toMatchObject({ form, cautions: outlook.cautions });
  });
  it('a form that its keeper gave it is its form on the potting bench too', async () => {
    const { body } = await takeIn({ name: 'Euphorbia flanaganii', form: 'trailing' });
    const potted = (await here.ask('/api/potting/1')).body.plants.find((one: any) => one.id === body.ids[0]);
    expect(potted.form).toBe('trailing');
  });
  it('one that nobody knows has no genus, and counts as poisonous until it is known, on its bench too', async () => {
    const { body } = await takeIn({ name: 'unknown globe', name_sure: 'unknown' });
    const { record, outlook } = await plant(body.ids[0]);
    expect([record.genus, outlook.genus]).toEqual([null, null]);
    expect(record.poisonous).toEqual({ people: true, pets: true });
    const [place] = (await here.ask('/api/places')).body.places;
    expect(place.pots.find((pot: any) => pot.id === body.ids[0]).poisonous).toEqual(record.poisonous);
  });
});

describe('looked over on arrival', () => {
  it('guests set it apart on every screen; a clean one stands among the others', async () => {
    const { body } = await takeIn({ name: 'Aloe juvenna' });
    const [id] = body.ids;
    const seen = { sleeve_off: true, hole: true, peat_off: true, roots: 'sound', name_checked: true };
    const look = (pests: boolean) =>
      send('/api/marks', {
        marks: [
          {
            plant_id: id,
            entries: [{ client_id: randomUUID(), date: today(), type: 'arrival', pests, ...seen }],
          },
        ],
      });
    const until = async () => (await plant(id)).record.quarantine_until;
    await look(false);
    expect(await until()).toBeNull();
    await look(true);
    expect(await until()).toBe(daysAgo(-28));
    const [place] = (await here.ask('/api/places')).body.places;
    expect(place.pots.find((pot: any) => pot.id === id).quarantine_until).toBe(daysAgo(-28));
    const { fields, rows: lines } = (await here.ask('/api/plants')).body;
    const line = lines.find((row: any[]) => row[fields.indexOf('id')] === id);
    expect(line[fields.indexOf('quarantine_until')]).toBe(daysAgo(-28));
    // A clean look later does not let it join by itself: its keeper does.
    await look(false);
    expect(await until()).toBe(daysAgo(-28));
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
  it('out and back within a week leaves the skins as they were; what sleeps is led nowhere', async () => {
    const place = await send('/api/places', { site_id: 1, name: 'Dark landing', kind: 'room', air: 'still' });
    const roof = await send('/api/places', { site_id: 1, name: 'Gravel roof', kind: 'open', air: 'breezy' });
    const move = async (to: number, date: string, id: number) =>
      (await send('/api/plants/move', { plant_ids: [id], place_id: to, date })).body.hardening;
    const long = { place_id: roof.body.id, date: daysAgo(60), name: 'Sempervivum tectorum' };
    const [hardy] = (await takeIn(long)).body.ids;
    expect(await move(place.body.id, daysAgo(2), hardy)).toEqual([]);
    expect(await move(roof.body.id, today(), hardy)).toEqual([]);
    // Led into the sun for three days, taken in for two: it goes on from there.
    const [shaded] = (await takeIn({ place_id: place.body.id, date: daysAgo(60), name: 'Crassula ovata' })).body.ids;
    const [first] = await move(roof.body.id, daysAgo(5), shaded);
    expect(first.steps[0].minutes).toBe(20);
    await move(place.body.id, daysAgo(2), shaded);
    const [again] = await move(roof.body.id, today(), shaded);
    expect(again.steps[0].minutes).toBeGreaterThan(first.steps[2].minutes);
    const [sleeper] = (await takeIn({ place_id: place.body.id, date: daysAgo(60), name: 'Adenium obesum' })).body.ids;
    await send('/api/marks', {
      marks: [{ plant_id: sleeper, entries: [{ type: 'season', date: daysAgo(3), state: 'resting' }] }],
    });
    expect((await plant(sleeper)).outlook.state).toBe('resting');
    expect(await move(roof.body.id, today(), sleeper)).toEqual([]);
  });
  it('what it was used to before it came is where its sun begins', async () => {
    const roof = await send('/api/places', { site_id: 1, name: 'Slate roof', kind: 'open', air: 'breezy' });
    const come = async (used: string) => {
      const { ids } = (await takeIn({ place_id: roof.body.id, name: 'Haworthiopsis attenuata', used_to: used })).body;
      return (await plant(ids[0])).record.hardening;
    };
    expect((await come('moist peat in the shade'))[0]).toEqual({ date: today(), minutes: 20 });
    expect(await come('a gravel garden in the open')).toBeNull();
    expect(await come('moist peat')).toBeNull();
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
    expect(body.last).toContainEqual({ code: 'watered', n: { days: 5 } });
    expect(body.last).toContainEqual({ code: 'sign', of: 'mushy', n: { days: 4 } });
    expect((await here.ask(`/api/plants/${id}`)).status).toBe(410);
    expect(JSON.stringify((await here.ask('/api/plants')).body.rows)).not.toContain('Echeveria elegans');
    expect((await here.ask('/api/find?q=echeveria%20elegans')).body.plants[0]).toMatchObject({ id, ended: 'died' });
    expect((await here.ask('/api/gone')).body.plants[0]).toMatchObject({
      id,
      ended: 'died',
      ended_why: 'rot from the neck',
    });
    expect((await send(`/api/plants/${id}/end`, { how: 'given', date: today() })).status).toBe(409);
    // Of many at once none goes where one has gone already.
    const both = await send('/api/plants/end', { plant_ids: [1, id], how: 'given', date: today() });
    expect(both.status).toBe(409);
    expect((await here.ask('/api/plants/1')).status).toBe(200);
    expect((await send(`/api/plants/${id}/revive`, {})).body.record.ended).toBeNull();
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

describe('days that cannot be', () => {
  const OLD = '0100-01-01';
  it('an end before the plant came', async () => {
    const { ids } = (await takeIn({ date: daysAgo(3) })).body;
    const end = (date: string) => send(`/api/plants/${ids[0]}/end`, { how: 'died', date });
    const early = await end(daysAgo(4));
    expect(early.status).toBe(400);
    expect(early.body.faults[0]).toMatchObject({
      pointer: '/date',
      accepted: `a day from the one it came on, ${daysAgo(3)}`,
    });
    expect((await end(daysAgo(3))).status).toBe(200);
  });
  it.each<[string, string, object, string]>([
    ['a plant taken in', '/api/plants', {}, '/date'],
    ['a move', '/api/plants/move', { plant_ids: [1], place_id: 1, date: OLD }, '/date'],
    [
      'a reading',
      '/api/places/1/readings',
      { readings: [{ date: OLD, tmin_c: 1, tmax_c: 2, rh_pct: null }] },
      '/readings/0/date',
    ],
  ])('%s of the year 100', async (_name, path, body, pointer) => {
    const { status, body: problem } = path === '/api/plants' ? await takeIn({ date: OLD }) : await send(path, body);
    expect(status).toBe(400);
    expect(problem.faults[0].pointer).toBe(pointer);
    expect(problem.faults[0].accepted).toContain('from 1950-01-01 to today');
  });
});
