import { TABLE_FIELDS, type TableRow } from '@zinc-pail/contract/table';
import { describe, expect, it } from 'vitest';
import { cellWords, COLUMNS, compared, isMeant, passes } from './rows.ts';

describe('columns', () => {
  it('are those with a head, in the order of the table; ids travel unseen', () => {
    const heads = COLUMNS.map(({ id }) => id);
    expect(TABLE_FIELDS.filter((field) => !heads.includes(field))).toEqual(['id', 'place_id', 'picture_id']);
    expect(heads[0]).toBe('name');
    expect(COLUMNS.filter(({ usual }) => usual).length).toBeGreaterThan(5);
    expect(new Set(COLUMNS.map(({ head }) => head)).size).toBe(COLUMNS.length);
  });
});

describe('cells', () => {
  it.each<[Parameters<typeof cellWords>[0], string | number | null, string]>([
    ['state', 'resting', 'asleep'],
    ['state', 'easing', 'slowing'],
    ['light', 'too-dim', 'too dim'],
    ['due', '2026-06-04', '4 Jun'],
    ['acquired_on', '2019-06-04', '4 Jun 2019'],
    ['quarantine_until', null, ''],
    ['moisture', 42, '42'],
    ['verdict', 'water', 'water'],
  ])('%s %s reads “%s”', (id, value, words) => expect(cellWords(id, value)).toBe(words));
});

describe('filters', () => {
  it.each<[Parameters<typeof passes>[0], string | number | null, string, boolean]>([
    ['moisture', 42, '> 40', true],
    ['moisture', 42, '<40', false],
    ['rate', 1.25, '> 1,2', true],
    ['min_wet_c', -3, '< -2', true],
    ['name', 'Aloe > 40', '> 40', true],
    ['name', 'Gymnocalycium horstii', 'horst gymno', true],
    ['name', 'Gymnocalycium horstii', 'horst aloe', false],
    ['state', 'resting', 'asleep', true],
    ['state', 'resting', 'resting', true],
    ['due', '2026-06-04', '4 jun', true],
    ['due', '2026-06-04', '2026-06', true],
    ['due', null, 'jun', false],
    ['source', null, '', true],
  ])('%s %s by “%s”: %s', (id, value, filter, wanted) => expect(passes(id, value, filter)).toBe(wanted));

  it('the box above looks in names, number and bench', () => {
    const row = { name: 'Aloe vera', number: 'A-7', place: 'Lean-to', other_names: 'burn plant' } as TableRow;
    for (const words of ['vera lean', 'a-7', 'burn ALOE', '']) expect(isMeant(row, words)).toBe(true);
    expect(isMeant({ ...row, other_names: null }, 'burn')).toBe(false);
  });
});

describe('sorting', () => {
  const sorted = (...values: (string | number | null)[]) => values.toSorted(compared);
  it('numbers by size, texts as people sort them, what is empty last', () => {
    expect(sorted(10, null, 9, -1)).toEqual([-1, 9, 10, null]);
    expect(sorted('A-10', 'A-9', null, 'a-1')).toEqual(['a-1', 'A-9', 'A-10', null]);
    expect(sorted(null, null)).toEqual([null, null]);
  });
});
