/** What a list comes to, row by row: faults to be put right or left out, and what is taken otherwise than it is written. */
import type { CsvReport } from '@zinc-pail/contract/keeping';
import Papa from 'papaparse';
import { useMemo, useState } from 'react';
import { count } from '../../reader/amounts.ts';

interface MessagesProps {
  report: CsvReport;
  /** whether a fault waits for an answer to a question that stands above */
  isAsked(fault: CsvReport['faults'][number]): boolean;
  leftOut: readonly number[];
  onLeaveOut(rows: number[]): void;
  /** the file's */
  name: string;
}

const SHOWN = 60;

export function Messages({ report, isAsked, leftOut, onLeaveOut, name }: MessagesProps) {
  const { rows, good, notes, sample } = report;
  const faults = report.faults.filter((fault) => !isAsked(fault));
  const waiting = new Set(report.faults.filter(isAsked).map(({ row }) => row)).size;
  const [column, setColumn] = useState('');
  const [all, setAll] = useState(false);
  const faulty = [...new Set(faults.map(({ row }) => row))].filter((row) => row > 1);
  const columns = [...new Set(faults.map((fault) => fault.column))];
  const shown = column === '' || !columns.includes(column) ? faults : faults.filter((fault) => fault.column === column);
  return (
    <div role="status" className="my-3 border-t-2 border-[var(--ink)] pt-2">
      <p>
        <strong className="font-semibold">
          {count(rows, 'row')}: {good} good, {faulty.length} with faults
          {waiting > 0 && `, ${waiting} with words that are asked above`}
          {leftOut.length > 0 && `, ${leftOut.length} left out`}.
        </strong>{' '}
        {report.faults.length === 0 &&
          sample.length > 0 &&
          `First: ${sample.map((one) => `${one.name} (${one.place}, ${one.mix})`).join('; ')}.`}
      </p>
      {faults.length > 0 && (
        <>
          <div className="flex flex-wrap items-center gap-x-4">
            {columns.length > 1 && (
              <label className="flex items-center gap-2">
                Only{' '}
                <select className="select h-11" value={column} onChange={(event) => setColumn(event.target.value)}>
                  <option value="">all {faults.length}</option>
                  {columns.map((one) => (
                    <option key={one} value={one}>
                      {one || 'the file'} ({faults.filter((fault) => fault.column === one).length})
                    </option>
                  ))}
                </select>
              </label>
            )}
            {faulty.length > 0 && (
              <button type="button" className="h-11 underline" onClick={() => onLeaveOut([...leftOut, ...faulty])}>
                Skip {faulty.length === 1 ? 'that row' : `these ${faulty.length} rows`}
              </button>
            )}
            <Download faults={faults} notes={notes} name={name} />
          </div>
          <ul className="text-[0.9375rem]">
            {shown.slice(0, all ? undefined : SHOWN).map((fault) => (
              <li
                key={`${fault.row}-${fault.column}-${fault.wanted}`}
                className="flex flex-wrap items-center gap-x-3 border-b border-[var(--rule)]"
              >
                <span className="py-1">
                  row {fault.row}
                  {fault.column && `, ${fault.column}`}: found “{fault.got}”, wanted {fault.wanted}
                </span>
                {fault.row > 1 && (
                  <button
                    type="button"
                    className="ml-auto h-11 px-2 underline"
                    aria-label={`Skip this row: row ${fault.row}`}
                    onClick={() => onLeaveOut([...leftOut, fault.row])}
                  >
                    Skip this row
                  </button>
                )}
              </li>
            ))}
          </ul>
          {shown.length > SHOWN && !all && (
            <button type="button" className="h-11 underline" onClick={() => setAll(true)}>
              and {shown.length - SHOWN} more
            </button>
          )}
        </>
      )}
      {leftOut.length > 0 && (
        <p className="flex flex-wrap items-center gap-x-3">
          Left out: {leftOut.length === 1 ? 'row' : 'rows'} {leftOut.toSorted((a, b) => a - b).join(', ')}.
          <button type="button" className="h-11 underline" onClick={() => onLeaveOut([])}>
            take them up again
          </button>
        </p>
      )}
      {notes.length > 0 && <Notes notes={notes} />}
    </div>
  );
}

/** What is taken otherwise than it is written: never silently, folded since it may be long. */
function Notes({ notes }: { notes: CsvReport['notes'] }) {
  const grouped = useMemo(() => {
    const found = new Map<string, { column: string; got: string; taken: string; rows: number[] }>();
    for (const { row, column, got, taken } of notes) {
      const key = `${column}\n${got}\n${taken}`;
      const one = found.get(key) ?? { column, got, taken, rows: [] };
      one.rows.push(row);
      found.set(key, one);
    }
    return [...found.values()];
  }, [notes]);
  return (
    <details className="mt-1">
      <summary className="flex min-h-11 cursor-pointer items-center">
        {count(notes.length, 'cell')} {notes.length === 1 ? 'was' : 'were'} guessed: review
      </summary>
      <ul className="text-[0.9375rem]">
        {grouped.map(({ column, got, taken, rows }) => (
          <li key={`${column}-${got}-${taken}`}>
            {column}, “{got}”: {taken}{' '}
            <span className="text-[var(--ink-2)]">
              ({rows.length === 1 ? `row ${rows[0]}` : `${rows.length} rows`})
            </span>
          </li>
        ))}
      </ul>
    </details>
  );
}

/** All messages as a table of their own, to mend the list by. */
function Download({ faults, notes, name }: Pick<CsvReport, 'faults' | 'notes'> & { name: string }) {
  const address = useMemo(() => {
    const lines = [
      ...faults.map(({ row, column, got, wanted }) => ({ row, column, found: got, message: `wanted ${wanted}` })),
      ...notes.map(({ row, column, got, taken }) => ({ row, column, found: got, message: taken })),
    ];
    return `data:text/csv;charset=utf-8,${encodeURIComponent(`\uFEFF${Papa.unparse(lines, { newline: '\r\n', escapeFormulae: true })}`)}`;
  }, [faults, notes]);
  return (
    <a
      className="inline-flex h-11 items-center underline"
      href={address}
      download={`messages-${name.replace(/\.\w+$/, '')}.csv`}
    >
      Take the messages away (CSV)
    </a>
  );
}
