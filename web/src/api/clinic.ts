import type { ClinicSheet, ClinicView } from '@zinc-pail/contract/clinic';
import { useQuery } from '@tanstack/react-query';
import { ask } from './client.ts';

export const clinicKey = ['clinic'] as const;
export const sheetKey = (plantId: number) => ['clinic sheet', plantId] as const;

/** Cases, hands raised, outbreaks; every mark makes it stale. */
export function useClinic() {
  return useQuery({ queryKey: clinicKey, queryFn: () => ask<ClinicView>('/clinic') });
}

/** Everything of one plant's illness. */
export function useSheet(plantId: number, wanted = true) {
  return useQuery({
    queryKey: sheetKey(plantId),
    queryFn: () => ask<ClinicSheet>(`/plants/${plantId}/clinic`),
    enabled: wanted,
  });
}
