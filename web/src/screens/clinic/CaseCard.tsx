/** A case: its steps with their days, what each found, and how it ended. */
import type { JournalEvent } from '@zinc-pail/contract/api';
import type { ClinicSheet } from '@zinc-pail/contract/clinic';
import { type Case, type CaseStep, type Found, isBad, type Outcome, stepsShown, worthOf } from '@zinc-pail/core';
import { causeWords } from '@zinc-pail/words/causes';
import { caseStateWords, OUTCOME_WORDS, STEP_WORDS, worthWords } from '@zinc-pail/words/clinic';
import { useState } from 'react';
import { usePlant } from '../../api/plant.ts';
import { useTable } from '../../api/table.ts';
import { nearDay } from '../../reader/days.ts';
import { units } from '../../reader/units.ts';
import { FOUND_WORDS, STEP_ANSWERS, stepEvents } from './stepAnswers.ts';
import { useSheetMarks } from './useSheetMarks.ts';

export function CaseCard({ one, sheet }: { one: Case; sheet: ClinicSheet }) {
  const { today } = sheet;
  const { write, busy } = useSheetMarks(sheet);
  const [closing, setClosing] = useState(false);
  const { name } = causeWords(one.cause);
  return (
    <article className={`mb-4 border-l-4 pl-3 ${one.closed ? 'border-[var(--rule)]' : 'border-[var(--clay)]'}`}>
      <h3 className="text-[1.0625rem] font-semibold">
        {name}{' '}
        <span className="text-[0.875rem] font-normal text-[var(--ink-2)]">since {nearDay(one.openedOn, today)}</span>
      </h3>
      <p className="mb-1 text-[0.9375rem]">{caseStateWords(one, { units: units(), today })}</p>
      {!one.closed && <WorthLine one={one} sheet={sheet} />}
      {!one.closed && (
        <>
          <ol>
            {stepsShown(one, today).map((step) => (
              <StepLine
                key={`${step.step} ${step.time} ${step.due}`}
                step={step}
                cause={one.cause}
                today={today}
                busy={busy}
                write={write}
              />
            ))}
          </ol>
          {closing ? (
            <div role="group" aria-label={`How did it end: ${name}`} className="mt-2 flex flex-wrap gap-2">
              {(Object.keys(OUTCOME_WORDS) as Outcome[]).map((outcome) => (
                <button
                  key={outcome}
                  type="button"
                  disabled={busy || (outcome === 'cured' && !one.ready)}
                  className="h-11 border border-[var(--ink)] px-3 disabled:opacity-60"
                  onClick={() =>
                    void write(
                      [{ type: 'case-closed', date: today, cause: one.cause, outcome }],
                      `closed: ${OUTCOME_WORDS[outcome].toLowerCase()}`,
                    )
                  }
                >
                  {OUTCOME_WORDS[outcome]}
                </button>
              ))}
              {!one.ready && (
                <p className="w-full text-[0.875rem] text-[var(--ink-2)]">
                  Choose “cured” after the last step. Old scars never heal: judge by new growth, roots and firmness.
                </p>
              )}
            </div>
          ) : (
            <button
              type="button"
              className={`mt-2 h-11 px-4 ${one.ready ? 'btn btn-primary' : 'border border-[var(--ink)]'}`}
              onClick={() => setClosing(true)}
            >
              Close the case
            </button>
          )}
        </>
      )}
    </article>
  );
}

/** Of a badly damaged one: whether it is worth keeping whole, in parts, or not at all. */
function WorthLine({ one, sheet }: { one: Case; sheet: ClinicSheet }) {
  const { patient } = sheet;
  const bad = isBad(one);
  const table = useTable(bad);
  const plant = usePlant(patient.id).data;
  if (!bad || !table.data || !plant) return null;
  const alike = patient.name.trim().toLowerCase();
  const others = table.data.filter(({ id, name }) => id !== patient.id && name.trim().toLowerCase() === alike).length;
  const { hardToReplace } = plant.care.rules;
  const worth = worthOf({ one, others, hardToReplace });
  return worth && <p className="mb-1 text-[0.9375rem] font-semibold">{worthWords(worth, { others, hardToReplace })}</p>;
}

interface StepLineProps {
  step: CaseStep;
  cause: Case['cause'];
  today: string;
  busy: boolean;
  write(events: JournalEvent[], said: string): Promise<boolean>;
}

function StepLine({ step: { step, due, doneOn, found, optional, time }, cause, today, busy, write }: StepLineProps) {
  const { head, how } = STEP_WORDS[step];
  const answers = STEP_ANSWERS[step];
  const done = (answer: Found | null) => void write(stepEvents(cause, step, answer, today), head.toLowerCase());
  return (
    <li className="flex flex-wrap items-center gap-x-3 border-b border-[var(--rule)] py-1">
      <span className={`min-w-0 flex-1 basis-56 ${doneOn ? 'text-[var(--ink-2)]' : ''}`}>
        <strong className="font-semibold">
          {head}
          {time > 1 && ` (${time})`}
        </strong>
        {optional && ', if you wish'}
        <span className="block text-[0.875rem]">
          {doneOn
            ? `done ${nearDay(doneOn, today)}${found ? `: ${FOUND_WORDS[found]}` : ''}`
            : `${due === null ? 'after the step before it' : due <= today ? 'now' : nearDay(due, today)}. ${how}`}
        </span>
      </span>
      {!doneOn && (
        <span className="flex gap-2">
          {(answers ?? [null]).map((answer) => (
            <button
              key={answer}
              type="button"
              disabled={busy}
              className="h-11 min-w-11 border border-[var(--rule)] px-3"
              aria-label={`${head}: ${answer ? FOUND_WORDS[answer] : 'done'}`}
              onClick={() => done(answer)}
            >
              {answer ? FOUND_WORDS[answer] : 'done'}
            </button>
          ))}
        </span>
      )}
    </li>
  );
}
