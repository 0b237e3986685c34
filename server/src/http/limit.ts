/** A limit of time on every request: one that is over it is answered, and what still works at it writes nothing more. */
import type { Request, RequestHandler, Response } from 'express';
import { type Errand, errandOf, onErrand } from '../errand.ts';
import { failure, RETRY_AFTER_S, sendProblem } from './problem.ts';

/** Longer than that nobody stands before a screen. */
export const PATIENCE_S = 25;

/** For files and lists of thousands. */
export const LONG_S = 120;

const MS_A_SECOND = 1000;

export function limitOf(patienceS = PATIENCE_S): RequestHandler {
  return (request, response, next) => {
    const errand: Errand = { until: performance.now() + patienceS * MS_A_SECOND, written: 'no', over: false };
    response.locals.errand = errand;
    const timer = setTimeout(() => {
      if (response.headersSent) return;
      errand.over = true;
      response.set('Retry-After', String(RETRY_AFTER_S));
      sendProblem(
        response,
        failure('too-long', `It took longer than ${patienceS} seconds.`, request.method, errand.written),
      );
    }, patienceS * MS_A_SECOND);
    response.once('close', () => clearTimeout(timer));
    next();
  };
}

/** A handler on the errand of its request; {@link limitOf} stands before it. */
export function asErrand(handle: (request: Request, response: Response) => Promise<void>): RequestHandler {
  return (request, response) => onErrand(errandOf(response)!, () => handle(request, response));
}
