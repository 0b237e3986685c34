import type { PlantState } from '@zinc-pail/core';

const MARKS: Record<PlantState, { path: string; colour: string }> = {
  growing: { path: 'M1.5,9L6,3L10.5,9', colour: 'var(--lichen)' },
  easing: { path: 'M1.5,3L6,6L10.5,9', colour: 'var(--lichen)' },
  resting: { path: 'M1.5,6H10.5', colour: 'var(--dusk)' },
  waking: { path: 'M1.5,9H6L10.5,3', colour: 'var(--lichen)' },
};

/** The state as a mark and its word: never colour alone. */
export function StateMark({ state }: { state: PlantState }) {
  const { path, colour } = MARKS[state];
  return (
    <span className="inline-flex items-center gap-1 whitespace-nowrap text-[var(--ink-2)]">
      <svg width="12" height="12" viewBox="0 0 12 12" aria-hidden="true">
        <path d={path} fill="none" stroke={colour} strokeWidth="2.2" />
      </svg>
      {state}
    </span>
  );
}
