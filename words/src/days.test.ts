import { afterEach, describe, expect, it } from 'vitest';
import { dateWords, onDay, sayMonthFirst } from './days.ts';

describe('dates as the reader’s country has them', () => {
  afterEach(() => sayMonthFirst(false));
  it.each([
    [false, '4 June', 'on 14 June', '4 June 2028'],
    [true, 'June 4', 'on June 14', 'June 4, 2028'],
  ])('month first: %s', (first, near, on, far) => {
    sayMonthFirst(first);
    expect(dateWords('2026-06-04', '2026-06-01')).toBe(near);
    expect(onDay('2026-06-14', '2026-06-01')).toBe(on);
    expect(dateWords('2028-06-04', '2026-06-01')).toBe(far);
  });
});
