/** Why a drink that was asked was left out. */
import type { Refusal } from '@zinc-pail/core';

export const SKIP_WORDS: Record<Refusal | 'still-wet' | 'no-time', string> = {
  'still-wet': 'still wet',
  asleep: 'asleep',
  'too-cold': 'too cold',
  'just-potted': 'just potted',
  'not-sure': 'not sure',
  'no-time': 'no time',
  other: 'another reason',
};
