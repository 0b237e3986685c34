/**
 * What is done for one request: until when, and how far it has come with the database. It follows the request through
 * all it awaits, so that a query far below knows its limit and an answer far above knows what was written.
 */
import { AsyncLocalStorage } from 'node:async_hooks';
import type { Response } from 'express';

/** no: nothing was; unknown: it was sent and no answer came; yes: it stands */
export type Written = 'no' | 'unknown' | 'yes';

export interface Errand {
  /** performance.now() at which it is given up */
  until: number;
  written: Written;
  /** given up: whoever still works at it stops before it writes */
  over: boolean;
}

const errands = new AsyncLocalStorage<Errand | undefined>();

export function onErrand<T>(errand: Errand, action: () => T): T {
  return errands.run(errand, action);
}

/** For what several requests wait for: no one's end is its end, but each of its statements has the usual limit. */
export function onSharedErrand<T>(action: () => T): T {
  return errands.run({ until: Infinity, written: 'no', over: false }, action);
}

/** For what nobody stands and waits for: a start, a whole collection read. */
export function onNobodysErrand<T>(action: () => T): T {
  return errands.run(undefined, action);
}

export function errandNow(): Errand | undefined {
  return errands.getStore();
}

/** The errand that an answer belongs to; http/limit.ts puts it there. */
export function errandOf(response: Response): Errand | undefined {
  return (response.locals as { errand?: Errand }).errand;
}
