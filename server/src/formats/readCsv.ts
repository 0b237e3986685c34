import Papa from 'papaparse';
import { Refused } from '../http/refusals.ts';

/** What stands between the cells shows in the first lines; asked of the whole it is read once for each that it may be. */
const ENOUGH_TO_GUESS = 10_000;
const LINES_TO_GUESS = 10;
/** No list of a keeper's is as wide; one of half a million columns holds all others up. */
const MOST_COLUMNS = 400;
/** A header of so many columns is no longer. */
const LONGEST_HEADER = 60_000;
/** A record of every day since 1900 has fewer. */
const MOST_LINES = 60_000;
/** Every cell of the longest list within quotation marks has no more; a cell of nothing else is read for long. */
const MOST_QUOTES = 400_000;

export interface CsvRead {
  fields: string[];
  /** cells by column; of no other names than those */
  data: Record<string, string>[];
  errors: Papa.ParseError[];
}

/** So many are read within some hundredths of a second. */
const LINES_A_TURN = 4000;

/**
 * Reads a list whose first line names the columns, some lines at a step; empty lines are left out.
 *
 * @throws Refused where it is wider than any list
 */
export function* readCsv(csv: string): Generator<void, CsvRead> {
  const text = csv.replace(/^\uFEFF/, '');
  const { delimiter, linebreak } = Papa.parse(text.slice(0, ENOUGH_TO_GUESS), {
    preview: LINES_TO_GUESS,
    skipEmptyLines: 'greedy',
  }).meta;
  refuseWide(text, delimiter);
  let fields: string[] | null = null;
  const data: CsvRead['data'] = [];
  const errors: CsvRead['errors'] = [];
  for (let at = 0, line = 0; at < text.length; line += LINES_A_TURN) {
    const part = Papa.parse<string[]>(text.slice(at), {
      preview: LINES_A_TURN,
      skipEmptyLines: 'greedy',
      delimiter,
      newline: linebreak as '\n',
      // Its quick way, for lists without quotation marks, counts one line too many where it is told to stop.
      fastMode: false,
    });
    const rows = part.data;
    fields ??= rows.shift()?.map((name) => name.trim()) ?? null;
    for (const cells of rows) data.push(byColumn(fields ?? [], cells));
    // Counted from the header, as its rows are.
    for (const error of part.errors) errors.push({ ...error, row: Math.max(0, line + (error.row ?? 1) - 1) });
    if (!part.meta.truncated) break;
    at += part.meta.cursor;
    yield;
  }
  return { fields: fields ?? [], data, errors };
}

/** Of no other names than those: a column may be called like what every object has. */
function byColumn(fields: readonly string[], cells: readonly string[]): Record<string, string> {
  const row = Object.create(null) as Record<string, string>;
  for (const [i, field] of fields.entries()) if (cells[i] !== undefined) row[field] = cells[i];
  return row;
}

function moreThan(most: number, sign: string, text: string): boolean {
  let found = 0;
  for (let at = text.indexOf(sign); at >= 0; at = text.indexOf(sign, at + 1)) if (++found > most) return true;
  return false;
}

function refuseWide(text: string, delimiter: string): void {
  const head = text.slice(0, LONGEST_HEADER);
  const columns = Papa.parse<string[]>(head, { preview: 1, skipEmptyLines: 'greedy', delimiter }).data[0]?.length ?? 0;
  const noEnd = text.length > LONGEST_HEADER && !/[\r\n]/.test(head);
  if (columns > MOST_COLUMNS || noEnd)
    throw new Refused('not-understood', `A list has at most ${MOST_COLUMNS} columns, in a first line that ends.`, [
      { pointer: '/csv', got: head.slice(0, 80), accepted: `a list of at most ${MOST_COLUMNS} columns` },
    ]);
  if (moreThan(MOST_LINES, '\n', text))
    throw new Refused('not-understood', `A list has at most ${MOST_LINES} lines; cut it in parts.`, [
      { pointer: '/csv', got: head.slice(0, 80), accepted: `a list of at most ${MOST_LINES} lines` },
    ]);
  if (moreThan(MOST_QUOTES, '"', text))
    throw new Refused('not-understood', 'That list has more quotation marks than cells could want.', [
      { pointer: '/csv', got: head.slice(0, 80), accepted: `a list of at most ${MOST_QUOTES} quotation marks` },
    ]);
}
