/** Forms of a plant's page: what they start with, and what is sent. */
import type { PlantView } from '@zinc-pail/contract/api';
import { FORM_FIELDS } from '@zinc-pail/contract/plantFields';
import type { CareRules } from '@zinc-pail/core';
import { describe, expect, it } from 'vitest';
import { changeOf, formOf, labelOf, specOf } from './recordForm.ts';
import { SI } from '@zinc-pail/words/units';
import { setUnits } from '../../reader/units.ts';
import { ruleLines } from './ruleLines.ts';
import { changesOf, draftOf, type RulesDraft } from './rulesDraft.ts';

const RULES: CareRules = {
  trigger: 'pot',
  dueAt: null,
  sleeps: 'season',
  idealFromC: 18,
  idealToC: 30,
  ceilingC: 40,
  everyDays: Array.from({ length: 12 }, () => null),
  ways: ['base', 'bottom'],
  amount: { by: 'drench' },
  waters: ['rain', 'soft'],
  salts: 'usual',
  stand: 'saucer',
  saucerMinutes: 25,
  soakMinutes: 20,
  feed: {
    rhythm: { mode: 'months', times: 3, months: [4, 5, 6] },
    strength: 0.5,
    chargeMonths: 6,
    lastBeforeRest: false,
    firstOnWaking: true,
    ceiling: null,
  },
  feedId: null,
  light: 'bright',
  sunCeilingHours: null,
  repotYears: 3,
  indoorDays: 60,
  stretchFrom: 1.7,
  hardToReplace: false,
  firstDrink: 'staged',
  noFoodUntil: null,
  stepsTakenBack: [],
};
const plant = (rules: Partial<CareRules> = {}) =>
  ({ care: { rules: { ...RULES, ...rules } }, record: { own_words: null } }) as unknown as PlantView;
const changes = (some: Partial<RulesDraft>, rules: Partial<CareRules> = {}) =>
  changesOf({ ...draftOf(plant(rules)), ...some }, { ...RULES, ...rules });

describe('rules', () => {
  it('nothing touched changes nothing, whatever the rhythm and the amount', () => {
    const fixed = { by: 'fixed' as const, ml: 40 };
    for (const rules of [
      {},
      { amount: fixed },
      { amount: { by: 'share' as const, share: 0.03 } },
      { feed: { ...RULES.feed, rhythm: { mode: 'never' as const } } },
      { feed: { ...RULES.feed, rhythm: { mode: 'nth' as const, n: 5, sipsCount: true } } },
      { feed: { ...RULES.feed, rhythm: { mode: 'weeks' as const, weeks: 3 } } },
      { feed: { ...RULES.feed, ceiling: 4 } },
      { noFoodUntil: '2026-08-01' },
    ])
      expect(changes({}, rules)).toEqual({});
  });
  it('only what differs is set', () => {
    expect(changes({ trigger: 'plant', soak: '15' })).toEqual({ trigger: 'plant', soakMinutes: 15 });
    expect(changes({ amountBy: 'share', percent: '2,5' })).toEqual({ amount: { by: 'share', share: 0.025 } });
    expect(changes({ everyDays: RULES.everyDays.map((_, i) => (i === 6 ? '9' : '')) })).toEqual({
      everyDays: RULES.everyDays.with(6, 9),
    });
  });
  it('a feed that is thinned before it is poured reaches the roots thinner', () => {
    expect(changes({ plainParts: '1' })).toMatchObject({ feed: { strength: 0.25 } });
    expect(changes({ plainParts: '2', percentDose: '100' })).toMatchObject({ feed: { strength: 0.333 } });
  });
  it.each<[Partial<RulesDraft>, RegExp]>([
    [{ ways: [] }, /Ways of watering/],
    [{ waters: [] }, /Kinds of water/],
    [{ mode: 'months', months: [] }, /Feeding months/],
    [{ mode: 'weeks', weeks: '60' }, /Weeks: a number from 1 to 52/],
    [{ mode: 'nth', n: 'second' }, /how many waterings: a number from 1 to 50/],
    [{ amountBy: 'fixed', ml: '' }, /Millilitres/],
    [{ saucer: '0' }, /Saucer, minutes: a number from 1 to 240/],
    [{ soak: '121' }, /Soak, minutes: a number from 1 to 120/],
    [{ percentDose: '0' }, /Strength/],
    [{ ceiling: '101' }, /At most: a number from 0 to 100/],
    [{ everyDays: ['400', ...Array.from({ length: 11 }, () => '')] }, /Jan: a number from 1 to 365/],
  ])('%o is told', (some, words) => expect(changes(some)).toMatch(words));
  it('are said term by term', () => {
    const said = Object.fromEntries(ruleLines(RULES).map(([key, , words]) => [key, words]));
    expect(said).toMatchObject({
      trigger: 'when the pot is dry enough',
      amount: 'until it runs',
      stand: 'a saucer, emptied after 25 min',
      feed: '3 times in Apr, May, Jun, half the dose',
      repotYears: 'looked at after 3 years',
    });
    expect(said).not.toHaveProperty('noFoodUntil');
    const calendar = ruleLines({ ...RULES, trigger: 'calendar', everyDays: RULES.everyDays.with(5, 7) });
    expect(calendar[0]![2]).toBe('by the calendar: Jun 7 days');
  });
});

