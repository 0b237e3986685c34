import { useEffect } from 'react';
import { ProblemError } from '../api/client.ts';
import { Pail } from './Pail.tsx';

const NO_ANSWER = 503;
const ASKED_AGAIN_MS = 2000;

/** Something is on its way. */
export function Waiting({ what }: { what: string }) {
  return (
    <div role="status" className="flex items-center gap-3 p-6 text-lg text-[var(--ink-2)]">
      <Pail />
      Working out {what}…
    </div>
  );
}

/** It did not come: why, and what to do. */
export function Failed({ error, again }: { error: unknown; again(): void }) {
  const problem = error instanceof ProblemError ? error.problem : null;
  const away = problem?.status === NO_ANSWER;
  useEffect(() => {
    if (!away) return;
    const timer = setTimeout(again, ASKED_AGAIN_MS);
    return () => clearTimeout(timer);
  }, [away, again]);
  return (
    <div role="alert" className="m-6 max-w-xl border-l-4 border-[var(--rust)] pl-4">
      <h1 className="text-xl font-semibold">{problem?.title ?? 'Something broke here'}</h1>
      <p className="my-2">{problem?.detail ?? 'The screen could not be drawn. Nothing you noted is lost.'}</p>
      {away && <p className="my-2">Retrying every few seconds.</p>}
      <button type="button" className="btn btn-primary h-11" onClick={again}>
        Try again
      </button>
    </div>
  );
}
