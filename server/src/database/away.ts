/** Whether it is the database itself that did not answer, and not what it was asked. */
import { GivenUp } from './limits.ts';

/** A connection that could not be had, or broke: what the driver and Node call it. */
const AWAY = new Set([
  'ECONNREFUSED',
  'ECONNRESET',
  'EPIPE',
  'ETIMEDOUT',
  'PROTOCOL_CONNECTION_LOST',
  'PROTOCOL_ENQUEUE_AFTER_FATAL_ERROR',
  'ER_SERVER_SHUTDOWN',
]);

export function isAway(error: unknown): boolean {
  return AWAY.has(String((error as { code?: string }).code)) || /closed state/.test(String((error as Error).message));
}

/** Away, or so slow that it was given up on: whatever else is asked now would wait as long. */
export function isSilent(error: unknown): boolean {
  return error instanceof GivenUp || isAway(error);
}
