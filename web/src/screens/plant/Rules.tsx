/** The rules of one plant: each with where it comes from, the keeper's own with their reason and a way back. */
import { units } from '../../reader/units.ts';
import type { PlantView } from '@zinc-pail/contract/api';
import type { RuleSource } from '@zinc-pail/core';
import { ruleWords, stepWords } from '@zinc-pail/words/outlook';
import { useState } from 'react';
import { wordsOf } from '../../api/client.ts';
import { SectionHead, Wrong } from '../../forms/Fields.tsx';
import { ruleLines } from './ruleLines.ts';
import { RulesPanel } from './RulesPanel.tsx';
import { useChange } from './useChange.ts';

const SOURCES: Record<RuleSource, string> = {
  genus: 'genus',
  form: 'form',
  place: 'place',
  pot: 'pot',
  keeper: 'yours',
  usual: 'usual',
};

export function Rules({ plant }: { plant: PlantView }) {
  const { care } = plant;
  const [open, setOpen] = useState(false);
  const change = useChange(plant);
  return (
    <section aria-labelledby="rules">
      <SectionHead id="rules">How you care for it</SectionHead>
      <dl className="grid grid-cols-[4.5rem_minmax(0,1fr)_auto] gap-x-2 gap-y-1 text-[0.9375rem]">
        {ruleLines(care.rules).map(([key, term, words]) => (
          <div key={key} className="contents">
            <dt className="text-[var(--ink-2)]">{term}</dt>
            <dd>
              {words}
              {care.reasons[key] && (
                <span className="block text-[0.875rem] text-[var(--ink-2)]">because {care.reasons[key]}</span>
              )}
            </dd>
            <dd className="text-[0.875rem] text-[var(--ink-2)]">
              {SOURCES[care.sources[key]]}
              {care.sources[key] === 'keeper' && (
                <button
                  type="button"
                  className="ml-1 h-6 underline"
                  aria-label={`Reset: ${term}`}
                  onClick={() => change.mutate({ rules: { [key]: null } })}
                >
                  reset
                </button>
              )}
            </dd>
          </div>
        ))}
      </dl>
      <Steps
        plant={plant}
        onTakeBack={(on) => change.mutate({ rules: { stepsTakenBack: [...care.rules.stepsTakenBack, on] } })}
      />
      {change.isError && <Wrong words={wordsOf(change.error)} />}
      <button type="button" className="btn mt-2 h-11" onClick={() => setOpen(true)}>
        Set its rules…
      </button>
      {open && <RulesPanel plant={plant} onClose={() => setOpen(false)} />}
    </section>
  );
}

/** What signs have moved of its rule: before, after, and a way back for each. */
function Steps({ plant: { outlook, site }, onTakeBack }: { plant: PlantView; onTakeBack(on: string): void }) {
  if (outlook.steps.length === 0) return null;
  return (
    <div className="mt-2 border-l-4 border-[var(--lichen)] pl-3 text-[0.9375rem]">
      {outlook.steps.map((step) => (
        <p key={step.on}>
          {stepWords(step, site.today, units())}{' '}
          <button
            type="button"
            className="h-6 underline"
            aria-label={`Take back: ${stepWords(step, site.today, units())}`}
            onClick={() => onTakeBack(step.on)}
          >
            take back
          </button>
        </p>
      ))}
      <p className="text-[var(--ink-2)]">
        Before: {ruleWords(outlook.unstepped.due_m, outlook.unstepped.hold_days)}. Now:{' '}
        {ruleWords(outlook.due_m, outlook.traits.holdDays)}.
      </p>
    </div>
  );
}
