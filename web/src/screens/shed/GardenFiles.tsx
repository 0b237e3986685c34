import { LARGEST_GARDEN_MB } from '@zinc-pail/contract/limits';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { ask, ProblemError, wordsOf } from '../../api/client.ts';
import { FileField } from '../../forms/FileField.tsx';
import { count } from '../../reader/amounts.ts';
import { SectionHead, Wrong } from '../../forms/Fields.tsx';

interface Report {
  site_id: number | null;
  places: number;
  plants: number;
  events: number;
  ignored: string[];
}

/** Whole gardens as open files: looked at first, then taken in as a site of their own. */
export function GardensIn() {
  const [file, setFile] = useState<{ name: string; text: string } | null>(null);
  const [tooLarge, setTooLarge] = useState(false);
  const queries = useQueryClient();
  const send = useMutation({
    mutationFn: ({ dry, chosen }: { dry: boolean; chosen: { name: string; text: string } }) => {
      let garden: unknown;
      try {
        garden = JSON.parse(chosen.text);
      } catch {
        throw new ProblemError({
          type: 'about:blank',
          title: 'Not JSON',
          status: 400,
          detail: 'That file is not JSON; a garden file is one JSON object.',
        });
      }
      return ask<Report>(
        `/import/garden?name=${encodeURIComponent(chosen.name.replace(/\.json$/i, '').slice(0, 120))}${dry ? '&dry_run=true' : ''}`,
        { method: 'POST', body: garden },
      );
    },
    onSuccess: async (report) => {
      if (report.site_id === null) return;
      setFile(null);
      await queries.invalidateQueries();
    },
  });
  const open = async (chosen: File) => {
    setTooLarge(chosen.size > LARGEST_GARDEN_MB * 1024 * 1024);
    if (chosen.size > LARGEST_GARDEN_MB * 1024 * 1024) return;
    const read = { name: chosen.name, text: await chosen.text() };
    setFile(read);
    send.mutate({ dry: true, chosen: read });
  };
  const faults = send.error instanceof ProblemError ? (send.error.problem.faults ?? []) : [];
  return (
    <section aria-labelledby="gardens" className="mt-8">
      <SectionHead id="gardens">A garden file</SectionHead>
      <FileField
        label={`One to bring in, up to ${LARGEST_GARDEN_MB} MB`}
        accept=".json,application/json"
        onFile={open}
      />
      <Wrong words={tooLarge ? `That file is larger than ${LARGEST_GARDEN_MB} MB.` : null} />
      {send.isError && (
        <>
          <Wrong words={wordsOf(send.error)} />
          <ul className="text-[0.9375rem]">
            {faults.slice(0, 12).map((fault) => (
              <li key={fault.pointer}>
                {fault.pointer || 'the whole file'}: wanted {fault.accepted}
              </li>
            ))}
          </ul>
        </>
      )}
      {send.data && (
        <div role="status" className="my-2">
          <p>
            {count(send.data.plants, 'plant')}, {count(send.data.places, 'bench', 'benches')},{' '}
            {count(send.data.events, 'line')} of journal
            {send.data.ignored.length > 0 && `; ${count(send.data.ignored.length, 'field')} not known are left out`}.
          </p>
          {file && send.data.site_id === null && (
            <button
              type="button"
              className="btn btn-primary mt-2 h-11"
              disabled={send.isPending}
              onClick={() => send.mutate({ dry: false, chosen: file })}
            >
              Import it as a site
            </button>
          )}
          {send.data.site_id !== null && <p className="font-semibold">It is in.</p>}
        </div>
      )}
    </section>
  );
}
