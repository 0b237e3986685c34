/** The answers to a look that is asked for, one tap each: what was felt, pressed or seen goes into the book. */
import type { JournalEvent, RoundPot } from '@zinc-pail/contract/api';
import type { LookAt } from '@zinc-pail/core';
import { type Felt, marked } from './markEvents.ts';
import { useMarks } from './Marks.tsx';

type Asked = Exclude<LookAt, 'weight' | 'underside'>;

const sign =
  (name: string) =>
  (date: string): JournalEvent[] => [{ type: 'sign', date, sign: name, strength: 2 } as JournalEvent];

/** What can be answered, in the order of what a hand meets. */
const ANSWERS: Record<
  Exclude<Asked, 'depth'>,
  readonly { answer: string; said: string; write(date: string): JournalEvent[] }[]
> = {
  base: [
    { answer: 'firm', said: 'base firm', write: sign('firm-base') },
    { answer: 'soft', said: 'base soft', write: sign('soft-base') },
  ],
  roots: [
    { answer: 'firm', said: 'roots firm', write: sign('roots-firm') },
    { answer: 'mush', said: 'roots mush', write: sign('roots-mush') },
    { answer: 'brittle', said: 'roots brittle', write: sign('roots-brittle') },
    { answer: 'woolly', said: 'wool on the roots', write: sign('root-fluff') },
  ],
  growth: [
    { answer: 'taut', said: 'taut', write: sign('taut') },
    { answer: 'wrinkled', said: 'wrinkled', write: sign('wrinkled') },
  ],
};

interface AnswersProps {
  what: Asked;
  pot: RoundPot;
  onFeel(how: Felt): void;
}

export function Answers({ what, pot, onFeel }: AnswersProps) {
  const { mark, busy } = useMarks();
  const answers =
    what === 'depth'
      ? (['wet', 'damp', 'dry'] as const).map((how) => ({
          answer: how as string,
          label: `${pot.name} felt ${how}`,
          act: () => onFeel(how),
        }))
      : ANSWERS[what].map(({ answer, said, write }) => ({
          answer,
          label: `${pot.name}: ${said}`,
          act: () => void mark([marked(pot, pot.outlook.ahead.from)], ({ today }) => write(today), said),
        }));
  return (
    <div
      className="flex gap-px border border-[var(--straw)]"
      role="group"
      aria-label={what === 'depth' ? `${pot.name} felt` : `${pot.name}, ${what}`}
    >
      {answers.map(({ answer, label, act }) => (
        <button
          key={answer}
          type="button"
          disabled={busy.has(pot.id)}
          className="h-11 min-w-11 px-1.5 text-[0.9375rem] font-semibold text-[var(--straw)]"
          aria-label={label}
          onClick={act}
        >
          {answer}
        </button>
      ))}
    </div>
  );
}
