/** What looks into the pot say: wait, look again, or that the pot is not itself. */
import type { Answer } from './answer.ts';
import { DEPTH_ANSWERS, giveOrTake, hundredth, pressBase, reckoned, unsure } from './answer.ts';
import type { Deed } from './deeds.ts';
import { DRY_TO_M } from '../moisture.ts';
import { type Facts, iso } from './facts.ts';
import type { Says } from './seen.ts';
import { DRINK_AFTER_DRINK, OUTDONE, WEIGHTS, type Why } from './weights.ts';

/**
 * Felt wet, weighed heavy or left as "still wet": not due, whatever was reckoned. Damp: due only where the rule is to
 * keep damp, or the top alone need dry.
 */
export function lookSaysWait(facts: Facts): Answer | null {
  const { seen, today, outlook } = facts;
  const { look } = seen;
  if (!look || look.says === 'dry') return null;
  const { dryRule } = outlook.model.traits;
  const damp = look.says === 'damp';
  if (damp && (dryRule === 'keep-damp' || dryRule === 'dry-top')) return null;
  const ideal = outlook.advice.window?.ideal ?? null;
  // From what was found the rate says when to look again: half of the way, no sooner than two days, no later than three
  // weeks.
  const way = ideal === null ? 14 : Math.max(0, ideal - look.day);
  const again = look.day + Math.min(21, Math.max(damp ? 2 : 3, Math.round(0.6 * way)));
  if (today >= again) return null;
  const until = ideal === null ? null : iso(Math.max(ideal, again));
  return {
    deeds: [{ deed: 'wait', until }],
    because: [look.reason, comesDry(facts, look.says, again)],
    until,
    nextLook: iso(again),
    against: bookAgainst(facts, look.says),
  };
}

/** When it will be dry, from what was found: never on a day before the hand that found it damp. */
function comesDry(facts: Facts, says: Says, again: number): Why {
  const { outlook, seen } = facts;
  const dry = outlook.dryOn.p50;
  if (dry === null) return { ...reckoned(facts), weight: says === 'wet' ? OUTDONE : WEIGHTS['dries-on'] };
  return {
    code: 'dries-on',
    source: 'reckoned',
    on: iso(Math.max(dry, seen.look!.day + 1, again)),
    ...(says === 'wet' ? { weight: OUTDONE } : {}),
    n: giveOrTake(outlook.dryOn),
  };
}

/** Where the book alone would have it otherwise, that stands against. */
function bookAgainst(facts: Facts, says: Says): Why[] {
  const { happened } = facts.outlook.present;
  const other = happened.find(({ kind }) => kind === 'stranger' || kind === 'slip' || kind === 'slower');
  return other && says !== 'dry'
    ? [
        {
          code: 'contradicts-book',
          source: 'reckoned',
          weight: OUTDONE,
          of: other.kind,
          n: { chance: hundredth(other.probability) },
        },
      ]
    : [];
}

/** As likely as this, something happened that the record does not tell. */
const HAPPENED = 0.5;
const SLIPPED = 0.3;
/** One dry look is settled by a second of its kind from so many days later on. */
const SECOND_LOOK_DAYS = 2;

/**
 * One look that contradicts the record is believed, but no drench is given on the strength of it: a second settles it.
 */
export function contradictsBook(facts: Facts): Answer | null {
  const { seen, outlook, today } = facts;
  if (!seen.look || seen.look.says !== 'dry' || seen.looksSinceDrink > 1 || seen.slack) return null;
  // A record that has it nearly dry is not contradicted by a dry finger.
  if (facts.m.p90 <= NEARLY_DRY_M) return null;
  const upset = outlook.present.happened.find(({ kind, probability, from }) =>
    kind === 'slip'
      ? probability >= SLIPPED && from === seen.look!.day
      : (kind === 'ran-past' || kind === 'faster') && probability >= HAPPENED,
  );
  if (!upset) return null;
  const because: Why[] = [
    seen.look.reason,
    {
      code: 'contradicts-book',
      source: 'reckoned',
      of: upset.kind,
      n: { chance: hundredth(upset.probability) },
    },
  ];
  // What was just felt is not felt again: the hand that lifts it is another witness.
  const second: Deed =
    today - seen.look.day < SECOND_LOOK_DAYS && seen.look.kind === 'finger'
      ? { deed: 'look', what: 'weight', then: { heavy: 'wait', middling: 'wait', light: 'water' } }
      : { deed: 'look', what: 'depth', then: DEPTH_ANSWERS };
  return { deeds: [second], because, nextLook: iso(today) };
}
const NEARLY_DRY_M = 0.3;

