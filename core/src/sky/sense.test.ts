import { describe, expect, it } from 'vitest';
import type { Normals } from '../garden.ts';
import { oddities } from './sense.ts';
import { usualWeather } from './usual/usualWeather.ts';

const usual = (latitudeDeg: number, elevationM = 100) =>
  usualWeather({ latitudeDeg, longitudeDeg: 14, elevationM, coastKm: 200 });
const LOCK = usual(47, 400);
const at = (field: keyof Normals, month: number, value: number, base = LOCK): Normals => ({
  ...base,
  [field]: base[field].map((old, i) => (i === month ? value : old)),
});

describe('usual weather that somebody typed', () => {
  it.each([-65, -34, 0, 12, 47, 65])('that of %s° is sound', (latitude) =>
    expect(oddities(usual(latitude), latitude)).toEqual([]),
  );
  it.each<[string, Normals, number, { code: string; sort: string; month: number | null }]>([
    ['a night above its day', at('tmin_c', 3, 30), 47, { code: 'min-above-max', sort: 'impossible', month: 3 }],
    ['more sun than day', at('sunshine_h', 11, 9), 47, { code: 'more-sun-than-day', sort: 'impossible', month: 11 }],
    ['a slip of a digit', at('tmax_c', 6, 49), 47, { code: 'wide-day', sort: 'odd', month: 6 }],
    ['a northern year in the south', LOCK, -47, { code: 'wrong-hemisphere', sort: 'odd', month: null }],
    ['air that is wet through', at('rh_pct', 0, 100), 47, { code: 'saturated', sort: 'odd', month: 0 }],
  ])('%s is told', (_, normals, latitude, wanted) =>
    expect(oddities(normals, latitude)).toContainEqual(expect.objectContaining(wanted)),
  );
  it('what cannot be comes before what is odd', () => {
    const both = at('tmin_c', 3, 30, at('rh_pct', 0, 100));
    expect(oddities(both, 47)[0]!.sort).toBe('impossible');
  });
  it('near the equator any month may be the warmest', () =>
    expect(oddities(usual(-8), 8).filter(({ code }) => code === 'wrong-hemisphere')).toEqual([]));
});
