import type { TableRow } from '@zinc-pail/contract/table';
import { FOUND_BY, FOUND_WORDS, foundBy, offeredFor } from '@zinc-pail/words/finding';
import { describe, expect, it } from 'vitest';
import { meantBy } from './meant.ts';

const TODAY = '2026-12-01';
const row = (over: Partial<TableRow> = {}) =>
  ({
    name: 'Hoya kerrii',
    number: '058',
    place: 'Attic sill, south',
    other_names: null,
    verdict: 'leave',
    state: 'growing',
    light: 'well',
    due: null,
    quarantine_until: null,
    ...over,
  }) as TableRow;

describe('what is found by what is asked of it', () => {
  it.each([
    ['to water', { verdict: 'water' }],
    ['to check', { verdict: 'look' }],
    ['to act on', { verdict: 'act' }],
    ['dry this week', { due: '2026-12-07' }],
    ['asleep', { state: 'resting' }],
    ['too dark', { light: 'too-dim' }],
    ['too bright', { light: 'too-bright' }],
    ['in quarantine', { quarantine_until: '2026-12-20' }],
  ] as const)('%s', (words, over) => {
    expect(meantBy(row(over as Partial<TableRow>), words, TODAY)).toBe(true);
    expect(meantBy(row({ state: 'easing' }), words, TODAY)).toBe(false);
  });
  it('a drink a week off is not this week', () =>
    expect(meantBy(row({ due: '2026-12-08' }), 'dry this week', TODAY)).toBe(false));
  it('all else is a word of its name, number or bench', () => {
    expect(meantBy(row(), 'hoya sill', TODAY)).toBe(true);
    expect(meantBy(row(), 'hoya cellar', TODAY)).toBe(false);
  });
  it('every phrase means itself, and no two mean two things', () => {
    const all = FOUND_BY.flatMap((id) => FOUND_WORDS[id].map((words) => [id, words] as const));
    for (const [id, words] of all) expect(foundBy(words.toUpperCase())).toBe(id);
    expect(new Set(all.map(([, words]) => words)).size).toBe(all.length);
    expect(offeredFor('dry this')).toEqual(['dry-this-week']);
  });
});
