import type { Settings } from '@zinc-pail/contract/keeping';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { ask } from '../../api/client.ts';

/** Changes settings of the collection. */
export function useSettings() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (change: Settings) => ask('/settings', { method: 'PATCH', body: change }),
    onSuccess: () => queries.invalidateQueries(),
  });
}
