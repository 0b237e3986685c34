import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { dayNumber, dayOfYear, isIsoDay, isoDay, monthIndex } from './day.ts';

describe('calendar days', () => {
  it('goes there and back', () => {
    fc.assert(fc.property(fc.integer({ min: -40_000, max: 60_000 }), (day) => dayNumber(isoDay(day)) === day));
  });
  it('knows leap days and refuses false ones', () => {
    expect(isIsoDay('2024-02-29')).toBe(true);
    expect(isIsoDay('2026-02-29')).toBe(false);
    expect(isIsoDay('2026-2-9')).toBe(false);
    expect(() => dayNumber('tomorrow')).toThrow('YYYY-MM-DD');
  });
  it('counts days of the year and months', () => {
    expect(dayOfYear(dayNumber('2024-12-31'))).toBe(366);
    expect(monthIndex(dayNumber('2026-03-01'))).toBe(2);
  });
});
