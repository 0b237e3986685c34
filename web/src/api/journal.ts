import type { JournalEvent, MarkResult, NewEntry, PlantView, RoundView } from '@zinc-pail/contract/api';
import type { OutlookView } from '@zinc-pail/core';
import { type QueryClient, useQueryClient } from '@tanstack/react-query';
import { useMemo } from 'react';
import { ask } from './client.ts';
import { plantKey } from './plant.ts';
import { roundKey, withOutlook } from './round.ts';

export interface Written {
  entries: NewEntry[];
  outlook: OutlookView;
}

/** Marks pots and takes marks back; whatever shows the plant is brought up to date. */
export function useJournal() {
  const queries = useQueryClient();
  return useMemo(
    () => ({
      async write(plantId: number, events: JournalEvent[]): Promise<Written> {
        const entries = events.map((event) => ({ ...event, client_id: crypto.randomUUID() }));
        const result = await ask<MarkResult>(`/plants/${plantId}/journal`, { method: 'POST', body: { entries } });
        show(queries, plantId, result.outlook);
        return { entries, outlook: result.outlook };
      },
      async takeBack(plantId: number, clientIds: string[]): Promise<OutlookView> {
        let outlook: OutlookView | undefined;
        for (const id of clientIds) outlook = (await ask<MarkResult>(`/journal/${id}/void`, { method: 'POST' })).outlook;
        show(queries, plantId, outlook!);
        return outlook!;
      },
    }),
    [queries],
  );
}

function show(queries: QueryClient, plantId: number, outlook: OutlookView): void {
  queries.setQueryData<RoundView>(roundKey, (round) => round && withOutlook(round, plantId, outlook));
  queries.setQueryData<PlantView>(plantKey(plantId), (plant) => plant && { ...plant, outlook });
  void queries.invalidateQueries({ queryKey: plantKey(plantId) });
  // The bench's shared rate may have moved a little too: look again, quietly.
  void queries.invalidateQueries({ queryKey: roundKey, refetchType: 'none' });
}
