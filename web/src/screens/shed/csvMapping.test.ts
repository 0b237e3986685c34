import { CSV_FIELDS } from '@zinc-pail/contract/plantFields';
import { describe, expect, it } from 'vitest';
import { guessed, headsOf, mapped } from './csvMapping.ts';

describe('the heads of a table', () => {
  it('are read as they stand, whatever cuts them and whatever marks the file', () => {
    expect(headsOf('\uFEFFName; Bench ;Since\nAloe;Sill;2020')).toEqual(['Name', 'Bench', 'Since']);
    expect(headsOf('name,"pot, mm",\nx,y,z')).toEqual(['name', 'pot, mm']);
    expect(headsOf('')).toEqual([]);
  });
});

describe('the mapping', () => {
  it('begins with what the heads tell, and guesses nothing else', () => {
    expect(guessed(['Species', 'No.', 'Bench', 'colour', 'Last watered'])).toEqual({
      name: 'Species',
      number: 'No.',
      place: 'Bench',
      last_watered: 'Last watered',
    });
    expect(guessed(['colour', 'mood'])).toEqual({});
  });
  it('knows our own heads, so that a list that went out comes in again', () => {
    expect(Object.keys(guessed(CSV_FIELDS)).toSorted()).toEqual([...CSV_FIELDS].toSorted());
  });
  it('is changed one field at a time', () => {
    const first = { name: 'Species' };
    expect(mapped(first, 'place', 'Bench')).toEqual({ name: 'Species', place: 'Bench' });
    expect(mapped(first, 'name', 'Taxon')).toEqual({ name: 'Taxon' });
    expect(mapped(first, 'name', '')).toEqual({});
    expect(first).toEqual({ name: 'Species' });
  });
});
