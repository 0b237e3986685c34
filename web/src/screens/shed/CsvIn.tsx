/** A list of plants that comes in: its columns, what it does not say, what is wrong with which row; then all at once. */
import type { CsvReport } from '@zinc-pail/contract/keeping';
import { CSV_FIELDS, type CsvField } from '@zinc-pail/contract/plantFields';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { ask, wordsOf } from '../../api/client.ts';
import type { Kit } from '../../api/kit.ts';
import { usePlaces } from '../../api/places.ts';
import { CSV, FileField, tooLongWords } from '../../forms/FileField.tsx';
import { SectionHead, Wrong } from '../../forms/Fields.tsx';
import { count } from '../../reader/amounts.ts';
import { todayIn } from '../../reader/days.ts';
import { Imports } from './Imports.tsx';
import {
  type Answers,
  bodyOf,
  FIELD_WORDS,
  guessed,
  isAnswered,
  type ListFile,
  type Mapping,
  mapped,
  NO_ANSWERS,
  questionsOf,
  readTable,
  type Table,
  waitsFor,
} from './listIn.ts';
import { Messages } from './Messages.tsx';
import { Questions } from './Questions.tsx';

export function CsvIn({ kit }: { kit: Kit }) {
  const [file, setFile] = useState<ListFile | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const open = async (chosen: File) => {
    const tooLong = tooLongWords(chosen);
    setWrong(tooLong);
    if (tooLong) return;
    const csv = await chosen.text();
    if (/^\s*[{[]/.test(csv)) return setWrong('That is no table: a garden file goes in below.');
    setFile({ name: chosen.name, csv });
  };
  return (
    <section aria-labelledby="csv">
      <SectionHead id="csv">A list of plants</SectionHead>
      <p className="mb-2 max-w-prose">
        As you have it: any columns in any order, commas or semicolons, days and sizes as you write them. Nothing is
        written before you say so, and it can be taken back.
      </p>
      <FileField label="A list to bring in (CSV)" accept={CSV} onFile={open} />
      <Wrong words={wrong} />
      {file && <ListPanel key={file.csv} file={file} kit={kit} onDone={() => setFile(null)} />}
      <Imports onWrong={setWrong} />
    </section>
  );
}

function ListPanel({ file, kit, onDone }: { file: ListFile; kit: Kit; onDone(): void }) {
  const places = usePlaces();
  const queries = useQueryClient();
  const table = useMemo(() => readTable(file.csv), [file.csv]);
  const [mapping, setMapping] = useState<Mapping>(() => guessed(table.heads));
  const [answers, setAnswers] = useState<Answers>(NO_ANSWERS);
  const thisYear = Number(todayIn(kit.sites[0]?.time_zone ?? 'UTC').slice(0, 4));
  const known = useMemo(
    () => ({ places: places.data ?? [], mixes: kit.mixes, thisYear }),
    [places.data, kit.mixes, thisYear],
  );
  const questions = useMemo(() => questionsOf(table, mapping, known), [table, mapping, known]);
  const unanswered = questions.filter((question) => !isAnswered(question, answers));
  const open = unanswered.length;
  const send = (dry: boolean) =>
    ask<CsvReport>('/import/csv', { method: 'POST', body: bodyOf(file, table, mapping, answers, { dry, thisYear }) });
  const hasNames = mapping.name !== undefined || mapping.common_name !== undefined;
  // Tried each time something of it was said, writing nothing.
  const tried = useQuery({
    queryKey: ['list-tried', file.csv.length, file.name, mapping, answers],
    queryFn: () => send(true),
    enabled: hasNames,
    placeholderData: (before) => before,
    staleTime: Infinity,
    gcTime: 60_000,
  });
  const takeIn = useMutation({
    mutationFn: () => send(false),
    onSuccess: async () => {
      onDone();
      await queries.invalidateQueries();
    },
  });
  const report = tried.data ?? null;
  const ready = report !== null && report.faults.length === 0 && report.good > 0 && !tried.isPlaceholderData;
  return (
    <div className="mt-3 border-l-4 border-[var(--rule)] pl-3 sm:pl-4">
      <p className="slab text-[1.0625rem] font-semibold">
        {file.name}: {count(table.rows.length, 'row')}
      </p>
      <Columns table={table} mapping={mapping} onMapping={setMapping} />
      {!hasNames && <Wrong words="Say which column has the plants’ names." />}
      {places.data && questions.length > 0 && (
        <Questions questions={questions} answers={answers} onAnswers={setAnswers} kit={kit} places={places.data} />
      )}
      {report && (
        <Messages
          report={report}
          isAsked={(fault) => waitsFor(fault, unanswered, mapping)}
          leftOut={answers.leftOut}
          onLeaveOut={(leftOut) => setAnswers({ ...answers, leftOut })}
          name={file.name}
        />
      )}
      <Wrong words={tried.isError ? wordsOf(tried.error) : takeIn.isError ? wordsOf(takeIn.error) : null} />
      <div className="mt-3 flex flex-wrap items-center gap-3">
        <button
          type="button"
          className="btn btn-primary h-12 px-6"
          disabled={!ready || takeIn.isPending}
          onClick={() => takeIn.mutate()}
        >
          {takeIn.isPending ? 'Importing…' : ready ? `Import ${count(report.good, 'plant')}` : 'Import them'}
        </button>
        <button type="button" className="btn h-12" onClick={onDone}>
          Cancel
        </button>
        <span className="text-[0.9375rem] text-[var(--ink-2)]">
          {open > 0
            ? `${count(open, 'question')} above ${open === 1 ? 'waits' : 'wait'} for an answer.`
            : report && report.faults.length > 0
              ? 'Rows with faults are put right in the file, or left out.'
              : ''}
        </span>
      </div>
    </div>
  );
}

const SAMPLES = 3;

/** Each column of the file with what stands in it, and what it is. */
function Columns({ table, mapping, onMapping }: { table: Table; mapping: Mapping; onMapping(mapping: Mapping): void }) {
  const fieldOn = new Map(Object.entries(mapping).map(([field, head]) => [head, field as CsvField]));
  return (
    <fieldset className="my-3">
      <legend className="font-semibold">Which column is what?</legend>
      <ul className="border-t border-[var(--rule)]">
        {table.heads.map((head) => {
          const samples = [...new Set(table.rows.map((row) => (row[head] ?? '').trim()).filter(Boolean))].slice(
            0,
            SAMPLES,
          );
          return (
            <li
              key={head}
              className="grid items-center gap-x-4 border-b border-[var(--rule)] py-1 sm:grid-cols-[10rem_1fr_16rem]"
            >
              <span className="truncate font-semibold">{head}</span>
              <span className="truncate text-[0.875rem] text-[var(--ink-2)]">{samples.join(' · ') || 'empty'}</span>
              <select
                aria-label={`${head} is`}
                className={`select h-11 w-full ${fieldOn.has(head) ? '' : 'text-[var(--ink-2)]'}`}
                value={fieldOn.get(head) ?? ''}
                onChange={({ target }) => onMapping(mapped(mapping, head, (target.value || null) as CsvField | null))}
              >
                <option value="">left out</option>
                {CSV_FIELDS.map((field) => (
                  <option key={field} value={field}>
                    {FIELD_WORDS[field]}
                  </option>
                ))}
              </select>
            </li>
          );
        })}
      </ul>
    </fieldset>
  );
}
