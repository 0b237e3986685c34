/**
 * Faults put in on purpose, between the product and what the drill sees of it: so that each of its checks is seen failing.
 * `npm run drill -- --prove` runs every part under them and tells which check never failed.
 */
import type { Answer } from './answer.ts';

export interface Fault {
  name: string;
  /** the part that is run under it */
  part: string;
  /** what comes of an answer; `nth`: how often its address was asked, from 1 */
  answer?(path: string, answer: Answer, sent: string, nth: number): Answer | Promise<Answer>;
  /** what comes of rows that are read past the server */
  rows?(sql: string, rows: any[], values: readonly any[]): any[];
  /** added to what a process is seen to take; `nth`: how often that was looked at */
  memoryMb?(nth: number): number;
  /** added to its CPU each time that is looked at */
  cpuMs?: number;
  /** before the nth start */
  start?(nth: number): Promise<void>;
  /** the databases that are seen to run */
  databases?(pids: number[]): number[];
}

const refused = (answer: Answer, status: number, body: object | null = null): Answer => ({ ...answer, status, body });
const isMark = (path: string) => path === '/api/marks';
const nobody = (): Answer => ({ status: 0, type: '', body: null, bytes: 0, ms: 0, retryAfter: undefined });
/** Each row as if it stood twice. */
const doubled = (sql: string, rows: any[], [ids]: readonly any[]) =>
  sql.includes('AS id, COUNT(*)') ? ids.map((id: string) => ({ id, n: 2 })) : rows;

