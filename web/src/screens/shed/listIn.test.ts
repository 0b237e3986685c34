import { describe, expect, it } from 'vitest';
import { CSV_FIELDS } from '@zinc-pail/contract/plantFields';
import {
  bodyOf,
  FIELD_WORDS,
  guessed,
  isAnswered,
  likelyKind,
  likelyUnit,
  mapped,
  namesOf,
  NO_ANSWERS,
  questionsOf,
  readTable,
  waitsFor,
  withNewPlace,
} from './listIn.ts';

const KNOWN = {
  places: [
    { id: 1, name: 'Attic sill' },
    { id: 2, name: 'Cold frame' },
  ],
  mixes: [{ id: 7, name: 'Gritty thirds' }],
  thisYear: 2026,
};
const asked = (csv: string) => {
  const table = readTable(csv);
  return questionsOf(table, guessed(table.heads), KNOWN);
};

describe('a table', () => {
  it.each([
    ['commas', 'a,b\n1,2\n'],
    ['semicolons', 'a;b\n1;2\n'],
    ['tabs, with a mark of order', '\uFEFFa\tb\n1\t2\n\n'],
    ['spaces about the heads', ' a , b \n1,2\n'],
  ])('cut by %s', (_, csv) => expect(readTable(csv)).toEqual({ heads: ['a', 'b'], rows: [{ a: '1', b: '2' }] }));
});

describe('which column is what', () => {
  it.each([
    [
      'Name;Ort;Erde;Topf;gekauft',
      { name: 'Name', place: 'Ort', mix: 'Erde', pot_top_mm: 'Topf', acquired_on: 'gekauft' },
    ],
    [
      'Genus,Species,Location,Pot (cm)',
      { name: 'Genus', name_more: 'Species', place: 'Location', pot_top_mm: 'Pot (cm)' },
    ],
    ['Species,Room', { name: 'Species', place: 'Room' }],
    [
      'No.,Plant,Substrate,Notes,Last watered',
      { number: 'No.', name: 'Plant', mix: 'Substrate', note: 'Notes', last_watered: 'Last watered' },
    ],
    [
      'Date bought,Price paid,Common name',
      { acquired_on: 'Date bought', price: 'Price paid', common_name: 'Common name' },
    ],
    ['Colour,Mood', {}],
  ])('%s', (heads, wanted) => expect(guessed(heads.split(/[;,]/))).toEqual(wanted));
  it('our own heads are themselves, all of them', () =>
    expect(guessed(CSV_FIELDS)).toEqual(Object.fromEntries(CSV_FIELDS.map((field) => [field, field]))));
  it('a field stands on one column, a column on one field', () => {
    const first = mapped({ name: 'A', place: 'B' }, 'C', 'name');
    expect(first).toEqual({ name: 'C', place: 'B' });
    expect(mapped(first, 'C', 'note')).toEqual({ note: 'C', place: 'B' });
    expect(mapped(first, 'B', null)).toEqual({ name: 'C' });
  });
  it('every field has words of its own', () => {
    const words = CSV_FIELDS.map((field) => FIELD_WORDS[field]);
    expect(new Set(words).size).toBe(CSV_FIELDS.length);
  });
});

