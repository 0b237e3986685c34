import { usualFromWords } from './weather.ts';
import { type AfterNote, BLOOM_CODES, FEED_CODES, REASON_CODES, type Reason } from '@zinc-pail/core';
import { describe, expect, it } from 'vitest';
import { afterWords } from './after.ts';
import { dateWords, dayWords, onDay, partOfMonth } from './days.ts';
import { feedWords } from './feed.ts';
import { happenedWords, judgementWords } from './judgement.ts';
import { alarmWords, dateReasonWords, holdWords, seasonWords } from './outlook.ts';
import { reasonWords } from './reasons.ts';
import { amountWords, degreeWords, doseWords, lengthWords, ordinal, SI, type Units } from './units.ts';

const TODAY = '2026-07-08';
const IMPERIAL: Units = { temperature: 'F', length: 'in', volume: 'cups', dates: 'day-first' };
const speaking = { units: SI, today: TODAY };

describe('figures', () => {
  it('in the keeper’s units, from the number itself', () => {
    expect([amountWords(180, SI), amountWords(1460, SI), amountWords(180, IMPERIAL)]).toEqual([
      '180 ml',
      '1.5 l',
      '¾ cup',
    ]);
    expect([degreeWords(-3, SI), degreeWords(-3, IMPERIAL), degreeWords(0, IMPERIAL)]).toEqual(['−3°', '27°', '32°']);
    expect([lengthWords(95, SI), lengthWords(254, IMPERIAL)]).toEqual(['9.5 cm', '10 in']);
    expect([0.125, 0.25, 0.5, 1, 0.6].map(doseWords)).toEqual([
      'an eighth the dose',
      'a quarter the dose',
      'half the dose',
      'the full dose',
      '60 % of the dose',
    ]);
    expect([1, 2, 3, 4, 11, 22, 113].map(ordinal)).toEqual(['1st', '2nd', '3rd', '4th', '11th', '22nd', '113th']);
  });
});

describe('days', () => {
  it('read as a person says them, with the year where it is another', () => {
    expect(
      ['2026-07-08', '2026-07-09', '2026-07-07', '2026-07-11', '2026-08-07'].map((day) => dayWords(day, TODAY, SI)),
    ).toEqual(['today', 'tomorrow', 'yesterday', 'Saturday', '7 August']);
    expect(dateWords('2024-10-27', TODAY, SI)).toBe('27 October 2024');
    expect(dateWords('2027-01-02', '2026-12-20', SI)).toBe('2 January');
    expect([onDay(TODAY, TODAY, SI), onDay('2026-07-11', TODAY, SI)]).toEqual(['today', 'on Saturday']);
    expect(['2026-08-03', '2026-08-15', '2026-08-29', '2027-03-02'].map((day) => partOfMonth(day, TODAY))).toEqual([
      'early August',
      'mid-August',
      'late August',
      'early March 2027',
    ]);
  });
});

describe('one sentence for each code', () => {
  const n = {
    p10: 0.1,
    p50: 0.3,
    p90: 0.6,
    days: 40,
    share: 0.5,
    reading: 7,
    strength: 2,
    factor: 0.5,
    warmth: 6,
    grows_from: 10,
    tonight: -2,
    low: -4,
    norm: 12,
    now: 8,
    high: 38,
    limit: 3,
    every: 9,
    light: 2,
    chance: 0.4,
    hold_days: 3,
    ec: 2.6,
    wakes_in_days: 60,
    thirst: 0.7,
    mm: 12,
    rain_days: 7,
    hole: 1,
    from: 18,
    to: 30,
    gap1: 16,
    gap2: 30,
    rests: 1,
    own_days: 8,
    turns: 2,
  };
  it.each(REASON_CODES)('%s', (code) => {
    for (const on of [undefined, '2026-07-06', TODAY]) {
      const reason: Reason = {
        code,
        source: 'reckoned',
        weight: 0.5,
        n,
        ...(on ? { on } : {}),
        of: code === 'changed-pace' ? 'slower' : code === 'due' ? 'dry-through' : code === 'lifted' ? 'heavy' : 'limp',
      };
      if (!on && /seen|felt|weighed|probed|lifted|surface|cut-roots|first-sip|rain-counted/.test(code)) continue;
      const words = reasonWords(reason, speaking);
      expect(words).toMatch(/^[A-Z0-9−].*[.?]$/);
      expect(words).not.toMatch(/undefined|NaN| {2}| \./);
    }
  });
  it.each(FEED_CODES)('food: %s', (code) => {
    const words = feedWords(
      {
        kind: 'plain',
        why: {
          code,
          n: { given: 7, ceiling: 6, drink: 2, every: 4, days: 20, weeks: 5, dose: 2, times: 3 },
          of: 'soft-base',
        },
        until: '2027-04-01',
        given: 0,
        ceiling: null,
      },
      TODAY,
      SI,
    );
    expect(words).toMatch(/^[A-Z].*\.$/);
    expect(words).not.toMatch(/undefined|NaN|every \d\./);
  });
  it('a limit that is passed is told with until when', () => {
    expect(
      feedWords(
        {
          kind: 'plain',
          why: { code: 'overfed', n: { given: 11, ceiling: 6 } },
          until: '2027-04-01',
          given: 11,
          ceiling: 6,
        },
        TODAY,
        SI,
      ),
    ).toBe('Overfed this season, 11 times of at most 6: no food until 1 April 2027.');
  });
  it('a temperature that would read like its limit is told to the tenth', () => {
    const cold: Reason = {
      code: 'below-limit',
      source: 'forecast',
      weight: 1,
      n: { tonight: 1.6, limit: 2, moist: 0 },
    };
    expect(reasonWords(cold, speaking)).toBe('1.6° tonight, and it takes no less than 2°.');
    expect(reasonWords({ ...cold, n: { tonight: -4, limit: 2, moist: 1 } }, speaking)).toBe(
      '−4° tonight, and it takes no less than 2° with moist roots.',
    );
  });
});

