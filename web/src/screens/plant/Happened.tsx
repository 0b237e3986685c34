/**
 * What the book does not tell, as a question: somebody watered it, the drench ran past, a look was wrong. One tap
 * answers, as a fact.
 */
import { units } from '../../reader/units.ts';
import type { JournalEvent, PlantView } from '@zinc-pail/contract/api';
import type { Happened as Happening } from '@zinc-pail/core';
import { dateWords } from '@zinc-pail/words/days';
import { happenedWords } from '@zinc-pail/words/judgement';
import { useMemo } from 'react';
import { useJournal } from '../../api/journal.ts';
import { addDays, daysBetween } from '../../reader/days.ts';
import { type Marked, useMarks } from '../../marking/Marks.tsx';

/** Happenings less likely than this are not asked about. */
const WORTH_ASKING = 0.35;
const ASKED_AT_MOST = 2;

export function Happened({ plant }: { plant: PlantView }) {
  const asked = plant.task.judgement.happened
    .filter(({ probability }) => probability >= WORTH_ASKING)
    .slice(0, ASKED_AT_MOST);
  if (asked.length === 0) return null;
  return (
    <section aria-labelledby="happened" className="my-3 border-l-4 border-[var(--straw)] bg-[var(--frame)] p-3">
      <h3 id="happened" className="text-[1.0625rem] font-semibold">
        What happened?
      </h3>
      {asked.map((happening) => (
        <Question key={`${happening.kind}-${happening.from}`} happening={happening} plant={plant} />
      ))}
    </section>
  );
}

function middle({ from, to }: Happening): string {
  return addDays(from, Math.round(daysBetween(from, to) / 2));
}

function Question({ happening, plant }: { happening: Happening; plant: PlantView }) {
  const { mark, busy } = useMarks();
  const journal = useJournal();
  const { today } = plant.site;
  const pot = useMemo(
    (): Marked => ({ plantId: plant.id, name: plant.name, today, seen: null, before: plant }),
    [plant, today],
  );
  const write = (event: JournalEvent, said: string) => () => void mark([pot], () => [event], said);
  const on = middle(happening);
  const look = plant.journal.find(
    ({ event, voided }) => !voided && event.type === 'check' && event.date === happening.to,
  );
  const lastLook = plant.journal.find(({ event, voided }) => !voided && event.type === 'check');
  const strike = (entry: typeof look) => (entry ? () => void journal.takeBack([entry.client_id]) : undefined);
  const answers: [string, (() => void) | undefined][] =
    happening.kind === 'stranger'
      ? [
          [
            `Yes, about ${dateWords(on, today, units())}`,
            write({ type: 'watering', date: on, method: 'drench' } as JournalEvent, 'watered by somebody'),
          ],
          [
            'No, it dries slower now',
            write({ type: 'changed', date: happening.from, pace: 'slower' } as JournalEvent, 'dries slower'),
          ],
          ['My check was wrong', strike(lastLook)],
        ]
      : happening.kind === 'ran-past'
        ? [
            [
              'Yes, it ran past',
              strike(
                plant.journal.find(
                  ({ event, voided }) => !voided && event.type === 'watering' && event.date === happening.from,
                ),
              ),
            ],
            [
              'No, it dries faster now',
              write({ type: 'changed', date: happening.from, pace: 'faster' } as JournalEvent, 'dries faster'),
            ],
            ['My check was wrong', strike(lastLook)],
          ]
        : happening.kind === 'slip'
          ? [
              ['Yes, cross it out', strike(look)],
              [
                'No, it was so',
                write({ type: 'note', date: today, text: 'The look stands.' } as JournalEvent, 'the look stands'),
              ],
            ]
          : [
              [
                `Yes, it dries ${happening.kind} now`,
                write(
                  { type: 'changed', date: happening.from, pace: happening.kind } as JournalEvent,
                  `dries ${happening.kind}`,
                ),
              ],
              ['My check was wrong', strike(lastLook)],
            ];
  return (
    <div className="mt-1">
      <p className="text-[1rem]">{happenedWords(happening, { today, units: units() })}</p>
      <div className="mt-1 flex flex-wrap gap-2">
        {answers.flatMap(([label, act]) =>
          act
            ? [
                <button key={label} type="button" className="btn h-11" disabled={busy.has(plant.id)} onClick={act}>
                  {label}
                </button>,
              ]
            : [],
        )}
      </div>
    </div>
  );
}
