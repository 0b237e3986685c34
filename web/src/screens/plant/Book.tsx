import { units } from '../../reader/units.ts';
import type { JournalEntry, JournalEvent, PlantView } from '@zinc-pail/contract/api';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { ProblemError } from '../../api/client.ts';
import { useJournal } from '../../api/journal.ts';
import { plantKey } from '../../api/plant.ts';
import { eventWords } from '@zinc-pail/words/events';
import { fullDay } from '../../reader/days.ts';

const FIRST_SHOWN = 12;
const MORE = 60;

/** The book: everything that happened, newest first. What was written wrongly is struck out, not erased. */
export function Book({ plant }: { plant: PlantView }) {
  const [most, setMost] = useState(FIRST_SHOWN);
  const [failed, setFailed] = useState<string | null>(null);
  const journal = useJournal();
  const queries = useQueryClient();
  const strike = async (entry: JournalEntry) => {
    try {
      setFailed(null);
      await journal.takeBack([entry.client_id]);
      await queries.invalidateQueries({ queryKey: plantKey(plant.id) });
    } catch (error) {
      setFailed(error instanceof ProblemError ? error.problem.detail : 'It could not be crossed out.');
    }
  };
  return (
    <section aria-labelledby="book">
      <h2 id="book" className="mb-1 border-b-2 border-[var(--ink)] pb-1 text-[1.0625rem] font-semibold">
        Its notes
      </h2>
      {failed && (
        <p role="alert" className="border-l-4 border-[var(--rust)] pl-2">
          {failed}
        </p>
      )}
      {plant.journal.length === 0 && <p>Nothing is written yet.</p>}
      <ol>
        {plant.journal.slice(0, most).map((entry) => (
          <li
            key={entry.client_id}
            className="flex min-h-11 items-center gap-3 border-b border-[var(--rule)] text-[0.9375rem]"
          >
            <span className="w-32 shrink-0 text-[var(--ink-2)]">{fullDay(entry.event.date)}</span>
            <span className={`min-w-0 break-words ${entry.voided ? 'line-through' : ''}`}>
              {eventWords(entry.event, units())}
            </span>
            {entry.voided ? (
              <span className="ml-auto text-[0.875rem] text-[var(--ink-2)]">crossed out</span>
            ) : (
              !FIXED.has(entry.event.type) && (
                <button
                  type="button"
                  className="ml-auto h-11 px-2 text-[0.875rem] text-[var(--ink-2)] underline hover:text-[var(--ink)]"
                  aria-label={`Cross out ${fullDay(entry.event.date)}: ${eventWords(entry.event, units())}`}
                  onClick={() => void strike(entry)}
                >
                  cross out
                </button>
              )
            )}
          </li>
        ))}
      </ol>
      {plant.journal.length > most && (
        <button type="button" className="btn mt-2 h-11" onClick={() => setMost(most + MORE)}>
          Further back
        </button>
      )}
    </section>
  );
}

/** What changes more than the book is taken back where it was done. */
const FIXED = new Set<JournalEvent['type']>(['repotting', 'move', 'picture', 'ended']);