describe('what is asked', () => {
  it('nothing of a list that says all', () =>
    expect(asked('Name,Bench,Mix,Pot mm\nAloe juvenna,attic SILL,Gritty thirds,65\n')).toEqual([]));
  it('in which order days stand, only where it cannot be told', () => {
    const days = (...cells: string[]) =>
      asked(
        `Name,Bench,Mix,Pot mm,Bought\n${cells.map((day) => `Aloe vera,Attic sill,Gritty thirds,65,${day}`).join('\n')}\n`,
      );
    expect(days('03/04/2024', '05/06/2023').map(({ kind }) => kind)).toEqual(['day-order']);
    expect(days('03/04/2024', '25/06/2023')).toEqual([]);
    expect(days('2024-04-03')).toEqual([]);
  });
  it('in which measure, only where neither head nor cells say it', () => {
    const list = (head: string, cell: string) =>
      asked(`Name,Bench,Mix,${head}\nAloe vera,Attic sill,Gritty thirds,${cell}\n`).map(({ kind }) => kind);
    expect(list('Pot', '8')).toEqual(['unit']);
    expect(list('Pot (cm)', '8')).toEqual([]);
    expect(list('Pot', '8 cm')).toEqual([]);
    expect(list('Topf in cm', '8')).toEqual([]);
  });
  it('words of its own, once for each, with the nearest of ours', () => {
    const rows = ['Aloe vera,atic sill,dirt', 'Aloe vera,atic sill,dirt', 'Aloe vera,Loft,gritty third'].join('\n');
    const questions = asked(`Name,Bench,Mix,Pot mm\n${rows.replaceAll(/$/gm, ',65')}\n`);
    expect(questions).toEqual([
      {
        kind: 'meaning',
        field: 'place',
        words: [
          { word: 'atic sill', rows: 2, near: 'Attic sill' },
          { word: 'Loft', rows: 1, near: null },
        ],
      },
      {
        kind: 'meaning',
        field: 'mix',
        words: [
          { word: 'dirt', rows: 2, near: null },
          { word: 'gritty third', rows: 1, near: 'Gritty thirds' },
        ],
      },
    ]);
  });
  it('names that fit several kinds, not those that fit one or none', () => {
    const names = ['hen and chicks', 'Aloe vera', 'zebra plant', 'Nosuch thing'];
    const table = readTable(`Name\n${names.join('\n')}\n`);
    const [question] = questionsOf(table, { name: 'Name' }, KNOWN).filter(({ kind }) => kind === 'meaning');
    expect(question).toMatchObject({ field: 'name' });
    const words = question?.kind === 'meaning' ? question.words.map(({ word }) => word) : [];
    expect(words).not.toContain('Aloe vera');
    expect(words).not.toContain('Nosuch thing');
    expect(words.length).toBeGreaterThan(0);
  });
  it('how many rows say nothing', () =>
    expect(asked('Name,Bench,Mix\nAloe vera,,\nAloe vera,Attic sill,\n')).toEqual([
      { kind: 'missing', field: 'place', rows: 1 },
      { kind: 'missing', field: 'mix', rows: 2 },
      { kind: 'missing', field: 'pot', rows: 2 },
    ]));
  it('an answer is whole when each word has one, “not known” too', () => {
    const [question] = asked('Name,Bench,Mix,Pot mm\nAloe vera,Attic sill,dirt,65\nAloe vera,Attic sill,loam,65\n');
    const said = (mix: Record<string, number | null>) => isAnswered(question!, { ...NO_ANSWERS, meanings: { mix } });
    expect(said({ dirt: 7 })).toBe(false);
    expect(said({ dirt: 7, loam: null })).toBe(true);
  });
});

describe('a fault that a question will settle', () => {
  const csv = 'Name,Bench,Mix,Pot,Bought\nAloe vera,Loft,,8,03/04/2024\n';
  const table = readTable(csv);
  const mapping = guessed(table.heads);
  const open = questionsOf(table, mapping, KNOWN);
  it.each([
    ['Bench', 'Loft', true],
    ['Bench', 'Cellar', false],
    ['Mix', '', true],
    ['Pot', '8', true],
    ['Bought', '03/04/2024', true],
    ['Bought', '31.02.2024', false],
    ['Name', '', false],
  ])('%s “%s”: %s', (column, got, waits) => {
    expect(waitsFor({ column, got }, open, mapping)).toBe(waits);
    expect(waitsFor({ column, got }, [], mapping)).toBe(false);
  });
});

describe('what is offered', () => {
  it.each([
    [['8', '9,5', '12'], 'cm'],
    [['65', '90', '120'], 'mm'],
  ])('%s is mostly %s', (cells, unit) => expect(likelyUnit(cells)).toBe(unit));
  it.each([
    ['South window', 'windowsill'],
    ['Balcony', 'covered'],
    ['greenhouse 2', 'heated-glass'],
    ['LED rack', 'lamp-shelf'],
    ['Back yard', 'open'],
    ['Hall', 'room'],
  ])('%s is mostly a %s', (word, kind) => expect(likelyKind(word)).toBe(kind));
});

describe('what is sent', () => {
  const csv = 'Genus;Species;Pot (cm);Bought;Bench\nAloe;juvenna;8;25/06/2023;Loft\n';
  const table = readTable(csv);
  const mapping = guessed(table.heads);
  const answers = withNewPlace(NO_ANSWERS, 'Loft', 'room', 3);
  const body = bodyOf({ name: 'l.csv', csv }, table, mapping, answers, { dry: true, thisYear: 2026 });
  it('says the unit of a head and the order of the days', () =>
    expect(body).toMatchObject({ units: { pot_top_mm: 'cm' }, day_order: 'dmy', dry_run: true, csv }));
  it('makes a bench and means it', () => {
    expect(body.new_places).toEqual([{ name: 'Loft', kind: 'room', site_id: 3 }]);
    expect(body.meanings).toEqual({ place: { Loft: 'Loft' } });
    const again = withNewPlace(answers, 'Loft', 'windowsill', 3);
    expect(again.newPlaces).toEqual([{ name: 'Loft', kind: 'windowsill', site_id: 3 }]);
  });
  it('names are put together as they will be', () => expect(namesOf(table, mapping)).toEqual(['Aloe juvenna']));
});
