/** All that stands behind a line: every reason, what goes with it, what each answer leads to, and the keeper's own words. */
import { bandOf, drinkOf } from '@zinc-pail/core';
import { STEP_WORDS } from '@zinc-pail/words/clinic';
import { alsoWords } from '@zinc-pail/words/round';
import { Stick } from '../../drawing/Stick.tsx';
import { WeatherMark } from '../../drawing/WeatherMark.tsx';
import { StateMark } from '../../naming/StateMark.tsx';
import { shareWords } from '../../reader/amounts.ts';
import { wordsFor } from '../../reader/deeds.ts';
import { stripWords } from '../../reader/strip.ts';
import { units } from '../../reader/units.ts';
import { Link } from 'react-router';
import type { Ask, Line } from './lines.ts';

export function LineMore({ line: { pot, site, asks }, onNote }: { line: Line; onNote(): void }) {
  const { outlook, task } = pot;
  const words = wordsFor(pot, site.today);
  const food = drinkOf(task.judgement)?.food ?? null;
  const { p10, p50, p90 } = outlook.moisture;
  const percent = (m: number) => Math.round(m * 100);
  return (
    <div className="flex gap-3 pb-2 pl-[68px] pt-1 text-[0.9375rem] leading-snug max-sm:pl-0">
      <Stick
        moisture={outlook.moisture}
        dueM={outlook.due_m}
        height={58}
        label={`Probably ${bandOf(p50)}: ${percent(p50)} % of what the pot can give, between ${percent(p10)} and ${percent(p90)}`}
      />
      <div className="min-w-0">
        <p className="flex flex-wrap gap-x-3">
          <StateMark state={outlook.state} /> <WeatherMark pot={pot} />
          <span className="text-[var(--ink-2)]">{stripWords(pot, site.today)}.</span>
        </p>
        <p className="max-w-prose">{[words.reason, ...words.beside, ...(words.then ? [words.then] : [])].join(' ')}</p>
        {asks.map((ask) => {
          const how = howOf(ask, site.today);
          return how && <p key={how}>{how}</p>;
        })}
        <p className="max-w-prose text-[var(--ink-2)]">
          {[...(food === null ? [] : [`With food at ${shareWords(food)}.`]), ...words.mind, words.never].join(' ')}{' '}
          {task.own_words && <strong className="font-semibold text-[var(--ink)]">Yours: {task.own_words}</strong>}
        </p>
        <p className="flex gap-4 print:hidden">
          <button
            type="button"
            className="h-11 underline"
            aria-label={`Note something on ${pot.name}`}
            onClick={onNote}
          >
            Note something…
          </button>
          <Link to={`/plants/${pot.id}`} className="flex h-11 items-center underline">
            Its page
          </Link>
        </p>
      </div>
    </div>
  );
}

/** How a step of a treatment is done, or what to look at: the whole of what the line says in a few words. */
function howOf(ask: Ask, today: string): string | null {
  if (ask.kind === 'step') return STEP_WORDS[ask.step.step].how;
  return ask.kind === 'also' ? alsoWords(ask.task, today, units()) : null;
}
