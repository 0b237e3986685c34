import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { rulesChosen } from './ForMany.tsx';
import { setUnits } from '../../reader/units.ts';
import { cellWords, COLUMNS, filterHint, headWords, passes } from './rows.ts';

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

describe('the keeper’s units', () => {
  beforeEach(() => {
    vi.stubGlobal('localStorage', { setItem() {}, getItem: () => null });
    setUnits({ temperature: 'F', length: 'in', volume: 'l', dates: 'day-first' });
  });
  afterEach(() => {
    setUnits({ temperature: 'C', length: 'cm', volume: 'l', dates: 'day-first' });
    vi.unstubAllGlobals();
  });
  it('stand in heads, in cells and in what a filter compares', () => {
    expect(headWords('diameter_mm', 'Width, mm')).toBe('Width, in');
    expect(headWords('name', 'Name')).toBe('Name');
    expect(cellWords('diameter_mm', 51)).toBe('2');
    expect(cellWords('min_wet_c', 5)).toBe('41');
    expect(cellWords('pot', 'round 10.2×8 terracotta')).toBe('round 4×3.1 terracotta');
    expect(passes('diameter_mm', 51, '>1.5')).toBe(true);
    expect(passes('diameter_mm', 51, '>3')).toBe(false);
    expect(passes('min_wet_c', 5, '>40')).toBe(true);
  });
});
