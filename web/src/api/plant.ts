import type { PlantView } from '@zinc-pail/contract/api';
import { useQuery } from '@tanstack/react-query';
import { ask } from './client.ts';

export const plantKey = (plantId: number) => ['plant', plantId] as const;

export function usePlant(plantId: number) {
  return useQuery({ queryKey: plantKey(plantId), queryFn: () => ask<PlantView>(`/plants/${plantId}`) });
}
