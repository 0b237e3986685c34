import type { PlantView } from '@zinc-pail/contract/api';
import { afterEach, beforeAll, describe, expect, it, vi } from 'vitest';
import { setUnits } from '../../reader/units.ts';
import { formOf, ruleWords, type WaysForm, waysOf } from './waysForm.ts';

beforeAll(() => vi.stubGlobal('localStorage', { getItem: () => null, setItem: () => {} }));
afterEach(() => setUnits({ temperature: 'C', length: 'cm', volume: 'l', dates: 'day-first' }));

const traits = {
  habit: 'winter',
  form: 'caudex',
  store: 'stem',
  dryRule: 'dry-and-hold',
  holdDays: 4,
  minDryC: 3,
  minWetC: 7.5,
  growMinC: 10,
  dueM: null,
};
const form = (own: readonly string[] = []) =>
  formOf({
    outlook: {
      traits,
      trait_sources: Object.fromEntries(
        Object.keys(traits).map((key) => [key, own.includes(key) ? 'keeper' : 'genus']),
      ),
    },
  } as unknown as PlantView);
const ways = (some: Partial<WaysForm>) => waysOf({ ...form(), ...some });

describe('its ways', () => {
  it('only what the keeper set stands in the form: the rest is empty, as its genus has it', () => {
    expect(Object.values(form()).every((value) => value === '')).toBe(true);
    expect(form(['habit', 'minWetC', 'holdDays'])).toMatchObject({ habit: 'winter', min_wet_c: '7.5', hold_days: '4' });
    expect(form(['habit'])).toMatchObject({ store: '', min_wet_c: '' });
  });
  it('what is empty is put back; what was set goes through unchanged', () => {
    expect(ways({})).toEqual({
      habit: null,
      form: null,
      store: null,
      dry_rule: null,
      hold_days: null,
      min_dry_c: null,
      min_wet_c: null,
      grow_min_c: null,
    });
    expect(waysOf(form(Object.keys(traits)))).toEqual({
      habit: 'winter',
      form: 'caudex',
      store: 'stem',
      dry_rule: 'dry-and-hold',
      hold_days: 4,
      min_dry_c: 3,
      min_wet_c: 7.5,
      grow_min_c: 10,
    });
  });
  it('leaves are said, left as they are, or left to the season', () => {
    expect(ways({ leafless: 'yes' })).toMatchObject({ leafless: true });
    expect(ways({ leafless: 'no' })).toMatchObject({ leafless: false });
    expect(ways({ leafless: 'auto' })).toMatchObject({ leafless: null });
    expect(ways({ leafless: '' })).not.toHaveProperty('leafless');
  });
  it('degrees are the keeper’s own', () => {
    setUnits({ temperature: 'F', length: 'cm', volume: 'l', dates: 'day-first' });
    expect(form(['minDryC'])).toMatchObject({ min_dry_c: '37.4' });
    expect(ways({ min_dry_c: '37,4' })).toMatchObject({ min_dry_c: 3 });
    expect(ways({ min_dry_c: '200' })).toBe('Lowest night, dry: a number from -58 to 104 is wanted.');
  });
  it.each<[Partial<WaysForm>, string]>([
    [{ hold_days: '121' }, 'Days held dry: a number from 0 to 120 is wanted.'],
    [{ min_wet_c: 'warm' }, 'Lowest night, moist: a number from -50 to 40 is wanted.'],
    [{ grow_min_c: '-21' }, 'Grows from: a number from -20 to 40 is wanted.'],
  ])('%o is told', (some, words) => expect(ways(some)).toBe(words));
});

describe('a rule of dryness', () => {
  it.each([
    ['keep-damp', 'never quite dry'],
    ['dry-top', 'when the top third is dry'],
    ['dry-through', 'when dry to the bottom'],
    ['dry-and-hold', 'dry to the bottom, then 4 days more'],
  ] as const)('%s: %s', (dryRule, words) => expect(ruleWords({ dryRule, holdDays: 4 })).toBe(words));
});
