import type { TableRow } from '@zinc-pail/contract/table';
import { useQuery } from '@tanstack/react-query';
import { ask } from './client.ts';

export const tableKey = ['table'] as const;

/** Every living plant; the wire names the fields once. */
export function useTable(wanted = true) {
  return useQuery({
    queryKey: tableKey,
    enabled: wanted,
    queryFn: async () => {
      const { fields, rows } = await ask<{ fields: (keyof TableRow)[]; rows: unknown[][] }>('/plants');
      return rows.map((row) => Object.fromEntries(fields.map((field, i) => [field, row[i]])) as unknown as TableRow);
    },
  });
}
