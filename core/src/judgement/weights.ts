/**
 * How much each reason counts beside the others: it decides which is told first, and nothing else. They are ranks, not
 * chances: what decides alone, what was seen above what is estimated, and last what is only worth a word.
 */
import type { Reason, ReasonCode } from './deeds.ts';

/** No sum outvotes it: rot, water that stands, a night below the limit, a treatment that runs. */
const DECIDES = 1;
/** Seen or measured on this plant, and it says by itself what to do. */
const SHOWN = 0.9;
/** Felt in the pot, or certain of the days ahead: only what shows on the plant itself is surer. */
const FELT = 0.8;
/** The keeper's own day or doubt: before the rule, after the finger. */
const KEEPERS_OWN = 0.75;
/** A rule or a forecast that calls for something today. */
const CALLS = 0.7;
/** A rule that holds, a clue that may mislead: lifting a pot, a taut skin on a dry mix. */
const HOLDS = 0.6;
/** Estimated from the whole record. */
const ESTIMATED = 0.5;
/** Where the estimate is only a date, or wide. */
const DATED = 0.4;
/** Always told beside what decides, in this order. */
const SAID_BESIDE = { 'near-limit': 0.35, 'stretched-seen': 0.32, 'off-ideal': 0.28 } as const;
/** True all season: the last thing to read. */
const BACKGROUND = 0.3;

export const WEIGHTS: Record<ReasonCode, number> = {
  'rot-seen': DECIDES,
  'rot-unfelt': DECIDES,
  'in-treatment': DECIDES,
  'water-stands': DECIDES,
  flooded: DECIDES,
  frosted: DECIDES,
  'below-limit': DECIDES,
  weighed: SHOWN,
  'slack-seen': SHOWN,
  suspect: SHOWN,
  'frost-shown': SHOWN,
  'woken-seen': SHOWN,
  'woken-cold': SHOWN,
  'woken-pair': SHOWN,
  'woken-early': SHOWN,
  'drawn-by-dark': SHOWN,
  'shrinking-warm': SHOWN,
  'not-firmed': SHOWN,
  'drunk-asleep': SHOWN,
  'slept-too-long': SHOWN,
  'new-pair': SHOWN,
  'cut-roots': SHOWN,
  'wet-and-cold': SHOWN,
  'roots-in-danger': SHOWN,
  'cold-for-weeks': SHOWN,
  'felt-wet': FELT,
  'felt-damp': FELT,
  'felt-dry': FELT,
  'too-much-seen': FELT,
  'shrinking-cold': FELT,
  asleep: FELT,
  'first-sip': FELT,
  'no-hole': FELT,
  'too-cold-to-drink': FELT,
  'cold-night': FELT,
  'dim-holds': FELT,
  'hot-holds': FELT,
  'too-hot': FELT,
  'long-rain': FELT,
  'usual-day': KEEPERS_OWN,
  'refused-twice': KEEPERS_OWN,
  due: CALLS,
  probed: CALLS,
  'never-looked': CALLS,
  'came-as-it-came': CALLS,
  'changed-pace': CALLS,
  'dry-for-long': CALLS,
  'calendar-none': CALLS,
  'rain-coming': CALLS,
  scorched: CALLS,
  lifted: HOLDS,
  'taut-seen': HOLDS,
  'contradicts-book': HOLDS,
  'drink-on-suspicion': HOLDS,
  'goes-to-rest': HOLDS,
  'small-store': HOLDS,
  salts: HOLDS,
  calendar: HOLDS,
  'plant-sign': HOLDS,
  'no-sign': HOLDS,
  weaning: HOLDS,
  // At most: it falls with the chance of the cause.
  likeliest: HOLDS,
  'surface-dry': ESTIMATED,
  'reckoned-wet': ESTIMATED,
  'reckoned-damp': ESTIMATED,
  'reckoned-dry': ESTIMATED,
  'long-indoors': ESTIMATED,
  'hard-to-replace': ESTIMATED,
  'leaves-going': ESTIMATED,
  'rain-counted': 0.45,
  'not-due': DATED,
  'dries-on': DATED,
  unsure: DATED,
  'touch-due': DATED,
  ...SAID_BESIDE,
  'long-unlooked': BACKGROUND,
  easing: BACKGROUND,
  waking: BACKGROUND,
  'too-dark': BACKGROUND,
  'name-unknown': BACKGROUND,
};

/** The likeliest cause where it is what the answer rests on. */
export const LEADS = SHOWN;
/** A pace that its dates on record show, drink after drink: surer than what one walk estimates. */
export const DRINK_AFTER_DRINK = 0.85;
/** Something seen that does not decide: told right after what does. */
export const SEEN_BESIDE = 0.35;
/** Estimated against what was just found: told last. */
export const OUTDONE = BACKGROUND;

/** A reason before it is weighed: one of its own weight has it here. */
export type Why = Omit<Reason, 'weight'> & { weight?: number };

/** Strongest first. */
export function weighed(whys: readonly Why[]): Reason[] {
  return whys
    .map((why): Reason => ({ ...why, weight: why.weight ?? WEIGHTS[why.code] }))
    .sort((a, b) => b.weight - a.weight);
}
