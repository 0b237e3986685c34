/** An open case that holds the water, and what its next step waits for. */
import type { Answer } from './answer.ts';
import { type Facts, iso } from './facts.ts';

/** An open case that holds the water, until its day or until the step that ends it. */
export function inTreatment({ clinic, today }: Facts): Answer | null {
  const { held: one } = clinic;
  if (!one) return null;
  const now = iso(today);
  const next = one.steps.find(({ doneOn, due, optional }) => !optional && doneOn === null && due !== null);
  const unpots = next?.step === 'unpot' && next.due! <= now;
  const until = one.holdUntil !== null && one.holdUntil > now ? one.holdUntil : null;
  return {
    deeds: unpots
      ? [
          { deed: 'act', what: 'unpot' },
          { deed: 'wait', until },
        ]
      : [{ deed: 'wait', until }],
    because: [{ code: 'in-treatment', source: 'rule', on: one.openedOn, of: one.cause }],
    until,
    nextLook:
      next?.due && next.due > now && (until === null || next.due < until) ? next.due : (until ?? iso(today + 7)),
  };
}
