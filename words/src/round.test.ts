import { SI } from './units.ts';
import { describe, expect, it } from 'vitest';
import { alsoWords, doubledWords, spanWords } from './round.ts';

describe('besides the pots', () => {
  it('sun is counted in minutes, from two hours on in hours', () => {
    expect(alsoWords({ kind: 'sun', day: '2026-06-04', minutes: 45 }, '2026-06-04', SI)).toBe(
      '45 minutes of direct sun today, then back to shade.',
    );
    expect(['1 minute', '119 minutes', '2 hours', '2.5 hours']).toEqual([1, 119, 120, 150].map(spanWords));
  });
  it('days are told as a person tells them, with a year that is far off', () => {
    expect(alsoWords({ kind: 'review', day: '2026-05-14', minutes: undefined }, '2026-06-04', SI)).toBe(
      'Moved on 14 May: how does its new growth look?',
    );
    expect(alsoWords({ kind: 'quarantine', day: '2025-06-01' }, '2026-06-04', SI)).toContain('1 June 2025');
    expect(alsoWords({ kind: 'arrival', day: '2026-06-01' }, '2026-06-04', SI)).toMatch(/^New here and not inspected/);
    expect(alsoWords({ kind: 'hole', day: '2026-06-01' }, '2026-06-04', SI)).toMatch(/without a hole.*small measures/);
  });
  it('says who was first, and when', () =>
    expect(doubledWords({ by: 'Second keeper', deed: 'fed', at: '10:31' })).toBe(
      'Second keeper already fed it, noted at 10:31. Nothing was written twice.',
    ));
});