describe('the record', () => {
  const whole = {
    name: 'Aloe variegata',
    number: '7',
    provenance: null,
    diameter_mm: 90,
    height_mm: 60,
    record: {
      name_sure: 'sure',
      other_names: null,
      acquired_on: '2024-03-01',
      source: 'swap',
      price_minor: 1250,
      price_currency: 'CHF',
      used_to: null,
      companions: 'moss',
    },
  } as unknown as PlantView;
  it('goes through its form unchanged, every field of it', () => {
    const form = formOf(whole);
    expect(Object.keys(form)).toEqual([...FORM_FIELDS]);
    expect(form).toMatchObject({ price_minor: '12.50', other_names: '', acquired_on: '2024-03-01' });
    expect(changeOf(form)).toEqual({
      body: {
        name: 'Aloe variegata',
        number: '7',
        provenance: null,
        diameter_mm: 90,
        height_mm: 60,
        name_sure: 'sure',
        other_names: null,
        acquired_on: '2024-03-01',
        source: 'swap',
        price_minor: 1250,
        price_currency: 'CHF',
        used_to: null,
        companions: 'moss',
      },
    });
  });
  it('a price is read as it is written; without one its currency says nothing', () => {
    const form = formOf(whole);
    expect(changeOf({ ...form, price_minor: '9,9', price_currency: 'eur' })).toMatchObject({
      body: { price_minor: 990, price_currency: 'EUR' },
    });
    expect(changeOf({ ...form, price_minor: ' ' })).toMatchObject({
      body: { price_minor: null, price_currency: null },
    });
  });
  it('tells what is no number', () => {
    expect(changeOf({ ...formOf(whole), diameter_mm: 'wide' })).toEqual({ wrong: 'Width: a number is wanted.' });
    expect(changeOf({ ...formOf(whole), height_mm: '99999' })).toEqual({ wrong: 'Height: a number is wanted.' });
    expect(changeOf({ ...formOf(whole), price_minor: 'a swap' })).toEqual({ wrong: 'Price: a number is wanted.' });
  });
  it('takes and shows inches to whoever thinks in them, and nothing drifts that is not touched', () => {
    setUnits({ ...SI, length: 'in' });
    try {
      for (const mm of [1, 7, 33, 70, 101, 254, 999])
        expect(changeOf(formOf({ ...whole, diameter_mm: mm }))).toMatchObject({ body: { diameter_mm: mm } });
      expect(labelOf(specOf('height_mm'))).toBe('Height, in');
      expect(changeOf({ ...formOf(whole), height_mm: '4' })).toMatchObject({ body: { height_mm: 102 } });
    } finally {
      setUnits(SI);
    }
  });
});
