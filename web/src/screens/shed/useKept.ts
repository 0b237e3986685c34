/** Lists of the shed: waters, feeds and sites are added, put right and dropped, and what was dropped comes back. */
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { ask } from '../../api/client.ts';

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
