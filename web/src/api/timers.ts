import type { Timer } from '@zinc-pail/contract/api';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { ask } from './client.ts';

export const timersKey = ['timers'] as const;
const LOOK_AGAIN_MS = 60_000;

/** What waits to be done after marks; it stands on the server, so a reload or another device shows the same. */
export function useTimers() {
  return useQuery({
    queryKey: timersKey,
    queryFn: async () => (await ask<{ timers: Timer[] }>('/timers')).timers,
    refetchInterval: LOOK_AGAIN_MS,
  });
}

export function useEndTimer() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: async (id: number) =>
      (await ask<{ timers: Timer[] }>(`/timers/${id}/done`, { method: 'POST', body: {} })).timers,
    onSuccess: (timers) => queries.setQueryData(timersKey, timers),
  });
}
