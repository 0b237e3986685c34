import { CSV_FIELDS, type CsvField } from '@zinc-pail/contract/plantFields';
import type { CsvReport } from '@zinc-pail/contract/keeping';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import Papa from 'papaparse';
import { useState } from 'react';
import { ask, wordsOf } from '../../api/client.ts';
import type { Kit } from '../../api/kit.ts';
import { usePlaces } from '../../api/places.ts';
import { count } from '../../words/amounts.ts';
import { Field, SectionHead, Wrong } from '../../forms/Fields.tsx';

const LARGEST = 900_000;
const FAULTS_SHOWN = 30;
/** Heads that mostly mean a field, to begin the mapping with. */
const GUESSES: Record<CsvField, RegExp> = {
  name: /^(name|taxon|species|plant|scientific ?name)$/i,
  number: /^(number|no\.?|nr\.?|accession|id)$/i,
  provenance: /^(provenance|origin|locality)$/i,
  place: /^(place|bench|location)$/i,
  mix: /^(mix|substrate|soil)$/i,
  pot_top_mm: /^pot_top_mm$/i,
  pot_depth_mm: /^pot_depth_mm$/i,
  pot_shape: /^pot_shape$/i,
  pot_material: /^pot_material$/i,
  pot_holes: /^pot_holes$/i,
  diameter_mm: /^diameter_mm$/i,
  height_mm: /^height_mm$/i,
  acquired_on: /^(acquired_on|acquired|since|date)$/i,
  last_watered: /^(last_watered|last ?watered|watered)$/i,
  source: /^source$/i,
  other_names: /^other_names$/i,
  name_sure: /^name_sure$/i,
};

interface Batch {
  id: number;
  name: string;
  plants: number;
  made_at: string;
  undone_at: string | null;
}

