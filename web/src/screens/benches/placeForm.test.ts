import type { PlaceView } from '@zinc-pail/contract/keeping';
import { afterEach, beforeAll, describe, expect, it, vi } from 'vitest';
import { setUnits } from '../../reader/units.ts';
import { formOf, type PlaceForm, placeOf } from './placeForm.ts';

const PLACE = {
  site_id: 4,
  name: 'Lean-to',
  kind: 'cold-glass',
  aspect_deg: 160,
  light_fraction: 0.55,
  floor_c: 2,
  vent_c: 22.5,
  indoor_c: null,
  air: 'gentle',
  lamp: { ppfd_umol_m2_s: 180.5, hours: 13 },
  width_mm: 2400,
  depth_mm: 600,
  obstruction_deg: null,
  direct_sun_h: null,
  quarantine: false,
  within_reach: true,
  hazards: null,
  hazard_kinds: ['draught'],
  rain_counts_mm: 4,
  lamp_by_hand: true,
} as unknown as PlaceView;
const { site_id: _site, indoor_c: _indoor, ...told } = PLACE as unknown as Record<string, unknown>;
const read = (form: PlaceForm) => {
  const given = placeOf(form);
  return given.kind === 'read' ? given.value : given.at;
};
const place = (some: Partial<PlaceForm> = {}) => read({ ...formOf(PLACE, undefined), ...some });

beforeAll(() => vi.stubGlobal('localStorage', { getItem: () => null, setItem: () => {} }));

describe('a bench', () => {
  afterEach(() => setUnits({ temperature: 'C', length: 'cm', volume: 'l', dates: 'day-first' }));
  it('goes through its form unchanged, a lamp of half a µmol too', () => expect(place()).toEqual(told));
  it('a new one stands on a sill of the first site', () => {
    expect(formOf(null, 7)).toMatchObject({ site_id: '7', kind: 'windowsill', name: '', lamp_ppfd: '' });
  });
  it('is typed in the keeper’s own degrees and kept in Celsius', () => {
    setUnits({ temperature: 'F', length: 'cm', volume: 'l', dates: 'day-first' });
    const form = formOf(PLACE, undefined);
    expect(form).toMatchObject({ floor_c: '35.6', vent_c: '72.5' });
    expect(read(form)).toMatchObject({ floor_c: 2, vent_c: 22.5 });
    expect(place({ vent_c: '200' })).toEqual({ vent_c: 'A number from 32 to 140, or nothing.' });
  });
  it('is measured in the keeper’s own inches', () => {
    setUnits({ temperature: 'C', length: 'in', volume: 'l', dates: 'day-first' });
    expect(formOf(PLACE, undefined)).toMatchObject({ width: '94.5', depth: '23.6' });
    expect(place({ width: '94.5', depth: '24' })).toMatchObject({ width_mm: 2400, depth_mm: 610 });
  });
  it.each([
    ['south', 180],
    ['North-West', 315],
    ['SSW', 202.5],
    ['200', 200],
    [' ', null],
  ])('facing %s is %s', (aspect_deg, wanted) => expect(place({ aspect_deg })).toMatchObject({ aspect_deg: wanted }));
  it('what is empty is none', () => {
    expect(place({ lamp_ppfd: '', lamp_hours: '', width: ' ', depth: '', floor_c: '' })).toMatchObject({
      lamp: null,
      width_mm: null,
      floor_c: null,
    });
  });
  it.each<[Partial<PlaceForm>, Record<string, RegExp>]>([
    [{ name: ' ' }, { name: /A name for the bench/ }],
    [{ lamp_ppfd: '' }, { lamp_ppfd: /both its light and its hours/ }],
    [{ aspect_deg: 'sunny' }, { aspect_deg: /south-west, or degrees/ }],
    [{ width: '1' }, { width: /from 5 to 6000/ }],
    [{ width: '' }, { width: /Both sides/ }],
    [{ light_percent: '120' }, { light_percent: /from 0 to 100/ }],
    [
      { floor_c: '41', name: '' },
      { floor_c: /from -20 to 40/, name: /A name/ },
    ],
  ])('%o is told at its field', (some, wanted) => {
    const told = place(some) as Record<string, string>;
    expect(Object.keys(told).toSorted()).toEqual(Object.keys(wanted).toSorted());
    for (const [field, words] of Object.entries(wanted)) expect(told[field]).toMatch(words);
  });
});
