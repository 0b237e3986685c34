/** What moved the dry day, as bars to the left (sooner) and right (later) of an ordinary pot. */
import type { DateReason } from '@zinc-pail/core';
import { dateReasonWords } from '@zinc-pail/words/outlook';
import { scaleLinear } from 'd3';
import { units } from '../reader/units.ts';

const WORDS: Record<DateReason['factor'], string> = {
  place: 'place and weather',
  season: 'season',
  'pot-material': 'pot material',
  'pot-size': 'pot size',
  mix: 'mix',
  'top-dressing': 'top dressing',
  rate: 'what this pot has shown',
  together: 'together',
};

export function BecauseBars({ reasons }: { reasons: readonly DateReason[] }) {
  const reach = Math.max(1, ...reasons.map((reason) => Math.abs(reason.days)));
  const x = scaleLinear([-reach, reach], [0, 100]);
  return (
    <ul className="text-[0.9375rem]">
      {reasons.map((reason) => (
        <li key={reason.factor} className="border-b border-[var(--rule)] py-1.5">
          <div className="grid grid-cols-[minmax(0,1fr)_120px_64px] items-center gap-2">
            <span className="font-semibold">{WORDS[reason.factor]}</span>
            <svg width="120" height="14" viewBox="0 0 100 14" preserveAspectRatio="none" aria-hidden="true">
              <line x1="50" x2="50" y1="0" y2="14" stroke="var(--ink)" strokeWidth="1" />
              <rect
                x={Math.min(50, x(reason.days))}
                y="2"
                width={Math.abs(x(reason.days) - 50)}
                height="10"
                fill={reason.days < 0 ? 'var(--clay)' : 'var(--dusk)'}
              />
            </svg>
            <span className="text-right">
              {reason.days > 0 ? '+' : '−'}
              {Math.abs(reason.days).toFixed(1)} d
            </span>
          </div>
          <p className="text-[0.875rem] text-[var(--ink-2)]">{dateReasonWords(reason, units())}</p>
        </li>
      ))}
    </ul>
  );
}
