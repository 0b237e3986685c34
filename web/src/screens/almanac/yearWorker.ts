/** Reckons a collection's year away from the screen: its past once, then the year ahead as often as something is tried. */
import type { AlmanacInput } from '@zinc-pail/contract/almanac';
import {
  almanacOf,
  type AlmanacRow,
  type AlmanacStart,
  almanacStarts,
  dayNumber,
  GardenForecast,
  type WhatIf,
  wouldBe,
} from '@zinc-pail/core';

export type YearTask = { kind: 'read'; input: AlmanacInput } | { kind: 'try'; whatIf: WhatIf };
export type YearNews =
  | { kind: 'reading'; done: number; of: number }
  | { kind: 'year'; rows: AlmanacRow[] }
  | { kind: 'tried'; rows: AlmanacRow[] }
  | { kind: 'failed'; words: string };

let read: { input: AlmanacInput; starts: AlmanacStart[] } | null = null;

const tell = (news: YearNews) => postMessage(news);

function work(task: YearTask): void {
  if (task.kind === 'read') {
    const { input } = task;
    const forecast = new GardenForecast(input.garden);
    const of = input.garden.plants.length;
    const judged = new Map(
      input.plants.map(({ id, due, ceiling_c: ceilingC }) => [
        id,
        { due: due === null ? null : dayNumber(due), ceilingC },
      ]),
    );
    const starts = almanacStarts(forecast, judged, (done) => tell({ kind: 'reading', done, of }));
    read = { input, starts };
    tell({ kind: 'year', rows: almanacOf(forecast, starts) });
  } else if (read) {
    const forecast = new GardenForecast(wouldBe(read.input.garden, task.whatIf));
    tell({ kind: 'tried', rows: almanacOf(forecast, read.starts) });
  }
}

addEventListener('message', ({ data }: MessageEvent<YearTask>) => {
  try {
    work(data);
  } catch (error) {
    tell({ kind: 'failed', words: error instanceof Error ? error.message : String(error) });
  }
});