/** For each part what breaks all its checks, in as few runs as it takes. */
export const FAULTS: readonly Fault[] = [
  {
    name: 'all rows of the journal are gone, a plant and a piece too many stand there',
    part: 'kills',
    rows: (sql, rows) => {
      if (sql.includes('amount FROM stock')) return rows.map((row) => ({ amount: Number(row.amount) + 1 }));
      if (sql.includes('AS n FROM plant')) return rows.map((row) => ({ n: Number(row.n) + 1 }));
      return sql.includes('FROM journal') ? [] : rows;
    },
  },
  {
    name: 'one row of each mark is gone; what was written is denied; a start fails',
    part: 'kills',
    rows: (sql, rows) => (sql.includes('FROM journal') ? rows.filter((_, i) => i % 2 === 0) : rows),
    answer: (path, answer, _, nth) =>
      isMark(path) && answer.status === 201 && nth % 3 === 0 ? refused(answer, 503, { written: 'no' }) : answer,
    async start(nth) {
      if (nth === 2) throw new Error('a fault put in');
    },
  },
  {
    name: 'answers are lost, and what is sent again is refused; MariaDB stays away',
    part: 'kills',
    answer: (() => {
      const seen = new Set<string>();
      return (path: string, answer: Answer, sent: string) => {
        if (path === '/api/timers') return refused(answer, 503);
        if (!isMark(path)) return answer;
        if (seen.has(sent)) return refused(answer, 409);
        seen.add(sent);
        return nobody();
      };
    })(),
  },
  {
    name: 'one answer is a failure, refusals are long and have no words, a plant stands nowhere, much memory',
    part: 'requests',
    memoryMb: () => 1000,
    answer: (path, answer) => {
      if (path === '/api/kit') return refused(answer, 500);
      return answer.status >= 400 ? { ...answer, type: 'text/html', bytes: 1_000_000 } : answer;
    },
    rows: (sql, rows) => (sql.includes('LEFT JOIN stay') ? [{ id: 1 }] : rows),
  },
  {
    name: 'a start fails, and rows are lost',
    part: 'migrations',
    async start(nth) {
      if (nth === 5) throw new Error('a fault put in');
    },
    rows: (() => {
      let nth = 0;
      return (sql: string, rows: any[]) =>
        sql.includes('FROM journal') && ++nth > 1 ? [{ n: Number(rows[0].n) - 1 }] : rows;
    })(),
  },
  {
    name: 'starts are slow, and a second MariaDB runs',
    part: 'migrations',
    async start(nth) {
      if (nth > 3) await new Promise((resolve) => setTimeout(resolve, 60_000));
    },
    databases: (pids) => [...pids, ...pids],
  },
  {
    name: 'refusals do not say when to ask again; nothing answers later; rows stand though they were denied',
    part: 'hangs',
    answer: (path, answer) =>
      path === '/api/timers' && answer.status === 200 ? refused(answer, 503) : { ...answer, retryAfter: undefined },
    rows: doubled,
  },
  {
    name: 'rows stand twice; the servers differ; an order is lost; the second falls silent',
    part: 'two',
    rows: doubled,
    answer: (path, answer, _, nth) => {
      if (path === '/api/timers') return refused(answer, 500);
      if (/^\/api\/plants\/\d+$/.test(path)) return { ...answer, body: { ...answer.body, revision: nth } };
      if (path !== '/api/round' || answer.status !== 200) return answer;
      const { sites } = answer.body as { sites: { places: { pots: object[] }[] }[] };
      const turned = sites.map((site) => ({
        ...site,
        places: site.places.map((place) => ({ ...place, pots: place.pots.toReversed() })),
      }));
      return { ...answer, body: { ...answer.body, sites: turned } };
    },
  },
  {
    name: 'the places do not answer',
    part: 'clocks',
    answer: (path, answer) => (path === '/api/places' ? refused(answer, 500) : answer),
  },
  {
    name: 'the disk is never full, and nothing goes on; what was kept is gone',
    part: 'disk',
    answer: (path, answer) => {
      if (path === '/api/round') return refused(answer, 500);
      return answer.status >= 500 ? refused(answer, 201) : answer;
    },
    rows: (sql, rows) => (sql.includes('client_id IN') ? [] : rows),
  },
  {
    name: 'work is slow, and so are marks',
    part: 'hold-up',
    cpuMs: 300,
    async answer(path, answer) {
      if (isMark(path)) await new Promise((resolve) => setTimeout(resolve, 6000));
      return answer;
    },
  },
  {
    name: 'some fail, a crowd is slow and some of it left behind, much memory',
    part: 'load',
    memoryMb: () => 1000,
    answer: (() => {
      let first = 0;
      return async (path: string, answer: Answer, _: string, nth: number) => {
        first ||= Date.now();
        // By then the crowd is there.
        if (Date.now() - first > 10_500)
          await new Promise((resolve) => setTimeout(resolve, isMark(path) && nth % 20 === 0 ? 60_000 : 8000));
        return isMark(path) ? refused(answer, 500) : answer;
      };
    })(),
  },
  {
    name: 'some fail, and memory grows',
    part: 'soak',
    memoryMb: (nth) => 1000 + 50 * nth,
    answer: (path, answer) => (path === '/api/clinic' ? refused(answer, 500) : answer),
  },
];

let now: Fault | null = null;
let starts = 0;
let looks = 0;
let cpuMs = 0;
const asked = new Map<string, number>();

/** Puts a fault in, in place of the one before; null takes it out. */
export function putIn(fault: Fault | null): void {
  now = fault;
  starts = 0;
  looks = 0;
  cpuMs = 0;
  asked.clear();
}

export async function answerSeen(path: string, answer: Answer, sent: string): Promise<Answer> {
  if (!now?.answer) return answer;
  const nth = (asked.get(path) ?? 0) + 1;
  asked.set(path, nth);
  return now.answer(path, answer, sent, nth);
}

export function rowsSeen(sql: string, rows: any[], values: readonly any[]): any[] {
  return now?.rows?.(sql, rows, values) ?? rows;
}

export function memorySeen(mb: number): number {
  return mb + (now?.memoryMb?.(++looks) ?? 0);
}

export function cpuSeen(ms: number): number {
  cpuMs += now?.cpuMs ?? 0;
  return ms + cpuMs;
}

export function databasesSeen(pids: number[]): number[] {
  return now?.databases?.(pids) ?? pids;
}

export async function startSeen(): Promise<void> {
  await now?.start?.(++starts);
}
