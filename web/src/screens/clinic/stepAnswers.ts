/** What a step of a treatment can be answered with, and what that writes. */
import type { JournalEvent } from '@zinc-pail/contract/api';
import type { Case, CaseStep, Found } from '@zinc-pail/core';
import { signEvent } from './signEvent.ts';

/** What a step can be answered with; the others are simply done. */
export const STEP_ANSWERS: Partial<Record<CaseStep['step'], readonly Found[]>> = {
  'look-over': ['clean', 'guests'],
  neighbours: ['clean', 'guests'],
  'press-base': ['firm', 'soft'],
  'look-again': ['better', 'same', 'worse'],
};
export const FOUND_WORDS: Record<Found, string> = {
  clean: 'no pests',
  guests: 'pests found',
  firm: 'firm',
  soft: 'soft',
  better: 'better',
  same: 'the same',
  worse: 'worse',
};

/** What a step that was done writes. */
export function stepEvents(
  cause: Case['cause'],
  step: CaseStep['step'],
  found: Found | null,
  date: string,
): JournalEvent[] {
  return [
    { type: 'case-step', date, cause, step, found },
    ...(step === 'press-base' && found
      ? [signEvent(found === 'firm' ? 'firm-base' : 'soft-base', date, { where: 'base' })]
      : []),
  ];
}
