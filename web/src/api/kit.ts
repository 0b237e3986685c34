import type { Kit } from '@zinc-pail/contract/keeping';
import { useQuery } from '@tanstack/react-query';
import { ask } from './client.ts';

export const kitKey = ['kit'] as const;

/** Mixes, waters, feeds, sites and views: what lists of choices are made of. */
export function useKit() {
  return useQuery({ queryKey: kitKey, queryFn: () => ask<Kit>('/kit') });
}

export type { Kit };
