import type { RoundView } from '@zinc-pail/contract/api';
import type { OutlookView } from '@zinc-pail/core';
import { useQuery } from '@tanstack/react-query';
import { ask } from './client.ts';

export const roundKey = ['round'] as const;

export function useRound() {
  return useQuery({ queryKey: roundKey, queryFn: () => ask<RoundView>('/round') });
}

/** The round with one pot's outlook changed. */
export function withOutlook(round: RoundView, plantId: number, outlook: OutlookView): RoundView {
  return {
    ...round,
    sites: round.sites.map((site) => ({
      ...site,
      places: site.places.map((place) => ({
        ...place,
        pots: place.pots.map((pot) => (pot.id === plantId ? { ...pot, outlook } : pot)),
      })),
    })),
  };
}
