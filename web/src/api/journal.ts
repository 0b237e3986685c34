import { clinicKey, sheetKey } from './clinic.ts';
import { pottingKey } from './potting.ts';
import type {
  JournalEvent,
  MarksResult,
  PlantView,
  RoundPot,
  RoundView,
  Timer,
  WholePot,
} from '@zinc-pail/contract/api';
import { type QueryClient, useQueryClient } from '@tanstack/react-query';
import { useMemo } from 'react';
import { ask, ProblemError } from './client.ts';
import { plantKey } from './plant.ts';
import { benchKey, roundKey, withDone, withPots } from './round.ts';
import { timersKey } from './timers.ts';
import { Unsure } from './unsure.ts';

/** From here on a failure is the server's, and what became of a mark is not known. */
const OURS = 500;
const unsure = new Unsure();

/** What is to be written on one plant. */
export interface ToWrite {
  plantId: number;
  /** the revision under which the keeper saw it; null where a doubled mark does no harm */
  seen: number | null;
  events: JournalEvent[];
}

export interface Written extends MarksResult {
  clientIds: string[];
}

/** Marks pots and takes marks back; whatever shows the plants is brought up to date. */
export function useJournal() {
  const queries = useQueryClient();
  return useMemo(
    () => ({
      /** @param anyway written though it was asked back */
      async write(marks: ToWrite[], anyway = false): Promise<Written> {
        const body = {
          ...(anyway ? { anyway } : {}),
          marks: marks.map((mark) => ({
            plant_id: mark.plantId,
            seen: mark.seen,
            entries: unsure.entriesOf(mark),
          })),
        };
        const result = await ask<MarksResult>('/marks', { method: 'POST', body }).catch((error: unknown) => {
          const lost = !(error instanceof ProblemError) || error.problem.status >= OURS;
          for (const [i, mark] of marks.entries())
            if (lost) unsure.keep(mark, body.marks[i]!.entries);
            else unsure.settle(mark);
          throw error;
        });
        for (const mark of marks) unsure.settle(mark);
        show(queries, result);
        const written = new Set(result.done.map(({ plant_id }) => plant_id));
        const added = body.marks
          .filter((mark) => written.has(mark.plant_id))
          .flatMap(({ plant_id, entries }) =>
            entries.map(({ client_id, ...event }) => ({ plant_id, client_id, event: event as JournalEvent })),
          );
        queries.setQueryData<RoundView>(roundKey, (round) => round && withDone(round, added, new Set()));
        return {
          ...result,
          clientIds: added.map(({ client_id: id }) => id),
        };
      },
      async takeBack(clientIds: string[]): Promise<MarksResult> {
        const result = await ask<MarksResult>('/marks/void', { method: 'POST', body: { client_ids: clientIds } });
        unsure.forget(clientIds);
        show(queries, result);
        queries.setQueryData<RoundView>(roundKey, (round) => round && withDone(round, [], new Set(clientIds)));
        // A step or a look that is taken back is asked for again.
        void queries.invalidateQueries({ queryKey: roundKey });
        return result;
      },
    }),
    [queries],
  );
}

function show(queries: QueryClient, { done, already, timers }: MarksResult): void {
  const pots = new Map<number, WholePot>([...done, ...already].map(({ plant_id, pot }) => [plant_id, pot]));
  queries.setQueryData<RoundView>(roundKey, (round) => round && withPots(round, pots));
  queries.setQueriesData<RoundPot[]>({ queryKey: benchKey() }, (bench) => bench?.map((pot) => pots.get(pot.id) ?? pot));
  queries.setQueryData<Timer[]>(timersKey, timers);
  for (const [id, pot] of pots) {
    queries.setQueryData<PlantView>(
      plantKey(id),
      (plant) => plant && { ...plant, outlook: pot.outlook, task: pot.task, revision: pot.revision },
    );
    void queries.invalidateQueries({ queryKey: plantKey(id) });
  }
  // The bench's shared rate may have moved a little too: look again, quietly.
  void queries.invalidateQueries({ queryKey: roundKey, refetchType: 'none' });
  void queries.invalidateQueries({ queryKey: ['table'], refetchType: 'none' });
  // What a pot was seen to do shows at once where it is small enough to be on screen.
  void queries.invalidateQueries({ queryKey: pottingKey() });
  void queries.invalidateQueries({ queryKey: clinicKey });
  for (const id of pots.keys()) void queries.invalidateQueries({ queryKey: sheetKey(id) });
}
