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

/** What was typed cannot be sent; says what would be right, by field where it is one's fault. */
export class NotSent extends Error {
  constructor(
    message: string,
    readonly at: Readonly<Record<string, string>> = {},
  ) {
    super(message);
  }
}

/** Faults of fields as an error that was never sent. */
export function notSent(at: Readonly<Record<string, string>>): NotSent {
  return new NotSent(Object.values(at).join(' '), at);
}

const NOT_UNDERSTOOD = 'urn:zinc-pail:problem:not-understood';
/** Ends of a field's name that tell its unit: no word of a keeper's. */
const UNITS = /_(mm|ml|g|c|m|deg|pct|id|ids|at|on)$/;

/** "marks/0/entries/0/text" → "text"; "latitude_deg" → "latitude". */
function fieldWords(pointer: string): string {
  const last = pointer.split('/').findLast((part) => part !== '' && !/^\d+$/.test(part)) ?? '';
  return last.replace(UNITS, '').replaceAll('_', ' ');
}

/** What would be right, as a sentence at its field. */
function wantedWords({ got, accepted }: { got?: unknown; accepted: string }): string {
  return got === '' || got === '""' ? `Nothing stands here yet: ${accepted} is wanted.` : `Wanted: ${accepted}.`;
}

/** Words by field of what a refusal, or a form itself, found wrong. */
export function faultsOf(error: unknown): ReadonlyMap<string, string> {
  if (error instanceof NotSent) return new Map(Object.entries(error.at));
  if (!(error instanceof ProblemError)) return new Map();
  return new Map((error.problem.faults ?? []).map((fault) => [fault.pointer.replace(/^\//, ''), wantedWords(fault)]));
}

/** In a keeper's words: never the addresses of fields that programs go by. */
export function wordsOf(error: unknown): string {
  if (error instanceof NotSent) return error.message;
  if (!(error instanceof ProblemError)) return 'That did not work.';
  const { type, faults, detail } = error.problem;
  if (type !== NOT_UNDERSTOOD || !faults?.length) return detail;
  return faults
    .map((fault) => {
      const field = fieldWords(fault.pointer);
      const words = wantedWords(fault);
      return field === ''
        ? words
        : `${field.charAt(0).toUpperCase()}${field.slice(1)}: ${words.charAt(0).toLowerCase()}${words.slice(1)}`;
    })
    .join(' ');
}
