/** What the shed says of a list that comes in, and of lines that may be dropped, drawn to markup. */
import type { CsvReport } from '@zinc-pail/contract/keeping';
import type { Kit } from '../../api/kit.ts';
import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import { LedgerLine } from './Ledger.tsx';
import { type Answers, isAnswered, NO_ANSWERS, type Question, questionsOf, readTable, guessed } from './listIn.ts';
import { Messages } from './Messages.tsx';
import { Questions } from './Questions.tsx';

const nothing = () => {};
const text = (markup: string) =>
  markup
    .replaceAll(/<[^>]+>/g, ' ')
    .replaceAll(/\s+/g, ' ')
    .trim();

const REPORT: CsvReport = {
  rows: 5,
  good: 2,
  faults: [
    { row: 3, column: 'Taxon', got: '', wanted: 'a name' },
    { row: 4, column: 'Pot mm', got: 'wide', wanted: 'a length' },
    { row: 5, column: 'Pot mm', got: 'narrow', wanted: 'a length' },
  ],
  notes: [
    { row: 2, column: 'Pot mm', got: '65', taken: 'round, plastic, with a hole' },
    { row: 6, column: 'Pot mm', got: '65', taken: 'round, plastic, with a hole' },
    { row: 6, column: 'Bought', got: '2024', taken: 'about the middle of that year' },
  ],
  left_out: 0,
  import_id: null,
  sample: [],
};

describe('messages on a list', () => {
  const messages = (report: CsvReport, { asked = '', leftOut = [] as number[] } = {}) =>
    renderToStaticMarkup(
      <Messages
        report={report}
        isAsked={(fault) => fault.column === asked}
        leftOut={leftOut}
        onLeaveOut={nothing}
        name="plants.csv"
      />,
    );
  it('count the rows, and tell each fault with its row, what was found and what is wanted', () => {
    const said = text(messages(REPORT));
    expect(said).toMatch(/^5 rows: 2 good, 3 with faults\s?\./);
    expect(said).toContain('row 4, Pot mm: found “wide”, wanted a length');
    expect(said).toContain('Skip these 3 rows');
    expect(said).toMatch(/Only all 3 Taxon \(1\) Pot mm \(2\)/);
  });
  it('what waits for an answer is counted, not told as a fault', () => {
    const said = text(messages(REPORT, { asked: 'Pot mm' }));
    expect(said).toMatch(/2 good, 1 with faults, 2 with words that are asked above/);
    expect(said).not.toContain('wide');
    expect(said).toContain('Skip that row');
    // Of one column there is nothing to choose from.
    expect(said).not.toContain('Only all');
  });
  it('rows that were left out can be taken up again', () => {
    const said = text(messages({ ...REPORT, faults: [], left_out: 2 }, { leftOut: [5, 3] }));
    expect(said).toContain('Left out: rows 3, 5.');
    expect(said).toContain('take them up again');
  });
  it('what was guessed is told once for all rows that have it', () => {
    const said = text(messages(REPORT));
    expect(said).toContain('3 cells were guessed');
    expect(said).toMatch(/Pot mm, “65”: round, plastic, with a hole \(2 rows\)/);
    expect(said).toMatch(/Bought, “2024”: about the middle of that year \(row 6\)/);
  });
  it('go out as a table: a row for each message, with what spreadsheets would run made harmless', () => {
    const faults = [{ row: 2, column: 'Name', got: '=HYPERLINK("x")', wanted: 'a name' }];
    const href = /href="data:text\/csv;charset=utf-8,([^"]+)"/.exec(messages({ ...REPORT, faults }))![1]!;
    const lines = decodeURIComponent(href.replaceAll('&#x27;', "'")).trim().split('\r\n');
    expect(lines).toHaveLength(1 + 1 + 3);
    expect(lines[0]!.replace(/^\uFEFF/, '')).toBe('row,column,found,message');
    expect(lines[1]).toContain(`'=HYPERLINK`);
    expect(messages(REPORT)).toContain('download="messages-plants.csv"');
  });
  it('a list without a fault shows how its first rows were read', () => {
    const sample = [{ name: 'Aloe juvenna', place: 'Attic sill', mix: 'Lock grit' }] as unknown as CsvReport['sample'];
    expect(text(messages({ ...REPORT, faults: [], sample }))).toContain('First: Aloe juvenna (Attic sill, Lock grit).');
  });
});

