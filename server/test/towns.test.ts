/** Where towns lie, and what is found through a slip of the pen or a common name. */
import { foundSchema } from '@zinc-pail/contract/answers';
import { townsSchema } from '@zinc-pail/contract/towns';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { nearestWords } from '../src/find/routes.ts';
import { townsNamed, townsNear } from '../src/towns/routes.ts';
import { keeps, type Served, served } from './harness.ts';

describe('towns', () => {
  it('the largest of a name first; without its marks too; with its country where there are several', () => {
    expect(townsNamed('vienna')[0]).toMatchObject({ country: 'Austria', time_zone: 'Europe/Vienna' });
    expect(townsNamed('sao paulo')[0]!.country).toBe('Brazil');
    expect(townsNamed('santiago chile')[0]).toMatchObject({ country: 'Chile' });
    expect(townsNamed('')).toEqual([]);
    expect(townsNamed('no such town anywhere')).toEqual([]);
    expect(townsNamed('san').length).toBeLessThanOrEqual(8);
  });
  it('the nearest to a place, over the date line too', () => {
    expect(townsNear(47.8, 13)[0]!.time_zone).toBe('Europe/Vienna');
    expect(Math.abs(townsNear(-16.5, -179.9)[0]!.longitude_deg)).toBeGreaterThan(170);
  });
  it('every town has a time zone that this machine knows', () => {
    for (const start of ['a', 'm', 's'])
      for (const { time_zone: zone } of townsNamed(start))
        expect(() => new Intl.DateTimeFormat('en', { timeZone: zone })).not.toThrow();
  });
});

describe('on the wire', () => {
  let here: Served;
  beforeAll(async () => {
    here = await served();
  });
  afterAll(() => here.drop());
  it('by name and by place; neither is refused in words', async () => {
    const { body } = await here.ask('/api/towns?q=Lima');
    keeps(townsSchema, body);
    expect(body.towns[0]).toMatchObject({ name: 'Lima', country: 'Peru' });
    expect((await here.ask('/api/towns?lat=-34.6&lon=-58.4')).body.towns[0].country).toBe('Argentina');
    expect((await here.ask('/api/towns')).status).toBe(400);
    expect((await here.ask('/api/towns?lat=95&lon=0')).status).toBe(400);
  });
  it('a plant is found through a slip of the pen, and by the name that everybody uses', async () => {
    const { fields, rows } = (await here.ask('/api/plants')).body as { fields: string[]; rows: unknown[][] };
    const name = String(rows[0]![fields.indexOf('name')]);
    const genus = name.split(' ')[0]!;
    const slip = `${genus.slice(0, 3)}${genus.slice(4)}`;
    const found = (await here.ask(`/api/find?q=${encodeURIComponent(slip)}`)).body;
    keeps(foundSchema, found);
    expect(found.plants.map((plant: { name: string }) => plant.name)).toContain(name);
    expect((await here.ask('/api/find?q=zzzzzzzz')).body.plants).toEqual([]);
  });
});

describe('slips of the pen', () => {
  const KNOWN = ['gasteria', 'gymnocalycium', 'echeveria', 'attic', 'sill'];
  it.each([
    ['gasteriia', ['gasteria']],
    ['echevria', ['echeveria']],
    ['gimnocalycium', ['gymnocalycium']],
    ['atic', ['attic']],
    ['attic', ['attic']],
    ['xyz', []],
    ['opuntia', []],
  ])('%s', (word, wanted) => expect(nearestWords(word, KNOWN)).toEqual(wanted));
});
