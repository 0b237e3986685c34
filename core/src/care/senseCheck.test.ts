import { describe, expect, it } from 'vitest';
import type { FeedAdvice, FeedWhy } from '../feed/schedule.ts';
import type { PlantEvent } from '../garden.ts';
import { senseCheck, type SenseFacts } from './senseCheck.ts';

const TODAY = '2026-06-20';
const plain = (code: FeedWhy['code'], over: Partial<FeedAdvice> = {}): FeedAdvice =>
  ({ kind: 'plain', why: { code, n: {} }, until: null, given: 0, ceiling: null, ...over }) as FeedAdvice;
const FACTS: SenseFacts = {
  volumeMl: 300,
  availableMl: 100,
  holes: true,
  mLow: 0.2,
  mHigh: 0.4,
  feed: plain('nth'),
  canMl: 1500,
  events: [],
};
const drink = (amount_ml: number | null, date = TODAY): PlantEvent => ({
  type: 'watering',
  date,
  method: 'measured',
  amount_ml,
});
const food = (dose: number | null): PlantEvent => ({ type: 'feeding', date: TODAY, dose });
const codeOf = (event: PlantEvent, over: Partial<SenseFacts> = {}) =>
  senseCheck(event, { ...FACTS, ...over })?.code ?? null;

describe('what is asked back before it is written', () => {
  it.each([
    ['a usual drink', drink(80), {}, null],
    ['a flush', drink(600), {}, null],
    ['two litres into a small pot', drink(2000), {}, 'more-than-it-holds'],
    ['what fits no more where nothing runs out', drink(120), { holes: false, mLow: 0.9 }, 'more-than-it-holds'],
    ['more than a can', drink(1600), { volumeMl: 9000 }, 'more-than-a-can'],
    [
      'a sixth drink in a week',
      drink(10),
      { events: [1, 2, 3, 4, 5].map((d) => drink(10, `2026-06-${20 - d}`)) },
      'many-drinks',
    ],
    [
      'mist as often as that',
      { ...drink(1), method: 'mist' } as PlantEvent,
      { events: [1, 2, 3, 4, 5].map(() => drink(10)) },
      null,
    ],
    ['food at its usual dose', food(0.5), {}, null],
    ['food of twice the label', food(2), {}, 'above-the-label'],
    [
      'food past the year’s ceiling',
      food(0.5),
      { feed: plain('season-full', { given: 6, ceiling: 6 }) },
      'past-the-ceiling',
    ],
    ['food while it sleeps, which its own rule answers', food(0.5), { feed: plain('asleep') }, null],
    ['food on bone-dry roots', food(0.5), { mHigh: 0.04 }, 'food-harms'],
    [
      'a waking feed, which is asked for',
      food(0.25),
      { mHigh: 0.04, feed: { ...plain('waking-dose'), kind: 'feed', strength: 0.25 } as FeedAdvice },
      null,
    ],
  ] as const)('%s', (_, event, over, wanted) => expect(codeOf(event, over as Partial<SenseFacts>)).toBe(wanted));

  it.each(['sick', 'settles', 'roots-form', 'bone-dry', 'salts'] as const)('food that its state forbids: %s', (code) =>
    expect(senseCheck(food(0.5), { ...FACTS, feed: plain(code) })).toEqual({ code: 'food-harms', feed: plain(code) }),
  );
});
