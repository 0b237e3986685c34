/** What a plant asks for today, as a mark and its word; one to leave alone is quiet. */
import type { Judged } from '@zinc-pail/core';
import { cellWords } from './rows.ts';

const MARKS: Record<Judged, { path: string; colour: string }> = {
  act: { path: 'M6,1V7.500M6,10V11', colour: 'var(--rust)' },
  water: {
    path: 'M6,1C8.500,4.500 9.500,6 9.200,7.800A3.200,3.200 0 0 1 2.800,7.800C2.500,6 3.500,4.500 6,1z',
    colour: 'var(--clay)',
  },
  look: { path: 'M1,6Q6,1 11,6Q6,11 1,6z', colour: 'var(--straw)' },
  soon: { path: 'M2,6H10M7,3L10,6L7,9', colour: 'var(--lichen)' },
  leave: { path: 'M4,6H8', colour: 'var(--rule)' },
};

export function TodayMark({ verdict }: { verdict: string }) {
  const { path, colour } = MARKS[verdict as Judged] ?? MARKS.leave;
  const quiet = verdict === 'leave' || verdict === 'soon';
  return (
    <span className={`inline-flex items-center gap-1.5 ${quiet ? 'text-[var(--ink-2)]' : 'font-semibold'}`}>
      <svg width="12" height="12" viewBox="0 0 12 12" aria-hidden="true" className="shrink-0">
        <path
          d={path}
          fill={verdict === 'water' ? colour : 'none'}
          stroke={colour}
          strokeWidth={verdict === 'act' ? 2.2 : 1.7}
          strokeLinecap="round"
        />
      </svg>
      {cellWords('verdict', verdict)}
    </span>
  );
}
