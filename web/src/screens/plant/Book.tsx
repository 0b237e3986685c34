import type { JournalEntry, JournalEvent, PlantView } from '@zinc-pail/contract/api';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { ProblemError } from '../../api/client.ts';
import { useJournal } from '../../api/journal.ts';
import { plantKey } from '../../api/plant.ts';
import { litres } from '../../parts/amounts.ts';
import { fullDay } from '../../parts/days.ts';

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
      await journal.takeBack(plant.id, [entry.client_id]);
      await queries.invalidateQueries({ queryKey: plantKey(plant.id) });
    } catch (error) {
      setFailed(error instanceof ProblemError ? error.problem.detail : 'It could not be struck out.');
    }
  };
  return (
    <section aria-labelledby="book">
      <h2 id="book" className="mb-1 border-b-2 border-[var(--ink)] pb-1 text-[17px] font-semibold">The book</h2>
      {failed && <p role="alert" className="border-l-4 border-[var(--rust)] pl-2">{failed}</p>}
      {plant.journal.length === 0 && <p>Nothing is written yet.</p>}
      <ol>
        {plant.journal.slice(0, most).map((entry) => (
          <li key={entry.client_id} className="flex min-h-11 items-center gap-3 border-b border-[var(--rule)] text-[15px]">
            <span className="w-32 shrink-0 text-[var(--ink-2)]">{fullDay(entry.event.date)}</span>
            <span className={`min-w-0 break-words ${entry.voided ? 'line-through' : ''}`}>{eventWords(entry.event)}</span>
            {entry.voided ? (
              <span className="ml-auto text-[14px] text-[var(--ink-2)]">struck out</span>
            ) : (
              entry.event.type !== 'repotting' && entry.event.type !== 'move' && (
                <button type="button" className="ml-auto h-11 px-2 text-[14px] text-[var(--ink-2)] underline hover:text-[var(--ink)]" aria-label={`Strike out ${fullDay(entry.event.date)}: ${eventWords(entry.event)}`} onClick={() => void strike(entry)}>
                  strike out
                </button>
              )
            )}
          </li>
        ))}
      </ol>
      {plant.journal.length > most && <button type="button" className="btn mt-2 h-11" onClick={() => setMost(most + MORE)}>Further back</button>}
    </section>
  );
}

const METHOD_WORDS = { drench: 'Watered until it ran', measured: 'Watered by measure', bottom: 'Stood in water', mist: 'Misted' } as const;

export function eventWords(event: JournalEvent): string {
  switch (event.type) {
    case 'watering':
      return `${METHOD_WORDS[event.method]}${event.amount_ml ? `, ${litres(event.amount_ml)}` : ''}${event.water ? `, ${event.water} water` : ''}`;
    case 'check':
      if ('finger' in event) return `Felt ${event.finger}`;
      if ('meter' in event) return `Probe at ${event.meter}`;
      if ('weight_g' in event) return `Weighed ${event.weight_g} g`;
      return `Surface ${event.surface}`;
    case 'weights':
      return `Full weight ${event.drained_g} g${event.dry_g ? `, dry ${event.dry_g} g` : ''}`;
    case 'sign':
      return `Seen: ${event.sign.replaceAll('-', ' ')}${event.strength > 1 ? `, ${event.strength === 3 ? 'strongly' : 'clearly'}` : ''}`;
    case 'repotting':
      return `Repotted${event.roots_cut ? ', roots cut' : ''}`;
    case 'move':
      return 'Moved';
    case 'feeding':
      return `Fed${event.dose ? `, ${event.dose} of the label’s dose` : ''}`;
    case 'state':
      return `Seen to be ${event.state}`;
    case 'note':
      return event.text;
  }
}
