import { count, litres } from '../../reader/amounts.ts';
import type { Felt } from '../../marking/markEvents.ts';
import type { Spot } from './spots.ts';

interface ChosenBarProps {
  spots: Spot[];
  /** days back for which marks are written */
  back: number;
  onWater(): void;
  onFeel(how: Felt): void;
  onNote(): void;
  onNone(): void;
}

/** What can be written on all the chosen pots at once. */
export function ChosenBar({ spots, back, onWater, onFeel, onNote, onNone }: ChosenBarProps) {
  const ml = spots.reduce((sum, { pot }) => sum + pot.task.amount_ml, 0);
  return (
    <div
      role="region"
      aria-label="Selected pots"
      className="sticky bottom-0 max-sm:bottom-[60px] z-20 flex flex-wrap items-center gap-2 border-t-2 border-[var(--ink)] bg-[var(--frame)] px-3 py-2 sm:px-6 lg:col-span-2"
    >
      <strong className="mr-2 font-semibold">
        Selected: {count(spots.length, 'pot')}, {litres(ml)}
      </strong>
      <button type="button" className="btn btn-primary h-11" onClick={onWater}>
        Watered{back > 0 ? ' yesterday' : ''}, as advised
      </button>
      {(['wet', 'damp', 'dry'] as const).map((how) => (
        <button key={how} type="button" className="btn h-11" onClick={() => onFeel(how)}>
          Felt {how}
        </button>
      ))}
      <button type="button" className="btn h-11" onClick={onNote}>
        Note…
      </button>
      <button type="button" className="btn btn-ghost h-11" onClick={onNone}>
        Clear
      </button>
    </div>
  );
}