/** So long a look at base or roots answers for a pot that is not itself. */
const ANSWERS_DAYS = 14;
const ROOTS_ANSWER_DAYS = 90;

function paceReason({ pace }: Facts): Why {
  const { kind, factor, days, normDays } = pace!;
  return {
    code: 'changed-pace',
    source: 'seen',
    weight: DRINK_AFTER_DRINK,
    of: kind,
    n: { factor: hundredth(factor), days: Math.round(days), norm: Math.round(normDays) },
  };
}

/** Wet for half as long again as its norm, and more: roots, hole or mix. No likely story hides that. */
export function staysWet(facts: Facts): Answer | null {
  const { pace, seen, today, outlook } = facts;
  if (pace?.kind !== 'slower') return null;
  if (answeredBy(seen.firmBase, today, ANSWERS_DAYS) || answeredBy(seen.firmRoots, today, ROOTS_ANSWER_DAYS))
    return null;
  return {
    deeds: [pressBase('look'), { deed: 'wait', until: null }],
    because: [paceReason(facts), ...(seen.look ? [seen.look.reason] : [])],
    against: outlook.present.happened.some(({ kind, probability }) => kind === 'stranger' && probability >= HAPPENED)
      ? [{ code: 'contradicts-book', source: 'reckoned', weight: OUTDONE, of: 'stranger' }]
      : [],
    until: null,
    nextLook: iso(today),
  };
}

function answeredBy(day: number | null, today: number, days: number): boolean {
  return day !== null && today - day <= days;
}

/** Dry in half of its norm, drink after drink: beside whatever else there is, its roots are looked at. */
export function driesFast(facts: Facts): { deed: Deed; reason: Why } | null {
  const { pace, seen, today } = facts;
  if (pace?.kind !== 'faster' || answeredBy(seen.firmRoots, today, ROOTS_ANSWER_DAYS)) return null;
  if (facts.outlook.plant.events.some((event) => event.type === 'changed' && event.pace === 'faster')) return null;
  return {
    deed: { deed: 'look', what: 'roots', then: { firm: 'wait', mush: 'act', circling: 'wait' } },
    reason: paceReason(facts),
  };
}

/** Much slower or faster than its own norm, and nobody has looked at the base since: roots, hole or ball. */
export function changedPace(facts: Facts): Answer | null {
  const { outlook, seen, today, state } = facts;
  const { change } = outlook;
  if (!change || state === 'resting') return null;
  if (change.kind === 'slower' && answeredBy(seen.firmBase, today, ANSWERS_DAYS)) return null;
  if (change.kind === 'faster' && facts.chanceWet < 0.1) return null;
  if (change.kind === 'contradictory' && facts.feltToday) return null;
  const look: Deed =
    change.kind === 'slower'
      ? pressBase()
      : change.kind === 'faster'
        ? { deed: 'look', what: 'roots', then: { firm: 'wait', mush: 'act' } }
        : { deed: 'look', what: 'depth', then: DEPTH_ANSWERS };
  return {
    deeds: [look, { deed: 'wait', until: facts.outlook.advice.window ? iso(facts.outlook.advice.window.ideal) : null }],
    because: [
      {
        code: 'changed-pace',
        source: 'reckoned',
        of: change.kind,
        n: { factor: hundredth(change.factor) },
      },
      ...(seen.look ? [seen.look.reason] : []),
    ],
    nextLook: iso(today),
  };
}

/** Nobody knows how wet it came, or nobody has ever looked into this pot: looked at before its first drink. */
export function neverLooked(facts: Facts): Answer | null {
  const { outlook, today, arrivedOn, seen, state } = facts;
  if (!facts.neverLooked || state === 'resting') return null;
  // One that must not dry, and surely has, is not kept waiting for a finger.
  if (outlook.model.soaked && facts.m.p90 <= DRY_TO_M && seen.lastDrink !== null) return null;
  const came = (arrivedOn === null || today - arrivedOn <= 60) && seen.lastDrink === null;
  const window = outlook.advice.window;
  const near = window !== null && Math.min(window.ideal, window.earliest) <= today;
  if (!came && !near) return null;
  const fresh = came && facts.m.p90 - facts.m.p10 > 0.25;
  if (!fresh && !near) return null;
  return {
    deeds: [{ deed: 'look', what: 'depth', then: DEPTH_ANSWERS }],
    because: [
      {
        code: came ? 'came-as-it-came' : 'never-looked',
        source: 'reckoned',
        ...(came && arrivedOn !== null ? { on: iso(arrivedOn) } : {}),
      },
      unsure(facts),
    ],
    nextLook: iso(today),
  };
}
