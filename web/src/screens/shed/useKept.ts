/** Lists of the shed: waters, feeds and sites are added, put right and dropped, and what was dropped comes back. */
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { ask, notSent } from '../../api/client.ts';
import type { Read } from '../../forms/read.ts';

export function useKept(list: 'waters' | 'feeds' | 'sites') {
  const queries = useQueryClient();
  const after = { onSuccess: () => queries.invalidateQueries() };
  return {
    add: useMutation({ mutationFn: (body: unknown) => ask(`/${list}`, { method: 'POST', body }), ...after }),
    change: useMutation({
      mutationFn: ({ id, version, body }: { id: number; version?: number; body: unknown }) =>
        ask(`/${list}/${id}`, version === undefined ? { method: 'PUT', body } : { method: 'PATCH', body, version }),
      ...after,
    }),
    drop: useMutation({ mutationFn: (id: number) => ask(`/${list}/${id}`, { method: 'DELETE' }), ...after }),
  };
}

/**
 * A form of the shed that adds one to a list or puts one right.
 *
 * @param id of the one that is put right; null for another
 */
export function useKeptForm<F extends object>(
  list: 'waters' | 'feeds',
  id: number | null,
  { first, read, onDone }: { first: () => F; read(form: F): Read<unknown>; onDone(): void },
) {
  const { add, change } = useKept(list);
  const [form, setForm] = useState(first);
  const [error, setError] = useState<unknown>(null);
  const send = async () => {
    const given = read(form);
    if (given.kind === 'wrong') return setError(notSent(given.at));
    try {
      if (id !== null) await change.mutateAsync({ id, body: given.value });
      else await add.mutateAsync(given.value);
      onDone();
    } catch (failed) {
      setError(failed);
    }
  };
  return {
    form,
    set: (more: Partial<F>) => setForm((before) => ({ ...before, ...more })),
    error,
    send: () => void send(),
    busy: add.isPending || change.isPending,
  };
}
