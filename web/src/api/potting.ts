import type { BenchPlant, OwnComponentFields, PlantDrying, StockLine } from '@zinc-pail/contract/potting';
import { useQueries, useQuery } from '@tanstack/react-query';
import { ask } from './client.ts';

export const stockKey = ['stock'] as const;
export const pottingKey = (siteId?: number) =>
  siteId === undefined ? (['potting'] as const) : (['potting', siteId] as const);

const benchOf = (siteId: number | undefined, wanted: boolean) => ({
  queryKey: pottingKey(siteId),
  queryFn: () => ask<{ today: string; plants: BenchPlant[] }>(`/potting/${siteId}`),
  enabled: siteId !== undefined && wanted,
});

/** The potting bench of a site; every mark makes it stale, since any may move it. */
export function usePotting(siteId: number | undefined, wanted = true) {
  return useQuery(benchOf(siteId, wanted));
}

/** The potting benches of several sites as one. */
export function usePottingOf(siteIds: readonly number[], wanted: boolean): BenchPlant[] {
  return useQueries({
    queries: siteIds.map((id) => benchOf(id, wanted)),
    combine: (benches) => benches.flatMap(({ data }) => data?.plants ?? []),
  });
}

export function useStock() {
  return useQuery({ queryKey: stockKey, queryFn: async () => (await ask<{ stock: StockLine[] }>('/stock')).stock });
}

export function useOwnComponents() {
  return useQuery({
    queryKey: ['components'],
    queryFn: async () => (await ask<{ components: OwnComponentFields[] }>('/components')).components,
  });
}

/** How a plant's place dries pots: what a recipe is tried with. */
export function useDrying(plantId: number | null) {
  return useQuery({
    queryKey: ['drying', plantId],
    queryFn: () => ask<PlantDrying>(`/plants/${plantId}/drying`),
    enabled: plantId !== null,
  });
}
