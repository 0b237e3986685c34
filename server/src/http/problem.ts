/** Refusals and failures as application/problem+json (RFC 9457), in words a keeper understands. */
import { isAway } from '../database/away.ts';
import type { Problem } from '@zinc-pail/contract/api';
import { brief, type Fault } from '@zinc-pail/contract/faults';
import { LARGEST_BODY_MB, MOST_FAULTS_TOLD } from '@zinc-pail/contract/limits';
import type { ErrorRequestHandler, RequestHandler, Response } from 'express';
import type { Logger } from 'pino';
import { errandOf, type Written } from '../errand.ts';
import { problemType, type RefusalName, Refused, REFUSALS } from './refusals.ts';

export const noSuchRoute: RequestHandler = (request) => {
  throw new Refused('not-here', `Nothing answers ${request.method} ${request.path}.`);
};

/** Every error ends here. What the caller did wrong is told; what we did wrong is logged and owned up to. */
/** @param full whether the disk of the database has no room left: a database that died of it cannot say so */
export function problems(log: Logger, full: () => boolean = () => false): ErrorRequestHandler {
  return (error, request, response, next) => {
    const errand = errandOf(response);
    // Told already that it was given up; what still worked at it has just noticed.
    if (errand?.over) return;
    if (response.headersSent) return next(error);
    const problem = asProblem(error, request.method, errand?.written ?? 'unknown', full);
    if (problem.status === UNAVAILABLE) response.set('Retry-After', String(RETRY_AFTER_S));
    if (problem.status >= 500) {
      // What only comes later is no failure.
      const level = error instanceof Refused ? 'warn' : 'error';
      log[level]({ err: error, method: request.method, path: request.path }, 'request failed');
    }
    sendProblem(response, problem);
  };
}

export function sendProblem(response: Response, problem: Problem): void {
  response.status(problem.status).type('application/problem+json').send(JSON.stringify(problem));
}

export function problemOf(kind: RefusalName, detail: string): Problem {
  const { status, title } = REFUSALS[kind];
  return { type: problemType(kind), title, status, detail };
}

const LONGEST_DETAIL = 6000;
const LONGEST_POINTER = 200;
const LONGEST_ACCEPTED = 400;
const BYTES_A_MB = 1024 * 1024;

function shortened(text: string, most: number): string {
  return text.length > most ? `${text.slice(0, most)}…` : text;
}

/** However much was wrong: an answer is read by people. */
function told(faults: readonly Fault[]): Fault[] {
  return faults.slice(0, MOST_FAULTS_TOLD).map(({ pointer, got, accepted }) => ({
    pointer: shortened(pointer, LONGEST_POINTER),
    got: brief(got),
    accepted: shortened(accepted, LONGEST_ACCEPTED),
  }));
}

export const RETRY_AFTER_S = 2;
const UNAVAILABLE = 503;

/** What became of a change, as far as it is known here. */
const BECAME: Record<Written, string> = {
  no: 'Nothing was written; send it again.',
  unknown: 'It may have been written or not: look, or send it again under the same ids; nothing is written twice.',
  yes: 'It was written; only the answer was lost. Look again.',
};

/** One of our own failures: what happened, and what became of the change. */
export function failure(kind: RefusalName, what: string, method: string, written: Written): Problem {
  if (method === 'GET' || method === 'HEAD') return problemOf(kind, `${what} Ask again.`);
  return { ...problemOf(kind, `${what} ${BECAME[written]}`), written };
}

/** Waits for each other that took too long; the database rolled them back. */
const BLOCKED = new Set(['ER_LOCK_WAIT_TIMEOUT', 'ER_LOCK_DEADLOCK', 'ER_STATEMENT_TIMEOUT', 'ZINC_GIVEN_UP']);
/** A row whose other row is gone, or still wanted. */
const PARTED = new Set(['ER_NO_REFERENCED_ROW_2', 'ER_ROW_IS_REFERENCED_2']);
/** Nothing more fits on the disk of the database. */
const FULL = new Set(['ER_DISK_FULL', 'ER_RECORD_FILE_FULL', 'ENOSPC']);

function asProblem(error: unknown, method: string, written: Written, full: () => boolean): Problem {
  if (error instanceof Refused && REFUSALS[error.kind].status >= 500)
    return failure(error.kind, error.message, method, written);
  if (error instanceof Refused)
    return {
      ...problemOf(error.kind, shortened(error.message, LONGEST_DETAIL)),
      ...(error.faults ? { faults: told(error.faults) } : {}),
    };
  const { status, type, limit } = error as { status?: number; type?: string; limit?: number };
  if (type === 'entity.parse.failed') return problemOf('not-json', 'The body is not JSON; send one JSON object.');
  if (type === 'entity.too.large')
    return problemOf(
      'too-large',
      `The file or body is too large: up to ${limit ? limit / BYTES_A_MB : LARGEST_BODY_MB} MB are taken here.`,
    );
  // What the libraries say of a body or an address that cannot be read, in our words.
  if (error instanceof URIError)
    return problemOf('not-here', 'There is nothing at this address: its % signs are wrong.');
  if (status === 415) return problemOf('not-json', 'The body is packed or written in a way that is not read here.');
  if (
    type === undefined &&
    /header check|decompress|inflate|gzip|invalid (block|stored|distance|code)/i.test(String(error))
  )
    return problemOf('not-json', 'The body says that it is packed, and cannot be unpacked.');
  if (status !== undefined && status >= 400 && status < 500)
    return { ...problemOf('not-understood', (error as Error).message), status };
  const code = String((error as { code?: string }).code);
  if (FULL.has(code) || (isAway(error) && full()))
    return failure('no-database', 'The disk of the database is full; make room.', method, written);
  if (isAway(error)) return failure('no-database', 'The database does not answer just now.', method, written);
  if (BLOCKED.has(code)) return failure('too-long', 'The database is too busy or hangs.', method, written);
  // A race that nobody's check could see: the database kept what belongs together, and wrote nothing. Of a request that had
  // written before, that would be untrue.
  if (PARTED.has(code) && written === 'no')
    return problemOf(
      'gone-meanwhile',
      'What it belongs to was taken away meanwhile. Nothing was written; load it again.',
    );
  return failure('our-fault', 'Something went wrong here; the log says more.', method, written);
}
