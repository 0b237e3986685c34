/** What a plant asks for today, as a mark and its word; one to leave alone is quiet. */
import type { Judged } from '@zinc-pail/core';
import { VerdictGlyph } from '../../drawing/VerdictGlyph.tsx';
import { cellWords } from './rows.ts';

export function TodayMark({ verdict }: { verdict: Judged }) {
  const quiet = verdict === 'leave' || verdict === 'soon';
  return (
    <span className={`inline-flex items-center gap-1.5 ${quiet ? 'text-[var(--ink-2)]' : 'font-semibold'}`}>
      <svg width="12" height="12" viewBox="0 0 12 12" aria-hidden="true" className="shrink-0">
        <VerdictGlyph verdict={verdict} />
      </svg>
      {cellWords('verdict', verdict)}
    </span>
  );
}
