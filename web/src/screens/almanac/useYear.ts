import type { AlmanacInput } from '@zinc-pail/contract/almanac';
import type { AlmanacRow, WhatIf } from '@zinc-pail/core';
import { useEffect, useRef, useState } from 'react';
import type { YearNews, YearTask } from './yearWorker.ts';

export interface Year {
  /** how many plants' books are read; null once all are */
  reading: { done: number; of: number } | null;
  rows: AlmanacRow[] | null;
  /** the year as it would be; null while nothing is tried */
  tried: AlmanacRow[] | null;
  /** something is being tried just now */
  trying: boolean;
  failed: string | null;
  /** stopped by the keeper */
  stopped: boolean;
}

const NOTHING_YET = { reading: null, rows: null, tried: null, trying: false, failed: null, stopped: false };

/** A collection's year, reckoned in a thread of its own, for as long as the screen is open. Another input wants another key. */
export function useYear(input: AlmanacInput) {
  const [year, setYear] = useState<Year>({ ...NOTHING_YET, reading: { done: 0, of: input.plants.length } });
  const worker = useRef<Worker | null>(null);
  useEffect(() => {
    const made = new Worker(new URL('./yearWorker.ts', import.meta.url), { type: 'module' });
    worker.current = made;
    made.addEventListener('message', ({ data }: MessageEvent<YearNews>) => setYear((before) => after(before, data)));
    made.addEventListener('error', () =>
      setYear((before) => after(before, { kind: 'failed', words: 'The year could not be worked out here.' })),
    );
    const task: YearTask = { kind: 'read', input };
    made.postMessage(task);
    return () => {
      made.terminate();
      worker.current = null;
    };
  }, [input]);
  return {
    year,
    tryOut(whatIf: WhatIf | null): void {
      setYear((before) => ({ ...before, tried: null, trying: whatIf !== null }));
      const task: YearTask = { kind: 'try', whatIf: whatIf ?? {} };
      if (whatIf) worker.current?.postMessage(task);
    },
    stop(): void {
      worker.current?.terminate();
      setYear({ ...NOTHING_YET, stopped: true });
    },
  };
}

export function after(before: Year, news: YearNews): Year {
  switch (news.kind) {
    case 'reading':
      return { ...before, reading: { done: news.done, of: news.of } };
    case 'year':
      return { ...before, reading: null, rows: news.rows };
    case 'tried':
      // What was put away meanwhile stays away.
      return before.trying ? { ...before, trying: false, tried: news.rows } : before;
    case 'failed':
      return { ...before, reading: null, trying: false, failed: news.words };
  }
}
