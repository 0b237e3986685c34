/** Waters, feeds, sites and numbers of the shed as they are typed. */
import { HARDNESS_DH, WATER_KINDS, type WaterKind } from '@zinc-pail/core';
import { describe, expect, it } from 'vitest';
import type { Read } from '../../forms/read.ts';
import {
  type FeedForm,
  feedFormOf,
  feedOf,
  WATER_WORDS,
  type WaterForm,
  waterFormOf,
  waterOf,
  waterWords,
} from './kitForms.ts';
import { numberedBy, unknownParts } from './numberScheme.ts';
import { type SiteForm, siteFormOf, siteOf, whereWords } from './siteForm.ts';

const wrongOf = (read: Read<unknown>) => (read.kind === 'wrong' ? read.at : {});
const valueOf = <T>(read: Read<T>): T => {
  if (read.kind === 'wrong') throw new Error(Object.values(read.at).join(' '));
  return read.value;
};

describe('a water', () => {
  const water = (over: Partial<WaterForm> = {}) =>
    waterOf({ name: ' Butt ', kind: 'rain', hardness: '', salts: '', ...over });
  it('wants a name and a kind; the rest is usual for its kind', () => {
    expect(valueOf(water())).toEqual({ name: 'Butt', kind: 'rain', hardness_dh: null, salts_mg_l: null });
    expect(wrongOf(water({ name: '  ' })).name).toMatch(/name/);
  });
  it('takes figures with a comma, salts to a whole milligram', () => {
    expect(valueOf(water({ kind: 'soft', hardness: '4,5', salts: '120.6' }))).toMatchObject({
      hardness_dh: 4.5,
      salts_mg_l: 121,
    });
  });
  it.each([
    ['a hardness of words', { hardness: 'hard' }, 'hardness_dh'],
    ['one beyond all taps', { kind: 'hard' as const, hardness: '140' }, 'hardness_dh'],
    ['salts below nothing', { salts: '-2' }, 'salts_mg_l'],
    ['rain as hard as a tap', { hardness: '12' }, 'hardness_dh'],
    ['distilled water with lime', { kind: 'distilled' as const, hardness: '5' }, 'hardness_dh'],
  ])('%s is told at its field', (_, over, field) => expect(Object.keys(wrongOf(water(over)))).toEqual([field]));
  it('every kind has its words, and none is told as another', () => {
    expect(new Set(WATER_KINDS.map((kind) => WATER_WORDS[kind])).size).toBe(WATER_KINDS.length);
  });
  it('is told with its hardness, known or usual, and with whom it does not suit', () => {
    const words = (kind: WaterKind, hardness: number | null = null, salts: number | null = null) =>
      waterWords({ name: 'x', kind, hardness_dh: hardness, salts_mg_l: salts });
    expect(words('soft', 5)).toBe('soft, 5 °dH');
    expect(words('hard')).toContain(`${HARDNESS_DH.hard} °dH`);
    expect(words('hard', 22)).toMatch(/not for plants that mind salts/);
    expect(words('soft', 22)).toMatch(/not for plants that mind salts/);
    expect(words('softened')).toMatch(/sodium/);
    expect(words('rain')).toMatch(/best fresh/);
    expect(words('filtered', 3, 90)).toBe('filtered, 3 °dH; 90 mg/l of salts');
  });
  it('comes back into the form as it was', () => {
    const kept = { id: 3, name: 'Tap', kind: 'hard' as const, hardness_dh: 17.5, salts_mg_l: 410 };
    const { id: _id, ...rest } = kept;
    expect(valueOf(waterOf(waterFormOf(kept)))).toEqual(rest);
    expect(waterFormOf(null)).toMatchObject({ name: '', kind: 'hard', hardness: '' });
  });
});

