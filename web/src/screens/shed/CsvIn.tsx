import type { ImportView } from '@zinc-pail/contract/answers';
import { LONGEST_CSV, MOST_FAULTS_TOLD } from '@zinc-pail/contract/limits';
import type { CsvReport } from '@zinc-pail/contract/keeping';
import { CSV_FIELDS } from '@zinc-pail/contract/plantFields';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { ask, wordsOf } from '../../api/client.ts';
import type { Kit } from '../../api/kit.ts';
import { usePlaces } from '../../api/places.ts';
import { OneOf, SectionHead, Wrong } from '../../forms/Fields.tsx';
import { count } from '../../words/amounts.ts';
import { guessed, headsOf, type Mapping, mapped } from './csvMapping.ts';

interface TableFile {
  name: string;
  csv: string;
  heads: string[];
}

/** A list of plants: the keeper says which column is what, tries it, then takes it in whole or not at all. */
export function CsvIn({ kit }: { kit: Kit }) {
  const [file, setFile] = useState<TableFile | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  // Outlives the file: a list that was put right comes again with the same wishes.
  const [usual, setUsual] = useState<Usual>({ place: '', mix: '' });
  const open = async (chosen: File | undefined) => {
    setWrong(null);
    if (!chosen) return;
    if (chosen.size > LONGEST_CSV)
      return setWrong(`A list of up to ${LONGEST_CSV.toLocaleString('en')} characters is wanted; cut it in parts.`);
    // Until the new one is read, nothing of the old can be tried.
    setFile(null);
    const csv = await chosen.text();
    setFile({ name: chosen.name, csv, heads: headsOf(csv) });
  };
  return (
    <section aria-labelledby="csv">
      <SectionHead id="csv">Lists in and out</SectionHead>
      <p className="flex flex-wrap gap-x-4">
        <a className="inline-flex h-11 items-center underline" href="/api/export/plants.csv">
          All plants as CSV
        </a>
        <a className="inline-flex h-11 items-center underline" href="/api/export/darwin-core.csv">
          In Darwin Core terms
        </a>
      </p>
      <label className="flex flex-wrap items-center gap-2">
        A list to bring in{' '}
        <input
          type="file"
          accept=".csv,text/csv,.txt"
          className="file-input h-11"
          onChange={(event) => {
            void open(event.target.files?.[0]);
            event.target.value = '';
          }}
        />
      </label>
      {file && (
        <MappingForm
          key={file.csv}
          file={file}
          kit={kit}
          usual={usual}
          onUsual={setUsual}
          onWrong={setWrong}
          onDone={() => setFile(null)}
        />
      )}
      <Wrong words={wrong} />
      <Imports onWrong={setWrong} />
    </section>
  );
}

/** Where and in what plants stand whose row does not say so, by id. */
interface Usual {
  place: string;
  mix: string;
}

interface MappingFormProps {
  file: TableFile;
  kit: Kit;
  usual: Usual;
  onUsual(usual: Usual): void;
  onWrong(words: string | null): void;
  onDone(): void;
}

