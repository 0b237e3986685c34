import Papa from 'papaparse';

/** What stands between the cells shows in the first lines; asked of the whole it is read once for each that it may be. */
const ENOUGH_TO_GUESS = 10_000;
const LINES_TO_GUESS = 10;

export type CsvRead = Papa.ParseResult<Record<string, string>>;

/** Reads a list whose first line names the columns; empty lines are left out. */
export function readCsv(csv: string): CsvRead {
  const text = csv.replace(/^\uFEFF/, '');
  const { delimiter } = Papa.parse(text.slice(0, ENOUGH_TO_GUESS), {
    preview: LINES_TO_GUESS,
    skipEmptyLines: 'greedy',
  }).meta;
  return Papa.parse<Record<string, string>>(text, {
    header: true,
    skipEmptyLines: 'greedy',
    delimiter,
    transformHeader: (name) => name.trim(),
  });
}
