import type { Request } from 'express';
import { Refused } from './refusals.ts';

/** The version that a change was made from, from the If-Match header; a change without it is refused. */
export function versionOf(request: Request): number {
  const match = /^(?:W\/)?"?(\d+)"?$/.exec(request.get('if-match') ?? '');
  if (!match)
    throw new Refused(
      'which-version',
      'Send the version that you changed in an If-Match header, so that nobody’s work is written over.',
    );
  return Number(match[1]);
}

/** Tells the second of two keepers what the first one changed, field by field; what they typed stays with them. */
export function refuseStale(wanted: Record<string, unknown>, current: Record<string, unknown>): never {
  const differ = Object.keys(wanted).filter(
    (key) => JSON.stringify(wanted[key] ?? null) !== JSON.stringify(current[key] ?? null),
  );
  const words = differ.map(
    (key) => `${key.replaceAll('_', ' ')} is now ${current[key] == null ? 'empty' : JSON.stringify(current[key])}`,
  );
  throw new Refused(
    'changed-meanwhile',
    `Someone changed this since you opened it${words.length > 0 ? `: ${words.join('; ')}` : ''}. Look at it and save again.`,
    differ.map((key) => ({
      pointer: `/${key}`,
      got: wanted[key],
      accepted: `your change again, knowing that it is now ${JSON.stringify(current[key] ?? null)}`,
    })),
  );
}