function MappingForm({ file, kit, usual, onUsual, onWrong, onDone }: MappingFormProps) {
  const { place, mix } = usual;
  const places = usePlaces();
  const queries = useQueryClient();
  const [columns, setColumns] = useState<Mapping>(() => guessed(file.heads));
  const send = (dry: boolean) =>
    ask<CsvReport>('/import/csv', {
      method: 'POST',
      body: {
        name: file.name,
        csv: file.csv,
        columns,
        defaults: { place_id: place === '' ? null : Number(place), mix_id: mix === '' ? null : Number(mix) },
        dry_run: dry,
      },
    });
  const onError = (error: unknown) => onWrong(wordsOf(error));
  const tryIt = useMutation({ mutationFn: () => send(true), onError });
  const takeIn = useMutation({
    mutationFn: () => send(false),
    onSuccess: () => {
      onDone();
      return queries.invalidateQueries();
    },
    onError,
  });
  const heads = [['', 'none'] as const, ...file.heads.map((name) => [name, name] as const)];
  const named = (all: readonly { id: number; name: string }[]) => [
    ['', 'none'] as const,
    ...all.map(({ id, name }) => [String(id), name] as const),
  ];
  const report = tryIt.data;
  return (
    <div className="mt-3 border-l-4 border-[var(--rule)] pl-3">
      <p className="font-semibold">{file.name}: which column is what?</p>
      <div className="grid grid-cols-2 gap-x-4 sm:grid-cols-3">
        {CSV_FIELDS.map((field) => (
          <OneOf
            key={field}
            label={field.replaceAll('_', ' ')}
            width="w-full"
            value={columns[field] ?? ''}
            options={heads}
            onChange={(column) => {
              setColumns((before) => mapped(before, field, column));
              tryIt.reset();
            }}
          />
        ))}
        <OneOf
          label="bench, where a row has none"
          width="w-full"
          value={place}
          options={named(places.data ?? [])}
          onChange={(id) => onUsual({ ...usual, place: id })}
        />
        <OneOf
          label="mix, where a row has none"
          width="w-full"
          value={mix}
          options={named(kit.mixes)}
          onChange={(id) => onUsual({ ...usual, mix: id })}
        />
      </div>
      <div className="flex gap-3">
        <button
          type="button"
          className="btn h-11"
          disabled={tryIt.isPending}
          onClick={() => {
            onWrong(null);
            tryIt.mutate();
          }}
        >
          Try it, writing nothing
        </button>
        <button
          type="button"
          className="btn btn-primary h-11"
          disabled={!report || report.faults.length > 0 || takeIn.isPending}
          onClick={() => takeIn.mutate()}
        >
          {report && report.faults.length === 0 ? `Take in ${count(report.good, 'plant')}` : 'Take them in'}
        </button>
      </div>
      {report && <Report report={report} />}
    </div>
  );
}

function Report({ report: { rows, good, faults, sample } }: { report: CsvReport }) {
  return (
    <div role="status" className="my-2 text-[15px]">
      <p>
        <strong className="font-semibold">
          {count(rows, 'row')}, {good} good.
        </strong>{' '}
        {faults.length === 0
          ? `First: ${sample.map((one) => `${one.name} (${one.place}, ${one.mix})`).join('; ')}.`
          : `Nothing is taken in until all are${faults.length < MOST_FAULTS_TOLD ? '' : `; the first ${MOST_FAULTS_TOLD} faults`}:`}
      </p>
      <ul>
        {faults.map((fault) => (
          <li key={`${fault.row}-${fault.column}`}>
            row {fault.row}
            {fault.column && `, ${fault.column}`}: found “{fault.got}”, wanted {fault.wanted}
          </li>
        ))}
      </ul>
    </div>
  );
}

/** Lists that were taken in, each taken back whole with one press. */
function Imports({ onWrong }: { onWrong(words: string | null): void }) {
  const queries = useQueryClient();
  const imports = useQuery({
    queryKey: ['imports'],
    queryFn: async () => (await ask<{ imports: ImportView[] }>('/imports')).imports,
  });
  const undo = useMutation({
    mutationFn: (id: number) => ask(`/imports/${id}/undo`, { method: 'POST', body: {} }),
    onSuccess: () => queries.invalidateQueries(),
    onError: (error) => onWrong(wordsOf(error)),
  });
  if (!imports.data || imports.data.length === 0) return null;
  return (
    <ul className="mt-2">
      {imports.data.map((one) => (
        <li key={one.id} className="flex min-h-11 items-center gap-3 border-b border-[var(--rule)] text-[15px]">
          <span>
            {one.name}: {count(one.plants, 'plant')}, {one.made_at.slice(0, 10)}
            {one.undone_at && ', taken back'}
          </span>
          {!one.undone_at && (
            <button
              type="button"
              className="ml-auto h-11 px-2 underline"
              aria-label={`Take back ${one.name}`}
              onClick={() => {
                onWrong(null);
                undo.mutate(one.id);
              }}
            >
              take back
            </button>
          )}
        </li>
      ))}
    </ul>
  );
}
