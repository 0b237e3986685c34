import { RESTING_TYPES } from '@zinc-pail/contract/choices';
import type { CanLine, DoneToday, RoundPot, RoundSite, RoundSoFar, RoundView } from '@zinc-pail/contract/api';
import { drinkOf, judgedAs } from '@zinc-pail/core';
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
  const counts = { ...site.counts };
  let can = site.can;
  for (const before of site.places.flatMap((place) => place.pots)) {
    const after = pots.get(before.id);
    if (!after) continue;
    counts[judgedAs(before.task.judgement, site.today)]--;
    counts[judgedAs(after.task.judgement, site.today)]++;
    const wet = (pot: RoundPot) => (pot.outlook.last_watered === site.today ? 1 : 0);
    counts.watered += wet(after) - wet(before);
    can = carried(can, before, -1, site.can_ml);
    can = carried(can, after, 1, site.can_ml);
  }
  return {
    ...site,
    counts,
    can: can.filter((line) => line.pots > 0),
    places: site.places.map((place) => ({ ...place, pots: place.pots.map((pot) => pots.get(pot.id) ?? pot) })),
  };
}

/** The can with a pot's drink more, or less; a kind of water that nobody has asked for yet begins a line of its own. */
function carried(can: readonly CanLine[], { task }: RoundPot, sign: 1 | -1, canMl: number): CanLine[] {
  if (drinkOf(task.judgement) === null) return [...can];
  const alike = (line: CanLine) =>
    line.water === task.water &&
    (task.food === null ? line.feed === null : line.feed !== null && line.feed.strength === task.food);
  if (!can.some(alike))
    return sign < 0 ? [...can] : [...can, { water: task.water, pots: 1, ml: task.amount_ml, fills: 1, feed: null }];
  return can.map((line) => {
    if (!alike(line)) return line;
    const ml = Math.max(0, line.ml + sign * task.amount_ml);
    const feed = line.feed?.dose
      ? { ...line.feed, dose: Math.round((line.feed.dose * ml * 10) / Math.max(1, line.ml)) / 10 }
      : line.feed;
    return { ...line, pots: line.pots + sign, ml, fills: Math.max(1, Math.ceil(ml / canMl)), feed };
  });
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
