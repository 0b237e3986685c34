import { describe, expect, it } from 'vitest';
import { dayNumber, isoDay } from '../calendar/day.ts';
import { saturdayFrom, spreadOverWeekends } from './weekends.ts';

const FRIDAY = dayNumber('2026-05-01');
const pot = (id: number, score: number, from = 0, to = 60) => ({ id, score, from: FRIDAY + from, to: FRIDAY + to });

describe('pots over weekends', () => {
  it('a Saturday is one', () => {
    expect(isoDay(saturdayFrom(FRIDAY))).toBe('2026-05-02');
    expect(isoDay(saturdayFrom(dayNumber('2026-05-02')))).toBe('2026-05-02');
    expect(isoDay(saturdayFrom(dayNumber('2026-05-03')))).toBe('2026-05-09');
  });
  it('the most pressing first, no more than there is time for', () => {
    const days = spreadOverWeekends([pot(1, 0.2), pot(2, 0.9), pot(3, 0.5)], FRIDAY, 2);
    expect([2, 3, 1].map((id) => isoDay(days.get(id)!))).toEqual(['2026-05-02', '2026-05-02', '2026-05-09']);
  });
  it('each in the weeks that suit it, or not at all', () => {
    const days = spreadOverWeekends([pot(1, 0.9, 20, 40), pot(2, 0.8, 0, 1), pot(3, 0.7, 0, 1)], FRIDAY, 1);
    expect(isoDay(days.get(1)!)).toBe('2026-05-23');
    expect(isoDay(days.get(2)!)).toBe('2026-05-02');
    expect(days.has(3)).toBe(false);
  });
});
