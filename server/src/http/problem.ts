/** Refusals and failures as application/problem+json (RFC 9457), in words a keeper understands. */
import type { Problem } from '@zinc-pail/contract/api';
import { LARGEST_BODY_MB, LARGEST_GARDEN_MB, LARGEST_PICTURE_MB } from '@zinc-pail/contract/limits';
import type { ErrorRequestHandler, RequestHandler, Response } from 'express';
import type { Logger } from 'pino';
import { problemType, type RefusalName, Refused, REFUSALS } from './refusals.ts';

export const noSuchRoute: RequestHandler = (request) => {
  throw new Refused('not-here', `Nothing answers ${request.method} ${request.path}.`);
};

/** Every error ends here. What the caller did wrong is told; what we did wrong is logged and owned up to. */
export function problems(log: Logger): ErrorRequestHandler {
  return (error, request, response, next) => {
    if (response.headersSent) return next(error);
    const problem = asProblem(error);
    if (problem.status >= 500) log.error({ err: error, method: request.method, path: request.path }, 'request failed');
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

function asProblem(error: unknown): Problem {
  if (error instanceof Refused)
    return { ...problemOf(error.kind, error.message), ...(error.faults ? { faults: error.faults } : {}) };
  const { status, type } = error as { status?: number; type?: string };
  if (type === 'entity.parse.failed') return problemOf('not-json', 'The body is not JSON; send one JSON object.');
  if (type === 'entity.too.large')
    return problemOf(
      'too-large',
      `The file or body is too large: up to ${LARGEST_PICTURE_MB} MB for a picture, ${LARGEST_GARDEN_MB} MB for a ` +
        `garden file, ${LARGEST_BODY_MB} MB for anything else.`,
    );
  if (status !== undefined && status >= 400 && status < 500)
    return { ...problemOf('not-understood', (error as Error).message), status };
  return problemOf('our-fault', 'Something went wrong here. Nothing was changed. Try again; the log says more.');
}
