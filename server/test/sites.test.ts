/** Sites and benches: made, put right, dropped; and the usual weather that is guessed for them. Against a real MariaDB. */
import { usualTowns } from '@zinc-pail/core/usualTowns';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { coastKm } from '../src/towns/coast.ts';
import { type Served, served, today } from './harness.ts';
import { keeper } from './keeper.ts';

let here: Served;
beforeAll(async () => {
  here = await served();
});
afterAll(() => here.drop());

const { send } = keeper(() => here);
const kitSites = async (): Promise<any[]> => (await here.ask('/api/kit')).body.sites;
const drop = (path: string) => here.ask(path, { method: 'DELETE' });

const LONDON = { name: 'Lock house', latitude_deg: 51.5, longitude_deg: -0.1, time_zone: 'Europe/London' };

describe('the sea', () => {
  it('is where the towns that ship say it is, by the coastline that ships', () => {
    for (const town of usualTowns())
      expect(Math.abs(coastKm(town.latitudeDeg, town.longitudeDeg) - town.coastKm), town.name).toBeLessThanOrEqual(1);
    expect(coastKm(48.2, 16.37)).toBeGreaterThan(300);
    expect(coastKm(50.37, -4.14)).toBeLessThan(10);
  });
});

describe('a site', () => {
  it('gets the weather of the towns around, its height too where none is given, and says so', async () => {
    const { status, body } = await send('/api/sites', LONDON);
    expect(status).toBe(201);
    const site = (await kitSites()).find(({ id }) => id === body.id);
    expect(site).toMatchObject({ elevation_m: 25, usual_from: { name: 'London' } });
    expect(site.usual_from.km).toBeLessThan(10);
    const weather = (await here.ask('/api/weather')).body.sites.find(({ id }: any) => id === body.id);
    // A keeper there would believe this: some three degrees on a January night, never six below.
    expect(weather.normals.tmin_c[0]).toBeGreaterThan(1);
    expect(weather.normals.tmin_c[0]).toBeLessThan(5);
    expect(weather.normals.tmax_c[6]).toBeGreaterThan(21);
    expect(weather.usual_from).toEqual(site.usual_from);
  });
  it('is put right: a guess is guessed anew, weather that was typed stays', async () => {
    const { body } = await send('/api/sites', { ...LONDON, name: 'Moved' });
    const at = async () => (await kitSites()).find(({ id }) => id === body.id);
    const normals = async () =>
      (await here.ask('/api/weather')).body.sites.find(({ id }: any) => id === body.id).normals;
    const patch = (change: object, version: number) =>
      here.ask(`/api/sites/${body.id}`, {
        method: 'PATCH',
        headers: { 'If-Match': String(version) },
        body: change,
      });
    const { version } = await at();
    expect((await patch({ latitude_deg: 37.4, longitude_deg: -6, time_zone: 'Europe/Madrid' }, version)).status).toBe(
      200,
    );
    expect((await at()).usual_from.name).toBe('Seville');
    expect((await normals()).tmax_c[6]).toBeGreaterThan(33);
    expect((await patch({ name: 'Too late' }, version)).status).toBe(412);
    expect((await patch({ time_zone: 'Nowhere/City' }, version + 1)).status).toBe(400);
    expect((await patch({}, version + 1)).status).toBe(400);
    const own = { ...(await normals()), tmin_c: (await normals()).tmin_c.map((c: number) => c + 1) };
    const typed = await here.ask(`/api/sites/${body.id}/normals`, {
      method: 'PUT',
      headers: { 'If-Match': String(version + 1) },
      body: { normals: own },
    });
    expect(typed.status).toBe(200);
    expect((await at()).usual_from).toBeNull();
    expect((await patch({ elevation_m: 900 }, version + 2)).status).toBe(200);
    expect(await normals()).toEqual(own);
  });
  it('goes with its benches while nothing stands there, and says what does where something stands', async () => {
    const { body: site } = await send('/api/sites', { ...LONDON, name: 'Short' });
    await send('/api/places', { site_id: site.id, name: 'Sill', kind: 'windowsill', air: 'still' });
    expect((await drop(`/api/sites/${site.id}`)).status).toBe(204);
    expect((await kitSites()).map(({ name }) => name)).not.toContain('Short');
    expect((await here.ask('/api/places')).body.places.map(({ name }: any) => name)).not.toContain('Sill');
    const { status, body } = await drop('/api/sites/1');
    expect(status).toBe(409);
    expect(body.detail).toMatch(/2 plants stand there \(2 on “.+”\): move them/);
    expect((await drop(`/api/sites/${site.id}`)).status).toBe(404);
  });
});

describe('a bench', () => {
  it('names what stands on it; once that is elsewhere it goes, and the plant’s book still tells of it', async () => {
    const { body: bench } = await send('/api/places', {
      site_id: 1,
      name: 'Lamp shelf',
      kind: 'lamp-shelf',
      air: 'still',
    });
    const { body: home } = await send('/api/places', { site_id: 1, name: 'Sill', kind: 'windowsill', air: 'still' });
    const [first] = (await here.ask('/api/places/1/pots')).body.pots;
    const moved = (to: number) => send('/api/plants/move', { plant_ids: [first.id], place_id: to, date: today() });
    expect((await moved(bench.id)).status).toBeLessThan(300);
    const refused = await drop(`/api/places/${bench.id}`);
    expect(refused.status).toBe(409);
    expect(refused.body.detail).toMatch(/\(.+\) stands there: move it first/);
    expect((await moved(home.id)).status).toBeLessThan(300);
    expect((await drop(`/api/places/${bench.id}`)).status).toBe(204);
    expect((await here.ask('/api/places')).body.places.map(({ name }: any) => name)).not.toContain('Lamp shelf');
    expect((await here.ask('/api/round')).body.sites[0].places.map(({ name }: any) => name)).not.toContain(
      'Lamp shelf',
    );
    const [[stay]] = (await here.pool.query('SELECT COUNT(*) AS n FROM stay WHERE place_id = ?', [bench.id])) as any;
    expect(stay.n).toBe(1);
    const { body: book } = await here.ask(`/api/plants/${first.id}`);
    expect(book.journal.filter(({ event }: any) => event.type === 'move')).toHaveLength(2);
  });
});

describe('waters and feeds', () => {
  it('are put right as a whole', async () => {
    const { body: butt } = await send('/api/waters', { name: 'Butt', kind: 'rain' });
    await send('/api/waters', { name: 'Tap', kind: 'hard', hardness_dh: 17 });
    const patch = (body: object) => here.ask(`/api/waters/${butt.id}`, { method: 'PUT', body });
    expect((await patch({ name: 'Butt', kind: 'soft', hardness_dh: 6 })).status).toBe(200);
    const { waters } = (await here.ask('/api/kit')).body;
    expect(waters.find(({ id }: any) => id === butt.id)).toMatchObject({ kind: 'soft', hardness_dh: 6 });
    expect((await patch({ name: 'Butt', kind: 'tea' })).status).toBe(400);
    expect((await here.ask('/api/waters/4711', { method: 'PUT', body: { name: 'x', kind: 'rain' } })).status).toBe(404);
  });
});

describe('where a phone finds it', () => {
  it('is an address without a path', async () => {
    const set = (reach_url: string | null) => here.ask('/api/settings', { method: 'PATCH', body: { reach_url } });
    expect((await set('shed.local')).status).toBe(400);
    expect((await set('http://shed.local:4780/x')).status).toBe(400);
    expect((await set('http://shed.local:4780')).body.collection.reach_url).toBe('http://shed.local:4780');
    expect((await set(null)).body.collection.reach_url).toBeNull();
  });
});
