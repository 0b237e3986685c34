import { describe, expect, it } from 'vitest';
import { dayNumber, isoDay } from '../calendar/day.ts';
import type { FeedRule } from '../feed/schedule.ts';
import type { StateSpan } from './almanac.ts';
import { type DeedFacts, yearDeeds } from './yearDeeds.ts';

const TODAY = dayNumber('2026-01-01');
/** Asleep to mid-March, growing to October, asleep. */
const STATES: StateSpan[] = [
  { state: 'resting', from: 0, to: 70 },
  { state: 'waking', from: 70, to: 84 },
  { state: 'growing', from: 84, to: 280 },
  { state: 'easing', from: 280, to: 300 },
  { state: 'resting', from: 300, to: 364 },
];
const WATERINGS = Array.from({ length: 52 }, (_, week) => (week >= 12 && week < 40 ? 0.5 : 0));
const FEED: FeedRule = {
  rhythm: { mode: 'nth', n: 4, sipsCount: false },
  strength: 0.5,
  chargeMonths: 6,
  lastBeforeRest: false,
  firstOnWaking: false,
  ceiling: null,
};
const of = (over: Partial<DeedFacts> = {}) =>
  yearDeeds(
    { states: STATES, waterings: WATERINGS },
    { today: TODAY, feed: FEED, pottedOn: dayNumber('2023-04-01'), repotYears: 3, flowered: [], ...over },
  );
const sum = (values: readonly number[]) => values.reduce((a, b) => a + b, 0);

describe('food over the year', () => {
  it('goes with every fourth drink, in growth alone', () => {
    const { feeds } = of();
    expect(sum(feeds)).toBeCloseTo(sum(WATERINGS) / 4, 9);
    expect(feeds.slice(0, 12).every((doses) => doses === 0)).toBe(true);
    expect(feeds.slice(40).every((doses) => doses === 0)).toBe(true);
  });
  it.each<[string, Partial<FeedRule>, number]>([
    ['never', { rhythm: { mode: 'never' } }, 0],
    ['every four weeks', { rhythm: { mode: 'weeks', weeks: 4 } }, 7],
    ['three times in four months', { rhythm: { mode: 'months', times: 3, months: [5, 6, 7, 8] } }, 3],
    ['no more than the season’s limit', { ceiling: 2 }, 2],
  ])('%s', (_, rule, doses) => expect(sum(of({ feed: { ...FEED, ...rule } }).feeds)).toBeCloseTo(doses, 0));
  it('not while the new mix feeds it', () => {
    const { feeds } = of({ pottedOn: dayNumber('2026-01-01') });
    expect(feeds.slice(0, 26).every((doses) => doses === 0)).toBe(true);
    expect(sum(feeds)).toBeGreaterThan(0);
  });
});

describe('a new pot', () => {
  it('suits in the first weeks of growth after its years', () => expect(of().repot).toEqual({ from: 13, to: 19 }));
  it('is not due yet, or nobody knows since when it stands', () => {
    expect(of({ pottedOn: dayNumber('2025-06-01') }).repot).toBeNull();
    expect(of({ pottedOn: null }).repot).toBeNull();
  });
  it('long overdue it waits for growth all the same', () =>
    expect(of({ pottedOn: dayNumber('2015-01-01') }).repot!.from).toBe(12));
});

describe('flowers', () => {
  it('come in the weeks in which they came before', () => {
    const { flowers } = of({ flowered: ['2024-05-20', '2025-05-24'] });
    const weeks = flowers.flatMap((is, week) => (is ? [week] : []));
    expect(weeks.length).toBeGreaterThan(0);
    for (const week of weeks) expect(isoDay(TODAY + 1 + week * 7).slice(5, 7)).toMatch(/05|06/);
  });
  it('none were seen', () => expect(of().flowers.some(Boolean)).toBe(false));
});
