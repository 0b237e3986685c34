/** Tables as they come: thermometers and lists of plants, read without a database. */
import { atOnce } from './harness.ts';
import { describe, expect, it } from 'vitest';
import type { Pot } from '@zinc-pail/core';
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
    const { readings, faults } = atOnce(readReadings)(csv, TODAY);
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
    const { readings, faults } = atOnce(readReadings)(csv, TODAY);
    expect(readings).toEqual([]);
    expect(faults[0]!.row).toBe(row);
    expect(faults[0]!.wanted).toMatch(words);
  });
  it('stops at the first twenty faults: a wrong column is wrong in every row', () => {
    const csv = `date,min,max\n${Array.from({ length: 500 }, () => 'x,y,z').join('\n')}`;
    expect(atOnce(readReadings)(csv, TODAY).faults.length).toBeLessThan(25);
  });
});

const context = (over: Partial<CsvContext> = {}): CsvContext => ({
  today: TODAY,
  places: [
    { id: 1, name: 'Sill' },
    { id: 2, name: 'Cold frame' },
  ],
  mixes: [{ id: 7, name: 'Grit' }],
  unknownMixId: 9,
  currency: 'EUR',
  numbersTaken: new Set(['A1']),
  ...over,
});
const POT: Pot = {
  shape: 'round',
  top_mm: 90,
  base_mm: 67,
  depth_mm: 80,
  material: 'plastic',
  holes: true,
  top_dressing_mm: 0,
};
const FOR_ALL = { place_id: 1, mix_id: 7, pot: POT };
const read = (
  csv: string,
  columns: Record<string, string>,
  defaults: object = FOR_ALL,
  said: Partial<Parameters<typeof readPlants>[0]> = {},
) => atOnce(readPlants)({ csv, columns, defaults, ...said }, context());

