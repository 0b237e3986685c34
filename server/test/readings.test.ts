/** Tables as they come: thermometers and lists of plants, read without a database. */
import { describe, expect, it } from 'vitest';
import { type CsvContext, readPlants, sampleOf, toCsv } from '../src/formats/csv.ts';
import { calendarText } from '../src/formats/calendar.ts';
import { readReadings } from '../src/places/readings.ts';

const TODAY = '2026-06-20';

describe('thermometer tables', () => {
  it.each([
    [
      'a row a day',
      'date,min,max\n2026-06-01,8.5,24\n2026-06-02,-1,20\n',
      [
        { date: '2026-06-01', tmin_c: 8.5, tmax_c: 24, rh_pct: null },
        { date: '2026-06-02', tmin_c: -1, tmax_c: 20, rh_pct: null },
      ],
    ],
    [
      'semicolons, decimal commas, a true minus',
      'Day;Tmin;Tmax;RH\n2026-06-01;−0,5;12,25;55\n',
      [{ date: '2026-06-01', tmin_c: -0.5, tmax_c: 12.25, rh_pct: 55 }],
    ],
    [
      'tabs and a mark of byte order',
      '\uFEFFdate\tlow\thigh\n2026-06-01\t1\t2\n',
      [{ date: '2026-06-01', tmin_c: 1, tmax_c: 2, rh_pct: null }],
    ],
    [
      'many a day',
      'timestamp,temperature,humidity\n2026-06-01 00:10,7,80\n2026-06-01T14:00,22,40\n2026-06-02 03:00,6,\n',
      [
        { date: '2026-06-01', tmin_c: 7, tmax_c: 22, rh_pct: 60 },
        { date: '2026-06-02', tmin_c: 6, tmax_c: 6, rh_pct: null },
      ],
    ],
    [
      'slashes in the date, blank lines',
      'date,min,max\n\n2026/06/01,1,2\n\n',
      [{ date: '2026-06-01', tmin_c: 1, tmax_c: 2, rh_pct: null }],
    ],
  ])('%s', (_, csv, wanted) => {
    const { readings, faults } = readReadings(csv, TODAY);
    expect(faults).toEqual([]);
    expect(readings).toEqual(wanted);
  });
  it.each([
    ['no header that tells', '1,2,3\n4,5,6\n', 1, /header with date/],
    ['no rows', 'date,min,max\n', 2, /at least one row/],
    ['a day to come', 'date,min,max\n2026-06-21,1,2\n', 2, /to 2026-06-20/],
    ['a day that is none', 'date,min,max\n2026-02-30,1,2\n', 2, /YYYY-MM-DD/],
    ['words for degrees', 'date,min,max\n2026-06-01,cold,2\n', 2, /degrees Celsius/],
    ['lowest above highest', 'date,min,max\n2026-06-01,9,2\n', 2, /no more than the highest/],
    ['humidity beyond all', 'date,min,max,rh\n2026-06-01,1,2,140\n', 2, /percent/],
    ['Fahrenheit by mistake', 'date,min,max\n2026-06-01,50,95\n', 2, /-60 to 80/],
  ])('%s: nothing is read', (_, csv, row, words) => {
    const { readings, faults } = readReadings(csv, TODAY);
    expect(readings).toEqual([]);
    expect(faults[0]!.row).toBe(row);
    expect(faults[0]!.wanted).toMatch(words);
  });
  it('stops at the first twenty faults: a wrong column is wrong in every row', () => {
    const csv = `date,min,max\n${Array.from({ length: 500 }, () => 'x,y,z').join('\n')}`;
    expect(readReadings(csv, TODAY).faults.length).toBeLessThan(25);
  });
});

const context = (over: Partial<CsvContext> = {}): CsvContext => ({
  today: TODAY,
  places: [
    { id: 1, name: 'Sill' },
    { id: 2, name: 'Cold frame' },
  ],
  mixes: [{ id: 7, name: 'Grit' }],
  numbersTaken: new Set(['A1']),
  ...over,
});
const read = (csv: string, columns: Record<string, string>, defaults: object = { place_id: 1, mix_id: 7 }) =>
  readPlants({ csv, columns, defaults }, context());

