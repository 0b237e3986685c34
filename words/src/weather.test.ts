import { SI } from './units.ts';
import { describe, expect, it } from 'vitest';
import { standsWords } from './stands.ts';
import { ageWords, agoWords, type WeatherAge } from './weather.ts';

const NOW = Date.parse('2026-11-27T12:00:00Z');
const ago = (minutes: number) => new Date(NOW - minutes * 60_000).toISOString();

describe('how long ago', () => {
  it.each([
    [0, 'just now'],
    [1, '1 minute ago'],
    [59, '59 minutes ago'],
    [60, '1 hour ago'],
    [47 * 60, '47 hours ago'],
    [3 * 24 * 60, '3 days ago'],
  ])('%d minutes: %s', (minutes, words) => expect(agoWords(ago(minutes), NOW)).toBe(words));
});

describe('how the weather is known', () => {
  const age = (over: Partial<WeatherAge>): string =>
    ageWords(
      {
        service: { answered_at: ago(8), failed_since: null, failure: null },
        observed_until: '2026-11-26',
        forecast_until: '2026-12-04',
        today: '2026-11-27',
        ...over,
      },
      NOW,
      SI,
    ).join(' ');
  it('asked and answered', () =>
    expect(age({})).toBe(
      'The record ends yesterday. The forecast goes to 4 December; after that we use typical weather for the season. Updated 8 minutes ago.',
    ));
  it('away for days: that comes first, with why and what is gone by', () =>
    expect(
      age({
        service: { answered_at: ago(3 * 24 * 60), failed_since: ago(70 * 60), failure: 'it cannot be reached' },
        observed_until: '2026-11-20',
        forecast_until: null,
      }),
    ).toBe(
      'The weather service has been unavailable for 2 days: it cannot be reached; its last answer came 3 days ago. The record ' +
        'ends on 20 November, 7 days back. There is no forecast: beyond today we use typical weather for the season.',
    ));
  it('none is asked, and nothing is known', () =>
    expect(age({ service: null, observed_until: null, forecast_until: null })).toBe(
      'No weather is on record yet. There is no forecast: beyond today we use typical weather for the season. No weather service is in use.',
    ));
});

describe('when a plant may stand there', () => {
  it.each([
    [{ when: 'never' }, 'no month of nights is warm enough'],
    [{ when: 'always' }, 'warm enough all year'],
    [
      { when: 'from-to', out: '2027-05-14', in: '2027-09-24', now: false },
      'warm enough from about 14 May to 24 September 2027',
    ],
    [
      { when: 'from-to', out: '2027-11-02', in: '2028-04-10', now: false },
      'warm enough from about 2 November 2027 to 10 April 2028',
    ],
    [{ when: 'from-to', out: '2026-05-14', in: '2026-12-10', now: true }, 'warm enough until about 10 December'],
  ] as const)('%j', (stands, words) => expect(standsWords(stands, '2026-11-27', SI)).toBe(words));
});
