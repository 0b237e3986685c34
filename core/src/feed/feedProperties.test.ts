import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { dayNumber, isoDay } from '../calendar/day.ts';
import { HABITS, PLANT_STATES, type PlantEvent } from '../garden.ts';
import { WATER_KINDS } from '../watering.ts';
import { SALT_LIMITS, saltsOf } from './salts.ts';
import { FEED_CODES, feedAdvice, type FeedFacts, type FeedRhythm, type FeedRule } from './schedule.ts';

const TODAY = dayNumber('2026-06-20');
const rhythm: fc.Arbitrary<FeedRhythm> = fc.oneof(
  fc.constant<FeedRhythm>({ mode: 'never' }),
  fc.record({ mode: fc.constant('nth' as const), n: fc.integer({ min: 1, max: 12 }), sipsCount: fc.boolean() }),
  fc.record({ mode: fc.constant('weeks' as const), weeks: fc.integer({ min: 1, max: 30 }) }),
  fc.record({
    mode: fc.constant('months' as const),
    times: fc.integer({ min: 1, max: 8 }),
    months: fc.uniqueArray(fc.integer({ min: 1, max: 12 }), { minLength: 1 }),
  }),
);
const rule: fc.Arbitrary<FeedRule> = fc.record({
  rhythm,
  strength: fc.double({ min: 0.05, max: 2, noNaN: true }),
  chargeMonths: fc.integer({ min: 0, max: 12 }),
  lastBeforeRest: fc.boolean(),
  firstOnWaking: fc.boolean(),
  ceiling: fc.option(fc.integer({ min: 0, max: 10 })),
});
const events: fc.Arbitrary<PlantEvent[]> = fc
  .array(
    fc.record({
      back: fc.integer({ min: 0, max: 500 }),
      fed: fc.boolean(),
      ml: fc.integer({ min: 5, max: 900 }),
      water: fc.constantFrom(...WATER_KINDS),
      method: fc.constantFrom('drench' as const, 'measured' as const, 'bottom' as const, 'mist' as const),
    }),
    { maxLength: 40 },
  )
  .map((list) =>
    list
      .toSorted((a, b) => b.back - a.back)
      .flatMap(({ back, fed, ml, water, method }): PlantEvent[] => [
        { type: 'watering', date: isoDay(TODAY - back), method, amount_ml: ml, water },
        ...(fed ? [{ type: 'feeding', date: isoDay(TODAY - back), dose: 0.5 } as PlantEvent] : []),
      ]),
  );
const facts: fc.Arbitrary<FeedFacts> = fc.record({
  events,
  today: fc.constant(TODAY),
  state: fc.constantFrom(...PLANT_STATES),
  stateSince: fc.integer({ min: TODAY - 200, max: TODAY }),
  habit: fc.constantFrom(...HABITS),
  south: fc.boolean(),
  mixIsCharged: fc.boolean(),
  pottedOn: fc.option(fc.integer({ min: TODAY - 900, max: TODAY })),
  dry: fc.boolean(),
  arrivedOn: fc.option(fc.integer({ min: TODAY - 100, max: TODAY })),
  signs: fc.array(fc.constantFrom('wrinkled', 'soft-base', 'buds', 'salt-crust')),
  heldUntil: fc.option(fc.integer({ min: TODAY - 30, max: TODAY + 30 })),
  lightMonths: fc.option(fc.uniqueArray(fc.integer({ min: 1, max: 12 }), { minLength: 1 })),
});

describe('food, whatever the rule and the book', () => {
  it('never goes to a sleeper, beyond its limit, onto rot, twice a day, or without a reason', () => {
    fc.assert(
      fc.property(rule, facts, (r, f) => {
        const advice = feedAdvice(r, f);
        expect(FEED_CODES).toContain(advice.why.code);
        if (advice.kind === 'plain') return;
        expect(f.state).not.toBe('resting');
        expect(r.rhythm.mode).not.toBe('never');
        if (r.ceiling !== null) expect(advice.given).toBeLessThan(r.ceiling);
        expect(f.signs).not.toContain('soft-base');
        expect(f.events.some((event) => event.type === 'feeding' && event.date === isoDay(TODAY))).toBe(false);
        expect(advice.strength).toBeLessThanOrEqual(r.strength);
        if (f.state !== 'growing') expect(advice.strength).toBeCloseTo(r.strength / 2);
        if (f.mixIsCharged && f.pottedOn !== null)
          expect(TODAY - f.pottedOn).toBeGreaterThanOrEqual(Math.round(r.chargeMonths * 30.44));
      }),
      { numRuns: 400 },
    );
  });
  it('one dose more in the book never brings the next one sooner', () => {
    fc.assert(
      fc.property(rule, facts, fc.integer({ min: 0, max: 300 }), (r, f, back) => {
        const more = [...f.events, { type: 'feeding', date: isoDay(TODAY - back), dose: 0.5 } as PlantEvent].sort(
          (a, b) => (a.date < b.date ? -1 : a.date > b.date ? 1 : 0),
        );
        if (feedAdvice(r, f).kind === 'plain') expect(feedAdvice(r, { ...f, events: more }).kind).toBe('plain');
      }),
      { numRuns: 400 },
    );
  });
});

describe('salts, whatever was poured', () => {
  it('are finite, never negative, and more with harder water', () => {
    fc.assert(
      fc.property(events, fc.integer({ min: 20, max: 3000 }), (book, heldMl) => {
        const as = (water: 'rain' | 'hard') =>
          saltsOf(
            book.map((event) => (event.type === 'watering' ? { ...event, water } : event)),
            heldMl,
            'usual',
          );
        const [rain, hard] = [as('rain'), as('hard')];
        expect(Number.isFinite(hard.ecMS)).toBe(true);
        expect(rain.ecMS).toBeGreaterThanOrEqual(0);
        expect(hard.ecMS).toBeGreaterThanOrEqual(rain.ecMS);
        expect(hard.limitMS).toBe(SALT_LIMITS.usual);
        expect(hard.flush).toBe(hard.ecMS > hard.limitMS);
      }),
      { numRuns: 200 },
    );
  });
  it('a flush with distilled water never leaves more than there was', () => {
    fc.assert(
      fc.property(events, fc.integer({ min: 50, max: 1000 }), (all, heldMl) => {
        // Food of the flush's own day would go into the flush.
        const book = all.filter(({ date }) => date < isoDay(TODAY));
        const before = saltsOf(book, heldMl, 'usual').ecMS;
        const after = saltsOf(
          [
            ...book,
            { type: 'watering', date: isoDay(TODAY), method: 'drench', amount_ml: 4 * heldMl, water: 'distilled' },
          ],
          heldMl,
          'usual',
        ).ecMS;
        expect(after).toBeLessThanOrEqual(before + 0.04);
      }),
      { numRuns: 200 },
    );
  });
});
