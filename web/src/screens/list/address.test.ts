import { describe, expect, it } from 'vitest';
import { fromAddress, toAddress, USUAL } from './address.ts';
import { COLUMNS } from './rows.ts';

const there = (shown: Parameters<typeof toAddress>[0]) => fromAddress(new URLSearchParams(toAddress(shown).toString()));

describe('a list in its address', () => {
  it('a plain list has a plain address', () =>
    expect(toAddress({ sort: [], filters: [], visible: USUAL, search: '' }).toString()).toBe(''));
  it('sort, filters, columns and words come back as they went', () => {
    const shown = {
      sort: [{ id: 'name', desc: true }],
      filters: [{ id: 'name', value: 'Echeveria & co=1' }],
      visible: Object.fromEntries(COLUMNS.map(({ id }, i) => [id, i < 3])),
      search: 'attic sill',
    };
    expect(there(shown)).toEqual(shown);
  });
  it('an old or mistyped address shows what it can', () => {
    const shown = fromAddress(new URLSearchParams('sort=-colour,name&columns=colour&f.colour=red&q=a'));
    expect(shown).toEqual({ sort: [{ id: 'name', desc: false }], filters: [], visible: USUAL, search: 'a' });
  });
});
