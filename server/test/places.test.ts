/** Places, their thermometers, and a new site. Against a real MariaDB. */
import { lightVerdict } from '@zinc-pail/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Served, served } from './harness.ts';
import { keeper, daysAgo } from './keeper.ts';

let here: Served;
beforeAll(async () => {
  here = await served();
});
afterAll(() => here.drop());

const { send, plant } = keeper(() => here);

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
    // Pots of 9 cm, as squares, on three tenths of a square metre.
    expect(place.crowded).toBeCloseTo((place.pots.length * 0.09 ** 2) / 0.3, 1);
    for (const pot of place.pots)
      expect(pot.light).toBe(lightVerdict(place.today.dli_mol, pot.wants, (await plant(pot.id)).outlook.state));
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
  it('keep where each pot was set, and refuse one that stands elsewhere, writing none', async () => {
    const spots = async () =>
      (await here.ask('/api/places')).body.places[0].pots.map((pot: any) => [pot.id, pot.x_mm, pot.y_mm]);
    const [[first]] = await spots();
    const set = (body: object) => here.ask('/api/places/1/spots', { method: 'POST', body });
    expect((await set({ spots: [{ plant_id: first, x_mm: 120.5, y_mm: 80 }] })).status).toBe(200);
    expect((await spots())[0]).toEqual([first, 120.5, 80]);
    const refused = await set({
      spots: [
        { plant_id: first, x_mm: 1, y_mm: 1 },
        { plant_id: 999_999, x_mm: 1, y_mm: 1 },
      ],
    });
    expect([refused.status, refused.body.faults[0].pointer]).toEqual([400, '/spots/1/plant_id']);
    expect((await spots())[0]).toEqual([first, 120.5, 80]);
    expect((await set({ spots: [{ plant_id: first, x_mm: -4, y_mm: 1 }] })).status).toBe(400);
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
