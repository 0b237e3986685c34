import { afterEach, beforeAll, describe, expect, it, vi } from 'vitest';
import { setUnits } from '../../reader/units.ts';
import { normalsFromCsv } from './normalsCsv.ts';

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];
const down = (head: string, row: (i: number) => string) => [head, ...MONTHS.map((m, i) => `${m};${row(i)}`)].join('\n');

beforeAll(() => vi.stubGlobal('localStorage', { getItem: () => null, setItem: () => {} }));
afterEach(() => setUnits({ temperature: 'C', length: 'cm', volume: 'l', dates: 'day-first' }));

describe('usual weather brought as a table', () => {
  it('is read a row a month, with commas, and hours of a month made hours of a day', () => {
    const read = normalsFromCsv(down('Month;Min °C;Max °C;Sunshine hours', (i) => `${i - 4},5;${i + 3};${62}`));
    expect(read).toMatchObject({ fields: { tmin_c: expect.any(Array), tmax_c: expect.any(Array) } });
    if ('wrong' in read) throw new Error(read.wrong);
    expect(read.fields.tmin_c!.slice(0, 2)).toEqual(['-4.5', '-3.5']);
    expect(read.fields.sunshine_h![0]).toBe('2');
    expect(read.fields).not.toHaveProperty('rain_mm');
  });
  it('with the months across, in Fahrenheit, inches and km/h', () => {
    const line = (head: string, value: number) => [head, ...MONTHS.map(() => value)].join(',');
    const read = normalsFromCsv(
      [
        ['', ...MONTHS].join(','),
        line('low F', 50),
        line('high F', 68),
        line('rain in', 2),
        line('wind km/h', 18),
      ].join('\n'),
    );
    if ('wrong' in read) throw new Error(read.wrong);
    expect([read.fields.tmin_c![0], read.fields.tmax_c![5], read.fields.rain_mm![0], read.fields.wind_m_s![0]]).toEqual(
      ['10', '20', '50.8', '5'],
    );
  });
  it('is shown in the degrees that this keeper types', () => {
    setUnits({ temperature: 'F', length: 'cm', volume: 'l', dates: 'day-first' });
    const read = normalsFromCsv(down('month;min;max', () => '0;10'));
    if ('wrong' in read) throw new Error(read.wrong);
    expect([read.fields.tmin_c![0], read.fields.tmax_c![0]]).toEqual(['32', '50']);
  });
  it.each([
    ['Month;Min\nJan;1', /Twelve rows/],
    [down('Month;Min', (i) => (i === 4 ? 'cold' : '1')), /May, “Min”: a number/],
    [down('Month;Mood', () => '1'), /No column is known/],
    ['', /Twelve rows/],
  ])('%j is told', (csv, words) => {
    const read = normalsFromCsv(csv);
    expect('wrong' in read && read.wrong).toMatch(words);
  });
});