const KIT = {
  sites: [{ id: 1 }],
  mixes: [
    { id: 3, name: 'Lock grit', parts: [{ component: 'pumice', parts: 1 }] },
    { id: 7, name: 'Sack', parts: [{ component: 'potting-soil', parts: 1 }] },
  ],
} as unknown as Kit;
const PLACES = [
  { id: 1, name: 'Attic sill', site_id: 1 },
  { id: 2, name: 'Balcony', site_id: 1 },
];

describe('questions on a list', () => {
  const table = readTable(
    'Name,Bench,Soil,Pot,Bought\nAloe juvenna,Atic sill,grit mix,12,03/04/2023\njade plant,,Lock grit,9,05/06/2023\n',
  );
  const questions = questionsOf(table, guessed(table.heads), { places: PLACES, mixes: KIT.mixes, thisYear: 2026 });
  const asked = (answers: Answers = NO_ANSWERS, some: readonly Question[] = questions) =>
    renderToStaticMarkup(
      <Questions questions={some} answers={answers} onAnswers={nothing} kit={KIT} places={PLACES} />,
    );
  it('are those that the list leaves open, each of them once', () => {
    expect(questions.map((one) => ('field' in one ? `${one.kind} ${one.field}` : one.kind))).toEqual([
      'day-order',
      'unit pot_top_mm',
      'meaning place',
      'meaning mix',
      'meaning name',
      'missing place',
    ]);
  });
  it('are put in the list’s own words, with the days they may mean', () => {
    const said = text(asked());
    expect(said).toMatch(/what is “03\/04\/2023”\? Mon, 3 Apr 2023 Sat, 4 Mar 2023/);
    expect(said).toMatch(/Pot, width: 12, 9\. In which measure\? centimetres/);
    expect(said).toMatch(/“Atic sill” 1 row Attic sill\?/);
    expect(said).toMatch(/1 row has no bench: on which one are they\?/);
  });
  it('offer for a common name only the kinds it may mean', () => {
    const markup = asked(
      NO_ANSWERS,
      questions.filter((one) => 'field' in one && one.field === 'name'),
    );
    const options = [...markup.matchAll(/<option value="([^"]+)"/g)].map(([, value]) => value);
    expect(options).toEqual(expect.arrayContaining(['Crassula', 'Portulacaria']));
    expect(options).not.toContain('Aloe');
  });
  it('a bench may be made, with its kind; a soil may be unknown', () => {
    const markup = asked({
      ...NO_ANSWERS,
      newPlaces: [{ name: 'Atic sill', kind: 'windowsill', site_id: 1 }],
      meanings: { place: { 'Atic sill': 'Atic sill' }, mix: { 'grit mix': null } },
    });
    expect(markup).toContain('aria-label="Kind of “Atic sill”"');
    expect(markup).toMatch(/<option value="unknown" selected="">not known: as bagged potting soil/);
    // What was answered is offered no longer.
    expect(text(markup)).not.toContain('Attic sill?');
  });
  it('keep their answer in sight', () => {
    const answers: Answers = { ...NO_ANSWERS, dayOrder: 'mdy', units: { pot_top_mm: 'cm' }, place: 2 };
    const pressed = [...asked(answers).matchAll(/aria-pressed="true"[^>]*>([^<]+)</g)].map(([, words]) => words);
    expect(pressed).toEqual(['Sat, 4 Mar 2023', 'centimetres']);
    expect(asked(answers)).toMatch(/<option value="2" selected="">Balcony/);
    expect(questions.filter((one) => isAnswered(one, answers))).toHaveLength(3);
  });
});

describe('a line of a shelf', () => {
  const line = (onChange?: () => void) =>
    renderToStaticMarkup(
      <LedgerLine name="Butt" goes="Drinks keep it." onDrop={async () => {}} {...(onChange ? { onChange } : {})}>
        rain, 0 °dH
      </LedgerLine>,
    );
  it('says what it is; changing and dropping bear its name', () => {
    expect(text(line(nothing))).toBe('Butt rain, 0 °dH change drop');
    expect(line(nothing)).toContain('aria-label="Change Butt"');
    expect(line(nothing)).toMatch(/aria-label="Drop Butt" aria-expanded="false"/);
  });
  it('what goes with it is asked only once it is to be dropped', () => {
    expect(line()).not.toContain('Drinks keep it.');
    expect(text(line())).not.toContain('change');
  });
});
