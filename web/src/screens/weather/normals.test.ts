/** The boxes of the usual weather: what was not touched stays to the last digit. */
import { usualWeather } from '@zinc-pail/core/usualWeather';
import { describe, expect, it } from 'vitest';
import { draftOf, normalsOf } from './NormalsPanel.tsx';
import { limitsOf } from './PlaceDays.tsx';

const USUAL = usualWeather({ latitudeDeg: 47, longitudeDeg: 13, elevationM: 400, coastKm: 200 });
const NORMALS = { ...USUAL, tmin_c: USUAL.tmin_c.map((c) => c + 0.04) };

describe('the usual weather in boxes', () => {
  it('is what it was where nothing was typed', () => expect(normalsOf(draftOf(NORMALS), NORMALS)).toEqual(NORMALS));
  it('takes what was typed, decimal comma and all', () => {
    const draft = draftOf(NORMALS);
    draft.tmin_c = draft.tmin_c.with(0, '-6,5');
    draft.rain_mm = draft.rain_mm.with(6, '120');
    const out = normalsOf(draft, NORMALS);
    if ('wrong' in out) throw new Error(out.wrong);
    expect(out.tmin_c[0]).toBe(-6.5);
    expect(out.tmin_c[1]).toBe(NORMALS.tmin_c[1]);
    expect(out.rain_mm[6]).toBe(120);
  });
  it('says which box is no number', () => {
    const draft = draftOf(NORMALS);
    draft.sunshine_h = draft.sunshine_h.with(2, 'sunny');
    expect(normalsOf(draft, NORMALS)).toEqual({ wrong: 'Mar, sun, h a day: a number is wanted.' });
  });
});

describe('limits across the days', () => {
  it('each degree once, the most tender first', () => {
    const plant = (limit_c: number) => ({
      id: 1,
      name: 'x',
      min_dry_c: 0,
      min_wet_c: 5,
      weekly_limit_c: [],
      limit_c,
      ceiling_c: 35,
      stands: { when: 'always' as const },
    });
    expect(limitsOf({ plants: [plant(2), plant(7), plant(2)] })).toEqual([
      { c: 7, plants: 1 },
      { c: 2, plants: 2 },
    ]);
  });
});
