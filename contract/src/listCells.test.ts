import { describe, expect, it } from 'vitest';
import {
  asksDayOrder,
  asksUnit,
  dayOrders,
  materialOf,
  namedSo,
  readDay,
  readLengthMm,
  readPriceMinor,
  shapeOf,
  unitInHead,
  yesOrNo,
} from './listCells.ts';

const day = (cell: string, order: 'dmy' | 'mdy' | null = null) => readDay(cell, order, 2026)?.day ?? null;

describe('a day', () => {
  it.each([
    ['2024-05-03', '2024-05-03'],
    ['2024/5/3', '2024-05-03'],
    ['31.12.2024', '2024-12-31'],
    ['12/31/2024', '2024-12-31'],
    ['3 May 2024', '2024-05-03'],
    ['May 3, 2024', '2024-05-03'],
    ['3. Mai 2024', '2024-05-03'],
    ['3rd Apr 21', '2021-04-03'],
    ['12 de marzo de 2023', '2023-03-12'],
    ['5/5/99', '1999-05-05'],
    ['3/4/2023', null],
    ['31/31/2023', null],
    ['30.2.2023', null],
    ['spring', null],
    ['', null],
  ])('%s is %s', (cell, wanted) => expect(day(cell)).toBe(wanted));
  it('of which only the month or the year is told is about its middle', () => {
    expect(readDay('2020', null, 2026)).toEqual({ day: '2020-07-01', about: true });
    expect(readDay('March 2021', null, 2026)).toEqual({ day: '2021-03-15', about: true });
    expect(readDay('03/2021', null, 2026)).toEqual({ day: '2021-03-15', about: true });
    expect(readDay('2021-03', null, 2026)).toEqual({ day: '2021-03-15', about: true });
  });
  it('in one order for all: the one in which they all can be', () => {
    expect(day('3/4/2023', 'dmy')).toBe('2023-04-03');
    expect(day('3/4/2023', 'mdy')).toBe('2023-03-04');
    expect(day('31/12/2023', 'mdy')).toBeNull();
    expect(dayOrders(['3/4/2023', '31/12/2024', 'June 2020'], 2026)).toEqual(['dmy']);
    expect(dayOrders(['3/4/2023', '2/25/2024'], 2026)).toEqual(['mdy']);
    expect(asksDayOrder(['3/4/2023', '31/12/2024'], 2026)).toBe(false);
    expect(asksDayOrder(['3/4/2023', '5/5/2024'], 2026)).toBe(true);
    expect(asksDayOrder(['5/5/2024', '2020-01-02', 'x'], 2026)).toBe(false);
  });
});

describe('a length', () => {
  it.each([
    ['14', 'cm', 140],
    ['14,5', 'cm', 145],
    ['5.5"', 'cm', 139.7],
    ['9 cm', null, 90],
    ['90mm', 'cm', 90],
    ['Ø 12', 'cm', 120],
    ['12 x 10', 'cm', 120],
    ['3', 'in', 76.2],
    ['14', null, null],
    ['big', 'cm', null],
    ['9 m', 'cm', null],
  ] as const)('%s in %s is %s mm', (cell, unit, wanted) => expect(readLengthMm(cell, unit)).toBe(wanted));
  it.each([
    ['Pot (cm)', 'cm'],
    ['pot_top_mm', 'mm'],
    ['Pot, inches', 'in'],
    ['Topf Ø [cm]', 'cm'],
    ['Diameter in', 'in'],
    ['Pot size', null],
    ['Stands in', 'in'],
    ['In which pot', null],
  ])('the heading %s tells %s', (head, unit) => expect(unitInHead(head)).toBe(unit));
  it('is asked for only where a bare number stands', () => {
    expect(asksUnit(['9 cm', '4"'])).toBe(false);
    expect(asksUnit(['9 cm', '9'])).toBe(true);
    expect(asksUnit(['', 'big'])).toBe(false);
  });
});

describe('words of lists', () => {
  it('for pots, in several tongues', () => {
    expect(
      ['Terra cotta', 'Ton', 'clay, unglazed', 'Plastik', 'nursery pot', 'glazed ceramic'].map(materialOf),
    ).toEqual(['terracotta', 'terracotta', 'terracotta', 'plastic', 'plastic', 'glazed']);
    expect(materialOf('the blue one')).toBeNull();
    expect(['Square', 'viereckig', 'Schale', 'rund', 'tall'].map(shapeOf)).toEqual([
      'square',
      'square',
      'bowl',
      'round',
      null,
    ]);
  });
  it('yes and no, names and prices', () => {
    expect(['Ja', 'x', 'nein', 'perhaps'].map(yesOrNo)).toEqual([true, true, false, null]);
    const benches = [{ name: 'Attic sill, south' }, { name: 'Balcony' }];
    expect(namedSo('attic sill south', benches)).toBe(benches[0]);
    expect(namedSo('attic', benches)).toBeNull();
    expect(['12,50 €', '$8', 'EUR 3.5', 'gift'].map(readPriceMinor)).toEqual([1250, 800, 350, null]);
  });
});
