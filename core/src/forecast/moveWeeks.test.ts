import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { dayNumber } from '../calendar/day.ts';
import { longestRun, standsWhen } from './moveWeeks.ts';

const TODAY = dayNumber('2026-05-01');
/** Nights that a year from 1 May has at 47° north, by weeks. */
const NORTH = Array.from({ length: 52 }, (_, week) => 4 - 8 * Math.cos((2 * Math.PI * (week + 15)) / 52));

describe('the longest run of weeks', () => {
  it('goes round the end of the year', () => {
    expect(longestRun([true, true, false, false, true])).toEqual({ from: 4, weeks: 3 });
    expect(longestRun([false, true, true, false])).toEqual({ from: 1, weeks: 2 });
    expect(longestRun([false, false])).toBeNull();
    expect(longestRun([true, true])).toEqual({ from: 0, weeks: 2 });
  });
});

const flat = (limit: number) => Array.from({ length: 52 }, () => limit);

describe('when a plant may stand outside', () => {
  it('a tender one later, and for less long, than a hardy one', () => {
    const tender = standsWhen(NORTH, flat(10), TODAY);
    const hardy = standsWhen(NORTH, flat(2), TODAY);
    if (tender.when !== 'from-to' || hardy.when !== 'from-to') throw new Error('both go out and come in');
    expect(tender.out > hardy.out || hardy.now).toBe(true);
    expect(tender.in < hardy.in).toBe(true);
    expect(tender.out.slice(0, 7)).toBe('2026-06');
    expect(tender.now).toBe(false);
  });
  it('one that bears every night, all year; one that bears none, never', () => {
    expect(standsWhen(NORTH, flat(-20), TODAY)).toEqual({ when: 'always' });
    expect(standsWhen(NORTH, flat(25), TODAY)).toEqual({ when: 'never' });
  });
  it('one that sleeps dry through the winter may stay where moist it could not', () => {
    const awake = NORTH.map((c) => c > 5);
    expect(
      standsWhen(
        NORTH,
        awake.map((up) => (up ? 5 : -20)),
        TODAY,
      ),
    ).toEqual({ when: 'always' });
  });
  it('three warm weeks are not worth the carrying', () => {
    const brief = NORTH.map((_, week) => (week >= 8 && week < 11 ? 20 : 0));
    expect(standsWhen(brief, flat(10), TODAY)).toEqual({ when: 'never' });
  });
  it('property: warmer nights never shorten its stay, a higher limit never lengthens it', () => {
    const weeks = fc.array(fc.integer({ min: -10, max: 25 }), { minLength: 52, maxLength: 52 });
    const length = (nights: number[], limit: number) => longestRun(nights.map((c) => c >= limit))?.weeks ?? 0;
    fc.assert(
      fc.property(weeks, fc.integer({ min: -10, max: 20 }), fc.integer({ min: 0, max: 8 }), (nights, limit, by) => {
        const now = length(nights, limit);
        expect(
          length(
            nights.map((c) => c + by),
            limit,
          ),
        ).toBeGreaterThanOrEqual(now);
        expect(length(nights, limit + by)).toBeLessThanOrEqual(now);
      }),
      { seed: 11 },
    );
  });
});
