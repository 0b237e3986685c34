import type { Problem } from '@zinc-pail/contract/api';
import { keeperName } from '../frame/keeper.ts';

/** A refusal or failure from the server, in its own words. */
export class ProblemError extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail);
  }
}

interface Init {
  method: 'POST' | 'PATCH' | 'PUT' | 'DELETE';
  body?: unknown;
  /** the version that a change was made from */
  version?: number;
  /** a file as it is, in place of a body */
  file?: Blob;
}

/** Longer than the server takes for anything: one that is silent then hangs. */
const LONGEST_MS = 150_000;

/** Asks the server. A dead line is told apart from a refusal. */
export async function ask<T>(path: string, init?: Init): Promise<T> {
  const headers: Record<string, string> = {};
  const keeper = keeperName();
  if (keeper) headers['X-Keeper'] = encodeURIComponent(keeper);
  if (init?.body !== undefined) headers['Content-Type'] = 'application/json';
  if (init?.file) headers['Content-Type'] = init.file.type || 'application/octet-stream';
  if (init?.version !== undefined) headers['If-Match'] = String(init.version);
  let response: Response;
  try {
    response = await fetch(`/api${path}`, {
      method: init?.method ?? 'GET',
      headers,
      signal: AbortSignal.timeout(LONGEST_MS),
      body: init?.file ?? (init?.body === undefined ? null : JSON.stringify(init.body)),
    });
  } catch {
    throw new ProblemError({
      type: 'about:blank',
      title: 'No answer',
      status: 503,
      detail: 'Zinc Pail does not answer. Is it still running on this machine?',
    });
  }
  if (!response.ok) {
    const problem = (await response.json().catch(() => null)) as Problem | null;
    throw new ProblemError(
      problem ?? {
        type: 'about:blank',
        title: 'Failed',
        status: response.status,
        detail: `The server answered ${response.status}.`,
      },
    );
  }
  return (response.status === 204 ? null : await response.json()) as T;
}

/** What was typed cannot be sent; says what would be right. */
export class NotSent extends Error {}

export function wordsOf(error: unknown): string {
  if (error instanceof ProblemError) return error.problem.detail;
  return error instanceof NotSent ? error.message : 'That did not work.';
}
