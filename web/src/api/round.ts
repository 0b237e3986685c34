import { RESTING_TYPES } from '@zinc-pail/contract/choices';
import type { DoneToday, RoundPot, RoundSite, RoundSoFar, RoundView } from '@zinc-pail/contract/api';
import { canLines, judgedAs } from '@zinc-pail/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { ask } from './client.ts';

export const roundKey = ['round'] as const;
export const benchKey = (placeId?: number) =>
  placeId === undefined ? (['bench'] as const) : (['bench', placeId] as const);

export function useRound() {
  // Somebody else may have been at the bench meanwhile.
  return useQuery({ queryKey: roundKey, queryFn: () => ask<RoundView>('/round'), refetchOnWindowFocus: 'always' });
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

/** The round with these pots as they are now: its lines, its head and what is left to carry. */
export function withPots(round: RoundView, pots: ReadonlyMap<number, RoundPot>): RoundView {
  return { ...round, sites: round.sites.map((site) => siteWith(site, pots)) };
}

/** The round with these marks of today added, and those under these ids taken off: a line that is done rests where it is. */
export function withDone(round: RoundView, added: readonly DoneToday[], gone: ReadonlySet<string>): RoundView {
  const resting = (site: RoundSite, { event }: DoneToday) =>
    event.date === site.today && (RESTING_TYPES as readonly string[]).includes(event.type);
  return {
    ...round,
    sites: round.sites.map((site) => ({
      ...site,
      places: site.places.map((place) => ({
        ...place,
        done: [
          ...place.done.filter(({ client_id: id }) => !gone.has(id)),
          ...added.filter((one) => resting(site, one) && place.pots.some(({ id }) => id === one.plant_id)),
        ],
      })),
    })),
  };
}

function siteWith(site: RoundSite, pots: ReadonlyMap<number, RoundPot>): RoundSite {
  const places = site.places.map((place) => ({ ...place, pots: place.pots.map((pot) => pots.get(pot.id) ?? pot) }));
  const all = places.flatMap((place) => place.pots);
  const before = site.places.flatMap((place) => place.pots);
  const counts = { ...site.counts };
  const wet = (pot: RoundPot) => (pot.outlook.last_watered === site.today ? 1 : 0);
  const rests = (pot: RoundPot) => (pot.outlook.state === 'resting' ? 1 : 0);
  for (const [i, after] of all.entries()) {
    counts[judgedAs(before[i]!.task.judgement, site.today)]--;
    counts[judgedAs(after.task.judgement, site.today)]++;
    counts.watered += wet(after) - wet(before[i]!);
    counts.asleep += rests(after) - rests(before[i]!);
  }
  // Every pot that is to be watered stands among those that call.
  return { ...site, counts, places, can: canLines(all, { feeds: site.feeds, canMl: site.can_ml }) };
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
