import type { SavedView } from '@zinc-pail/contract/keeping';
import { useQuery } from '@tanstack/react-query';
import { ask } from './client.ts';

export interface Kit {
  collection: { id: number; name: string; number_scheme: string; can_ml: number; has_pets: boolean; has_children: boolean };
  sites: { id: number; name: string; latitude_deg: number; time_zone: string }[];
  mixes: { id: number; name: string; parts: { component: string; parts: number }[] }[];
  waters: { id: number; name: string; kind: string; hardness_dh: number | null; salts_mg_l: number | null }[];
  feeds: { id: number; name: string; kind: string; n_pct: number; p_pct: number; k_pct: number; unit: 'ml' | 'g'; per_litre: number }[];
  views: SavedView[];
}

export const kitKey = ['kit'] as const;

/** Mixes, waters, feeds, sites and views: what lists of choices are made of. */
export function useKit() {
  return useQuery({ queryKey: kitKey, queryFn: () => ask<Kit>('/kit') });
}