describe('lists of plants', () => {
  it('take what the keeper maps, and nothing by guess', () => {
    const { plants, faults } = read('Art,Name,Wo\nAloe vera,Mine,cold FRAME\n', { name: 'Art', place: 'Wo' });
    expect(faults).toEqual([]);
    expect(plants[0]).toMatchObject({ name: 'Aloe vera', place_id: 2, mix_id: 7, number: null });
    expect(plants[0]!.columns).not.toHaveProperty('other_names');
  });
  it('pots: by measures, by shape, by the pot said for the rest', () => {
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
    ['a number that is taken', 'n,no\na,A1\n', { name: 'n', number: 'no' }, [2, 'no', /no other plant has/]],
    [
      'a number twice, whatever its case',
      'n,no\na,b9\nc,B9\n',
      { name: 'n', number: 'no' },
      [3, 'no', /no other plant has/],
    ],
    ['a name too long', `n\n${'x'.repeat(201)}\n`, { name: 'n' }, [2, 'n', /up to 200/]],
    [
      'a place nobody knows',
      'n,p\na,Moon\n',
      { name: 'n', place: 'p' },
      [2, 'p', /name of one of your places: sill, cold frame/],
    ],
    ['a source nobody knows', 'n,s\na,stolen\n', { name: 'n', source: 's' }, [2, 's', /one of nursery/]],
    [
      'a width in words',
      'n,w\na,wide\n',
      { name: 'n', diameter_mm: 'w' },
      [2, 'w', /a length from 0 to 10000 mm, read in mm/],
    ],
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
      'the width of its pot, or a pot chosen for rows without',
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
  it.each([
    ['in', '4', 101.6],
    ['cm', '10,5', 105],
    ['mm', '4"', 101.6],
    ['cm', '85 mm', 85],
  ] as const)('lengths in %s: %s', (unit, cell, mm) => {
    const { plants, faults } = read(`n;w\na;${cell}\n`, { name: 'n', pot_top_mm: 'w' }, FOR_ALL, {
      units: { pot_top_mm: unit },
    });
    expect(faults).toEqual([]);
    expect(plants[0]!.pot.top_mm).toBe(mm);
  });
  it('days by the order that was said, and by none where the cells fit both', () => {
    const csv = 'n;d\na;03.04.2024\n';
    const columns = { name: 'n', acquired_on: 'd' };
    const said = (day_order: 'dmy' | 'mdy') =>
      read(csv, columns, FOR_ALL, { day_order }).plants[0]!.columns.acquired_on;
    expect([said('dmy'), said('mdy')]).toEqual(['2024-04-03', '2024-03-04']);
    expect(read(csv, columns).faults[0]).toMatchObject({ wanted: 'whether the day or the month comes first' });
  });
  it('about when it came is kept as the first of then and told; about when it drank is no drink', () => {
    const { plants, notes } = read('n,d,w\na,May 2021,spring\nb,2020,2026-06\n', {
      name: 'n',
      acquired_on: 'd',
      last_watered: 'w',
    });
    expect(plants.find((plant) => plant.name === 'b')).toMatchObject({ last_watered: null });
    expect(notes.map(({ column }) => column)).toContain('w');
    expect(plants.find((plant) => plant.name === 'b')!.columns.acquired_on).toMatch(/^2020-/);
  });
  it('words of their own: a bench, a soil not known, a name, a pot, each as the keeper said', () => {
    const csv = 'n,p,m,k\naloe vera,South window,dirt,Ton\nsnake plant,Sill,dirt,Pl.\n';
    const columns = { name: 'n', place: 'p', mix: 'm', pot_material: 'k' };
    const blind = read(csv, columns);
    expect(blind.faults.map(({ column }) => column).toSorted()).toEqual(['k', 'm', 'm', 'p']);
    const { plants, faults, notes } = read(csv, columns, FOR_ALL, {
      meanings: { place: { 'South window': 2 }, mix: { dirt: null }, pot_material: { 'Pl.': 'plastic' } },
    });
    expect(faults).toEqual([]);
    expect(plants.map(({ place_id, mix_id, pot }) => [place_id, mix_id, pot.material])).toEqual([
      [2, 9, 'terracotta'],
      [1, 9, 'plastic'],
    ]);
    expect(notes).toContainEqual({
      row: 2,
      column: 'm',
      got: 'dirt',
      taken: 'not known: taken as bagged potting soil',
    });
    expect(plants[1]!.taxon).not.toBeNull();
  });
  it('a meaning that is none of ours is a fault, not a guess', () => {
    const meanings = { place: { X: 'Moon' }, mix: { Y: 44 }, name: { 'christmas cactus': 'Nosuchgenus' } };
    const { plants, faults } = read('n,p,m\nchristmas cactus,X,Y\n', { name: 'n', place: 'p', mix: 'm' }, FOR_ALL, {
      meanings,
    });
    expect(plants).toEqual([]);
    expect(faults.length).toBeGreaterThanOrEqual(2);
  });
  it('names in two columns and a common one beside; a price, a drink, a remark', () => {
    const { plants } = read('g,s,c,€,w,r\nAloe,juvenna,Tiger tooth,"12,50",2026-06-01,from the fair\n', {
      name: 'g',
      name_more: 's',
      common_name: 'c',
      price: '€',
      last_watered: 'w',
      note: 'r',
    });
    expect(plants[0]).toMatchObject({
      name: 'Aloe juvenna',
      last_watered: '2026-06-01',
      note: 'from the fair',
      columns: { other_names: 'Tiger tooth', price_minor: 1250, price_currency: 'EUR' },
    });
  });
  it('rows left out are not read, whatever is wrong with them, and every fault is told', () => {
    const csv = `n,no\n${Array.from({ length: 130 }, () => 'a,A1').join('\n')}\nlast,\n`;
    const columns = { name: 'n', number: 'no' };
    expect(read(csv, columns).faults).toHaveLength(130);
    const left_out = Array.from({ length: 130 }, (_, i) => i + 2);
    expect(read(csv, columns, FOR_ALL, { left_out })).toMatchObject({
      leftOut: 130,
      faults: [],
      plants: [{ name: 'last' }],
    });
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
