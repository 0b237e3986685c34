import { describe, expect, it } from 'vitest';
import { dayNumber, isoDay } from '../calendar/day.ts';
import type { PlantEvent } from '../garden.ts';
import { dilutedStrength, doseFor, leaning } from './dose.ts';
import { flushMl, rankedWaters, SALT_LIMITS, saltsOf } from './salts.ts';
import { feedAdvice, type FeedFacts, type FeedRule, type FeedWhy } from './schedule.ts';

const TODAY = dayNumber('2026-06-20');
const day = (back: number) => isoDay(TODAY - back);
const watered = (back: number, method: 'drench' | 'measured' = 'drench'): PlantEvent => ({
  type: 'watering',
  date: day(back),
  method,
  ...(method === 'measured' ? { amount_ml: 20 } : {}),
});
const fed = (back: number): PlantEvent => ({ type: 'feeding', date: day(back), dose: 0.5 });

const rule = (over: Partial<FeedRule> = {}): FeedRule => ({
  rhythm: { mode: 'nth', n: 4, sipsCount: false },
  strength: 0.5,
  chargeMonths: 6,
  lastBeforeRest: false,
  firstOnWaking: false,
  ceiling: null,
  ...over,
});
const facts = (over: Partial<FeedFacts> = {}): FeedFacts => ({
  events: [],
  today: TODAY,
  state: 'growing',
  stateSince: TODAY - 60,
  habit: 'summer',
  south: false,
  mixIsCharged: false,
  pottedOn: null,
  dry: false,
  arrivedOn: null,
  signs: [],
  lightMonths: null,
  heldUntil: null,
  ...over,
});

describe('doses', () => {
  it('5 ml a litre at half strength in 3 l is 7.5 ml', () => expect(doseFor(5, 0.5, 3000)).toBe(7.5));
  it('half and half halves the strength', () => {
    expect(dilutedStrength(1, 1, 1)).toBe(0.5);
    expect(() => dilutedStrength(1, 0, 1)).toThrow(RangeError);
  });
  it('potassium leads for bloom, nitrogen for leaf', () => {
    expect(leaning({ n: 4, p: 6, k: 9 })).toBe('bloom');
    expect(leaning({ n: 10, p: 4, k: 5 })).toBe('leaf');
    expect(leaning({ n: 7, p: 7, k: 7 })).toBe('even');
  });
});

describe('food by the n-th drink', () => {
  it('counts drinks, not days: the 4th after the last food', () => {
    const events = [fed(80), watered(80), watered(60), watered(40), watered(19)];
    expect(feedAdvice(rule(), facts({ events }))).toMatchObject({
      kind: 'feed',
      why: { code: 'nth', n: { drink: 4, every: 4 } },
    });
    expect(feedAdvice(rule(), facts({ events: events.slice(0, -1) }))).toMatchObject({
      kind: 'plain',
      why: { code: 'nth', n: { drink: 3, every: 4 } },
    });
  });
  it('leaves a sip out of the count unless sips count', () => {
    const events = [fed(80), watered(60), watered(40, 'measured'), watered(19)];
    expect(feedAdvice(rule(), facts({ events })).kind).toBe('plain');
    expect(feedAdvice(rule({ rhythm: { mode: 'nth', n: 4, sipsCount: true } }), facts({ events })).kind).toBe('feed');
  });
  it('moves with the drinks: at intervals of 14, 14 and 21 days food joins the fourth, however late it comes', () => {
    const events = [fed(70), watered(49), watered(35), watered(14)];
    expect(feedAdvice(rule(), facts({ events })).kind).toBe('feed');
    expect(feedAdvice(rule(), facts({ events: events.slice(0, 3) }))).toMatchObject({ kind: 'plain' });
  });
});

describe('food by weeks and months', () => {
  it('waits its weeks', () => {
    const weekly = rule({ rhythm: { mode: 'weeks', weeks: 3 } });
    expect(feedAdvice(weekly, facts({ events: [fed(20)] })).kind).toBe('plain');
    expect(feedAdvice(weekly, facts({ events: [fed(21)] })).kind).toBe('feed');
    expect(feedAdvice(weekly, facts()).kind).toBe('feed');
  });
  it('spreads its times over its months, and not outside them', () => {
    const thrice = rule({ rhythm: { mode: 'months', times: 3, months: [4, 5, 6, 7, 8, 9] } });
    expect(feedAdvice(thrice, facts({ events: [fed(75)] }))).toMatchObject({
      kind: 'feed',
      why: { code: 'months', n: { dose: 2, times: 3 } },
    });
    expect(feedAdvice(thrice, facts({ events: [fed(75), fed(10)] })).kind).toBe('plain');
    expect(feedAdvice(rule({ rhythm: { mode: 'months', times: 2, months: [9, 10] } }), facts()).kind).toBe('plain');
  });
});

