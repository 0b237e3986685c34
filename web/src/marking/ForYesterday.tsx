import { addDays, longDay } from '../reader/days.ts';
import { useWritingFor, writeFor } from './writingFor.ts';

/** Stays in sight wherever marks are made: one for another day must not surprise. */
export function ForYesterday({ today }: { today: string }) {
  const back = useWritingFor();
  if (back === 0) return null;
  return (
    <p
      role="status"
      className="sticky top-0 z-10 -mx-3 mb-2 flex h-11 flex-wrap items-center gap-x-4 border-b-2 border-[var(--straw)] bg-[var(--paper)] px-3 sm:-mx-6 sm:px-6"
    >
      <strong className="font-semibold text-[var(--straw)]">Notes for {longDay(addDays(today, -back))}.</strong>
      <button type="button" className="h-11 underline" onClick={() => writeFor(0)}>
        back to today
      </button>
    </p>
  );
}
