import { SI } from '@zinc-pail/words/units';
import type { RoundPot } from '@zinc-pail/contract/api';
import { renderToStaticMarkup } from 'react-dom/server';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { eventWords } from '@zinc-pail/words/events';
import { centimetres, count, cups, degreeRange, degrees, litres, shareWords } from './amounts.ts';
import { addDays, daysBetween, fullDay, longDay, nearDay, shortDay } from './days.ts';
import { numberIn } from '@zinc-pail/words/numbers';
import { felt, wateredAsAdvised, wateredWords } from '../marking/markEvents.ts';
import { Name } from '../naming/Name.tsx';
import { StateMark } from '../naming/StateMark.tsx';
import { celsiusOf, mlOf, mmOf, setUnits, shownTemperature, typed } from './units.ts';

describe('days', () => {
  it('are said as people say them, whatever the clock’s zone', () => {
    expect(shortDay('2026-06-04')).toBe('4 Jun');
    expect(longDay('2026-06-04')).toBe('Thursday 4 June');
    expect(fullDay('2026-06-04')).toContain('2026');
    expect(nearDay('2026-06-04', '2026-06-04')).toBe('today');
    expect(nearDay('2026-06-03', '2026-06-04')).toBe('yesterday');
    expect(nearDay('2026-06-08', '2026-06-04')).toBe('Monday');
    expect(nearDay('2026-07-08', '2026-06-04')).toBe('8 July');
  });
  it('add up over months and years', () => {
    expect(addDays('2026-12-31', 1)).toBe('2027-01-01');
    expect(daysBetween('2026-02-27', '2026-03-01')).toBe(2);
  });
});

describe('amounts', () => {
  it('are short', () => {
    expect(litres(1900)).toBe('1.9 l');
    expect(litres(45)).toBe('45 ml');
    expect(centimetres(95)).toBe('9.5 cm');
    expect(centimetres(120)).toBe('12 cm');
    expect(degrees(-4.4)).toBe('−4°');
    expect(degrees(-0.2)).toBe('0°');
    expect([degreeRange(18, 23), degreeRange(-5, 4), degreeRange(7.2, 6.9)]).toEqual(['18–23°', '−5 to 4°', '7°']);
    expect(count(1, 'pot')).toBe('1 pot');
    expect(count(2, 'pot')).toBe('2 pots');
  });
});

describe('names and states', () => {
  it('are set by the rules', () => {
    expect(renderToStaticMarkup(<Name written="Aloe cf. vera 'Tin Roof', lock side" />)).toBe(
      '<span class="slab"><i>Aloe</i><span> cf.</span><i> vera</i><span> ‘Tin Roof’</span></span>'.replace(
        '</span></span>',
        ', lock side</span></span>',
      ),
    );
  });
  it('a state is its mark and its word', () => {
    const markup = renderToStaticMarkup(<StateMark state="resting" />);
    expect(markup).toContain('resting');
    expect(markup).toContain('<path');
  });
});

describe('quick marks', () => {
  const pot = (task: object = {}, outlook: object = {}) =>
    ({
      outlook: { pot: { holes: true }, ...outlook },
      task: {
        judgement: { deeds: [{ deed: 'water' }] },
        way: 'drench',
        method: 'drench',
        amount_ml: 120,
        water: 'rain',
        food: null,
        feed_id: null,
        ...task,
      },
    }) as unknown as Pick<RoundPot, 'outlook' | 'task'>;
  const DAY = '2026-06-04';
  it('write what was advised: way, measure, water', () => {
    expect(wateredAsAdvised(pot({ way: 'measured', method: 'measured', amount_ml: 40 }), DAY)).toEqual([
      { type: 'watering', date: DAY, method: 'measured', way: 'measured', water: 'rain', amount_ml: 40 },
    ]);
    expect(wateredWords(pot({ way: 'bottom', method: 'bottom' }))).toBe('stood in water');
    expect(wateredAsAdvised(pot({ way: 'base' }), DAY)).toEqual([
      { type: 'watering', date: DAY, method: 'drench', way: 'base', water: 'rain' },
    ]);
  });
  it('with food where it is due with this drink, and only then', () => {
    const fed = { food: 0.5, feed_id: 3 };
    expect(wateredAsAdvised(pot(fed), DAY)[1]).toEqual({ type: 'feeding', date: DAY, dose: 0.5, feed_id: 3 });
    expect(wateredWords(pot(fed))).toBe('watered until it ran, fed');
    expect(wateredAsAdvised(pot({ ...fed, judgement: { deeds: [{ deed: 'wait', until: null }] } }), DAY)).toHaveLength(
      1,
    );
  });
  it('never drench a pot without a hole', () => {
    expect(wateredAsAdvised(pot({ amount_ml: 60 }, { pot: { holes: false } }), DAY)).toEqual([
      { type: 'watering', date: DAY, method: 'measured', way: 'measured', water: 'rain', amount_ml: 60 },
    ]);
  });
  it('write what a finger felt', () =>
    expect(felt('damp', DAY)).toEqual([{ type: 'check', date: DAY, finger: 'damp' }]));
});

