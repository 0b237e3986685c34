import { describe, expect, it } from 'vitest';
import { dateWords, dayWords, onDay } from './days.ts';

describe('dates as the reader’s country has them', () => {
  it.each([
    ['day-first', '4 June', 'on 14 June', '4 June 2028'],
    ['month-first', 'June 4', 'on June 14', 'June 4, 2028'],
  ] as const)('%s', (dates, near, on, far) => {
    expect(dateWords('2026-06-04', '2026-06-01', { dates })).toBe(near);
    expect(onDay('2026-06-14', '2026-06-01', { dates })).toBe(on);
    expect(dateWords('2028-06-04', '2026-06-01', { dates })).toBe(far);
    expect(dayWords('2026-06-04', '2026-06-01', { dates })).toBe('Thursday');
  });
});
