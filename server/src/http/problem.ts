/** Refusals and failures as application/problem+json (RFC 9457), in words a keeper understands. */
import type { Problem } from '@zinc-pail/contract/api';
import type { Fault } from '@zinc-pail/contract/faults';
import type { ErrorRequestHandler, RequestHandler } from 'express';
import type { Logger } from 'pino';

export class Refused extends Error {
  constructor(
    readonly status: number,
    readonly title: string,
    detail: string,
    readonly faults?: Fault[],
  ) {
    super(detail);
  }
}

export function notFound(what: string): Refused {
  return new Refused(404, 'Not here', `There is no such ${what}.`);
}

export const noSuchRoute: RequestHandler = (request) => {
  throw new Refused(404, 'Not here', `Nothing answers ${request.method} ${request.path}.`);
};

/** Every error ends here. What the caller did wrong is told; what we did wrong is logged and owned up to. */
export function problems(log: Logger): ErrorRequestHandler {
  return (error, request, response, next) => {
    if (response.headersSent) return next(error);
    const problem = asProblem(error);
    if (problem.status >= 500) log.error({ err: error, method: request.method, path: request.path }, 'request failed');
    response.status(problem.status).type('application/problem+json').send(JSON.stringify(problem));
  };
}

function asProblem(error: unknown): Problem {
  if (error instanceof Refused) {
    return {
      type: 'about:blank',
      title: error.title,
      status: error.status,
      detail: error.message,
      ...(error.faults ? { faults: error.faults } : {}),
    };
  }
  const { status, type } = error as { status?: number; type?: string };
  if (type === 'entity.parse.failed')
    return {
      type: 'about:blank',
      title: 'Not JSON',
      status: 400,
      detail: 'The body is not JSON; send one JSON object.',
    };
  if (type === 'entity.too.large')
    return {
      type: 'about:blank',
      title: 'Too large',
      status: 413,
      detail: 'The file or body is too large: up to 20 MB for a picture, 1 MB for anything else.',
    };
  if (status !== undefined && status >= 400 && status < 500)
    return { type: 'about:blank', title: 'Refused', status, detail: (error as Error).message };
  return {
    type: 'about:blank',
    title: 'Our fault',
    status: 500,
    detail: 'Something went wrong here. Nothing was changed. Try again; the log says more.',
  };
}