describe('a season', () => {
  it('names what brought a state, and what holds growth back; a date that is only the start of the record is none', () => {
    expect(seasonWords('resting', 'short-days', '2026-02-01', false, TODAY, SI)).toBe(
      'resting since 1 February: because of the short days',
    );
    expect(seasonWords('growing', 'short-days', '2024-10-27', true, TODAY, SI)).toBe(
      'growing since records began: held back by short days',
    );
  });
});

describe('what may have happened', () => {
  it.each(['stranger', 'ran-past', 'slower', 'faster', 'slip'] as const)('%s is a sentence with its days', (kind) => {
    const words = happenedWords(
      { kind, probability: 0.6, from: '2026-07-01', to: '2026-07-05', look: 'meter' },
      { today: TODAY, units: SI },
    );
    expect(words).toMatch(/^[A-Z].*July.*[.?]$/);
  });
});

describe('the rest', () => {
  it('holds, alarms, factors and notes read as sentences', () => {
    for (const kind of ['rest', 'goes-to-rest', 'cold', 'potted', 'judged'] as const)
      expect(
        holdWords({ hold: { until: '2026-09-01', kind, n: { warmth: 5, grows_from: 10, wakes: 1 } } }, speaking),
      ).toMatch(/^[A-Z].*\.$/);
    expect(holdWords({}, speaking)).toBe('No watering ahead.');
    for (const kind of ['slower', 'faster', 'contradictory'] as const)
      expect(alarmWords({ kind, factor: kind === 'slower' ? 0.5 : 2 })).not.toMatch(/NaN/);
    expect(
      dateReasonWords(
        {
          factor: 'pot-size',
          days: 2,
          n: { top_mm: 120, depth_mm: 100, reference_top_mm: 90, reference_depth_mm: 80 },
        },
        IMPERIAL,
      ),
    ).toBe('4.7 in across and 3.9 in deep, against 3.5 in by 3.1 in: later.');
    expect(dateReasonWords({ factor: 'rate', days: -0.1, n: { rate: 1 } }, SI)).toBe(
      'This pot dries as expected, slightly sooner.',
    );
    // What was taught by its neighbours is not told as its own.
    expect(dateReasonWords({ factor: 'rate', days: -2, n: { rate: 1.5 }, of: 'shared' }, SI)).toMatch(
      /^Pots here dry 1\.5 × as fast as expected; nobody has checked this one yet/,
    );
    const codes = ['top-only', 'firmed', 'still-slack', 'crust', 'drain', 'more-than-fits', 'let-wither', 'stretched'];
    for (const code of [...codes, ...BLOOM_CODES] as AfterNote['code'][])
      expect(
        afterWords({ code, n: { depth_mm: 120, hard_drinks: 1, holes: 1, seconds: 18, fits_ml: 40, ml: 90 } }, SI),
      ).toMatch(/[.?]$/);
    expect(afterWords({ code: 'crust', n: { hard_drinks: 1, holes: 0 } }, SI)).toMatch(
      /1 hard drink is on record.*drill it/,
    );
  });
  it('a look says what each answer leads to', () => {
    const words = judgementWords(
      {
        deeds: [{ deed: 'look', what: 'depth', then: { wet: 'wait', damp: 'wait', dry: 'water' } }],
        until: null,
        next_look: TODAY,
        because: [{ code: 'never-looked', source: 'reckoned', weight: 1 }],
        against: [],
        happened: [],
        mind: ['not-on-powder'],
        never: 'frost',
        never_c: 8,
        sure: 'low',
      },
      { units: IMPERIAL, today: TODAY },
    );
    expect(words).toMatchObject({
      head: 'Feel it first',
      reason: 'Nobody has ever felt this pot.',
      then: 'Wet or damp: no water. Dry: water it.',
      never: 'Never below 46° at night.',
    });
  });
});

describe('usual weather that nobody gave', () => {
  it('says from where it is guessed, and that far off is rough', () => {
    expect(usualFromWords({ name: 'London', km: 3 })).toBe('Its usual weather is London’s, approximate.');
    expect(usualFromWords({ name: 'Birmingham', km: 125 })).toBe(
      'Its usual weather is guessed from Birmingham, 125 km away, and the towns around.',
    );
    expect(usualFromWords({ name: 'Suva', km: 900 })).toMatch(/900 km away.*a rough guess\.$/);
  });
});
