import { describe, expect, it } from 'vitest';
import { dayNumber, isoDay } from '../calendar/day.ts';
import { APART_DAYS, isApart } from './apart.ts';

describe('a plant that is kept apart', () => {
  it.each([
    ['nobody set it apart', null, false],
    ['its last day is tomorrow', '2026-06-21', true],
    ['its last day is today: it is looked over, then joins', '2026-06-20', true],
    ['its last day was yesterday', '2026-06-19', false],
    ['over the turn of a year', '2027-01-02', true],
  ])('%s', (_, until, wanted) => expect(isApart(until, '2026-06-20')).toBe(wanted));
  it('four weeks, counted from the day guests were found, end on the twenty-eighth day', () => {
    const until = isoDay(dayNumber('2026-06-20') + APART_DAYS);
    expect(until).toBe('2026-07-18');
    expect(isApart(until, '2026-07-18')).toBe(true);
    expect(isApart(until, '2026-07-19')).toBe(false);
  });
});
