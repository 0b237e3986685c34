import type { JournalEvent } from '@zinc-pail/contract/api';
import type { Sign, SignPlace } from '@zinc-pail/core';

/** A sign that was seen, as the clinic writes it. */
export function signEvent(
  sign: Sign,
  date: string,
  {
    strength = 2,
    where = null,
    when = null,
  }: { strength?: number; where?: SignPlace | null; when?: 'midday' | null } = {},
): JournalEvent {
  return { type: 'sign', date, sign, strength, where, when };
}
