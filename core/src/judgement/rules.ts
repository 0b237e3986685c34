/**
 * The rules of judgement, in the order in which they are asked. First the night, which no drink outvotes; then what no sum
 * may outvote, most urgent first, and last the keeper's own rule: the first that has an answer gives it. Then what is said
 * and done beside it.
 */
import type { Answer } from './answer.ts';
import { intoShade, outOfTheCold, rootsWhereFast, towardsLight, weaned, whereItsSignsSend } from './beside.ts';
import { byRule } from './byRule.ts';
import { afterFrost, frostTonight } from './cold.ts';
import type { ReasonCode } from './deeds.ts';
import type { Facts } from './facts.ts';
import { held } from './held.ts';
import { changedPace, contradictsBook, lookSaysWait, neverLooked, staysWet } from './looks.ts';
import { longRain } from './rain.ts';
import { asleepStill, goesToSleep, newPair, sleepsTooLong } from './rest.ts';
import {
  darkBase,
  deadRoots,
  fadesAndWet,
  outOfWater,
  rootGuests,
  rot,
  slackAndWet,
  suspected,
  tooMuch,
  wetAndCold,
} from './rot.ts';
import { afterFirstSip, notFirmed, slackAndDry, slackAndUnknown } from './thirst.ts';
import { inTreatment } from './treatment.ts';
import { WEIGHTS } from './weights.ts';

export interface Rule {
  /** what its answer may rest on: one of them is always among its reasons */
  codes: readonly ReasonCode[];
  /** how much the strongest of them counts beside other reasons */
  weight: number;
  /** its answer, or null where it has nothing to say */
  asks: (facts: Facts) => Answer | null;
}

export interface BesideRule {
  code: ReasonCode;
  weight: number;
  /** the answer with what it adds */
  adds: (answer: Answer, facts: Facts) => Answer;
}

const rule = (codes: ReasonCode | readonly ReasonCode[], asks: Rule['asks']): Rule => {
  const all = typeof codes === 'string' ? [codes] : codes;
  return { codes: all, asks, weight: Math.max(...all.map((code) => WEIGHTS[code])) };
};
const beside = (code: ReasonCode, adds: BesideRule['adds']): BesideRule => ({ code, adds, weight: WEIGHTS[code] });

const RECKONED = ['reckoned-wet', 'reckoned-damp', 'reckoned-dry'] as const;

/** A night below what it takes comes before, and nothing is poured on its eve. */
export const TONIGHT: Rule = rule('below-limit', frostTonight);

/** The order is the order of urgency. */
export const RULES: readonly Rule[] = [
  rule('rot-seen', rot),
  rule('in-treatment', inTreatment),
  rule(['water-stands', 'flooded'], outOfWater),
  rule(['likeliest', ...RECKONED], deadRoots),
  rule(['likeliest', ...RECKONED], rootGuests),
  rule('frosted', afterFrost),
  rule('slack-seen', slackAndWet),
  rule('suspect', suspected),
  rule('too-much-seen', fadesAndWet),
  rule('changed-pace', staysWet),
  rule(['wet-and-cold', 'roots-in-danger'], wetAndCold),
  rule('long-rain', longRain),
  rule('too-much-seen', tooMuch),
  rule('too-much-seen', darkBase),
  rule('slept-too-long', sleepsTooLong),
  rule(['asleep', 'slept-too-long'], asleepStill),
  rule('leaves-going', goesToSleep),
  rule('not-firmed', notFirmed),
  rule('slack-seen', slackAndDry),
  rule(['slack-seen', 'shrinking-cold'], slackAndUnknown),
  rule('first-sip', afterFirstSip),
  rule('new-pair', newPair),
  rule(['goes-to-rest', 'too-cold-to-drink', 'cut-roots'], held),
  rule(['felt-wet', 'felt-damp', 'felt-dry', 'probed', 'weighed', 'lifted'], lookSaysWait),
  rule('contradicts-book', contradictsBook),
  rule('changed-pace', changedPace),
  rule(['never-looked', 'came-as-it-came'], neverLooked),
  rule(['due', 'not-due', 'calendar', 'calendar-none', 'plant-sign', 'no-sign'], byRule),
];

/** Asked of every answer. */
export const BESIDE: readonly BesideRule[] = [
  beside('too-hot', intoShade),
  beside('weaning', weaned),
  beside('likeliest', whereItsSignsSend),
  beside('too-dark', towardsLight),
  beside('near-limit', outOfTheCold),
  beside('changed-pace', rootsWhereFast),
];