describe('what forbids food', () => {
  const due = { events: [] as PlantEvent[] };
  const always = rule({ rhythm: { mode: 'weeks', weeks: 1 } });
  it.each<[string, Partial<FeedFacts>, Partial<FeedRule>, FeedWhy['code']]>([
    ['rest', { state: 'resting' }, {}, 'asleep'],
    ['slowing', { state: 'easing' }, {}, 'easing'],
    ['waking', { state: 'waking', stateSince: TODAY - 5 }, {}, 'waking'],
    ['a charged mix', { mixIsCharged: true, pottedOn: TODAY - 30 }, {}, 'mix-feeds'],
    ['arrival', { arrivedOn: TODAY - 3 }, {}, 'settles'],
    ['rot', { signs: ['soft-base'] }, {}, 'sick'],
    ['bone dry roots', { dry: true }, {}, 'bone-dry'],
    ['the season’s limit', { events: [fed(60), fed(30)] }, { ceiling: 2 }, 'season-full'],
    ['short days without a lamp', { lightMonths: [1, 2] }, {}, 'dark-months'],
    ['a hold of the keeper’s', { heldUntil: TODAY + 20 }, {}, 'held'],
    ['a limit passed', { events: [fed(90), fed(60), fed(30)] }, { ceiling: 2 }, 'overfed'],
    ['never', {}, { rhythm: { mode: 'never' } }, 'never'],
  ])('%s', (_, over, ruleOver, why) => {
    const advice = feedAdvice({ ...always, ...ruleOver }, facts({ ...due, ...over }));
    expect(advice.kind).toBe('plain');
    expect(advice.why.code).toBe(why);
  });
  it('shows when the charge ends', () => {
    expect(feedAdvice(always, facts({ mixIsCharged: true, pottedOn: dayNumber('2026-05-01') }))).toMatchObject({
      until: '2026-10-31',
    });
  });
  it('feeds at the edges of rest where the keeper chose it, at half', () => {
    expect(
      feedAdvice(rule({ ...always, lastBeforeRest: true }), facts({ state: 'easing', stateSince: TODAY - 10 })),
    ).toMatchObject({ kind: 'feed', strength: 0.25 });
    expect(
      feedAdvice(rule({ ...always, firstOnWaking: true }), facts({ state: 'waking', stateSince: TODAY - 10 })),
    ).toMatchObject({ kind: 'feed', strength: 0.25 });
    expect(
      feedAdvice(
        rule({ ...always, firstOnWaking: true }),
        facts({ state: 'waking', stateSince: TODAY - 10, events: [fed(4)] }),
      ).kind,
    ).toBe('plain');
  });
  it('starts the count anew with the season: a winter grower’s in July, in the south half a year on', () => {
    const old = {
      events: [{ type: 'feeding', date: '2026-06-25', dose: 1 } as PlantEvent],
      today: dayNumber('2026-07-05'),
    };
    const once = rule({ rhythm: { mode: 'weeks', weeks: 1 }, ceiling: 1 });
    expect(feedAdvice(once, facts({ ...old, habit: 'winter' })).given).toBe(0);
    expect(feedAdvice(once, facts({ ...old, habit: 'summer' })).given).toBe(1);
    expect(feedAdvice(once, facts({ ...old, habit: 'summer', south: true })).given).toBe(0);
  });
});

describe('salts', () => {
  const drinks = (water: 'rain' | 'hard', n: number): PlantEvent[] =>
    Array.from(
      { length: n },
      (_, i) =>
        ({ type: 'watering', date: day(10 * (n - i)), method: 'measured', amount_ml: 150, water }) as PlantEvent,
    );
  it('build up with hard water by the measure, hardly with rain', () => {
    const hard = saltsOf(drinks('hard', 8), 200, 'usual');
    const rain = saltsOf(drinks('rain', 8), 200, 'usual');
    // 8 × 0.15 l × 450 mg/l = 540 mg in 0.2 l = 2700 mg/l = 4.2 mS/cm
    expect(hard.ecMS).toBeCloseTo(4.22, 2);
    expect(hard).toMatchObject({ flush: true, hardDrinks: 8 });
    expect(rain.ecMS).toBeLessThan(0.2);
    expect(rain.flush).toBe(false);
  });
  it('a flush is twice the volume, up to what a can measures, and something even in a thimble', () => {
    expect([4, 12, 200, 862].map(flushMl)).toEqual([10, 30, 400, 1750]);
  });
  it('a flush of twice the volume takes most of them', () => {
    const events: PlantEvent[] = [
      ...drinks('hard', 8),
      { type: 'watering', date: day(1), method: 'drench', amount_ml: 600, water: 'rain' },
    ];
    const after = saltsOf(events, 200, 'usual');
    expect(after.ecMS).toBeLessThan(1);
    expect(after.hardDrinks).toBe(0);
  });
  it('food adds; a repotting ends the account', () => {
    const fedDrink: PlantEvent[] = [
      { type: 'watering', date: day(5), method: 'measured', amount_ml: 100, water: 'distilled' },
      { type: 'feeding', date: day(5), dose: 1 },
    ];
    expect(saltsOf(fedDrink, 100, 'usual').ecMS).toBeCloseTo((5 + 500) / 640, 3);
    expect(saltsOf([...fedDrink, { type: 'repotting', date: day(1) }], 100, 'usual').ecMS).toBe(0);
    expect(saltsOf(fedDrink, 0, 'usual').ecMS).toBe(0);
  });
  it('goes by what the keeper measured, and never softened for those that mind it', () => {
    expect(saltsOf(drinks('hard', 1), 150, 'usual', 'rain', { hard: 640 }).ecMS).toBeCloseTo(1, 5);
    expect(rankedWaters('sensitive')).not.toContain('softened');
    expect(rankedWaters('sensitive')).not.toContain('hard');
    expect(SALT_LIMITS.sensitive).toBeLessThan(SALT_LIMITS.usual);
  });
});