describe('a feed', () => {
  const typed: FeedForm = { name: 'Weak', kind: 'liquid', n: '3', p: '5', k: '7', unit: 'ml', rate: '2,5' };
  it('is what its label says', () =>
    expect(valueOf(feedOf(typed))).toEqual({
      name: 'Weak',
      kind: 'liquid',
      n_pct: 3,
      p_pct: 5,
      k_pct: 7,
      unit: 'ml',
      per_litre: 2.5,
    }));
  it('an empty share is asked for, not taken for nothing; a wild one is told with its bounds', () => {
    const at = wrongOf(feedOf({ ...typed, n: '', k: '75' }));
    expect(Object.keys(at).toSorted()).toEqual(['k_pct', 'n_pct']);
    expect(at.n_pct).toMatch(/missing/);
    expect(at.k_pct).toMatch(/0 to 60/);
    expect(feedOf({ ...typed, p: '0' }).kind).toBe('read');
  });
  it('its dose is told in its own measure', () => {
    expect(wrongOf(feedOf({ ...typed, rate: '0' })).per_litre).toMatch(/in ml a litre/);
    expect(wrongOf(feedOf({ ...typed, unit: 'g', rate: '' })).per_litre).toMatch(/in g a litre/);
  });
  it('comes back into the form as it was', () => {
    const kept = { id: 1, ...valueOf(feedOf(typed)) };
    expect({ id: 1, ...valueOf(feedOf(feedFormOf(kept))) }).toEqual(kept);
    expect(feedFormOf(null)).toMatchObject({ name: '', n: '', rate: '' });
  });
});

describe('a site', () => {
  const SITE = {
    id: 1,
    name: 'Lock',
    latitude_deg: 47.28345,
    longitude_deg: -13.07,
    elevation_m: 412,
    time_zone: 'Europe/Vienna',
  } as Parameters<typeof siteFormOf>[0] & object;
  const site = (over: Partial<SiteForm> = {}, before: typeof SITE | null = null) =>
    siteOf({ name: 'Roof', where: '34.6° S, 58.4° W', height: '25', zone: 'America/Buenos_Aires', ...over }, before);
  it('is found by coordinates as people write them', () =>
    expect(valueOf(site())).toMatchObject({ latitude_deg: -34.6, longitude_deg: -58.4, elevation_m: 25 }));
  it('that was not touched keeps its whereabouts to the last digit', () => {
    const form = siteFormOf(SITE, 'UTC');
    expect(form.where).toBe('47.28° N, 13.07° W');
    expect(valueOf(siteOf({ ...form, name: 'Lock wall' }, SITE))).toMatchObject({
      name: 'Lock wall',
      latitude_deg: 47.28345,
      longitude_deg: -13.07,
    });
    expect(valueOf(siteOf({ ...form, where: '47.28° N, 13.08° W' }, SITE))).toMatchObject({ latitude_deg: 47.28 });
  });
  it('an empty height is guessed by the server, a wild one is refused', () => {
    expect(valueOf(site({ height: ' ' })).elevation_m).toBeNull();
    expect(valueOf(site({ height: '-12,4' })).elevation_m).toBe(-12);
    expect(wrongOf(site({ height: '12000' })).elevation_m).toMatch(/9000/);
  });
  it('all that lacks is told at once', () =>
    expect(Object.keys(wrongOf(site({ name: '', where: 'over there', zone: '' }))).toSorted()).toEqual([
      'name',
      'time_zone',
      'where',
    ]));
  it('a new one begins in the zone of this machine', () =>
    expect(siteFormOf(null, 'Asia/Tokyo').zone).toBe('Asia/Tokyo'));
  it('the equator and the first meridian lie in the north and the east', () =>
    expect(whereWords({ latitude_deg: 0, longitude_deg: 0 })).toBe('0° N, 0° E'));
});

describe('numbers by a scheme', () => {
  const june = new Date(2026, 5, 20);
  it.each([
    ['{year}-{n:3}', '2026-027'],
    ['{yy}{month}/{n}', '2606/27'],
    ['{genus} {n:4}', 'ALOE 0027'],
    ['Shelf {n:1}', 'Shelf 27'],
  ])('%s makes %s', (scheme, wanted) => {
    expect(unknownParts(scheme)).toEqual([]);
    expect(numberedBy(scheme, june)).toBe(wanted);
  });
  it('a slip in braces is told by its letters', () => {
    expect(unknownParts('{yaer}-{n:3}-{N}')).toEqual(['yaer', 'N']);
    expect(unknownParts('{n:12}')).toEqual(['n:12']);
  });
});
