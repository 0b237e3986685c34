import type { RoundPot, RoundSoFar, RoundView } from '@zinc-pail/contract/api';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { ask } from './client.ts';

export const roundKey = ['round'] as const;
export const benchKey = (placeId?: number) =>
  placeId === undefined ? (['bench'] as const) : (['bench', placeId] as const);

export function useRound() {
  return useQuery({ queryKey: roundKey, queryFn: () => ask<RoundView>('/round') });
}

/** What there is of the round while the whole of it is still being reckoned. */
export function useRoundSoFar(wanted: boolean) {
  return useQuery({
    queryKey: ['round-so-far'],
    queryFn: () => ask<RoundSoFar>('/round/so-far'),
    enabled: wanted,
    refetchInterval: SO_FAR_MS,
    gcTime: 0,
  });
}
const SO_FAR_MS = 1000;

/** All pots of a bench, those to leave alone too: asked for when the bench is opened. */
export function useBench(placeId: number, wanted: boolean) {
  return useQuery({
    queryKey: benchKey(placeId),
    queryFn: async () => (await ask<{ pots: RoundPot[] }>(`/places/${placeId}/pots`)).pots,
    enabled: wanted,
  });
}

/** The round with these pots as they are now. */
export function withPots(round: RoundView, pots: ReadonlyMap<number, RoundPot>): RoundView {
  return {
    ...round,
    sites: round.sites.map((site) => ({
      ...site,
      places: site.places.map((place) => ({ ...place, pots: place.pots.map((pot) => pots.get(pot.id) ?? pot) })),
    })),
  };
}

/** Sets the walk through the benches, or through the pots of one. */
export function useReorder() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: ({ placeId, ids }: { placeId: number | null; ids: number[] }) =>
      ask(placeId === null ? '/places/order' : `/places/${placeId}/order`, { method: 'POST', body: { ids } }),
    onSettled: () =>
      Promise.all([
        queries.invalidateQueries({ queryKey: roundKey }),
        queries.invalidateQueries({ queryKey: benchKey() }),
        queries.invalidateQueries({ queryKey: ['places'] }),
      ]),
  });
}
