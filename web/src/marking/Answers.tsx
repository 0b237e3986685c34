/** The answers to a look that is asked for, one tap each: what was felt, pressed or seen goes into the book. */
import type { JournalEvent, RoundPot } from '@zinc-pail/contract/api';
import { answersTo, type Deed } from '@zinc-pail/core';
import { type Felt, marked } from './markEvents.ts';
import { useMarks } from './Marks.tsx';

type Look = Extract<Deed, { deed: 'look' }>;

const FELT: ReadonlySet<string> = new Set<Felt>(['wet', 'damp', 'dry']);

interface AnswersProps {
  look: Look;
  pot: RoundPot;
  onFeel(how: Felt): void;
}

export function Answers({ look, pot, onFeel }: AnswersProps) {
  const { mark, busy } = useMarks();
  const { what } = look;
  const said = (answer: string) => (what === 'depth' ? `felt ${answer}` : `${what} ${answer}`);
  const act = (answer: string, write: (date: string) => JournalEvent[]) => {
    if (what === 'depth' && FELT.has(answer)) onFeel(answer as Felt);
    else void mark([marked(pot, pot.outlook.ahead.from)], ({ today }) => write(today), said(answer));
  };
  return (
    <div
      className="flex flex-wrap gap-px border border-[var(--straw)]"
      role="group"
      aria-label={what === 'depth' ? `${pot.name} felt` : `${pot.name}, ${what}`}
    >
      {answersTo(what, look.then).map(({ answer, write }) => (
        <button
          key={answer}
          type="button"
          disabled={busy.has(pot.id)}
          className="h-11 min-w-11 px-1.5 text-[0.9375rem] font-semibold text-[var(--straw)]"
          aria-label={what === 'depth' ? `${pot.name} felt ${answer}` : `${pot.name}: ${said(answer)}`}
          onClick={() => act(answer, write)}
        >
          {answer}
        </button>
      ))}
    </div>
  );
}
