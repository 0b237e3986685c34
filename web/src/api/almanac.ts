import type { AlmanacInput } from '@zinc-pail/contract/almanac';
import { useQuery } from '@tanstack/react-query';
import { ask } from './client.ts';

/** What a site's year is reckoned from; kept while the screen is open, so that the year is not begun anew at every look. */
export function useAlmanac(siteId: number | undefined) {
  return useQuery({
    queryKey: ['almanac', siteId],
    queryFn: () => ask<AlmanacInput>(`/almanac/${siteId}`),
    enabled: siteId !== undefined,
    staleTime: Infinity,
    gcTime: 0,
    refetchOnWindowFocus: false,
  });
}
