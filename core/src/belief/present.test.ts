/** What is held to be in a pot now, and its past as it is drawn: the two must not contradict each other. */
import { describe, expect, it } from 'vitest';
import { play } from '../../../demo/play.ts';
import { GardenForecast } from '../forecast/forecast.ts';
import { chanceAbove, moistureQuantile } from './present.ts';

const outlooks = ['2026-11-27', '2026-06-15'].flatMap((today) =>
  play(() => today).flatMap(({ garden }) => new GardenForecast(garden).outlooks()),
);

describe('the past as it is drawn', () => {
  it('ends with what is held of today: the middle near the middle, inside its bounds', () => {
    let off = 0;
    for (const { past, moisture } of outlooks) {
      const middle = Math.min(1, moisture.p50);
      off += Math.abs(past.p50.at(-1)! - middle) / outlooks.length;
      expect(middle).toBeGreaterThan(past.p10.at(-1)! - 0.01);
      expect(middle).toBeLessThan(past.p90.at(-1)! + 0.01);
    }
    expect(off).toBeLessThan(0.03);
  });
  it('has its line inside its doubt on every day, and never below nothing', () => {
    for (const { past } of outlooks) {
      for (const [day, p50] of past.p50.entries()) {
        expect(past.p10[day]!).toBeGreaterThanOrEqual(0);
        expect(past.p10[day]!).toBeLessThanOrEqual(p50);
        expect(past.p90[day]!).toBeGreaterThanOrEqual(p50);
        if (p50 > 0.1) expect(past.p90[day]! - past.p10[day]!).toBeGreaterThan(0.005);
      }
    }
  });
});

describe('a quantile of what is held', () => {
  it('has its share of belief below it, unless that share lies at nothing', () => {
    for (const { present } of outlooks) {
      for (const p of [0.02, 0.1, 0.5, 0.9, 0.98]) {
        const m = moistureQuantile(present, p);
        const below = 1 - chanceAbove(present, m);
        if (m === 0) expect(below).toBeGreaterThanOrEqual(p - 1e-9);
        // To a two-thousandth of m where belief is steep, of chance where it is flat.
        else {
          expect(1 - chanceAbove(present, m - 0.001)).toBeLessThanOrEqual(p + 0.001);
          expect(1 - chanceAbove(present, m + 0.001)).toBeGreaterThanOrEqual(p - 0.001);
        }
      }
    }
  });
  it('rises with its share', () => {
    for (const { present } of outlooks) {
      const found = [0.1, 0.3, 0.5, 0.7, 0.9].map((p) => moistureQuantile(present, p));
      for (let i = 1; i < found.length; i++) expect(found[i]!).toBeGreaterThanOrEqual(found[i - 1]! - 0.001);
    }
  });
});
