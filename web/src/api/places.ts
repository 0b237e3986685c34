import type { PlaceView } from '@zinc-pail/contract/keeping';
import { useQuery } from '@tanstack/react-query';
import { ask } from './client.ts';

export const placesKey = ['places'] as const;

export function usePlaces() {
  return useQuery({ queryKey: placesKey, queryFn: async () => (await ask<{ places: PlaceView[] }>('/places')).places });
}
