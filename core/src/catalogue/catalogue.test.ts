import { describe, expect, it } from 'vitest';
import { CAUSES } from '../catalogue/causes.ts';
import { SIGN_GROUPS, SIGN_TABLE, SIGNS, signsThat, TELLS, type Tell } from './signs.ts';
import { isDrink, METHOD_TABLE, METHODS, WAY_TABLE, WAYS } from './ways.ts';

describe('signs', () => {
  it('every group and everything that is told has signs, and no more than it means', () => {
    for (const group of SIGN_GROUPS) expect(SIGNS.some((sign) => SIGN_TABLE[sign].group === group)).toBe(true);
    for (const tell of Object.keys(TELLS) as Tell[]) {
      expect(signsThat(tell).size).toBeGreaterThan(0);
      expect(signsThat(tell).size).toBeLessThan(SIGNS.length / 2);
    }
  });
  it('what is sound answers what ails, and never the other way about', () => {
    for (const sign of signsThat('sound')) {
      expect(SIGN_TABLE[sign].answers!.length).toBeGreaterThan(0);
      expect(SIGN_TABLE[sign].tells).not.toContain('worries');
      expect(SIGN_TABLE[sign].tells).not.toContain('no-food');
    }
    for (const sign of signsThat('rot')) {
      expect(SIGN_TABLE[sign].clearedBy!.length).toBeGreaterThan(0);
      expect(SIGN_TABLE[sign].tells).toContain('no-food');
    }
    for (const sign of signsThat('slack')) expect(SIGN_TABLE[sign].answers).toEqual(['taut']);
  });
  it('who leaves a sign is a cause that is known', () => {
    for (const sign of SIGNS) {
      const { pest } = SIGN_TABLE[sign];
      if (pest) expect(CAUSES).toContain(pest);
    }
  });
});

describe('ways of watering', () => {
  it('each way is a method, and each method is a way of its own', () => {
    for (const way of WAYS) expect(METHODS).toContain(WAY_TABLE[way].method);
    for (const method of METHODS) expect(WAYS).toContain(method);
    for (const way of WAYS) expect(WAYS).toContain(WAY_TABLE[way].byMeasure);
  });
  it('what fills the pot is a drink, and only what fills it may have run past', () => {
    for (const method of METHODS) {
      const row = METHOD_TABLE[method];
      if (row.whole) expect(row.waters).toBe(true);
      expect(row.ranPast > 0).toBe(row.whole);
    }
    expect(isDrink({ type: 'watering', method: 'bottom' })).toBe(true);
    expect(isDrink({ type: 'watering', method: 'mist' })).toBe(false);
    expect(isDrink({ type: 'check' })).toBe(false);
  });
});
