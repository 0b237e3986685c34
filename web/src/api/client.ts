import type { Problem } from '@zinc-pail/contract/api';

/** A refusal or failure from the server, in its own words. */
export class ProblemError extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail);
  }
}

/** Asks the server. A dead line is told apart from a refusal. */
export async function ask<T>(path: string, init?: { method: 'POST'; body?: unknown }): Promise<T> {
  let response: Response;
  try {
    response = await fetch(`/api${path}`, {
      method: init?.method ?? 'GET',
      ...(init?.body === undefined ? {} : { headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(init.body) }),
    });
  } catch {
    throw new ProblemError({ type: 'about:blank', title: 'No answer', status: 503, detail: 'Zinc Pail does not answer. Is it still running on this machine?' });
  }
  if (!response.ok) {
    const problem = (await response.json().catch(() => null)) as Problem | null;
    throw new ProblemError(problem ?? { type: 'about:blank', title: 'Failed', status: response.status, detail: `The server answered ${response.status}.` });
  }
  return (await response.json()) as T;
}