describe('numbers as people write them', () => {
  it.each([
    ['1,5', 1.5],
    ['−3', -3],
    [' 12 ', 12],
    ['', NaN],
    ['1e3', NaN],
    ['101', NaN],
  ])('%j is %d', (text, value) => expect(numberIn(text, -10, 100)).toBe(value));
  it('volumes in cups, strengths in words', () => {
    expect(cups(180)).toBe('¾ cup');
    expect(cups(300)).toBe('1¼ cups');
    expect(cups(20)).toBeNull();
    expect(shareWords(0.5)).toBe('half the dose');
    expect(shareWords(0.3)).toBe('30 % of the dose');
  });
});

describe('the book', () => {
  it.each([
    [
      { type: 'watering', date: '', method: 'measured', amount_ml: 40, water: 'rain' },
      'Watered by measure, 40 ml, rain water',
    ],
    [{ type: 'check', date: '', meter: 4 }, 'Probe at 4'],
    [{ type: 'check', date: '', weight_g: 512 }, 'Weighed 512 g'],
    [{ type: 'check', date: '', surface: 'dry' }, 'Surface dry'],
    [{ type: 'weights', date: '', drained_g: 600, dry_g: 480 }, 'Full weight 600 g, dry 480 g'],
    [{ type: 'sign', date: '', sign: 'dark-base', strength: 3 }, 'Seen: a dark base, strongly'],
    [{ type: 'repotting', date: '', roots_cut: true }, 'Repotted, roots cut'],
    [{ type: 'feeding', date: '', dose: 0.5 }, 'Fed, half the dose'],
    [{ type: 'state', date: '', state: 'waking' }, 'Seen to be waking'],
    [{ type: 'note', date: '', text: 'first bud' }, 'first bud'],
    [{ type: 'move', date: '' }, 'Moved'],
  ] as const)('%o reads “%s”', (event, words) => {
    expect(eventWords(event as Parameters<typeof eventWords>[0], SI)).toBe(words);
  });
});

describe('units', () => {
  afterEach(() => setUnits({ temperature: 'C', length: 'cm', volume: 'l', dates: 'day-first' }));
  it('are the keeper’s own, for the eye and for what is typed, and nothing drifts', () => {
    const kept = new Map<string, string>();
    vi.stubGlobal('localStorage', {
      getItem: (key: string) => kept.get(key) ?? null,
      setItem: (key: string, value: string) => kept.set(key, value),
    });
    expect([degrees(-4), centimetres(90), litres(180)]).toEqual(['−4°', '9 cm', '180 ml']);
    setUnits({ temperature: 'F', length: 'in', volume: 'cups', dates: 'day-first' });
    expect([degrees(-4), centimetres(254), litres(180), litres(7)]).toEqual(['25°', '10 in', '¾ cup', '7 ml']);
    expect(celsiusOf(212)).toBe(100);
    expect(celsiusOf(shownTemperature(17.3))).toBeCloseTo(17.3, 12);
    expect(mmOf(1)).toBe(25.4);
    expect(mlOf(0.75)).toBe(180);
    expect(typed.temperature()).toBe('°F');
  });
});
