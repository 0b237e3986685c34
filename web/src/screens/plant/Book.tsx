import { causeWords } from '@zinc-pail/words/causes';
import { OUTCOME_WORDS, STEP_WORDS } from '@zinc-pail/words/clinic';
import type { JournalEntry, JournalEvent, PlantView } from '@zinc-pail/contract/api';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { ProblemError } from '../../api/client.ts';
import { useJournal } from '../../api/journal.ts';
import { plantKey } from '../../api/plant.ts';
import { litres } from '../../words/amounts.ts';
import { fullDay } from '../../words/days.ts';
import { SKIP_WORDS } from '../../marking/noteDraft.ts';

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
      setFailed(error instanceof ProblemError ? error.problem.detail : 'It could not be struck out.');
    }
  };
  return (
    <section aria-labelledby="book">
      <h2 id="book" className="mb-1 border-b-2 border-[var(--ink)] pb-1 text-[17px] font-semibold">
        The book
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
            className="flex min-h-11 items-center gap-3 border-b border-[var(--rule)] text-[15px]"
          >
            <span className="w-32 shrink-0 text-[var(--ink-2)]">{fullDay(entry.event.date)}</span>
            <span className={`min-w-0 break-words ${entry.voided ? 'line-through' : ''}`}>
              {eventWords(entry.event)}
            </span>
            {entry.voided ? (
              <span className="ml-auto text-[14px] text-[var(--ink-2)]">struck out</span>
            ) : (
              !FIXED.has(entry.event.type) && (
                <button
                  type="button"
                  className="ml-auto h-11 px-2 text-[14px] text-[var(--ink-2)] underline hover:text-[var(--ink)]"
                  aria-label={`Strike out ${fullDay(entry.event.date)}: ${eventWords(entry.event)}`}
                  onClick={() => void strike(entry)}
                >
                  strike out
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

const METHOD_WORDS = {
  drench: 'Watered until it ran',
  measured: 'Watered by measure',
  bottom: 'Stood in water',
  mist: 'Misted',
} as const;

export function eventWords(event: JournalEvent): string {
  switch (event.type) {
    case 'watering':
      return `${'way' in event && event.way === 'base' ? 'Watered at the base' : METHOD_WORDS[event.method]}${event.amount_ml ? `, ${litres(event.amount_ml)}` : ''}${event.water ? `, ${event.water} water` : ''}`;
    case 'check':
      if ('finger' in event) return `Felt ${event.finger}`;
      if ('meter' in event) return `Probe at ${event.meter}`;
      if ('weight_g' in event) return `Weighed ${event.weight_g} g`;
      if ('lift' in event) return `In the hand: ${event.lift}`;
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
      return `Fed${event.dose ? `, ${event.dose} of the label’s dose` : ''}${'with' in event && event.with ? ', with that drink' : ''}`;
    case 'state':
      return event.state === 'unsure' ? 'Not sure of its season' : `Seen to be ${event.state}`;
    case 'changed':
      return `Dries ${event.pace} since then`;
    case 'verdict':
      return `Taken to be: ${causeWords(event.cause).name.toLowerCase()}${event.hold_until ? `, no water until ${event.hold_until}` : ''}`;
    case 'case-step':
      return `${STEP_WORDS[event.step].head}${event.found ? `: ${event.found}` : ''}`;
    case 'case-closed':
      return `Case closed, ${causeWords(event.cause).name.toLowerCase()}: ${OUTCOME_WORDS[event.outcome].toLowerCase()}`;
    case 'note':
      return event.text;
    case 'skip':
      return `Skipped: ${SKIP_WORDS[event.reason]}${event.text ? `. ${event.text}` : ''}`;
    case 'measure':
      return `Measured: ${measureWords(event)}`;
    case 'flowering':
      return `Flower: ${event.stage}${event.flowers ? `, ${event.flowers}` : ''}${event.text ? `. ${event.text}` : ''}`;
    case 'drain':
      return `Drained in ${event.seconds} s`;
    case 'sun':
      return `${event.minutes} minutes of direct sun${event.scorched ? ', scorched' : ''}`;
    case 'review':
      return `After its move: ${event.answer}`;
    case 'sheltered':
      return SHELTER_WORDS[event.how];
    case 'firmed':
      return event.yes ? 'Firmed up' : 'Did not firm up';
    case 'arrival':
      return `Looked over on arrival: ${event.pests ? 'pests found' : 'no pests'}, roots ${event.roots.replace('-', ' ')}${event.hole ? '' : ', no hole'}${event.text ? `. ${event.text}` : ''}`;
    case 'picture':
      return 'Picture taken';
    case 'ended':
      return event.how === 'died'
        ? `Died${event.cause ? `: ${event.cause}` : ''}`
        : `Given away${event.cause ? `: ${event.cause}` : ''}`;
  }
}

const SHELTER_WORDS = {
  in: 'Brought in for the night',
  covered: 'Covered for the night',
  left: 'Left out for the night, knowingly',
} as const;

function measureWords(event: Extract<JournalEvent, { type: 'measure' }>): string {
  return [
    event.diameter_mm !== undefined && `${event.diameter_mm} mm wide`,
    event.height_mm !== undefined && `${event.height_mm} mm tall`,
    event.caudex_mm !== undefined && `caudex ${event.caudex_mm} mm`,
    event.internode_low_mm !== undefined && `${event.internode_low_mm} mm between leaves at the foot`,
    event.internode_tip_mm !== undefined && `${event.internode_tip_mm} mm between leaves at the tip`,
    event.heads !== undefined && `${event.heads} heads`,
    event.weight_g !== undefined && `${event.weight_g} g`,
  ]
    .filter(Boolean)
    .join(', ');
}