describe('lists of plants', () => {
  it('take what the keeper maps, and nothing by guess', () => {
    const { plants, faults } = read('Art,Name,Wo\nAloe vera,Mine,cold FRAME\n', { name: 'Art', place: 'Wo' });
    expect(faults).toEqual([]);
    expect(plants[0]).toMatchObject({ name: 'Aloe vera', place_id: 2, mix_id: 7, number: null });
    expect(plants[0]!.columns).not.toHaveProperty('other_names');
  });
  it('pots: by measures, by shape, by what is usual', () => {
    const { plants } = read('n,w,s,m,h\na,65,square,Terracotta,no\nb,,,,\nc,200,bowl,,yes\n', {
      name: 'n',
      pot_top_mm: 'w',
      pot_shape: 's',
      pot_material: 'm',
      pot_holes: 'h',
    });
    expect(plants[0]!.pot).toMatchObject({
      shape: 'square',
      top_mm: 65,
      base_mm: 51,
      material: 'terracotta',
      holes: false,
    });
    expect(plants[1]!.pot).toMatchObject({ shape: 'round', top_mm: 90, material: 'plastic', holes: true });
    expect(plants[2]!.pot).toMatchObject({ shape: 'bowl', top_mm: 200, base_mm: 90, holes: true });
  });
  it.each<[string, string, Record<string, string>, [number, string, RegExp]]>([
    ['a number that is taken', 'n,no\na,A1\n', { name: 'n', number: 'no' }, [2, 'no', /no other plant bears/]],
    [
      'a number twice, whatever its case',
      'n,no\na,b9\nc,B9\n',
      { name: 'n', number: 'no' },
      [3, 'no', /no other plant bears/],
    ],
    ['a name too long', `n\n${'x'.repeat(201)}\n`, { name: 'n' }, [2, 'n', /up to 200/]],
    [
      'a place nobody knows',
      'n,p\na,Moon\n',
      { name: 'n', place: 'p' },
      [2, 'p', /name of one of your places: sill, cold frame/],
    ],
    ['a source nobody knows', 'n,s\na,stolen\n', { name: 'n', source: 's' }, [2, 's', /one of nursery/]],
    ['a width in words', 'n,w\na,wide\n', { name: 'n', diameter_mm: 'w' }, [2, 'w', /a number from 0 to 10000/]],
    ['no column for the name', 'n\na\n', { number: 'n' }, [1, '', /mapped to name/]],
  ])('%s', (_, csv, columns, [row, column, wanted]) => {
    const { faults, plants } = read(csv, columns);
    expect(faults[0]).toMatchObject({ row, column });
    expect(faults[0]!.wanted).toMatch(wanted);
    expect(plants.some((plant) => plant.row === row)).toBe(false);
  });
  it('want a place and a mix for each row, or one for all', () => {
    expect(read('n\na\n', { name: 'n' }, {}).faults.map((fault) => fault.wanted)).toEqual([
      'a place, or one chosen for rows without',
      'a mix, or one chosen for rows without',
    ]);
  });
  it('of up to five thousand rows', () => {
    const csv = `n\n${Array.from({ length: 5001 }, (_, i) => `plant ${i}`).join('\n')}\n`;
    expect(read(csv, { name: 'n' }).faults[0]).toMatchObject({
      row: 5002,
      wanted: expect.stringMatching(/at most 5000/),
    });
    expect(read(csv.split('\n').slice(0, -2).join('\n'), { name: 'n' }).plants).toHaveLength(5000);
  });
  it('show their header and a sample before anything is written', () => {
    const { plants } = read('n,no\na,\nb,B2\n', { name: 'n', number: 'no' });
    expect(sampleOf(plants, context())).toEqual([
      { name: 'a', number: 'by your scheme', place: 'Sill', mix: 'Grit' },
      { name: 'b', number: 'B2', place: 'Sill', mix: 'Grit' },
    ]);
  });
  it('go out with quotes where they are needed, and no formula', () => {
    expect(toCsv([{ name: 'a, "b"', note: '=1+1', low: -4 }])).toBe('name,note,low\r\n"a, ""b""","\'=1+1",-4\r\n');
  });
});

describe('calendars', () => {
  const line = {
    date: '2026-06-21',
    site: 'Lock',
    place: 'Attic sill, south',
    plant: 'Aloe ‘Tin Roof’ (7)',
    what: 'water' as const,
    words: 'base, 120 ml of rain water',
  };
  it('one entry for a bench and a day, the same id each time it is read', () => {
    const text = calendarText(
      [
        line,
        { ...line, plant: 'Gasteria (8)' },
        { ...line, date: '2026-06-22' },
        { ...line, what: 'sun', words: '20 minutes of direct sun' },
      ],
      'Round',
    );
    expect(text.match(/BEGIN:VEVENT/g)).toHaveLength(3);
    expect(text).toContain('SUMMARY:Water 2 pots: Attic sill\\, south');
    expect(text).toContain('UID:2026-06-21-lock-attic-sill-south-water@zinc-pail');
    expect(text).toContain('DTSTART;VALUE=DATE:20260621');
    expect(text).toContain('DTEND;VALUE=DATE:20260622');
    for (const one of text.split('\r\n')) expect(Buffer.byteLength(one)).toBeLessThanOrEqual(75);
  });
  it('an empty round is a calendar all the same', () =>
    expect(calendarText([], 'Round')).toMatch(/BEGIN:VCALENDAR[\s\S]*END:VCALENDAR/));
  it('a name with line ends begins no line of its own', () => {
    const text = calendarText([], 'A\r\nX-EVIL:1\r\nBEGIN:VEVENT\nB\u2028C');
    expect(text).not.toMatch(/^(X-EVIL|BEGIN:VEVENT)/m);
    expect(text).toContain('A X-EVIL:1 BEGIN:VEVENT B');
  });
});
