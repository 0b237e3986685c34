/** Lists that were taken in, each taken back whole; what would go with it is said first. */
import type { ImportView } from '@zinc-pail/contract/answers';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { ask, ProblemError, wordsOf } from '../../api/client.ts';
import { fullDay } from '../../reader/days.ts';
import { count } from '../../reader/amounts.ts';

export function Imports({ onWrong }: { onWrong(words: string | null): void }) {
  const queries = useQueryClient();
  const imports = useQuery({
    queryKey: ['imports'],
    queryFn: async () => (await ask<{ imports: ImportView[] }>('/imports')).imports,
  });
  const [asking, setAsking] = useState<{ id: number; words: string } | null>(null);
  const undo = useMutation({
    mutationFn: ({ id, anyway }: { id: number; anyway: boolean }) =>
      ask(`/imports/${id}/undo`, { method: 'POST', body: anyway ? { anyway } : {} }),
    onSuccess: () => {
      setAsking(null);
      return queries.invalidateQueries();
    },
    onError: (error, { id }) => {
      const marked = error instanceof ProblemError && error.problem.type.endsWith(':written-on-since');
      if (marked) setAsking({ id, words: wordsOf(error) });
      else onWrong(wordsOf(error));
    },
  });
  if (!imports.data || imports.data.length === 0) return null;
  return (
    <ul className="mt-4 border-t border-[var(--rule)]" aria-label="Lists that came in">
      {imports.data.map((one) => (
        <li key={one.id} className="border-b border-[var(--rule)] text-[0.9375rem]">
          <div className="flex min-h-11 items-center gap-3">
            <span>
              {one.name}: {count(one.plants, 'plant')}, {fullDay(one.made_at.slice(0, 10))}
              {one.undone_at && ', taken back'}
            </span>
            {!one.undone_at && (
              <button
                type="button"
                className="ml-auto h-11 px-2 underline"
                aria-label={`Take back ${one.name}`}
                onClick={() => {
                  onWrong(null);
                  undo.mutate({ id: one.id, anyway: false });
                }}
              >
                take back
              </button>
            )}
          </div>
          {asking?.id === one.id && (
            <div
              role="alertdialog"
              aria-label={`Take back ${one.name}?`}
              className="mb-2 border-l-4 border-[var(--rust)] pl-3"
            >
              <p className="mb-2">{asking.words}</p>
              <div className="flex flex-wrap gap-3">
                <button type="button" className="btn h-11" onClick={() => undo.mutate({ id: one.id, anyway: true })}>
                  Take it back with all that
                </button>
                <button type="button" className="btn h-11" onClick={() => setAsking(null)}>
                  Save
                </button>
              </div>
            </div>
          )}
        </li>
      ))}
    </ul>
  );
}
