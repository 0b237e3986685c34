import { describe, expect, it } from 'vitest';
import { dayNumber, isoDay } from '../calendar/day.ts';
import { saturdayFrom, spreadOverWeekends, weekendsOf } from './weekends.ts';

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

describe('the weekends of a bench', () => {
  const line = (over: object) => ({
    id: 1,
    need: { score: 0.6, verdict: 'due' as const },
    suits: { from: FRIDAY, to: FRIDAY + 56 },
    blocks: [],
    ...over,
  });
  const dayOf = (over: object) => weekendsOf([line(over)], FRIDAY, 6).get(1);
  it('the first that suits it', () => expect(isoDay(dayOf({})!)).toBe('2026-05-02'));
  it('not before what stands in the way is over', () =>
    expect(isoDay(dayOf({ blocks: [{ until: FRIDAY + 10 }, { until: FRIDAY + 3 }] })!)).toBe('2026-05-16'));
  it.each([
    ['without a reason', { need: { score: 0, verdict: 'none' } }],
    ['where no growth is in sight', { suits: null }],
    ['while nobody knows how long something stands in the way', { blocks: [{ until: null }] }],
    ['where that lasts longer than its weeks', { blocks: [{ until: FRIDAY + 80 }] }],
  ])('none %s', (_, over) => expect(dayOf(over)).toBeUndefined());
});
