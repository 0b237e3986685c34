import { dayNumber, type OutlookView } from '@zinc-pail/core';
import { scaleLinear } from 'd3';
import { nearDay } from '../../reader/days.ts';

const AHEAD_DAYS = 60;

/** Three schools of watering on one line: the pot, the plant's own signs, the calendar. */
export function Schools({ outlook: { schools }, today }: { outlook: OutlookView; today: string }) {
  const now = dayNumber(today);
  const x = scaleLinear([0, AHEAD_DAYS], [4, 296]).clamp(true);
  const calendar =
    schools.interval_days === null
      ? 'no drinks in rest'
      : `every ${schools.interval_days} days, by ${schools.interval_from}`;
  const rows: [string, string | null, string][] = [
    ['The pot', schools.pot, 'as dry as its rule says, by our estimate'],
    ['The plant', schools.plant, 'the first wrinkle, if nobody waters'],
    ['The calendar', schools.calendar, calendar],
  ];
  return (
    <section aria-labelledby="schools">
      <h2 id="schools" className="mb-1 border-b-2 border-[var(--ink)] pb-1 text-[1.0625rem] font-semibold">
        Three ways to decide
      </h2>
      <ul className="text-[0.9375rem]">
        {rows.map(([school, day, how]) => (
          <li
            key={school}
            className="grid grid-cols-[6.5rem_minmax(0,1fr)] items-center gap-x-3 border-b border-[var(--rule)] py-1.5 sm:grid-cols-[6.5rem_minmax(0,1fr)_minmax(10rem,1fr)]"
          >
            <span className="font-semibold">{school}</span>
            <svg viewBox="0 0 300 20" className="hidden w-full sm:block" aria-hidden="true">
              <line x1="4" x2="296" y1="12" y2="12" stroke="var(--rule)" strokeWidth="1.5" />
              {[0, 14, 28, 42, 56].map((week) => (
                <line key={week} x1={x(week)} x2={x(week)} y1="9" y2="15" stroke="var(--rule)" strokeWidth="1.5" />
              ))}
              <line x1="4" x2="4" y1="3" y2="20" stroke="var(--ink)" strokeWidth="2" />
              {day !== null && dayNumber(day) - now <= AHEAD_DAYS && (
                <path d={`M${x(dayNumber(day) - now) - 5},2h10l-5,10z`} fill="var(--clay)" />
              )}
            </svg>
            <span>
              <strong className="font-semibold">{day === null ? 'not in sight' : nearDay(day, today)}</strong>{' '}
              <span className="text-[var(--ink-2)]">{how}</span>
            </span>
          </li>
        ))}
      </ul>
      {schools.disagree && (
        <p className="mt-2 text-[0.9375rem]">
          They are far apart. Feel the pot at depth before you follow the earliest.
        </p>
      )}
    </section>
  );
}
