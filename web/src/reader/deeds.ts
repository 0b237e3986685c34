/** The judgement of a pot in this keeper's units. */
import type { RoundPot } from '@zinc-pail/contract/api';
import { type Judged, judgedAs } from '@zinc-pail/core';
import { type JudgementWords, judgementWords } from '@zinc-pail/words/judgement';
import { units } from './units.ts';

type Judged1 = Pick<RoundPot, 'task'>;

export function wordsFor({ task }: Judged1, today: string): JudgementWords {
  return judgementWords(task.judgement, { units: units(), today });
}

/** How a list sorts the pot. */
export function kindOf({ task }: Judged1, today: string): Judged {
  return judgedAs(task.judgement, today);
}
