import { Check } from 'lucide-react';
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { useEndTimer, useTimers } from '../api/timers.ts';
import { Name } from '../naming/Name.tsx';
import { reminderWords } from '@zinc-pail/words/reminders';

const TICK_MS = 15_000;
/** What is due within the hour stands at the top of every screen. */
const NEAR_MS = 3_600_000;
const SHOWN = 4;

function inWords(ms: number): string {
  const minutes = Math.ceil(ms / 60_000);
  return minutes <= 0 ? 'now' : `in ${minutes} min`;
}

/** Saucers to empty, pots to lift out of the soak: what marks left to be done, on whatever screen one is. */
export function Timers() {
  const timers = useTimers();
  const end = useEndTimer();
  const [now, setNow] = useState(() => Date.now());
  // On a phone they are one line until they are asked for.
  const [open, setOpen] = useState(false);
  useEffect(() => {
    const tick = setInterval(() => setNow(Date.now()), TICK_MS);
    return () => clearInterval(tick);
  }, []);
  const near = (timers.data ?? []).filter((timer) => new Date(timer.due_at).getTime() - now < NEAR_MS);
  if (near.length === 0) return null;
  return (
    <section aria-label="Still to do" className="border-b border-[var(--rule)] bg-[var(--frame)] px-3 sm:px-6">
      <ul>
        {near.slice(0, SHOWN).map((timer) => {
          const left = new Date(timer.due_at).getTime() - now;
          return (
            <li
              key={timer.id}
              className={`flex min-h-11 items-center gap-3 text-[0.9375rem] ${open ? '' : 'max-sm:not-first:hidden'}`}
              data-testid={`timer-${timer.kind}`}
            >
              <strong className={`w-16 shrink-0 font-semibold ${left <= 0 ? 'text-[var(--clay)]' : ''}`}>
                {inWords(left)}
              </strong>
              <span className="min-w-0">
                <Link to={`/plants/${timer.plant_id}`} className="hover:underline">
                  <Name written={timer.plant} />
                </Link>
                : {reminderWords(timer.code, timer.minutes)}
              </span>
              <button
                type="button"
                className="ml-auto flex h-11 shrink-0 items-center gap-1 px-3 font-semibold hover:underline"
                aria-label={`Done: ${timer.plant}, ${reminderWords(timer.code, timer.minutes)}`}
                onClick={() => end.mutate(timer.id)}
              >
                <Check aria-hidden="true" size={18} /> done
              </button>
            </li>
          );
        })}
      </ul>
      {near.length > 1 && (
        <button
          type="button"
          aria-expanded={open}
          className="h-11 text-[0.9375rem] underline sm:hidden"
          onClick={() => setOpen(!open)}
        >
          {open ? 'Show one' : `and ${near.length - 1} more`}
        </button>
      )}
      {near.length > SHOWN && (
        <p className={`pb-1 text-[0.875rem] text-[var(--ink-2)] ${open ? '' : 'max-sm:hidden'}`}>
          and {near.length - SHOWN} more
        </p>
      )}
    </section>
  );
}
