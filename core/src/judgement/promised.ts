/**
 * What each answer to a look leads to, held to what follows: the answer is written as a trial, the plant is judged again,
 * and its first deed is what the line promises. Where the judge would ask once more, the line says so before.
 */
import type { Outlook } from '../forecast/forecast.ts';
import type { PlantEvent } from '../garden.ts';
import type { Deed, DeedName, Judgement } from './deeds.ts';
import { answersTo } from './lookAnswers.ts';

type Look = Extract<Deed, { deed: 'look' }>;

export interface Trial {
  /** the day of the answers, ISO */
  today: string;
  /** the plant as it would stand with these written */
  outlookWith(events: readonly PlantEvent[]): Outlook;
  judge(outlook: Outlook): Judgement;
}

/** The judgement with the answers to the look it asks for first as they would turn out. */
export function promised(judgement: Judgement, trial: Trial): Judgement {
  const [first, ...others] = judgement.deeds;
  // Nothing is written for a look under the leaves but what is found there.
  if (first.deed !== 'look' || first.what === 'underside') return judgement;
  return { ...judgement, deeds: [{ ...first, then: outcomes(first, trial) }, ...others] };
}

function outcomes({ what, then }: Look, { today, outlookWith, judge }: Trial): Record<string, DeedName> {
  const led = answersTo(what, then).map(({ answer, write }) => [
    answer,
    judge(outlookWith(write(today))).deeds[0].deed,
  ]);
  return { ...then, ...(Object.fromEntries(led) as Record<string, DeedName>) };
}
