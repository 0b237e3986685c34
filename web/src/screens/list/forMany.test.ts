import { describe, expect, it } from 'vitest';
import { rulesChosen } from './ForMany.tsx';
import { COLUMNS, filterHint, passes } from './rows.ts';

describe('rules for many', () => {
  it.each([
    ['left alone they are not sent', { light: '', salts: '' }, {}],
    ['put back', { light: 'kind' }, { light: null }],
    ['one water', { waters: 'rain' }, { waters: ['rain'] }],
    ['yes and no', { hardToReplace: 'no' }, { hardToReplace: false }],
    ['several', { light: 'shade', stand: 'saucer' }, { light: 'shade', stand: 'saucer' }],
  ])('%s', (_, chosen, wanted) => expect(rulesChosen(chosen as Record<string, string>)).toEqual(wanted));
});

describe('hints of filters', () => {
  it('every column has one, and what it shows can be typed', () => {
    for (const { id } of COLUMNS) expect(filterHint(id)).not.toBe('');
    expect(filterHint('moisture')).toContain('<40');
    expect(passes('moisture', 30, '<40')).toBe(true);
    expect(passes('due', '2026-11-29', 'Nov')).toBe(true);
    expect(passes('verdict', 'look', 'look first')).toBe(true);
  });
});
