import { describe, expect, it } from 'vitest';
import { alike, Numbering } from '../src/plants/numbering.ts';

const numbering = (scheme: string, ...taken: string[]) => new Numbering(scheme, new Set(taken.map(alike)));
const DAY = '2026-05-09';

describe('numbers by the scheme', () => {
  it.each<[string, string[], string[]]>([
    ['{n}', [], ['1', '2', '3']],
    ['{n:3}', ['007'], ['008', '009', '010']],
    ['{year}-{n:2}', ['2026-04', '2025-99'], ['2026-05', '2026-06', '2026-07']],
    ['{yy}{month}/{n}', ['2605/9', '2604/50'], ['2605/10', '2605/11', '2605/12']],
    ['{genus}{n}', ['ALOE3', 'ECHE9'], ['ALOE4', 'ALOE5', 'ALOE6']],
    ['K{n}a', ['K1a', 'K2b', 'Kxa'], ['K2a', 'K3a', 'K4a']],
    ['a%_{n}', ['a%_1', 'abc5'], ['a%_2', 'a%_3', 'a%_4']],
  ])('%s after %j goes on with %j', (scheme, taken, wanted) => {
    const numbers = numbering(scheme, ...taken);
    expect(wanted.map(() => numbers.next('Aloe vera', DAY))).toEqual(wanted);
  });
  it('go round those that are kept for others, however these are written', () => {
    const numbers = numbering('k{n}');
    numbers.take('K2');
    numbers.take('k\u03013 ');
    expect([1, 2, 3].map(() => numbers.next('Aloe', DAY))).toEqual(['k4', 'k5', 'k6']);
    const later = numbering('k{n}');
    expect(later.next('Aloe', DAY)).toBe('k1');
    later.take('K2');
    expect(later.next('Aloe', DAY)).toBe('k3');
    expect(later.isTaken('K3')).toBe(true);
    expect(later.isTaken('k4')).toBe(false);
  });
  it('count each genus and year by itself', () => {
    const numbers = numbering('{genus}-{year}-{n}');
    expect(numbers.next('Aloe vera', DAY)).toBe('ALOE-2026-1');
    expect(numbers.next('Echeveria agavoides', DAY)).toBe('ECHE-2026-1');
    expect(numbers.next('Aloe aristata', '2027-01-01')).toBe('ALOE-2027-1');
    expect(numbers.next('Aloe aristata', DAY)).toBe('ALOE-2026-2');
    expect(numbers.next('123', DAY)).toBe('X-2026-1');
  });
  it('five thousand are given at once', () => {
    const numbers = numbering('{n:4}', ...Array.from({ length: 5000 }, (_, i) => String(i)));
    expect(new Set(Array.from({ length: 5000 }, () => numbers.next('Aloe', DAY))).size).toBe(5000);
  });
});