/** A list of plants: the keeper says which column is what, tries it, then takes it in whole or not at all. */
export function CsvIn({ kit }: { kit: Kit }) {
  const places = usePlaces();
  const queries = useQueryClient();
  const [file, setFile] = useState<{ name: string; csv: string; header: string[] } | null>(null);
  const [columns, setColumns] = useState<Partial<Record<CsvField, string>>>({});
  const [place, setPlace] = useState('');
  const [mix, setMix] = useState('');
  const [wrong, setWrong] = useState<string | null>(null);
  const body = (dry: boolean) => ({
    name: file!.name,
    csv: file!.csv,
    columns,
    defaults: { place_id: place === '' ? null : Number(place), mix_id: mix === '' ? null : Number(mix) },
    dry_run: dry,
  });
  const tryIt = useMutation({
    mutationFn: () => ask<CsvReport>('/import/csv', { method: 'POST', body: body(true) }),
    onError: (error) => setWrong(wordsOf(error)),
  });
  const takeIn = useMutation({
    mutationFn: () => ask<CsvReport>('/import/csv', { method: 'POST', body: body(false) }),
    onSuccess: () => {
      setFile(null);
      return queries.invalidateQueries();
    },
    onError: (error) => setWrong(wordsOf(error)),
  });
  const batches = useQuery({
    queryKey: ['imports'],
    queryFn: async () => (await ask<{ imports: Batch[] }>('/imports')).imports,
  });
  const undo = useMutation({
    mutationFn: (id: number) => ask(`/imports/${id}/undo`, { method: 'POST', body: {} }),
    onSuccess: () => queries.invalidateQueries(),
    onError: (error) => setWrong(wordsOf(error)),
  });
  const open = async (chosen: File | undefined) => {
    setWrong(null);
    tryIt.reset();
    if (!chosen) return;
    if (chosen.size > LARGEST)
      return setWrong(`A list of up to ${LARGEST.toLocaleString('en')} characters is wanted; cut it in parts.`);
    const csv = await chosen.text();
    const header = (Papa.parse<string[]>(csv.replace(/^\uFEFF/, ''), { preview: 1 }).data[0] ?? [])
      .map((name) => name.trim())
      .filter(Boolean);
    setFile({ name: chosen.name, csv, header });
    setColumns(
      Object.fromEntries(
        CSV_FIELDS.flatMap((field) => {
          const found = header.find((name) => GUESSES[field].test(name));
          return found ? [[field, found]] : [];
        }),
      ),
    );
  };
  const report = tryIt.data;
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
        <div className="mt-3 border-l-4 border-[var(--rule)] pl-3">
          <p className="font-semibold">{file.name}: which column is what?</p>
          <div className="grid grid-cols-2 gap-x-4 sm:grid-cols-3">
            {CSV_FIELDS.map((field) => (
              <Field key={field} label={field.replaceAll('_', ' ')}>
                {(id) => (
                  <select
                    id={id}
                    className="select h-11 w-full"
                    value={columns[field] ?? ''}
                    onChange={(event) => {
                      const { [field]: _old, ...rest } = columns;
                      setColumns(event.target.value === '' ? rest : { ...rest, [field]: event.target.value });
                      tryIt.reset();
                    }}
                  >
                    <option value="">none</option>
                    {file.header.map((name) => (
                      <option key={name}>{name}</option>
                    ))}
                  </select>
                )}
              </Field>
            ))}
            <Field label="bench, where a row has none">
              {(id) => (
                <select
                  id={id}
                  className="select h-11 w-full"
                  value={place}
                  onChange={(event) => setPlace(event.target.value)}
                >
                  <option value="">none</option>
                  {(places.data ?? []).map((one) => (
                    <option key={one.id} value={one.id}>
                      {one.name}
                    </option>
                  ))}
                </select>
              )}
            </Field>
            <Field label="mix, where a row has none">
              {(id) => (
                <select
                  id={id}
                  className="select h-11 w-full"
                  value={mix}
                  onChange={(event) => setMix(event.target.value)}
                >
                  <option value="">none</option>
                  {kit.mixes.map((one) => (
                    <option key={one.id} value={one.id}>
                      {one.name}
                    </option>
                  ))}
                </select>
              )}
            </Field>
          </div>
          <div className="flex gap-3">
            <button
              type="button"
              className="btn h-11"
              disabled={tryIt.isPending}
              onClick={() => {
                setWrong(null);
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
          {report && (
            <div role="status" className="my-2 text-[15px]">
              <p>
                <strong className="font-semibold">
                  {count(report.rows, 'row')}, {report.good} good.
                </strong>{' '}
                {report.faults.length === 0
                  ? `First: ${report.sample.map((one) => `${one.name} (${one.place}, ${one.mix})`).join('; ')}.`
                  : 'Nothing is taken in until all are:'}
              </p>
              <ul>
                {report.faults.slice(0, FAULTS_SHOWN).map((fault) => (
                  <li key={`${fault.row}-${fault.column}`}>
                    row {fault.row}
                    {fault.column && `, ${fault.column}`}: found “{fault.got}”, wanted {fault.wanted}
                  </li>
                ))}
              </ul>
            </div>
          )}
        </div>
      )}
      <Wrong words={wrong} />
      {(batches.data ?? []).length > 0 && (
        <ul className="mt-2">
          {batches.data!.map((batch) => (
            <li key={batch.id} className="flex min-h-11 items-center gap-3 border-b border-[var(--rule)] text-[15px]">
              <span>
                {batch.name}: {count(batch.plants, 'plant')}, {batch.made_at.slice(0, 10)}
                {batch.undone_at && ', taken back'}
              </span>
              {!batch.undone_at && (
                <button
                  type="button"
                  className="ml-auto h-11 px-2 underline"
                  aria-label={`Take back ${batch.name}`}
                  onClick={() => {
                    setWrong(null);
                    undo.mutate(batch.id);
                  }}
                >
                  take back
                </button>
              )}
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
